"""`python -m ample_rows`: the command line."""

import sys

from ample_rows.cli.main import main

sys.exit(main())

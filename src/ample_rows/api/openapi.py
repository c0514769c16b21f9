"""Write the API's description to a file, for the front end's generated types."""

import json
import sys
import tempfile
from pathlib import Path

from ample_rows.api.app import create_app
from ample_rows.crops import load_book
from ample_rows.store import Database, GardenStore


def openapi_text() -> str:
    """The OpenAPI document as it is kept in `web/openapi.json`."""
    with tempfile.TemporaryDirectory() as folder:
        database = Database(Path(folder))
        app = create_app(GardenStore(database, load_book()), load_book())
        database.close()
        return json.dumps(app.openapi(), indent=1, ensure_ascii=False) + "\n"


if __name__ == "__main__":
    Path(sys.argv[1]).write_text(openapi_text(), "utf-8")

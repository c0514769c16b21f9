"""What was picked, as it came, over what was estimated."""

from ample_rows.core.ask.tape.tape import Tape, tape_csv, tape_of

__all__ = ["Tape", "tape_csv", "tape_of"]

"""Faults of the program, written down for a report: where they happened, never what was in them."""

import logging

log = logging.getLogger("ample_rows")
_STEPS = 6


def note_fault(doing: str, error: BaseException) -> None:
    """Write down the kind of an error and the last lines of code that it came through."""
    lines = []
    step = error.__traceback__
    while step is not None:
        file = step.tb_frame.f_code.co_filename.rsplit("ample_rows", 1)[-1]
        lines.append(f"{file}:{step.tb_lineno}")
        step = step.tb_next
    log.error("%s: %s at %s", doing, type(error).__name__, " ".join(lines[-_STEPS:]))

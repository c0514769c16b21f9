"""Notes on a kept plan that this version cannot use whole."""

from collections.abc import Iterator

from ample_rows.core import edits
from ample_rows.core import plan as p
from ample_rows.core.geometry.budget import too_many_cells
from ample_rows.core.notes.note import Fix, Note

_MOST_SAID = 3


def not_usable(plan: p.Plan) -> Iterator[Note]:
    """What was set aside, and a garden too large for figures."""
    if plan.set_aside:
        said = "; ".join(f"{part.path}: {part.why}" for part in plan.set_aside[:_MOST_SAID])
        more = len(plan.set_aside) - _MOST_SAID
        yield Note(
            "care",
            "set-aside",
            None,
            None,
            f"Part of this garden cannot be used by this version and is left out of all figures "
            f"({said}{f'; and {more} more' if more > 0 else ''}). It is kept and exported with the "
            "plan.",
            "Update Ample Rows, or delete what was set aside.",
            fixes=(Fix("Delete what was set aside", edits.ForgetSetAside()),),
        )
    too_many = too_many_cells(plan)
    if too_many is not None:
        yield Note(
            "stop",
            "too-many-squares",
            None,
            None,
            f"No figures: {too_many.text}.",
            "Delete a place, or choose larger squares for it.",
        )


def no_figures() -> Note:
    """A fault of the program itself: the plan is whole, its figures are not there."""
    return Note(
        "stop",
        "figures-failed",
        None,
        None,
        "No figures: working them out failed by a fault of Ample Rows. The plan itself is kept.",
        "Undo the last change, or export the plan and report it with the log.",
    )

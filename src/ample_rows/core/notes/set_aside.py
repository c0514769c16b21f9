"""Notes on a kept plan that this version cannot use whole."""

from collections.abc import Iterator

from ample_rows.core import edits
from ample_rows.core import plan as p
from ample_rows.core.geometry.budget import too_many_cells
from ample_rows.core.notes.note import Fix, Note
from ample_rows.core.words.message import Value, listed, message

_MOST_SAID = 3


def not_usable(plan: p.Plan) -> Iterator[Note]:
    """What was set aside, and a garden too large for figures."""
    if plan.set_aside:
        parts: list[Value] = [
            message("set-aside-part", path=part.path, why=part.why)
            for part in plan.set_aside[:_MOST_SAID]
        ]
        more = len(plan.set_aside) - _MOST_SAID
        if more > 0:
            parts.append(message("set-aside-more", more=more))
        yield Note(
            level="care",
            code="set-aside",
            place=None,
            planting=None,
            text=message("set-aside-part-garden-cannot-used", parts=listed(parts, "semicolon")),
            fix=message("set-aside-update-ample-rows-or"),
            fixes=(
                Fix(label=message("set-aside-delete-what-was-set"), edit=edits.ForgetSetAside()),
            ),
        )
    too_many = too_many_cells(plan)
    if too_many is not None:
        yield Note(
            level="stop",
            code="too-many-squares",
            place=None,
            planting=None,
            text=message("set-aside-no-figures", text=too_many.text),
            fix=message("set-aside-delete-place-or-choose"),
        )


def no_figures() -> Note:
    """A fault of the program itself: the plan is whole, its figures are not there."""
    return Note(
        level="stop",
        code="figures-failed",
        place=None,
        planting=None,
        text=message("set-aside-no-figures-working-them"),
        fix=message("set-aside-undo-last-change-or"),
    )

"""Notes on mixed squares: what two crops in the same squares take of each other, and win."""

from collections.abc import Iterator

from ample_rows.core.notes.giving_way import leaves_meet
from ample_rows.core.notes.note import Fix, Note
from ample_rows.core.notes.view import change_planting, named
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.set_out import case_of, set_out
from ample_rows.core.words.message import Message, Number, Share, message

_WORTH_SAYING = 0.005


def mixed(view: PlaceView) -> Iterator[Note]:
    """Each crop that stands between the plants of another."""
    by_id = {e.planting.id: e for e in view.plantings}
    for guest in view.plantings:
        host = by_id.get(guest.planting.between or "")
        if host is None or not guest.report.plants or not host.report.plants:
            continue
        if guest.dates.start >= host.dates.clear or host.dates.start >= guest.dates.clear:
            yield _apart(view, guest, host)
        else:
            yield _together(view, guest, host)


def _apart(view: PlaceView, guest: Evaluated, host: Evaluated) -> Note:
    return Note(
        level="tip",
        code="mixed-apart",
        place=view.place.id,
        planting=guest.planting.id,
        text=message("mixed-set-between-but-two", guest=named(guest), crop=host.crop.name),
        fix=message("mixed-start-while-other-stands"),
        fixes=(
            Fix(
                label=message("mixed-give-squares-itself"),
                edit=change_planting(guest, between=None),
            ),
        ),
    )


def _together(view: PlaceView, guest: Evaluated, host: Evaluated) -> Note:
    worth = _worth(view, guest) + _worth(view, host)
    text = message(
        "mixed-between-gives-together-they",
        guest=named(guest),
        crop=host.crop.name,
        less=_less(view, host),
        guest_crop=guest.crop.name,
        guest_less=_less(view, guest),
        worth=Number(worth, 1),
    )
    meet = leaves_meet(guest, host)
    ready = guest.dates.first_pick
    # Leaves that meet before anything can be picked are no reason to take a crop out.
    if meet is None or ready is None or not ready < meet < guest.dates.clear:
        return Note(
            level="tip",
            code="mixed",
            place=view.place.id,
            planting=guest.planting.id,
            text=text,
            fix=None,
        )
    clear = change_planting(guest, clear_date=meet.isoformat())
    return Note(
        level="tip",
        code="mixed",
        place=view.place.id,
        planting=guest.planting.id,
        text=message("mixed-their-leaves-meet-about", text=text, meet=meet),
        fix=message("mixed-have-out-then-or", crop=guest.crop.name),
        fixes=(Fix(label=message("mixed-clear", crop=guest.crop.name, meet=meet), edit=clear),),
    )


def _worth(view: PlaceView, e: Evaluated) -> float:
    """What a planting bears against the same ground to itself at the book's spacing."""
    sharing = view.here.sharing_of(e.planting.id)
    asked = set_out(case_of(e.planting, view.here, sharing=sharing)).asked_share
    return asked * e.report.factors.density


def _less(view: PlaceView, e: Evaluated) -> Message:
    """How much less a plant gives than it would with the same squares to itself."""
    alone = evaluate_planting(e.planting, view.here.alone).report
    if not alone.kg_per_plant:
        return message("mixed-what-would-itself")
    crowded = 1 - e.report.factors.density / alone.factors.density
    if crowded < _WORTH_SAYING:
        return message("mixed-much-itself")
    return message("mixed-less-plant", crowded=Share(crowded))

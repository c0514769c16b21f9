"""Notes on plantings that hold the same squares on the same days: clashes, and relays."""

import itertools
from collections import defaultdict
from collections.abc import Iterator
from datetime import timedelta

from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.notes.note import Fix, Note
from ample_rows.core.notes.view import (
    change_planting,
    named,
    percent_lost,
)
from ample_rows.core.place.relay import (
    Crowding,
    crowding,
    earliest_under,
    is_relay,
    share_support,
)
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.words.message import Message, Share, Squares, message, sentences

MOST_BETWEEN = 0.75


def clashes(view: PlaceView) -> Iterator[Note]:
    """Two plantings that hold the same cell on the same day."""
    for first, second in _pairs(view):
        others = set(second.report.cells)
        shared = tuple(cell for cell in first.report.cells if cell in others)
        full = crowding(first, second, grid_of(view.place), view.book.value("bare_foot_share"))
        if is_relay(first, second) and full and full.fits:
            yield _relay(view, first, second, full)
        else:
            yield _clash(view, first, second, shared)


def _pairs(view: PlaceView) -> Iterator[tuple[Evaluated, Evaluated]]:
    """Plantings that stand in a square at one time, the earlier one first, but those that do on
    purpose."""
    ordered = sorted(view.plantings, key=lambda e: (e.dates.start, e.planting.id))
    in_cell: dict[str, list[int]] = defaultdict(list)
    for index, e in enumerate(ordered):
        for cell in e.report.cells:
            in_cell[cell].append(index)
    meeting = {
        (earlier, later)
        for there in in_cell.values()
        for earlier, later in itertools.combinations(there, 2)
        if ordered[later].dates.start
        < min(ordered[earlier].dates.clear, ordered[later].dates.clear)
    }
    for earlier, later in sorted(meeting):
        if not _on_purpose(ordered[earlier], ordered[later]):
            yield ordered[earlier], ordered[later]


def _clash(view: PlaceView, first: Evaluated, second: Evaluated, shared: tuple[str, ...]) -> Note:
    last = min(first.dates.clear, second.dates.clear) - timedelta(days=1)
    return Note(
        level="stop",
        code="clash",
        place=view.place.id,
        planting=second.planting.id,
        text=message(
            "clashes-both-hold-from",
            crop=first.crop.name,
            second=second.crop.name,
            shared=Squares(shared),
            start=second.dates.start,
            last=last,
        ),
        fix=message("clashes-move-one-them-or"),
        fixes=_clash_fixes(view, first, second),
        cells=shared,
    )


def _clash_fixes(view: PlaceView, first: Evaluated, second: Evaluated) -> tuple[Fix, ...]:
    later = Fix(
        label=message("clashes-start", crop=second.crop.name, clear=first.dates.clear),
        edit=change_planting(second, start_date=first.dates.clear.isoformat()),
    )
    picked = first.dates.first_pick
    sooner = Fix(
        label=message("clashes-clear", crop=first.crop.name, start=second.dates.start),
        edit=change_planting(first, clear_date=second.dates.start.isoformat()),
    )
    cleared = [sooner] if picked and second.dates.start > picked else []
    return (
        later,
        *cleared,
        *_relay_fixes(view, first, second),
        *_between_fixes(first, second),
    )


def _on_purpose(one: Evaluated, other: Evaluated) -> bool:
    """Whether one of two plantings stands between the plants of the other by plan."""
    return one.planting.between == other.planting.id or other.planting.between == one.planting.id


def _relay(view: PlaceView, first: Evaluated, second: Evaluated, full: Crowding) -> Note:
    """The next crop under the last, as it is meant to be."""
    less = percent_lost(
        second.report.factors.density
        / evaluate_planting(second.planting, view.here.alone).report.factors.density
    )
    crowded = message("clashes-crowded-first-gives-about", less=less) if less >= 1 else None
    return Note(
        level="tip",
        code="relay",
        place=view.place.id,
        planting=second.planting.id,
        text=sentences(
            _meant(first, second, full),
            crowded,
        ),
        fix=_care_with(first, second),
    )


def _meant(first: Evaluated, second: Evaluated, full: Crowding) -> Message:
    if share_support(first, second):
        return message(
            "clashes-climbs-from-feet",
            second=named(second),
            crop=first.crop.name,
            start=second.dates.start,
            clear=first.dates.clear,
            covered=Share(full.covered),
            on=full.on,
        )
    return message(
        "clashes-starts-under-cleared-leaves",
        second=named(second),
        crop=first.crop.name,
        start=second.dates.start,
        clear=first.dates.clear,
        covered=Share(full.covered),
        on=full.on,
    )


def _care_with(first: Evaluated, second: Evaluated) -> Message | None:
    """What the young crop wants as the old one is cleared."""
    if share_support(first, second):
        return message("clashes-cut-old-at-foot", crop=first.crop.name)
    if first.crop.group == "root":
        return message("clashes-lift-hand-plant-time", crop=first.crop.name)
    return None


def _relay_fixes(view: PlaceView, first: Evaluated, second: Evaluated) -> Iterator[Fix]:
    """Starting the next crop under the last, from the day that the leaves of both fit."""
    apart = second.planting.support != first.planting.support
    bare_foot = view.book.value("bare_foot_share")
    bound = second.planting.between or apart
    day = None if bound else earliest_under(first, second, grid_of(view.place), bare_foot)
    if day is not None and second.dates.clear > first.dates.clear:
        change = change_planting(second, follows=first.planting.id, start_date=day.isoformat())
        yield Fix(
            label=message(
                "clashes-start-under", crop=second.crop.name, under=first.crop.name, day=day
            ),
            edit=change,
        )


def _between_fixes(first: Evaluated, second: Evaluated) -> list[Fix]:
    """Setting the closer of two crops between the plants of the wider, where neither is bound."""
    guest, host = sorted((first, second), key=lambda e: e.report.spacing_cm)
    bound = guest.planting.support or guest.planting.between or host.planting.between
    if bound or guest.report.spacing_cm > MOST_BETWEEN * host.report.spacing_cm:
        return []
    change = change_planting(guest, between=host.planting.id, per_cell=None)
    return [
        Fix(
            label=message("clashes-set-between", crop=guest.crop.name, host=host.crop.name),
            edit=change,
        )
    ]

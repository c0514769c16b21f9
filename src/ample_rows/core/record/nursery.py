"""The nursery shelf: what stands of each lot of seedlings, for whom, and what there is to spare."""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date

from ample_rows.core.book import Book
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import Entry, tells_loss
from ample_rows.core.record.parts import LotEvent, LotStep, SeedlingLot

_LEAVES: frozenset[LotStep] = frozenset({"set-out", "given", "lost"})
_COUNTS_WHAT_IS_LEFT: frozenset[LotStep] = frozenset({"up", "singled", "divided"})


@dataclass(frozen=True, slots=True)
class LotState:
    """One lot as it stands: how many came of it, are on the shelf, and went where.

    `up_share` is what came up of what was sown, `up_expected` what the book expects of it. A lot
    for a planting has `needed` plants still to give it; it is `short` of them or has `spare` ones;
    without a planting all are to spare. `replaces` are other lots that have some of its crop.
    """

    lot: SeedlingLot
    crop: str
    name: str
    began: date
    last_step: LotStep
    sown: int
    up: int | None
    up_share: float | None
    up_expected: float
    on_shelf: int
    ready: int
    set_out: int
    given: int
    lost: int
    needed: int
    short: int
    spare: int
    replaces: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Refill:
    """So many seedlings of a lot that can stand in for plants that were lost."""

    lot: str
    began: date
    count: int


@dataclass(frozen=True, slots=True)
class Gap:
    """A planting of which plants were lost and not replaced since: how many, and the seedlings of
    the shelf that can stand in for them."""

    planting: str
    missing: int
    refills: tuple[Refill, ...]


@dataclass(frozen=True, slots=True)
class _Tally:
    """Counts after all that became of a lot."""

    sown: int = 0
    up: int | None = None
    on_shelf: int = 0
    ready: int = 0
    left: Mapping[str, int] | None = None


def tally(events: Sequence[LotEvent]) -> _Tally:
    """Counts after each step in its order: what is up, singled or divided is what is on the shelf
    then; what is set out, given or lost leaves it."""
    sown, up, on_shelf, ready = 0, None, 0, 0
    left: dict[str, int] = defaultdict(int)
    for event in events:
        if event.step == "sown":
            sown += event.count
        elif event.step == "bought":
            on_shelf += event.count
        elif event.step in _COUNTS_WHAT_IS_LEFT:
            on_shelf = event.count
            up = event.count if event.step == "up" else up
        elif event.step in _LEAVES:
            left[event.step] += event.count
            on_shelf = max(0, on_shelf - event.count)
        elif event.step == "ready":
            ready = event.count
    return _Tally(sown, up, on_shelf, min(ready, on_shelf), left)


def nursery(
    lots: Sequence[SeedlingLot],
    reports: Sequence[PlantingReport],
    book: Book,
    entries: Sequence[Entry] = (),
    since: date = date.min,
) -> tuple[LotState, ...]:
    """Every lot as it stands, those that still have plants first.

    Args:
        entries: Those of the season: what was lost in a bed is needed again.
        since: The first day of the season: what was set out before is not of its plantings.
    """
    tallies = {lot.id: tally(lot.events) for lot in lots}
    lost = _lost(entries)
    stand = {
        planting: max(
            0, sum(event.count for event in events) - sum(e.count or 0 for e in lost[planting])
        )
        for planting, events in _set_out(lots, since).items()
    }
    needed = {report.id: max(0, report.plants - stand.get(report.id, 0)) for report in reports}
    states = [_state(lot, tallies[lot.id], needed, book) for lot in lots]
    spare = {state.lot.id: state for state in states if state.spare > 0}
    told = [_helped(state, spare) for state in states]
    return tuple(sorted(told, key=lambda state: (state.on_shelf == 0, state.began)))


def gaps(
    states: Sequence[LotState],
    reports: Sequence[PlantingReport],
    entries: Sequence[Entry],
) -> tuple[Gap, ...]:
    """Plantings that lost plants which were not replaced since, and what the shelf has for them;
    what is given to one is not offered to the next.

    Args:
        entries: Those of the season.
    """
    lost = _lost(entries)
    by_hand = [e for e in entries if e.kind == "set-out" and e.count is not None]
    from_shelf = _set_out([state.lot for state in states], date.min)
    left = {state.lot.id: state.spare for state in states}
    found = []
    for report in reports:
        gone = lost[report.id]
        if not gone:
            continue
        since = min(entry.day for entry in gone)
        # What is taken from the shelf may be entered in the book besides.
        replaced = max(
            _sum(e for e in by_hand if e.planting == report.id and e.day >= since),
            sum(e.count for e in from_shelf[report.id] if e.day >= since),
        )
        missing = _sum(gone) - replaced
        if missing > 0:
            found.append(Gap(report.id, missing, _refills(report, missing, states, left)))
    return tuple(found)


def _refills(
    report: PlantingReport, missing: int, states: Sequence[LotState], left: dict[str, int]
) -> tuple[Refill, ...]:
    refills = []
    for state in sorted(states, key=lambda one: (one.lot.planting != report.id, one.began)):
        # Its own lot keeps for it what it lacks, which is none of its spares.
        has = state.on_shelf if state.lot.planting == report.id else left[state.lot.id]
        count = min(missing, has) if state.crop == report.crop else 0
        if count > 0:
            refills.append(Refill(state.lot.id, state.began, count))
            left[state.lot.id] -= count
            missing -= count
    return tuple(refills)


def _sum(entries: Iterable[Entry]) -> int:
    return sum(entry.count or 0 for entry in entries)


def _lost(entries: Iterable[Entry]) -> dict[str, list[Entry]]:
    """What was lost, by planting."""
    lost: dict[str, list[Entry]] = defaultdict(list)
    for entry in entries:
        if entry.planting is not None and tells_loss(entry):
            lost[entry.planting].append(entry)
    return lost


def _set_out(lots: Iterable[SeedlingLot], since: date) -> dict[str, list[LotEvent]]:
    """What was set out from the shelf from a day on, by the planting that it went to."""
    out: dict[str, list[LotEvent]] = defaultdict(list)
    for lot in lots:
        for event in lot.events:
            planting = event.planting or lot.planting
            set_out = event.step == "set-out" and event.day >= since
            if set_out and planting is not None:
                out[planting].append(event)
    return out


def _state(
    lot: SeedlingLot,
    counts: _Tally,
    wanted: Mapping[str, int],
    book: Book,
) -> LotState:
    crop = book.crops.get(lot.crop)
    needed = wanted.get(lot.planting or "", 0)
    # What is sown and has not come up yet is neither short nor to spare.
    counted = counts.up is not None or any(event.step == "bought" for event in lot.events)
    left = counts.left or {}
    return LotState(
        lot=lot,
        crop=lot.crop,
        name=crop.name if crop else lot.crop,
        began=lot.events[0].day,
        last_step=lot.events[-1].step,
        sown=counts.sown,
        up=counts.up,
        up_share=counts.up / counts.sown if counts.up is not None and counts.sown else None,
        up_expected=crop.emergence if crop else 1.0,
        on_shelf=counts.on_shelf,
        ready=counts.ready,
        set_out=left.get("set-out", 0),
        given=left.get("given", 0),
        lost=left.get("lost", 0),
        needed=needed,
        short=max(0, needed - counts.on_shelf) if counted else 0,
        spare=max(0, counts.on_shelf - needed) if counted else 0,
        replaces=(),
    )


def _helped(state: LotState, spare: Mapping[str, LotState]) -> LotState:
    """With the lots that have of its crop what it is short of."""
    if state.short == 0:
        return state
    from_others = tuple(
        ident for ident, other in spare.items() if other.crop == state.crop and other is not state
    )
    return replace(state, replaces=from_others)

"""What plantings gave against what was estimated of them: one outcome for each that is over."""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.record.entries import Entry, GardenRecord, picked_kg
from ample_rows.core.record.figures import Figures

_ALL_BUT_OVER = timedelta(days=14)


@dataclass(frozen=True, slots=True)
class Expected:
    """What was estimated of a planting, by the book and the plan alone; `crop` is never a kind of
    one. [kg]"""

    crop: str
    family: str
    kg: float
    first_pick: date | None
    last_pick: date | None
    piece_kg: float | None


@dataclass(frozen=True, slots=True)
class Outcome:
    """What a planting gave in a season, how much later than estimated its first and last picking
    came, and how long after its start the first. [kg, days]"""

    season: str
    planting: str
    expected: Expected
    kg: float
    first_pick_shift_days: int | None
    last_pick_shift_days: int | None = None
    days_to_pick: int | None = None
    pickings: int = 1


@dataclass(frozen=True, slots=True)
class Outcomes:
    """Outcomes to learn from, and plantings of which nothing is learnt: `lost` gave nothing at
    all, which is told as a bad year; `set_aside` was left out by whoever entered it."""

    used: tuple[Outcome, ...]
    lost: tuple[tuple[str, str], ...]
    set_aside: tuple[tuple[str, str], ...]

    @property
    def left_out(self) -> int:
        return len(self.lost) + len(self.set_aside)


def expected_of(plan: p.Plan, figures: Figures) -> Mapping[str, Expected]:
    """What a plan estimates of each of its plantings that is to give something, by the book alone:
    what was learnt before is not learnt again."""
    return {
        of.id: Expected(
            crop=of.crop,
            family=of.family,
            kg=of.likely,
            first_pick=of.first_pick,
            last_pick=of.last_pick,
            piece_kg=of.piece_kg,
        )
        for of in figures(_alone(plan)).plantings
        if of.likely > 0
    }


@lru_cache(maxsize=64)
def _alone(plan: p.Plan) -> p.Plan:
    """A plan without what was learnt; each time the same value, by which its figures are known."""
    if plan.garden.own is None:
        return plan
    return plan.model_copy(update={"garden": plan.garden.model_copy(update={"own": None})})


def outcomes_of(record: GardenRecord, plan: p.Plan, figures: Figures) -> Outcomes:
    """What a record tells of plantings that are over.

    A planting of a season before the plan's is over; of a season that runs still, it is once it
    was cleared, or entries go on past its last pick.

    Args:
        plan: The plan as it is now; the only season, where the record names none.
    """
    plans = {season.id: season.plan for season in record.seasons}
    if not plans:
        plans = {"": plan}
    only = next(iter(plans)) if len(plans) == 1 else None
    of_season: dict[str, list[Entry]] = defaultdict(list)
    for entry in record.entries:
        season = entry.season if entry.season in plans else only
        if season is not None:
            of_season[season].append(entry)
    used: list[Outcome] = []
    lost: list[tuple[str, str]] = []
    set_aside: list[tuple[str, str]] = []
    for season, entries in of_season.items():
        runs = _is_same(plans[season], plan)
        until = max(entry.day for entry in entries) if runs else date.max
        expected = expected_of(plans[season], figures)
        for ident, told in by_planting(entries, plans[season]).items():
            of = expected.get(ident)
            over = not runs or is_over(told, until, of.last_pick if of else None)
            planting = plans[season].planting(ident)
            if planting is None or of is None or not over:
                continue
            picked = [entry for entry in told if entry.kind == "picked"]
            counted = [entry for entry in picked if not entry.left_out]
            began = _began(told, planting)
            if not counted and (picked or any(entry.left_out for entry in told)):
                set_aside.append((season, ident))
                continue
            kg = sum(picked_kg(entry, of.piece_kg) for entry in counted)
            if kg > 0:
                outcome = _outcome(season, ident, of, counted, kg, began=began)
                used.append(outcome)
            elif counted or any(entry.kind == "cleared" for entry in told):
                lost.append((season, ident))
    return Outcomes(tuple(used), tuple(lost), tuple(set_aside))


def _outcome(
    season: str,
    ident: str,
    expected: Expected,
    picked: Sequence[Entry],
    kg: float,
    *,
    began: date,
) -> Outcome:
    first, last = min(entry.day for entry in picked), max(entry.day for entry in picked)
    return Outcome(
        season,
        ident,
        expected,
        kg,
        None if expected.first_pick is None else (first - expected.first_pick).days,
        None if expected.last_pick is None else (last - expected.last_pick).days,
        (first - began).days,
        len(picked),
    )


def _began(entries: Iterable[Entry], planting: p.Planting) -> date:
    """The day on which a planting was started: as it was entered, else as it was planned."""
    started = (entry.day for entry in entries if entry.kind in ("sown", "set-out"))
    return min(started, default=planting.start_date)


def by_planting(entries: Iterable[Entry], plan: p.Plan) -> Mapping[str, list[Entry]]:
    """Entries by planting; one that names a crop, with or without a place, is of the only planting
    that it can be of."""
    found: dict[str, list[Entry]] = defaultdict(list)
    for entry in entries:
        ident = entry.planting
        if ident is None and entry.crop is not None:
            meant = [
                planting.id
                for planting in plan.plantings
                if entry.crop in (planting.crop, planting.variety)
                and entry.place in (None, planting.place)
            ]
            ident = meant[0] if len(meant) == 1 else None
        if ident is not None:
            found[ident].append(entry)
    return found


def _is_same(season: p.Plan, plan: p.Plan) -> bool:
    """Whether a season is the plan's own, by all that is planted in it and when: what stays for
    years is the same in several."""

    def begun(of: p.Plan) -> set[tuple[str, date]]:
        return {(planting.id, planting.start_date) for planting in of.plantings}

    return season is plan or begun(season) == begun(plan)


def is_over(told: Iterable[Entry], until: date, last_pick: date | None) -> bool:
    """Whether a planting is over: cleared, or entries go on to about its last pick.

    Args:
        until: The day of the last entry of all.
    """
    if any(entry.kind == "cleared" for entry in told):
        return True
    return last_pick is not None and until >= last_pick - _ALL_BUT_OVER

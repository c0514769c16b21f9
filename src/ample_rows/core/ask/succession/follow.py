"""What can follow: crops for squares that stand free for a while, best for the household first.

Each crop is tried by whichever start does best, from the first day that the ground is ready and
the crop's own window is open; what comes after it cuts it short.
"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.pantry.lacking import lacking_kg
from ample_rows.core.ask.what_fits.shelf import (
    LEAST_SHARE_WORTH_HAVING,
    PROBE,
    Asked,
    next_use,
    squares_asked,
    support_over,
    why_not,
)
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.dates import dates_of
from ample_rows.core.calendar.growing_year import GrowingYear, days, move_years
from ample_rows.core.calendar.windows import start_window
from ample_rows.core.edits import Edit, Plant
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.place.families import too_soon
from ample_rows.core.plan.idents import free_ident
from ample_rows.core.planting.cases import Judged
from ample_rows.core.planting.evaluated import judge_planting
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Text, message

_MOST = 24
_TOO_FEW_DAYS = 28


@dataclass(frozen=True, slots=True)
class Following:
    """One crop as it would do in the free squares, and the edit that plants it.

    `up` is the support that it climbs, empty where it needs none; `lacking_kg` is what the
    household still lacks of it, null where nothing is wanted of it; `fills_weeks` the weeks of
    the free time that it stands there. `caution` is what speaks against it without ruling it out.
    """

    crop: str
    name: str
    mark: str
    family: str
    start: p.Start
    start_date: date
    first_pick: date | None
    clear_date: date | None
    plants: int
    up: str
    harvest_kg: Quantiles
    lacking_kg: float | None
    fills_weeks: float
    caution: Text
    edit: Edit


@dataclass(frozen=True, slots=True)
class Follow:
    """What fits squares that are free from a day up to another, or to the end of the year."""

    place: str
    label: str
    cells: tuple[str, ...]
    since: date
    until: date
    before: str | None
    after: str | None
    entries: tuple[Following, ...]


@dataclass(frozen=True)
class _Gap:
    """Free ground: `ready` once what stood before is cleared and its bed made up again."""

    plan: p.Plan
    asked: Asked
    since: date
    until: date
    ready: date
    before: PlantingReport | None
    lacking: dict[str, tuple[float, float]]

    @property
    def book(self) -> Book:
        return self.asked.here.book

    @property
    def year(self) -> GrowingYear:
        return self.asked.here.setting.year


def following(
    estimate: Estimate,
    place_id: str,
    cells: tuple[str, ...],
    since: date,
    *,
    crops: tuple[str, ...] | None = None,
) -> Follow:
    """What these squares can grow from a day until something else is planned for them.

    Args:
        crops: Ask of these alone; without it, of the whole book.

    Raises:
        UnknownPartError: There is no such place.
        PlanFaultsError: A cell that is not on it.
        CannotBeDoneError: Something stands there on that day.
    """
    book = estimate.book
    gap = _gap(estimate, place_id, cells, since)
    best_of: dict[str, tuple[tuple[float, ...], Judged]] = {}
    for name in crops or book.crops:
        crop = book.crops[name]
        best = _best_start(gap, crop)
        if best is None:
            continue
        key = _worth(gap, best)
        root = crop.variety_of or crop.id
        if root not in best_of or key > best_of[root][0]:
            best_of[root] = (key, best)
    ranked = sorted(best_of.values(), key=lambda pair: pair[0], reverse=True)
    later = gap.asked.use.later
    return Follow(
        place=place_id,
        label=gap.asked.place.label,
        cells=gap.asked.cells,
        since=since,
        until=gap.until,
        before=gap.before.name if gap.before else None,
        after=later.name if later else None,
        entries=tuple(_entry(gap, best) for _, best in ranked[:_MOST]),
    )


def _gap(estimate: Estimate, place_id: str, cells: tuple[str, ...], since: date) -> _Gap:
    book = estimate.book
    cells = squares_asked(estimate, place_id, cells)
    here, standing = estimate.place(place_id), estimate.result(place_id)
    use = next_use(standing.plantings, cells, since)
    if use.now is not None:
        raise CannotBeDoneError(message("follow-stands-here-then", crop=use.now.name))
    wanted = set(cells)
    gone = [
        r
        for r in standing.plantings
        if wanted & set(r.cells) and r.clear_date and r.clear_date <= since
    ]
    before = max(gone, key=lambda r: r.clear_date or r.start_date, default=None)
    ready = since
    if before is not None and before.clear_date is not None:
        ready = before.clear_date + days(book.crops[before.crop].turn_round_days)
    year = here.setting.year
    return _Gap(
        plan=estimate.plan,
        asked=Asked(here=here, cells=cells, day=since, use=use, held=()),
        since=since,
        until=use.later.start_date if use.later else year.end + timedelta(days=1),
        ready=max(since, ready),
        before=before,
        lacking=lacking_kg(estimate),
    )


def _best_start(gap: _Gap, crop: Crop) -> Judged | None:
    """The crop by the start that gives most, where any does at all."""
    support = support_over(gap.asked, crop)
    tried = [e for start in crop.starts for e in _tried(gap, crop, start, support)]
    return max(tried, key=lambda e: e.harvest_kg.p50, default=None)


def _tried(gap: _Gap, crop: Crop, start: p.Start, support: str | None) -> Iterator[Judged]:
    for day in _days(gap, crop, start):
        asked = replace(gap.asked, day=day)
        probe = p.Planting(
            id=PROBE,
            place=asked.place.id,
            crop=crop.id,
            cells=asked.ground,
            start=start,
            start_date=day,
            support=support,
        )
        dates = dates_of(probe, crop, gap.year, gap.book)
        if gap.asked.use.later is not None and dates.clear > gap.until:
            probe = probe.model_copy(update={"clear_date": gap.until})
            dates = dates_of(probe, crop, gap.year, gap.book)
        # Told by dates alone first: to set it out and judge it is fifty times the work.
        if crop.perennial is not None and gap.asked.use.later is not None:
            continue
        if dates.picked_share < LEAST_SHARE_WORTH_HAVING or not dates.first_pick:
            continue
        if dates.first_pick >= gap.year.start:
            tried = judge_planting(probe, asked.here)
            if not why_not(tried, asked):
                yield tried


def _days(gap: _Gap, crop: Crop, start: p.Start) -> Iterator[date]:
    """The first day that suits this year; for what stands the winter, last autumn's too where
    nothing stood there before."""
    window = start_window(gap.year, crop, start, gap.book, near=gap.ready)
    first, last = max(gap.ready, window.earliest), min(window.latest, gap.year.end)
    if first <= last and first < gap.until:
        yield first
    if crop.frost == "hardy" and gap.before is None and gap.since <= gap.year.start:
        yield move_years(window.earliest if crop.overwinters else window.latest, -1)


def _entry(gap: _Gap, e: Judged) -> Following:
    place = gap.asked.place
    taken = {planting.id for planting in gap.plan.plantings}
    changes: dict[str, object] = {"id": free_ident(e.planting.crop, taken)}
    if gap.before is not None:
        changes["follows"] = gap.before.id
    start, clear = e.dates.start, e.dates.clear
    overlap = min(clear, gap.until) - max(start, gap.since)
    lack = gap.lacking.get(e.crop.variety_of or e.crop.id)
    return Following(
        crop=e.crop.id,
        name=e.crop.name,
        mark=e.crop.mark,
        family=e.crop.family,
        start=e.planting.start,
        start_date=start,
        first_pick=e.dates.first_pick,
        clear_date=clear,
        plants=e.stands.plants,
        up=_climbed(place, e, gap.book),
        harvest_kg=e.harvest_kg,
        lacking_kg=lack[0] if lack else None,
        fills_weeks=max(0, overlap.days) / 7,
        caution=_caution(gap, e),
        edit=Plant(planting=p.document(e.planting.model_copy(update=changes))),
    )


def _caution(gap: _Gap, e: Judged) -> Text:
    """What speaks against it without ruling it out; empty where nothing does."""
    year = e.dates.start.year
    soon = too_soon(gap.asked.place, e.crop.family, e.stands.taken, year, gap.book)
    return soon.words if soon else ""


def _climbed(place: p.Place, e: Judged, book: Book) -> str:
    """The support that it climbs, in words."""
    named = e.planting.support
    support = next((s for s in place.supports if s.id == named), None)
    return book.trainings[support.system].label if support else ""


def _worth(gap: _Gap, e: Judged) -> tuple[float, ...]:
    """What ranks it: rested ground, the share of a want that it meets, then weight for ground
    and time."""
    likely = e.harvest_kg.p50
    lack = gap.lacking.get(e.crop.variety_of or e.crop.id)
    meets = min(likely, lack[0]) / lack[1] if lack and lack[0] > 0 else 0.0
    return (not _caution(gap, e), meets, likely / _weeks_used(gap, e))


def _weeks_used(gap: _Gap, e: Judged) -> float:
    """Weeks of the free time that a crop takes, with those before and after it that are too few
    for another."""
    before = (e.dates.start - gap.ready).days
    after = (gap.until - e.dates.clear).days
    lost = sum(days for days in (before, after) if 0 < days < _TOO_FEW_DAYS)
    return max(1.0, ((e.dates.clear - e.dates.start).days + lost) / 7)

"""The crop shelf: what fits some squares on a day, best first, and why the rest does not."""

from dataclasses import dataclass
from datetime import date
from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.ask.what_fits.companions import Companion, companions_of
from ample_rows.core.book import Crop
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.planting.cases import Judged, PlaceCase
from ample_rows.core.planting.evaluated import judge_planting, window_of
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.soil.roots import DepthResult
from ample_rows.core.structures import supports
from ample_rows.core.words.message import Length, Number, Text, Volume, listed, message

LEAST_SHARE_WORTH_HAVING = 0.5
PROBE = "shelf"
# Depth, light and year are the same all over a place: so many squares round its middle show them.
_MIDDLE_SQUARES = 3


@dataclass(frozen=True, slots=True)
class ShelfEntry:
    """One crop as it would do in the chosen squares from the chosen day."""

    crop: str
    name: str
    names: tuple[str, ...]
    mark: str
    family: str
    group: str
    fits: bool
    reason: Text
    start: p.Start
    cells: tuple[str, ...] | Literal["all"]
    support: str | None
    clear_by: date | None
    plants: int
    spacing_cm: float
    first_pick: date | None
    clear_date: date | None
    harvest_kg: Quantiles
    factor: float
    kg_per_square_week: float
    companions: tuple[Companion, ...]


@dataclass(frozen=True, slots=True)
class SquaresSun:
    """Daily sun on some squares before noon and after, in the six sunniest months. [hours]"""

    morning: float
    afternoon: float


@dataclass(frozen=True, slots=True)
class ShelfAnswer:
    """Every crop of the book, those that fit first; what stands in the way of them all; and the
    sun on these squares, null where it is not known."""

    entries: tuple[ShelfEntry, ...]
    blocked: Text | None
    free_from: date | None
    sun: SquaresSun | None


def shelf_for(
    estimate: Estimate,
    place_id: str,
    cells: tuple[str, ...],
    day: date,
    *,
    crops: tuple[str, ...] | None = None,
) -> ShelfAnswer:
    """What these cells can grow from a day: best first by yield of ground and time.

    Args:
        crops: Ask of these alone; without it, of the whole book.

    Raises:
        UnknownPartError: There is no such place.
        PlanFaultsError: A cell that is not on it.
    """
    book = estimate.book
    asked = _asked(estimate, place_id, squares_asked(estimate, place_id, cells), day)
    here, cells = asked.here, asked.cells
    asked_of = book.crops if crops is None else crops
    entries = [_entry(asked, book.crops[crop]) for crop in asked_of]
    entries.sort(key=lambda e: (not e.fits, -e.kg_per_square_week, -e.factor, e.name))
    blocked = _blocked(asked)
    now = asked.use.now
    free_from = now.clear_date if blocked and now is not None else None
    # Hours counted by the grower hold for the whole place.
    reckoned = here.sun if here.place.sun_hours is None else None
    sun = SquaresSun(*reckoned.halves_of(cells)) if reckoned else None
    return ShelfAnswer(tuple(entries), blocked or None, free_from, sun)


def depth_for(estimate: Estimate, place_id: str, crop: Crop, day: date) -> DepthResult | None:
    """What the depth of a place does to a crop, tried in the middle of it; none where depth,
    light or the year keep the crop out, whichever squares it is given.

    Raises:
        UnknownPartError: There is no such place.
    """
    asked = _asked(estimate, place_id, _middle_of(estimate.place(place_id).place), day)
    tried = (tried_as(asked, crop, start, None) for start in crop.starts)
    return next((e.outcome.depth for e in tried if not _against_place(e)), None)


def _middle_of(place: p.Place) -> tuple[str, ...]:
    """Squares round the middle of a place; all of one that is bent round its middle."""
    grid = grid_of(place)
    near = [
        cell.address
        for cell in grid.cells.values()
        if abs(cell.spot[0] - grid.columns // 2) <= _MIDDLE_SQUARES
        and abs(cell.spot[1] - grid.rows // 2) <= _MIDDLE_SQUARES
    ]
    return tuple(near or grid.cells)


def _asked(estimate: Estimate, place_id: str, cells: tuple[str, ...], day: date) -> "Asked":
    here, standing = estimate.place(place_id), estimate.result(place_id).plantings
    return Asked(
        here=here,
        cells=cells,
        day=day,
        use=next_use(standing, cells, day),
        held=tuple(sorted({a for h in here.place.held for a in h.cells} & set(cells))),
        standing=standing,
    )


def squares_asked(estimate: Estimate, place_id: str, cells: tuple[str, ...]) -> tuple[str, ...]:
    """The squares that something is asked of, each once.

    Raises:
        UnknownPartError: There is no such place.
        PlanFaultsError: No square, or one that is not on it.
    """
    place = estimate.place(place_id).place
    if not cells:
        raise PlanFaultsError.one("cells", "choose at least one square")
    cells = tuple(dict.fromkeys(cells))
    squares = grid_of(place).cells
    for index, address in enumerate(cells):
        if address not in squares:
            words = f'"{address}" is not a cell of "{place_id}"'
            raise PlanFaultsError.one(f"cells[{index}]", words)
    return cells


@dataclass(frozen=True)
class NextUse:
    """Who holds the squares now, and who comes next."""

    now: PlantingReport | None
    later: PlantingReport | None


def next_use(standing: tuple[PlantingReport, ...], cells: tuple[str, ...], day: date) -> NextUse:
    wanted = set(cells)
    mine = [r for r in standing if wanted & set(r.cells)]
    now = [r for r in mine if r.start_date <= day and r.clear_date and day < r.clear_date]
    later = sorted((r for r in mine if r.start_date > day), key=lambda r: r.start_date)
    return NextUse(now[0] if now else None, later[0] if later else None)


@dataclass(frozen=True)
class Asked:
    """The question put to the shelf."""

    here: PlaceCase
    cells: tuple[str, ...]
    day: date
    use: NextUse
    held: tuple[str, ...]
    standing: tuple[PlantingReport, ...] = ()

    @property
    def place(self) -> p.Place:
        return self.here.place

    @property
    def ground(self) -> tuple[str, ...] | Literal["all"]:
        """The cells, or the whole place where they are all of it: walls then end the region."""
        every = grid_of(self.place).cells
        as_many = not self.place.held and len(self.cells) >= len(every)
        return "all" if as_many and set(self.cells) == set(every) else self.cells


def _entry(asked: Asked, crop: Crop) -> ShelfEntry:
    """The crop by whichever of its starts does best here on this day."""
    support = support_over(asked, crop)
    tried = [tried_as(asked, crop, start, support) for start in crop.starts]
    judged = [(e, why_not(e, asked)) for e in tried]
    best, reason = min(judged, key=lambda pair: (bool(pair[1]), -pair[0].harvest_kg.p50))
    return _shown(crop, best, reason, asked)


def probe_of(asked: Asked, crop: Crop, start: p.Start, support: str | None) -> p.Planting:
    """A crop planted all over the squares that are asked about, on the day."""
    return p.Planting(
        id=PROBE,
        place=asked.place.id,
        crop=crop.id,
        cells=asked.ground,
        start=start,
        start_date=asked.day,
        support=support,
    )


def tried_as(asked: Asked, crop: Crop, start: p.Start, support: str | None) -> Judged:
    """A crop judged there, cleared in time for what comes next."""
    probe = probe_of(asked, crop, start, support)
    tried = judge_planting(probe, asked.here)
    later = asked.use.later
    if later is None or tried.dates.clear <= later.start_date:
        return tried
    cut = probe.model_copy(update={"clear_date": later.start_date})
    return judge_planting(cut, asked.here)


def support_over(asked: Asked, crop: Crop) -> str | None:
    """A support of the place that the crop can climb and whose footprint holds the cells."""
    place, setting = asked.place, asked.here.setting
    for support in place.supports:
        if crop.training(support.system) is None or not asked.cells:
            continue
        probe = p.Planting(
            id=PROBE,
            place=place.id,
            crop=crop.id,
            cells=asked.cells,
            start="sow",
            start_date=asked.day,
            support=support.id,
        )
        run = supports.run_of(
            place,
            support,
            probe,
            asked.here.book.trainings[support.system],
            latitude=setting.latitude,
            north_deg=setting.north_deg,
        )
        if run is not None and set(asked.cells) <= set(supports.cells_under(place, run)):
            return support.id
    return None


def _blocked(asked: Asked) -> Text:
    """What stands in the way of every crop; empty when the ground is free."""
    now = asked.use.now
    if asked.held:
        return message("shelf-held", cells=listed(asked.held))
    if now is not None and now.clear_date is not None:
        return message("shelf-stands-here-until", now=now.name, clear_date=now.clear_date)
    return ""


def why_not(e: Judged, asked: Asked) -> Text:
    """The first reason against, in the grower's order of asking; empty when it fits."""
    window, use, day = window_of(e), asked.use, asked.day
    blocked = _blocked(asked)
    if blocked:
        return blocked
    of_squares = _against_squares(e)
    if of_squares:
        return of_squares
    if window.too_early_on(day):
        return message("shelf-too-early-from", earliest=window.earliest)
    if e.case.lies_down:
        return message("shelf-needs-net-climb")
    if e.crop.perennial is not None and use.later is not None:
        return message(
            "shelf-stays-for-years", later=use.later.name, start_date=use.later.start_date
        )
    if e.crop.perennial is None and e.dates.picked_share < LEAST_SHARE_WORTH_HAVING:
        if e.dates.cleared_early and use.later is not None:
            return message(
                "shelf-not-ready-before-comes",
                later=use.later.name,
                start_date=use.later.start_date,
            )
        return message("shelf-frost-comes-before-picked")
    if day > window.latest:
        return message("shelf-too-late", latest=window.latest)
    return ""


def against_ground(e: Judged) -> Text:
    """What of its squares, their place or its year stands against a crop, whatever the day."""
    return _against_squares(e) or (message("shelf-needs-net-climb") if e.case.lies_down else "")


def _against_squares(e: Judged) -> Text:
    if e.stands.plants == 0:
        return message("shelf-too-few-squares-plants", spacing=Length(e.stands.spacing_cm))
    return _against_place(e)


def _against_place(e: Judged) -> Text:
    """What of the place or its year stands against a crop, whatever squares it is given."""
    window, depth = window_of(e), e.outcome.depth
    if depth.verdict == "root-too-long":
        return message(
            "shelf-root-long",
            edible_root=Length(e.crop.edible_root_cm or 0.0),
            usable=Length(depth.usable_cm),
        )
    if depth.verdict == "too-shallow":
        if depth.governed_by == "litres":
            return message("shelf-needs-soil-plant", least=Volume(e.crop.least_litres))
        return message(
            "shelf-needs-soil", least=Length(depth.least_cm), usable=Length(depth.usable_cm)
        )
    hours = e.outcome.light.useful_hours
    if hours is not None and hours < e.crop.least_sun_hours:
        return message("shelf-needs-sun", least_sun_hours=Number(e.crop.least_sun_hours))
    if not window.open:
        return message("shelf-no-window", why=window.how)
    return ""


def _shown(crop: Crop, e: Judged, reason: Text, asked: Asked) -> ShelfEntry:
    weeks = max(1.0, (e.dates.clear - e.dates.start).days / 7)
    return ShelfEntry(
        crop=crop.id,
        name=crop.name,
        names=crop.names,
        mark=crop.mark,
        family=crop.family,
        group=crop.group,
        fits=not reason,
        reason=reason,
        start=e.planting.start,
        cells=e.planting.cells,
        support=e.planting.support,
        clear_by=e.planting.clear_date,
        plants=e.stands.plants,
        spacing_cm=e.stands.spacing_cm,
        first_pick=e.dates.first_pick,
        clear_date=e.dates.clear,
        harvest_kg=e.harvest_kg,
        # What stays for years is judged as it is once it is grown.
        factor=e.outcome.factors.product / (e.dates.bears or 1.0),
        kg_per_square_week=e.harvest_kg.p50 / max(1, len(asked.cells)) / weeks,
        companions=companions_of(crop, asked.standing, asked.day, asked.here.book),
    )

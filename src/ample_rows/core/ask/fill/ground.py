"""The ground that may be filled: free squares in strips, and strips that are alike in zones.

A strip is a run of squares that are free in the same half-months: two rows of them, in pairs from
one end to the other, where there are two. A pot is one such unit. Strips under a support are one
row and apart. Strips of equal places, free alike, are one zone: what grows in one of them grows
in all.
"""

from collections import defaultdict
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from datetime import timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.fill.halves import COUNT, Halves
from ample_rows.core.ask.fill.settled import WHOLE, Scope
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import Spot, grid_of, held_cells
from ample_rows.core.place.families import too_soon
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.structures import supports

_POT_SQUARES = 2

Unit = tuple[str, ...]
Window = tuple[int, int]


@dataclass(frozen=True)
class Strip:
    """Units of ground in their order, all free from one half-month up to another; a unit is a
    square, or the whole of a pot. Of two `rows` two units lie side by side."""

    place: str
    units: tuple[Unit, ...]
    window: Window
    rows: int = 1
    support: str | None = None


@dataclass(frozen=True)
class Zone:
    """Strips that are alike, the longest first. Of zones of the same `soil` a crop gives the same
    in so many units from a day: they differ in when they are free, or in what grew there.
    `unit_squares` is how many whole squares the largest unit is worth."""

    strips: tuple[Strip, ...]
    soil: int
    unit_squares: float

    @property
    def first(self) -> Strip:
        return self.strips[0]


def zones_of(
    estimate: Estimate,
    kept: Iterable[PlantingReport],
    halves: Halves,
    scope: Scope = WHOLE,
) -> list[Zone]:
    """All ground in a scope that is free for a half-month or longer, beside some plantings that
    are kept."""
    by_place: dict[str, list[PlantingReport]] = defaultdict(list)
    for report in kept:
        by_place[report.place].append(report)
    stood_on = {
        cell
        for place in estimate.plan.places
        if place.stands_on is not None
        for cell in ((place.stands_on.place, address) for address in place.stands_on.cells)
    }
    alike: dict[tuple[int, object], list[Strip]] = defaultdict(list)
    soils: dict[object, int] = {}
    for place in estimate.plan.places:
        taken = {address for host, address in stood_on if host == place.id} | held_cells(place)
        if scope.within is not None:
            taken |= grid_of(place).cells.keys() - scope.within.get(place.id, frozenset())
        first = 0 if scope.since is None else halves.after(scope.since)
        windows = _windows(estimate, place, by_place[place.id], taken, halves=halves, first=first)
        for strip in _strips(estimate, place, windows):
            soil = soils.setdefault(_soil(estimate, strip), len(soils))
            alike[soil, _history(estimate, strip)].append(strip)
    return [
        Zone(
            tuple(sorted(strips, key=lambda strip: -len(strip.units))),
            soil,
            _largest(estimate, strips),
        )
        for (soil, _), strips in alike.items()
    ]


def _largest(estimate: Estimate, strips: Iterable[Strip]) -> float:
    """The ground of the largest unit of some strips, in whole squares."""
    most = 0.0
    for strip in strips:
        grid = grid_of(estimate.place(strip.place).place)
        for unit in strip.units:
            most = max(most, sum(grid.cells[address].area_cm2 for address in unit))
    return most / grid.pitch.area_cm2


def _windows(
    estimate: Estimate,
    place: p.Place,
    kept: Iterable[PlantingReport],
    taken: set[str] | frozenset[str],
    *,
    halves: Halves,
    first: int,
) -> Mapping[str, Window]:
    """The longest time that each square is free from a half-month on, of those that are."""
    ahead = [half >= first for half in range(COUNT)]
    free = {address: [*ahead] for address in grid_of(place).cells if address not in taken}
    for report in kept:
        if report.clear_date is None:
            continue
        rest = timedelta(days=round(estimate.book.crops[report.crop].turn_round_days))
        since = max(0, halves.of(report.start_date))
        for address in set(report.cells) & free.keys():
            for half in range(since, halves.after(report.clear_date + rest)):
                free[address][half] = False
    for rest_of in place.rests:
        cells = free.keys() if rest_of.cells == "all" else set(rest_of.cells) & free.keys()
        for address in cells:
            for half in range(max(0, halves.of(rest_of.since)), halves.after(rest_of.until)):
                free[address][half] = False
    return {address: window for address, of in free.items() if (window := _longest(of)) is not None}


def _longest(free: list[bool]) -> Window | None:
    best, since = (0, 0), 0
    for half, is_free in enumerate([*free, False]):
        if is_free:
            continue
        best = max(best, (since, half), key=lambda window: window[1] - window[0])
        since = half + 1
    return best if best[1] > best[0] else None


def _strips(estimate: Estimate, place: p.Place, windows: Mapping[str, Window]) -> Iterator[Strip]:
    grid = grid_of(place)
    spots = {grid.cells[address].spot: address for address in windows}
    if place.kind == "container" and max(grid.columns, grid.rows) <= _POT_SQUARES:
        whole = len(windows) == len(grid.cells) and len(set(windows.values())) == 1
        if whole:
            yield Strip(place.id, (tuple(windows),), next(iter(windows.values())))
        return
    for support, under in _under_supports(estimate, place):
        strip = [address for address in under if address in windows]
        for address in strip:
            spots.pop(grid.cells[address].spot, None)
        for run in _runs([(address,) for address in strip], windows):
            yield Strip(place.id, tuple(run), windows[run[0][0]], 1, support)
    lengthwise = grid.columns >= grid.rows
    across, along = (grid.rows, grid.columns) if lengthwise else (grid.columns, grid.rows)

    def at(line: int, step: int) -> Spot:
        return (step, line) if lengthwise else (line, step)

    for line in range(0, across, 2):
        pairs: list[Unit | None] = []
        single: tuple[list[Unit | None], list[Unit | None]] = ([], [])
        for step in range(along):
            both = [spots.get(at(line, step)), spots.get(at(line + 1, step))]
            paired = None not in both and len({windows[a] for a in both if a is not None}) == 1
            pairs.append(tuple(a for a in both if a is not None) if paired else None)
            for offset, square in enumerate(both):
                single[offset].append((square,) if square is not None and not paired else None)
        for run in _runs(pairs, windows):
            squares = tuple((address,) for pair in run for address in pair)
            yield Strip(place.id, squares, windows[run[0][0]], 2)
        for alone in single:
            for run in _runs(alone, windows):
                yield Strip(place.id, tuple(run), windows[run[0][0]])


def _runs(units: Iterable[Unit | None], windows: Mapping[str, Window]) -> Iterator[list[Unit]]:
    """Unbroken runs of ground that is free at the same time."""
    run: list[Unit] = []
    for unit in (*units, None):
        if run and (unit is None or windows[unit[0]] != windows[run[0][0]]):
            yield run
            run = []
        if unit is not None:
            run.append(unit)


def _under_supports(estimate: Estimate, place: p.Place) -> Iterator[tuple[str, tuple[str, ...]]]:
    """The squares under each support of a place, in order along it; each square once."""
    setting, seen = estimate.setting, set[str]()
    for support in place.supports:
        edge = supports.edge_of(
            place, support, latitude=setting.latitude, north_deg=setting.north_deg
        )
        if edge is None:
            continue
        run = supports.whole_run(place, edge, estimate.book.trainings[support.system])
        under = tuple(a for a in supports.cells_under(place, run) if a not in seen)
        seen |= set(under)
        yield support.id, under


def _soil(estimate: Estimate, strip: Strip) -> object:
    """All of a strip's ground that bears on how a crop does in it."""
    here = estimate.place(strip.place)
    same = here.place.model_copy(update={"id": "", "name": None, "at_m": None, "grew": ()})
    alone = replace(here.alone, place=same)
    return (alone, strip.rows, len(strip.units[0]), strip.support)


def _history(estimate: Estimate, strip: Strip) -> object:
    """When a strip is free, and the families that rest on it."""
    place, year = estimate.place(strip.place).place, estimate.setting.year.start.year
    every = [address for unit in strip.units for address in unit]
    resting = frozenset(
        family
        for family in estimate.book.families
        if too_soon(place, family, every, year, estimate.book)
    )
    return (resting, strip.window)

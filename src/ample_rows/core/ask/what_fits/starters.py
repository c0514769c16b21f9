"""Starter beds fitted to a place: its outline, depth, light, season and what it can hold up."""

import math
from collections import defaultdict
from dataclasses import dataclass, replace

from ample_rows.core import plan as p
from ample_rows.core.ask.what_fits.filling import (
    Block,
    Found,
    first_that_does_well,
    follower,
    planted_with,
    why_not,
)
from ample_rows.core.book import Book, Starter, StarterEntry
from ample_rows.core.edits import (
    ChangePlace,
    Edit,
    Plant,
    Together,
)
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import cells_about, grid_of, held_cells, pitch_of
from ample_rows.core.planting.cases import Setting
from ample_rows.core.planting.setting_out import SQUARE_CM, schools_of, squares_for_one
from ample_rows.core.site.risers import placed
from ample_rows.core.structures import supports
from ample_rows.core.words.message import Text, message

_LEAST_BESIDE_SUPPORT = 2
_MOST_FOLLOWERS = 2
# Nine metres of a bed that can be reached, in its smallest squares; more take seconds to fit.
_MOST_CELLS = 500


@dataclass(frozen=True, slots=True)
class StarterPart:
    """A crop that a starter bed brings, with the squares it takes and its likely harvest."""

    name: str
    mark: str
    plants: int
    cells: int
    kg: float


@dataclass(frozen=True, slots=True)
class StarterFit:
    """A starter bed as it comes out in one place; without an edit, nothing of it fits."""

    id: str
    label: str
    suits: str
    parts: tuple[StarterPart, ...]
    left_out: tuple[Text, ...]
    harvest_kg: float
    edit: Edit | None


def starter_fits(estimate: Estimate, place_id: str) -> tuple[StarterFit, ...]:
    """Every starter bed fitted to a place, those that leave least out first; none for a place of
    more squares than one bed has.

    Raises:
        UnknownPartError: There is no such place.
    """
    if cells_about(estimate.place(place_id).place) > _MOST_CELLS:
        return ()
    starters = estimate.book.starters
    fits = [_fitted(estimate, place_id, name, starter) for name, starter in starters.items()]
    return tuple(sorted(fits, key=lambda fit: (fit.edit is None, len(fit.left_out))))


def _fitted(estimate: Estimate, place_id: str, name: str, starter: Starter) -> StarterFit:
    plan, book = estimate.plan, estimate.book
    ready, edits = held_up(plan, place_id, starter.support)
    place = placed(ready, book).place(place_id)
    assert place is not None
    filled, left_out = ready, []
    for entry, block in _blocks(place, estimate.trying(ready).setting, starter, book):
        if not block:
            left_out.append(message("starters-no-room-left", names=_names(entry, book)))
            continue
        before = filled
        filled = _with_entry(filled, place_id, entry, block, book)
        if filled is before:
            why = why_not(estimate.trying(filled), place_id, block, entry.crops[0])
            left_out.append(message("starters-values", names=_names(entry, book), why=why))
    new = filled.plantings[len(plan.plantings) :]
    edits += [Plant(planting=p.document(planting)) for planting in new]
    parts = _parts(estimate.trying(filled), place_id, {planting.id for planting in new})
    return StarterFit(
        id=name,
        label=starter.label,
        suits=starter.suits,
        parts=parts,
        left_out=tuple(left_out),
        harvest_kg=sum(part.kg for part in parts),
        edit=Together(edits=edits) if new else None,
    )


def _names(entry: StarterEntry, book: Book) -> str:
    return " or ".join(book.crops[crop].name for crop in entry.crops)


def _parts(estimate: Estimate, place_id: str, new: set[str]) -> tuple[StarterPart, ...]:
    return tuple(
        StarterPart(r.name, r.mark, r.plants, len(r.cells), r.harvest_kg.p50)
        for r in estimate.result(place_id).plantings
        if r.id in new
    )


def held_up(plan: p.Plan, place_id: str, system: str | None) -> tuple[p.Plan, list[Edit]]:
    """The plan with a support, where the place has none and has room beside it."""
    place = plan.place(place_id)
    assert place is not None
    grid = grid_of(place)
    roomy = min(grid.columns, grid.rows) >= _LEAST_BESIDE_SUPPORT
    if system is None or place.supports or place.kind == "container" or not roomy:
        return plan, []
    support = p.Support(id=system, system=system)
    stands = place.model_copy(update={"supports": (support,)})
    places = tuple(stands if other.id == place_id else other for other in plan.places)
    edit = ChangePlace(id=place_id, changes={"supports": [p.document(support)]})
    return plan.model_copy(update={"places": places}), [edit]


def _blocks(
    place: p.Place, setting: Setting, starter: Starter, book: Book
) -> list[tuple[StarterEntry, Block]]:
    """Each entry with its squares: climbers under a support, the rest in rows across."""
    strip = strip_under(place, setting, book)
    climbing = [entry for entry in starter.entries if entry.climbs]
    standing = [entry for entry in starter.entries if not entry.climbs]
    held = held_cells(place)
    taken = set(strip) if climbing else set()
    lines = _lines(place, setting, held | taken)
    wide = [_lines_wanted(entry, place, setting, book) for entry in standing]
    given = _shared(lines, standing, wide, book)
    return [*zip(climbing, _split(strip, climbing), strict=True), *given]


def strip_under(place: p.Place, setting: Setting, book: Book) -> Block:
    """The squares under the first support of a place, in order along it."""
    if not place.supports:
        return ()
    support = place.supports[0]
    edge = supports.edge_of(place, support, latitude=setting.latitude, north_deg=setting.north_deg)
    if edge is None:
        return ()
    run = supports.whole_run(place, edge, book.trainings[support.system])
    return supports.cells_under(place, run)


def _split(strip: Block, entries: list[StarterEntry]) -> list[Block]:
    """A strip of squares shared out by the entries' shares; one that gets none is empty."""
    total = sum(entry.share for entry in entries)
    parts, done = [], 0.0
    for entry in entries:
        start = round(len(strip) * done / total)
        done += entry.share
        parts.append(strip[start : round(len(strip) * done / total)])
    return parts


def _lines(place: p.Place, setting: Setting, taken: frozenset[str]) -> list[Block]:
    """Rows of free squares across the longer side, from the pole-ward end sunward."""
    grid = grid_of(place)
    along = 1 if grid.rows >= grid.columns else 0
    rows: dict[int, list[str]] = defaultdict(list)
    for cell in grid.cells.values():
        if cell.address not in taken:
            rows[cell.spot[along]].append(cell.address)
    lines = [tuple(names) for _, names in sorted(rows.items())]
    azimuth = (place.heading_deg or 0.0) + setting.north_deg + (90 if along == 0 else 0)
    poleward = math.cos(math.radians(azimuth)) * (1 if setting.latitude >= 0 else -1)
    return lines[::-1] if poleward > 0 else lines


def _shared(
    lines: list[Block], entries: list[StarterEntry], wanted: list[int], book: Book
) -> list[tuple[StarterEntry, Block]]:
    """Whole lines for each entry: as many as its plants want, the rest by share; tall ones first.

    Where lines are too few, the last entries of the starter go without.
    """
    counts = list(wanted)
    while sum(counts) > len(lines):
        counts[max(i for i, count in enumerate(counts) if count)] = 0
    with_lines = [i for i, count in enumerate(counts) if count]
    while with_lines and sum(counts) < len(lines):
        counts[min(with_lines, key=lambda i: counts[i] / entries[i].share)] += 1
    tallest = sorted(range(len(entries)), key=lambda i: -book.crops[entries[i].crops[0]].height_cm)
    blocks, start = [], 0
    for i in tallest:
        taken = lines[start : start + counts[i]]
        blocks.append((entries[i], tuple(address for line in taken for address in line)))
        start += counts[i]
    return blocks


def _lines_wanted(entry: StarterEntry, place: p.Place, setting: Setting, book: Book) -> int:
    """Lines of squares that its plants want: by the squares for one where counts decide."""
    crop, narrower = book.crops[entry.crops[0]], pitch_of(place).narrower_cm
    schools = schools_of(setting.policies, setting.per_square, place)
    wide = math.sqrt(squares_for_one(crop, schools)) * SQUARE_CM
    return max(1, math.ceil(book.value("block_slack") * wide / narrower))


def _with_entry(
    plan: p.Plan, place_id: str, entry: StarterEntry, block: Block, book: Book
) -> p.Plan:
    """The plan with the entry's first crop that does well in the block, and a follower."""
    fitting = first_that_does_well(Estimate(plan, book), place_id, block, entry.crops)
    if fitting is None or (entry.climbs and fitting.entry.support is None):
        return plan
    plan = planted_with(plan, place_id, _trained(fitting, entry, book))
    for _ in range(_MOST_FOLLOWERS):
        later = follower(Estimate(plan, book), place_id, block, entry.then)
        if later is None:
            break
        plan = planted_with(plan, place_id, later)
    return plan


def _trained(fitting: Found, entry: StarterEntry, book: Book) -> Found:
    if entry.training is None or book.crops[fitting.entry.crop].training(entry.training) is None:
        return fitting
    return replace(fitting, training=entry.training)

"""A bed planted with what a household likes, and with no more of a crop than it eats."""

import math
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta
from functools import cache, cached_property, partial
from itertools import chain, zip_longest
from typing import TypeVar

from ample_rows.core import plan as p
from ample_rows.core.ask.what_fits.filling import (
    Block,
    Found,
    first_that_does_well,
    follower,
    opening_day,
    planted_with,
)
from ample_rows.core.ask.what_fits.shelf import depth_for, shelf_for
from ample_rows.core.ask.what_fits.starters import held_up, strip_under
from ample_rows.core.book import Book, LikedEntry
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import Spot, grid_of, pitch_of
from ample_rows.core.notes.depth import REDUCED_WORTH_SAYING
from ample_rows.core.notes.standing import LIGHT_ENOUGH
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.report import PlantingReport

Each = TypeVar("Each")

_MOST_PARTS = 10
# A pot of so many squares across is one ground, for one crop.
_POT_SQUARES = 2
# What is still free is gone over again: for another portion, then for what is begun later on.
_ROUNDS = (
    (1, timedelta(0)),
    (2, timedelta(0)),
    (2, timedelta(weeks=10)),
    (2, timedelta(weeks=10)),
    (2, timedelta(weeks=10)),
)
_MOST_FOLLOWERS = 6
# More squares than a bed of 1.2 by 15 metres has are gone over once.
_MANY_SQUARES = 200
# A first year has so many plantings at most before what follows is left to the grower; on many
# squares fewer, as each has all of them judged again.
_MOST_PLANTINGS = 40
_MOST_JUDGED = 5_000
# What is sown again and again: so much of what is eaten at once, over the whole year.
_PORTIONS_A_YEAR = 2
# Taller ones stand where they shade none of the others; in later rounds nothing of this height.
_LOW_CM = 60.0
_WARNINGS = ("stop", "care")
# Less depth than is best is a matter of the place, no reason to leave it bare.
_NOTHING: frozenset[str] = frozenset()
_SHALLOW = frozenset({"reduced"})
_DEPTH_ENOUGH = 0.7


@dataclass(frozen=True)
class _Bed:
    """A bed as far as it is planted: its plan, and the squares that are free all year, with the
    order of all its squares from the side away from the sun.

    `then` may follow anything in it; nothing starts before `since`. `put_up_with` are the codes
    of notes that are no reason against a crop. `grows` says whether depth, light and year of the
    bare bed are none either: the others need not be tried on block after block.
    """

    plan: p.Plan
    book: Book
    then: tuple[str, ...]
    since: date
    put_up_with: frozenset[str]
    free: dict[Spot, str]
    order: tuple[Spot, ...]
    grows: Callable[[str], bool]

    @property
    def place(self) -> p.Place:
        return self.plan.places[0]

    @cached_property
    def estimate(self) -> Estimate:
        return Estimate(self.plan, self.book)

    @cached_property
    def last(self) -> PlantingReport:
        """The planting that was set last; on a support it holds all squares of its stretch."""
        here = self.estimate.place(self.place.id)
        return evaluate_planting(self.plan.plantings[-1], here).report

    def planted(self, found: Found) -> "_Bed":
        with_it = replace(self, plan=planted_with(self.plan, self.place.id, found))
        taken = set(with_it.last.cells)
        free = {spot: address for spot, address in self.free.items() if address not in taken}
        return replace(with_it, free=free)


def planted_as_liked(plan: p.Plan, book: Book, likes: Sequence[str], *, since: date) -> p.Plan:
    """The plan's one bed planted for its year, from a day on where that lies in it; all kinds of
    food where none is named.

    What would make the plan warn of something, or does not do well here, is left out; where
    that leaves nothing, shallow soil is put up with.
    """
    kinds = [book.likes[like] for like in likes if like in book.likes] or [*book.likes.values()]
    then = tuple(_in_turn([kind.then for kind in kinds]))
    lists = [kind.entries for kind in kinds]
    for put_up_with in (_NOTHING, _SHALLOW):
        bare = _bed(plan, book, then, since, put_up_with)
        entries = tuple(chain(*lists) if _is_pot(bare.place) else _in_turn(lists))
        planted = _planted(bare, entries)
        if planted.plantings:
            return planted
    return plan


def _planted(bare: _Bed, entries: Sequence[LikedEntry]) -> p.Plan:
    bed = _climbing(bare, [entry for entry in entries if entry.climbs])
    standing = [entry for entry in entries if not entry.climbs]
    rounds = _ROUNDS if len(bed.free) <= _MANY_SQUARES else _ROUNDS[:1]
    for number, (portions, later) in enumerate(rounds):
        bed = replace(bed, since=bed.since + later)
        for entry in _by_height(standing, bed, number):
            if not bed.free:
                return bed.plan
            bed = _with_entry(bed, entry, portions=portions)
        standing = [entry for entry in standing if _height_cm(entry, bed.book) < _LOW_CM]
    return bed.plan


def _grows(bare: Estimate, place: str, put_up_with: frozenset[str], crop: str) -> bool:
    depth = depth_for(bare, place, bare.book.crops[crop], opening_day(bare, crop))
    if depth is None or depth.governed_by == "litres":
        return depth is not None
    shallow = depth.verdict == "reduced" and depth.factor < REDUCED_WORTH_SAYING
    return depth.factor >= _DEPTH_ENOUGH and (not shallow or put_up_with >= _SHALLOW)


def _is_pot(place: p.Place) -> bool:
    grid = grid_of(place)
    return place.kind == "container" and max(grid.columns, grid.rows) <= _POT_SQUARES


def _in_turn(lists: Sequence[Sequence[Each]]) -> Iterator[Each]:
    """The first of each list, then the second of each."""
    return (each for each in chain.from_iterable(zip_longest(*lists)) if each is not None)


def _by_height(entries: Sequence[LikedEntry], bed: _Bed, number: int) -> list[LikedEntry]:
    """The entries of one round, as many as have room, tall ones on the side away from the sun."""
    if number or _is_pot(bed.place):
        return list(entries)
    room = max(1, min(_MOST_PARTS, len(bed.free) // 2))
    first, others = entries[:room], entries[room:]
    return [*sorted(first, key=lambda entry: -_height_cm(entry, bed.book)), *others]


def _height_cm(entry: LikedEntry, book: Book) -> float:
    return book.crops[entry.crops[0]].height_cm


def _climbing(bare: _Bed, entries: Sequence[LikedEntry]) -> _Bed:
    """The bed with a support and what climbs it, where any of it does well there."""
    plan, book = bare.plan, bare.book
    ready, edits = held_up(plan, bare.place.id, "net") if entries else (plan, [])
    if not edits:
        return bare
    bed = replace(bare, plan=ready)
    strip = strip_under(bed.place, bed.estimate.setting, book)
    share = max(2, math.ceil(len(strip) / min(len(entries), max(1, len(strip) // 3))))
    while strip and entries:
        entry, *entries = entries
        tried = _in_fullest(bed, entry, [strip[:share]], portions=1)
        if tried is not None and tried.plan.plantings[-1].support is not None:
            strip = tuple(address for address in strip if address in tried.free.values())
            bed = _with_others(tried, entry)
    return bed if bed.plan.plantings else bare


def _bed(
    plan: p.Plan, book: Book, then: tuple[str, ...], since: date, put_up_with: frozenset[str]
) -> _Bed:
    place = plan.places[0]
    free = {cell.spot: cell.address for cell in grid_of(place).cells.values()}
    bare = Estimate(plan, book)
    setting = bare.setting
    since = since if since <= setting.year.end else setting.year.start
    azimuth = math.radians((place.heading_deg or 0.0) + setting.north_deg)
    pole = 1 if setting.latitude >= 0 else -1

    def poleward(spot: Spot) -> float:
        column, row = spot
        return round(pole * (row * math.cos(azimuth) - column * math.sin(azimuth)), 6)

    order = tuple(sorted(free, key=lambda spot: (-poleward(spot), spot[1], spot[0])))
    grows = cache(partial(_grows, bare, place.id, put_up_with))
    return _Bed(plan, book, then, since, put_up_with, free, order, grows)


def _with_entry(bed: _Bed, entry: LikedEntry, *, portions: int) -> _Bed:
    """The bed with one entry in the free block that holds most of it for its ground, and with
    what stands there before and after; as it was where nothing of the entry does well."""
    if not any(map(bed.grows, entry.crops)):
        return bed
    tried = _in_fullest(bed, entry, _blocks(entry, bed, portions), portions=portions)
    return bed if tried is None else _with_others(tried, entry)


def _blocks(entry: LikedEntry, bed: _Bed, portions: int) -> list[Block]:
    """Free blocks to try an entry in: of a pot all its ground, in whatever outline."""
    if _is_pot(bed.place):
        whole = len(bed.free) == len(grid_of(bed.place).cells)
        return [tuple(bed.free.values())] if whole else []
    blocks = (_free_block(bed, columns, rows) for columns, rows in _sizes(entry, bed, portions))
    return [block for block in blocks if block]


def _sizes(entry: LikedEntry, bed: _Bed, portions: int) -> list[tuple[int, int]]:
    """Blocks to try, as columns and rows: of a wide crop several, of others the largest there is
    that is no more than its share of the bed."""
    crop, grid, pitch = bed.book.crops[entry.crops[0]], grid_of(bed.place), pitch_of(bed.place)
    eaten = bed.book.eaten[crop.id].plants * portions
    side = math.ceil(bed.book.value("block_slack") * crop.spacing_cm / pitch.narrower_cm)
    if side > 1:
        most = max(side, min(grid.columns, math.ceil(eaten * crop.spacing_cm / pitch.narrower_cm)))
        sizes = [(columns, side) for columns in range(side, most + 1)]
        return list(dict.fromkeys((min(c, grid.columns), min(r, grid.rows)) for c, r in sizes))
    fair = math.ceil(len(grid.cells) / _MOST_PARTS)
    squares = max(1, min(fair, math.ceil(eaten * crop.spacing_cm**2 / pitch.area_cm2)))
    across = min(grid.columns, squares)
    sizes = [(across, max(1, round(squares / across)))]
    sizes += [(columns, 1) for columns in range(across, 0, -1)]
    return next(([size] for size in sizes if _free_block(bed, *size)), [])


def _free_block(bed: _Bed, columns: int, rows: int) -> Block:
    """The first rectangle of free squares, from the side away from the sun."""
    for column, row in bed.order:
        if (column, row) not in bed.free:
            continue
        spots = [(column + i, row + j) for j in range(rows) for i in range(columns)]
        if all(spot in bed.free for spot in spots):
            return tuple(bed.free[spot] for spot in sorted(spots))
    return ()


def _in_fullest(
    bed: _Bed, entry: LikedEntry, blocks: Sequence[Block], *, portions: int
) -> _Bed | None:
    """The bed with the first crop of an entry that does well and warns of nothing, in whichever
    block holds most of it for its ground."""
    for crop in filter(bed.grows, entry.crops):
        each = (_enough_in(bed, entry, crop, block, portions) for block in blocks)
        for found in sorted(filter(None, each), key=_plants_a_square, reverse=True):
            tried = _unless_warned(bed, found)
            if tried is not None:
                return tried
    return None


def _plants_a_square(found: Found) -> float:
    return found.entry.plants / len(found.block)


def _enough_in(
    bed: _Bed, entry: LikedEntry, crop: str, block: Block, portions: int
) -> Found | None:
    """A crop in as much of a block as a household eats of it, where it does well there."""
    whole = _starting(bed, block, crop)
    found = whole and _no_more_than_eaten(bed, whole, portions)
    if found and entry.training and bed.book.crops[crop].training(entry.training):
        return replace(found, training=entry.training)
    return found


def _starting(bed: _Bed, block: Block, crop: str) -> Found | None:
    return first_that_does_well(bed.estimate, bed.place.id, block, (crop,), since=bed.since)


def _left(bed: _Bed, crop: str, portions: int) -> int:
    """Plants of a crop that may still be set at once: what is eaten, less what is planted."""
    at_once = bed.book.eaten[crop].plants
    plantings = bed.estimate.result(bed.place.id).plantings
    planted = sum(r.plants for r in plantings if r.crop == crop)
    return min(at_once, at_once * portions - planted)


def _no_more_than_eaten(bed: _Bed, found: Found, portions: int) -> Found | None:
    """What was found, in fewer squares where a household would not eat it all."""
    crop = found.entry.crop
    left = _left(bed, crop, portions)
    if left <= 0 or found.day > bed.estimate.setting.year.end:
        return None
    if found.entry.plants <= left:
        return found
    enough = found.block[: max(1, math.floor(len(found.block) * left / found.entry.plants))]
    asked = shelf_for(bed.estimate, bed.place.id, enough, found.day, crops=(crop,))
    (entry,) = asked.entries
    return replace(found, entry=entry, block=enough) if entry.fits else None


def _unless_warned(bed: _Bed, found: Found) -> _Bed | None:
    tried = bed.planted(found)
    new = tried.last.id
    result, before = tried.estimate.result(bed.place.id), bed.estimate.result(bed.place.id)
    known = bed.put_up_with | {note.code for note in before.notes}
    its_own = [n for n in result.notes if n.planting == new or n.code not in known]
    warned = any(n.level in _WARNINGS and n.code not in bed.put_up_with for n in its_own)
    factors = tried.last.factors
    poor = factors.light < LIGHT_ENOUGH or factors.depth < _DEPTH_ENOUGH
    return None if warned or poor else tried


def _with_others(bed: _Bed, entry: LikedEntry) -> _Bed:
    """The bed with what follows its last planting, square for square, and what stands there
    before it."""
    planted, squares = len(bed.plan.plantings), len(grid_of(bed.place).cells)
    if planted >= min(_MOST_PLANTINGS, _MOST_JUDGED // squares):
        return bed
    main = bed.last
    ground = [(main, main.cells)]
    for _ in range(_MOST_FOLLOWERS):
        if not ground:
            break
        before, block = ground.pop(0)
        tried = _followed(bed, before, block, (*entry.then, *bed.then))
        if tried is None:
            continue
        bed = tried
        left = tuple(address for address in block if address not in bed.last.cells)
        ground += [(before, left)] if left else []
        ground.append((bed.last, bed.last.cells))
    return _with_earlier(bed, entry.before, main)


def _followed(bed: _Bed, before: PlantingReport, block: Block, crops: Sequence[str]) -> _Bed | None:
    """The bed with the first of some crops that can follow a planting, of which more is eaten."""
    if before.clear_date is None or before.clear_date > bed.estimate.setting.year.end:
        return None
    for crop in filter(bed.grows, crops):
        if _left(bed, crop, _PORTIONS_A_YEAR) <= 0:
            continue
        later = follower(bed.estimate, bed.place.id, block, (crop,), after=before.id)
        enough = later and _no_more_than_eaten(bed, later, _PORTIONS_A_YEAR)
        tried = enough and _unless_warned(bed, enough)
        if tried:
            return tried
    return None


def _with_earlier(bed: _Bed, crops: Iterable[str], main: PlantingReport) -> _Bed:
    """The bed with the first of some quick crops that is done before a planting starts."""
    block = main.cells
    for crop in filter(bed.grows, crops):
        day = opening_day(bed.estimate, crop, bed.since)
        if day >= main.start_date:
            continue
        (entry,) = shelf_for(bed.estimate, bed.place.id, block, day, crops=(crop,)).entries
        whole = Found(entry, block, day) if entry.fits else None
        enough = whole and _no_more_than_eaten(bed, whole, _PORTIONS_A_YEAR)
        tried = enough and _unless_warned(bed, enough)
        if tried:
            return tried
    return bed

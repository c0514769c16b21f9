"""A draft of the next year: empty, planted as before, or with families moved on."""

from collections import defaultdict
from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta
from functools import partial
from typing import Any, Literal

from ample_rows.core import plan as p
from ample_rows.core.ask.next_year.carried import Closed, carried_over, closed, linked
from ample_rows.core.ask.next_year.resized import Resized, Stand, Wish, resized
from ample_rows.core.calendar.growing_year import move_years
from ample_rows.core.edits.twins import across
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.place.families import too_soon
from ample_rows.core.plan.idents import free_ident, later_ident
from ample_rows.core.planting.report import PlantingReport

# Of many places alike so many rounds are tried.
_MOST_ROUNDS = 8

Draft = Literal["moved", "same", "empty"]
Moves = Mapping[str, tuple[str, bool]]
"""For each place, the place that its crops go to, and whether they are mirrored there."""


@dataclass(frozen=True, slots=True)
class LeftOut:
    """A planting of the year before that is not in the draft: `stands` is in its squares then, or
    it is wanted no more where nothing is."""

    name: str
    place: str
    start_date: date
    stands: str | None


@dataclass(frozen=True, slots=True)
class Moved:
    """A place whose crops go to another, or to its other side where both are the same."""

    place: str
    to: str


@dataclass(frozen=True, slots=True)
class NextYear:
    """A draft of the next year, and what it does: `over` were last year's, `stays` goes on,
    `planted` are begun again. `soon` squares still have a family back too early."""

    season: str
    year: str
    over: int
    stays: tuple[str, ...]
    planted: int
    moved: tuple[Moved, ...]
    left_out: tuple[LeftOut, ...]
    resized: tuple[Resized, ...]
    soon: int


@dataclass(frozen=True, slots=True)
class Drafted:
    """A draft, and what is told of it."""

    plan: p.Plan
    told: NextYear


def next_year(
    season: Estimate,
    draft: Draft,
    *,
    not_again: Collection[str] = frozenset(),
    wished: Mapping[str, Wish] | None = None,
) -> Drafted:
    """The garden's next year. Nothing in it is kept until the grower says so.

    Args:
        not_again: Crops that are wanted no more, and not begun again.
        wished: Crops of which more or less is to be planted where families move on.
    """
    ended = closed(season)
    bare = carried_over(ended)
    every = _again(ended) if draft != "empty" else []
    again = [report for report in every if report.crop not in not_again]
    moves = _moves(ended, bare, again) if draft == "moved" else {}
    begun = _planted(ended, bare, again, moves)
    # What is asked for the same is planted the same.
    wished = wished if draft == "moved" and wished else {}
    stands = begun.stands
    planted, changed = resized(bare, begun.planted, stands, wished, season.book)
    plan = bare.model_copy(update={"plantings": (*bare.plantings, *planted)})
    labels = {place.id: place.label for place in bare.places}
    told = NextYear(
        season=str(season.setting.year.start.year),
        year=str(ended.next_start.year),
        over=len(ended.over),
        stays=tuple(dict.fromkeys(report.name for report in ended.stays)),
        planted=len(planted),
        moved=tuple(
            Moved(labels[place], labels[to])
            for place, (to, mirrored) in moves.items()
            if to != place or mirrored
        ),
        left_out=(*begun.left_out, *_unwanted(every, not_again, labels)),
        resized=changed,
        soon=_soon_in(bare, planted, season),
    )
    return Drafted(plan, told)


def _unwanted(
    every: Iterable[PlantingReport], not_again: Collection[str], labels: Mapping[str, str]
) -> Iterator[LeftOut]:
    for report in every:
        if report.crop in not_again:
            begun = move_years(report.start_date, 1)
            yield LeftOut(report.name, labels[report.place], begun, None)


def _again(ended: Closed) -> list[PlantingReport]:
    """What was begun in the season and is begun every year: not what stays for years, nor what
    came by itself."""
    crops, year = ended.season.book.crops, ended.season.setting.year
    came = {q.id for q in ended.season.plan.plantings if q.came_by_itself}
    return [
        report
        for report in (*ended.over, *ended.stays)
        if year.start <= report.start_date < ended.next_start
        and report.clear_date is not None
        and report.id not in came
        and crops[report.crop].perennial is None
    ]


def _moves(ended: Closed, bare: p.Plan, again: Sequence[PlantingReport]) -> Moves:
    """Where the crops of each place go, so that fewest squares have a family back too early.

    Places alike in shape, depth and grid trade their crops in a round, or have them on their
    other side. Where something climbs, or stands on spots of its own, all stays as it stood.
    """
    alike: dict[object, list[p.Place]] = defaultdict(list)
    for place in bare.places:
        if place.held or place.id in _bound(ended, again):
            continue
        alike[place.shape, place.kind, place.wall_height_cm, place.cell_cm, place.grid].append(
            place
        )
    moves: dict[str, tuple[str, bool]] = {}
    for places in alike.values():
        ids = [place.id for place in places]
        rounds: list[dict[str, tuple[str, bool]]] = [
            {ident: (ids[(i + by) % len(ids)], mirrored) for i, ident in enumerate(ids)}
            # Where several do as well: another bed rather than the other side of this one.
            for mirrored in ((False, True) if _is_alike_both_sides(places[0]) else (False,))
            for by in (*range(1, min(len(ids), _MOST_ROUNDS)), 0)
        ]
        moves.update(min(rounds, key=partial(_soon, ended, bare, again)))
    return moves


def _is_alike_both_sides(place: p.Place) -> bool:
    cells = grid_of(place).cells
    return all(across(address, place) in cells for address in cells)


def _bound(ended: Closed, again: Sequence[PlantingReport]) -> set[str]:
    """Places with something that is begun again by a support, or on spots of its own."""
    begun = {report.id for report in again}
    return {
        planting.place
        for planting in ended.season.plan.plantings
        if planting.id in begun and (planting.support or planting.spots_cm)
    }


def _soon(
    ended: Closed, bare: p.Plan, again: Sequence[PlantingReport], moves: Moves
) -> tuple[int, int]:
    """Squares with a family back too early, and those that something stands in, by some moves."""
    mine = [report for report in again if report.place in moves]
    begun = _planted(ended, bare, mine, moves)
    return _soon_in(bare, begun.planted, ended.season), len(begun.left_out)


def _soon_in(bare: p.Plan, planted: Iterable[p.Planting], season: Estimate) -> int:
    places = {place.id: place for place in bare.places}
    squares = 0
    for planting in planted:
        place, family = places[planting.place], season.book.crops[planting.crop].family
        cells = tuple(grid_of(place).cells) if planting.cells == "all" else planting.cells
        back = too_soon(place, family, cells, planting.start_date.year, season.book)
        squares += len(back.cells) if back else 0
    return squares


@dataclass(frozen=True)
class _Begun:
    """What is begun again, what is left out, and what stands in each place then."""

    planted: list[p.Planting]
    left_out: list[LeftOut]
    stands: Mapping[str, Sequence[Stand]]


def _planted(ended: Closed, bare: p.Plan, again: Sequence[PlantingReport], moves: Moves) -> _Begun:
    """What is begun again, a year later and where it goes, as far as nothing stands there then;
    and what is left out."""
    before = {planting.id: planting for planting in ended.season.plan.plantings}
    places = {place.id: place for place in bare.places}
    taken = {planting.id for planting in bare.plantings}
    stays: dict[str, list[Stand]] = defaultdict(list)
    for report in ended.stays:
        stand = Stand(report.name, frozenset(report.cells), report.start_date, report.clear_date)
        stays[report.place].append(stand)
    stands = {place: list(there) for place, there in stays.items()}
    names: dict[str, str] = {}
    planted: list[p.Planting] = []
    left_out: list[LeftOut] = []
    for report in sorted(again, key=lambda each: each.start_date):
        later = _later(before[report.id], places[report.place], moves)
        place = places[later.place]
        squares = frozenset(grid_of(place).cells if later.cells == "all" else later.cells)
        held = (report.clear_date or report.start_date) - report.start_date
        until = later.start_date + max(held, timedelta(days=1))
        wanted = Stand(report.name, squares, later.start_date, until)
        # Those of one year share squares on purpose, where they do.
        there = next((s for s in stays[place.id] if s.meets(wanted)), None)
        if there is not None:
            left_out.append(LeftOut(report.name, place.label, later.start_date, there.name))
            continue
        ident = later_ident(report.id, ended.next_start.year)
        names[report.id] = free_ident(ident, taken) if ident in taken else ident
        taken.add(names[report.id])
        planted.append(later.model_copy(update={"id": names[report.id]}))
        stand = replace(wanted, planting=names[report.id])
        stands.setdefault(place.id, []).append(stand)
    return _Begun(_linked_in(planted, names), left_out, stands)


def _later(planting: p.Planting, place: p.Place, moves: Moves) -> p.Planting:
    """A planting a year later, where it goes."""
    clear = planting.clear_date
    values: dict[str, Any] = {
        "start_date": move_years(planting.start_date, 1),
        "clear_date": clear and move_years(clear, 1),
        "led_over": None,
        "for_seed": None,
    }
    values["place"], mirrored = moves.get(place.id, (place.id, False))
    if mirrored and planting.cells != "all":
        values["cells"] = tuple(across(address, place) for address in planting.cells)
    return planting.model_copy(update=values)


def _linked_in(planted: Sequence[p.Planting], names: Mapping[str, str]) -> list[p.Planting]:
    """Plantings that name each other by their new ids, where both grow in the same place."""
    where = {planting.id: planting.place for planting in planted}
    return [
        linked(each, {old: new for old, new in names.items() if where[new] == each.place})
        for each in planted
    ]

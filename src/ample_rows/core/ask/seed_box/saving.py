"""Saving seed of a planting: until when it stays, from how many plants, and what would cross."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.book import Crop
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Message, message


@dataclass(frozen=True, slots=True)
class Crosses:
    """A planting of the same species that can flower with it, and how far away its place is: 0 in
    the same one, null where the yard does not say. `near` is nearer than its seed comes true."""

    planting: str
    name: str
    place: str
    metres: float | None
    near: bool


@dataclass(frozen=True, slots=True)
class SavedSeed:
    """What saving seed of a planting takes.

    The plants that are left for it stay `until` a day: the squares are taken so long. `enough` says
    whether so many stand; `squares` are those that hold them, the last of it, where the others can
    be picked meanwhile. Kinds that only differ by hand, such as bulbs and tubers, do not cross.
    """

    planting: str
    crop: str
    name: str
    botanical: str
    pollinated: str
    apart_m: float
    plants: int
    enough: bool
    squares: tuple[str, ...]
    biennial: bool
    until: date
    dry: str
    crosses: tuple[Crosses, ...]


def saved_seed(here: Estimate, planting: str) -> SavedSeed:
    """What saving seed of a planting takes.

    Raises:
        UnknownPartError: No such planting.
        CannotBeDoneError: Nothing is known of saving its seed, or it is never picked here.
    """
    of = here.planting(planting)
    crop = here.book.crops[of.crop]
    how = here.book.seed_saving.get(crop.botanical)
    if how is None:
        raise CannotBeDoneError(_unknown(crop))
    # A garden of too many squares has no figures.
    report = next((each for each in here.report.plantings if each.id == planting), None)
    if report is None:
        raise CannotBeDoneError(message("saving-no-figures"))
    ripe = (report.first_pick or report.start_date) + timedelta(days=round(how.ripe_days))
    return SavedSeed(
        planting=planting,
        crop=crop.id,
        name=crop.name,
        botanical=crop.botanical,
        pollinated=how.pollinated,
        apart_m=how.apart_m,
        plants=how.plants,
        enough=report.plants >= how.plants,
        squares=_squares(here, report, how.plants),
        biennial=how.biennial,
        until=max(ripe, report.clear_date or ripe),
        dry=how.dry,
        crosses=tuple(_crosses(here, report, crop, how.apart_m)) if how.apart_m > 0 else (),
    )


def _squares(here: Estimate, report: PlantingReport, wanted: int) -> tuple[str, ...]:
    """The last squares of a planting that hold so many of its plants; none where it stays whole:
    along a support, of several kinds, or where all of them are wanted."""
    planting = here.planting(report.id)
    if planting.support or planting.varieties or planting.run_cm or not report.plants:
        return ()
    count = math.ceil(wanted * len(report.cells) / report.plants)
    return report.cells[-count:] if count < len(report.cells) else ()


def _unknown(crop: Crop) -> Message:
    return message("saving-not-known", crop=crop.name)


def _crosses(
    here: Estimate, report: PlantingReport, crop: Crop, apart_m: float
) -> Iterator[Crosses]:
    """Other kinds of the species that stand in the same weeks, the nearest first."""
    places = {place.id: place for place in here.plan.places}
    mine = here.planting(report.id).variety or crop.id
    found = []
    for other in here.report.plantings:
        its = here.book.crops[other.crop]
        kind = here.planting(other.id).variety or its.id
        if other.id == report.id or its.botanical != crop.botanical or kind == mine:
            continue
        if not _together(report, other):
            continue
        metres = _metres(places[report.place], places[other.place])
        near = metres is None or metres < apart_m
        found.append(Crosses(other.id, other.name, other.place, metres, near))
    yield from sorted(found, key=lambda each: math.inf if each.metres is None else each.metres)


def _together(one: PlantingReport, other: PlantingReport) -> bool:
    def ends(report: PlantingReport) -> date:
        return report.clear_date or date.max

    return one.start_date <= ends(other) and other.start_date <= ends(one)


def _metres(one: p.Place, other: p.Place) -> float | None:
    """From one place to another, 0 within one; null where the yard does not say. [m]"""
    if one.id == other.id:
        return 0.0
    if one.at_m is None or other.at_m is None:
        return None
    return math.dist(one.at_m, other.at_m)

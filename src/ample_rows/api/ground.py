"""Routes of the ground: the sun over a yard, which way a place runs, soil for some places."""

from dataclasses import dataclass
from datetime import date
from typing import Annotated, Any

from fastapi import APIRouter, Body, Path, Query

from ample_rows.api.gardens import Garden, HeavyGarden
from ample_rows.api.problems import RESPONSES
from ample_rows.core.ask.alternatives import AlternativeFigures, compared
from ample_rows.core.ask.building.bill import bill_for
from ample_rows.core.ask.workings import PlaceWorkings, place_workings
from ample_rows.core.ask.yard.borders import Border, borders
from ample_rows.core.ask.yard.free_ground import NO_YARD
from ample_rows.core.ask.yard.free_spot import FreeSpot, free_spot
from ample_rows.core.ask.yard.path_care import PathCare, path_care
from ample_rows.core.ask.yard.place_figures import PlaceFigures, place_figures
from ample_rows.core.ask.yard.turning import Turned, turned
from ample_rows.core.carpentry.bill_report import BuildReport
from ample_rows.core.checks.lone_place import lone_place
from ample_rows.core.edits import MOST_IN_A_ROW, AddPlace, apply_edit
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.place.report import OrderReport
from ample_rows.core.place.total_order import order_for
from ample_rows.core.site.place_sun import Sky, sky_of
from ample_rows.core.site.risers import placed
from ample_rows.core.site.rows import RowOfPlaces
from ample_rows.core.site.stakes import SetOutSheet, set_out_sheet
from ample_rows.core.site.sun_map import SunMap, sun_by_month
from ample_rows.core.site.yard_sun import YardSun, yard_sun

router = APIRouter(prefix="/api/gardens/{slug}", tags=["ground"], responses=RESPONSES)

Wide = Annotated[float, Query(ge=10, le=1_000, allow_inf_nan=False)]
Thick = Annotated[float, Query(ge=0, le=50, allow_inf_nan=False)]
Several = Annotated[int, Query(ge=1, le=MOST_IN_A_ROW)]
Gap = Annotated[float, Query(ge=0, le=1_000, allow_inf_nan=False)]


@dataclass(frozen=True)
class FreeSpotAnswer:
    """A free spot, or null where the place fits nowhere with room to walk round it."""

    spot: FreeSpot | None


Day = Annotated[date, Query(ge=date(1900, 1, 1), le=date(2200, 12, 31))]


@router.get("/sun")
def sun_of_a_day(day: Day, here: Garden) -> YardSun:
    """Direct sun on one day: over the yard in one layer, and on each place."""
    return yard_sun(placed(here.plan, here.book), _sky(here), day, here.book)


@router.get("/sun/months")
def sun_of_the_months(here: Garden) -> SunMap:
    """Mean daily direct sun over the yard in each month, twelve layers, January first."""
    site = here.plan.site
    if site is None or site.outline_m is None:
        raise CannotBeDoneError(NO_YARD)
    return sun_by_month(site.outline_m, _sky(here))


@router.get("/places/{place}/turned")
def place_turned(place: str, here: Garden) -> Turned:
    """A place as it lies against the same place turned a quarter: sun, harvest, words."""
    return turned(here, place)


@router.get("/places/{place}/workings")
def workings(place: str, here: Garden) -> PlaceWorkings:
    """The sums behind a place's weight, water, ways to water and feed."""
    return place_workings(here, place)


@router.get("/borders")
def free_borders(here: Garden, width_cm: Wide = 60.0, wall_cm: Thick = 0.0) -> list[Border]:
    """Strips of a width that are free along fences, walls, hedges and the yard's edge."""
    return list(borders(here, width_cm, wall_cm))


@router.get("/paths/{index}/care")
def care_of_path(
    index: Annotated[int, Path(ge=0, le=10_000)],
    here: Garden,
    litres: Annotated[float | None, Query(ge=0, le=1e6, allow_inf_nan=False)] = None,
    on: Day | None = None,
    degrees: Annotated[float, Query(ge=-360, le=360, allow_inf_nan=False)] = 0.0,
) -> PathCare:
    """What collects in a path for the beds beside it, and the edits that turn it or let it
    trade places with one; paths count from 0 in the plan's order."""
    return path_care(here, index, litres=litres, on=on, degrees=degrees)


@router.post("/free-spot")
def spot_for(
    place: Annotated[dict[str, Any], Body()],
    here: Garden,
    count: Several = 1,
    abreast: Several = 1,
    gap_cm: Gap = 0.0,
) -> FreeSpotAnswer:
    """The sunniest free ground for a place, as a document, that is not in the yard yet, or for
    several of its kind so far apart; the spot is that of the first."""
    plan = here.plan
    standing = plan.place(str(place.get("id")))
    # A new place is read as a part of the plan, so that its faults name their fields.
    wanted = standing or apply_edit(plan, AddPlace(place=place)).places[-1]
    return FreeSpotAnswer(
        spot=free_spot(here, wanted, RowOfPlaces(count, min(abreast, count), gap_cm))
    )


@router.post("/place-figures")
def figures_for(place: Annotated[dict[str, Any], Body()], here: Garden) -> PlaceFigures:
    """What a place would hold, as a document, before it is in the plan."""
    return place_figures(lone_place(here.plan, place, here.book), here.plan.garden, here.book)


@router.get("/set-out")
def set_out(here: Garden) -> SetOutSheet:
    """Where to drive the stakes of each place, from one base line and its two ends."""
    return set_out_sheet(here.plan)


@router.get("/order")
def order(here: Garden, place: Annotated[list[str] | None, Query()] = None) -> OrderReport:
    """The mix for some places as one order, rounded once; for all where none is named."""
    chosen = [r for r in here.report.places if place is None or r.id in place]
    return order_for(chosen, here.plan.soil, here.book)


@router.get("/build")
def build(here: Garden, place: Annotated[list[str] | None, Query()] = None) -> BuildReport:
    """What building some places takes: boards and cuts, sheets, lines, cost, life and hours."""
    return bill_for(here, [r for r in here.report.places if place is None or r.id in place])


@router.get("/alternatives")
def alternatives(here: HeavyGarden) -> list[AlternativeFigures]:
    """The plan as it is and every drawing kept beside it, in figures."""
    return list(compared(here))


def _sky(here: Estimate) -> Sky:
    sky = sky_of(here.plan, here.setting.year.start.year, here.book)
    if sky is None:
        raise CannotBeDoneError(NO_YARD)
    return sky

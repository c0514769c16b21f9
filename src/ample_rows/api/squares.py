"""Routes of the squares: other ways to set a planting out, starter beds, schools of depth."""

from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, Query

from ample_rows.api.gardens import Garden
from ample_rows.api.problems import RESPONSES
from ample_rows.core.ask.covers.sheet import PlaceCovers, place_covers
from ample_rows.core.ask.depth.depth_schools import SchoolFigures, depth_schools
from ample_rows.core.ask.depth.fill_trial import FillTrial, fill_trial
from ample_rows.core.ask.spacing.dial import Dial, dial_of
from ample_rows.core.ask.spacing.marking import MarkingSheet, marking_sheet
from ample_rows.core.ask.spacing.side_by_side import OtherWay, side_by_side
from ample_rows.core.ask.spacing.sown import Sowing, sowing_of
from ample_rows.core.ask.supports.builder import SupportSheet, support_sheet
from ample_rows.core.ask.supports.edges import EdgeChoice, edge_choices
from ample_rows.core.ask.what_fits.elsewhere import Elsewhere, elsewhere
from ample_rows.core.ask.what_fits.starters import StarterFit, starter_fits
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.words.working import Term

router = APIRouter(prefix="/api/gardens/{slug}", tags=["squares"], responses=RESPONSES)

Fill = Annotated[float, Query(ge=1, le=300, allow_inf_nan=False)]


@dataclass(frozen=True)
class SettingOutAnswer:
    """How else a planting could be set out; no sowing where nothing is sown in place."""

    dial: Dial
    layouts: tuple[OtherWay, ...]
    sowing: Sowing | None


@router.get("/plantings/{planting}/working")
def working(planting: str, here: Garden) -> tuple[Term, ...]:
    """The sum behind a planting's likely harvest, one term a line."""
    place = here.result(here.planting(planting).place)
    return next(report.working for report in place.plantings if report.id == planting)


@router.get("/plantings/{planting}/setting-out")
def setting_out(planting: str, here: Garden) -> SettingOutAnswer:
    """A planting from tight to generous, and by each layout, in the same squares."""
    grown = here.planting(planting)
    evaluated = evaluate_planting(grown, here.place(grown.place))
    return SettingOutAnswer(
        dial=dial_of(here, planting),
        layouts=side_by_side(here, planting),
        sowing=sowing_of(evaluated.report, evaluated.crop, grown.plants_per_station or 1),
    )


@router.get("/plantings/{planting}/elsewhere")
def other_places(planting: str, here: Garden) -> tuple[Elsewhere, ...]:
    """Where else a planting could stand for its whole time and give more."""
    return elsewhere(here, planting)


@router.get("/places/{place}/starters")
def starters(place: str, here: Garden) -> tuple[StarterFit, ...]:
    """Every starter bed as it would come out in a place, with the edit that plants it."""
    return starter_fits(here, place)


@router.get("/places/{place}/depth-schools")
def schools(place: str, here: Garden) -> tuple[SchoolFigures, ...]:
    """The schools on soil depth side by side for one place."""
    return depth_schools(here, place)


@router.get("/places/{place}/marking")
def marking(place: str, here: Garden) -> MarkingSheet:
    """The grid's own strings and every planting of a place, by tape and line."""
    return marking_sheet(here, place)


@router.get("/places/{place}/supports/{support}")
def support(place: str, support: str, here: Garden) -> SupportSheet:
    """One support from plan to post hole: bill, posts, load, wind and drawing."""
    return support_sheet(here, place, support)


@router.get("/places/{place}/supports/{support}/edges")
def edges(place: str, support: str, here: Garden) -> tuple[EdgeChoice, ...]:
    """Every side for a support, with the harvest that its shade leaves."""
    return edge_choices(here, place, support)


@router.get("/places/{place}/covers")
def covers(place: str, here: Garden) -> PlaceCovers:
    """The covers of a place, and those that its crops would usually get."""
    return place_covers(here, place)


@router.get("/places/{place}/filled")
def filled(place: str, fill_cm: Fill, here: Garden) -> FillTrial:
    """A place as it would be with so deep a fill, with the edit that fills it so."""
    return fill_trial(here, place, fill_cm)

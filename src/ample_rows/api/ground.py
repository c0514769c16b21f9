"""Routes of the ground: the sun over a garden's yard, on a day and through the year."""

from datetime import date
from typing import Annotated

from fastapi import APIRouter, Query

from ample_rows.api.gardens import Reference, Store
from ample_rows.api.problems import RESPONSES
from ample_rows.core.evaluate import setting_of
from ample_rows.core.ground.place_sun import Sky, place_sun, sky_of
from ample_rows.core.ground.sun_map import Ring, SunMap, sun_by_month, sun_on_day
from ample_rows.core.plan import Plan
from ample_rows.core.reading import PlanFaultsError
from ample_rows.core.reference import Book

router = APIRouter(prefix="/api/gardens/{slug}/sun", tags=["ground"], responses=RESPONSES)

Day = Annotated[date, Query(ge=date(1900, 1, 1), le=date(2200, 12, 31))]


@router.get("")
def sun_of_a_day(slug: str, day: Day, store: Store, book: Reference) -> SunMap:
    """Direct sun over the yard on one day, one layer."""
    outline, sky = _yard(store.load(slug).plan, book)
    return sun_on_day(outline, sky, day)


@router.get("/months")
def sun_of_the_months(slug: str, store: Store, book: Reference) -> SunMap:
    """Mean daily direct sun over the yard in each month, twelve layers, January first."""
    outline, sky = _yard(store.load(slug).plan, book)
    return sun_by_month(outline, sky)


@router.get("/places")
def sun_on_places(slug: str, day: Day, store: Store, book: Reference) -> dict[str, float]:
    """Mean hours on each place that has a spot in the yard, on one day, by the place's id."""
    plan = store.load(slug).plan
    sky = _sky(plan, book)
    found = {place.id: place_sun(place, sky) for place in plan.places}
    return {ident: round(sun.mean_on(day), 2) for ident, sun in found.items() if sun is not None}


def _sky(plan: Plan, book: Book) -> Sky | None:
    return sky_of(plan, setting_of(plan, book).year.start.year, book)


def _yard(plan: Plan, book: Book) -> tuple[Ring, Sky]:
    sky = _sky(plan, book)
    if sky is None or plan.site is None or plan.site.outline_m is None:
        raise PlanFaultsError.one("site.outline_m", "draw the yard first; there is none yet")
    return plan.site.outline_m, sky

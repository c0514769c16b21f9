"""Every place of a garden with all that bears on it: sun, shade, surroundings, sharing."""

from dataclasses import replace

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import growing_year, sheltered
from ample_rows.core.calendar.soil_warmth import soil_warmer_c
from ample_rows.core.place.crop_shade import crop_shades
from ample_rows.core.place.remembered import remembering
from ample_rows.core.place.sharing import sharings
from ample_rows.core.planting.cases import PlaceCase, Setting
from ample_rows.core.site.place_sun import place_sun, sky_of
from ample_rows.core.site.risers import placed
from ample_rows.core.site.sun_seen import with_sun_seen
from ample_rows.core.site.surroundings import surroundings
from ample_rows.core.weather.air import air_of

DEFAULT_SEED = 1


def setting_of(plan: p.Plan, book: Book) -> Setting:
    """What all places of a plan share."""
    garden = plan.garden
    return Setting(
        year=growing_year(garden, book),
        policies=garden.policies,
        per_square=p.ByCrop(garden.per_square or {}),
        latitude=garden.latitude,
        north_deg=(plan.site.north_deg if plan.site else None) or 0.0,
        seed=DEFAULT_SEED if garden.seed is None else garden.seed,
        soil=plan.soil,
        air=air_of(garden, book),
        own=garden.own,
    )


def place_cases(plan: p.Plan, setting: Setting, book: Book) -> list[PlaceCase]:
    """Every place of a plan with the sun and the shade on it and what lies round it."""
    plan = with_sun_seen(placed(plan, book), book)
    sky = sky_of(plan, setting.year.start.year, book)
    around = surroundings(plan.site, plan.places, plan.garden.household, book)
    there = p.by_place(plan.plantings)
    # Neither counts nor soil throw a shadow: what is known of the shade is kept when they change.
    sunlit = replace(setting, per_square=p.ByCrop(), soil=None)
    shades = crop_shades(plan.places, plan.plantings, sunlit, sky, book)
    cases = []
    for place in plan.places:
        own = there.get(place.id, ())
        alone = PlaceCase(
            place=remembering(place, own, setting.year, book),
            setting=_where_it_stands(place, setting, book),
            sun=place_sun(place, sky),
            around=around[place.id],
            book=book,
        )
        shaded = shades.get(place.id, ())
        cases.append(replace(alone, shades=shaded, sharings=sharings(alone, own)))
    return cases


def _where_it_stands(place: p.Place, setting: Setting, book: Book) -> Setting:
    """The setting of a place: its soil's warmth, and its own frosts where it is under cover."""
    covered = tuple((stay.since, stay.until) for stay in place.stays if stay.under_cover)
    year = sheltered(setting.year, covered)
    return replace(setting, year=replace(year, soil_warmer_c=soil_warmer_c(place, book)))

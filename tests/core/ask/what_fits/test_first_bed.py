"""A first bed: what is liked, as much as is eaten, wherever it lies; frosts guessed and given."""

from datetime import date

import pytest

from ample_rows.core import plan as p
from ample_rows.core.ask.what_fits.first_bed import FirstBed, first_garden
from ample_rows.core.checks import require_sound
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.weather.frost_guess import guess_frosts

TODAY = date(2026, 11, 25)
LATITUDES = {
    "mild-coast": 51,
    "cold-winter": 44,
    "dry-summer": -35,
    "humid-warm": 33,
    "mountain": 46.5,
    "frost-free": -26,
}
BEDS = {
    "small": {"width_cm": 60, "length_cm": 60, "depth_cm": 20},
    "long": {"width_cm": 80, "length_cm": 250},
    "round": {"width_cm": 120, "length_cm": 120, "round": True},
    "pot": {
        "width_cm": 40,
        "length_cm": 40,
        "depth_cm": 40,
        "round": True,
        "container": True,
    },
}
# The reach of a bed is its own; all else is for the crops that were chosen.
OF_THE_PLACE = {"reach"}
FRUIT = {"fruit", "pod"}


def answers(**changes):
    values = {
        "name": "Mine",
        "container": False,
        "width_cm": 120,
        "length_cm": 240,
        "depth_cm": 25,
        "sun_hours": 6,
        "latitude": 48,
        "last_frost": None,
        "first_frost": None,
        **changes,
    }
    return FirstBed(**values)


@pytest.mark.parametrize(
    "changes",
    [
        {},
        {"latitude": -37.6},
        {"latitude": 2.0},
        {"latitude": 65},
        {"depth_cm": 14, "container": True, "width_cm": 40, "length_cm": 80},
        {"sun_hours": 3.5},
        {"width_cm": 20, "length_cm": 20},
        {"width_cm": 35, "depth_cm": 32, "container": True, "round": True},
        {"width_cm": 300, "length_cm": 900},
    ],
)
def test_a_first_bed_is_planted_sensibly_wherever_it_lies(book, changes):
    plan = first_garden(answers(**changes), book, today=TODAY)
    require_sound(plan, book)
    report = Estimate(plan, book, "x").report
    assert report.plantings
    assert report.totals.harvest_kg.p50 > 0
    assert [n.code for n in report.notes if n.level == "stop"] == []


def test_a_deep_dark_hole_is_left_unplanted(book):
    plan = first_garden(answers(sun_hours=0.5), book, today=TODAY)
    assert plan.plantings == ()


def test_guessed_frosts_are_marked_and_given_ones_are_not(book, reported):
    guessed = first_garden(answers(), book, today=TODAY)
    given = first_garden(
        answers(last_frost=date(2027, 5, 1), first_frost=date(2027, 10, 5)), book, today=TODAY
    )
    assert reported(p.document(guessed)).year.guessed == ("last_frost", "first_frost")
    assert reported(p.document(given)).year.guessed == ()
    assert given.garden.last_frost == date(2027, 5, 1)


@pytest.mark.parametrize(
    ("latitude", "spring", "autumn"),
    [
        (52, range(4, 6), range(10, 11)),
        (-37.6, range(9, 11), range(4, 6)),
        (60, range(5, 7), range(9, 10)),
    ],
)
def test_guessed_frosts_fall_in_their_months(latitude, spring, autumn):
    guess = guess_frosts(latitude, today=TODAY)
    assert guess.last_frost.month in spring
    assert guess.first_frost.month in autumn
    assert guess.last_frost < guess.first_frost
    assert guess.first_frost > date(2026, 11, 25)


@pytest.mark.parametrize("shape", BEDS)
@pytest.mark.parametrize("climate", LATITUDES)
def test_a_first_bed_suits_its_climate_and_its_household(book, climate, shape):
    lies = {"latitude": LATITUDES[climate], "climate": climate, "sun_hours": 6}
    plan = first_garden(answers(**lies, **BEDS[shape]), book, today=TODAY)
    require_sound(plan, book)
    estimate = Estimate(plan, book, "x")
    report = estimate.report
    warned = {n.code for n in report.notes if n.level in ("stop", "care")}
    assert warned <= OF_THE_PLACE
    assert all(TODAY <= r.start_date <= estimate.setting.year.end for r in report.plantings)
    for r in report.plantings:
        at_once = sum(
            other.plants
            for other in report.plantings
            if other.crop == r.crop
            and other.start_date <= r.start_date < (other.clear_date or date.max)
        )
        # A square holds some more than are eaten.
        assert at_once <= 2.5 * book.eaten[r.crop].plants
    # Half the season at most lies idle from now on, over all squares.
    cells = len(grid_of(plan.places[0]).cells)
    idle = sum(
        len(spell.cells) * (spell.end - max(spell.start, TODAY)).days / 7
        for spell in report.places[0].idle
        if spell.end > TODAY
    )
    assert idle / cells < 26
    fruiting = [r for r in report.plantings if book.crops[r.crop].group in FRUIT]
    assert fruiting or climate == "mountain"


@pytest.mark.parametrize("climate", [name for name in LATITUDES if name != "mountain"])
def test_a_sunny_bed_gets_a_support_and_what_climbs_it(book, climate):
    lies = {"latitude": LATITUDES[climate], "climate": climate, "likes": ("fruit",)}
    plan = first_garden(answers(**lies), book, today=TODAY)
    (support,) = plan.places[0].supports
    assert {g.crop for g in plan.plantings if g.support == support.id} & {
        "tomato-cherry",
        "tomato",
        "climbing-bean",
        "yard-long-bean",
    }
    assert plan.garden.household.likes == ("fruit",)


def test_what_is_liked_is_what_is_planted(book):
    herbs = first_garden(answers(likes=("herbs",)), book, today=TODAY)
    crops = {g.crop for g in herbs.plantings}
    assert {"parsley", "chives"} <= crops
    assert not {book.crops[crop].group for crop in crops} & {"fruit", "root"}


def test_a_climate_brings_its_weather_and_a_zone_its_winter(book):
    asked = answers(climate="mountain", zone="5b", town="Upper Valley", longitude=7.5)
    garden = first_garden(asked, book, today=TODAY).garden
    assert garden.climate.tmin_c[0] == -11.0
    assert (garden.last_frost, garden.first_frost) == (date(2027, 6, 8), date(2027, 9, 10))
    assert (garden.zone, garden.winter_low_c, garden.longitude) == ("5b", -24.7, 7.5)
    assert p.document(garden)["x-town"] == "Upper Valley"


@pytest.mark.parametrize(
    ("changes", "field"),
    [({"likes": ("fruit", "cake")}, r"likes\[1\]"), ({"climate": "moon"}, "climate")],
)
def test_what_the_book_does_not_know_is_refused_at_its_field(book, changes, field):
    with pytest.raises(PlanFaultsError, match=field):
        first_garden(answers(**changes), book, today=TODAY)

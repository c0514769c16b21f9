"""Sun before noon and after it: by square, and what afternoon shade spares a cool crop in heat."""

import pytest

from ample_rows.core.ask.what_fits.shelf import shelf_for
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.crops import load_book
from tests.conftest import bed, document, planting

BOOK = load_book()
HOT = {
    "tmin_c": [4, 5, 8, 11, 15, 19, 22, 21, 18, 13, 8, 5],
    "tmax_c": [14, 16, 20, 24, 29, 34, 37, 36, 32, 26, 19, 15],
    "rain_mm": [40] * 12,
}
LETTUCE = planting("lettuce", "all", start="transplant", start_date="2027-05-20")
OKRA = planting("okra", "all", start="transplant", start_date="2027-05-20")


def wall(east_m):
    """A long wall from north to south, so far east of the bed."""
    return {
        "kind": "wall",
        "outline_m": [[east_m, -20], [east_m + 0.3, -20], [east_m + 0.3, 20], [east_m, 20]],
        "height_m": 3,
    }


@pytest.fixture
def lit(read):
    """An estimate with a wall so far east or west of the bed."""

    def estimated(what, east_m, climate=HOT):
        place = bed(at_m=[0, 0], sun_hours=None)
        site = {"north_deg": 0, "obstacles": [wall(east_m)]}
        doc = {**document(what, places=[place], climate=climate), "site": site}
        return Estimate(read(doc), BOOK)

    return estimated


def test_a_wall_in_the_west_takes_the_afternoon_and_one_in_the_east_the_morning(lit):
    west, east = lit(LETTUCE, -1.5), lit(LETTUCE, 3.0)
    (there,), (here,) = west.report.places, east.report.places
    assert there.sun.afternoon < there.sun.morning
    assert here.sun.morning < here.sun.afternoon


def test_each_square_has_its_own_morning_and_afternoon(lit):
    estimate = lit(LETTUCE, -0.5)
    place, day = estimate.report.places[0], estimate.plan.plantings[0].start_date

    def sun_on(*cells):
        return shelf_for(estimate, "bed", cells, day, crops=()).sun

    near, far = sun_on("A3"), sun_on("D3")
    assert near.afternoon < far.afternoon
    assert near.morning == pytest.approx(far.morning, abs=1.0)
    whole = sun_on(*(cell.address for cell in place.cells))
    assert whole.morning == pytest.approx(place.sun.morning, abs=0.05)
    assert whole.afternoon == pytest.approx(place.sun.afternoon, abs=0.05)


def light(estimate):
    (planted,) = estimate.report.plantings
    return planted.factors.light


def test_afternoon_shade_spares_a_cool_crop_in_heat_and_no_warm_one(lit):
    assert light(lit(LETTUCE, -1.5)) > light(lit(LETTUCE, 3.0))
    assert light(lit(OKRA, -1.5)) == pytest.approx(light(lit(OKRA, 3.0)), abs=0.05)


def test_in_a_cool_summer_shade_spares_nothing(lit):
    cool = {**HOT, "tmin_c": [8] * 12, "tmax_c": [18] * 12}
    assert light(lit(LETTUCE, -1.5, cool)) <= 1.0

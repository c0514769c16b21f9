"""Litres a week and days between waterings, against sums done by hand."""

import pytest

from ample_rows.core.weather.evapotranspiration import extraterrestrial_radiation, hargreaves
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting, tub

CLIMATE = {
    "tmin_c": [2, 2, 3, 5, 8, 11, 13, 13, 10, 7, 4, 2],
    "tmax_c": [7, 8, 11, 14, 18, 21, 23, 22, 19, 15, 10, 8],
    "rain_mm": [0] * 12,
}


@pytest.fixture
def water(reported):
    def ask(*plantings, places=None, **climate):
        doc = document(*plantings, places=places or [bed()], climate={**CLIMATE, **climate})
        return reported(doc).places[0].water

    return ask


def test_bare_soil_drinks_by_its_area(water):
    need = water()
    july = hargreaves(13, 23, extraterrestrial_radiation(51.9, 196))
    assert need.litres_per_week[6] == pytest.approx(july * 0.25 * 2.88 * 7)
    held = 30 * 0.18 + 15 * 0.16  # the mix, and half of 30 cm of ordinary ground
    days = held * 10 * 0.35 / (july * 0.25)
    assert need.days_between[6] == pytest.approx(days)
    assert said(need.how) == "Hargreaves and Samani 1985"


def test_leaves_drink_more_than_bare_soil(water):
    leafy = water(planting("chard", cells="all", start="transplant", start_date="2027-05-10"))
    assert leafy.litres_per_week[6] > 2 * water().litres_per_week[6]


def test_a_big_plant_in_a_small_pot_drinks_for_its_leaves(water):
    pot = tub()
    tomato = planting(
        "tomato-bush", cells="all", place="tub", start="transplant", start_date="2027-05-20"
    )
    with_plant = water({**tomato, "spacing_cm": 45}, places=[pot])
    bare = water(places=[pot])
    assert with_plant.litres_per_week[7] > 3 * bare.litres_per_week[7]


def test_rain_lessens_the_week_but_not_the_dry_week(water):
    rainy, dry = water(rain_mm=[60] * 12), water()
    assert rainy.litres_per_week[6] < dry.litres_per_week[6]
    assert rainy.dry_litres_per_week == dry.dry_litres_per_week
    assert rainy.days_between[0] is None


def test_air_and_wind_where_they_are_known(water):
    found = water(vapour_kpa=[0.9] * 12, wind_m_per_s=[2.0] * 12, sunshine_hours=[5.0] * 12)
    assert said(found.how) == "FAO-56 Penman-Monteith"
    assert found.litres_per_week[6] > found.litres_per_week[0]


def test_a_shallow_fill_wants_water_more_often(water):
    crop = planting("lettuce", cells="all", start_date="2027-05-10")
    deep = water(crop, places=[bed(bottom="closed", wall_height_cm=43)])
    shallow = water(crop, places=[bed(bottom="closed", wall_height_cm=23)])
    assert shallow.days_between[5] == pytest.approx(deep.days_between[5] / 2)


def test_without_a_climate_water_is_not_computed(reported):
    report = reported(document())
    assert report.places[0].water is None
    assert report.totals.water_litres_per_week is None


def test_overwintered_crops_count_in_the_winter_they_stand_in(water):
    garlic = planting("garlic", cells="all", start="set", start_date="2027-10-20")
    assert water(garlic).dry_litres_per_week[2] > water().dry_litres_per_week[2]

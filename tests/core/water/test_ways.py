"""Ways to water, lines over a place, and a butt through the year."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.water.tank import tank_year
from tests.conftest import bed, block, document, planting, rectangle, tub

CLIMATE = {"tmin_c": [8.0] * 12, "tmax_c": [20.0] * 12, "rain_mm": [60.0] * 12}
SITE = {
    "outline_m": [[0, 0], [10, 0], [10, 10], [0, 10]],
    "taps": [{"at_m": [1, 1], "flow_l_per_min": 10, "hose_m": 20}],
}


@pytest.fixture
def water(reported):
    def make(*plantings, place=None, **garden):
        doc = document(
            *plantings, places=[place or bed(at_m=[5, 5])], site=SITE, climate=CLIMATE, **garden
        )
        return reported(doc).places[0].water

    return make


def test_lines_lie_along_a_bed_every_thirty_centimetres(water):
    lines = water().lines
    assert len(lines.runs_cm) == 4
    assert lines.apart_cm == 30
    assert lines.line_m == pytest.approx(9.6)
    assert lines.header_m == pytest.approx(0.9)
    assert lines.emitters == 32


def test_lines_lie_on_the_rows_where_there_are_rows(water):
    rows = planting(cells=block("A1", "D8"), layout="rows", row_spacing_cm=40)
    assert len(water(rows).lines.runs_cm) == 3


def test_lines_end_at_the_wall_of_a_round_tub(water):
    lines = water(place=tub(at_m=[5, 5])).lines
    assert all(0 <= x <= 46 and 0 <= y <= 46 for run in lines.runs_cm for x, y in run)


def test_the_same_water_by_each_way(water):
    full = planting("kale", "all", start="transplant", start_date="2027-05-20")
    by_way = {way.way: way for way in water(full).ways}
    cans, hose, drip = by_way["cans"], by_way["hose"], by_way["drip"]
    assert cans.litres * 0.9 == pytest.approx(drip.litres * 0.9) == pytest.approx(hose.litres * 0.8)
    assert hose.running_minutes == pytest.approx(hose.litres / 10)
    assert cans.own_minutes > hose.own_minutes > drip.own_minutes
    assert drip.running_minutes > 60
    assert by_way["sprinkler"].wets_leaves == "yes"


def test_mulch_lowers_what_bare_soil_loses(water):
    bare = water().dry_litres_per_week[6]
    assert water(place=bed(at_m=[5, 5], mulch_cm=2.5)).dry_litres_per_week[6] == pytest.approx(
        0.75 * bare
    )
    assert water(place=bed(at_m=[5, 5], mulch_cm=20)).dry_litres_per_week[6] == pytest.approx(
        0.5 * bare
    )


def test_a_clay_pot_drinks_more_than_a_plastic_one_and_so_does_a_fabric_bag(water):
    def dry(material):
        return water(place=tub(at_m=[5, 5], material=material)).dry_litres_per_week[6]

    assert dry("clay") == pytest.approx(1.35 * dry("plastic"))
    assert dry("fabric") > dry("clay")


def test_ten_litres_on_a_square_metre_wet_a_hand_s_length(water):
    assert 12 < water().wets_cm < 20


def test_a_wide_bed_on_a_weak_tap_is_watered_in_parts(reported):
    site = {**SITE, "taps": [{"at_m": [1, 1], "flow_l_per_min": 2}]}
    wide = {**bed(at_m=[2, 2]), "shape": rectangle(500, 500)}
    doc = document(places=[wide], site=site, climate=CLIMATE)
    grid = next(w for w in reported(doc).places[0].water.ways if w.way == "grid")
    assert grid.tap_share == pytest.approx(20 * 25 / 60 / 2)
    assert grid.running_minutes == pytest.approx(grid.litres / 2)


def test_a_butt_is_told_for_the_places_it_is_nearest_to(reported):
    site = {**SITE, "tanks": [{"at_m": [5, 4], "name": "butt", "litres": 20, "roof_m2": 10}]}
    site["taps"] = []
    [tank] = reported(document(places=[bed(at_m=[5, 5])], site=site, climate=CLIMATE)).totals.tanks
    assert tank.caught[0] == pytest.approx(60 * 10 * 0.85)
    assert tank.places == ("bed",)
    assert sum(tank.short) > 0
    assert tank.weeks_dry > 0


def test_a_year_of_a_butt_by_hand():
    # A hundred litres fill in the wet third; twenty dry days want 10 a day: ten days go dry.
    year = tank_year(100, [1000] * 12, [70] * 12, rainy_share=1 / 3)
    assert year.used[5] == 100
    assert year.short[5] == 100
    assert year.weeks_dry == pytest.approx(sum(d - round(d / 3) - 10 for d in DAYS) / 7)


@pytest.mark.parametrize("trickle", [1e-313, 1e-9])
def test_beds_that_hardly_drink_never_empty_a_butt(trickle):
    assert tank_year(100, [50] * 12, [trickle] * 12, rainy_share=1 / 3).weeks_dry == 0


DAYS = (31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31)
LITRES = st.floats(0, 2000)


@given(LITRES, LITRES, LITRES)
def test_a_larger_butt_never_runs_dry_longer_and_gives_no_more_than_was_caught(size, rain, want):
    small = tank_year(size, [rain] * 12, [want] * 12, rainy_share=0.33)
    large = tank_year(size + 100, [rain] * 12, [want] * 12, rainy_share=0.33)
    assert large.weeks_dry <= small.weeks_dry
    assert sum(small.used) <= sum(small.caught) + size + 1e-6

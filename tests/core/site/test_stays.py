"""A container in different spots by date: sun, frost, rain and load follow it."""

from datetime import date

import pytest

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.site.stays import spot_on
from ample_rows.core.words.message import said
from tests.conftest import document, planting, tub

WALL = {"kind": "wall", "height_m": 4, "outline_m": [[0, 0], [10, 0], [10, 0.2], [0, 0.2]]}
SITE = {"outline_m": [[0, 0], [10, 0], [10, 10], [0, 10]], "obstacles": [WALL]}
CLIMATE = {"tmin_c": [8.0] * 12, "tmax_c": [20.0] * 12, "rain_mm": [300.0] * 12}


def pot(*stays, **changes):
    return {**tub(at_m=[5, 1]), "sun_hours": None, "stays": list(stays), **changes}


def stay(since, until, **changes):
    return {"since": since, "until": until, **changes}


SUMMER = stay("2027-05-15", "2027-09-20", at_m=[5, 9])
WINTER = stay("2026-10-01", "2027-05-15", under_cover=True)


def test_a_spot_holds_from_its_day_up_to_another_every_year(read):
    place = read(document(places=[pot(SUMMER)])).places[0]
    assert spot_on(place, date(2027, 5, 14)).at_m == (5, 1)
    assert spot_on(place, date(2027, 5, 15)).at_m == (5, 9)
    assert spot_on(place, date(2031, 9, 19)).at_m == (5, 9)
    assert spot_on(place, date(2027, 9, 20)).at_m == (5, 1)
    wintering = read(document(places=[pot({**WINTER, "at_m": [1, 1]})])).places[0]
    assert spot_on(wintering, date(2028, 1, 1)).at_m == (1, 1)
    assert spot_on(wintering, date(2028, 6, 1)).at_m == (5, 1)


def test_the_sun_is_that_of_wherever_it_stands(reported):
    def hours(*stays, at=(5, 1)):
        return (
            reported(document(places=[pot(*stays, at_m=list(at))], site=SITE)).places[0].sun.hours
        )

    dark, bright, both = hours(), hours(at=(5, 9)), hours(SUMMER)
    assert both[6] == bright[6] > dark[6]
    assert both[0] == dark[0] < bright[0]


def test_other_spots_are_drawn_where_they_lie(reported):
    [spot] = reported(document(places=[pot(SUMMER, WINTER)], site=SITE)).places[0].ground.spots
    assert spot.since == date(2027, 5, 15)
    xs, ys = zip(*spot.outer_m, strict=True)
    assert (max(xs) + min(xs)) / 2 == pytest.approx(5)
    assert (max(ys) + min(ys)) / 2 == pytest.approx(9)


def test_under_cover_neither_spring_nor_autumn_frost_takes_a_tender_crop(reported):
    early = planting("tomato", ("A1",), place="tub", start="transplant", start_date="2027-04-01")
    bare = reported(document(early, places=[pot()])).plantings[0]
    kept = reported(document(early, places=[pot(WINTER)])).plantings[0]
    assert bare.factors.season < kept.factors.season
    assert kept.window.earliest < bare.window.earliest
    assert kept.window.latest > bare.window.latest


def test_a_summer_in_the_open_leaves_the_frosts_as_they_are(reported):
    crop = planting("tomato", ("A1",), place="tub", start="transplant", start_date="2027-06-01")
    covered = {**SUMMER, "under_cover": True}
    one = reported(document(crop, places=[pot()])).plantings[0]
    other = reported(document(crop, places=[pot(covered)])).plantings[0]
    assert one.window == other.window


def test_no_rain_falls_under_cover(reported):
    def water(*stays):
        return reported(document(places=[pot(*stays)], climate=CLIMATE)).places[0].water

    assert water().litres_per_week[0] == 0
    covered = water(WINTER)
    assert covered.litres_per_week[0] == covered.dry_litres_per_week[0] > 0
    assert covered.litres_per_week[6] == 0


def test_each_spot_has_its_own_floor(reported):
    weak = stay("2027-10-01", "2028-04-01", load_limit_kg_per_m2=100)
    place = pot(weak, load_limit_kg_per_m2=5000)
    loads = [n for n in reported(document(places=[place])).notes if n.code == "load"]
    assert [n.level for n in loads] == ["stop", "tip"]
    assert "100 kg per m² from 1 October" in said(loads[0].text)


@pytest.mark.parametrize(
    ("place", "path"),
    [
        (pot(stay("2027-05-01", "2027-05-01")), "places[0].stays[0].until"),
        (pot(stay("2027-05-01", "2028-06-01")), "places[0].stays[0].until"),
        (pot(SUMMER, kind="framed"), "places[0].stays"),
    ],
)
def test_what_cannot_be_a_stay_is_named(read, place, path):
    with pytest.raises(PlanFaultsError) as caught:
        read(document(places=[place]))
    assert caught.value.faults[0].path == path

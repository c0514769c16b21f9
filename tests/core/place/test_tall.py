"""What stands tall, where and when: boxes in the yard and their height on the sample days."""

from datetime import date

import pytest

from ample_rows.core.place.place_cases import setting_of
from ample_rows.core.place.tall import tall_in
from ample_rows.core.site.place_sun import sky_of
from ample_rows.core.site.sun_path import sample_days
from tests.conftest import bed, document, planting

OPEN = {"outline_m": [[0, 0], [9, 0], [9, 9], [0, 9]]}
NET = {"id": "net", "system": "net", "height_cm": 180, "edge": "north"}


@pytest.fixture
def standing(book, read):
    def of(*plantings, place=None, **garden):
        place = place or bed(at_m=[3, 4], heading_deg=90)
        plan = read(document(*plantings, places=[place], site=OPEN, **garden))
        setting = setting_of(plan, book)
        sky = sky_of(plan, setting.year.start.year, book)
        return {t.id: t for t in tall_in(plan.places[0], plan.plantings, setting, sky, book)}

    return of


def height_on(tall, month, day=23):
    return tall.heights_m[sample_days(2027).index(date(2027, month, day))]


def corn(**changes):
    keys = {"id": "corn", "start": "transplant", "start_date": "2027-05-20"} | changes
    return planting("sweet-corn", ("A1", "A2", "B1", "B2"), **keys)


def test_corn_grows_to_its_height_and_is_gone_when_it_is_cleared(standing, book):
    tall = standing(corn(clear_date="2027-09-10"))["corn"]
    assert height_on(tall, 4) == 0
    assert 0 < height_on(tall, 6) < height_on(tall, 7) <= book.crops["sweet-corn"].height_cm / 100
    assert height_on(tall, 9, 8) > 1
    assert height_on(tall, 9) == 0


def test_low_crops_cast_nothing_on_their_neighbours(standing):
    assert standing(planting("lettuce"), planting("carrot", ("C1",), id="p2")) == {}


def test_a_climber_without_its_net_is_as_low_as_it_lies(standing):
    bean = planting("climbing-bean", ("A1",), id="bean", start_date="2027-05-20")
    place = bed(at_m=[3, 4], heading_deg=90, supports=[{**NET, "height_cm": 60}])
    low = standing({**bean, "support": "net"}, place=place)
    assert "bean" not in low  # a net of 60 cm is no wall


def test_a_net_stands_bare_all_year_and_leafy_while_its_crop_does(standing):
    bean = planting("climbing-bean", (), id="bean", start_date="2027-05-20", support="net")
    place = bed(at_m=[3, 4], heading_deg=90, supports=[NET])
    found = standing(bean, place=place)
    bare, leafy = found["bed/net"], found["bean"]
    assert set(bare.heights_m) == {1.8}
    assert bare.passes > 0.9 > leafy.passes
    assert height_on(leafy, 2) == 0
    assert height_on(leafy, 8) == pytest.approx(1.8, abs=0.05)


def test_a_box_lies_over_its_squares_in_the_yard(standing):
    tall = standing(corn())["corn"]
    xs, ys = zip(*tall.corners_m, strict=True)
    # The bed runs east from its corner at 3, 4: its width lies southward.
    assert (min(xs), max(xs)) == pytest.approx((3.0, 3.6))
    assert (min(ys), max(ys)) == pytest.approx((3.4, 4.0))
    assert tall.foot_m == pytest.approx(0.3)


def test_on_a_slope_the_foot_stands_on_its_own_ground(book, read):
    site = {**OPEN, "slope": {"fall_percent": 10, "downhill_deg": 180}}
    plan = read(document(corn(), places=[bed(at_m=[3, 4], heading_deg=90)], site=site))
    setting = setting_of(plan, book)
    sky = sky_of(plan, setting.year.start.year, book)
    (tall,) = tall_in(plan.places[0], plan.plantings, setting, sky, book)
    # Falling to the south by a tenth: its middle, 3.7 m north, lies 37 cm over the origin.
    assert tall.foot_m == pytest.approx(0.37 + 0.3, abs=0.01)


def test_what_overwinters_stands_on_both_sides_of_the_new_year(standing):
    beans = planting("broad-bean", id="bean", start_date="2026-11-05", clear_date="2027-07-01")
    tall = standing(beans)["bean"]
    assert height_on(tall, 12) > 0  # the November sowing's winter, told by the day of the year
    assert height_on(tall, 6) > height_on(tall, 1) > 0
    assert height_on(tall, 8) == 0

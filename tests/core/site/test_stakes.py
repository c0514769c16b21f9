"""The set-out sheet against a tape."""

import math

import pytest

from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.site.stakes import set_out_sheet
from tests.conftest import bed, document, rectangle, tub

YARD = {"outline_m": [[0, 0], [8, 0], [8, 6], [0, 6]]}


@pytest.fixture
def sheet(read):
    return lambda places, site=YARD: set_out_sheet(read(document(places=places, site=site)))


def test_a_bed_by_running_measures_and_from_both_ends(sheet):
    found = sheet([bed(at_m=[2, 1], shape=rectangle(120, 240))])
    (one,) = found.places
    spots = {(round(s.along_m, 3), round(s.off_m, 3)) for s in one.stakes}
    assert spots == {(2, 1), (3.2, 1), (3.2, 3.4), (2, 3.4)}
    near = next(s for s in one.stakes if (s.along_m, s.off_m) == pytest.approx((2, 1)))
    assert near.from_start_m == pytest.approx(math.hypot(2, 1))
    assert near.from_end_m == pytest.approx(math.hypot(6, 1))
    assert one.diagonals_m == pytest.approx([math.hypot(1.2, 2.4)] * 2)
    assert one.string_m == pytest.approx(7.2)
    assert (found.base_m, found.stakes) == (8, 4)


def test_walls_belong_to_what_is_set_out(sheet):
    shape = {**rectangle(100, 200), "wall_thickness_cm": 5}
    (one,) = sheet([bed(at_m=[2, 1], shape=shape)]).places
    assert one.string_m == pytest.approx(2 * (1.1 + 2.1))


def test_a_turned_bed_keeps_its_diagonals(sheet):
    (one,) = sheet([bed(at_m=[3, 3], heading_deg=33, shape=rectangle(120, 240))]).places
    assert one.diagonals_m == pytest.approx([math.hypot(1.2, 2.4)] * 2)


def test_a_round_place_has_a_middle_and_a_string(sheet):
    (one,) = sheet([tub(at_m=[2, 2])]).places
    assert [s.name for s in one.stakes] == ["middle"]
    assert one.radius_m == pytest.approx(0.23, abs=0.001)
    assert (one.stakes[0].along_m, one.stakes[0].off_m) == pytest.approx((2, 2))


def test_the_base_line_may_lie_askew(sheet):
    askew = {"outline_m": [[1, 1], [4, 5], [0, 8], [-3, 4]]}
    (one,) = sheet([tub(at_m=[1, 1])], askew).places
    assert one.stakes[0].from_start_m == pytest.approx(0)
    assert one.stakes[0].from_end_m == pytest.approx(5)


def test_places_without_a_spot_are_left_out_and_a_yard_is_needed(sheet, read):
    assert sheet([bed()]).places == ()
    with pytest.raises(CannotBeDoneError, match="yard-not-drawn"):
        set_out_sheet(read(document()))

"""Free spots and borders: where a new place can lie, worked out on yards measured by hand."""

import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.ask.yard.borders import borders
from ample_rows.core.ask.yard.free_spot import free_spot
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.site.footprints import place_outline
from ample_rows.core.words.message import said
from tests.conftest import bed, document, rectangle, tub

OUTLINE = [[0, 0], [10, 0], [10, 8], [0, 8]]
WALK_M = 0.45


def box(x0, y0, x1, y1):
    return [[x0, y0], [x1, y0], [x1, y1], [x0, y1]]


def wall(x0, y0, x1, y1, **more):
    return {
        "name": "wall",
        "kind": "wall",
        "outline_m": box(x0, y0, x1, y1),
        "height_m": 2,
        **more,
    }


@pytest.fixture
def yard(read):
    def make(*places, **site):
        return read(document(places=list(places), site={"outline_m": OUTLINE, **site}))

    return make


@pytest.fixture
def new(yard):
    """A place of some measures that has no spot yet."""
    return lambda **changes: yard({**bed(**changes), "id": "new"}).places[0]


def test_a_spot_lies_in_the_sun_and_keeps_off_what_stands_there(yard, new, book):
    # A wall along the south shades the low side of the yard.
    plan = yard(bed(at_m=[4, 5]), obstacles=[wall(0, 0, 10, 0.3)])
    place = new()
    spot = free_spot(Estimate(plan, book), place)
    ground = place_outline(place.model_copy(update=spot_keys(spot)))
    assert shapely.Polygon(OUTLINE).covers(ground)
    taken = place_outline(plan.places[0])
    assert ground.distance(taken) >= WALK_M - 0.02
    assert ground.bounds[1] > 1.5
    assert spot.sun_hours > 6


def spot_keys(spot):
    return {"at_m": spot.at_m, "heading_deg": spot.heading_deg}


def test_where_the_sun_is_alike_the_nearer_to_water_is_taken(yard, new, book):
    for x in (1.0, 9.0):
        spot = free_spot(Estimate(yard(taps=[{"at_m": [x, 4]}]), book), new())
        assert spot.water_m < 3.5


def test_a_place_turns_a_quarter_to_fit_and_none_is_found_without_room(yard, new, book):
    long = new(shape=rectangle(100, 900), heading_deg=0)
    assert free_spot(Estimate(yard(), book), long).heading_deg == 90
    assert free_spot(Estimate(yard(), book), new(shape=rectangle(500, 1200))) is None
    assert (
        free_spot(Estimate(yard(bed(shape=rectangle(900, 700), at_m=[0.5, 0.5])), book), long)
        is None
    )


def test_paths_and_the_door_are_left_free(yard, book):
    path = {"line_m": [[5, 0], [5, 8]], "width_cm": 60}
    plan = yard(paths=[path], door_m=[2.5, 8])
    place = yard({**tub(), "id": "new"}).places[0]
    spot = free_spot(Estimate(plan, book), place)
    ground = place_outline(place.model_copy(update=spot_keys(spot)))
    assert not ground.intersects(shapely.box(4.7, 0, 5.3, 8))
    assert ground.distance(shapely.Point(2.5, 8)) >= 2 * WALK_M - 0.05


def test_borders_lie_along_each_side_and_face_the_yard(yard, book):
    found = {said(b.label): b for b in borders(Estimate(yard(), book), 60, 0)}
    assert {label: b.length_cm for label, b in found.items()} == {
        "yard's edge, north side": 1000,
        "yard's edge, east side": 800,
        "yard's edge, south side": 1000,
        "yard's edge, west side": 800,
    }


def test_a_fence_on_the_edge_is_one_border_named_by_the_fence(yard, laid, book):
    found = {
        said(b.label): b
        for b in borders(Estimate(yard(obstacles=[wall(0, 7.9, 10, 8)]), book), 60, 2.5)
    }
    # Its own walls take 2.5 cm at both ends; its front lies 2.5 cm from the wall.
    border = found["wall, south side"]
    assert border.length_cm == 995
    assert "yard's edge, north side" not in found
    placed = laid(border, wall_cm=2.5)
    assert placed.bounds == pytest.approx((0, 7.25, 10, 7.9), abs=0.02)


@pytest.fixture(scope="session")
def laid(read):
    """The ground that a border covers once it is taken, walls included."""

    def lay(border, wall_cm=0.0):
        shape = {**rectangle(border.width_cm, border.length_cm), "wall_thickness_cm": wall_cm}
        place = bed(shape=shape, at_m=list(border.at_m), heading_deg=border.heading_deg)
        return place_outline(read(document(places=[place])).places[0])

    return lay


def test_a_border_ends_at_a_house_and_a_walk_before_the_next_bed(yard, laid, book):
    plan = yard(
        bed(shape=rectangle(100, 100), at_m=[7, 0]), obstacles=[wall(0, 0, 2, 1, kind="house")]
    )
    south = {said(b.label): b for b in borders(Estimate(plan, book), 60, 0)}[
        "yard's edge, south side"
    ]
    assert south.length_cm == pytest.approx((7 - WALK_M - 2) * 100, abs=1)
    ground = laid(south)
    assert ground.bounds[0] == pytest.approx(2, abs=0.02)
    assert ground.bounds[2] == pytest.approx(7 - WALK_M, abs=0.02)


@given(
    corners=st.lists(
        st.tuples(st.integers(0, 12), st.integers(0, 9)), min_size=3, max_size=7, unique=True
    ),
    width=st.sampled_from([30, 60, 100]),
)
def test_borders_of_any_yard_lie_inside_it(read, laid, book, corners, width):
    hull = shapely.MultiPoint(corners).convex_hull
    if not isinstance(hull, shapely.Polygon) or hull.area < 4:
        return
    ring = [list(point) for point in hull.exterior.coords[:-1]]
    plan = read(document(places=[], site={"outline_m": ring}))
    for border in borders(Estimate(plan, book), width, 0):
        assert hull.buffer(0.03).covers(laid(border))


def test_without_a_yard_it_is_asked_for(read, new, book):
    plan = read(document())
    for ask in (
        lambda: free_spot(Estimate(plan, book), new()),
        lambda: borders(Estimate(plan, book), 60, 0),
    ):
        with pytest.raises(CannotBeDoneError, match="yard-not-drawn"):
            ask()

"""Posts along a run and mesh bent to an arch, worked out by hand."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.structures.bays import arch_of, bays_of, mesh_for


@pytest.mark.parametrize(
    ("run", "most", "opening", "posts", "bay", "over"),
    [
        (270, 120, None, 4, 90, 0),  # three bays of 90, not two of 135
        (270, 135, None, 3, 135, 0),
        (270, 120, 15, 4, 90, 0),  # eighteen openings, six a bay
        (270, 120, 20, 4, 80, 15),  # thirteen openings: four a bay, one left over
        (300, 150, 20, 4, 100, 0),  # two bays of seven leave 20 cm: three of five leave none
        (100, 150, 15, 2, 90, 5),
        (12, 120, 15, 2, 12, 0),  # narrower than one opening
    ],
)
def test_posts_are_even_and_whole_openings_apart(run, most, opening, posts, bay, over):
    found = bays_of(run, most, opening)
    assert len(found.posts_at_cm) == posts
    assert found.bay_cm == pytest.approx(bay)
    assert found.over_cm == pytest.approx(over)


@given(run=st.floats(20, 1000), most=st.floats(30, 200), opening=st.floats(4, 25))
def test_posts_never_stand_wider_than_they_may_nor_beyond_the_run(run, most, opening):
    found = bays_of(run, most, opening)
    assert found.bay_cm <= most + 1e-6
    assert found.posts_at_cm[0] >= 0
    assert found.posts_at_cm[-1] <= run + 0.01
    if found.openings:
        assert found.bay_cm == pytest.approx(found.openings * opening)


def test_no_run_has_no_posts():
    assert bays_of(0, 120, 15).posts_at_cm == ()


@pytest.mark.parametrize(
    ("span", "mesh", "legs", "height"),
    [
        (120, 120 * math.pi / 2, 0, 60),  # just half a circle
        (100, 500, (500 - 50 * math.pi) / 2, (500 - 50 * math.pi) / 2 + 50),
        # A bow of 100 over a chord of 100·sin(1)/1, radius 50, an angle of 2.
        (100 * math.sin(1), 100, 0, 50 * (1 - math.cos(1))),
    ],
)
def test_an_arch_by_hand(span, mesh, legs, height):
    arch = arch_of(span, mesh)
    assert arch.legs_cm == pytest.approx(legs, abs=0.01)
    assert arch.height_cm == pytest.approx(height, abs=0.01)
    assert max(z for _, z in arch.line_cm) == pytest.approx(height, abs=0.1)


def test_a_mesh_too_short_to_reach_makes_no_arch():
    assert arch_of(150, 140) is None


@given(span=st.floats(40, 250), height=st.floats(126, 250))
def test_the_mesh_for_a_height_gives_that_height(span, height):
    arch = arch_of(span, mesh_for(span, height))
    assert arch.height_cm == pytest.approx(height, abs=0.05)
    along = zip(arch.line_cm, arch.line_cm[1:], strict=False)
    assert sum(math.dist(a, b) for a, b in along) == pytest.approx(arch.mesh_cm, rel=0.01)

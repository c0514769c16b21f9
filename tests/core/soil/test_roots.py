"""Root depth: usable depth, verdicts and factors, hand-worked; deeper never harms."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.soil import roots
from ample_rows.crops import load_book
from tests.conftest import bed, document, planting, tub

BOOK = load_book()
CARROT, LETTUCE = BOOK.crops["carrot"], BOOK.crops["lettuce"]


@pytest.mark.parametrize(
    ("keys", "usable"),
    [
        ({"native": "compacted"}, 30),
        ({"native": "ordinary"}, 30 + 0.5 * 30),
        ({"native": "loose"}, 30 + 0.8 * 30),
        ({"native": None}, 30),  # what is not described is not counted
        ({"native": "ordinary", "loosened_below_cm": 20}, 30 + 20 + 15),
        ({"native": "loose", "loosened_below_cm": 20, "bottom": "mesh"}, 30 + 20 + 24),
        ({"native": "loose", "loosened_below_cm": 20, "bottom": "lined"}, 30),
        ({"native": "loose", "loosened_below_cm": 20, "bottom": "rotting"}, 30),
        ({"native": "loose", "loosened_below_cm": 20, "bottom": "closed"}, 30),
        ({"kind": "ground", "wall_height_cm": 0, "rim_gap_cm": None, "loosened_below_cm": 25}, 40),
    ],
)
def test_usable_depth_is_what_roots_can_use(reported, keys, usable):
    report = reported(document(places=[bed(**keys)]))
    assert report.places[0].usable_depth_cm == pytest.approx(usable)


@pytest.mark.parametrize(
    ("have", "factor"),
    [
        (40, 1.0),
        (30, 1.0),
        (25, 0.6 + 0.4 / 2),  # half-way between least (20) and full (30)
        (20, 0.6),
        (15, 0.3),  # half-way between least and half of it
        (10, 0.0),
        (4, 0.0),
    ],
)
def test_a_shortfall_costs_in_straight_lines(have, factor):
    found = roots.shortfall_factor(have, least=20, full=30, at_least=0.6)
    assert found == pytest.approx(factor)


@pytest.mark.parametrize(
    ("crop", "wall", "policy", "verdict"),
    [
        ("lettuce", 33, None, "full"),
        ("lettuce", 18, None, "reduced"),
        ("lettuce", 12, None, "too-shallow"),
        ("lettuce", 18, "shallow", "full"),
        ("lettuce", 24, "deep", "reduced"),
        ("carrot", 17, None, "root-too-long"),
        ("carrot", 17, "shallow", "root-too-long"),  # a long edible root must fit under any
        ("carrot-short", 20, None, "reduced"),
        ("parsnip", 33, None, "full"),
    ],
)
def test_verdicts_by_crop_depth_and_school(grown, crop, wall, policy, verdict):
    bottom = "open" if crop == "parsnip" else "closed"
    place = bed(wall_height_cm=wall, bottom=bottom, native="loose", depth_policy=policy)
    assert grown(planting(crop), places=[place]).depth.verdict == verdict


def test_a_place_overrides_the_gardens_school(grown):
    shallow = bed(wall_height_cm=18, bottom="closed", depth_policy="standard")
    report = grown(planting("lettuce"), places=[shallow], policies={"depth": "shallow"})
    assert report.depth.verdict == "reduced"


@pytest.mark.parametrize(
    ("crop", "spacing", "governs"),
    [("lettuce", 20, "depth"), ("tomato-bush", 18, "litres"), ("courgette", 22, "litres")],
)
def test_in_a_container_the_lesser_of_depth_and_litres_governs(grown, crop, spacing, governs):
    what = planting(
        crop, "all", place="tub", spacing_cm=spacing, start="transplant", start_date="2027-05-20"
    )
    report = grown(what, places=[tub()])
    assert report.depth.governed_by == governs
    assert report.depth.litres_per_plant == pytest.approx(61.5 / report.plants, rel=0.01)


def test_litres_never_change_the_count(grown):
    crowded = planting("tomato-bush", "all", place="tub", spacing_cm=15)
    assert (
        grown(crowded, places=[tub()]).plants
        == grown(planting("lettuce", "all", place="tub", spacing_cm=15), places=[tub()]).plants
    )


@given(st.floats(1, 100), st.floats(0, 60), st.sampled_from([CARROT, LETTUCE]))
def test_deeper_soil_never_lowers_the_factor(usable, more, crop):
    for policy in BOOK.depth_policies.values():
        shallow = roots.judge_depth(crop, usable, policy, litres_per_plant=None)
        deep = roots.judge_depth(crop, usable + more, policy, litres_per_plant=None)
        assert shallow.factor <= deep.factor + 1e-9
        assert 0 <= shallow.factor <= 1


def test_every_school_says_what_it_assumes_and_costs():
    for policy in BOOK.depth_policies.values():
        assert policy.assumes
        assert policy.costs
        assert policy.source

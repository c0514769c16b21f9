"""The three schools on depth side by side for one place, by hand and by property."""

import pytest

from ample_rows.core.ask.depth.depth_schools import depth_schools
from ample_rows.core.estimate.estimate import Estimate
from tests.conftest import bed, document, planting

LOW = bed(wall_height_cm=16, rim_gap_cm=2, native=None, bottom="lined")


@pytest.fixture
def schools(book, read):
    def of(*plantings, place=LOW, **more):
        plan = read({**document(*plantings, places=[place]), **more})
        return {s.school: s for s in depth_schools(Estimate(plan, book), "bed")}

    return of


def test_each_school_asks_its_own_depth_of_the_same_bed(schools):
    found = schools(planting("lettuce", "all"))
    # Lettuce wants 20 cm in full: 12, 20 and 30 by the schools; 14 cm are there.
    assert [found[name].fill_cm for name in ("shallow", "standard", "deep")] == [12, 20, 30]
    assert found["shallow"].short == ()
    assert found["standard"].short == ("head lettuce",)
    assert found["standard"].own
    harvests = [found[name].harvest_kg for name in ("deep", "standard", "shallow")]
    assert harvests == sorted(harvests)
    assert harvests[0] < harvests[-1]


def test_with_its_full_fill_every_school_expects_the_same(schools):
    found = schools(planting("lettuce", "all"))
    full = {round(s.full_harvest_kg, 6) for s in found.values()}
    assert len(full) == 1
    assert found["shallow"].harvest_kg == pytest.approx(found["shallow"].full_harvest_kg)


def test_litres_are_the_fill_poured_with_the_schools_own_mix(schools, book):
    found = schools(planting("lettuce", "all"))
    rich = book.mixes["rich-shallow"]
    assert found["shallow"].mix == rich.label
    # 120 x 240 cm, 12 cm deep, and the share that the mix sinks by.
    assert found["shallow"].litres == pytest.approx(345.6 / (1 - rich.settling))
    assert found["standard"].cost is None


def test_a_price_gives_a_cost(schools):
    priced = {"bulk": {"price_per_m3": 50}}
    found = schools(planting("lettuce", "all"), soil=priced)
    assert found["deep"].cost > found["standard"].cost > 0


def test_a_long_root_must_fit_by_any_school(schools, book):
    found = schools(planting("carrot", "all"))
    root = book.crops["carrot"].edible_root_cm
    assert found["shallow"].fill_cm >= root
    assert found["shallow"].short == ("maincrop carrot",)


def test_ground_below_counts_before_more_is_poured(schools):
    open_bed = bed(wall_height_cm=16, rim_gap_cm=2, native="ordinary", loosened_below_cm=20)
    found = schools(planting("lettuce", "all"), place=open_bed)
    assert found["deep"].fill_cm == 0
    assert found["deep"].litres == 0


def test_an_empty_place_is_judged_by_what_most_crops_want(schools):
    found = schools()
    assert [s.fill_cm for s in found.values()] == [18, 30, 45]

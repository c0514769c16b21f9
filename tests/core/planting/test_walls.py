"""Walls do not compete: pots and narrow beds always hold a row, and plants may stand near walls."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import bed, block, planting, rectangle, tub

NEAR = {"policies": {"walls": "near"}}


def trough(width, length, **changes):
    return tub(shape=rectangle(width, length), **changes)


@pytest.mark.parametrize(
    ("width", "length", "crop", "plants"),
    [
        (30, 30, "tomato", 1),
        (20, 100, "tomato", 2),  # 100 / 45
        (25, 90, "kale", 2),
        (25, 89, "kale", 1),
        (18, 60, "lettuce", 2),
        (30, 240, "winter-squash", 2),
        (10, 10, "pumpkin", 1),
    ],
)
def test_a_narrow_place_takes_one_row_along_its_middle(grown, width, length, crop, plants):
    for cells in ("all", tuple(f"A{row + 1}" for row in range(math.ceil(length / 30)))):
        report = grown(planting(crop, cells, place="tub"), places=[trough(width, length)])
        assert report.plants == plants
        assert {x for x, _ in report.positions_cm} == {width / 2}
        along = [y for _, y in report.positions_cm]
        assert along == pytest.approx([length * (i + 0.5) / plants for i in range(plants)])


def test_a_round_pot_holds_its_one_plant_in_the_middle(grown):
    report = grown(planting("tomato", "all", place="tub"), places=[tub()])
    assert report.plants == 1
    assert report.positions_cm[0] == pytest.approx((23, 23), abs=0.01)


def test_rows_in_a_narrow_bed_become_one(grown):
    narrow = bed(shape=rectangle(40, 200))
    report = grown(planting("pea", "all", layout="rows"), places=[narrow])
    assert {x for x, _ in report.positions_cm} == {20}
    assert report.plants == 200 // 6


def test_half_a_narrow_bed_keeps_off_its_neighbours_but_not_off_its_walls(grown):
    narrow = bed(shape=rectangle(30, 240))
    half = grown(planting("tomato", block("A1", "A4")), places=[narrow])
    assert half.plants == 120 // 45
    assert grown(planting("tomato", ("A2",)), places=[narrow]).plants == 0


def test_an_l_of_narrow_arms_holds_plants_in_both(grown):
    outline = [[0, 0], [200, 0], [200, 25], [25, 25], [25, 200], [0, 200]]
    place = bed(shape={"type": "polygon", "outline_cm": outline})
    report = grown(planting("kale", "all"), places=[place])
    assert report.plants >= 6
    assert any(x > 50 for x, _ in report.positions_cm)
    assert any(y > 50 for _, y in report.positions_cm)


@pytest.mark.parametrize(
    ("width", "length", "crop", "plants"),
    [
        (120, 240, "kale", 3 * 5),  # the ground reaches 14.5 cm over each wall: 149 x 269
        (120, 120, "tomato", 3 * 3),
        (80, 80, "tomato", 2 * 2),
        (60, 60, "tomato", 1),  # 89: not two of 45
        (120, 240, "courgette", 2 * 3),  # 194 x 314
    ],
)
def test_near_the_walls_more_plants_fit(grown, width, length, crop, plants):
    place = bed(shape=rectangle(width, length))
    assert grown(planting(crop, "all"), places=[place], **NEAR).plants == plants
    assert grown(planting(crop, "all", walls="half"), places=[place], **NEAR).plants < plants or (
        plants == 1
    )


def test_near_a_wall_the_other_sides_keep_the_whole_rule(grown):
    report = grown(planting("kale", block("A1", "B4")), **NEAR)
    assert max(x for x, _ in report.positions_cm) <= 60 - 22.5 + 0.01
    assert max(y for _, y in report.positions_cm) <= 120 - 22.5 + 0.01
    assert min(x for x, _ in report.positions_cm) >= 8


def test_ground_over_the_wall_evens_out_what_the_wall_cuts_off(grown, book):
    """One courgette at the edge of a bed of 60 x 60 has its reference ground, and no more."""
    place = bed(shape=rectangle(60, 60))
    near = grown(planting("courgette", "all"), places=[place], **NEAR)
    strip = 4 * 60 * 45 + math.pi * 45**2
    crop = book.crops["courgette"]
    used = max(3600, min(3600 + 0.5 * strip, crop.spacing_cm**2))
    ratio = crop.spacing_cm**2 / used
    assert near.plants == 1
    assert near.factors.density == pytest.approx(1 / ((1 - crop.crowding) + crop.crowding * ratio))
    assert near.factors.density <= 1


def test_plain_half_a_spacing_counts_the_bed_alone(grown):
    report = grown(planting("kale", "all"))
    ratio = report.plants * 45**2 / (120 * 240)
    assert report.factors.density == pytest.approx(1 / (0.5 + 0.5 * ratio))


@given(
    st.floats(20, 200),
    st.floats(20, 200),
    st.sampled_from(["kale", "carrot", "tomato", "courgette", "lettuce"]),
    st.sampled_from(["merged", "offset", "rows"]),
)
def test_near_never_fits_fewer_and_keeps_off_the_wall(grown, width, length, crop, layout):
    place = bed(shape=rectangle(width, length))
    half = grown(planting(crop, "all", layout=layout), places=[place])
    near = grown(planting(crop, "all", layout=layout), places=[place], **NEAR)
    assert 1 <= half.plants <= near.plants
    keep = min(8, width / 4, length / 4, min(near.spacing_cm, 1000) / 2)
    assert all(
        keep - 0.02 <= x <= width - keep + 0.02 and keep - 0.02 <= y <= length - keep + 0.02
        for x, y in near.positions_cm
    )


def pot(litres, depth=30.0):
    """A round pot that holds so many litres, filled to 3 cm below its rim."""
    across = math.sqrt(litres * 1000 / depth * 4 / math.pi)
    return tub(shape={"type": "circle", "diameter_cm": across}, wall_height_cm=depth + 3)


def test_a_cordon_on_a_cane_in_a_pot_gives_what_growers_pick(grown):
    square = tub(
        shape=rectangle(20, 20), wall_height_cm=28, supports=[{"id": "cane", "system": "strings"}]
    )
    cordon = planting(
        "tomato", "all", place="tub", support="cane", start="transplant", start_date="2027-05-20"
    )
    report = grown(cordon, places=[square])
    assert report.plants == 1
    assert 0.9 <= report.harvest_kg.p50 <= 2.0


@pytest.mark.parametrize(
    ("crop", "litres", "plants", "low", "high"),
    [
        ("tomato-bush", 10, 1, 0.8, 1.5),
        ("tomato", 10, 1, 1.0, 2.0),
        ("courgette", 40, 1, 2.0, 3.0),
        ("chilli-pepper", 6, 1, 0.2, 0.4),
        ("potato-early", 40, 3, 2.0, 3.0),
    ],
)
def test_a_good_plant_in_a_pot_gives_what_growers_pick(grown, crop, litres, plants, low, high):
    start = "set" if crop.startswith("potato") else "transplant"
    day = "2027-04-28" if start == "set" else "2027-05-20"
    tied = {"training": "stake"} if crop == "tomato" else {}
    report = grown(
        planting(crop, "all", place="tub", start=start, start_date=day, plants=plants, **tied),
        places=[pot(litres, depth=20.0 if litres < 10 else 22.0 if crop == "tomato" else 30.0)],
    )
    assert report.plants == plants
    assert low <= report.harvest_kg.p50 <= high


def test_in_a_pot_closeness_counts_only_below_six_tenths_of_the_spacing(grown):
    def density(plants):
        planted = planting("chilli-pepper", "all", place="tub", plants=plants)
        return grown(planted, places=[pot(60)]).factors.density

    assert density(1) == density(2) == 1
    assert density(12) < density(7) < 1

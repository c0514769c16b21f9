"""What building takes: sides and courses, posts, sheets of card, stages and three ways to begin."""

import pytest

from ample_rows.core.ask.building.bill import bill_for
from ample_rows.core.carpentry.frame import frame_of, sheet_of, sheets_for
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, document, rectangle, tub

BUILD = {
    "boards": [
        {"material": "softwood-board", "length_cm": 240, "height_cm": 15, "price": 9},
        {"material": "softwood-board", "length_cm": 300, "height_cm": 15, "price": 10},
    ],
    "prices": [{"material": "post", "price": 2}, {"material": "liner", "price": 1.5}],
    "saw_cm": 0,
}
SOIL = {"bags": [{"litres": 50, "price": 8}], "bulk": {"price_per_m3": 60, "delivery": 30}}


def framed(**changes):
    walled = {**rectangle(120, 240), "wall_thickness_cm": 3, **changes.pop("shape", {})}
    return {**bed(bottom="lined", wall_height_cm=30), "shape": walled, **changes}


@pytest.fixture
def bill(read, reported, book):
    def make(*places, build=BUILD, soil=SOIL, **garden):
        doc = {**document(places=list(places), **garden), "soil": soil}
        if build is not None:
            doc["build"] = build
        return bill_for(Estimate(read(doc), book), reported(doc).places)

    return make


def test_a_frame_of_two_courses_with_posts_at_corners_and_sides(read, book):
    frame = frame_of(read(document(places=[framed()])).places[0], book)
    assert frame.sides_cm == (246, 246, 120, 120)
    assert frame.posts == 4 + 2 * 2
    assert frame.post_cm == 30 + 30
    assert frame.ties_cm == ()


def test_high_long_walls_are_tied_across(read, book):
    high = framed(wall_height_cm=60, shape=rectangle(90, 400))
    assert frame_of(read(document(places=[high])).places[0], book).ties_cm == (90, 90)


def test_a_bill_is_cut_from_boards_together_and_added_up(bill):
    found = bill(framed())
    [order] = found.boards
    # 246 is cut from 300; 120 twice from 240: four of 300 and two of 240.
    assert sorted((b.count, b.length_cm) for b in order.bars) == [(2, 240), (4, 300)]
    assert order.cost == 58
    amounts = {line.material: line.amount for line in found.lines}
    assert amounts["post"] == pytest.approx(8 * 0.6)
    # Turned up 10 cm all round it is 140 x 260: three lengths of 1.4 m, a metre wide, lapped.
    assert amounts["liner"] == pytest.approx(3 * 1.4)
    assert found.cost == pytest.approx(58 + 4.8 * 2 + 4.2 * 1.5)
    assert found.a_year == pytest.approx(58 / 6 + 9.6 / 10.5 + 6.3 / 8.5)


def test_what_has_no_price_or_board_is_named_and_no_sum_is_given(bill):
    found = bill(framed(), build=None)
    assert found.cost is None
    assert any("softwood board" in said(words) for words in found.missing)
    assert any("lining sheet" in said(words) for words in found.missing)


def test_over_long_sides_meet_at_a_post(bill):
    found = bill(framed(shape=rectangle(90, 500), wall_height_cm=15))
    cuts = [cm for bar in found.boards[0].bars for cm in bar.cuts_cm for _ in range(bar.count)]
    assert sorted(cuts) == [90, 90, 253, 253, 253, 253]


def test_stages_are_costed_apart_and_what_stands_costs_nothing(bill):
    places = [
        framed(id="a", stage="standing"),
        framed(id="b"),
        framed(id="c", stage="later", shape=rectangle(90, 120)),
    ]
    found = bill(*places)
    by_name = {stage.stage: stage for stage in found.stages}
    assert by_name["standing"].hours == by_name["standing"].soil_cost == 0
    assert by_name["later"].build_cost < by_name["this-year"].build_cost
    least, middling, new = found.starts
    assert least.cost < middling.cost < new.cost


def test_card_is_counted_with_its_overlap(book):
    # Sheets of 100 x 60 lying along: 60, 105, 150 across in three; 100, 185, 270 along in three.
    assert sheets_for(Box(0, 0, 120, 240), book) == 3 * 3
    assert sheets_for(Box(0, 0, 50, 90), book) == 1


def test_the_bottom_decides_the_sheet(read, book):
    def sheet(bottom):
        return sheet_of(read(document(places=[framed(bottom=bottom)])).places[0], book)

    assert sheet("open") is None
    assert sheet("mesh").material == "mesh"
    assert sheet("rotting").sheets == 9


def test_mesh_is_cut_from_the_roll_that_wastes_least(read, book):
    """A hand's breadth is turned up all round; lengths lap by as much."""

    def sheet(width, length):
        place = framed(bottom="mesh", shape=rectangle(width, length))
        return sheet_of(read(document(places=[place])).places[0], book)

    # 80 x 80 from a metre: 0.8 m². From half a metre two lengths of 0.8 m: as much ground.
    assert (sheet(60, 60).roll_m, sheet(60, 60).roll_cm) == (pytest.approx(0.8), 100)
    # 50 x 220 once along the narrow roll.
    assert (sheet(30, 200).roll_m, sheet(30, 200).roll_cm) == (pytest.approx(2.2), 50)
    # 100 x 220: one length of the wide roll.
    assert (sheet(80, 200).roll_m, sheet(80, 200).roll_cm) == (pytest.approx(2.2), 100)


def test_sprayers_are_counted_by_ground_and_a_sprinkler_is_carried_round(bill):
    climate = {"tmin_c": [8.0] * 12, "tmax_c": [20.0] * 12, "rain_mm": [60.0] * 12}
    beds = [framed(id=name, bottom="open", watered_by="sprinkler") for name in ("a", "b")]
    beds.append(framed(id="c", bottom="open", watered_by="grid"))
    amounts = {line.material: line.amount for line in bill(*beds, climate=climate).lines}
    assert amounts["sprinkler"] == 1
    assert amounts["sprayer"] == 3
    assert amounts["header-pipe"] == pytest.approx(9.6 + 0.9)


def test_a_bill_is_the_sum_of_its_working(bill):
    found = bill(framed(bottom="open"))
    *parts, a_year, total = found.working
    assert total.value == found.cost == pytest.approx(sum(term.value for term in parts))
    assert a_year.value == pytest.approx(found.a_year)


def test_a_round_frame_is_a_bent_strip(read, book):
    ring = {"type": "circle", "diameter_cm": 150}
    frame = frame_of(read(document(places=[{**bed(), "shape": ring}])).places[0], book)
    assert frame.sides_cm == ()
    assert frame.bent_cm == pytest.approx(471, abs=1)


def test_a_pot_is_bought_by_the_piece(bill):
    build = {"prices": [{"material": "clay", "price": 30}]}
    found = bill(tub(material="clay"), build=build)
    assert [(line.material, line.amount, line.cost) for line in found.lines] == [("clay", 1, 30)]


def test_own_material_is_used_once_over_the_stages(bill):
    soil = {**SOIL, "own": {"litres": 900}}
    places = [framed(id="a"), framed(id="b", stage="later")]
    now, later = bill(*places, soil=soil).stages
    assert now.soil_cost < later.soil_cost == bill(*places).stages[1].soil_cost


@pytest.mark.parametrize(
    ("material", "amount", "posts"),
    [
        # Round 246 + 246 + 120 + 120 cm, 30 cm high: 34 bricks a course, four courses.
        ("brick", 136, 0),
        ("block", 2 * (2 * 6 + 2 * 3), 0),
        ("bale", 2 * 3 + 2 * 2, 0),
        ("stone", 7.32 * 0.3, 0),
        ("sheet-metal", 7.32 * 0.3, 8),
        ("kit", 1, 0),
    ],
)
def test_a_frame_of_anything_is_counted_by_its_own_unit(bill, material, amount, posts):
    build = {"prices": [{"material": m, "price": 2} for m in (material, "post", "liner")]}
    found = bill(framed(material=material), build=build)
    lines = {line.material: line for line in found.lines}
    assert found.boards == ()
    assert lines[material].amount == pytest.approx(amount)
    assert lines[material].cost == pytest.approx(2 * amount)
    assert ("post" in lines) == bool(posts)
    assert found.missing == ()
    assert found.hours > 0


def test_a_bent_wall_of_brick_goes_all_round(bill):
    round_one = {**framed(material="brick"), "shape": {"type": "circle", "diameter_cm": 150}}
    found = bill(round_one)
    (line,) = [line for line in found.lines if line.material == "brick"]
    # 471 cm round: 21 bricks a course, four courses.
    assert line.amount == 4 * 21


def test_paths_are_covered_by_volume_or_by_ground(read, reported, book):
    paths = [
        # 4 m of 60 cm, 7 cm deep; the same bent, 10 cm deep; and 2.5 m of slabs.
        {"line_m": [[0, 0], [4, 0]], "width_cm": 60, "covering": "path-chips"},
        {
            "line_m": [[0, 2], [2, 2], [4, 2]],
            "width_cm": 60,
            "covering": "path-chips",
            "covering_cm": 10,
        },
        {"line_m": [[0, 4], [0, 6.5]], "width_cm": 80, "covering": "path-slabs"},
        {"line_m": [[0, 5], [4, 5]], "width_cm": 40},
    ]
    doc = document(site={"paths": paths})
    doc["build"] = {"prices": [{"material": "path-slabs", "price": 20}]}
    found = bill_for(Estimate(read(doc), book), reported(doc).places)
    lines = {line.material: line for line in found.paths}
    assert lines["path-chips"].amount == pytest.approx(2.4 * 70 + 2.4 * 100)
    assert lines["path-chips"].cost is None
    assert lines["path-slabs"].amount == pytest.approx(2)
    assert lines["path-slabs"].cost == pytest.approx(40)
    # Slabs last twenty to forty years.
    assert lines["path-slabs"].a_year == pytest.approx(40 / 30)


def test_a_path_is_not_covered_with_a_board(read):
    paths = [{"line_m": [[0, 0], [4, 0]], "width_cm": 60, "covering": "softwood-board"}]
    with pytest.raises(PlanFaultsError, match=r"site\.paths\[0\]\.covering"):
        read(document(site={"paths": paths}))

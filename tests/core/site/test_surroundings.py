"""Reach, paths, water, sight, roots and fall, against measures taken by hand."""

import math

import pytest
import shapely

from ample_rows.core.site.routes import Ways
from ample_rows.core.words.message import said
from tests.conftest import bed, document, rectangle, tub

OUTLINE = [[0, 0], [10, 0], [10, 8], [0, 8]]


def ring(x0, y0, x1, y1):
    return [[x0, y0], [x1, y0], [x1, y1], [x0, y1]]


@pytest.fixture
def around(reported):
    """The notes by code and the report of the first place of some, in a yard."""

    def ask(*places, household=None, **site):
        extra = {} if household is None else {"household": household}
        report = reported(
            document(places=list(places), site={"outline_m": OUTLINE, **site}, **extra)
        )
        notes = {n.code: n for n in report.notes if n.place in (places[0]["id"], None)}
        return report.places[0], notes

    return ask


@pytest.mark.parametrize(
    ("width", "household", "verdict", "needed"),
    [
        (120, {}, "within reach", 60),
        (135, {}, "a stretch", 67.5),
        (150, {}, "out of reach", 75),
        (90, {"workers": ["adult", "child"]}, "within reach", 45),
        (120, {"workers": ["adult", "child"]}, "out of reach", 60),
        (120, {"workers": ["child"], "arm_cm": 62}, "within reach", 60),
        (90, {"workers": ["seated"]}, "within reach", 45),
    ],
)
def test_reach_from_both_sides_is_half_the_width(around, width, household, verdict, needed):
    place, _ = around(
        bed(at_m=[3, 2], shape=rectangle(width, 300), cell_cm=15), household=household
    )
    assert place.reach.verdict == verdict
    assert place.reach.needed_cm == pytest.approx(needed, abs=0.5)


def test_a_wall_behind_leaves_one_side_to_work_from(around):
    wall = {"name": "wall", "kind": "wall", "outline_m": ring(0, 5, 10, 5.2), "height_m": 2}
    # Lying along the wall: reached from the front alone, so all of its width.
    place, notes = around(
        bed(at_m=[2, 4.9], heading_deg=90, shape=rectangle(90, 240)), obstacles=[wall]
    )
    assert place.reach.verdict == "out of reach"
    assert "no room to stand" in said(notes["reach"].text)
    assert notes["reach"].cells
    open_place, _ = around(
        bed(at_m=[2, 3], heading_deg=90, shape=rectangle(90, 240)), obstacles=[wall]
    )
    assert open_place.reach.verdict == "within reach"


def test_a_place_shut_in_all_round_says_so(around):
    place, _ = around(
        bed(at_m=[2, 2], shape=rectangle(60, 60)),
        obstacles=[
            {"outline_m": ring(1, 1, 2, 5), "height_m": 1},
            {"outline_m": ring(2.6, 1, 4, 5), "height_m": 1},
            {"outline_m": ring(2, 1, 2.6, 2), "height_m": 1},
            {"outline_m": ring(2, 2.6, 2.6, 5), "height_m": 1},
        ],
    )
    assert [said(r) for r in place.reach.reasons] == ["There is no room to stand beside it."]


def test_nobody_stands_in_the_hole_of_a_small_ring(around):
    def ringed(hole):
        a, b = 100 - hole / 2, 100 + hole / 2
        shape = {
            "type": "polygon",
            "outline_cm": ring(0, 0, 200, 200),
            "holes_cm": [ring(a, a, b, b)],
        }
        return around(bed(at_m=[3, 3], shape=shape, cell_cm=20))[0].reach.needed_cm

    # Seventy centimetres of hole let somebody in; forty do not, and the far side stays far.
    assert ringed(80) <= 65
    assert ringed(40) > 65


@pytest.mark.parametrize(("gap_cm", "said"), [(20, True), (29, True), (31, False), (0, False)])
def test_a_gap_too_narrow_for_feet(around, gap_cm, said):
    left = bed(at_m=[1, 1])
    right = bed(id="right", name="Right bed", at_m=[2.2 + gap_cm / 100, 1])
    place, notes = around(left, right)
    assert place.ground.path_cm == pytest.approx(gap_cm, abs=0.01)
    assert ("narrow-path" in notes) == said


def test_walls_take_from_the_path(around):
    thick = {**rectangle(120, 240), "wall_thickness_cm": 10}
    place, _ = around(bed(at_m=[1, 1], shape=thick), bed(id="b2", at_m=[2.8, 1], shape=thick))
    assert place.ground.path_cm == pytest.approx(40)


def test_places_that_lie_amiss_are_said_and_lose_nothing(around):
    house = {"name": "house", "kind": "house", "outline_m": ring(0, 6, 10, 8), "height_m": 6}
    _, notes = around(
        bed(at_m=[9.4, 5]), bed(id="b2", name="Other bed", at_m=[9, 4]), obstacles=[house]
    )
    assert "50 % of this place lies outside" in said(notes["outside-yard"].text)
    assert "Other bed" in said(notes["overlap"].text)
    assert "house" in said(notes["in-the-way"].text)


def test_moving_one_place_away_mends_the_note_of_the_other(client, book):
    doc = document(
        places=[bed(at_m=[1, 1]), bed(id="b2", at_m=[1.5, 1])], site={"outline_m": OUTLINE}
    )
    state = client.post("/api/gardens", json=doc).json()
    slug, version = state["head"]["slug"], state["head"]["version"]
    assert {n["place"] for n in state["report"]["notes"] if n["code"] == "overlap"} == {"bed", "b2"}
    edit = {"do": "change-place", "id": "b2", "changes": {"at_m": [5, 1]}}
    change = client.post(
        f"/api/gardens/{slug}/edits", json={"version": version, "edit": edit}
    ).json()
    # The bed that stayed is told anew, because what lies round it changed.
    assert {place["id"] for place in change["report"]["places"]["changed"]} == {"bed", "b2"}
    after = client.get(f"/api/gardens/{slug}").json()
    assert not [n for n in after["report"]["notes"] if n["code"] == "overlap"]


def test_the_hose_goes_round_a_house_and_ends_short(around):
    house = {"name": "shed", "kind": "house", "outline_m": ring(3, 2, 7, 6), "height_m": 3}
    place, notes = around(
        bed(at_m=[8, 3], shape=rectangle(100, 200)),
        obstacles=[house],
        taps=[{"at_m": [1, 4], "hose_m": 7}],
    )
    by_hand = math.dist((1, 4), (3, 6)) + 4 + math.dist((7, 6), (8.5, 4))
    assert place.ground.water_m == pytest.approx(by_hand, abs=0.1)
    assert "ends 2." in said(notes["hose-short"].text)


def test_a_hose_that_reaches_is_chosen_before_a_nearer_one_that_does_not(around):
    place, notes = around(
        bed(at_m=[5, 3]),
        taps=[{"at_m": [4, 3], "name": "stub"}, {"at_m": [0, 0], "name": "yard tap", "hose_m": 30}],
    )
    assert place.ground.water == "yard tap"
    assert "hose-short" not in notes


def test_water_from_a_butt_is_carried(around):
    _, notes = around(bed(at_m=[5, 3]), tanks=[{"at_m": [0, 0], "litres": 200}])
    assert "carried" in said(notes["carried-water"].text)


def test_what_hides_a_place_from_the_door(around):
    shed = {"name": "shed", "kind": "house", "outline_m": ring(3, 3, 5, 4), "height_m": 2.2}
    low = {**shed, "height_m": 1.0}
    place, notes = around(bed(at_m=[3.4, 0.2]), obstacles=[shed], door_m=[4, 8])
    assert place.ground.in_sight is False
    assert "out-of-sight" in notes
    assert around(bed(at_m=[3.4, 0.2]), obstacles=[low], door_m=[4, 8])[0].ground.in_sight is True


def test_tree_roots_reach_under_open_beds_only(around):
    tree = {"name": "pear", "kind": "tree", "outline_m": ring(0, 0, 2, 2), "height_m": 5}
    _, notes = around(bed(at_m=[4, 3]), obstacles=[tree])
    assert "pear" in said(notes["tree-roots"].text)
    assert notes["tree-roots"].fixes
    _, lined = around(bed(at_m=[4, 3], bottom="lined"), obstacles=[tree])
    assert "tree-roots" not in lined
    _, tame = around(bed(at_m=[4, 3]), obstacles=[{**tree, "root_reach_m": 1}])
    assert "tree-roots" not in tame


@pytest.mark.parametrize(
    ("heading", "downhill", "across", "along"),
    [(0, 0, 0, 12), (0, 180, 0, -12), (0, 90, 6, 0), (90, 0, -6, 0), (90, 90, 0, 12)],
)
def test_the_fall_across_a_bed(around, heading, downhill, across, along):
    place, notes = around(
        bed(at_m=[4, 4], heading_deg=heading),
        slope={"fall_percent": 5, "downhill_deg": downhill},
    )
    assert place.ground.fall_width_cm == pytest.approx(across, abs=0.01)
    assert place.ground.fall_length_cm == pytest.approx(along, abs=0.01)
    assert "fall" in notes


def test_a_steep_fall_washes_and_a_slight_one_is_not_worth_a_word(around):
    steep = {"fall_percent": 12, "downhill_deg": 0}
    slight = {"fall_percent": 1, "downhill_deg": 0}
    assert around(bed(at_m=[4, 3]), slope=steep)[1]["fall"].level == "care"
    assert "fall" not in around(bed(at_m=[4, 3]), slope=slight)[1]
    assert "fall" not in around(tub(at_m=[4, 3]), slope=steep)[1]


def test_a_path_must_pass_what_goes_along_it(around):
    path = {"name": "main path", "line_m": [[0, 4], [10, 4]], "width_cm": 70, "use": "chair"}
    _, notes = around(bed(at_m=[4, 1]), paths=[path])
    assert "Main path is 70 cm wide; a wheelchair needs 90 cm" in said(notes["path-width"].text)


def test_long_beds_get_stepped_on(around):
    assert "long-bed" in around(bed(at_m=[1, 1], shape=rectangle(120, 600)))[1]
    assert "long-bed" not in around(bed(at_m=[1, 1], shape=rectangle(40, 600)))[1]


def test_a_way_that_is_shut_in_is_told_straight():
    box = shapely.Polygon(ring(0, 0, 4, 4))
    assert Ways.round([box]).length_m((2, 2), (8, 2)) == pytest.approx(6)

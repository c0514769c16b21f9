"""Two crops in one square on purpose: where each stands, and what each takes of the other."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core import plan as p
from ample_rows.core.edits import RemovePlanting, apply_edit
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting, tub

SQUARES = block("A1", "D4")
HOST = planting("parsnip", SQUARES, id="host")


def radish(**changes):
    return planting("radish", SQUARES, id="guest", between="host", **changes)


def nearest(report):
    host, guest = (report.plantings[i].positions_cm for i in (0, 1))
    return min(math.dist(a, b) for a in host for b in guest)


@pytest.mark.parametrize("layout", ["merged", "offset", "rows", "single-squares"])
@pytest.mark.parametrize("place", [bed(), bed(shape={"type": "circle", "diameter_cm": 130})])
def test_the_guest_keeps_off_every_plant_that_is_there(reported, layout, place):
    report = reported(document(HOST, radish(layout=layout), places=[place]))
    host, guest = report.plantings
    assert guest.plants > host.plants
    # Half of what two neighbours keep: (15 + the radish's own) ÷ 2 ÷ 2.
    assert nearest(report) >= (host.spacing_cm + guest.spacing_cm) / 4 - 0.01


@given(
    apart=st.floats(12, 60),
    own=st.floats(3, 20),
    cells=st.sampled_from([SQUARES, block("A1", "B2"), ("A1", "A2", "B2"), "all"]),
)
def test_never_nearer_than_allowed_and_never_outside(reported, apart, own, cells):
    host = planting("parsnip", cells, id="host", spacing_cm=apart)
    guest = planting("radish", cells, id="guest", between="host", spacing_cm=own)
    report = reported(document(host, guest))
    points = report.plantings[1].positions_cm
    for x, y in points:
        assert own / 2 - 0.02 <= x <= 120 - own / 2 + 0.02
        assert own / 2 - 0.02 <= y <= 240 - own / 2 + 0.02
    if points and report.plantings[0].positions_cm:
        assert nearest(report) >= (apart + own) / 4 - 0.01


def test_a_catch_crop_hardly_costs_the_crop_it_stands_between(reported, noted):
    alone = reported(document(HOST)).plantings[0]
    doc = document(HOST, radish())
    host, guest = reported(doc).plantings
    assert host.plants == alone.plants
    assert 0.95 < host.factors.density / alone.factors.density < 1
    assert guest.last_pick < host.first_pick
    note = noted(doc)["mixed"]
    assert "worth 1.8 times the ground" in said(note.text)
    assert "clash" not in noted(doc)
    assert "radish in the same squares asks for" in said(working(host, "crowding").how)


def working(report, name):
    return next(term for term in report.working if said(term.name) == name)


def test_two_crops_of_the_same_time_crowd_each_other_as_the_law_says(reported, book):
    # The same crop twice, started together: each sees the other's ground over its whole time.
    host = planting("lettuce", "all", id="host", spacing_cm=30)
    guest = planting("lettuce", "all", id="guest", spacing_cm=30, between="host")
    one, other = reported(document(host, guest)).plantings
    k = book.crops["lettuce"].crowding
    asked = [r.plants * 25**2 / (120 * 240) for r in (one, other)]
    spread = (1 / one.factors.density - (1 - k) - k * asked[0]) / (k * asked[1])
    back = (1 / other.factors.density - (1 - k) - k * asked[1]) / (k * asked[0])
    assert spread == pytest.approx(back, rel=1e-6)
    # Leaves spread slowly, so that in the mean far less than their full ground is asked for.
    assert 0.2 < spread < 0.7


def test_a_guest_that_comes_when_the_host_is_gone_is_told_so(noted):
    doc = document(
        planting("radish", SQUARES, id="host", start_date="2027-03-20"),
        planting("lettuce", SQUARES, id="guest", between="host", start_date="2027-07-01"),
    )
    assert "never stand at the same time" in said(noted(doc)["mixed-apart"].text)
    assert "mixed" not in noted(doc)


def test_no_room_between_close_plants_is_a_result(noted):
    doc = document(planting("carrot", SQUARES, id="host"), radish(spacing_cm=60))
    assert "between the plants that are there" in said(noted(doc)["none-fit"].text)


def test_a_clash_can_be_mended_by_setting_one_between_the_other(noted, read, reported):
    doc = document(HOST, planting("radish", SQUARES, id="second"))
    fix = next(f for f in noted(doc)["clash"].fixes if "between" in said(f.label))
    mended = apply_edit(read(doc), fix.edit)
    assert mended.plantings[1].between == "host"
    assert "clash" not in noted(p.document(mended))


def test_in_a_tub_the_two_share_the_litres(reported):
    host = planting("lettuce", "all", id="host", place="tub")
    guest = planting("radish", "all", id="guest", place="tub", between="host")
    alone = reported(document(host, places=[tub()])).plantings[0]
    shared = reported(document(host, guest, places=[tub()])).plantings[0]
    assert shared.factors.depth <= alone.factors.depth
    assert shared.factors.density == alone.factors.density == 1


@pytest.mark.parametrize(
    ("changes", "text"),
    [
        ({"between": "nobody"}, "no planting"),
        ({"between": "guest"}, "names itself"),
        ({"per_cell": 4}, "leave per_cell out"),
        ({"support": "net"}, "leave one out"),
    ],
)
def test_what_cannot_stand_between_is_a_fault(read, changes, text):
    net = {"id": "net", "height_cm": 180, "system": "net"}
    doc = document(HOST, {**radish(), **changes}, places=[bed(supports=[net])])
    with pytest.raises(PlanFaultsError) as error:
        read(doc)
    assert error.value.faults[0].path == "plantings[1].between"
    assert text in str(error.value.faults[0])


def test_a_guest_cannot_be_a_host(read):
    third = planting("carrot", SQUARES, id="third", between="guest")
    with pytest.raises(PlanFaultsError) as error:
        read(document(HOST, radish(), third))
    assert 'name "host"' in str(error.value.faults[0])


def test_when_the_host_is_removed_the_guest_has_the_squares_to_itself(read):
    plan = apply_edit(read(document(HOST, radish())), RemovePlanting(id="host"))
    assert plan.plantings[0].between is None


@given(
    own=st.floats(5, 24),
    closer=st.floats(0.6, 0.98),
    apart=st.sampled_from([30.0, 38.0, 45.0, 60.0]),
    layout=st.sampled_from(["merged", "offset"]),
)
def test_closer_never_holds_fewer_than_a_lattice_search_may_miss(
    reported, own, closer, apart, layout
):
    host = planting("cabbage", "all", id="host", start="transplant", spacing_cm=apart)

    def held(spacing):
        guest = planting(
            "lettuce", "all", id="guest", between="host", layout=layout, spacing_cm=spacing
        )
        return reported(document(host, guest)).plantings[1].plants

    # The search itself is good to two plants or five in a hundred, whichever is more.
    wide, close = held(own), held(own * closer)
    assert close >= wide - max(2, 0.05 * wide)

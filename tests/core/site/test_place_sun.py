"""The sun on places: what reaches each cell, the light factor, and hours that were counted."""

import pytest

from tests.conftest import bed, document, planting, tub

YARD = {
    "outline_m": [[0, 0], [10, 0], [10, 8], [0, 8]],
    "obstacles": [
        {"name": "house", "outline_m": [[-40, -6], [50, -6], [50, 0], [-40, 0]], "height_m": 6}
    ],
}


def unseen(**changes):
    """A bed whose sun nobody has counted, at a spot in the yard."""
    return {**bed(at_m=[2, 4], **changes), "sun_hours": None}


def test_the_report_gives_twelve_months_for_a_place_in_a_yard(reported):
    report = reported(document(places=[unseen()], site=YARD))
    hours = report.places[0].sun.hours
    assert len(hours) == 12
    assert hours[5] > hours[11]
    assert hours[11] < 0.5  # behind a six-metre house to the south in December


def test_a_wall_to_the_west_takes_the_afternoon(reported):
    wall = {"name": "wall", "outline_m": [[1, 0], [1.3, 0], [1.3, 8], [1, 8]], "height_m": 4}
    open_yard = {"outline_m": YARD["outline_m"]}
    bare, walled = (
        reported(document(places=[unseen()], site=site)).places[0].sun
        for site in (open_yard, {**open_yard, "obstacles": [wall]})
    )
    assert bare.morning == pytest.approx(bare.afternoon, rel=0.02)
    assert walled.morning == pytest.approx(bare.morning, rel=0.02)
    assert walled.afternoon < 0.7 * bare.afternoon
    assert walled.morning + walled.afternoon == pytest.approx(walled.best_months_hours)


def test_light_is_the_mean_over_a_planting_s_own_squares(reported):
    near = planting("lettuce", ["A1", "B1"], id="near")
    far = planting("lettuce", ["A8", "B8"], id="far")
    report = reported(document(near, far, places=[unseen(wall_height_cm=20)], site=YARD))
    light = {r.id: r.light for r in report.plantings}
    assert light["near"].hours < light["far"].hours
    assert light["near"].useful_hours < light["near"].hours
    assert report.plantings[0].factors.light <= report.plantings[1].factors.light


def test_hours_that_were_counted_override_the_yard(reported):
    report = reported(document(planting(), places=[bed(at_m=[2, 4], sun_hours=3)], site=YARD))
    light = report.plantings[0].light
    assert (light.hours, light.useful_hours) == (3, 3)
    assert report.places[0].sun is not None


@pytest.mark.parametrize("changes", [{"site": YARD}, {}])
def test_without_a_spot_or_a_yard_light_is_unknown_and_says_so(reported, changes):
    places = [{**bed(), "sun_hours": None}]
    report = reported(document(planting(), places=places, **changes))
    assert report.places[0].sun is None
    assert report.plantings[0].light.hours is None
    assert report.plantings[0].factors.light == 1
    assert "light-unknown" in {note.code for note in report.notes}


def test_turning_a_long_bed_moves_its_far_end_out_of_the_shade(reported):
    along = reported(document(planting(cells="all"), places=[unseen()], site=YARD))
    across = reported(document(planting(cells="all"), places=[unseen(heading_deg=90)], site=YARD))
    assert along.plantings[0].light.hours > across.plantings[0].light.hours + 0.2


def test_a_vast_place_is_reckoned_in_blocks(reported):
    field = unseen(
        kind="ground",
        wall_height_cm=0,
        rim_gap_cm=0,
        shape={"type": "rectangle", "width_cm": 3000, "length_cm": 3000},
    )
    report = reported(document(places=[field], site=YARD))
    assert len(report.places[0].cells) == 10_000
    assert report.places[0].sun.hours[5] > 8


def test_a_round_tub_stands_by_its_middle(reported):
    pot = {**tub(at_m=[5, 0.3]), "sun_hours": None}
    report = reported(document(places=[pot], site=YARD))
    assert report.places[0].sun.hours[2] < 2

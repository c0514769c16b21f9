"""What a place would hold, as it is being typed."""

import pytest

from tests.conftest import bed, document, rectangle, tub


@pytest.fixture
def figures(client, lantern):
    slug = lantern["head"]["slug"]

    def ask(place):
        return client.post(f"/api/gardens/{slug}/place-figures", json=place)

    return ask


@pytest.mark.parametrize(
    ("place", "whole", "part", "strips"),
    [
        (bed(), 32, 0, [None, None]),
        (bed(shape=rectangle(125, 240)), 32, 8, [5, None]),
        (bed(shape=rectangle(125, 240), grid="fitted"), 32, 0, [None, None]),
        (bed(shape=rectangle(140, 240)), 32, 8, [None, None]),  # 20 cm is no narrow strip
        (bed(shape=rectangle(121.92, 243.84), grid="fitted"), 32, 0, [None, None]),
        (tub(), 0, 4, [None, None]),
    ],
)
def test_squares_and_strips_of_a_place_not_yet_in_the_plan(figures, place, whole, part, strips):
    told = figures(place).json()
    assert (told["whole_squares"], told["part_squares"]) == (whole, part)
    assert told["strip_cm"] == [pytest.approx(cm) if cm else None for cm in strips]


def test_soil_and_depth_are_those_that_the_plan_would_tell(figures, reported):
    told = figures(bed(loosened_below_cm=20)).json()
    planned = reported(document(places=[bed(loosened_below_cm=20)])).places[0]
    assert told["soil_litres"] == pytest.approx(planned.soil_litres)
    assert told["usable_cm"] == pytest.approx(planned.usable_depth_cm)


@pytest.mark.parametrize(
    ("place", "field"),
    [
        (bed(shape=rectangle(-3, 240)), "places[0].shape.width_cm"),
        (bed(shape=rectangle(10_000, 10_000), cell_cm=15), "places[0].cell_cm"),
        (bed(rim_gap_cm=40), "places[0].rim_gap_cm"),
        ({"id": "x"}, "places[0].kind"),
    ],
)
def test_what_is_no_place_is_said_at_its_field(figures, place, field):
    answer = figures(place)
    assert answer.status_code == 422
    assert field in [fault["path"] for fault in answer.json()["errors"]]


def test_what_is_laid_over_it_is_drawn_as_the_plan_would_draw_it(figures, reported):
    place = bed(pattern={"kind": "cloth", "lines_apart_cm": 40, "spots_apart_cm": 40})
    told = figures(place).json()["laid"]
    assert len(told["spots_cm"]) == len(reported(document(places=[place])).places[0].laid.spots_cm)
    assert figures(bed()).json()["laid"] is None

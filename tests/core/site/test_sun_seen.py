"""Sun painted on the yard: what a place has of it, and what goes before it."""

import pytest

from tests.conftest import bed, document, planting

SQUARES = ["A1"]


def yard(*patches, obstacles=(), **place):
    """A bed of 120 × 240 cm in a yard that is painted."""
    lettuce = planting("lettuce", SQUARES)
    doc = document(lettuce, places=[{**bed(), "at_m": [1, 1], "sun_hours": None, **place}])
    doc["site"] = {
        "outline_m": [[0, 0], [8, 0], [8, 8], [0, 8]],
        "sun_seen": [
            {"at_m": at, "width_m": width, "length_m": length, "sun": sun}
            for at, width, length, sun in patches
        ],
        "obstacles": list(obstacles),
    }
    return doc


ALL = ([0, 0], 8, 8)


@pytest.mark.parametrize(
    ("patches", "hours"),
    [
        ([(*ALL, "little")], 3),
        ([(*ALL, "some")], 5),
        ([(*ALL, "enough")], 8),
        # The last painted lies on top.
        ([(*ALL, "little"), (*ALL, "enough")], 8),
        # The bed's left half of its ground has little sun, all else enough.
        ([(*ALL, "enough"), ([0, 0], 1.6, 8, "little")], 5.5),
        # A corner that was looked at says nothing of the whole.
        ([([1, 1], 0.3, 0.3, "little")], None),
    ],
)
def test_a_place_has_the_sun_that_is_painted_over_it(reported, patches, hours):
    doc = yard(*patches)
    doc["places"][0]["shape"] |= {"measured": "outside"}
    (place,) = reported(doc).places
    assert place.sun_hours == (None if hours is None else pytest.approx(hours, abs=0.05))


def test_its_harvest_is_as_with_hours_counted(reported):
    painted = reported(yard((*ALL, "little")))
    counted = reported(yard((*ALL, "enough"), sun_hours=3))
    assert painted.totals.harvest_kg == counted.totals.harvest_kg
    assert painted.totals.harvest_kg.p50 < reported(yard((*ALL, "enough"))).totals.harvest_kg.p50


def test_what_casts_shade_goes_before_what_is_painted(reported):
    wall = {"kind": "wall", "outline_m": [[0, 7], [8, 7], [8, 7.2], [0, 7.2]], "height_m": 1.5}
    (place,) = reported(yard((*ALL, "little"), obstacles=[wall])).places
    assert place.sun_hours is None
    assert place.sun.best_months_hours > 10

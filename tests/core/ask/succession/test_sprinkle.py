"""Flowers and herbs sprinkled by number: where they stand, and what makes room for them."""

import pytest

from ample_rows.core.ask.succession.sprinkle import sprinkle
from ample_rows.core.checks import require_sound
from ample_rows.core.edits import apply_edit
from ample_rows.core.errors import AmpleRowsError
from ample_rows.core.estimate.estimate import Estimate
from tests.conftest import bed, block, document, planting

CARROTS = planting("carrot", block("A1", "D2"), id="rows", start_date="2027-04-10")


@pytest.fixture
def sprinkled(read, book):
    def of(crop="chives", plants=3, host=CARROTS, **place):
        places = [bed(**place)] if place else None
        plan = read(document(host, places=places))
        found = sprinkle(Estimate(plan, book), host["id"], crop, plants)
        return found, apply_edit(plan, found.edit)

    return of


@pytest.mark.parametrize(("crop", "plants"), [("chives", 3), ("french-marigold", 5), ("dill", 1)])
def test_so_many_stand_among_the_rows_and_the_rest_stays(sprinkled, run, book, crop, plants):
    found, after = sprinkled(crop, plants)
    require_sound(after, book)
    report = run(after)
    host, guest = (next(r for r in report.plantings if r.crop == c) for c in ("carrot", crop))
    assert found.plants == guest.plants == plants
    assert host.plants == 128 - found.give_way
    # No bed full of them, and nothing to mend.
    assert 0 < found.give_way < 60
    assert host.harvest_kg.p50 > 0.5 * 3.0
    assert [n.code for n in report.notes if n.level == "stop"] == []


def test_they_keep_their_distance_from_what_stays(sprinkled, run):
    _, after = sprinkled("chives", 3)
    host, guest = (r.positions_cm for r in run(after).plantings)
    nearest = min(((x - u) ** 2 + (y - v) ** 2) ** 0.5 for x, y in host for u, v in guest)
    # Seven tenths of the mean of 22 and 7.5 cm.
    assert nearest >= 0.5 * (22 + 7.5) / 2


def test_the_same_spots_are_not_planted_twice(sprinkled, book):
    _, after = sprinkled("chives", 3)
    with pytest.raises(AmpleRowsError, match="stands there; change its number"):
        sprinkle(Estimate(after, book), "rows", "dill", 3)
    assert sprinkle(Estimate(after, book), "rows", "dill", 2).plants == 2


@pytest.mark.parametrize(
    ("changes", "words"),
    [
        ({"crop": "stone"}, "not in the crop book"),
        ({"plants": 200}, "sprinkle fewer"),
        ({"host": {**CARROTS, "support": "net", "crop": "pea"}}, "along a support"),
    ],
)
def test_what_cannot_be_sprinkled_is_said(sprinkled, changes, words):
    supports = {"supports": [{"id": "net", "system": "net", "edge": "north"}]}
    with pytest.raises(AmpleRowsError, match=words):
        sprinkled(**changes, **(supports if "host" in changes else {}))

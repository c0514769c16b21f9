"""Accepted own factors in the estimate: the likely harvest, its range, and the words for it."""

import math

import pytest

from ample_rows.core.planting.own import own_of
from ample_rows.core.words.message import said
from tests.conftest import document, planting
from tests.core.plan.test_reading import faults_of

Z80 = 1.2815515655446004
# Variances of garden, family and crop together, and of all that the model holds.
EFFECTS, TOTAL = 0.3**2 + 0.2**2 + 0.25**2, 0.4175


def factor(value, variance, n=4):
    spread = Z80 * math.sqrt(variance)
    return {
        "factor": value,
        "low": value * math.exp(-spread),
        "high": value * math.exp(spread),
        "n": n,
    }


LEARNT = {
    "garden": factor(0.9, 0.04),
    "families": {"Apiaceae": factor(0.8, 0.05)},
    "crops": {"carrot": factor(0.7, 0.0625)},
}


@pytest.mark.parametrize(
    ("crop", "value", "known"),
    [
        ("carrot", 0.7, (EFFECTS - 0.0625) / TOTAL),
        ("parsnip", 0.8, (EFFECTS - 0.05 - 0.25**2) / TOTAL),
        ("leek", 0.9, (EFFECTS - 0.04 - 0.25**2 - 0.2**2) / TOTAL),
    ],
)
def test_a_crop_goes_by_its_own_its_family_s_or_the_garden_s(read, book, crop, value, known):
    own = own_of(read(document(own=LEARNT)).garden.own, book.crops[crop], book)
    assert (own.factor, own.n) == (value, 4)
    assert own.known == pytest.approx(known)


def test_what_was_not_accepted_has_none(read, book, grown):
    some = read(document(own={"crops": LEARNT["crops"]})).garden.own
    assert own_of(some, book.crops["leek"], book).factor == 1
    assert grown(planting("leek", start="transplant")).factors.own == 1


def test_no_more_than_half_of_the_chance_is_ever_known(read, book):
    sure = read(document(own={"crops": {"carrot": factor(1.0, 1e-9)}})).garden.own
    assert own_of(sure, book.crops["carrot"], book).known == pytest.approx(EFFECTS / TOTAL)
    assert own_of(sure, book.crops["carrot"], book).known <= 0.5


def test_the_estimate_moves_by_the_factor_and_narrows(reported):
    before = reported(document(planting())).plantings[0]
    after = reported(document(planting(), own=LEARNT)).plantings[0]
    assert after.factors.own == 0.7
    assert after.harvest_kg.p50 == pytest.approx(0.7 * before.harvest_kg.p50, rel=0.02)
    wide, narrow = (math.log(r.harvest_kg.p90 / r.harvest_kg.p10) for r in (before, after))
    assert 0.75 < narrow / wide < 0.95
    line = next(term for term in after.working if term.rule == "own")
    assert (line.value, said(line.how)) == (0.7, "as 4 plantings weighed here said")


@pytest.mark.parametrize(
    ("own", "path", "words"),
    [
        ({"crops": {"no-crop": factor(1, 0.1)}}, "garden.own.crops.no-crop", "crop book"),
        ({"garden": {**factor(1, 0.1), "low": 2.0}}, "garden.own.garden", "from low to high"),
        ({"garden": {**factor(1, 0.1), "factor": -1}}, "garden.own.garden.factor", "at least"),
    ],
)
def test_what_cannot_be_gone_by_is_named(own, path, words):
    assert words in faults_of(document(own=own))[path]

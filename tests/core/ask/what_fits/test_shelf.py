"""The shelf: what fits, best first, and why the rest does not."""

from datetime import date

import pytest

from ample_rows.core.ask.what_fits.shelf import shelf_for
from ample_rows.core.errors import AmpleRowsError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting, tub

MAY = date(2027, 5, 15)


@pytest.fixture
def shelf(read, book):
    def ask(doc, cells, day=MAY, place="bed"):
        return shelf_for(Estimate(read(doc), book), place, tuple(cells), day)

    return ask


def entry(answer, crop):
    return next(e for e in answer.entries if e.crop == crop)


def test_what_fits_comes_first_and_best_first(shelf):
    answer = shelf(document(), block("A1", "B2"))
    fits = [e.fits for e in answer.entries]
    assert fits == sorted(fits, reverse=True)
    yields = [e.kg_per_square_week for e in answer.entries if e.fits]
    assert yields == sorted(yields, reverse=True)
    assert answer.blocked is None
    assert all(e.reason for e in answer.entries if not e.fits)


@pytest.mark.parametrize(
    ("crop", "place", "cells", "day", "reason"),
    [
        ("winter-squash", {}, ("A1",), MAY, "too few squares"),
        ("carrot", {"wall_height_cm": 17, "bottom": "closed"}, ("A1",), MAY, "root is 16 cm"),
        (
            "lettuce",
            {"wall_height_cm": 12, "bottom": "closed"},
            ("A1",),
            MAY,
            "needs 12 cm of soil",
        ),
        ("sweet-corn", {"sun_hours": 4}, block("A1", "B2"), MAY, "h of sun"),
        ("dwarf-bean", {}, ("A1",), date(2027, 4, 10), "too early: from 3 May"),
        ("dwarf-bean", {}, ("A1",), date(2027, 9, 20), "frost comes"),
        ("leek", {}, ("A1",), date(2027, 9, 20), "too late"),
        ("climbing-bean", {}, ("A1", "A2"), date(2027, 5, 20), "net to climb"),
        ("garlic", {}, ("A1",), MAY, "too early"),
    ],
)
def test_the_reason_against_a_crop(shelf, crop, place, cells, day, reason):
    found = entry(shelf(document(places=[bed(**place)]), cells, day), crop)
    assert not found.fits
    assert reason in said(found.reason)


def test_garlic_fits_in_autumn(shelf):
    assert entry(shelf(document(), ("A1",), date(2027, 10, 10)), "garlic").fits


def test_a_net_over_the_squares_is_used(shelf):
    net = bed(heading_deg=90, supports=[{"id": "net", "system": "net"}])
    found = entry(shelf(document(places=[net]), ("A1", "A2"), date(2027, 5, 20)), "climbing-bean")
    assert (found.fits, found.support, found.plants) == (True, "net", 4)
    off = entry(shelf(document(places=[net]), ("B1", "B2"), date(2027, 5, 20)), "climbing-bean")
    assert off.support is None


def test_taken_ground_says_until_when(shelf):
    answer = shelf(document(planting()), ("A1",))
    assert said(answer.blocked) == "maincrop carrot stands here until 28 August"
    assert answer.free_from == date(2027, 8, 28)
    assert not any(e.fits for e in answer.entries)


def test_what_comes_later_bounds_what_fits_now(shelf):
    later = planting("leek", block("A1", "B2"), start="transplant", start_date="2027-07-10")
    answer = shelf(document(later), block("A1", "B2"))
    radish, tomato = entry(answer, "radish"), entry(answer, "tomato-bush")
    assert radish.fits
    assert radish.clear_by is None
    assert not tomato.fits
    assert "leek comes on 10 July" in said(tomato.reason)


def test_a_held_square_is_held_from_every_crop(shelf):
    held = bed(held=[{"cells": ["A1"]}])
    assert said(shelf(document(places=[held]), ("A1", "A2")).blocked) == "A1 is held"


def test_all_squares_of_a_tub_are_the_whole_tub(shelf, read):
    doc = document(places=[tub()])
    found = entry(shelf(doc, ("A1", "A2", "B1", "B2"), place="tub"), "lettuce")
    assert found.cells == "all"


@pytest.mark.parametrize(
    ("place", "cells", "said"),
    [("attic", ("A1",), "no place"), ("bed", ("Z9",), r"cells\[0\]"), ("bed", (), "cells")],
)
def test_questions_about_ground_that_is_not_there(shelf, place, cells, said):
    with pytest.raises(AmpleRowsError, match=said):
        shelf(document(), cells, place=place)

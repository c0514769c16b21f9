"""What can follow: crops for free ground, rests on purpose, and families over the years."""

from datetime import date

import pytest

from ample_rows.core.ask.succession.follow import following
from ample_rows.core.checks import require_sound
from ample_rows.core.edits import apply_edit
from ample_rows.core.errors import AmpleRowsError, CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting
from tests.core.ask.pantry.test_pantry import wanting
from tests.core.plan.test_reading import faults_of

SQUARES = block("A1", "B3")
PEAS = planting("pea", SQUARES, id="peas", start_date="2027-03-15", clear_date="2027-06-20")
LEEKS = planting("leek", SQUARES, id="leeks", start="transplant", start_date="2027-09-01")
AFTER_PEAS = date(2027, 6, 20)


@pytest.fixture
def follow(read, book):
    def found(*plantings, cells=SQUARES, since=AFTER_PEAS, place=None, **context):
        plan = read(document(*plantings, places=[place or bed()], **context))
        return following(Estimate(plan, book), "bed", tuple(cells), since)

    return found


def names(found):
    return [entry.crop for entry in found.entries]


def test_everything_offered_fits_the_free_time(follow, book):
    found = follow(PEAS, LEEKS)
    assert (found.before, found.after) == ("climbing pea", "leek")
    assert found.until == date(2027, 9, 1)
    assert len(found.entries) >= 5
    ready = AFTER_PEAS.toordinal() + book.crops["pea"].turn_round_days
    for entry in found.entries:
        assert ready <= entry.start_date.toordinal()
        assert entry.first_pick < entry.clear_date <= found.until
        assert entry.plants > 0


def test_a_heat_lover_takes_over_the_support_of_what_fades(follow):
    net = bed(supports=[{"id": "net", "height_cm": 180, "system": "net"}])
    row = block("A8", "D8")
    peas = {**PEAS, "cells": [], "support": "net", "clear_date": "2027-06-20"}
    found = follow(peas, place=net, cells=row)
    offers = {entry.crop: entry for entry in found.entries}
    bean = offers["climbing-bean"]
    assert (bean.edit.planting["support"], bean.up) == ("net", "net on posts")
    assert bean.edit.planting["follows"] == "peas"
    assert bean.harvest_kg.p50 > 1
    assert offers["cress"].up == ""


def test_taking_one_is_a_sound_plan_that_follows(follow, read, book):
    best = follow(PEAS, LEEKS).entries[0]
    after = apply_edit(read(document(PEAS, LEEKS)), best.edit)
    require_sound(after, book)
    added = after.plantings[-1]
    assert (added.follows, added.crop, added.start_date) == ("peas", best.crop, best.start_date)
    with pytest.raises(CannotBeDoneError, match="follow-stands-here-then"):
        following(Estimate(after, book), "bed", SQUARES, best.start_date)


def test_what_the_household_lacks_comes_first(follow):
    plain = follow(PEAS, LEEKS)
    wanted = names(plain)[-1]
    found = follow(PEAS, LEEKS, **wanting(**{wanted.replace("-", "_"): 5}))
    assert names(found)[0] == wanted
    assert found.entries[0].lacking_kg == pytest.approx(5)
    # What the plan gives enough of already has no place before others.
    enough = follow(PEAS, LEEKS, **wanting(leek=0.001))
    assert names(enough) == names(plain)


def test_winter_ground_is_for_what_stands_the_winter(follow, book):
    since = date(2027, 10, 28)
    found = follow(PEAS, since=since).entries
    assert {"garlic", "onion-winter"} & {entry.crop for entry in found}
    assert all(book.crops[entry.crop].frost == "hardy" for entry in found)


def test_ground_that_nothing_fits_says_so_by_an_empty_list(follow):
    late = planting("leek", SQUARES, id="leeks", start="transplant", start_date="2027-06-24")
    assert follow(PEAS, late).entries == ()


@pytest.mark.parametrize(
    ("asked", "says"),
    [
        ({"cells": ("Z9",)}, "not a cell"),
        ({"cells": ()}, "at least one square"),
        ({"since": date(2027, 5, 1)}, "follow-stands-here-then"),
    ],
)
def test_what_cannot_be_asked_is_said(follow, asked, says):
    with pytest.raises(AmpleRowsError, match=says):
        follow(PEAS, **asked)


GREW = {"grew": [{"year": 2025, "crops": ["cabbage", "pea"], "cells": ["A1", "A2"]}]}


def codes(report, code="family-again"):
    return [note for note in report.notes if note.code == code]


@pytest.mark.parametrize(
    ("crop", "cells", "told"),
    [
        ("kale", ("A1", "B1"), "the cabbage family stood here in 2025"),
        ("kale", ("C1", "C2"), None),
        ("dwarf-bean", ("A1", "A2"), "3 years without it keep down foot and root rots"),
        ("carrot", ("A1", "A2"), None),
        # A year's rest is over by the second spring.
        ("lettuce", ("A1", "A2"), None),
    ],
)
def test_a_family_that_comes_back_too_soon(reported, crop, cells, told):
    found = codes(reported(document(planting(crop, cells), places=[bed(**GREW)])))
    assert bool(found) == (told is not None)
    if told:
        assert told in said(found[0].text)
        assert set(found[0].cells) <= {"A1", "A2"}


@pytest.mark.parametrize(("year", "again"), [(2023, False), (2024, True), (2026, True)])
def test_rests_are_counted_in_whole_years(reported, year, again):
    place = bed(grew=[{"year": year, "crops": ["turnip"]}])
    assert bool(codes(reported(document(planting("kale"), places=[place])))) == again


def test_a_family_that_should_rest_is_offered_last(follow):
    place = bed(grew=[{"year": 2026, "crops": ["calabrese", "beetroot", "carrot"]}])
    found = follow(PEAS, LEEKS, place=place).entries
    cautioned = [bool(entry.caution) for entry in found]
    assert any(cautioned)
    assert cautioned == sorted(cautioned)


def test_ground_rested_on_purpose_is_counted_but_not_told(reported):
    until = "2027-09-01"
    rests = [{"cells": list(SQUARES), "since": "2027-06-20", "until": until, "reason": "a heap"}]
    plain = reported(document(PEAS, LEEKS, places=[bed()])).places[0]
    rested = reported(document(PEAS, LEEKS, places=[bed(rests=rests)])).places[0]
    assert rested.idle_cell_weeks == plain.idle_cell_weeks
    gap = (SQUARES, date(2027, 6, 20))
    assert gap in [(spell.cells, spell.start) for spell in plain.idle]
    assert gap not in [(spell.cells, spell.start) for spell in rested.idle]


@pytest.mark.parametrize(
    ("part", "path"),
    [
        (
            {
                "rests": [
                    {
                        "cells": ["Z9"],
                        "since": "2027-06-01",
                        "until": "2027-07-01",
                        "reason": "a heap",
                    }
                ]
            },
            "places[0].rests[0].cells[0]",
        ),
        (
            {
                "rests": [
                    {
                        "cells": "all",
                        "since": "2027-07-01",
                        "until": "2027-07-01",
                        "reason": "a heap",
                    }
                ]
            },
            "places[0].rests[0].until",
        ),
        ({"grew": [{"year": 2025, "crops": ["moss"]}]}, "places[0].grew[0].crops[0]"),
        (
            {"grew": [{"year": 2025, "crops": ["kale"], "cells": ["Q1"]}]},
            "places[0].grew[0].cells[0]",
        ),
    ],
)
def test_bad_rests_and_histories_are_named(part, path):
    assert path in faults_of(document(places=[bed(**part)]))

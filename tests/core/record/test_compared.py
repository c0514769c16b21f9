"""Seasons side by side: each picking in its season, kinds with their crop, own crops too."""

import json
from datetime import date

import pytest

from ample_rows.core.record.compared import compared, season_on
from ample_rows.core.record.entries import read_record
from ample_rows.core.record.figures import worked_out
from tests.conftest import document, planting

PLANT = planting("carrot", id="c")
THEN = document(
    {**PLANT, "start_date": "2026-04-10"}, last_frost="2026-04-25", first_frost="2026-10-20"
)


def record(book, *entries, now=None):
    seasons = [{"id": "2026", "plan": THEN}, {"id": "2027", "plan": now or document(PLANT)}]
    whole = {
        "format": "ample-rows/record",
        "version": 1,
        "garden": "Test yard",
        "seasons": seasons,
        "entries": [{"id": f"e{n}", "kind": "picked", **e} for n, e in enumerate(entries)],
    }
    return read_record(json.dumps(whole), book)


def test_a_picking_counts_in_its_season_or_in_that_of_its_day(book):
    told = compared(
        record(
            book,
            {"day": "2026-08-01", "kg": 1.0, "planting": "c"},
            {"day": "2027-01-05", "kg": 0.5, "crop": "carrot"},
            {"day": "2027-08-01", "kg": 2.0, "crop": "carrot", "season": "2027"},
            {"day": "2031-08-01", "kg": 9.0, "crop": "carrot"},
        ),
        book,
        worked_out(book),
    )
    assert [(s.id, s.picked_kg, s.pickings) for s in told.seasons] == [
        ("2026", 1.5, 2),
        ("2027", 2.0, 1),
    ]
    assert told.seasons[0].estimated_kg.p50 == pytest.approx(told.seasons[1].estimated_kg.p50)


def test_kinds_are_told_with_their_crop_and_what_was_not_planted_has_no_estimate(book):
    kind = next(c.id for c in book.crops.values() if c.variety_of == "carrot")
    entries = [
        {"day": "2026-08-01", "kg": 1.0, "crop": kind},
        {"day": "2026-08-02", "kg": 3.0, "crop": "kale"},
    ]
    rows = {
        row.crop: row.seasons
        for row in compared(record(book, *entries), book, worked_out(book)).crops
    }
    assert rows["carrot"][0].picked_kg == 1.0
    assert [(s.season, s.estimated_kg, s.picked_kg) for s in rows["kale"]] == [("2026", 0.0, 3.0)]


def test_pieces_weigh_what_one_of_the_kind_weighs(book):
    entry = {"day": "2026-08-01", "pieces": 10, "crop": "carrot"}
    told = compared(record(book, entry), book, worked_out(book))
    assert told.seasons[0].picked_kg == pytest.approx(10 * book.crops["carrot"].piece_kg)


def test_a_crop_of_ones_own_is_told_too(book):
    own = {"id": "blue-carrot", "like": "carrot", "figures": {"name": "blue carrot"}}
    now = {**document(planting("blue-carrot", id="c")), "crops": [own]}
    entry = {"day": "2027-08-01", "kg": 1.0, "planting": "c", "season": "2027"}
    told = compared(record(book, entry, now=now), book, worked_out(book))
    assert told.seasons[1].picked_kg == 1.0
    assert told.seasons[1].estimated_kg.p50 > 0


def test_a_day_belongs_to_the_closed_season_that_it_lies_in(book, read):
    now = read(document(PLANT))
    assert season_on(date(2026, 8, 1), now, {"2026"}, book) == "2026"
    assert season_on(date(2027, 8, 1), now, {"2026"}, book) == "2027"
    assert season_on(date(2025, 8, 1), now, {"2026"}, book) == "2026"
    assert season_on(date(2026, 8, 1), now, set(), book) == "2027"

"""Any stretch of days: pickings of two seasons, and of their estimates what falls into it."""

import json
from datetime import date

import pytest

from ample_rows.core.ask.span_sheet import span_sheet
from ample_rows.core.record.entries import read_record
from ample_rows.core.record.figures import worked_out
from tests.conftest import bed, block, document, planting

LOW = bed(id="low", name="Low bed")
KALE = planting("kale", block("A1", "B2"), id="k", place="low", start_date="2027-05-10")
GARLIC = planting(
    "garlic", block("C1", "C2"), id="g", place="low", start="set", start_date="2026-10-20"
)
NOW = document(KALE, GARLIC, places=[LOW], household={"prices": [{"crop": "kale", "per_kg": 4.0}]})
THEN = document(
    {**KALE, "start_date": "2026-05-10"},
    GARLIC,
    places=[LOW],
    last_frost="2026-04-25",
    first_frost="2026-10-20",
)


@pytest.fixture
def span(read, book):
    """The sheet of some days, from a record of two seasons."""

    def told(since, until, *entries):
        whole = {
            "format": "ample-rows/record",
            "version": 1,
            "garden": "Test yard",
            "seasons": [{"id": "2026", "plan": THEN}, {"id": "2027", "plan": NOW}],
            "entries": [{"id": f"e{n}", "kind": "picked", **e} for n, e in enumerate(entries)],
        }
        record = read_record(json.dumps(whole), book)
        days = {"since": date.fromisoformat(since), "until": date.fromisoformat(until)}
        return span_sheet(record, read(NOW), book, worked_out(book), **days)

    return told


def kale(day, kg, **keys):
    return {"day": day, "planting": "k", "season": day[:4], "kg": kg, **keys}


def test_a_calendar_year_has_pickings_of_both_seasons(span):
    sheet = span(
        "2027-01-01",
        "2027-12-31",
        {**kale("2027-01-10", 0.4), "season": "2026"},
        kale("2027-08-03", 1.0, minutes=30),
        kale("2026-09-01", 9.0),
    )
    assert (sheet.seasons, sheet.picked_kg, sheet.pickings) == (("2026", "2027"), 1.4, 2)
    assert (sheet.hours, sheet.kg_per_hour) == (0.5, 2.8)
    assert sheet.worth == pytest.approx(5.6)
    [crop] = [line for line in sheet.crops if line.id == "kale"]
    assert (crop.picked_kg, crop.worth) == (1.4, pytest.approx(5.6))
    [low] = sheet.places
    assert low.kg_per_m2 == pytest.approx(1.4 / (1.2 * 2.4))
    assert [(week.week, week.picked_kg) for week in sheet.weeks if week.picked_kg] == [
        (date(2027, 1, 4), 0.4),
        (date(2027, 8, 2), 1.0),
    ]


def test_a_whole_season_is_estimated_as_its_plan_and_two_halves_make_it(span, read, run):
    report = run(read(NOW))
    season = span("2027-02-01", "2028-01-31")
    expected = sum(p.harvest_kg.p50 * p.year.within for p in report.plantings)
    assert sum(line.estimated_kg for line in season.crops) == pytest.approx(expected, rel=0.03)
    halves = [span("2027-02-01", "2027-08-15"), span("2027-08-16", "2028-01-31")]
    assert sum(half.estimated_kg.p50 for half in halves) == pytest.approx(season.estimated_kg.p50)
    assert sum(w.estimated_kg for half in halves for w in half.weeks) == pytest.approx(
        sum(w.estimated_kg for w in season.weeks)
    )


def test_what_stands_through_the_winter_is_estimated_once(span):
    def garlic(since, until):
        return sum(line.estimated_kg for line in span(since, until).crops if line.id == "garlic")

    whole = garlic("2026-02-01", "2028-01-31")
    assert whole == pytest.approx(garlic("2027-02-01", "2028-01-31"))
    assert whole > 0
    # The last season has nothing after it: what stands on in it counts where it is picked.
    assert garlic("2026-02-01", "2027-01-31") == 0


def test_days_before_any_season_hold_nothing(span):
    empty = span("2019-01-01", "2019-12-31", kale("2027-08-03", 1.0))
    assert (empty.seasons, empty.picked_kg, empty.crops, empty.weeks) == ((), 0, (), ())
    assert (empty.worth, empty.kg_per_hour) == (None, None)

"""The report as a whole: its shape, its sums, and that a place stands for itself."""

import json
from datetime import date, timedelta

import pytest

from ample_rows.cli.bench.rows import forget_plantings
from ample_rows.core import plan as p
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.place_result import evaluate_place
from ample_rows.core.estimate.report_json import report_json, schemas
from ample_rows.demo import demo_plans
from tests.conftest import bed, block, document, planting, tub

TWO = document(
    planting("carrot", block("A1", "B2"), id="a"),
    planting("lettuce", ("C1", "C2"), id="b", start_date="2027-05-01"),
    planting("lettuce", "all", id="c", place="tub", spacing_cm=20),
    places=[bed(), tub()],
)


def test_an_empty_garden_is_a_garden(reported):
    report = reported(document(places=[]))
    assert report.places == report.plantings == ()
    assert report.totals.harvest_kg.p90 == 0


def test_an_empty_bed_is_idle_from_frost_to_frost(reported):
    place = reported(document()).places[0]
    days = (date(2027, 10, 20) - date(2027, 4, 25)).days
    assert place.idle_cell_weeks == pytest.approx(32 * days / 7)
    (spell,) = place.idle
    assert (spell.start, spell.end) == (date(2027, 4, 25), date(2027, 10, 20))
    assert spell.cell_weeks == pytest.approx(place.idle_cell_weeks)


def test_idle_ground_counts_part_cells_by_area_and_leaves_out_held_ones(reported):
    odd = bed(shape={"type": "rectangle", "width_cm": 45, "length_cm": 30})
    held = bed(held=[{"cells": ["A1"], "reason": "a seat"}])
    days = (date(2027, 10, 20) - date(2027, 4, 25)).days
    assert reported(document(places=[odd])).places[0].idle_cell_weeks == pytest.approx(
        1.5 * days / 7
    )
    report = reported(document(places=[held]))
    assert report.places[0].idle_cell_weeks == pytest.approx(31 * days / 7)
    assert report.places[0].cells[0].held == "a seat"
    assert report.places[0].cells_usable == 31


def test_what_stands_is_told_from_each_day_that_it_changes(reported):
    place = reported(TWO).places[0]
    found = [(entry.start, entry.cells_taken, entry.plants) for entry in place.standing]
    assert found == [
        (date(2027, 4, 10), 4, 64),
        (date(2027, 5, 1), 6, 66),
        (date(2027, 7, 20), 4, 64),
        (date(2027, 8, 28), 0, 0),
    ]


def test_totals_add_up(reported):
    report = reported(TWO)
    totals = report.totals
    assert totals.plants == sum(r.plants for r in report.plantings)
    assert totals.soil_litres == pytest.approx(sum(r.soil_litres for r in report.places))
    weekly = sum(week.kg for week in totals.weekly_kg)
    assert weekly == pytest.approx(sum(r.harvest_kg.p50 for r in report.plantings))
    assert [week.week for week in totals.weekly_kg] == sorted(w.week for w in totals.weekly_kg)


def test_an_edit_in_one_place_leaves_the_others_the_very_same(book, read):
    plan = read(TWO)
    moved = json.loads(json.dumps(TWO))
    moved["plantings"][0]["start_date"] = "2027-04-20"
    before = Estimate(plan, book, "x").report
    after = Estimate(read(moved), book, "x").report
    assert before.places[0] is not after.places[0]
    assert before.places[1] is after.places[1]


def test_order_of_places_and_plantings_is_the_documents(reported):
    turned = {**TWO, "plantings": TWO["plantings"][::-1], "places": TWO["places"][::-1]}
    report = reported(turned)
    assert [r.id for r in report.places] == ["tub", "bed"]
    assert [r.id for r in report.plantings] == ["c", "b", "a"]


def test_the_same_plan_gives_the_same_report(book, read):
    plan = read(TWO)
    first = report_json(Estimate(plan, book, "x").report)
    evaluate_place.cache_clear()
    forget_plantings()
    assert report_json(Estimate(plan, book, "x").report) == first


def test_growth_is_told_week_by_week_until_it_is_cleared(reported):
    carrot = reported(TWO).plantings[0]
    growth = carrot.growth
    assert growth.start == carrot.start_date
    last = growth.start + timedelta(days=growth.step_days * (len(growth.canopy_cm) - 1))
    assert last >= carrot.clear_date
    assert list(growth.canopy_cm) == sorted(growth.canopy_cm)
    assert growth.canopy_cm[0] == 2.0
    assert growth.canopy_cm[-1] == pytest.approx(14)
    assert growth.standing[0] == 1
    assert growth.standing[-1] < 0.2


KEYS = {
    "": {
        "format",
        "version",
        "program",
        "crop_book",
        "seed",
        "seasons",
        "places",
        "plantings",
        "totals",
        "notes",
    },
    "places": {
        "id",
        "inside_area_m2",
        "soil_litres",
        "usable_depth_cm",
        "cells",
        "idle_cell_weeks",
        "harvest_kg",
    },
    "plantings": {
        "id",
        "plants",
        "positions_cm",
        "stand_expected",
        "spacing_cm",
        "seeds_to_sow",
        "depth",
        "light",
        "first_pick",
        "last_pick",
        "clear_date",
        "harvest_kg",
        "weekly_kg",
        "factors",
        "working",
    },
    "notes": {"level", "code", "place", "planting", "text", "fix"},
}


def test_the_report_has_the_keys_that_the_format_promises(reported):
    found = json.loads(report_json(reported(TWO)))
    assert found.keys() >= KEYS[""]
    for name in ("places", "plantings", "notes"):
        assert all(record.keys() >= KEYS[name] for record in found[name])
    one = found["plantings"][0]
    assert one["depth"].keys() >= {"verdict", "factor", "usable_cm", "least_cm", "full_cm"}
    assert one["factors"].keys() == {"density", "depth", "light", "season", "training", "own"}
    assert one["working"][0].keys() >= {"name", "value", "unit", "how", "source"}
    assert one["weekly_kg"][0].keys() == {"week", "kg"}
    assert len(one["positions_cm"]) == one["plants"]


def test_schemas_describe_plan_and_report():
    published = schemas()
    assert {"garden", "places", "plantings"} <= published["plan"]["properties"].keys()
    assert published["report"]["properties"].keys() >= KEYS[""]


def test_both_demo_gardens_can_be_evaluated_in_either_season(book):
    for plan in demo_plans(book):
        report = Estimate(plan, book, "x").report
        assert report.totals.harvest_kg.p10 > 1
        assert all(r.plants for r in report.plantings)
        assert p.document(plan)["garden"]["name"]


def test_the_noon_sun_stands_where_it_should(reported):
    north = reported(document()).year
    south = reported(document(latitude=-37.6)).year
    tropics = reported(document(latitude=5.0)).year
    june = 20  # weeks after the first of February
    assert north.noon_altitude_deg[june] == pytest.approx(90 - 51.9 + 23.4, abs=0.5)
    assert north.noon_azimuth_deg[june] == 180
    assert south.noon_altitude_deg[june] == pytest.approx(90 - 37.6 - 23.4, abs=0.5)
    assert south.noon_azimuth_deg[june] == 0
    assert {0, 180} == set(tropics.noon_azimuth_deg)

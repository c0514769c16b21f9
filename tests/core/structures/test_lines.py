"""Supports along a line in a bed: where plants stand, what ground they take, what is refused."""

import json
import math

import pytest

from ample_rows.core.ask.jobs.year import jobs_of
from ample_rows.core.ask.supports.builder import support_sheet
from ample_rows.core.checks import read_plan
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting, rectangle, tub

MIDDLE = {"id": "row", "system": "woven", "line_cm": [[60, 0], [60, 240]]}
ROW = planting(
    "tomato", (), support="row", start="transplant", start_date="2027-05-20", spacing_cm=48
)


def spots(report):
    return [(round(x, 3), round(y, 3)) for x, y in report.positions_cm]


def test_a_row_of_stakes_along_the_middle(grown):
    report = grown(ROW, places=[bed(supports=[MIDDLE])])
    assert spots(report) == [(60, 24 + 48 * i) for i in range(5)]
    # Half of its strip lies on either side, so both middle columns are taken.
    assert {cell[0] for cell in report.cells} == {"B", "C"}


def test_a_line_across_at_an_offset_and_a_part_of_it(grown):
    line = {"id": "row", "system": "woven", "line_cm": [[0, 100], [120, 100]], "run_cm": [20, 120]}
    report = grown(ROW, places=[bed(supports=[line])])
    assert spots(report) == [(45, 100), (95, 100)]


def test_two_rows_stand_so_far_apart_as_the_cross_arms_say(grown):
    arms = {**MIDDLE, "sides": 2, "rows_apart_cm": 50}
    report = grown(ROW, places=[bed(supports=[arms])])
    assert {x for x, _ in spots(report)} == {35, 85}
    assert report.plants == 10
    one = grown({**ROW, "sides": "one"}, places=[bed(supports=[arms])])
    assert one.plants == 5


@pytest.mark.parametrize(
    ("apart", "asks"),
    [(None, 2.0), (10, 2.0), (20, 2.0), (30, 1.75), (40, 1.5), (60, 1.0), (90, 1.0)],
    ids=str,
)
def test_rows_far_apart_do_not_crowd_each_other(grown, apart, asks):
    """At a net two rows of peas stand 20 cm apart, in open ground 60 cm; the law of yield and
    density with 0.45 of a lone plant's yield lost in one row."""
    arms = {**MIDDLE, "system": "net", "sides": 2, "rows_apart_cm": apart}
    peas = planting("pea", "all", support=MIDDLE["id"], start_date="2027-03-20")
    report = grown(peas, places=[bed(supports=[arms])])
    assert report.factors.density == pytest.approx(1 / (0.55 + 0.45 * asks))


def test_nothing_is_planted_where_a_post_holds_the_square(reported):
    post = bed(supports=[MIDDLE], held=[{"cells": ["B3", "C3", "C4"], "reason": "a post"}])
    (report,) = reported(document(ROW, places=[post])).plantings
    # Of 24, 72, 120, 168 and 216 cm the one at 72 lies between B3 and C3, both held; beside C4
    # the square B4 is free, so the row goes by.
    assert [y for _, y in spots(report)] == [24, 120, 168, 216]
    assert not {"B3", "C3", "C4"} & set(report.cells)


def test_several_lines_in_one_bed_do_not_clash(reported):
    lines = [
        {"id": f"row{n}", "system": "woven", "line_cm": [[x, 0], [x, 240]]}
        for n, x in enumerate((15, 105))
    ]
    rows = [{**ROW, "id": f"p{n}", "support": f"row{n}"} for n in range(2)]
    report = reported(document(*rows, places=[bed(supports=lines)]))
    assert [p.plants for p in report.plantings] == [5, 5]
    assert not {note.code for note in report.notes} & {"clash", "none-fit"}


def test_a_line_that_bends_is_as_long_as_its_parts(grown):
    bent = {"id": "row", "system": "woven", "line_cm": [[60, 20], [60, 120], [100, 120]]}
    report = grown({**ROW, "spacing_cm": 35}, places=[bed(supports=[bent])])
    assert report.plants == 140 // 35
    assert spots(report) == [(60, 37.5), (60, 72.5), (60, 107.5), (82.5, 120)]


def test_a_round_bed_has_room_for_a_line(grown):
    line = {"id": "row", "system": "woven", "line_cm": [[20, 75], [130, 75]]}
    round_bed = bed(shape={"type": "circle", "diameter_cm": 150}, supports=[line])
    assert grown(ROW, places=[round_bed]).plants == 110 // 48


def test_a_line_in_a_pot_holds_its_one_plant(grown):
    cane = {"id": "row", "system": "strings", "line_cm": [[20, 23], [26, 23]]}
    report = grown({**ROW, "place": "tub"}, places=[tub(supports=[cane])])
    assert spots(report) == [(23, 23)]


def test_the_bill_and_the_drawing_know_the_line(reported):
    report = reported(document(ROW, places=[bed(supports=[MIDDLE])]))
    (support,) = report.places[0].supports
    assert support.line_cm == ((60, 0), (60, 240))
    assert support.posts >= 3


def test_a_planting_takes_the_stretch_that_its_squares_span(grown):
    report = grown({**ROW, "cells": ["B1", "B2", "B3", "B4"]}, places=[bed(supports=[MIDDLE])])
    assert all(0 < y < 120 for _, y in spots(report))


@pytest.mark.parametrize(
    ("supports", "path", "words"),
    [
        ([{**MIDDLE, "line_cm": [[60, 0], [60, 300]]}], "supports[0].line_cm[1]", "off the bed"),
        ([{**MIDDLE, "line_cm": [[60, 0]]}], "supports[0].line_cm", "at least 2"),
        ([{**MIDDLE, "line_cm": [[60, 5], [60, 5]]}], "supports[0].line_cm[1]", "at least 1 cm"),
        ([{**MIDDLE, "edge": "north"}], "supports[0].edge", "no edge"),
        ([{**MIDDLE, "run_cm": [0, 300]}], "supports[0].run_cm", "240"),
        (
            [MIDDLE, {"id": "x", "system": "woven", "line_cm": [[0, 100], [120, 110]]}],
            "supports[1].line_cm",
            "crosses support 1",
        ),
        (
            [{**MIDDLE, "system": "arch", "mesh_cm": 90, "span_cm": 120}],
            "supports[0].mesh_cm",
            "do not reach over 120 cm",
        ),
        ([{**MIDDLE, "sides": 3}], "supports[0].sides", "2"),
        ([{**MIDDLE, "rows_apart_cm": 0}], "supports[0].rows_apart_cm", "at least 1"),
    ],
)
def test_a_line_that_cannot_stand_is_named_at_its_field(book, supports, path, words):
    with pytest.raises(PlanFaultsError) as raised:
        read_plan(json.dumps(document(places=[bed(supports=supports)])), book)
    faults = {fault.path: said(fault.text) for fault in raised.value.faults}
    assert words in faults[f"places[0].{path}"]


def test_an_arch_may_lead_from_bed_to_bed(read):
    arch = {"id": "arch", "system": "arch", "line_cm": [[60, 240], [60, 360]]}
    assert read(document(places=[bed(supports=[arch])])).places[0].supports[0].line_cm is not None


def test_turning_a_bed_turns_nothing_in_its_own_frame(grown):
    for heading in (0, 90, 200):
        place = bed(shape=rectangle(120, 240), heading_deg=heading, supports=[MIDDLE])
        report = grown(ROW, places=[place])
        assert all(math.isclose(x, 60) for x, _ in report.positions_cm)


def test_a_line_that_bends_has_its_jobs_its_sheet_and_its_bill(read, book):
    bent = {"id": "row", "system": "net", "line_cm": [[20, 20], [60, 20], [60, 120]]}
    row = {**ROW, "crop": "pea", "start": "sow", "start_date": "2027-04-10"}
    estimate = Estimate(read(document(row, places=[bed(supports=[bent])])), book)
    put_up = [job for job in jobs_of(estimate) if "put-up-row" in job.key]
    assert len(put_up) == 1
    sheet = support_sheet(estimate, "bed", "row")
    assert sheet.run_cm == pytest.approx(140)
    assert sheet.in_the_bed

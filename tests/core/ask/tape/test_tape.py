"""The tape: pickings and their sum over the band that was estimated."""

from datetime import date, timedelta

import pytest

from ample_rows.core.ask.tape import tape_csv, tape_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.record.entries import Entry
from tests.conftest import block, document, planting

CARROT = planting("carrot", block("A1", "B2"), id="c", start_date="2027-04-10")
TOMATO = planting("tomato", block("C3", "D4"), id="t", start="transplant", start_date="2027-05-20")


@pytest.fixture(scope="module")
def garden(read, book):
    return Estimate(read(document(CARROT, TOMATO)), book)


def picked(day, kg, of="c", **keys):
    return Entry(id=f"{day}{of}", day=day, kind="picked", planting=of, kg=kg, **keys)


def test_a_crop_s_band_rises_to_its_estimate(garden):
    report = {r.id: r for r in garden.report.plantings}
    tape = tape_of(garden, [], date(2027, 12, 1))
    for crop, ident in (("carrot", "c"), ("tomato", "t")):
        of = next(t for t in tape.crops if t.crop == crop)
        likely = [point.kg.p50 for point in of.band]
        assert likely == sorted(likely)
        assert likely[0] == 0
        assert likely[-1] == pytest.approx(report[ident].harvest_kg.p50, rel=0.02)
        assert of.band[0].day <= report[ident].first_pick <= of.band[1].day
        assert of.estimate_kg == of.by_day_kg
    begins = [of.band[0].day for of in tape.crops]
    assert begins == sorted(begins)


def test_pickings_step_up_and_stand_against_the_estimate_by_then(garden):
    first = garden.report.plantings[0].first_pick
    days = [first + timedelta(days=7 * n) for n in range(3)]
    entries = [picked(day, 0.4) for day in days]
    of = tape_of(garden, entries, days[1]).crops
    carrot = next(t for t in of if t.crop == "carrot")
    assert [round(step.sum_kg, 6) for step in carrot.picked] == [0.4, 0.8, 1.2]
    assert carrot.picked_kg == pytest.approx(0.8)
    late = date(2027, 12, 1)
    for kg, standing in ((0.01, "below"), (carrot.estimate_kg.p50, "within"), (30, "above")):
        told = tape_of(garden, [picked(first, kg)], late).crops
        assert next(t for t in told if t.crop == "carrot").standing == standing
    assert next(t for t in tape_of(garden, [], date(2027, 3, 1)).crops).standing is None


def test_what_is_no_picking_or_of_no_crop_is_left_out_and_pieces_are_weighed(garden, book):
    day = date(2027, 8, 1)
    entries = [
        Entry(id="n", day=day, kind="note", planting="c", kg=5),
        Entry(id="g", day=day, kind="picked", planting="gone", kg=5),
        Entry(id="p", day=day, kind="picked", planting="c", pieces=10),
        Entry(id="l", day=day, kind="picked", crop="leek", kg=0.5),
    ]
    told = {t.crop: t for t in tape_of(garden, entries, day).crops}
    assert told["carrot"].picked_kg == pytest.approx(10 * book.crops["carrot"].piece_kg)
    assert (told["leek"].picked_kg, told["leek"].band) == (0.5, ())


def test_all_crops_together_and_each_week_stand_beside_their_estimate(garden):
    first = garden.report.plantings[0].first_pick
    days = [first, first + timedelta(days=1), first + timedelta(days=9)]
    entries = [picked(day, 0.4) for day in days]
    tape = tape_of(garden, entries, days[1])
    assert tape.whole.picked_kg == tape.picked_kg == pytest.approx(0.8)
    assert [round(step.sum_kg, 6) for step in tape.whole.picked] == [0.4, 0.8, 1.2]
    carrot = next(t for t in tape.crops if t.crop == "carrot")
    weeks = {week.week: week.picked_kg for week in carrot.weeks}
    assert all(week.weekday() == 0 for week in weeks)
    assert sum(weeks.values()) == pytest.approx(1.2)
    assert weeks[first - timedelta(days=first.weekday())] == pytest.approx(
        sum(0.4 for day in days if (day - first).days < 7 - first.weekday())
    )
    likely = sum(week.estimated_kg.p50 for week in carrot.weeks)
    assert likely == pytest.approx(carrot.estimate_kg.p50, rel=0.02)
    head, *rows = tape_csv(tape).splitlines()
    assert head == "week,crop,estimated_low_kg,estimated_likely_kg,estimated_high_kg,picked_kg"
    assert len(rows) == sum(len(crop.weeks) for crop in tape.crops)

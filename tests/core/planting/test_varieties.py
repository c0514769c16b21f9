"""Varieties plant by plant: each plant bears by its own kind, and is labelled by it."""

import pytest

from ample_rows import PROGRAM
from ample_rows.core.ask.seed_box.needs import needs_of
from ample_rows.core.ask.spacing.marking import marking_sheet
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting

STRINGS = {"id": "wires", "height_cm": 200, "system": "strings", "edge": "west"}


def tomatoes(*runs, **changes):
    return planting(
        "tomato",
        (),
        id="row",
        start="transplant",
        start_date="2027-05-20",
        support="wires",
        varieties=[{"variety": variety, "plants": plants} for variety, plants in runs],
        **changes,
    )


@pytest.fixture
def row(reported):
    return lambda *runs, **changes: reported(
        document(tomatoes(*runs, **changes), places=[bed(supports=[STRINGS])])
    ).plantings[0]


def test_runs_are_counted_along_the_row_and_the_rest_is_of_its_own_kind(row):
    report = row(("tomato-cherry", 2), ("tomato-bush", 1))
    found = [(v.variety, v.first_plant, v.plants) for v in report.by_variety]
    assert found == [("tomato-cherry", 1, 2), ("tomato-bush", 3, 1), ("tomato", 4, 3)]
    assert report.plants == 6
    assert report.positions_cm == row().positions_cm


def test_each_kind_bears_as_it_does_by_itself(row):
    report = row(("tomato-cherry", 2))
    cherry, cordon = report.by_variety
    alone = row(variety="tomato-cherry")
    assert cherry.harvest_kg.p50 == pytest.approx(alone.harvest_kg.p50 * 2 / alone.plants, rel=0.02)
    assert cordon.harvest_kg.p50 == pytest.approx(row().harvest_kg.p50 * 4 / 6, rel=0.02)
    assert cherry.first_pick == alone.first_pick
    assert report.first_pick == min(cherry.first_pick, cordon.first_pick)


def test_the_planting_is_the_sum_of_its_kinds(row):
    report = row(("tomato-cherry", 2), ("tomato-bush", 2))
    kinds = report.by_variety
    # A median of sums lies near the sum of medians; every low above the sum of lows.
    assert report.harvest_kg.p50 == pytest.approx(sum(k.harvest_kg.p50 for k in kinds), rel=0.06)
    assert report.harvest_kg.p10 >= sum(k.harvest_kg.p10 for k in kinds)
    assert sum(w.kg for w in report.weekly_kg) == pytest.approx(report.harvest_kg.p50)
    assert report.seeds_to_sow == sum(k.seeds_to_sow for k in kinds)
    assert report.working[-1].value == report.harvest_kg.p50
    assert [said(term.name) for term in report.working[:-1]] == [
        f"{k.name}, {k.plants} plants" for k in kinds
    ]


def test_all_of_one_kind_is_that_kind(row):
    one, whole = row(("tomato-cherry", 99)), row(variety="tomato-cherry")
    assert [v.plants for v in one.by_variety] == [6]
    assert one.harvest_kg.p50 == pytest.approx(whole.harvest_kg.p50)


def test_a_kind_of_another_crop_is_a_fault(row):
    with pytest.raises(PlanFaultsError) as error:
        row(("tomato-cherry", 1), ("carrot-short", 1))
    assert error.value.faults[0].path == "plantings[0].varieties[1].variety"
    assert "not a variety of tomato" in str(error.value.faults[0])


def test_seed_is_wanted_kind_by_kind(read, book):
    plan = read(document(tomatoes(("tomato-cherry", 2)), places=[bed(supports=[STRINGS])]))
    report = Estimate(plan, book, PROGRAM).report
    needs = needs_of(plan, report.plantings, report.year.start, book)
    assert {n.crop.id: n.plants for n in needs} == {"tomato-cherry": 2, "tomato": 4}


def test_each_run_has_a_label_where_it_begins(read, book):
    lettuce = planting("lettuce", ("D1", "D2"), id="salad")
    plan = read(document(tomatoes(("tomato-cherry", 2)), lettuce, places=[bed(supports=[STRINGS])]))
    labels = marking_sheet(Estimate(plan, book), "bed").labels
    assert [label.number for label in labels] == [1, 2, 3]
    assert [label.mark for label in labels] == ["Le", "Tc", "To"]
    salad, cherry, cordon = labels
    assert salad.cell == "D1"
    assert (cherry.first_plant, cherry.last_plant, cherry.of_plants) == (1, 2, 6)
    assert (cordon.first_plant, cordon.last_plant) == (3, 6)
    assert cordon.at_cm[1] > cherry.at_cm[1]

"""A row walked along: each plant with its kind, what came of it, and labels that were lost."""

from datetime import date

import pytest

from ample_rows.core.edits import apply_edit
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.record.entries import Entry
from ample_rows.core.record.row import known_as, row_of, telling
from tests.conftest import bed, block, document, planting

ROW = planting(
    "tomato",
    block("A1", "A6"),
    id="row",
    place="bed",
    start="transplant",
    start_date="2027-05-20",
    plants=5,
    varieties=[{"variety": "tomato-cherry", "plants": 2}],
)


@pytest.fixture
def plan(read):
    return read(document(ROW, places=[bed(id="bed")]))


@pytest.fixture
def report(run, plan):
    [only] = run(plan).plantings
    return only


def picked(ident, kg, **of):
    return Entry(id=ident, day=date(2027, 8, 3), kind="picked", planting="row", kg=kg, **of)


def test_each_plant_has_its_kind_its_spot_and_what_came_of_it(plan, report, book):
    told = [
        picked("a", 0.4, plant=1),
        picked("b", 0.5, plant=4),
        picked("c", 0.3, variety="tomato-cherry"),
        picked("d", 1.0),
        Entry(id="e", day=date(2027, 7, 1), kind="seen", planting="row", plant=4, text="leaf curl"),
    ]
    row = row_of(plan.plantings[0], report, told, book)
    assert [plant.kind for plant in row.plants] == ["tomato-cherry"] * 2 + ["tomato"] * 3
    assert [plant.picked_kg for plant in row.plants] == [0.4, 0, 0, 0.5, 0]
    assert [entry.id for entry in row.plants[3].entries] == ["e", "b"]
    assert len({plant.at_cm for plant in row.plants}) == 5
    assert {kind.kind: (kind.plants, kind.picked_kg) for kind in row.kinds} == {
        "tomato-cherry": (2, pytest.approx(0.7)),
        "tomato": (3, 0.5),
    }
    assert row.whole_kg == 1.0


def test_kinds_are_told_apart_by_what_they_do_not_share(book):
    traits = telling(("tomato", "tomato-bush", "tomato-cherry"), book)
    by = {(trait.part, trait.looks): set(trait.kinds) for trait in traits}
    assert by["fruit", "as large as a cherry, on long trusses"] == {"tomato-cherry"}
    assert by["growth", "one stem that goes on growing"] == {"tomato", "tomato-cherry"}
    assert telling(("tomato",), book) == ()


@pytest.mark.parametrize("kinds", [("carrot", "carrot-short"), ("pea", "pea-dwarf", "pea-sugar")])
def test_every_kind_of_a_crop_can_be_told_from_the_others(book, kinds):
    told = telling(kinds, book)
    for kind in kinds:
        others = set(kinds) - {kind}
        for trait in told:
            if kind in trait.kinds:
                others &= set(trait.kinds)
        assert not others


def test_a_plant_known_by_its_fruit_changes_the_kinds_of_the_row(plan, report):
    edit = known_as(plan.plantings[0], report, 2, "tomato")
    [changed] = apply_edit(plan, edit).plantings
    assert [(run.variety, run.plants) for run in changed.varieties] == [("tomato-cherry", 1)]
    edit = known_as(plan.plantings[0], report, 5, "tomato-cherry")
    [changed] = apply_edit(plan, edit).plantings
    assert [(run.variety, run.plants) for run in changed.varieties] == [
        ("tomato-cherry", 2),
        ("tomato", 2),
        ("tomato-cherry", 1),
    ]


@pytest.mark.parametrize(
    ("number", "kind", "path"),
    [(0, "tomato", "plant"), (6, "tomato", "plant"), (1, "carrot", "kind")],
)
def test_a_plant_or_a_kind_that_is_not_there_is_named(plan, report, number, kind, path):
    with pytest.raises(PlanFaultsError) as raised:
        known_as(plan.plantings[0], report, number, kind)
    assert raised.value.faults[0].path == path

"""Plants left for seed: squares of their own, nothing for the kitchen, jobs of their own."""

from datetime import date

import pytest
from pydantic import TypeAdapter

from ample_rows.core.ask.jobs.year import jobs_of
from ample_rows.core.ask.seed_box.saving import saved_seed
from ample_rows.core.edits import Edit, apply_edit
from ample_rows.core.estimate.estimate import Estimate
from tests.conftest import block, document, planting

EDIT = TypeAdapter(Edit)
BEANS = planting("dwarf-bean", block("A1", "B4"), id="b", start_date="2027-05-20", plants=24)
SOWN = {"planting": "b", "place": "bed", "job": "sow", "on": "2027-05-21", "state": "done"}


@pytest.fixture
def left(read, book):
    """The estimate after squares of the beans, or all of them, are left for seed."""

    def ask(split=None):
        plan = read({**document(BEANS), "jobs": [SOWN]})
        edit = {"do": "leave-for-seed", "id": "b", "until": "2027-10-01", "split": split}
        return Estimate(apply_edit(plan, EDIT.validate_python(edit)), book)

    return ask


def verbs(here, ident):
    return {job.verb for job in jobs_of(here) if job.planting == ident}


def test_some_squares_are_left_and_the_others_are_picked(left, read, book):
    told = saved_seed(Estimate(read(document(BEANS)), book), "b")
    assert told.squares == ("B3", "B4")
    rest = [cell for cell in block("A1", "B4") if cell not in told.squares]
    here = left({"id": "s", "cells": list(told.squares), "rest": rest})
    picked, seed = here.report.plantings
    assert (picked.plants, seed.plants) == (18, 6)
    assert (picked.cells, seed.cells) == (tuple(rest), told.squares)
    assert seed.harvest_kg.p90 == 0
    assert seed.clear_date == date(2027, 10, 1)
    whole = Estimate(read(document(BEANS)), book).report.plantings[0]
    assert picked.kg_per_plant == pytest.approx(whole.kg_per_plant, rel=0.1)
    assert {"Mark for seed", "Gather seed"} <= verbs(here, "s")
    assert "Pick" not in verbs(here, "s")
    assert "Pick" in verbs(here, "b")
    assert "Gather seed" not in verbs(here, "b")
    assert [(mark.planting, mark.job) for mark in here.plan.jobs] == [("b", "sow"), ("s", "sow")]


def test_all_of_it_is_left_and_its_working_says_so(left):
    (seed,) = left().report.plantings
    assert (seed.harvest_kg.p50, seed.pieces or 0, seed.kg_per_plant) == (0, 0, 0)
    assert [term for term in seed.working if term.value == 0]
    assert seed.plants == 24

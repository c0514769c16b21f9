"""A plan's document, and the one of which parts that stay are made once."""

import copy
import json

import pytest

from ample_rows.core import plan as p
from ample_rows.core.edits import ChangePlanting, apply_edit
from ample_rows.crops import load_book
from ample_rows.demo import demo_plans

PLANS = demo_plans(load_book())


@pytest.mark.parametrize("plan", PLANS, ids=lambda plan: plan.garden.name)
def test_the_shared_document_is_the_document(plan):
    assert json.dumps(p.shared_document(plan)) == json.dumps(p.document(plan))


@pytest.mark.parametrize("plan", PLANS, ids=lambda plan: plan.garden.name)
def test_an_edit_changes_nothing_that_is_shared(plan):
    before = copy.deepcopy(p.shared_document(plan))
    first = plan.plantings[0]
    after = apply_edit(plan, ChangePlanting(id=first.id, changes={"x-own": [1]}))
    assert p.shared_document(plan) == before
    assert json.dumps(p.shared_document(after)) == json.dumps(p.document(after))
    kept = zip(
        p.shared_document(plan)["plantings"], p.shared_document(after)["plantings"], strict=True
    )
    assert [one is other for one, other in kept] == [False] + [True] * (len(plan.plantings) - 1)

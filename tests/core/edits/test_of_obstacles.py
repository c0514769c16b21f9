"""Edits of what casts shade: by id, also in a plan whose file gave none."""

import pytest
from pydantic import TypeAdapter

from ample_rows.core import plan as p
from ample_rows.core.edits import Edit, apply_edit
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.plan.reading import PlanFaultsError
from tests.conftest import document

EDIT = TypeAdapter(Edit)
HOUSE = [[0, 0], [6, 0], [6, 4], [0, 4]]
TREE = {"kind": "tree", "outline_m": [[8, 8], [9, 8], [9, 9]], "height_m": 5}
OLD = {"obstacles": [{"kind": "house", "outline_m": HOUSE, "height_m": 6}, TREE, TREE]}


@pytest.fixture
def plan(read):
    return read(document(site=OLD))


def edited(plan, **edit):
    return apply_edit(plan, EDIT.validate_python(edit))


def test_a_file_without_ids_is_read_with_them_and_comes_out_as_it_went_in(plan):
    assert [o.id for o in plan.site.obstacles] == ["house", "tree", "tree-2"]
    assert p.document(plan)["site"] == OLD


def test_an_id_that_is_given_is_kept_and_not_given_twice(read):
    site = {"obstacles": [TREE, {**TREE, "id": "tree"}]}
    assert [o.id for o in read(document(site=site)).site.obstacles] == ["tree-2", "tree"]
    with pytest.raises(PlanFaultsError, match="stands twice"):
        read(document(site={"obstacles": [{**TREE, "id": "t"}, {**TREE, "id": "t"}]}))


def test_what_is_changed_is_changed_by_its_id_and_all_keep_theirs(plan):
    after = edited(plan, do="remove-obstacle", id="tree")
    assert [o.id for o in after.site.obstacles] == ["house", "tree-2"]
    after = edited(after, do="change-obstacle", id="tree-2", changes={"height_m": 7, "leaf": None})
    assert [o.height_m for o in after.site.obstacles] == [6, 7]
    with pytest.raises(UnknownPartError, match="tree"):
        edited(after, do="remove-obstacle", id="tree")


def test_a_shape_gives_the_outline_about_the_least_corner_of_its_box(plan):
    shape = {"type": "rectangle", "width_cm": 800, "length_cm": 300}
    after = edited(
        plan, do="change-obstacle", id="house", changes={"shape": shape}, at_m=[1, 2]
    ).site.obstacles[0]
    assert after.outline_m == ((1, 2), (9, 2), (9, 5), (1, 5))
    turned = edited(plan, do="change-obstacle", id="house", changes={"heading_deg": 90})
    outline = turned.site.obstacles[0].outline_m
    assert sorted(outline) == sorted([(0, 0), (4, 0), (4, 6), (0, 6)])
    assert turned.site.obstacles[0].shape.width_cm == 600


def test_moving_keeps_the_outline_as_it_was_drawn(plan):
    after = edited(plan, do="change-obstacle", id="tree", at_m=[1, 1]).site.obstacles[1]
    assert after.outline_m == ((1, 1), (2, 1), (2, 2))


def test_an_outline_of_its_own_lets_go_of_the_shape(plan):
    edge = [[0, 0], [5, 0], [5, 3], [2, 3], [2, 4], [0, 4]]
    turned = edited(plan, do="change-obstacle", id="house", changes={"heading_deg": 10})
    after = edited(turned, do="change-obstacle", id="house", changes={"outline_m": edge})
    assert after.site.obstacles[0].shape.type == "polygon"


def test_an_obstacle_is_added_by_its_shape_and_named_for_undo(plan):
    record = {"id": "pear", "kind": "tree", "name": "pear", "height_m": 4}
    shape = {"type": "circle", "diameter_cm": 300}
    edit = EDIT.validate_python(
        {"do": "add-obstacle", "obstacle": {**record, "shape": shape}, "at_m": [2, 2]}
    )
    pear = apply_edit(plan, edit).site.obstacles[-1]
    assert edit.named(plan) == "add pear"
    assert min(x for x, _ in pear.outline_m) == 2
    assert max(x for x, _ in pear.outline_m) == 5
    with pytest.raises(PlanFaultsError, match="diameter_cm"):
        edited(plan, do="add-obstacle", obstacle={**record, "shape": {"type": "circle"}})

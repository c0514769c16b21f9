"""The grid: addresses, part cells and their true areas, words for squares."""

import json
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core import plan as p
from ample_rows.core.geometry import cells


def grid(shape: p.Shape, cell_cm: float = 30.0) -> cells.Grid:
    return cells.grid_over(shape, cells.Pitch(cell_cm, cell_cm))


def rectangle(width: float, length: float) -> p.Rectangle:
    return p.Rectangle(type="rectangle", width_cm=width, length_cm=length)


def test_letters_run_along_the_width_and_numbers_along_the_length():
    made = grid(rectangle(120, 270))
    assert (made.columns, made.rows) == (4, 9)
    assert next(iter(made.cells)) == "A1"
    assert list(made.cells)[-1] == "D9"
    assert made.box(made.cells["D1"].spot).x0 == 90
    assert made.box(made.cells["A9"].spot).y0 == 240


@pytest.mark.parametrize(
    ("width", "length", "columns", "rows", "last_area"),
    [
        (120, 240, 4, 8, 900),
        (125, 240, 5, 8, 5 * 30),  # a strip of part cells along the far edge
        (119.995, 240, 4, 8, 900),  # within the tolerance of a whole cell
        (20, 20, 1, 1, 400),  # smaller than one cell
    ],
)
def test_part_cells_lie_along_the_far_edges(width, length, columns, rows, last_area):
    made = grid(rectangle(width, length))
    assert (made.columns, made.rows) == (columns, rows)
    assert list(made.cells.values())[-1].area_cm2 == pytest.approx(last_area, abs=0.2)


@given(st.floats(20, 300), st.floats(15, 60))
def test_the_cells_of_a_circle_share_out_its_area(diameter, cell_cm):
    made = grid(p.Circle(type="circle", diameter_cm=diameter), cell_cm)
    total = sum(cell.area_cm2 for cell in made.cells.values())
    assert total == pytest.approx(math.pi * diameter**2 / 4, rel=1e-4)


def test_a_round_place_keeps_whole_cells_and_names_the_parts():
    made = grid(p.Circle(type="circle", diameter_cm=150.0))
    assert sum(cell.whole for cell in made.cells.values()) == 9
    assert made.cells["C3"].whole
    assert not made.cells["A2"].whole


def test_a_hole_takes_its_cells_away():
    ring = p.Polygon(
        type="polygon",
        outline_cm=((0, 0), (90, 0), (90, 90), (0, 90)),
        holes_cm=(((30, 30), (60, 30), (60, 60), (30, 60)),),
    )
    assert "B2" not in grid(ring).cells
    assert len(grid(ring).cells) == 8


@pytest.mark.parametrize(
    ("index", "name"), [(0, "A"), (25, "Z"), (26, "AA"), (51, "AZ"), (52, "BA"), (702, "AAA")]
)
def test_columns_beyond_the_alphabet(index, name):
    assert cells.column_name(index) == name


@pytest.mark.parametrize(
    ("addresses", "groups"),
    [
        (["A1", "A2", "B1"], 1),
        (["A1", "B2"], 2),  # a shared corner is no shared edge
        (["A1", "A3", "C1"], 3),
    ],
)
def test_cells_joined_by_edges_are_one_region(addresses, groups):
    assert len(cells.components(grid(rectangle(120, 120)), addresses)) == groups


@pytest.mark.parametrize(
    ("addresses", "words"),
    [
        (["B2"], "B2"),
        (["A1", "A2", "B1", "B2"], "A1–B2"),
        (["A1", "A2", "A3", "C7"], "A1–A3, C7"),
        (["A1", "A3", "A5", "A7", "A9"], "A1, A3, A5 and 2 more"),
        (["A9", "A10"], "A9–A10"),  # ten comes after nine
    ],
)
def test_squares_in_words(addresses, words):
    assert cells.span_words(addresses) == words


@pytest.mark.parametrize(
    ("width", "length", "cell_cm", "columns", "rows", "whole"),
    [
        (121.92, 121.92, 30, 4, 4, 16),  # 4 x 4 ft
        (121.92, 243.84, 30, 4, 8, 32),
        (121.92, 121.92, 30.48, 4, 4, 16),
        (120, 240, 30.48, 4, 8, 32),
        (120, 240, 30, 4, 8, 32),
        (125, 240, 30, 4, 8, 32),  # 31.25: 4.2 % wider
        (127, 240, 30, 5, 8, 32),  # 31.75 would be 5.8 %: a strip of 7 cm remains
        (100, 250, 30, 4, 8, 24),  # 33.3 is too wide, 31.25 is not: the width keeps its strip
        (20, 20, 30, 1, 1, 0),
    ],
)
def test_a_fitted_grid_stretches_its_squares_by_at_most_a_twentieth(
    width, length, cell_cm, columns, rows, whole
):
    shape = {"type": "rectangle", "width_cm": width, "length_cm": length}
    place = p.Place.model_validate_json(
        json.dumps(
            {
                "id": "bed",
                "kind": "framed",
                "shape": shape,
                "wall_height_cm": 30,
                "cell_cm": cell_cm,
                "grid": "fitted",
            }
        )
    )
    made = cells.grid_of(place)
    assert (made.columns, made.rows) == (columns, rows)
    assert sum(cell.whole for cell in made.cells.values()) == whole
    assert sum(cell.area_cm2 for cell in made.cells.values()) == pytest.approx(width * length)
    assert cells.cells_about(place) == len(made.cells)
    assert all(abs(side / cell_cm - 1) <= 0.05 + 1e-9 for side in made.pitch)

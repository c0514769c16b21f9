"""Stand: counts and positions, against hand-worked and published values, and properties."""

import math

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from ample_rows.core import plan as p
from ample_rows.core.geometry import lattice
from ample_rows.core.geometry.cells import Pitch, grid_over
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.planting.ground import Ground
from ample_rows.core.planting.setting_out import SettingOut
from ample_rows.core.planting.stand import stand_in_cells
from ample_rows.crops import load_book
from tests.conftest import block, planting, tub

BOOK = load_book()
RECTANGLE = p.Rectangle(type="rectangle", width_cm=120.0, length_cm=240.0)

# Smallest diameter of a circle, in spacings, that holds so many: Graham, Lubachevsky,
# Nurmela and Ostergard 1998 give the ratio of the radii.
CIRCLE_RATIOS = {
    1: 1.0,
    2: 2.0,
    3: 2.154700538,
    4: 2.414213562,
    5: 2.701301617,
    6: 3.0,
    7: 3.0,
    8: 3.304764871,
    9: 3.613125930,
    10: 3.813025631,
    11: 3.923804400,
    12: 4.029601930,
    13: 4.236067977,
    14: 4.328428555,
    15: 4.521356910,
    16: 4.615425595,
    17: 4.792033706,
    18: 4.863703305,
    19: 4.863703305,
    20: 5.122320754,
}
# Radius of equal circles in a unit square: Nurmela and Ostergard 1997.
SQUARE_RADII = {
    1: 0.5,
    2: 0.292893219,
    3: 0.254333095,
    4: 0.25,
    5: 0.207106781,
    6: 0.187680601,
    7: 0.174457630,
    8: 0.170540689,
    9: 0.166666667,
    10: 0.148204323,
    13: 0.133993514,
    16: 0.125,
    17: 0.117196743,
    20: 0.111382348,
}


def out(layout="merged", spacing=7.5, **keys):
    values = {"row_spacing_cm": 30.0, "own_ground_cm2": spacing**2, **keys}
    return SettingOut(layout=layout, spacing_cm=spacing, **values)


def laid(how, shape=RECTANGLE, cells=None, whole=False, cell_cm=30.0):
    pitch = Pitch(cell_cm, cell_cm)
    named = tuple(grid_over(shape, pitch).cells) if cells is None else cells
    ground = Ground(shape=shape, pitch=pitch, cells=named, whole_place=whole)
    return stand_in_cells(ground, how, BOOK)


@pytest.mark.parametrize(
    ("width", "length", "spacing", "plants"),
    [
        (120, 240, 30, 32),  # exact fit, 4 x 8
        (119.9, 240, 30, 24),  # a millimetre short loses a row
        (62.3, 62.3, 8.9, 49),  # an exact fit that a bare floor misses
        (60, 60, 7.5, 64),
        (60, 60, 61, 0),
    ],
)
def test_square_lattice_in_a_box(width, length, spacing, plants):
    box = Box(0, 0, width, length)
    found = lattice.square_in_box(box, x_spacing_cm=spacing, y_spacing_cm=spacing)
    assert len(found) == plants


@pytest.mark.parametrize(
    ("layout", "spacing", "keys", "plants"),
    [
        ("merged", 25, {}, 36),
        ("single-squares", 25, {}, 32),  # one in each of 32
        ("single-squares", 10, {}, 9 * 32),
        ("single-squares", 30.5, {}, 32),  # within the setting-out slack of one cell
        ("single-squares", 45, {}, 8),  # blocks of 2 x 2
        ("single-squares", 90, {}, 2),  # blocks of 3 x 3
        ("rows", 10, {"row_spacing_cm": 40.0}, 72),  # three rows of 24
        ("rows", 20, {"row_spacing_cm": 25.0}, 54),  # nine rows across of six
        ("offset", 20, {}, None),  # worked by `offset_by_hand`
        ("single-squares", 30, {"per_cell": 5}, 160),
    ],
)
def test_layouts_of_a_whole_bed(layout, spacing, keys, plants):
    found = laid(out(layout, spacing, **keys), whole=True)
    if layout == "offset":
        plants = offset_by_hand(120, 240, spacing)
    assert len(found.positions) == plants


def offset_by_hand(width, length, s):
    """Rows s * sqrt(3) / 2 apart, along either side, every second one shifted by s / 2."""

    def rows_along(across, along):
        rows = 1 + int((along - s) / (s * math.sqrt(3) / 2) + 1e-9)
        full = int(across / s + 1e-9)
        shifted = int((across - s / 2) / s + 1e-9)
        return (rows + 1) // 2 * full + rows // 2 * shifted

    return max(rows_along(width, length), rows_along(length, width))


@pytest.mark.parametrize("count", sorted(CIRCLE_RATIOS))
def test_round_places_reach_the_best_known_packings(count):
    diameter = 60.0
    spacing = diameter / CIRCLE_RATIOS[count] - 1e-4
    found = laid(out(spacing=spacing), p.Circle(type="circle", diameter_cm=diameter), whole=True)
    assert len(found.positions) >= count


@pytest.mark.parametrize("count", sorted(SQUARE_RADII))
def test_plants_a_square_are_the_best_known_even_arrangement(count):
    found = laid(out("single-squares", per_cell=count), cells=("A1",))
    assert len(found.positions) == count
    assert found.spacing_cm == pytest.approx(60 * SQUARE_RADII[count], abs=1e-3)


def test_regions_apart_are_laid_out_for_themselves(grown):
    together = grown(planting(cells=block("A1", "B2")))
    apart = grown(planting(cells=("A1", "A2", "C1", "C2")))
    assert together.plants == 64
    assert apart.plants == 2 * 4 * 8


def test_stations_hold_several_plants_at_one_point(grown):
    report = grown(planting("beetroot", layout="stations", plants_per_station=4, spacing_cm=20))
    assert report.plants == 9 * 4
    assert len(report.positions_cm) == report.plants
    assert len(set(report.positions_cm)) == 9


def test_a_thick_band_stands_closer_than_single_plants(grown):
    single, band = grown(planting()), grown(planting(layout="band"))
    assert band.plants > single.plants
    assert band.spacing_cm < single.spacing_cm


def test_the_layout_of_a_planting_is_its_own_then_the_gardens(grown):
    own = grown(planting("lettuce", layout="rows"), policies={"layout": "single-squares"})
    garden = grown(planting("lettuce"), policies={"layout": "single-squares"})
    neither = grown(planting("lettuce"))
    assert [own.layout, garden.layout, neither.layout] == ["rows", "single-squares", "merged"]


def test_all_of_a_tub_goes_to_its_walls(grown):
    whole = grown(planting("lettuce", "all", place="tub", spacing_cm=15), places=[tub()])
    assert whole.plants == 7


LAYOUTS = st.sampled_from(["merged", "offset", "rows", "single-squares"])
SHAPES = st.sampled_from(
    [
        RECTANGLE,
        p.Circle(type="circle", diameter_cm=95.0),
        p.Polygon(
            type="polygon", outline_cm=((0, 0), (200, 0), (200, 80), (80, 80), (80, 160), (0, 160))
        ),
        p.Polygon(
            type="polygon",
            outline_cm=((0, 0), (120, 0), (120, 120), (0, 120)),
            holes_cm=(((45, 45), (75, 45), (75, 75), (45, 75)),),
        ),
    ]
)


@given(LAYOUTS, SHAPES, st.floats(8, 40))
def test_plants_never_crowd_closer_than_their_spacing(layout, shape, spacing):
    how = out(layout, spacing, row_spacing_cm=spacing)
    found = laid(how, shape, whole=True).positions
    assume(len(found) > 1)
    nearest = min(math.dist(a, b) for i, a in enumerate(found) for b in found[:i])
    slack = 0.02 * spacing if layout == "single-squares" else 0.02
    assert nearest >= spacing - slack - 0.02


@given(SHAPES, st.floats(6, 60))
def test_every_plant_stands_inside(shape, spacing):
    from shapely import Point

    from ample_rows.core.geometry.shapes import outline

    inside = outline(shape).buffer(0.01)
    assert all(
        inside.contains(Point(x, y))
        for x, y in laid(out(spacing=spacing), shape, whole=True).positions
    )


@given(st.floats(30, 200), st.floats(30, 200), st.floats(5, 60), st.floats(1, 1.6))
def test_wider_spacing_never_fits_more(width, length, spacing, wider):
    shape = p.Rectangle(type="rectangle", width_cm=width, length_cm=length)
    for layout in ("merged", "offset", "rows"):
        close = laid(out(layout, spacing, row_spacing_cm=spacing), shape, whole=True)
        wide_cm = spacing * wider
        wide = laid(out(layout, wide_cm, row_spacing_cm=wide_cm), shape, whole=True)
        assert len(wide.positions) <= len(close.positions)


@given(st.floats(30, 150), st.floats(30, 150), st.floats(0, 60), st.floats(6, 40))
def test_more_ground_never_fits_fewer(width, length, more, spacing):
    small = p.Rectangle(type="rectangle", width_cm=width, length_cm=length)
    large = p.Rectangle(type="rectangle", width_cm=width + more, length_cm=length)
    for layout in ("merged", "offset", "rows"):
        how = out(layout, spacing, row_spacing_cm=spacing)
        fewer, plenty = laid(how, small, whole=True), laid(how, large, whole=True)
        assert len(fewer.positions) <= len(plenty.positions)


@given(st.floats(40, 200), st.floats(40, 200), st.floats(6, 40))
def test_turning_a_bed_changes_no_count(width, length, spacing):
    upright = p.Rectangle(type="rectangle", width_cm=width, length_cm=length)
    turned = p.Rectangle(type="rectangle", width_cm=length, length_cm=width)
    for layout in ("merged", "offset", "rows"):
        how = out(layout, spacing, row_spacing_cm=1.5 * spacing)
        one, other = laid(how, upright, whole=True), laid(how, turned, whole=True)
        assert len(one.positions) == len(other.positions)

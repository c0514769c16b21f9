"""The search for the fullest lattice against one a hundred times finer, on random outlines."""

import math
import random

import numpy as np
import pytest
import shapely

from ample_rows.core.geometry.lattice_search import Lattice, fullest

TURNS, HEIGHTS, SHIFTS = 60, 20, 20


def star(rng, corners, radius, flat=1.5):
    """A random outline seen from its middle; `flat` draws it out along x."""
    reach = [radius * rng.uniform(0.55, 1) for _ in range(corners)]
    angles = [2 * math.pi * i / corners for i in range(corners)]
    return [(r * math.cos(a) * flat, r * math.sin(a)) for r, a in zip(reach, angles, strict=True)]


def best_of_a_finer_search(region, spacing, offset):
    """Counts over many turns, heights and shifts, point by point."""
    between = spacing * math.sqrt(3) / 2 if offset else spacing
    best = 0
    for angle in np.linspace(0, math.pi / 3 if offset else math.pi / 2, TURNS, endpoint=False):
        turned = shapely.affinity.rotate(region, -angle, origin=(0, 0), use_radians=True)
        inner = turned.buffer(-spacing / 2, quad_segs=32, join_style="mitre")
        if inner.is_empty:
            continue
        shapely.prepare(inner)
        x0, y0, x1, y1 = inner.bounds
        rows = np.arange(-1, math.ceil((y1 - y0) / between) + 1)
        columns = np.arange(-2, math.ceil((x1 - x0) / spacing) + 1)
        shift = np.where(rows % 2, spacing / 2 if offset else 0, 0)[:, None]
        x = x0 + columns[None, :] * spacing + shift
        y = np.broadcast_to(y0 + rows[:, None] * between, x.shape)
        for up in np.linspace(0, between, HEIGHTS, endpoint=False):
            along = np.linspace(0, spacing, SHIFTS, endpoint=False)[:, None, None]
            xs = (x[None] + along).ravel()
            ys = np.broadcast_to(y[None] + up, (SHIFTS, *y.shape)).ravel()
            inside = shapely.contains_xy(inner, xs, ys).reshape(SHIFTS, -1)
            best = max(best, int(inside.sum(axis=1).max()))
    return best


@pytest.mark.parametrize("seed", range(12))
def test_at_most_one_plant_or_three_in_a_hundred_below_a_finer_search(seed):
    rng = random.Random(seed)
    hole = [(x * 0.15, y * 0.15) for x, y in star(rng, 6, 60)]
    region = shapely.Polygon(star(rng, rng.choice([5, 8, 40]), rng.uniform(50, 110)), [hole])
    region = region.buffer(0)
    spacing, offset = rng.choice([11, 16, 22, 35]), rng.random() < 0.5
    lattice = Lattice(spacing, spacing * math.sqrt(3) / 2 if offset else spacing, offset)
    found = fullest(region, lattice, turns=True)
    fine = best_of_a_finer_search(region, spacing, offset)
    assert len(found) >= fine - max(1, 0.03 * fine)
    apart = min((math.dist(a, b) for i, a in enumerate(found) for b in found[:i]), default=spacing)
    assert apart >= spacing - 0.01
    spots = shapely.points(found)
    assert shapely.contains(region, spots).all()
    assert (shapely.distance(region.boundary, spots) >= spacing / 2 - 0.011).all()


def test_rows_run_along_the_sides_of_a_bed_set_askew():
    bed = shapely.affinity.rotate(shapely.box(0, 0, 120, 240), 27, origin=(0, 0))
    assert len(fullest(bed, Lattice(30, 30, offset=False), turns=True)) == 4 * 8


def test_rows_of_two_spacings_find_their_way_in_a_bed_set_askew():
    bed = shapely.affinity.rotate(shapely.box(0, 0, 120, 240), -33, origin=(0, 0))
    assert len(fullest(bed, Lattice(10, 40, offset=False), turns=True)) == 3 * 24


def test_a_ring_is_planted_round_its_hole():
    ring = shapely.Polygon(
        shapely.box(0, 0, 120, 120).exterior.coords, [shapely.box(40, 40, 80, 80).exterior.coords]
    )
    # The whole square holds 4 x 4; of those the hole takes the four in the middle.
    assert len(fullest(ring, Lattice(30, 30, offset=False), turns=False)) == 12


def test_where_nothing_fits_nothing_is_set():
    assert fullest(shapely.box(0, 0, 20, 200), Lattice(30, 30, offset=False), turns=True) == []
    assert fullest(shapely.Polygon(), Lattice(30, 30, offset=False), turns=True) == []

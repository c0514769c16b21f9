"""Shade against rays cast one a minute, and against cases worked out by hand."""

import math
from datetime import date

import numpy as np
import pytest

from ample_rows.core import plan as p
from ample_rows.core.site.place_sun import sky_over
from ample_rows.core.site.shade import hours_of_sun
from ample_rows.core.site.sun_map import sun_by_month, sun_on_day
from ample_rows.core.site.sun_path import Location, sample_days, sun_path
from ample_rows.core.site.yard import yard_of
from tests.conftest import document
from tests.core.site.rays import ray_hours

SQUARE = ((0.0, 0.0), (12.0, 0.0), (12.0, 12.0), (0.0, 12.0))
EQUINOX = date(2027, 3, 20)


def box(x0, y0, x1, y1, height_m, **more):
    ring = ((x0, y0), (x1, y0), (x1, y1), (x0, y1))
    return p.Obstacle(outline_m=ring, height_m=height_m, **more)


def hours_at(book, points, site, *, latitude=51.9, day=EQUINOX, heights=None):
    points = np.array(points, dtype=float)
    heights = np.zeros(len(points)) if heights is None else np.array(heights, dtype=float)
    path = sun_path(Location(latitude, 0.0, 0.0), (day,), 1.0)
    return hours_of_sun(points, heights, yard_of(site, latitude, book), path)[:, 0].sum(axis=1)


@pytest.fixture(scope="session")
def garden_values(read):
    return read(document()).garden


def random_site(rng):
    """A yard turned any way, with six many-sided things standing in it."""
    obstacles = []
    for _ in range(6):
        middle, corners = rng.uniform(0, 12, 2), rng.integers(3, 7)
        turns = np.sort(rng.uniform(0, 2 * math.pi, corners))
        out = rng.uniform(0.5, 2.5)
        ring = [middle + out * np.array([math.cos(t), math.sin(t)]) for t in turns]
        obstacles.append(
            p.Obstacle(
                outline_m=tuple((float(x), float(y)) for x, y in ring),
                height_m=float(rng.uniform(0.5, 7)),
            )
        )
    return p.Site(
        outline_m=SQUARE, obstacles=tuple(obstacles), north_deg=float(rng.uniform(0, 360))
    )


@pytest.mark.parametrize("seed", range(6))
def test_points_agree_with_rays_in_random_yards(book, seed):
    rng = np.random.default_rng(seed)
    site, latitude = random_site(rng), float(rng.uniform(-65, 65))
    where, day = Location(latitude, 0.0, 0.0), date(2027, int(rng.integers(1, 13)), 12)
    points = rng.uniform(0, 12, (400, 2))
    rays, grazing = ray_hours(points, site, where, day)
    off = np.abs(hours_at(book, points, site, latitude=latitude, day=day) - rays) > 0.1
    listed = [(tuple(points[i].round(2)), float(rays[i])) for i in np.flatnonzero(off)]
    assert off.mean() <= 0.01, f"cells that disagree, with their hours by rays: {listed}"
    assert not (off & ~grazing).sum() > 1, f"beyond those that graze an edge: {listed}"


@pytest.mark.parametrize("seed", range(3))
def test_a_yard_s_months_agree_with_rays(book, garden_values, seed):
    rng = np.random.default_rng(100 + seed)
    site, latitude = random_site(rng), float(rng.uniform(-60, 60))
    garden = garden_values.model_copy(update={"latitude": latitude, "longitude": 0.0})
    found = sun_by_month(SQUARE, sky_over(garden, site, 2027, book))
    spots = rng.choice(found.columns * found.rows, 150, replace=False)
    points = np.stack(
        [
            found.x0_m + (spots % found.columns) * found.step_m,
            found.y0_m + (spots // found.columns) * found.step_m,
        ],
        axis=1,
    )
    month = int(rng.integers(0, 12))
    where = Location(latitude, 0.0, 0.0)
    days = [day for day in sample_days(2027) if day.month == month + 1]
    rays = np.mean([ray_hours(points, site, where, day)[0] for day in days], axis=0)
    ours = np.array(found.tenths[month])[spots] / 10
    # A tenth of an hour, and the half tenth by which the map is rounded.
    assert (np.abs(ours - rays) > 0.15).mean() <= 0.01


def test_open_ground_has_all_the_sun_there_is(book):
    (hours,) = hours_at(book, [[5, 5]], p.Site())
    assert hours == pytest.approx(12.0, abs=0.15)


@pytest.mark.parametrize(("latitude", "wall_y"), [(51.9, -1.2), (-37.6, 1.0)])
def test_a_long_wall_on_the_sunny_side_hides_the_equinox_noon_by_its_height(book, latitude, wall_y):
    # At the equinox the noon sun stands 90 - latitude high, so a wall of 1 m shades
    # tan(latitude) metres at noon; there, nearly the whole day is hidden.
    wall = box(-500, wall_y, 500, wall_y + 0.2, 1.0)
    side = 1 if latitude > 0 else -1
    edge = 0 if latitude > 0 else 1.0
    reach = math.tan(math.radians(abs(latitude)))
    near, far = edge - 1.0 * (latitude > 0) + side * reach * 0.95, edge + side * (reach + 2)
    (shaded, lit) = hours_at(
        book, [[0, near], [0, far]], p.Site(obstacles=(wall,)), latitude=latitude
    )
    assert shaded < 1.5
    assert lit > 8.0


def test_a_wall_on_the_pole_side_takes_nothing_at_the_equinox(book):
    wall = box(-50, 1, 50, 1.2, 3.0)
    (hours,) = hours_at(book, [[0, 0]], p.Site(obstacles=(wall,)))
    assert hours == pytest.approx(12.0, abs=0.2)


def test_north_turns_the_yard(book):
    wall = box(-50, 1, 50, 1.2, 3.0)
    (hours,) = hours_at(book, [[0, 0]], p.Site(obstacles=(wall,), north_deg=180))
    assert hours < 1.0


def test_soil_that_stands_higher_sees_over_a_low_wall(book):
    site = p.Site(obstacles=(box(-50, -0.5, 50, -0.4, 0.6),))
    on_ground, on_fill = hours_at(book, [[0, 0], [0, 0]], site, heights=[0, 0.6])
    assert on_fill > on_ground + 3


@pytest.mark.parametrize(
    ("latitude", "leaf_months", "passes"),
    [
        (51.9, (3, 11), 0.04),
        (51.9, (4, 11), 0.46),
        (-37.6, (9, 4), 0.04),
        (-37.6, (9, 2), 0.46),
        (51.9, None, 0.46),
        (-37.6, None, 0.04),
    ],
)
def test_a_tree_lets_light_through_by_its_months_of_leaf(book, latitude, leaf_months, passes):
    y = -3 if latitude > 0 else 1
    tree = box(-90, y, 90, y + 2, 90, kind="tree", leaf="deciduous", leaf_months=leaf_months)
    (hours,) = hours_at(book, [[0, 0]], p.Site(obstacles=(tree,)), latitude=latitude)
    assert hours / 12 == pytest.approx(passes, abs=0.03)


def test_light_passes_below_a_raised_crown(book):
    crown = {"kind": "tree", "leaf": "evergreen"}
    low = p.Site(obstacles=(box(-40, -6, 40, -5, 12, **crown),))
    raised = p.Site(obstacles=(box(-40, -6, 40, -5, 12, crown_base_m=5.5, **crown),))
    day = date(2027, 1, 5)
    assert hours_at(book, [[0, 0]], raised, day=day) > hours_at(book, [[0, 0]], low, day=day) + 5


def test_hills_hide_the_low_sun(book):
    site = p.Site(horizon_deg=(20.0, 20.0, 20.0, 20.0))
    (hours,) = hours_at(book, [[0, 0]], site)
    assert 6 < hours < 9


def test_a_slope_to_the_sun_side_lifts_the_ground_above_a_wall(book):
    wall = box(-50, -5, 50, -4.8, 1.5)
    slope = p.Slope(fall_percent=20, downhill_deg=180)
    level, sloped = p.Site(obstacles=(wall,)), p.Site(obstacles=(wall,), slope=slope)
    day = date(2027, 12, 21)
    assert hours_at(book, [[0, 0]], sloped, day=day) > hours_at(book, [[0, 0]], level, day=day)


def test_a_point_inside_a_house_has_no_sun(book):
    assert hours_at(book, [[1, 1]], p.Site(obstacles=(box(0, 0, 2, 2, 3),))) == 0


def test_a_map_leaves_out_what_lies_outside_the_yard(book, garden_values):
    corner = ((0.0, 0.0), (4.0, 0.0), (0.0, 4.0))
    found = sun_on_day(corner, sky_over(garden_values, p.Site(), 2027, book), EQUINOX)
    (layer,) = found.tenths
    assert len(layer) == found.rows * found.columns == 256
    assert layer[0] > 100
    assert layer[-1] == -1


def test_a_huge_yard_is_mapped_more_coarsely(book, garden_values):
    field = ((0.0, 0.0), (300.0, 0.0), (300.0, 200.0), (0.0, 200.0))
    found = sun_on_day(field, sky_over(garden_values, p.Site(), 2027, book), EQUINOX)
    assert found.step_m == 4.0

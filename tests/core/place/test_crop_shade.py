"""Shade of supports and tall crops: against a wall of the same size, and what it must never do."""

from dataclasses import replace
from datetime import date

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.ask.supports.edges import edge_choices
from ample_rows.core.calendar.dates import dates_of
from ample_rows.core.calendar.growing_year import growing_year
from ample_rows.core.calendar.season import relief
from ample_rows.core.edits import ChangePlace, apply_edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import pitch_of
from ample_rows.core.place.crop_shade import crop_shades
from ample_rows.core.place.place_cases import setting_of
from ample_rows.core.place.tall import tall_in
from ample_rows.core.site.place_sun import high_path, lit_on, sky_of
from ample_rows.core.site.shade import share_lit
from ample_rows.core.site.stays import spot_of
from ample_rows.core.site.yard import Caster, Yard
from ample_rows.demo import demo_plans
from tests.conftest import bed, document, planting

OPEN = {"outline_m": [[0, 0], [12, 0], [12, 12], [0, 12]]}
NET = {"id": "net", "system": "net", "height_cm": 180, "edge": "south"}


def shaded(**changes):
    """A bed that runs east in an open yard, a net along one side."""
    place = bed(at_m=[4, 6], heading_deg=90, supports=[NET], **changes)
    return {**place, "sun_hours": None}


def beans(**changes):
    return planting(
        "climbing-bean",
        (),
        **{"id": "beans", "support": "net", "start_date": "2027-05-20"} | changes,
    )


def lettuce(cells, **changes):
    keys = {"id": "low", "start_date": "2027-06-20", "start": "transplant"} | changes
    return planting("lettuce", cells, **keys)


@pytest.fixture
def light(reported):
    def of(*plantings, place=None, **garden):
        doc = document(*plantings, places=[place or shaded()], site=OPEN, **garden)
        return {r.id: r.light for r in reported(doc).plantings}

    return of


def test_a_row_behind_beans_loses_sun_and_one_before_them_does_not(light):
    south = light(beans(), lettuce(("C3", "C4")))["low"]
    assert south.lost_to_neighbours > 0.3
    assert south.behind == "climbing French bean"
    moved = shaded()
    moved["supports"] = [{**NET, "edge": "north"}]
    north = light(beans(), lettuce(("C3", "C4")), place=moved)["low"]
    assert north.lost_to_neighbours < south.lost_to_neighbours / 3
    assert north.useful_hours > south.useful_hours


def test_in_the_south_the_sides_change_places(light):
    seasons = {"last_frost": "2027-09-05", "first_frost": "2028-05-20", "latitude": -37.6}
    day = {"start_date": "2028-01-20"}
    moved = shaded()
    moved["supports"] = [{**NET, "edge": "north"}]
    tall = beans(start_date="2027-12-10")
    # As far from the net each time: B from the north side, C from the south.
    behind_north = light(tall, lettuce(("B3", "B4"), **day), place=moved, **seasons)["low"]
    behind_south = light(tall, lettuce(("C3", "C4"), **day), **seasons)["low"]
    shaded_north = behind_north.lost_to_neighbours
    shaded_south = behind_south.lost_to_neighbours
    assert shaded_north > shaded_south + 0.2


def test_only_while_both_stand(light):
    spring = lettuce(("C3", "C4"), start_date="2027-03-20", clear_date="2027-05-18")
    wires = {**shaded(), "supports": [{**NET, "system": "strings"}]}
    assert light(beans(), spring, place=wires)["low"].lost_to_neighbours < 0.1


def test_hours_that_were_counted_are_left_as_they_are(light):
    found = light(beans(), lettuce(("C3", "C4")), place={**shaded(), "sun_hours": 7})["low"]
    assert (found.useful_hours, found.lost_to_neighbours) == (7, 0)


def test_a_box_that_lets_nothing_through_is_a_wall(book, read):
    """The box's geometry against the obstacles' skylines, which are reckoned quite otherwise."""
    solid = {
        name: system.model_copy(
            update={
                "build": system.build.model_copy(update={"passes_leafed": 0.0, "passes_bare": 1.0})
            }
        )
        for name, system in book.trainings.items()
    }
    book = replace(book, trainings=solid)
    plan = read(document(beans(), lettuce(("C3", "C4")), places=[shaded()], site=OPEN))
    setting = setting_of(plan, book)
    sky = sky_of(plan, setting.year.start.year, book)
    shade = crop_shades(plan.places, plan.plantings, setting, sky, book)["bed"]
    lost = next(s for s in shade if s.planting == "low").lost_hours
    place = plan.places[0]
    wall = next(t for t in tall_in(place, plan.plantings, setting, sky, book) if t.id == "beans")
    ground = lit_on(place.shape, pitch_of(place), spot_of(place, None), 30.0, sky)
    points = ground.points_m[[ground.rows["C3"], ground.rows["C4"]]]
    path = high_path(sky)
    day = 13  # late in July, when both stand
    assert path.days[day] == date(2027, 7, 23)
    leaves = 0.3 + _height(plan, book, day) / 2
    ring = wall.corners_m
    counter = ring if _area(ring) > 0 else ring[::-1]
    caster = Caster(tuple(counter), None, wall.foot_m + wall.heights_m[day], (0.0,) * 12)
    yard = Yard((caster,), 0.0, (), (0.0, 0.0))
    share = share_lit(points, np.full(2, leaves), yard, path)
    there = path.day_index == day
    hours = (1 - share[there]).mean(axis=1).sum() * path.step_hours
    assert lost[day] == pytest.approx(hours, abs=0.12)
    assert lost[day] > 0.5


def _area(ring):
    return sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(ring, (*ring[1:], ring[0]), strict=True))


def _height(plan, book, day):
    growth = next(r.growth for r in Estimate(plan, book, "x").report.plantings if r.id == "low")
    age = (date(2027, 7, 23) - growth.start).days
    return np.interp(age, np.arange(len(growth.height_cm)) * 7, growth.height_cm) / 100


@given(column=st.sampled_from("ABCD"), row=st.integers(1, 8), width=st.integers(1, 3))
def test_a_tall_neighbour_never_adds_sun_nor_harvest(book, read, column, row, width):
    cells = tuple(f"{column}{r}" for r in range(row, min(8, row + width - 1) + 1))
    alone = read(document(lettuce(cells), places=[shaded()], site=OPEN))
    beside = read(document(lettuce(cells), beans(), places=[shaded()], site=OPEN))
    first, second = (Estimate(plan, book, "x").report.plantings[0] for plan in (alone, beside))
    assert second.light.useful_hours <= first.light.useful_hours + 1e-9
    assert second.light.hours >= 0
    assert second.harvest_kg.p50 <= first.harvest_kg.p50 + 1e-9


def test_cool_crops_gain_in_hot_afternoons_only(book, read):
    def gains(crop, mean_c, late_share):
        climate = {"tmin_c": [mean_c - 5] * 12, "tmax_c": [mean_c + 5] * 12, "rain_mm": [60] * 12}
        plan = read(document(planting(crop), climate=climate))
        year, of_book = growing_year(plan.garden, book), book.crops[crop]
        dates = dates_of(plan.plantings[0], of_book, year, book)
        return relief(year, of_book, dates, late_share, book)

    assert gains("carrot", 18.0, 0.5) == 1
    # Best up to 21, nothing at 29: at 25 half grows, a degree and a half cooler 11 sixteenths.
    assert gains("carrot", 25.0, 0.5) == pytest.approx(1.25)
    assert gains("carrot", 23.0, 0.5) == pytest.approx((29 - 21.5) / (29 - 23))
    assert gains("carrot", 28.0, 1.0) == 1.25
    assert gains("carrot", 25.0, 0.0) == 1
    assert gains("cowpea", 29.0, 0.5) == 1


def test_the_poleward_side_is_best_for_a_net_in_either_hemisphere(book):
    north, south, _ = demo_plans(book)
    best = edge_choices(Estimate(north, book), "south", "net")
    assert best[0].edge == "north"
    assert best[0].here_now
    loss = {choice.edge: choice.loss_kg for choice in best}
    assert loss["south"] > 1
    assert {c.edge: c.length_cm for c in best}["east"] == 120
    net = {"id": "net", "height_cm": 170, "system": "mesh"}
    at_an_edge = apply_edit(south, ChangePlace(id="tall", changes={"supports": [net]}))
    assert edge_choices(Estimate(at_an_edge, book), "tall", "net")[0].edge == "south"
    # Along a line within the bed there is no side to choose.
    assert edge_choices(Estimate(south, book), "tall", "net") == ()


def test_moving_a_support_keeps_each_plantings_share_of_it(book):
    plan = demo_plans(book)[0]
    east = next(c for c in edge_choices(Estimate(plan, book), "south", "net") if c.edge == "east")
    moved = apply_edit(plan, east.move.edit)
    runs = {
        planting.id: planting.run_cm for planting in moved.plantings if planting.support == "net"
    }
    assert runs["p1"] == pytest.approx((0, 150 * 120 / 270), abs=0.1)
    assert runs["p2"] == pytest.approx((150 * 120 / 270, 120), abs=0.1)

"""Reading a document: every fault named at its path, nothing half read."""

import contextlib
import json

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core import plan as p
from ample_rows.core.checks import read_plan
from ample_rows.core.plan.reading import PlanFaultsError, path_of
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from ample_rows.demo import NAMES, demo_plans
from tests.conftest import bed, document, planting, rectangle

BOOK = load_book()


def faults_of(doc):
    raw = doc if isinstance(doc, bytes | str) else json.dumps(doc)
    with pytest.raises(PlanFaultsError) as raised:
        read_plan(raw, BOOK)
    return {fault.path: said(fault.text) for fault in raised.value.faults}


def with_planting(**changes):
    return document(planting(**changes))


def with_place(**changes):
    return document(places=[bed(**changes)])


@pytest.mark.parametrize(
    ("raw", "words"),
    [
        (b"", "not JSON"),
        (b"{", "not JSON"),
        (b"[]", "must be an object"),
        (b'"plan"', "must be an object"),
        (b"\xff\xfe{}", "not UTF-8"),
        (b"[" * 100_000, "nested too deeply"),
        (json.dumps(document())[:200].encode(), "not JSON"),
    ],
)
def test_what_is_no_document_is_said_in_a_line(raw, words):
    (text,) = faults_of(raw).values()
    assert words in text.lower() or words in text


@pytest.mark.parametrize(
    ("number", "words"),
    [
        ("NaN", "NaN"),
        ("Infinity", "Infinity"),
        ("-Infinity", "-Infinity"),
        ("1e999", "Infinity"),
        ("1e308", "at most"),
        ("-1", "at least"),
        ("true", "must be a number"),
        ('"30"', "must be a number"),
        ("9" * 400, "Infinity"),
    ],
)
def test_hostile_numbers_are_named_at_their_path(number, words):
    raw = json.dumps(with_place()).replace('"wall_height_cm": 33', f'"wall_height_cm": {number}')
    faults = faults_of(raw)
    assert list(faults) == ["places[0].wall_height_cm"]
    assert words in faults["places[0].wall_height_cm"]


def test_a_key_given_twice_is_named():
    raw = json.dumps(document()).replace('"latitude": 51.9', '"latitude": 51.9, "latitude": 5')
    assert faults_of(raw) == {"garden.latitude": "the key stands twice"}


@pytest.mark.parametrize(
    ("changes", "path"),
    [
        ({"format": "other/plan"}, "format"),
        ({"version": 2}, "version"),
        ({"version": True}, "version"),
        ({"garden": None}, "garden"),
        ({"colour": "green"}, "colour"),
        ({"places": {}}, "places"),
    ],
)
def test_the_frame_of_the_document(changes, path):
    assert path in faults_of({**document(), **changes})


@pytest.mark.parametrize("key", ["format", "version", "garden"])
def test_what_is_required_is_asked_for(key):
    doc = document()
    del doc[key]
    assert faults_of(doc)[key] == "is required"


@pytest.mark.parametrize(
    ("changes", "path", "words"),
    [
        ({"latitude": 91}, "garden.latitude", "at most 90"),
        ({"last_frost": "2027-02-30"}, "garden.last_frost", "date that exists"),
        ({"last_frost": "25.4.2027"}, "garden.last_frost", "date that exists"),
        ({"first_frost": "2027-04-01"}, "garden.first_frost", "after the last frost"),
        ({"first_frost": "2029-04-01"}, "garden.first_frost", "within a year"),
        ({"season_start": "2030-01-01"}, "garden.season_start", "within a year"),
        ({"seed": 1.5}, "garden.seed", "whole number"),
        ({"climate": {"tmin_c": [1.0] * 11}}, "garden.climate.tmin_c", "12"),
        (
            {"climate": {"tmin_c": [9.0] * 12, "tmax_c": [5.0] * 12}},
            "garden.climate.tmax_c[0]",
            "below",
        ),
        (
            {"household": {"wants": [{"crop": "moonfruit", "kg_per_year": 3}]}},
            "garden.household.wants[0].crop",
            "crop book",
        ),
        (
            {"household": {"wants": [{"crop": "carrot", "kg_per_year": -3}]}},
            "garden.household.wants[0].kg_per_year",
            "at least 0",
        ),
        ({"policies": {"depth": "bottomless"}}, "garden.policies.depth", "shallow"),
    ],
)
def test_faults_of_the_garden(changes, path, words):
    assert words in faults_of(document(**changes))[path]


@pytest.mark.parametrize(
    ("changes", "path", "words"),
    [
        ({"shape": rectangle(0.5, 240)}, "places[0].shape.width_cm", "at least 1"),
        ({"shape": rectangle(120, 20_000)}, "places[0].shape.length_cm", "at most 10000"),
        ({"shape": {"type": "star"}}, "places[0].shape", "rectangle"),
        ({"shape": {"type": "circle"}}, "places[0].shape.diameter_cm", "required"),
        (
            {"shape": {**rectangle(20, 20), "measured": "outside", "wall_thickness_cm": 10}},
            "places[0].shape.wall_thickness_cm",
            "no room inside",
        ),
        (
            {"shape": {"type": "polygon", "outline_cm": [[0, 0], [90, 90], [90, 0], [0, 90]]}},
            "places[0].shape.outline_cm",
            "crosses",
        ),
        (
            {"shape": {"type": "polygon", "outline_cm": [[0, 0], [90, 0], [45, 0]]}},
            "places[0].shape.outline_cm",
            "",
        ),
        (
            {
                "shape": {
                    "type": "polygon",
                    "outline_cm": [[0, 0], [90, 0], [90, 90], [0, 90]],
                    "holes_cm": [[[80, 80], [200, 80], [200, 200], [80, 200]]],
                }
            },
            "places[0].shape.holes_cm",
            "inside",
        ),
        ({"cell_cm": 10}, "places[0].cell_cm", "at least 15"),
        ({"rim_gap_cm": 40}, "places[0].rim_gap_cm", "no soil"),
        ({"kind": "balloon"}, "places[0].kind", "framed"),
        ({"held": [{"cells": ["Z9"]}]}, "places[0].held[0].cells[0]", "not a cell"),
        ({"held": [{"cells": ["A1"]}, {"cells": ["A1"]}]}, "places[0].held[1].cells[0]", "twice"),
        ({"supports": [{"id": "a", "system": "ladder"}]}, "places[0].supports[0].system", "net"),
        ({"supports": [{"id": "a", "system": "net"}] * 2}, "places[0].supports[1].id", "twice"),
        ({"sun_hours": 25}, "places[0].sun_hours", "at most 24"),
        ({"id": ""}, "places[0].id", ""),
        ({"id": "a\nb"}, "places[0].id", "printable"),
    ],
)
def test_faults_of_a_place(changes, path, words):
    assert words in faults_of(with_place(**changes))[path]


@pytest.mark.parametrize(
    ("changes", "path", "words"),
    [
        ({"place": "attic"}, "plantings[0].place", "no place"),
        ({"crop": "moonfruit"}, "plantings[0].crop", "crop book"),
        ({"variety": "lettuce"}, "plantings[0].variety", "not a variety of carrot"),
        ({"cells": ["Z9"]}, "plantings[0].cells[0]", 'bed "bed"; cells run A1 to D8'),
        ({"cells": ["a1"]}, "plantings[0].cells[0]", "such as A1"),
        ({"cells": ["A1", "A1"]}, "plantings[0].cells[1]", "twice"),
        ({"cells": []}, "plantings[0].cells", "at least one cell"),
        ({"cells": "some"}, "plantings[0].cells", '"all"'),
        ({"start": "throw"}, "plantings[0].start", "sow"),
        ({"start_date": "2031-01-01"}, "plantings[0].start_date", "season"),
        ({"clear_date": "2027-04-01"}, "plantings[0].clear_date", "after the start"),
        ({"follows": "p9"}, "plantings[0].follows", "no planting"),
        ({"follows": "p1"}, "plantings[0].follows", "itself"),
        ({"layout": "spiral"}, "plantings[0].layout", "merged"),
        ({"spacing_cm": 0}, "plantings[0].spacing_cm", "at least 0.5"),
        ({"spacing_cm": 0.5, "cells": "all"}, "plantings[0].spacing_cm", "20000"),
        ({"per_cell": 101}, "plantings[0].per_cell", "at most 100"),
        ({"per_cell": 2.5}, "plantings[0].per_cell", "whole number"),
        ({"plants": 0}, "plantings[0].plants", "at least 1"),
        ({"plants": 20_001}, "plantings[0].plants", "at most 20000"),
        ({"spots_cm": []}, "plantings[0].spots_cm", "at least 1"),
        ({"spots_cm": [[10, 10], [61, 10]]}, "plantings[0].spots_cm[1]", "outside"),
        ({"spots_cm": [[10, 10], [10.5, 10]]}, "plantings[0].spots_cm[1]", "nearer than 1 cm"),
        ({"spots_cm": [[10, 10]], "plants": 2}, "plantings[0].plants", "1 spots"),
        ({"walls": "far"}, "plantings[0].walls", "near"),
        ({"support": "net"}, "plantings[0].support", "no support"),
        ({"training": "trapeze"}, "plantings[0].training", "training"),
    ],
)
def test_faults_of_a_planting(changes, path, words):
    assert words in faults_of(with_planting(**changes))[path]


def test_a_run_off_the_edge_is_a_fault():
    net = bed(heading_deg=90, supports=[{"id": "net", "system": "net"}])
    what = planting("climbing-bean", (), support="net", run_cm=[0, 300])
    assert "within 0 to 240" in faults_of(document(what, places=[net]))["plantings[0].run_cm"]


def test_a_held_cell_cannot_be_planted():
    held = bed(held=[{"cells": ["A1"], "reason": "a post"}])
    assert "a post" in faults_of(document(planting(), places=[held]))["plantings[0].cells[0]"]


def test_ids_stand_once():
    faults = faults_of(document(planting(), planting(cells=("C1",)), places=[bed(), bed()]))
    assert set(faults) == {"places[1].id", "plantings[1].id"}


def test_a_fault_says_where_in_one_line():
    with pytest.raises(PlanFaultsError) as raised:
        read_plan(json.dumps(with_planting(cells=["Z9"])), BOOK)
    assert str(raised.value) == (
        'plantings[0].cells[0]: "Z9" is not a cell of bed "bed"; cells run A1 to D8'
    )


@pytest.mark.parametrize("name", NAMES)
def test_the_demo_gardens_are_sound_and_come_back_as_they_went(name):
    from importlib.resources import files

    raw = (files("ample_rows.demo") / f"{name}.amplerows.json").read_text()
    assert p.document(read_plan(raw, BOOK)) == json.loads(raw)
    assert len(demo_plans(BOOK)) == len(NAMES)


def test_keys_of_ones_own_are_kept_untouched():
    doc = document(planting(**{"x-note": {"seen": [1, None, "ü"]}}), **{"x-mine": 3})
    plan = read_plan(json.dumps(doc), BOOK)
    assert p.document(plan) == doc


def test_a_byte_order_mark_does_no_harm():
    assert read_plan(b"\xef\xbb\xbf" + json.dumps(document()).encode(), BOOK).places


def test_location_to_path_leaves_out_what_is_not_in_the_file():
    assert path_of(("places", 0, "shape", "rectangle", "width_cm")) == "places[0].shape.width_cm"


json_values = st.recursive(
    st.none() | st.booleans() | st.floats() | st.text(max_size=8) | st.integers(),
    lambda inner: (
        st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner, max_size=3)
    ),
    max_leaves=8,
)
PATHS = [
    ("garden", "latitude"),
    ("garden", "climate"),
    ("places", 0),
    ("places", 0, "shape"),
    ("places", 0, "held"),
    ("plantings", 0, "cells"),
    ("plantings", 0, "start_date"),
    ("site",),
]


@given(st.sampled_from(PATHS), json_values)
def test_no_value_anywhere_breaks_the_reader(path, value):
    doc = document(planting())
    where = doc
    for key in path[:-1]:
        where = where[key]
    where[path[-1]] = value
    # Whatever is wrong is said as faults; any other exception fails the test.
    with contextlib.suppress(PlanFaultsError):
        plan = read_plan(json.dumps(doc), BOOK)
        assert read_plan(json.dumps(p.document(plan)), BOOK) == plan


def test_the_keys_of_the_second_edition_come_back_as_they_were():
    garden = {
        "units": "imperial",
        "words": "en-US",
        "per_square": {"kale": 2, "courgette": 0.11},
        "winter_low_c": -9.5,
        "zone": "8a",
        "policies": {"walls": "near"},
        "household": {"worth": {"tomato": 2.5}, "likes": ["fruit"]},
    }
    place = bed(grid="fitted", layout="offset", walls="half", group="six pots", own_earth_litres=80)
    row = planting(walls="near", per_cell=0.25, locked=True, plants=3)
    spots = planting(id="p2", cells=["C1"], spots_cm=[[70.5, 10], [80, 20]])
    doc = document(row, spots, places=[place], **garden)
    assert p.document(read_plan(json.dumps(doc), BOOK)) == doc

"""Ordinary data that once ended in a fault of the program: each is a figure, a note or a reason."""

import pytest

from tests.conftest import bed, document, planting, rectangle

CLIMATE = {"tmin_c": [5.0] * 12, "tmax_c": [20.0] * 12, "rain_mm": [50.0] * 12}
YARD = {"outline_m": [[0, 0], [8, 0], [8, 6], [0, 6]], "taps": [{"at_m": [1, 1], "hose_m": 5}]}


def kept(client, plan):
    answer = client.post("/api/gardens", json=plan)
    assert answer.status_code == 201
    return f"/api/gardens/{answer.json()['head']['slug']}"


@pytest.mark.parametrize("twice", [0, 1, 3])
def test_a_yard_whose_corner_is_given_twice_has_its_borders_and_stakes(client, twice):
    corners = [[0, 0], [8, 0], [8, 6], [0, 6]]
    corners.insert(twice, corners[twice])
    placed = bed(at_m=[2, 2])
    garden = kept(client, document(planting(), places=[placed], site={"outline_m": corners}))
    assert len(client.get(f"{garden}/borders").json()) == 4
    stakes = client.get(f"{garden}/set-out").json()
    assert stakes["base_m"] > 0
    assert None not in [stake["along_m"] for stake in stakes["places"][0]["stakes"]]


@pytest.mark.parametrize("day", ["9999-12-31", "2250-01-01", "0001-01-01", "1899-12-31"])
def test_days_that_no_plan_can_hold_are_refused_where_they_are_asked(client, day):
    garden = kept(client, document(planting()))
    for word in ("shelf", "follow"):
        asked = {"place": "bed", "cells": ["A1"], "day": day}
        answer = client.post(f"{garden}/{word}", json=asked)
        assert answer.status_code == 422
        assert answer.json()["errors"][0]["path"] == "day"


@pytest.mark.parametrize("last", ["1902-01-01", "2198-12-31", "1900-01-01", "9999-12-31"])
@pytest.mark.parametrize("latitude", [-66, 0, 66])
def test_a_first_bed_of_far_years_is_planted_or_refused(client, last, latitude):
    answers = {
        "name": "Far",
        "width_cm": 2000,
        "length_cm": 2000,
        "depth_cm": 5,
        "sun_hours": 24,
        "latitude": latitude,
        "last_frost": last,
    }
    assert client.post("/api/first-bed", json=answers).status_code in (201, 422)


@pytest.mark.parametrize("shape", [rectangle(1, 1), {"type": "circle", "diameter_cm": 1}])
def test_a_place_of_a_centimetre_has_its_water_reported(client, shape):
    tiny = bed(shape=shape, wall_height_cm=1, rim_gap_cm=0, bottom="closed", kind="container")
    garden = kept(client, document(places=[tiny], site=YARD, climate=CLIMATE))
    for path in ("places/bed/workings", "order", "build", "hours", "earnings"):
        assert client.get(f"{garden}/{path}").status_code == 200


def test_half_a_character_in_an_id_is_named_and_can_be_told(client):
    garden = kept(client, document(planting()))
    body = b'{"version": 1, "edit": {"do": "remove-planting", "id": "\\ud800"}}'
    headers = {"content-type": "application/json"}
    answer = client.post(f"{garden}/edits", content=body, headers=headers)
    assert answer.status_code == 404
    assert "no planting" in answer.json()["detail"]


def test_what_is_nested_without_end_or_has_endless_digits_is_refused(client):
    garden = kept(client, document(planting()))
    headers = {"content-type": "application/json"}
    deep = "[" * 100_000 + "]" * 100_000
    for value in (deep, "9" * 5_000, "1e999", "NaN"):
        body = f'{{"version": 1, "edit": {{"do": "change-garden", "changes": {{"x-a": {value}}}}}}}'
        answer = client.post(f"{garden}/edits", content=body, headers=headers)
        assert answer.status_code in (400, 422), value[:10]
        plan = f'{{"format": "ample-rows/plan", "version": 1, "x-a": {value}}}'
        assert client.post("/api/gardens", content=plan).status_code == 422


def test_a_plan_of_too_many_squares_is_refused_at_once_with_the_field(client):
    wide = bed(shape=rectangle(10_000, 10_000), cell_cm=15)
    answer = client.post("/api/gardens", json=document(places=[bed(id="small"), wide]))
    assert answer.status_code == 422
    (fault,) = answer.json()["errors"]
    assert fault["path"] == "places[1].cell_cm"
    assert "60,000" in fault["text"]


def test_a_path_of_many_kilometres_is_measured_in_good_time(client):
    yard = {**YARD, "paths": [{"line_m": [[-90_000, 1], [90_000, 1]], "width_cm": 60}]}
    placed = bed(at_m=[2, 2])
    garden = kept(client, document(planting(), places=[placed], site=yard))
    assert client.get(f"{garden}/jobs?day=2027-05-01").status_code == 200

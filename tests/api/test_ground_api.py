"""Free ground and workings over the API."""

import pytest

from tests.conftest import bed, document, planting

YARD = {
    "outline_m": [[0, 0], [9, 0], [9, 7], [0, 7]],
    "taps": [{"at_m": [1, 6], "flow_l_per_min": 10}],
}
CLIMATE = {"tmin_c": [8.0] * 12, "tmax_c": [20.0] * 12, "rain_mm": [60.0] * 12}


@pytest.fixture
def slug(client):
    doc = document(planting(), places=[bed(at_m=[1, 1])], site=YARD, climate=CLIMATE)
    return client.post("/api/gardens", json=doc).json()["head"]["slug"]


def test_a_spot_is_found_or_said_to_be_nowhere(client, slug):
    ask = f"/api/gardens/{slug}/free-spot"
    spot = client.post(ask, json={**bed(), "id": "new"}).json()["spot"]
    assert 0 < spot["at_m"][0] < 9
    assert spot["water_m"] < 9
    huge = {**bed(shape={"type": "rectangle", "width_cm": 900, "length_cm": 900}), "id": "new"}
    assert client.post(ask, json=huge).json()["spot"] is None


def test_a_spot_for_a_place_that_waits_and_faults_named_by_field(client, slug):
    ask = f"/api/gardens/{slug}/free-spot"
    full = {**bed(), "held": [{"cells": ["A1"], "reason": "a post"}], "supports": []}
    assert client.post(ask, json={**full, "id": "new"}).json()["spot"]["sun_hours"] > 5
    assert client.post(ask, json=full).json()["spot"]["at_m"]
    answer = client.post(ask, json={**bed(wall_height_cm=-3), "id": "new"})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"].endswith("wall_height_cm")


def test_borders_by_their_width(client, slug):
    found = client.get(f"/api/gardens/{slug}/borders", params={"width_cm": 80}).json()
    assert {b["width_cm"] for b in found} == {80}
    assert max(b["length_cm"] for b in found) == 900
    assert client.get(f"/api/gardens/{slug}/borders", params={"width_cm": 3}).status_code == 422


def test_workings_end_in_the_figures_that_the_report_shows(client, slug):
    sums = client.get(f"/api/gardens/{slug}/places/bed/workings").json()
    place = client.get(f"/api/gardens/{slug}").json()["report"]["places"][0]
    assert sums["weight"][-1]["value"] == pytest.approx(place["weight"]["kg"])
    dry = {term["name"]: term["value"] for term in sums["water"]}["in a dry week"]
    assert dry == pytest.approx(max(place["water"]["dry_litres_per_week"]))
    for way in place["water"]["ways"]:
        assert sums["ways"][way["way"]][-1]["value"] == pytest.approx(way["own_minutes"])
    fed = place["feed"]["crops"][0]
    assert sums["feed"][fed["planting"]][-1]["value"] == pytest.approx(fed["n_g"])


def test_workings_of_no_such_place(client, slug):
    answer = client.get(f"/api/gardens/{slug}/places/attic/workings")
    assert answer.status_code == 404
    assert "attic" in answer.text


@pytest.mark.parametrize(
    ("path", "says"),
    [
        ("set-out", "There is no yard yet. Draw it on the Ground screen first."),
        ("places/bed/turned", "bed has no spot in a yard yet. Move it there first."),
        (
            "pantry/carrot/remedies",
            "The pantry has no amount of “carrot” to meet. Enter one first.",
        ),
    ],
)
def test_what_cannot_be_done_is_said_in_words(client, path, says):
    head = client.post("/api/gardens", json=document(planting())).json()["head"]
    answer = client.get(f"/api/gardens/{head['slug']}/{path}")
    assert answer.status_code == 422
    assert answer.json()["type"].endswith("cannot")
    assert answer.json()["detail"] == says

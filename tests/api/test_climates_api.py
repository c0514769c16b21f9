"""Climates over the API: made up, read from a table, taken out."""

from tests.conftest import document


def test_made_up_climates_turn_round_south_of_the_equator(client):
    north = client.get("/api/climates", params={"latitude": 48}).json()
    south = client.get("/api/climates", params={"latitude": -38}).json()
    assert [c["id"] for c in north] == [c["id"] for c in south]
    assert north[0]["climate"]["tmin_c"][0] == south[0]["climate"]["tmin_c"][6]


def test_a_table_with_a_slip_is_refused_with_its_line(client):
    answer = client.post("/api/climate-table", json={"text": "month,low\n1,x"})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"] == "the table"


def test_normals_go_out_as_they_came(client):
    climate = client.get("/api/climates", params={"latitude": 48}).json()[2]["climate"]
    slug = client.post("/api/gardens", json=document(climate=climate)).json()["head"]["slug"]
    text = client.get(f"/api/gardens/{slug}/climate.csv").text
    assert client.post("/api/climate-table", json={"text": text}).json() == climate

"""Where a garden lies, over the API: climates made up, read and taken out; towns, frosts, zones."""

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


def test_a_made_up_climate_brings_its_frosts_and_its_winter(client):
    climates = {c["id"]: c for c in client.get("/api/climates", params={"latitude": 48}).json()}
    mountain = climates["mountain"]
    assert mountain["last_frost"][5:] == "06-08"
    assert mountain["winter_low_c"] == -24.0
    asked = {"latitude": 48, "climate": "mountain"}
    assert client.get("/api/frosts", params=asked).json()["last_frost"] == mountain["last_frost"]


def test_a_town_tells_where_it_lies(client):
    (first, *_) = client.get("/api/towns", params={"name": "vienna, aus"}).json()
    assert (first["name"], first["region"], round(first["latitude"])) == ("Vienna", "Austria", 48)


def test_a_zone_tells_the_winter_and_what_is_none_is_refused(client):
    assert client.get("/api/winter-low", params={"zone": "7b"}).json() == {"winter_low_c": -13.6}
    refused = client.get("/api/winter-low", params={"zone": "frosty"})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["path"] == "zone"

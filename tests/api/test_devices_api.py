"""The scale over the wire: read, tared, broken off, and taken once for all pages."""

SCALE = "/api/devices/scale"


def test_the_scale_is_read_tared_and_connected_again(client):
    shown = client.get(SCALE).json()
    assert (shown["nth"], shown["taken"], shown["stand_in"]) == (0, None, True)
    assert client.post(f"{SCALE}/stand-in", json={"value": 1.2}).status_code == 204
    assert client.post(f"{SCALE}/tare").status_code == 204
    assert client.post(f"{SCALE}/stand-in", json={"connected": False}).status_code == 204
    answer = client.get(SCALE)
    assert answer.status_code == 503
    assert answer.json()["type"].endswith("device")
    assert "cable" in answer.json()["detail"]
    assert client.post(f"{SCALE}/tare").status_code == 503
    client.post(f"{SCALE}/stand-in", json={"connected": True})
    assert client.get(SCALE).status_code == 200


def test_no_other_device_is_there(client):
    assert client.get("/api/devices/anvil").status_code == 422

"""The weather of days and photos over the wire."""

import io
import json

import pytest
from PIL import Image

GARDEN = "/api/gardens/lantern-court"


def keep_weather(client, day="2027-06-10", **figures):
    return client.put(f"{GARDEN}/weather/{day}", content=json.dumps({"day": day, **figures}))


def picture(size=(900, 600)):
    out = io.BytesIO()
    Image.new("RGB", size, (60, 120, 50)).save(out, "JPEG")
    return out.getvalue()


def send(client, ident="p-1", raw=None, **where):
    asked = {"day": "2027-06-10", **where}
    return client.put(f"{GARDEN}/photos/{ident}", params=asked, content=raw or picture())


def test_the_weather_of_a_day_is_kept_told_and_taken_out(client, lantern):
    assert keep_weather(client, min_c=3.0, rain_mm=4.5, frost=True).status_code == 200
    spell = {"since": "2027-06-09", "until": "2027-06-10"}
    before, day = client.get(f"{GARDEN}/weather", params=spell).json()
    assert before["measured"] == []
    assert before["high_c"] is not None
    assert day["measured"] == ["low_c", "rain_mm", "frost"]
    assert client.get(f"{GARDEN}/weather/2027-06-10").json()["rain_mm"] == 4.5
    assert client.delete(f"{GARDEN}/weather/2027-06-10").status_code == 204
    assert client.get(f"{GARDEN}/weather/2027-06-10").json()["rain_mm"] is None


@pytest.mark.parametrize(
    ("figures", "path"),
    [
        ({"min_c": 99.0}, "min_c"),
        ({"rain_mm": -1.0}, "rain_mm"),
        ({"min_c": 9.0, "max_c": 3.0}, ""),
        ({"rain_days": 0}, "rain_days"),
        ({"hail": 3}, "hail"),
    ],
)
def test_weather_that_cannot_be_is_named(client, lantern, figures, path):
    answer = keep_weather(client, **figures)
    assert answer.status_code == 422
    assert path in [fault["path"] for fault in answer.json()["errors"]]


def test_a_spell_of_more_than_a_year_or_none_is_refused(client, lantern):
    for until in ("2029-06-10", "2027-06-08"):
        asked = {"since": "2027-06-09", "until": until}
        assert client.get(f"{GARDEN}/weather", params=asked).status_code == 422


def test_a_photo_is_kept_once_and_shown_at_its_place(client, lantern):
    planting = lantern["plan"]["plantings"][0]
    made = send(client, planting=planting["id"], text="first leaves")
    assert made.status_code == 201
    assert made.json()["place"] == planting["place"]
    assert send(client, planting=planting["id"], text="first leaves").status_code == 201
    (photo,) = client.get(f"{GARDEN}/photos", params={"place": planting["place"]}).json()
    assert (photo["text"], photo["width"]) == ("first leaves", 900)
    assert client.get(f"{GARDEN}/photos", params={"place": "low"}).json() == []
    answer = client.get(f"{GARDEN}/photos/p-1/picture", params={"small": True})
    assert answer.headers["content-type"] == "image/jpeg"
    assert Image.open(io.BytesIO(answer.content)).width == 360
    assert client.delete(f"{GARDEN}/photos/p-1").status_code == 204
    assert client.get(f"{GARDEN}/photos/p-1/picture").status_code == 404
    assert client.post(f"{GARDEN}/photos/p-1/put-back").json()["id"] == "p-1"


def test_what_is_no_picture_is_refused_and_nothing_kept(client, lantern):
    answer = send(client, raw=b"my shopping list")
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"] == "picture"
    assert client.get(f"{GARDEN}/photos").json() == []
    assert send(client, place="no-such-place").status_code == 404


def test_a_lot_of_seedlings_is_kept_told_taken_out_and_put_back(client, lantern):
    lot = {
        "id": "l1",
        "crop": "kale",
        "events": [{"day": "2027-03-01", "step": "sown", "count": 9}],
    }
    assert client.put(f"{GARDEN}/nursery/l1", content=json.dumps(lot)).status_code == 200
    lot["events"].append({"day": "2027-03-09", "step": "up", "count": 7})
    assert client.put(f"{GARDEN}/nursery/l1", content=json.dumps(lot)).status_code == 200
    (state,) = client.get(f"{GARDEN}/nursery").json()
    assert (state["name"], state["on_shelf"], state["spare"]) == ("kale", 7, 7)
    assert client.delete(f"{GARDEN}/nursery/l1").status_code == 204
    assert client.get(f"{GARDEN}/nursery").json() == []
    assert client.post(f"{GARDEN}/nursery/l1/put-back").json()["id"] == "l1"
    for wrong in ({"crop": "no-such"}, {"events": []}, {"id": "l2"}):
        sent = json.dumps({**lot, **wrong})
        assert client.put(f"{GARDEN}/nursery/l1", content=sent).status_code == 422

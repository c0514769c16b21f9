"""What ails a plant, over the wire."""

from ample_rows.core.plan import document
from ample_rows.demo import demo_plans

GARDEN = "/api/gardens/lantern-court"


def test_signs_are_those_of_the_planting(client, lantern):
    plan = client.get(GARDEN).json()["plan"]
    carrot = next(p["id"] for p in plan["plantings"] if p["crop"] == "carrot")
    told = client.get(f"{GARDEN}/signs", params={"planting": carrot}).json()
    labels = {sign["id"]: sign["label"] for part in told["parts"] for sign in part["signs"]}
    assert labels["root-forked"] == "Roots forked or twisted"
    assert "only-male" not in labels
    assert told["questions"]["heat"].endswith("?")


def test_answers_narrow_the_causes(client, lantern):
    asked = {"day": "2027-07-10", "sign": ["ragged-holes"], "crop": "cabbage"}
    first = client.get(f"{GARDEN}/causes", params=asked).json()
    assert first["ask"]
    told = client.get(
        f"{GARDEN}/causes", params={**asked, "yes": ["slime"], "no": ["insects-below"]}
    ).json()
    assert told["causes"][0]["id"] == "slugs"
    before = next(c["share"] for c in first["causes"] if c["id"] == "slugs")
    assert told["causes"][0]["share"] > before


def test_what_is_not_known_is_named(client, lantern):
    for wrong in ({"sign": ["nothing-of-the-kind"]}, {"sign": ["wilts-by-day"], "crop": "x-none"}):
        answer = client.get(f"{GARDEN}/causes", params={"day": "2027-07-10", **wrong})
        assert answer.status_code == 404
        assert next(iter(wrong.values()))[0] in answer.text or "x-none" in answer.text


def test_an_american_garden_reads_american_words(client, book):
    kettle = next(p for p in demo_plans(book) if p.garden.words == "en-US")
    assert client.post("/api/gardens", json=document(kettle)).is_success
    told = client.get("/api/gardens/kettle-corner/signs").json()
    parts = [part["part"] for part in told["parts"]]
    assert "color of leaves" in parts

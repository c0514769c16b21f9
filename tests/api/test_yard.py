"""The ground over the API: a day's sun, the months, a place turned, the yard as an edit."""

import pytest

from tests.conftest import bed, document

SQUARE = [[0, 0], [6, 0], [6, 5], [0, 5]]


@pytest.fixture
def kept(client):
    """A garden made from a document: its slug, and a way to edit it."""

    def make(doc):
        state = client.post("/api/gardens", json=doc).json()
        slug = state["head"]["slug"]

        def edit(change):
            version = client.get(f"/api/gardens/{slug}").json()["head"]["version"]
            return client.post(
                f"/api/gardens/{slug}/edits", json={"version": version, "edit": change}
            )

        return slug, edit

    return make


def test_a_day_s_sun_holds_map_and_places_that_agree(client, kept):
    place = {**bed(at_m=[2, 2], wall_height_cm=4), "sun_hours": None}
    slug, _ = kept(document(places=[place], site={"outline_m": SQUARE}))
    answer = client.get(f"/api/gardens/{slug}/sun", params={"day": "2027-06-14"}).json()
    layer = answer["map"]["tenths"][0]
    assert len(layer) == answer["map"]["columns"] * answer["map"]["rows"] == 24 * 20
    # On open ground the map and the place have the same sky.
    assert answer["places"]["bed"] == pytest.approx(max(layer) / 10, abs=0.06)


def test_twelve_months_of_a_yard(client, kept):
    slug, _ = kept(document(site={"outline_m": SQUARE}))
    answer = client.get(f"/api/gardens/{slug}/sun/months").json()
    assert len(answer["tenths"]) == 12
    assert answer["tenths"][5][0] > answer["tenths"][11][0]


def test_what_needs_a_yard_says_that_there_is_none(client, kept):
    slug, _ = kept(document())
    for path in ("sun?day=2027-06-14", "sun/months", "places/bed/turned"):
        answer = client.get(f"/api/gardens/{slug}/{path}")
        assert answer.status_code == 422
        assert "yard" in answer.text


def test_a_place_turned_is_told_in_words_with_the_edit_that_turns_it(client, kept):
    slug, edit = kept(document(places=[bed(at_m=[2, 2])], site={"outline_m": SQUARE}))
    answer = client.get(f"/api/gardens/{slug}/places/bed/turned").json()
    assert "leave it as it is" in answer["words"]
    edit(answer["turn"]["edit"])
    turned = client.get(f"/api/gardens/{slug}").json()
    before, after = [2.6, 3.2], turned["report"]["places"][0]["ground"]["outer_m"]
    middle = [sum(x for x, _ in after) / 4, sum(y for _, y in after) / 4]
    assert middle == pytest.approx(before)
    assert turned["plan"]["places"][0]["heading_deg"] == 90


def test_a_place_that_is_not_there_cannot_be_turned(client, kept):
    slug, _ = kept(document(site={"outline_m": SQUARE}))
    assert client.get(f"/api/gardens/{slug}/places/none/turned").status_code == 404


def test_the_yard_is_edited_undone_and_exported_with_every_value(client, kept):
    site = {
        "outline_m": SQUARE,
        "north_deg": 12.5,
        "slope": {"fall_percent": 4, "downhill_deg": 200},
        "horizon_deg": [0, 5, 10, 5],
        "obstacles": [
            {
                "name": "pear",
                "kind": "tree",
                "outline_m": [[1, 1], [2, 1], [2, 2]],
                "height_m": 4,
                "crown_base_m": 1.5,
                "leaf": "deciduous",
                "leaf_months": [4, 10],
                "root_reach_m": 2,
                "x-mine": {"kept": True},
            }
        ],
        "paths": [{"line_m": [[0, 1], [6, 1]], "width_cm": 60, "use": "barrow"}],
        "taps": [{"at_m": [1, 1], "hose_m": 5, "flow_l_per_min": 9}],
        "tanks": [{"at_m": [2, 1], "litres": 200, "roof_m2": 30}],
        "door_m": [3, 0],
    }
    slug, edit = kept(
        document(household={"people": 2, "workers": ["adult", "seated"], "arm_cm": 55})
    )
    assert edit({"do": "change-site", "changes": site}).status_code == 200
    plan = client.get(f"/api/gardens/{slug}/plan.amplerows.json").json()
    assert plan["site"] == site
    assert plan["garden"]["household"]["workers"] == ["adult", "seated"]
    again = client.post("/api/gardens", json=plan).json()["head"]["slug"]
    assert client.get(f"/api/gardens/{again}/plan.amplerows.json").json() == plan
    changed = edit({"do": "change-site", "changes": {"door_m": None}}).json()
    assert changed["head"]["undo_label"] == "change the door"
    assert changed["plan"]["values"]["site"]["door_m"] is None


@pytest.mark.parametrize(
    ("site", "path"),
    [
        ({"outline_m": [[0, 0], [4, 4], [4, 0], [0, 4]]}, "site.outline_m"),
        ({"outline_m": [[0, 0], [4, 0], [8, 0]]}, "site.outline_m"),
        (
            {"obstacles": [{"outline_m": [[0, 0], [1, 1], [1, 0], [0, 1]], "height_m": 2}]},
            "site.obstacles[0].outline_m",
        ),
        (
            {
                "obstacles": [
                    {"outline_m": [[0, 0], [1, 0], [1, 1]], "height_m": 2, "crown_base_m": 3}
                ]
            },
            "site.obstacles[0].crown_base_m",
        ),
        ({"obstacles": [{"outline_m": [[0, 0], [1, 0]], "height_m": 2}]}, "site.obstacles[0]"),
        ({"paths": [{"line_m": [[0, 0]], "width_cm": 60}]}, "site.paths[0].line_m"),
        ({"slope": {"fall_percent": -2, "downhill_deg": 0}}, "site.slope.fall_percent"),
        ({"horizon_deg": [0, 90, 0, 0]}, "site.horizon_deg"),
        ({"tanks": [{"at_m": [0, 0], "litres": -5}]}, "site.tanks[0].litres"),
    ],
)
def test_a_yard_that_cannot_be_is_told_at_its_path(client, kept, site, path):
    slug, edit = kept(document())
    answer = edit({"do": "change-site", "changes": site})
    assert answer.status_code == 422
    assert path in answer.text
    assert client.get(f"/api/gardens/{slug}").json()["plan"]["site"] is None


def test_an_outline_of_ten_thousand_corners_is_read(client, kept):
    import math

    ring = [
        [5 + 4 * math.cos(i * math.tau / 10_000), 5 + 4 * math.sin(i * math.tau / 10_000)]
        for i in range(10_000)
    ]
    slug, edit = kept(document())
    assert edit({"do": "change-site", "changes": {"outline_m": ring}}).status_code == 200
    answer = client.get(f"/api/gardens/{slug}/sun", params={"day": "2027-03-20"})
    assert answer.json()["map"]["tenths"][0][0] == -1

"""The year at the API: jobs about a day, and a calendar that another program reads."""

import itertools
from datetime import date

import pytest
import vobject

from ample_rows.core import plan as p
from ample_rows.demo import demo_plans
from tests.conftest import bed, document, planting


def slug(state):
    return state["head"]["slug"]


def test_jobs_about_a_day_and_a_mark_that_closes_one(client, lantern):
    url = f"/api/gardens/{slug(lantern)}/jobs"
    found = client.get(url, params={"day": "2027-04-14"}).json()
    assert found["monday"] == "2027-04-12"
    assert found["closed"] == 0
    job = next(j for j in found["this_week"] if j["job"] == "set" and j["planting"] == "p26")
    mark = {key: job[key] for key in ("place", "planting", "job", "nth")}
    edit = {"do": "mark-job", "mark": {**mark, "state": "done", "on": "2027-04-14"}}
    asked = {"version": lantern["head"]["version"], "edit": edit}
    answer = client.post(f"/api/gardens/{slug(lantern)}/edits", json=asked)
    assert answer.status_code == 200
    after = client.get(url, params={"day": "2027-04-14"}).json()
    assert after["closed"] == 1
    later = client.get(url, params={"day": "2027-06-14"}).json()
    assert later["behind"]
    assert all("days late" in late["words"] for late in later["behind"])


def test_usual_jobs_are_proposed_and_one_is_kept(client, lantern):
    url = f"/api/gardens/{slug(lantern)}"
    usual = client.get(f"{url}/chores/usual").json()
    pipes = next(one for one in usual if one["key"] == "pipes")
    assert pipes["on"] == "2027-10-13"
    kept = {"id": "own-9", **{key: pipes[key] for key in ("what", "on", "every", "per")}}
    edit = {"do": "keep-chore", "chore": kept}
    answer = client.post(f"{url}/edits", json={"version": lantern["head"]["version"], "edit": edit})
    assert answer.status_code == 200
    assert "pipes" not in {one["key"] for one in client.get(f"{url}/chores/usual").json()}
    jobs = client.get(f"{url}/jobs", params={"day": "2027-10-13"}).json()["this_week"]
    assert [job["place"] for job in jobs if job["job"] == "chore-own-9"] == [None]


def test_only_what_trails_is_led(client, lantern):
    url = f"/api/gardens/{slug(lantern)}/plantings"
    told = client.get(f"{url}/p3/leads").json()
    assert (told["ways"], told["back"]) == ([], None)
    assert told["words"].endswith("does not trail")
    assert client.get(f"{url}/nothing/leads").status_code == 404


def test_a_day_is_wanted(client, lantern):
    assert client.get(f"/api/gardens/{slug(lantern)}/jobs").status_code == 422


def test_the_calendar_is_read_back_by_another_parser(client, lantern):
    answer = client.get(f"/api/gardens/{slug(lantern)}/jobs.ics")
    assert answer.headers["content-type"].startswith("text/calendar")
    calendar = vobject.readOne(answer.text)
    events = calendar.vevent_list
    assert len({event.uid.value for event in events}) == len(events) > 100
    planted = next(
        e for e in events if e.summary.value.startswith("Plant: potato, 4 plants, 12 cm deep")
    )
    assert planted.dtstart.value == date(2027, 4, 12)
    assert planted.location.value == "Long bed A1–C3"
    picks = [e for e in events if e.summary.value.startswith("Pick: chard")]
    days = [day.date() for day in picks[0].rruleset]
    assert days[0] == picks[0].dtstart.value
    assert {(b - a).days for a, b in itertools.pairwise(days)} == {7}


@pytest.mark.parametrize("units", ["metric", "imperial"])
@pytest.mark.parametrize("at", range(3))
def test_every_job_of_every_garden_is_said_in_its_own_words(client, book, at, units):
    made = client.post("/api/gardens", json=p.document(demo_plans(book)[at])).json()
    headers = {"prefer": f"units={units}, words={made['plan']['garden'].get('words', 'en-GB')}"}
    answer = client.get(f"/api/gardens/{made['head']['slug']}/jobs.ics", headers=headers)
    events = vobject.readOne(answer.text).vevent_list
    assert len(events) > 30
    assert not [e.summary.value for e in events if "{" in e.summary.value + e.description.value]


def test_no_control_character_of_a_name_reaches_the_calendar(client):
    own = [{"id": "own-kind", "like": "carrot", "figures": {"name": "my\x00kind\r\nEND:VEVENT"}}]
    plan = {
        **document(planting("own-kind"), places=[bed(name="a\x00b\x1fc")], name="my\x0bgarden"),
        "crops": own,
        "chores": [{"id": "c", "what": "look\x07after\nit", "on": "2027-05-01"}],
    }
    made = client.post("/api/gardens", json=plan)
    slug = made.json()["head"]["slug"]
    text = client.get(f"/api/gardens/{slug}/jobs.ics").text
    assert not any(ord(c) < 32 and c not in "\r\n" for c in text)
    lines = text.splitlines()
    assert lines.count("END:VEVENT") == lines.count("BEGIN:VEVENT") > 0
    assert made.json()["plan"]["garden"]["name"] == "my garden"

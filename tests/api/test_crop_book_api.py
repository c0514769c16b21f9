"""The crop book over the API."""

import pytest

from tests.conftest import bed, document


@pytest.fixture
def slug(client):
    doc = document(places=[bed(sun_hours=2)])
    return client.post("/api/gardens", json=doc).json()["head"]["slug"]


def test_the_index_and_a_page_agree(client, slug):
    lines = client.get(f"/api/gardens/{slug}/crop-book", params={"place": "bed"}).json()
    melon = next(line for line in lines if line["id"] == "melon")
    page = client.get(f"/api/gardens/{slug}/crop-book/melon").json()
    assert melon["fits"] is page["places"][0]["fits"] is False
    assert melon["words"] == page["places"][0]["words"]
    assert page["crop"]["names"] == ["cantaloupe", "muskmelon"]


@pytest.mark.parametrize("path", ["crop-book/triffid", "crop-book?place=attic"])
def test_what_is_not_there_is_a_problem_that_names_it(client, slug, path):
    answer = client.get(f"/api/gardens/{slug}/{path}")
    assert answer.status_code == 404
    assert "There is no" in answer.json()["detail"]

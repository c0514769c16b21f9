"""Plant labels: a PDF on known sheets, read back by an independent reader, codes and all."""

import pypdfium2
import pytest
import zxingcpp

from tests.conftest import TUB, bed, block, document, planting

PEAS = planting("pea", block("A1", "A4"), id="peas", start_date="2027-03-15")
MIXED = planting(
    "carrot",
    block("B1", "B2"),
    id="roots",
    varieties=[{"variety": "carrot-short", "plants": 10}],
)


@pytest.fixture
def garden(client):
    """The slug of a garden with three plants to label in a bed and a tub."""
    salad = planting("lettuce", ("A1", "A2"), id="salad & more", place="tub", start="transplant")
    made = client.post("/api/gardens", json=document(PEAS, MIXED, salad, places=[bed(), TUB]))
    return made.json()["head"]["slug"]


def pages_of(answer):
    assert answer.headers["content-type"] == "application/pdf"
    return list(pypdfium2.PdfDocument(answer.content))


def texts(pages):
    return "\n".join(page.get_textpage().get_text_bounded() for page in pages)


def codes(page):
    return sorted(code.text for code in zxingcpp.read_barcodes(page.render(scale=4).to_pil()))


def test_labels_say_what_stands_where_and_lead_back_to_it(client, garden):
    pages = pages_of(client.get(f"/api/gardens/{garden}/labels.pdf"))
    told = texts(pages)
    assert "climbing pea" in told
    assert "sown 15 March 2027" in told
    assert "bed A1–A4" in told
    assert "short-rooted carrot" in told
    assert "plants 1–10" in told
    found = codes(pages[0])
    assert f"{client.base_url}/gardens/{garden}/squares/bed?planting=peas" in found
    # What is not plain in an address is written so that it comes through.
    assert f"{client.base_url}/gardens/{garden}/squares/tub?planting=salad%20%26%20more" in found
    assert len(found) == 4


@pytest.mark.parametrize(
    "sheet", ["a4-24", "a4-21", "a4-40", "letter-30", "letter-stakes", "stakes"]
)
def test_every_sheet_holds_its_labels_within_the_page(client, garden, book, sheet):
    known = book.label_sheets[sheet]
    for index in range(known.on_a_page):
        x, y = known.corner_mm(index)
        assert 0 <= x <= known.page_mm[0] - known.size_mm[0] + 0.01
        assert 0 <= y <= known.page_mm[1] - known.size_mm[1] + 0.01
    (page,) = pages_of(client.get(f"/api/gardens/{garden}/labels.pdf?sheet={sheet}"))
    width, height = (side / 72 * 25.4 for side in page.get_size())
    assert (width, height) == pytest.approx(known.page_mm, abs=0.1)
    assert len(codes(page)) == 4


def test_labels_of_one_place_and_more_than_a_page(client, garden, lantern):
    tub = pages_of(client.get(f"/api/gardens/{garden}/labels.pdf?place=tub"))
    assert len(codes(tub[0])) == 1
    many = pages_of(client.get("/api/gardens/lantern-court/labels.pdf"))
    assert len(many) >= 3


@pytest.mark.parametrize(
    ("asked", "status", "said"), [("sheet=papyrus", 422, "papyrus"), ("place=moon", 404, "moon")]
)
def test_what_is_not_there_is_named(client, garden, asked, status, said):
    wrong = client.get(f"/api/gardens/{garden}/labels.pdf?{asked}")
    assert wrong.status_code == status
    assert said in wrong.json()["detail"]


def test_the_sheets_are_listed(client, garden):
    listed = client.get(f"/api/gardens/{garden}/label-sheets").json()
    assert {"sheet": "letter-30", "label": "Letter, 30 of 1 × 2⅝ in"} in listed
    assert listed[0]["sheet"] == "a4-24"
    feet = {**document(), "garden": {**document()["garden"], "units": "imperial"}}
    slug = client.post("/api/gardens", json=feet).json()["head"]["slug"]
    in_feet = client.get(f"/api/gardens/{slug}/label-sheets").json()
    assert [one["sheet"] for one in in_feet[:2]] == ["letter-30", "letter-stakes"]

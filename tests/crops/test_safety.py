"""Every crop, soft matter, part of a mix, material, tool and job says what can hurt.

`safety.txt` is the table that was read and agreed on: a line for each record, with the cautions
that it must carry, `own` for what its record says by itself, and `-` for none.
"""

from pathlib import Path

import pytest

from ample_rows import PROGRAM
from ample_rows.core.ask.crop_book.pages import crop_page
from ample_rows.core.ask.jobs.year import jobs_of, weeks_about
from ample_rows.core.ask.pantry.pantry import pantry_of
from ample_rows.core.ask.remedies import remedies
from ample_rows.core.book.safety import job_cautions, unknown_in
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, document, planting, tub

BOOK = load_book()
RECORDS = {
    "soft": BOOK.soft,
    "ingredient": BOOK.ingredients,
    "material": BOOK.materials,
    "tool": BOOK.ground_tools,
}
JOBS = [*BOOK.jobs, *BOOK.rounds, *BOOK.place_minutes, *(f"chore-{n}" for n in BOOK.usual_chores)]


def agreed():
    """The table: of each kind and name the cautions."""
    lines = Path(__file__).with_name("safety.txt").read_text("utf-8").splitlines()
    rows = [line.split(": ", 1) for line in lines if line and not line.startswith("#")]
    return {tuple(head.split(" ", 1)): set(keys.split(", ")) - {"-"} for head, keys in rows}


AGREED = agreed()


def texts(kind, name):
    """What a record says of what can hurt, as the screens show it."""
    if kind == "crop":
        crop = BOOK.crops[name]
        return (*crop.cautions, *crop.page_cautions)
    if kind == "job":
        rules = BOOK.cautions.values()
        crops = {crop for c in rules if name in c.jobs for crop in c.crops}
        known = [None, *(BOOK.crops[crop] for crop in crops)]
        return tuple(
            {text for crop in known for text in job_cautions(name, 1, crop, BOOK.cautions)}
        )
    return (RECORDS[kind][name].caution or "",)


def test_the_table_names_every_record_and_no_other():
    named = {("crop", crop) for crop in BOOK.crops}
    named |= {(kind, name) for kind, table in RECORDS.items() for name in table}
    named |= {("job", job) for job in JOBS}
    assert set(AGREED) == named


@pytest.mark.parametrize(("kind", "name"), sorted(AGREED))
def test_a_record_says_what_can_hurt_and_nothing_that_was_not_agreed(kind, name):
    left = " ".join(sorted(texts(kind, name)))
    for key, caution in BOOK.cautions.items():
        assert (caution.says in left) == (key in AGREED[kind, name]), key
        left = left.replace(caution.says, "")
    assert bool(left.strip()) == ("own" in AGREED[kind, name])


@pytest.mark.parametrize("name", sorted(BOOK.cautions))
def test_a_caution_is_one_calm_statement_with_a_source_and_a_place(name):
    caution = BOOK.cautions[name]
    assert caution.says[0].isupper()
    assert caution.says.endswith(".")
    assert "!" not in caution.says
    assert len(caution.says) <= 240
    assert len(caution.source) > 20
    assert any(name in keys for keys in AGREED.values())


def test_a_caution_that_names_what_there_is_not_is_refused():
    astray = {"a": BOOK.cautions["raw-beans"].model_copy(update={"crops": ("moon-bean",)})}
    assert unknown_in(astray, {"crops": BOOK.crops}) == "a: crops: there is no 'moon-bean'"


ACID = {"blackcurrant", "blueberry", "gooseberry", "raspberry", "redcurrant", "rhubarb"}
ACID |= {"strawberry", "strawberry-alpine", "cucumber"}
NEARLY = {"tomato", "tomatillo"}


def test_nothing_low_in_acid_is_offered_bottled_without_the_sentence():
    offered = {crop for crop, keeping in BOOK.crop_keeping.items() if "bottle" in keeping.ways}
    assert offered
    for crop in offered - ACID:
        word = "citric acid" if crop in NEARLY else "botulism"
        assert word in BOOK.crop_keeping[crop].cautions["bottle"]
    for crop in ("dwarf-bean", "beetroot", "sweet-pepper", "sweet-corn", "winter-squash"):
        assert any("botulism" in text for text in BOOK.crops[crop].page_cautions)


def test_the_sentence_stands_where_bottling_is_offered(read):
    wanted = {"household": {"people": 2, "wants": [{"crop": "beetroot", "kg_per_year": 2}]}}
    plan = read(document(planting("beetroot", "all", start_date="2027-05-01"), **wanted))
    estimate = Estimate(plan, BOOK, PROGRAM)
    (beetroot,) = pantry_of(estimate).crops
    keeps = {one.way: one.caution for one in beetroot.keeps}
    assert "under pressure" in keeps["bottle"]
    assert keeps["ferment"] is None
    kept = {said(one.label): one.caution for one in remedies(estimate, "beetroot")}
    assert "under pressure" in kept["Keep the surplus bottled"]
    assert kept["Keep the surplus fermented"] is None
    page = crop_page(estimate, "beetroot", BOOK)
    assert any("botulism" in text for text in page.crop.page_cautions)


def jobs(read, *plantings, **parts):
    return jobs_of(Estimate(read(document(*plantings, **parts)), BOOK, PROGRAM))


def test_a_grave_caution_comes_with_each_picking_and_any_other_with_the_first(read):
    found = jobs(read, planting("rhubarb", "all", start="division", start_date="2023-03-20"))
    picks = [job for job in found if job.kind == "pick"]
    assert len(picks) > 2
    assert all(any("Leaf blades" in text for text in job.cautions) for job in picks)
    rocket = planting("rocket", "all", start_date="2027-03-20")
    first, *later = [job for job in jobs(read, rocket) if job.kind == "pick"]
    assert first.cautions
    assert later
    assert not any(job.cautions for job in later)


def test_a_week_says_each_caution_once(read):
    first = planting("lettuce", ("A1",), id="one", start_date="2027-04-12")
    second = planting("lettuce", ("B2",), id="two", start_date="2027-04-12")
    plan = read(document(first, second))
    found = jobs_of(Estimate(plan, BOOK, PROGRAM))
    day = next(job.on for job in found if job.kind == "pick")
    told = [text for job in weeks_about(found, day).this_week for text in job.cautions]
    assert len(told) == len(set(told))
    assert any(text.startswith("Wash what is eaten raw") for text in told)


def test_a_place_on_a_floor_says_its_soaked_load_and_that_the_limit_is_not_known(noted):
    notes = noted(document(planting("chives", "all", place="tub"), places=[tub(floor="balcony")]))
    text = said(notes["floor-load"].text)
    assert "kg" in text
    assert "kg per m²" in text
    assert said(notes["floor-load"].fix).startswith("Floor limit not known: ask someone licensed")
    assert "carry" not in said(notes["heavy"].text)
    known = noted(document(places=[tub(floor="balcony", load_limit_kg_per_m2=400)]))
    assert "floor-load" not in known
    assert "load" in known


def test_a_tub_that_is_heavy_is_moved_by_two_and_a_light_pot_by_one(noted):
    assert "Two people" in said(noted(document(places=[tub()]))["heavy"].fix)
    small = tub(shape={"type": "circle", "diameter_cm": 25}, wall_height_cm=22)
    assert "heavy" not in noted(document(places=[small]))


def test_ground_and_roof_water_are_said_once_for_a_garden(noted):
    butt = {"at_m": [1, 1], "litres": 200, "roof_m2": 10}
    notes = noted({**document(places=[bed()]), "site": {"tanks": [butt]}})
    assert "lead or arsenic" in said(notes["ground-history"].text)
    assert "leaves that are eaten raw" in said(notes["roof-water"].fix)
    assert "ground-history" not in noted(document(places=[tub()]))

"""The sheet of a season: sums that agree, where each planting lies, and what explains a miss."""

from datetime import timedelta

import pytest

from ample_rows.core.ask.season_sheet import season_sheet
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.harvest import hours_of_light, light_factor
from ample_rows.core.record.entries import Entry
from ample_rows.core.record.parts import WeatherSeen
from ample_rows.core.soil.roots import having_of, shortfall_factor
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting

BEAN = planting("dwarf-bean", block("A1", "B4"), id="bean", start_date="2027-05-20")
CARROT = planting("carrot", block("C1", "D4"), id="carrot", start_date="2027-04-10")
PRICES = {"people": 2.0, "prices": [{"crop": "carrot", "per_kg": 2.0}]}


@pytest.fixture
def here(read, book):
    return Estimate(read(document(BEAN, CARROT, household=PRICES)), book)


@pytest.fixture
def report(here):
    return {report.id: report for report in here.report.plantings}


def entry(kind, planting_id, day, number=[0], **keys):  # noqa: B006 - counts its calls
    number[0] += 1
    return Entry(id=f"e{number[0]}", day=day, kind=kind, planting=planting_id, **keys)


def lines(sheet):
    return {line.planting: line for line in sheet.plantings}


def reasons(sheet, planting_id):
    return [said(words) for words in lines(sheet)[planting_id].why]


def test_sums_agree_and_money_and_ground_are_told(here, report):
    day = report["carrot"].first_pick
    entries = [
        entry("picked", "carrot", day, kg=1.5, minutes=30.0),
        entry("picked", "bean", day, kg=0.5),
    ]
    sheet = season_sheet(here, "2027", entries, closed=True)
    assert sheet.picked_kg == pytest.approx(2.0)
    assert sum(line.picked_kg for line in sheet.crops) == pytest.approx(2.0)
    (place,) = sheet.places
    area, litres = here.report.places[0].inside_area_m2, here.report.places[0].soil_litres
    assert place.kg_per_m2 == pytest.approx(2.0 / area)
    assert place.kg_per_100_litres == pytest.approx(200 / litres)
    assert {line.id: line.worth for line in sheet.crops} == {"carrot": 3.0, "dwarf-bean": None}
    assert (sheet.worth, sheet.hours, sheet.kg_per_hour) == (3.0, 0.5, pytest.approx(4.0))
    assert sheet.hours_planned > 0


def test_what_a_kilogram_cost_stands_against_the_shop(read, book, report):
    box = {"choices": [{"crop": crop, "packet": 2.5} for crop in ("carrot", "dwarf-bean")]}
    garden = Estimate(read({**document(BEAN, CARROT, household=PRICES), "seed_box": box}), book)
    day = report["carrot"].first_pick
    told = [entry("picked", "carrot", day, kg=1.5), entry("picked", "bean", day, kg=0.5)]
    sheet = season_sheet(garden, "2027", told, closed=True)
    # Packets for so many seeds, and boards and soil without a price.
    assert sheet.seed_cost is not None
    assert sheet.seed_cost % 2.5 == 0
    assert sheet.seed_cost >= 5.0
    assert sheet.build_cost is None
    assert (sheet.cost_per_kg, sheet.shop_per_kg) == (sheet.seed_cost / 2.0, 2.0)
    nothing = season_sheet(garden, "2027", [], closed=True)
    assert (nothing.cost_per_kg, nothing.shop_per_kg) == (None, None)


def test_where_a_planting_lies(here, report):
    day, estimated = report["carrot"].first_pick, report["carrot"].harvest_kg
    for kg, where in (
        (estimated.p10 * 0.5, "below"),
        (estimated.p50, "within"),
        (estimated.p90 * 1.2, "above"),
    ):
        sheet = season_sheet(here, "2027", [entry("picked", "carrot", day, kg=kg)], closed=True)
        assert lines(sheet)["carrot"].where == where
        assert lines(sheet)["bean"].where == "not weighed"
    running = season_sheet(here, "2027", [entry("picked", "carrot", day, kg=0.01)])
    assert lines(running)["carrot"].where == "going on"
    cleared = [entry("picked", "carrot", day, kg=0.01), entry("cleared", "carrot", day)]
    assert lines(season_sheet(here, "2027", cleared))["carrot"].where == "below"


def test_what_was_entered_explains_a_miss(here, report):
    bean = report["bean"]
    start, first = bean.start_date, bean.first_pick
    stood = round(bean.stand_expected / 2)
    late = first + timedelta(days=14)
    entries = [
        entry("sown", "bean", start, count=40),
        entry("up", "bean", start + timedelta(days=9), count=stood),
        entry("seen", "bean", start + timedelta(days=20), text="slugs"),
        *(entry("picked", "bean", late + timedelta(days=d), kg=0.02) for d in (0, 3, 6, 20, 23)),
    ]
    frost = [WeatherSeen(day=start + timedelta(days=3), frost=True)]
    sheet = season_sheet(here, "2027", entries, frost, closed=True)
    told = "; ".join(reasons(sheet, "bean"))
    assert "first picked 14 days later" in told
    assert "frost on" in told
    assert f"only {stood} plants stood" in told
    assert "not picked for 14 days" in told
    assert "slugs" in told
    line = lines(sheet)["bean"]
    assert line.came_up == pytest.approx(stood / 40)
    assert (line.late_days, line.stood) == (14, stood)


def test_too_many_that_were_not_thinned_explain_a_miss_and_frost_takes_no_hardy_crop(here, report):
    day = report["carrot"].first_pick
    many = report["carrot"].plants * 2
    entries = [
        entry("up", "carrot", day - timedelta(days=60), count=many),
        entry("picked", "carrot", day, kg=0.05),
    ]
    frost = [WeatherSeen(day=day - timedelta(days=50), frost=True)]
    sheet = season_sheet(here, "2027", entries, frost, closed=True)
    assert [words for words in reasons(sheet, "carrot") if "thinned" in words]
    assert not [words for words in reasons(sheet, "carrot") if "frost" in words]
    thinned = [*entries, entry("thinned", "carrot", day - timedelta(days=40), count=30)]
    assert not [
        words
        for words in reasons(season_sheet(here, "2027", thinned, closed=True), "carrot")
        if "thinned" in words
    ]


def test_plants_that_were_lost_and_replaced_are_counted_in_their_order(here, report):
    bean = report["bean"]
    day = bean.first_pick
    entries = [
        entry("set-out", "bean", day - timedelta(days=50), count=20),
        entry("seen", "bean", day - timedelta(days=40), count=12, quality="lost"),
        entry("picked", "bean", day, kg=0.02),
    ]
    sheet = season_sheet(here, "2027", entries, closed=True)
    assert lines(sheet)["bean"].stood == 8
    assert "12 plants lost" in reasons(sheet, "bean")
    entries.append(entry("set-out", "bean", day - timedelta(days=35), count=10))
    assert lines(season_sheet(here, "2027", entries, closed=True))["bean"].stood == 18
    only_lost = [entries[1], entries[2]]
    left = lines(season_sheet(here, "2027", only_lost, closed=True))["bean"].stood
    assert left == max(0, bean.plants - 12)


def test_the_shade_and_the_soil_that_would_explain_a_miss_are_told(read, book):
    """Half of what was estimated comes of a bed with half of the sun and half of the depth."""
    at = bed(sun_hours=4.5, wall_height_cm=21, bottom="closed")
    here = Estimate(read(document(CARROT, places=[at])), book)
    (report,) = here.report.plantings
    assert report.light.factor < 0.95
    picked = [entry("picked", "carrot", report.first_pick, kg=report.harvest_kg.p50 / 2)]
    told = "; ".join(reasons(season_sheet(here, "2027", picked, closed=True), "carrot"))
    crop = book.crops["carrot"]
    hours = hours_of_light(crop, report.light.factor / 2)
    assert light_factor(crop, hours) == pytest.approx(report.light.factor / 2)
    assert f"shade, if it had {hours:.1f} h of useful sun" in told
    nothing = [entry("picked", "carrot", report.first_pick, kg=0.0)]
    told = reasons(season_sheet(here, "2027", nothing, closed=True), "carrot")
    assert not [words for words in told if "shade" in words]


@pytest.mark.parametrize("have", [12.0, 16.0, 22.0, 26.0])
def test_the_depth_of_a_factor_is_the_depth_that_has_it(have):
    curve = {"least": 20.0, "full": 30.0, "at_least": 0.6}
    assert having_of(shortfall_factor(have, **curve), **curve) == pytest.approx(have)


def test_an_empty_record_is_a_sheet_of_estimates(here):
    sheet = season_sheet(here, "2027", [])
    assert (sheet.picked_kg, sheet.worth, sheet.kg_per_hour) == (0, 0, None)
    assert {line.where for line in sheet.plantings} == {"going on"}
    assert sheet.estimated_kg.p50 > 0

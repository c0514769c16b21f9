"""Plants that stay: what they give by age, when, and that they hold their ground."""

from datetime import date

import pytest

from ample_rows.core.words.message import said
from tests.conftest import block, document, planting
from tests.core.weather.test_warmth import COOL

MILD = {"climate": COOL, "last_frost": "2027-04-20", "first_frost": "2027-11-01"}


def set_in(year, crop, start, day="04-10"):
    return planting(crop, block("A1", "D4"), start=start, start_date=f"{year}-{day}")


# Years since it was set, and the share of a full yield that good practice takes.
@pytest.mark.parametrize(
    ("crop", "start", "shares"),
    [
        ("asparagus", "division", [0, 0.2, 0.6, 1, 1]),
        ("rhubarb", "division", [0, 0.4, 1, 1]),
        ("blackcurrant", "transplant", [0, 0.4, 0.8, 1]),
        ("raspberry", "transplant", [0, 0.6, 1]),
    ],
)
def test_young_plants_are_spared(grown, crop, start, shares):
    for age, share in enumerate(shares):
        # Set before that year's harvest, so that the first one is in the year of setting.
        report = grown(set_in(2027 - age, crop, start, day="02-05"), **MILD)
        assert report.season.picked == pytest.approx(share, abs=0.03), age
        assert (report.first_pick is None) == (share == 0)


def test_strawberries_set_in_late_summer_bear_in_full_the_next(grown):
    late = grown(set_in(2026, "strawberry", "transplant", day="08-20"), **MILD)
    spring = grown(set_in(2027, "strawberry", "transplant", day="04-01"), **MILD)
    assert late.season.picked == pytest.approx(1, abs=0.02)
    assert spring.season.picked == pytest.approx(0.35, abs=0.02)
    assert late.first_pick == spring.first_pick
    assert late.first_pick.month in (5, 6)


@pytest.mark.parametrize(
    ("crop", "start", "first", "last"),
    [
        ("rhubarb", "division", (3, 4), (6, 6)),
        ("asparagus", "division", (4, 5), (6, 6)),
        ("raspberry", "transplant", (6, 7), (7, 8)),
        ("raspberry-autumn", "transplant", (8, 9), (9, 10)),
        ("blackcurrant", "transplant", (6, 7), (7, 8)),
    ],
)
def test_each_has_its_season_every_year(grown, book, crop, start, first, last):
    root = book.crops[crop].variety_of or crop
    for age in (3, 6):
        planted = set_in(2027 - age, root, start)
        report = grown({**planted, "variety": crop if root != crop else None}, **MILD)
        assert first[0] <= report.first_pick.month <= first[1]
        assert last[0] <= report.last_pick.month <= last[1]
        assert report.first_pick.year == 2027


def test_it_holds_its_ground_all_year_and_is_never_idle(reported):
    bed_full = planting("rhubarb", "all", start="division", start_date="2024-03-01", spacing_cm=95)
    report = reported(document(bed_full, **MILD))
    (stands,) = report.plantings
    assert stands.clear_date > report.year.end
    assert report.places[0].idle == ()
    assert not any(n.code in ("no-pick", "after-window") for n in report.notes)


def test_the_first_year_and_old_age_are_said(noted):
    young = noted(document(set_in(2027, "asparagus", "division"), **MILD))
    assert "the first picking is about 29 April 2028" in said(young["establishing"].text)
    assert "winter-cold" not in young
    old = noted(document(set_in(2021, "strawberry", "transplant"), **MILD))
    assert "year 7 of its life" in said(old["old-plant"].text)


def test_a_day_of_clearing_ends_it(grown):
    cleared = {**set_in(2024, "rhubarb", "division"), "clear_date": "2027-05-01"}
    report = grown(cleared, **MILD)
    assert report.clear_date == date(2027, 5, 1)
    assert 0 < report.season.picked < 0.8

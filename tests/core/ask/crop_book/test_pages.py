"""The crop book as a garden sees it: windows, what each place bears and why not, neighbours."""

from datetime import date

import pytest

from ample_rows.core.ask.crop_book.pages import crop_index, crop_page
from ample_rows.core.calendar.growing_year import growing_year
from ample_rows.core.calendar.windows import start_window
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from tests.conftest import bed, document, rectangle, tub

SHALLOW = bed(id="shallow", wall_height_cm=14, native=None, bottom="closed")
SHADE = bed(id="shade", sun_hours=2.2)
BOTH = bed(id="both", wall_height_cm=14, native=None, bottom="closed", sun_hours=2.2)
NARROW = bed(id="narrow", shape=rectangle(30, 240))
POT = tub(id="pot", shape={"type": "circle", "diameter_cm": 20}, wall_height_cm=22)


@pytest.fixture(scope="module")
def plan(read):
    return read(document(places=[bed(), SHALLOW, SHADE, BOTH, NARROW, POT]))


@pytest.fixture(scope="module")
def fits(plan, book):
    def ask(crop):
        return {fit.place: fit for fit in crop_page(Estimate(plan, book), crop, book).places}

    return ask


def test_a_good_bed_has_all_that_a_crop_wants(fits):
    assert said(fits("lettuce-leaf")["bed"].words) == "has all it needs"


@pytest.mark.parametrize(
    ("crop", "place", "reason"),
    [
        ("carrot", "shallow", "the root itself is"),
        ("tomato", "shallow", "22 cm at least"),
        ("tomato", "shade", "2.2 h of sun, and it needs 4.5 h"),
        ("tomato", "pot", "L per plant"),
    ],
)
def test_what_stands_in_the_way_is_said_in_its_own_measures(fits, crop, place, reason):
    fit = fits(crop)[place]
    assert not fit.fits
    assert reason in said(fit.words)


def test_every_reason_is_named_at_once(fits):
    words = said(fits("tomato")["both"].words)
    assert "h of sun" in words
    assert "22 cm at least" in words


def test_a_narrow_place_is_no_reason_against_a_wide_crop(fits):
    assert fits("courgette")["narrow"].fits


def test_what_lessens_a_crop_without_ending_it_is_told_in_percent(fits):
    # 11 cm of the 9 that corn salad wants at least and the 15 it could use: 0.7 + 0.3 x 2/6.
    assert said(fits("corn-salad")["shallow"].words) == "about 20 % less than it could"


def test_a_climber_with_nothing_to_climb_is_told_its_loss(read, book):
    net = {"id": "net", "edge": "north", "height_cm": 180, "system": "net"}
    plan = read(document(places=[bed(id="bare"), bed(id="net", supports=[net])]))
    bare, netted = crop_page(Estimate(plan, book), "pea", book).places
    # Twigs among the plants, which need no line of support, would do nearly as well as a net.
    assert said(bare.words) == "about 10 % less than it could"
    assert said(netted.words) == "has all it needs"


def test_windows_are_those_of_the_season_with_the_first_start_carried_to_its_pick(plan, book):
    page = crop_page(Estimate(plan, book), "dwarf-bean", book)
    year = growing_year(plan.garden, book)
    for found in page.windows:
        own = start_window(year, page.crop, found.start, book)
        assert (found.earliest, found.latest, found.open) == (own.earliest, own.latest, True)
        days = page.crop.days_to_pick(found.start)
        assert (found.first_pick - found.earliest).days == days
        assert found.last_pick <= date(2027, 10, 20)


def test_a_season_too_short_is_said(read, book):
    short = read(document(places=[bed()], last_frost="2027-06-20", first_frost="2027-08-20"))
    page = crop_page(Estimate(short, book), "watermelon", book)
    assert not any(window.open for window in page.windows)
    assert "the season here is too short" in said(page.places[0].words)


def test_neighbours_are_told_from_both_sides(plan, book):
    named = {n.crop: n for n in crop_page(Estimate(plan, book), "tomato", book).neighbours}
    assert {"basil", "pot-marigold", "french-marigold"} <= named.keys()
    assert named["basil"].evidence == "belief"


def test_kinds_of_one_crop_lead_to_each_other(plan, book):
    assert set(crop_page(Estimate(plan, book), "tomato-bush", book).kinds) == {
        "tomato",
        "tomato-cherry",
        "tomato-tumbling",
    }
    assert "tomato-bush" in crop_page(Estimate(plan, book), "tomato", book).kinds


def test_the_index_parts_what_a_place_bears_from_what_it_does_not(plan, book):
    lines = {line.id: line for line in crop_index(Estimate(plan, book), "shallow")}
    assert lines.keys() == book.crops.keys()
    assert lines["cress"].fits
    assert lines["parsnip"].fits is False
    assert all(line.words for line in lines.values())
    assert all(line.fits is None for line in crop_index(Estimate(plan, book), None))


def test_what_is_not_there_is_named(plan, book):
    with pytest.raises(UnknownPartError, match="triffid"):
        crop_page(Estimate(plan, book), "triffid", book)
    with pytest.raises(UnknownPartError, match="attic"):
        crop_index(Estimate(plan, book), "attic")

"""The shopping list against sums done by hand."""

import pytest

from ample_rows.core.ask.seed_box.shopping import shopping_list
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import block, document, planting


@pytest.fixture
def listed(book, read):
    def of(*plantings, **box):
        plan = read({**document(*plantings), "seed_box": box})
        report = Estimate(plan, book, "x").report
        return shopping_list(plan, report.plantings, report.year.start, book)

    return of


def one(found):
    (row,) = found.rows
    return row


def packet(crop, seeds, year, **keys):
    return {"id": "s1", "crop": crop, "seeds": seeds, "year": year, **keys}


def test_an_empty_box_buys_whole_packets(listed):
    # 64 carrots at three seeds a station are 192; a tenth to spare 211.2, rounded up 212.
    row = one(listed(planting(), choices=[{"crop": "carrot", "packet": 2.5}]))
    assert (row.wanted, row.there, row.buy) == (212, 0, 1)
    assert row.cost == 2.5
    assert said(row.as_sold) == "1 packet of about 900"


def test_seed_in_the_box_counts_as_what_still_lives(listed):
    # Three years old with a half-life of four: normal score 0.49, 0.6879 / 0.975 alive.
    row = one(listed(planting(), packets=[packet("carrot", 300, 2024)]))
    assert row.there == 211
    assert row.buy == 1
    row = one(listed(planting(), packets=[packet("carrot", 301, 2024)]))
    assert row.there == 212
    assert (row.buy, row.cost) == (0, 0)
    assert "enough in the box" in said(row.words)


def test_seed_that_is_too_old_counts_for_nothing(listed):
    found = listed(planting("parsnip"), packets=[packet("parsnip", 5000, 2022)])
    assert one(found).there == 0
    assert "damp paper" in said(found.packets[0].words)


def test_saved_seed_of_what_crosses_is_told(listed):
    words = one(listed(planting("kale"), packets=[packet("kale", 90, 2027, saved=True)])).words
    assert "may not come true" in said(words)


def test_tubers_are_bought_by_weight_and_garlic_by_the_head(listed):
    potato = planting("potato", block("A1", "D8"), start="set", start_date="2027-04-12")
    row = one(listed(potato, choices=[{"crop": "potato", "sold": 3}]))
    assert row.unit == "plants"
    kilograms = -(-row.wanted // 13)
    assert row.buy == kilograms
    assert row.cost == pytest.approx(3 * kilograms)
    garlic = planting("garlic", start="set", start_date="2027-10-10")
    assert "head to split, 9 plants each" in said(one(listed(garlic)).as_sold)


def test_raised_and_bought_stand_side_by_side(listed):
    tomato = planting("tomato", block("A1", "B4"), start="transplant", start_date="2027-05-20")
    box = {"choices": [{"crop": "tomato", "packet": 3, "plant": 2}], "raising": 0.5}
    row = one(listed(tomato, **box))
    at_home, bought = row.ways
    plants = -(-row.wanted // 2)  # two seeds a station, a tenth to spare either way
    assert at_home.cost == pytest.approx(3 + 0.5 * plants)
    assert bought.cost == pytest.approx(2 * plants)
    assert (at_home.chosen, row.unit) == (True, "seeds")
    box["choices"][0]["buy_plants"] = True
    row = one(listed(tomato, **box))
    assert (row.unit, row.buy, row.cost) == ("plants", plants, pytest.approx(2 * plants))


def test_it_is_wanted_when_it_is_first_sown_indoors(listed, grown):
    tomato = planting("tomato", start="transplant", start_date="2027-05-20")
    assert one(listed(tomato)).first_use == grown(tomato).sow_indoors


def test_what_was_begun_before_the_year_is_in_the_ground(listed):
    garlic = planting("garlic", start="set", start_date="2026-10-10")
    assert listed(garlic).rows == ()


def test_a_missing_price_is_named_and_nothing_summed(listed):
    found = listed(planting())
    assert found.cost is None
    assert [said(words) for words in found.missing] == ["a price for maincrop carrot"]


@pytest.mark.parametrize(
    ("box", "path"),
    [
        ({"packets": [packet("triffid", 5, 2027)]}, "seed_box.packets[0].crop"),
        ({"packets": [packet("carrot", -1, 2027)]}, "seed_box.packets[0].seeds"),
        ({"packets": [packet("carrot", 1, 27)]}, "seed_box.packets[0].year"),
        ({"choices": [{"crop": "carrot"}] * 2}, "seed_box.choices[1].crop"),
        ({"packets": [packet("carrot", 1, 2027)] * 2}, "seed_box.packets[1].id"),
    ],
)
def test_a_box_that_cannot_be_is_refused_at_its_field(read, box, path):
    with pytest.raises(PlanFaultsError) as error:
        read({**document(), "seed_box": box})
    assert error.value.faults[0].path == path

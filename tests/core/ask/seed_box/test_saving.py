"""Saving seed: how long plants stay for it, from how many, and what of the plan would cross."""

from datetime import timedelta

import pytest

from ample_rows.core.ask.seed_box.saving import saved_seed
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.crops import load_book
from tests.conftest import bed, block, document, planting

BOOK = load_book()


@pytest.fixture
def saved(read, book):
    def ask(*plantings, places=None):
        plan = read(document(*plantings, places=places or [bed()]))
        return saved_seed(Estimate(plan, book), plantings[0]["id"])

    return ask


def test_a_bean_stays_until_its_pods_rattle(saved, read, book):
    bean = planting("dwarf-bean", block("A1", "B4"), id="bean", start_date="2027-05-20")
    told = saved(bean)
    first = Estimate(read(document(bean)), book).report.plantings[0].first_pick
    assert told.until == first + timedelta(days=45)
    assert (told.pollinated, told.plants, told.enough) == ("itself", 6, True)
    assert not told.biennial
    assert told.crosses == ()


def test_few_plants_are_told_and_what_flowers_in_its_second_year(saved):
    beet = planting("beetroot", ("A1",), id="beet", start_date="2027-04-20", plants=4)
    told = saved(beet)
    assert told.biennial
    assert not told.enough
    assert told.until.year == 2028


def test_other_kinds_of_the_species_cross_and_the_same_kind_does_not(saved):
    def squash(crop, ident, place, **keys):
        cells = block("A1", "C3")
        keys = {"start": "transplant", "start_date": "2027-05-20", **keys}
        return planting(crop, cells, id=ident, place=place, **keys)

    places = [
        bed(id="one", at_m=[0.0, 0.0]),
        bed(id="two", at_m=[3.0, 4.0]),
        bed(id="three", at_m=[9.0, 0.0]),
    ]
    told = saved(
        squash("courgette", "mine", "one"),
        squash("pumpkin", "near", "two"),
        squash("courgette", "same", "three"),
        squash("winter-squash", "other", "three"),
        places=places,
    )
    (crossing,) = told.crosses
    assert (crossing.planting, crossing.metres, crossing.near) == ("near", 5.0, True)


def test_without_a_yard_the_distance_is_not_known(saved):
    chard = planting("chard", ("A1",), id="chard", place="two", start_date="2027-04-20")
    beet = planting("beetroot", ("A1",), id="beet", place="one", start_date="2027-04-20")
    (crossing,) = saved(beet, chard, places=[bed(id="one"), bed(id="two")]).crosses
    assert (crossing.metres, crossing.near) == (None, True)


def test_what_is_divided_has_no_seed_to_save(saved):
    mint = planting("mint", ("A1",), id="mint", start="division", start_date="2027-04-20")
    with pytest.raises(CannotBeDoneError):
        saved(mint)


def test_every_species_of_the_table_is_in_the_book():
    species = {crop.botanical for crop in BOOK.crops.values()}
    assert BOOK.seed_saving.keys() <= species
    grown = [c for c in BOOK.crops.values() if c.botanical in BOOK.seed_saving]
    assert len(grown) >= 60
    for crop in grown:
        # What is known to cross is not told to come true beside another kind.
        if "hybridises" in crop.traits:
            assert BOOK.seed_saving[crop.botanical].apart_m >= 50

"""What is usually eaten, by kinds of food and people."""

import pytest

from ample_rows.core.ask.pantry.usual_wants import usual_wants
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from tests.conftest import bed, document


@pytest.fixture(scope="module")
def wants(book, read):
    def asks(people, often, **garden):
        plan = document(places=[bed()])
        plan["garden"] |= garden
        return {want.crop: want for want in usual_wants(Estimate(read(plan), book), people, often)}

    return asks


def test_amounts_are_the_plants_that_three_eat_from_for_so_many_and_so_often(wants, book):
    once = wants(3, {"roots": 1})
    # 160 carrots of 23 g for three people.
    assert once["carrot"].kg_per_year == pytest.approx(3.7)
    assert once["carrot"].keep == "store"
    assert set(once) == {entry.crops[0] for entry in book.likes["roots"].entries}
    assert wants(6, {"roots": 2})["carrot"].kg_per_year == pytest.approx(15)


def test_a_crop_of_two_kinds_is_eaten_as_often_as_the_one_that_comes_more_often(wants):
    both = wants(3, {"roots": 1, "salads": 3})
    assert both["radish"].kg_per_year == wants(3, {"salads": 3})["radish"].kg_per_year
    assert both["carrot"].kg_per_year == wants(3, {"roots": 1})["carrot"].kg_per_year


@pytest.mark.parametrize("often", [{}, {"fruit": 0, "herbs": 0}])
def test_who_eats_of_nothing_wants_nothing(wants, often):
    assert wants(2, often) == {}


def test_where_a_crop_has_no_time_the_next_stands_for_it(wants):
    warm = wants(2, {"salads": 1}, latitude=5.0, longitude=100.0)
    assert set(warm) & {"lettuce", "lettuce-leaf", "leaf-amaranth", "summer-purslane"}


def test_a_kind_of_food_that_is_not_known_is_refused_by_name(wants):
    with pytest.raises(PlanFaultsError, match="cakes"):
        wants(2, {"cakes": 1})

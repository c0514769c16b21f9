"""The rotation over the years: families by place and season, and what came back too early."""

import pytest

from ample_rows.core.record.entries import SeasonPlan
from ample_rows.core.record.rotation import rotation
from tests.conftest import bed, block, document, planting

LEFT, RIGHT = block("A1", "B4"), block("C1", "D4")
PLACES = [bed(id="one", name="One"), bed(id="two", name="Two")]


@pytest.fixture
def years(read, book):
    """The rotation of some seasons, each of (crop, place, squares)."""

    def tell(*seasons):
        kept = []
        for at, stood in enumerate(seasons):
            plantings = [
                planting(crop, cells, id=f"p{n}", place=place, start=book.crops[crop].starts[0])
                for n, (crop, place, cells) in enumerate(stood)
            ]
            plan = read(document(*plantings, places=PLACES))
            kept.append(SeasonPlan(id=str(2025 + at), plan=plan))
        return rotation(kept, book)

    return tell


def test_families_stand_by_place_and_season(years):
    told = years(
        [("carrot", "one", LEFT), ("parsnip", "one", RIGHT), ("pea", "two", LEFT)],
        [("pea", "one", LEFT)],
    )
    assert told.seasons == ("2025", "2026")
    one, two = told.places
    (first,) = one.seasons[0]
    assert (first.label, first.crops, first.squares) == (
        "carrot family",
        ("maincrop carrot", "parsnip"),
        16,
    )
    assert [each.label for each in one.seasons[1]] == ["pea and bean family"]
    assert two.seasons[1] == ()


def test_a_family_back_on_its_squares_before_its_rest_is_early(years):
    back = years([("carrot", "one", LEFT)], [], [("parsnip", "one", LEFT)])
    assert back.places[0].seasons[2][0].early
    moved = years([("carrot", "one", LEFT)], [("parsnip", "one", RIGHT)])
    assert not moved.places[0].seasons[1][0].early
    rested = years([("carrot", "one", LEFT)], [], [], [], [("carrot", "one", LEFT)])
    assert not rested.places[0].seasons[4][0].early


def test_what_stays_for_years_is_no_rotation(years):
    assert years([("rhubarb", "one", LEFT)]).places == ()

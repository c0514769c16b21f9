"""Towns by the beginning of their name, as gardeners type them."""

import pytest

from ample_rows.towns import find_towns, plain


@pytest.mark.parametrize(
    ("typed", "name", "region", "latitude"),
    [
        ("munich", "Munich", "Germany", 48.1),
        ("München", "Munich", "Germany", 48.1),
        ("MUNCH", "Munich", "Germany", 48.1),
        ("springfield, ill", "Springfield", "Illinois, United States", 39.8),
        ("wellington, new z", "Wellington", "New Zealand", -41.3),
        ("sao paulo", "São Paulo", "Brazil", -23.5),
        ("st. john", "St. John's", "Canada", 47.6),
    ],
)
def test_a_town_is_found_as_it_is_typed(typed, name, region, latitude):
    first = find_towns(typed)[0]
    assert (first.name, first.region) == (name, region)
    assert first.latitude == pytest.approx(latitude, abs=0.1)


@pytest.mark.parametrize("typed", ["", "a", "!!", "xqzzy", "london, atlantis"])
def test_what_names_no_town_finds_none(typed):
    assert find_towns(typed) == ()


def test_eight_at_most_and_each_once():
    towns = find_towns("san")
    assert len(towns) == len(set(towns)) == 8


def test_accents_capitals_and_points_do_not_matter():
    assert plain("Saint-Étienne ") == plain("SAINT ETIENNE") == "saint etienne"

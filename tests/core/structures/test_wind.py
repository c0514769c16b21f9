"""Wind on posts: the push by hand, and what more wind, depth or thickness must do."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.structures.wind import (
    Face,
    Post,
    depth_cm,
    diameter_cm,
    push_n,
    wind_check,
)
from ample_rows.core.words.message import said

FACE = Face(bay_cm=120, height_cm=180, stops_wind=0.5)


@pytest.fixture
def post(book):
    def of(footing="driven", buried_cm=60.0, diameter_cm=7.0):
        return Post(diameter_cm, buried_cm, book.footings[footing])

    return of


def test_the_push_of_a_gust_by_hand(book):
    # ½ · 1.25 · 20² = 250 Pa on 1.2 m · 1.8 m, drag 1.2, half of it met.
    assert push_n(FACE, 20, book) == pytest.approx(250 * 2.16 * 1.2 * 0.5)


def test_a_post_that_bends_no_more_than_it_may(book):
    # 300 N at 90 cm are 270 Nm; a round post of d bears π d³ σ / 32.
    d = diameter_cm(300, 90, book) / 100
    assert math.pi * d**3 * 9e6 / 32 == pytest.approx(270)


def test_the_depth_that_just_holds_balances_the_ground(book, post):
    # Broms 1964, short free-headed pile: F(e + 1.5b + f/2) = 2.25 c b g².
    deep = depth_cm(300, 180, post(), book) / 100
    force, b, c = 3 * 300, 0.07, 25_000
    dead, f = 1.5 * b, force / (9 * c * b)
    assert force * (0.9 + dead + f / 2) == pytest.approx(
        2.25 * c * b * (deep - dead - f) ** 2, rel=1e-3
    )


def test_garden_posts_come_out_as_gardeners_set_them(book, post):
    # A bean net in a sheltered yard stands on posts knocked in two feet; a gale lays it over.
    assert 12 < wind_check(FACE, post(), None, book).stands_to_m_s < 25


def test_concrete_and_stays_hold_more_than_driving(book, post):
    thick = {"diameter_cm": 12.0, "buried_cm": 50.0}
    holds = {
        name: wind_check(FACE, post(name, **thick), None, book).stands_to_m_s
        for name in ("driven", "concrete", "stayed")
    }
    assert holds["driven"] < holds["concrete"] < holds["stayed"]


@given(wind=st.floats(3, 40), more=st.floats(0.5, 15))
def test_more_wind_never_asks_for_less(book, wind, more):
    post = Post(7.0, 60.0, book.footings["driven"])
    first, second = (wind_check(FACE, post, w, book) for w in (wind, wind + more))
    assert second.push_n > first.push_n
    assert second.thick_enough_cm > first.thick_enough_cm
    if second.deep_enough_cm is not None:
        assert second.deep_enough_cm >= first.deep_enough_cm
    assert first.stands_to_m_s == second.stands_to_m_s


@given(deep=st.floats(20, 120), more=st.floats(1, 60))
def test_deeper_never_stands_less(book, deep, more):
    driven = book.footings["driven"]
    low, high = (
        wind_check(FACE, Post(7.0, d, driven), None, book).stands_to_m_s
        for d in (deep, deep + more)
    )
    assert high >= low - 1e-6


def test_without_a_wind_it_says_so_and_never_that_it_is_safe(book, post):
    found = wind_check(FACE, post(), None, book)
    assert "No wind is entered" in said(found.words)
    assert "local code" in said(found.words)
    assert found.push_n is None
    assert found.push_kg is None
    assert not found.working

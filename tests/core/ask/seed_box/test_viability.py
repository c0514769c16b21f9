"""Seed in its years: half dead at its half-life, never more alive with age."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.ask.seed_box.viability import alive_share


@pytest.mark.parametrize(
    ("age", "half_life", "share"),
    [
        (0, 3, 1.0),
        (3, 3, 0.5 / 0.975),  # half of what lived at first
        (6, 3, 0.025 / 0.975),  # as many live as were dead at first
        (1.5, 3, 0.8365 / 0.975),  # normal score 0.98
        (-1, 3, 1.0),  # packed for next year
    ],
)
def test_the_living_by_hand(book, age, half_life, share):
    assert alive_share(age, half_life, book) == pytest.approx(share, abs=0.001)


@given(age=st.floats(0, 20), more=st.floats(0, 5), life=st.floats(1, 8))
def test_seed_never_gets_better(book, age, more, life):
    older, younger = alive_share(age + more, life, book), alive_share(age, life, book)
    assert 0 <= older <= younger <= 1


def test_every_crop_that_is_sown_has_its_life_and_packet(book):
    for crop in book.crops.values():
        seeded = crop.seeds_per_station is not None
        assert seeded == (crop.packet_seeds is not None) == (crop.seed_life_years is not None)
        assert seeded or crop.sold_as, crop.id
        if crop.seed_life_years:
            assert 1 <= crop.seed_life_years <= 8, crop.id


def test_onion_and_parsnip_are_known_for_their_short_lives(book):
    lives = {c.id: c.seed_life_years for c in book.crops.values() if c.seed_life_years}
    assert lives["parsnip"] < lives["onion"] < lives["carrot"] < lives["tomato"]

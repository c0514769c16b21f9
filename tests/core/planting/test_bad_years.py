"""Bad years: in the book's low for an average gardener, more where a climate brings them."""

import numpy as np
import pytest

from ample_rows.core.planting import harvest
from ample_rows.core.planting.bad_years import Risk
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, planting

BOOK = load_book()
TOMATO = BOOK.crops["tomato"]
SPREAD = TOMATO.yield_kg_per_plant
WET = {
    "tmin_c": [2, 2, 3, 5, 8, 11, 13, 13, 10, 7, 4, 2],
    "tmax_c": [7, 8, 10, 13, 17, 20, 22, 22, 18, 14, 10, 8],
    "rain_mm": [105] * 12,
}
DRY = {**WET, "rain_mm": [30] * 12}


def draws(*risks):
    lot = harvest.Lot(seed=4, crop="tomato", place="bed", plants=10, risks=risks)
    return harvest.harvest_draws(lot=lot, crop=TOMATO, scale=1.0, had=None, book=BOOK)


def quantiles(*risks):
    return tuple(np.quantile(draws(*risks), (0.1, 0.5, 0.9)))


def test_no_crop_of_an_average_gardener_loses_most_in_more_than_six_years_of_a_hundred():
    for crop in BOOK.crops:
        risks = [bad for bad in BOOK.bad_years.values() if crop in bad.crops]
        assert sum(bad.chance for bad in risks if bad.loses > 0.5) <= 0.06 + 1e-9, crop


def test_the_book_s_low_and_high_hold_with_its_bad_years():
    found = quantiles(Risk("blight", 0.05, 0.05, 0.7))
    assert found == pytest.approx((SPREAD.low, SPREAD.typical, SPREAD.high), rel=0.01)
    lost = draws(Risk("blight", 0.05, 0.05, 0.7)) <= 0.3 * SPREAD.typical + 1e-9
    assert lost.mean() >= 0.05


def test_a_climate_that_brings_them_widens_the_range():
    usual, more = (quantiles(Risk("blight", 0.05, chance, 0.7)) for chance in (0.05, 0.3))
    assert more[0] < 0.6 * usual[0]
    assert more[1] < usual[1]


def test_what_is_done_against_them_never_harms():
    usual, less = (quantiles(Risk("blight", 0.05, chance, 0.7)) for chance in (0.05, 0.01))
    assert all(b >= a - 1e-9 for a, b in zip(usual, less, strict=True))


def chance_of_blight(report):
    (term,) = [t for t in report.working if said(t.name).startswith("Bad years: blight")]
    return term.value


def test_wet_summers_roofs_and_kinds_change_the_chance_and_it_is_told(grown):
    tomato = planting("tomato", start="transplant", start_date="2027-05-20")
    roof = {"id": "r", "kind": "film-tunnel", "cells": "all"}
    under = bed(covers=[{**roof, "since": "2027-05-01", "until": "2027-11-01"}])
    assert chance_of_blight(grown(tomato, climate=DRY)) == pytest.approx(5)
    assert chance_of_blight(grown(tomato, climate=WET)) == pytest.approx(30)
    assert chance_of_blight(grown(tomato, climate=WET, places=[under])) < 8

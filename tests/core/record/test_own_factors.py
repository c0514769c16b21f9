"""This garden's own factors: by hand where that can be done, and over many made-up gardens."""

import math
from dataclasses import replace

import numpy as np
import pytest

from ample_rows.core.record.outcomes import Expected, Outcome, Outcomes
from ample_rows.core.record.own_factors import learnt
from ample_rows.crops import load_book

BOOK = load_book()
# Variances of season, garden, family, crop, crop in a season, planting.
S, G, F, C, B, E = 0.2**2, 0.3**2, 0.2**2, 0.25**2, 0.25**2, 0.35**2
TOTAL = S + G + F + C + B + E
Z80 = 1.2815515655446004


def outcome(ratio, crop="carrot", family="Apiaceae", *, season="2026", planting="p", shift=None):
    expected = Expected(crop, family, 10.0, None, None, None)
    return Outcome(season, planting, expected, 10.0 * math.exp(ratio), shift)


def of(*outcomes, **changes):
    return learnt(Outcomes(outcomes, (), ()), BOOK, **changes)


def test_one_planting_is_shared_out_by_how_much_each_effect_varies():
    own = of(outcome(math.log(2)))
    assert own.garden.factor == pytest.approx(math.exp(G / TOTAL * math.log(2)))
    assert own.families["Apiaceae"].factor == pytest.approx(2 ** ((G + F) / TOTAL))
    carrot = own.crops["carrot"]
    share = (G + F + C) / TOTAL
    assert carrot.factor == pytest.approx(2**share)
    spread = Z80 * math.sqrt((G + F + C) * (1 - share))
    assert carrot.low == pytest.approx(2**share * math.exp(-spread))
    assert carrot.high == pytest.approx(2**share * math.exp(spread))
    assert (carrot.n, own.garden.n, own.used) == (1, 1, 1)


def test_two_crops_in_one_season_by_hand():
    # Two values share season and garden: prediction is c V^-1 r with V of two rows.
    r = np.array([0.5, -0.1])
    v = np.full((2, 2), S + G) + np.eye(2) * (TOTAL - S - G)
    own = of(outcome(r[0]), outcome(r[1], "leek", "Amaryllidaceae", planting="q"))
    assert math.log(own.garden.factor) == pytest.approx(np.full(2, G) @ np.linalg.solve(v, r))
    of_leek = np.array([G, G + F + C]) @ np.linalg.solve(v, r)
    assert math.log(own.crops["leek"].factor) == pytest.approx(of_leek)


def test_what_was_never_grown_has_the_garden_s_factor_and_its_family_s():
    own = of(outcome(0.6), also={"parsnip": "Apiaceae", "kale": "Brassicaceae"})
    assert own.crops["parsnip"].factor == pytest.approx(own.families["Apiaceae"].factor)
    assert own.crops["kale"].factor == pytest.approx(own.garden.factor)
    assert own.crops["kale"].n == 0
    widths = [own.crops[c].high / own.crops[c].low for c in ("carrot", "parsnip", "kale")]
    assert widths == sorted(widths)


def test_nothing_entered_says_nothing():
    own = of(also={"kale": "Brassicaceae"})
    assert own.garden.factor == own.crops["kale"].factor == 1.0
    assert own.crops["kale"].low == pytest.approx(math.exp(-Z80 * math.sqrt(G + F + C)))
    assert own.crops["kale"].first_pick_shift_days is None


def test_first_picks_shift_by_garden_and_crop():
    own = of(outcome(0, shift=18), also={"leek": "Amaryllidaceae"})
    total = 7**2 + 5**2 + 6**2
    assert own.crops["carrot"].first_pick_shift_days == pytest.approx(18 * (7**2 + 5**2) / total)
    assert own.crops["leek"].first_pick_shift_days == pytest.approx(18 * 7**2 / total)


def test_last_picks_shift_the_same_way_and_days_from_the_start_are_averaged():
    expected = Expected("carrot", "Apiaceae", 10.0, None, None, None)
    seen = [Outcome("2026", f"p{days}", expected, 10.0, None, 18, days) for days in (80, 90)]
    carrot = of(*seen).crops["carrot"]
    assert of(*seen).pickings == {"carrot": 2}
    assert carrot.first_pick_shift_days is None
    # Two of one crop: what both share against the noise of their mean.
    shared = 7**2 + 5**2
    assert carrot.last_pick_shift_days == pytest.approx(18 * shared / (shared + 6**2 / 2))
    assert carrot.days_to_pick == 85


def test_one_odd_figure_moves_little():
    usual = [outcome(0.1, season=str(year), planting=f"p{year}") for year in range(2015, 2025)]
    odd = replace(outcome(-0.1, season="2025"), kg=200.0)
    moved = of(*usual, odd).crops["carrot"].factor / of(*usual).crops["carrot"].factor
    unweighed = math.exp((math.log(20) - 0.1) / 11)
    assert 1 < moved < 1 + (unweighed - 1) * 0.7


def test_one_bad_year_is_not_laid_to_the_garden():
    crops = [(f"c{i}", f"f{i % 9}") for i in range(16)]

    def year(name, ratio):
        return [outcome(ratio, c, f, season=name, planting=name + c) for c, f in crops]

    usual = [one for name in ("2023", "2024", "2025") for one in year(name, 0.0)]
    bad = of(*usual, *year("2026", math.log(0.5)))
    assert 0.8 < bad.garden.factor < 1


CROPS = [(f"crop-{i}", f"family-{i % 9}") for i in range(16)]


def _garden(rng, seasons):
    """One garden drawn as the model says: its true effects by crop, and its outcomes by season."""
    g = rng.normal(0, math.sqrt(G))
    f = {family: rng.normal(0, math.sqrt(F)) for _, family in CROPS}
    true = {c: g + f[family] + rng.normal(0, math.sqrt(C)) for c, family in CROPS}
    told = []
    for season in range(seasons):
        s = rng.normal(0, math.sqrt(S))
        for c, family in CROPS:
            ratio = true[c] + s + rng.normal(0, math.sqrt(B + E))
            told.append(outcome(ratio, c, family, season=str(season), planting=f"{season}{c}"))
    return true, told


@pytest.mark.parametrize(("seasons", "least_gain"), [(1, 0.10), (3, 0.16)])
def test_over_five_hundred_gardens_intervals_hold_and_next_year_is_known_better(
    seasons, least_gain
):
    rng = np.random.default_rng(20270101)
    held, before, after = [], [], []
    for _ in range(500):
        true, told = _garden(rng, seasons + 1)
        known = of(*(o for o in told if o.season != str(seasons)))
        for o in told:
            own = known.crops[o.expected.crop]
            if o.season == str(seasons):
                ratio = math.log(o.kg / o.expected.kg)
                before.append(ratio**2)
                after.append((ratio - math.log(own.factor)) ** 2)
                held.append(own.low <= math.exp(true[o.expected.crop]) <= own.high)
    assert 0.77 <= np.mean(held) <= 0.83
    assert 1 - math.sqrt(np.mean(after) / np.mean(before)) >= least_gain

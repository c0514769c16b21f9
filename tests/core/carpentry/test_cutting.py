"""The cut list: every piece is cut once, no board is overfilled, and nothing cheaper exists."""

from collections import Counter
from itertools import product

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.carpentry.cutting import Stock, TooLongError, cut

SHORT, LONG = Stock(240, 9.0), Stock(300, 10.0)


def cuts_of(cutting):
    return Counter(cm for bar in cutting.bars for cm in bar.cuts_cm * bar.count)


def test_a_worked_cut_list():
    # Two beds of 120 x 240: four long sides and four short ones, from boards of 240 and 300.
    found = cut(Counter({240.0: 4, 120.0: 4}), (SHORT, LONG))
    assert found.least
    assert found.cost == 54
    assert found.waste_cm == 0


def test_a_saw_takes_its_width_from_each_board():
    assert cut(Counter({80.0: 3}), (Stock(240, 1.0),)).cost == 1
    assert cut(Counter({80.0: 3}), (Stock(240, 1.0),), saw_cm=0.3).cost == 2


def test_without_prices_the_shortest_sum_of_boards_is_sought():
    found = cut(Counter({150.0: 2}), (Stock(240), Stock(300)))
    assert [(bar.count, bar.length_cm) for bar in found.bars] == [(1, 300)]
    assert found.cost is None


def test_a_piece_longer_than_any_board_is_refused():
    with pytest.raises(TooLongError, match="310"):
        cut(Counter({310.0: 1}), (SHORT, LONG))


def test_nothing_wanted_takes_nothing():
    assert cut(Counter(), (SHORT,)).bars == ()


def test_many_lengths_still_get_a_list_though_not_the_least_proven():
    wanted = Counter({20.0 + 3.7 * i: 9 for i in range(24)})
    found = cut(wanted, (SHORT, LONG))
    assert cuts_of(found) == wanted
    assert not found.least


PIECES = st.dictionaries(st.integers(20, 200).map(float), st.integers(1, 2), max_size=3)


@given(PIECES, st.floats(0, 0.5))
def test_every_piece_is_cut_and_no_board_overfilled(pieces, saw):
    wanted = Counter(pieces)
    found = cut(wanted, (SHORT, LONG), saw_cm=saw)
    assert cuts_of(found) == wanted
    for bar in found.bars:
        assert sum(bar.cuts_cm) + saw * (len(bar.cuts_cm) - 1) <= bar.length_cm + 1e-6


@given(st.lists(st.integers(20, 200).map(float), min_size=1, max_size=4))
def test_no_way_of_sharing_out_the_pieces_is_cheaper(pieces):
    def cost_of(shared):
        total = 0.0
        for bar in set(shared):
            length = sum(p for p, b in zip(pieces, shared, strict=True) if b == bar)
            fitting = [s.price for s in (SHORT, LONG) if s.length_cm >= length]
            if not fitting:
                return float("inf")
            total += min(fitting)
        return total

    ways = product(range(len(pieces)), repeat=len(pieces))
    assert cut(Counter(pieces), (SHORT, LONG)).cost == pytest.approx(min(map(cost_of, ways)))

"""What is eaten of a crop, reckoned for one plan and for many at once: by the larder's rules."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.ask.fill.table import AtTable
from ample_rows.core.ask.pantry.larder import larder
from ample_rows.core.ask.pantry.wants import Wanted

WEEKS = 12
KILOGRAMS = st.lists(st.sampled_from([0, 0, 0, 0.5, 1, 3, 8]), min_size=WEEKS, max_size=WEEKS)


def at_table(fresh, keeps, share, store):
    wanted = Wanted(
        "x",
        ("x",),
        12.0,
        None,
        tuple(range(1, 13)),
        fresh,
        "store",
        keeps,
        share,
        in_store_kg=store,
    )
    need = np.ones(WEEKS)
    return AtTable(wanted, 2.0, 12.0, need, fresh, keeps, share, store, 3 if store else 0)


@given(
    picked=st.lists(KILOGRAMS, min_size=1, max_size=4),
    fresh=st.integers(1, 4),
    keeps=st.integers(1, 9),
    share=st.sampled_from([0.5, 0.9, 1.0]),
    store=st.sampled_from([0.0, 2.0]),
)
def test_one_by_one_as_all_at_once_as_the_larder(picked, fresh, keeps, share, store):
    table, each = at_table(fresh, keeps, share, store), np.array(picked, dtype=float)
    stored = larder(each.T, table.need, table.wanted, table.in_store_weeks)
    eaten = (stored.fresh + stored.kept).sum(axis=0)
    assert [table.eaten_kg(one) for one in each] == pytest.approx(eaten.tolist())
    assert table.values_of(each).tolist() == pytest.approx([table.value_of(one) for one in each])

"""Taking a reading: only one that stands still, and each of them once."""

from functools import reduce

from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.record.taking import SCALE, THERMOMETER, At, Taking, is_steady, with_reading


def after(readings, steady=SCALE, taking=None, every_s=0.25):
    """What is taken of readings that follow each other."""
    before = taking or Taking()
    begun = before.lately[-1].s + every_s if before.lately else 0.0
    at = [At(begun + n * every_s, value) for n, value in enumerate(readings)]
    return reduce(lambda taking, reading: with_reading(taking, reading, steady), at, before)


def test_only_a_reading_that_stands_still_is_taken():
    settling = after([0.4, 0.9, 1.15, 1.21, 1.232, 1.238])
    assert settling.taken is None
    still = after([1.240, 1.241, 1.240, 1.240, 1.240, 1.241, 1.240], taking=settling)
    assert (still.nth, still.taken) == (1, 1.240)


def test_what_lies_there_is_taken_once():
    once = after([0.5] * 40)
    assert (once.nth, once.taken) == (1, 0.5)
    assert after([0.5, 0.501, 0.499] * 10, taking=once).nth == 1


def test_the_next_is_taken_after_the_scale_was_empty_or_more_was_put_on():
    first = after([0.5] * 8)
    again = after([0.0] * 8 + [0.5] * 8, taking=first)
    assert again.nth == 2
    more = after([0.8] * 8, taking=again)
    assert (more.nth, more.taken) == (3, 0.8)


def test_an_empty_scale_and_what_drifts_are_never_taken():
    assert after([0.0] * 20).nth == 0
    assert after([n * 0.001 for n in range(5)] * 4).nth == 0


def test_readings_that_come_all_at_once_are_not_taken():
    assert after([0.5] * 20, every_s=0.01).nth == 0
    assert after([0.5] * 160, every_s=0.01).nth == 1


def test_a_probe_is_taken_below_freezing_too():
    assert after([-1.0] * 14, THERMOMETER).taken == -1.0


@given(st.lists(st.floats(0, 5), max_size=60))
def test_what_is_taken_stood_still(readings):
    taking = Taking()
    for n, value in enumerate(readings):
        before, taking = taking, with_reading(taking, At(n * 0.3, value), SCALE)
        assert taking.nth - before.nth in (0, 1)
        if taking.nth > before.nth:
            assert is_steady(taking.lately, SCALE)
            lately = [reading.value for reading in taking.lately]
            assert min(lately) <= taking.taken <= max(lately)
            assert value >= SCALE.least

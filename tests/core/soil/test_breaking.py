"""Breaking ground: turf, passes of a tool, a machine by the day, and earth moved to level."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.ask.building.bill import bill_for
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.soil.breaking import levelled_litres
from ample_rows.core.words.message import said
from tests.conftest import bed, document


@pytest.fixture
def broken(read, reported, book):
    """The hours of loosening, what is bought, and the jobs of one bed of 2.88 m²."""

    def of(breaking, **place):
        doc = document(places=[bed(loosened_below_cm=20, breaking=breaking, **place)])
        report = reported(doc)
        bill = bill_for(Estimate(read(doc), book), report.places)
        lines = {line.material: line.amount for line in bill.lines}
        return bill.places[0].hours_loosen, lines, report.places[0].jobs

    return of


@pytest.mark.parametrize(
    ("breaking", "hours"),
    [
        (None, 2.88 * 0.25),
        ({"tool": "spade"}, 2.88 * 0.3),
        ({"tool": "spade", "passes": 2}, 2.88 * 0.6),
        ({"tool": "spade", "turf": "lifted"}, 2.88 * (0.3 + 0.35)),
        ({"turf": "covered"}, 2.88 * (0.25 + 0.05)),
    ],
)
def test_turf_and_passes_take_their_hours(broken, breaking, hours):
    assert broken(breaking)[0] == pytest.approx(hours)


def test_a_machine_is_hired_by_the_day(broken):
    assert "machine-hire" not in broken({"tool": "fork"})[1]
    assert broken({"tool": "machine", "passes": 3})[1]["machine-hire"] == 1


def test_lifted_turf_is_dated_and_gives_its_sods(broken):
    (job, *_) = [job for job in broken({"turf": "lifted"})[2] if "turf" in said(job.what)]
    assert "about 115 L" in said(job.what)
    (grass,) = [job for job in broken(None)[2] if "grass" in said(job.what)]
    assert grass.on < job.on


@pytest.mark.parametrize(("key", "value"), [("turf", "burnt"), ("tool", "spoon"), ("passes", 0)])
def test_what_ground_is_not_broken_with_is_refused(broken, key, value):
    with pytest.raises(PlanFaultsError, match=rf"places\[0\]\.breaking\.{key}"):
        broken({key: value})


@pytest.mark.parametrize(
    ("area", "falls", "litres"),
    [(2, (8, 0), 20), (2, (0, -8), 20), (1, (6, 6), 10), (3, (0, 0), 0)],
)
def test_earth_moved_by_hand(area, falls, litres):
    assert levelled_litres(area, falls) == pytest.approx(litres)


@given(st.floats(0, 50), st.floats(0, 50))
def test_earth_moved_is_half_of_what_lies_off_the_mean_plane(across, along):
    steps = (np.arange(60) + 0.5) / 60 - 0.5
    heights = across * steps[:, None] + along * steps[None, :]
    by_sum = np.abs(heights).mean() / 2 * 10
    assert levelled_litres(1.0, (across, along)) == pytest.approx(by_sum, rel=0.01, abs=0.01)

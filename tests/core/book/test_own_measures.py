"""What the grower's own measures hold: handfuls of feed, barrows and buckets of soil."""

import pytest

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import block, document, planting

PACKET = {"n_percent": 5}
CABBAGE = planting("cabbage", block("A1", "B2"), start="transplant", start_date="2027-05-10")


@pytest.fixture
def measured(reported):
    def of(packet=PACKET, **measures):
        doc = document(CABBAGE, **({"measures": measures} if measures else {}))
        return reported({**doc, "soil": {"packet": packet}})

    return of


@pytest.mark.parametrize(
    ("measures", "handful_g", "words"),
    [
        # 165.6 g of the packet; usual handfuls of 0.07 L at 0.9 kg a litre weigh 63 g.
        ({}, None, "about 2½ handfuls"),
        ({"handful": 0.1}, None, "about 2 handfuls"),
        ({"handful": 0.03}, None, "about 6 handfuls"),
        # On the scale a handful of this packet weighs 40 g.
        ({}, 40, "about 4 handfuls"),
        ({"handful": 0.4}, 400, "about half a handful"),
        ({"scoop": 0.12}, None, "about 1½ scoops"),
    ],
)
def test_a_feed_is_said_in_the_growers_own_measures(measured, measures, handful_g, words):
    packet = {**PACKET, "handful_g": handful_g} if handful_g else PACKET
    assert said(measured(packet=packet, **measures).places[0].feed.packet_by_measure) == words


def test_soil_is_counted_in_the_growers_own_barrow_and_bucket(measured):
    usual, own = measured(), measured(barrow=100, bucket=14)
    (before,), (after,) = usual.totals.order.mixes, own.totals.order.mixes
    # 1,016.5 litres to pour.
    assert (before.barrows, before.buckets) == (13, 85)
    assert (after.barrows, after.buckets) == (11, 73)
    assert after.litres == before.litres
    assert own.measures["barrow"] == 100
    assert own.measures["can"] == usual.measures["can"] == 9


def test_a_measure_that_holds_nothing_is_refused(read):
    with pytest.raises(PlanFaultsError, match="bucket"):
        read(document(CABBAGE, measures={"bucket": 0}))

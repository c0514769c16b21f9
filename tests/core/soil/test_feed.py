"""Feed: what crops take, what the fill frees, and the packet that stands for the difference."""

import pytest

from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting

PACKET = {"name": "garden feed", "n_percent": 5, "p2o5_percent": 4, "k2o_percent": 8}


@pytest.fixture
def feed(reported):
    def make(*plantings, place=None, **soil):
        doc = {**document(*plantings, places=[place or bed()]), "soil": soil}
        return reported(doc).places[0].feed

    return make


CABBAGE = planting("cabbage", block("A1", "B2"), start="transplant", start_date="2027-05-10")


def test_a_heavy_leaf_crop_takes_twenty_grams_and_a_little_more(feed):
    # Four squares of 30 cm: 0.36 m2 x 20 g x 1.15.
    found = feed(CABBAGE, packet=PACKET)
    assert found.n_g == pytest.approx(8.28)
    assert found.lacks_n_g == found.n_g
    assert found.packet_g == pytest.approx(165.6)
    assert found.packet_g_per_m2 == pytest.approx(165.6 / 2.88)
    assert found.crops[0].packet_g == pytest.approx(165.6)


def test_the_school_decides_whether_the_mix_feeds_itself(feed):
    assert feed(CABBAGE, feeding="mix", packet=PACKET).packet_g == 0
    fed = feed(CABBAGE, feeding="from-start", packet=PACKET)
    assert fed.packet_g > 0
    assert fed.mix_frees_n_g > fed.n_g


def test_without_a_packet_s_analysis_grams_are_not_told(feed):
    assert feed(CABBAGE).packet_g is None
    assert feed(CABBAGE, packet={"n_percent": 0}).packet_g is None


def test_a_woody_base_takes_its_own_share(feed):
    plain, wooded = feed(CABBAGE), feed(CABBAGE, place=bed(base_cm=10))
    assert wooded.n_g - plain.n_g == pytest.approx(5 * 2.88)


def test_a_soil_test_shifts_phosphate_and_potash(feed):
    def potash(level):
        return feed(CABBAGE, test={"potash": level}).k2o_g

    assert potash("high") == 0
    assert potash("low") == pytest.approx(1.5 * potash("middle"))


def test_the_packet_given_for_nitrogen_brings_the_rest_by_its_analysis(feed):
    found = feed(CABBAGE, packet={**PACKET, "price_per_kg": 2})
    assert found.packet_p2o5_g == pytest.approx(165.6 * 0.04)
    assert found.packet_k2o_g == pytest.approx(165.6 * 0.08)
    assert found.packet_cost == pytest.approx(0.1656 * 2)
    assert feed(CABBAGE, packet={"n_percent": 5}).packet_k2o_g is None


def test_a_sour_soil_is_told_to_be_limed_a_chalky_one_not(feed):
    assert "lime in autumn" in said(feed(test={"ph": 5.2}).advice[0])
    assert "lime does not" in said(feed(test={"ph": 8.1}).advice[0])
    assert len(feed(test={"ph": 6.8}).advice) == 1


def test_crops_that_follow_each_other_add_up(feed):
    later = planting(
        "lettuce", block("A1", "B2"), id="p2", start="transplant", start_date="2027-09-20"
    )
    both = feed({**CABBAGE, "clear_date": "2027-09-01"}, later)
    assert both.n_g == pytest.approx(sum(crop.n_g for crop in both.crops))
    assert [crop.planting for crop in both.crops] == ["p1", "p2"]


def test_a_green_manure_is_not_fed(feed):
    rye = planting("winter-rye", block("A1", "D4"), start_date="2026-10-01")
    found = feed(rye, packet=PACKET)
    assert (found.n_g, found.crops[0].packet_g) == (0, 0)
    assert said(found.crops[0].why) == "dug in, it gives back what it took"

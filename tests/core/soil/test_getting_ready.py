"""Getting ground ready: soft matter, mounds from paths, card that rots, trees beside, jobs."""

from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.soil.mound import MoundTop, digging_for_height, height_from_path
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, document, planting, rectangle

LEAVES = {"material": "leaves", "cm": 40, "how": "laid", "on": "2026-11-10"}


def place_of(reported, *plantings, **changes):
    return reported(document(*plantings, places=[bed(**changes)])).places[0]


def test_leaves_sink_to_a_fifth_and_are_planted_by_spring(reported):
    [layer] = place_of(reported, added=[LEAVES]).soil.soft
    assert layer.litres == pytest.approx(2.88 * 400)
    assert layer.height_cm[0] == 40
    assert layer.height_cm[3] == pytest.approx(8 + 32 / 2, abs=0.3)
    assert layer.rise_cm == pytest.approx(8)
    assert layer.fit_on == date(2026, 11, 10) + timedelta(days=150)


def test_what_stays_of_it_counts_as_depth_but_a_trench_does_not(reported):
    plain = place_of(reported).usable_depth_cm
    laid = place_of(reported, added=[LEAVES])
    buried = place_of(reported, added=[{**LEAVES, "material": "greens", "how": "trench"}])
    assert laid.usable_depth_cm == pytest.approx(plain + 8)
    assert buried.usable_depth_cm == plain
    assert buried.soil.soft[0].litres == pytest.approx(0.4 * 2.4 * 400)


def test_manure_carries_its_waiting_time(reported):
    [layer] = place_of(reported, added=[{**LEAVES, "material": "manure"}]).soil.soft
    assert "120 days" in layer.caution


def test_card_stops_roots_for_a_season_and_then_opens(reported):
    def usable(**changes):
        return place_of(reported, bottom="rotting", loosened_below_cm=20, **changes).usable_depth_cm

    assert usable() == 30
    assert usable(bottom_laid="2027-03-01") == 30
    assert usable(bottom_laid="2026-03-01") == 30 + 20 + 15


def test_card_opens_under_a_late_planting_first(reported):
    late = planting("lettuce", start="transplant", start_date="2027-08-01")
    early = planting("lettuce", ("C1",), id="p2", start="transplant", start_date="2027-04-20")
    opened = bed(bottom="rotting", bottom_laid="2026-11-01", loosened_below_cm=20)
    first, second = reported(document(early, late, places=[opened])).plantings
    assert second.depth.usable_cm > first.depth.usable_cm == 30


def test_roots_of_a_hedge_take_depth_and_water_where_they_reach(reported):
    def lying(hedge_at):
        site = {
            "outline_m": [[0, 0], [20, 0], [20, 20], [0, 20]],
            "obstacles": [
                {
                    "kind": "hedge",
                    "height_m": 2,
                    "root_reach_m": 1,
                    "outline_m": [
                        [hedge_at, 0],
                        [hedge_at + 1, 0],
                        [hedge_at + 1, 9],
                        [hedge_at, 9],
                    ],
                }
            ],
        }
        climate = {"tmin_c": [8.0] * 12, "tmax_c": [20.0] * 12}
        doc = document(places=[bed(at_m=[2, 2])], site=site, climate=climate)
        return reported(doc).places[0]

    near, far = lying(3.7), lying(15)
    # A metre of roots from 3.7 reaches half a metre into a bed from 2.0 to 3.2.
    share = 0.5 / 1.2
    assert near.usable_depth_cm == pytest.approx(far.usable_depth_cm - 15 * 0.5 * share, abs=1e-3)
    assert near.water.dry_litres_per_week[6] == pytest.approx(
        (1 + 0.4 * share) * far.water.dry_litres_per_week[6], rel=1e-3
    )


SIZE = st.floats(30, 200)


@given(SIZE, st.floats(20, 100), st.floats(5, 40), st.floats(0, 2))
def test_a_mound_s_height_and_its_path_s_digging_are_each_other_s_inverse(top, path, dug, slope):
    book = load_book()
    mound = MoundTop(top, 300, slope, path, loosened_cm=10)
    there = height_from_path(mound, dug, book)
    back = digging_for_height(mound, there.height_cm, book)
    assert back.dug_cm == pytest.approx(dug)
    assert back.litres == pytest.approx(there.litres)


def test_a_mound_by_hand(book):
    # 40 cm of path, 20 deep, swollen by a quarter: 1000 cm2 over a straight-sided metre.
    earth = height_from_path(MoundTop(100, 300, 0, 40, loosened_cm=20), 20, book)
    assert earth.height_cm == pytest.approx(10)
    assert earth.loose_cm == pytest.approx(30)
    assert earth.litres == pytest.approx(300)


def test_a_new_bed_is_readied_a_standing_one_topped_up(reported):
    sown = planting(start_date="2027-04-10")
    new = [said(job.what) for job in place_of(reported, sown, base_cm=10, mulch_cm=5).jobs]
    assert new[0] == "where grass grows, cover it or turn it under"
    assert "lay the woody base, tread it and water it in" in new
    assert any(what.startswith("fill with") for what in new)
    assert any(what.startswith("mulch 5 cm") for what in new)
    standing = place_of(reported, sown, stage="standing").jobs
    assert [said(job.what) for job in standing] == ["top up with 52 L"]
    assert standing[0].latest == date(2027, 4, 10)


def test_a_bed_in_the_ground_is_not_filled(reported):
    ground = {"kind": "ground", "wall_height_cm": 0, "rim_gap_cm": 0, "shape": rectangle(90, 200)}
    jobs = [said(job.what) for job in place_of(reported, **ground).jobs]
    assert not any(what.startswith("fill") for what in jobs)


def test_mulch_is_measured_settled_and_kept_thin_until_seed_is_up(reported):
    late = planting("carrot", start_date="2027-06-10")
    jobs = {said(job.what): job for job in place_of(reported, late, mulch_cm=5).jobs}
    # 2.88 m2 five centimetres deep, and a third and more of air before it settles.
    assert "mulch 5 cm deep: 144 L settled, 222 L loose" in jobs
    (thin,) = (job for what, job in jobs.items() if what.startswith("draw the mulch back to 1 cm"))
    assert thin.on == date(2027, 6, 10)
    assert thin.on < thin.latest < date(2027, 7, 10)
    set_out = planting("lettuce", start="transplant", start_date="2027-06-10")
    assert not any("draw" in said(job.what) for job in place_of(reported, set_out, mulch_cm=5).jobs)

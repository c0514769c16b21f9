"""The spacing dial, layouts side by side and the sowing of one planting."""

import itertools
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.ask.spacing.dial import dial_of
from ample_rows.core.ask.spacing.side_by_side import side_by_side
from ample_rows.core.ask.spacing.sown import sowing_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting import sizes
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, document, planting, tub

BOOK = load_book()
NET = {"supports": [{"id": "net", "edge": "north", "height_cm": 180, "system": "net"}]}


@pytest.fixture
def dialled(read):
    def one(what, **context):
        return dial_of(Estimate(read(document(what, **context)), BOOK), what["id"])

    return one


def test_a_crowded_plant_is_lighter_by_the_reciprocal_law(dialled):
    dial = dialled(planting("beetroot"))
    at_reference = next(p for p in dial.points if p.spacing_cm == pytest.approx(10))
    crowding = BOOK.crops["beetroot"].crowding
    for point in dial.points:
        lone = 1 / ((1 - crowding) + crowding * point.plants / at_reference.plants)
        assert point.kg_per_plant == pytest.approx(at_reference.kg_per_plant * lone)
        assert point.piece_kg == pytest.approx(at_reference.piece_kg * lone)


@pytest.mark.parametrize(
    ("what", "context"),
    [
        (planting("carrot"), {}),
        (planting("potato", "all", start="set"), {}),
        (planting("lettuce", "all", place="tub"), {"places": [tub()]}),
        (planting("pea", ("A8", "B8"), support="net"), {"places": [bed(**NET)]}),
        (planting("rocket", layout="rows"), {}),
    ],
)
def test_closer_never_fits_fewer_nor_lowers_the_weight_grown(dialled, what, context):
    points = dialled(what, **context).points
    assert [p.spacing_cm for p in points] == sorted(p.spacing_cm for p in points)
    for close, wide in itertools.pairwise(points):
        assert close.plants >= wide.plants
        assert close.kg >= wide.kg - 1e-9
        assert close.kg_per_plant <= wide.kg_per_plant + 1e-9
        assert len(close.positions_cm) == close.plants


def test_the_dial_runs_over_its_range_and_holds_the_own_spacing(dialled):
    dial = dialled(planting("beetroot", spacing_cm=11.3))
    assert dial.points[0].spacing_cm == pytest.approx(6)
    assert dial.points[-1].spacing_cm == pytest.approx(16)
    assert any(p.spacing_cm == pytest.approx(11.3) for p in dial.points)
    assert (dial.reference_cm, dial.own_cm) == (10, 11.3)


def test_a_planting_by_the_square_is_dialled_by_the_spacing_it_comes_to(dialled):
    dial = dialled(planting("beetroot", ("A1",), per_cell=4, layout="single-squares"))
    own = next(p for p in dial.points if p.spacing_cm == pytest.approx(dial.own_cm))
    assert own.plants == 4


def test_leaves_meet_sooner_and_the_air_grows_worse_where_plants_stand_closer(dialled):
    close, *_, wide = dialled(planting("beetroot")).points
    assert close.leaves_meet is not None
    assert wide.leaves_meet is None or close.leaves_meet < wide.leaves_meet
    assert close.closed_weeks > wide.closed_weeks
    assert (close.air, wide.air) == (BOOK.airs["crowded"].words, BOOK.airs["open"].words)


def test_any_number_of_plants_can_be_dialled(dialled):
    crowd = planting("chilli-pepper", "all", start="transplant", plants=20_000)
    dial = dialled(crowd, places=[tub(id="bed")])
    assert min(point.spacing_cm for point in dial.points) == dial.own_cm < 0.4
    assert all(point.air for point in dial.points)


@pytest.mark.parametrize("layout", ["merged", "rows"])
def test_the_books_own_spacing_is_the_usual_one(dialled, layout):
    dial = dialled(planting("onion", "all", start="set", layout=layout))
    own = next(p for p in dial.points if p.spacing_cm == pytest.approx(dial.reference_cm))
    assert own.air == BOOK.airs["usual"].words


def test_a_clump_that_keeps_its_ground_is_as_close_as_usual(read):
    plan = read(document(planting("onion", "all", start="set")))
    by = {laid.layout: laid.closeness.air for laid in side_by_side(Estimate(plan, BOOK), "p1")}
    assert by["stations"] == by["merged"] == BOOK.airs["usual"].words
    assert by["band"] == BOOK.airs["crowded"].words


def test_the_dial_says_what_a_change_would_bring(dialled):
    words = said(dialled(planting("carrot")).words)
    assert words.startswith("Closer, at 6 cm: 36 more")
    assert "lighter. Wider, at 9 cm: 28 fewer" in words
    alone = dialled(planting("tomato-bush", ("B2", "B3", "C2", "C3"), start="transplant"))
    assert "none fits" in said(alone.words)


def test_what_is_too_small_by_the_law_of_sizes():
    # Half the weight lies below exp(spread^2 / 2) times the mean.
    assert sizes.too_small_share(1.0, math.exp(0.35**2 / 2), 0.35) == pytest.approx(0.5)
    assert sizes.too_small_share(0.0, 0.1, 0.35) == 0


@given(st.floats(0.01, 2), st.floats(0.01, 2), st.floats(1, 3))
def test_larger_pieces_leave_less_too_small(mean, least, more):
    assert sizes.too_small_share(mean * more, least, 0.35) <= sizes.too_small_share(
        mean, least, 0.35
    )


def test_fruit_of_many_pieces_has_no_size_of_piece(dialled):
    assert all(p.piece_kg is None for p in dialled(planting("dwarf-bean")).points)


def test_layouts_stand_side_by_side_with_their_own_first(read):
    plan = read(document(planting("onion", "all", start="set", layout="offset")))
    found = side_by_side(Estimate(plan, BOOK), "p1")
    assert found[0].layout == "offset"
    assert found[0].own
    assert found[0].changes == {}
    by = {laid.layout: laid for laid in found}
    assert by.keys() == BOOK.layouts.keys()
    # 12 x 24 on a square lattice; three to a station take √3 of the spacing, 17.3 cm.
    assert by["merged"].closeness.plants == 288
    assert by["stations"].closeness.plants == 3 * 6 * 13
    assert by["stations"].changes["spacing_cm"] == 17.3


def test_a_change_of_layout_gives_what_it_promised(read, grown):
    plan = read(document(planting("onion", "all", start="set")))
    for laid in side_by_side(Estimate(plan, BOOK), "p1"):
        kept = {key: value for key, value in laid.changes.items() if value is not None}
        report = grown(planting("onion", "all", start="set", **kept))
        assert (report.layout, report.plants) == (laid.layout, laid.closeness.plants)
        assert report.harvest_kg.p50 == pytest.approx(laid.closeness.kg)


def test_nobody_sows_cabbages_in_a_band_or_in_clumps(read):
    plan = read(document(planting("cabbage", "all", start="transplant")))
    assert {"band", "stations"}.isdisjoint(
        laid.layout for laid in side_by_side(Estimate(plan, BOOK), "p1")
    )


def test_along_a_support_there_is_one_row(read):
    plan = read(document(planting("pea", ("A8",), support="net"), places=[bed(**NET)]))
    assert side_by_side(Estimate(plan, BOOK), "p1") == ()


def sowing(grown, what):
    return sowing_of(grown(what), BOOK.crops[what["crop"]], what.get("plants_per_station") or 1)


def test_seeds_thinnings_and_gaps_by_hand(grown):
    found = sowing(grown, planting("carrot"))
    crop = BOOK.crops["carrot"]
    assert (found.stations, found.seeds_each, found.seeds) == (64, crop.seeds_per_station, 192)
    assert found.gap_share == pytest.approx((1 - crop.emergence) ** 3)
    assert found.gaps == pytest.approx(64 * found.gap_share)
    # Of what comes up, one a station is kept.
    assert found.thinned == pytest.approx(192 * crop.emergence - 64 * (1 - found.gap_share))
    assert said(found.words).startswith("3 seeds at each of 64 stations.")
    assert "thin to the strongest before leaves touch" in said(found.words)


def test_gaps_not_passed_nine_times_in_ten(grown):
    found = sowing(grown, planting("carrot"))
    n, g = found.stations, found.gap_share
    share = [math.comb(n, k) * g**k * (1 - g) ** (n - k) for k in range(n + 1)]
    assert sum(share[: found.gaps_at_most + 1]) >= 0.9
    assert sum(share[: found.gaps_at_most]) < 0.9


def test_a_band_is_strewn_and_what_is_set_out_is_not_sown(grown):
    assert "scattered over the band" in said(sowing(grown, planting("rocket", layout="band")).words)
    assert sowing(grown, planting("lettuce", start="transplant")) is None
    assert sowing(grown, planting("garlic", start="set")) is None

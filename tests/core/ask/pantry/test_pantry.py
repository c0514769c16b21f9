"""The pantry: bands of sums over the same seasons, wants worked back, places and earners."""

import pytest

from ample_rows.core.ask.pantry.earnings import earnings_of
from ample_rows.core.ask.pantry.pantry import pantry_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting

CARROT = planting("carrot", block("A1", "B2"), id="roots")
LETTUCE = planting("lettuce", block("C1", "D3"), id="salad", start="transplant")


@pytest.fixture
def pantry(read, book):
    return lambda *plantings, **context: pantry_of(
        Estimate(read(document(*plantings, **context)), book)
    )


@pytest.fixture
def earnings(read, reported, book):
    def found(*plantings, **context):
        doc = document(*plantings, **context)
        return earnings_of(Estimate(read(doc), book))

    return found


def crop(found, ident):
    return next(c for c in found.crops if c.crop == ident)


def wanting(**kg):
    wants = [{"crop": name.replace("_", "-"), "kg_per_year": want} for name, want in kg.items()]
    return {"household": {"people": 2, "wants": wants}}


def test_one_planting_has_the_book_s_own_range(pantry, book, grown):
    ten = {**CARROT, "plants": 10}
    found = pantry(ten)
    report, spread = grown(ten), book.crops["carrot"].yield_kg_per_plant
    scale = report.harvest_kg.p50 / spread.typical
    # The closed form of a single planting, to a hundredth and two.
    assert found.harvest_kg.p50 == pytest.approx(scale * spread.typical, rel=0.01)
    assert found.harvest_kg.p10 == pytest.approx(scale * spread.low, rel=0.02)
    assert found.harvest_kg.p90 == pytest.approx(scale * spread.high, rel=0.02)


def test_a_sum_is_narrower_than_the_sum_of_its_ranges(pantry):
    found = pantry(CARROT, LETTUCE)
    crops = [c.harvest_kg for c in found.crops]
    assert found.harvest_kg.p10 > sum(c.p10 for c in crops)
    assert found.harvest_kg.p90 < sum(c.p90 for c in crops)
    assert found.harvest_kg.p50 == pytest.approx(sum(c.p50 for c in crops), rel=0.03)


def test_weeks_of_a_crop_add_up_to_its_plan(pantry, grown):
    weeks = pantry(LETTUCE).weeks
    report = grown(LETTUCE)
    # A cold season is picked later and a warm one sooner: the band is wider than the plan.
    assert {w.week for w in weeks} > {w.week for w in report.weekly_kg}
    assert sum(w.p50 for w in weeks) == pytest.approx(report.harvest_kg.p50, rel=1e-6)
    assert all(w.p10 <= w.p50 <= w.p90 for w in weeks)


def test_kinds_are_one_crop_at_table(pantry):
    short = planting("carrot", ("C4", "D4"), id="short", variety="carrot-short")
    both, one = pantry(CARROT, short), pantry(CARROT)
    assert [c.crop for c in both.crops] == ["carrot"]
    assert crop(both, "carrot").plants > crop(one, "carrot").plants


def test_a_planting_that_fails_is_no_measure_of_what_one_more_gives(pantry):
    late = planting("carrot", ("C4", "D4"), id="late", start_date="2027-10-20")
    alone, both = (
        crop(pantry(CARROT, *more, **wanting(carrot=10)), "carrot") for more in ((), (late,))
    )
    assert both.plants > alone.plants
    assert both.kg_per_plant == pytest.approx(alone.kg_per_plant)
    assert both.more_plants <= alone.more_plants


def test_a_want_is_worked_back_to_plants_squares_and_seed(pantry, book):
    found = crop(pantry(CARROT, **wanting(carrot=10)), "carrot")
    assert found.short_kg == pytest.approx(10 - found.harvest_kg.p50)
    each = found.harvest_kg.p50 / 64
    assert found.more_plants == pytest.approx(found.short_kg / each, abs=1)
    # Sixteen to a square, as they are grown here.
    assert found.more_squares == pytest.approx(found.more_plants / 16, abs=1)
    assert found.more_seeds == found.more_plants * book.crops["carrot"].seeds_per_station
    assert found.chance == 0
    assert f"{found.more_plants} more plants" in said(found.words)


def test_what_is_not_grown_yet_is_worked_back_from_the_book(pantry, book):
    found = crop(pantry(**wanting(sweet_corn=4)), "sweet-corn")
    corn = book.crops["sweet-corn"]
    assert found.plants == 0
    assert found.kg_per_plant == pytest.approx(corn.yield_kg_per_plant.typical * corn.survival)
    assert found.more_squares == pytest.approx(found.more_plants * corn.spacing_cm**2 / 900, abs=1)


def test_more_than_enough_says_what_is_to_spare(pantry):
    found = crop(pantry(CARROT, **wanting(carrot=0.2)), "carrot")
    assert found.short_kg < 0
    assert found.more_plants is None
    assert found.chance == 1
    assert "to spare" in said(found.words)


def test_a_want_lies_between_never_and_always(pantry):
    likely = crop(pantry(CARROT), "carrot").harvest_kg.p50
    found = crop(pantry(CARROT, **wanting(carrot=likely)), "carrot")
    assert found.chance == pytest.approx(0.5, abs=0.01)


def test_places_and_the_squares_that_earn_least(earnings):
    slow = planting("garlic", ("A4",), id="slow", start="set", start_date="2026-10-15")
    found = earnings(CARROT, slow)
    (place,) = found.places
    assert place.kg_per_m2 == pytest.approx(place.harvest_kg.p50 / 2.88)
    assert [e.planting for e in found.least] == ["slow", "roots"]
    assert found.least[0].square_weeks > 30


def test_an_empty_garden_has_an_empty_pantry(pantry, earnings):
    found = pantry(places=[bed()])
    assert (found.crops, found.weeks) == ((), ())
    assert earnings(places=[bed()]).least == ()
    assert found.harvest_kg.p50 == 0


def test_a_want_below_nothing_is_refused(read):
    from ample_rows.core.plan.reading import PlanFaultsError

    with pytest.raises(PlanFaultsError) as error:
        read(document(**wanting(carrot=-3)))
    assert error.value.faults[0].path == "garden.household.wants[0].kg_per_year"


def test_wants_are_told_by_the_week_and_by_head(pantry):
    found = pantry(CARROT, **wanting(carrot=52, lettuce=26))
    assert found.eaten_kg_a_week == pytest.approx(1.5)
    assert found.each_kg_a_week == pytest.approx(0.75)
    assert pantry(CARROT).each_kg_a_week is None

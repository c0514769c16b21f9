"""From what is seen to its likely causes, as a grower who knows them would name them."""

from datetime import date
from itertools import chain

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.ask.ailments.asked import ailing, northern_month
from ample_rows.core.ask.ailments.finder import Seen, causes_of, signs_of
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, block, document, planting

BOOK = load_book()


def likeliest(signs, crop=None, month=None, **answers):
    told = {name.replace("_", "-"): value for name, value in answers.items()}
    found = causes_of(Seen(signs, told, BOOK.crops.get(crop), month), BOOK)
    return [cause.id for cause in found.causes]


@pytest.mark.parametrize(
    ("signs", "crop", "month", "answers", "cause"),
    [
        (["old-yellow"], "kale", 6, {"old_first": True, "no_feed": True}, "nitrogen-short"),
        (["young-yellow"], "strawberry", 6, {"limy": True}, "iron-lime"),
        (["between-veins"], "tomato", 7, {"old_first": True}, "magnesium-short"),
        (["leaf-no-crop"], "tomato", 7, {"much_feed": True}, "nitrogen-rich"),
        (["only-male"], "courgette", 6, {"long_grown": True}, "male-first"),
        (["young-fruit-rots"], "courgette", 7, {"few_bees": True}, "few-visitors"),
        (["flowers-drop"], "dwarf-bean", 7, {"heat": True}, "heat"),
        (["flowers-drop"], "tomato", 6, {"cold_nights": True}, "cool-fruit"),
        (["fruit-split"], "tomato", 8, {"dry_then_wet": True}, "dry-then-wet"),
        (["fruit-end-rots"], "tomato", 7, {}, "calcium-water"),
        (["root-forked"], "carrot", 9, {"stones": True}, "stones-manure"),
        (["root-tunnels"], "carrot", 9, {}, "carrot-fly"),
        (["bolted"], "spinach", 6, {"cold_young": False}, "bolts-days"),
        (["bolted"], "beetroot", 6, {"cold_young": True}, "bolts-cold"),
        (["ragged-holes"], "lettuce", 5, {"slime": True}, "slugs"),
        (["ragged-holes"], "cabbage", 7, {"insects_below": True}, "caterpillars"),
        (["small-holes"], "rocket", 5, {"dry_spell": True}, "flea-beetle"),
        (["wilts-by-day", "roots-swollen"], "cabbage", 7, {}, "clubroot"),
        (["wilts-for-good"], "cabbage", 6, {"roots_gone": True}, "cabbage-root-fly"),
        (["white-coat"], "courgette", 8, {}, "powdery-mildew"),
        (["grey-coat"], "strawberry", 6, {"wet_spell": True}, "grey-mould"),
        (["brown-spreads"], "tomato", 8, {"wet_spell": True}, "late-blight"),
        (["nothing-up"], "dwarf-bean", 4, {"cold_young": True}, "soil-cold"),
        (["nothing-up"], "parsnip", 6, {"dry_spell": True}, "soil-dry"),
        (["eaten-at-ground"], "lettuce", 5, {"slime": False}, "cutworms"),
        (["seedlings-fall"], "tomato", 3, {}, "damping-off"),
        (["fern-like"], "tomato", 6, {"bought_compost": True, "one_row": True}, "weedkiller"),
        (["fruit-bitter"], "courgette", 8, {"own_seed": True}, "crossed-seed"),
        (["fruit-bitter"], "cucumber", 8, {"dry_spell": True}, "bitter-dry"),
        (["root-thin"], "radish", 5, {"much_feed": True}, "nitrogen-rich"),
        (["bulb-small"], "onion", 7, {}, "bulb-day-length"),
        (["gaps-in-cobs"], "sweet-corn", 8, {"few_bees": True}, "few-visitors"),
        (["tuber-scabs"], "potato", 8, {}, "scab"),
        (["all-pale", "stunted"], "lettuce", 6, {"woody_soil": True}, "wood-takes-nitrogen"),
    ],
)
def test_the_usual_cause_comes_first(signs, crop, month, answers, cause):
    assert likeliest(signs, crop, month, **answers)[0] == cause


def test_the_tables_name_only_what_there_is():
    named = set(chain.from_iterable(cause.signs for cause in BOOK.causes.values()))
    asked = set(chain.from_iterable((*c.yes, *c.no) for c in BOOK.causes.values()))
    assert named == BOOK.signs.keys()
    assert asked == BOOK.questions.keys()
    families = {crop.family for crop in BOOK.crops.values()}
    for cause in BOOK.causes.values():
        assert set(cause.crops) <= BOOK.crops.keys()
        assert set(cause.families) <= families
        assert cause.trouble is None or cause.trouble in BOOK.troubles
        assert cause.loses.low <= cause.loses.high
        assert not set(cause.yes) & set(cause.no)
    assert len(BOOK.signs) >= 60
    assert len(BOOK.causes) >= 45


def test_what_a_sign_says_by_itself_is_not_asked():
    found = causes_of(Seen(["old-yellow"], {}, BOOK.crops["kale"], 6), BOOK)
    assert not {"old-first", "young-first"} & set(found.ask)
    implied = set(chain.from_iterable(sign.implies for sign in BOOK.signs.values()))
    assert implied <= BOOK.questions.keys()


def test_each_sign_has_a_cause_that_is_usual_for_it():
    usual = {sign for cause in BOOK.causes.values() for sign, how in cause.signs.items() if how > 1}
    assert usual == BOOK.signs.keys()


@given(
    st.lists(st.sampled_from(sorted(BOOK.signs)), min_size=1, max_size=4, unique=True),
    st.dictionaries(st.sampled_from(sorted(BOOK.questions)), st.booleans(), max_size=5),
    st.one_of(st.none(), st.sampled_from(sorted(BOOK.crops))),
    st.one_of(st.none(), st.integers(1, 12)),
)
def test_shares_are_of_one_and_in_order(signs, answers, crop, month):
    found = causes_of(Seen(signs, answers, BOOK.crops.get(crop or ""), month), BOOK)
    shares = [cause.share for cause in found.causes]
    assert shares == sorted(shares, reverse=True)
    assert sum(shares) <= 1 + 1e-9
    assert not set(found.ask) & answers.keys()


@given(st.sampled_from(sorted(BOOK.causes)))
def test_a_yes_never_makes_a_cause_less_likely_than_a_no(ident):
    cause = BOOK.causes[ident]
    sign = max(cause.signs, key=lambda name: cause.signs[name])

    def share(answers):
        found = causes_of(Seen([sign], answers), BOOK)
        return next((c.share for c in found.causes if c.id == ident), 0.0)

    for question in cause.yes:
        assert share({question: True}) >= share({question: False})


def test_what_cannot_be_seen_on_a_crop_is_not_offered():
    of_carrot = set(chain.from_iterable(signs_of(BOOK.crops["carrot"], BOOK).values()))
    assert "root-forked" in of_carrot
    assert not {"only-male", "gaps-in-cobs", "fruit-bitter"} & of_carrot
    everything = set(chain.from_iterable(signs_of(None, BOOK).values()))
    assert everything == BOOK.signs.keys()


def test_a_sign_that_is_not_in_the_book_is_named():
    with pytest.raises(UnknownPartError, match="no-such"):
        causes_of(Seen(["no-such"], {}), BOOK)


@pytest.fixture
def crowded(read, book):
    """Carrots two centimetres apart."""
    thick = planting("carrot", block("A1", "B2"), id="thick", spacing_cm=2)
    return Estimate(read(document(thick, places=[bed()])), book)


def test_what_the_plan_reckons_speaks_for_a_cause(crowded):
    found = ailing(crowded, ["root-thin"], {}, day=date(2027, 7, 1), planting="thick")
    first = found.causes[0]
    assert first.id == "crowded"
    assert "crowding leaves" in said(first.plan_says)
    likely = crowded.report.plantings[0].harvest_kg.p50
    assert first.loses_kg == pytest.approx((0.05 * likely, 0.5 * likely))
    bare = ailing(crowded, ["root-thin"], {}, day=date(2027, 7, 1), crop="carrot")
    assert next(c.share for c in bare.causes if c.id == "crowded") < first.share
    assert bare.causes[0].loses_kg is None


def test_south_of_the_equator_a_month_is_that_of_its_season():
    assert northern_month(date(2027, 1, 5), -35.0) == 7
    assert northern_month(date(2027, 7, 5), -35.0) == 1
    assert northern_month(date(2027, 7, 5), 51.0) == 7

"""The next year: what lasts goes on, what ended is remembered, and drafts of what is planted."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core import plan as p
from ample_rows.core.ask.next_year.draft import next_year
from ample_rows.core.ask.next_year.resized import Wish, wishes
from ample_rows.core.checks import check_plan
from ample_rows.core.estimate.estimate import Estimate
from tests.conftest import bed, block, document, planting

CARROT = planting("carrot", block("A1", "B2"), id="carrot", start_date="2027-04-10")
BEAN = planting("dwarf-bean", block("A1", "B2"), id="bean", start_date="2027-08-01")
GARLIC = planting("garlic", block("C1", "D2"), id="garlic", start="set", start_date="2027-10-20")
RHUBARB = planting("rhubarb", block("A5", "C7"), id="rhubarb", start="set", start_date="2025-03-20")
OTHER = bed(id="other", name="Other bed")


@pytest.fixture
def drafted(read, book):
    def draft(*plantings, how="same", **keys):
        return next_year(Estimate(read(document(*plantings, **keys)), book), how)

    return draft


def by_crop(plan):
    return {planting.crop: planting for planting in plan.plantings}


def test_the_year_moves_on_by_one(drafted):
    plan, told = drafted(CARROT).plan, drafted(CARROT).told
    assert (told.season, told.year) == ("2027", "2028")
    assert (plan.garden.last_frost, plan.garden.first_frost) == (
        date(2028, 4, 25),
        date(2028, 10, 20),
    )


def test_what_is_over_is_remembered_by_square_and_what_lasts_goes_on(drafted):
    made = drafted(CARROT, GARLIC, RHUBARB, how="empty")
    standing = {planting.id: planting for planting in made.plan.plantings}
    assert set(standing) == {"garlic", "rhubarb"}
    assert standing["rhubarb"].start_date == date(2025, 3, 20)
    [grew] = made.plan.places[0].grew
    assert (grew.year, grew.crops, set(grew.cells)) == (2027, ("carrot",), set(block("A1", "B2")))
    assert (made.told.over, made.told.planted) == (1, 0)
    assert made.told.stays == ("garlic", "rhubarb")


def test_a_year_as_before_begins_everything_again_a_year_later_but_what_stays(drafted):
    made = drafted(CARROT, GARLIC, RHUBARB)
    starts = sorted((q.crop, q.start_date) for q in made.plan.plantings)
    assert starts == [
        ("carrot", date(2028, 4, 10)),
        ("garlic", date(2027, 10, 20)),
        ("garlic", date(2028, 10, 20)),
        ("rhubarb", date(2025, 3, 20)),
    ]
    assert made.told.planted == 2
    # No id is used again: what was entered of last year's is not of this year's.
    assert {"carrot", "bean"} & {q.id for q in made.plan.plantings} == set()


def test_what_has_no_room_beside_what_stays_is_left_out_and_told(drafted):
    spring = planting("lettuce", block("C1", "D2"), id="l", start_date="2027-04-10")
    [left] = drafted(spring, GARLIC).told.left_out
    assert (left.name, left.stands, left.start_date) == (
        "head lettuce",
        "garlic",
        date(2028, 4, 10),
    )


def test_links_follow_what_is_begun_again(drafted):
    follows = {**BEAN, "follows": "carrot"}
    bean = by_crop(drafted(CARROT, follows).plan)["dwarf-bean"]
    assert bean.follows == by_crop(drafted(CARROT, follows).plan)["carrot"].id
    after = by_crop(drafted(GARLIC, {**CARROT, "follows": None}).plan)["carrot"]
    assert after.follows is None


def test_beds_alike_trade_their_crops_so_that_families_move_on(drafted):
    bean = {**BEAN, "id": "b2", "place": "other", "start_date": "2027-06-01"}
    made = drafted(CARROT, bean, places=[bed(name="One"), OTHER], how="moved")
    where = {planting.crop: planting.place for planting in made.plan.plantings}
    assert where == {"carrot": "other", "dwarf-bean": "bed"}
    assert {(m.place, m.to) for m in made.told.moved} == {
        ("One", "Other bed"),
        ("Other bed", "One"),
    }
    assert made.told.soon == 0
    assert drafted(CARROT, bean, places=[bed(), OTHER]).told.soon > 0


def test_a_bed_alone_has_its_crops_on_its_other_side(drafted):
    made = drafted(CARROT, how="moved")
    [carrot] = made.plan.plantings
    assert set(carrot.cells) == set(block("C1", "D2"))
    assert made.told.soon == 0


def test_held_squares_and_supports_keep_all_where_it_stood(drafted):
    held = bed(held=[{"cells": ["D1"], "reason": "post"}])
    [carrot] = drafted(CARROT, places=[held], how="moved").plan.plantings
    assert carrot.cells == block("A1", "B2")
    net = {"id": "net", "edge": "north", "system": "net", "height_cm": 180}
    pea = planting("pea", block("A1", "A2"), id="pea", support="net", start_date="2027-03-20")
    plan = drafted(CARROT | {"cells": ["C3"]}, pea, places=[bed(supports=[net])], how="moved").plan
    assert [each.cells for each in plan.plantings] == [block("A1", "A2"), ("C3",)]


def test_a_bed_with_a_corner_cut_out_is_not_mirrored_into_the_corner(drafted, book):
    corner = [[0, 0], [60, 0], [60, 120], [120, 120], [120, 240], [0, 240]]
    bent = bed(shape={"type": "polygon", "outline_cm": corner})
    made = drafted(CARROT, places=[bent], how="moved")
    assert check_plan(made.plan, book) == []
    assert made.plan.plantings[0].cells == block("A1", "B2")


def test_covers_and_holidays_move_on_and_marks_and_stores_are_gone(drafted, read):
    cover = {"id": "f", "kind": "fleece", "cells": "all", "since": "2027-04-01"}
    kept = bed(covers=[{**cover, "until": "2027-05-10"}])
    want = {"crop": "carrot", "kg_per_year": 5, "in_store_kg": 2}
    plan = drafted(CARROT, places=[kept], household={"wants": [want]}, how="empty").plan
    [moved] = plan.places[0].covers
    assert (moved.since, moved.until) == (date(2028, 4, 1), date(2028, 5, 10))
    assert plan.garden.household.wants[0].in_store_kg is None
    assert plan.jobs == ()


@given(
    how=st.sampled_from(["moved", "same", "empty"]),
    starts=st.lists(
        st.tuples(
            st.sampled_from(["carrot", "garlic", "kale", "dwarf-bean", "rhubarb", "potato"]),
            st.integers(1, 360),
            st.sampled_from([("A1", "B2"), ("C1", "D4"), ("A3", "B5"), ("A6", "D8")]),
        ),
        max_size=6,
    ),
)
def test_every_draft_is_a_sound_plan_that_can_be_rolled_on_again(how, starts, read, book):
    plantings = [
        planting(
            crop,
            block(*cells),
            id=f"p{number}",
            start=book.crops[crop].starts[0],
            start_date=date.fromordinal(date(2027, 2, 1).toordinal() + day).isoformat(),
        )
        for number, (crop, day, cells) in enumerate(starts)
    ]
    plan = read(document(*plantings, places=[bed(), OTHER]))
    wished = {crop: Wish(times) for crop, times in (("carrot", 1.5), ("onion", 0.5))}
    for _ in range(3):
        plan = next_year(Estimate(plan, book), how, wished=wished).plan
        assert check_plan(plan, book) == []
        assert p.Plan.model_validate_json(p.Plan.model_dump_json(plan)) == plan


def squares(plan, crop):
    return sum(len(q.cells) for q in plan.plantings if q.crop == crop)


def test_what_ran_short_gets_free_squares_beside_it_and_what_was_left_over_gives_some_up(
    read, book
):
    onion = planting("onion", block("C1", "D2"), id="onion", start="set", start_date="2027-03-20")
    wants = [{"crop": "carrot", "kg_per_year": 20}, {"crop": "onion", "kg_per_year": 0.5}]
    season = Estimate(read(document(CARROT, onion, household={"wants": wants})), book)
    wished = wishes(season, {"carrot": 2.0, "onion": 2.0}, {})
    assert (wished["carrot"].times, wished["onion"].times) == (1.5, 0.5)
    made = next_year(season, "moved", wished=wished)
    assert (squares(made.plan, "carrot"), squares(made.plan, "onion")) == (6, 2)
    told = {each.name: each for each in made.told.resized}
    assert (told["maincrop carrot"].squares_before, told["maincrop carrot"].squares) == (4, 6)
    assert (told["onion"].wanted_kg, told["onion"].gave_kg) == (0.5, 2.0)
    assert check_plan(made.plan, book) == []
    # The same in the same squares is what was asked for.
    same = next_year(season, "same", wished=wished)
    assert (squares(same.plan, "carrot"), same.told.resized) == (4, ())


def test_nothing_is_planted_into_squares_that_are_taken(read, book):
    full = [
        planting("carrot", block("A1", "B2"), id="carrot", start_date="2027-04-10"),
        planting("onion", block("A3", "D8"), id="o", start="set", start_date="2027-03-20"),
        planting("leek", block("C1", "D2"), id="l", start_date="2027-04-01"),
    ]
    season = Estimate(read(document(*full)), book)
    made = next_year(season, "moved", wished={"carrot": Wish(1.5)})
    assert (squares(made.plan, "carrot"), made.told.resized) == (4, ())


def test_a_verdict_goes_before_the_scale(read, book):
    wants = [{"crop": "carrot", "kg_per_year": 20}]
    season = Estimate(read(document(CARROT, household={"wants": wants})), book)
    assert wishes(season, {}, {"carrot": "fewer"})["carrot"].times == 0.5
    assert wishes(season, {}, {"carrot": "keep"}) == {}
    assert wishes(season, {"carrot": 21.0}, {}) == {}
    # What is still to come is not short yet.
    [report] = season.report.plantings
    wants = [{"crop": "carrot", "kg_per_year": report.harvest_kg.p50}]
    enough = Estimate(read(document(CARROT, household={"wants": wants})), book)
    assert wishes(enough, {"carrot": 0.1}, {}, until=report.first_pick) == {}
    assert wishes(enough, {"carrot": 0.1}, {}, until=report.clear_date)["carrot"].times == 1.5
    assert wishes(season, {}, {"dwarf-bean": "more"})["dwarf-bean"].times == 1.5


def test_what_is_wanted_no_more_is_not_begun_again(read, book):
    season = Estimate(read(document(CARROT, BEAN)), book)
    made = next_year(season, "same", not_again={"carrot"})
    assert [planting.crop for planting in made.plan.plantings] == ["dwarf-bean"]
    [left] = made.told.left_out
    assert (left.name, left.stands) == ("maincrop carrot", None)

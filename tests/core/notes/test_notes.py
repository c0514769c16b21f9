"""Margin notes: found where they should be, silent elsewhere, and mended by their fixes."""

import pytest

from ample_rows.core import plan as p
from ample_rows.core.edits import RemovePlanting, apply_edit
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting, tub

FIRST = planting("carrot", block("A1", "B2"), id="first")


def codes(report, level=None):
    return {note.code for note in report.notes if level in (None, note.level)}


def test_two_plantings_in_one_square_on_one_day_clash(noted):
    second = planting("lettuce", ("B2", "C2"), id="second", start_date="2027-06-01")
    note = noted(document(FIRST, second))["clash"]
    assert note.level == "stop"
    assert note.planting == "second"
    assert note.cells == ("B2",)
    assert "B2 from 1 June to 19 August" in said(note.text)


@pytest.mark.parametrize(
    ("start", "clash"), [("2027-08-27", True), ("2027-08-28", False), ("2027-09-01", False)]
)
def test_ground_cleared_in_the_morning_may_be_sown_that_day(reported, start, clash):
    second = planting("spinach", ("B2",), id="second", start_date=start)
    assert ("clash" in codes(reported(document(FIRST, second)))) == clash


def test_each_fix_of_a_clash_ends_it(read, noted, reported):
    second = planting("lettuce", ("B2",), id="second", start_date="2027-08-01")
    doc = document(FIRST, second)
    fixes = noted(doc)["clash"].fixes
    assert len(fixes) == 4
    for fix in fixes:
        mended = p.document(apply_edit(read(doc), fix.edit))
        assert "clash" not in codes(reported(mended))


@pytest.mark.parametrize(
    ("what", "place", "code", "level"),
    [
        (planting("carrot"), {"wall_height_cm": 17, "bottom": "closed"}, "root-too-long", "stop"),
        (planting("lettuce"), {"wall_height_cm": 12, "bottom": "closed"}, "too-shallow", "stop"),
        (planting("lettuce"), {"wall_height_cm": 18, "bottom": "closed"}, "reduced", "care"),
        (planting("winter-squash", ("A1",)), {}, "none-fit", "stop"),
        (planting("tomato", block("A1", "B2")), {}, "unusual-start", "care"),
        (planting("climbing-bean", start_date="2027-05-20"), {}, "no-support", "care"),
        (planting("dwarf-bean", start_date="2027-03-20"), {}, "before-window", "stop"),
        (planting("dwarf-bean", start_date="2027-04-20"), {}, "before-window", "care"),
        (planting("potato", start="set", start_date="2027-02-20"), {}, "before-window", "care"),
        (planting("cabbage", per_cell=1), {}, "close", "tip"),
        (planting("dwarf-bean", start_date="2027-09-25"), {}, "no-pick", "stop"),
        (planting("dwarf-bean", start_date="2027-08-10"), {}, "frost-first", "care"),
        (planting("leek", start="transplant", start_date="2027-09-20"), {}, "after-window", "care"),
        (planting("carrot", clear_date="2027-05-01"), {}, "no-pick", "stop"),
        (planting("lettuce"), {"sun_hours": 3}, "light-low", "tip"),
        (planting("tomato"), {"sun_hours": 4.5}, "light-low", "care"),
        (planting("lettuce"), {"sun_hours": 1}, "light-low", "stop"),
        (planting("lettuce"), {"sun_hours": None}, "light-unknown", "tip"),
        (planting("radish", spacing_cm=1.5), {}, "small-pieces", "care"),
        (planting("lettuce"), {"native": None}, "native-unknown", "tip"),
        (planting("lettuce"), {"bottom": "lined"}, "below-ignored", "tip"),
        (planting("lettuce"), {}, "idle", "tip"),
        (planting("dwarf-bean", start_date="2027-05-20"), {}, "caution", "tip"),
    ],
)
def test_a_note_for_each_trouble(noted, what, place, code, level):
    note = noted(document(what, places=[bed(**place)]))[code]
    assert note.level == level
    assert said(note.text).endswith(".")
    assert note.place == "bed"


@pytest.mark.parametrize(
    ("what", "place", "code", "label"),
    [
        (
            planting("carrot"),
            {"wall_height_cm": 17, "bottom": "closed"},
            "root-too-long",
            "short-rooted",
        ),
        (planting("carrot"), {"wall_height_cm": 17, "bottom": "closed"}, "root-too-long", "wall"),
        (
            planting("parsnip"),
            {"wall_height_cm": 20, "native": "compacted"},
            "root-too-long",
            "Loosen",
        ),
        (planting("dwarf-bean", start_date="2027-04-20"), {}, "before-window", "Start on"),
        (planting("dwarf-bean", start_date="2027-09-25"), {}, "no-pick", "Start by"),
        (planting("carrot", clear_date="2027-05-01"), {}, "no-pick", "stand"),
        (planting("lettuce", ("A1",), spacing_cm=30.5), {}, "none-fit", "each square"),
        (
            planting("tomato", block("A1", "B2"), start_date="2027-05-20"),
            {},
            "unusual-start",
            "set it out",
        ),
        (planting("radish", spacing_cm=1.5), {}, "small-pieces", "spacing"),
        (planting("lettuce"), {"native": None}, "native-unknown", "ordinary"),
    ],
)
def test_a_fix_pressed_ends_its_note(read, noted, reported, what, place, code, label):
    doc = document(what, places=[bed(**place)])
    (fix,) = [f for f in noted(doc)[code].fixes if label in said(f.label)]
    mended = reported(p.document(apply_edit(read(doc), fix.edit)))
    assert code not in codes(mended)


def test_what_only_lessens_is_said_once_for_a_place(reported):
    shallow = bed(wall_height_cm=18, bottom="closed")
    report = reported(
        document(
            planting("lettuce", ("A1",), id="a"),
            planting("spinach", ("B1",), id="b"),
            planting("onion", ("C1",), id="c", start="set"),
            places=[shallow],
        )
    )
    (note,) = [n for n in report.notes if n.code == "reduced"]
    assert note.planting is None
    assert all(
        name in said(note.text) for name in ("lettuce 20 cm", "spinach 22 cm", "onion 25 cm")
    )


def test_too_little_soil_in_a_tub_speaks_of_litres(noted):
    what = planting(
        "tomato-bush",
        "all",
        place="tub",
        spacing_cm=12,
        start="transplant",
        start_date="2027-05-20",
    )
    note = noted(document(what, places=[tub()]))["too-shallow"]
    assert "L of soil per plant" in said(note.text)


def test_a_follow_on_sooner_than_the_turn_round(noted):
    follow = planting("lettuce", ("A1",), id="second", start_date="2027-08-29", follows="first")
    note = noted(document(FIRST, follow))["turn-round"]
    assert "Start on 31 August" in said(note.fixes[0].label)


def test_a_sound_plan_has_nothing_to_stop_for(reported):
    plan = document(
        planting("lettuce", block("A1", "D4"), id="a", start_date="2027-05-01"),
        planting("carrot", block("A5", "D8"), id="b", start_date="2027-05-01"),
    )
    assert codes(reported(plan), "stop") == set()
    assert codes(reported(plan), "care") == set()


def test_the_gravest_notes_come_first(reported):
    order = {"stop": 0, "care": 1, "tip": 2}
    levels = [
        order[n.level]
        for n in reported(
            document(planting("carrot", start_date="2027-09-25"), places=[bed(sun_hours=3)])
        ).notes
        if n.place
    ]
    assert levels == sorted(levels)


def test_the_demo_has_just_its_two_deliberate_faults(reported, book):
    from ample_rows.demo import demo_plans

    lantern, *others = (reported(p.document(plan)) for plan in demo_plans(book))
    assert sorted((n.place, n.code) for n in lantern.notes if n.level == "stop") == [
        ("long", "clash"),
        ("low", "root-too-long"),
    ]
    assert [codes(other, "stop") for other in others] == [set(), set()]


@pytest.mark.parametrize(
    ("garden", "code"),
    [
        ({"x-guessed": ["last_frost"]}, "guessed"),
        ({"policies": {"time": "thermal"}}, "warmth-unknown"),
        ({}, "wants-unknown"),
    ],
)
def test_what_is_guessed_or_not_computed_is_said(noted, garden, code):
    assert code in noted(document(**garden))


def test_the_demo_gardens_use_every_layout_and_six_ways_of_holding_up(book, reported):
    from ample_rows.demo import demo_plans

    found = [r for plan in demo_plans(book) for r in reported(p.document(plan)).plantings]
    assert {r.layout for r in found} == book.layouts.keys()
    assert {r.training for r in found} >= {"net", "strings", "mesh", "cage", "tripod", "woven"}


def giving(*, crop="radish", to="big", **changes):
    small = planting(crop, ("A1", "A2"), id="small", gives_way_to=to, **changes)
    big = planting("courgette", block("B1", "D4"), id="big", start="transplant")
    return document(small, {**big, "start_date": "2027-05-20"})


def test_what_gives_way_is_told_the_day_and_what_it_costs(noted, read, reported):
    doc = giving(crop="chard", start_date="2027-04-25", clear_date="2027-09-30")
    note = noted(doc)["gives-way"]
    assert note.planting == "small"
    assert "decide by" in said(note.text)
    (fix,) = note.fixes
    cleared = p.document(apply_edit(read(doc), fix.edit))
    before, after = (reported(d).plantings[0] for d in (doc, cleared))
    assert before.start_date < after.clear_date < before.clear_date
    lost = before.harvest_kg.p50 - after.harvest_kg.p50
    assert f"about {lost:.2f} kg" in said(note.text)


def test_what_is_gone_before_the_leaves_meet_can_stay(noted):
    note = noted(giving(start_date="2027-03-20"))["gives-way"]
    assert "can stay to its end" in said(note.text)
    assert note.fixes == ()


@pytest.mark.parametrize(("to", "text"), [("nobody", "no planting"), ("small", "names itself")])
def test_giving_way_to_what_is_not_there_is_a_fault(read, to, text):
    with pytest.raises(PlanFaultsError) as error:
        read(giving(to=to))
    assert error.value.faults[0].path == "plantings[0].gives_way_to"
    assert text in str(error.value.faults[0])


def test_when_the_neighbour_is_removed_nothing_gives_way(read):
    plan = apply_edit(read(giving()), RemovePlanting(id="big"))
    assert plan.plantings[0].gives_way_to is None


HOT = {"tmin_c": [16] * 12, "tmax_c": [29] * 12, "rain_mm": [40] * 12}


def test_a_kind_that_bears_heat_is_offered_where_days_are_too_hot(noted, read):
    doc = document(planting("lettuce"), climate=HOT)
    note = noted(doc)["hot-spells"]
    assert note.level == "care"
    assert "days usually reach 29 °C" in said(note.text)
    (fix,) = note.fixes
    changed = apply_edit(read(doc), fix.edit)
    assert changed.plantings[0].variety == "lettuce-leaf"
    assert noted(p.document(changed))["hot-spells"].level == "tip"


@pytest.mark.parametrize(
    ("crop", "climate"), [("lettuce", {**HOT, "tmax_c": [20] * 12}), ("okra", HOT)]
)
def test_what_bears_the_weather_is_told_nothing(noted, crop, climate):
    start = {"start": "transplant", "start_date": "2027-06-01"}
    assert "hot-spells" not in noted(document(planting(crop, **start), climate=climate))


@pytest.mark.parametrize(
    ("paths", "words"),
    [
        ([], "over the wall."),
        ([{"line_m": [[2.55, 0], [2.55, 8]], "width_cm": 60}], "of the 60 cm beside, about "),
        ([{"line_m": [[6, 0], [6, 8]], "width_cm": 60}], "over the wall."),
    ],
)
def test_leaves_over_the_wall_are_measured_against_the_path_beside(noted, paths, words):
    squash = planting("winter-squash", "all", walls="near", start_date="2027-05-25")
    site = {"outline_m": [[0, 0], [8, 0], [8, 8], [0, 8]], "paths": paths}
    notes = noted(document(squash, places=[bed(at_m=[1, 1])], site=site))
    assert words in said(notes["over-the-wall"].text)

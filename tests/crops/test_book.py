"""The crop book: complete, sane, and refused with file, crop, field and reason when wrong."""

from pathlib import Path

import pytest

from ample_rows.crops import CropBookError, load_book
from ample_rows.crops.load import checked_together, read_family

BOOK = load_book()
CROPS = list(BOOK.crops.values())

# Sane bands by group: kilograms a square metre at reference spacing, in a home garden.
KG_PER_M2 = {
    "fruit": (1.0, 12.0),
    "root": (2.0, 8.0),
    "leaf": (1.0, 6.0),
    "stem": (0.5, 7.0),
    "bulb": (1.5, 6.0),
    "pod": (1.0, 6.0),
    "seed": (0.05, 3.0),
    "herb": (0.3, 3.0),
    "flower": (1.0, 4.0),
}


def test_breadth():
    assert len(CROPS) >= 115
    assert len({crop.family for crop in CROPS}) >= 16
    groups = {crop.group for crop in CROPS}
    assert {"root", "leaf", "fruit", "pod", "bulb", "herb", "flower"} <= groups
    assert any(crop.overwinters for crop in CROPS)
    assert any(crop.spacing_cm > 100 for crop in CROPS)
    assert any(crop.variety_of for crop in CROPS)


EXPECTED = [
    "tomato",
    "tomato-bush",
    "sweet-pepper",
    "chilli-pepper",
    "aubergine",
    "cucumber",
    "courgette",
    "winter-squash",
    "pumpkin",
    "melon",
    "watermelon",
    "sweet-corn",
    "dwarf-bean",
    "climbing-bean",
    "runner-bean",
    "broad-bean",
    "pea",
    "pea-dwarf",
    "potato",
    "sweet-potato",
    "carrot",
    "beetroot",
    "parsnip",
    "radish",
    "turnip",
    "swede",
    "onion",
    "spring-onion",
    "garlic",
    "leek",
    "lettuce",
    "lettuce-leaf",
    "spinach",
    "chard",
    "kale",
    "cabbage",
    "calabrese",
    "cauliflower",
    "brussels-sprouts",
    "celery",
    "kohlrabi",
    "pak-choi",
    "okra",
    "asparagus",
    "strawberry",
    "parsley",
    "basil",
]


def test_what_home_gardens_grow_is_there():
    assert set(EXPECTED) <= BOOK.crops.keys()


@pytest.mark.parametrize(
    ("kind", "other", "field"),
    [
        ("carrot", "carrot-short", "edible_root_cm"),
        ("beetroot-long", "beetroot", "edible_root_cm"),
        ("radish-winter", "radish", "edible_root_cm"),
        ("pea", "pea-dwarf", "height_cm"),
        ("climbing-bean", "dwarf-bean", "height_cm"),
        ("tomato", "tomato-bush", "height_cm"),
        ("tomato", "tomato-cherry", "full_sun_hours"),
        ("winter-squash", "squash-small", "spacing_cm"),
        ("sweet-corn", "sweet-corn-early", "height_cm"),
        ("cabbage-winter", "cabbage", "spacing_cm"),
    ],
)
def test_variety_types_differ_where_the_plan_does(kind, other, field):
    assert getattr(BOOK.crops[kind], field) > 1.1 * (getattr(BOOK.crops[other], field) or 0)


def test_early_kinds_are_picked_before_maincrop_ones():
    for early, late, start in [
        ("potato-early", "potato", "set"),
        ("sweet-corn-early", "sweet-corn", "transplant"),
        ("cabbage", "cabbage-winter", "transplant"),
    ]:
        days = [BOOK.crops[crop].days_to_pick(start) for crop in (early, late)]
        assert days[0] < days[1]


@pytest.mark.parametrize(
    ("crop", "trait"),
    [
        ("runner-bean", "cook-first"),
        ("climbing-bean", "cook-first"),
        ("rhubarb", "poisonous-part"),
        ("potato", "poisonous-part"),
        ("tomato", "poisonous-part"),
        ("mint", "spreads"),
        ("borage", "sows-itself"),
        ("courgette", "hybridises"),
    ],
)
def test_what_a_crop_does_is_flagged_with_what_follows(crop, trait):
    assert trait in BOOK.crops[crop].traits
    assert BOOK.traits[trait].follows


def test_marks_are_two_letters_and_no_two_alike():
    assert len({crop.mark for crop in CROPS}) == len(CROPS)


@pytest.mark.parametrize("crop", CROPS, ids=lambda c: c.id)
def test_figures_lie_in_sane_bands(crop):
    assert 1 <= crop.spacing_cm <= 200
    assert crop.in_row_cm <= crop.spacing_cm <= crop.between_row_cm * 1.5
    assert 8 <= crop.least_depth_cm < crop.full_depth_cm <= 45
    assert crop.full_depth_cm <= crop.rooting_cm
    assert crop.edible_root_cm is None or crop.edible_root_cm <= crop.full_depth_cm
    assert 2 <= crop.least_sun_hours < crop.full_sun_hours <= 8
    assert crop.base_temperature_c < crop.germination_least_c + 6 < crop.ceiling_temperature_c
    assert crop.germination_days.low < crop.germination_days.high
    assert 0.3 <= crop.least_depth_factor < 1
    if crop.yield_kg_per_plant is not None:
        per_m2 = crop.yield_kg_per_plant.typical * 1e4 / crop.spacing_cm**2
        low, high = KG_PER_M2[crop.group]
        assert low <= per_m2 <= high
        assert crop.yield_kg_per_plant.high / crop.yield_kg_per_plant.low < 6
        assert crop.least_piece_kg < crop.piece_kg
    if "sow" in crop.starts:
        assert crop.seeds_per_station is not None
        assert crop.sowing_depth_cm is not None
    if "transplant" in crop.starts and "sow" in crop.starts:
        assert crop.days_to_first_pick.transplant < crop.days_to_first_pick.sow


def test_no_two_crops_are_copies_of_each_other():
    def figures(crop):
        return (
            crop.spacing_cm,
            crop.full_depth_cm,
            crop.height_cm,
            crop.canopy_cm,
            crop.yield_kg_per_plant,
        )

    assert len({figures(crop) for crop in CROPS}) == len(CROPS)


def test_what_can_hurt_is_flagged():
    for crop_id in ("dwarf-bean", "climbing-bean", "potato", "tomato", "courgette"):
        assert BOOK.crops[crop_id].cautions


def test_every_number_that_is_not_a_crops_has_unit_status_and_source():
    assert BOOK.coefficients
    for name, record in BOOK.coefficients.items():
        assert record.unit, name
        assert len(record.source) > 10, name
        if record.low is not None and record.high is not None:
            assert record.low <= record.value <= record.high, name


SOURCES = "[sources]\n" + "".join(
    f'{group} = "a note"\n'
    for group in ("spacing", "counts", "roots", "light", "time", "warmth", "cold", "yield")
)


def family(**changes):
    values = {
        "id": '"leafy"',
        "name": '"leafy"',
        "mark": '"Ly"',
        "botanical": '"Folia viridis"',
        "group": '"leaf"',
        "spacing_cm": 20,
        "in_row_cm": 18,
        "between_row_cm": 30,
        "per_square": 4,
        "canopy_cm": 20,
        "height_cm": 20,
        "least_depth_cm": 10,
        "full_depth_cm": 20,
        "least_depth_factor": 0.6,
        "rooting_cm": 40,
        "least_litres": 1,
        "full_litres": 3,
        "least_sun_hours": 3,
        "full_sun_hours": 5,
        "least_sun_factor": 0.5,
        "frost": '"hardy"',
        "base_temperature_c": 4,
        "optimum_low_c": 15,
        "optimum_high_c": 20,
        "ceiling_temperature_c": 28,
        "kill_c": "{ leaf = -5 }",
        "days_from": '"cold-winter"',
        "usual_start": '"05-01"',
        "germination_least_c": 5,
        "germination_days": "{ low = 5, high = 10 }",
        "emergence": 0.8,
        "survival": 0.9,
        "starts": '["sow"]',
        "days_to_first_pick": "{ sow = 60 }",
        "picking": '{ kind = "once", days = 20 }',
        "crowding": 0.5,
        "feeder": '"light"',
        "turn_round_days": 2,
        **changes,
    }
    lines = [f"{key} = {value}" for key, value in values.items() if value is not None]
    return 'family = "Testaceae"\n' + SOURCES + "[[crops]]\n" + "\n".join(lines)


def test_a_family_file_is_read_with_its_shared_notes():
    (crop,) = read_family(family(), file_name="testaceae.toml")
    assert crop.family == "Testaceae"
    assert crop.sources["roots"] == "a note"


@pytest.mark.parametrize(
    ("changes", "words"),
    [
        ({"spacing_cm": -5}, "spacing_cm"),
        ({"spacing_cm": '"wide"'}, "spacing_cm"),
        ({"spacing_cm": None}, "spacing_cm"),
        ({"least_depth_cm": 30}, "least_depth_cm is above full_depth_cm"),
        ({"least_litres": 9}, "least_litres is above full_litres"),
        ({"least_sun_hours": 7}, "least_sun_hours is above"),
        ({"starts": '["transplant"]'}, "days_to_first_pick.transplant is missing"),
        ({"yield_kg_per_plant": "{ low = 2, typical = 1, high = 3 }"}, "must rise"),
        ({"spacing_inch": 8}, "spacing_inch"),
        ({"mark": '"LEAF"'}, "mark"),
        ({"crowding": 1.5}, "crowding"),
        ({"withstands": '{ heat = "badly" }'}, "withstands.heat"),
        ({"withstands": '{ heat = "well" }'}, "sources lacks 'troubles'"),
    ],
)
def test_a_wrong_crop_is_refused_with_file_crop_field_and_reason(changes, words):
    with pytest.raises(CropBookError) as raised:
        read_family(family(**changes), file_name="testaceae.toml")
    assert str(raised.value).startswith("testaceae.toml: leafy: ")
    assert words in str(raised.value)


BAD_TOGETHER = [
    ({"variety_of": '"oak"'}, "variety_of: no such crop 'oak'"),
    ({"traits": '["flies"]'}, "unknown trait 'flies'"),
    (
        {"withstands": '{ dragons = "well" }', "sources": '{ troubles = "t" }'},
        "unknown trouble 'dragons'",
    ),
    ({"trainings": '[{ system = "trapeze", harvest_factor = 1 }]'}, "unknown training system"),
    (
        {"relatives": '[{ crop = "oak", effect = "e", evidence = "belief" }]'},
        "relatives: no such crop 'oak'",
    ),
    ({"mark": '"To"'}, "mark To belongs to tomato"),
    ({"id": '"tomato"'}, "the id stands twice"),
]


@pytest.mark.parametrize(("changes", "words"), BAD_TOGETHER)
def test_what_does_not_fit_the_rest_of_the_book_is_refused(changes, words):
    own = read_family(family(**changes), file_name="testaceae.toml")
    with pytest.raises(CropBookError, match=words):
        checked_together([*CROPS, *own], BOOK.trainings, BOOK.traits, BOOK.troubles)


def test_a_file_that_is_no_toml_is_named():
    with pytest.raises(CropBookError, match=r"broken\.toml"):
        read_family("family = ", file_name="broken.toml")


@pytest.mark.parametrize("trouble", BOOK.troubles)
def test_every_trouble_is_told_and_some_crop_gives_in_to_it(trouble):
    record = BOOK.troubles[trouble]
    assert record.shows[0].isupper()
    assert record.lessens.endswith(".")
    assert "little" in {crop.withstands.get(trouble) for crop in CROPS}


def test_kinds_differ_where_the_choice_of_kind_is_the_cure():
    def grade(crop, trouble):
        return BOOK.withstands(BOOK.crops[crop]).get(trouble)

    assert (grade("tomato", "late-blight"), grade("tomato-cherry", "late-blight")) == (
        "little",
        "some",
    )
    assert (grade("lettuce", "heat"), grade("lettuce-leaf", "heat")) == ("little", "some")
    # A kind that is not graded itself is as its crop.
    assert grade("strawberry-perpetual", "virus") == grade("strawberry", "virus") == "little"
    assert grade("phacelia", "late-blight") is None


def published_days():
    """Rows of published days to maturity: crop, start, from and to."""
    lines = (Path(__file__).parent / "published_days.txt").read_text("utf-8").splitlines()
    rows = [line.split() for line in lines if line and not line.startswith("#")]
    return [(crop, start, float(low), float(high)) for crop, start, low, high in rows]


@pytest.mark.parametrize(("crop", "start", "low", "high"), published_days())
def test_days_to_the_first_pick_are_near_published_ones(crop, start, low, high):
    days = BOOK.crops[crop].days_to_pick(start)
    assert 0.85 * low <= days <= 1.3 * high

"""The book in the words of a region."""

import pytest

from ample_rows.core.book.regions import book_in
from ample_rows.core.words.american import american
from ample_rows.core.words.message import message
from ample_rows.wording.renderer import renderer_for


@pytest.mark.parametrize(
    ("crop", "american"),
    [
        ("courgette", "zucchini"),
        ("aubergine", "eggplant"),
        ("rocket", "arugula"),
        ("swede", "rutabaga"),
        ("coriander", "cilantro"),
        ("kale", "kale"),
    ],
)
def test_a_crop_has_the_name_of_its_region_and_is_found_by_the_other(book, crop, american):
    ours, theirs = book.crops[crop], book_in(book, "en-US").crops[crop]
    assert theirs.name == american
    assert ours.name in (theirs.name, *theirs.names)
    assert (theirs.id, theirs.spacing_cm) == (ours.id, ours.spacing_cm)


def test_names_are_told_apart_in_every_region(book):
    for region in ("en-GB", "en-US"):
        names = [crop.name for crop in book_in(book, region).crops.values()]
        assert len(set(names)) == len(names)


def test_british_words_are_the_book_itself(book):
    assert book_in(book, None) is book_in(book, "en-GB") is book
    assert book_in(book, "en-US").digest == book.digest


@pytest.mark.parametrize(
    ("british", "said"),
    [
        ("A butt by the tap, filled in autumn", "A rain barrel by the spigot, filled in fall"),
        ("Litres of leaf mould", "Liters of leaf mold"),
        ("a taproot, two courgettes", "a taproot, two zucchini"),
        ("Autumn colours of the neighbours", "Fall colors of the neighbors"),
        ("{litres} of water from a {tap}", "{litres} of water from a {tap}"),
    ],
)
def test_things_have_the_names_of_the_region(british, said):
    assert american(british) == said
    assert american(said) == said


def test_every_table_is_said_in_american_words_and_called_by_the_same_names(book):
    theirs = book_in(book, "en-US")
    assert theirs.covers["fleece"].label == "row cover"
    assert theirs.rules["tanks"].title == "Rain barrels"
    assert theirs.materials.keys() == book.materials.keys()
    for ident, way in book.turf_ways.items():
        assert theirs.turf_ways[ident].source == way.source


def test_templates_are_said_in_american_words_and_the_growers_own_are_not():
    say = renderer_for("imperial", "en-US").say
    assert "rain barrel" in say(message("shelter-keep-every-butt-lidded"))
    assert say(message("stand-no-spot", where="Autumn bed")).startswith("by spacing alone")
    assert "Autumn bed" in say(message("stand-no-spot", where="Autumn bed"))
    assert "fall" in say(message("getting-ready-filled-autumn-or-month"))

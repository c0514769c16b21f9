"""The book in the words of a region."""

import pytest

from ample_rows.core.book.regions import book_in


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
    assert theirs.model_copy(update={"name": ours.name, "names": ours.names}) == ours


def test_names_are_told_apart_in_every_region(book):
    for region in ("en-GB", "en-US"):
        names = [crop.name for crop in book_in(book, region).crops.values()]
        assert len(set(names)) == len(names)


def test_british_words_are_the_book_itself(book):
    assert book_in(book, None) is book_in(book, "en-GB") is book
    assert book_in(book, "en-US").digest == book.digest

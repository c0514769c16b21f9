"""Tables that a spreadsheet opens: no word of the grower's own is taken for a formula."""

import csv
import io

import pytest

from ample_rows.core.words import csv_text

FORMULAS = [
    "=1+1",
    "+1",
    "-cmd",
    "@sum",
    " =1",
    "\t=1",
    "\n=1",
    "\r@x",
    "＝1+1",
    "\u3000＋1",
    "\tx",
]


@pytest.mark.parametrize("word", FORMULAS)
def test_a_word_like_a_formula_is_quoted_and_comes_back(word):
    text = csv_text.written([["name", "kg"], [word, -2.5]])
    ((shown, kg),) = list(csv.reader(io.StringIO(text, newline="")))[1:]
    assert shown == f"'{word}"
    assert kg == "-2.5"
    ((_, row),) = csv_text.read(csv_text.written([["name"], [word.strip()]]))
    assert row == {"name": word.strip()}


@pytest.mark.parametrize("word", ["carrot", "early = late", "a-b", "'tis", "7", ""])
def test_plain_words_stay_as_they_are(word):
    text = csv_text.written([["name", "more"], [word, "x"]])
    assert next(csv.reader(io.StringIO(text.split("\n", 1)[1])))[0] == word

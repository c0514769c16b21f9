"""`sun`: the day's hours on cells and points, exactly in the open format."""

import json

import pytest

from ample_rows.cli.main import main
from tests.conftest import bed, document, tub

HOUSE = {"outline_m": [[-50, -6], [50, -6], [50, 0], [-50, 0]], "height_m": 6}


@pytest.fixture
def sun_of(tmp_path, capfd):
    path = tmp_path / "plan.json"

    def ask(doc, *arguments):
        path.write_text(json.dumps(doc))
        status = main(["sun", str(path), *arguments])
        out, err = capfd.readouterr()
        return status, out, err

    return ask


def test_the_document_has_every_cell_and_the_points_in_the_order_given(sun_of):
    doc = document(places=[bed(at_m=[0, 3]), tub()], site={"obstacles": [HOUSE]})
    status, out, err = sun_of(
        doc, "--day", "1987-03-20", "--json", "--points", "0,40 -3.5,0.5 0,40"
    )
    answer = json.loads(out)
    assert (status, err) == (0, "")
    assert (answer["format"], answer["version"]) == ("ample-rows/sun", 1)
    assert answer["day"] == "1987-03-20"
    placed, unplaced = answer["places"]
    assert set(placed["cells"]) == {f"{c}{r}" for c in "ABCD" for r in range(1, 9)}
    assert min(placed["cells"].values()) <= placed["hours"] <= max(placed["cells"].values())
    assert unplaced == {"id": "tub", "hours": None, "cells": {}}
    far, near, again = answer["points"]
    assert far == again
    assert far["at_m"] == [0, 40]
    assert far["hours"] == pytest.approx(12, abs=0.3)
    assert near["hours"] < 0.5


def test_without_a_yard_the_sky_is_open(sun_of):
    status, out, _ = sun_of(document(places=[bed(at_m=[0, 0])]), "--day", "2027-06-21", "--json")
    assert status == 0
    assert json.loads(out)["places"][0]["hours"] == pytest.approx(16.45, abs=0.2)


def test_a_table_is_for_reading(sun_of):
    _, out, _ = sun_of(document(places=[bed(at_m=[0, 0]), tub()]), "--day", "2027-06-21")
    assert "bed" in out
    assert "not known" in out


@pytest.mark.parametrize(
    ("arguments", "words"),
    [
        (["--day", "2027-02-30"], '"2027-02-30" is not a day'),
        (["--day", "2027-02-03", "--points", "1,2 x"], '--points[1]: "x" is not a point'),
        (["--day", "2027-02-03", "--points", "1,nan"], "is not a point"),
        (["--day", "2027-02-03", "--points", "1e999,2"], "is not a point"),
        (["--day", "2027-02-03", "--points", "1;2"], "is not a point"),
    ],
)
def test_what_cannot_be_read_is_named(sun_of, arguments, words):
    status, out, err = sun_of(document(), *arguments, "--json")
    assert (status, out) == (2, "")
    assert words in err
    assert len(err.splitlines()) == 1


def test_a_missing_file_is_named(capfd):
    assert main(["sun", "/nowhere.json", "--day", "2027-06-21", "--json"]) == 2
    assert "/nowhere.json" in capfd.readouterr().err

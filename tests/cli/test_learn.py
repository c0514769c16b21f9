"""`learn`: own factors out, faults to standard error, status 2."""

import json

import pytest

from ample_rows.cli.main import main
from tests.conftest import document, planting


@pytest.fixture
def files(tmp_path):
    def write(**changes):
        plan, record = tmp_path / "plan.json", tmp_path / "record.json"
        plan.write_text(json.dumps(document(planting("kale", ("A1",)))))
        past = document(planting(), last_frost="2026-04-25", first_frost="2026-10-20")
        past["plantings"][0] |= {"id": "c", "start_date": "2026-04-10"}
        weighed = {"id": "e1", "day": "2026-08-01", "kind": "picked", "planting": "c", "kg": 2}
        made = {"seasons": [{"id": "2026", "plan": past}], "entries": [weighed], **changes}
        head = {"format": "ample-rows/record", "version": 1, "garden": "Test yard"}
        record.write_text(json.dumps({**head, **made}))
        return [str(plan), str(record)]

    return write


def test_own_factors_and_nothing_else_on_standard_output(files, capsys):
    assert main(["learn", *files(), "--json"]) == 0
    out, err = capsys.readouterr()
    told = json.loads(out)
    assert (told["format"], told["version"], err) == ("ample-rows/own-factors", 1, "")
    assert (told["used"], told["left_out"], told["garden"]["n"]) == (1, 0, 1)
    assert set(told["crops"]) == {"carrot", "kale"}
    assert set(told["crops"]["carrot"]) == {"factor", "low", "high", "n", "first_pick_shift_days"}
    assert told["crops"]["kale"]["factor"] == pytest.approx(told["garden"]["factor"])
    assert set(told["families"]) == {"Apiaceae", "Brassicaceae"}


def test_a_table_to_read(files, capsys):
    assert main(["learn", *files()]) == 0
    assert "plantings: 1 used, 0 left out" in capsys.readouterr().out


@pytest.mark.parametrize(
    ("changes", "words"),
    [
        ({"version": 2}, "version: must be"),
        ({"entries": [{"id": "e", "day": "2026-08-01"}]}, "entries[0].kind: is required"),
    ],
)
def test_faults_are_named_and_nothing_printed(files, capsys, changes, words):
    assert main(["learn", *files(**changes), "--json"]) == 2
    out, err = capsys.readouterr()
    assert (out, words in err) == ("", True)


def test_a_file_that_is_not_there_is_named(files, capsys, tmp_path):
    assert main(["learn", files()[0], str(tmp_path / "none.json")]) == 2
    assert "none.json: No such file" in capsys.readouterr().err

"""The command line: reports out, faults to standard error, status 2, nothing in between."""

import json
import subprocess
import sys
from importlib.resources import files

import pytest

from ample_rows.cli.main import main
from tests.conftest import document, planting


def run(*arguments, text=None):
    result = subprocess.run(
        [sys.executable, "-m", "ample_rows", *arguments],
        input=None if text is None else text.encode(),
        capture_output=True,
        check=False,
    )
    return result.returncode, result.stdout.decode(), result.stderr.decode()


@pytest.fixture
def plan_file(tmp_path):
    def write(doc):
        path = tmp_path / "plan.amplerows.json"
        path.write_text(json.dumps(doc))
        return str(path)

    return write


def test_a_report_and_nothing_else_on_standard_output(plan_file, capfdbinary):
    assert main(["estimate", plan_file(document(planting())), "--json"]) == 0
    out, err = capfdbinary.readouterr()
    report = json.loads(out)
    assert report["format"] == "ample-rows/report"
    assert report["plantings"][0]["plants"] == 64
    assert err == b""


def test_a_plan_from_standard_input():
    status, out, err = run("estimate", "-", "--json", text=json.dumps(document(planting())))
    assert (status, err) == (0, "")
    assert json.loads(out)["plantings"][0]["id"] == "p1"


def test_a_readable_table(plan_file, capsys):
    assert main(["estimate", plan_file(document(planting()))]) == 0
    out = capsys.readouterr().out
    assert "maincrop carrot" in out
    assert "64" in out
    assert "TIP" in out


def test_two_faults_are_two_lines_and_no_report(plan_file, capsys):
    doc = document(planting(cells=["Z9", "A1", "A1"]))
    assert main(["estimate", plan_file(doc), "--json"]) == 2
    out, err = capsys.readouterr()
    assert out == ""
    assert err.splitlines() == [
        'plantings[0].cells[0]: "Z9" is not a cell of bed "bed"; cells run A1 to D8',
        'plantings[0].cells[2]: "A1" stands twice in this planting',
    ]


@pytest.mark.parametrize("name", ["missing.json", "."])
def test_a_file_that_cannot_be_read_is_named(name, tmp_path, capsys):
    assert main(["estimate", str(tmp_path / name)]) == 2
    out, err = capsys.readouterr()
    assert out == ""
    assert name.strip(".") in err
    assert "Traceback" not in err


def test_the_demo_gardens_can_be_estimated(capsys):
    folder = files("ample_rows.demo")
    for name in ("lantern-court", "magpie-terrace"):
        assert main(["estimate", str(folder / f"{name}.amplerows.json")]) == 0
    assert "South bed" in capsys.readouterr().out


def test_the_crop_book_lists_every_field(capsys):
    assert main(["crops", "--json"]) == 0
    crops = json.loads(capsys.readouterr().out)
    by_id = {crop["id"]: crop for crop in crops}
    assert by_id["cabbage-winter"]["keeping"]["ways"]["store"] == 18
    assert by_id["rhubarb"]["perennial"]["shares"] == [0, 0.4]
    assert by_id["kale"]["perennial"] is None
    assert set(by_id["carrot"]["kill_c"]) == {"leaf", "crown"}
    wanted = {
        "id",
        "name",
        "names",
        "botanical",
        "family",
        "group",
        "variety_of",
        "spacing_cm",
        "in_row_cm",
        "between_row_cm",
        "canopy_cm",
        "height_cm",
        "least_depth_cm",
        "full_depth_cm",
        "least_depth_factor",
        "edible_root_cm",
        "rooting_cm",
        "least_litres",
        "full_litres",
        "least_sun_hours",
        "full_sun_hours",
        "least_sun_factor",
        "frost",
        "base_temperature_c",
        "ceiling_temperature_c",
        "germination_least_c",
        "germination_days",
        "sowing_depth_cm",
        "buried_stem_cm",
        "before_sowing",
        "seeds_per_station",
        "weeks_indoors",
        "starts",
        "days_to_first_pick",
        "picking",
        "yield_kg_per_plant",
        "piece_kg",
        "least_piece_kg",
        "crowding",
        "feeder",
        "trainings",
        "relatives",
        "cautions",
        "sources",
    }
    for crop in crops:
        assert crop.keys() >= wanted
        assert crop["germination_days"].keys() == {"low", "high"}
        assert crop["days_to_first_pick"].keys() == {"sow", "transplant", "set", "division"}
        assert crop["picking"].keys() == {"kind", "days"}


def test_the_crop_book_as_a_table(capsys):
    assert main(["crops"]) == 0
    assert "cordon tomato" in capsys.readouterr().out


def test_the_schemas(capsys):
    assert main(["schema"]) == 0
    assert json.loads(capsys.readouterr().out).keys() == {"plan", "report"}


@pytest.mark.parametrize(
    "arguments", [[], ["dance"], ["start", "--port", "0"], ["start", "--port", "x"]]
)
def test_words_that_are_off_are_explained(arguments, capsys):
    with pytest.raises(SystemExit) as raised:
        main(arguments)
    assert raised.value.code == 2
    assert "usage" in capsys.readouterr().err

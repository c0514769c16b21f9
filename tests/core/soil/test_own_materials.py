"""Materials of one's own, layers laid in one go, and the nitrogen that rotting wood ties up."""

import pytest

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting

HUSKS = {
    "id": "husks",
    "name": "rice husks",
    "settling": 0.1,
    "saturated_kg_per_litre": 0.6,
    "available_water": 0.1,
    "n_takes_g_per_litre": 0.2,
    "stays": 0.4,
    "fit_days": 30,
}
HALF = {"id": "light", "parts": [{"of": "husks", "parts": 1}, {"of": "garden compost", "parts": 1}]}


def added(material, cm=10, how="dug-in", on="2027-02-01"):
    return {"material": material, "cm": cm, "how": how, "on": on}


@pytest.fixture
def placed(reported):
    """The report of one bed of 2.88 m² with some layers and some soil."""

    def of(*layers, soil=None, **place):
        lettuce = planting("lettuce", ["A1"])
        doc = document(lettuce, places=[bed(added=list(layers), **place)])
        (report,) = reported(doc if soil is None else {**doc, "soil": soil}).places
        return report

    return of


@pytest.mark.parametrize(
    ("material", "how", "grams"),
    [
        # 288 litres of 10 cm: straw ties up 0.4 g a litre, chips 0.9 g.
        ("straw", "dug-in", 115),
        ("wood-chips", "dug-in", 259),
        ("wood-chips", "laid", 26),
        ("hay", "dug-in", 0),
        ("compost", "dug-in", 0),
    ],
)
def test_wood_that_rots_ties_up_nitrogen_and_its_feed_gives_it_back(placed, material, how, grams):
    report = placed(added(material, how=how))
    (layer,) = report.soil.soft
    assert layer.n_takes_g == pytest.approx(grams, abs=1)
    assert ("ties up" in said(layer.takes)) == (grams > 0)
    assert report.feed.n_g - placed().feed.n_g == pytest.approx(grams, abs=1)


def test_layers_of_one_day_are_one_job(placed):
    layers = [added("cardboard", cm=0.5, how="laid"), added("leaves", how="laid")]
    report = placed(*layers, added("straw", how="laid", on="2027-03-10"))
    laid = [said(job.what) for job in report.jobs if said(job.what).startswith("lay")]
    assert laid == ["lay cardboard and leaves", "lay straw"]
    fine = [job for job in report.jobs if "fine layer" in said(job.what)]
    # The first two are fit when the slower is: 150 days for leaves.
    assert [job.on.isoformat() for job in fine] == ["2027-07-01", "2027-09-06"]


def test_an_own_material_goes_into_mixes_and_layers(placed):
    soil = {"materials": [HUSKS], "recipes": [HALF], "mix": "light"}
    report = placed(added("husks"), soil=soil)
    assert report.soil.mix == "light"
    # Half husks of a tenth, half garden compost.
    husks_alone = placed(soil={**soil, "recipes": [{"id": "light", "parts": [HALF["parts"][0]]}]})
    assert husks_alone.soil.settling == pytest.approx(0.1)
    assert 0.1 < report.soil.settling < 0.3
    (layer,) = report.soil.soft
    assert (layer.label, layer.rise_cm) == ("rice husks", pytest.approx(4))
    assert layer.fit_on.isoformat() == "2027-03-03"


@pytest.mark.parametrize(
    ("soil", "path"),
    [
        ({"materials": [{**HUSKS, "id": "perlite"}]}, r"soil\.materials\[0\]\.id"),
        ({"materials": [HUSKS, HUSKS]}, r"soil\.materials"),
        ({"materials": [{**HUSKS, "settling": 2}]}, r"soil\.materials\[0\]\.settling"),
        ({"recipes": [HALF]}, r"soil\.recipes\[0\]\.parts\[0\]\.of"),
    ],
)
def test_a_material_that_cannot_be_is_refused_at_its_field(placed, soil, path):
    with pytest.raises(PlanFaultsError, match=path):
        placed(soil=soil)

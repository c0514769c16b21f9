"""Who works a place and what comes to it: rims, knees, wind, animals, walls measured outside."""

import pytest

from ample_rows.core.words.message import said
from tests.conftest import bed, document, rectangle, tub

YARD = {"outline_m": [[0, 0], [12, 0], [12, 12], [0, 12]]}
NET = {"id": "net", "height_cm": 180, "system": "net"}


def household(*workers):
    return {"workers": list(workers)}


@pytest.mark.parametrize(
    ("worker", "wall", "code"),
    [
        ("seated", 33, "rim-low"),
        ("seated", 65, None),
        ("seated", 90, "rim-high"),
        ("kneeling", 60, "rim-high"),
        ("standing", 40, "rim-low"),
        ("child", 60, "rim-high"),
        ("adult", 33, None),
    ],
)
def test_a_rim_fits_whoever_works_there(noted, worker, wall, code):
    notes = noted(document(places=[bed(wall_height_cm=wall)], household=household(worker)))
    assert [c for c in notes if c.startswith("rim")] == ([code] if code else [])


def test_raising_a_rim_tells_the_soil_it_costs(noted):
    note = noted(document(places=[bed()], household=household("seated")))["rim-low"]
    # From 33 to 55 cm: 22 cm over 2.88 m2, poured at 15 % settling.
    assert f"{2.88 * 220 / 0.85:.0f} L more mix" in said(note.text)
    assert note.fixes[0].edit.changes == {"wall_height_cm": 55}


def test_feet_pass_where_nobody_can_kneel(noted):
    def gap(m):
        two = [bed(at_m=[2, 2]), bed(id="b", at_m=[3.2 + m, 2])]
        return noted(document(places=two, site=YARD))

    assert "no-room-to-kneel" in gap(0.4)
    assert "no-room-to-kneel" not in gap(0.5)
    assert "narrow-path" in gap(0.2)


def test_a_tall_net_in_the_open_wind_is_told_a_hedge_to_windward_shelters_it(noted):
    place = bed(at_m=[5, 5], supports=[NET])
    open_yard = {**YARD, "wind_from_deg": 225}
    assert "exposed" in noted(document(places=[place], site=open_yard))
    hedge = {"kind": "hedge", "height_m": 2, "outline_m": [[0, 0], [2, 0], [0, 2]]}
    assert "exposed" not in noted(
        document(places=[place], site={**open_yard, "obstacles": [hedge]})
    )
    # With north turned, the wind comes from another side of the yard.
    turned = {**open_yard, "obstacles": [hedge], "north_deg": 180}
    assert "exposed" in noted(document(places=[place], site=turned))
    assert "exposed" not in noted(document(places=[place], site=YARD))


def test_animals_are_told_where_they_would_come_in(noted):
    def notes(**changes):
        site = {**YARD, "animals": ["burrowers", "rabbits", "deer"]}
        return noted(document(places=[bed(at_m=[2, 2], **changes)], site=site))

    assert notes(bottom="open")["animal-burrowers"].fixes[0].edit.changes == {"bottom": "mesh"}
    assert "animal-burrowers" not in notes(bottom="mesh")
    assert "animal-rabbits" in notes()
    assert "animal-rabbits" not in notes(wall_height_cm=65)
    assert notes()["animal-deer"].place is None


def test_a_path_is_clear_as_far_as_what_stands_beside_it(noted):
    path = {"name": "way", "line_m": [[6, 1], [6, 11]], "width_cm": 80, "use": "barrow"}
    left, right = bed(id="left", at_m=[4.5, 3]), bed(id="right", at_m=[6.25, 3])
    site = {**YARD, "paths": [path]}
    # From 5.7 to 6.25: 55 cm, and a barrow wants 60.
    note = noted(document(places=[left, right], site=site))["path-clear"]
    assert "55 cm" in said(note.text)
    right["at_m"] = [6.4, 3]
    assert "path-clear" not in noted(document(places=[left, right], site=site))


def test_low_boughs_over_a_path_are_told(noted):
    def site(base):
        tree = {
            "kind": "tree",
            "height_m": 6,
            "crown_base_m": base,
            "outline_m": [[5, 5], [8, 5], [8, 8]],
        }
        path = {"line_m": [[0, 6], [12, 6]], "width_cm": 60}
        return {**YARD, "obstacles": [tree], "paths": [path]}

    assert "headroom" in noted(document(places=[], site=site(1.6)))
    assert "headroom" not in noted(document(places=[], site=site(2.4)))


def test_a_butt_wants_its_lid(noted):
    site = {**YARD, "tanks": [{"at_m": [1, 1], "litres": 200}]}
    assert "drown" in said(noted(document(places=[], site=site))["butt-lid"].text)


def test_measured_outside_says_what_is_left_inside(noted):
    shape = {**rectangle(120, 240), "measured": "outside", "wall_thickness_cm": 3}
    note = noted(document(places=[bed(shape=shape)]))["measured-outside"]
    assert "114 cm by 234 cm" in said(note.text)


def test_a_dark_or_metal_tub_is_told_of_the_heat(noted):
    assert "cooks roots" in said(
        noted(document(places=[tub(material="metal")]))["container-heat"].text
    )
    assert "container-heat" not in noted(document(places=[tub(material="wood")]))


def test_an_unknown_animal_is_refused(read):
    from ample_rows.core.plan.reading import PlanFaultsError

    with pytest.raises(PlanFaultsError, match="dragons"):
        read(document(site={**YARD, "animals": ["dragons"]}))

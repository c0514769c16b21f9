"""Training systems: whole as data, and one crop by each of them worked out by hand."""

import pytest

from ample_rows.core.carpentry.materials import alone_amounts
from ample_rows.core.carpentry.ways_up import ways_up
from tests.conftest import bed, document, planting


def test_the_ways_that_growers_use_are_there(book):
    wanted = "net mesh mesh-leaning arch woven strings hedge cage tripod canes obelisk flat-net"
    assert set(wanted.split()) <= book.trainings.keys()


def test_what_stands_tall_says_its_caution_and_its_posts(book):
    for name, system in book.trainings.items():
        if system.needs_support:
            assert system.caution, name
            assert system.post_spacing_cm, name
            assert system.post_buried_cm >= 0.2 * system.height_cm / 1.2, name
            assert system.footprint_cm > 0, name


def test_every_system_is_used_by_some_crop(book):
    used = {t.system for crop in book.crops.values() for t in crop.trainings}
    assert used == book.trainings.keys()


def test_a_tomato_on_a_net_against_the_ground(book):
    found = {way.system: way for way in ways_up(book.crops["tomato"], None, book)}
    # On a net 40 cm apart over a strip of 30 cm: 1/0.12 plants a m², 1.6 kilograms each.
    assert found["net"].plants_per_m2 == pytest.approx(8.333, abs=0.001)
    assert found["net"].kg_per_m2 == pytest.approx(13.33, abs=0.01)
    # Lying 45 cm apart each way it bears three quarters of that.
    assert found["ground"].kg_per_m2 == pytest.approx(1.6 * 0.75 / 0.45**2)
    # Ten minutes a metre and week on strings, a plant every 38 cm.
    assert found["strings"].minutes_per_plant == pytest.approx(3.8)


def test_ways_stand_with_the_most_from_their_ground_first(book):
    for crop in book.crops.values():
        yields = [way.kg_per_m2 or 0 for way in ways_up(crop, None, book)]
        assert yields == sorted(yields, reverse=True)
        assert all(kg < 35 for kg in yields), crop.id


def test_weeks_hours_and_cost_of_a_square_metre_by_hand(book, read):
    build = {"prices": [{"material": m, "price": 1} for m in ("post", "wire", "netting")]}
    plan = read({**document(), "build": build})
    tomato = book.crops["tomato"]
    found = {way.system: way for way in ways_up(tomato, plan.build, book)}
    net, topped = found["net"], found["strings"]
    assert net.picking_weeks == pytest.approx(tomato.picking.days / 7)
    assert topped.picking_weeks == pytest.approx(0.85 * net.picking_weeks)
    # Four minutes a metre and week on a strip of 30 cm, from planting out to the last fruit.
    weeks = tomato.days_to_first_pick.transplant / 7 + net.picking_weeks
    assert net.hours_per_m2 == pytest.approx(4 / 0.3 * weeks / 60)
    # 240 cm: three posts of 230 cm, two wires, 4.32 m2 of net, each over its years, on 0.72 m2.
    yearly = 3 * 2.3 / 10.5 + 4.8 / 10 + 2.4 * 1.8 / 3.5
    assert net.cost_a_year == pytest.approx(yearly / 0.72, rel=1e-3)
    assert found["ground"].cost_a_year == 0
    assert topped.cost_a_year is None  # twine and ties have no price here


def test_a_stem_that_is_topped_is_picked_for_a_shorter_time(grown):
    def last_pick(system):
        place = bed(heading_deg=90, supports=[{"id": "up", "system": system}])
        keys = {"support": "up", "start": "transplant", "start_date": "2027-05-20"}
        return grown(planting("tomato", (), **keys), places=[place], first_frost="2027-12-20")

    assert last_pick("strings").last_pick < last_pick("strings-along").last_pick


@pytest.mark.parametrize(
    ("system", "plants", "piece", "pieces"),
    [("canes", 8, "cane", 8), ("obelisk", 6, "obelisk", 1), ("obelisk", 8, "obelisk", 2)],
)
def test_what_holds_plants_up_by_itself_is_bought_whole(book, system, plants, piece, pieces):
    assert alone_amounts(plants, 20, book.trainings[system]) == {piece: pieces}

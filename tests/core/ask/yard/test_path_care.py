"""What collects in a path goes to the beds beside it; path and bed trade places; a path turned."""

from datetime import date

import pytest

from ample_rows.core.ask.yard.path_care import path_care
from ample_rows.core.book.own import own_book
from ample_rows.core.edits import apply_edit
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from tests.conftest import bed, document

# Two beds of 120 × 240 cm, 60 cm apart, and the path of 50 cm between them, from end to end.
PATH = {"line_m": [[2.5, 1], [2.5, 3.4]], "width_cm": 50, "covering": "path-chips"}
WEST = bed(id="west", name="West bed", at_m=[1.0, 1], heading_deg=0)
EAST = bed(id="east", name="East bed", at_m=[2.8, 1], heading_deg=0)
YARD = {"outline_m": [[0, 0], [8, 0], [8, 8], [0, 8]]}


@pytest.fixture
def care(read, book):
    def of(*, index=0, places=(WEST, EAST), path=PATH, **asked):
        plan = read(document(places=list(places), site={**YARD, "paths": [path]}))
        estimate = Estimate(plan, own_book(book, plan))
        return plan, path_care(estimate, index, **asked)

    return of


def test_a_fifth_of_the_chips_is_shared_by_the_beds_edges(care):
    plan, found = care()
    # 1.2 m² of chips 7 cm deep are 84 litres: a fifth of it rots in a year.
    assert found.litres == pytest.approx(16.8)
    assert [(s.place, round(s.litres, 1)) for s in found.shares] == [("west", 8.4), ("east", 8.4)]
    # Eight weeks before the last frost, 25 April.
    assert found.on == date(2027, 2, 28)
    west = apply_edit(plan, found.lift.edit).place("west")
    (layer,) = west.added
    assert (layer.material, layer.how, layer.on) == ("path-litter", "laid", date(2027, 2, 28))
    # 8.4 litres over 2.88 m².
    assert layer.cm == pytest.approx(0.29, abs=0.01)


def test_what_is_lifted_is_counted_as_soil_and_feed(care, reported, run):
    plan, found = care(litres=576, on=date(2027, 3, 14))
    before = run(plan).places[0]
    after = run(apply_edit(plan, found.lift.edit)).places[0]
    # 288 litres on 2.88 m²: 10 cm, of which half stays; a tenth of a gram of nitrogen a litre.
    assert after.usable_depth_cm - before.usable_depth_cm == pytest.approx(5)
    assert after.soil.soft[0].n_g == pytest.approx(28.8)
    assert after.feed.mix_frees_n_g - before.feed.mix_frees_n_g == pytest.approx(28.8)


@pytest.mark.parametrize(
    ("changes", "litres"),
    [
        ({"covering_cm": 14}, 33.6),
        ({"covering": "path-straw"}, 28.8),
        ({"covering": "path-slabs"}, 0),
        ({"covering": None}, 0),
    ],
)
def test_what_rots_depends_on_the_covering(care, changes, litres):
    path = {key: value for key, value in {**PATH, **changes}.items() if value is not None}
    _, found = care(path=path)
    assert found.litres == pytest.approx(litres)
    assert (found.lift is None) == (litres == 0)


def test_a_bed_and_its_path_trade_places_and_stay_as_far_apart(care):
    plan, found = care()
    west, east = found.trades
    assert said(west.label) == "Let West bed trade places with it"
    moved = apply_edit(plan, west.edit)
    # The path is 50 cm wide and 5 cm from each bed: the bed moves by 55 cm, the path by 125.
    assert moved.place("west").at_m == pytest.approx((1.55, 1))
    assert moved.site.paths[0].line_m[0] == pytest.approx((1.25, 1))
    assert moved.place("east").at_m == plan.place("east").at_m
    other = apply_edit(plan, east.edit)
    assert other.place("east").at_m == pytest.approx((2.25, 1))
    assert other.site.paths[0].line_m[1] == pytest.approx((3.75, 3.4))


def test_what_does_not_lie_along_a_path_does_not_trade_with_it(care):
    askew = {**WEST, "at_m": [0.9, 1.2], "heading_deg": 20}
    tub = {"id": "tub", "kind": "container", "shape": {"type": "circle", "diameter_cm": 40}}
    pot = {**tub, "wall_height_cm": 40, "at_m": [2.8, 2]}
    _, found = care(places=(askew, pot))
    assert found.trades == ()
    assert [share.place for share in found.shares] == ["west"]
    bent = {**PATH, "line_m": [[2.5, 1], [2.5, 3.4], [5, 3.4]]}
    assert care(path=bent)[1].trades == ()


def test_a_path_that_leads_nowhere_or_past_no_bed_has_nothing_to_lift_or_trade(care):
    for line in ([[2.5, 2], [2.5, 2]], [[7, 7], [7, 7.5]]):
        _, found = care(path={**PATH, "line_m": line}, litres=100)
        assert (found.trades, found.shares, found.lift) == ((), (), None)


def test_a_path_is_turned_about_its_middle(care):
    plan, found = care(degrees=90)
    (start, end) = apply_edit(plan, found.turn.edit).site.paths[0].line_m
    assert (start, end) == (pytest.approx((1.3, 2.2)), pytest.approx((3.7, 2.2)))
    assert care()[1].turn is None


def test_a_path_that_is_not_there_is_named(care):
    with pytest.raises(UnknownPartError, match="path"):
        care(index=3)

"""A support from plan to post hole: what it takes and carries, by hand."""

import pytest

from ample_rows.core.ask.supports.builder import support_sheet
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting, rectangle, tub

NET = {"id": "net", "system": "net", "height_cm": 180}
PRICED = {"prices": [{"material": m, "price": 1.0} for m in ("post", "netting", "wire")]}


@pytest.fixture
def sheet(book, read):
    def of(*plantings, support=None, build=None, place=None, **more):
        chosen = {**NET, **(support or {})}
        place = place or bed(heading_deg=90, supports=[chosen])
        plan = read({**document(*plantings, places=[place], **more), "build": build or {}})
        return support_sheet(Estimate(plan, book), place["id"], chosen["id"])

    return of


def beans(**keys):
    values = {"support": "net", "start_date": "2027-05-20", **keys}
    return planting(values.pop("crop", "climbing-bean"), values.pop("cells", ()), **values)


def test_a_net_along_a_bed_is_billed_by_hand(sheet):
    found = sheet(beans(), build=PRICED)
    # 240 cm in whole openings of 15 cm: two bays of 120. Posts 180 + 60 below, of 240 cm.
    assert found.bays.posts_at_cm == (0, 120, 240)
    assert (found.buried_cm, found.post_length_cm) == (60, 240)
    amounts = {line.material: line.amount for line in found.lines}
    assert amounts == pytest.approx({"post": 7.2, "netting": 2.4 * 1.8, "wire": 4.8})
    assert found.cost == pytest.approx(7.2 + 4.32 + 4.8)
    assert found.put_up_by.isoformat() == "2027-05-20"


def test_what_has_no_price_is_named_and_not_summed(sheet):
    found = sheet(beans())
    assert found.cost is None
    assert "a price for climbing net" in map(said, found.missing)


def test_woven_twine_goes_up_by_tiers_as_the_crop_grows(sheet):
    found = sheet(beans(crop="tomato", start="transplant"), support={"system": "woven"})
    heights = [tier.height_cm for tier in found.tiers]
    assert heights == [22, 44, 66, 88, 110, 132, 154, 176]
    days = [tier.on for tier in found.tiers]
    assert days == sorted(days)
    twine = next(line for line in found.lines if line.material == "twine-natural")
    metres = (found.crops[0].to_cm - found.crops[0].from_cm) / 100
    assert twine.amount == pytest.approx(8 * metres * 2.1)


def test_natural_twine_wants_posts_closer_than_plastic(sheet):
    def bay(twine):
        return sheet(support={"system": "hedge", "twine": twine, "post_spacing_cm": 200}).bays

    # 240 cm: three bays where twine spans a metre, two where the hedge's own 120 cm governs.
    assert bay("twine-natural").bay_cm == 80
    assert bay("twine-plastic").bay_cm == 120
    assert sheet(support={"system": "hedge", "post_spacing_cm": 60}).bays.bay_cm == 60


def test_concrete_fills_the_hole_round_the_post(sheet):
    found = sheet(support={"footing": "concrete"})
    litres = next(line.amount for line in found.lines if line.material == "concrete")
    assert litres == pytest.approx(3 * 3.14159 / 4 * (28**2 - 7**2) * 60 / 1000, rel=1e-4)


def test_heavy_fruit_hangs_in_slings(sheet):
    melon = beans(crop="melon", start="transplant", start_date="2027-06-01")
    found = sheet(melon)
    assert next(line.amount for line in found.lines if line.material == "sling") >= 4


def test_an_arch_is_shaped_from_the_mesh_at_hand(sheet):
    found = sheet(support={"system": "arch", "mesh_cm": 500, "span_cm": 100})
    assert found.arch.height_cm == pytest.approx((500 - 157.08) / 2 + 50, abs=0.1)
    mesh = next(line.amount for line in found.lines if line.material == "climbing-mesh")
    assert mesh == pytest.approx(2.4 * 5.3)
    assert found.wind is None


def test_an_arch_reaches_to_the_next_place_in_the_yard(book, read):
    site = {"outline_m": [[0, 0], [8, 0], [8, 8], [0, 8]]}
    one = bed(at_m=[1, 1], supports=[{"id": "arch", "system": "arch", "edge": "east"}])
    two = bed(id="two", at_m=[3.0, 1])
    found = support_sheet(
        Estimate(read(document(places=[one, two], site=site)), book), "bed", "arch"
    )
    assert found.arch.span_cm == pytest.approx(80, abs=0.5)


def test_the_load_is_leaf_rain_and_what_hangs(sheet, book, grown):
    found = sheet(beans())
    place = bed(heading_deg=90, supports=[NET])
    high = grown(beans(), places=[place]).harvest_kg.p90
    assert found.load.kg_m == pytest.approx(1.8 * 1.0 + 1.8 * 0.5 + high * 0.35 / 2.4, rel=0.01)


def test_crops_after_each_other_do_not_add_up(sheet):
    early = beans(id="a", clear_date="2027-08-01", crop="pea", start_date="2027-03-20")
    alone = sheet(beans(id="b", start_date="2027-08-02")).load.kg_m
    both = sheet(early, beans(id="b", start_date="2027-08-02")).load
    assert both.kg_m < alone + sheet(early).load.kg_m
    assert both.kg_m >= max(alone, sheet(early).load.kg_m) - 1e-9


def test_in_a_place_with_a_floor_posts_are_fastened_to_the_frame(sheet):
    box = tub(shape=rectangle(60, 90), supports=[NET])
    found = sheet(place=box)
    assert found.footing == "frame"
    assert found.buried_cm == 37


@pytest.mark.parametrize(
    ("support", "path"),
    [
        ({"run_cm": [0, 260]}, "run_cm"),
        ({"run_cm": [90, 30]}, "run_cm"),
        ({"footing": "glue"}, "footing"),
        ({"twine": "softwood-board"}, "twine"),
        ({"opening_cm": 0}, "opening_cm"),
    ],
)
def test_a_support_that_cannot_be_is_refused_at_its_field(read, support, path):
    with pytest.raises(PlanFaultsError) as error:
        read(document(places=[bed(supports=[{**NET, **support}])]))
    assert f"supports[0].{path}" in error.value.faults[0].path


def test_a_part_of_an_edge_carries_only_what_it_is_long(grown):
    place = bed(heading_deg=90, supports=[{**NET, "run_cm": [60, 180]}])
    report = grown(beans(cells="all"), places=[place])
    assert report.plants == 8
    assert all(60 < y < 180 for _, y in report.positions_cm)


@pytest.mark.parametrize(
    ("posts", "amounts"),
    [
        ("steel-post", {"steel-post": 3}),
        ("steel-pipe", {"steel-pipe": 7.2, "pipe-fitting": 6}),
        ("timber-50", {"timber-50": 7.2}),
        ("cane-post", {"cane-post": 3}),
    ],
)
def test_posts_of_anything_are_billed_by_their_own_unit(sheet, posts, amounts):
    found = sheet(beans(), support={"posts": posts})
    taken = {line.material: line.amount for line in found.lines}
    assert taken == pytest.approx({**amounts, "netting": 2.4 * 1.8, "wire": 4.8})


def test_a_steel_pipe_stands_to_more_wind_than_a_cane(sheet):
    windy = {"site": {"outline_m": [[0, 0], [9, 0], [9, 9], [0, 9]], "design_wind_m_s": 25}}
    stands = {
        posts: sheet(beans(), support={"posts": posts, "footing": "concrete"}, **windy).wind
        for posts in ("steel-pipe", "post", "cane-post")
    }
    gusts = [stands[posts].stands_to_m_s for posts in ("steel-pipe", "post", "cane-post")]
    assert gusts == sorted(gusts, reverse=True)


@pytest.mark.parametrize(("made", "amounts"), [("kit", {"support-kit": 1}), ("standing", {})])
def test_a_kit_is_bought_whole_and_what_stands_costs_nothing(sheet, made, amounts):
    found = sheet(beans(), support={"made": made})
    assert {line.material: line.amount for line in found.lines} == amounts
    assert (found.hours > 0) == (made == "kit")


def test_posts_of_what_is_no_post_are_refused(sheet):
    with pytest.raises(PlanFaultsError, match=r"supports\[0\]\.posts"):
        sheet(beans(), support={"posts": "liner"})


@pytest.mark.parametrize(
    ("crop", "support", "place", "words"),
    [
        ("climbing-bean", {}, {"shape": rectangle(120, 400)}, "Brace both end posts"),
        ("climbing-bean", {"height_cm": 150}, {}, "Take posts 50 cm longer"),
        ("climbing-bean", {"opening_cm": 5}, {}, "A hand does not come through openings of 5 cm"),
        ("melon", {"opening_cm": 10}, {}, "does not come back through openings of 10 cm"),
        ("climbing-bean", {"footing": "stayed"}, {}, "reach 180 cm beside the bed"),
        # 120 cm of bed under a net of 180: twice √(180² + 60²), and 30 cm tucked at either end.
        ("climbing-bean", {}, {}, "A cloth laid over it wants 440 cm across and 300 cm along"),
    ],
)
def test_what_is_looked_to_is_said(sheet, crop, support, place, words):
    start = "transplant" if crop == "melon" else "sow"
    there = bed(heading_deg=90, supports=[{**NET, **support}], **place)
    found = sheet(beans(crop=crop, start=start), support=support, place=there)
    assert any(words in said(each) for each in found.to_check)


def test_what_is_in_order_is_not_said(sheet):
    found = sheet(beans(), support={"height_cm": 220, "opening_cm": 15})
    assert [said(each)[:7] for each in found.to_check] == ["A cloth"]

"""The bill for some places: boards cut together, sheets, posts and lines, by stage and in all."""

from collections import Counter, defaultdict
from collections.abc import Iterable, Sequence

from ample_rows.core import plan as p
from ample_rows.core.ask.building.amounts import Chosen, amounts_of
from ample_rows.core.ask.building.paths import path_amounts
from ample_rows.core.ask.covers.sheet import covers_of_place
from ample_rows.core.ask.supports.put_up import supports_of_place
from ample_rows.core.book import Book
from ample_rows.core.carpentry.bill_report import (
    BillLine,
    BoardOrder,
    BuildReport,
    PieceRow,
    PlaceBuild,
    StageCost,
    StartCost,
)
from ample_rows.core.carpentry.cutting import (
    Cutting,
    Stock,
    TooLongError,
    cut,
)
from ample_rows.core.carpentry.frame import (
    Frame,
    frame_of,
    pieces_of,
    sheet_of,
    walled,
)
from ample_rows.core.carpentry.lines import bill_lines
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.place.report import OrderReport, PlaceReport
from ample_rows.core.place.total_order import order_for
from ample_rows.core.soil.breaking import broken
from ample_rows.core.words.message import Number, Text, message
from ample_rows.core.words.working import Term, of_rule

STAGES: tuple[p.Stage, ...] = ("standing", "this-year", "later")
DEFAULT_STAGE: p.Stage = "this-year"


def bill_for(estimate: Estimate, reports: Iterable[PlaceReport]) -> BuildReport:
    """What building some places of a plan takes; what stands already is told, not costed.

    Args:
        reports: The chosen places as they are evaluated, for their soil and water lines.
    """
    plan, book = estimate.plan, estimate.book
    chosen = [(stands, r) for r in reports if (stands := plan.place(r.id)) is not None]
    wanted = [(place, r) for place, r in chosen if stage_of(place) != "standing"]
    boards, lines, missing = _costed(estimate, wanted)
    stages = tuple(_stage(name, chosen, estimate) for name in STAGES)
    paths, _ = bill_lines(path_amounts(plan.site, book), plan.build, book)
    everything = [*(b.cost for b in boards), *(line.cost for line in lines)]
    parts = tuple(_place_build(estimate, place, r) for place, r in chosen)
    return BuildReport(
        places=parts,
        boards=boards,
        lines=lines,
        paths=paths,
        missing=missing,
        cost=None if missing else _summed(everything),
        a_year=None if missing else _a_year(boards, lines, book),
        hours=sum(stage.hours for stage in stages if stage.stage != "standing"),
        stages=tuple(stage for stage in stages if stage.places),
        starts=_starts(plan, wanted, None if missing else _summed(everything), book),
        cautions=_cautions(boards, (*lines, *paths), book),
        working=_working(boards, lines, book),
    )


@of_rule("frame")
def _working(
    boards: Sequence[BoardOrder], lines: Sequence[BillLine], book: Book
) -> tuple[Term, ...]:
    """The bill as a sum, with the cost of a year beside it."""
    prices = message("bill-your-prices")
    terms = [
        Term(
            name=b.label,
            value=b.cost,
            unit="money",
            how=message("bill-boards-cut-together", boards=b.boards),
            source=prices,
        )
        for b in boards
        if b.cost is not None
    ]
    terms += [
        Term(
            name=line.label,
            value=line.cost,
            unit="money",
            how=message("bill-values", amount=Number(line.amount, 1), unit=line.unit),
            source=prices,
        )
        for line in lines
        if line.cost is not None
    ]
    lives = message("bill-materials-table-middle-span")
    total = _summed([*(b.cost for b in boards), *(line.cost for line in lines)])
    yearly = _a_year(boards, lines, book)
    return (
        *terms,
        Term(
            name=message("bill-year-use"),
            value=yearly,
            unit="money",
            how=message("bill-each-cost-years-lasts"),
            source=lives,
        ),
        Term(
            name=message("bill-all"),
            value=total,
            unit="money",
            how=message("bill-added-up"),
            source="Core",
        ),
    )


def stage_of(place: p.Place) -> p.Stage:
    return place.stage or DEFAULT_STAGE


Costed = tuple[tuple[BoardOrder, ...], tuple[BillLine, ...], tuple[Text, ...]]


def _costed(estimate: Estimate, chosen: Chosen) -> Costed:
    """Boards, other lines, and in words whatever has no board or price yet."""
    build, book = estimate.plan.build or p.Build(), estimate.book
    frames = [frame for place, _ in chosen if (frame := frame_of(place, book)) is not None]
    amounts = amounts_of(chosen, frames, build, book)
    for place, _ in chosen:
        supports, _ = supports_of_place(estimate, place.id)
        for taken in (supports, covers_of_place(estimate, place.id)):
            for name, amount in taken.items():
                amounts[name] = amounts.get(name, 0.0) + amount
    boards, missing = _boards(frames, build, book)
    lines, unpriced = bill_lines(amounts, build, book)
    return boards, lines, (*missing, *unpriced)


def _boards(
    frames: list[Frame], build: p.Build, book: Book
) -> tuple[tuple[BoardOrder, ...], list[Text]]:
    by_material: dict[str, list[Frame]] = defaultdict(list)
    for frame in frames:
        if frame.sides_cm and book.materials[frame.material].walling is None:
            by_material[frame.material].append(frame)
    orders: list[BoardOrder] = []
    missing: list[Text] = []
    for material, alike in by_material.items():
        label = book.materials[material].label
        options = [
            order
            for height in sorted({b.height_cm for b in build.boards if b.material == material})
            if (order := _cut_from(alike, height, build, book)) is not None
        ]
        if not options:
            missing.append(message("bill-length-height-price", label=label))
            continue
        best = min(options, key=lambda o: (o.cost is None, o.cost or 0.0, o.waste_cm))
        if best.cost is None:
            missing.append(message("bill-price", label=label))
        orders.append(best)
    return tuple(orders), missing


def _cut_from(
    frames: list[Frame], height_cm: float, build: p.Build, book: Book
) -> BoardOrder | None:
    """All frames of one material from boards of one height."""
    material = frames[0].material
    sold = [b for b in build.boards if b.material == material and b.height_cm == height_cm]
    stocks = tuple(Stock(b.length_cm, b.price) for b in sold)
    longest = max(stock.length_cm for stock in stocks)
    pieces: Counter[float] = Counter()
    for frame in frames:
        pieces += pieces_of(frame, height_cm, longest)
    saw = book.value("saw_kerf_cm") if build.saw_cm is None else build.saw_cm
    try:
        done: Cutting = cut(pieces, stocks, saw_cm=saw)
    except TooLongError:
        return None
    return BoardOrder(
        material=material,
        label=book.materials[material].label,
        height_cm=height_cm,
        boards=sum(bar.count for bar in done.bars),
        bars=done.bars,
        waste_cm=done.waste_cm,
        cost=done.cost,
        least=done.least,
    )


def _summed(costs: Iterable[float | None]) -> float:
    return sum(cost or 0.0 for cost in costs)


def _a_year(boards: Iterable[BoardOrder], lines: Iterable[BillLine], book: Book) -> float:
    frames = ((b.cost or 0.0) / book.materials[b.material].life_years.middle for b in boards)
    return sum(frames) + sum(line.a_year or 0.0 for line in lines)


def _place_build(estimate: Estimate, place: p.Place, report: PlaceReport) -> PlaceBuild:
    book = estimate.book
    frame, sheet = frame_of(place, book), sheet_of(place, book)
    rows: list[PieceRow] = []
    if frame is not None:
        sides = Counter(round(cm, 1) for cm in frame.sides_cm)
        rows += [PieceRow("side", n, cm) for cm, n in sides.items()]
        rows += [
            PieceRow(message("bill-tie-across"), n, cm) for cm, n in Counter(frame.ties_cm).items()
        ]
        if frame.bent_cm and book.materials[frame.material].walling is None:
            rows.append(PieceRow(message("bill-bent-strip"), 1, frame.bent_cm))
        if frame.posts:
            rows.append(PieceRow("post", frame.posts, frame.post_cm))
    area = shapes.inside_area_m2(place.shape)
    framing = _framing_hours(frame, book) if frame else 0.0
    loosening = broken(place, area, report.layers.loosened_cm, book).hours
    filling = report.soil.order_litres / 1000 * book.value("hours_per_m3_moved")
    _, putting_up = supports_of_place(estimate, place.id)
    return PlaceBuild(
        place=place.id,
        label=place.label,
        stage=stage_of(place),
        material=frame.material if frame else place.material,
        pieces=tuple(rows),
        card_sheets=sheet.sheets if sheet else None,
        roll_m=sheet.roll_m if sheet else None,
        roll_cm=sheet.roll_cm if sheet else None,
        hours_frame=framing,
        hours_loosen=loosening,
        hours_fill=filling,
        hours_supports=putting_up,
        hours=framing + loosening + filling + putting_up,
    )


def _framing_hours(frame: Frame, book: Book) -> float:
    walling = book.materials[frame.material].walling
    if walling is None:
        return _handled(frame, book) * book.value("hours_per_piece")
    posts = frame.posts * book.value("hours_per_piece")
    return walled(frame, walling) * walling.hours_each + posts


def _handled(frame: Frame, book: Book) -> int:
    """Boards, ties and posts to cut and place, from boards of the usual height."""
    usual = book.value("usual_board_cm")
    return sum(pieces_of(frame, usual, book.value("usual_board_length_cm")).values()) + frame.posts


def _stage(name: p.Stage, chosen: Chosen, estimate: Estimate) -> StageCost:
    here = [(place, r) for place, r in chosen if stage_of(place) == name]
    if name == "standing":
        return StageCost(name, len(here), 0.0, 0.0, 0.0, 0.0)
    boards, lines, missing = _costed(estimate, here)
    soil = _soil_left(name, chosen, estimate.plan.soil, estimate.book)
    order = order_for([r for _, r in here], soil, estimate.book)
    build = _summed([*(b.cost for b in boards), *(line.cost for line in lines)])
    return StageCost(
        stage=name,
        places=len(here),
        litres=order.litres,
        soil_cost=cheapest_cost(order),
        build_cost=None if missing else build,
        hours=sum(_place_build(estimate, place, r).hours for place, r in here),
    )


def _soil_left(name: p.Stage, chosen: Chosen, soil: p.Soil | None, book: Book) -> p.Soil | None:
    """The soil and prices at a stage: own material that this year uses is gone later."""
    if soil is None or soil.own is None or name != "later":
        return soil
    now = order_for([r for place, r in chosen if stage_of(place) == DEFAULT_STAGE], soil, book)
    used = now.mixes[0].litres if now.mixes else 0.0
    own = soil.own.model_copy(update={"litres": max(0.0, soil.own.litres - used)})
    return soil.model_copy(update={"own": own})


def cheapest_cost(order: OrderReport) -> float | None:
    """The least that a whole order costs, mix by mix; None while a mix has no price."""
    least = [
        min((o.cost for o in mix.options if o.cost is not None), default=None)
        for mix in order.mixes
    ]
    return None if None in least else sum(cost or 0.0 for cost in least)


def _dearest_cost(order: OrderReport) -> float | None:
    most = [
        max((o.cost for o in mix.options if o.cost is not None), default=None)
        for mix in order.mixes
    ]
    return None if None in most else sum(cost or 0.0 for cost in most)


def _starts(
    plan: p.Plan, chosen: Chosen, build_cost: float | None, book: Book
) -> tuple[StartCost, ...]:
    """Three ways to begin: the least, the middling, and all of it new."""
    reports = [r for _, r in chosen]
    order = order_for(reports, plan.soil, book)
    bought = plan.soil.model_copy(update={"own": None}) if plan.soil else None
    new = order_for(reports, bought, book)
    soil, soil_new = cheapest_cost(order), _dearest_cost(new)

    def both(soil_cost: float | None) -> float | None:
        if soil_cost is None or build_cost is None:
            return None
        return soil_cost + build_cost

    return (
        StartCost("least", message("bill-mix-cheapest-way-mounds"), soil),
        StartCost("middling", message("bill-mix-cheapest-way-frames"), both(soil)),
        StartCost(message("bill-all-new"), message("bill-mix-dearest-way-nothing"), both(soil_new)),
    )


def _cautions(
    boards: Iterable[BoardOrder], lines: Iterable[BillLine], book: Book
) -> tuple[str, ...]:
    names = dict.fromkeys([*(b.material for b in boards), *(line.material for line in lines)])
    texts = (book.materials[name].caution for name in names)
    return tuple(text for text in texts if text)

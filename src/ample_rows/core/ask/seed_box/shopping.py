"""The shopping list: what the plan needs against what is in the box, as it is sold."""

import math
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.ask.seed_box.needs import Need, needs_of
from ample_rows.core.ask.seed_box.viability import alive_share
from ample_rows.core.book import Book, Crop
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Count, Message, Number, Text, clauses, listed, message
from ample_rows.core.words.working import Term, Terms, of_rule

_DUST = 1e-6


@dataclass(frozen=True, slots=True)
class PacketState:
    """A packet as it is in the plan's year: how much of its seed comes up now. [years, 0-1]"""

    id: str
    crop: str
    name: str
    year: int
    age_years: int
    seeds: int
    comes_up: float
    as_fresh: int
    words: Text


@dataclass(frozen=True, slots=True)
class WayToBegin:
    """What a crop's plants cost one way; null while a price is missing."""

    way: Text
    cost: float | None
    missing: Text
    chosen: bool


@dataclass(frozen=True, slots=True)
class ShoppingRow:
    """One crop: what is wanted with some to spare, what is there, and what to buy as sold.

    Seeds are counted as fresh ones; `there` is what the box still amounts to.
    """

    crop: str
    name: str
    mark: str
    places: tuple[str, ...]
    first_use: date
    unit: str
    wanted: int
    there: int
    buy: int
    as_sold: Text
    cost: float | None
    words: Text
    ways: tuple[WayToBegin, ...]
    working: Terms


@dataclass(frozen=True, slots=True)
class ShoppingList:
    """All of it. The cost is null while a price is missing."""

    rows: tuple[ShoppingRow, ...]
    packets: tuple[PacketState, ...]
    cost: float | None
    missing: tuple[Text, ...]


def shopping_list(
    plan: p.Plan, reports: Iterable[PlantingReport], since: date, book: Book
) -> ShoppingList:
    """What to buy for a plan.

    Args:
        since: First day of the plan's year; what was begun before is in the ground already.
    """
    box = plan.seed_box or p.SeedBox()
    packets = tuple(_state(packet, since.year, book) for packet in box.packets)
    names = {place.id: place.label for place in plan.places}
    rows = []
    for need in needs_of(plan, reports, since, book):
        own = [state for state in packets if state.crop == need.crop.id]
        rows.append(_row(need, own, box, names, book))
    missing = tuple(message("shopping-price", row=row.name) for row in rows if row.cost is None)
    cost = None if missing else sum(row.cost or 0.0 for row in rows)
    return ShoppingList(tuple(rows), packets, cost, missing)


def _state(packet: p.SeedPacket, year: int, book: Book) -> PacketState:
    crop = book.crops[packet.crop]
    age = max(0, year - packet.year)
    alive = alive_share(age, crop.seed_life_years, book) if crop.seed_life_years else 1.0
    return PacketState(
        id=packet.id,
        crop=crop.id,
        name=packet.name or crop.name,
        year=packet.year,
        age_years=age,
        seeds=packet.seeds,
        comes_up=crop.emergence * alive,
        as_fresh=0 if alive < book.value("seed_least_alive") else math.floor(packet.seeds * alive),
        words=_packet_words(packet, crop, alive, book),
    )


def _packet_words(packet: p.SeedPacket, crop: Crop, alive: float, book: Book) -> Message:
    words = []
    if alive < book.value("seed_least_alive"):
        words.append(message("shopping-too-old-count-sow"))
    elif alive < book.value("seed_sow_thicker"):
        times = 1 / alive
        words.append(message("shopping-sow-times-thick", times=Number(times, 1)))
    if packet.saved and "hybridises" in crop.traits:
        words.append(message("shopping-saved-beside-others-kind"))
    return clauses(*words)


@dataclass(frozen=True, slots=True)
class _Buying:
    """What is wanted of one crop and how it is bought."""

    unit: str
    spare: float
    wanted: int
    there: int
    buy: int
    as_sold: Text
    price: float | None

    @property
    def cost(self) -> float | None:
        if self.buy == 0:
            return 0.0
        return None if self.price is None else self.buy * self.price


def _buying(need: Need, there: int, choice: p.SeedChoice, book: Book) -> _Buying:
    crop = need.crop
    by_seed = need.seeds > 0 and not (need.raised and choice.buy_plants)
    spare = 1 + book.value("seed_spare" if by_seed else "plant_spare")
    wanted = math.ceil((need.seeds if by_seed else need.plants) * spare - _DUST)
    if by_seed:
        packet = crop.packet_seeds or wanted
        buy = math.ceil(max(0, wanted - there) / packet)
        sold = (
            message("shopping-about", packets=Count(buy, "packet"), seeds=round(packet))
            if buy
            else ""
        )
        return _Buying("seeds", spare, wanted, there, buy, sold, choice.packet)
    if need.raised or crop.sold_as is None:
        return _Buying(
            "plants",
            spare,
            wanted,
            0,
            wanted,
            message("shopping-plants", wanted=wanted),
            choice.plant,
        )
    each = crop.sold_as.plants
    buy = math.ceil(wanted / each - _DUST)
    sold = message(
        "shopping-each", buy=buy, what=crop.sold_as.what, each=Count(round(each), "plant")
    )
    return _Buying("plants", spare, wanted, 0, buy, sold, choice.sold)


def _row(
    need: Need, own: list[PacketState], box: p.SeedBox, names: dict[str, str], book: Book
) -> ShoppingRow:
    crop, choice = need.crop, box.choice(need.crop.id)
    in_box = sum(state.as_fresh for state in own)
    buying = _buying(need, in_box, choice, book)
    return ShoppingRow(
        crop=crop.id,
        name=crop.name,
        mark=crop.mark,
        places=tuple(dict.fromkeys(names[s.place] for s in need.sowings)),
        first_use=need.first,
        unit=buying.unit,
        wanted=buying.wanted,
        there=buying.there,
        buy=buying.buy,
        as_sold=buying.as_sold,
        cost=buying.cost,
        words=_words(own, buying),
        ways=_ways(need, choice, box, in_box, book) if need.raised else (),
        working=_working(need, buying, book),
    )


def _words(own: list[PacketState], buying: _Buying) -> Text:
    if not own or buying.unit != "seeds":
        return ""
    said = [state.words for state in own if state.words]
    enough = (
        message("shopping-enough-box")
        if buying.buy == 0
        else message("shopping-box-good", there=buying.there)
    )
    return clauses(enough, *said)


def _ways(
    need: Need, choice: p.SeedChoice, box: p.SeedBox, there: int, book: Book
) -> tuple[WayToBegin, ...]:
    """Raised at home against bought as plants."""
    crop = need.crop
    seeds = math.ceil(need.seeds * (1 + book.value("seed_spare")) - _DUST)
    packets = math.ceil(max(0, seeds - there) / (crop.packet_seeds or 1))
    seed = 0.0 if packets == 0 else None if choice.packet is None else packets * choice.packet
    raised = math.ceil(need.plants * (1 + book.value("plant_spare")) - _DUST)
    growing = None if box.raising is None else raised * box.raising
    at_home = None if seed is None or growing is None else seed + growing
    plants = None if choice.plant is None else raised * choice.plant
    by_plants = bool(choice.buy_plants)
    wants = [
        word
        for word, cost in (("packet", seed), (message("shopping-raising-one"), growing))
        if cost is None
    ]
    return (
        WayToBegin(
            message("shopping-raised-home"),
            at_home,
            message("shopping-lacking", wants=listed(wants, "and")) if wants else "",
            not by_plants,
        ),
        WayToBegin(
            message("shopping-bought-plants"),
            plants,
            "" if choice.plant is not None else "plant",
            by_plants,
        ),
    )


@of_rule("seed_box")
def _working(need: Need, buying: _Buying, book: Book) -> Terms:
    source = book.coefficients["fresh_seed_score"].source
    count = need.seeds if buying.unit == "seeds" else need.plants
    sowings = Count(len(need.sowings), "planting")
    how = (
        message("shopping-stations-seeds-station", sowings=sowings)
        if buying.unit == "seeds"
        else message("shopping-of-plantings", sowings=sowings)
    )
    return (
        Term(name=message("shopping-sow-or-set"), value=count, unit="", how=how, source="Plan"),
        Term(
            name=message("shopping-some-spare"),
            value=buying.spare,
            unit="×",
            how=message("shopping-gaps-slugs-second-go"),
            source="Judged",
        ),
        Term(
            name=message("shopping-wanted"),
            value=buying.wanted,
            unit="",
            how=message("shopping-rounded-up"),
            source="Core",
        ),
        Term(
            name=message("shopping-box"),
            value=buying.there,
            unit="",
            how=message("shopping-counted-fresh-seed"),
            source=source,
        ),
        Term(
            name=message("shopping-buy"),
            value=buying.buy,
            unit="",
            how=message("shopping-whole-packets-or-sold"),
            source="Core",
        ),
    )

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
    words: str


@dataclass(frozen=True, slots=True)
class WayToBegin:
    """What a crop's plants cost one way; null while a price is missing."""

    way: str
    cost: float | None
    missing: str
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
    as_sold: str
    cost: float | None
    words: str
    ways: tuple[WayToBegin, ...]
    working: Terms


@dataclass(frozen=True, slots=True)
class ShoppingList:
    """All of it. The cost is null while a price is missing."""

    rows: tuple[ShoppingRow, ...]
    packets: tuple[PacketState, ...]
    cost: float | None
    missing: tuple[str, ...]


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
    missing = tuple(f"a price for {row.name}" for row in rows if row.cost is None)
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


def _packet_words(packet: p.SeedPacket, crop: Crop, alive: float, book: Book) -> str:
    words = []
    if alive < book.value("seed_least_alive"):
        words.append("too old to count on: sow a pinch on damp paper first, or buy fresh")
    elif alive < book.value("seed_sow_thicker"):
        times = 1 / alive
        words.append(f"sow {times:.1f} times as thick")
    if packet.saved and "hybridises" in crop.traits:
        words.append("saved beside others of its kind it may not come true")
    return "; ".join(words)


@dataclass(frozen=True, slots=True)
class _Buying:
    """What is wanted of one crop and how it is bought."""

    unit: str
    spare: float
    wanted: int
    there: int
    buy: int
    as_sold: str
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
        sold = f"{buy} {_many('packet', buy)} of about {packet}" if buy else ""
        return _Buying("seeds", spare, wanted, there, buy, sold, choice.packet)
    if need.raised or crop.sold_as is None:
        return _Buying("plants", spare, wanted, 0, wanted, f"{wanted} plants", choice.plant)
    each = crop.sold_as.plants
    buy = math.ceil(wanted / each - _DUST)
    sold = f"{buy} × {crop.sold_as.what}, {each:g} {_many('plant', round(each))} each"
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


def _many(word: str, count: int) -> str:
    return word if count == 1 else f"{word}s"


def _words(own: list[PacketState], buying: _Buying) -> str:
    if not own or buying.unit != "seeds":
        return ""
    said = "; ".join(state.words for state in own if state.words)
    enough = "enough in the box" if buying.buy == 0 else f"the box is good for {buying.there}"
    return f"{enough}; {said}" if said else enough


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
    wants = [word for word, cost in (("packet", seed), ("raising one", growing)) if cost is None]
    return (
        WayToBegin("raised at home", at_home, " and ".join(wants), not by_plants),
        WayToBegin(
            "bought as plants", plants, "" if choice.plant is not None else "plant", by_plants
        ),
    )


@of_rule("seed_box")
def _working(need: Need, buying: _Buying, book: Book) -> Terms:
    kept = book.coefficients["fresh_seed_score"].source
    count = need.seeds if buying.unit == "seeds" else need.plants
    sowings = f"{len(need.sowings)} {_many('planting', len(need.sowings))}"
    how = f"{sowings}, stations × seeds a station" if buying.unit == "seeds" else sowings
    return (
        Term("to sow or set", count, "", how, "Plan"),
        Term("some to spare", buying.spare, "×", "for gaps, slugs and a second go", "Judged"),
        Term("wanted", buying.wanted, "", "rounded up", "Core"),
        Term("in the box", buying.there, "", "counted as fresh seed", kept),
        Term("to buy", buying.buy, "", "in whole packets or as sold", "Core"),
    )

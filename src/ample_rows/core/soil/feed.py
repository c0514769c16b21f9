"""Feed: what the crops of a place take, what its soil gives, and how much of a packet that is."""

from collections.abc import Sequence
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.book.own_measures import litres_of
from ample_rows.core.soil.fill import Fill, base_cm
from ample_rows.core.soil.mixes import n_freed_g_per_litre, n_taken_g_per_litre
from ample_rows.core.soil.soft import soft_layers
from ample_rows.core.words.message import Count, Message, Number, Text, message
from ample_rows.core.words.working import Term, of_rule

_FEED_MEASURES = ("bucket", "scoop", "handful")
_TO_THE_HALF_BELOW = 3.0
_PART_OF = {
    "leaf": "leaf",
    "stem": "leaf",
    "root": "root",
    "bulb": "root",
    "fruit": "fruit",
    "green manure": "dug-in",
}


@dataclass(frozen=True, slots=True)
class Eater:
    """One planting as feed sees it. [m2]"""

    planting: str
    crop: Crop
    area_m2: float


@dataclass(frozen=True, slots=True)
class CropFeed:
    """What one planting takes of nitrogen, and how much of the packet stands for it. [g]"""

    planting: str
    n_g: float
    packet_g: float | None
    why: str


@dataclass(frozen=True, slots=True)
class Feed:
    """A year's feed of one place. [g; the packet also in g/m2]

    `mix_frees_n_g` is what the fill frees in its first year, counted only by the school that
    lets a mix feed itself; `packet_g` is null without a packet's analysis.
    """

    n_g: float
    p2o5_g: float
    k2o_g: float
    mix_frees_n_g: float
    counts_mix: bool
    lacks_n_g: float
    packet: Text | None
    packet_g: float | None
    packet_by_measure: Text | None
    packet_g_per_m2: float | None
    packet_p2o5_g: float | None
    packet_k2o_g: float | None
    packet_cost: float | None
    crops: tuple[CropFeed, ...]
    advice: tuple[Text, ...]
    working: tuple[Term, ...]


def feed_of(
    place: p.Place,
    eaters: Sequence[Eater],
    fill: Fill,
    soil: p.Soil | None,
    book: Book,
    *,
    area_m2: float,
) -> Feed:
    """The feed of a place for the plan's year.

    Args:
        area_m2: Ground inside the place. [m2]
    """
    soil = soil or p.Soil()
    rows = [(e, *_takes(e, book)) for e in eaters]
    soft = soft_layers(place, book)
    base = book.value("base_takes_n_g_per_m2") * area_m2 if base_cm(place) else 0.0
    base += sum(layer.n_takes_g for layer in soft)
    base += fill.order_litres * n_taken_g_per_litre(fill.kind, book)
    taken = sum(n for _, n, _ in rows)
    frees = fill.order_litres * n_freed_g_per_litre(fill.kind, book)
    frees += sum(layer.n_g for layer in soft)
    counts = soil.feeding == "mix"
    lacks = max(0.0, taken + base - (frees if counts else 0.0))
    share = lacks / (taken + base) if taken + base else 0.0
    grams = _packet_g(lacks, soil.packet)
    price = soil.packet.price_per_kg if soil.packet else None
    return Feed(
        n_g=taken + base,
        p2o5_g=_other(eaters, "p2o5_g_per_m2", soil.test.phosphate if soil.test else None, book),
        k2o_g=_other(eaters, "k2o_g_per_m2", soil.test.potash if soil.test else None, book),
        mix_frees_n_g=frees,
        counts_mix=counts,
        lacks_n_g=lacks,
        packet=(soil.packet.name or message("feed-your-feed")) if soil.packet else None,
        packet_g=grams,
        packet_by_measure=None if grams is None else by_measure(grams, soil.packet, book),
        packet_g_per_m2=None if grams is None else grams / area_m2,
        packet_p2o5_g=_brings(grams, soil.packet.p2o5_percent if soil.packet else None),
        packet_k2o_g=_brings(grams, soil.packet.k2o_percent if soil.packet else None),
        packet_cost=None if grams is None or price is None else grams / 1000 * price,
        crops=tuple(
            CropFeed(e.planting, n, _packet_g(n * share, soil.packet), why) for e, n, why in rows
        ),
        advice=_advice(soil),
        working=_working(taken=taken, base=base, frees=frees, lacks=lacks, grams=grams, soil=soil),
    )


def _takes(eater: Eater, book: Book) -> tuple[float, str]:
    part = book.parts[_PART_OF.get(eater.crop.group, "other")]
    of_class = book.feeders[eater.crop.feeder]
    return of_class.n_g_per_m2 * part.times * eater.area_m2, part.why


@of_rule("feed")
def crop_working(eater: Eater, book: Book) -> tuple[Term, ...]:
    """How the nitrogen that one planting takes comes to be."""
    taken, why = _takes(eater, book)
    of_class = book.feeders[eater.crop.feeder]
    part = book.parts[_PART_OF.get(eater.crop.group, "other")]
    return (
        Term(
            name=message("feed-crop-so-hungry"),
            value=of_class.n_g_per_m2,
            unit="g N per m²",
            how=eater.crop.feeder,
            source=of_class.source,
        ),
        Term(
            name=message("feed-what-picked"),
            value=part.times,
            unit="×",
            how=why,
            source=part.source,
        ),
        Term(
            name=message("feed-squares"),
            value=eater.area_m2,
            unit="m²",
            how=message("feed-their-true-area"),
            source="Core",
        ),
        Term(
            name=message("feed-takes"),
            value=taken,
            unit="g N",
            how=message("feed-multiplied"),
            source="Core",
        ),
    )


def _other(eaters: Sequence[Eater], figure: str, level: p.Level3 | None, book: Book) -> float:
    """Phosphate or potash: half as much again where a test is low, none where it is high. [g]"""
    times = {"low": book.value("test_low_times"), "high": 0.0}.get(level or "", 1.0)
    taken = sum(getattr(book.feeders[e.crop.feeder], figure) * e.area_m2 for e in eaters)
    return float(taken * times)


def _packet_g(n_g: float, packet: p.Packet | None) -> float | None:
    if packet is None or packet.n_percent <= 0:
        return None
    return n_g / packet.n_percent * 100


def by_measure(grams: float, packet: p.Packet | None, book: Book) -> Message:
    """So much of a packet by handfuls, scoops or buckets, whichever is fewest above one; small
    numbers to the half."""
    own = packet.handful_g if packet else None
    handful = litres_of("handful", book)
    kg_per_litre = own / 1000 / handful if own else book.value("packet_kg_per_litre")
    litres = grams / 1000 / kg_per_litre
    measure = next((m for m in _FEED_MEASURES if litres >= litres_of(m, book)), "handful")
    times = litres / litres_of(measure, book)
    if times < _TO_THE_HALF_BELOW:
        return message("feed-by-halves", halves=max(1, round(times * 2)), measure=measure)
    return message("feed-by-measure", count=Count(round(times), measure))


def _brings(grams: float | None, percent: float | None) -> float | None:
    """What so much of a packet holds of one nutrient; None where its analysis is not known. [g]"""
    return None if grams is None or percent is None else grams * percent / 100


_LEAST_PH, _MOST_PH = 6.0, 7.5


def _advice(soil: p.Soil) -> tuple[Message, ...]:
    advice = []
    ph = soil.test.ph if soil.test else None
    if ph is not None and ph < _LEAST_PH:
        advice.append(message("feed-ph-most-vegetables-starve", ph=Number(ph)))
    if ph is not None and ph > _MOST_PH:
        advice.append(message("feed-ph-iron-manganese-locked", ph=Number(ph)))
    advice.append(message("feed-half-planting-half-when"))
    return tuple(advice)


@of_rule("feed")
def _working(
    *, taken: float, base: float, frees: float, lacks: float, grams: float | None, soil: p.Soil
) -> tuple[Term, ...]:
    school = message("feed-rich-mix-feeds-itself")
    terms = [
        Term(
            name=message("feed-crops-take"),
            value=taken,
            unit="g N",
            how=message("feed-class-part-area-added"),
            source="Feeder tables",
        )
    ]
    if base:
        terms.append(
            Term(
                name=message("feed-woody-base-takes"),
                value=base,
                unit="g N",
                how=message("feed-area-year"),
                source="Judged",
            )
        )
    if soil.feeding == "mix":
        terms.append(
            Term(
                name=message("feed-fill-frees"),
                value=frees,
                unit="g N",
                how=school,
                source="By the parts of its mix",
            )
        )
    terms.append(
        Term(
            name=message("feed-lacking"),
            value=lacks,
            unit="g N",
            how=message("feed-what-taken-less-what"),
            source="Core",
        )
    )
    if grams is not None and soil.packet is not None:
        how = message("feed-lacking-nitrogen", n_percent=Number(soil.packet.n_percent))
        terms.append(
            Term(
                name=message("feed-packet"),
                value=grams,
                unit="g",
                how=how,
                source="The packet's analysis",
            )
        )
    return tuple(terms)

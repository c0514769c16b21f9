"""What fills a place: layers, litres, and the loose volume to order."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Mix
from ample_rows.core.geometry import shapes
from ample_rows.core.soil.mixes import mixes_of
from ample_rows.core.words.message import Text, message
from ample_rows.core.words.working import Term, of_rule

_DUST_L = 1e-6
DEFAULT_BED, DEFAULT_POT = "garden-bed", "light-container"


@dataclass(frozen=True, slots=True)
class Layer:
    """One layer of a fill, from the top down. [cm, L]"""

    what: Text
    cm: float
    litres: float


@dataclass(frozen=True, slots=True)
class Fill:
    """A place's fill: what it holds settled, and what must be poured to have that.

    `order_litres` = mix / (1 - settling): settling is the share lost of what is poured. What is
    of the place's own earth is not ordered.
    """

    mix: str
    kind: Mix
    label: str
    settling: float
    fill_litres: float
    mix_litres: float
    earth_litres: float
    order_litres: float
    layers: tuple[Layer, ...]
    recipe_litres: dict[str, float]
    top_up_litres: float


def mix_name(place: p.Place, soil: p.Soil | None) -> str:
    """The mix in force: the place's own; for beds the garden's; else what suits its kind."""
    if place.mix:
        return place.mix
    if place.kind == "container":
        return DEFAULT_POT
    return soil.mix if soil and soil.mix else DEFAULT_BED


def fill_of(place: p.Place, soil: p.Soil | None, book: Book) -> Fill:
    """The litres of a place by layer, and by ingredient of its mix."""
    name = mix_name(place, soil)
    mix = mixes_of(soil, book)[name]
    depth, whole = shapes.fill_cm(place), shapes.soil_litres(place)
    base = base_cm(place)
    base_litres = _below(place, base)
    above = whole - base_litres
    earth = min(place.own_earth_litres or 0.0, above)
    mixed = above - earth
    order = mixed / (1 - mix.settling)
    of_earth = (depth - base) * earth / above if above else 0.0
    layers = [Layer(mix.label, depth - base - of_earth, mixed)] if mixed or not earth else []
    if earth:
        layers.append(Layer(message("fill-own-earth"), of_earth, earth))
    if base:
        layers.append(Layer(message("fill-coarse-woody-base"), base, base_litres))
    return Fill(
        mix=name,
        kind=mix,
        label=mix.label,
        settling=mix.settling,
        fill_litres=whole,
        mix_litres=mixed,
        earth_litres=earth,
        order_litres=order,
        layers=tuple(layers),
        recipe_litres=recipe(mix, order),
        top_up_litres=top_up(mixed, base_litres, book),
    )


def top_up(mix_litres: float, base_litres: float, book: Book) -> float:
    """Litres that a place sinks by in a year: its mix as it rots, and its base. [L]"""
    base = base_litres * book.value("base_sinks_in_three_years") / 3
    return mix_litres * book.value("yearly_sinking_share") + base


def base_cm(place: p.Place) -> float:
    """Depth of the coarse woody base below the mix. [cm]"""
    return min(place.base_cm or 0.0, shapes.fill_cm(place))


def _below(place: p.Place, depth_cm: float) -> float:
    """Litres of the lowest so many centimetres of a fill, exact for tapered pots and mounds."""
    if depth_cm <= 0:
        return 0.0
    top = shapes.fill_cm(place) - depth_cm
    return shapes.soil_litres(place) - shapes.litres_above(place, top)


def recipe(mix: Mix, litres: float) -> dict[str, float]:
    """Litres of each ingredient in so many litres poured, by parts of loose volume."""
    parts = sum(mix.parts.values())
    return {what: litres * share / parts for what, share in mix.parts.items()}


@of_rule("fill")
def order_working(fill: Fill) -> tuple[Term, ...]:
    """The sum behind what is to be poured."""
    mix = fill.kind
    terms = [
        Term(
            name=message("fill-settled-fill"),
            value=fill.fill_litres,
            unit="L",
            how=message("fill-inside-area-fill-shape"),
            source="Core",
        )
    ]
    if fill.earth_litres:
        terms.append(
            Term(
                name=message("fill-own-earth"),
                value=fill.earth_litres,
                unit="L",
                how=message("fill-dug-on-spot"),
                source="Core",
            )
        )
    base = fill.fill_litres - fill.mix_litres - fill.earth_litres
    if base > _DUST_L:
        terms.append(
            Term(
                name=message("fill-coarse-woody-base"),
                value=base,
                unit="L",
                how=message("fill-found-not-bought"),
                source="Core",
            )
        )
    return (
        *terms,
        Term(
            name=message("fill-settling"),
            value=fill.settling,
            unit="share",
            how=message("fill-what-poured", mix=mix.label),
            source=mix.source,
        ),
        Term(
            name=message("fill-pour"),
            value=fill.order_litres,
            unit="L",
            how=message("fill-mix-settling"),
            source="Core",
        ),
    )

"""Soft matter laid on, dug in or buried: litres to gather, how it sinks, when it can be planted."""

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.book import Book, SoftMatter
from ample_rows.core.geometry import shapes
from ample_rows.core.weather.response import Normals, daily_means_c
from ample_rows.core.words.message import Mass, Text, message

MONTHS_TOLD = 12
_DAYS_A_MONTH = 30.4
_WORTH_G = 1.0
_MOST_DAYS = 4 * 365


@dataclass(frozen=True, slots=True)
class SoftLayer:
    """One layer of soft matter. `height_cm` is told from the day it is laid, month by month;
    `rise_cm` is what stays in the end and counts as depth; `n_takes_g` is the nitrogen that it
    ties up in its first year. From `fit_on` it can be planted through; `meanwhile` is what may go
    in before. [L, cm, g]"""

    label: str
    how: str
    on: date
    litres: float
    height_cm: tuple[float, ...]
    rise_cm: float
    fit_on: date
    n_g: float
    n_takes_g: float
    takes: Text
    caution: str | None
    meanwhile: str | None


def rise_cm(place: p.Place, book: Book) -> float:
    """What soft matter adds for good to the depth of a whole place; a trench adds none. [cm]"""
    return sum(
        layer.cm * book.soft[layer.material].stays for layer in place.added if layer.how != "trench"
    )


def soft_layers(
    place: p.Place, book: Book, normals: Normals | None = None
) -> tuple[SoftLayer, ...]:
    """Every layer of soft matter of a place, in the order given.

    Args:
        normals: The usual year, by whose warmth matter rots; a mild one where it is not known.
    """
    return tuple(_layer(place, layer, book, normals) for layer in place.added)


def by_day(layers: Sequence[SoftLayer]) -> dict[date, list[SoftLayer]]:
    """Layers by the day on which they are laid in one go."""
    laid: dict[date, list[SoftLayer]] = defaultdict(list)
    for layer in layers:
        laid[layer.on].append(layer)
    return laid


def strewn_g(layers: Sequence[SoftLayer], packet: p.Packet | None, book: Book) -> float:
    """What of a packet gives back the nitrogen that layers of one day tie up, strewn as they are
    laid; none where it is hardly any. [g]"""
    takes = sum(layer.n_takes_g for layer in layers)
    if packet is None or not packet.n_percent or takes < book.value("feed_least_g"):
        return 0.0
    return takes / packet.n_percent * 100


def _layer(place: p.Place, added: p.Added, book: Book, normals: Normals | None) -> SoftLayer:
    matter = book.soft[added.material]
    litres = _ground_m2(place, added, book) * added.cm * 10
    sinks = 1 - matter.stays
    # On top it meets the soil with its lowest layer only.
    meets = book.value("surface_takes_share") if added.how == "laid" else 1.0
    takes = litres * matter.n_takes_g_per_litre * meets

    def height(days: float) -> float:
        left: float = 0.5 ** (days / matter.halving_days)
        return added.cm * (matter.stays + sinks * left)

    return SoftLayer(
        label=matter.label,
        how=added.how,
        on=added.on,
        litres=litres,
        height_cm=tuple(height(m * _DAYS_A_MONTH) for m in range(MONTHS_TOLD + 1)),
        rise_cm=0.0 if added.how == "trench" else added.cm * matter.stays,
        fit_on=_fit_on(added, matter, normals, book),
        meanwhile=matter.meanwhile,
        n_g=litres * matter.n_g_per_litre,
        n_takes_g=takes,
        takes=message("soft-takes-nitrogen", n=Mass(takes / 1000)) if takes >= _WORTH_G else "",
        caution=matter.caution,
    )


def _fit_on(added: p.Added, matter: SoftMatter, normals: Normals | None, book: Book) -> date:
    """The day from which a layer can be planted: warm days count more, cold ones hardly."""
    wanted = matter.fit_days * (matter.fine_share if added.fine else 1.0)
    waited = float(math.ceil(wanted))
    if normals is not None and normals.tmin_c and normals.tmax_c:
        mean = (daily_means_c(normals.tmin_c) + daily_means_c(normals.tmax_c)) / 2
        slow, fast = book.value("rots_cold_rate"), book.value("rots_warm_rate")
        rate = np.clip(mean / book.value("rots_as_counted_c"), slow, fast)
        begun = added.on.timetuple().tm_yday - 1
        done = np.cumsum(np.resize(np.roll(rate, -begun), _MOST_DAYS))
        waited = float(np.searchsorted(done, wanted) + (1 if wanted else 0))
    return added.on + timedelta(days=max(matter.safe_days, waited))


def _ground_m2(place: p.Place, added: p.Added, book: Book) -> float:
    """The ground that a layer covers; a trench runs under the middle of the longer side. [m2]"""
    area = shapes.inside_area_m2(place.shape)
    if added.how != "trench":
        return area
    box = shapes.bounds(place.shape)
    wide = min(book.value("trench_width_cm"), box.width, box.length)
    return min(area, wide * max(box.width, box.length) / 1e4)

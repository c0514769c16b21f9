"""Measures in the grower's units."""

import math
from collections.abc import Callable
from typing import Any, Literal

from ample_rows.core.words.message import (
    Area,
    Bulk,
    Distance,
    Dose,
    Length,
    Load,
    Mass,
    Money,
    Number,
    Rain,
    Share,
    Speed,
    Temperature,
    Volume,
)

UnitSystem = Literal["metric", "imperial"]
Words = Literal["en-GB", "en-US"]

CM_PER_INCH = 2.54
M_PER_FOOT = 0.3048
MM_PER_INCH = 25.4
LB_PER_KG = 2.204_622_6
OZ_PER_KG = 35.273_96
GALLONS_PER_LITRE = 0.264_172
QUARTS_PER_LITRE = 0.908_083
CUBIC_FEET_PER_LITRE = 0.035_314_67
CUBIC_FEET_PER_CUBIC_YARD = 27
MPH_PER_M_S = 2.236_936
INCHES_PER_FOOT = 12
# From a yard on a length is said in feet and inches, as a tape is read.
_IN_FEET_FROM_IN = 36
_IN_QUARTS_BELOW_CUBIC_FEET = 0.5
# From these on nobody paces or pours in tenths.
_WHOLE_FEET_FROM, _WHOLE_GALLONS_FROM = 20, 10
SQUARE_FEET_PER_M2 = 10.763_91
# Below these a weight is said in the smaller unit.
_IN_GRAMS_BELOW_KG = 0.0995
_IN_OUNCES_BELOW_LB = 0.495


def trimmed(value: float, digits: int) -> str:
    """A number with at most so many decimals, thousands grouped, no zeros at its end."""
    text = f"{value:,.{digits}f}"
    text = text.rstrip("0").rstrip(".") if "." in text else text
    return "0" if text == "-0" else text.replace("-", "−")


def significant(value: float, figures: int = 2) -> str:
    """An estimate: two figures that say something (0.32, 6, 68, 1,400)."""
    if value == 0 or not math.isfinite(value):
        return "0"
    places = figures - 1 - math.floor(math.log10(abs(value)))
    return trimmed(round(value, places), max(0, places))


def _length_imperial(measure: Length) -> str:
    inches = measure.cm / CM_PER_INCH
    if abs(inches) < INCHES_PER_FOOT:
        return f"{trimmed(inches, 1)} in"
    # Whole and half inches, as they are found on a tape.
    halves = round(abs(inches) * 2) / 2
    sign = "−" if inches < 0 else ""
    if halves < _IN_FEET_FROM_IN:
        return f"{sign}{trimmed(halves, 1)} in"
    feet, rest = divmod(halves, INCHES_PER_FOOT)
    return f"{sign}{trimmed(feet, 0)} ft" + (f" {trimmed(rest, 1)} in" if rest else "")


def _whole_from(least: float, value: float) -> str:
    """A figure with one decimal, from some size on without."""
    return trimmed(value, 0 if abs(value) >= least else 1)


def _bulk_imperial(measure: Bulk) -> str:
    cubic_feet = measure.litres * CUBIC_FEET_PER_LITRE
    if abs(cubic_feet) < _IN_QUARTS_BELOW_CUBIC_FEET:
        return f"{trimmed(measure.litres * QUARTS_PER_LITRE, 0)} qt"
    if abs(cubic_feet) < CUBIC_FEET_PER_CUBIC_YARD:
        return f"{trimmed(cubic_feet, 1)} cu ft"
    return f"{trimmed(cubic_feet / CUBIC_FEET_PER_CUBIC_YARD, 1)} cu yd"


def _mass_metric(measure: Mass) -> str:
    kg = measure.kg
    small = abs(kg) < _IN_GRAMS_BELOW_KG
    return f"{significant(kg * 1000)} g" if small else f"{significant(kg)} kg"


def _mass_imperial(measure: Mass) -> str:
    lb = measure.kg * LB_PER_KG
    small = abs(lb) < _IN_OUNCES_BELOW_LB
    return f"{significant(measure.kg * OZ_PER_KG)} oz" if small else f"{significant(lb)} lb"


def _fahrenheit(measure: Temperature) -> str:
    return f"{trimmed(measure.c * 1.8 + (0 if measure.difference else 32), 0)} °F"


# By kind of measure: how it is said in metric units, and in imperial ones.
_SAID: dict[type, tuple[Callable[[Any], str], Callable[[Any], str]]] = {
    Length: (
        lambda v: f"{trimmed(v.cm, 1)} cm",
        _length_imperial,
    ),
    Distance: (
        lambda v: f"{trimmed(v.m, 2)} m",
        lambda v: f"{_whole_from(_WHOLE_FEET_FROM, v.m / M_PER_FOOT)} ft",
    ),
    Area: (
        lambda v: f"{trimmed(v.m2, 2)} m²",
        lambda v: f"{trimmed(v.m2 * SQUARE_FEET_PER_M2, 1)} sq ft",
    ),
    Volume: (
        lambda v: f"{trimmed(v.litres, v.digits)} L",
        lambda v: f"{_whole_from(_WHOLE_GALLONS_FROM, v.litres * GALLONS_PER_LITRE)} gal",
    ),
    Bulk: (lambda v: f"{trimmed(v.litres, 0)} L", _bulk_imperial),
    Mass: (_mass_metric, _mass_imperial),
    Dose: (
        lambda v: f"{trimmed(v.g, 0)} g" if v.g < 1000 else f"{trimmed(v.g / 1000, 1)} kg",
        lambda v: f"{trimmed(v.g / 1000 * OZ_PER_KG, 1)} oz",
    ),
    Load: (
        lambda v: f"{trimmed(v.kg_per_m2, 0)} kg per m²",
        lambda v: f"{trimmed(v.kg_per_m2 * LB_PER_KG / SQUARE_FEET_PER_M2, 0)} lb per sq ft",
    ),
    Rain: (
        lambda v: f"{trimmed(v.mm, 1)} mm",
        lambda v: f"{trimmed(v.mm / MM_PER_INCH, 2)} in",
    ),
    Speed: (
        lambda v: f"{trimmed(v.m_per_s, 0)} m/s",
        lambda v: f"{trimmed(v.m_per_s * MPH_PER_M_S, 0)} mph",
    ),
    Temperature: (
        lambda v: f"{trimmed(v.c, 1)} {'K' if v.difference else '°C'}",
        _fahrenheit,
    ),
    Money: (lambda v: trimmed(v.amount, 0), lambda v: trimmed(v.amount, 0)),
    Share: (lambda v: f"{trimmed(v.of_one * 100, 0)} %",) * 2,
    Number: (lambda v: trimmed(v.value, v.digits),) * 2,
}


def written(measure: object, system: UnitSystem) -> str | None:
    """A measure with its unit, as the grower reads it; None for what is no measure."""
    ways = _SAID.get(type(measure))
    if ways is None:
        return None
    metric, imperial = ways
    return imperial(measure) if system == "imperial" else metric(measure)

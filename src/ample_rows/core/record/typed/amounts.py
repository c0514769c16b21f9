"""The amounts of a typed line: weight, pieces, plants counted, minutes."""

import re
from dataclasses import dataclass

KG = {"kg": 1.0, "g": 0.001, "lb": 0.45359237, "lbs": 0.45359237, "oz": 0.028349523}
PIECES = ("pieces", "piece", "pcs", "x", "heads", "head", "fruits", "fruit")
_PLANTS = ("plants", "plant", "seedlings", "seedling")
_MINUTES = {
    **dict.fromkeys(("min", "mins", "minutes", "minute"), 1.0),
    **dict.fromkeys(("h", "hour", "hours"), 60.0),
}
# What is counted in these is told in words: no entry has a field for it.
_TOLD = (
    *("l", "litres?", "liters?", "ml", "gal", "gallons?", "quarts?", "cu", "sq", "cans?"),
    *("buckets?", "barrows?", "bags?", "scoops?", "handfuls?", "cm", "mm", "m", "inch", "inches"),
    *("ft", "feet", "days?", "weeks?", "months?", "years?", "degrees?", "seeds?", "rows?"),
)
UNITS = "|".join((*KG, *PIECES, *_PLANTS, *_MINUTES))
_NUMBER = r"\d+(?:[.,]\d+)?"
_NO_AMOUNT = rf"(?!\s*(?:(?:{'|'.join(_TOLD)})(?!\w)|[°%]))"
_AMOUNT = re.compile(rf"(?<![\w.,])({_NUMBER}|[.,]\d+){_NO_AMOUNT}\s*({UNITS})?\b", re.I)
BELOW_NOTHING = re.compile(rf"(?<!\S)[-−]{_NUMBER}\b{_NO_AMOUNT}\s*(?:{UNITS})?\b", re.I)
_MOST = 1e9
_LEAST_G = 10


@dataclass(frozen=True, slots=True)
class Amounts:
    """What a line says how much of, and the line without it; `bare_whole` where that is one whole
    number without a unit."""

    kg: float | None
    pieces: int | None
    count: int | None
    minutes: float | None
    left: str
    bare_whole: bool = False

    @property
    def weighed(self) -> bool:
        """Whether something was put on the scale, or counted as it was picked."""
        return self.kg is not None or self.pieces is not None


def amounts(text: str, unit: str | None) -> Amounts:
    """The amounts of a line.

    Args:
        unit: Of a bare number: one of kg, g, lb, oz, pieces or plants; None where one is part of
            the words.
    """
    kg, pieces, count, minutes = None, None, None, None
    found = _AMOUNT.findall(text)
    for number, named in found:
        value = min(float(number.replace(",", ".")), _MOST)
        of = (named or unit or "").lower()
        if not named and of == "g" and value < _LEAST_G and not value.is_integer():
            # Nobody weighs parts of a gram: "0.35" after grams is of a kilogram again.
            of = "kg"
        if of in KG:
            kg = (kg or 0.0) + value * KG[of]
        elif of in _MINUTES:
            minutes = (minutes or 0.0) + value * _MINUTES[of]
        elif of in _PLANTS:
            count = round(value)
        elif of:
            pieces = round(value)
    kg = None if kg is None else round(kg, 4)
    left = _AMOUNT.sub(lambda found: " " if found[2] or unit else found[0], text)
    bare_whole = len(found) == 1 and not found[0][1] and found[0][0].isdigit()
    return Amounts(kg, pieces, count, minutes, left, bare_whole)

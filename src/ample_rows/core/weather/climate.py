"""A garden's normals: from a made-up climate, or from a table as a weather service gives it."""

import re
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any

from ample_rows.core.book import MadeUpClimate
from ample_rows.core.plan import Climate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words import csv_text

MONTHS = 12
_KEYS = ("tmin_c", "tmax_c", "rain_mm", "vapour_kpa", "wind_m_per_s", "sunshine_hours")
_MM_PER_INCH = 25.4
_M_PER_S_PER_MPH = 0.44704
_M_PER_S_PER_KMH = 1 / 3.6


def _same(value: float) -> float:
    return value


def _celsius(fahrenheit: float) -> float:
    return (fahrenheit - 32) / 1.8


@dataclass(frozen=True)
class Column:
    """A column that is understood: the key it fills, the heads that name it, its other units."""

    key: str
    heads: tuple[str, ...]
    least: float
    most: float
    units: tuple[tuple[str, Callable[[float], float]], ...] = ()


COLUMNS: tuple[Column, ...] = (
    Column("tmin_c", ("tmin", "min", "low", "lowest"), -90, 60, (("f", _celsius),)),
    Column("tmax_c", ("tmax", "max", "high", "highest"), -90, 60, (("f", _celsius),)),
    Column(
        "rain_mm",
        ("rain", "precipitation", "rainfall"),
        0,
        5_000,
        (("in", lambda v: v * _MM_PER_INCH), ("cm", lambda v: v * 10)),
    ),
    Column("vapour_kpa", ("vapour", "vapor"), 0, 10, (("hpa", lambda v: v / 10),)),
    Column(
        "wind_m_per_s",
        ("wind",),
        0,
        60,
        (("mph", lambda v: v * _M_PER_S_PER_MPH), ("km", lambda v: v * _M_PER_S_PER_KMH)),
    ),
    Column("sunshine_hours", ("sunshine", "sun"), 0, 24),
)


def made_up(climate: MadeUpClimate, latitude: float) -> Climate:
    """A made-up climate where the garden lies: half a year later south of the equator."""

    def here(months: Sequence[float]) -> tuple[float, ...]:
        half = MONTHS // 2
        return tuple(months) if latitude >= 0 else (*months[half:], *months[:half])

    return Climate(**{key: here(getattr(climate, key)) for key in _KEYS})


# Heads in the other measures, and how they are come to; what has none stands as it is.
_IMPERIAL: dict[str, tuple[str, Callable[[float], float]]] = {
    "tmin_c": ("low F", lambda c: c * 1.8 + 32),
    "tmax_c": ("high F", lambda c: c * 1.8 + 32),
    "rain_mm": ("rain in", lambda mm: mm / _MM_PER_INCH),
    "wind_m_per_s": ("wind mph", lambda v: v / _M_PER_S_PER_MPH),
}


def climate_csv(climate: Climate, *, imperial: bool = False) -> str:
    """Twelve rows, January first, units in the heads."""
    keys = [key for key in _KEYS if getattr(climate, key) is not None]
    said = {key: (key, _same) for key in keys} | (_IMPERIAL if imperial else {})
    rows = [["month", *(said[key][0] for key in keys)]]
    for month in range(MONTHS):
        values = (said[key][1](getattr(climate, key)[month]) for key in keys)
        rows.append([str(month + 1), *(f"{value:g}" for value in values)])
    return "".join(",".join(row) + "\n" for row in rows)


def read_climate(text: str) -> Climate:
    """Normals from a table with a head and a row for each month, January first.

    Commas, semicolons or tabs part the columns; where they are not commas, decimals may be.
    A head may name its unit: "low F", "rain (in)", "wind mph".

    Raises:
        PlanFaultsError: What is wrong, with its line and column.
    """
    table = list(csv_text.rows(text))
    if not table:
        raise PlanFaultsError.one("line 1", "is empty; a table of monthly normals is wanted")
    (_, head), *rows = table
    columns = [_column(name) for name in head]
    if not any(columns):
        heads = ", ".join(column.heads[0] for column in COLUMNS)
        raise PlanFaultsError.one("line 1", f"names no column that is known; use {heads}")
    if len(rows) != MONTHS:
        raise PlanFaultsError.one("the table", f"has {len(rows)} months; twelve are wanted")
    values: dict[str, list[float]] = {}
    for number, row in rows:
        for index, column_read in enumerate(columns):
            if column_read is None:
                continue
            column, convert = column_read
            where = f"line {number}, {head[index].strip()}"
            value = convert(_number(row[index] if index < len(row) else "", where))
            if not column.least <= value <= column.most:
                raise PlanFaultsError.one(
                    where, f"{value:g} cannot be; {column.least:g} to {column.most:g} can"
                )
            values.setdefault(column.key, []).append(round(value, 2))
    _require_order(values)
    parts: dict[str, Any] = {key: tuple(months) for key, months in values.items()}
    return Climate(**parts)


def _column(head: str) -> tuple[Column, Callable[[float], float]] | None:
    words = re.findall(r"[a-z]+", head.lower())
    for column in COLUMNS:
        if any(word in column.heads for word in words):
            unit = next((turn for name, turn in column.units if name in words), _same)
            return column, unit
    return None


def _number(text: str, where: str) -> float:
    plain = text.strip().replace("\u2212", "-").replace(",", ".")
    if not re.fullmatch(r"[-+]?\d+(\.\d+)?", plain):
        raise PlanFaultsError.one(where, f'"{text.strip()}" is not a number')
    return float(plain)


def _require_order(values: dict[str, list[float]]) -> None:
    pairs = zip(values.get("tmin_c", ()), values.get("tmax_c", ()), strict=False)
    for month, (low, high) in enumerate(pairs):
        if low > high:
            raise PlanFaultsError.one(
                f"line {month + 2}", f"the low of {low:g} is above the high of {high:g}"
            )

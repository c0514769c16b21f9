"""`sun`: hours of direct sun on a day, on every cell of a plan and on points of its ground."""

import json
import re
import sys
from datetime import date

from ample_rows.cli.estimate import FAULT, read
from ample_rows.core.book.own import own_book
from ample_rows.core.checks import read_plan
from ample_rows.core.plan import PointM
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.site.sun_of_day import SunOfDay, sun_of_day
from ample_rows.crops import load_book

_NUMBER = r"[+-]?(?:\d+\.?\d*|\.\d+)"
_POINT = re.compile(rf"({_NUMBER}),({_NUMBER})")
MOST_M = 100_000


def sun(source: str, *, day: str, points: str | None, as_json: bool) -> int:
    """Print the day's sun. Status 2, nothing printed, and one line a fault if it cannot be."""
    book = load_book()
    try:
        plan = read_plan(read(source), book)
        answer = sun_of_day(plan, _day(day), _points(points or ""), own_book(book, plan))
    except (OSError, ValueError, PlanFaultsError) as error:
        print(_words(error), file=sys.stderr)
        return FAULT
    if as_json:
        print(json.dumps(_document(answer)))
    else:
        print(_table(answer))
    return 0


def _words(error: Exception) -> str:
    if isinstance(error, OSError):
        return f"{error.filename}: {error.strerror or error}"
    return str(error)


def _day(text: str) -> date:
    try:
        return date.fromisoformat(text)
    except ValueError:
        raise ValueError(f'--day: "{text}" is not a day; write it as 2027-05-15') from None


def _points(text: str) -> list[PointM]:
    points = []
    for index, part in enumerate(text.split()):
        match = _POINT.fullmatch(part)
        point = (float(match[1]), float(match[2])) if match else None
        if point is None or max(map(abs, point)) > MOST_M:
            raise ValueError(
                f'--points[{index}]: "{part}" is not a point; write x,y in site metres'
            )
        points.append(point)
    return points


def _document(answer: SunOfDay) -> dict[str, object]:
    return {
        "format": "ample-rows/sun",
        "version": 1,
        "day": answer.day.isoformat(),
        "places": [
            {"id": place.id, "hours": place.hours, "cells": place.cells} for place in answer.places
        ],
        "points": [{"at_m": list(point.at_m), "hours": point.hours} for point in answer.points],
    }


def _table(answer: SunOfDay) -> str:
    lines = [f"Direct sun on {answer.day}, hours"]
    for place in answer.places:
        if place.hours is None or not place.cells:
            lines.append(f"{place.label[:24]:26}not known: its spot in the yard is not given")
        else:
            least, most = min(place.cells.values()), max(place.cells.values())
            lines.append(f"{place.label[:24]:26}{place.hours:5.1f}  ({least:.1f} to {most:.1f})")
    lines += [
        f"{x:g},{y:g}".ljust(26) + f"{p.hours:5.1f}" for p in answer.points for x, y in [p.at_m]
    ]
    return "\n".join(lines)

"""How much building takes of everything but cut boards: sheets, posts, pots, lines, sprayers."""

import math
from collections import defaultdict
from collections.abc import Iterator, Sequence

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.carpentry.frame import Frame, bent_cm, sheet_of, walled
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.soil.breaking import broken

_DUST_M2 = 1e-6

Chosen = Sequence[tuple[p.Place, PlaceReport]]


def amounts_of(chosen: Chosen, frames: list[Frame], build: p.Build, book: Book) -> dict[str, float]:
    """Metres, square metres or pieces of everything but cut boards."""
    total: dict[str, float] = defaultdict(float)
    heights = {b.material: b.height_cm for b in build.boards}
    usual = book.value("usual_board_cm")
    for frame in frames:
        total["post"] += frame.posts * frame.post_cm / 100
        walling = book.materials[frame.material].walling
        if walling is not None:
            total[frame.material] += walled(frame, walling)
        elif frame.bent_cm:
            total[frame.material] += bent_cm(frame, heights.get(frame.material, usual)) / 100
    for place, _ in chosen:
        sheet = sheet_of(place, book)
        if sheet is not None:
            total[sheet.material] += sheet.area_m2
        if place.kind == "container" and place.material in book.materials:
            total[place.material] += 1
    hired = sum(
        broken(place, r.inside_area_m2, r.layers.loosened_cm, book).machine_hours
        for place, r in chosen
    )
    if hired:
        # A machine is hired by the day, for all places together.
        total["machine-hire"] += math.ceil(hired / book.value("hire_day_hours") - _DUST_M2)
    for material, amount in _watering(chosen, book):
        # What is carried round is bought once.
        total[material] = max(1.0, total[material]) if amount is None else total[material] + amount
    return total


def _watering(chosen: Chosen, book: Book) -> Iterator[tuple[str, float | None]]:
    """Parts that the chosen ways to water take; None for one piece for all places."""
    for place, report in chosen:
        way = book.water_ways.get(place.watered_by or "")
        if way is None or way.material is None or report.water is None:
            continue
        if way.carried_round:
            yield way.material, None
            continue
        lines = report.water.lines
        yield "header-pipe", lines.header_m
        if way.piece_waters_m2 is None:
            yield way.material, lines.line_m
        else:
            yield way.material, math.ceil(report.inside_area_m2 / way.piece_waters_m2 - _DUST_M2)
            yield "header-pipe", lines.line_m

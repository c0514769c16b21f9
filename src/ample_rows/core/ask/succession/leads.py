"""Where a trailing crop can be led: over the path beside it, and over places once they are free."""

from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date
from typing import Any

import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.edits import (
    ChangePlace,
    ChangePlanting,
    Edit,
    Together,
)
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import grid_of, held_cells, span_words
from ample_rows.core.planting.cases import Evaluated, PlaceCase
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.site.frame import outer_ring_m
from ample_rows.core.words.message import Text, message

TRAIT = "trails"
_LEAST_KG = 0.05
_CM2_A_M2 = 1e4


@dataclass(frozen=True, slots=True)
class Lead:
    """One way to lead it: from a day on over so much ground, what it then gives, and the edit."""

    label: Text
    since: date
    m2: float
    kg: float
    more_kg: float
    edit: Edit


@dataclass(frozen=True, slots=True)
class Leads:
    """Ways to lead a crop, best first; `back` takes it back where it is led now.

    `words` tell why there are none, and what to heed where there are.
    """

    ways: tuple[Lead, ...]
    back: Edit | None
    words: Text


@dataclass(frozen=True)
class _Trailing:
    """A planting that trails, with the days that its vines run and that it is cleared."""

    estimate: Estimate
    planting: p.Planting
    here: PlaceCase
    now: Evaluated
    runs: date

    @property
    def book(self) -> Book:
        return self.estimate.book

    @property
    def until(self) -> date:
        return self.now.dates.clear


def leads_of(estimate: Estimate, planting_id: str) -> Leads:
    """Where a planting's vines could run.

    Raises:
        UnknownPartError: There is no such planting.
    """
    plan, book = estimate.plan, estimate.book
    planting = estimate.planting(planting_id)
    here = estimate.place(planting.place)
    alone = planting.model_copy(update={"led_over": None})
    now = evaluate_planting(alone, here)
    if TRAIT not in now.crop.traits:
        return Leads((), None, message("leads-does-not-trail", crop=now.crop.name))
    if planting.support is not None:
        return Leads((), None, message("leads-climbs-support-what-led"))
    grows = (now.dates.due - now.dates.start).days
    runs = now.dates.start + days(grows * book.value("vines_run_share"))
    trailing = _Trailing(estimate, alone, here, now, runs)
    ways = [*_beside(trailing), *_over_places(trailing)]
    ways.sort(key=lambda way: -way.more_kg)
    words = message("leads-nobody-walks-or-works")
    return Leads(
        tuple(ways), _back(plan, planting), words if ways else message("leads-no-ground-free-time")
    )


def _most_m2(trailing: _Trailing) -> float:
    return trailing.now.report.plants * trailing.book.value("vine_covers_m2")


def _beside(trailing: _Trailing) -> Iterator[Lead]:
    """Over the path along its longer side, or hanging from a pot's rim."""
    box = shapes.bounds(trailing.here.place.shape)
    along = max(box.width, box.length) / 100
    m2 = min(_most_m2(trailing), along * trailing.book.value("path_beside_m"))
    yield from _lead(
        trailing,
        message("leads-path-beside"),
        trailing.runs,
        m2,
        None,
        where="the path beside it",
    )


def _over_places(trailing: _Trailing) -> Iterator[Lead]:
    for place in trailing.estimate.plan.places:
        if place.id == trailing.planting.place or not _in_reach(trailing, place):
            continue
        standing = trailing.estimate.result(place.id).plantings
        free = _free_from(place, standing, trailing.runs, trailing.until)
        leads = [lead for since in free for lead in _over(trailing, place, since, free[since])]
        yield from sorted(leads, key=lambda lead: -lead.more_kg)[:1]


def _in_reach(trailing: _Trailing, place: p.Place) -> bool:
    """Whether vines get there; places that are not drawn in the yard are taken to be near."""
    rings = [outer_ring_m(trailing.here.place), outer_ring_m(place)]
    if any(ring is None for ring in rings):
        return True
    one, other = (shapely.Polygon(ring) for ring in rings)
    return bool(one.distance(other) <= trailing.book.value("vine_reach_m"))


def _free_from(
    place: p.Place, standing: tuple[PlantingReport, ...], since: date, until: date
) -> dict[date, tuple[str, ...]]:
    """Squares by the day from which they stay free up to another, earlier ones among later."""
    held = held_cells(place)
    by_day: dict[date, list[str]] = defaultdict(list)
    for address in grid_of(place).cells:
        ends = [
            r.clear_date or until
            for r in standing
            if address in r.cells and r.start_date < until and (r.clear_date or until) > since
        ]
        free = max([since, *ends])
        if free < until and address not in held:
            by_day[free].append(address)
    days = sorted(by_day)
    return {day: tuple(a for d in days if d <= day for a in by_day[d]) for day in days}


def _over(
    trailing: _Trailing, place: p.Place, since: date, cells: tuple[str, ...]
) -> Iterator[Lead]:
    """Over as many of a place's free squares as its vines cover."""
    squares, most = grid_of(place).cells, _most_m2(trailing)
    taken: list[str] = []
    m2 = 0.0
    for address in cells:
        area = squares[address].area_cm2 / _CM2_A_M2
        if m2 + area > most:
            break
        taken.append(address)
        m2 += area
    if taken:
        label = f"{place.label} {span_words(tuple(taken))}"
        reason = f"{trailing.now.crop.name} runs over it"
        rest: dict[str, Any] = {
            "cells": taken,
            "since": since.isoformat(),
            "until": trailing.until.isoformat(),
            "reason": reason,
        }
        rests = [*(p.document(known_rest) for known_rest in place.rests), rest]
        keep = ChangePlace(id=place.id, changes={"rests": rests})
        yield from _lead(trailing, label, since, m2, keep, where=label)


def _lead(
    trailing: _Trailing,
    label: Text,
    since: date,
    m2: float,
    keep: ChangePlace | None,
    *,
    where: str,
) -> Iterator[Lead]:
    """One way, where it is worth it."""
    if m2 <= 0:
        return
    m2 = round(m2, 2)
    led = p.LedOver(m2=m2, since=since, where=where[:120])
    tried = evaluate_planting(trailing.planting.model_copy(update={"led_over": led}), trailing.here)
    kg, before = tried.report.harvest_kg.p50, trailing.now.report.harvest_kg.p50
    if kg - before < _LEAST_KG:
        return
    change = ChangePlanting(id=trailing.planting.id, changes={"led_over": p.document(led)})
    edit: Edit = change if keep is None else Together(edits=[change, keep])
    yield Lead(label, since, m2, kg, kg - before, edit)


def _back(plan: p.Plan, planting: p.Planting) -> Edit | None:
    """Take a crop back from where it is led; the ground that was kept for it is free again."""
    led = planting.led_over
    if led is None:
        return None
    edits: list[Edit] = [ChangePlanting(id=planting.id, changes={"led_over": None})]
    for place in plan.places:
        rests = [r for r in place.rests if not _kept_for(r, place, led)]
        if len(rests) < len(place.rests):
            changes = {"rests": [p.document(rest) for rest in rests] or None}
            edits.append(ChangePlace(id=place.id, changes=changes))
    return Together(edits=edits)


def _kept_for(rest: p.Rest, place: p.Place, led: p.LedOver) -> bool:
    cells = rest.cells if isinstance(rest.cells, tuple) else ()
    return rest.since == led.since and led.where == f"{place.label} {span_words(cells)}"[:120]

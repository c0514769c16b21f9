"""Plantings that could stand in a zone: each wanted crop, from each half-month in which it may be
started, in one, two, four, eight or sixteen units of ground, with what it gives week by week.

The figures are those of the estimate, asked for once each: what a date makes of a crop in one
soil, how many plants stand in so much ground and how crowded, and what each soil's depth and sun
do to them. A candidate's harvest is their product.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import timedelta

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.ask.fill.ground import Strip, Zone
from ample_rows.core.ask.fill.halves import Halves
from ample_rows.core.ask.pantry.wants import root_of
from ample_rows.core.ask.what_fits.shelf import (
    Asked,
    NextUse,
    against_ground,
    probe_of,
    support_over,
    tried_as,
    why_not,
)
from ample_rows.core.book import Crop
from ample_rows.core.calendar.windows import start_windows
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.patience import carry_on
from ample_rows.core.place.families import too_soon
from ample_rows.core.place.idle import growing_weeks
from ample_rows.core.planting.cases import Judged
from ample_rows.core.planting.evaluated import light_on, weekly_of
from ample_rows.core.planting.set_out import case_of, set_out
from ample_rows.core.words.message import Text, message

Floats = NDArray[np.float64]

WIDTHS = (1, 2, 4, 8, 16)


@dataclass(frozen=True, eq=False)
class Candidate:
    """A planting that could stand in a zone: so many units wide, from the beginning of one
    half-month up to that of another. `cell_weeks` are those in growing weather in which it stands,
    from its start until it is cleared; `gives` is what is picked in each week. [kg]"""

    zone: int
    crop: str
    root: str
    family: str
    start: p.Start
    support: str | None
    width: int
    begins: int
    ends: int
    squares: int
    cell_weeks: float
    gives: Floats


@dataclass(frozen=True)
class Candidates:
    """All of them, and of each crop that has none why not."""

    every: tuple[Candidate, ...]
    against: dict[str, Text]


def candidates_of(
    estimate: Estimate, zones: Sequence[Zone], crops: Sequence[str], halves: Halves
) -> Candidates:
    """Every planting of some crops that some zones could hold."""
    every: list[Candidate] = []
    against: dict[str, Text] = {}
    for crop_id in crops:
        crop = estimate.book.crops[crop_id]
        if crop.perennial is not None:
            against[crop_id] = message("fill-stays-for-years", crop=crop.name)
            continue
        asking = _Asking(estimate, halves, crop)
        found: list[Candidate] = []
        for number, zone in enumerate(zones):
            carry_on()
            found += asking.of(number, zone)
        every += found
        if not found:
            usual = message("fill-no-window", crop=crop.name)
            against[crop_id] = asking.reasons[-1] if asking.reasons else usual
    return Candidates(tuple(every), against)


@dataclass(frozen=True, eq=False)
class _Soil:
    """A crop in the soil of some zones: judged on one day in the least ground that holds a plant,
    and the weight of each width, in plants that have all the room and depth they want."""

    strip: Strip
    judged: Judged
    least: int
    weights: Mapping[int, float]


class _Asking:
    """One crop asked of one zone after another; `reasons` gathers what stands against it."""

    def __init__(self, estimate: Estimate, halves: Halves, crop: Crop) -> None:
        self.estimate, self.halves, self.crop = estimate, halves, crop
        self.reasons: list[Text] = []
        self._open: dict[int, list[p.Start]] = {}
        self._soils: dict[int, _Soil | None] = {}
        self._first_of: dict[object, _Soil] = {}
        self._on: dict[tuple[int, p.Start, int], tuple[Judged, Text]] = {}
        self._gives: dict[Judged, Floats] = {}

    def of(self, number: int, zone: Zone) -> Iterator[Candidate]:
        """All its candidates in a zone."""
        strip, year = zone.first, self.estimate.setting.year
        every = [address for unit in strip.units for address in unit]
        place, book = self.estimate.place(strip.place).place, self.estimate.book
        again = too_soon(place, self.crop.family, every, year.start.year, book)
        if again is not None:
            self.reasons.append(again.words)
            return
        opens = [half for half in range(*strip.window) if self._starts(half)]
        if not opens:
            return
        soil = self._soil(zone, opens[0])
        if soil is None:
            return
        for half in opens:
            tried = [self._judged_on(soil, start, half) for start in self._starts(half)]
            self.reasons.extend(reason for _, reason in tried if reason)
            sound = [judged for judged, reason in tried if not reason]
            if sound:
                best = max(sound, key=lambda judged: judged.harvest_kg.p50)
                yield from self._of_all_widths(number, zone, soil, best, half)

    def _starts(self, half: int) -> list[p.Start]:
        """Ways to start it that its windows let begin with a half-month."""
        if half not in self._open:
            day, year = self.halves.begins[half], self.estimate.setting.year
            self._open[half] = [
                start
                for start in self.crop.starts
                if any(
                    w.holds(day)
                    for w in start_windows(year, self.crop.id, start, self.estimate.book)
                )
            ]
        return self._open[half]

    def _asked(self, strip: Strip, width: int, half: int) -> Asked:
        return Asked(
            here=self.estimate.place(strip.place).alone,
            cells=tuple(address for unit in strip.units[:width] for address in unit),
            day=self.halves.begins[half],
            use=NextUse(None, None),
            held=(),
        )

    def _soil(self, zone: Zone, half: int) -> _Soil | None:
        """The crop in a zone's soil; None where that is not for it."""
        if zone.soil not in self._soils:
            self._soils[zone.soil] = self._tried_in(zone.first, half)
        return self._soils[zone.soil]

    def _tried_in(self, strip: Strip, half: int) -> _Soil | None:
        support = support_over(self._asked(strip, 1, half), self.crop) if strip.support else None
        first: Judged | None = None
        weights: dict[int, float] = {}
        for width in (width for width in WIDTHS if width <= len(strip.units)):
            asked = self._asked(strip, width, half)
            if first is not None and asked.place.kind != "container":
                case = case_of(
                    probe_of(asked, self.crop, first.planting.start, support), asked.here
                )
                stands, deep = set_out(case), first.outcome.depth.factor
            else:
                judged = tried_as(asked, self.crop, self._starts(half)[0], support)
                stands, deep = judged.stands, judged.outcome.depth.factor
                reason = against_ground(judged)
                if reason:
                    self.reasons.append(reason)
                    continue
                first = first or judged
            weights[width] = stands.plants * stands.density * deep
        weights = {width: weight for width, weight in weights.items() if weight > 0}
        if first is None or not weights:
            return None
        return _Soil(strip, first, min(weights), weights)

    def _judged_on(self, soil: _Soil, start: p.Start, half: int) -> tuple[Judged, Text]:
        """What a date makes of it, in the first soil of the same air and support, and what then
        stands against it."""
        case = soil.judged.case
        alike = (case.setting.year, case.support and case.support.system)
        first = self._first_of.setdefault(alike, soil)
        key = (id(first), start, half)
        if key not in self._on:
            asked = self._asked(first.strip, first.least, half)
            judged = tried_as(asked, self.crop, start, first.judged.planting.support)
            self._on[key] = judged, why_not(judged, asked)
        return self._on[key]

    def _of_all_widths(
        self, number: int, zone: Zone, soil: _Soil, best: Judged, half: int
    ) -> Iterator[Candidate]:
        crop, halves, stands = self.crop, self.halves, best.stands
        ends = halves.after(best.dates.clear + timedelta(days=round(crop.turn_round_days)))
        weight = stands.plants * stands.density * best.outcome.depth.factor
        light = best.outcome.factors.light
        if ends > zone.first.window[1] or weight * light <= 0:
            return
        if best not in self._gives:
            self._gives[best] = halves.picked(weekly_of(best))
        lit = light_on(soil.judged, best.dates) / light
        year, book = self.estimate.setting.year, self.estimate.book
        weeks = growing_weeks(best.dates.start, best.dates.clear, year, book)
        for width, of_width in soil.weights.items():
            if width > len(zone.first.units):
                continue
            yield Candidate(
                zone=number,
                crop=crop.id,
                root=root_of(crop),
                family=crop.family,
                start=best.planting.start,
                support=soil.judged.planting.support,
                width=width,
                begins=half,
                ends=max(half + 1, ends),
                squares=width * len(zone.first.units[0]),
                cell_weeks=weeks * width * zone.unit_squares,
                gives=self._gives[best] * (of_width / weight * lit),
            )

"""Plantings that could stand in a zone: each wanted crop, from each half-month in which it may be
started, in one, two, four, eight or sixteen units of ground, with what it gives week by week.

The figures are those of the estimate. How many plants stand in so much ground is asked once for
a crop, what a date makes of them once for each date.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from datetime import timedelta

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.ask.fill.ground import Zone
from ample_rows.core.ask.fill.halves import Halves
from ample_rows.core.ask.pantry.wants import root_of
from ample_rows.core.ask.what_fits.shelf import Asked, NextUse, support_over, tried_as, why_not
from ample_rows.core.book import Crop
from ample_rows.core.calendar.windows import start_windows
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.patience import carry_on
from ample_rows.core.place.families import too_soon
from ample_rows.core.planting.cases import Judged
from ample_rows.core.planting.evaluated import weekly_of
from ample_rows.core.words.message import Text, message

Floats = NDArray[np.float64]

WIDTHS = (1, 2, 4, 8, 16)


@dataclass(frozen=True, eq=False)
class Candidate:
    """A planting that could stand in a zone: so many units wide, from the beginning of one
    half-month up to that of another. `gives` is what is picked in each week. [kg]"""

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
        known = _Known()
        if crop.perennial is not None:
            against[crop_id] = message("fill-stays-for-years", crop=crop.name)
            continue
        reasons: list[Text] = []
        found: list[Candidate] = []
        for number, zone in enumerate(zones):
            carry_on()
            found += _Asking(estimate, halves, number, zone, crop, known, reasons).found()
        every += found
        if not found:
            usual = message("fill-no-window", crop=crop.name)
            against[crop_id] = reasons[-1] if reasons else usual
    return Candidates(tuple(every), against)


@dataclass(frozen=True)
class _Known:
    """What is known of a crop: how it does by soil, start, width and half-month, and what is
    picked of it week by week. [kg]"""

    judged: dict[tuple[int, p.Start, int, int], tuple[Judged, Text]] = field(default_factory=dict)
    opens: dict[int, list[p.Start]] = field(default_factory=dict)
    gives: dict[Judged, Floats] = field(default_factory=dict)


@dataclass(frozen=True)
class _Asking:
    """One crop asked of one zone; `reasons` gathers what stands against it."""

    estimate: Estimate
    halves: Halves
    number: int
    zone: Zone
    crop: Crop
    known: _Known
    reasons: list[Text]

    def found(self) -> Iterator[Candidate]:
        strip, year, crop = self.zone.first, self.estimate.setting.year, self.crop
        every = [address for unit in strip.units for address in unit]
        place, book = self.estimate.place(strip.place).place, self.estimate.book
        again = too_soon(place, crop.family, every, year.start.year, book)
        if again is not None:
            self.reasons.append(again.words)
            return
        wide: dict[int, float] | None = None
        for half in range(*strip.window):
            starts = self._open_on(half)
            if starts and wide is None:
                wide = self._by_width(starts[0], half)
            if not starts or not wide:
                continue
            tried = [self._tried(start, min(wide), half) for start in starts]
            sound = [judged for judged, reason in tried if not reason]
            self.reasons.extend(reason for _, reason in tried if reason)
            if sound:
                best = max(sound, key=lambda judged: judged.harvest_kg.p50)
                yield from self._of_all_widths(best, half, wide)

    def _open_on(self, half: int) -> list[p.Start]:
        """Ways to start it that its windows let begin with a half-month."""
        if half not in self.known.opens:
            self.known.opens[half] = self._opening_on(half)
        return self.known.opens[half]

    def _opening_on(self, half: int) -> list[p.Start]:
        day, year, book = self.halves.begins[half], self.estimate.setting.year, self.estimate.book
        return [
            start
            for start in self.crop.starts
            if any(w.holds(day) for w in start_windows(year, self.crop.id, start, book))
        ]

    def _tried(self, start: p.Start, width: int, half: int) -> tuple[Judged, Text]:
        key = (self.zone.soil, start, width, half)
        if key not in self.known.judged:
            self.known.judged[key] = self._judged(start, width, half)
        return self.known.judged[key]

    def _judged(self, start: p.Start, width: int, half: int) -> tuple[Judged, Text]:
        strip = self.zone.first
        asked = Asked(
            here=self.estimate.place(strip.place).alone,
            cells=tuple(address for unit in strip.units[:width] for address in unit),
            day=self.halves.begins[half],
            use=NextUse(None, None),
            held=(),
        )
        support = support_over(asked, self.crop) if strip.support else None
        judged = tried_as(asked, self.crop, start, support)
        return judged, why_not(judged, asked)

    def _by_width(self, start: p.Start, half: int) -> dict[int, float]:
        """What each width gives against the least that holds a plant, for one date."""
        kilograms: dict[int, float] = {}
        for width in WIDTHS:
            if width > len(self.zone.first.units):
                break
            judged, reason = self._tried(start, width, half)
            if judged.stands.plants and judged.harvest_kg.p50 > 0:
                kilograms[width] = judged.harvest_kg.p50
            elif reason:
                self.reasons.append(reason)
        least = min(kilograms, default=0)
        return {width: kg / kilograms[least] for width, kg in kilograms.items()}

    def _of_all_widths(
        self, best: Judged, half: int, wide: dict[int, float]
    ) -> Iterator[Candidate]:
        crop, halves, zone = best.crop, self.halves, self.zone
        ends = halves.after(best.dates.clear + timedelta(days=round(crop.turn_round_days)))
        if ends > zone.first.window[1]:
            return
        if best not in self.known.gives:
            self.known.gives[best] = halves.picked(weekly_of(best))
        gives = self.known.gives[best]
        for width, times in wide.items():
            yield Candidate(
                zone=self.number,
                crop=crop.id,
                root=root_of(crop),
                family=crop.family,
                start=best.planting.start,
                support=best.planting.support,
                width=width,
                begins=half,
                ends=max(half + 1, ends),
                squares=width * len(zone.first.units[0]),
                gives=gives * times,
            )

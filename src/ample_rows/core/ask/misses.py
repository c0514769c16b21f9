"""What explains that less came of a planting than was estimated, from what was entered of it."""

from collections.abc import Iterable, Iterator, Sequence
from datetime import date
from itertools import pairwise

from ample_rows.core.book import Crop
from ample_rows.core.planting.harvest import hours_of_light
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import Entry, tells_loss
from ample_rows.core.record.parts import WeatherSeen
from ample_rows.core.soil.roots import having_of
from ample_rows.core.words.message import Count, Length, Message, Number, Share, Volume, message

_LATE_DAYS = 10
_FEW = 0.8
_MANY = 1.3
_GAP_TIMES = 2.5
_LEAST_GAP_DAYS = 8
_MOST_SEEN = 2
# A place that takes less than this from a crop is none to look at first.
_TAKEN_SHARE = 0.95
# No shade and no soil explains that next to nothing came.
_LEAST_SHARE = 0.25


def reasons(
    report: PlantingReport,
    crop: Crop,
    told: Sequence[Entry],
    weather: Sequence[WeatherSeen],
    *,
    kg: float,
) -> Iterator[Message]:
    """What explains a miss, the surest first.

    Args:
        told: What was entered of the planting.
        kg: What was picked of it.
    """
    picked = sorted((e for e in told if e.kind == "picked"), key=lambda entry: entry.day)
    yield from _late(report, picked)
    yield from _frosted(report, crop, weather)
    yield from _few_or_many(report, told)
    yield from _picked_late(crop, picked)
    for entry in [e for e in told if e.kind == "seen" and e.text][:_MOST_SEEN]:
        yield message("miss-seen", text=entry.text or "", day=entry.day)
    share = kg / report.harvest_kg.p50 if report.harvest_kg.p50 > 0 else 1.0
    if _LEAST_SHARE <= share < 1:
        yield from _shaded(report, crop, share)
        yield from _shallow(report, crop, share)


def stood_of(told: Iterable[Entry], plants: int) -> int | None:
    """How many stand by what was counted: what came up or was left when it was thinned, what was
    set out besides, less what was lost; None where nothing was counted.

    Args:
        plants: Those of the plan, of which some were lost where nothing was counted before.
    """
    stood: int | None = None
    adds = False
    for entry in sorted(told, key=lambda entry: entry.day):
        if entry.count is None:
            continue
        if entry.kind == "set-out":
            stood = (stood or 0) + entry.count if adds else entry.count
            adds = True
        elif entry.kind in {"up", "thinned"}:
            stood, adds = entry.count, False
        elif tells_loss(entry):
            stood = max(0, (plants if stood is None else stood) - entry.count)
            adds = True
    return stood


def lost_of(told: Iterable[Entry]) -> int:
    """How many plants were entered as lost."""
    return sum(entry.count or 0 for entry in told if tells_loss(entry))


def _shaded(report: PlantingReport, crop: Crop, share: float) -> Iterator[Message]:
    """The sun that would explain it, where the place takes some of a crop's harvest already."""
    reckoned, factor = report.light.useful_hours, report.light.factor
    if reckoned is not None and factor < _TAKEN_SHARE:
        hours = hours_of_light(crop, factor * share)
        yield message("miss-shade", hours=Number(hours, 1), reckoned=Number(reckoned, 1))


def _shallow(report: PlantingReport, crop: Crop, share: float) -> Iterator[Message]:
    """The soil that would explain it, where there is too little of it for a full harvest."""
    depth = report.depth
    if depth.factor >= _TAKEN_SHARE or depth.factor <= 0:
        return
    factor, at_least = depth.factor * share, crop.least_depth_factor
    if depth.governed_by == "litres" and depth.litres_per_plant is not None:
        litres = having_of(
            factor, least=crop.least_litres, full=crop.full_litres, at_least=at_least
        )
        has = Volume(depth.litres_per_plant, 1)
        yield message("miss-small", litres=Volume(litres, 1), reckoned=has)
    else:
        cm = having_of(factor, least=depth.least_cm, full=depth.full_cm, at_least=at_least)
        yield message("miss-shallow", deep=Length(cm), reckoned=Length(depth.usable_cm))


def _late(report: PlantingReport, picked: Sequence[Entry]) -> Iterator[Message]:
    if picked and report.first_pick is not None:
        late = (picked[0].day - report.first_pick).days
        if late >= _LATE_DAYS:
            yield message("miss-late", days=Count(late, "day"))


def _frosted(
    report: PlantingReport, crop: Crop, weather: Sequence[WeatherSeen]
) -> Iterator[Message]:
    if crop.frost == "hardy":
        return
    end = report.clear_date or date.max
    nights = [w.day for w in weather if w.frost and report.start_date <= w.day <= end]
    if nights:
        yield message("miss-frost", day=min(nights))


def _few_or_many(report: PlantingReport, told: Sequence[Entry]) -> Iterator[Message]:
    stood = stood_of(told, report.plants)
    if stood is None:
        return
    gone = lost_of(told)
    if gone:
        yield message("miss-lost", lost=Count(gone, "plant"))
    if stood < _FEW * report.stand_expected:
        share = Share(stood / report.stand_expected)
        yield message("miss-few", stood=Count(stood, "plant"), share=share)
    elif stood > _MANY * report.plants and not any(e.kind == "thinned" for e in told):
        yield message("miss-crowded", stood=Count(stood, "plant"), room=report.plants)


def _picked_late(crop: Crop, picked: Sequence[Entry]) -> Iterator[Message]:
    """Long gaps between pickings of what wants to be picked often."""
    if crop.picking.kind not in {"continuous", "cut-and-come-again"} or len(picked) < 3:
        return
    gaps = sorted((b.day - a.day).days for a, b in pairwise(picked))
    usual, longest = gaps[len(gaps) // 2], gaps[-1]
    if longest >= _LEAST_GAP_DAYS and longest > _GAP_TIMES * max(1, usual):
        yield message("miss-picked-late", days=Count(longest, "day"))

"""Sowing a stand: seeds a station, what is thinned, and the chance of a gap."""

import math
from dataclasses import dataclass, replace

from ample_rows.core.book import Crop
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Count, Message, Number, Span, Text, message, sentences

_SURE = 0.9


@dataclass(frozen=True, slots=True)
class Sowing:
    """How a planting is sown and thinned.

    `gap_share` is the chance that nothing comes up at a station, `gaps` the stations left bare
    on average and `gaps_at_most` nine times in ten; `thinned` are the seedlings taken out.
    """

    stations: int
    seeds_each: int
    keep: int
    seeds: int
    gap_share: float
    gaps: float
    gaps_at_most: int
    thinned: float
    words: Text


def sowing_of(report: PlantingReport, crop: Crop, per_station: int) -> Sowing | None:
    """The sowing of a planting; null where nothing is sown in its place."""
    if report.seeds_to_sow == 0 or report.sow_indoors is not None or report.plants == 0:
        return None
    stations = report.plants // per_station
    each = report.seeds_to_sow // stations
    gap = math.pow(1 - crop.emergence, each / per_station)
    comes_up = stations * each * crop.emergence
    thinned = max(0.0, comes_up - report.plants * (1 - gap))
    sowing = Sowing(
        stations=stations,
        seeds_each=each,
        keep=per_station,
        seeds=report.seeds_to_sow,
        gap_share=gap,
        gaps=stations * gap,
        gaps_at_most=_at_most(stations, gap),
        thinned=thinned,
        words="",
    )
    return replace(sowing, words=_words(sowing, report.layout, crop))


def _words(sowing: Sowing, layout: str, crop: Crop) -> Message:
    """The sowing plan as one says it to a helper."""
    parts = [
        message(
            "sown-each",
            seeds=Count(sowing.seeds_each, "seed"),
            stations=Count(sowing.stations, "station"),
        )
    ]
    if layout == "band":
        parts = [message("sown-band", seeds=Count(sowing.seeds, "seed"))]
    elif sowing.seeds_each > sowing.keep:
        days = Span(Number(crop.germination_days.low), Number(crop.germination_days.high))
        parts.append(
            message(
                "sown-up-warm-soil-thin",
                days=days,
                keep=sowing.keep,
                thinned=Number(sowing.thinned, 0),
            )
        )
    if sowing.gaps >= 0.5:
        parts.append(
            message(
                "sown-expect-bare-nine-times",
                gaps=Number(sowing.gaps, 0),
                gaps_at_most=sowing.gaps_at_most,
            )
        )
    else:
        parts.append(message("sown-bare-station-unlikely"))
    return sentences(*parts)


def _at_most(stations: int, gap: float) -> int:
    """The least number of gaps that is not passed nine times in ten (binomial)."""
    if gap <= 0:
        return 0
    if gap >= 1:
        return stations
    log_odds = math.log(gap) - math.log1p(-gap)
    term = stations * math.log1p(-gap)
    total, count = math.exp(term), 0
    while total < _SURE and count < stations:
        term += math.log((stations - count) / (count + 1)) + log_odds
        count += 1
        total += math.exp(term)
    return count

"""Sowing a stand: seeds a station, what is thinned, and the chance of a gap."""

import math
from dataclasses import dataclass, replace

from ample_rows.core.book import Crop
from ample_rows.core.planting.report import PlantingReport

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
    words: str


def sowing_of(report: PlantingReport, crop: Crop, per_station: int) -> Sowing | None:
    """The sowing of a planting; null where nothing is sown in its place."""
    if report.seeds_to_sow == 0 or report.sow_indoors is not None or report.plants == 0:
        return None
    stations = report.plants // per_station
    each = report.seeds_to_sow // stations
    gap = math.pow(1 - crop.emergence, each / per_station)
    comes_up = stations * each * crop.emergence
    thinned = max(0.0, comes_up - report.plants * (1 - gap))
    found = Sowing(
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
    return replace(found, words=_words(found, report.layout, crop))


def _words(sowing: Sowing, layout: str, crop: Crop) -> str:
    """The sowing plan as one says it to a helper."""
    some = f"{sowing.seeds_each} seeds" if sowing.seeds_each > 1 else "1 seed"
    many = f"{sowing.stations} stations" if sowing.stations > 1 else "1 station"
    parts = [f"{some} at each of {many}."]
    if layout == "band":
        parts = [f"{sowing.seeds} seeds strewn over the band, and left as they come up."]
    elif sowing.seeds_each > sowing.keep:
        days = f"{crop.germination_days.low:g} to {crop.germination_days.high:g} days"
        kept = "the strongest" if sowing.keep == 1 else f"the strongest {sowing.keep}"
        parts.append(
            f"Up in {days} of warm soil; thin to {kept} before leaves touch,"
            f" about {sowing.thinned:.0f} come out."
        )
    if sowing.gaps >= 0.5:
        parts.append(
            f"Expect {sowing.gaps:.0f} bare, nine times in ten no more than {sowing.gaps_at_most};"
            " sow a few spare at an end to fill them."
        )
    else:
        parts.append("A bare station is unlikely.")
    return " ".join(parts)


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

"""What each planting of a crop gives, week by week: which of them makes a glut or a gap."""

from dataclasses import dataclass
from datetime import date

from ample_rows.core.ask.pantry.lacking import grown
from ample_rows.core.ask.pantry.supply import WeekBand, seasons_of, weekly_bands
from ample_rows.core.ask.pantry.wants import root_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import span_words
from ample_rows.core.planting.harvest import Quantiles


@dataclass(frozen=True, slots=True)
class PlantingSupply:
    """One planting of a crop: where it stands, when it starts, and what it gives by week. [kg]"""

    planting: str
    place: str
    where: str
    name: str
    start_date: date
    harvest_kg: Quantiles
    weeks: tuple[WeekBand, ...]


def planting_supplies(estimate: Estimate, crop: str) -> tuple[PlantingSupply, ...]:
    """Every planting of a crop, its kinds among them, by the day that it starts."""
    seasons = seasons_of(estimate.setting.seed, estimate.book)
    own = [(place, e) for place, there in grown(estimate) for e in there if root_of(e.crop) == crop]
    return tuple(
        PlantingSupply(
            planting=e.planting.id,
            place=place.id,
            where=f"{place.label} {span_words(e.report.cells)}".strip(),
            name=e.report.name,
            start_date=e.report.start_date,
            harvest_kg=e.report.harvest_kg,
            weeks=weekly_bands([e], seasons),
        )
        for place, e in sorted(own, key=lambda pair: pair[1].report.start_date)
    )

"""The sum behind the likely harvest of a planting, one line a term."""

import math

from ample_rows.core.book import Crop
from ample_rows.core.calendar.season import Dates
from ample_rows.core.planting.cases import Case, Light, Outcome
from ample_rows.core.words.working import Term, crop_source

_CROWDING = "Shinozaki and Kira 1956"
_TRAINED = "against its usual way"
_LOST_SAID = 0.05
_UNRECORDED = "no weights recorded here yet"


def planting_working(case: Case, outcome: Outcome, total_kg: float) -> tuple[Term, ...]:
    """The sum behind the likely harvest, one term a line."""
    crop, laid, factors = case.crop, outcome.laid, outcome.factors
    spread = crop.yield_kg_per_plant
    typical = spread.typical if spread else 0.0
    survive = outcome.expected / laid.plants if laid.plants else 0.0

    def source(group: str) -> str:
        return crop_source(crop.sources, group)

    stand_how = f"{laid.how}, {laid.spacing_cm:.3g} cm apart"
    living = "gaps and losses by the crop's usual share"
    yield_how = (
        f"low {spread.low:g}, high {spread.high:g}" if spread else "not grown for its weight"
    )
    lines: tuple[tuple[str, float, str, str, str, str], ...] = (
        ("plants", laid.plants, "", stand_how, "Lattice count", "stand"),
        ("expected to live", survive, "×", living, source("time"), "living"),
        ("typical yield", typical, "kg", yield_how, source("yield"), "yield"),
        ("crowding", factors.density, "×", laid.density_how, _CROWDING, "crowding"),
        ("depth", factors.depth, "×", outcome.depth.how, source("roots"), "depth"),
        ("light", factors.light, "×", _light_words(crop, outcome.light), source("light"), "light"),
        ("season", factors.season, "×", _season_words(outcome.dates), source("time"), "season"),
        ("training", factors.training, "×", _TRAINED, source("yield"), "training"),
        ("own record", factors.own, "×", _UNRECORDED, "This garden", "own"),
        (
            "likely harvest",
            total_kg,
            "kg",
            "the terms multiplied",
            "Median of all seasons",
            "range",
        ),
    )
    return tuple(Term(*line) for line in lines)


def _light_words(crop: Crop, light: Light) -> str:
    if light.useful_hours is None:
        return "hours of sun not known; taken as enough"
    need = f"{crop.full_sun_hours:g} h in full, {crop.least_sun_hours:g} h least"
    words = f"{light.useful_hours:.3g} h of {need}; {light.how}"
    if light.lost >= _LOST_SAID:
        words += f"; {light.lost:.1f} h stay behind the {light.behind}"
    if light.cooled > 1:
        words += f"; spared hot afternoons, × {light.cooled:.2f}"
    return words


def _season_words(dates: Dates) -> str:
    share = math.floor(dates.picked_share * 100 + 0.5)
    words = f"{share} % of the picking falls before "
    words += "frost" if dates.killed_by_frost else "clearing"
    if dates.frost_survival < 0.995:
        words += f"; spring frost spares it {dates.frost_survival * 100:.0f} times in 100"
    return words

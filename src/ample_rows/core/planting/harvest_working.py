"""The sum behind the likely harvest of a planting, one line a term."""

from ample_rows.core.book import Crop
from ample_rows.core.calendar.dates import Dates
from ample_rows.core.planting.cases import Case, Light, Outcome
from ample_rows.core.words.message import Length, Message, Number, Share, Text, clauses, message
from ample_rows.core.words.working import Term, crop_source

_CROWDING = message("harvest-working-shinozaki-kira")
_TRAINED = message("harvest-working-against-usual-way")
_LOST_SAID = 0.05
_UNRECORDED = message("harvest-working-no-weights-recorded-here")


def planting_working(case: Case, outcome: Outcome, total_kg: float) -> tuple[Term, ...]:
    """The sum behind the likely harvest, one term a line."""
    crop, laid, factors = case.crop, outcome.laid, outcome.factors
    spread = crop.yield_kg_per_plant
    typical = spread.typical if spread else 0.0
    survive = outcome.expected / laid.plants if laid.plants else 0.0

    def source(group: str) -> str:
        return crop_source(crop.sources, group)

    stand_how = message("harvest-working-apart", how=laid.how, spacing=Length(laid.spacing_cm))
    living = message("harvest-working-gaps-losses-crop-usual")
    yield_how = (
        message("harvest-working-low-high", low=Number(spread.low), high=Number(spread.high))
        if spread
        else message("harvest-working-not-grown-weight")
    )
    lines: tuple[tuple[Text, float, str, Text, Text, str], ...] = (
        (
            message("harvest-working-plants"),
            laid.plants,
            "",
            stand_how,
            message("harvest-working-lattice-count"),
            "stand",
        ),
        (message("harvest-working-expected-live"), survive, "×", living, source("time"), "living"),
        (
            message("harvest-working-typical-yield"),
            typical,
            "kg",
            yield_how,
            source("yield"),
            "yield",
        ),
        (
            message("harvest-working-crowding"),
            factors.density,
            "×",
            laid.density_how,
            _CROWDING,
            "crowding",
        ),
        (
            message("harvest-working-depth"),
            factors.depth,
            "×",
            outcome.depth.how,
            source("roots"),
            "depth",
        ),
        (
            message("harvest-working-light"),
            factors.light,
            "×",
            _light_words(crop, outcome.light),
            source("light"),
            "light",
        ),
        (
            message("harvest-working-season"),
            factors.season,
            "×",
            _season_words(outcome.dates),
            source("time"),
            "season",
        ),
        (
            message("harvest-working-training"),
            factors.training,
            "×",
            _TRAINED,
            source("yield"),
            "training",
        ),
        (
            message("harvest-working-own-record"),
            factors.own,
            "×",
            _UNRECORDED,
            message("harvest-working-garden"),
            "own",
        ),
        (
            message("harvest-working-likely-harvest"),
            total_kg,
            "kg",
            message("harvest-working-terms-multiplied"),
            message("harvest-working-median-all-seasons"),
            "range",
        ),
    )
    return tuple(Term(*line) for line in lines)


def _light_words(crop: Crop, light: Light) -> Message:
    if light.useful_hours is None:
        return message("harvest-working-hours-sun-not-known")
    need = message(
        "harvest-working-full-least",
        full_sun_hours=Number(crop.full_sun_hours),
        least_sun_hours=Number(crop.least_sun_hours),
    )
    hours = message(
        "harvest-working-h-of", useful_hours=Number(light.useful_hours, 1), need=need, how=light.how
    )
    behind = cooled = None
    if light.lost >= _LOST_SAID:
        behind = message(
            "harvest-working-stay-behind", lost=Number(light.lost, 1), behind=light.behind
        )
    if light.cooled > 1:
        cooled = message("harvest-working-spared-hot-afternoons", cooled=Number(light.cooled, 2))
    return clauses(hours, behind, cooled)


def _season_words(dates: Dates) -> Message:
    before = "frost" if dates.killed_by_frost else "clearing"
    picked = message(
        "harvest-working-picking-falls-before", share=Share(dates.picked_share), before=before
    )
    spared = None
    if dates.frost_survival < 0.995:
        spared = message(
            "harvest-working-spring-frost-spares-times", springs=round(dates.frost_survival * 100)
        )
    return clauses(picked, spared)

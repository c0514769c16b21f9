"""The sum behind the likely harvest of a planting, one line a term."""

from collections.abc import Iterator

from ample_rows.core.book import Crop
from ample_rows.core.planting.cases import Case, Light, Outcome
from ample_rows.core.planting.chances import HEAT_SAID
from ample_rows.core.planting.own import own_of
from ample_rows.core.words.message import (
    Count,
    Length,
    Message,
    Number,
    Share,
    Text,
    clauses,
    message,
    verbatim,
)
from ample_rows.core.words.working import Term, crop_source

Line = tuple[Text, float, str, Text, Text, str]

_LOST_SAID = 0.05
_ALL_WINTERS = 0.995
# What each line is called, and where its figure comes from where that is always the same.
_PLANTS = message("harvest-working-plants")
_COUNT = message("harvest-working-lattice-count")
_LIVING = message("harvest-working-expected-live")
_FOR_SEED = message("harvest-working-for-seed")
_KITCHEN = message("harvest-working-nothing-for-kitchen")
_LIVING_HOW = message("harvest-working-gaps-losses-crop-usual")
_TYPICAL = message("harvest-working-typical-yield")
_NO_WEIGHT = message("harvest-working-not-grown-weight")
_CROWDING = message("harvest-working-crowding")
_CROWDING_LAW = message("harvest-working-shinozaki-kira")
_DEPTH = message("harvest-working-depth")
_LIGHT = message("harvest-working-light")
_SEASON = message("harvest-working-season")
_TRAINING = message("harvest-working-training")
_TRAINED = message("harvest-working-against-usual-way")
_OWN = message("harvest-working-own-record")
_UNRECORDED = message("harvest-working-no-weights-recorded-here")
_THIS_GARDEN = message("harvest-working-garden")
_LIKELY = message("harvest-working-likely-harvest")
_SEASONS = message("harvest-working-seasons-differ")
_UNLIKE = message("harvest-working-middle-season")
_SEASONS_SAID = 0.005
_MULTIPLIED = message("harvest-working-terms-multiplied")
_MEDIAN = message("harvest-working-median-all-seasons")


def planting_working(case: Case, outcome: Outcome, total_kg: float) -> tuple[Term, ...]:
    """The sum behind the likely harvest, one term a line."""
    crop, stands, factors = case.crop, outcome.stands, outcome.factors
    spread = crop.yield_kg_per_plant
    typical = spread.typical if spread else 0.0
    survive = outcome.expected / stands.plants if stands.plants else 0.0
    roots, light, time, gives = (
        crop_source(crop.sources, group) for group in ("roots", "light", "time", "yield")
    )
    stand_how = message("harvest-working-apart", how=stands.how, spacing=Length(stands.spacing_cm))
    yield_how = (
        message("harvest-working-low-high", low=Number(spread.low), high=Number(spread.high))
        if spread
        else _NO_WEIGHT
    )
    light_how, season_how = _light_words(crop, outcome.light), _season_words(case, outcome)
    likely = outcome.expected * typical * factors.product
    lines: tuple[Line, ...] = (
        (_PLANTS, stands.plants, "", stand_how, _COUNT, "stand"),
        (_LIVING, survive, "×", _LIVING_HOW, time, "living"),
        (_TYPICAL, typical, "kg", yield_how, gives, "yield"),
        (_CROWDING, factors.density, "×", stands.density_how, _CROWDING_LAW, "crowding"),
        (_DEPTH, factors.depth, "×", outcome.depth.how, roots, "depth"),
        (_LIGHT, factors.light, "×", light_how, light, "light"),
        (_SEASON, factors.season, "×", season_how, time, "season"),
        (_TRAINING, factors.training, "×", _TRAINED, gives, "training"),
        (_OWN, factors.own, "×", _own_words(case), _THIS_GARDEN, "own"),
        *_bad_years(case, outcome),
        *([(_FOR_SEED, 0.0, "×", _KITCHEN, _COUNT, "stand")] if case.planting.for_seed else ()),
        (_SEASONS, total_kg / likely if likely else 1.0, "×", _UNLIKE, _MEDIAN, "cold"),
        (_LIKELY, total_kg, "kg", _MULTIPLIED, _MEDIAN, "range"),
    )
    return tuple(
        Term(name=name, value=value, unit=unit, how=how, source=source, rule=rule)
        for name, value, unit, how, source, rule in lines
        if name is not _SEASONS or abs(value - 1) >= _SEASONS_SAID
    )


def _own_words(case: Case) -> Message:
    own = own_of(case.setting.own, case.crop, case.book)
    if not own.n:
        return _UNRECORDED
    return message("harvest-working-own-learnt", n=Count(own.n, "planting"))


def _bad_years(case: Case, outcome: Outcome) -> Iterator[Line]:
    """The years in which most of it is lost, in the sum as seasons among the others."""
    for risk in outcome.lot.risks:
        bad = case.book.bad_years[risk.name]
        how = message("harvest-working-bad-year", takes=Share(risk.loses))
        if risk.chance != risk.usual:
            how = message(
                "harvest-working-bad-year-here", takes=Share(risk.loses), usual=Share(risk.usual)
            )
        name = message("harvest-working-bad-years", trouble=verbatim(bad.label))
        source = message("harvest-working-bad-years-table")
        yield name, risk.chance * 100, "years in 100", how, source, "bad_years"


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


def _season_words(case: Case, outcome: Outcome) -> Message:
    dates, season = outcome.dates, outcome.chances.season
    before = "frost" if dates.killed_by_frost else "clearing"
    picked = message(
        "harvest-working-picking-falls-before", share=Share(season.picked), before=before
    )
    warmth = spared = None
    if case.setting.year.normals.tmin_c is not None:
        climate = case.book.climates[case.crop.days_from].label
        warmth = message("harvest-working-warmth", warmth=Number(season.warmth, 2), climate=climate)
    hot = None
    if outcome.chances.weeks.in_heat < HEAT_SAID:
        hot = message("harvest-working-hot-spell", share=Share(outcome.chances.weeks.in_heat))
    if season.winter < _ALL_WINTERS:
        spared = message("harvest-working-winter-leaves", share=Share(season.winter))
    age = None
    if dates.year_of_life is not None and dates.bears < 1:
        age = message("harvest-working-age", year=dates.year_of_life + 1, share=Share(dates.bears))
    return clauses(age, picked, warmth, hot, spared)

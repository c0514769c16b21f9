"""One planting evaluated: stand, depth, light, season, training, and the harvest they give."""

from dataclasses import replace
from datetime import date, timedelta
from functools import lru_cache

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.book import Crop
from ample_rows.core.calendar.dates import Dates, dates_of
from ample_rows.core.calendar.season import relief
from ample_rows.core.calendar.soil_warmth import days_to_come_up, estimated_c
from ample_rows.core.calendar.windows import Window, start_window
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.patience import carry_on
from ample_rows.core.planting import harvest, varieties
from ample_rows.core.planting.bad_years import risks_of
from ample_rows.core.planting.cases import (
    Case,
    CropShade,
    Evaluated,
    Judged,
    Light,
    Outcome,
    PlaceCase,
    SetOut,
    Sharing,
)
from ample_rows.core.planting.chances import chances_of
from ample_rows.core.planting.growth import growth_of
from ample_rows.core.planting.harvest import Factors, Lot
from ample_rows.core.planting.harvest_working import planting_working
from ample_rows.core.planting.own import own_of
from ample_rows.core.planting.pieces import Standing, pieces_of
from ample_rows.core.planting.report import (
    DepthReport,
    LightReport,
    PlantingReport,
    WindowReport,
)
from ample_rows.core.planting.set_out import case_of, set_out, some_of
from ample_rows.core.soil import roots
from ample_rows.core.soil.roots import DepthResult
from ample_rows.core.structures import supports
from ample_rows.core.structures.cover_light import light_taken
from ample_rows.core.words.message import Share, message

_CM2_PER_M2 = 1e4


def evaluate_planting(planting: p.Planting, here: PlaceCase) -> Evaluated:
    """All that can be said of one planting from its place, the shade on it and what shares its
    squares; kept, so that an edit of one planting leaves those as they are that it does not
    touch."""
    carry_on()
    return evaluate_beside(*_beside(planting, here))


def judge_planting(planting: p.Planting, here: PlaceCase) -> Judged:
    """A planting of one kind judged as `evaluate_planting` does, and not written up; kept."""
    carry_on()
    return judge_beside(*_beside(planting, here))


_Beside = tuple[p.Planting, PlaceCase, CropShade | None, Sharing | None]


def _beside(planting: p.Planting, here: PlaceCase) -> _Beside:
    """A planting with its place alone, the shade on it and what shares its squares."""
    alone = here.alone.counting((planting,))
    return planting, alone, here.shade_on(planting.id), here.sharing_of(planting.id)


@lru_cache(maxsize=768)
def judge_beside(
    planting: p.Planting, here: PlaceCase, shade: CropShade | None, sharing: Sharing | None
) -> Judged:
    case = case_of(planting, here, shade=shade, sharing=sharing)
    return _judged(case, set_out(case))


@lru_cache(maxsize=768)
def evaluate_beside(
    planting: p.Planting, here: PlaceCase, shade: CropShade | None, sharing: Sharing | None
) -> Evaluated:
    if not planting.varieties:
        return _evaluated(judge_beside(planting, here, shade, sharing))
    case = case_of(planting, here, shade=shade, sharing=sharing)
    stands = set_out(case)
    runs = varieties.runs_of(planting, stands)
    parts = []
    for run in runs:
        kind = planting.model_copy(update={"variety": run.variety, "varieties": ()})
        of_run = case_of(kind, here, shade=shade, sharing=sharing)
        some = some_of(stands, case, of_run, run.start, run.stop)
        parts.append((run, _evaluated(_judged(of_run, some))))
    return varieties.together(case, parts) if parts else _evaluated(_judged(case, stands))


def _judged(case: Case, stands: SetOut) -> Judged:
    outcome = _outcome(case, stands)
    total = harvest.planting_quantiles(
        outcome.lot,
        case.crop,
        outcome.scale,
        had=outcome.chances.had,
        draws=outcome.draws,
        book=case.book,
    )
    return Judged(case, outcome, total)


def _evaluated(judged: Judged) -> Evaluated:
    case, outcome = judged.case, judged.outcome
    crop, support = case.crop, case.support
    return Evaluated(
        planting=case.planting,
        crop=crop,
        report=_report(judged),
        dates=outcome.dates,
        depth=outcome.depth,
        lot=outcome.lot,
        chances=outcome.chances,
        draws=outcome.draws,
        climbs_without_support=case.lies_down,
        lone_support=support is not None and crop.training(support.system) is None,
    )


def _outcome(case: Case, stands: SetOut) -> Outcome:
    crop, book, year = case.crop, case.book, case.setting.year
    dates = dates_of(case.planting, crop, year, book, picking=crop.picking_scale(case.training))
    depth = _depth(case, stands, dates)
    light = _light(case, stands, dates)
    trained = crop.training(case.training) if case.training else None
    risks = risks_of(year, case.place, crop, stands.taken, dates, book=book)
    own = own_of(case.setting.own, crop, book)
    lot = Lot(case.setting.seed, crop.id, case.place.id, stands.plants, risks, own.known)
    chances = chances_of(year, crop, case.planting.start, dates, lot=lot, book=book)
    factors = Factors(
        density=stands.density if stands.plants else 1.0,
        depth=depth.factor,
        light=harvest.light_factor(crop, light.useful_hours) * light.cooled,
        season=chances.season.product,
        training=trained.harvest_factor if trained else 1.0,
        own=own.factor,
    )
    # What came by itself is up already.
    begun = "up" if case.planting.came_by_itself else case.planting.start
    expected = harvest.expected_stand(crop, stands.plants, begun, stands.per_station)
    scale = harvest.weight_in_plants(
        expected, factors, chances.even, for_seed=case.planting.for_seed
    )
    draws = harvest.harvest_draws(lot=lot, crop=crop, scale=scale, had=chances.had, book=book)
    return Outcome(stands, dates, depth, light, factors, chances, lot, scale, expected, draws)


def light_on(judged: Judged, dates: Dates) -> float:
    """What the sun of its ground would leave of a planting between other dates."""
    light = _light(judged.case, judged.stands, dates)
    return harvest.light_factor(judged.case.crop, light.useful_hours) * light.cooled


def _light(case: Case, stands: SetOut, dates: Dates) -> Light:
    """The sun on a planting's own squares while it stands: as observed, else as reckoned; less
    what covers take."""
    light = _uncovered_light(case, stands, dates)
    taken = light_taken(case.place, stands.taken, dates, case.book)
    if taken == 0 or light.hours is None or light.useful_hours is None:
        return light
    return replace(
        light,
        hours=light.hours * (1 - taken),
        useful_hours=light.useful_hours * (1 - taken),
        how=message("evaluated-less-covers", how=light.how, taken=Share(taken)),
        cooled=max(light.cooled, _cooled(case, dates, taken)),
    )


def _uncovered_light(case: Case, stands: SetOut, dates: Dates) -> Light:
    seen, sun = case.place.sun_hours, case.sun
    if seen is not None:
        return Light(seen, seen, message("evaluated-counted-here"))
    if sun is None:
        return Light(None, None, "")
    hours = sun.mean_between(stands.taken, dates.start, dates.clear)
    useful = sun.useful_between(stands.taken, dates.start, dates.clear)
    how = message("evaluated-sun-above-squares-long")
    yard = sun.afternoon_taken(stands.taken, dates.start, dates.clear)
    if case.shade is None:
        return Light(hours, useful, how, cooled=_cooled(case, dates, yard))
    plain, lost = sun.lost_between(np.array(case.shade.lost_hours), dates.start, dates.clear)
    late, _ = sun.lost_between(np.array(case.shade.afternoon_share), dates.start, dates.clear)
    return Light(
        hours=max(0.0, hours - plain),
        useful_hours=max(0.0, useful - lost),
        how=how,
        lost=min(useful, lost),
        behind=case.shade.mostly,
        cooled=_cooled(case, dates, 1 - (1 - yard) * (1 - late)),
    )


def _cooled(case: Case, dates: Dates, late_share: float) -> float:
    return relief(case.setting.year, case.crop, dates, late_share, case.book)


def _depth(case: Case, stands: SetOut, dates: Dates) -> DepthResult:
    place = case.place
    litres = None
    if place.kind == "container" and stands.plants:
        share = min(1.0, stands.region_cm2 / (shapes.inside_area_m2(place.shape) * 1e4))
        if case.sharing and stands.asked_share:
            share *= stands.asked_share / (stands.asked_share + case.sharing.asked)
        litres = shapes.soil_litres(place) * share / stands.plants
    return roots.judge_depth(
        case.crop,
        roots.soil_depth(place, case.book, on=dates.start, trees_share=case.trees_share).usable_cm,
        roots.depth_policy(place, case.setting.policies, case.book),
        litres_per_plant=litres,
    )


def window_of(judged: Judged) -> Window:
    """When its crop can be started so here: the spell that lies nearest to its own start."""
    case = judged.case
    start, near = case.planting.start, judged.dates.start
    return start_window(case.setting.year, case.crop, start, case.book, near=near)


def weekly_of(judged: Judged) -> tuple[harvest.WeekKg, ...]:
    """Its likely harvest week by week."""
    return harvest.weekly(judged.outcome.dates, _peaked(judged.case), judged.harvest_kg.p50)


def _report(judged: Judged) -> PlantingReport:
    case, outcome, total = judged.case, judged.outcome, judged.harvest_kg
    planting, crop, stands, dates = case.planting, case.crop, outcome.stands, outcome.dates
    year, window = case.setting.year, window_of(judged)
    sown = planting.start in ("sow", "transplant") and crop.seeds_per_station is not None
    bought = not planting.came_by_itself
    spread = crop.yield_kg_per_plant
    counted = Standing(outcome.expected, outcome.chances, total)
    pieces = pieces_of(crop, counted)
    weeks = weekly_of(judged)
    soil_c = _soil_c(case)
    full_height = supports.full_height_cm(crop, case.support, case.book)
    return PlantingReport(
        id=planting.id,
        place=case.place.id,
        crop=crop.id,
        name=crop.name,
        mark=crop.mark,
        family=crop.family,
        plants=stands.plants,
        positions_cm=_each_plant(stands),
        stand_expected=outcome.expected,
        spacing_cm=stands.spacing_cm,
        layout=stands.layout,
        between=planting.between,
        setting_out=stands.how,
        seeds_to_sow=_seeds(stands, crop) if sown and bought else 0,
        sets_to_plant=stands.plants if bought and not sown else 0,
        sow_indoors=_sow_indoors(planting, crop),
        sowing_depth_cm=_sowing_depth_cm(planting, crop),
        soil_c=soil_c,
        comes_up_days=_comes_up_days(case, soil_c),
        buried_stem_cm=crop.buried_stem_cm if bought and planting.start == "transplant" else None,
        edible_root_cm=crop.edible_root_cm,
        before_sowing=crop.before_sowing if bought else None,
        cells=stands.taken,
        depth=DepthReport.of(outcome.depth),
        light=_light_report(outcome),
        training=case.training,
        window=WindowReport(window.earliest, window.latest, window.how),
        start_date=planting.start_date,
        first_pick=dates.first_pick,
        last_pick=dates.last_pick,
        clear_date=dates.clear,
        harvest_kg=total,
        kg_per_plant=spread.typical * outcome.factors.product if spread and outcome.scale else 0.0,
        pieces=pieces.p50 if pieces else None,
        pieces_low=pieces.p10 if pieces else None,
        pieces_high=pieces.p90 if pieces else None,
        weekly_kg=weeks,
        year=harvest.year_parts(weeks, year.start, year.end),
        factors=outcome.factors,
        season=outcome.chances.season,
        survival=outcome.chances.survival,
        casts_shade=full_height >= case.book.value("casts_from_cm"),
        growth=growth_of(planting, crop, dates, full_height_cm=full_height, book=case.book),
        by_variety=(),
        working=planting_working(case, outcome, total.p50),
    )


def _soil_c(case: Case) -> float | None:
    """The usual warmth of the soil where seed is laid, on its day. [°C]"""
    planting, crop = case.planting, case.crop
    if planting.start != "sow" or crop.sowing_depth_cm is None:
        return None
    year, depth = case.setting.year, crop.sowing_depth_cm
    return estimated_c(year, case.place, planting.start_date, depth, case.book)


def _sowing_depth_cm(planting: p.Planting, crop: Crop) -> float | None:
    laid = planting.start in ("sow", "set") and not planting.came_by_itself
    return crop.sowing_depth_cm if laid else None


def _comes_up_days(case: Case, soil_c: float | None) -> float | None:
    """Days until seed comes up: by the soil's warmth, else the slower of the book's."""
    if case.planting.start != "sow":
        return None
    slow = case.crop.germination_days.high
    if soil_c is None:
        return slow
    return days_to_come_up(case.crop, soil_c, case.book) or slow


def _light_report(outcome: Outcome) -> LightReport:
    light = outcome.light
    return LightReport(
        hours=light.hours,
        useful_hours=light.useful_hours,
        factor=outcome.factors.light,
        lost_to_neighbours=light.lost,
        behind=light.behind,
    )


def _peaked(case: Case) -> bool:
    return case.book.picking_shapes[case.crop.picking.kind].peaked


def _each_plant(stands: SetOut) -> tuple[Point, ...]:
    if stands.per_station == 1:
        return stands.positions
    return tuple(point for point in stands.positions for _ in range(stands.per_station))


def _seeds(stands: SetOut, crop: Crop) -> int:
    """Seeds to sow; what is sown broadcast by its weight for the ground."""
    if crop.broadcast_g_m2 and crop.thousand_seed_g:
        grams = crop.broadcast_g_m2 * stands.region_cm2 / _CM2_PER_M2
        return round(1_000 * grams / crop.thousand_seed_g)
    return len(stands.positions) * max(crop.seeds_per_station or 1, stands.per_station)


def _sow_indoors(planting: p.Planting, crop: Crop) -> date | None:
    raised = planting.start == "transplant" and not planting.came_by_itself
    if not raised or crop.weeks_indoors is None:
        return None
    return planting.start_date - timedelta(days=round(crop.weeks_indoors * 7))

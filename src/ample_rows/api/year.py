"""Routes of the year: jobs about a day and as a calendar, waves, and the pantry."""

from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from typing import Annotated, cast
from urllib.parse import quote

from fastapi import APIRouter, Query, Request, Response
from icalendar import Calendar, Event

from ample_rows.api.door import Door
from ample_rows.api.gardens import Garden, HeavyGarden, file_answer
from ample_rows.api.label_pdf import label_pdf
from ample_rows.api.problems import RESPONSES
from ample_rows.api.state import ShelfRequest
from ample_rows.core.ask.days_ahead import Advice, advice_for
from ample_rows.core.ask.jobs.behind import Behind, replanned
from ample_rows.core.ask.jobs.chores import ProposedChore, usual_chores
from ample_rows.core.ask.jobs.hours import Hours, hours_of
from ample_rows.core.ask.jobs.job import Job
from ample_rows.core.ask.jobs.plant_labels import plant_labels
from ample_rows.core.ask.jobs.year import (
    Series,
    jobs_of,
    series_of,
    weeks_about,
)
from ample_rows.core.ask.pantry.by_planting import PlantingSupply, planting_supplies
from ample_rows.core.ask.pantry.earnings import Earnings, earnings_of
from ample_rows.core.ask.pantry.factors import CropFactors, crop_factors
from ample_rows.core.ask.pantry.lacking import grown, of_each_crop
from ample_rows.core.ask.pantry.pantry import Pantry, pantry_of
from ample_rows.core.ask.remedies import Remedy, remedies
from ample_rows.core.ask.succession.follow import Follow, following
from ample_rows.core.ask.succession.leads import Leads, leads_of
from ample_rows.core.ask.succession.mixed_start import mixed_start
from ample_rows.core.ask.succession.sprinkle import MOST_SPRINKLED, Sprinkled, sprinkle
from ample_rows.core.ask.succession.waves import MOST_WAVES, Waves, waves_of
from ample_rows.core.calendar.soil_of_day import soil_of_day
from ample_rows.core.calendar.soil_warmth import SoilWarmth
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.plan.values import one_line
from ample_rows.core.weather.days import DayWeather
from ample_rows.core.weather.forecast import DAYS_AHEAD, ForecastService, StandInForecast
from ample_rows.core.words.message import said

router = APIRouter(prefix="/api/gardens/{slug}", tags=["year"], responses=RESPONSES)

Day = Annotated[date, Query(ge=date(1900, 1, 1), le=date(2200, 12, 31))]

Count = Annotated[int, Query(ge=2, le=MOST_WAVES)]
Every = Annotated[float, Query(ge=1, le=120, allow_inf_nan=False)]


@dataclass(frozen=True)
class JobsAnswer:
    """Jobs of a day's week, which begins on `monday`, and of the next; what is behind the plan,
    with what it costs to do it on that day; and how many of this week's are closed."""

    monday: date
    this_week: tuple[Job, ...]
    next_week: tuple[Job, ...]
    behind: tuple[Behind, ...]
    closed: int


@router.get("/jobs")
def jobs_about(day: Day, here: Garden) -> JobsAnswer:
    """What the garden asks for in the week of a day and in the next."""
    weeks = weeks_about(jobs_of(here), day)
    return JobsAnswer(
        monday=weeks.monday,
        this_week=weeks.this_week,
        next_week=weeks.next_week,
        behind=tuple(replanned(here, job, day) for job in weeks.behind),
        closed=sum(job.closed for job in weeks.this_week),
    )


@router.get(
    "/jobs.ics",
    response_class=Response,
    responses={200: {"content": {"text/calendar": {}}}},
)
def calendar(slug: str, here: Garden) -> Response:
    """All jobs that are still to do, as a calendar to read in or to subscribe to."""
    jobs = Calendar()
    jobs.add("prodid", "-//Ample Rows//jobs//EN")
    jobs.add("version", "2.0")
    jobs.add("x-wr-calname", one_line(here.plan.garden.name))
    made = datetime.now(UTC).replace(microsecond=0)
    for series in series_of(jobs_of(here)):
        jobs.add_component(_event(series, slug, made))
    text = jobs.to_ical().decode("utf-8")
    return file_answer(text, "text/calendar; charset=utf-8", f"{slug}-jobs.ics")


@dataclass(frozen=True)
class CalendarAddress:
    """Where a calendar program finds the jobs; whoever has it can read them, and no more."""

    path: str


@router.get("/calendar-address")
def calendar_address(slug: str, request: Request, here: Garden) -> CalendarAddress:
    """The address that a calendar program subscribes to."""
    door = cast("Door | None", request.app.state.door)
    key = f"?key={door.calendar_key(slug)}" if door else ""
    return CalendarAddress(f"/api/gardens/{slug}/jobs.ics{key}")


@router.get("/chores/usual")
def usual(here: Garden) -> tuple[ProposedChore, ...]:
    """Jobs that come with the season or after some years, to take over as one's own."""
    return usual_chores(here.plan, here.book)


@router.get("/plantings/{planting}/waves")
def waves(planting: str, here: Garden, count: Count = 3, every_days: Every = 14.0) -> Waves:
    """A planting shared out into waves whose picks follow each other evenly."""
    return waves_of(here, planting, count, every_days)


@router.get("/plantings/{planting}/mixed-start")
def mixed(planting: str, here: Garden) -> Waves:
    """A planting half as plants, half from seed, begun on one day."""
    return mixed_start(here, planting)


@router.get("/plantings/{planting}/sprinkle")
def sprinkled(
    planting: str,
    crop: Annotated[str, Query(max_length=120)],
    plants: Annotated[int, Query(ge=1, le=MOST_SPRINKLED)],
    here: Garden,
) -> Sprinkled:
    """So many plants of a crop spread among those of a planting, and what makes room for them."""
    return sprinkle(here, planting, crop, plants)


@router.get("/plantings/{planting}/leads")
def leads(planting: str, here: Garden) -> Leads:
    """Where a trailing crop's vines could run besides its own ground, and what that gives."""
    return leads_of(here, planting)


@router.post("/follow")
def follow(asked: ShelfRequest, here: Garden) -> Follow:
    """What can follow in squares that are free from a day, best for the household first."""
    return following(here, asked.place, tuple(asked.cells), asked.day)


@dataclass(frozen=True)
class SheetChoice:
    """A sheet of labels that can be printed on."""

    sheet: str
    label: str


@router.get("/label-sheets")
def label_sheets(here: Garden) -> tuple[SheetChoice, ...]:
    """Sheets of labels that are known; those that are sold in the garden's units first."""
    units = here.plan.garden.units or "metric"
    ranked = sorted(here.book.label_sheets.items(), key=lambda one: one[1].units != units)
    return tuple(SheetChoice(name, sheet.label) for name, sheet in ranked)


@router.get(
    "/labels.pdf",
    response_class=Response,
    responses={200: {"content": {"application/pdf": {}}}},
)
def labels(
    slug: str, request: Request, here: HeavyGarden, sheet: str = "a4-24", place: str | None = None
) -> Response:
    """Plant labels on a sheet, each with a code that leads back to its planting."""
    layout = here.book.label_sheets.get(sheet)
    if layout is None:
        names = ", ".join(here.book.label_sheets)
        raise PlanFaultsError.one("sheet", f'"{sheet}" is not a sheet of labels; use {names}')
    if place is not None and here.plan.place(place) is None:
        raise UnknownPartError(kind="place", ident=place)
    plants = plant_labels(here.plan, here.report.plantings, place)
    site = str(request.base_url).rstrip("/")
    with_address = [
        (one, f"{site}/gardens/{slug}/squares/{quote(one.place)}?planting={quote(one.planting)}")
        for one in plants
    ]
    pdf = label_pdf(with_address, layout, f"{here.plan.garden.name}: plant labels")
    name = f"{slug}-labels.pdf"
    headers = {"content-disposition": f'attachment; filename="{name}"'}
    return Response(pdf, media_type="application/pdf", headers=headers)


@dataclass(frozen=True)
class Ahead:
    """The days ahead as the weather stand-in has them, what they ask for, and the soil now.

    Empty where the garden has no climate; `words` then says so.
    """

    days: tuple[DayWeather, ...]
    advice: tuple[Advice, ...]
    soil: tuple[SoilWarmth, ...]
    words: str


@router.get("/ahead")
def ahead(day: Day, here: Garden) -> Ahead:
    """A week's weather from a day, what it asks for, and how warm the soil is."""
    plan, report = here.plan, here.report
    forecast: ForecastService = StandInForecast(plan.garden.climate, report.seed, here.book)
    days = forecast.ahead(day, DAYS_AHEAD)
    words = "" if days else "Without monthly lows and highs nothing can be said of days to come."
    return Ahead(
        days=days,
        advice=advice_for(days, report.plantings, plan.places, here.book),
        soil=soil_of_day(plan, day, report.seed, here.book),
        words=words,
    )


@router.get("/hours")
def hours(here: Garden) -> Hours:
    """The work of every week against the household's hours, and what cannot wait."""
    report = here.report
    jobs = jobs_of(here)
    span = (report.year.start, report.year.end)
    return hours_of(jobs, here.plan.garden.household, report.totals.inside_area_m2, span)


@router.get("/pantry/{crop}/remedies")
def remedies_for(crop: str, here: HeavyGarden) -> tuple[Remedy, ...]:
    """What can be done about a wanted crop that runs short or to waste, each tried through."""
    return remedies(here, crop)


@router.get("/pantry/{crop}/plantings")
def plantings_of(crop: str, here: HeavyGarden) -> tuple[PlantingSupply, ...]:
    """What each planting of a crop gives, week by week."""
    return planting_supplies(here, crop)


@router.get("/pantry/{crop}/factors")
def factors_of(crop: str, here: HeavyGarden) -> CropFactors:
    """From the book's yield of a crop to what is likely here, factor by factor."""
    every = [e for _, own in grown(here) for e in own]
    own = of_each_crop(every).get(crop, [])
    return crop_factors(crop, own, int(here.book.value("seasons")), here.book)


@router.get("/pantry")
def pantry(here: HeavyGarden) -> Pantry:
    """What the plan gives, week by week over all seasons, against what is eaten."""
    return pantry_of(here)


@router.get("/earnings")
def earnings(here: HeavyGarden) -> Earnings:
    """What places, crops and squares give for what they take, and what the range rests on."""
    return earnings_of(here)


def _event(series: Series, slug: str, made: datetime) -> Event:
    job, event = series.job, Event()
    where = f"{said(job.place_label)} {job.where}".strip()
    lines = [
        said(job.why),
        job.sign and f"Sign: {said(job.sign)}",
        *(f"Care: {caution.removesuffix('.')}" for caution in job.cautions),
        job.latest and f"At the latest: {job.latest}",
    ]
    event.add("uid", f"{job.key}@{slug}.ample-rows")
    event.add("dtstamp", made)
    event.add("dtstart", job.on)
    event.add("dtend", job.until + timedelta(days=1))
    # A calendar holds no control characters, wherever a text of the grower's own came from.
    event.add("summary", one_line(f"{said(job.verb)}: {said(job.about)}"))
    event.add("location", one_line(where))
    event.add("description", one_line(". ".join(line for line in lines if line)))
    event.add("transp", "TRANSPARENT")
    if series.times > 1:
        rule = {"freq": "daily", "interval": series.every_days, "count": series.times}
        event.add("rrule", rule)
    return event

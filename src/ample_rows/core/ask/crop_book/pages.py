"""A crop's page in the book: its windows on this garden's year, where it fits, its neighbours."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from ample_rows.core.ask.crop_book.windows import CropWindow, crop_windows
from ample_rows.core.book import (
    Book,
    Crop,
    Grade,
    Trait,
)
from ample_rows.core.book.crop_fields import (
    FIELDS,
    CropField,
    Value,
    figure,
)
from ample_rows.core.calendar.windows import Window, heat_gap, start_window
from ample_rows.core.carpentry.ways_up import WayUp, ways_up
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.planting import harvest
from ample_rows.core.planting.cases import PlaceCase
from ample_rows.core.site.bears import best_months
from ample_rows.core.soil.roots import depth_policy, judge_depth, soil_depth
from ample_rows.core.words.message import Message, Number, Text, clauses, message


@dataclass(frozen=True, slots=True)
class PlaceFit:
    """Whether one place bears a crop, with what it has against what is wanted."""

    place: str
    label: str
    fits: bool
    words: Text


@dataclass(frozen=True, slots=True)
class Neighbour:
    """Another crop that is said to matter beside it, by grade of evidence."""

    crop: str
    name: str
    effect: str
    evidence: str
    good: bool


@dataclass(frozen=True, slots=True)
class OwnFigure:
    """A figure of a crop as this garden has it, and as the crop that it began from has it."""

    field: CropField
    value: Value
    book: Value
    own: bool


@dataclass(frozen=True, slots=True)
class KindGrade:
    """How well one kind withstands a trouble; null where it is not graded."""

    kind: str
    name: str
    grade: Grade | None


@dataclass(frozen=True, slots=True)
class Withstood:
    """One trouble of a crop, and how well each of its kinds withstands it, this one first."""

    id: str
    label: str
    shows: str
    lessens: str
    source: str
    grades: tuple[KindGrade, ...]


@dataclass(frozen=True, slots=True)
class CropPage:
    """What the book says of one crop in this garden.

    `like` is the crop that an own kind began from; null for a crop of the book.
    """

    crop: Crop
    like: str | None
    figures: tuple[OwnFigure, ...]
    windows: tuple[CropWindow, ...]
    heat_gap: tuple[date, date] | None
    days_from: str
    places: tuple[PlaceFit, ...]
    neighbours: tuple[Neighbour, ...]
    traits: tuple[Trait, ...]
    troubles: tuple[Withstood, ...]
    kinds: tuple[str, ...]
    ways_up: tuple[WayUp, ...]


@dataclass(frozen=True, slots=True)
class CropLine:
    """A crop in the book's index; `fits` is null where no place is asked about, `per_square` the
    book's count for a square of 30 cm."""

    id: str
    name: str
    mark: str
    names: tuple[str, ...]
    botanical: str
    family: str
    group: str
    variety_of: str | None
    own: bool
    per_square: float
    traits: tuple[str, ...]
    fits: bool | None
    words: Text


def crop_index(estimate: Estimate, place_id: str | None) -> tuple[CropLine, ...]:
    """Every crop by name; with a place, whether it bears the crop and why not.

    Raises:
        UnknownPartError: There is no such place.
    """
    plan, book = estimate.plan, estimate.book
    here = None if place_id is None else estimate.place(place_id)
    own = {crop.id for crop in plan.crops}
    lines = [_line(crop, here, book, own=crop.id in own) for crop in book.crops.values()]
    return tuple(sorted(lines, key=lambda line: line.name.lower()))


def _line(crop: Crop, here: PlaceCase | None, book: Book, *, own: bool) -> CropLine:
    fit = _fit(crop, here, book) if here is not None else None
    return CropLine(
        id=crop.id,
        name=crop.name,
        mark=crop.mark,
        names=crop.names,
        botanical=crop.botanical,
        family=crop.family,
        group=crop.group,
        variety_of=crop.variety_of,
        own=own,
        per_square=crop.per_square,
        traits=crop.traits,
        fits=fit.fits if fit else None,
        words=fit.words if fit else "",
    )


def crop_page(estimate: Estimate, crop_id: str, shipped: Book) -> CropPage:
    """The page of one crop.

    Args:
        shipped: The book without what is the garden's own.

    Raises:
        UnknownPartError: There is no such crop.
    """
    plan, book = estimate.plan, estimate.book
    crop = book.crops.get(crop_id)
    if crop is None:
        raise UnknownPartError(kind="crop", ident=crop_id)
    year = estimate.setting.year
    root = crop.variety_of or crop.id
    kinds = [c.id for c in book.crops.values() if root in (c.id, c.variety_of) and c.id != crop.id]
    own = next((entry for entry in plan.crops if entry.id == crop_id), None)
    like = own.like if own is not None else None
    begun = shipped.crops.get(crop_id) or book.crops[like or crop_id]
    return CropPage(
        crop=crop,
        like=like,
        figures=tuple(_own_figure(field, crop, begun) for field in FIELDS),
        heat_gap=heat_gap(year, crop, book),
        days_from=book.climates[crop.days_from].label,
        windows=tuple(
            window for start in crop.starts for window in crop_windows(year, crop, start, book)
        ),
        places=tuple(_fit(crop, here, book) for here in estimate.cases.values()),
        neighbours=_neighbours(crop, book),
        traits=tuple(book.traits[trait] for trait in crop.traits),
        troubles=_troubles(crop, [book.crops[kind] for kind in kinds], book),
        kinds=tuple(kinds),
        ways_up=ways_up(crop, plan.build, book),
    )


def _own_figure(field: CropField, crop: Crop, begun: Crop) -> OwnFigure:
    value, book = figure(crop, field.key), figure(begun, field.key)
    return OwnFigure(field, value, book, value != book)


def _fit(crop: Crop, here: PlaceCase, book: Book) -> PlaceFit:
    """What stands in the way of a crop in a place; where nothing does, what it would cost."""
    reasons: list[Text] = [*_out_of_season(crop, here, book)]
    depth_reason, depth_factor = _depth(crop, here, book)
    light_reason, light_factor = _light(crop, here)
    reasons += [reason for reason in (depth_reason, light_reason) if reason]
    if reasons:
        words = clauses(*reasons)
    else:
        held_up = _held_up(crop, here, book)
        warmth = max(window.gives for window in _windows(crop, here, book))
        lost = round((1 - depth_factor * light_factor * held_up * warmth) * 100)
        words = (
            message("pages-about-less-than-could", lost=lost)
            if lost
            else message("pages-has-all-needs")
        )
    return PlaceFit(here.place.id, here.place.label, not reasons, words)


def _held_up(crop: Crop, here: PlaceCase, book: Book) -> float:
    """What the best way of holding it up leaves of the harvest: what stands here, or needs none."""
    standing = {support.system for support in here.place.supports}
    possible = (
        t.harvest_factor
        for t in crop.trainings
        if t.system in standing or not book.trainings[t.system].needs_support
    )
    return min(1.0, max(possible, default=1.0))


def _windows(crop: Crop, here: PlaceCase, book: Book) -> list[Window]:
    return [start_window(here.setting.year, crop, start, book) for start in crop.starts]


def _out_of_season(crop: Crop, here: PlaceCase, book: Book) -> list[Message]:
    windows = _windows(crop, here, book)
    if any(window.open for window in windows):
        return []
    return [message("pages-no-window-here", why=windows[0].how)]


def _depth(crop: Crop, here: PlaceCase, book: Book) -> tuple[Text | None, float]:
    """What the soil wants, in words, and the factor of its depth."""
    place = here.place
    usable = soil_depth(
        place, book, on=here.setting.year.last_frost, trees_share=here.around.roots_share
    ).usable_cm
    litres = shapes.soil_litres(place) if place.kind == "container" else None
    policy = depth_policy(place, here.setting.policies, book)
    judged = judge_depth(crop, usable, policy, litres_per_plant=litres)
    short = judged.verdict in ("too-shallow", "root-too-long")
    return (judged.how if short else None), judged.factor


def _light(crop: Crop, here: PlaceCase) -> tuple[Text | None, float]:
    hours = here.place.sun_hours
    if hours is None and here.sun is not None:
        hours = best_months(here.sun.monthly())
    factor = harvest.light_factor(crop, hours)
    if hours is not None and hours < crop.least_sun_hours:
        return message(
            "pages-sun-needs", hours=Number(hours, 1), least_sun_hours=Number(crop.least_sun_hours)
        ), factor
    return None, factor


def _neighbours(crop: Crop, book: Book) -> tuple[Neighbour, ...]:
    """Those that its own record names, and those whose records name it."""
    named = [
        Neighbour(r.crop, book.crops[r.crop].name, r.effect, r.evidence, r.good)
        for r in crop.relatives
    ]
    named_ids = {n.crop for n in named}
    for other in book.crops.values():
        if other.id not in named_ids:
            named += [
                Neighbour(other.id, other.name, r.effect, r.evidence, r.good)
                for r in other.relatives
                if r.crop == crop.id
            ]
    return tuple(named)


def _troubles(crop: Crop, kinds: Iterable[Crop], book: Book) -> tuple[Withstood, ...]:
    """What troubles a crop or any of its kinds, what they withstand least first."""
    every = [crop, *kinds]
    graded = [(kind, book.withstands(kind)) for kind in every]
    names = dict.fromkeys(name for _, grades in graded for name in grades)
    troubles = [
        Withstood(
            id=name,
            label=book.troubles[name].label,
            shows=book.troubles[name].shows,
            lessens=book.troubles[name].lessens,
            source=book.troubles[name].source,
            grades=tuple(KindGrade(k.id, k.name, grades.get(name)) for k, grades in graded),
        )
        for name in names
    ]
    order = {"little": 0, "some": 1, "well": 2, None: 3}
    return tuple(sorted(troubles, key=lambda trouble: order[trouble.grades[0].grade]))

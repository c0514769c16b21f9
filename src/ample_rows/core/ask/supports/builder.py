"""One support from plan to post hole: what it takes, carries and withstands, and its drawing."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.ask.supports.put_up import (
    grown_on,
    hours_of,
    stood_in,
    support_in,
)
from ample_rows.core.book import Book
from ample_rows.core.carpentry.bill_report import BillLine
from ample_rows.core.carpentry.lines import bill_lines
from ample_rows.core.carpentry.load import Load, hanging, peak_load
from ample_rows.core.carpentry.materials import (
    Stood,
    amounts,
    carried,
    run_on,
    tier_heights_cm,
)
from ample_rows.core.carpentry.to_check import Standing, to_check
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.planting.cases import Evaluated, PlaceCase
from ample_rows.core.planting.growth import grown_to
from ample_rows.core.planting.put_up import put_up_day
from ample_rows.core.structures.bays import Arch, Bays
from ample_rows.core.structures.wind import (
    Face,
    Post,
    WindCheck,
    wind_check,
)
from ample_rows.core.words.message import Length, Message, Text, message
from ample_rows.core.words.working import Term, Terms, of_rule


@dataclass(frozen=True, slots=True)
class Tier:
    """A tier of twine, and the day by which the crop has grown to it. [cm]"""

    planting: str
    name: str
    height_cm: float
    on: date


@dataclass(frozen=True, slots=True)
class OnSupport:
    """A planting along a support, for the drawing. [cm]"""

    planting: str
    name: str
    mark: str
    family: str
    from_cm: float
    to_cm: float
    height_cm: float
    plants: int
    start: date
    clear: date
    at_the_top: str


@dataclass(frozen=True, slots=True)
class SupportSheet:
    """Everything to put up one support and to trust it. [cm, hours, money]"""

    id: str
    label: str
    facing: p.Compass
    in_the_bed: bool
    height_cm: float
    run_from_cm: float
    run_cm: float
    bays: Bays
    opening_cm: float | None
    footing: str
    footing_words: str
    post_diameter_cm: float
    post_length_cm: float
    buried_cm: float
    fill_cm: float
    lean_deg: float
    rails_cm: tuple[float, ...]
    strings: bool
    arch: Arch | None
    crops: tuple[OnSupport, ...]
    tiers: tuple[Tier, ...]
    lines: tuple[BillLine, ...]
    missing: tuple[Text, ...]
    cost: float | None
    hours: float
    put_up_by: date | None
    load: Load
    load_a_bay_kg: float
    wind: WindCheck | None
    to_check: tuple[Message, ...]
    cautions: tuple[str, ...]
    working: Terms


def support_sheet(estimate: Estimate, place_id: str, support_id: str) -> SupportSheet:
    """One support of a place worked out.

    Raises:
        UnknownPartError: There is no such place or support.
        CannotBeDoneError: It has no straight edge.
    """
    plan = estimate.plan
    _, support = support_in(estimate, place_id, support_id)
    here = estimate.place(place_id)
    up = stood_in(plan, here, support)
    if up is None:
        raise CannotBeDoneError(message("builder-needs-straight-side"))
    grown = grown_on(plan, here, support_id)
    return _written(plan, here, up, grown)


def _written(
    plan: p.Plan, here: PlaceCase, up: Stood, grown: tuple[Evaluated, ...]
) -> SupportSheet:
    book, build = here.book, up.system.build
    load = peak_load((hanging(e, run_on(up, e), up.height_cm, book) for e in grown), book)
    lines, missing = bill_lines(
        amounts(up, [carried(up, e) for e in grown], book), plan.build, book
    )
    wind = plan.site.design_wind_m_s if plan.site else None
    when = put_up_day((e.report for e in grown), book)
    return SupportSheet(
        id=up.support.id,
        label=up.system.label,
        facing=shapes.compass_point(up.run.edge.facing_deg),
        in_the_bed=up.support.line_cm is not None,
        height_cm=up.height_cm,
        run_from_cm=up.run.from_cm,
        run_cm=up.run.length_cm,
        bays=up.bays,
        opening_cm=up.opening_cm,
        footing=up.footing_id,
        footing_words=up.footing.words,
        post_diameter_cm=up.post_diameter_cm,
        post_length_cm=up.post_length_cm,
        buried_cm=up.buried_cm,
        fill_cm=shapes.fill_cm(here.place),
        lean_deg=build.lean_deg,
        rails_cm=(up.height_cm, book.value("foot_rail_cm"))[: build.rails],
        strings=build.string_per_plant,
        arch=up.arch,
        crops=tuple(_on_support(up, e) for e in grown),
        tiers=tuple(tier for e in grown for tier in _tiers(up, e)),
        lines=lines,
        missing=missing,
        cost=None if missing else sum(line.cost or 0.0 for line in lines),
        hours=hours_of(up, book),
        put_up_by=when.latest if when else None,
        load=load,
        load_a_bay_kg=load.kg_m * up.bays.bay_cm / 100,
        wind=_wind(up, grown, wind, book) if up.arch is None else None,
        to_check=to_check(
            Standing(up, here.place, [e.crop for e in grown], here.around.way_cm), book
        ),
        cautions=_cautions(up, lines, book),
        working=_working(up, book),
    )


def _on_support(up: Stood, e: Evaluated) -> OnSupport:
    run = run_on(up, e)
    return OnSupport(
        planting=e.planting.id,
        name=e.crop.name,
        mark=e.crop.mark,
        family=e.crop.family,
        from_cm=run.from_cm - up.run.from_cm,
        to_cm=run.to_cm - up.run.from_cm,
        height_cm=min(up.height_cm, e.crop.height_cm),
        plants=e.report.plants,
        start=e.dates.start,
        clear=e.dates.clear,
        at_the_top=up.system.at_the_top,
    )


def _tiers(up: Stood, e: Evaluated) -> Iterator[Tier]:
    """When the growing crop comes to each tier; it goes on as the stems are a hand higher."""
    for height in tier_heights_cm(up, min(up.height_cm, e.crop.height_cm)):
        day = grown_to(e.report.growth, height)
        if day is not None:
            yield Tier(e.planting.id, e.crop.name, height, day)


def _wind(up: Stood, grown: tuple[Evaluated, ...], wind_m_s: float | None, book: Book) -> WindCheck:
    tallest = max((min(up.height_cm, e.crop.height_cm) for e in grown), default=up.height_cm)
    face = Face(up.bays.bay_cm, tallest, up.system.build.stops_wind)
    post = Post(up.post_diameter_cm, up.buried_cm, up.footing, up.strong_as_cm)
    return wind_check(face, post, wind_m_s, book)


def _cautions(up: Stood, lines: tuple[BillLine, ...], book: Book) -> tuple[str, ...]:
    texts = [up.system.caution, up.footing.caution]
    texts += [book.materials[line.material].caution for line in lines]
    return tuple(dict.fromkeys(text for text in texts if text))


@of_rule("support")
def _working(up: Stood, book: Book) -> Terms:
    upright = _arch_terms(up.arch) if up.arch else _post_terms(up, book)
    return (*_run_terms(up), *upright)


def _run_terms(up: Stood) -> Terms:
    terms = [
        Term(
            name=message("builder-run"),
            value=up.run.length_cm,
            unit="cm",
            how=message("builder-along-edge"),
            source="Inside measures",
        ),
        Term(
            name=message("builder-widest-bay"),
            value=up.system.post_spacing_cm,
            unit="cm",
            how=up.system.label,
            source=up.system.source,
        ),
    ]
    if up.bays.openings:
        how = message(
            "builder-openings-bay", openings=up.bays.openings, opening=Length(up.opening_cm or 0.0)
        )
        terms.append(
            Term(
                name=message("builder-openings"),
                value=up.bays.openings,
                unit="",
                how=how,
                source="Core",
            )
        )
    return tuple(terms)


def _arch_terms(arch: Arch) -> Terms:
    how = message("builder-legs-bow-over", legs=Length(arch.legs_cm), span=Length(arch.span_cm))
    return (
        Term(name=message("builder-mesh"), value=arch.mesh_cm, unit="cm", how=how, source="Core"),
        Term(
            name=message("builder-stands-high"),
            value=arch.height_cm,
            unit="cm",
            how=message("builder-crown"),
            source="Core",
        ),
    )


def _post_terms(up: Stood, book: Book) -> Terms:
    bays = up.bays
    below = book.coefficients["post_below_fill_cm"]
    return (
        Term(
            name=message("builder-bay"),
            value=bays.bay_cm,
            unit="cm",
            how=message("builder-posts-evenly", posts_at=len(bays.posts_at_cm)),
            source="Core",
        ),
        Term(
            name=message("builder-above-soil"),
            value=up.height_cm,
            unit="cm",
            how=message("builder-high-wanted"),
            source="Plan",
        ),
        Term(
            name=message("builder-below"),
            value=up.buried_cm,
            unit="cm",
            how=up.footing.label,
            source=below.source,
        ),
        Term(
            name=message("builder-length-post"),
            value=up.post_length_cm,
            unit="cm",
            how=message("builder-next-cm"),
            source="Core",
        ),
    )

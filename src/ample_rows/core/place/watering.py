"""A place's water from its plantings: what it wants, the lines over it, the ways to bring it."""

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.planting.cases import Evaluated, Setting
from ample_rows.core.site.surroundings import Surroundings
from ample_rows.core.soil import roots
from ample_rows.core.soil.fill import Fill
from ample_rows.core.water.lines import WaterLines, lines_of_pattern, lines_over
from ample_rows.core.water.need import Watered, WaterNeed
from ample_rows.core.water.ways import Wanted

_WEEK = 7.0


def watered(
    place: p.Place,
    plantings: tuple[Evaluated, ...],
    setting: Setting,
    *,
    around: Surroundings,
    fill: Fill,
    book: Book,
) -> Watered:
    """A place as its need of water is reckoned."""
    depth = roots.soil_depth(
        place, book, on=setting.year.last_frost, trees_share=around.roots_share
    )
    return Watered(
        place=place,
        plantings=tuple(e.report for e in plantings),
        mix=fill.kind,
        fill_cm=depth.fill_cm,
        below_cm=depth.usable_cm - depth.fill_cm,
        trees_share=around.roots_share,
        year=setting.year.last_frost.year,
    )


def lines_for(place: p.Place, plantings: tuple[Evaluated, ...], book: Book) -> WaterLines:
    """The water lines that are laid over a place; else lines as they would be laid, on its rows
    where all that grows there stands in rows."""
    if place.pattern is not None and book.patterns[place.pattern.kind].waters:
        return lines_of_pattern(place.shape, place.pattern, book)
    in_rows = [e for e in plantings if e.report.layout == "rows"]
    apart = tuple(e.planting.row_spacing_cm or e.crop.between_row_cm for e in in_rows)
    return lines_over(place.shape, apart if len(in_rows) == len(plantings) else (), book)


def wanted_in_a_dry_week(need: WaterNeed, place: p.Place, around: Surroundings) -> Wanted:
    """What a dry week of the thirstiest month asks, and from how far it comes."""
    month = need.thirstiest
    days = need.dry_days_between[month]
    way = around.water
    return Wanted(
        litres=need.dry_litres_per_week[month],
        waterings=_WEEK / max(1.0, min(_WEEK, days or _WEEK)),
        area_m2=shapes.inside_area_m2(place.shape),
        route_m=way.route_m if way else None,
        tap_l_per_min=way.flow_l_per_min if way else None,
    )

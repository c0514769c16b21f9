"""The fullest lattice of plants by a spacing: in a part of the ground, near walls, or along the
middle where walls leave no more room."""

import math
from dataclasses import replace

import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core.book import Book
from ample_rows.core.geometry import lattice, lattice_search
from ample_rows.core.geometry.cells import (
    FIT_TOLERANCE_CM,
    Grid,
    Spot,
    as_rectangle,
)
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.planting.ground import Part
from ample_rows.core.planting.setting_out import SettingOut
from ample_rows.core.planting.walls import (
    WalledBox,
    deepest,
    grown_over,
    middle_row,
    over_the_wall_cm,
)
from ample_rows.core.words.message import Message, message

_CLOSE_TO_THE_MIDDLE = 0.98
_NOTHING: BaseGeometry = shapely.Polygon()


def fullest_in(part: Part, out: SettingOut, book: Book) -> list[Point]:
    """The fullest lattice, half a spacing from everything round it."""
    if part.box is not None:
        return _in_walled(part.box, out, book)
    box = as_rectangle(part.grid, part.group)
    if box is not None:
        return in_box(box, out, book)
    searched = in_outline(part.region, out, book, turns=part.turns)
    if part.circle_cm is not None and out.layout in ("merged", "stations", "offset"):
        packed = _circle_packing(part.circle_cm, out.spacing_cm, book)
        return packed if len(packed) >= len(searched) else searched
    if part.turns:
        return searched
    # A contained outline is a candidate too: strips of cells have closed forms.
    strips = max((_in_strips(part.grid, part.group, out, book, axis) for axis in (0, 1)), key=len)
    return strips if len(strips) > len(searched) else searched


def _in_walled(ground: WalledBox, out: SettingOut, book: Book) -> list[Point]:
    """Rows between walls nearer than they themselves stand apart: one along the middle holds more
    than many short ones across, and is what a grower sows."""
    found = in_box(ground.box, out, book)
    narrow = out.layout == "rows" and ground.narrower_cm < out.row_spacing_cm - FIT_TOLERANCE_CM
    if not narrow or not found:
        return found
    return max(found, _middle_row_of_rows(ground, out, book), key=len)


def near_walls(part: Part, out: SettingOut, book: Book) -> list[Point]:
    """The fullest lattice whose plants may stand near walls: the ground reaches over those by
    what half a spacing is more than that."""
    in_row, between = spacing_in_force(out, book), out.row_spacing_cm

    def over(spacing_cm: float) -> float:
        return over_the_wall_cm(spacing_cm, part.narrower_cm, book)

    if part.box is not None and out.layout == "rows":
        ways = (
            lattice.square_in_box(part.box.grown(over(x), over(y)), x_spacing_cm=x, y_spacing_cm=y)
            for x, y in ((between, in_row), (in_row, between))
        )
        return max(ways, key=len)
    if part.box is not None:
        return in_box(part.box.grown(over(in_row), over(in_row)), out, book)
    if part.circle_cm is not None and out.layout != "rows":
        reached = part.circle_cm + 2 * over(in_row)
        shift = over(in_row)
        packed = [(x - shift, y - shift) for x, y in _circle_packing(reached, in_row, book)]
    else:
        packed = []
    grown = grown_over(part.region, part.inside, over(in_row))
    searched = in_outline(grown, out, book, turns=part.turns)
    return packed if len(packed) >= len(searched) else searched


def along_the_middle(part: Part, out: SettingOut, book: Book) -> list[Point]:
    """Where walls alone leave no room: one row along the middle, in any outline one plant."""
    in_row = spacing_in_force(out, book)
    if part.box is not None and out.layout == "rows":
        return _middle_row_of_rows(part.box, out, book)
    if part.box is not None:
        return middle_row(part.box, x_spacing_cm=in_row, y_spacing_cm=in_row)
    if part.region.is_empty:
        return []
    middle, depth = deepest(part.region)
    if part.circle_cm is not None:
        return [middle]
    # Walls give way until one row has room; its ends keep off the neighbours' ground as ever.
    # A corner is deeper than the arms that meet there, which are as wide as area and walls say.
    mean_depth = part.region.area / part.region.length
    rows = (
        _row_between_walls(part, out, _CLOSE_TO_THE_MIDDLE * half, book)
        for half in (depth, mean_depth)
    )
    return max(rows, key=len) or ([middle] if part.walls_alone else [])


def _row_between_walls(part: Part, out: SettingOut, half_cm: float, book: Book) -> list[Point]:
    over = spacing_in_force(out, book) / 2 - half_cm
    grown = grown_over(part.region, part.inside, over)
    row = in_outline(grown, replace(out, layout="merged"), book, turns=part.turns)
    return [at for at in row if part.region.contains(shapely.Point(at))]


def _middle_row_of_rows(ground: WalledBox, out: SettingOut, book: Book) -> list[Point]:
    in_row, between = spacing_in_force(out, book), out.row_spacing_cm
    ways = ((between, in_row), (in_row, between))
    return max((middle_row(ground, x_spacing_cm=x, y_spacing_cm=y) for x, y in ways), key=len)


def _circle_packing(diameter_cm: float, spacing_cm: float, book: Book) -> list[Point]:
    """The best-known packing with the most plants that keeps the spacing."""
    for count in sorted(book.circle_packings, reverse=True):
        centres = book.circle_packings[count]
        closest = lattice.packing_spacing(centres, round_outline=True) * diameter_cm
        if closest >= spacing_cm - FIT_TOLERANCE_CM:
            return [(x * diameter_cm, y * diameter_cm) for x, y in centres]
    return []


def _in_strips(
    grid: Grid, group: tuple[Spot, ...], out: SettingOut, book: Book, axis: int
) -> list[Point]:
    points: list[Point] = []
    for line in sorted({s[axis] for s in group}):
        on_line = sorted(s for s in group if s[axis] == line)
        for part in _runs(on_line, 1 - axis):
            box = as_rectangle(grid, part)
            if box is not None:
                points += in_box(box, out, book)
    return points


def _runs(spots: list[Spot], axis: int) -> list[tuple[Spot, ...]]:
    """Split cells of one line into unbroken runs along an axis."""
    runs: list[list[Spot]] = []
    for spot in spots:
        if runs and spot[axis] == runs[-1][-1][axis] + 1:
            runs[-1].append(spot)
        else:
            runs.append([spot])
    return [tuple(run) for run in runs]


def spacing_in_force(out: SettingOut, book: Book) -> float:
    if out.layout == "band":
        return out.spacing_cm / math.sqrt(book.value("band_density"))
    return out.spacing_cm


def in_box(box: Box, out: SettingOut, book: Book) -> list[Point]:
    spacing = spacing_in_force(out, book)
    if out.layout == "rows":
        return lattice.rows_in_box(
            box, in_row_cm=spacing, between_cm=out.row_spacing_cm, exact=out.own_rows
        )
    if out.layout == "offset":
        return lattice.offset_in_box(box, spacing)
    return lattice.square_in_box(box, x_spacing_cm=spacing, y_spacing_cm=spacing)


def in_outline(
    region: BaseGeometry,
    out: SettingOut,
    book: Book,
    *,
    turns: bool = False,
    keep_off: BaseGeometry = _NOTHING,
) -> list[Point]:
    spacing = spacing_in_force(out, book)

    def search(x_cm: float, y_cm: float) -> list[Point]:
        lattice = lattice_search.Lattice(x_cm, y_cm, out.layout == "offset")
        return lattice_search.fullest(region, lattice, turns=turns, keep_off=keep_off)

    if out.layout == "rows":
        along = search(spacing, out.row_spacing_cm)
        # Where rows may turn, both directions have been tried already.
        across = [] if turns else search(out.row_spacing_cm, spacing)
        return max(along, across, key=len)
    if out.layout == "offset":
        return search(spacing, spacing * math.sqrt(3) / 2)
    return search(spacing, spacing)


def layout_words(out: SettingOut) -> Message:
    """A layout as a gardener says it."""
    return {
        "merged": message("stand-squares-merged-even-lattice"),
        "stations": message("stand-station-even-lattice", per_station=out.per_station),
        "offset": message("stand-rows-offset-half-spacing"),
        "rows": message("stand-straight-rows"),
        "band": message("stand-thick-band-not-thinned"),
        "single-squares": message("stand-each-square-own"),
    }[out.layout]

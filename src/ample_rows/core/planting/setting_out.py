"""How a planting is to be set out: its own wishes, else its place's and the garden's schools."""

from collections.abc import Mapping
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Crop
from ample_rows.core.geometry.lattice import Point

MOST_POSITIONS = 20_000
SQUARE_CM = 30.0
SQUARE_CM2 = SQUARE_CM**2
_OFFSET_CLOSENESS = 0.86


@dataclass(frozen=True)
class SettingOut:
    """How a planting is to be set out, with the crop's figures filled in. [cm]

    What decides is, in this order: `spots`, `plants`, `per_cell`, `per_square`, the spacing.
    `per_square` is the count for a square of 30 cm; `own_ground_cm2` what one plant is given by
    the book.
    """

    layout: p.Layout
    spacing_cm: float
    row_spacing_cm: float
    own_ground_cm2: float
    per_cell: float | None = None
    per_square: float | None = None
    plants: int | None = None
    own_rows: bool = False
    spots: tuple[Point, ...] | None = None
    walls: p.Walls = "half"
    per_station: int = 1

    @property
    def counts(self) -> bool:
        """Whether a number for each square decides."""
        return self.per_cell is not None or self.per_square is not None

    @property
    def ground_cm2(self) -> float:
        """The ground that a plant is given here, at most what the book gives it."""
        between = self.row_spacing_cm if self.layout == "rows" else self.spacing_cm
        return min(self.spacing_cm * between, self.own_ground_cm2)


@dataclass(frozen=True)
class Schools:
    """What decides where a planting does not say itself; `per_square` are the garden's own
    counts for a square of 30 cm, by crop."""

    layout: p.Layout
    walls: p.Walls
    per_square: Mapping[str, float]


def schools_of(
    policies: p.Policies, per_square: Mapping[str, float] | None, place: p.Place | None = None
) -> Schools:
    """The schools in force in a place, or in the garden at large: the place's, else the
    garden's."""
    return Schools(
        layout=(place.layout if place else None) or policies.layout or "merged",
        walls=(place.walls if place else None) or policies.walls or "half",
        per_square=per_square or {},
    )


def setting_out(planting: p.Planting, crop: Crop, schools: Schools) -> SettingOut:
    """The layout, spacings and counts in force: the planting's own, else the crop's and those of
    the schools."""
    layout = planting.layout or schools.layout
    exact = planting.spots_cm is not None or planting.plants is not None
    per_cell = None if exact else planting.per_cell
    if per_cell is not None:
        layout = "single-squares"
    own = planting.spacing_cm
    in_row = own if own is not None else crop.in_row_cm
    by_count = layout == "single-squares" and own is None and per_cell is None and not exact
    return SettingOut(
        layout=layout,
        spacing_cm=in_row if layout == "rows" else (own or crop.spacing_cm),
        row_spacing_cm=planting.row_spacing_cm or crop.between_row_cm,
        own_ground_cm2=crop.spacing_cm**2,
        per_cell=per_cell,
        per_square=count_per_square(crop, schools.per_square) if by_count else None,
        plants=planting.plants,
        own_rows=planting.row_spacing_cm is not None,
        spots=planting.spots_cm,
        walls=planting.walls or schools.walls,
        per_station=planting.plants_per_station or 1,
    )


def count_per_square(crop: Crop, per_square: Mapping[str, float]) -> float:
    """Plants in a square of 30 cm: the garden's own count for the kind or its crop, else the
    book's."""
    own = per_square.get(crop.id)
    if own is None and crop.variety_of is not None:
        own = per_square.get(crop.variety_of)
    return crop.per_square if own is None else own


def squares_for_one(crop: Crop, schools: Schools) -> float:
    """The squares of 30 cm that one more plant takes: by its count where counts are the school,
    else by its spacing."""
    if schools.layout == "single-squares":
        return 1 / count_per_square(crop, schools.per_square)
    return crop.spacing_cm**2 / SQUARE_CM2


def most_stations(area_cm2: float, out: SettingOut) -> float:
    """An upper estimate of the stations in an area, before any lattice is laid."""
    if out.spots is not None:
        return out.per_station * len(out.spots)
    if out.plants is not None:
        return out.per_station * out.plants
    between = out.row_spacing_cm if out.layout == "rows" else out.spacing_cm
    closest = _OFFSET_CLOSENESS if out.layout == "offset" else 1.0
    return out.per_station * area_cm2 / (out.spacing_cm * between * closest)

"""What building some places takes: the boards and how to cut them, cost, life and hours."""

from dataclasses import dataclass

from ample_rows.core.carpentry.cutting import Bar
from ample_rows.core.words.message import Text
from ample_rows.core.words.working import Term


@dataclass(frozen=True, slots=True)
class PieceRow:
    """So many pieces of one length, for one place. [cm]"""

    what: Text
    count: int
    length_cm: float


@dataclass(frozen=True, slots=True)
class PlaceBuild:
    """One place's own pieces and hours; its lining or mesh is a length of a roll. [cm, m, h]"""

    place: str
    label: str
    stage: str
    material: str | None
    pieces: tuple[PieceRow, ...]
    card_sheets: int | None
    roll_m: float | None
    roll_cm: float | None
    hours_frame: float
    hours_loosen: float
    hours_fill: float
    hours_supports: float
    hours: float


@dataclass(frozen=True, slots=True)
class BoardOrder:
    """Boards of one kind and height for all places that want them. [cm, money]"""

    material: str
    label: str
    height_cm: float
    boards: int
    bars: tuple[Bar, ...]
    waste_cm: float
    cost: float | None
    least: bool


@dataclass(frozen=True, slots=True)
class BillLine:
    """So much of a material, its cost at the price here, its life, and cost a year of use."""

    material: str
    label: str
    amount: float
    unit: str
    cost: float | None
    low_years: float
    high_years: float
    a_year: float | None


@dataclass(frozen=True, slots=True)
class StageCost:
    """The places of one stage together. The cost is null while a price is missing."""

    stage: str
    places: int
    litres: float
    soil_cost: float | None
    build_cost: float | None
    hours: float


@dataclass(frozen=True, slots=True)
class StartCost:
    """What getting started costs one way, and what it takes in."""

    name: Text
    what: Text
    cost: float | None


@dataclass(frozen=True, slots=True)
class BuildReport:
    """Everything to build and what it comes to."""

    places: tuple[PlaceBuild, ...]
    boards: tuple[BoardOrder, ...]
    lines: tuple[BillLine, ...]
    paths: tuple[BillLine, ...]
    missing: tuple[Text, ...]
    cost: float | None
    a_year: float | None
    hours: float
    stages: tuple[StageCost, ...]
    starts: tuple[StartCost, ...]
    cautions: tuple[str, ...]
    working: tuple[Term, ...]

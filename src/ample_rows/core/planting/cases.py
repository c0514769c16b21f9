"""Cases: a place or a planting with all that bears on it, and what the rules say of it."""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import cached_property

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.dates import Dates
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.planting.chances import Chances
from ample_rows.core.planting.harvest import Draws, Factors, Lot, Quantiles
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.site.place_sun import PlaceSun
from ample_rows.core.site.surroundings import Surroundings
from ample_rows.core.soil.roots import DepthResult
from ample_rows.core.weather.air import Air12
from ample_rows.core.words.message import Text

ON_GROUND = "ground"


@dataclass(frozen=True)
class Setting:
    """What every place of one garden shares; hashable, so that places can be cached."""

    year: GrowingYear
    policies: p.Policies
    per_square: p.ByCrop
    latitude: float
    north_deg: float
    seed: int
    soil: p.Soil | None
    air: Air12 | None
    own: p.OwnFactors | None = None

    def __hash__(self) -> int:
        return self._hashed

    @cached_property
    def _hashed(self) -> int:
        """Asked for with every planting, and the same for all of them."""
        shared = (self.year, self.policies, self.per_square, self.soil, self.air, self.own)
        return hash((shared, self.latitude, self.north_deg, self.seed))


@dataclass(frozen=True, slots=True)
class CropShade:
    """What supports and tall crops take from one planting: useful sun on each sample day, the
    share of its afternoon sun that this is, and what takes the most. [hours, 0-1]"""

    planting: str
    lost_hours: tuple[float, ...]
    afternoon_share: tuple[float, ...]
    mostly: str


@dataclass(frozen=True, slots=True)
class Sharing:
    """What shares the squares of one planting on purpose.

    `asked` is the ground that the others want at their own spacing, by how far their leaves have
    spread over this one's time, as a share of its squares. A planting that stands between the
    plants of another keeps off them. [cm]
    """

    planting: str
    asked: float
    asked_by: str
    keep_off: tuple[Point, ...] = ()
    keep_off_spacing_cm: float = 0.0


@dataclass(frozen=True, eq=False)
class Evaluated:
    """A planting's report, with the figures that the place still needs."""

    planting: p.Planting
    crop: Crop
    report: PlantingReport
    dates: Dates
    depth: DepthResult
    lot: Lot
    chances: Chances
    draws: Draws
    climbs_without_support: bool
    lone_support: bool

    @cached_property
    def counted(self) -> Draws:
        """Its harvest less what is last year's, season by season. [kg]"""
        before = self.report.year.before
        return self.draws if before == 0 else self.draws * (1 - before)

    @cached_property
    def in_year(self) -> Draws:
        """What of its harvest is picked in the plan's year, season by season. [kg]"""
        within = self.report.year.within
        return self.draws if within == 1 else self.draws * within


@dataclass(frozen=True)
class PlaceCase:
    """A place with all that bears on whatever grows there; hashable, so that it can be cached."""

    place: p.Place
    setting: Setting
    sun: PlaceSun | None
    around: Surroundings
    book: Book
    shades: tuple[CropShade, ...] = ()
    sharings: tuple[Sharing, ...] = ()

    def __hash__(self) -> int:
        return self._hashed

    @cached_property
    def _hashed(self) -> int:
        around = (self.place, self.setting, self.around)
        return hash((around, self.sun, self.shades, self.sharings))

    @cached_property
    def alone(self) -> "PlaceCase":
        """The place by itself, the same one whatever its plantings do to each other."""
        return replace(self, shades=(), sharings=()) if self.shades or self.sharings else self

    def counting(self, plantings: Iterable[p.Planting]) -> "PlaceCase":
        """The place with the garden's own counts of what is planted alone, so that it is the same
        one whatever another crop's count becomes."""
        counts = self.setting.per_square
        if not counts:
            return self
        named = {
            crop
            for one in plantings
            for crop in (one.crop, one.variety, *(run.variety for run in one.varieties))
        }
        named |= {self.book.crops[crop].variety_of for crop in named if crop is not None}
        own = p.ByCrop({crop: count for crop, count in counts.items() if crop in named})
        if len(own) == len(counts):
            return self
        return replace(self, setting=replace(self.setting, per_square=own))

    def shade_on(self, planting: str) -> CropShade | None:
        """What tall neighbours take from one planting here."""
        return next((shade for shade in self.shades if shade.planting == planting), None)

    def sharing_of(self, planting: str) -> Sharing | None:
        """What shares the squares of one planting here on purpose."""
        return next((sharing for sharing in self.sharings if sharing.planting == planting), None)


@dataclass(frozen=True, eq=False)
class Case:
    """One planting with all that bears on it."""

    place: p.Place
    planting: p.Planting
    crop: Crop
    support: p.Support | None
    setting: Setting
    sun: PlaceSun | None
    trees_share: float
    free_over_walls_cm: float
    book: Book
    shade: CropShade | None = None
    sharing: Sharing | None = None

    @property
    def training(self) -> str | None:
        """The system in force: what stands there, or the ground for a climber with nothing."""
        return training_of(self.planting, self.support, self.crop, self.book)

    @property
    def lies_down(self) -> bool:
        """Whether a crop that would climb lies on the ground, and loses by it."""
        lying = self.crop.training(ON_GROUND)
        loses = bool(self.crop.trainings) and (lying is None or lying.harvest_factor < 1)
        return self.training == ON_GROUND and loses


def training_of(
    planting: p.Planting, support: p.Support | None, crop: Crop, book: Book
) -> str | None:
    """The system that a planting grows by; None for a crop that none is known for."""
    asked = planting.training
    if support is not None:
        return asked or support.system
    if asked is not None and not book.trainings[asked].needs_support:
        return asked
    return ON_GROUND if crop.trainings else None


@dataclass(frozen=True)
class Light:
    """Mean daily sun on a planting: all of it, what counts for growing, and how it is known.

    `lost` of the useful hours go to the shade of supports and tall crops, most to `behind`;
    `cooled` is the gain of a cool crop that is spared hot afternoons.
    """

    hours: float | None
    useful_hours: float | None
    how: Text
    lost: float = 0.0
    behind: str = ""
    cooled: float = 1.0


@dataclass(frozen=True)
class SetOut:
    """Where the plants stand and how crowded that leaves them.

    `asked_share` is the ground that they want at the book's spacing, as a share of what they
    use; `region_cm2` is the ground within walls.
    """

    positions: tuple[Point, ...]
    per_station: int
    spacing_cm: float
    layout: str
    how: Text
    asked_share: float
    density: float
    density_how: Text
    region_cm2: float
    taken: tuple[str, ...]

    @property
    def plants(self) -> int:
        return len(self.positions) * self.per_station


@dataclass(frozen=True, eq=False)
class Outcome:
    """What the rules say of one case, before it is written up; `scale` is its weight in plants of
    the book's yield, but for what each season leaves."""

    stands: SetOut
    dates: Dates
    depth: DepthResult
    light: Light
    factors: Factors
    chances: Chances
    lot: Lot
    scale: float
    expected: float
    draws: Draws


@dataclass(frozen=True, eq=False)
class Judged:
    """A planting as the rules judge it, before it is written up: all that a question needs which
    tries one crop after another. `harvest_kg` is its harvest."""

    case: Case
    outcome: Outcome
    harvest_kg: Quantiles

    @property
    def planting(self) -> p.Planting:
        return self.case.planting

    @property
    def crop(self) -> Crop:
        return self.case.crop

    @property
    def stands(self) -> SetOut:
        return self.outcome.stands

    @property
    def dates(self) -> Dates:
        return self.outcome.dates

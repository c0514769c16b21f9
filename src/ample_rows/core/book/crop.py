"""A crop, or a variety type of one, as the rules use it."""

from typing import Annotated, Literal

from pydantic import Field, model_validator

from ample_rows.core.book.record import (
    Amount,
    DayOfYear,
    Record,
    Share,
    Size,
    Status,
    Text,
)
from ample_rows.core.plan import Start

Grade = Literal["little", "some", "well"]
Frost = Literal["hardy", "half-hardy", "tender"]
Group = Literal[
    "fruit", "root", "leaf", "stem", "bulb", "pod", "seed", "herb", "flower", "green manure"
]
Feeder = Literal["light", "medium", "heavy", "fixes nitrogen"]
Stage = Literal["seedling", "leaf", "crown"]
PickingKind = Literal["once", "few", "cut-and-come-again", "continuous"]


class CropTraining(Record):
    """How one crop does under one training system, relative to its reference way; a stem that is
    stopped at the top is picked for a part of its time only."""

    system: Text
    harvest_factor: Size
    in_row_cm: Size | None = None
    picking_scale: Size = 1.0


class Range3(Record):
    """P10, P50 and P90 of a yield per plant."""

    low: Size
    typical: Size
    high: Size

    @model_validator(mode="after")
    def _ordered(self) -> "Range3":
        if not self.low < self.typical < self.high:
            raise ValueError("low, typical and high must rise")
        return self


class Germination(Record):
    low: Amount
    high: Amount


class DaysToPick(Record):
    sow: Size | None = None
    transplant: Size | None = None
    set: Size | None = None
    division: Size | None = None


class PutUp(Record):
    """When what a crop climbs or leans on is put up: before it is there, on its day, or when it
    has grown to a height."""

    when: Literal["before", "same-day", "grown"]
    grown_cm: Size | None = None

    @model_validator(mode="after")
    def _whole(self) -> "PutUp":
        if (self.when == "grown") != (self.grown_cm is not None):
            raise ValueError("grown_cm goes with when = grown")
        return self


class SoldAs(Record):
    """How tubers, sets, crowns and the like are sold, and the plants that one such makes."""

    what: Text
    plants: Size


class FruitSet(Record):
    """Nights and days between which flowers or tubers set, and the days from then to a picking.
    [°C]"""

    night_low_c: float
    night_high_c: float
    day_high_c: float
    days_to_pick: Size


class Bolting(Record):
    """What makes a crop run to seed, and the share of its harvest that this takes at worst: days
    longer than so many hours or warmer than so much as it comes to its picking, or young weeks
    colder than so much. [h, °C]"""

    by: Literal["long days", "heat", "cold"]
    limit: float
    takes: Share


class DayLength(Record):
    """The length of day from which a crop makes its bulbs, and what it gives without; and of its
    young weeks, above which bulbs come too soon and stay small, or tubers too late, and what it
    then gives. Either null where it does not matter. [h]"""

    hours: Size | None = None
    without: Share = 1.0
    young_hours: Size | None = None
    beyond: Share = 1.0


class Chill(Record):
    """The winter that buds want before they open: the mean of the coldest month at which all do,
    that at which hardly any do, and what is had then. [°C]"""

    full_c: float
    none_c: float
    without: Share


class BeforeWinter(Record):
    """The days on which a crop is started that stands the winter, counted from the first frost.
    [days]"""

    set_from_days: float
    set_to_days: float


class Ripening(Record):
    """What ripens what stood the winter: so much warmth since the new year, and so many days after
    the days have grown to a length. [°C days, h, days]"""

    degree_days: Size
    day_length_hours: Size | None = None
    days_after: Amount = 0.0


class Wintering(BeforeWinter):
    """How a crop that is always set before winter stands it, and what ripens it."""

    ripens: Ripening


class Perennial(Record):
    """A plant that stays for years: the shares of its full yield that it gives in the years until
    then, its life, what brings its harvest on each year, and what is done to it. One that is
    `set_dormant` can be planted any time that it rests; any other makes its roots before winter."""

    years_to_full: Annotated[int, Field(ge=0, le=10)]
    shares: tuple[Share, ...]
    life_years: Size
    harvest: Ripening
    divide_years: Size | None = None
    set_dormant: bool = False

    @model_validator(mode="after")
    def _a_share_a_year(self) -> "Perennial":
        if len(self.shares) != self.years_to_full:
            raise ValueError("shares has one entry for each of years_to_full")
        return self

    def share_in(self, year_of_life: int) -> float:
        """Its share of a full yield, the first year being 0."""
        return self.shares[year_of_life] if year_of_life < self.years_to_full else 1.0


class Picking(Record):
    kind: PickingKind
    days: Size


class Trait(Record):
    """What a crop does of itself, or what its eater must know, and what follows from it."""

    label: Text
    follows: Text
    status: Status
    source: Text


class Trouble(Record):
    """An illness, a pest or a weather that troubles crops: how it shows and what lessens it.

    `weather` is what brings it on; what `spares_young` takes old plants and leaves young ones.
    It is looked for in `weeks` after the last frost; null where looking helps nothing.
    """

    label: Text
    spares_young: bool = False
    shows: Text
    lessens: Text
    weather: Literal["wet", "dry", "hot", "cool", "any"]
    weeks: tuple[float, float] | None = None
    status: Status
    source: Text


class Relative(Record):
    """A neighbour believed to matter, for good or ill, with the grade of the evidence."""

    crop: Text
    effect: Text
    evidence: Literal["tested", "some", "belief"]
    good: bool = True


class Looks(Record):
    """By what a kind is told from the others of its crop when its label is lost: one trait of each
    part that shows one."""

    growth: Text | None = None
    leaf: Text | None = None
    flower: Text | None = None
    fruit: Text | None = None
    root: Text | None = None


class Crop(Record):
    """A crop, or a variety type of one, as the rules use it; hashed by its id."""

    id: Annotated[str, Field(pattern=r"^[a-z][a-z0-9-]*$")]
    name: Text
    mark: Annotated[str, Field(pattern=r"^[A-Z][a-z]$")]
    american: Text | None = None
    names: tuple[str, ...] = ()
    botanical: Text
    family: Text
    group: Group
    variety_of: str | None = None
    spacing_cm: Size
    in_row_cm: Size
    between_row_cm: Size
    per_square: Size
    canopy_cm: Size
    height_cm: Size
    least_depth_cm: Size
    full_depth_cm: Size
    least_depth_factor: Share
    edible_root_cm: Size | None = None
    rooting_cm: Size
    least_litres: Size
    full_litres: Size
    least_sun_hours: Amount
    full_sun_hours: Amount
    least_sun_factor: Share
    frost: Frost
    base_temperature_c: float
    optimum_low_c: float
    optimum_high_c: float
    ceiling_temperature_c: float
    fruit_set: FruitSet | None = None
    bolts: tuple[Bolting, ...] = ()
    day_length: DayLength | None = None
    chill: Chill | None = None
    wintering: Wintering | None = None
    perennial: Perennial | None = None
    before_winter: BeforeWinter | None = None
    kill_c: dict[Stage, float]
    after_frost_share: Share | None = None
    days_from: Text
    usual_start: DayOfYear
    germination_least_c: float
    germination_good_c: float | None = None
    germination_days: Germination
    sowing_depth_cm: Amount | None = None
    buried_stem_cm: Amount | None = None
    before_sowing: str | None = None
    seeds_per_station: Annotated[int, Field(ge=1)] | None = None
    emergence: Share
    survival: Share
    thousand_seed_g: Size | None = None
    broadcast_g_m2: Size | None = None
    seed_life_years: Size | None = None
    packet_seeds: Annotated[int, Field(ge=1)] | None = None
    sold_as: SoldAs | None = None
    weeks_indoors: Amount | None = None
    starts: Annotated[tuple[Start, ...], Field(min_length=1)]
    days_to_first_pick: DaysToPick
    picking: Picking
    yield_kg_per_plant: Range3 | None = None
    piece_kg: Size | None = None
    least_piece_kg: Size | None = None
    crowding: Share
    depletion_share: Share | None = None
    feeder: Feeder
    trainings: tuple[CropTraining, ...] = ()
    put_up: PutUp = PutUp(when="before")
    overwinters: bool = False
    turn_round_days: Amount
    relatives: tuple[Relative, ...] = ()
    cautions: tuple[str, ...] = ()
    page_cautions: tuple[str, ...] = ()
    traits: tuple[str, ...] = ()
    withstands: dict[str, Grade] = Field(default_factory=dict)
    looks: Looks = Looks()
    sources: dict[str, Text]
    statuses: dict[str, Status] = Field(default_factory=dict)

    def __hash__(self) -> int:
        return hash(self.id)

    @model_validator(mode="after")
    def _sane(self) -> "Crop":
        if self.least_depth_cm > self.full_depth_cm:
            raise ValueError("least_depth_cm is above full_depth_cm")
        if self.least_litres > self.full_litres:
            raise ValueError("least_litres is above full_litres")
        if self.least_sun_hours > self.full_sun_hours:
            raise ValueError("least_sun_hours is above full_sun_hours")
        for start in self.starts:
            if getattr(self.days_to_first_pick, start) is None:
                raise ValueError(f"days_to_first_pick.{start} is missing though starts names it")
        wanted = {"spacing", "counts", "roots", "light", "time", "warmth", "cold", "yield"}
        if self.seed_life_years or self.packet_seeds or self.sold_as:
            wanted.add("seed")
        if self.withstands:
            wanted.add("troubles")
        if "leaf" not in self.kill_c:
            raise ValueError("kill_c has no leaf")
        for stage, degrees_c in self.kill_c.items():
            if degrees_c >= self.base_temperature_c:
                raise ValueError(f"kill_c.{stage} is not below base_temperature_c")
        missing = wanted - self.sources.keys()
        if missing:
            raise ValueError(f"sources lacks {sorted(missing)[0]!r}")
        return self

    def days_to_pick(self, start: Start) -> float | None:
        days: float | None = getattr(self.days_to_first_pick, start)
        return days

    @property
    def ripens(self) -> Ripening | None:
        """What ripens it after a winter, where it stands one."""
        if self.perennial is not None:
            return self.perennial.harvest
        return self.wintering.ripens if self.wintering else None

    def picking_scale(self, system: str | None) -> float:
        """Length of the picking under a system, against the crop's own."""
        training = self.training(system) if system else None
        return training.picking_scale if training else 1.0

    def training(self, system: str) -> CropTraining | None:
        return next((t for t in self.trainings if t.system == system), None)

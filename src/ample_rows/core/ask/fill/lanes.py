"""Lanes: a strip shared out into runs of one, two, four or more units that each take one
planting after another, so that what the lanes can hold can always be laid out."""

from dataclasses import dataclass, field

from ample_rows.core.ask.fill.candidates import WIDTHS, Candidate
from ample_rows.core.ask.fill.ground import Strip, Zone


@dataclass(frozen=True, eq=False)
class Placed:
    """A candidate in a strip, from one of its units on."""

    candidate: Candidate
    strip: Strip
    first: int

    @property
    def cells(self) -> tuple[str, ...]:
        units = self.strip.units[self.first : self.first + self.candidate.width]
        return tuple(address for unit in units for address in unit)


@dataclass
class Ground:
    """Which units of which strips are free in which half-months, as plantings are put in.

    `in_lanes` what once holds a planting of some width holds none but of that width all year, as
    the programme has it.
    """

    zones: tuple[Zone, ...]
    in_lanes: bool = False
    placed: list[Placed] = field(default_factory=list)
    _free: list[list[list[int]]] = field(init=False)
    _width: list[list[list[int]]] = field(init=False)

    def __post_init__(self) -> None:
        # A unit is a number whose bits are the half-months in which it is taken.
        self._free = [[[0] * len(s.units) for s in zone.strips] for zone in self.zones]
        self._width = [[[0] * len(s.units) for s in zone.strips] for zone in self.zones]

    def room_for(self, candidate: Candidate) -> tuple[int, int] | None:
        """The strip and the unit at which a candidate has room: units at which a lane of its
        width may begin, those already broken up first."""
        mask = _bits(candidate)
        best: tuple[int, int, int] | None = None
        for number, units in enumerate(self._free[candidate.zone]):
            for unit in range(0, len(units) - candidate.width + 1, candidate.width):
                part = units[unit : unit + candidate.width]
                if any(taken & mask for taken in part):
                    continue
                if self.in_lanes and not self._lane_at(candidate, number, unit):
                    continue
                untouched = sum(taken == 0 for taken in part)
                if best is None or untouched < best[0]:
                    best = (untouched, number, unit)
        return None if best is None else best[1:]

    def _lane_at(self, candidate: Candidate, strip: int, unit: int) -> bool:
        """Whether units are a lane of a candidate's width, or none yet."""
        widths = self._width[candidate.zone][strip][unit : unit + candidate.width]
        return all(width in (0, candidate.width) for width in widths)

    def put(self, candidate: Candidate, strip: int, unit: int) -> Placed:
        """Put a candidate where it has room."""
        mask = _bits(candidate)
        for at in range(unit, unit + candidate.width):
            self._free[candidate.zone][strip][at] |= mask
            self._width[candidate.zone][strip][at] = candidate.width
        placed = Placed(candidate, self.zones[candidate.zone].strips[strip], unit)
        self.placed.append(placed)
        return placed

    def put_back(self, placed: Placed) -> None:
        """Put in again, where it stood, what was taken out."""
        zone = self.zones[placed.candidate.zone]
        self.put(placed.candidate, zone.strips.index(placed.strip), placed.first)
        self.placed[-1] = placed

    def take_out(self, placed: Placed) -> None:
        """Take out what was put in."""
        self.placed.remove(placed)
        candidate = placed.candidate
        strip = self.zones[candidate.zone].strips.index(placed.strip)
        units, widths = self._free[candidate.zone][strip], self._width[candidate.zone][strip]
        lane = range(placed.first, placed.first + candidate.width)
        for at in lane:
            units[at] &= ~_bits(candidate)
        if not any(units[at] for at in lane):
            for at in lane:
                widths[at] = 0

    @property
    def lanes(self) -> dict[tuple[int, int], int]:
        """How many lanes of each width each zone has, by zone and width."""
        found: dict[tuple[int, int], int] = {}
        for zone, strips in enumerate(self._width):
            for widths in strips:
                for width in {*widths} - {0}:
                    held = widths.count(width) // width
                    found[zone, width] = found.get((zone, width), 0) + held
        return found


def _bits(candidate: Candidate) -> int:
    return (1 << candidate.ends) - (1 << candidate.begins)


def laid_out(
    zones: tuple[Zone, ...], lanes: dict[tuple[int, int], int], chosen: list[Candidate]
) -> list[Placed]:
    """Chosen plantings in lanes of their own width, the widest lanes first.

    Args:
        lanes: How many lanes of a width each zone has, by zone and width.
        chosen: No more at once of a zone and width than it has lanes.
    """
    placed: list[Placed] = []
    for number, zone in enumerate(zones):
        left = [(strip, 0) for strip in zone.strips]
        for width in reversed(WIDTHS):
            mine = sorted(
                (c for c in chosen if (c.zone, c.width) == (number, width)),
                key=lambda c: (c.begins, c.ends),
            )
            open_lanes: list[tuple[Strip, int]] = []
            for _ in range(lanes.get((number, width), 0)):
                at = next(
                    n for n, (strip, used) in enumerate(left) if used + width <= len(strip.units)
                )
                strip, used = left[at]
                open_lanes.append((strip, used))
                left[at] = (strip, used + width)
            free_from = [0] * len(open_lanes)
            last: list[Candidate | None] = [None] * len(open_lanes)
            for candidate in mine:
                fits = [n for n, free in enumerate(free_from) if free <= candidate.begins]
                # After another family rather than after its own.
                lane = min(fits, key=lambda n: (_kin(last[n], candidate), -free_from[n]))
                placed.append(Placed(candidate, *open_lanes[lane]))
                free_from[lane], last[lane] = candidate.ends, candidate
    return placed


def _kin(before: Candidate | None, candidate: Candidate) -> bool:
    return before is not None and before.family == candidate.family

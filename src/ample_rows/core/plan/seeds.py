"""Seed that is there, and what seed and plants cost here."""

from typing import Annotated

from pydantic import Field

from ample_rows.core.plan.soil import Price
from ample_rows.core.plan.values import Ident, Name, PlanValue


class SeedPacket(PlanValue):
    """A packet in the box: the season that it was packed or saved for, and the seeds left."""

    id: Ident
    crop: Ident
    seeds: Annotated[int, Field(ge=0, le=1_000_000)]
    year: Annotated[int, Field(ge=1950, le=2200)]
    name: Name | None = None
    saved: bool | None = None


class SeedChoice(PlanValue):
    """What a crop's packet, single plant and sets or tubers cost here, and whether its plants
    are bought rather than raised."""

    crop: Ident
    packet: Price | None = None
    plant: Price | None = None
    sold: Price | None = None
    buy_plants: bool | None = None


class SeedBox(PlanValue):
    """The seed box. `raising` is what pot, mix and light cost for one plant raised at home."""

    packets: Annotated[tuple[SeedPacket, ...], Field(max_length=1000)] = ()
    choices: Annotated[tuple[SeedChoice, ...], Field(max_length=500)] = ()
    raising: Price | None = None

    def choice(self, crop: str) -> SeedChoice:
        """The grower's prices for a crop; all unknown where none were entered."""
        return next((c for c in self.choices if c.crop == crop), SeedChoice(crop=crop))

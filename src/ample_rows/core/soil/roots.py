"""Root depth: what a place offers, what a crop needs, and what a shortfall costs."""

from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop, DepthPolicy
from ample_rows.core.geometry import shapes
from ample_rows.core.soil.soft import rise_cm
from ample_rows.core.words.message import Length, Text, Volume, message

Verdict = Literal["full", "reduced", "too-shallow", "root-too-long"]


@dataclass(frozen=True)
class SoilDepth:
    """Depth that roots can use, by what offers it. [cm]"""

    fill_cm: float
    loosened_cm: float
    native_cm: float

    @property
    def usable_cm(self) -> float:
        return self.fill_cm + self.loosened_cm + self.native_cm


@dataclass(frozen=True)
class DepthResult:
    """The verdict on one crop in one place, with its factor and needs. [cm, L]"""

    verdict: Verdict
    factor: float
    usable_cm: float
    least_cm: float
    full_cm: float
    litres_per_plant: float | None
    governed_by: Literal["depth", "litres"]
    how: Text


def roots_pass(place: p.Place, on: date, book: Book) -> bool:
    """Whether roots reach the ground below on a day; card stops them until it has rotted."""
    bottom = shapes.bottom(place)
    if bottom == "rotting" and place.bottom_laid is not None:
        return on >= place.bottom_laid + timedelta(days=book.value("card_lasts_days"))
    return bottom in ("open", "mesh")


def soil_depth(place: p.Place, book: Book, *, on: date, trees_share: float = 0.0) -> SoilDepth:
    """Usable depth = fill + loosened below + the share that undug native soil offers.

    Args:
        on: The day; a bottom of card opens with time.
        trees_share: Share of the place's ground that roots of trees and shrubs hold. [0-1]
    """
    fill = shapes.fill_cm(place) + rise_cm(place, book)
    base = min(place.base_cm or 0.0, shapes.fill_cm(place))
    if base or not roots_pass(place, on, book):
        # Above a coarse woody base the mix layer counts alone.
        return SoilDepth(fill - base, 0.0, 0.0)
    share = book.value(f"native_share_{place.native}") if place.native else 0.0
    left = 1 - trees_share * book.value("tree_roots_take_depth")
    return SoilDepth(
        fill_cm=fill,
        loosened_cm=(place.loosened_below_cm or 0.0) * left,
        native_cm=share * book.value("native_rootable_cm") * left,
    )


def depth_policy(place: p.Place, policies: p.Policies, book: Book) -> DepthPolicy:
    return book.depth_policies[place.depth_policy or policies.depth or "standard"]


def shortfall_factor(have: float, *, least: float, full: float, at_least: float) -> float:
    """1 from full, linear to `at_least` at least, then linear to 0 at half of least."""
    if have >= full:
        return 1.0
    if have >= least:
        return at_least + (1 - at_least) * (have - least) / (full - least)
    half = least / 2
    return max(0.0, at_least * (have - half) / (least - half))


def having_of(factor: float, *, least: float, full: float, at_least: float) -> float:
    """What there is of depth or litres where the factor of what is short is so much, below 1."""
    if factor >= at_least:
        return least + (full - least) * (factor - at_least) / (1 - at_least)
    return least / 2 * (1 + factor / at_least)


def judge_depth(
    crop: Crop, usable_cm: float, policy: DepthPolicy, *, litres_per_plant: float | None
) -> DepthResult:
    """Verdict and factor for a crop's roots.

    Args:
        litres_per_plant: Soil a plant has in a container, None in a bed. [L]
    """
    least, full = crop.least_depth_cm * policy.least_scale, crop.full_depth_cm * policy.full_scale
    at_least = crop.least_depth_factor
    factor = shortfall_factor(usable_cm, least=least, full=full, at_least=at_least)
    governed: Literal["depth", "litres"] = "depth"
    short = usable_cm < least
    how = message(
        "roots-full-least", usable=Length(usable_cm), full=Length(full), least=Length(least)
    )
    if litres_per_plant is not None:
        by_litres = shortfall_factor(
            litres_per_plant, least=crop.least_litres, full=crop.full_litres, at_least=at_least
        )
        if by_litres < factor:
            factor, governed = by_litres, "litres"
            short = litres_per_plant < crop.least_litres
            how = message(
                "roots-plant-full-least",
                litres_per_plant=Volume(litres_per_plant, 1),
                full=Volume(crop.full_litres),
                least=Volume(crop.least_litres),
            )
    verdict: Verdict = "full" if factor >= 1 else "too-shallow" if short else "reduced"
    if crop.edible_root_cm is not None and crop.edible_root_cm > usable_cm:
        verdict, factor, governed = "root-too-long", 0.0, "depth"
        how = message(
            "roots-root-itself-long",
            edible_root=Length(crop.edible_root_cm),
            usable=Length(usable_cm),
        )
    return DepthResult(verdict, factor, usable_cm, least, full, litres_per_plant, governed, how)

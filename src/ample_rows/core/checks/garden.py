"""What must agree in the garden itself, its yard, its soil and its boards."""

from collections.abc import Iterator, Sequence
from datetime import timedelta

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.book.record import OWN_FIGURE
from ample_rows.core.checks.words import (
    material_faults,
    twice,
    unknown,
    unknown_crop,
)
from ample_rows.core.geometry.outlines import ring_fault
from ample_rows.core.plan.reading import Fault
from ample_rows.core.soil.mixes import mixes_of
from ample_rows.core.words.message import Distance, message


def garden_faults(garden: p.Garden, book: Book) -> Iterator[Fault]:
    span = garden.first_frost - garden.last_frost
    if not timedelta(0) < span <= timedelta(days=366):
        yield Fault(
            "garden.first_frost",
            f"must come after the last frost ({garden.last_frost}) and within a year of it",
        )
    start = garden.season_start
    if start is not None and abs(start - garden.last_frost) > timedelta(days=366):
        yield Fault("garden.season_start", "must lie within a year of the last frost")
    climate = garden.climate
    if climate and climate.tmin_c and climate.tmax_c:
        for month, (low, high) in enumerate(zip(climate.tmin_c, climate.tmax_c, strict=True)):
            if low > high:
                yield Fault(
                    f"garden.climate.tmax_c[{month}]", f"{high:g} is below that month's low {low:g}"
                )
    for index, likely in enumerate(garden.likely_ends):
        path = f"garden.likely_ends[{index}]"
        if likely.crop not in book.crops:
            yield Fault(f"{path}.crop", unknown_crop(likely.crop))
        if likely.trouble is not None and likely.trouble not in book.troubles:
            yield Fault(f"{path}.trouble", unknown(likely.trouble, "trouble", book.troubles))
    for crop in (garden.own.crops or {}) if garden.own else ():
        if crop not in book.crops:
            yield Fault(f"garden.own.crops.{crop}", unknown_crop(crop))
    if garden.household:
        yield from _household_faults(garden.household, book)
    if garden.fill:
        yield from _fill_faults(garden.fill, book)


def _fill_faults(fill: p.Fill, book: Book) -> Iterator[Fault]:
    """What must and never may be in are known crops, and none is both."""
    for key, crops in (("must", fill.must), ("never", fill.never)):
        for index, crop in enumerate(crops):
            if crop not in book.crops:
                yield Fault(f"garden.fill.{key}[{index}]", unknown_crop(crop))
    for index, crop in enumerate(fill.must):
        if crop in fill.never:
            yield Fault(f"garden.fill.must[{index}]", f'"{crop}" is never to be in as well')


def chore_faults(chores: Sequence[p.Chore]) -> Iterator[Fault]:
    """A chore of a place that another drawing lacks is no fault: it is the garden's there."""
    yield from twice([chore.id for chore in chores], "chores")
    for index, chore in enumerate(chores):
        if (chore.every is None) != (chore.per is None):
            lacking = "every" if chore.every is None else "per"
            words = (
                'is needed too: a job comes again "every" so many weeks, months or years ("per")'
            )
            yield Fault(f"chores[{index}].{lacking}", words)


def _household_faults(household: p.Household, book: Book) -> Iterator[Fault]:
    for index, want in enumerate(household.wants):
        yield from _want_faults(want, f"garden.household.wants[{index}]", book)
    for index, away in enumerate(household.away):
        if away.until <= away.since:
            path = f"garden.household.away[{index}].until"
            yield Fault(path, f"must come after {away.since}")
    for index, price in enumerate(household.prices):
        if price.crop not in book.crops:
            path = f"garden.household.prices[{index}].crop"
            yield Fault(path, unknown_crop(price.crop))
    crops = [price.crop for price in household.prices]
    yield from twice(crops, "garden.household.prices", key="crop")


def _want_faults(want: p.Want, path: str, book: Book) -> Iterator[Fault]:
    crop = book.crops.get(want.crop)
    if crop is None:
        yield Fault(f"{path}.crop", unknown_crop(want.crop))
        return
    if want.kg_per_year is None and want.pieces_per_year is None:
        yield Fault(f"{path}.kg_per_year", "give kg_per_year, or pieces_per_year")
    if want.kg_per_year is None and want.pieces_per_year is not None and not crop.piece_kg:
        yield Fault(f"{path}.pieces_per_year", f"{crop.name} is not counted by pieces; give kg")
    if want.keep is not None and want.keep not in book.keeping_ways:
        words = unknown(want.keep, "way of keeping", book.keeping_ways)
        yield Fault(f"{path}.keep", words)
    if len(set(want.months)) < len(want.months):
        yield Fault(f"{path}.months", "names a month twice")


def soil_faults(soil: p.Soil, book: Book) -> Iterator[Fault]:
    yield from twice([entry.id for entry in soil.materials], "soil.materials")
    for index, entry in enumerate(soil.materials):
        if book.ingredients[entry.id].source != OWN_FIGURE:
            words = f'"{entry.id}" is a material that ships; give yours another'
            yield Fault(f"soil.materials[{index}].id", words)
    sound = True
    for index, recipe in enumerate(soil.recipes):
        path = f"soil.recipes[{index}]"
        if recipe.id in book.mixes:
            yield Fault(f"{path}.id", f'"{recipe.id}" is a mix that ships; give yours another')
        for spot, part in enumerate(recipe.parts):
            if part.of not in book.ingredients:
                sound = False
                words = unknown(part.of, "ingredient", book.ingredients)
                yield Fault(f"{path}.parts[{spot}].of", words)
        yield from twice([part.of for part in recipe.parts], f"{path}.parts", key="of")
    for index, have in enumerate(soil.ingredients):
        if have.name not in book.ingredients:
            words = unknown(have.name, "ingredient", book.ingredients)
            yield Fault(f"soil.ingredients[{index}].name", words)
    yield from twice([recipe.id for recipe in soil.recipes], "soil.recipes")
    if soil.mix is not None and sound and soil.mix not in mixes_of(soil, book):
        yield Fault("soil.mix", unknown(soil.mix, "mix", mixes_of(soil, book)))


def build_faults(build: p.Build, book: Book) -> Iterator[Fault]:
    for index, board in enumerate(build.boards):
        path = f"build.boards[{index}].material"
        yield from material_faults(board.material, path, "frame", book)
    for index, entry in enumerate(build.prices):
        if entry.material not in book.materials:
            path = f"build.prices[{index}].material"
            yield Fault(path, unknown(entry.material, "material", book.materials))


def site_faults(site: p.Site, book: Book) -> Iterator[Fault]:
    problem = ring_fault(site.outline_m) if site.outline_m else None
    if problem:
        yield Fault("site.outline_m", problem)
    for index, walk in enumerate(site.paths):
        if walk.covering is not None:
            yield from material_faults(walk.covering, f"site.paths[{index}].covering", "path", book)
    for index, name in enumerate(site.animals):
        if name not in book.animals:
            yield Fault(f"site.animals[{index}]", unknown(name, "animal", book.animals))
    yield from twice([str(obstacle.id) for obstacle in site.obstacles], "site.obstacles")
    for index, obstacle in enumerate(site.obstacles):
        path = f"site.obstacles[{index}]"
        problem = ring_fault(obstacle.outline_m)
        if problem:
            yield Fault(f"{path}.outline_m", problem)
        crown = obstacle.crown_base_m
        if crown is not None and crown >= obstacle.height_m > 0:
            words = message("fault-crown", height=Distance(obstacle.height_m))
            yield Fault(f"{path}.crown_base_m", words)


def seed_faults(box: p.SeedBox, book: Book) -> Iterator[Fault]:
    named = [(f"packets[{i}]", packet.crop) for i, packet in enumerate(box.packets)]
    named += [(f"choices[{i}]", choice.crop) for i, choice in enumerate(box.choices)]
    for where, crop in named:
        if crop not in book.crops:
            yield Fault(f"seed_box.{where}.crop", unknown_crop(crop))
    yield from twice([packet.id for packet in box.packets], "seed_box.packets")
    yield from twice([choice.crop for choice in box.choices], "seed_box.choices", key="crop")

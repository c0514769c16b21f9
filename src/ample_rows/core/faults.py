"""Relations between the parts of a plan that must hold before it can be computed.

A fault means that the document cannot be read as a garden. What merely does not
fit or do well is a result with a note, never a fault.
"""

from collections.abc import Iterable, Iterator
from datetime import date, timedelta

from ample_rows.core import places, season, stand, supports
from ample_rows.core import plan as p
from ample_rows.core.cells import Grid, grid_of
from ample_rows.core.outlines import outline_fault, ring_fault
from ample_rows.core.reading import MOST_FAULTS, Fault, PlanFaultsError, read_document
from ample_rows.core.reference import Book, Crop


def read_plan(raw: bytes | str, book: Book) -> p.Plan:
    """A plan that can be computed, from a document's text.

    Raises:
        PlanFaultsError: One fault a line, each with its path.
    """
    plan = read_document(raw)
    require_sound(plan, book)
    return plan


def require_sound(plan: p.Plan, book: Book) -> None:
    """Raise `PlanFaultsError` unless the plan's parts agree."""
    faults = check_plan(plan, book)
    if faults:
        raise PlanFaultsError(faults[:MOST_FAULTS])


def check_plan(plan: p.Plan, book: Book) -> list[Fault]:
    """Every disagreement between parts, in the order of the document."""
    faults = list(_garden_faults(plan.garden, book))
    if plan.soil and plan.soil.mix is not None and plan.soil.mix not in book.mixes:
        faults.append(Fault("soil.mix", _unknown(plan.soil.mix, "mix", book.mixes)))
    faults += _build_faults(plan.build or p.Build(), book)
    faults += _site_faults(plan.site or p.Site())
    faults += _twice([place.id for place in plan.places], "places")
    for index, place in enumerate(plan.places):
        faults += _place_faults(place, f"places[{index}]", book)
    faults += _twice([planting.id for planting in plan.plantings], "plantings")
    if faults:
        # Plantings are judged against sound places only, or one slip is told many times.
        return faults
    end = season.growing_year(plan.garden, book).end
    for index, planting in enumerate(plan.plantings):
        path = f"plantings[{index}]"
        faults += _planting_faults(plan, planting, path, book)
        faults += _date_faults(plan, planting, path, end)
    return faults


def _twice(ids: list[str], path: str) -> Iterator[Fault]:
    seen: set[str] = set()
    for index, ident in enumerate(ids):
        if ident in seen:
            yield Fault(f"{path}[{index}].id", f'"{ident}" stands twice; ids must differ')
        seen.add(ident)


def _garden_faults(garden: p.Garden, book: Book) -> Iterator[Fault]:
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
    for index, want in enumerate(garden.household.wants if garden.household else ()):
        if want.crop not in book.crops:
            path = f"garden.household.wants[{index}].crop"
            yield Fault(path, _unknown_crop(want.crop))


def _build_faults(build: p.Build, book: Book) -> Iterator[Fault]:
    for index, board in enumerate(build.boards):
        path = f"build.boards[{index}].material"
        yield from _material_faults(board.material, path, "frame", book)
    for name in build.prices or {}:
        if name not in book.materials:
            yield Fault("build.prices", _unknown(name, "material", book.materials))


def _material_faults(name: str, path: str, use: str, book: Book) -> Iterator[Fault]:
    fitting = [known for known, m in book.materials.items() if m.used_for == use]
    if name not in fitting:
        yield Fault(path, _unknown(name, f"material of a {use}", fitting))


def _unknown(name: str, what: str, known: Iterable[str]) -> str:
    return f'"{name}" is not a {what}; use {", ".join(known)}'


def _site_faults(site: p.Site) -> Iterator[Fault]:
    problem = ring_fault(site.outline_m) if site.outline_m else None
    if problem:
        yield Fault("site.outline_m", problem)
    for index, obstacle in enumerate(site.obstacles):
        path = f"site.obstacles[{index}]"
        problem = ring_fault(obstacle.outline_m)
        if problem:
            yield Fault(f"{path}.outline_m", problem)
        crown = obstacle.crown_base_m
        if crown is not None and crown >= obstacle.height_m > 0:
            yield Fault(
                f"{path}.crown_base_m", f"must lie below the height of {obstacle.height_m:g} m"
            )


def _unknown_crop(name: str) -> str:
    return f'"{name}" is not in the crop book; `ample crops` lists what is'


def _place_faults(place: p.Place, path: str, book: Book) -> Iterator[Fault]:
    try:
        places.inside_shape(place.shape)
    except ValueError as error:
        yield Fault(f"{path}.shape.wall_thickness_cm", str(error))
        return
    if isinstance(place.shape, p.Polygon):
        problem = outline_fault(place.shape)
        if problem:
            yield Fault(f"{path}.shape.{problem[0]}", problem[1])
            return
    wall = places.wall_cm(place)
    if place.rim_gap_cm is not None and place.rim_gap_cm > 0 and place.rim_gap_cm >= wall:
        yield Fault(
            f"{path}.rim_gap_cm", f"{place.rim_gap_cm:g} cm leaves no soil in a wall of {wall:g} cm"
        )
    if place.base_cm is not None and place.base_cm > 0 and place.base_cm >= places.fill_cm(place):
        yield Fault(
            f"{path}.base_cm",
            f"{place.base_cm:g} cm leaves no mix in a fill of {places.fill_cm(place):g} cm",
        )
    if place.mix is not None and place.mix not in book.mixes:
        yield Fault(f"{path}.mix", _unknown(place.mix, "mix", book.mixes))
    if place.material is not None:
        use = "container" if place.kind == "container" else "frame"
        yield from _material_faults(place.material, f"{path}.material", use, book)
    if place.watered_by is not None and place.watered_by not in book.water_ways:
        known_ways = _unknown(place.watered_by, "way to water", book.water_ways)
        yield Fault(f"{path}.watered_by", known_ways)
    grid = grid_of(place)
    held: set[str] = set()
    for index, part in enumerate(place.held):
        for spot, address in enumerate(part.cells):
            where = f"{path}.held[{index}].cells[{spot}]"
            if address not in grid.cells:
                yield Fault(where, _not_a_cell(address, place, grid))
            elif address in held:
                yield Fault(where, f'"{address}" is held twice')
            held.add(address)
    yield from _twice([s.id for s in place.supports], f"{path}.supports")
    for index, support in enumerate(place.supports):
        if support.system not in book.trainings:
            known = ", ".join(n for n, t in book.trainings.items() if t.needs_support)
            yield Fault(
                f"{path}.supports[{index}].system", f'"{support.system}" is unknown; use {known}'
            )


def _not_a_cell(address: str, place: p.Place, grid: Grid) -> str:
    names = list(grid.cells)
    what = "container" if place.kind == "container" else "bed"
    return f'"{address}" is not a cell of {what} "{place.id}"; cells run {names[0]} to {names[-1]}'


def _planting_faults(plan: p.Plan, planting: p.Planting, path: str, book: Book) -> Iterator[Fault]:
    crop = crop_of(planting, book)
    if planting.crop not in book.crops:
        yield Fault(f"{path}.crop", _unknown_crop(planting.crop))
    elif crop is None:
        yield Fault(f"{path}.variety", f'"{planting.variety}" is not a variety of {planting.crop}')
    if planting.training is not None and planting.training not in book.trainings:
        yield Fault(f"{path}.training", f'"{planting.training}" is not a training system')
    place = plan.place(planting.place)
    if place is None:
        yield Fault(f"{path}.place", f'there is no place "{planting.place}"')
        return
    cells_sound = True
    for fault in _cell_faults(place, planting, path):
        cells_sound = False
        yield fault
    yield from _support_faults(plan, place, planting, path)
    if crop is not None and cells_sound and planting.support is None:
        out = stand.setting_out(planting, crop, plan.garden.policies)
        if stand.most_stations(_area_cm2(place, planting), out) > stand.MOST_POSITIONS:
            field = "cells" if planting.spacing_cm is None else "spacing_cm"
            yield Fault(
                f"{path}.{field}",
                f"would set more than {stand.MOST_POSITIONS} plants; plant wider, or fewer cells",
            )


def crop_of(planting: p.Planting, book: Book) -> Crop | None:
    """The record a planting grows: its variety when it names one, else its crop."""
    if planting.variety is None or planting.variety == planting.crop:
        return book.crops.get(planting.crop)
    variety = book.crops.get(planting.variety)
    return variety if variety is not None and variety.variety_of == planting.crop else None


def _area_cm2(place: p.Place, planting: p.Planting) -> float:
    if planting.cells == "all":
        return places.inside_area_m2(place.shape) * 1e4
    grid = grid_of(place)
    return sum(grid.cells[a].area_cm2 for a in planting.cells)


def _cell_faults(place: p.Place, planting: p.Planting, path: str) -> Iterator[Fault]:
    if planting.cells == "all":
        return
    if not planting.cells and planting.support is None:
        yield Fault(f"{path}.cells", "needs at least one cell, or a support to climb")
    grid = grid_of(place)
    held = {a: h.reason or "held" for h in place.held for a in h.cells}
    seen: set[str] = set()
    for index, address in enumerate(planting.cells):
        where = f"{path}.cells[{index}]"
        if address not in grid.cells:
            yield Fault(where, _not_a_cell(address, place, grid))
        elif address in held:
            yield Fault(where, f'"{address}" is held ({held[address]}); free it first')
        elif address in seen:
            yield Fault(where, f'"{address}" stands twice in this planting')
        seen.add(address)


def _support_faults(
    plan: p.Plan, place: p.Place, planting: p.Planting, path: str
) -> Iterator[Fault]:
    if planting.support is None:
        return
    support = next((s for s in place.supports if s.id == planting.support), None)
    if support is None:
        yield Fault(f"{path}.support", f'place "{place.id}" has no support "{planting.support}"')
        return
    edge = supports.edge_of(
        place,
        support,
        latitude=plan.garden.latitude,
        north_deg=(plan.site.north_deg if plan.site else None) or 0.0,
    )
    run = planting.run_cm
    if run is None or edge is None:
        return
    if not 0 <= run[0] < run[1] <= edge.length_cm + 0.01:
        yield Fault(
            f"{path}.run_cm",
            f"must run from a lower to a higher measure within 0 to {edge.length_cm:g}",
        )


def _date_faults(plan: p.Plan, planting: p.Planting, path: str, end: date) -> Iterator[Fault]:
    if planting.start_date > end:
        yield Fault(f"{path}.start_date", f"lies after the plan's season, which ends {end}")
    if planting.clear_date is not None and planting.clear_date <= planting.start_date:
        yield Fault(f"{path}.clear_date", f"must come after the start ({planting.start_date})")
    if planting.follows is None:
        return
    before = next((other for other in plan.plantings if other.id == planting.follows), None)
    if before is None:
        yield Fault(f"{path}.follows", f'there is no planting "{planting.follows}"')
    elif before.id == planting.id:
        yield Fault(f"{path}.follows", "a planting cannot follow itself")
    elif before.place != planting.place:
        yield Fault(f"{path}.follows", f'"{before.id}" grows in another place')

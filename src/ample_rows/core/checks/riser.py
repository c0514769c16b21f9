"""What must agree where one place stands on squares of another."""

from collections.abc import Iterator

from ample_rows.core import plan as p
from ample_rows.core.checks.words import not_a_cell
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.plan.reading import Fault
from ample_rows.core.site.risers import box_of


def riser_faults(plan: p.Plan) -> Iterator[Fault]:
    """Every riser that does not stand soundly, in the order of the plan's places."""
    taken: dict[tuple[str, str], str] = {}
    for index, place in enumerate(plan.places):
        on, path = place.stands_on, f"places[{index}].stands_on"
        if on is None:
            continue
        host = plan.place(on.place)
        if host is None:
            yield Fault(f"{path}.place", f'there is no place "{on.place}"')
        elif host.id == place.id:
            yield Fault(f"{path}.place", "a place cannot stand on itself")
        elif host.stands_on is not None:
            yield Fault(f"{path}.place", f'"{host.id}" itself stands on another place')
        elif place.at_m is not None:
            yield Fault(f"places[{index}].at_m", f'it stands on "{host.id}"; leave at_m out')
        else:
            yield from _cell_faults(host, on, place.id, path, taken)


def _cell_faults(
    host: p.Place, on: p.StandsOn, ident: str, path: str, taken: dict[tuple[str, str], str]
) -> Iterator[Fault]:
    grid = grid_of(host)
    held = {a: h.reason or "held" for h in host.held for a in h.cells}
    sound = len(set(on.cells)) == len(on.cells)
    for spot, address in enumerate(on.cells):
        where = f"{path}.cells[{spot}]"
        other = taken.setdefault((host.id, address), ident)
        if address not in grid.cells:
            sound = False
            yield Fault(where, not_a_cell(address, host, grid))
        elif address in held:
            yield Fault(where, f'"{address}" is held ({held[address]}); free it first')
        elif other != ident:
            yield Fault(where, f'"{other}" stands on "{address}" already')
    if not sound or box_of(grid, on.cells) is None:
        yield Fault(f"{path}.cells", "must be whole squares that fill a rectangle, each once")

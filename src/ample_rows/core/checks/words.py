"""How a fault says what is wrong and what is wanted, in one way everywhere."""

from collections.abc import Iterable, Iterator

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM, Grid
from ample_rows.core.plan.reading import Fault
from ample_rows.core.words.message import Length, message


def twice(ids: list[str], path: str, *, key: str = "id") -> Iterator[Fault]:
    seen: set[str] = set()
    for index, ident in enumerate(ids):
        if ident in seen:
            yield Fault(f"{path}[{index}].{key}", f'"{ident}" stands twice; ids must differ')
        seen.add(ident)


def material_faults(name: str, path: str, use: str, book: Book) -> Iterator[Fault]:
    fitting = [ident for ident, m in book.materials.items() if m.used_for == use]
    if name not in fitting:
        yield Fault(path, unknown(name, f"material of a {use}", fitting))


def run_faults(run_cm: tuple[float, float] | None, length_cm: float, path: str) -> Iterator[Fault]:
    """A stretch of an edge must rise, and lie on it."""
    if run_cm is not None and not 0 <= run_cm[0] < run_cm[1] <= length_cm + FIT_TOLERANCE_CM:
        yield Fault(path, message("fault-run", length=Length(length_cm)))


def unknown(name: str, what: str, names: Iterable[str]) -> str:
    return f'"{name}" is not a {what}; use {", ".join(names)}'


def unknown_crop(name: str) -> str:
    return f'"{name}" is not in the crop book; `ample crops` lists what is'


def not_a_cell(address: str, place: p.Place, grid: Grid) -> str:
    names = list(grid.cells)
    what = "container" if place.kind == "container" else "bed"
    return f'"{address}" is not a cell of {what} "{place.id}"; cells run {names[0]} to {names[-1]}'

"""Figures of closed seasons, kept from when they were worked out: they never change, and a garden
of many years is looked at at once after a start."""

import contextlib
import hashlib
from datetime import date
from functools import lru_cache
from pathlib import Path
from weakref import WeakKeyDictionary

from ample_rows import core
from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.plan.reading import PlanFaultsError, validated
from ample_rows.core.plan.values import PlanDate, PlanValue
from ample_rows.core.record.figures import SeasonFigures, figures_of
from ample_rows.store.database import Database
from ample_rows.store.errors import StorageError
from ample_rows.store.record_parts import RecordParts

_HELD = 128
_HELD_OF: "WeakKeyDictionary[Database, dict[tuple[str, str, str], SeasonFigures]]"
_HELD_OF = WeakKeyDictionary()
"""Figures that were read already, by garden, season and what they were worked out by."""


class KeptFigures(PlanValue):
    """Figures with what they were worked out by: of another program or book they are stale."""

    by: str
    day: PlanDate
    figures: SeasonFigures


class FiguresOfSeasons:
    """The figures of one garden's seasons: those of closed ones kept, of the one that runs worked
    out.

    Args:
        runs: The first day of the season that runs.
    """

    def __init__(self, database: Database, slug: str, runs: date, book: Book) -> None:
        self._held = _HELD_OF.setdefault(database, {})
        self._parts = RecordParts(database, "figures", KeptFigures)
        self._slug, self._runs, self._book = slug, runs, book

    def __call__(self, plan: p.Plan) -> SeasonFigures:
        ended = plan.garden.last_frost < self._runs
        return self._kept(plan) if ended else figures_of(plan, self._book)

    def _kept(self, plan: p.Plan) -> SeasonFigures:
        by, ident = _worked_out_by(self._book), _ident(plan)
        held = self._held.get((self._slug, ident, by))
        if held is None:
            held = self._read_or_worked_out(plan, by, ident)
            if len(self._held) >= _HELD:
                self._held.clear()
            self._held[self._slug, ident, by] = held
        return held

    def _read_or_worked_out(self, plan: p.Plan, by: str, ident: str) -> SeasonFigures:
        text = self._parts.text(self._slug, ident)
        kept = None if text is None else _read(text)
        if kept is not None and kept.by == by:
            return kept.figures
        found = figures_of(plan, self._book)
        fresh = KeptFigures(by=by, day=found.start, figures=found)
        # Where nothing can be written, they are worked out again after the next start.
        with contextlib.suppress(StorageError):
            self._parts.keep(self._slug, fresh, ident=ident, day=fresh.day)
        return found


def _read(text: str) -> KeptFigures | None:
    """Kept figures; None where another version wrote what this one cannot use."""
    try:
        return validated(text, KeptFigures)
    except PlanFaultsError:
        return None


@lru_cache(maxsize=_HELD)
def _ident(plan: p.Plan) -> str:
    return hashlib.sha256(plan.model_dump_json().encode()).hexdigest()[:32]


@lru_cache(maxsize=8)
def _worked_out_by(book: Book) -> str:
    """The rules and the book by which figures are worked out."""
    rules = hashlib.sha256(book.digest.encode())
    for source in sorted(Path(core.__file__).parent.rglob("*.py")):
        rules.update(source.read_bytes())
    return rules.hexdigest()[:32]

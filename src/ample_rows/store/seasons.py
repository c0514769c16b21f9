"""The closed seasons of each garden: the plans that it was grown by, year by year."""

import json
from collections.abc import Iterable
from functools import lru_cache

from sqlalchemy import String, cast
from sqlmodel import col, select

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.checks import usable_plan
from ample_rows.core.record.entries import SeasonPlan
from ample_rows.store.database import Database
from ample_rows.store.gardens import row_of
from ample_rows.store.rows import keep_season, pk_of
from ample_rows.store.tables import SeasonRow

_PLANS_HELD = 64


class Seasons:
    """The closed seasons of all gardens of one database."""

    def __init__(self, database: Database, book: Book) -> None:
        self._database = database
        self._book = book

    def closed(self, slug: str) -> tuple[SeasonPlan, ...]:
        """Seasons with their plans, the first first; what this version cannot use of a plan is
        set aside in it.

        Raises:
            UnknownGardenError: No such garden.
        """
        with self._database.reading() as session:
            mine = col(SeasonRow.garden_pk) == pk_of(row_of(session, slug))
            # As text: a plan that was read before is known by it.
            asked = select(col(SeasonRow.ident), cast(col(SeasonRow.document), String))
            rows = session.exec(asked.where(mine).order_by(col(SeasonRow.ident))).all()
        return tuple(SeasonPlan(id=ident, plan=_plan(text, self._book)) for ident, text in rows)

    def ids(self, slug: str) -> frozenset[str]:
        """Which seasons are closed. Raises `UnknownGardenError`."""
        with self._database.reading() as session:
            mine = col(SeasonRow.garden_pk) == pk_of(row_of(session, slug))
            return frozenset(session.exec(select(SeasonRow.ident).where(mine)).all())

    def keep_all(self, slug: str, seasons: Iterable[SeasonPlan]) -> None:
        """Keep some closed seasons, all of them or none."""
        with self._database.writing() as session:
            garden = row_of(session, slug)
            for season in seasons:
                keep_season(session, garden, season)


@lru_cache(maxsize=_PLANS_HELD)
def _plan(text: str, book: Book) -> p.Plan:
    """A closed season's plan; it never changes, and is asked for with each look at the record."""
    return usable_plan(json.loads(text), book)

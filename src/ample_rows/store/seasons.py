"""The closed seasons of each garden: the plans that it was grown by, year by year."""

from collections.abc import Iterable

from sqlmodel import col, select

from ample_rows.core.book import Book
from ample_rows.core.checks import usable_plan
from ample_rows.core.record.entries import SeasonPlan
from ample_rows.store.database import Database
from ample_rows.store.gardens import row_of
from ample_rows.store.rows import keep_season, pk_of
from ample_rows.store.tables import SeasonRow


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
            rows = session.exec(select(SeasonRow).where(mine).order_by(col(SeasonRow.ident))).all()
            documents = [(row.ident, row.document) for row in rows]
        return tuple(
            SeasonPlan(id=ident, plan=usable_plan(document, self._book))
            for ident, document in documents
        )

    def keep_all(self, slug: str, seasons: Iterable[SeasonPlan]) -> None:
        """Keep some closed seasons, all of them or none."""
        with self._database.writing() as session:
            garden = row_of(session, slug)
            for season in seasons:
                keep_season(session, garden, season)

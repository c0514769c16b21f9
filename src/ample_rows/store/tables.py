"""Tables. Each row keeps its part of the plan document, validated before it is written.

Columns beside the document are what queries and foreign keys need; the document is the
whole truth of its part, so that an export returns every value that was imported.
"""

from datetime import date, datetime
from typing import Any

from sqlalchemy import JSON, Column, ForeignKey, Index, UniqueConstraint
from sqlmodel import Field, SQLModel

Document = dict[str, Any]


def _document() -> Any:
    return Field(sa_column=Column(JSON, nullable=False))


def _parent(table: str, *, index: bool = True) -> Any:
    reference = ForeignKey(f"{table}.pk", ondelete="CASCADE")
    return Field(sa_column=Column(reference, nullable=False, index=index))


class GardenRow(SQLModel, table=True):
    """A garden: what stands in the document beside its places and plantings."""

    __tablename__ = "gardens"

    pk: int | None = Field(default=None, primary_key=True)
    slug: str = Field(unique=True, index=True)
    name: str
    document: Document = _document()
    version: int = 0
    head: int = 0
    removed_at: datetime | None = None


class CounterRow(SQLModel, table=True):
    """A number that only grows: the version given last, over all gardens that ever were."""

    __tablename__ = "counters"

    name: str = Field(primary_key=True)
    value: int


class AddressRow(SQLModel, table=True):
    """An address that a garden has or had; a new garden never gets it."""

    __tablename__ = "addresses"

    slug: str = Field(primary_key=True)


class PlaceRow(SQLModel, table=True):
    __tablename__ = "places"
    __table_args__ = (UniqueConstraint("garden_pk", "ident"),)

    pk: int | None = Field(default=None, primary_key=True)
    garden_pk: int = _parent("gardens")
    ident: str
    ordinal: int
    kind: str
    document: Document = _document()


class SupportRow(SQLModel, table=True):
    __tablename__ = "supports"
    __table_args__ = (UniqueConstraint("place_pk", "ident"),)

    pk: int | None = Field(default=None, primary_key=True)
    place_pk: int = _parent("places")
    ident: str
    ordinal: int
    system: str
    document: Document = _document()


class PlantingRow(SQLModel, table=True):
    __tablename__ = "plantings"
    __table_args__ = (UniqueConstraint("garden_pk", "ident"),)

    pk: int | None = Field(default=None, primary_key=True)
    garden_pk: int = _parent("gardens")
    place_pk: int = _parent("places")
    ident: str
    ordinal: int
    crop: str
    start_date: date
    document: Document = _document()


class RevisionRow(SQLModel, table=True):
    """One edit: the parts it touched, before and after."""

    __tablename__ = "revisions"
    __table_args__ = (UniqueConstraint("garden_pk", "number"),)

    pk: int | None = Field(default=None, primary_key=True)
    garden_pk: int = _parent("gardens")
    number: int
    label: str
    made_at: datetime
    before: Document = _document()
    after: Document = _document()


class EntryRow(SQLModel, table=True):
    """One entry of the day book; what was deleted keeps its row, so that it can be put back.

    `written` grows with every write of any entry, by which what is new since a look is found.
    """

    __tablename__ = "entries"
    __table_args__ = (
        UniqueConstraint("garden_pk", "ident"),
        Index("ix_entries_garden_day", "garden_pk", "day"),
        Index("ix_entries_garden_planting", "garden_pk", "planting"),
        Index("ix_entries_garden_written", "garden_pk", "written"),
    )

    pk: int | None = Field(default=None, primary_key=True)
    garden_pk: int = _parent("gardens", index=False)
    ident: str
    day: date
    kind: str
    season: str | None = None
    place: str | None = None
    planting: str | None = None
    crop: str | None = None
    entered_at: datetime
    removed_at: datetime | None = None
    written: int = 0
    document: Document = _document()


class SeasonRow(SQLModel, table=True):
    """A season that was closed, with the plan document that it was grown by."""

    __tablename__ = "seasons"
    __table_args__ = (UniqueConstraint("garden_pk", "ident"),)

    pk: int | None = Field(default=None, primary_key=True)
    garden_pk: int = _parent("gardens", index=False)
    ident: str
    closed_at: datetime
    document: Document = _document()


class RecordPartRow(SQLModel, table=True):
    """A part of a record beside its entries, of a `kind` that says what its document is; what was
    deleted keeps its row, so that it can be put back."""

    __tablename__ = "record_parts"
    __table_args__ = (UniqueConstraint("garden_pk", "kind", "ident"),)

    pk: int | None = Field(default=None, primary_key=True)
    garden_pk: int = _parent("gardens", index=False)
    kind: str
    ident: str
    day: date
    removed_at: datetime | None = None
    document: Document = _document()

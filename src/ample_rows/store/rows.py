"""The rows of one garden: read into parts, and brought from one set of parts to another."""

from collections.abc import Iterable, Iterator
from datetime import UTC, date, datetime
from typing import Any, TypeVar

from sqlalchemy import delete, text, update
from sqlmodel import Session, col, select

from ample_rows.core import plan as p
from ample_rows.core.record.entries import SeasonPlan
from ample_rows.store.parts import Document, Parts, Placed
from ample_rows.store.tables import (
    AddressRow,
    CounterRow,
    GardenRow,
    PlaceRow,
    PlantingRow,
    SeasonRow,
    SupportRow,
)

Part = TypeVar("Part", PlaceRow, PlantingRow)

_VERSION = "version"
_NEXT = text(
    "INSERT INTO counters (name, value) VALUES (:name, 1)"
    " ON CONFLICT (name) DO UPDATE SET value = value + 1 RETURNING value"
)
_BEGIN = datetime(2026, 1, 1, tzinfo=UTC)
_IN_ONE_STATEMENT = 10_000


def pk_of(row: GardenRow | PlaceRow) -> int:
    if row.pk is None:
        raise RuntimeError("a row was used before it was written")
    return row.pk


def next_version(session: Session) -> int:
    """A version that no garden here ever had, nor will have again."""
    given = session.connection().execute(_NEXT, {"name": _VERSION})
    return int(given.scalar_one())


def leave_versions_behind(session: Session, now: datetime) -> None:
    """Begin above all versions that this folder can have given by now.

    A copy of the file that is put back in its place knows only of those given before it was
    made; no folder gives one a second over its years.
    """
    counter = session.get(CounterRow, _VERSION)
    if counter is not None and counter.value > 0:
        counter.value = max(counter.value, int((now - _BEGIN).total_seconds()))
        session.add(counter)


def new_address(session: Session, wished: str) -> str:
    """The address wished for where no garden ever had it, else the next that is free."""
    number, slug = 1, wished
    while session.get(AddressRow, slug) is not None:
        number += 1
        slug = f"{wished}-{number}"
    session.add(AddressRow(slug=slug))
    return slug


def old_address(session: Session, slug: str) -> str:
    """The address that a restored garden had; the next free one where a garden has it now."""
    if session.exec(select(GardenRow.pk).where(GardenRow.slug == slug)).first() is not None:
        return new_address(session, slug)
    if session.get(AddressRow, slug) is None:
        session.add(AddressRow(slug=slug))
    return slug


def read(session: Session, row: GardenRow) -> Parts:
    places: dict[str, Placed] = {}
    by_pk: dict[int, Document] = {}
    for place in session.exec(select(PlaceRow).where(PlaceRow.garden_pk == pk_of(row))):
        document = dict(place.document)
        places[place.ident] = (place.ordinal, document)
        by_pk[pk_of(place)] = document
    supports = select(SupportRow).join(PlaceRow).where(PlaceRow.garden_pk == pk_of(row))
    for support in session.exec(supports.order_by(col(SupportRow.ordinal))):
        document = by_pk[support.place_pk]
        document["supports"] = [*document.get("supports", []), support.document]
    plantings = session.exec(select(PlantingRow).where(PlantingRow.garden_pk == pk_of(row)))
    return Parts(
        rest=row.document,
        places=places,
        plantings={planting.ident: (planting.ordinal, planting.document) for planting in plantings},
    )


def write(session: Session, row: GardenRow, old: Parts, new: Parts) -> None:
    """Bring the rows from one set of parts to another, touching only what differs."""
    row.version = next_version(session)
    if old.rest != new.rest:
        row.document = new.rest
        row.name = new.rest["garden"]["name"]
    gone = [i for i in old.plantings if i not in new.plantings]
    _delete(session, PlantingRow, row, gone)
    _delete(session, PlaceRow, row, [i for i in old.places if i not in new.places])
    changed_places = [i for i, placed in new.places.items() if old.places.get(i) != placed]
    changed = [i for i, placed in new.plantings.items() if old.plantings.get(i) != placed]
    place_rows = _rows(session, PlaceRow, row, set(changed_places))
    written = {
        ident: pk_of(_write_place(session, row, place_rows.get(ident), new.places[ident]))
        for ident in changed_places
    }
    # A place that was deleted took the rows of its plantings along, also of those that move.
    stand = {i for i in changed if i in old.plantings and _place(old, i) in new.places}
    moved = {i for i in changed if i not in stand or _place(old, i) != _place(new, i)}
    standing = {_place(new, i) for i in moved} - written.keys()
    place_pks = written | _place_pks(session, row, standing)
    for ident in changed:
        values = _planting_values(new.plantings[ident])
        if ident in moved:
            values["place_pk"] = place_pks[_place(new, ident)]
        if ident in stand:
            _write_over(session, row, ident, values)
        else:
            session.add(PlantingRow(garden_pk=pk_of(row), ident=ident, **values))
    session.flush()


def batched(idents: Iterable[str]) -> Iterator[list[str]]:
    """Ids in batches that one statement takes."""
    every = list(idents)
    for start in range(0, len(every), _IN_ONE_STATEMENT):
        yield every[start : start + _IN_ONE_STATEMENT]


def _rows(
    session: Session, table: type[Part], garden: GardenRow, idents: set[str]
) -> dict[str, Part]:
    """The rows of some parts, by id."""
    rows: dict[str, Part] = {}
    for some in batched(idents):
        mine = (col(table.garden_pk) == pk_of(garden)) & col(table.ident).in_(some)
        rows |= {row.ident: row for row in session.exec(select(table).where(mine))}
    return rows


def _place_pks(session: Session, garden: GardenRow, idents: set[str]) -> dict[str, int]:
    """The keys of places by id, without what is kept of them."""
    found: dict[str, int] = {}
    for some in batched(idents):
        mine = (col(PlaceRow.garden_pk) == pk_of(garden)) & col(PlaceRow.ident).in_(some)
        for ident, pk in session.exec(select(PlaceRow.ident, PlaceRow.pk).where(mine)):
            if pk is not None:
                found[ident] = pk
    return found


def _place(parts: Parts, planting: str) -> str:
    place: str = parts.plantings[planting][1]["place"]
    return place


def _planting_values(placed: Placed) -> dict[str, Any]:
    ordinal, document = placed
    return {
        "ordinal": ordinal,
        "crop": document["crop"],
        "start_date": date.fromisoformat(document["start_date"]),
        "document": document,
    }


def _write_over(session: Session, garden: GardenRow, ident: str, values: dict[str, Any]) -> None:
    mine = (col(PlantingRow.garden_pk) == pk_of(garden)) & col(PlantingRow.ident).in_([ident])
    over = update(PlantingRow).where(mine).values(**values)
    written = session.connection().execute(over)
    if written.rowcount != 1:
        raise RuntimeError(f"the row of planting {ident} was not there to be written over")


def _write_place(
    session: Session, garden: GardenRow, before: PlaceRow | None, placed: Placed
) -> PlaceRow:
    ordinal, document = placed
    row = before or PlaceRow(
        garden_pk=pk_of(garden), ident=document["id"], ordinal=0, kind="", document={}
    )
    supports = document.get("supports")
    own = {k: v for k, v in document.items() if k != "supports"}
    if supports is not None:
        own["supports"] = []
    row.ordinal, row.kind, row.document = ordinal, document["kind"], own
    session.add(row)
    session.flush()
    session.exec(delete(SupportRow).where(col(SupportRow.place_pk) == pk_of(row)))
    for position, support in enumerate(supports or []):
        session.add(
            SupportRow(
                place_pk=pk_of(row),
                ident=support["id"],
                ordinal=position,
                system=support["system"],
                document=support,
            )
        )
    return row


def _delete(
    session: Session,
    table: type[Part],
    garden: GardenRow,
    idents: list[str],
) -> None:
    for some in batched(idents):
        mine = (col(table.garden_pk) == pk_of(garden)) & col(table.ident).in_(some)
        session.exec(delete(table).where(mine))


def keep_season(session: Session, garden: GardenRow, season: SeasonPlan) -> None:
    """Keep a closed season; one closed again, after that was undone, takes its place."""
    mine = (col(SeasonRow.garden_pk) == pk_of(garden)) & (col(SeasonRow.ident) == season.id)
    row = session.exec(select(SeasonRow).where(mine)).first() or SeasonRow(
        garden_pk=pk_of(garden), ident=season.id, closed_at=datetime.now(UTC), document={}
    )
    row.closed_at, row.document = datetime.now(UTC), p.document(season.plan)
    session.add(row)

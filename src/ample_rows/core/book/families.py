"""Families of crops as growers rest them from the same ground."""

from typing import Annotated

from pydantic import Field

from ample_rows.core.book.record import Record, Status, Text


class FamilyRest(Record):
    """Years without any of a family before it comes back, and what that keeps down."""

    label: Text
    rest_years: Annotated[int, Field(ge=0, le=20)]
    keeps_down: str
    status: Status
    source: Text

"""Sheets of labels to print on."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.book.record import (
    Amount,
    Record,
    Size,
    Text,
)

Count = Annotated[int, Field(ge=1, le=100)]


class LabelSheet(Record):
    """A page of labels: how many, how large, and where from its upper left corner. [mm]

    `units` are those in which it is sold.
    """

    label: Text
    units: Literal["metric", "imperial"] = "metric"
    page_mm: tuple[Size, Size]
    columns: Count
    rows: Count
    size_mm: tuple[Size, Size]
    first_mm: tuple[Amount, Amount]
    apart_mm: tuple[Amount, Amount]
    source: Text

    @property
    def on_a_page(self) -> int:
        return self.columns * self.rows

    def corner_mm(self, index: int) -> tuple[float, float]:
        """Upper left corner of a label by its place on the page, row by row. [mm]"""
        row, column = divmod(index, self.columns)
        return (
            self.first_mm[0] + column * (self.size_mm[0] + self.apart_mm[0]),
            self.first_mm[1] + row * (self.size_mm[1] + self.apart_mm[1]),
        )

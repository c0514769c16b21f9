"""Lines of a bill: amounts of materials at the prices here, with their life."""

from collections.abc import Mapping

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.carpentry.bill_report import BillLine
from ample_rows.core.words.message import Text, message


def bill_lines(
    amounts: Mapping[str, float], build: p.Build | None, book: Book
) -> tuple[tuple[BillLine, ...], tuple[Text, ...]]:
    """Amounts of materials at the prices here, and in words whatever has no price yet."""
    lines = tuple(
        _line(name, amount, build or p.Build(), book)
        for name, amount in amounts.items()
        if amount > 0
    )
    return lines, tuple(
        message("lines-price", line=line.label) for line in lines if line.cost is None
    )


def _line(name: str, amount: float, build: p.Build, book: Book) -> BillLine:
    material = book.materials[name]
    price = next((entry.price for entry in build.prices if entry.material == name), None)
    cost = None if price is None else amount * price
    return BillLine(
        material=name,
        label=material.label,
        amount=amount,
        unit=material.unit,
        cost=cost,
        low_years=material.life_years.low,
        high_years=material.life_years.high,
        a_year=None if cost is None else cost / material.life_years.middle,
    )

"""What is to be ordered of seed, sets and plants, month by month, in time for its first use."""

from collections import defaultdict
from collections.abc import Iterator
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.job import Job, ground_job
from ample_rows.core.ask.seed_box.shopping import ShoppingRow, shopping_list
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.estimate.report import Report
from ample_rows.core.words.message import Count, Text, clauses, message


def order_jobs(plan: p.Plan, report: Report, book: Book) -> Iterator[Job]:
    """One job for all that is best ordered in the same month; none where the box has enough."""
    start = report.year.start
    before = days(book.value("order_before_days"))
    by_month: dict[str, list[tuple[date, ShoppingRow]]] = defaultdict(list)
    for row in shopping_list(plan, report.plantings, start, book).rows:
        if row.buy:
            on = max(start, row.first_use - before)
            by_month[f"{on:%Y-%m}"].append((on, row))
    for month, orders in by_month.items():
        on, last = min(on for on, _ in orders), max(on for on, _ in orders)
        rows = sorted((row for _, row in orders), key=lambda row: row.first_use)
        yield ground_job(
            None,
            f"order-{month}",
            kind="order",
            verb="Order",
            about=clauses(*(message("orders-row", row=row.name, sold=_sold(row)) for row in rows)),
            why=message(
                "orders-begun-post-takes-time", rows=rows[0].name, first_use=rows[0].first_use
            ),
            span=(on, last),
            latest=max(last, rows[0].first_use),
            minutes=book.place_minutes["order"].of(),
        )


def _sold(row: ShoppingRow) -> Text:
    """How it is sold, in short: what a packet holds stands in the shopping list."""
    if row.unit != "seeds":
        return row.as_sold
    return message("orders-packets", packets=Count(row.buy, "packet"))

"""The estimates of the gardens last seen: every question on a version asks the same value."""

import threading
from collections import OrderedDict

from ample_rows import PROGRAM
from ample_rows.core.book import Book
from ample_rows.core.book.own import own_book
from ample_rows.core.book.regions import book_in
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan import Plan

_MOST_HELD = 6


class Estimates:
    """By version, which no two states of gardens ever share."""

    def __init__(self, book: Book) -> None:
        self._book = book
        self._held: OrderedDict[int, Estimate] = OrderedDict()
        self._lock = threading.Lock()

    def of(self, version: int, plan: Plan) -> Estimate:
        """The estimate of a kept plan; its parts are worked out as they are asked for."""
        with self._lock:
            estimate = self._held.get(version)
            if estimate is None:
                # The grower's own words stay as they are, so theirs come after the region's.
                own = own_book(book_in(self._book, plan.garden.words), plan)
                estimate = Estimate(plan, own, PROGRAM)
                self._held[version] = estimate
                while len(self._held) > _MOST_HELD:
                    self._held.popitem(last=False)
            return estimate

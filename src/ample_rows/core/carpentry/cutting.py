"""Cutting pieces from boards as sold, at the least cost: exact where the count allows it.

The one-dimensional cutting-stock problem (Gilmore and Gomory 1961), solved by recursion over
what is still wanted: the longest piece left is cut next, from each board and with each way to
fill the rest of that board.
"""

import itertools
from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

Counts = tuple[int, ...]

MOST_TRIES = 150_000
"""Parts of boards looked at before a list that is only good is taken."""
_DUST_CM = 1e-6


@dataclass(frozen=True, slots=True)
class Stock:
    """A board as sold. [cm]"""

    length_cm: float
    price: float | None = None


@dataclass(frozen=True, slots=True)
class Bar:
    """So many boards of one length, all cut alike. [cm]"""

    count: int
    length_cm: float
    cuts_cm: tuple[float, ...]


@dataclass(frozen=True, slots=True)
class Cutting:
    """Boards to buy and how to cut them. `least` when nothing cheaper (without prices, nothing
    shorter) can do; the cost is null without prices. [cm]"""

    bars: tuple[Bar, ...]
    waste_cm: float
    cost: float | None
    least: bool


class TooLongError(ValueError):
    """A piece is longer than any board."""


def cut(pieces: Counter[float], stocks: tuple[Stock, ...], *, saw_cm: float = 0.0) -> Cutting:
    """The boards to buy for some pieces.

    Args:
        pieces: How many of each length. [cm]
        saw_cm: What each cut takes. [cm]

    Raises:
        TooLongError: A piece is longer than the longest board.
    """
    lengths = tuple(sorted((cm for cm, n in pieces.items() if n > 0), reverse=True))
    if not lengths:
        return Cutting((), 0.0, 0.0 if all(s.price is not None for s in stocks) else None, True)
    if not stocks or lengths[0] > max(s.length_cm for s in stocks) + _DUST_CM:
        raise TooLongError(f"{lengths[0]:g} cm is longer than any board")
    return _cut(lengths, tuple(pieces[cm] for cm in lengths), stocks, saw_cm)


@lru_cache(maxsize=256)
def _cut(
    lengths: tuple[float, ...], wanted: Counts, stocks: tuple[Stock, ...], saw_cm: float
) -> Cutting:
    """Kept: the same bed is cut again for each page that asks what it costs."""
    search = _Search(lengths, stocks, saw_cm)
    exact = search.exact(wanted)
    taken = exact if exact is not None else search.greedy(wanted)
    return _written(taken, lengths, stocks, least=exact is not None)


@dataclass
class _Search:
    lengths: tuple[float, ...]
    stocks: tuple[Stock, ...]
    saw_cm: float

    def __post_init__(self) -> None:
        priced = all(s.price is not None for s in self.stocks)
        self.worth = [s.price or 0.0 if priced else s.length_cm for s in self.stocks]
        self.tries, self.gave_up = 0, False
        self.best: dict[Counts, tuple[float, tuple[int, Counts] | None]] = {}

    def exact(self, wanted: Counts) -> list[tuple[int, Counts]] | None:
        """The cheapest boards, or None when there are too many ways to try them all."""
        try:
            self._best(wanted)
        except (_TooManyError, RecursionError):
            return None
        taken = []
        while any(wanted):
            step = self.best[wanted][1]
            assert step is not None
            taken.append(step)
            wanted = _less(wanted, step[1])
        return taken

    def greedy(self, wanted: Counts) -> list[tuple[int, Counts]]:
        """Board after board, longest pieces first, each the one with least paid a centimetre."""
        taken = []
        while any(wanted):
            fullest = dict(self._steps(wanted, firsts=True))
            step = min(fullest.items(), key=self._paid_per_cm)
            taken.append(step)
            wanted = _less(wanted, step[1])
        return taken

    def _paid_per_cm(self, step: tuple[int, Counts]) -> float:
        stock, counts = step
        used = sum(n * cm for n, cm in zip(counts, self.lengths, strict=True))
        return self.worth[stock] / used

    def _best(self, wanted: Counts) -> float:
        if not any(wanted):
            return 0.0
        if wanted in self.best:
            return self.best[wanted][0]
        best, chosen = float("inf"), None
        for stock, counts in self._steps(wanted):
            paid = self.worth[stock] + self._best(_less(wanted, counts))
            if paid < best - _DUST_CM:
                best, chosen = paid, (stock, counts)
        self.best[wanted] = (best, chosen)
        return best

    def _steps(self, wanted: Counts, *, firsts: bool = False) -> Iterator[tuple[int, Counts]]:
        """Every board cut to hold the longest piece left and filled as far as it goes.

        With `firsts`, each board only in the way that takes the longest pieces first.
        """
        first = next(i for i, n in enumerate(wanted) if n)
        for index, stock in enumerate(self.stocks):
            room = stock.length_cm + self.saw_cm - (self.lengths[first] + self.saw_cm)
            if room < -_DUST_CM:
                continue
            rest = (*wanted[:first], wanted[first] - 1, *wanted[first + 1 :])
            fillings = self._fillings(rest, first, room)
            for counts in itertools.islice(fillings, 1) if firsts else fillings:
                filled = list(counts)
                filled[first] += 1
                yield index, tuple(filled)

    def _fillings(self, wanted: Counts, at: int, room: float) -> Iterator[Counts]:
        """Ways to fill a board's rest that leave no piece out which would still go in."""
        sizes = [cm + self.saw_cm for cm in self.lengths]
        for counts, left in self._packed(wanted, at, room, (0,) * at):
            if not any(
                n < most and size <= left + _DUST_CM
                for n, most, size in zip(counts, wanted, sizes, strict=True)
            ):
                yield counts

    def _packed(
        self, wanted: Counts, at: int, room: float, before: Counts
    ) -> Iterator[tuple[Counts, float]]:
        """Counts of every length from `at` on that go into a room, most first; what is left."""
        self.tries += 1
        if self.tries > MOST_TRIES and not self.gave_up:
            self.gave_up = True
            raise _TooManyError
        if at == len(wanted):
            yield before, room
            return
        size = self.lengths[at] + self.saw_cm
        # The shortest piece goes in as often as it can: less of it would leave one out.
        most = min(wanted[at], int((room + _DUST_CM) // size))
        least = most if at == len(wanted) - 1 else 0
        for n in range(most, least - 1, -1):
            yield from self._packed(wanted, at + 1, room - n * size, (*before, n))


class _TooManyError(Exception):
    pass


def _less(wanted: Counts, taken: Counts) -> Counts:
    return tuple(w - t for w, t in zip(wanted, taken, strict=True))


def _written(
    taken: list[tuple[int, Counts]],
    lengths: tuple[float, ...],
    stocks: tuple[Stock, ...],
    *,
    least: bool,
) -> Cutting:
    alike = Counter(taken)
    bars = [
        Bar(
            count,
            stocks[stock].length_cm,
            tuple(cm for cm, n in zip(lengths, counts, strict=True) for _ in range(n)),
        )
        for (stock, counts), count in alike.items()
    ]
    prices = [stocks[stock].price for stock, _ in taken]
    cost = None if None in prices else sum(price or 0.0 for price in prices)
    waste = sum(bar.count * (bar.length_cm - sum(bar.cuts_cm)) for bar in bars)
    return Cutting(tuple(sorted(bars, key=lambda b: -b.length_cm)), waste, cost, least)

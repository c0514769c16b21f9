"""A plan made better: what the relaxed programme settled is put in lanes, and part of a plan is
taken out and that ground filled again."""

import random
from collections import defaultdict
from collections.abc import Callable, Iterator, Sequence

from ample_rows.core.ask.fill.greedy import Making, Task
from ample_rows.core.ask.fill.lanes import Placed
from ample_rows.core.patience import carry_on

_EASES = (0.3, 0.6, 1.0)
_SPAN = 8
"""Half-months of a zone that are cleared at once, at most."""


def in_lanes(task: Task, times: Sequence[int], hopeful: Sequence[int]) -> Making:
    """A plan in lanes with each candidate so many times, the widest first, and then of the most
    hopeful what gains most."""
    making = Making(task, in_lanes=True)
    one = task.candidates
    chosen = [n for n, often in enumerate(times) for _ in range(often)]
    for number in sorted(chosen, key=lambda n: (-one[n].width, one[n].begins, one[n].ends)):
        making.put_if_allowed(number)
    making.fill(hopeful, _EASES[1])
    return making


def improving(
    making: Making,
    *,
    hopeful: Sequence[int],
    seed: int,
    carries_on: Callable[[int], bool],
) -> Iterator[float]:
    """Make a plan better in place: part of a zone or of a crop is taken out and filled again, and
    put back as it was where that is no better.

    Args:
        hopeful: The candidates that are tried.
        carries_on: Whether to go on after so many tries.

    Yields:
        What the plan is worth, each time that it is worth more.
    """
    chance, task = random.Random(seed), making.task
    in_zone: dict[int, list[int]] = defaultdict(list)
    for number in hopeful:
        in_zone[task.candidates[number].zone].append(number)
    tries, total = 0, making.total()
    while in_zone and carries_on(tries):
        carry_on()
        tries += 1
        zone = chance.choice(sorted(in_zone))
        first = chance.randrange(24)
        out = [
            (placed, number)
            for placed, number in making.at.items()
            if placed.candidate.zone == zone
            and placed.candidate.begins < first + _SPAN
            and placed.candidate.ends > first
        ]
        if len(out) > 2:
            out = chance.sample(out, chance.randint(2, len(out)))
        before = list(making.at)
        for placed, _ in out:
            making.take_out(placed)
        making.fill(in_zone[zone], chance.choice(_EASES))
        now = making.total()
        if now >= total - 1e-9 and _keeps(making, task):
            if now > total + 1e-9:
                yield now
            total = now
            continue
        _restore(making, before, out)


def _keeps(making: Making, task: Task) -> bool:
    """Whether all that must be in still is."""
    return all(making.times.get(crop, 1) > 0 for crop in task.must)


def _restore(making: Making, before: list[Placed], out: list[tuple[Placed, int]]) -> None:
    was = set(before)
    for placed in [placed for placed in making.at if placed not in was]:
        making.take_out(placed)
    for placed, number in out:
        making.put_back(placed, number)

"""Squares shared on purpose, and what each crop there takes of the other: one set between the
plants of another, or the next started under the last.

Crowding adds up over kinds: each asks for the ground of its own usual spacing, for the time and
as far as its leaves have spread (Spitters 1983 gives the law for mixtures its additive form).
"""

from dataclasses import dataclass, replace
from datetime import timedelta
from functools import lru_cache

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.calendar.dates import Dates, dates_of
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.planting.cases import (
    Case,
    PlaceCase,
    SetOut,
    Sharing,
)
from ample_rows.core.planting.growth import size_shares, standing_of
from ample_rows.core.planting.set_out import case_of, set_out

_STEP = timedelta(days=7)

Pairs = tuple[tuple[p.Planting, p.Planting], ...]


@dataclass(frozen=True, eq=False)
class _Grown:
    """One planting of a mixed square: where it stands, and when."""

    case: Case
    stands: SetOut
    dates: Dates


def sharings(here: PlaceCase, plantings: tuple[p.Planting, ...]) -> tuple[Sharing, ...]:
    """What shares the squares of every planting that another stands between, and of that one;
    and of those of which the next starts under the last.

    Args:
        here: The place by itself.
        plantings: All of its plantings.
    """
    hosts = {planting.id: planting for planting in plantings}
    pairs = tuple((guest, hosts[guest.between or ""]) for guest in plantings if guest.between)
    relays = tuple(
        (guest, hosts[guest.follows or ""]) for guest in plantings if _may_relay(guest, hosts)
    )
    return _shared(here, pairs, relays) if pairs or relays else ()


def _may_relay(guest: p.Planting, hosts: dict[str, p.Planting]) -> bool:
    """Whether a follow-on may start before the last is cleared, by what the plan itself says."""
    host = hosts.get(guest.follows or "")
    if host is None or guest.between == host.id:
        return False
    return host.clear_date is None or guest.start_date < host.clear_date


@lru_cache(maxsize=512)
def _shared(here: PlaceCase, pairs: Pairs, relays: Pairs) -> tuple[Sharing, ...]:
    sharings_by: dict[str, Sharing] = {}
    for guest, host in (*pairs, *relays):
        cases = case_of(host, here), case_of(guest, here)
        # Told by dates alone first: most that follow another never meet it.
        if not _meet(*(_dates(case) for case in cases)):
            continue
        under, among = (_grown(case) for case in cases)
        on_one_support = guest.support is not None and guest.support == host.support
        if guest.between == host.id or on_one_support:
            off = Sharing(guest.id, 0.0, "", under.stands.positions, under.stands.spacing_cm)
            among = replace(among, stands=set_out(replace(among.case, sharing=off)))
            sharings_by[guest.id] = off
        if set(among.stands.taken) & set(under.stands.taken):
            _ask(sharings_by, guest.id, of=among, by=under)
            _ask(sharings_by, host.id, of=under, by=among)
    return tuple(sharings_by.values())


def _ask(sharings_by: dict[str, Sharing], planting: str, *, of: _Grown, by: _Grown) -> None:
    """Let one planting ask for ground of another, beside what others ask already."""
    before = sharings_by.get(planting) or Sharing(planting, 0.0, "")
    names = dict.fromkeys([*filter(None, [before.asked_by]), by.case.crop.name])
    asked = before.asked + _asked(by, of)
    sharings_by[planting] = replace(before, asked=asked, asked_by=" and ".join(names))


def _grown(case: Case) -> _Grown:
    return _Grown(case, set_out(case), _dates(case))


def _dates(case: Case) -> Dates:
    crop, year, book = case.crop, case.setting.year, case.book
    scale = crop.picking_scale(case.training)
    return dates_of(case.planting, crop, year, book, picking=scale)


def _meet(one: Dates, other: Dates) -> bool:
    return one.start < other.clear and other.start < one.clear


def _asked(one: _Grown, of: _Grown) -> float:
    """Ground that one planting asks for in the squares of another, over the other's time, as a
    share of those squares."""
    grid = grid_of(one.case.place)
    areas = {address: cell.area_cm2 for address, cell in grid.cells.items()}
    own = sum(areas[a] for a in one.stands.taken)
    there = sum(areas[a] for a in of.stands.taken)
    both = sum(areas[a] for a in set(one.stands.taken) & set(of.stands.taken))
    if not (own and there):
        return 0.0
    return one.stands.asked_share * both / there * _spread_over(one, of.dates)


def _spread_over(one: _Grown, dates: Dates) -> float:
    """How far the leaves of a planting have spread, in the mean over another's time. [0-1]"""
    weeks = range(0, (dates.clear - dates.start).days, _STEP.days)
    ages = np.array([(dates.start - one.dates.start).days + week for week in weeks], dtype=float)
    there = (ages >= 0) & (ages < (one.dates.clear - one.dates.start).days)
    case, old = one.case, np.maximum(ages, 0.0)
    across = size_shares(case.planting, case.crop, one.dates, old, case.book)
    left = standing_of(case.crop, one.dates, old, case.book)
    return float(np.where(there, across**2 * left, 0.0).mean())

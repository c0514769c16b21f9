"""Where a container stands on a day: spots that it is carried to, every year anew."""

from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p


@dataclass(frozen=True)
class Spot:
    """A place's origin in the yard and the way that it points. [m, degrees]"""

    at_m: p.PointM
    heading_deg: float


def stay_on(place: p.Place, day: date) -> p.Stay | None:
    """The stay that a day of any year falls in; the first given where several do."""
    return next((stay for stay in place.stays if covers(stay, day)), None)


def covers(stay: p.Stay, day: date) -> bool:
    """Whether a day of any year falls in a stay; its last day is the one before `until`."""
    since, until, on = ((d.month, d.day) for d in (stay.since, stay.until, day))
    return since <= on < until if since < until else on >= since or on < until


def spot_of(place: p.Place, stay: p.Stay | None) -> Spot | None:
    """The spot of a stay, or where the place is drawn; None where neither is known."""
    at = (stay.at_m if stay else None) or place.at_m
    if at is None:
        return None
    heading = stay.heading_deg if stay and stay.heading_deg is not None else place.heading_deg
    return Spot(at, heading or 0.0)


def spot_on(place: p.Place, day: date) -> Spot | None:
    """Where a place stands on a day."""
    return spot_of(place, stay_on(place, day))

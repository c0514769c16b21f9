"""Workings of a place's weight, water, ways to water and feed, worked out when asked for."""

from dataclasses import dataclass

from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.place.view import place_view
from ample_rows.core.place.watering import lines_for, wanted_in_a_dry_week, watered
from ample_rows.core.place.written_up import eaters_of
from ample_rows.core.soil.feed import crop_working
from ample_rows.core.soil.weight import weight_working
from ample_rows.core.water.need import need_working
from ample_rows.core.water.ways import way_working
from ample_rows.core.words.working import Term


@dataclass(frozen=True, slots=True)
class PlaceWorkings:
    """Sums by figure: the weight, the thirstiest month, each way to water, each planting's feed.

    Without a climate, water and ways are empty.
    """

    weight: tuple[Term, ...]
    water: tuple[Term, ...]
    ways: dict[str, tuple[Term, ...]]
    feed: dict[str, tuple[Term, ...]]


def place_workings(estimate: Estimate, place_id: str) -> PlaceWorkings:
    """The sums behind one place of a plan.

    Raises:
        UnknownPartError: There is no such place.
    """
    book = estimate.book
    view = place_view(estimate.place(place_id), estimate.evaluated(place_id))
    place, setting, need = view.place, view.setting, view.need
    water: tuple[Term, ...] = ()
    ways: dict[str, tuple[Term, ...]] = {}
    if need is not None and setting.air is not None:
        what = watered(
            place, view.plantings, setting, around=view.around, fill=view.fill, book=book
        )
        lines = lines_for(place, view.plantings, book)
        wanted = wanted_in_a_dry_week(need, place, view.around)
        water = need_working(what, need.thirstiest, setting.air, book)
        ways = {name: way_working(name, wanted, lines, book) for name in book.water_ways}
    return PlaceWorkings(
        weight=weight_working(place, view.fill, book),
        water=water,
        ways=ways,
        feed={e.planting: crop_working(e, book) for e in eaters_of(place, view.plantings)},
    )

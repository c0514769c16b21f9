"""Margin notes: faults, cautions and tips, each a sentence with a cause and what mends it.

Every rule is one small function over an evaluated place; adding a note is adding one
to the table below.
"""

from collections.abc import Callable, Iterator
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import frosts_at_odds, growing_year, is_frost_free
from ample_rows.core.notes.cautions import crop_cautions, support_caution
from ample_rows.core.notes.clashes import clashes
from ample_rows.core.notes.close import none_fit, over_the_wall, stands_close
from ample_rows.core.notes.depth import depth_short, ground_below
from ample_rows.core.notes.families import family_again
from ample_rows.core.notes.giving_way import giving_way
from ample_rows.core.notes.mixed import mixed
from ample_rows.core.notes.note import Note, of_garden
from ample_rows.core.notes.set_aside import no_figures, not_usable
from ample_rows.core.notes.shelter import (
    animals,
    exposed,
    garden_wide,
    material,
    measured_outside,
    rim,
    room_to_kneel,
)
from ample_rows.core.notes.soil import floor, heavy, load, woody_base
from ample_rows.core.notes.standing import (
    low_light,
    missing_support,
    shaded_by_support,
    too_small,
    unusual_start,
)
from ample_rows.core.notes.timing import (
    idle_ground,
    last_years,
    likely_end,
    turn_round,
    wrong_time,
)
from ample_rows.core.notes.weather import (
    hot_spells,
    mild_winter,
    runs_to_seed,
    winter_cold,
    wrong_weeks,
)
from ample_rows.core.notes.yard import (
    fall,
    lies_amiss,
    long_walk,
    out_of_sight,
    path_beside,
    paths_too_narrow,
    reach,
    tree_roots,
    water,
)
from ample_rows.core.place.view import PlaceView
from ample_rows.core.words.message import Message, Temperature, listed, message

__all__ = ["garden_notes", "guessed_keys", "no_figures", "place_notes"]

Rule = Callable[[PlaceView], Iterator[Note]]

RULES: tuple[Rule, ...] = (
    clashes,
    none_fit,
    lies_amiss,
    depth_short,
    missing_support,
    shaded_by_support,
    wrong_time,
    hot_spells,
    wrong_weeks,
    runs_to_seed,
    mild_winter,
    winter_cold,
    low_light,
    too_small,
    stands_close,
    over_the_wall,
    unusual_start,
    likely_end,
    last_years,
    turn_round,
    family_again,
    giving_way,
    mixed,
    ground_below,
    idle_ground,
    crop_cautions,
    support_caution,
    reach,
    path_beside,
    long_walk,
    water,
    out_of_sight,
    tree_roots,
    fall,
    floor,
    load,
    heavy,
    woody_base,
    rim,
    room_to_kneel,
    exposed,
    animals,
    material,
    measured_outside,
)
_ORDER = {"stop": 0, "care": 1, "tip": 2}


def place_notes(view: PlaceView) -> tuple[Note, ...]:
    """All notes on one place, the gravest first."""
    notes = [note for rule in RULES for note in rule(view)]
    return tuple(sorted(notes, key=lambda note: _ORDER[note.level]))


_Said = tuple[str, Message, Message | None]


def garden_notes(plan: p.Plan, book: Book) -> Iterator[Note]:
    """What concerns the whole plan: things guessed, things not computed, its paths."""
    yield from not_usable(plan)
    yield from paths_too_narrow(plan.site or p.Site(), book)
    yield from garden_wide(plan.site or p.Site(), plan.places, book)
    for code, text, fix in _not_entered(plan.garden, book):
        yield of_garden("tip", code, text, fix)


@lru_cache(maxsize=64)
def _not_entered(garden: p.Garden, book: Book) -> tuple[_Said, ...]:
    return tuple(_not_known(garden, book))


def _not_known(garden: p.Garden, book: Book) -> Iterator[_Said]:
    """What is guessed, looks wrong or is not known of the garden: code, text and what to do."""
    guessed = guessed_keys(garden)
    if guessed:
        dates = listed((key.replace("_", " ") for key in guessed), "and")
        text = message("garden-dates-guessed", dates=dates, number=len(guessed))
        yield "guessed", text, message("garden-enter-dates")
    climate = garden.climate
    if is_frost_free(climate, book):
        yield "no-frost", message("garden-no-frost"), message("garden-correct-lows")
    for day, low in frosts_at_odds(growing_year(garden, book), book):
        text = message("garden-frosts-at-odds", day=day, low=Temperature(low))
        yield "frosts-at-odds", text, message("garden-which-is-used")
    yield from _winter_low_at_odds(garden, book)
    if garden.policies.time == "thermal" and not (climate and climate.tmin_c and climate.tmax_c):
        enter = message("garden-enter-weather")
        yield "warmth-unknown", message("garden-warmth-unknown"), enter
    if garden.household is None or not garden.household.wants:
        yield "wants-unknown", message("garden-wants-unknown"), None


def _winter_low_at_odds(
    garden: p.Garden, book: Book
) -> Iterator[tuple[str, Message, Message | None]]:
    """An entered winter low that the monthly lows do not bear out."""
    low, climate = garden.winter_low_c, garden.climate
    if low is None or climate is None or climate.tmin_c is None:
        return
    usual = min(climate.tmin_c)
    if usual - book.value("winter_low_most_below_c") <= low <= usual:
        return
    text = message("garden-winter-low-at-odds", low=Temperature(low), usual=Temperature(usual))
    yield "winter-low-at-odds", text, message("garden-winter-low-is-used")


def guessed_keys(garden: p.Garden) -> tuple[str, ...]:
    """Names of garden keys that were guessed, kept under the plan's own `x-guessed`."""
    raw = (garden.__pydantic_extra__ or {}).get("x-guessed", [])
    return tuple(str(key) for key in raw) if isinstance(raw, list) else ()

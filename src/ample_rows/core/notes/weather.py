"""Notes on the usual weather of a planting's weeks: what heat, cool weeks, running to seed and
winter's cold take of it. They speak of the same figures that its harvest is made of."""

from collections.abc import Iterator

from ample_rows.core.calendar.cold import deadly_c
from ample_rows.core.calendar.dates import grows_in_heat, hottest_month
from ample_rows.core.notes.note import Fix, Level, Note
from ample_rows.core.notes.view import change_planting, named
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.words.message import Message, Share, Temperature, message, verbatim

_TROUBLE = "heat"
_SETS_LESS = message("weather-flowers-drop-without-setting")
_SUFFERS = {
    "fruit": _SETS_LESS,
    "pod": _SETS_LESS,
    "seed": _SETS_LESS,
    "bulb": message("weather-stops-growing"),
    "root": message("weather-roots-turn-coarse-or"),
}
_BOLTS = message("weather-runs-to-seed-turns-bitter")
_SAID, _GRAVE = 0.1, 0.4
"""Shares of a harvest from which a loss is said, and from which it is a matter of care."""
_COOL_SAID = 0.3


def _level(loss: float) -> Level:
    return "care" if loss >= _GRAVE else "tip"


def hot_spells(view: PlaceView) -> Iterator[Note]:
    """Crops of which days warmer than their best take a part."""
    trouble = view.book.troubles[_TROUBLE]
    for e in view.plantings:
        loss = e.chances.weeks.heat
        hottest = hottest_month(view.setting.year, e.dates)
        if e.dates.first_pick is None or loss < _SAID or hottest is None:
            continue
        month, high_c = hottest
        yield _weather_note(
            view,
            e,
            level=_level(loss),
            code="hot-spells",
            text=message(
                "weather-days-usual-take",
                high=Temperature(high_c),
                month=f"{month:%B}",
                planting=named(e),
                share=Share(loss),
                get=_SUFFERS.get(e.crop.group, _BOLTS),
            ),
            fix=verbatim(trouble.lessens),
            fixes=tuple(_kinds(view, e)),
        )


def wrong_weeks(view: PlaceView) -> Iterator[Note]:
    """Crops whose weeks here are too cool, or too warm, to give what the book says."""
    for e in view.plantings:
        weeks = e.chances.weeks
        other = (1 - weeks.heat) * weeks.kept * weeks.chilled
        warm = weeks.warmth / max(0.05, other)
        loss = 1 - warm
        if e.dates.first_pick is None or loss < _COOL_SAID:
            continue
        code, fix = "cool-weeks", message("weather-warmer")
        if grows_in_heat(view.setting.year, e.crop, e.dates):
            code, fix = "warm-weeks", message("weather-cooler")
            text = message("weather-warm", planting=named(e), share=Share(warm))
        elif weeks.sets < 1 - 2 * _SAID and weeks.heat < _SAID:
            text = message("weather-flowers-cold", planting=named(e), share=Share(warm))
        else:
            text = message("weather-cool", planting=named(e), share=Share(warm))
        level = _level(loss - _SAID)
        yield _weather_note(view, e, level=level, code=code, text=text, fix=fix)


def runs_to_seed(view: PlaceView) -> Iterator[Note]:
    """Crops that run to seed from this start."""
    for e in view.plantings:
        seeds = e.dates.seeds
        kept = e.chances.weeks.kept * (1.0 if seeds is None else e.dates.picked_share)
        loss = 1 - kept
        if e.dates.first_pick is None or loss < _SAID:
            continue
        if seeds is None:
            text = message("weather-bolts", planting=named(e), share=Share(loss))
        else:
            text = message("weather-seeds", planting=named(e), day=seeds, share=Share(loss))
        yield _weather_note(
            view,
            e,
            level=_level(loss),
            code="runs-to-seed",
            text=text,
            fix=message("weather-other-weeks", start=e.report.window.earliest),
        )


def mild_winter(view: PlaceView) -> Iterator[Note]:
    """Crops whose buds want a colder winter than there is here."""
    for e in view.plantings:
        loss = 1 - e.chances.weeks.chilled
        if loss < _SAID:
            continue
        yield _weather_note(
            view,
            e,
            level=_level(loss),
            code="mild-winter",
            text=message("weather-mild-winter", planting=named(e), share=Share(1 - loss)),
            fix=message("weather-kinds-of-low-chill"),
        )


def winter_cold(view: PlaceView) -> Iterator[Note]:
    """Crops that many winters here kill before they are picked."""
    for e in view.plantings:
        if e.dates.frost is not None or e.chances.had is None:
            continue
        dies = 1 - e.report.survival
        if dies < _SAID:
            continue
        yield _weather_note(
            view,
            e,
            level="care" if dies < 1 - _GRAVE else "stop",
            code="winter-cold",
            text=message(
                "weather-dies",
                planting=named(e),
                winters=round(dies * 10),
                bears=Temperature(deadly_c(e.crop)),
            ),
            fix=message("weather-cover-or-hardier"),
        )


def _weather_note(
    view: PlaceView,
    e: Evaluated,
    *,
    level: Level,
    code: str,
    text: Message,
    fix: Message,
    fixes: tuple[Fix, ...] = (),
) -> Note:
    return Note(
        level=level,
        code=code,
        place=view.place.id,
        planting=e.planting.id,
        text=text,
        fix=fix,
        fixes=fixes,
        cells=e.report.cells,
    )


def _kinds(view: PlaceView, e: Evaluated) -> Iterator[Fix]:
    """Kinds of the same crop that bear heat better."""
    book, rank = view.book, ("little", "some", "well")
    own = rank.index(book.withstands(e.crop).get(_TROUBLE, "some"))
    root = e.crop.variety_of or e.crop.id
    for other in book.crops.values():
        if root not in (other.id, other.variety_of):
            continue
        grade = book.withstands(other).get(_TROUBLE)
        if grade is not None and rank.index(grade) > own:
            variety = None if other.id == root else other.id
            label = message("weather-instead", other=other.name)
            yield Fix(label=label, edit=change_planting(e, crop=root, variety=variety))

"""Notes on the usual weather of a planting's weeks against what its kind bears."""

from collections.abc import Iterator

from ample_rows.core.calendar.dates import hottest_month
from ample_rows.core.notes.note import Fix, Level, Note
from ample_rows.core.notes.view import change_planting, named
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.words.message import Temperature, message, verbatim

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
_LEVEL: dict[str, Level] = {"little": "care", "some": "tip"}


def hot_spells(view: PlaceView) -> Iterator[Note]:
    """Crops that stand through days hotter than they grow well in, and do not bear it well."""
    trouble = view.book.troubles[_TROUBLE]
    for e in view.plantings:
        grade = view.book.withstands(e.crop).get(_TROUBLE)
        hottest = hottest_month(view.setting.year, e.dates)
        if grade not in _LEVEL or hottest is None or hottest[1] <= e.crop.ceiling_temperature_c:
            continue
        month, high_c = hottest
        bears = (
            message("weather-little-heat") if grade == "little" else message("weather-some-heat")
        )
        yield Note(
            level=_LEVEL[grade],
            code="hot-spells",
            place=view.place.id,
            planting=e.planting.id,
            text=message(
                "weather-days-usual-bears",
                high=Temperature(high_c),
                month=f"{month:%B}",
                planting=named(e),
                bears=bears,
                get=_SUFFERS.get(e.crop.group, _BOLTS),
            ),
            fix=verbatim(trouble.lessens),
            fixes=tuple(_kinds(view, e)),
            cells=e.report.cells,
        )


def _kinds(view: PlaceView, e: Evaluated) -> Iterator[Fix]:
    """Kinds of the same crop that bear heat better."""
    book, rank = view.book, ("little", "some", "well")
    own = rank.index(book.withstands(e.crop)[_TROUBLE])
    root = e.crop.variety_of or e.crop.id
    for other in book.crops.values():
        if root not in (other.id, other.variety_of):
            continue
        grade = book.withstands(other).get(_TROUBLE)
        if grade is not None and rank.index(grade) > own:
            variety = None if other.id == root else other.id
            label = message("weather-instead", other=other.name)
            yield Fix(label=label, edit=change_planting(e, crop=root, variety=variety))

"""Margin notes: faults, cautions and tips, each a sentence with a cause and what mends it.

Every rule is one small function over an evaluated place; adding a note is adding one.
Lengths are always said in cm and weights in kg: the interface turns them into the
grower's units.
"""

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import cells as grid_words
from ample_rows.core import edits, places, roots, season, supports
from ample_rows.core import plan as p
from ample_rows.core.planting import Evaluated, Setting
from ample_rows.core.reference import Book
from ample_rows.core.report import Fix, IdleSpell, Level, Note, SupportReport

REDUCED_WORTH_SAYING = 0.97
LOW_LIGHT_WORTH_SAYING = 0.92
SHORT_PICKING = 0.6
LEAST_IDLE_DAYS = 28
MOST_IDLE_NOTES = 2


@dataclass(frozen=True)
class PlaceView:
    """An evaluated place as the note rules see it."""

    place: p.Place
    plantings: tuple[Evaluated, ...]
    idle: tuple[IdleSpell, ...]
    supports: tuple[SupportReport, ...]
    setting: Setting
    book: Book


Rule = Callable[[PlaceView], Iterator[Note]]


def day_words(day: date) -> str:
    return f"{day.day} {day:%B}"


def _named(e: Evaluated) -> str:
    where = grid_words.span_words(e.report.cells) if e.report.cells else e.planting.id
    return f"{e.crop.name} in {where}"


def _capital(text: str) -> str:
    return text[:1].upper() + text[1:]


def _change(e: Evaluated, **changes: object) -> edits.Edit:
    return edits.ChangePlanting(id=e.planting.id, changes=changes)


def _change_place(view: PlaceView, **changes: object) -> edits.Edit:
    return edits.ChangePlace(id=view.place.id, changes=changes)


def clashes(view: PlaceView) -> Iterator[Note]:
    """Two plantings that hold the same cell on the same day."""
    ordered = sorted(view.plantings, key=lambda e: (e.dates.start, e.planting.id))
    for index, first in enumerate(ordered):
        for second in ordered[index + 1 :]:
            shared = [c for c in first.report.cells if c in set(second.report.cells)]
            start = max(first.dates.start, second.dates.start)
            end = min(first.dates.clear, second.dates.clear)
            if not shared or start >= end:
                continue
            fixes = [
                Fix(
                    f"Start the {second.crop.name} on {day_words(first.dates.clear)}",
                    _change(second, start_date=first.dates.clear.isoformat()),
                )
            ]
            if first.dates.first_pick and second.dates.start > first.dates.first_pick:
                fixes.append(
                    Fix(
                        f"Clear the {first.crop.name} on {day_words(second.dates.start)}",
                        _change(first, clear_date=second.dates.start.isoformat()),
                    )
                )
            last = end - timedelta(days=1)
            yield Note(
                "stop",
                "clash",
                view.place.id,
                second.planting.id,
                f"{_capital(first.crop.name)} and {second.crop.name} both hold "
                f"{grid_words.span_words(shared)} from {day_words(start)} to {day_words(last)}.",
                "Move one of them, or clear the first sooner.",
                tuple(fixes),
                tuple(shared),
            )


def none_fit(view: PlaceView) -> Iterator[Note]:
    """A planting whose spacing does not fit its ground."""
    for e in view.plantings:
        if e.report.plants:
            continue
        cell = view.place.cell_cm or grid_words.DEFAULT_CELL_CM
        wide = max(1, -(-int(e.report.spacing_cm * 100 - 1) // int(cell * 100)))
        text = (
            f"No {e.crop.name} fits here: plants stand {e.report.spacing_cm:g} cm apart and keep "
            f"half of that from walls and other crops."
        )
        fix = f"Give it a block of {wide} × {wide} squares, or plant closer."
        if e.planting.support and not places.edges(view.place, view.setting.north_deg):
            text = f"The support for {e.crop.name} needs a straight side; this place is round."
            fix = "Grow it in a bed with straight sides, or without the support."
        fixes: tuple[Fix, ...] = ()
        if not e.planting.support and e.report.layout != "single-squares" and wide == 1:
            fixes = (Fix("Set one in each square", _change(e, layout="single-squares")),)
        yield Note("stop", "none-fit", view.place.id, e.planting.id, text, fix, fixes)


def depth_short(view: PlaceView) -> Iterator[Note]:
    """Too little depth, or too little soil a plant, with what would mend it.

    What stops a crop is said for each; what only lessens it is said once for the place.
    """
    reduced = []
    for e in view.plantings:
        depth = e.depth
        if depth.verdict == "reduced" and depth.factor < REDUCED_WORTH_SAYING:
            reduced.append(e)
        elif depth.verdict in ("root-too-long", "too-shallow"):
            fixes = tuple(_depth_fixes(view, e))
            yield Note(
                "stop",
                depth.verdict,
                view.place.id,
                e.planting.id,
                _depth_stop_words(e),
                "; ".join(f.label for f in fixes) or "Grow it in a deeper place.",
                fixes,
                e.report.cells,
            )
    if reduced:
        yield _reduced_note(view, reduced)


def _depth_stop_words(e: Evaluated) -> str:
    depth, name = e.depth, _capital(e.crop.name)
    if depth.verdict == "root-too-long":
        return (
            f"{name} grows a root {e.crop.edible_root_cm:g} cm long; this place gives "
            f"{depth.usable_cm:g} cm, so the roots fork or bend."
        )
    lost = _percent_lost(depth.factor)
    if depth.governed_by == "litres":
        return (
            f"{name} has {depth.litres_per_plant:.1f} L of soil a plant and needs "
            f"{e.crop.least_litres:g} L at the least. Expect about {lost} % less."
        )
    return (
        f"Too shallow for {e.crop.name}: it needs {depth.least_cm:g} cm at the least, and "
        f"there is {depth.usable_cm:g} cm. Expect about {lost} % less."
    )


def _reduced_note(view: PlaceView, reduced: list[Evaluated]) -> Note:
    worst = min(reduced, key=lambda e: e.depth.factor)
    wants = ", ".join(
        dict.fromkeys(
            f"{e.crop.name} {e.crop.full_litres:g} L a plant"
            if e.depth.governed_by == "litres"
            else f"{e.crop.name} {e.depth.full_cm:g} cm"
            for e in sorted(reduced, key=lambda e: e.depth.factor)
        )
    )
    gives = (
        f"a plant has {worst.depth.litres_per_plant:.1f} L"
        if worst.depth.governed_by == "litres"
        else f"roots have {worst.depth.usable_cm:g} cm"
    )
    fixes = tuple(_depth_fixes(view, worst))
    return Note(
        "care",
        "reduced",
        view.place.id,
        worst.planting.id if len(reduced) == 1 else None,
        f"Here {gives}; at their best: {wants}. Expect "
        f"{_span_lost(e.depth.factor for e in reduced)} less.",
        "; ".join(f.label for f in fixes) or "Grow it in a deeper place.",
        fixes,
        _all_cells(reduced),
    )


def _percent_lost(factor: float) -> int:
    return round((1 - factor) * 100)


def _span_lost(factors: Iterable[float]) -> str:
    """Losses in words: "about 12 %", or "12–35 %" for several."""
    lost = sorted({_percent_lost(f) for f in factors})
    return f"about {lost[0]} %" if len(lost) == 1 else f"{lost[0]}–{lost[-1]} %"


def _all_cells(plantings: Iterable[Evaluated]) -> tuple[str, ...]:
    return tuple(dict.fromkeys(c for e in plantings for c in e.report.cells))


def _depth_fixes(view: PlaceView, e: Evaluated) -> Iterator[Fix]:
    place, depth = view.place, e.depth
    if depth.governed_by == "litres":
        return
    needed = max(depth.full_cm, e.crop.edible_root_cm or 0.0)
    missing = needed - depth.usable_cm
    gap = places.rim_gap_cm(place)
    if roots.roots_pass(places.bottom(place)) and place.kind != "container":
        loosened = (place.loosened_below_cm or 0.0) + missing
        yield Fix(f"Loosen {missing:g} cm deeper", _change_place(view, loosened_below_cm=loosened))
    elif gap > 0 and missing < gap:
        yield Fix(f"Fill {missing:g} cm higher", _change_place(view, rim_gap_cm=gap - missing))
    elif place.kind != "container":
        wall = place.wall_height_cm + missing
        yield Fix(f"Build the wall {missing:g} cm higher", _change_place(view, wall_height_cm=wall))
    for other in view.book.crops.values():
        related = other.variety_of == e.crop.id
        if related and (other.edible_root_cm or 0) <= depth.usable_cm >= other.least_depth_cm:
            yield Fix(f"Grow a {other.name} instead", _change(e, crop=other.id, variety=None))


def missing_support(view: PlaceView) -> Iterator[Note]:
    """Climbers with nothing to climb, and crops on a support that do not climb."""
    for e in view.plantings:
        if e.climbs_without_support:
            lost = _percent_lost(e.report.factors.training)
            yield Note(
                "care",
                "no-support",
                view.place.id,
                e.planting.id,
                f"{_capital(_named(e))} has nothing to climb; lying on the ground it gives "
                f"about {lost} % less.",
                "Give it a net, or plant it along one.",
                tuple(_support_fixes(view, e)),
            )
        elif e.lone_support:
            yield Note(
                "tip",
                "does-not-climb",
                view.place.id,
                e.planting.id,
                f"{_capital(e.crop.name)} does not climb; the support does nothing for it.",
                "Keep the support for a climbing crop.",
            )


def _support_fixes(view: PlaceView, e: Evaluated) -> Iterator[Fix]:
    system = next((t.system for t in e.crop.trainings if t.system != "ground"), None)
    if system is None:
        return
    standing = next((s for s in view.place.supports if s.system == system), None)
    if standing is not None:
        yield Fix("Plant it along the net that is there", _change(e, support=standing.id))
        return
    if not places.edges(view.place, view.setting.north_deg):
        return
    height = view.book.trainings[system].height_cm
    ident = next(
        n
        for n in ("net", *(f"net-{i}" for i in range(2, 99)))
        if n not in {s.id for s in view.place.supports}
    )
    added = {"id": ident, "height_cm": height, "system": system}
    existing = [p.document(s) for s in view.place.supports]
    yield Fix(
        f"Put up a net {height:g} cm high on the pole-ward side",
        edits.Together(
            edits=[
                edits.ChangePlace(id=view.place.id, changes={"supports": [*existing, added]}),
                edits.ChangePlanting(id=e.planting.id, changes={"support": ident}),
            ]
        ),
    )


def shaded_by_support(view: PlaceView) -> Iterator[Note]:
    """A support on the equator-ward side shades its own bed."""
    for support in view.place.supports:
        edge = supports.edge_of(
            view.place,
            support,
            latitude=view.setting.latitude,
            north_deg=view.setting.north_deg,
        )
        if edge is None or not supports.shades_own_bed(edge, view.setting.latitude, view.book):
            continue
        side = "south" if view.setting.latitude >= 0 else "north"
        moved = [
            {k: v for k, v in p.document(s).items() if k != "edge" or s.id != support.id}
            for s in view.place.supports
        ]
        yield Note(
            "care",
            "shades-own-bed",
            view.place.id,
            None,
            f"The net on the {side} side stands between its bed and the midday sun and shades "
            "the squares behind it.",
            "Put it on the pole-ward side, where its shade falls outside.",
            (Fix("Move it to the pole-ward side", _change_place(view, supports=moved)),),
        )


def support_caution(view: PlaceView) -> Iterator[Note]:
    """The usual caution where a tall support stands."""
    for caution in {s.caution for s in view.supports if s.caution}:
        yield Note("tip", "support-caution", view.place.id, None, caution, None)


def wrong_time(view: PlaceView) -> Iterator[Note]:
    """Starts too early for frost or soil, or too late to be picked."""
    for e in view.plantings:
        window, start = e.report.window, e.dates.start
        if e.crop.overwinters or window.latest < window.earliest:
            if e.dates.first_pick is None:
                yield _no_pick(view, e, ())
            continue
        earliest = Fix(
            f"Start on {day_words(window.earliest)}",
            _change(e, start_date=window.earliest.isoformat()),
        )
        if start < window.earliest and start >= view.setting.year.start:
            risk = round((1 - e.dates.frost_survival) * 100)
            why = f"frost takes it {risk} springs in 100" if risk >= 1 else "the soil is still cold"
            yield Note(
                "care" if risk < 50 else "stop",
                "before-window",
                view.place.id,
                e.planting.id,
                f"{_capital(_named(e))} starts on {day_words(start)}; before "
                f"{day_words(window.earliest)} {why}.",
                f"Wait until {day_words(window.earliest)}.",
                (earliest,),
            )
        latest = Fix(
            f"Start by {day_words(window.latest)}",
            _change(e, start_date=window.latest.isoformat()),
        )
        sooner = (latest,) if start > window.latest else ()
        if e.dates.first_pick is None:
            yield _no_pick(view, e, sooner)
        elif e.dates.killed_by_frost and e.dates.picked_share < SHORT_PICKING:
            share = round(e.dates.picked_share * 100)
            yield Note(
                "care",
                "frost-first",
                view.place.id,
                e.planting.id,
                f"Frost ends {_named(e)} when {share} % of its picking is done.",
                "Start it sooner, or set out plants instead of seed.",
                sooner,
            )
        elif start > window.latest and e.crop.frost == "hardy":
            yield Note(
                "care",
                "after-window",
                view.place.id,
                e.planting.id,
                f"{_capital(_named(e))} starts after {day_words(window.latest)}; short cold days "
                "come before it has its size.",
                f"Start by {day_words(window.latest)}.",
                sooner,
            )


def _no_pick(view: PlaceView, e: Evaluated, fixes: tuple[Fix, ...]) -> Note:
    if e.dates.killed_by_frost:
        why = f"frost comes about {day_words(e.dates.clear)}, and the first pick was due "
        why += day_words(e.dates.due)
    else:
        why = f"it is cleared on {day_words(e.dates.clear)}, before its first pick is due "
        why += f"({day_words(e.dates.due)})"
        fixes = (*fixes, Fix("Let it stand until it is picked", _change(e, clear_date=None)))
    return Note(
        "stop",
        "no-pick",
        view.place.id,
        e.planting.id,
        f"Nothing is picked from {_named(e)}: {why}.",
        "Start it sooner, or choose a quicker crop.",
        fixes,
    )


def low_light(view: PlaceView) -> Iterator[Note]:
    """Too few hours of sun, or hours that nobody has counted."""
    hours = view.place.sun_hours
    if hours is None:
        if view.plantings:
            yield Note(
                "tip",
                "light-unknown",
                view.place.id,
                None,
                "Nobody has counted the hours of sun here, so light is taken as enough.",
                "Count the hours of direct sun on a clear day and enter them for this place.",
            )
        return
    for e in view.plantings:
        if hours < e.crop.least_sun_hours:
            yield _light_note(view, "stop", [e], hours)
    dim = [
        e
        for e in view.plantings
        if hours >= e.crop.least_sun_hours and e.report.light.factor < LOW_LIGHT_WORTH_SAYING
    ]
    if dim:
        yield _light_note(view, "care", dim, hours)


def _light_note(view: PlaceView, level: Level, dim: list[Evaluated], hours: float) -> Note:
    wants = ", ".join(dict.fromkeys(f"{e.crop.name} {e.crop.full_sun_hours:g} h" for e in dim))
    lost = _span_lost(e.report.light.factor for e in dim)
    return Note(
        level,
        "light-low",
        view.place.id,
        dim[0].planting.id if len(dim) == 1 else None,
        f"{hours:g} h of sun reach this place; at their best: {wants}. Expect {lost} less.",
        "Grow them in a sunnier place; leaves and salads bear shade best.",
        (),
        _all_cells(dim),
    )


def ground_below(view: PlaceView) -> Iterator[Note]:
    """What is known, unknown or of no use below the place."""
    place = view.place
    bottom = places.bottom(place)
    if roots.roots_pass(bottom):
        if place.native is None and place.kind != "container":
            yield Note(
                "tip",
                "native-unknown",
                place.id,
                None,
                "The ground below is not described, so roots are counted only in the fill and in "
                "what is loosened.",
                "Say how the ground below is: compacted, ordinary or loose.",
                (
                    Fix("It is ordinary soil", _change_place(view, native="ordinary")),
                    Fix("It is compacted", _change_place(view, native="compacted")),
                ),
            )
        return
    if place.loosened_below_cm or place.native:
        why = {
            "rotting": "card or paper stops roots for its first season",
            "lined": "the liner stops roots",
            "closed": "the bottom is closed",
        }[bottom]
        yield Note(
            "tip",
            "below-ignored",
            place.id,
            None,
            f"The ground below does not count here: {why}.",
            "Open the bottom, or fill deeper.",
        )


def turn_round(view: PlaceView) -> Iterator[Note]:
    """A follow-on that starts before the ground is ready again."""
    by_id = {e.planting.id: e for e in view.plantings}
    for e in view.plantings:
        before = by_id.get(e.planting.follows or "")
        if before is None:
            continue
        rest = (e.dates.start - before.dates.clear).days
        wanted = before.crop.turn_round_days
        if 0 <= rest < wanted:
            ready = before.dates.clear + season.days(wanted)
            yield Note(
                "tip",
                "turn-round",
                view.place.id,
                e.planting.id,
                f"{_capital(e.crop.name)} follows {before.crop.name} after {rest} days; clearing, "
                f"feeding and raking want about {wanted:g}.",
                f"Start it on {day_words(ready)}.",
                (Fix(f"Start on {day_words(ready)}", _change(e, start_date=ready.isoformat())),),
            )


def unusual_start(view: PlaceView) -> Iterator[Note]:
    """A way of starting that the crop book does not know for the crop."""
    for e in view.plantings:
        if e.planting.start in e.crop.starts:
            continue
        usual = e.crop.starts[0]
        yield Note(
            "care",
            "unusual-start",
            view.place.id,
            e.planting.id,
            f"{_capital(e.crop.name)} is not usually started by {e.planting.start}; its dates are "
            f"those of {usual}.",
            f"Start it by {usual}.",
            (Fix(f"Start it by {usual}", _change(e, start=usual)),),
        )


def too_small(view: PlaceView) -> Iterator[Note]:
    """Crowded or starved pieces that fall below a usable size."""
    for e in view.plantings:
        crop, factors = e.crop, e.report.factors
        if crop.picking.kind != "once" or not crop.piece_kg or not crop.least_piece_kg:
            continue
        piece = crop.piece_kg * factors.density * factors.depth * factors.light
        if 0 < piece < crop.least_piece_kg:
            yield Note(
                "care",
                "small-pieces",
                view.place.id,
                e.planting.id,
                f"{_capital(_named(e))} would weigh about {piece * 1000:.0f} g apiece, too small "
                "to use.",
                "Plant wider.",
                (Fix("Use the book's spacing", _change(e, spacing_cm=None, per_cell=None)),),
            )


def idle_ground(view: PlaceView) -> Iterator[Note]:
    """The largest stretches of ground that stand empty in growing weather."""
    told = 0
    for spell in view.idle:
        length = (spell.end - spell.start).days
        if length < LEAST_IDLE_DAYS or told == MOST_IDLE_NOTES:
            continue
        told += 1
        yield Note(
            "tip",
            "idle",
            view.place.id,
            None,
            f"{grid_words.span_words(spell.cells)} stand free for {length // 7} weeks from "
            f"{day_words(spell.start)}.",
            "Choose these squares to see what fits.",
            (),
            spell.cells,
        )


def crop_cautions(view: PlaceView) -> Iterator[Note]:
    """What can hurt: said once for each crop of a place."""
    told = set()
    for e in view.plantings:
        for caution in e.crop.cautions:
            if (e.crop.name, caution) not in told:
                told.add((e.crop.name, caution))
                yield Note(
                    "tip",
                    "caution",
                    view.place.id,
                    e.planting.id,
                    f"{_capital(e.crop.name)}: {caution[:1].lower() + caution[1:]}",
                    None,
                )


RULES: tuple[Rule, ...] = (
    clashes,
    none_fit,
    depth_short,
    missing_support,
    shaded_by_support,
    wrong_time,
    low_light,
    too_small,
    unusual_start,
    turn_round,
    ground_below,
    idle_ground,
    crop_cautions,
    support_caution,
)
_ORDER = {"stop": 0, "care": 1, "tip": 2}


def place_notes(view: PlaceView) -> tuple[Note, ...]:
    """All notes on one place, the gravest first."""
    found = [note for rule in RULES for note in rule(view)]
    return tuple(sorted(found, key=lambda note: _ORDER[note.level]))


def garden_notes(garden: p.Garden) -> Iterator[Note]:
    """What concerns the whole plan: things guessed, and things not computed."""
    guessed = guessed_keys(garden)
    if guessed:
        words = " and ".join(key.replace("_", " ") for key in guessed)
        yield Note(
            "tip",
            "guessed",
            None,
            None,
            f"The {words} here {'is' if len(guessed) == 1 else 'are'} guessed from how far north "
            "or south you are.",
            "Ask a neighbour or a local weather station, and enter the dates.",
        )
    if garden.policies.time == "thermal":
        yield Note(
            "tip",
            "thermal-not-computed",
            None,
            None,
            "Dates are counted in calendar days; counting in warmth is not computed yet.",
            None,
        )
    if garden.household is None or not garden.household.wants:
        yield Note(
            "tip",
            "wants-unknown",
            None,
            None,
            "What the household eats is not entered, so the harvest is not compared with it.",
            None,
        )


def guessed_keys(garden: p.Garden) -> tuple[str, ...]:
    """Names of garden keys that were guessed, kept under the plan's own `x-guessed`."""
    raw = (garden.__pydantic_extra__ or {}).get("x-guessed", [])
    return tuple(str(key) for key in raw) if isinstance(raw, list) else ()

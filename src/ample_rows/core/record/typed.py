"""An entry as it is typed in one line: "carrots low bed 1.2 kg" — read, and said back before it
counts."""

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import date

from pydantic import ValidationError

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.plan.reading import PlanFaultsError, faults_of
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import Entry, Kind
from ample_rows.core.record.likely import likely_picked
from ample_rows.core.record.row import kinds_of
from ample_rows.core.record.typed_amounts import BELOW_NOTHING, UNITS, amounts
from ample_rows.core.record.typed_verdict import is_outright, on_what, verdict_entry
from ample_rows.core.record.typed_words import as_typed, stem, stems, words_of
from ample_rows.core.words.message import Count, Mass, Message, Squares, clauses, message

KINDS: dict[str, Kind] = {
    **dict.fromkeys(("picked", "pick", "cut", "harvested", "lifted", "dug"), "picked"),
    **dict.fromkeys(("sown", "sowed", "sow"), "sown"),
    **dict.fromkeys(("up", "sprouted", "germinated"), "up"),
    **dict.fromkeys(("thinned", "singled"), "thinned"),
    **dict.fromkeys(("planted", "transplanted"), "set-out"),
    **dict.fromkeys(("tied", "staked"), "tied"),
    **dict.fromkeys(("fed", "feed"), "fed"),
    **dict.fromkeys(("watered", "water"), "watered"),
    **dict.fromkeys(("seen", "saw"), "seen"),
    **dict.fromkeys(("cleared", "pulled"), "cleared"),
    **dict.fromkeys(("added", "mulched", "composted", "topped"), "soil"),
    **dict.fromkeys(("note", "noted"), "note"),
    "verdict": "verdict",
}
_COUNTED = frozenset({"sown", "up", "thinned", "set-out"})
_QUALITIES: dict[str, str] = {
    **dict.fromkeys(("good", "best", "prime"), "good"),
    **dict.fromkeys(("fair", "usable", "seconds"), "fair"),
    **dict.fromkeys(("poor", "spoilt", "spoiled", "waste"), "poor"),
}
_TAG = re.compile(r"(?<!\w)#([^\W_][\w-]{0,39})")
_PLANT = re.compile(r"\bplant (\d{1,5})\b", re.I)
_EXAMPLE = Mass(1.2)


@dataclass(frozen=True, slots=True)
class Typed:
    """What a line was understood to say, as an entry but for its id, and in words.

    `among` are the plantings that are meant as well as the one named, the likeliest first;
    `shared` what was weighed shared out to all of them. `entries` are all that the line says, one
    for each of its parts.
    """

    entry: Entry | None
    words: Message
    among: tuple[str, ...]
    entries: tuple[Entry, ...] = ()
    shared: tuple[Entry, ...] = ()


def typed_line(
    text: str,
    plan: p.Plan,
    reports: Sequence[PlantingReport],
    book: Book,
    *,
    day: date,
    ident: str,
    unit: str = "kg",
) -> Typed:
    """Read a line of one part, or of several with a semicolon between them: "carrots low bed
    1.2 kg; south bed 0.8". A picking that names no crop is of the one
    before.

    Raises:
        PlanFaultsError: An amount that no entry can hold.
    """
    parts = [part for part in text.split(";") if part.strip()] or [text]
    read: list[Typed] = []
    for number, part in enumerate(parts):
        name = ident if number == 0 else f"{ident}-{number + 1}"
        found = typed_entry(part, plan, reports, book, day=day, ident=name, unit=unit)
        before = read[-1].entry if read else None
        lacks = found.entry is None or (found.entry.crop is None and found.entry.kind == "picked")
        if before and before.crop and lacks:
            said = f"{book.crops[before.crop].name} {part}"
            found = typed_entry(said, plan, reports, book, day=day, ident=name, unit=unit)
        read.append(found)
    [first, *others] = read
    unread = next((found for found in read if found.entry is None), None)
    if unread is not None:
        return unread
    entries = tuple(found.entry for found in read if found.entry is not None)
    if others:
        return Typed(first.entry, clauses(*(found.words for found in read)), (), entries)
    shared = shared_out(entries[0], first.among, reports) if first.among else ()
    return replace(first, entries=entries, shared=shared)


def shared_out(
    entry: Entry, among: Sequence[str], reports: Iterable[PlantingReport]
) -> tuple[Entry, ...]:
    """What was weighed of several plantings together, shared out by the squares of those that
    stand on the day; nothing where nothing was weighed."""
    meant = {entry.planting, *among}
    of = [r for r in reports if r.id in meant and r.cells and _stands(r, entry.day)]
    squares = sum(len(report.cells) for report in of)
    if len(of) < 2 or (entry.kg is None and entry.pieces is None):
        return ()
    shared, before, given_kg, given = [], 0, 0.0, 0
    for number, report in enumerate(of):
        before += len(report.cells)
        # By running sums, so that the parts make the whole to the gram and the piece.
        kg = None if entry.kg is None else round(entry.kg * before / squares, 3) - given_kg
        pieces = None if entry.pieces is None else round(entry.pieces * before / squares) - given
        given_kg, given = given_kg + (kg or 0.0), given + (pieces or 0)
        values = {
            "id": entry.id if number == 0 else f"{entry.id}-{number + 1}",
            "place": report.place,
            "planting": report.id,
            "crop": report.crop,
            "variety": None,
            "plant": None,
            "kg": None if kg is None else round(kg, 3),
            "pieces": pieces,
            "minutes": None
            if entry.minutes is None
            else entry.minutes * len(report.cells) / squares,
        }
        shared.append(entry.model_copy(update=values))
    return tuple(shared)


def _stands(report: PlantingReport, day: date) -> bool:
    return report.start_date <= day and (report.clear_date is None or day <= report.clear_date)


def typed_entry(
    text: str,
    plan: p.Plan,
    reports: Sequence[PlantingReport],
    book: Book,
    *,
    day: date,
    ident: str,
    unit: str = "kg",
) -> Typed:
    """Read a line against what stands in a garden. "#split" is a tag, "plant 3" the third of a
    row; a kind of a mixed planting is meant by its own name.

    Args:
        unit: Of a bare number: one of kg, g, lb, oz or pieces, as it was typed last.

    Raises:
        PlanFaultsError: An amount that no entry can hold, or one below nothing.
    """
    below = BELOW_NOTHING.search(text)
    if below:
        raise PlanFaultsError.one("kg", message("typed-below-nothing", typed=below.group()))
    tags = tuple(dict.fromkeys(_TAG.findall(text))) or None
    untagged = _TAG.sub(" ", text)
    plant = next((int(number) for number in _PLANT.findall(untagged)), None)
    numbered, unnumbered = _numbered_place(_PLANT.sub(" ", untagged), plan)
    kind = next((KINDS[w.lower()] for w in words_of(unnumbered) if w.lower() in KINDS), None)
    verdict = kind == "verdict" or is_outright(untagged)
    told = amounts(unnumbered, _of_a_number(kind, unit))
    # What a verdict says is kept whole: its amounts and deeds are among its reasons.
    left, deeds = (unnumbered, {"verdict"}) if verdict else (told.left, KINDS.keys())
    words = [word for word in words_of(left) if word.lower() not in deeds]
    weighed = told.weighed
    there = [report for report in reports if numbered in (None, report.place)]
    found, unread = _meant(words, plan, there, book, day)
    place = found[0].place if found else numbered or _place(words, plan)
    if verdict:
        there_is = plan.place(place) if place else None
        said_on = on_what(unread, found, there_is, book)
        entry, words_back = verdict_entry(said_on, left, book, day=day, ident=ident)
        return Typed(entry and entry.model_copy(update={"tags": tags}), words_back, ())
    picked = kind == "picked" or (weighed and kind is None)
    if not found and place is None and (picked or not kind):
        return Typed(None, message("typed-nothing", kg=_EXAMPLE), ())
    if not (kind or weighed or told.minutes or unread or tags):
        return Typed(None, message("typed-no-deed", kg=_EXAMPLE), ())
    quality, unread = _quality(unread) if picked else (None, unread)
    one = found[0] if found else None
    planting = plan.planting(one.id) if one else None
    try:
        entry = Entry(
            id=ident,
            day=day,
            kind=kind or ("picked" if weighed else "note"),
            place=place,
            planting=one.id if one else None,
            crop=one.crop if one else None,
            variety=_kind_meant(words, planting, book) if planting else None,
            plant=plant if one else None,
            kg=told.kg,
            pieces=told.pieces,
            quality=quality,
            count=told.count,
            minutes=told.minutes,
            text=as_typed(left, unread),
            tags=tags,
        )
    except ValidationError as error:
        raise PlanFaultsError(faults_of(error)) from error
    return Typed(entry, _said(entry, one, plan, book), tuple(report.id for report in found[1:]))


def _kind_meant(words: Iterable[str], planting: p.Planting, book: Book) -> str | None:
    """Of a mixed planting, the kind whose name most of the words are; None where none is."""
    asked = {stem(word) for word in words}
    fits = {kind: len(asked & stems(*_own_names(kind, book))) for kind in kinds_of(planting)}
    best = max(fits.values())
    meant = [kind for kind, score in fits.items() if score == best]
    return meant[0] if best and len(meant) == 1 and len(fits) > 1 else None


def _own_names(kind: str, book: Book) -> tuple[str, ...]:
    crop = book.crops.get(kind)
    return (crop.name, *crop.names) if crop else ()


def _of_a_number(kind: Kind | None, unit: str) -> str | None:
    """What a bare number is of: plants come up, what was picked; else it belongs to the words."""
    if kind in _COUNTED:
        return "plants"
    return unit if kind in (None, "picked") else None


def _quality(words: Sequence[str]) -> tuple[str | None, list[str]]:
    """How good a picking was, in one word of three, and the words without it."""
    said = next((word for word in words if word.lower() in _QUALITIES), None)
    if said is None:
        return None, list(words)
    return _QUALITIES[said.lower()], [word for word in words if word != said]


def _meant(
    words: Iterable[str],
    plan: p.Plan,
    reports: Sequence[PlantingReport],
    book: Book,
    day: date,
) -> tuple[list[PlantingReport], list[str]]:
    """The plantings that most of the words fit, the likeliest first; and words that fit none."""
    asked = {stem(word): word for word in words}
    labels = {place.id: stems(place.label) for place in plan.places}
    kinds = {planting.id: kinds_of(planting) for planting in plan.plantings}
    vocabulary = {
        report.id: (
            stems(*(name for kind in kinds[report.id] for name in _names(kind, book))),
            labels[report.place] | set(report.cells),
        )
        for report in reports
    }
    fits = {
        report.id: sum(
            # "Rhubarb" of "asparagus, Rhubarb bed" says the bed; a word counts once.
            2 if stem in crop else int(stem in place or word in place)
            for stem, word in asked.items()
        )
        for report in reports
        for crop, place in [vocabulary[report.id]]
        if asked.keys() & crop
    }
    best = max(fits.values(), default=0)
    meant = [report for report in reports if best and fits.get(report.id) == best]
    ranked = likely_picked(meant, day) if len(meant) > 1 else meant
    known = set().union(*(crop | place for crop, place in vocabulary.values()), *labels.values())
    return ranked, [word for stem, word in asked.items() if stem not in known and word not in known]


def _numbered_place(text: str, plan: p.Plan) -> tuple[str | None, str]:
    """The place whose name with its number stands in a line, "pot 3", and the line without it, so
    that the number is no amount."""
    for place in plan.places:
        if any(letter.isdigit() for letter in place.label):
            name = re.escape(place.label)
            named = re.compile(rf"(?<!\w){name}(?![\w.,]|\s*(?:{UNITS})\b)", re.I)
            if named.search(text):
                return place.id, named.sub(" ", text, count=1)
    return None, text


def _place(words: Iterable[str], plan: p.Plan) -> str | None:
    """The place of whose name most words stand in the line, where one has more than the rest."""
    asked = {stem(word) for word in words}
    scores = {place.id: len(asked & stems(place.label)) for place in plan.places}
    best = max(scores.values(), default=0)
    named = [ident for ident, score in scores.items() if best and score == best]
    return named[0] if len(named) == 1 else None


def _names(crop: str, book: Book) -> Iterable[str]:
    record: Crop | None = book.crops.get(crop)
    while record is not None:
        yield from (record.name, *record.names)
        record = book.crops.get(record.variety_of) if record.variety_of else None


def _said(entry: Entry, of: PlantingReport | None, plan: p.Plan, book: Book) -> Message:
    place = plan.place(entry.place) if entry.place else None
    where = None
    if of is not None and place is not None:
        where = message("typed-where", place=place.label, cells=Squares(of.cells))
    elif place is not None:
        where = message("verbatim", text=place.label)
    done = message("typed-kind", kind=entry.kind)
    kind = book.crops[entry.variety].name if entry.variety in book.crops else None
    return clauses(
        message("typed-done", done=done, crop=kind or of.name) if of is not None else done,
        where,
        None if entry.plant is None else message("typed-plant", number=entry.plant),
        None if entry.kg is None else message("typed-weight", kg=Mass(entry.kg)),
        None if entry.pieces is None else message("typed-pieces", n=Count(entry.pieces, "piece")),
        None if entry.count is None else message("typed-count", n=Count(entry.count, "plant")),
        None if entry.quality is None else message("verbatim", text=entry.quality),
        None if entry.minutes is None else message("typed-minutes", minutes=round(entry.minutes)),
        None if entry.text is None else message("typed-text", text=entry.text),
        None if entry.tags is None else message("typed-tags", tags=" ".join(entry.tags)),
        message("typed-day", day=entry.day),
    )

"""An entry as it is typed in one line: "carrots low bed 1.2 kg" — read, and said back before it
counts."""

import re
from collections.abc import Iterator
from dataclasses import dataclass, replace

from pydantic import ValidationError

from ample_rows.core.plan.reading import PlanFaultsError, faults_of
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import LOST, Entry, Kind
from ample_rows.core.record.parts import WeatherSeen
from ample_rows.core.record.typed.amounts import BELOW_NOTHING, Amounts, amounts
from ample_rows.core.record.typed.deeds import (
    COUNTED,
    KINDS,
    kind_said,
    loss_told,
    of_a_number,
    quality_said,
    tells_of_loss,
)
from ample_rows.core.record.typed.shared import shared_out
from ample_rows.core.record.typed.verdict import (
    first_verdict,
    is_outright,
    on_what,
    verdict_entry,
)
from ample_rows.core.record.typed.weather import typed_weather
from ample_rows.core.record.typed.which import (
    LineContext,
    kind_meant,
    meant,
    numbered_place,
    place_named,
)
from ample_rows.core.record.typed.words import as_typed, words_of
from ample_rows.core.words.message import Count, Mass, Message, Squares, clauses, message

_TAG = re.compile(r"(?<!\w)#([^\W_][\w-]{0,39})")
_PLANT = re.compile(r"\bplant (\d{1,5})\b", re.I)
_AND = re.compile(r"(,\s+|\s+and\s+|\s*[+&]\s*)", re.I)
_EXAMPLE = Mass(1.2)
_IMPERIAL = frozenset({"lb", "oz"})
# From this weight on a bare whole number is of pieces: "lettuce 4", "squash 3". [kg]
_COUNTED_FROM_KG = 0.15
# More of them is a weight again: "lettuce 350".
_MOST_HEADS = 24


@dataclass(frozen=True, slots=True)
class Typed:
    """What a line was understood to say, as an entry but for its id, and in words.

    `among` are the plantings that are meant as well as the one named, the likeliest first;
    `shared` what was weighed shared out to all of them. `entries` are all that the line says, one
    for each of its parts; `weather` is the day's, where the line tells that and nothing else.
    """

    entry: Entry | None
    words: Message
    among: tuple[str, ...]
    entries: tuple[Entry, ...] = ()
    shared: tuple[Entry, ...] = ()
    weather: WeatherSeen | None = None


def typed_line(
    text: str, here: LineContext, ident: str, *, weather: WeatherSeen | None = None
) -> Typed:
    """Read a line of one part, or of several: "carrots low bed 1.2 kg, chard 300 g". A picking
    that names no crop is of the one before.

    Args:
        weather: What was measured of the day's weather before.

    Raises:
        PlanFaultsError: An amount that no entry can hold.
    """
    told = typed_weather(text, here.day, weather, imperial=here.unit in _IMPERIAL)
    if told is not None:
        return Typed(None, told.words, (), weather=told.seen)
    read: list[Typed] = []
    for number, part in enumerate(_parts(text, here)):
        name = ident if number == 0 else f"{ident}-{number + 1}"
        found = typed_entry(part, here, name)
        before = read[-1].entry if read else None
        lacks = found.entry is None or (found.entry.crop is None and found.entry.kind == "picked")
        if before and before.crop and lacks:
            found = typed_entry(f"{here.book.crops[before.crop].name} {part}", here, name)
        read.append(found)
    [first, *others] = read
    unread = next((found for found in read if found.entry is None), None)
    if unread is not None:
        return unread
    entries = tuple(found.entry for found in read if found.entry is not None)
    if others:
        return Typed(first.entry, clauses(*(found.words for found in read)), (), entries)
    shared = shared_out(entries[0], first.among, here.reports) if first.among else ()
    return replace(first, entries=entries, shared=shared)


def _parts(text: str, here: LineContext) -> Iterator[str]:
    """The parts of a line: a semicolon stands between them; or a comma, "and", "+", where each
    side says how much of what. What was counted of the first is counted of the others."""
    for part in [part for part in text.split(";") if part.strip()] or [text]:
        current, *rest = _AND.split(part)
        deed = next((word for word in words_of(current) if word.lower() in KINDS), "")
        counted = KINDS.get(deed.lower()) in COUNTED
        for sign, following in zip(rest[::2], rest[1::2], strict=True):
            said = f"{deed} {following}" if counted and _bare(following) else following
            if _says_all(current, here) and _says_all(said, here):
                yield current
                current = said
            else:
                current += sign + following
        yield current


def _bare(part: str) -> bool:
    """Whether a part says neither what was done, nor what its number is of."""
    return kind_said(words_of(part)) is None and amounts(part, None).left == part


def _says_all(part: str, here: LineContext) -> bool:
    """Whether a part by itself says how much of what, and where or of which crop."""
    try:
        entry = typed_entry(part, here, "part").entry
    except PlanFaultsError:
        return False
    if entry is None or (entry.crop is None and entry.place is None):
        return False
    return any(amount is not None for amount in (entry.kg, entry.pieces, entry.count))


def typed_entry(text: str, here: LineContext, ident: str) -> Typed:
    """Read one part of a line against what stands in a garden. "#split" is a tag, "plant 3" the
    third of a row; a kind of a mixed planting is meant by its own name.

    Raises:
        PlanFaultsError: An amount that no entry can hold, or one below nothing.
    """
    below = BELOW_NOTHING.search(text)
    if below:
        raise PlanFaultsError.one("kg", message("typed-below-nothing", typed=below.group()))
    tags = tuple(dict.fromkeys(_TAG.findall(text))) or None
    untagged = _TAG.sub(" ", text)
    plant = next((int(number) for number in _PLANT.findall(untagged)), None)
    numbered, plain = numbered_place(_PLANT.sub(" ", untagged), here.plan)
    if kind_said(words_of(plain)) == "verdict" or is_outright(untagged):
        return _verdict(plain, numbered, here, ident, tags)
    told = _told(plain, here, numbered)
    entry_kind = told.kind or ("picked" if told.amounts.weighed else "note")
    picked = told.kind == "picked" or (told.amounts.weighed and told.kind is None)
    if told.crop is None and told.place is None and (picked or told.kind is None):
        return Typed(None, message("typed-nothing", kg=_EXAMPLE), ())
    if not (told.kind or told.amounts.weighed or told.amounts.minutes or told.unread or tags):
        return Typed(None, message("typed-no-deed", kg=_EXAMPLE), ())
    quality, unread = quality_said(told.unread) if picked else (None, list(told.unread))
    if told.loss:
        quality, unread = loss_told(unread)
    one = told.plantings[0] if told.plantings else None
    planting = here.plan.planting(one.id) if one else None
    try:
        entry = Entry(
            id=ident,
            day=here.day,
            kind=entry_kind,
            place=told.place,
            planting=one.id if one else None,
            crop=told.crop,
            variety=kind_meant(told.words, planting, here.book) if planting else None,
            plant=plant if one else None,
            kg=told.amounts.kg,
            pieces=told.amounts.pieces,
            quality=quality,
            count=told.amounts.count,
            minutes=told.amounts.minutes,
            text=as_typed(told.amounts.left, unread),
            tags=tags,
        )
    except ValidationError as error:
        raise PlanFaultsError(faults_of(error)) from error
    return Typed(entry, _said(entry, one, here), tuple(report.id for report in told.plantings[1:]))


@dataclass(frozen=True, slots=True)
class _Told:
    """What a part tells: of what, how much, and which of its words are part of no name."""

    kind: Kind | None
    loss: bool
    amounts: Amounts
    words: tuple[str, ...]
    unread: tuple[str, ...]
    plantings: tuple[PlantingReport, ...]
    crop: str | None
    place: str | None


def _told(text: str, here: LineContext, numbered: str | None) -> _Told:
    said = words_of(text)
    kind, loss = kind_said(said), tells_of_loss(text, said)
    of = of_a_number(kind, said, here.unit, loss=loss)
    told = amounts(text, of)
    words = tuple(word for word in words_of(told.left) if word.lower() not in KINDS)
    found = meant(words, here, numbered)
    place = found.plantings[0].place if found.plantings else numbered
    place = place or place_named(words, here.plan)
    crop = found.plantings[0].crop if found.plantings else found.nowhere
    if told.bare_whole and told.kg is not None and crop and _by_piece(crop, here):
        counted = amounts(text, "pieces")
        told = counted if (counted.pieces or 0) <= _MOST_HEADS else told
    if told.bare_whole and crop is None and found.unread and kind is None:
        # "South bed rained on 3 days": a number among words of no crop is no weight.
        told = amounts(text, None)
    loss = loss and told.count is not None
    return _Told(
        kind=("seen" if loss and kind is None else kind),
        loss=loss and kind in (None, "seen"),
        amounts=told,
        words=words,
        unread=found.unread,
        plantings=found.plantings,
        crop=crop,
        place=place,
    )


def _by_piece(crop: str, here: LineContext) -> bool:
    """Whether a bare whole number is of pieces: they were counted when the crop was picked last,
    or else are as heavy as a head."""
    picked = [e for e in here.lately if e.kind == "picked" and e.crop == crop]
    if picked:
        return max(picked, key=lambda entry: entry.day).kg is None
    return (here.book.crops[crop].piece_kg or 0.0) >= _COUNTED_FROM_KG


def _verdict(
    text: str, numbered: str | None, here: LineContext, ident: str, tags: tuple[str, ...] | None
) -> Typed:
    """A verdict: what it says is kept whole, its amounts and deeds are among its reasons."""
    words = [word for word in words_of(text) if word.lower() != "verdict"]
    # What it is on stands before it, and behind it the reason.
    at = first_verdict(words) or len(words)
    found = meant(words[:at], here, numbered)
    one = found.plantings[0] if found.plantings else None
    planting = here.plan.planting(one.id) if one else None
    crops = {report.crop for report in found.plantings}
    crop = found.nowhere
    if one and planting:
        whole = here.book.crops[one.crop].variety_of or one.crop
        kind = kind_meant(words[:at], planting, here.book)
        crop = kind or (one.crop if len(crops) == 1 else whole)
    ident_of_place = one.place if one else numbered or place_named(words[:at], here.plan)
    place = here.plan.place(ident_of_place) if ident_of_place else None
    on = on_what((*found.unread, *words[at:]), crop, place, here.book)
    entry, words_back = verdict_entry(on, text, here.book, day=here.day, ident=ident)
    return Typed(entry and entry.model_copy(update={"tags": tags}), words_back, ())


def _said(entry: Entry, of: PlantingReport | None, here: LineContext) -> Message:
    place = here.plan.place(entry.place) if entry.place else None
    where = None
    if of is not None and place is not None:
        where = message("typed-where", place=place.label, cells=Squares(of.cells))
    elif place is not None:
        where = message("verbatim", text=place.label)
    lost = entry.kind == "seen" and entry.quality == LOST
    done = message("typed-kind", kind=LOST if lost else entry.kind)
    kind = entry.variety if entry.variety in here.book.crops else entry.crop
    crop = here.book.crops[kind].name if kind else None
    if of is not None and entry.variety is None:
        crop = of.name
    quality = None if lost else entry.quality
    return clauses(
        done if crop is None else message("typed-done", done=done, crop=crop),
        message("typed-nowhere") if of is None and entry.crop else None,
        where,
        None if entry.plant is None else message("typed-plant", number=entry.plant),
        None if entry.kg is None else message("typed-weight", kg=Mass(entry.kg)),
        None if entry.pieces is None else message("typed-pieces", n=Count(entry.pieces, "piece")),
        None if entry.count is None else message("typed-count", n=Count(entry.count, "plant")),
        None if quality is None else message("verbatim", text=quality),
        None if entry.minutes is None else message("typed-minutes", minutes=round(entry.minutes)),
        None if entry.text is None else message("typed-text", text=entry.text),
        None if entry.tags is None else message("typed-tags", tags=" ".join(entry.tags)),
        message("typed-day", day=entry.day),
    )

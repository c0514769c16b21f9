"""Likely causes of what is seen on a plant, and the question that tells them apart best."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import chain

from ample_rows.core.book import Book, Crop
from ample_rows.core.book.ailments import Cause, Factor
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.words.message import Message, Share, message

_LEAST_SHOWN = 0.03
_MOST_SHOWN = 8
_MOST_ASKED = 4
_STRONGEST = 3
_SPEAKS_BELOW = 0.85


@dataclass(frozen=True, slots=True)
class Seen:
    """What is seen, where and when.

    `answers` are questions answered with yes or no; `factors` what the plan reckons for the
    planting, by their names; `kg` its likely harvest. `month` is one of the north.
    """

    signs: Sequence[str]
    answers: Mapping[str, bool]
    crop: Crop | None = None
    month: int | None = None
    factors: Mapping[Factor, float] | None = None
    kg: float | None = None


@dataclass(frozen=True, slots=True)
class LikelyCause:
    """A cause with its share among all that could be, and what to do about it.

    `loses` is the share of this year's harvest that it takes, from light to heavy, `loses_kg`
    that of the planting; `plan_says` is what the plan itself reckons that speaks for it.
    """

    id: str
    label: str
    share: float
    look: str
    remedy: str
    lesson: str
    next_year: str
    loses: tuple[float, float]
    loses_kg: tuple[float, float] | None
    plan_says: Message | None
    source: str


@dataclass(frozen=True, slots=True)
class Found:
    """Causes, the likeliest first, and the questions that narrow them, the most telling first."""

    causes: tuple[LikelyCause, ...]
    ask: tuple[str, ...]


def signs_of(crop: Crop | None, book: Book) -> dict[str, list[str]]:
    """Signs that can be seen on a crop, by the part that shows them."""
    parts: dict[str, list[str]] = {}
    for ident, sign in book.signs.items():
        told = crop is None or (
            (not sign.families or crop.family in sign.families)
            and (not sign.groups or crop.group in sign.groups)
        )
        # A sign is worth asking only where some cause of it is one of this crop.
        if told and any(ident in c.signs and _of(c, crop) for c in book.causes.values()):
            parts.setdefault(sign.part, []).append(ident)
    return parts


def causes_of(seen: Seen, book: Book) -> Found:
    """Causes that at least one of the signs speaks for, weighed against each other.

    Each sign multiplies a cause's weight by how strongly it speaks for it, one that does not by
    little; so do months, what the kind withstands, what the plan reckons, and answers.

    Raises:
        UnknownPartError: A sign or question that is not in the book.
    """
    _require(seen.signs, book.signs, "sign")
    _require(seen.answers, book.questions, "question")
    implied = {q: yes for sign in seen.signs for q, yes in book.signs[sign].implies.items()}
    seen = replace(seen, answers={**implied, **seen.answers})
    weights = {
        ident: _weight(cause, seen, book)
        for ident, cause in book.causes.items()
        if _of(cause, seen.crop) and any(sign in cause.signs for sign in seen.signs)
    }
    total = sum(weights.values())
    if total <= 0:
        return Found((), ())
    shares = {ident: weight / total for ident, weight in weights.items()}
    order = sorted(shares, key=lambda ident: -shares[ident])
    shown = [ident for ident in order if shares[ident] >= _LEAST_SHOWN][:_MOST_SHOWN]
    return Found(
        tuple(_likely(ident, shares[ident], seen, book) for ident in shown),
        _telling(shares, seen.answers, book),
    )


def _require(names: Collection[str], known: Collection[str], kind: str) -> None:
    for name in names:
        if name not in known:
            raise UnknownPartError(kind=kind, ident=name)


def _of(cause: Cause, crop: Crop | None) -> bool:
    """Whether a cause is one of a crop; of an unknown crop any may be."""
    if crop is None:
        return True
    named = not cause.crops or {crop.id, crop.variety_of} & set(cause.crops)
    family = not cause.families or crop.family in cause.families
    return bool(named and family and (not cause.groups or crop.group in cause.groups))


def _weight(cause: Cause, seen: Seen, book: Book) -> float:
    unlisted = book.value("sign_unlisted")
    weight = 1.0
    for sign in seen.signs:
        weight *= cause.signs.get(sign, unlisted * _STRONGEST) / _STRONGEST
    if cause.months and seen.month is not None and seen.month not in cause.months:
        weight *= book.value("cause_out_of_month")
    if seen.crop is not None and cause.trouble is not None:
        grade = book.withstands(seen.crop).get(cause.trouble)
        weight *= {"well": 1 / 3, "some": 2 / 3}.get(grade or "", 1.0)
    if _left_by(cause, seen) < _SPEAKS_BELOW:
        weight *= book.value("cause_plan_speaks")
    for question, yes in seen.answers.items():
        weight *= _answered(cause, question, yes=yes, book=book)
    return weight


def _answered(cause: Cause, question: str, *, yes: bool, book: Book) -> float:
    if question in cause.yes:
        return book.value("answer_for" if yes else "answer_lacks")
    if question in cause.no and yes:
        return book.value("answer_against")
    return 1.0


def _left_by(cause: Cause, seen: Seen) -> float:
    """What the plan reckons that a cause leaves of the planting's harvest. [0-1]"""
    if cause.factor is None or seen.factors is None:
        return 1.0
    return seen.factors.get(cause.factor, 1.0)


def _plan_says(cause: Cause, seen: Seen) -> Message | None:
    left = Share(_left_by(cause, seen))
    if left.of_one >= _SPEAKS_BELOW:
        return None
    match cause.factor:
        case "density":
            return message("ailments-plan-density", left=left)
        case "depth":
            return message("ailments-plan-depth", left=left)
        case "light":
            return message("ailments-plan-light", left=left)
        case "litres":
            return message("ailments-plan-litres", left=left)
        case "season":
            return message("ailments-plan-season", left=left)
    return None


def _telling(
    shares: Mapping[str, float], answers: Mapping[str, bool], book: Book
) -> tuple[str, ...]:
    """Questions not yet answered, by how evenly they part what is likely."""
    named = chain.from_iterable((*c.yes, *c.no) for c in (book.causes[ident] for ident in shares))
    worth: dict[str, float] = {}
    for question in dict.fromkeys(named):
        if question in answers:
            continue
        asked = [sum(s for i, s in shares.items() if question in book.causes[i].yes)]
        asked.append(sum(s for i, s in shares.items() if question in book.causes[i].no))
        worth[question] = sum(share * (1 - share) for share in asked)
    best = sorted(worth, key=lambda question: -worth[question])
    return tuple(question for question in best if worth[question] > _LEAST_SHOWN)[:_MOST_ASKED]


def _likely(ident: str, share: float, seen: Seen, book: Book) -> LikelyCause:
    cause = book.causes[ident]
    loses = (cause.loses.low, cause.loses.high)
    return LikelyCause(
        id=ident,
        label=cause.label,
        share=share,
        look=cause.look,
        remedy=cause.remedy,
        lesson=cause.lesson,
        next_year=cause.next_year,
        loses=loses,
        loses_kg=None if seen.kg is None else (loses[0] * seen.kg, loses[1] * seen.kg),
        plan_says=_plan_says(cause, seen),
        source=cause.source,
    )

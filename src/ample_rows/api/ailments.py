"""Routes of ailments: what can be seen on a plant, and what is likely behind it."""

from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, Query

from ample_rows.api.gardens import Garden
from ample_rows.api.problems import RESPONSES
from ample_rows.core.ask.ailments.asked import ailing, crop_of
from ample_rows.core.ask.ailments.finder import Found, signs_of
from ample_rows.core.plan import PlanDate

router = APIRouter(prefix="/api/gardens/{slug}", tags=["ailments"], responses=RESPONSES)

Names = Annotated[list[str], Query(max_length=40)]


@dataclass(frozen=True, slots=True)
class SignLine:
    """A sign, as it is told."""

    id: str
    label: str


@dataclass(frozen=True, slots=True)
class SignsOfPart:
    """What can be seen on one part of a plant."""

    part: str
    signs: tuple[SignLine, ...]


@dataclass(frozen=True, slots=True)
class SignList:
    """Signs by the part that shows them, and the words of each question."""

    parts: tuple[SignsOfPart, ...]
    questions: dict[str, str]


@router.get("/signs")
def list_signs(here: Garden, planting: str | None = None, crop: str | None = None) -> SignList:
    """Signs that can be seen on a planting, on a crop, or on anything."""
    of = crop_of(here, planting=planting, crop=crop)
    parts = tuple(
        SignsOfPart(part, tuple(SignLine(sign, here.book.signs[sign].label) for sign in signs))
        for part, signs in signs_of(of, here.book).items()
    )
    questions = {ident: question.text for ident, question in here.book.questions.items()}
    return SignList(parts, questions)


@router.get("/causes")
def list_causes(
    here: Garden,
    day: PlanDate,
    sign: Names,
    *,
    yes: Names = [],  # noqa: B006 - read, never changed
    no: Names = [],  # noqa: B006
    planting: str | None = None,
    crop: str | None = None,
) -> Found:
    """Likely causes of what is seen, the likeliest first, and what to ask next."""
    answers = {**dict.fromkeys(no, False), **dict.fromkeys(yes, True)}
    return ailing(here, sign, answers, day=day, planting=planting, crop=crop)

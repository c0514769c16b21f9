"""How crowded a planting is: by its ground in beds, in containers only where plants stand close."""

from dataclasses import dataclass

from ample_rows.core.planting import harvest
from ample_rows.core.planting.cases import Case
from ample_rows.core.words.message import Length, Message, Share, Text, clauses, message

_DUST = 1e-6


@dataclass(frozen=True, slots=True)
class Crowd:
    """How close plants stand: what they ask of their ground at the book's spacing, as a share of
    it, and their own distance against the usual one. [cm]"""

    plants: int
    asked_share: float
    apart_cm: float
    usual_cm: float


def density_of(case: Case, crowd: Crowd) -> float:
    """What closeness leaves of a plant's yield; in a container litres decide, and closeness only
    where plants stand nearer than the least share of their usual distance."""
    if case.place.kind != "container":
        others = case.sharing.asked if case.sharing else 0.0
        return _factor(case, crowd.asked_share + others)
    nearest = _nearest_cm(case, crowd)
    if crowd.plants <= 1 or crowd.apart_cm >= nearest * (1 - _DUST):
        return 1.0
    return _factor(case, (nearest / crowd.apart_cm) ** 2)


def density_words(case: Case, crowd: Crowd, by_ground: Message) -> Text:
    """How the factor came to be.

    Args:
        by_ground: The plants against the usual number on their ground, or along their support.
    """
    if case.place.kind == "container":
        nearest = Length(_nearest_cm(case, crowd))
        if density_of(case, crowd) < 1:
            return message("set-out-pot-close", apart=Length(crowd.apart_cm), nearest=nearest)
        return message("set-out-pot-litres-decide", nearest=nearest)
    return clauses(by_ground, _sharing_words(case))


def _nearest_cm(case: Case, crowd: Crowd) -> float:
    usual_cm = min(crowd.usual_cm, case.crop.in_row_cm)
    return case.book.value("pot_closest_share") * usual_cm


def _factor(case: Case, asked_share: float) -> float:
    return harvest.density_factor(
        stand_density=asked_share, reference_density=1.0, crowding=case.crop.crowding
    )


def _sharing_words(case: Case) -> Message | None:
    if case.sharing is None or not case.sharing.asked:
        return None
    asked = case.sharing.asked
    return message(
        "set-out-same-squares-asks-more", asked_by=case.sharing.asked_by, asked=Share(asked)
    )

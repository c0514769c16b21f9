"""So much of a soft matter over some ground, in centimetres, litres and what it is fetched in."""

import math

from ample_rows.core.book import Book
from ample_rows.core.words.message import Bulk, Count, Length, Message, message

_LITRES_PER_CM_M2 = 10
_OVER = 0.25
"""So much of a bale or bag more is pressed out of the others."""


def laid_words(matter: str, cm: float, area_m2: float, book: Book) -> Message:
    """A layer as it is laid: "8 cm of straw (120 L, 1 bale)".

    Args:
        matter: Its row in the book.
        area_m2: The ground that it covers.
    """
    soft = book.soft[matter]
    litres = cm * area_m2 * _LITRES_PER_CM_M2
    much = message("laid-litres", litres=Bulk(litres))
    if soft.holder and soft.holder_litres and litres >= soft.holder_litres / 2:
        held = Count(math.ceil(litres / soft.holder_litres - _OVER), soft.holder)
        much = message("laid-litres-in", litres=Bulk(litres), held=held)
    return message("laid-over", cm=Length(cm), matter=soft.label, much=much)

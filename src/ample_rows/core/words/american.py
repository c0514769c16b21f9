"""American words for British ones: spelling, and what things in a garden are called there.

Texts of templates and tables pass through it once, when they are read for a region; names that a
grower gave never do.
"""

import re
from functools import lru_cache

AMERICAN = {
    "aubergine": "eggplant",
    "autumn": "fall",
    "barrow": "wheelbarrow",
    "beetroot": "beet",
    "broad bean": "fava bean",
    "butt": "rain barrel",
    "centre": "center",
    "colour": "color",
    "courgette": "zucchini",
    "courgettes": "zucchini",
    "drainpipe": "downspout",
    "fibre": "fiber",
    "fleece": "row cover",
    "fortnight": "two weeks",
    "garden sleeper": "landscape timber",
    "grey": "gray",
    "hire": "rent",
    "hired": "rented",
    "hosepipe": "garden hose",
    "labour": "labor",
    "litre": "liter",
    "metre": "meter",
    "mould": "mold",
    "mouldy": "moldy",
    "neighbour": "neighbor",
    "neighbouring": "neighboring",
    "plough": "plow",
    "railway sleeper": "railroad tie",
    "sawn timber": "sawn lumber",
    "sawn timber, 38 by 63 mm": "lumber, 2 by 3",
    "sawn timber, 50 by 50 mm": "lumber, 2 by 2",
    "secateurs": "pruners",
    "sleeper": "railroad tie",
    "spring onion": "scallion",
    "steel pipe of 48 mm": "steel pipe, 1⅞ in",
    "swede": "rutabaga",
    "tap": "spigot",
    "turf": "sod",
    "watercourse": "waterway",
}
# What stands in braces is the name of a value, not a word.
_FOUND = re.compile(
    r"\{\w+\}|\b(" + "|".join(sorted(map(re.escape, AMERICAN), key=len, reverse=True)) + r")(s?)\b",
    re.IGNORECASE,
)


@lru_cache(maxsize=4096)
def american(text: str) -> str:
    """A text in American words, capitals and plurals as they were."""
    return _FOUND.sub(_word, text)


def _word(found: re.Match[str]) -> str:
    british, plural = found.group(1), found.group(2)
    if british is None:
        return found.group()
    word = AMERICAN[british.lower()]
    if british[0].isupper():
        word = word[0].upper() + word[1:]
    return word + plural

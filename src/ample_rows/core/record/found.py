"""What a word may mean that entries are looked for by."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.record.typed.deeds import KINDS


@dataclass(frozen=True, slots=True)
class Meant:
    """A word, and all of the crops, places and things done that it is a part of a name of."""

    word: str
    crops: tuple[str, ...]
    places: tuple[str, ...]
    kinds: tuple[str, ...]


def meant_by(word: str, plan: p.Plan, book: Book) -> Meant:
    """What a word may mean in a garden; its sign of a tag is left off."""
    bare = word.removeprefix("#").lower() or word

    def named(*names: str) -> bool:
        return any(bare in name.lower() for name in names)

    return Meant(
        word=bare,
        crops=tuple(c.id for c in book.crops.values() if named(c.name, *c.names)),
        places=tuple(place.id for place in plan.places if named(place.label)),
        kinds=tuple(dict.fromkeys(kind for said, kind in KINDS.items() if said == bare)),
    )

"""Messages: what is to be said, as a key with typed values. Words and units come at the edge."""

import re
from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass
from datetime import date
from functools import cache, lru_cache
from typing import Any, Literal, Protocol, Union

from pydantic import GetCoreSchemaHandler
from pydantic_core import CoreSchema, core_schema


@dataclass(frozen=True, slots=True)
class Length:
    """A length of wood, soil, roots, spacing. [cm]"""

    cm: float


@dataclass(frozen=True, slots=True)
class Distance:
    """A distance over the ground. [m]"""

    m: float


@dataclass(frozen=True, slots=True)
class Area:
    """[m²]"""

    m2: float


@dataclass(frozen=True, slots=True)
class Volume:
    """Water, or the soil of one plant or pot; to so many decimals. [L]"""

    litres: float
    digits: int = 0


@dataclass(frozen=True, slots=True)
class Bulk:
    """Soil, mulch and the like, as they are bought loose or in bags. [L]"""

    litres: float


@dataclass(frozen=True, slots=True)
class Mass:
    """A harvest, a feed: an estimate, said with two figures. [kg]"""

    kg: float


@dataclass(frozen=True, slots=True)
class Dose:
    """A weight that is to be put on a scale, said to the gram. [g]"""

    g: float


@dataclass(frozen=True, slots=True)
class Load:
    """A weight on the ground or a floor. [kg/m²]"""

    kg_per_m2: float


@dataclass(frozen=True, slots=True)
class Rain:
    """Water that falls or is taken up. [mm]"""

    mm: float


@dataclass(frozen=True, slots=True)
class Speed:
    """A wind. [m/s]"""

    m_per_s: float


@dataclass(frozen=True, slots=True)
class Temperature:
    """A temperature, or a difference of two. [°C or K]"""

    c: float
    difference: bool = False


@dataclass(frozen=True, slots=True)
class Money:
    """In the grower's own currency, which the plan does not name."""

    amount: float


@dataclass(frozen=True, slots=True)
class Share:
    """A part of one, said in percent."""

    of_one: float


@dataclass(frozen=True, slots=True)
class Number:
    """A bare number with at most so many decimals."""

    value: float
    digits: int = 2


@dataclass(frozen=True, slots=True)
class Count:
    """So many of a noun that `counts.ftl` knows in all its forms: 1 plant, 1,396 plants."""

    number: int
    of: str


@dataclass(frozen=True, slots=True)
class Squares:
    """Squares of a place by their addresses."""

    cells: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Span:
    """From one value to another of its kind: 12–35 %."""

    low: "Value"
    high: "Value"


@dataclass(frozen=True, slots=True)
class Listed:
    """Several values one after another, joined as the kind of list asks."""

    items: tuple["Value", ...]
    joined: Literal["comma", "and", "or", "semicolon", "sentences", "colon", "spaces", "then"] = (
        "comma"
    )


@dataclass(frozen=True, slots=True)
class Message:
    """What is to be said: the key of a template, and its values by name."""

    key: str
    values: tuple[tuple[str, "Value"], ...] = ()

    def __bool__(self) -> bool:
        """Whether it says anything: several parts of which none is left do not."""
        return self.values not in _NO_PARTS

    def __format__(self, _: str) -> str:
        """A message is said at the edge, never within a text."""
        raise TypeError(f"{self.key} stands in a text; give it as a value of another message.")

    @classmethod
    def __get_pydantic_core_schema__(cls, _: Any, __: GetCoreSchemaHandler) -> CoreSchema:
        """Goes out as the words of whoever answers; never comes in."""
        return core_schema.is_instance_schema(
            cls,
            serialization=core_schema.plain_serializer_function_ser_schema(
                said, return_schema=core_schema.str_schema(), when_used="always"
            ),
        )

    @classmethod
    def __get_pydantic_json_schema__(cls, _: Any, __: Any) -> dict[str, Any]:
        return {"type": "string"}


_NO_PARTS = ((("parts", Listed((), "spaces")),), (("parts", Listed((), "semicolon")),))

Measure = (
    Length
    | Distance
    | Area
    | Volume
    | Bulk
    | Speed
    | Mass
    | Dose
    | Load
    | Rain
    | Temperature
    | Money
    | Share
    | Number
)
Value = Union[Measure, Count, Squares, Span, Listed, Message, date, int, str]  # noqa: UP007


Text = Message | str
"""A message, or words that a table or the grower gives."""


OF_TABLE = "of-table"


class Renderer(Protocol):
    """Puts messages into words and units."""

    def say(self, message: Message) -> str: ...


_RENDERER: ContextVar[Renderer] = ContextVar("renderer")


@contextmanager
def rendered_by(renderer: Renderer) -> Iterator[None]:
    """Within it, messages that go out as JSON are put into words by this renderer."""
    token = _RENDERER.set(renderer)
    try:
        yield
    finally:
        _RENDERER.reset(token)


def said(text: Text) -> str:
    """The words of a message, by whoever renders here; words stay as they are.

    Raises:
        LookupError: Nobody does: the edge has not chosen words and units.
    """
    return text if isinstance(text, str) else _RENDERER.get().say(text)


def message(key: str, /, **values: Value) -> Message:
    """A message by the key of its template; a test holds that the template asks these values."""
    return Message(key, tuple(values.items())) if values else _plain(key)


@cache
def _plain(key: str) -> Message:
    """Messages without values are few, and said again and again."""
    return Message(key)


def of_table(template: str, **values: Value) -> Message:
    """A sentence of one of the book's tables, with `{name}` for each value that it asks."""
    asked = {name: values[name] for name in _asked_by(template) if name in values}
    return message(OF_TABLE, template=template, **asked)


@lru_cache(maxsize=1024)
def _asked_by(template: str) -> tuple[str, ...]:
    """The values that a sentence of a table asks, each once."""
    return tuple(dict.fromkeys(re.findall(r"\{(\w+)\}", template)))


def verbatim(text: str) -> Message:
    """Words that a table of the book or the grower gives, as they are."""
    return message("verbatim", text=text)


def sentences(*parts: Text | None) -> Message:
    """Several sentences as one message; what is empty is left out."""
    return message("sentences", parts=listed((part for part in parts if part), "spaces"))


def clauses(*parts: Text | None) -> Message:
    """Several clauses as one message, set apart by semicolons; what is empty is left out."""
    return message("clauses", parts=listed((part for part in parts if part), "semicolon"))


def listed(items: Iterable[Value], joined: Any = "comma") -> Listed:
    return Listed(tuple(items), joined)

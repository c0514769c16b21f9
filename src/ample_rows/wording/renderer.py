"""Puts messages into sentences: templates in `en/*.ftl` (Project Fluent), measures in units."""

import re
from collections.abc import Mapping
from datetime import date
from functools import cache, lru_cache
from importlib import resources
from typing import Any

from fluent.runtime import FluentBundle, FluentResource
from fluent.runtime.types import FluentInt

from ample_rows.core.geometry.cells import span_words
from ample_rows.core.words.american import american
from ample_rows.core.words.day_words import day_words
from ample_rows.core.words.message import OF_TABLE, Count, Listed, Message, Span, Squares, Value
from ample_rows.wording.units import UnitSystem, Words, written

# Keys of templates and of their variants, and the names of values: parts that are not said.
_MOST_CHARACTERS = 2000
_ASKED = re.compile(r"(^-?[a-z][\w-]* =|\$[\w-]+|\*?\[[\w-]+\])", re.MULTILINE)
_JOINED = {
    "comma": (", ", ", "),
    "and": (", ", " and "),
    "or": (", ", " or "),
    "semicolon": ("; ", "; "),
    "colon": (": ", ": "),
    "sentences": (". ", ". "),
    "spaces": (" ", " "),
    "then": ("; then ", "; then "),
}


class WordsMissingError(LookupError):
    """A message has no template, or its template asks a value that it does not carry."""


def templates() -> Mapping[str, str]:
    """The template files by name: one for each area."""
    folder = resources.files("ample_rows.wording").joinpath("en")
    return {
        file.name: file.read_text(encoding="utf-8")
        for file in folder.iterdir()
        if file.name.endswith(".ftl")
    }


def _capital(value: Any) -> Any:
    text = str(value)
    return text[:1].upper() + text[1:]


@cache
def _bundle(words: Words) -> FluentBundle:
    """The templates in a region's words; only what they say is put into them, not what they ask."""
    bundle = FluentBundle([words], functions={"CAPITAL": _capital}, use_isolating=False)
    for text in templates().values():
        bundle.add_resource(FluentResource(_in_american(text) if words == "en-US" else text))
    return bundle


def _in_american(templates_text: str) -> str:
    parts = _ASKED.split(templates_text)
    return "".join(part if at % 2 else american(part) for at, part in enumerate(parts))


class Renderer:
    """Sentences for one system of units, in the words of one region."""

    def __init__(self, units: UnitSystem, words: Words = "en-GB") -> None:
        self.units = units
        self._words: Words = words
        self._kept = lru_cache(maxsize=8192)(self._written)
        self._plain: dict[str, str] = {}

    def say(self, message: Message) -> str:
        """A message as its sentence.

        Raises:
            WordsMissingError: It has no template, or not all that the template asks.
        """
        if message.values:
            return self._kept(message)
        # Most messages hold no values: by their key alone they are found much sooner.
        words = self._plain.get(message.key)
        if words is None:
            words = self._plain[message.key] = self._written(message)
        return words

    def _written(self, message: Message) -> str:
        values = {name: self._value(value) for name, value in message.values}
        if message.key == OF_TABLE:
            return str(values.pop("template").format_map(values))
        return self._filled(message.key, values)

    def _filled(self, key: str, values: dict[str, Any]) -> str:
        bundle = _bundle(self._words)
        if not bundle.has_message(key):
            raise WordsMissingError(f"There is no template for {key!r}.")
        pattern = bundle.get_message(key).value
        if pattern is None:
            raise WordsMissingError(f"The template {key!r} is empty.")
        # The package takes no value that is longer: a mark stands for it until the text is made.
        long = {
            f"\ue000{name}\ue001": value
            for name, value in values.items()
            if isinstance(value, str) and len(value) > _MOST_CHARACTERS
        }
        marks = {mark[1:-1]: mark for mark in long}
        text, faults = bundle.format_pattern(pattern, values | marks)
        if faults:
            raise WordsMissingError(f"{key!r} cannot be said: {faults[0]}")
        # A template may be broken over lines where it is written.
        words = " ".join(str(text).split("\n"))
        for mark, value in long.items():
            words = words.replace(mark, value)
        return words

    def _value(self, value: Value) -> Any:
        match value:
            case str():
                return value
            case int():
                return FluentInt(value)
            case Count(number, of):
                return self._filled(f"count-{of}", {"n": FluentInt(number)})
            case Message():
                return self.say(value)
            case Squares(cells):
                return span_words(cells)
            case Span(low, high):
                return self._span(low, high)
            case Listed(items, joined):
                return _together([str(self._value(item)) for item in items], joined)
            case date():
                return day_words(value, american=self._words == "en-US")
        return written(value, self.units)

    def _span(self, low: Value, high: Value) -> str:
        """From one value to another: the unit stands once."""
        first, last = str(self._value(low)), str(self._value(high))
        if first == last:
            return last
        figure, _, unit = first.partition(" ")
        if unit and last.endswith(f" {unit}"):
            return f"{figure}–{last}"
        return f"{first}–{last}"


def _together(words: list[str], joined: str) -> str:
    between, last = _JOINED[joined]
    if len(words) <= 1:
        return "".join(words)
    return f"{between.join(words[:-1])}{last}{words[-1]}"


METRIC = Renderer("metric")


@cache
def renderer_for(units: UnitSystem, words: Words = "en-GB") -> Renderer:
    """The one renderer for some units and a region's words."""
    return METRIC if (units, words) == ("metric", "en-GB") else Renderer(units, words)

"""From text to a plan: strict JSON, one line a fault with its path and what is wanted."""

import json
import math
from dataclasses import dataclass
from typing import Any, TypeVar

from pydantic import BaseModel, ValidationError
from pydantic_core import ErrorDetails

from ample_rows.core import plan as p
from ample_rows.core.errors import AmpleRowsError
from ample_rows.core.words.message import Text, said

Value = TypeVar("Value", bound=BaseModel)

MOST_FAULTS = 50
_MOST_DIGITS = 40


@dataclass(frozen=True, slots=True)
class Fault:
    """Why a document cannot be read as a garden, and where."""

    path: str
    text: Text

    def __str__(self) -> str:
        return f"{self.path}: {said(self.text)}" if self.path else said(self.text)


class PlanFaultsError(AmpleRowsError, ValueError):
    """A document that is no plan, with every fault found."""

    def __init__(self, faults: list[Fault]) -> None:
        super().__init__(", ".join(fault.path for fault in faults))
        self.faults = faults

    def __str__(self) -> str:
        return "\n".join(str(fault) for fault in self.faults)

    @classmethod
    def one(cls, path: str, text: Text) -> "PlanFaultsError":
        return cls([Fault(path, text)])


class _Object(dict[str, Any]):
    """A JSON object that remembers keys given twice."""

    twice: tuple[str, ...] = ()


def read_document(raw: bytes | str) -> p.Plan:
    """Parse and validate a plan document, apart from relations between its parts.

    Raises:
        PlanFaultsError: Not UTF-8, not JSON, numbers that are not finite, keys given twice,
            or values that a plan cannot hold.
    """
    return read_as(p.Plan, raw)


def read_as(kind: type[Value], raw: bytes | str) -> Value:
    """A document of some kind from strict JSON text.

    Raises:
        PlanFaultsError: As for a plan, each with its field's path.
    """
    text = _decoded(raw)
    value = _parsed(text)
    faults = _shape_faults(value, "")
    if faults:
        raise PlanFaultsError(faults[:MOST_FAULTS])
    return validated(text, kind)


def validated(text: str, kind: type[Value]) -> Value:
    """A value from JSON text already known to be sound JSON.

    Raises:
        PlanFaultsError: With each field's path.
    """
    try:
        return kind.model_validate_json(text)
    except ValidationError as error:
        raise PlanFaultsError(faults_of(error)) from error


def _decoded(raw: bytes | str) -> str:
    if isinstance(raw, str):
        return raw
    try:
        return raw.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise PlanFaultsError.one("", f"not UTF-8 text (byte {error.start})") from error


def _parsed(text: str) -> object:
    try:
        return json.loads(text, object_pairs_hook=_pairs, parse_int=_integer, parse_constant=float)
    except json.JSONDecodeError as error:
        where = f"line {error.lineno}, column {error.colno}"
        raise PlanFaultsError.one("", f"not JSON: {error.msg} at {where}") from error
    except RecursionError as error:
        raise PlanFaultsError.one("", "not a plan: nested too deeply") from error


def is_readable_number(value: object) -> bool:
    """Whether a value, where it is a number, is finite and of no more digits than are read."""
    if isinstance(value, float):
        return math.isfinite(value)
    return not isinstance(value, int) or abs(value) < 10**_MOST_DIGITS


def _integer(digits: str) -> int | float:
    return int(digits) if len(digits) <= _MOST_DIGITS else float(digits)


def _pairs(pairs: list[tuple[str, Any]]) -> _Object:
    made = _Object(pairs)
    if len(made) < len(pairs):
        keys = [key for key, _ in pairs]
        made.twice = tuple(sorted({key for key in keys if keys.count(key) > 1}))
    return made


def _shape_faults(value: object, path: str) -> list[Fault]:
    """Faults that JSON itself allows: infinite numbers and keys given twice."""
    if isinstance(value, float) and not math.isfinite(value):
        named = "NaN" if math.isnan(value) else "Infinity" if value > 0 else "-Infinity"
        return [Fault(path, f"{named} is not a number that can be used; give a finite number")]
    if isinstance(value, _Object):
        faults = [Fault(_join(path, key), "the key stands twice") for key in value.twice]
        for key, part in value.items():
            faults += _shape_faults(part, _join(path, key))
        return faults
    if isinstance(value, list):
        return [f for i, part in enumerate(value) for f in _shape_faults(part, f"{path}[{i}]")]
    return []


def _join(path: str, key: str) -> str:
    return f"{path}.{key}" if path else key


_UNION_TAGS = ("tuple[", "literal[", "rectangle", "circle", "polygon", "mound")


def path_of(location: tuple[int | str, ...]) -> str:
    """A JSON path as gardeners' files show it: `plantings[3].cells[0]`."""
    path = ""
    for part in location:
        if isinstance(part, int):
            path += f"[{part}]"
        elif not part.startswith(_UNION_TAGS):
            path = _join(path, part)
    return path


def faults_of(error: ValidationError) -> list[Fault]:
    """One fault a path, in the order of the document."""
    by_path: dict[str, Fault] = {}
    for detail in error.errors(include_url=False):
        path = path_of(detail["loc"])
        if detail["type"] == "unknown_key":
            path = _join(path, detail["ctx"]["key"])
        by_path.setdefault(path, Fault(path, _wanted(detail)))
    # A union's other branch complains of the whole where one branch found the part.
    whole = {path[:at] for path in by_path for at, letter in enumerate(path) if letter == "["}
    return [fault for path, fault in by_path.items() if path not in whole][:MOST_FAULTS]


def _wanted(detail: ErrorDetails) -> str:
    """What is wanted, in plain words, with what was given."""
    context = detail.get("ctx", {})
    kind = detail["type"]
    bound = {
        "greater_than_equal": ("ge", "at least"),
        "greater_than": ("gt", "more than"),
        "less_than_equal": ("le", "at most"),
    }.get(kind)
    if bound:
        given = detail["input"]
        return f"must be {bound[1]} {context[bound[0]]}; {given} was given"
    if kind in ("float_type", "float_parsing", "finite_number"):
        return f"must be a number; {_shown(detail['input'])} was given"
    if kind in ("int_type", "int_parsing", "int_from_float"):
        return f"must be a whole number; {_shown(detail['input'])} was given"
    if kind.startswith("date"):
        return f"must be a date that exists, as YYYY-MM-DD; {_shown(detail['input'])} was given"
    if kind == "missing":
        return "is required"
    if kind in ("model_type", "model_attributes_type", "dict_type"):
        return f"must be an object; {_shown(detail['input'])} was given"
    if kind == "string_pattern_mismatch":
        return f"{_shown(detail['input'])} is not a cell address such as A1"
    if kind == "tuple_type" and detail["loc"][-1] != "cells" and "cells" in detail["loc"]:
        return 'must be a list of cell addresses, or "all"'
    if kind in ("literal_error", "union_tag_invalid"):
        wanted = context.get("expected") or context.get("expected_tags")
        return f"must be {wanted}; {_shown(detail['input'])} was given"
    message = detail["msg"].removeprefix("Value error, ")
    return message[:1].lower() + message[1:]


def _shown(value: object) -> str:
    text = json.dumps(value, default=str, ensure_ascii=False)
    return text if len(text) <= 60 else text[:57] + "..."

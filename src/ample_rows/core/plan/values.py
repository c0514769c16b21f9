"""What every part of the plan is made of: bounded numbers, words, and the closed base."""

import re
import unicodedata
from datetime import date
from functools import cached_property
from typing import Annotated, Any, Literal, Self

from pydantic import AfterValidator, BaseModel, ConfigDict, Field, model_validator
from pydantic_core import PydanticCustomError


def _printable(text: str) -> str:
    if not text.isprintable():
        raise ValueError("an id is 1 to 64 printable characters")
    return text


# Characters that turn the direction of writing can make a name read as another.
_UNSEEN = re.compile("[\u202a-\u202e\u2066-\u2069]")


def one_line(text: str) -> str:
    """A text without control characters: each becomes a space."""
    plain = "".join(" " if unicodedata.category(c) in ("Cc", "Zl", "Zp") else c for c in text)
    return _UNSEEN.sub("", plain)


Ident = Annotated[str, Field(min_length=1, max_length=64), AfterValidator(_printable)]
Name = Annotated[str, Field(max_length=120), AfterValidator(one_line)]
Measure = Annotated[float, Field(ge=1, le=10_000, allow_inf_nan=False)]
Depth = Annotated[float, Field(ge=0, le=1_000, allow_inf_nan=False)]
Spacing = Annotated[float, Field(ge=0.5, le=2_000, allow_inf_nan=False)]
Metres = Annotated[float, Field(ge=-100_000, le=100_000, allow_inf_nan=False)]
Coordinate = Annotated[float, Field(ge=-10_000, le=10_000, allow_inf_nan=False)]
Litres = Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
Positive = Annotated[float, Field(ge=0, le=1e6, allow_inf_nan=False)]
Normal = Annotated[float, Field(ge=-90, le=60, allow_inf_nan=False)]
Rain = Annotated[float, Field(ge=0, le=5_000, allow_inf_nan=False)]
Address = Annotated[str, Field(pattern=r"^[A-Z]{1,3}[1-9][0-9]{0,3}$")]
PointCm = tuple[Coordinate, Coordinate]
PointM = tuple[Metres, Metres]

Walls = Literal["half", "near"]
Layout = Literal["single-squares", "merged", "offset", "rows", "band", "stations"]
Start = Literal["sow", "transplant", "set", "division"]
Bottom = Literal["open", "mesh", "rotting", "lined", "closed"]
Kind = Literal["framed", "mound", "ground", "container"]
Native = Literal["compacted", "ordinary", "loose"]
DepthPolicyName = Literal["shallow", "standard", "deep"]
Compass = Literal[
    "north", "northeast", "east", "southeast", "south", "southwest", "west", "northwest"
]

ObstacleKind = Literal["house", "wall", "fence", "hedge", "tree", "shrub", "other"]
WorkerName = Literal["adult", "child", "seated", "standing", "kneeling"]
Weekday = Literal["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"]
PathUse = Literal["feet", "barrow", "chair"]
SunLevel = Literal["little", "some", "enough"]
Floor = Literal["balcony", "deck", "roof"]
Stage = Literal["standing", "this-year", "later"]
Month = Annotated[int, Field(ge=1, le=12)]
HorizonAngle = Annotated[float, Field(ge=0, le=89, allow_inf_nan=False)]

PlanDate = Annotated[date, Field(ge=date(1900, 1, 1), le=date(2200, 12, 31))]


def _whole_or_part(per_cell: float) -> float:
    if per_cell > 1 and not per_cell.is_integer():
        raise PydanticCustomError(
            "per_cell", "use a whole number, or below 1 the part of a plant (0.25: four squares)"
        )
    return per_cell


# So many plants in each square, or below 1 the part of a plant: 0.25 is four squares for one.
PerCell = Annotated[float, Field(gt=0, le=100, allow_inf_nan=False), AfterValidator(_whole_or_part)]


SquareCount = Annotated[float, Field(gt=0, le=100, allow_inf_nan=False)]


class ByCrop(dict[str, float]):
    """A figure for each of some crops, by id; not changed once it is read, so it has a hash."""

    def __hash__(self) -> int:  # type: ignore[override]
        return hash(frozenset(self.items()))


class PlanValue(BaseModel):
    """Base of every part of the plan: frozen, strict, closed but for `x-` keys."""

    model_config = ConfigDict(frozen=True, strict=True, extra="allow", ser_json_inf_nan="null")

    @model_validator(mode="after")
    def _only_private_extras(self) -> "PlanValue":
        for key in self.__pydantic_extra__ or {}:
            if not re.match(r"x-.", key):
                raise PydanticCustomError(
                    "unknown_key", "is not a key here; keys of your own begin with x-", {"key": key}
                )
        return self

    def __hash__(self) -> int:
        return self._hashed

    @cached_property
    def _hashed(self) -> int:
        """Asked for with every figure that is kept by a part of the plan, and never another."""
        return hash(tuple(self.__dict__[name] for name in type(self).model_fields))

    @cached_property
    def _shared(self) -> dict[str, Any]:
        return document(self)

    def __copy__(self) -> Self:
        # What is copied is about to be changed: what is kept of it is not what it will be.
        copied = super().__copy__()
        for kept in ("_hashed", "_shared"):
            copied.__dict__.pop(kept, None)
        return copied


def document(plan: PlanValue) -> dict[str, Any]:
    """The JSON value of a plan or a part: what was given, nothing that was not."""
    return plan.model_dump(mode="json", exclude_unset=True)


def shared_document(plan: PlanValue) -> dict[str, Any]:
    """The same, of which what comes from parts that stay is made once: not to be changed."""
    parts = {
        name: part
        for name, value in plan.__dict__.items()
        if (part := _of_parts(value)) is not None
    }
    rest = plan.model_dump(mode="json", exclude_unset=True, exclude=set(parts))
    whole = rest | {name: part for name, part in parts.items() if name in plan.model_fields_set}
    # As it is ordered in the document.
    names = (*type(plan).model_fields, *(plan.__pydantic_extra__ or ()))
    return {name: whole[name] for name in names if name in whole}


def _of_parts(value: object) -> object:
    """The JSON value of a part or of several; None where it is none."""
    if isinstance(value, PlanValue):
        return value._shared
    if isinstance(value, tuple) and value and all(isinstance(part, PlanValue) for part in value):
        return [part._shared for part in value]
    return None

"""What every edit is: a value that knows what it does to a plan, and what it is called."""

from abc import abstractmethod
from typing import Any

from pydantic import BaseModel, ConfigDict

from ample_rows.core import plan as p
from ample_rows.core.errors import UnknownPartError

Changes = dict[str, Any]


class EditBase(BaseModel):
    """One change of a plan."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    def made_in(self, document: Changes) -> None:
        """Change a plan's document, in place, which may lack its lists of places and plantings."""
        document.setdefault("places", [])
        document.setdefault("plantings", [])
        self.apply_to(document)

    @abstractmethod
    def apply_to(self, document: Changes) -> None:
        """Change a plan's document, in place. It has its lists of places and plantings.

        Raises:
            UnknownPartError: The edit names a part that is not there.
            PlanFaultsError: What it asks cannot be done to this plan.
        """

    @abstractmethod
    def named(self, before: p.Plan) -> str:
        """What it did, for undo: "plant carrot", in the words of the plan before it."""


def part_of(records: list[Changes], ident: str, what: str) -> Changes:
    """A record by its id.

    Raises:
        UnknownPartError: There is none.
    """
    for record in records:
        if record["id"] == ident:
            return record
    raise UnknownPartError(kind=what, ident=ident)


def merge(record: Changes, changes: Changes) -> None:
    """Set some keys of a record, in place; a key set to null is taken out."""
    for key, value in changes.items():
        if value is None:
            record.pop(key, None)
        else:
            record[key] = value


def place_name(before: p.Plan, ident: str) -> str:
    return next((place.label for place in before.places if place.id == ident), ident)

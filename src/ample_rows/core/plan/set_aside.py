"""Parts of a kept plan that this version cannot use, carried along unchanged."""

from pydantic import JsonValue

from ample_rows.core.plan.values import PlanValue


class SetAside(PlanValue):
    """One part: where it stood, why it cannot be used, and all of it, to be used again when it
    can be."""

    path: str
    why: str
    value: JsonValue

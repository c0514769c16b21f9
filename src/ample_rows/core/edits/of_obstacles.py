"""Edits of what casts shade in the yard."""

from typing import Any, Literal

from pydantic import Field, TypeAdapter, ValidationError

from ample_rows.core import plan as p
from ample_rows.core.edits.edit import Changes, EditBase, merge, part_of
from ample_rows.core.plan.obstacle import box_of, drawn_from, identified, outline_of, shifted

_DRAWN = TypeAdapter(p.Obstacle)


class AddObstacle(EditBase):
    """Set something up that casts shade. Without an outline it takes that of its shape, whose box
    has its least corner at `at_m`."""

    do: Literal["add-obstacle"] = "add-obstacle"
    obstacle: Changes
    at_m: p.PointM = (0.0, 0.0)

    def apply_to(self, document: Changes) -> None:
        record = dict(self.obstacle)
        if "outline_m" not in record:
            _redraw(record, self.at_m)
        _obstacles(document).append(record)

    def named(self, before: p.Plan) -> str:
        return f"add {self.obstacle.get('name') or self.obstacle.get('kind') or 'an obstacle'}"


class ChangeObstacle(EditBase):
    """Set some keys of an obstacle; a key set to null is taken out. A new shape or heading gives
    it a new outline; `at_m` is where the least corner of its box comes to lie."""

    do: Literal["change-obstacle"] = "change-obstacle"
    id: str
    changes: Changes = Field(default_factory=dict)
    at_m: p.PointM | None = None

    def apply_to(self, document: Changes) -> None:
        record = part_of(_obstacles(document), self.id, "obstacle")
        if "outline_m" in self.changes:
            merge(record, {"shape": None, "heading_deg": None, **self.changes})
            return
        x, y, _, _ = box_of(record["outline_m"])
        at_m = (x, y) if self.at_m is None else self.at_m
        _draw_shape(record)
        merge(record, self.changes)
        if self.changes.keys() & {"shape", "heading_deg"}:
            _redraw(record, at_m)
        elif self.at_m is not None:
            record["outline_m"] = shifted(record["outline_m"], (at_m[0] - x, at_m[1] - y))

    def named(self, before: p.Plan) -> str:
        did = "move" if self.at_m is not None and not self.changes else "change"
        return f"{did} {_name_of(before, self.id)}"


class RemoveObstacle(EditBase):
    do: Literal["remove-obstacle"] = "remove-obstacle"
    id: str

    def apply_to(self, document: Changes) -> None:
        obstacles = _obstacles(document)
        obstacles.remove(part_of(obstacles, self.id, "obstacle"))

    def named(self, before: p.Plan) -> str:
        return f"delete {_name_of(before, self.id)}"


def _obstacles(document: Changes) -> list[Changes]:
    """The yard's obstacles, each with the id that the pages know it by."""
    site: Changes = document.setdefault("site", {})
    obstacles: list[Changes] = identified(site.get("obstacles", []))
    site["obstacles"] = obstacles
    return obstacles


def _draw_shape(record: dict[str, Any]) -> None:
    """Write the shape that an outline shows, where a record has none."""
    shape, heading_deg = drawn_from(record["outline_m"])
    if "shape" not in record and shape is not None:
        record |= {"shape": p.document(shape), "heading_deg": heading_deg}


def _redraw(record: dict[str, Any], at_m: p.PointM) -> None:
    """The outline of a record's shape. What is wrong with the shape is said when it is read."""
    shape, heading_deg = record.get("shape"), record.get("heading_deg")
    trial = {"outline_m": [(0, 0)] * 3, "height_m": 0, "shape": shape, "heading_deg": heading_deg}
    try:
        drawn = _DRAWN.validate_python(trial, strict=False)
    except ValidationError:
        return
    if shape is not None and drawn.shape is not None:
        record["outline_m"] = outline_of(drawn.shape, drawn.heading_deg or 0.0, at_m)


def _name_of(before: p.Plan, ident: str) -> str:
    obstacles = before.site.obstacles if before.site else ()
    names = (o.name or o.kind or "obstacle" for o in obstacles if o.id == ident)
    return next(names, ident)

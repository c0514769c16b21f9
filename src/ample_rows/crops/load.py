"""Read the crop families and tables that ship, and build the core's `Book`."""

import hashlib
import json
import tomllib
from functools import cache
from importlib.resources import files
from importlib.resources.abc import Traversable
from typing import Any, TypeVar

from pydantic import BaseModel, ValidationError

from ample_rows.core.book import (
    AirBand,
    Animal,
    BadYear,
    Book,
    Caution,
    Coefficient,
    CoverKind,
    Crop,
    CropKeeping,
    DepthPolicy,
    DoneAs,
    Eaten,
    FamilyRest,
    FeederClass,
    Footing,
    GroundTool,
    HarvestedPart,
    JobMinutes,
    JobRule,
    KeepingWay,
    LabelSheet,
    LayoutWay,
    Like,
    MadeUpClimate,
    Material,
    Mix,
    PathNeed,
    PatternKind,
    PickingShape,
    PlaceRound,
    Rule,
    SoftMatter,
    SoilIngredient,
    Starter,
    TrainingSystem,
    Trait,
    Trouble,
    TurfWay,
    UsualChore,
    WaterWay,
    Worker,
)
from ample_rows.core.book.ailments import Cause, Question, Sign
from ample_rows.core.book.safety import (
    cautioned,
    cautioned_crop,
    cautioned_keeping,
    unknown_in,
)
from ample_rows.core.book.seed_saving import SeedSaving
from ample_rows.core.book.together import disagreements

Model = TypeVar("Model", bound=BaseModel)


class CropBookError(ValueError):
    """A data file says something that cannot be used: names file, record, field and reason."""


def _checked(model: type[Model], raw: object, where: str) -> Model:
    try:
        return model.model_validate(raw)
    except ValidationError as error:
        first = error.errors()[0]
        path = ".".join(str(part) for part in first["loc"]) or "record"
        raise CropBookError(f"{where}: {path}: {first['msg']}") from error


def _toml(source: Traversable) -> dict[str, Any]:
    try:
        return tomllib.loads(source.read_text("utf-8"))
    except tomllib.TOMLDecodeError as error:
        raise CropBookError(f"{source.name}: {error}") from error


Sources = dict[str, dict[str, str]]
"""Of each group of figures the text of its source, and how sure it is."""


def read_family(text: str, *, file_name: str, shared: Sources | None = None) -> list[Crop]:
    """Crops of one family file; family and source notes are shared unless a crop has its own.

    Args:
        shared: Source notes of all families.

    Raises:
        CropBookError: The file is not TOML, or a crop lacks or contradicts something.
    """
    try:
        raw = tomllib.loads(text)
    except tomllib.TOMLDecodeError as error:
        raise CropBookError(f"{file_name}: {error}") from error
    shared = shared or {}
    texts = {group: note["text"] for group, note in shared.items()} | raw.get("sources", {})
    sure = {group: note["status"] for group, note in shared.items()} | raw.get("statuses", {})
    crops = []
    for record in raw.get("crops", []):
        name = record.get("id", "a crop without id")
        sources = {**texts, **record.get("sources", {})}
        statuses = {**sure, **record.get("statuses", {})}
        own = {"sources": sources, "statuses": statuses}
        full = {"family": raw.get("family"), **record, **own}
        crops.append(_checked(Crop, full, f"{file_name}: {name}"))
    return crops


def _table(model: type[Model], raw: dict[str, Any], file_name: str) -> dict[str, Model]:
    return {name: _checked(model, row, f"{file_name}: {name}") for name, row in raw.items()}


def checked_together(
    crops: list[Crop],
    trainings: dict[str, TrainingSystem],
    traits: dict[str, Trait],
    troubles: dict[str, Trouble],
) -> dict[str, Crop]:
    """Crops by id, once their marks, varieties, neighbours, trainings and traits agree.

    Raises:
        CropBookError: Two share an id or mark, or one names what is not in the book.
    """
    for disagreement in disagreements(crops, trainings, traits, troubles):
        raise CropBookError(f"{disagreement.crop}: {disagreement.field}: {disagreement.text}")
    return dict(sorted((crop.id, crop) for crop in crops))


# Each table of the book: what its records are, the file it is in, and under which key.
_TABLES: dict[str, tuple[type[BaseModel], str, str]] = {
    "airs": (AirBand, "policies.toml", "air"),
    "bad_years": (BadYear, "bad_years.toml", "bad_year"),
    "animals": (Animal, "reach.toml", "animal"),
    "causes": (Cause, "causes.toml", "cause"),
    "cautions": (Caution, "safety.toml", "caution"),
    "climates": (MadeUpClimate, "climates.toml", "climate"),
    "coefficients": (Coefficient, "coefficients.toml", ""),
    "covers": (CoverKind, "covers.toml", "cover"),
    "crop_keeping": (CropKeeping, "keeping.toml", "crop"),
    "depth_policies": (DepthPolicy, "policies.toml", "depth"),
    "done_as": (DoneAs, "jobs.toml", "done"),
    "eaten": (Eaten, "first_bed.toml", "eaten"),
    "families": (FamilyRest, "families.toml", "family"),
    "ground_tools": (GroundTool, "soil.toml", "tool"),
    "feeders": (FeederClass, "soil.toml", "feeder"),
    "footings": (Footing, "growing_up.toml", "footing"),
    "ingredients": (SoilIngredient, "soil.toml", "ingredient"),
    "jobs": (JobRule, "jobs.toml", "job"),
    "keeping_ways": (KeepingWay, "keeping.toml", "way"),
    "label_sheets": (LabelSheet, "labels.toml", "sheet"),
    "layouts": (LayoutWay, "policies.toml", "layout"),
    "likes": (Like, "first_bed.toml", "like"),
    "materials": (Material, "materials.toml", "material"),
    "mixes": (Mix, "soil.toml", "mix"),
    "parts": (HarvestedPart, "soil.toml", "part"),
    "path_needs": (PathNeed, "reach.toml", "path"),
    "patterns": (PatternKind, "water.toml", "pattern"),
    "picking_shapes": (PickingShape, "policies.toml", "picking"),
    "questions": (Question, "signs.toml", "question"),
    "rounds": (PlaceRound, "jobs.toml", "round"),
    "place_minutes": (JobMinutes, "jobs.toml", "place"),
    "rules": (Rule, "rules.toml", ""),
    "seed_saving": (SeedSaving, "seed_saving.toml", "saving"),
    "signs": (Sign, "signs.toml", "sign"),
    "soft": (SoftMatter, "soil.toml", "soft"),
    "starters": (Starter, "starters.toml", "starter"),
    "trainings": (TrainingSystem, "growing_up.toml", "training"),
    "traits": (Trait, "policies.toml", "trait"),
    "troubles": (Trouble, "troubles.toml", "trouble"),
    "turf_ways": (TurfWay, "soil.toml", "turf"),
    "usual_chores": (UsualChore, "jobs.toml", "chore"),
    "water_ways": (WaterWay, "water.toml", "way"),
    "workers": (Worker, "reach.toml", "worker"),
}


@cache
def load_book() -> Book:
    """The book that ships, read and checked once per process.

    Raises:
        CropBookError: A shipped file is wrong; the message names it.
    """
    root = files("ample_rows.crops")
    raw = {
        name: _toml(root / "tables" / name) for name in {file for _, file, _ in _TABLES.values()}
    }
    tables: dict[str, dict[str, Any]] = {
        field: _table(record, raw[file][key] if key else raw[file], file)
        for field, (record, file, key) in _TABLES.items()
    }
    family_files = sorted((root / "families").iterdir(), key=lambda f: f.name)
    texts = {f.name: f.read_text("utf-8") for f in family_files if f.name.endswith(".toml")}
    shared = _toml(root / "tables" / "crop_sources.toml")
    crops = [
        crop
        for name, text in texts.items()
        for crop in read_family(text, file_name=name, shared=shared)
    ]
    packings = json.loads((root / "tables" / "packings.json").read_text("utf-8"))
    together = checked_together(crops, tables["trainings"], tables["traits"], tables["troubles"])
    return Book(
        **{**tables, **_cautioned(tables, together)},
        circle_packings=_packing(packings["circle"]),
        square_packings=_packing(packings["square"]),
        packing_source=packings["source"],
        digest=hashlib.sha256("".join(texts.values()).encode()).hexdigest()[:16],
    )


# Tables whose records say what can hurt, by the key under which a caution names them.
_CAUTIONED = {
    "soft": "soft",
    "ingredients": "ingredients",
    "materials": "materials",
    "tools": "ground_tools",
}


def _cautioned(tables: dict[str, dict[str, Any]], crops: dict[str, Crop]) -> dict[str, Any]:
    """The records that can hurt, each with its cautions.

    Raises:
        CropBookError: A caution names what is not in the book.
    """
    cautions = tables["cautions"]
    jobs = [*tables["jobs"], *tables["place_minutes"], *tables["rounds"]]
    jobs += [f"chore-{name}" for name in tables["usual_chores"]]
    known = {kind: tables[field] for kind, field in _CAUTIONED.items()}
    missing = unknown_in(cautions, {**known, "crops": crops, "bottled": crops, "jobs": jobs})
    if missing is not None:
        raise CropBookError(f"safety.toml: {missing}")
    said = {field: cautioned(tables[field], cautions, kind) for kind, field in _CAUTIONED.items()}
    keeping = {
        name: cautioned_keeping(record, name, cautions)
        for name, record in tables["crop_keeping"].items()
    }
    return {
        **said,
        "crop_keeping": keeping,
        "crops": {name: cautioned_crop(crop, cautions) for name, crop in crops.items()},
    }


def _packing(raw: dict[str, list[list[float]]]) -> dict[int, tuple[tuple[float, float], ...]]:
    return {int(n): tuple((x, y) for x, y in centres) for n, centres in raw.items()}

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
    Book,
    Coefficient,
    CoverKind,
    Crop,
    CropKeeping,
    DepthPolicy,
    FamilyRest,
    FeederClass,
    Footing,
    HarvestedPart,
    JobMinutes,
    JobRule,
    KeepingWay,
    LabelSheet,
    LayoutWay,
    MadeUpClimate,
    Material,
    Mix,
    PathNeed,
    PickingShape,
    Rule,
    SoftMatter,
    SoilIngredient,
    Starter,
    TrainingSystem,
    Trait,
    Trouble,
    UsualChore,
    WaterWay,
    Worker,
)
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


def read_family(text: str, *, file_name: str) -> list[Crop]:
    """Crops of one family file; family and source notes are shared unless a crop has its own.

    Raises:
        CropBookError: The file is not TOML, or a crop lacks or contradicts something.
    """
    try:
        raw = tomllib.loads(text)
    except tomllib.TOMLDecodeError as error:
        raise CropBookError(f"{file_name}: {error}") from error
    shared_sources = raw.get("sources", {})
    crops = []
    for record in raw.get("crops", []):
        name = record.get("id", "a crop without id")
        sources = {**shared_sources, **record.get("sources", {})}
        full = {"family": raw.get("family"), **record, "sources": sources}
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
    for found in disagreements(crops, trainings, traits, troubles):
        raise CropBookError(f"{found.crop}: {found.field}: {found.text}")
    return dict(sorted((crop.id, crop) for crop in crops))


@cache
def load_book() -> Book:
    """The book that ships, read and checked once per process.

    Raises:
        CropBookError: A shipped file is wrong; the message names it.
    """
    root = files("ample_rows.crops")
    tables = root / "tables"
    family_files = sorted((root / "families").iterdir(), key=lambda f: f.name)
    texts = {f.name: f.read_text("utf-8") for f in family_files if f.name.endswith(".toml")}
    keeping = _toml(tables / "keeping.toml")
    policies, jobs = _toml(tables / "policies.toml"), _toml(tables / "jobs.toml")
    growing_up = _toml(tables / "growing_up.toml")
    reach, soil = _toml(tables / "reach.toml"), _toml(tables / "soil.toml")
    packings = json.loads((tables / "packings.json").read_text("utf-8"))
    trainings = _table(TrainingSystem, growing_up["training"], "growing_up.toml")
    traits = _table(Trait, policies["trait"], "policies.toml")
    troubles = _table(Trouble, _toml(tables / "troubles.toml")["trouble"], "troubles.toml")
    crops = [crop for name, text in texts.items() for crop in read_family(text, file_name=name)]
    return Book(
        crops=checked_together(crops, trainings, traits, troubles),
        traits=traits,
        troubles=troubles,
        coefficients=_table(Coefficient, _toml(tables / "coefficients.toml"), "coefficients.toml"),
        rules=_table(Rule, _toml(tables / "rules.toml"), "rules.toml"),
        depth_policies=_table(DepthPolicy, policies["depth"], "policies.toml"),
        layouts=_table(LayoutWay, policies["layout"], "policies.toml"),
        airs=_table(AirBand, policies["air"], "policies.toml"),
        picking_shapes=_table(PickingShape, policies["picking"], "policies.toml"),
        trainings=trainings,
        jobs=_table(JobRule, jobs["job"], "jobs.toml"),
        place_minutes=_table(JobMinutes, jobs["place"], "jobs.toml"),
        usual_chores=_table(UsualChore, jobs["chore"], "jobs.toml"),
        families=_table(FamilyRest, _toml(tables / "families.toml")["family"], "families.toml"),
        keeping_ways=_table(KeepingWay, keeping["way"], "keeping.toml"),
        crop_keeping=_table(CropKeeping, keeping["crop"], "keeping.toml"),
        label_sheets=_table(LabelSheet, _toml(tables / "labels.toml")["sheet"], "labels.toml"),
        footings=_table(Footing, growing_up["footing"], "growing_up.toml"),
        covers=_table(CoverKind, _toml(tables / "covers.toml")["cover"], "covers.toml"),
        workers=_table(Worker, reach["worker"], "reach.toml"),
        climates=_table(MadeUpClimate, _toml(tables / "climates.toml")["climate"], "climates.toml"),
        materials=_table(Material, _toml(tables / "materials.toml")["material"], "materials.toml"),
        water_ways=_table(WaterWay, _toml(tables / "water.toml")["way"], "water.toml"),
        starters=_table(Starter, _toml(tables / "starters.toml")["starter"], "starters.toml"),
        mixes=_table(Mix, soil["mix"], "soil.toml"),
        ingredients=_table(SoilIngredient, soil["ingredient"], "soil.toml"),
        soft=_table(SoftMatter, soil["soft"], "soil.toml"),
        feeders=_table(FeederClass, soil["feeder"], "soil.toml"),
        parts=_table(HarvestedPart, soil["part"], "soil.toml"),
        animals=_table(Animal, reach["animal"], "reach.toml"),
        path_needs=_table(PathNeed, reach["path"], "reach.toml"),
        circle_packings=_packing(packings["circle"]),
        square_packings=_packing(packings["square"]),
        packing_source=packings["source"],
        digest=hashlib.sha256("".join(texts.values()).encode()).hexdigest()[:16],
    )


def _packing(raw: dict[str, list[list[float]]]) -> dict[int, tuple[tuple[float, float], ...]]:
    return {int(n): tuple((x, y) for x, y in centres) for n, centres in raw.items()}

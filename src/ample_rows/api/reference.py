"""Routes of reference: the crop book, the schemas, and the API's own page, offline."""

from html import escape
from typing import Annotated, Any, cast

from fastapi import APIRouter, Depends, Query, Request
from fastapi.responses import HTMLResponse
from pydantic import BaseModel

from ample_rows import PROGRAM
from ample_rows.api.problems import RESPONSES
from ample_rows.api.units import preferred_saying
from ample_rows.core.book import (
    Animal,
    Book,
    CoverKind,
    Crop,
    Footing,
    GroundTool,
    Material,
    Mix,
    PatternKind,
    SoftMatter,
    SoilIngredient,
    TrainingSystem,
    TurfWay,
    WaterWay,
)
from ample_rows.core.book.methods import Method, methods
from ample_rows.core.book.regions import book_in
from ample_rows.core.estimate.report_json import schemas
from ample_rows.core.geometry.forms import Form, outline_of
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.soil.mound import (
    MoundTop,
    PathEarth,
    digging_for_height,
    height_from_path,
)
from ample_rows.crops import load_book


def _regional_book(request: Request) -> Book:
    """The book in the words that the request prefers."""
    return book_in(load_book(), preferred_saying(request.scope)[1])


RegionalBook = Annotated[Book, Depends(_regional_book)]

router = APIRouter(prefix="/api", tags=["reference"], responses=RESPONSES)


@router.get("/crops")
def crops(book: RegionalBook) -> list[Crop]:
    """The crop book, every field as it is used."""
    return list(book.crops.values())


@router.get("/methods")
def methods_of_the_core(book: RegionalBook) -> list[Method]:
    """Every rule of the core, with the numbers that it reads, as the workings use them."""
    return list(methods(book))


@router.get("/mixes")
def mixes(book: RegionalBook) -> dict[str, Mix]:
    """The mixes to fill places with, by name."""
    return book.mixes


class BreakingAnswer(BaseModel):
    """How new ground can be broken."""

    turf: dict[str, TurfWay]
    tools: dict[str, GroundTool]


@router.get("/breaking")
def breaking(book: RegionalBook) -> BreakingAnswer:
    """What can be done with turf, and what ground is broken with, by name."""
    return BreakingAnswer(turf=book.turf_ways, tools=book.ground_tools)


@router.get("/patterns")
def patterns(book: RegionalBook) -> dict[str, PatternKind]:
    """What can be laid over a place in lines for plants to stand by, by name."""
    return book.patterns


class LikeAnswer(BaseModel):
    """A kind of food that a household may like."""

    id: str
    label: str


@router.get("/likes")
def likes(book: RegionalBook) -> list[LikeAnswer]:
    """The kinds of food that a first bed can be planted with."""
    return [LikeAnswer(id=name, label=like.label) for name, like in book.likes.items()]


@router.get("/materials")
def materials(book: RegionalBook) -> dict[str, Material]:
    """What frames, containers, bottoms and lines are made of, by name."""
    return book.materials


@router.get("/ingredients")
def ingredients(book: RegionalBook) -> dict[str, SoilIngredient]:
    """What mixes can be made from, by name."""
    return book.ingredients


@router.get("/soft-matter")
def soft_matter(book: RegionalBook) -> dict[str, SoftMatter]:
    """Soft matter to lay on, dig in or bury, by name."""
    return book.soft


@router.get("/covers")
def covers(book: RegionalBook) -> dict[str, CoverKind]:
    """Kinds of cover over a block of squares."""
    return book.covers


@router.get("/footings")
def footings(book: RegionalBook) -> dict[str, Footing]:
    """How posts stand, and what takes the push of the wind."""
    return book.footings


@router.get("/trainings")
def trainings(book: RegionalBook) -> dict[str, TrainingSystem]:
    """Ways of growing up, by name."""
    return book.trainings


@router.get("/animals")
def animals(book: RegionalBook) -> dict[str, Animal]:
    """Animals that come to gardens, and what keeps them out, by name."""
    return book.animals


@router.get("/water-ways")
def water_ways(book: RegionalBook) -> dict[str, WaterWay]:
    """Ways to water, by name."""
    return book.water_ways


class OutlineAnswer(BaseModel):
    """A polygon's rings of points, x and y. [cm]"""

    outline_cm: list[list[float]]
    holes_cm: list[list[list[float]]]


Centimetres = Annotated[float, Query(ge=1, le=10_000, allow_inf_nan=False)]


@router.get("/outlines")
def outlines(
    form: Form, width_cm: Centimetres, length_cm: Centimetres, arm_cm: Centimetres
) -> OutlineAnswer:
    """The outline of an L, a U or a ring by its measures."""
    try:
        outline = outline_of(form, width_cm=width_cm, length_cm=length_cm, arm_cm=arm_cm)
    except ValueError as error:
        raise PlanFaultsError.one("arm_cm", str(error)) from error
    return OutlineAnswer(
        outline_cm=[list(point) for point in outline.outline_cm],
        holes_cm=[[list(point) for point in ring] for ring in outline.holes_cm],
    )


Slope = Annotated[float, Query(ge=0, le=10, allow_inf_nan=False)]
Depth = Annotated[float, Query(ge=0, le=1_000, allow_inf_nan=False)]


@router.get("/mounds")
def mounds(
    book: RegionalBook,
    *,
    top_cm: Centimetres,
    length_cm: Centimetres,
    side_slope: Slope,
    path_width_cm: Centimetres,
    loosened_cm: Depth = 0.0,
    dug_cm: Annotated[Depth | None, Query()] = None,
    height_cm: Annotated[Depth | None, Query()] = None,
) -> PathEarth:
    """A mound from its path's earth: its height from the digging, or the digging for a height."""
    mound = MoundTop(top_cm, length_cm, side_slope, path_width_cm, loosened_cm)
    if dug_cm is not None:
        return height_from_path(mound, dug_cm, book)
    if height_cm is not None:
        return digging_for_height(mound, height_cm, book)
    raise PlanFaultsError.one("dug_cm", "give how deep the path is dug, or the height wished for")


@router.get("/schema")
def schema() -> dict[str, Any]:
    """JSON Schemas of the plan document and the report."""
    return schemas()


@router.get("/reference", response_class=HTMLResponse, include_in_schema=False)
def reference(request: Request) -> str:
    """A page that lists every operation, readable without network or script."""
    document = cast(dict[str, Any], request.app.openapi())
    parts = [
        _operation(method, path, operation)
        for path, methods in document["paths"].items()
        for method, operation in methods.items()
    ]
    return (
        "<!doctype html><html lang='en'><head><meta charset='utf-8'>"
        "<meta name='viewport' content='width=device-width'>"
        "<title>Ample Rows: the API</title>"
        "<link rel='stylesheet' href='/reference.css'></head><body><main>"
        f"<h1>{escape(PROGRAM)}: the API</h1>"
        "<p>Errors are problem details (RFC 9457) with the path of each field. "
        "The whole description is <a href='/api/openapi.json'>OpenAPI</a>; the documents have "
        "<a href='/api/schema'>schemas</a>.</p>" + "".join(parts) + "</main></body></html>"
    )


def _operation(method: str, path: str, operation: dict[str, Any]) -> str:
    rows = [
        f"<tr><th scope='row'>{escape(p['name'])}</th><td>{escape(p['in'])}</td>"
        f"<td>{escape(_type(p.get('schema', {})))}</td></tr>"
        for p in operation.get("parameters", [])
    ]
    body = operation.get("requestBody", {}).get("content", {}).get("application/json")
    if body:
        kind = escape(_type(body["schema"]))
        rows.append(f"<tr><th scope='row'>body</th><td>JSON</td><td>{kind}</td></tr>")
    answers = ", ".join(
        f"{escape(status)} {escape(answer.get('description', ''))}"
        for status, answer in operation["responses"].items()
    )
    table = f"<table>{''.join(rows)}</table>" if rows else ""
    about = escape(operation.get("description", ""))
    return (
        f"<section><h2><code>{method.upper()} {escape(path)}</code></h2>"
        f"<p>{about}</p>{table}<p>Answers: {answers}</p></section>"
    )


def _type(schema: dict[str, Any]) -> str:
    if "$ref" in schema:
        return str(schema["$ref"]).rsplit("/", 1)[-1]
    return str(schema.get("type", "any"))

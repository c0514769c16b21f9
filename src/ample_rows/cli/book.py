"""`crops` and `schema`: reference data and formats, printed."""

import json
from typing import Any

from ample_rows.core.book import Book, Crop
from ample_rows.core.estimate.report_json import schemas
from ample_rows.crops import load_book


def print_crops(*, as_json: bool) -> int:
    """The crop book, as a list of every field or as a table."""
    book = load_book()
    crops = list(book.crops.values())
    if as_json:
        records = [_record(crop, book) for crop in crops]
        print(json.dumps(records, ensure_ascii=False, indent=1))
        return 0
    print(f"{'':4}{'crop':24}{'family':18}{'apart':>8}{'depth':>10}  kg per plant")
    for crop in crops:
        y = crop.yield_kg_per_plant
        kg = f"{y.low:g} – {y.typical:g} – {y.high:g}" if y else "no harvest"
        depth = f"{crop.least_depth_cm:g}–{crop.full_depth_cm:g}"
        spacing = f"{crop.spacing_cm:g} cm"
        print(f"{crop.mark:4}{crop.name:24}{crop.family:18}{spacing:>8}{depth:>7} cm  {kg}")
    return 0


def _record(crop: Crop, book: Book) -> dict[str, Any]:
    """Everything of a crop as an outside reader wants it, with every caution in one list."""
    record = crop.model_dump(mode="json")
    record["cautions"] += record.pop("page_cautions")
    return {**record, "keeping": book.keeping(crop).model_dump(mode="json")}


def print_schema() -> int:
    """JSON Schemas of the plan document and the report."""
    print(json.dumps(schemas(), indent=1))
    return 0

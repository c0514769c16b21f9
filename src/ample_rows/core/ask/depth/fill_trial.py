"""A place filled deeper or less deep, tried while its section is looked at."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.ask.depth.refilled import filled_to, refilled
from ample_rows.core.edits import ChangePlace
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.place.report import DepthLayers
from ample_rows.core.planting.report import DepthReport
from ample_rows.core.soil.fill import fill_of
from ample_rows.core.soil.order import options_for
from ample_rows.core.soil.roots import soil_depth
from ample_rows.core.words.message import Bulk, Length, Mass, Message, Text, message


@dataclass(frozen=True, slots=True)
class PlantingDepth:
    """How one planting would fare."""

    planting: str
    depth: DepthReport


@dataclass(frozen=True, slots=True)
class FillTrial:
    """A fill tried: the section, what it takes, what it gives, and the edit that fills so.

    `order_litres` and `cost` are those of the whole fill; the cost is null without a price.
    [cm, L, money, kg]
    """

    fill_cm: float
    usable_depth_cm: float
    layers: DepthLayers
    wall_cm: float
    soil_litres: float
    order_litres: float
    cost: float | None
    harvest_kg: float
    gain_kg: float
    plantings: tuple[PlantingDepth, ...]
    words: Text
    edit: ChangePlace


def fill_trial(estimate: Estimate, place_id: str, fill_cm: float) -> FillTrial:
    """A place as it would be with so deep a fill.

    Raises:
        UnknownPartError: There is no such place.
    """
    book = estimate.book
    here = estimate.place(place_id)
    grown = estimate.evaluated(place_id)
    changes = filled_to(here.place, fill_cm)
    if here.place.base_cm is not None and here.place.base_cm >= fill_cm:
        changes["base_cm"] = None
    now, tried = refilled(here, grown, {}), refilled(here, grown, changes)
    place = tried.here.place
    depth = soil_depth(
        place, book, on=here.setting.year.last_frost, trees_share=here.around.roots_share
    )
    fill = fill_of(place, here.setting.soil, book)
    before = fill_of(here.place, here.setting.soil, book)
    options = options_for(fill.order_litres, here.setting.soil, fill.recipe_litres)
    gain = tried.harvest_kg - now.harvest_kg
    return FillTrial(
        fill_cm=fill_cm,
        usable_depth_cm=depth.usable_cm,
        layers=DepthLayers(depth.fill_cm, depth.loosened_cm, depth.native_cm),
        wall_cm=shapes.wall_cm(place),
        soil_litres=shapes.soil_litres(place),
        order_litres=fill.order_litres,
        cost=min((o.cost for o in options if o.cost is not None), default=None),
        harvest_kg=tried.harvest_kg,
        gain_kg=gain,
        plantings=tuple(PlantingDepth(e.planting.id, DepthReport.of(e.depth)) for e in tried.grown),
        words=_words(fill_cm, fill.order_litres - before.order_litres, tried.harvest_kg, gain),
        edit=ChangePlace(id=place_id, changes=_document(changes)),
    )


def _words(fill_cm: float, more_litres: float, kg: float, gain: float) -> Message:
    litres = message(
        "fill-trial-mix",
        litres=Bulk(abs(more_litres)),
        change="more" if more_litres >= 0 else "less",
    )
    given = message("fill-trial-likely", kg=Mass(kg))
    if abs(gain) >= _LEAST_KG:
        given = message(
            "fill-trial-likely-change",
            kg=Mass(kg),
            gain=Mass(abs(gain)),
            change="more" if gain > 0 else "less",
        )
    return message("fill-trial-filled-pour", fill=Length(fill_cm), litres=litres, given=given)


_LEAST_KG = 0.05


def _document(changes: dict[str, object]) -> dict[str, object]:
    return {
        key: p.document(value) if isinstance(value, p.PlanValue) else value
        for key, value in changes.items()
    }

"""A crop's figures one by one: their key, words, unit and the source note that covers them."""

from dataclasses import dataclass
from typing import Literal, get_args

from ample_rows.core.book import Crop, Frost, PickingKind
from ample_rows.core.book.crop import Feeder, Group

Value = float | int | str | None
Kind = Literal["number", "text", "choice"]


@dataclass(frozen=True, slots=True)
class CropField:
    """One figure of a crop. `key` is its path in the record, joined by dots."""

    key: str
    label: str
    unit: str
    group: str
    kind: Kind = "number"
    choices: tuple[str, ...] = ()


FIELDS = (
    CropField("name", "Name", "", "spacing", "text"),
    CropField("botanical", "Botanical name", "", "spacing", "text"),
    CropField("family", "Family", "", "spacing", "text"),
    CropField("group", "Grown for", "", "yield", "choice", get_args(Group)),
    CropField("spacing_cm", "Spacing each way", "cm", "spacing"),
    CropField("in_row_cm", "Spacing in the row", "cm", "spacing"),
    CropField("between_row_cm", "Row spacing", "cm", "spacing"),
    CropField("per_square", "Plants per square", "", "counts"),
    CropField("canopy_cm", "Spread", "cm", "spacing"),
    CropField("height_cm", "Height", "cm", "spacing"),
    CropField("least_depth_cm", "Soil depth, least", "cm", "roots"),
    CropField("full_depth_cm", "Soil depth, full harvest", "cm", "roots"),
    CropField("least_depth_factor", "Harvest at the least depth", "share", "roots"),
    CropField("edible_root_cm", "Edible root", "cm", "roots"),
    CropField("rooting_cm", "Rooting depth", "cm", "roots"),
    CropField("least_litres", "Soil per plant, least", "L", "roots"),
    CropField("full_litres", "Soil per plant, full harvest", "L", "roots"),
    CropField("least_sun_hours", "Sun, least", "h", "light"),
    CropField("full_sun_hours", "Sun, full harvest", "h", "light"),
    CropField("least_sun_factor", "Harvest in the least sun", "share", "light"),
    CropField("frost", "Frost hardiness", "", "time", "choice", get_args(Frost)),
    CropField("base_temperature_c", "Grows from, mean of day and night", "°C", "warmth"),
    CropField("optimum_low_c", "Grows best from", "°C", "warmth"),
    CropField("optimum_high_c", "Grows best up to", "°C", "warmth"),
    CropField("ceiling_temperature_c", "Grows up to", "°C", "warmth"),
    CropField("fruit_set.night_low_c", "Sets in nights from", "°C", "warmth"),
    CropField("fruit_set.night_high_c", "Sets in nights up to", "°C", "warmth"),
    CropField("fruit_set.day_high_c", "Sets on days up to", "°C", "warmth"),
    CropField("kill_c.leaf", "Leaf dies at", "°C", "cold"),
    CropField("kill_c.crown", "Crown or root dies at", "°C", "cold"),
    CropField("after_frost_share", "Left when frost took its leaves", "share", "cold"),
    CropField("usual_start", "Days and yield for a start on", "", "warmth", "text"),
    CropField("days_from", "Days and yield from the climate", "", "warmth", "text"),
    CropField("germination_least_c", "Germinates from", "°C", "time"),
    CropField("germination_good_c", "Germinates fastest at", "°C", "time"),
    CropField("germination_days.low", "Germination, soonest", "days", "time"),
    CropField("germination_days.high", "Germination, latest", "days", "time"),
    CropField("sowing_depth_cm", "Sowing depth", "cm", "spacing"),
    CropField("buried_stem_cm", "Stem buried", "cm", "spacing"),
    CropField("seeds_per_station", "Seeds per station", "", "time"),
    CropField("emergence", "Germination rate", "share", "time"),
    CropField("survival", "Survival to picking", "share", "time"),
    CropField("seed_life_years", "Seed life, half alive after", "years", "seed"),
    CropField("packet_seeds", "Seeds per packet", "", "seed"),
    CropField("weeks_indoors", "Weeks indoors", "weeks", "time"),
    CropField("days_to_first_pick.sow", "Sown to first pick", "days", "time"),
    CropField("days_to_first_pick.transplant", "Set out to first pick", "days", "time"),
    CropField("days_to_first_pick.set", "Sets to first pick", "days", "time"),
    CropField("days_to_first_pick.division", "Divided to first pick", "days", "time"),
    CropField("picking.kind", "Picking", "", "time", "choice", get_args(PickingKind)),
    CropField("picking.days", "Picking lasts", "days", "time"),
    CropField("yield_kg_per_plant.low", "Harvest per plant, low", "kg", "yield"),
    CropField("yield_kg_per_plant.typical", "Harvest per plant, likely", "kg", "yield"),
    CropField("yield_kg_per_plant.high", "Harvest per plant, high", "kg", "yield"),
    CropField("piece_kg", "Weight of a piece", "kg", "yield"),
    CropField("least_piece_kg", "Smallest useful piece", "kg", "yield"),
    CropField("depletion_share", "Held water it may use", "share", "water"),
    CropField("crowding", "Loss to crowding at this spacing", "share", "spacing"),
    CropField("feeder", "Feeder", "", "yield", "choice", get_args(Feeder)),
    CropField("looks.growth", "Told by its growth", "", "looks", "text"),
    CropField("looks.leaf", "Told by its leaf", "", "looks", "text"),
    CropField("looks.flower", "Told by its flower", "", "looks", "text"),
    CropField("looks.fruit", "Told by its fruit", "", "looks", "text"),
    CropField("looks.root", "Told by its root", "", "looks", "text"),
    CropField("turn_round_days", "Rest after clearing", "days", "time"),
)
BY_KEY = {field.key: field for field in FIELDS}


def figure(crop: Crop, key: str) -> Value:
    """The value of one figure of a crop, null where it has none."""
    value: object = crop
    for part in key.split("."):
        value = value.get(part) if isinstance(value, dict) else getattr(value, part, None)
    return value if isinstance(value, float | int | str) else None

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
    CropField("spacing_cm", "Apart each way", "cm", "spacing"),
    CropField("in_row_cm", "Apart in rows", "cm", "spacing"),
    CropField("between_row_cm", "Between rows", "cm", "spacing"),
    CropField("canopy_cm", "Grows wide", "cm", "spacing"),
    CropField("height_cm", "Grows high", "cm", "spacing"),
    CropField("least_depth_cm", "Soil at least", "cm", "roots"),
    CropField("full_depth_cm", "Soil in full", "cm", "roots"),
    CropField("least_depth_factor", "Bears at the least", "share", "roots"),
    CropField("edible_root_cm", "The root itself", "cm", "roots"),
    CropField("rooting_cm", "Roots go to", "cm", "roots"),
    CropField("least_litres", "Pot at least", "L", "roots"),
    CropField("full_litres", "Pot in full", "L", "roots"),
    CropField("least_sun_hours", "Sun at least", "h", "light"),
    CropField("full_sun_hours", "Sun in full", "h", "light"),
    CropField("least_sun_factor", "Bears in the least sun", "share", "light"),
    CropField("frost", "Frost", "", "time", "choice", get_args(Frost)),
    CropField("base_temperature_c", "Grows from", "°C", "time"),
    CropField("ceiling_temperature_c", "Grows up to", "°C", "time"),
    CropField("germination_least_c", "Comes up from", "°C", "time"),
    CropField("germination_days.low", "Up in, soonest", "days", "time"),
    CropField("germination_days.high", "Up in, latest", "days", "time"),
    CropField("sowing_depth_cm", "Sown deep", "cm", "spacing"),
    CropField("buried_stem_cm", "Stem buried", "cm", "spacing"),
    CropField("seeds_per_station", "Seeds at a station", "", "time"),
    CropField("emergence", "Come up", "share", "time"),
    CropField("survival", "Live to be picked", "share", "time"),
    CropField("seed_life_years", "Half of its seed dead after", "years", "seed"),
    CropField("packet_seeds", "Seeds in a packet", "", "seed"),
    CropField("weeks_indoors", "Weeks indoors", "weeks", "time"),
    CropField("days_to_first_pick.sow", "Sown to first pick", "days", "time"),
    CropField("days_to_first_pick.transplant", "Set out to first pick", "days", "time"),
    CropField("days_to_first_pick.set", "Sets to first pick", "days", "time"),
    CropField("days_to_first_pick.division", "Divided to first pick", "days", "time"),
    CropField("picking.kind", "Picked", "", "time", "choice", get_args(PickingKind)),
    CropField("picking.days", "Picked over", "days", "time"),
    CropField("yield_kg_per_plant.low", "A plant gives, low", "kg", "yield"),
    CropField("yield_kg_per_plant.typical", "A plant gives, likely", "kg", "yield"),
    CropField("yield_kg_per_plant.high", "A plant gives, high", "kg", "yield"),
    CropField("piece_kg", "A piece", "kg", "yield"),
    CropField("least_piece_kg", "Least piece worth having", "kg", "yield"),
    CropField("crowding", "Lost to crowding at this spacing", "share", "spacing"),
    CropField("feeder", "Feeds", "", "yield", "choice", get_args(Feeder)),
    CropField("turn_round_days", "Rest after clearing", "days", "time"),
)
BY_KEY = {field.key: field for field in FIELDS}


def figure(crop: Crop, key: str) -> Value:
    """The value of one figure of a crop, null where it has none."""
    found: object = crop
    for part in key.split("."):
        found = getattr(found, part, None)
    return found if isinstance(found, float | int | str) else None

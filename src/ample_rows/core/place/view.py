"""An evaluated place, as the notes and the workings see it."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.carpentry.materials import stood
from ample_rows.core.place.report import IdleSpell, SupportReport
from ample_rows.core.place.watering import watered
from ample_rows.core.planting.cases import Evaluated, PlaceCase, Setting
from ample_rows.core.site.place_sun import PlaceSun
from ample_rows.core.site.surroundings import Surroundings
from ample_rows.core.soil.fill import Fill, fill_of
from ample_rows.core.water.need import WaterNeed, water_need


@dataclass(frozen=True)
class PlaceView:
    """An evaluated place as the notes and the workings see it."""

    here: PlaceCase
    plantings: tuple[Evaluated, ...]
    idle: tuple[IdleSpell, ...]
    supports: tuple[SupportReport, ...]
    fill: Fill
    need: WaterNeed | None

    @property
    def place(self) -> p.Place:
        return self.here.place

    @property
    def sun(self) -> PlaceSun | None:
        return self.here.sun

    @property
    def around(self) -> Surroundings:
        return self.here.around

    @property
    def setting(self) -> Setting:
        return self.here.setting

    @property
    def book(self) -> Book:
        return self.here.book


def place_view(
    here: PlaceCase, plantings: tuple[Evaluated, ...], idle: tuple[IdleSpell, ...] = ()
) -> PlaceView:
    """An evaluated place as the notes and the workings see it."""
    place, setting, book = here.place, here.setting, here.book
    fill = fill_of(place, setting.soil, book)
    what = watered(place, plantings, setting, around=here.around, fill=fill, book=book)
    return PlaceView(
        here=here,
        plantings=plantings,
        idle=idle,
        supports=supports_of(place, setting, book),
        fill=fill,
        need=None if setting.air is None else water_need(what, setting.air, book),
    )


def supports_of(place: p.Place, setting: Setting, book: Book) -> tuple[SupportReport, ...]:
    supports = []
    for support in place.supports:
        up = stood(place, support, book, latitude=setting.latitude, north_deg=setting.north_deg)
        if up is None:
            continue
        supports.append(
            SupportReport(
                id=support.id,
                system=support.system,
                label=up.system.label,
                line_cm=up.run.line,
                facing_deg=up.run.edge.facing_deg,
                height_cm=up.height_cm,
                footprint_cm=up.system.footprint_cm,
                posts=0 if up.arch else len(up.bays.posts_at_cm),
                post_length_cm=up.post_length_cm,
                caution=up.system.caution,
            )
        )
    return tuple(supports)

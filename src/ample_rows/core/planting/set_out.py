"""Setting one planting out: where its plants stand, and how crowded that leaves them."""

import math
from dataclasses import replace

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.geometry.cells import cells_of, pitch_of
from ample_rows.core.planting.cases import (
    Case,
    CropShade,
    PlaceCase,
    SetOut,
    Sharing,
)
from ample_rows.core.planting.crowding import Crowd, density_of, density_words
from ample_rows.core.planting.ground import Ground
from ample_rows.core.planting.led_over import led_words, rooms
from ample_rows.core.planting.setting_out import schools_of, setting_out
from ample_rows.core.planting.stand import stand_in_cells
from ample_rows.core.structures import supports
from ample_rows.core.structures.shelter import year_of
from ample_rows.core.words.message import Length, Number, Share, clauses, message


def crop_grown(planting: p.Planting, book: Book) -> Crop:
    """The crop record of a sound planting: its variety type where it names one."""
    return book.crops[planting.variety or planting.crop]


def case_of(
    planting: p.Planting,
    here: PlaceCase,
    *,
    shade: CropShade | None = None,
    sharing: Sharing | None = None,
) -> Case:
    """One planting with all that bears on it."""
    setting = here.setting
    if here.place.covers:
        year = year_of(setting.year, here.place, planting, here.book)
        setting = replace(setting, year=year)
    return Case(
        place=here.place,
        planting=planting,
        crop=crop_grown(planting, here.book),
        support=next((s for s in here.place.supports if s.id == planting.support), None),
        setting=setting,
        sun=here.sun,
        trees_share=here.around.roots_share,
        free_over_walls_cm=_free_over_walls_cm(here),
        book=here.book,
        shade=shade,
        sharing=sharing,
    )


def _free_over_walls_cm(here: PlaceCase) -> float:
    """How far leaves may hang over the walls: half the way beside, where one is known. [cm]"""
    path = here.around.way_cm
    return math.inf if path is None else path / 2


def set_out(case: Case) -> SetOut:
    """The plants of one planting on its squares, or along its support."""
    return _on_ground(case) if case.support is None else _on_support(case, case.support)


def _on_ground(case: Case) -> SetOut:
    place, planting, crop = case.place, case.planting, case.crop
    setting = case.setting
    out = setting_out(planting, crop, schools_of(setting.policies, setting.per_square, place))
    cells = cells_of(place, planting.cells)
    standing = stand_in_cells(
        Ground(
            shape=place.shape,
            pitch=pitch_of(place),
            cells=cells,
            whole_place=planting.cells == "all" and not place.held,
            keep_off=case.sharing.keep_off if case.sharing else (),
            keep_off_spacing_cm=case.sharing.keep_off_spacing_cm if case.sharing else 0.0,
            free_over_walls_cm=case.free_over_walls_cm,
            pattern=place.pattern,
        ),
        out,
        case.book,
    )
    area_m2 = standing.counted_cm2 / 1e4
    per_m2 = len(standing.positions) * out.per_station / area_m2 if area_m2 else 0.0
    reference = 1e4 / crop.spacing_cm**2
    roomy = rooms(case, area_m2)
    crowd = Crowd(
        plants=len(standing.positions) * out.per_station,
        asked_share=per_m2 / reference / roomy,
        apart_cm=standing.spacing_cm / math.sqrt(out.per_station),
        usual_cm=crop.spacing_cm,
    )
    by_ground = clauses(
        message(
            "set-out-plants-against-book-spacing",
            per=Number(per_m2, 1),
            reference=Number(reference, 1),
        ),
        led_words(case, roomy),
    )
    return SetOut(
        positions=standing.positions,
        per_station=out.per_station,
        spacing_cm=standing.spacing_cm,
        layout=out.layout,
        how=standing.how,
        asked_share=per_m2 / reference,
        density=density_of(case, crowd),
        density_how=density_words(case, crowd, by_ground),
        region_cm2=standing.region_cm2,
        taken=cells,
    )


_SIDES = {
    "one": message("set-out-one-row-along"),
    "both": message("set-out-row-each-side"),
    "alternate": message("set-out-turn-both-sides"),
}


def _on_support(case: Case, support: p.Support) -> SetOut:
    place, planting, crop, setting = case.place, case.planting, case.crop, case.setting
    system = case.book.trainings[support.system]
    run = supports.run_of(
        place, support, planting, system, latitude=setting.latitude, north_deg=setting.north_deg
    )
    length = run.length_cm if run is not None else 0.0
    sides = supports.sides_of(planting, support)
    in_row = supports.in_row_cm(planting, crop, support.system)
    if planting.plants is not None and run is not None:
        in_row = supports.in_row_for(planting.plants, run, sides)
    feet = case.sharing.keep_off if case.sharing else ()
    points = supports.positions_on(run, in_row, sides, off=feet) if run is not None else []
    points = supports.off_held(place, points)[: planting.plants]
    listed = planting.cells if isinstance(planting.cells, tuple) else ()
    under = supports.cells_under(place, run) if run is not None else ()
    usual = _usual_in_row_cm(crop, support)
    per_station = planting.plants_per_station or 1
    per_metre = len(points) * per_station / length * 100 if length else 0.0
    apart = run.rows_apart_cm if run is not None and sides == "both" else 0.0
    shared = supports.rows_share(crop, system, apart)
    asked = per_metre * usual / 100 * shared
    crowd = Crowd(
        plants=len(points) * per_station,
        asked_share=asked,
        apart_cm=in_row / per_station,
        usual_cm=usual,
    )
    along = clauses(
        message(
            "set-out-plants-metre-against",
            per_metre=Number(per_metre, 1),
            usual=Number(100 / usual, 1),
        ),
        message("set-out-rows-apart", apart=Length(apart), shared=Share(shared))
        if shared < 1
        else None,
    )
    return SetOut(
        positions=tuple(points),
        per_station=per_station,
        spacing_cm=in_row,
        layout="rows",
        how=message("set-out-the", sides=_SIDES[sides], system=system.label),
        asked_share=asked,
        density=density_of(case, crowd),
        density_how=density_words(case, crowd, along),
        region_cm2=length * (run.footprint_cm if run is not None else 0.0),
        taken=tuple(dict.fromkeys([*listed, *under])),
    )


def _usual_in_row_cm(crop: Crop, support: p.Support) -> float:
    reference = crop.training(support.system)
    return (reference.in_row_cm if reference else None) or crop.in_row_cm


def some_of(stands: SetOut, case: Case, kind: Case, start: int, stop: int) -> SetOut:
    """Some stations of a planting that are of another kind: where they are, with their share of
    the ground, as crowded as that kind would be there.

    Args:
        stands, case: The whole planting.
        kind: The same planting, all of the other kind.
    """
    if case.support is not None:
        own, other = (_usual_in_row_cm(c.crop, case.support) for c in (case, kind))
    else:
        own, other = case.crop.spacing_cm**2, kind.crop.spacing_cm**2
    asked = stands.asked_share * other / own
    usual = _usual_in_row_cm(kind.crop, case.support) if case.support else kind.crop.spacing_cm
    crowd = Crowd(
        plants=stands.plants,
        asked_share=asked / rooms(kind, stands.region_cm2 / 1e4),
        apart_cm=stands.spacing_cm / math.sqrt(stands.per_station),
        usual_cm=usual,
    )
    return replace(
        stands,
        positions=stands.positions[start:stop],
        region_cm2=stands.region_cm2 * (stop - start) / len(stands.positions),
        asked_share=asked,
        density=density_of(kind, crowd),
    )

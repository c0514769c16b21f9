"""Setting one planting out: where its plants stand, and how crowded that leaves them."""

from dataclasses import replace

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.geometry.cells import DEFAULT_CELL_CM, cells_of
from ample_rows.core.planting import harvest, stand
from ample_rows.core.planting.cases import (
    Case,
    CropShade,
    PlaceCase,
    SetOut,
    Sharing,
)
from ample_rows.core.planting.led_over import led_words, rooms
from ample_rows.core.structures import supports
from ample_rows.core.structures.shelter import year_of
from ample_rows.core.words.message import Message, Number, Share, clauses, message


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
        book=here.book,
        shade=shade,
        sharing=sharing,
    )


def set_out(case: Case) -> SetOut:
    """The plants of one planting on its squares, or along its support."""
    return _on_ground(case) if case.support is None else _on_support(case, case.support)


def _on_ground(case: Case) -> SetOut:
    place, planting, crop = case.place, case.planting, case.crop
    out = stand.setting_out(planting, crop, case.setting.policies)
    cells = cells_of(place, planting.cells)
    standing = stand.stand_in_cells(
        stand.Ground(
            shape=place.shape,
            cell_cm=place.cell_cm or DEFAULT_CELL_CM,
            cells=cells,
            whole_place=planting.cells == "all" and not place.held,
            keep_off=case.sharing.keep_off if case.sharing else (),
            keep_off_spacing_cm=case.sharing.keep_off_spacing_cm if case.sharing else 0.0,
        ),
        out,
        case.book,
    )
    # Where every square is held there is no ground, and nothing stands on it.
    area_m2 = standing.region_cm2 / 1e4
    per_m2 = len(standing.positions) * out.per_station / area_m2 if area_m2 else 0.0
    reference = 1e4 / crop.spacing_cm**2
    roomy = rooms(case, area_m2)
    return SetOut(
        positions=standing.positions,
        per_station=out.per_station,
        spacing_cm=standing.spacing_cm,
        layout=out.layout,
        how=standing.how,
        asked_share=per_m2 / reference,
        density=_crowded(case, per_m2 / reference / roomy),
        density_how=clauses(
            message(
                "set-out-plants-against-book-spacing",
                per=Number(per_m2, 1),
                reference=Number(reference, 1),
            ),
            led_words(case, roomy),
            _sharing_words(case),
        ),
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
    in_row = supports.in_row_cm(planting, crop, support.system)
    points = supports.positions_on(run, in_row, planting.sides or "one") if run is not None else []
    listed = planting.cells if isinstance(planting.cells, tuple) else ()
    under = supports.cells_under(place, run) if run is not None else ()
    length = run.length_cm if run is not None else 0.0
    usual = _usual_in_row_cm(crop, support)
    per_station = planting.plants_per_station or 1
    per_metre = len(points) * per_station / length * 100 if length else 0.0
    return SetOut(
        positions=tuple(points),
        per_station=per_station,
        spacing_cm=in_row,
        layout="rows",
        how=message("set-out-the", sides=_SIDES[planting.sides or "one"], system=system.label),
        asked_share=per_metre * usual / 100,
        density=_crowded(case, per_metre * usual / 100),
        density_how=clauses(
            message(
                "set-out-plants-metre-against",
                per_metre=Number(per_metre, 1),
                usual=Number(100 / usual, 1),
            ),
            _sharing_words(case),
        ),
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
    return replace(
        stands,
        positions=stands.positions[start:stop],
        region_cm2=stands.region_cm2 * (stop - start) / len(stands.positions),
        asked_share=asked,
        density=_crowded(kind, asked / rooms(kind, stands.region_cm2 / 1e4)),
    )


def _crowded(case: Case, asked_share: float) -> float:
    """Crowding by its own plants and by those that share its squares."""
    others = case.sharing.asked if case.sharing else 0.0
    return harvest.density_factor(
        stand_density=asked_share + others,
        reference_density=1.0,
        crowding=case.crop.crowding,
    )


def _sharing_words(case: Case) -> Message | None:
    if case.sharing is None or not case.sharing.asked:
        return None
    asked = case.sharing.asked
    return message(
        "set-out-same-squares-asks-more", asked_by=case.sharing.asked_by, asked=Share(asked)
    )

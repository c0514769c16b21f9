"""Where a support is best put: every side of its place worked out with the shade it throws."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.ask.supports.put_up import support_in
from ample_rows.core.edits import ChangePlace, ChangePlanting, Together
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.shapes import Edge
from ample_rows.core.notes.note import Fix
from ample_rows.core.structures import supports
from ample_rows.core.words.message import Mass, Message, Share, Text, message

_SAME_KG = 0.05


@dataclass(frozen=True, slots=True)
class EdgeChoice:
    """A support along one side: what grows on it, what all else gives then, and how much less
    that is in all than along the best side. [cm, kg]"""

    edge: p.Compass
    length_cm: float
    here_now: bool
    own_kg: float
    others_kg: float
    loss_kg: float
    words: Text
    move: Fix | None


def edge_choices(estimate: Estimate, place_id: str, support_id: str) -> tuple[EdgeChoice, ...]:
    """Every side of a place for one of its supports, the best first; none for a line in the bed.

    Its plantings keep their share of the run. All that grows within reach of its shade counts,
    in other places too.

    Raises:
        PlanFaultsError: There is no such place or support.
    """
    plan = estimate.plan
    place, support = support_in(estimate, place_id, support_id)
    north = (plan.site.north_deg if plan.site else None) or 0.0
    now = supports.edge_of(place, support, latitude=plan.garden.latitude, north_deg=north)
    if now is None or support.line_cm is not None:
        return ()
    sides: dict[p.Compass, Edge] = {}
    for edge in sorted(shapes.edges(place, north), key=lambda e: -e.length_cm):
        sides.setdefault(shapes.compass_point(edge.facing_deg), edge)
    tried = {
        point: _tried(estimate, place, support, (now, edge, point)) for point, edge in sides.items()
    }
    choices = []
    best = max(own + others for own, others, _ in tried.values())
    for point, (own, others, moved) in tried.items():
        edge, loss = sides[point], best - own - others
        here = edge == now
        choices.append(
            EdgeChoice(
                edge=point,
                length_cm=edge.length_cm,
                here_now=here,
                own_kg=own,
                others_kg=others,
                loss_kg=loss,
                words=_words(loss, best),
                move=None
                if here
                else Fix(label=message("edges-move-side", point=point), edit=moved),
            )
        )
    return tuple(sorted(choices, key=lambda choice: choice.loss_kg))


def _words(loss: float, best: float) -> Message:
    if loss < _SAME_KG:
        return message("edges-much-anywhere")
    return message("edges-less-garden-harvest", loss=Mass(loss), share=Share(loss / best))


_Move = tuple[Edge, Edge, p.Compass]


def _tried(
    estimate: Estimate, place: p.Place, support: p.Support, move: _Move
) -> tuple[float, float, Together]:
    """Its own harvest, that of all else, and the edit, with a support along another side."""
    plan, book = estimate.plan, estimate.book
    now, edge, point = move
    share = edge.length_cm / now.length_cm
    run = support.run_cm
    here = support.model_copy(
        update={"edge": point, "run_cm": run and (run[0] * share, run[1] * share)}
    )
    others = tuple(here if s.id == support.id else s for s in place.supports)
    moved_place = place.model_copy(update={"supports": others})
    on_it, edits = {}, []
    north = (plan.site.north_deg if plan.site else None) or 0.0
    for planting in plan.plantings:
        if planting.place == place.id and planting.support == support.id:
            old = supports.run_of(
                place,
                support,
                planting,
                book.trainings[support.system],
                latitude=plan.garden.latitude,
                north_deg=north,
            )
            if old is None:
                continue
            span = (round(old.from_cm * share, 2), round(old.to_cm * share, 2))
            on_it[planting.id] = planting.model_copy(update={"cells": (), "run_cm": span})
            changes = {"cells": [], "run_cm": list(span)}
            edits.append(ChangePlanting(id=planting.id, changes=changes))
    moved = plan.model_copy(
        update={
            "places": tuple(moved_place if q.id == place.id else q for q in plan.places),
            "plantings": tuple(on_it.get(planting.id, planting) for planting in plan.plantings),
        }
    )
    own, all_else = _kg(estimate.trying(moved), set(on_it))
    changed = ChangePlace(
        id=place.id, changes={"supports": [p.document(s) for s in moved_place.supports]}
    )
    return own, all_else, Together(edits=[changed, *edits])


def _kg(estimate: Estimate, on_it: set[str]) -> tuple[float, float]:
    own = others = 0.0
    for place_id in estimate.cases:
        for report in estimate.result(place_id).plantings:
            if report.id in on_it:
                own += report.harvest_kg.p50
            else:
                others += report.harvest_kg.p50
    return own, others

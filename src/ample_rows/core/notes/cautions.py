"""What can hurt: said where it applies."""

from collections.abc import Iterator

from ample_rows.core.notes.note import Note
from ample_rows.core.place.view import PlaceView
from ample_rows.core.words.message import message, verbatim


def crop_cautions(view: PlaceView) -> Iterator[Note]:
    """What can hurt: said once for each crop of a place."""
    given = set()
    for e in view.plantings:
        for caution in e.crop.cautions:
            if (e.crop.name, caution) not in given:
                given.add((e.crop.name, caution))
                yield Note(
                    level="tip",
                    code="caution",
                    place=view.place.id,
                    planting=e.planting.id,
                    text=message(
                        "caution-of-crop",
                        crop=e.crop.name,
                        caution=caution[:1].lower() + caution[1:],
                    ),
                    fix=None,
                )


def support_caution(view: PlaceView) -> Iterator[Note]:
    """The usual caution where a tall support stands."""
    for caution in {s.caution for s in view.supports if s.caution}:
        yield Note(
            level="tip",
            code="support-caution",
            place=view.place.id,
            planting=None,
            text=verbatim(caution),
            fix=None,
        )

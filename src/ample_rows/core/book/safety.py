"""What can hurt, each caution one sentence, and the records that it is said with."""

from collections.abc import Iterable, Mapping
from typing import TypeVar

from ample_rows.core.book.crop import Crop
from ample_rows.core.book.keeping import CropKeeping
from ample_rows.core.book.materials import Material
from ample_rows.core.book.record import Record, Status, Text
from ample_rows.core.book.soil import GroundTool, SoftMatter, SoilIngredient

Cautioned = TypeVar("Cautioned", Material, SoftMatter, SoilIngredient, GroundTool)

BOTTLED = "bottle"
"""The way of keeping in which what is low in acid can grow what kills."""


class Caution(Record):
    """One sentence, and where it is said.

    The page of each of its `crops` says it, and of their variety types; its `jobs` say it, of
    these crops alone where any are named. One that is `noted` stands in the margin of each place
    with such a crop too, and comes each time that its jobs come; any other with the first.
    """

    says: Text
    crops: tuple[Text, ...] = ()
    jobs: tuple[Text, ...] = ()
    soft: tuple[Text, ...] = ()
    ingredients: tuple[Text, ...] = ()
    materials: tuple[Text, ...] = ()
    tools: tuple[Text, ...] = ()
    bottled: tuple[Text, ...] = ()
    noted: bool = False
    status: Status
    source: Text

    def is_of(self, crop: Crop) -> bool:
        """Whether it is about a crop, or about the one that it is a type of."""
        return crop.id in self.crops or crop.variety_of in self.crops

    def is_on_page_of(self, crop: Crop) -> bool:
        """Whether a crop's page says it: it is about the crop, or about bottling it."""
        return self.is_of(crop) or crop.id in self.bottled or crop.variety_of in self.bottled


Cautions = Mapping[str, Caution]


def cautioned_crop(crop: Crop, cautions: Cautions) -> Crop:
    """A crop that says what can hurt: by its beds and on its page, or on its page alone."""
    own = [caution for caution in cautions.values() if caution.is_on_page_of(crop)]
    return crop.model_copy(
        update={
            "cautions": (*(c.says for c in own if c.noted), *crop.cautions),
            "page_cautions": tuple(c.says for c in own if not c.noted),
        }
    )


def cautioned(
    records: Mapping[str, Cautioned], cautions: Cautions, kind: str
) -> dict[str, Cautioned]:
    """Records of one kind that say what can hurt, before what they say themselves."""

    def said(name: str, record: Cautioned) -> str | None:
        named: list[str] = [c.says for c in cautions.values() if name in getattr(c, kind)]
        return " ".join([*named, *([record.caution] if record.caution else [])]) or None

    return {
        name: record.model_copy(update={"caution": said(name, record)})
        for name, record in records.items()
    }


def cautioned_keeping(keeping: CropKeeping, crop: str, cautions: Cautions) -> CropKeeping:
    """A crop's keeping with what has to be known where it is bottled."""
    said = [c.says for c in cautions.values() if crop in c.bottled]
    if not said or BOTTLED not in keeping.ways:
        return keeping
    return keeping.model_copy(update={"cautions": {BOTTLED: " ".join(said)}})


def job_cautions(job: str, nth: int, crop: Crop | None, cautions: Cautions) -> tuple[str, ...]:
    """What is said at a job, the time that it comes for the nth time."""
    return tuple(
        caution.says
        for caution in cautions.values()
        if job in caution.jobs
        and (caution.noted or nth == 1)
        and (not caution.crops or (crop is not None and caution.is_of(crop)))
    )


def unknown_in(cautions: Cautions, known: Mapping[str, Iterable[str]]) -> str | None:
    """The first name in a caution that its kind of record does not have; None where all do."""
    for name, caution in cautions.items():
        for kind, names in known.items():
            missing = set(getattr(caution, kind)) - set(names)
            if missing:
                return f"{name}: {kind}: there is no {min(missing)!r}"
    return None

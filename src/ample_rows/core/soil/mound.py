"""Mounds from the earth of their paths, both ways: the height it gives, the digging it wants."""

from dataclasses import dataclass

from ample_rows.core.book import Book


@dataclass(frozen=True, slots=True)
class PathEarth:
    """A path beside a mound, as long as it, dug so deep; half of each path goes to each side. [cm]

    `height_cm` is the mound above the old ground, `loose_cm` the loosened earth in its middle.
    """

    path_width_cm: float
    dug_cm: float
    height_cm: float
    loose_cm: float
    litres: float


@dataclass(frozen=True, slots=True)
class MoundTop:
    """A mound as it is wished: its top, the run over rise of its sides, the path beside it, and
    the depth forked below the old ground. [cm]"""

    top_cm: float
    length_cm: float
    side_slope: float
    path_width_cm: float
    loosened_cm: float = 0.0


def height_from_path(mound: MoundTop, dug_cm: float, book: Book) -> PathEarth:
    """The mound that a path's earth makes when the path is dug so deep. [cm]"""
    earth = mound.path_width_cm * dug_cm * book.value("earth_swells")
    return _made(mound, dug_cm, _height(earth, mound.top_cm, mound.side_slope), earth)


def digging_for_height(mound: MoundTop, height_cm: float, book: Book) -> PathEarth:
    """How deep the path must be dug for a mound of a wished height. [cm]"""
    earth = (mound.top_cm + mound.side_slope * height_cm) * height_cm
    dug = earth / book.value("earth_swells") / mound.path_width_cm
    return _made(mound, dug, height_cm, earth)


def _made(mound: MoundTop, dug_cm: float, height_cm: float, earth_cm2: float) -> PathEarth:
    return PathEarth(
        path_width_cm=mound.path_width_cm,
        dug_cm=dug_cm,
        height_cm=height_cm,
        loose_cm=height_cm + mound.loosened_cm,
        litres=earth_cm2 * mound.length_cm / 1000,
    )


def _height(section_cm2: float, top_cm: float, slope: float) -> float:
    """Height of a mound of a cross-section: section = (top + slope x height) x height. [cm]"""
    # The root in the form that loses nothing where the sides are nearly upright.
    root: float = (top_cm**2 + 4 * slope * section_cm2) ** 0.5
    return 2 * section_cm2 / (top_cm + root)

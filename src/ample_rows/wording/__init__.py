"""Words and units for what the core says: the one place where a message becomes a sentence."""

from ample_rows.wording.renderer import METRIC, renderer_for
from ample_rows.wording.units import UnitSystem, Words

__all__ = ["METRIC", "UnitSystem", "Words", "renderer_for"]

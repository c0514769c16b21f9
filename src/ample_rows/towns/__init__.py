"""Where towns lie: a list packed from the GeoNames gazetteer (CC BY 4.0), looked up by name."""

from ample_rows.towns.find import Town, find_towns, plain

__all__ = ["Town", "find_towns", "plain"]

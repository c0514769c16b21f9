"""The crop book: data files beside the core, and the loader that validates them."""

from ample_rows.crops.load import CropBookError, load_book

__all__ = ["CropBookError", "load_book"]

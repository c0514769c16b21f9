"""Where gardens are kept on this machine."""

from pathlib import Path

import platformdirs

DEMO_FOLDER = "demo"


def data_folder(*, demo: bool, data: Path | None) -> Path:
    """Where gardens are kept: the platform's place or the one given; the demo's apart."""
    base = base_folder(data)
    return base / DEMO_FOLDER if demo else base


def base_folder(data: Path | None) -> Path:
    return data or Path(platformdirs.user_data_dir("ample-rows", appauthor=False))

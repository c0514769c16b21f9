"""Build the pages and the list of towns into the wheel: an installed package needs no Node."""

import sys
from pathlib import Path
from typing import Any

from hatchling.builders.hooks.plugin.interface import BuildHookInterface

ROOT = Path(__file__).resolve().parent


class PagesBuildHook(BuildHookInterface):  # type: ignore[type-arg]
    """Run the front end's build before the wheel is put together."""

    def initialize(self, version: str, build_data: dict[str, Any]) -> None:
        if version == "editable" or not (ROOT / "web").exists():
            return
        sys.path.insert(0, str(ROOT / "scripts"))
        from tasks import setup

        setup.ensure_built()

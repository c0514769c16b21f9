"""Relations between the parts of a plan that must hold before it can be computed."""

from ample_rows.core.checks.sound import (
    check_plan,
    read_plan,
    require_sound,
    usable_plan,
)

__all__ = ["check_plan", "read_plan", "require_sound", "usable_plan"]

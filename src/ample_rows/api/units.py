"""The units of an answer: as the page prefers them, in the request's `prefer` header (RFC 7240)."""

from starlette.datastructures import Headers
from starlette.types import ASGIApp, Receive, Scope, Send

from ample_rows.core.words.message import rendered_by
from ample_rows.wording import UnitSystem, renderer_for

_IMPERIAL = "units=imperial"


def preferred_units(scope: Scope) -> UnitSystem:
    """Imperial units where the request prefers them; metric otherwise."""
    preferences = Headers(scope=scope).get("prefer", "").replace(" ", "").split(",")
    return "imperial" if _IMPERIAL in preferences else "metric"


class InUnits:
    """Put every message of an answer into words with the units that its request prefers."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        with rendered_by(renderer_for(preferred_units(scope))):
            await self.app(scope, receive, send)

"""How an answer is said: in the units and the region's words that the page prefers, told in the
request's `prefer` header (RFC 7240)."""

from starlette.datastructures import Headers
from starlette.types import ASGIApp, Receive, Scope, Send

from ample_rows.core.words.message import rendered_by
from ample_rows.wording import UnitSystem, Words, renderer_for

Saying = tuple[UnitSystem, Words]

_IMPERIAL = "units=imperial"
_AMERICAN = "words=en-US"


def preferred_saying(scope: Scope) -> Saying:
    """Imperial units and American words where the request prefers them."""
    preferences = Headers(scope=scope).get("prefer", "").replace(" ", "").split(",")
    return (
        "imperial" if _IMPERIAL in preferences else "metric",
        "en-US" if _AMERICAN in preferences else "en-GB",
    )


class InUnits:
    """Put every message of an answer into words with the units that its request prefers."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        with rendered_by(renderer_for(*preferred_saying(scope))):
            await self.app(scope, receive, send)

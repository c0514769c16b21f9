"""What keeps strangers out of a laptop's server: Host, Origin, size, and page policy."""

from urllib.parse import urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from ample_rows.api.problems import problem

LOOPBACK_NAMES = frozenset({"127.0.0.1", "localhost", "[::1]"})
MOST_BODY_BYTES = 4 * 1024 * 1024
UNSAFE = frozenset({"POST", "PUT", "PATCH", "DELETE"})

CONTENT_POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; "
    "img-src 'self' data:; connect-src 'self'; manifest-src 'self'; base-uri 'none'; "
    "form-action 'self'; frame-ancestors 'none'"
)
HEADERS = {
    "content-security-policy": CONTENT_POLICY,
    "x-content-type-options": "nosniff",
    "referrer-policy": "no-referrer",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
}


class _TooLargeError(Exception):
    """More body came than may be sent."""


class Guard:
    """Refuse foreign hosts and origins and oversized bodies; set the page's policy."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        headers = Headers(scope=scope)
        refused = _refusal(scope["method"], headers)
        if refused is not None:
            await problem(*refused)(scope, receive, send)
            return
        seen = 0

        async def counted() -> Message:
            nonlocal seen
            message = await receive()
            seen += len(message.get("body", b""))
            if seen > MOST_BODY_BYTES:
                raise _TooLargeError
            return message

        async def guarded(message: Message) -> None:
            if message["type"] == "http.response.start":
                mutable = MutableHeaders(scope=message)
                for name, value in HEADERS.items():
                    mutable.setdefault(name, value)
            await send(message)

        try:
            await self.app(scope, counted, guarded)
        except _TooLargeError:
            await problem(*_TOO_LARGE)(scope, receive, guarded)


_TOO_LARGE = (413, "Too large", "At most 4 MB can be sent at once. Nothing was changed.")


def _refusal(method: str, headers: Headers) -> tuple[int, str, str] | None:
    host = headers.get("host", "")
    if _name(host) not in LOOPBACK_NAMES:
        return 400, "Unknown host", "This server answers only on this machine's own address."
    origin = headers.get("origin")
    foreign = origin is not None and urlsplit(origin).netloc != host
    if foreign or (method in UNSAFE and headers.get("sec-fetch-site") == "cross-site"):
        return 403, "Foreign page", "A page from elsewhere may not use this server."
    length = headers.get("content-length", "0")
    if not length.isdigit() or int(length) > MOST_BODY_BYTES:
        return _TOO_LARGE
    return None


def _name(host: str) -> str:
    """A host header without its port."""
    return host.rsplit(":", 1)[0] if not host.endswith("]") else host

"""What stands before every request: who may ask, how much may be sent, how long it may take.

A body is read whole before the application sees it, so that what is too large or never
ends is told so; what nobody waits for any longer is stopped.
"""

import time
from dataclasses import dataclass
from urllib.parse import urlsplit

import anyio
from starlette.datastructures import Headers, MutableHeaders, QueryParams
from starlette.responses import RedirectResponse, Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from ample_rows.api.door import Door
from ample_rows.api.faults_log import note_fault
from ample_rows.api.problems import problem
from ample_rows.core.patience import GivenUpError, until

LOOPBACK_NAMES = frozenset({"127.0.0.1", "localhost", "[::1]"})
MOST_BODY_BYTES = 8 * 1024 * 1024
BODY_WITHIN_S = 30.0
ANSWER_WITHIN_S = 60.0
UNSAFE = frozenset({"POST", "PUT", "PATCH", "DELETE"})
OPEN_PATH = "/open"

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
    "cache-control": "no-store",
}


class _RefusedError(Exception):
    """The body cannot be taken; the answer says why."""

    def __init__(self, answer: Response | None) -> None:
        super().__init__()
        self.answer = answer


@dataclass
class _Waiting:
    """Whether anyone still waits for one answer, and until when."""

    until_s: float
    gone: bool = False

    def over(self) -> bool:
        return self.gone or time.monotonic() > self.until_s


class Guard:
    """Refuse strangers and what is too large; give up what nobody waits for; set the headers."""

    def __init__(
        self, app: ASGIApp, door: Door | None = None, answer_within_s: float = ANSWER_WITHIN_S
    ) -> None:
        self.app = app
        self.door = door
        self.answer_within_s = answer_within_s

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        guarded = _guarded(scope["method"], send)
        refused = _refusal(scope) or self._at_the_door(scope)
        if refused is not None:
            await refused(scope, receive, guarded)
            return
        try:
            body = await _whole_body(receive)
        except _RefusedError as error:
            if error.answer is not None:
                await error.answer(scope, receive, guarded)
            return
        await self._answer(scope, body, receive, guarded)

    def _at_the_door(self, scope: Scope) -> Response | None:
        """A refusal of whoever has neither session nor token; the answer to a link that opens."""
        if self.door is None:
            return None
        port = int((scope.get("server") or ("", 0))[1] or 0)
        query = QueryParams(scope.get("query_string", b""))
        path = scope["path"]
        if path == OPEN_PATH:
            if not self.door.opens(query.get("key", "")):
                return problem(401, "closed", _CLOSED)
            cookie = {"set-cookie": self.door.cookie(port)}
            return RedirectResponse("/", 303, headers=cookie)
        if not path.startswith("/api"):
            return None
        if self.door.admits(Headers(scope=scope), port) or self.door.admits_calendar(path, query):
            return None
        refused = problem(401, "closed", _CLOSED)
        refused.headers["www-authenticate"] = "Bearer"
        return refused

    async def _answer(self, scope: Scope, body: bytes, receive: Receive, send: Send) -> None:
        waiting = _Waiting(time.monotonic() + self.answer_within_s)
        begun = False

        async def noting(message: Message) -> None:
            nonlocal begun
            begun = True
            await send(message)

        if scope["method"] == "HEAD":
            scope = {**scope, "method": "GET"}
        try:
            async with anyio.create_task_group() as group:
                gone = anyio.Event()
                group.start_soon(_watch, receive, waiting, gone, group.cancel_scope)
                with until(waiting.over):
                    await self.app(scope, _given(body, gone), noting)
                group.cancel_scope.cancel()
        except* GivenUpError:
            if not waiting.gone and not begun:
                await problem(503, "too-long", _TOO_LONG)(scope, receive, send)
        except* Exception as errors:
            for error in _leaves(errors):
                route = getattr(scope.get("route"), "path", "")
                note_fault(f"{scope['method']} {route}", error)
            if not begun:
                await problem(500, "fault", _FAULT)(scope, receive, send)


def _leaves(error: BaseException) -> list[BaseException]:
    if isinstance(error, BaseExceptionGroup):
        return [leaf for part in error.exceptions for leaf in _leaves(part)]
    return [error]


async def _watch(
    receive: Receive, waiting: _Waiting, gone: anyio.Event, scope: anyio.CancelScope
) -> None:
    """Note when the client goes, and stop what only waits for its turn."""
    while (await receive())["type"] != "http.disconnect":
        pass
    waiting.gone = True
    gone.set()
    scope.cancel()


def _given(body: bytes, gone: anyio.Event) -> Receive:
    """A body that was read already, then nothing until the client goes."""
    first = True

    async def receive() -> Message:
        nonlocal first
        if first:
            first = False
            return {"type": "http.request", "body": body, "more_body": False}
        await gone.wait()
        return {"type": "http.disconnect"}

    return receive


async def _whole_body(receive: Receive) -> bytes:
    parts: list[bytes] = []
    size = 0
    with anyio.move_on_after(BODY_WITHIN_S) as within:
        while True:
            message = await receive()
            if message["type"] == "http.disconnect":
                raise _RefusedError(None)
            parts.append(message.get("body", b""))
            size += len(parts[-1])
            if size > MOST_BODY_BYTES:
                raise _RefusedError(problem(413, "too-large", _TOO_LARGE))
            if not message.get("more_body", False):
                break
    if within.cancelled_caught:
        raise _RefusedError(problem(408, "too-slow", _TOO_SLOW))
    return b"".join(parts)


def _guarded(method: str, send: Send) -> Send:
    async def guarded(message: Message) -> None:
        if message["type"] == "http.response.start":
            mutable = MutableHeaders(scope=message)
            for name, value in HEADERS.items():
                mutable.setdefault(name, value)
        elif method == "HEAD" and message["type"] == "http.response.body":
            message = {**message, "body": b""}
        await send(message)

    return guarded


_TOO_LARGE = f"At most {MOST_BODY_BYTES // 1024**2} MB can be sent at once. Nothing was changed."
_TOO_SLOW = "The request did not arrive in time. Nothing was changed. Send it again."
_TOO_LONG = (
    f"This took longer than {ANSWER_WITHIN_S:.0f} seconds and was stopped. What was saved is "
    "saved. Ask for less at once, or try again later."
)
_CLOSED = (
    "These gardens open only from the link that Ample Rows prints when it starts, or with the "
    "token in its data folder."
)
_FAULT = (
    "Something went wrong in Ample Rows itself. What was saved before is still saved. The log in "
    "the data folder says where it happened."
)


def _refusal(scope: Scope) -> Response | None:
    headers = Headers(scope=scope)
    host = headers.get("host", "")
    if _name(host) not in LOOPBACK_NAMES:
        return problem(
            400, "unknown-host", "This server answers only on this machine's own address."
        )
    origin = headers.get("origin")
    foreign = origin is not None and _netloc(origin) != host
    if foreign or (scope["method"] in UNSAFE and headers.get("sec-fetch-site") == "cross-site"):
        return problem(403, "foreign-page", "A page from elsewhere may not use this server.")
    length = headers.get("content-length", "0")
    if not (length.isascii() and length.isdigit()):
        return problem(400, "unreadable", "The length of the request cannot be read.")
    if len(length) > 12 or int(length) > MOST_BODY_BYTES:
        return problem(413, "too-large", _TOO_LARGE)
    return None


def _netloc(origin: str) -> str | None:
    try:
        return urlsplit(origin).netloc
    except ValueError:
        return None


def _name(host: str) -> str:
    """A host header without its port."""
    return host.rsplit(":", 1)[0] if not host.endswith("]") else host

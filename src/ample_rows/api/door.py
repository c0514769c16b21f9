"""Who may come in: the account that started the server, by its page or by a script's token."""

import hashlib
import hmac
import secrets
import threading
from http.cookies import CookieError, SimpleCookie
from pathlib import Path

from starlette.datastructures import Headers, QueryParams

from ample_rows.store.folder import write_own

TOKEN_NAME = "token"
YEAR_S = 365 * 24 * 3600
_LEAST_TOKEN = 32


def token_of(folder: Path) -> str:
    """The token of a data folder, made when there is none; only the owner can read its file."""
    path = folder / TOKEN_NAME
    token = path.read_text(encoding="utf-8").strip() if path.is_file() else ""
    if len(token) < _LEAST_TOKEN:
        token = secrets.token_urlsafe(32)
        write_own(path, token + "\n")
    return token


class Door:
    """Knows the token, what is derived from it, and the links that were handed out."""

    def __init__(self, token: str) -> None:
        self._token = token
        self._once: set[str] = set()
        self._lock = threading.Lock()

    @property
    def page_key(self) -> str:
        """What opens the page, for whoever sees the terminal."""
        return self._derived("open")

    def link_once(self) -> str:
        """A key that opens the page one time: it is seen by others in the list of programs."""
        key = secrets.token_urlsafe(16)
        with self._lock:
            self._once.add(key)
        return key

    def opens(self, key: str) -> bool:
        """Whether a key of a link opens the page; one of a single use is used up by it."""
        with self._lock:
            if key in self._once:
                self._once.discard(key)
                return True
        return _same(key, self.page_key)

    def cookie(self, port: int) -> str:
        """What a page that was opened keeps, one for each port."""
        return (
            f"{_cookie_name(port)}={self._derived('page')}; Path=/; Max-Age={YEAR_S}; "
            "HttpOnly; SameSite=Strict"
        )

    def calendar_key(self, slug: str) -> str:
        """What lets a calendar program read the jobs of one garden, and nothing else."""
        # Half of the digits are more than can be guessed, and an address that fits on a line.
        return self._derived(f"calendar {slug}")[:32]

    def admits(self, headers: Headers, port: int) -> bool:
        """Whether a request comes from the page, or from a script with the token."""
        kind, _, given = headers.get("authorization", "").partition(" ")
        if kind.lower() == "bearer" and _same(given.strip(), self._token):
            return True
        try:
            cookie = SimpleCookie(headers.get("cookie", "")).get(_cookie_name(port))
        except CookieError:
            return False
        return cookie is not None and _same(cookie.value, self._derived("page"))

    def admits_calendar(self, path: str, query: QueryParams) -> bool:
        """Whether a request is a calendar program's, by the key in its address."""
        slug = path.removeprefix("/api/gardens/").removesuffix("/jobs.ics")
        fits = path == f"/api/gardens/{slug}/jobs.ics"
        return fits and _same(query.get("key", ""), self.calendar_key(slug))

    def _derived(self, purpose: str) -> str:
        return hmac.new(self._token.encode(), purpose.encode(), hashlib.sha256).hexdigest()


def _cookie_name(port: int) -> str:
    return f"ample-rows-{port}"


def _same(given: str, wanted: str) -> bool:
    return hmac.compare_digest(given.encode("utf-8", "replace"), wanted.encode())

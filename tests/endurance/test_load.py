"""Many at once: readers with writers, and more heavy questions than can be answered."""

import json
import threading
import time
import urllib.error
import urllib.request
from concurrent.futures import ThreadPoolExecutor

GARDEN = "/api/gardens/lantern-court"


def asked(url, body=None):
    """Status, headers and answer of one request."""
    data = None if body is None else json.dumps(body).encode()
    request = urllib.request.Request(url, data, {"content-type": "application/json"})
    try:
        with urllib.request.urlopen(request, timeout=60) as answer:
            return answer.status, answer.headers, json.load(answer)
    except urllib.error.HTTPError as error:
        return error.code, error.headers, json.load(error)


def test_readers_and_writers_at_once_see_one_state_after_another(base_url, times):
    until = time.monotonic() + times(3, 60)
    seen, edits = [], []

    def read(_):
        last = 0
        while time.monotonic() < until:
            status, _, told = asked(base_url + GARDEN)
            assert status == 200
            assert told["head"]["version"] >= last
            last = told["head"]["version"]
            seen.append(last)

    def write(number):
        version = 0
        while time.monotonic() < until:
            changes = {"x-count": len(edits)}
            edit = {"do": "change-planting", "id": f"p{number}", "changes": changes}
            status, _, told = asked(f"{base_url}{GARDEN}/edits", {"version": version, "edit": edit})
            assert status in (200, 409)
            version = told["head"]["version"] if status == 200 else told["version"]
            if status == 200:
                edits.append(version)

    with ThreadPoolExecutor(24) as pool:
        list(
            pool.map(lambda work: work[0](work[1]), [(read, 0)] * 20 + [(write, n) for n in (1, 2)])
        )
    assert seen
    assert len(edits) == len(set(edits)) > 0


def test_more_heavy_questions_than_can_be_answered_are_told_to_wait(base_url):
    asked(base_url + GARDEN)
    small, done = [], threading.Event()

    def meanwhile():
        while not done.is_set():
            small.append(asked(f"{base_url}/api/gardens")[0])

    other = threading.Thread(target=meanwhile)
    other.start()
    with ThreadPoolExecutor(50) as pool:
        answers = list(pool.map(lambda _: asked(f"{base_url}{GARDEN}/pantry"), range(50)))
    done.set()
    other.join()
    statuses = {status for status, _, _ in answers}
    assert 200 in statuses
    assert statuses <= {200, 503}
    for status, headers, told in answers:
        if status == 503:
            assert headers["retry-after"]
            assert told["type"].endswith(":busy")
    assert set(small) == {200}

"""Clients that go away in every way a browser, a phone or a load tool can; the server stays."""

import contextlib
import json
import socket
import struct

import pytest

from tests.conftest import document, planting
from tests.serving import get, server

ASK = "GET /api/gardens/{slug} HTTP/1.1\r\nHost: 127.0.0.1\r\nAuthorization: Bearer {token}\r\n\r\n"
SEND = (
    "POST /api/gardens HTTP/1.1\r\nHost: 127.0.0.1\r\nAuthorization: Bearer {token}\r\n"
    "Content-Type: application/json\r\nContent-Length: 500\r\n\r\n"
)


def nothing(client, ask, send):
    """Connects and goes."""


def half_a_line(client, ask, send):
    client.sendall(ask[:9])


def half_the_headers(client, ask, send):
    client.sendall(ask[:40])


def half_a_body(client, ask, send):
    client.sendall(send + b'{"format": ')


def asked_and_gone(client, ask, send):
    client.sendall(ask)


def four_at_a_time_read_in_part(client, ask, send):
    client.sendall(ask * 4)
    client.recv(700)


def reset(client, ask, send):
    client.sendall(ask)
    client.recv(100)
    client.setsockopt(socket.SOL_SOCKET, socket.SO_LINGER, struct.pack("ii", 1, 0))


def half_closed(client, ask, send):
    client.sendall(ask)
    client.shutdown(socket.SHUT_WR)


WAYS = (
    nothing,
    half_a_line,
    half_the_headers,
    half_a_body,
    asked_and_gone,
    four_at_a_time_read_in_part,
    reset,
    half_closed,
)


@pytest.fixture(scope="module")
def running(tmp_path_factory):
    """A server as the command starts it, with one garden; its process, address, token and slug."""
    with server("start", tmp_path_factory.mktemp("clients")) as (process, address, token):
        import urllib.request

        headers = {"authorization": f"Bearer {token}", "content-type": "application/json"}
        body = json.dumps(document(planting())).encode()
        made = urllib.request.Request(f"{address}/api/gardens", body, headers)
        with urllib.request.urlopen(made) as answer:
            slug = json.load(answer)["head"]["slug"]
        yield process, address, token, slug


@pytest.mark.parametrize("way", WAYS)
def test_the_server_outlives_a_client_that_goes(running, way, times):
    process, address, token, slug = running
    port = int(address.rsplit(":", 1)[1])
    ask = ASK.format(slug=slug, token=token).encode()
    send = SEND.format(token=token).encode()
    for _ in range(times(40, 250)):
        with (
            contextlib.suppress(ConnectionError),
            socket.create_connection(("127.0.0.1", port)) as client,
        ):
            way(client, ask, send)
    assert process.poll() is None
    assert [head["slug"] for head in get(address, "/api/gardens", token)] == [slug]

"""The server's start and stop, as a person at a terminal meets them."""

import os
import re
import signal
import socket
import subprocess
import sys
import time
import urllib.error
import urllib.request

import pytest

from ample_rows.cli.folders import data_folder
from ample_rows.cli.serve import SHARED, open_store
from ample_rows.core.edits import RemovePlace
from ample_rows.store import StoreError
from tests.serving import free_port, get, server


def test_the_demo_runs_and_ctrl_c_says_that_all_is_saved(tmp_path):
    with server("demo", tmp_path) as (process, address, token):
        assert [g["slug"] for g in get(address, "/api/gardens", token)] == [
            "lantern-court",
            "magpie-terrace",
            "kettle-corner",
        ]
        process.send_signal(signal.SIGINT)
        said = process.communicate(timeout=20)[0]
    assert process.returncode == 0
    assert f"{address}/open?key=" in said
    assert "All is saved" in said
    assert "Traceback" not in said


def test_a_growers_own_start_is_empty_and_apart_from_the_demo(tmp_path):
    with server("start", tmp_path) as (_, address, token):
        assert get(address, "/api/gardens", token) == []
        with pytest.raises(urllib.error.HTTPError, match="401"):
            get(address, "/api/gardens", "guess")
        assert all(path.stat().st_mode & 0o077 == 0 for path in tmp_path.rglob("*"))
    assert data_folder(demo=True, data=tmp_path) != data_folder(demo=False, data=tmp_path)


def test_a_taken_port_is_told_with_another_to_try(tmp_path):
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        command = [
            sys.executable,
            "-m",
            "ample_rows",
            "demo",
            "--port",
            str(port),
            "--data",
            str(tmp_path),
        ]
        result = subprocess.run(command, capture_output=True, text=True, check=False)
    assert result.returncode == 1
    assert result.stderr.strip() == (
        f"Port {port} is taken by another program. Choose another: --port {port + 1}"
    )


def test_running_the_demo_again_keeps_what_was_done_and_reset_starts_afresh(tmp_path):
    store = open_store(demo=True, data=tmp_path, reset=False)
    store.edit("lantern-court", 1, RemovePlace(id="low"))
    again = open_store(demo=True, data=tmp_path, reset=False)
    assert len(again.load("lantern-court").plan.places) == 9
    fresh = open_store(demo=True, data=tmp_path, reset=True)
    assert len(fresh.load("lantern-court").plan.places) == 10


def test_a_reset_of_the_demo_never_touches_the_growers_own(tmp_path, read):
    from tests.conftest import document

    own = open_store(demo=False, data=tmp_path, reset=False)
    own.create(read(document()))
    open_store(demo=True, data=tmp_path, reset=True)
    assert len(open_store(demo=False, data=tmp_path, reset=True).list()) == 1


@pytest.mark.skipif(os.name == "nt", reason="folders are guarded otherwise there")
def test_a_data_folder_that_cannot_be_used_is_explained(tmp_path):
    (tmp_path / "file").write_text("")
    command = [
        sys.executable,
        "-m",
        "ample_rows",
        "start",
        "--data",
        str(tmp_path / "file"),
        "--port",
        str(free_port()),
    ]
    result = subprocess.run(command, capture_output=True, text=True, check=False)
    assert result.returncode == 1
    assert "--data DIR" in result.stderr
    assert "Traceback" not in result.stderr


def test_a_second_server_on_a_folder_is_warned_of_and_works(tmp_path):
    with server("start", tmp_path) as (_, address, token), server("start", tmp_path) as (two, b, _):
        assert get(address, "/api/gardens", token) == get(b, "/api/gardens", token) == []
        assert get(b, "/api/keeping", token)["warnings"] == [SHARED]
        assert get(address, "/api/keeping", token)["warnings"] == []
        two.send_signal(signal.SIGINT)
        assert SHARED in two.communicate(timeout=20)[0]


def test_a_running_demo_is_not_reset_under_its_server(tmp_path):
    with server("demo", tmp_path) as (_, address, token):
        with pytest.raises(StoreError, match="Stop it"):
            open_store(demo=True, data=tmp_path, reset=True)
        assert len(get(address, "/api/gardens", token)) == 3


def test_stop_does_not_wait_for_a_request_half_sent(tmp_path):
    with server("start", tmp_path) as (process, address, _):
        port = int(address.rsplit(":", 1)[1])
        with socket.create_connection(("127.0.0.1", port)) as half:
            half.sendall(b"POST /api/gardens HTTP/1.1\r\nHost: 127.0.0.1\r\n")
            half.sendall(b"Content-Length: 99\r\n\r\n{")
            time.sleep(0.2)
            began = time.monotonic()
            process.send_signal(signal.SIGINT)
            assert "All is saved" in process.communicate(timeout=20)[0]
    assert time.monotonic() - began < 15


def test_a_running_server_keeps_a_daily_backup_and_a_log(tmp_path):
    with server("start", tmp_path) as (process, _, __):
        for _ in range(400):
            if list((tmp_path / "backups").glob("*-daily.sqlite")):
                break
            time.sleep(0.05)
        process.send_signal(signal.SIGTERM)
        process.communicate(timeout=20)
    assert len(list((tmp_path / "backups").glob("*-daily.sqlite"))) == 1
    written = (tmp_path / "log" / "ample-rows.log").read_text()
    assert "backup: gardens-" in written
    assert re.search(r"Ample Rows [\d.]+, Python [\d.]+, SQLite [\d.]+ starts\n", written)
    assert written.endswith("stopped\n")


def test_a_damaged_file_is_served_for_reading_and_told(tmp_path, read):
    from tests.conftest import document

    store = open_store(demo=False, data=tmp_path, reset=False)
    for number in range(30):
        store.create(read(document(name=f"Garden {number}")))
    store.database.close()
    with (tmp_path / "gardens.sqlite").open("r+b") as file:
        file.seek(-4096, os.SEEK_END)
        file.write(b"\xff" * 4096)
    with server("start", tmp_path) as (process, address, token):
        assert get(address, "/api/keeping", token)["damage"]
        process.send_signal(signal.SIGINT)
        assert "is damaged" in process.communicate(timeout=20)[0]

"""The server's start and stop, as a person at a terminal meets them."""

import contextlib
import json
import os
import signal
import socket
import subprocess
import sys
import time
import urllib.request

import pytest

from ample_rows.cli.serve import data_folder, open_store
from ample_rows.core.edits import RemovePlace


def free_port():
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return probe.getsockname()[1]


@contextlib.contextmanager
def server(*arguments):
    """A running server; its process and address."""
    port = free_port()
    command = [sys.executable, "-m", "ample_rows", *arguments, "--port", str(port), "--no-browser"]
    process = subprocess.Popen(command, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True)
    address = f"http://127.0.0.1:{port}"
    try:
        for _ in range(300):
            with contextlib.suppress(OSError):
                urllib.request.urlopen(address + "/api/gardens").close()
                break
            time.sleep(0.05)
        yield process, address
    finally:
        process.kill()
        process.wait()


def get(address, path):
    with urllib.request.urlopen(address + path) as answer:
        return json.load(answer)


def test_the_demo_runs_and_ctrl_c_says_that_all_is_saved(tmp_path):
    with server("demo", "--data", str(tmp_path)) as (process, address):
        assert [g["slug"] for g in get(address, "/api/gardens")] == [
            "lantern-court",
            "magpie-terrace",
        ]
        process.send_signal(signal.SIGINT)
        said = process.communicate(timeout=20)[0]
    assert process.returncode == 0
    assert address in said
    assert "All is saved" in said
    assert "Traceback" not in said


def test_a_growers_own_start_is_empty_and_apart_from_the_demo(tmp_path):
    with server("start", "--data", str(tmp_path)) as (_, address):
        assert get(address, "/api/gardens") == []
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
    assert len(again.load("lantern-court").plan.places) == 5
    fresh = open_store(demo=True, data=tmp_path, reset=True)
    assert len(fresh.load("lantern-court").plan.places) == 6


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

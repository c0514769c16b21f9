"""A server as the command starts it, in a process of its own, and how to ask it."""

import contextlib
import json
import socket
import subprocess
import sys
import time
import urllib.request


def free_port():
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return probe.getsockname()[1]


@contextlib.contextmanager
def server(word, data, *arguments):
    """A running server; its process, address and token."""
    port = free_port()
    command = [sys.executable, "-m", "ample_rows", word, "--data", str(data), *arguments]
    command += ["--port", str(port), "--no-browser"]
    process = subprocess.Popen(command, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True)
    address = f"http://127.0.0.1:{port}"
    try:
        for _ in range(600):
            with contextlib.suppress(OSError):
                urllib.request.urlopen(address + "/").close()
                break
            time.sleep(0.05)
        yield process, address, (data / "token").read_text().strip()
    finally:
        process.kill()
        process.wait()


def get(address, path, token):
    headers = {"authorization": f"Bearer {token}"}
    with urllib.request.urlopen(urllib.request.Request(address + path, headers=headers)) as answer:
        return json.load(answer)

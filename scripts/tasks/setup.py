"""Set-up that any machine needs: the virtual environment, the front end, a browser.

Everything is keyed by the content of its lock or source files, so that a second run
does nothing. Progress goes to standard error, never to standard output.
"""

import contextlib
import hashlib
import os
import re
import shutil
import subprocess
import sys
import tempfile
from collections.abc import Iterable, Iterator
from pathlib import Path

ROOT = Path(__file__).resolve().parents[2]
VENV = ROOT / ".venv"
WEB = ROOT / "web"
SITE = ROOT / "src" / "ample_rows" / "api" / "site"
LEAST_NODE = 20

TOWNS = ROOT / "src" / "ample_rows" / "towns" / "towns.tsv.xz"
RUNTIME, DEV = "requirements.lock", "requirements-dev.lock"
TOWN_SOURCE = "requirements-towns.lock"


class SetupError(Exception):
    """Something is missing that the person must install; the message says what."""


def say(text: str) -> None:
    print(text, file=sys.stderr, flush=True)


def run(command: list[str], *, cwd: Path = ROOT, env: dict[str, str] | None = None) -> None:
    """Run a command with its output on standard error; raise `SetupError` if it fails."""
    result = subprocess.run(command, cwd=cwd, env=env, stdout=sys.stderr, check=False)
    if result.returncode:
        raise SetupError(f"`{' '.join(command)}` failed with status {result.returncode}.")


def digest(paths: Iterable[Path]) -> str:
    """One hash over some files' names and contents."""
    total = hashlib.sha256()
    for path in sorted(paths):
        total.update(str(path.relative_to(ROOT)).encode())
        total.update(path.read_bytes())
    return total.hexdigest()


@contextlib.contextmanager
def only_one() -> Iterator[None]:
    """Let one set-up run at a time; a second command waits for the first."""
    VENV.parent.mkdir(exist_ok=True)
    with (ROOT / ".ample-setup.lock").open("w") as lock:
        try:
            import fcntl

            fcntl.flock(lock, fcntl.LOCK_EX)
        except ImportError:
            pass
        yield


def python_path() -> Path:
    return VENV / ("Scripts/python.exe" if os.name == "nt" else "bin/python")


def ensure_python(lock: str = RUNTIME) -> Path:
    """The virtual environment's Python, with at least what a lock file names."""
    wanted = digest([ROOT / lock])
    if _stamped(lock, wanted) or (lock == RUNTIME and _dev_covers_runtime()):
        return python_path()
    with only_one():
        if _stamped(lock, wanted):
            return python_path()
        _make_venv()
        say(f"Installing Python packages from {lock} (once) ...")
        _install(lock)
        (VENV / f".{lock}.stamp").write_text(wanted)
    return python_path()


def _stamped(lock: str, wanted: str) -> bool:
    stamp = VENV / f".{lock}.stamp"
    return python_path().exists() and stamp.exists() and stamp.read_text() == wanted


def _dev_covers_runtime() -> bool:
    return _stamped(DEV, digest([ROOT / DEV]))


def _make_venv() -> None:
    if python_path().exists():
        return
    say("Making a virtual environment in .venv ...")
    try:
        run([sys.executable, "-m", "venv", str(VENV)])
    except SetupError as error:
        raise SetupError(
            f"{error} Python's venv module is needed; on Debian: apt install python3-venv."
        ) from error


def _install(lock: str) -> None:
    """Install a hashed lock file with uv, or with pip where uv cannot be had."""
    python = str(python_path())
    pip = [python, "-m", "pip", "install", "--quiet", "--require-hashes", "-r"]
    quiet = subprocess.run(
        [*pip, "requirements-uv.lock"], cwd=ROOT, stdout=subprocess.DEVNULL, check=False
    )
    uv = VENV / ("Scripts/uv.exe" if os.name == "nt" else "bin/uv")
    if quiet.returncode == 0 and uv.exists():
        command = [str(uv), "pip", "install", "--quiet", "--compile-bytecode"]
        command += ["--python", python, "--require-hashes"]
        if subprocess.run([*command, "-r", lock], cwd=ROOT, check=False).returncode == 0:
            return
        say("uv could not install the packages; trying pip ...")
    run([*pip, lock])


def _node() -> None:
    """Raise unless Node and npm are there and new enough."""
    node, npm = shutil.which("node"), shutil.which("npm")
    if node is None or npm is None:
        raise SetupError(
            f"Node {LEAST_NODE} or newer with npm is needed to build the pages, and is not there. "
            "Install it from your system's packages or as a download, then run this again."
        )
    version = subprocess.run([node, "--version"], capture_output=True, text=True, check=True)
    major = re.match(r"v(\d+)", version.stdout)
    if major is None or int(major.group(1)) < LEAST_NODE:
        raise SetupError(
            f"Node {LEAST_NODE} or newer is needed to build the pages; this is "
            f"{version.stdout.strip()}. Install a newer one, then run this again."
        )


def ensure_node_modules() -> None:
    _node()
    wanted = digest([WEB / "package-lock.json", WEB / "package.json"])
    stamp = WEB / "node_modules" / ".ample.stamp"
    if stamp.exists() and stamp.read_text() == wanted:
        return
    say("Installing the front end's packages from web/package-lock.json (once) ...")
    run(["npm", "ci", "--no-audit", "--no-fund", "--loglevel=error"], cwd=WEB)
    stamp.write_text(wanted)


def ensure_built() -> None:
    """What is made from other sources and not kept among ours: the pages, the list of towns."""
    ensure_site()
    ensure_towns()


def ensure_towns() -> None:
    """The list of towns, packed from a gazetteer package that is not needed afterwards."""
    script = ROOT / "scripts" / "tasks" / "pack_towns.py"
    wanted = digest([ROOT / TOWN_SOURCE, script])
    stamp = TOWNS.with_name(f"{TOWNS.name}.stamp")
    if TOWNS.exists() and stamp.exists() and stamp.read_text() == wanted:
        return
    with only_one(), tempfile.TemporaryDirectory() as source:
        say("Packing the list of towns (once) ...")
        _make_venv()
        python = str(python_path())
        pip = [python, "-m", "pip", "install", "--quiet", "--require-hashes", "--target", source]
        run([*pip, "-r", TOWN_SOURCE])
        run([python, str(script), str(TOWNS)], env={**os.environ, "PYTHONPATH": source})
        stamp.write_text(wanted)


def ensure_site() -> None:
    """The built front end, made anew when its sources changed."""
    sources = [p for p in (WEB / "src").rglob("*") if p.is_file()]
    public = WEB / "public"
    sources += [p for p in public.rglob("*") if p.is_file()] if public.exists() else []
    sources += [WEB / n for n in ("index.html", "vite.config.ts", "package-lock.json")]
    wanted = digest(sources)
    stamp = SITE / ".stamp"
    if stamp.exists() and stamp.read_text() == wanted:
        return
    with only_one():
        ensure_node_modules()
        say("Building the pages ...")
        run(["npm", "run", "--silent", "build", "--", "--logLevel", "warn"], cwd=WEB)
        stamp.write_text(wanted)


def ensure_chromium() -> str:
    """Path of a Chromium for the browser tests; installed by apt where that may be done."""
    found = _chromium()
    if found:
        return found
    apt = shutil.which("apt-get")
    sudo = [] if os.name == "posix" and os.geteuid() == 0 else ["sudo", "-n"]
    if apt and (not sudo or shutil.which("sudo")):
        say("Installing Chromium by apt for the browser tests (once) ...")
        with contextlib.suppress(SetupError):
            run([*sudo, apt, "update", "-qq"])
            run([*sudo, apt, "install", "-y", "-qq", "--no-install-recommends", "chromium"])
    found = _chromium()
    if not found:
        raise SetupError(
            "The browser tests need Chromium, and it could not be installed from here. "
            "Install Debian's package `chromium` (or another Chromium on the PATH) and run again."
        )
    return found


def _chromium() -> str | None:
    for name in ("chromium", "chromium-browser"):
        found = shutil.which(name)
        if found:
            return found
    return None

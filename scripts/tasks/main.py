"""What `./ample WORD` does. Product commands go on to the package's own command line."""

import os
import subprocess
import sys
import time
from collections.abc import Callable, Sequence
from concurrent.futures import ThreadPoolExecutor

from tasks import setup
from tasks.setup import DEV, ROOT, WEB, SetupError, say

Step = tuple[str, list[str], bool]

HELP = """Ample Rows

  ./ample demo [--port N] [--reset]     three made-up gardens, in a database of their own
  ./ample start [--port N] [--data DIR] your own gardens
  ./ample estimate PLAN.json [--json]   what a plan gives, as a table or a report
  ./ample learn PLAN.json RECORD.json   own factors of a garden, from its record
  ./ample sun PLAN.json --day D [--json] hours of sun on a day, cell by cell
  ./ample crops [--json]                the crop book
  ./ample schema                        JSON Schemas of plan and report
  ./ample backup [FILE] · restore FILE  copy all gardens, and bring them back
  ./ample doctor · salvage FILE.zip     is all sound; what can be read of a damaged file
  ./ample bench                         measured times and sizes

  ./ample test [--long]                 every check; what CI runs
  ./ample check                         format, lint, types and unit tests: the quick loop
  ./ample dev                           both servers, reloading
  ./ample types                         the API's types for the front end, made anew
  ./ample audit                         packages against known flaws (needs a network)
  ./ample shots                         docs/screenshots, taken anew from the demo
"""


def run(arguments: Sequence[str]) -> int:
    """Do one command; returns the exit status."""
    word, rest = (arguments[0] if arguments else "help"), list(arguments[1:])
    commands: dict[str, Callable[[list[str]], int]] = {
        "help": _help,
        "--help": _help,
        "-h": _help,
        "test": _test,
        "check": _check,
        "dev": _dev,
        "types": _types,
        "format": _format,
        "shots": _shots,
        "audit": _audit,
    }
    try:
        if word in commands:
            return commands[word](rest)
        if word in ("demo", "start"):
            setup.ensure_python()
            setup.ensure_built()
        elif word == "bench":
            setup.ensure_python(DEV)
            setup.ensure_built()
            return _product(["bench", "--chromium", setup.ensure_chromium(), *rest])
        return _product([word, *rest])
    except SetupError as error:
        say(f"ample: {error}")
        return 1
    except KeyboardInterrupt:
        return 130


def _help(_: list[str]) -> int:
    print(HELP, end="")
    return 0


def _environment() -> dict[str, str]:
    paths = [str(ROOT / "src"), *filter(None, [os.environ.get("PYTHONPATH")])]
    return {**os.environ, "PYTHONPATH": os.pathsep.join(paths)}


def _product(arguments: list[str]) -> int:
    """Hand over to the package; the process is replaced, so signals reach it directly."""
    python = str(setup.ensure_python())
    command = [python, "-m", "ample_rows", *arguments]
    if os.name == "nt":
        return subprocess.run(command, env=_environment(), check=False).returncode
    os.execve(python, command, _environment())


def _tool(name: str) -> str:
    return str(setup.python_path().parent / name)


def _step(step: Step) -> bool:
    """Run one step and print what it said when it is over; True when it passed."""
    name, command, in_web = step
    began = time.monotonic()
    result = subprocess.run(
        command,
        cwd=WEB if in_web else ROOT,
        env=_environment(),
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
        text=True,
        check=False,
    )
    passed = result.returncode == 0
    took = f"{'ok' if passed else 'FAILED'}, {time.monotonic() - began:.0f} s"
    print(f"── {name}: {took}\n{result.stdout.strip()}".rstrip(), flush=True)
    return passed


def _steps(*lanes: list[Step]) -> int:
    """Run the steps of each lane in turn and the lanes beside each other; say what failed."""

    def lane(steps: list[Step]) -> list[str]:
        return [step[0] for step in steps if not _step(step)]

    with ThreadPoolExecutor() as pool:
        failed = [name for names in pool.map(lane, lanes) for name in names]
    print(f"Failed: {', '.join(failed)}" if failed else "All checks passed.", flush=True)
    return 1 if failed else 0


def _python_checks() -> list[Step]:
    sources = ["src", "tests", "scripts", "ample"]
    return [
        ("Python format", [_tool("ruff"), "format", "--check", "--quiet", *sources], False),
        ("Python lint", [_tool("ruff"), "check", "--quiet", *sources], False),
        ("Python types", [_tool("mypy"), "--no-error-summary"], False),
        ("Layer contract", [_tool("lint-imports"), "--no-cache"], False),
    ]


def _web_checks() -> list[Step]:
    return [
        ("Web format", ["npm", "run", "--silent", "format"], True),
        ("Web types", ["npm", "run", "--silent", "types"], True),
        ("Web unit tests", ["npm", "run", "--silent", "test"], True),
    ]


def _web_lint() -> list[Step]:
    """As long as all other checks together: it has a lane of its own."""
    return [("Web lint", ["npm", "run", "--silent", "lint"], True)]


def _prepare() -> None:
    setup.ensure_python(DEV)
    setup.ensure_node_modules()


def _check(rest: list[str]) -> int:
    _prepare()
    quick = [_tool("pytest"), "tests/core", "tests/crops", "tests/store", "tests/cli", *rest]
    return _steps([*_python_checks(), ("Unit tests", quick, False)], _web_checks() + _web_lint())


def _test(rest: list[str]) -> int:
    _prepare()
    setup.ensure_built()
    os.environ["AMPLE_CHROMIUM"] = setup.ensure_chromium()
    if "--long" in rest:
        os.environ["AMPLE_LONG"] = "1"
    asked = [a for a in rest if a != "--long"]
    shared = ["-n", "auto", "--maxprocesses", "4", "--dist", "worksteal"]
    checks = _steps(_python_checks() + _web_checks(), _web_lint())
    # One after the other: browsers want the machine to themselves, and two of them fill it.
    reckoned = [_tool("pytest"), "--ignore=tests/browser", *shared, *asked]
    driven = [_tool("pytest"), "tests/browser", *shared, "--maxprocesses", "2", *asked]
    passed = _step(("Unit, property and API tests", reckoned, False))
    passed = _step(("Browser tests", driven, False)) and passed
    return checks if passed else 1


def _format(_: list[str]) -> int:
    _prepare()
    sources = ["src", "tests", "scripts", "ample"]
    return _steps(
        [
            ("Python", [_tool("ruff"), "format", "--quiet", *sources], False),
            ("Imports", [_tool("ruff"), "check", "--fix", "--quiet", *sources], False),
            ("Web", ["npx", "prettier", "--write", "--log-level", "warn", "src", "*.ts"], True),
        ]
    )


def _types(_: list[str]) -> int:
    _prepare()
    dump = [str(setup.python_path()), "-m", "ample_rows.api.openapi", "web/openapi.json"]
    return _steps(
        [
            ("OpenAPI", dump, False),
            ("TypeScript types", ["npm", "run", "--silent", "api-types"], True),
        ]
    )


def _shots(_: list[str]) -> int:
    _prepare()
    setup.ensure_built()
    python, script = str(setup.python_path()), str(ROOT / "scripts" / "tasks" / "shots.py")
    return _steps([("Screenshots", [python, script, setup.ensure_chromium()], False)])


def _audit(_: list[str]) -> int:
    """Both lists of packages against the public lists of known flaws, by the usual tools."""
    _prepare()
    python = [_tool("uv"), "tool", "run", "pip-audit", "--disable-pip", "--require-hashes"]
    return _steps(
        [
            ("Python packages", [*python, "-r", "requirements.lock"], False),
            ("Web packages", ["npm", "audit", "--omit=dev"], True),
        ]
    )


def _dev(rest: list[str]) -> int:
    _prepare()
    setup.ensure_built()
    python = str(setup.python_path())
    api = [python, "-m", "ample_rows", "demo", "--reload", "--no-browser", *rest]
    servers = [
        subprocess.Popen(api, cwd=ROOT, env=_environment()),
        subprocess.Popen(["npm", "run", "--silent", "dev"], cwd=WEB, env=_environment()),
    ]
    try:
        for server in servers:
            server.wait()
    except KeyboardInterrupt:
        for server in servers:
            server.terminate()
    return 0


if __name__ == "__main__":
    sys.exit(run(sys.argv[1:]))

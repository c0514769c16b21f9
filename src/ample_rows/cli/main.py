"""The words of the command line. Each imports what it needs when it is asked for."""

import argparse
import os
import signal
import sys
from collections.abc import Callable, Sequence
from pathlib import Path

_PRINTING = ("estimate", "crops", "sun", "schema", "doctor", "learn", "value", "fill")
_KEEPING = (
    ("backup", "copy all gardens, checked, to a file or among the backups", "?"),
    ("restore", "bring back every garden of a backup, beside those there", 1),
    ("salvage", "what can be read of a damaged file, as plan documents", 1),
    ("doctor", "what is kept where, and whether it is sound", None),
)


def parser() -> argparse.ArgumentParser:
    """All words with their options."""
    top = argparse.ArgumentParser(
        prog="ample-rows", description="Plan what each bed holds and what it will give."
    )
    words = top.add_subparsers(dest="word", required=True, metavar="WORD")

    estimate = words.add_parser("estimate", help="what a plan gives")
    estimate.add_argument("plan", help="a plan document, or - for standard input")
    estimate.add_argument("--json", action="store_true", help="the report as JSON, nothing else")

    crops = words.add_parser("crops", help="the crop book")
    crops.add_argument("--json", action="store_true", help="every field as it is used")

    sun = words.add_parser("sun", help="hours of direct sun on a day")
    sun.add_argument("plan", help="a plan document, or - for standard input")
    sun.add_argument("--day", required=True, help="a date such as 2027-05-15")
    sun.add_argument("--points", default=None, help='ground points in site metres: "3.2,1.5 4,2"')
    sun.add_argument("--json", action="store_true", help="as JSON, nothing else")

    words.add_parser("schema", help="JSON Schemas of plan and report")

    learn = words.add_parser("learn", help="this garden's own factors, from its record")
    learn.add_argument("plan", help="a plan document, or - for standard input")
    learn.add_argument("record", help="a record document, or - for standard input")
    learn.add_argument("--json", action="store_true", help="as JSON, nothing else")

    value = words.add_parser("value", help="what a plan is worth to those who eat of it")
    value.add_argument("plan", help="a plan document, or - for standard input")
    value.add_argument("--json", action="store_true", help="as JSON, nothing else")

    fill = words.add_parser("fill", help="the plan that is worth most to those who eat of it")
    fill.add_argument("plan", help="a plan document, or - for standard input")
    fill.add_argument("--seconds", type=_seconds, default=10.0, help="how long to look (10)")
    fill.add_argument("--steps", type=int, default=None, help="so many steps instead of seconds")
    fill.add_argument("--seed", type=int, default=1, help="the same seed and steps, the same plan")
    fill.add_argument("--keep", action="store_true", help="what is planted stays")
    fill.add_argument("--json", action="store_true", help="the plan with all that is said of it")

    for word, about in (("start", "your own gardens"), ("demo", "three made-up gardens")):
        serve = words.add_parser(word, help=about)
        serve.add_argument("--port", type=_port, default=None, metavar="N")
        serve.add_argument("--data", type=Path, default=None, metavar="DIR")
        serve.add_argument("--no-browser", action="store_true", help="do not open the address")
        serve.add_argument("--reload", action="store_true", help=argparse.SUPPRESS)
        if word == "demo":
            serve.add_argument("--reset", action="store_true", help="start the demo afresh")

    for word, about, file in _KEEPING:
        keep = words.add_parser(word, help=about)
        if file is not None:
            keep.add_argument("file", type=Path, nargs=file, metavar="FILE")
        keep.add_argument("--data", type=Path, default=None, metavar="DIR")

    bench = words.add_parser("bench", help="measured times and sizes")
    bench.add_argument("--chromium", default=None, help="a Chromium to time the pages with")
    bench.add_argument("--long", action="store_true", help="a minute of load, not some seconds")
    bench.add_argument(
        "--only", choices=["load", "record", "fill"], default=None, help="one part alone"
    )
    return top


def _port(text: str) -> int:
    number = int(text)
    if not 1 <= number <= 65535:
        raise argparse.ArgumentTypeError("a port is a number from 1 to 65535")
    return number


def _seconds(text: str) -> float:
    number = float(text)
    if not 0 <= number <= 86_400:
        raise argparse.ArgumentTypeError("seconds are a number from 0 to 86400")
    return number


def main(arguments: Sequence[str] | None = None) -> int:
    """Run one word, its text in metric units; returns the exit status."""
    from ample_rows.core.words.message import rendered_by
    from ample_rows.wording import METRIC

    options = parser().parse_args(arguments)
    with rendered_by(METRIC):
        return _run(options)


def _run(options: argparse.Namespace) -> int:
    if options.word in _PRINTING and hasattr(signal, "SIGPIPE"):
        # `ample crops | head` ends quietly, as other commands do. A server must outlive a reader
        # that goes, so it keeps Python's own way: an error of that one connection.
        signal.signal(signal.SIGPIPE, signal.SIG_DFL)
    if options.word not in _PRINTING:
        # What is written is for the account that runs this, and for no other.
        os.umask(0o077)
    return _COMMANDS[options.word](options)


def _estimate(options: argparse.Namespace) -> int:
    from ample_rows.cli.estimate import estimate

    return estimate(options.plan, as_json=options.json)


def _crops(options: argparse.Namespace) -> int:
    from ample_rows.cli.book import print_crops

    return print_crops(as_json=options.json)


def _sun(options: argparse.Namespace) -> int:
    from ample_rows.cli.sun import sun

    return sun(options.plan, day=options.day, points=options.points, as_json=options.json)


def _schema(_: argparse.Namespace) -> int:
    from ample_rows.cli.book import print_schema

    return print_schema()


def _learn(options: argparse.Namespace) -> int:
    from ample_rows.cli.learn import learn

    return learn(options.plan, options.record, as_json=options.json)


def _value(options: argparse.Namespace) -> int:
    from ample_rows.cli.fill import value

    return value(options.plan, as_json=options.json)


def _fill(options: argparse.Namespace) -> int:
    from ample_rows.cli.fill import fill
    from ample_rows.core.ask.fill.filling import Limits

    limits = Limits(seconds=options.seconds, steps=options.steps, seed=options.seed)
    return fill(options.plan, keep=options.keep, limits=limits, as_json=options.json)


def _backup(options: argparse.Namespace) -> int:
    from ample_rows.cli.keep import backup

    return backup(options.file, options.data)


def _restore(options: argparse.Namespace) -> int:
    from ample_rows.cli.keep import restored

    return restored(options.file[0], options.data)


def _salvage(options: argparse.Namespace) -> int:
    from ample_rows.cli.keep import salvage

    return salvage(options.file[0], options.data)


def _doctor(options: argparse.Namespace) -> int:
    from ample_rows.cli.keep import doctor

    return doctor(options.data)


def _bench(options: argparse.Namespace) -> int:
    from ample_rows.cli.bench import bench

    return bench(chromium=options.chromium, long=options.long, only=options.only)


def _serve(options: argparse.Namespace) -> int:
    from ample_rows.cli.serve import serve

    return serve(
        demo=options.word == "demo",
        port=options.port,
        data=options.data,
        browser=not options.no_browser,
        reset=getattr(options, "reset", False),
        reload=options.reload,
    )


# Each fetches its part of the program when it runs: a printing command starts in a moment.
_COMMANDS: dict[str, Callable[[argparse.Namespace], int]] = {
    "estimate": _estimate,
    "crops": _crops,
    "sun": _sun,
    "schema": _schema,
    "learn": _learn,
    "value": _value,
    "fill": _fill,
    "backup": _backup,
    "restore": _restore,
    "salvage": _salvage,
    "doctor": _doctor,
    "bench": _bench,
    "start": _serve,
    "demo": _serve,
}


if __name__ == "__main__":
    sys.exit(main())

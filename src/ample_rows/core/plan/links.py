"""Keys by which one planting names another of its place; they follow it or go with it."""

from collections.abc import Collection, Mapping
from typing import Any

LINKS = ("follows", "between", "gives_way_to")

Record = dict[str, Any]


def forget(plantings: list[Record], gone: Collection[str]) -> None:
    """Take out, in place, every mention of plantings that are gone."""
    for planting in plantings:
        for key in LINKS:
            if planting.get(key) in gone:
                del planting[key]


def rename(planting: Record, names: Mapping[str, str]) -> None:
    """Let a planting, in place, name others by their new ids."""
    for key in LINKS:
        if planting.get(key) in names:
            planting[key] = names[planting[key]]


def part_ways(plantings: list[Record]) -> None:
    """Take out, in place, every mention of plantings that now grow in another place."""
    where = {planting["id"]: planting["place"] for planting in plantings}
    for planting in plantings:
        for key in LINKS:
            if key in planting and where.get(planting[key]) != planting["place"]:
                del planting[key]

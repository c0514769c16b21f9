"""Tables as CSV text, and back: the core reads no files, so these are lines and strings."""

import csv
from collections.abc import Iterable, Iterator

# Wide forms are taken for the plain ones by some programs; so is a sign after white space.
_SIGNS = ("=", "+", "-", "@", "\uff1d", "\uff0b", "\uff0d", "\uff20")
_BREAKS = ("\t", "\r", "\n")


class _Lines(list[str]):
    """What the CSV writer writes to."""

    def write(self, line: str) -> None:
        self.append(line)


def written(rows: Iterable[Iterable[object]]) -> str:
    """Rows as CSV; words that a spreadsheet would take for a formula are quoted from it."""
    lines = _Lines()
    csv.writer(lines).writerows([[_plain(cell) for cell in row] for row in rows])
    return "".join(lines)


def rows(text: str) -> Iterator[tuple[int, list[str]]]:
    """Each row that holds anything, with the line that it ends on; the head is the first.

    Commas, semicolons or tabs part the columns, whichever the head has most of.
    """
    lines = text.removeprefix("\ufeff").splitlines(keepends=True)
    head = next((line for line in lines if line.strip()), "")
    reader = csv.reader(lines, delimiter=max(",;\t", key=head.count))
    for row in reader:
        if any(cell.strip() for cell in row):
            yield reader.line_num, [_unquoted(cell.strip()) for cell in row]


def read(text: str) -> Iterator[tuple[int, dict[str, str]]]:
    """Each row below the head by column, with its line; empty cells are left out."""
    table = rows(text)
    _, head = next(table, (0, []))
    for line, row in table:
        yield line, {name: cell for name, cell in zip(head, row, strict=False) if name and cell}


def _plain(cell: object) -> object:
    return f"'{cell}" if isinstance(cell, str) and _like_a_formula(cell) else cell


def _unquoted(text: str) -> str:
    return text[1:] if text[:1] == "'" and _like_a_formula(text[1:]) else text


def _like_a_formula(text: str) -> bool:
    return text.startswith(_BREAKS) or text.lstrip().startswith(_SIGNS)

"""Plant labels drawn on sheets as a PDF, each with a code that leads back to its planting."""

import io
from collections.abc import Sequence
from itertools import groupby

import segno
from reportlab.lib.units import mm
from reportlab.pdfbase.pdfmetrics import stringWidth
from reportlab.pdfgen.canvas import Canvas

from ample_rows.core.ask.jobs.plant_labels import PlantLabel
from ample_rows.core.book import LabelSheet
from ample_rows.core.patience import carry_on
from ample_rows.core.words.message import said

_EDGE_MM = 2.5
_CODE_MOST_MM = 24.0
_TEXT = "Helvetica"
_BOLD = "Helvetica-Bold"
# Any of the eight masks is read as well; choosing the best takes ten times as long.
_MASK = 3
# White round the code that readers ask for, in squares of the code.
_QUIET = 4


def label_pdf(labels: Sequence[tuple[PlantLabel, str]], sheet: LabelSheet, title: str) -> bytes:
    """All labels on as many pages as they take.

    Args:
        labels: Each with the address that its code leads to.
    """
    out = io.BytesIO()
    width, height = sheet.page_mm
    canvas = Canvas(out, pagesize=(width * mm, height * mm))
    canvas.setTitle(title)
    for number, (label, address) in enumerate(labels):
        carry_on()
        if number and number % sheet.on_a_page == 0:
            canvas.showPage()
        left, top = sheet.corner_mm(number % sheet.on_a_page)
        _label(canvas, label, address, (left, height - top - sheet.size_mm[1]), sheet.size_mm)
    canvas.save()
    return out.getvalue()


def _label(
    canvas: Canvas,
    label: PlantLabel,
    address: str,
    corner_mm: tuple[float, float],
    size_mm: tuple[float, float],
) -> None:
    """One label: its code at the left, name, place and days beside it. [mm from lower left]"""
    x, y = corner_mm
    side = min(size_mm[1] - 2 * _EDGE_MM, _CODE_MOST_MM)
    _code(canvas, address, (x + _EDGE_MM, y + (size_mm[1] - side) / 2), side)
    left = x + side + 2 * _EDGE_MM
    room = size_mm[0] - side - 3 * _EDGE_MM
    middle = y + size_mm[1] / 2
    step = min(4.6, (size_mm[1] - 2 * _EDGE_MM) / 3)
    lines = ((label.name, _BOLD, 10.0), (label.where, _TEXT, 8.0), (label.when, _TEXT, 8.0))
    for row, (text, font, size) in enumerate(lines):
        _line(canvas, said(text), font, size, (left, middle + step * (0.8 - row), room))


def _line(
    canvas: Canvas, text: str, font: str, size: float, at_mm: tuple[float, float, float]
) -> None:
    """A line of text, set smaller until it fits its room."""
    x, y, room = at_mm
    printable = text.encode("cp1252", "replace").decode("cp1252")
    width = stringWidth(printable, font, size)
    fitting = size if width <= room * mm else size * room * mm / width
    canvas.setFont(font, fitting)
    canvas.drawString(x * mm, y * mm, printable)


def _code(canvas: Canvas, address: str, at_mm: tuple[float, float], side_mm: float) -> None:
    """The code as one filled path: the runs of dark squares of each row."""
    rows = segno.make_qr(address, error="m", mask=_MASK).matrix
    square = side_mm * mm / (len(rows) + 2 * _QUIET)
    left, top = at_mm[0] * mm + _QUIET * square, (at_mm[1] + side_mm) * mm - _QUIET * square
    path = canvas.beginPath()
    for number, row in enumerate(rows):
        start = 0
        for dark, run in groupby(row):
            length = len(list(run))
            if dark:
                path.rect(
                    left + start * square, top - (number + 1) * square, length * square, square
                )
            start += length
    canvas.drawPath(path, stroke=0, fill=1)

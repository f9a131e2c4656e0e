"""The board: a film's shots as pictures with their words, on paper (PDF), for whoever looks away from a screen."""

import io
from collections.abc import Callable
from typing import TYPE_CHECKING, Literal, NamedTuple

from cutreel.core.film import proportion
from cutreel.core.lettering import face_file, wrapped
from cutreel.core.timeline import timecode
from cutreel.store import Assembled

from .moving import stills_of
from .workshop import Workshop

if TYPE_CHECKING:
    from fpdf import FPDF

Paper = Literal["a4", "letter"]
Each = Literal[6, 9, 12]
MARGIN, HEAD, GAP = 12.0, 11.0, 5.0
"""Millimetres: around the page, for what stands at its head, between pictures."""
LINE, WORDS = 4.0, 15.0
"""Millimetres: a line of what stands under a picture, and the least room for all of it."""
HIGH = 480
"""The shorter side of a picture in pixels: some 200 to an inch on the largest."""
MM_PER_POINT = 25.4 / 72
INK, FAINT = (39, 35, 32), (101, 93, 80)


class Layout(NamedTuple):
    """How pages are laid out: whether they lie on their long side, and how many pictures stand side by side."""

    lying: bool
    columns: int


class _Cell(NamedTuple):
    """Where a shot stands: left, top and width of its cell, and where its cell ends, in millimetres."""

    left: float
    top: float
    wide: float
    bottom: float


def layout_of(paper: tuple[float, float], each: int, ratio: float) -> Layout:
    """The layout in which pictures `ratio` times as wide as high are largest; `paper` is wide and high in mm."""
    layouts = [
        Layout(lying, c) for lying in (False, True) for c in range(1, each + 1) if each % c == 0
    ]

    def width(layout: Layout) -> float:
        wide, high = sorted(paper, reverse=layout.lying)
        cell = _cell_size(wide, high, layout.columns, each)
        return min(cell[0], (cell[1] - WORDS) * ratio)

    return max(layouts, key=width)


def _cell_size(wide: float, high: float, columns: int, each: int) -> tuple[float, float]:
    rows = each // columns
    return (
        (wide - 2 * MARGIN - (columns - 1) * GAP) / columns,
        (high - 2 * MARGIN - HEAD - (rows - 1) * GAP) / rows,
    )


def write_board(
    shop: Workshop,
    film: Assembled,
    paper: Paper,
    each: Each,
    progress: Callable[[float], None],
    dropped: Callable[[], bool],
) -> bytes | None:
    """A film as a PDF with `each` shots on a page. None when nobody wants it any more."""
    from fpdf import FPDF  # here: every process knows this kind, few write paper

    sheet = FPDF(format=paper)
    layout = layout_of((sheet.w, sheet.h), each, proportion(film.document.settings.aspect))
    pdf = FPDF("landscape" if layout.lying else "portrait", format=paper)
    pdf.set_auto_page_break(False)
    pdf.set_title(film.document.title)
    pdf.set_creator("Cut Reel")
    pdf.add_font("words", fname=face_file("book"))
    pdf.add_font("plain", fname=face_file("plain"))
    pdf.set_fallback_fonts(["words"])  # what the plain face has no letter for
    pages = -(-len(film.spans) // each)
    drawn = 0
    for at, picture in enumerate(stills_of(shop, film, HIGH, dropped)):
        if at % each == 0:
            pdf.add_page()
            _head(pdf, film.document.title, at // each + 1, pages)
        jpeg = io.BytesIO()
        picture.save(jpeg, "JPEG", quality=85)
        jpeg.seek(0)
        _shot(
            pdf,
            film,
            at,
            jpeg,
            picture.width / picture.height,
            _cell(pdf, at % each, layout.columns, each),
        )
        progress((at + 1) / len(film.spans))
        drawn = at + 1
    return bytes(pdf.output()) if drawn == len(film.spans) else None


def _cell(pdf: "FPDF", place: int, columns: int, each: int) -> _Cell:
    wide, high = _cell_size(pdf.w, pdf.h, columns, each)
    left = MARGIN + place % columns * (wide + GAP)
    top = MARGIN + HEAD + place // columns * (high + GAP)
    return _Cell(left, top, wide, top + high)


def _head(pdf: "FPDF", title: str, page: int, pages: int) -> None:
    pdf.set_text_color(*INK)
    pdf.set_font("words", size=13)
    pdf.set_xy(MARGIN, MARGIN - 2)
    pdf.cell(pdf.w - 2 * MARGIN - 30, 7, title)
    pdf.set_font("plain", size=8)
    pdf.set_text_color(*FAINT)
    pdf.set_xy(pdf.w - MARGIN - 30, MARGIN - 2)
    pdf.cell(30, 7, f"{page} of {pages}", align="R")
    pdf.set_draw_color(*FAINT)
    pdf.set_line_width(0.2)
    pdf.line(MARGIN, MARGIN + 6.5, pdf.w - MARGIN, MARGIN + 6.5)


def _shot(
    pdf: "FPDF", film: Assembled, at: int, picture: io.BytesIO, ratio: float, cell: _Cell
) -> None:
    """One shot: its picture, under it its number, framing and time, and as many of its words as find room."""
    shot, span = film.read.shots[at], film.spans[at]
    wide = min(cell.wide, (cell.bottom - cell.top - WORDS) * ratio)
    high = wide / ratio
    pdf.image(picture, cell.left + (cell.wide - wide) / 2, cell.top, wide, high)
    pdf.set_font("plain", size=8)
    pdf.set_text_color(*INK)
    pdf.set_xy(cell.left, cell.top + high + 1)
    pdf.cell(cell.wide / 2, LINE, f"{shot.shot.edge}  {shot.facts.framing}")
    pdf.set_text_color(*FAINT)
    pdf.set_xy(cell.left + cell.wide / 2, cell.top + high + 1)
    pdf.cell(cell.wide / 2, LINE, timecode(span.start, film.rate), align="R")
    pdf.set_font("words", size=8)
    pdf.set_text_color(*INK)
    room = max(1, int((cell.bottom - cell.top - high - LINE - 1) / (LINE - 0.4)))
    broken = wrapped(shot.text, "book", 8 * MM_PER_POINT, cell.wide)
    shown = broken[:room]
    if len(broken) > room:
        shown[-1] = shown[-1].rstrip(" .,;") + " …"
    pdf.set_xy(cell.left, cell.top + high + 1 + LINE)
    for text in shown:
        pdf.set_x(cell.left)
        pdf.cell(cell.wide, LINE - 0.4, text, new_x="LMARGIN", new_y="NEXT")

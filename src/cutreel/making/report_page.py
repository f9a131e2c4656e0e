"""A film's report on paper (PDF), for whoever keeps it beside the film."""

from collections.abc import Mapping, Sequence
from datetime import datetime
from typing import TYPE_CHECKING

from cutreel.core.lettering import face_file
from cutreel.core.publishing import ReportFigure, Section

if TYPE_CHECKING:
    from fpdf import FPDF

MARGIN = 16.0
INK, FAINT, BAD = (39, 35, 32), (101, 93, 80), (178, 58, 30)
SECTIONS: Mapping[Section, str] = {
    "film": "The film",
    "file": "The file",
    "pictures": "Pictures",
    "sound": "Sound",
    "captions": "Captions",
    "joins": "Joins",
    "texts": "Texts",
    "rights": "Rights",
    "agreed": "Notes and agreement",
    "money": "Money",
}


def write_report(title: str, figures: Sequence[ReportFigure], at: datetime) -> bytes:
    """A report as A4 pages: each figure with what was aimed at, what was found, and how to measure it."""
    from fpdf import FPDF  # here: every process knows this kind, few write paper

    pdf = FPDF(format="a4")
    pdf.set_auto_page_break(True, margin=MARGIN)
    pdf.set_margins(MARGIN, MARGIN)
    pdf.set_title(f"Report: {title}")
    pdf.set_creator("Cut Reel")
    pdf.add_font("words", fname=face_file("book"))
    pdf.add_font("plain", fname=face_file("plain"))
    pdf.set_fallback_fonts(["words"])  # what the plain face has no letter for
    pdf.add_page()
    bad = sum(f.good is False for f in figures)
    pdf.set_text_color(*INK)
    pdf.set_font("words", size=20)
    pdf.multi_cell(0, 9, title, new_x="LMARGIN", new_y="NEXT")
    pdf.set_font("plain", size=9)
    pdf.set_text_color(*FAINT)
    amiss = "All as aimed at." if not bad else f"{bad} not as aimed at, marked at the left."
    pdf.multi_cell(
        0, 6, f"Report of {at:%Y-%m-%d %H:%M} UTC. {amiss}", new_x="LMARGIN", new_y="NEXT"
    )
    for section, name in SECTIONS.items():
        own = [f for f in figures if f.section == section]
        if not own:
            continue
        pdf.ln(3)
        pdf.set_font("words", size=13)
        pdf.set_text_color(*INK)
        pdf.cell(0, 7, name, new_x="LMARGIN", new_y="NEXT")
        for figure in own:
            _row(pdf, figure)
    return bytes(pdf.output())


def _row(pdf: "FPDF", figure: ReportFigure) -> None:
    pdf.set_draw_color(*FAINT)
    pdf.set_line_width(0.1)
    if pdf.will_page_break(14):
        pdf.add_page()
    top = pdf.get_y()
    pdf.line(MARGIN, top, pdf.w - MARGIN, top)
    pdf.set_font("plain", size=9)
    pdf.set_text_color(*(BAD if figure.good is False else FAINT))
    if figure.good is False:
        pdf.set_fill_color(*BAD)
        pdf.rect(MARGIN - 4, top + 1.6, 1.6, 3.2, style="F")
    ends = []
    for left, wide, said, colour in (
        (MARGIN, 58.0, figure.what, FAINT),
        (MARGIN + 60, 70.0, figure.found, BAD if figure.good is False else INK),
        (MARGIN + 132, pdf.w - 2 * MARGIN - 132, figure.aim, FAINT),
    ):
        pdf.set_xy(left, top + 1)
        pdf.set_text_color(*colour)
        pdf.multi_cell(wide, 4.4, said or " ", align="L", new_x="LMARGIN", new_y="NEXT")
        ends.append(pdf.get_y())
    if figure.how:
        pdf.set_xy(MARGIN + 60, max(ends))
        pdf.set_font("plain", size=7)
        pdf.set_text_color(*FAINT)
        pdf.multi_cell(0, 3.4, figure.how, align="L", new_x="LMARGIN", new_y="NEXT")
        ends.append(pdf.get_y())
    pdf.set_y(max(ends) + 1)

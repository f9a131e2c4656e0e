"""The same table in the form that translators' own programs read (XLIFF 2.0, OASIS)."""

from collections.abc import Sequence
from xml.etree import ElementTree

from defusedxml import ElementTree as Safe
from defusedxml.common import DefusedXmlException

from cutreel.core.errors import BadInput

from .table import TableRow

NAMESPACE = "urn:oasis:names:tc:xliff:document:2.0"


def write_xliff(rows: Sequence[TableRow], source: str, target: str) -> str:
    """Rows as a document from one language into another (BCP 47): a unit each, who says it as a note."""
    ElementTree.register_namespace("", NAMESPACE)
    root = ElementTree.Element(
        _name("xliff"), {"version": "2.0", "srcLang": source, "trgLang": target}
    )
    file = ElementTree.SubElement(root, _name("file"), {"id": "film"})
    for row in rows:
        unit = ElementTree.SubElement(file, _name("unit"), {"id": row.number.replace(" ", "-")})
        told = [
            t for t in (row.who, "" if row.seconds is None else f"{row.seconds:.1f} seconds") if t
        ]
        if told:
            notes = ElementTree.SubElement(unit, _name("notes"))
            ElementTree.SubElement(notes, _name("note")).text = ", ".join(told)
        state = "translated" if row.translation else "initial"
        segment = ElementTree.SubElement(unit, _name("segment"), {"state": state})
        ElementTree.SubElement(segment, _name("source")).text = row.words
        if row.translation:
            ElementTree.SubElement(segment, _name("target")).text = row.translation
    return ElementTree.tostring(root, encoding="unicode", xml_declaration=True)


def read_xliff(data: bytes) -> list[TableRow]:
    """Rows of a document that came back. Raises BadInput."""
    try:
        root = Safe.fromstring(data)
    except (ElementTree.ParseError, DefusedXmlException, ValueError) as error:
        raise BadInput(f"The XLIFF file cannot be read: {error}.", "Save it again.") from error
    if root.tag != _name("xliff"):
        raise BadInput("This is no XLIFF 2.0 file.", "Take the table out as XLIFF or as CSV.")
    out = []
    for unit in root.iter(_name("unit")):
        number = unit.get("id", "").replace("-", " ")
        # A translator's program may have cut a unit into segments.
        parts = [
            ["".join(found.itertext()) for found in unit.iter(_name(part))]
            for part in ("source", "target")
        ]
        words, translation = (" ".join(p.strip() for p in part if p.strip()) for part in parts)
        out.append(TableRow(number, "", words, translation))
    return out


def _name(tag: str) -> str:
    return f"{{{NAMESPACE}}}{tag}"

"""Lexicons as W3C Pronunciation Lexicon Specification 1.0, both ways: how a word sounds stands there as an alias."""

from collections.abc import Sequence
from xml.etree import ElementTree

import defusedxml.ElementTree as safe

from cutreel.core.errors import BadInput
from cutreel.core.manuscript import Saying

from .ipa import sounds_of

NAMESPACE = "http://www.w3.org/2005/01/pronunciation-lexicon"
MOST_LEXEMES = 5000


def to_pls(lexicon: Sequence[Saying], language: str = "en") -> bytes:
    """A lexicon as a PLS 1.0 document."""
    ElementTree.register_namespace("", NAMESPACE)
    lang = "{http://www.w3.org/XML/1998/namespace}lang"
    root = ElementTree.Element(
        f"{{{NAMESPACE}}}lexicon", {"version": "1.0", "alphabet": "ipa", lang: language}
    )
    for saying in lexicon:
        lexeme = ElementTree.SubElement(root, f"{{{NAMESPACE}}}lexeme")
        ElementTree.SubElement(lexeme, f"{{{NAMESPACE}}}grapheme").text = saying.word
        said, text = ("phoneme", saying.phonemes) if saying.phonemes else ("alias", "")
        ElementTree.SubElement(lexeme, f"{{{NAMESPACE}}}{said}").text = (
            text or saying.sounds.replace("-", " ")
        )
    ElementTree.indent(root)
    return bytes(ElementTree.tostring(root, encoding="utf-8", xml_declaration=True)) + b"\n"


def from_pls(data: bytes) -> tuple[list[Saying], list[str]]:
    """The words of a PLS 1.0 document with how they sound, and those that are left: several words, and what is said by
    phonemes that are not of IPA. Of several graphemes each is taken; of several ways to say it the first, as the
    specification prefers. Raises BadInput for what is no such document."""
    try:
        root = safe.fromstring(data)
    except Exception as error:
        raise BadInput("That file is no lexicon.", "Bring a PLS file (XML, by W3C).") from error
    if root.tag != f"{{{NAMESPACE}}}lexicon":
        raise BadInput("That file is no lexicon.", "Bring a PLS file (XML, by W3C).")
    found: dict[str, Saying] = {}
    left: list[str] = []
    lexemes = root.findall(f"{{{NAMESPACE}}}lexeme")
    if len(lexemes) > MOST_LEXEMES:
        raise BadInput(
            f"The lexicon has {len(lexemes):,} words.", f"Bring at most {MOST_LEXEMES:,}."
        )
    for lexeme in lexemes:
        sounds, ipa = _told(lexeme, root.get("alphabet", "ipa"))
        for grapheme in lexeme.findall(f"{{{NAMESPACE}}}grapheme"):
            word = (grapheme.text or "").strip()
            if sounds and len(word.split()) == 1 and len(word) <= 60 and len(sounds) <= 80:
                found.setdefault(word.lower(), Saying(word=word, sounds=sounds, phonemes=ipa))
            elif word:
                left.append(word[:60])
    return list(found.values()), left


def _told(lexeme: ElementTree.Element, alphabet: str) -> tuple[str, str]:
    """How a lexeme sounds, and its phonemes where it is said by these; empty where that is not told so that it can be
    said."""
    for said in lexeme:
        text = " ".join((said.text or "").split())
        if said.tag == f"{{{NAMESPACE}}}alias" and text:
            return text, ""
        if said.tag == f"{{{NAMESPACE}}}phoneme" and said.get("alphabet", alphabet) == "ipa":
            try:
                return sounds_of(text), text[:120]
            except BadInput:
                continue
    return "", ""

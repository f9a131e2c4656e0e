"""Caption files: TTML, in the text profile of IMSC 1.1 (W3C)."""

from collections.abc import Sequence
from xml.etree.ElementTree import Element, SubElement, register_namespace, tostring

from .caption import Caption
from .shown import AS_OTHERS, CaptionShown
from .srt import stamp
from .style import PLAIN, CaptionStyle

TT, TTS, TTP = (f"http://www.w3.org/ns/ttml{part}" for part in ("", "#styling", "#parameter"))
PROFILE = "http://www.w3.org/ns/ttml/profile/imsc1.1/text"
XML = "http://www.w3.org/XML/1998/namespace"
_ALIGNED = {"low": "after", "middle": "center", "high": "before"}
_GENERIC = {"book": "proportionalSerif", "old": "proportionalSerif", "typed": "monospaceSerif"}
"""What the profile calls faces that are no plain ones (TTML2 8.2.14)."""


def to_ttml(
    captions: Sequence[Caption],
    language: str = "",
    style: CaptionStyle = PLAIN,
    shown: Sequence[CaptionShown] = (),
) -> str:
    """The captions as a TTML document, with what of their style the profile can say: face, size, colours, place; and of
    each that is `shown` otherwise."""
    for prefix, namespace in (("", TT), ("tts", TTS), ("ttp", TTP)):
        register_namespace(prefix, namespace)
    root = Element(
        f"{{{TT}}}tt", {f"{{{XML}}}lang": language, f"{{{TTP}}}contentProfiles": PROFILE}
    )
    head = SubElement(root, f"{{{TT}}}head")
    styled = {
        "fontFamily": _GENERIC.get(style.face, "proportionalSansSerif"),
        "fontSize": f"{round(100 * style.size)}%",
        "lineHeight": "125%",
        "color": style.colour,
        "textAlign": "center",
    }
    if style.box:
        styled["backgroundColor"] = f"{style.box}{round(style.cover * 255):02x}"
    if style.edge:
        styled["textOutline"] = f"{style.edge} 6%"
    styling = SubElement(head, f"{{{TT}}}styling")
    SubElement(
        styling,
        f"{{{TT}}}style",
        {
            f"{{{XML}}}id": "captions",
            **{f"{{{TTS}}}{name}": value for name, value in styled.items()},
        },
    )
    layout = SubElement(head, f"{{{TT}}}layout")
    own = {s.place for s in shown if s.place is not None}
    for name, place in (("frame", style.place), *((place, place) for place in sorted(own))):
        placed = {"origin": "10% 10%", "extent": "80% 80%", "displayAlign": _ALIGNED[place]}
        SubElement(
            layout,
            f"{{{TT}}}region",
            {f"{{{XML}}}id": name, **{f"{{{TTS}}}{key}": value for key, value in placed.items()}},
        )
    body = SubElement(root, f"{{{TT}}}body", {"style": "captions"})
    div = SubElement(body, f"{{{TT}}}div")
    told = shown or [AS_OTHERS] * len(captions)
    for number, (caption, one) in enumerate(zip(captions, told, strict=True), 1):
        p = SubElement(
            div,
            f"{{{TT}}}p",
            {
                f"{{{XML}}}id": f"c{number}",
                "begin": stamp(caption.start, "."),
                "end": stamp(caption.end, "."),
                "region": one.place or "frame",
            },
        )
        span = SubElement(p, f"{{{TT}}}span", _coloured(one))
        span.text = caption.lines[0]
        for line in caption.lines[1:]:
            SubElement(span, f"{{{TT}}}br").tail = line
    return '<?xml version="1.0" encoding="UTF-8"?>\n' + tostring(root, encoding="unicode") + "\n"


def _coloured(one: CaptionShown) -> dict[str, str]:
    return {f"{{{TTS}}}color": one.colour} if one.colour else {}

"""Caption files: TTML, in the text profile of IMSC 1.1 (W3C)."""

from collections.abc import Sequence
from xml.etree.ElementTree import Element, SubElement, register_namespace, tostring

from .caption import Caption
from .srt import stamp
from .style import PLAIN, CaptionStyle

TT, TTS, TTP = (f"http://www.w3.org/ns/ttml{part}" for part in ("", "#styling", "#parameter"))
PROFILE = "http://www.w3.org/ns/ttml/profile/imsc1.1/text"
XML = "http://www.w3.org/XML/1998/namespace"
_ALIGNED = {"low": "after", "middle": "center", "high": "before"}
_FACES = {"plain": "proportionalSansSerif", "book": "proportionalSerif"}


def to_ttml(captions: Sequence[Caption], language: str = "", style: CaptionStyle = PLAIN) -> str:
    """The captions as a TTML document, with what of their style the profile can say: face, size, colours, place."""
    for prefix, namespace in (("", TT), ("tts", TTS), ("ttp", TTP)):
        register_namespace(prefix, namespace)
    root = Element(
        f"{{{TT}}}tt", {f"{{{XML}}}lang": language, f"{{{TTP}}}contentProfiles": PROFILE}
    )
    head = SubElement(root, f"{{{TT}}}head")
    told = {
        "fontFamily": _FACES[style.face],
        "fontSize": f"{round(100 * style.size)}%",
        "lineHeight": "125%",
        "color": style.colour,
        "textAlign": "center",
    }
    if style.box:
        told["backgroundColor"] = f"{style.box}{round(style.cover * 255):02x}"
    if style.edge:
        told["textOutline"] = f"{style.edge} 6%"
    styling = SubElement(head, f"{{{TT}}}styling")
    SubElement(
        styling,
        f"{{{TT}}}style",
        {f"{{{XML}}}id": "captions", **{f"{{{TTS}}}{name}": value for name, value in told.items()}},
    )
    layout = SubElement(head, f"{{{TT}}}layout")
    placed = {"origin": "10% 10%", "extent": "80% 80%", "displayAlign": _ALIGNED[style.place]}
    SubElement(
        layout,
        f"{{{TT}}}region",
        {f"{{{XML}}}id": "frame", **{f"{{{TTS}}}{name}": value for name, value in placed.items()}},
    )
    body = SubElement(root, f"{{{TT}}}body", {"region": "frame", "style": "captions"})
    div = SubElement(body, f"{{{TT}}}div")
    for number, caption in enumerate(captions, 1):
        p = SubElement(
            div,
            f"{{{TT}}}p",
            {
                f"{{{XML}}}id": f"c{number}",
                "begin": stamp(caption.start, "."),
                "end": stamp(caption.end, "."),
            },
        )
        span = SubElement(p, f"{{{TT}}}span")
        span.text = caption.lines[0]
        for line in caption.lines[1:]:
            SubElement(span, f"{{{TT}}}br").tail = line
    return '<?xml version="1.0" encoding="UTF-8"?>\n' + tostring(root, encoding="unicode") + "\n"

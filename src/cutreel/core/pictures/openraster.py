"""Pictures with their layers, depths and figures as OpenRaster files (version 0.0.6 of the open
format: a zip with `mimetype` first and unpacked, `stack.xml`, PNG layers, a merged picture and a
thumbnail).

Two things are added in ways the format allows. A layer's depth (0 far … 1 near) stands in an
attribute of our own name space and in the layer's name, since programs keep names and may drop
attributes. Figures with their joints are an SVG in a hidden layer; the drawings that layers were
made from, where they are known, lie beside them as SVG.
"""

import io
import re
import zipfile
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Any
from xml.etree import ElementTree as Tree

import defusedxml.ElementTree as safe
import numpy as np
from PIL import Image

OURS = "urn:cutreel:picture"
SVG = "http://www.w3.org/2000/svg"
MIME = "image/openraster"
MOST_LAYERS, MOST_BYTES, MOST_PIXELS = 8, 60_000_000, 60_000_000
THUMBNAIL = 256
ALIKE = 3.0
"""How far (mean of 8-bit differences) the layers together may be from the merged picture to stand
for it."""


@dataclass(frozen=True, slots=True)
class Layer:
    """A layer as PNG, its depth, and the SVG it was drawn from, if that is known."""

    png: bytes
    depth: float
    drawing: bytes | None = None


@dataclass(frozen=True, slots=True)
class LayeredPicture:
    """A whole picture as PNG, its layers from back to front, and its figures as {name, box, joints,
    way} in shares of the frame."""

    merged: bytes
    layers: Sequence[Layer] = ()
    figures: Sequence[dict[str, Any]] = field(default_factory=tuple)


def packed(picture: LayeredPicture) -> bytes:
    """The picture as an OpenRaster file; the same picture gives the same bytes."""
    with Image.open(io.BytesIO(picture.merged)) as image:
        width, height = image.size
        small = image.convert("RGB")
    small.thumbnail((THUMBNAIL, THUMBNAIL))
    thumbnail = io.BytesIO()
    small.save(thumbnail, "PNG")
    Tree.register_namespace("cutreel", OURS)
    root = Tree.Element(
        "image", {"version": "0.0.6", "w": str(width), "h": str(height), "xres": "72", "yres": "72"}
    )
    stack = Tree.SubElement(root, "stack")
    files: list[tuple[str, bytes]] = []
    if picture.figures:
        hidden = {"name": "figures and joints", "src": "data/figures.svg", "visibility": "hidden"}
        Tree.SubElement(stack, "layer", hidden)
        files.append(("data/figures.svg", _figures_svg(picture.figures, width, height)))
    for number, layer in reversed(list(enumerate(picture.layers))):
        source = f"data/layer{number}.png"
        told = {
            "name": f"depth {layer.depth:g}",
            "src": source,
            f"{{{OURS}}}depth": f"{layer.depth:g}",
        }
        files.append((source, layer.png))
        if layer.drawing is not None:
            told[f"{{{OURS}}}drawing"] = f"data/layer{number}.svg"
            files.append((told[f"{{{OURS}}}drawing"], layer.drawing))
        Tree.SubElement(stack, "layer", told)
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        _add(archive, "mimetype", MIME.encode(), zipfile.ZIP_STORED)
        _add(
            archive,
            "stack.xml",
            Tree.tostring(root, encoding="utf-8", xml_declaration=True),
            zipfile.ZIP_DEFLATED,
        )
        for name, data in files:
            _add(
                archive,
                name,
                data,
                zipfile.ZIP_STORED if name.endswith(".png") else zipfile.ZIP_DEFLATED,
            )
        _add(archive, "mergedimage.png", picture.merged, zipfile.ZIP_STORED)
        _add(archive, "Thumbnails/thumbnail.png", thumbnail.getvalue(), zipfile.ZIP_STORED)
    return out.getvalue()


def _add(archive: zipfile.ZipFile, name: str, data: bytes, how: int) -> None:
    # With the archive's own time of day, the same picture would be other bytes a second later.
    archive.writestr(zipfile.ZipInfo(name, (1980, 1, 1, 0, 0, 0)), data, how)


def _figures_svg(figures: Sequence[dict[str, Any]], width: int, height: int) -> bytes:
    Tree.register_namespace("", SVG)
    root = Tree.Element(f"{{{SVG}}}svg", {"viewBox": f"0 0 {width} {height}"})
    for figure in figures:
        told = {
            "class": "figure",
            "data-name": str(figure["name"]),
            "data-way": str(figure.get("way", 1)),
        }
        group = Tree.SubElement(root, f"{{{SVG}}}g", {**told, "fill": "none", "stroke": "#cf3f2a"})
        left, top, right, bottom = figure["box"]
        box = {
            "x": left * width,
            "y": top * height,
            "width": (right - left) * width,
            "height": (bottom - top) * height,
        }
        Tree.SubElement(
            group, f"{{{SVG}}}rect", {name: f"{value:.2f}" for name, value in box.items()}
        )
        for joint, (x, y) in figure.get("joints", {}).items():
            at = {
                "data-joint": str(joint),
                "cx": f"{x * width:.2f}",
                "cy": f"{y * height:.2f}",
                "r": f"{height / 90:.2f}",
            }
            Tree.SubElement(group, f"{{{SVG}}}circle", at)
    written: bytes = Tree.tostring(root, encoding="utf-8")
    return written


def is_openraster(data: bytes) -> bool:
    """Whether a file is an OpenRaster picture and not any zip."""
    return data[:4] == b"PK\x03\x04" and MIME.encode() in data[:120]


def unpacked(data: bytes) -> LayeredPicture:
    """What an OpenRaster file holds. Layers are given only where they, laid over each other, are
    the merged picture: none for what we do not draw (groups, blending), so nothing looks other than
    it was saved. Raises KeyError, zipfile and XML errors for what is no such file."""
    with zipfile.ZipFile(io.BytesIO(data)) as archive:
        merged = _read(archive, "mergedimage.png")
        try:
            root = safe.fromstring(_read(archive, "stack.xml"))
            return LayeredPicture(merged, _layers(archive, root, merged), _figures(archive, root))
        except Exception:
            # Zip, XML and PNG readers each raise errors of their own; damaged layers must not cost
            # the whole picture.
            return LayeredPicture(merged)


def _read(archive: zipfile.ZipFile, name: str) -> bytes:
    # The size that an archive states may be a lie: no more is read than a picture may have.
    with archive.open(name) as source:
        data = source.read(MOST_BYTES + 1)
    if len(data) > MOST_BYTES:
        raise ValueError("a layer is too large")
    return data


def _layers(archive: zipfile.ZipFile, root: Tree.Element, merged: bytes) -> list[Layer]:
    stack = root.find("stack")
    found = (
        [] if stack is None else [e for e in stack if e.get("visibility", "visible") == "visible"]
    )
    if not 2 <= len(found) <= MOST_LAYERS or any(e.tag != "layer" for e in found):
        return []
    with Image.open(io.BytesIO(merged)) as image:
        if image.width * image.height > MOST_PIXELS:
            return []
        whole = image.convert("RGB")
    flat = Image.new("RGBA", whole.size, "white")
    layers: list[Layer] = []
    for number, element in enumerate(reversed(found)):
        if element.get("composite-op", "svg:src-over") != "svg:src-over":
            return []
        sheet = _sheet(archive, element, whole.size)
        if number == 0:
            ground = Image.new("RGBA", whole.size, "white")
            ground.alpha_composite(sheet)
            sheet = ground
        flat.alpha_composite(sheet)
        layers.append(Layer(_png(sheet), _depth(element, number, len(found))))
    apart = np.abs(np.asarray(flat.convert("RGB"), np.int16) - np.asarray(whole, np.int16)).mean()
    return layers if apart <= ALIKE else []


def _sheet(archive: zipfile.ZipFile, element: Tree.Element, size: tuple[int, int]) -> Image.Image:
    """A layer laid where it belongs, on a sheet as large as the picture."""
    sheet = Image.new("RGBA", size)
    with Image.open(io.BytesIO(_read(archive, element.get("src", "")))) as image:
        if image.format != "PNG" or image.width * image.height > MOST_PIXELS:
            raise ValueError("a layer is no PNG")
        own = image.convert("RGBA")
    opacity = min(1.0, max(0.0, float(element.get("opacity", "1"))))
    if opacity < 1:
        own.putalpha(own.getchannel("A").point(lambda a: round(a * opacity)))
    sheet.paste(own, (int(float(element.get("x", "0"))), int(float(element.get("y", "0")))))
    return sheet


def _depth(element: Tree.Element, number: int, count: int) -> float:
    """As it is told, or by the layer's name, or spread evenly."""
    told = element.get(f"{{{OURS}}}depth")
    named = re.search(r"\bdepth (\d(?:\.\d+)?)\b", element.get("name", ""))
    value = told or (named.group(1) if named else str(number / (count - 1)))
    return round(min(1.0, max(0.0, float(value))), 3)


def _figures(archive: zipfile.ZipFile, root: Tree.Element) -> list[dict[str, Any]]:
    source = next(
        (e.get("src", "") for e in root.iter("layer") if e.get("src", "").endswith("figures.svg")),
        "",
    )
    if not source:
        return []
    drawing = safe.fromstring(_read(archive, source))
    _, _, width, height = (float(v) for v in drawing.get("viewBox", "").split())
    out = []
    for group in drawing.iter(f"{{{SVG}}}g"):
        box = group.find(f"{{{SVG}}}rect")
        if box is None or not group.get("data-name"):
            continue
        x, y, w, h = (float(box.get(n, "0")) for n in ("x", "y", "width", "height"))
        joints = {
            c.get("data-joint", ""): (
                float(c.get("cx", "0")) / width,
                float(c.get("cy", "0")) / height,
            )
            for c in group.iter(f"{{{SVG}}}circle")
        }
        corners = (x / width, y / height, (x + w) / width, (y + h) / height)
        told = {
            "name": group.get("data-name", "")[:80],
            "box": [round(min(1.0, max(0.0, v)), 4) for v in corners],
        }
        out.append({**told, "joints": joints, "way": -1 if group.get("data-way") == "-1" else 1})
    return out[:24]


def _png(image: Image.Image) -> bytes:
    out = io.BytesIO()
    image.save(out, "PNG", compress_level=3)
    return out.getvalue()

"""The style of a picture in numbers: palette, lightness, contrast, saturation, density of line."""

import numpy as np
from numpy.typing import NDArray
from PIL import Image
from pydantic import BaseModel

from cutreel.core.colour import Lab, ciede2000, css_of, lab_of, name_of

COLOURS = 6


class Swatch(BaseModel):
    """A colour of a palette: L*a*b*, the nearest name, its share of the picture (0 … 1), and
    #rrggbb."""

    lab: Lab
    name: str
    share: float
    css: str


class Style(BaseModel):
    """Measured style. Lightness (mean of L*) and contrast (standard deviation of L*) are in 0 …
    100; saturation is the mean chroma of L*a*b*; `line` is the share of pixels, in percent, on a
    strong edge."""

    palette: list[Swatch] = []
    lightness: float
    contrast: float
    saturation: float
    line: float


def style_of(pixels: NDArray[np.uint8], most: int = COLOURS) -> Style:
    """Measure a picture (height, width, 3; sRGB), with a palette of at most `most` colours."""
    image = Image.fromarray(np.ascontiguousarray(pixels[..., :3]))
    image.thumbnail((320, 320), Image.Resampling.BOX)
    lab = lab_of(np.asarray(image))
    across, down = np.gradient(lab[..., 0], axis=1), np.gradient(lab[..., 0], axis=0)
    return Style(
        palette=_palette(image)[:most],
        lightness=round(float(lab[..., 0].mean()), 1),
        contrast=round(float(lab[..., 0].std()), 1),
        saturation=round(float(np.hypot(lab[..., 1], lab[..., 2]).mean()), 1),
        line=round(float((np.hypot(across, down) > 8).mean() * 100), 1),
    )


def style_between(styles: list[Style]) -> Style:
    """The style that several pictures have in common: means, and the colours that have most of
    them."""
    swatches = [
        s.model_copy(update={"share": s.share / len(styles)})
        for style in styles
        for s in style.palette
    ]
    return Style(
        palette=_merged(swatches)[:COLOURS],
        lightness=_mean([s.lightness for s in styles]),
        contrast=_mean([s.contrast for s in styles]),
        saturation=_mean([s.saturation for s in styles]),
        line=_mean([s.line for s in styles]),
    )


def _mean(values: list[float]) -> float:
    return round(sum(values) / len(values), 1)


def _palette(image: Image.Image) -> list[Swatch]:
    few = image.quantize(24, Image.Quantize.MEDIANCUT, dither=Image.Dither.NONE)
    table = np.array(few.getpalette() or [], float).reshape(-1, 3)
    total = image.width * image.height
    found = [
        (count / total, table[index])
        for count, index in few.getcolors() or []
        if isinstance(index, int)
    ]
    swatches = [_swatch(lab_of(rgb), share) for share, rgb in found]
    return _merged(swatches)


def _swatch(lab: NDArray[np.float64], share: float) -> Swatch:
    a, b, c = (round(float(v), 1) for v in lab)
    return Swatch(lab=(a, b, c), name=name_of(lab), share=round(share, 3), css=css_of(lab))


def _merged(swatches: list[Swatch]) -> list[Swatch]:
    """Colours that are seen as one (CIEDE2000 under 8) put together, the largest first."""
    out: list[Swatch] = []
    for swatch in sorted(swatches, key=lambda s: -s.share):
        near = next((i for i, s in enumerate(out) if float(ciede2000(s.lab, swatch.lab)) < 8), None)
        if near is None:
            out.append(swatch)
        else:
            out[near] = out[near].model_copy(
                update={"share": round(out[near].share + swatch.share, 3)}
            )
    return sorted(out, key=lambda s: -s.share)

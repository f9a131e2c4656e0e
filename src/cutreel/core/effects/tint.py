"""A colour as what it adds to the colour planes."""


def tint_of(colour: str) -> tuple[float, float]:
    """How far a colour ("#rrggbb") is from grey in both colour planes (ITU-R BT.709, studio range)."""
    r, g, b = (int(colour[i : i + 2], 16) for i in (1, 3, 5))
    luma = 0.2126 * r + 0.7152 * g + 0.0722 * b
    return (b - luma) * (224 / 255 / 1.8556), (r - luma) * (224 / 255 / 1.5748)

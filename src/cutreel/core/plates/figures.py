"""Plates of numbers: one that counts, bars, a line, shares, sizes beside each other."""

import math

from .page import Page, figure
from .svg import circle, line, rect, shape, text

COUNTS = 16
"""In how many steps a number counts up to what it is."""
COUNTED = 1.3
"""Seconds that takes."""


def number(page: Page) -> None:
    """One number, large, that counts up to itself; further rows stand below it, smaller."""
    top = page.head()
    rows = page.plate.rows
    if not rows:
        return
    lead, pal = rows[0], page.palette
    value = lead.value or 0.0
    last = figure(value, page.plate.unit)
    size = page.fitting(last, 300, page.room, 60)
    below = [r for r in rows[1:] if r.label or r.value is not None][:3]
    high = size * 0.75 + (112 if lead.label else 0) + 70 * len(below)
    y = top + max(0.0, (page.low - top - high) / 2) + size * 0.75
    whole = abs(value - round(value)) < 1e-9
    for n in range(COUNTS):
        # It slows down towards the end, so that the last of it can be read.
        share = 1 - (1 - (n + 1) / COUNTS) ** 2
        shown = round(value * share) if whole else round(value * share, 1)
        done = n == COUNTS - 1
        said = last if done else figure(shown, page.plate.unit)
        page.add(
            text(page.middle, y, said, size, page.accent(0), pal.face, "middle"),
            0,
            after=COUNTED * n / COUNTS,
            takes=0.0,
            stays=None if done else COUNTED / COUNTS,
        )
    if lead.label:
        said = f"{lead.label} {lead.more}".strip()
        small = page.fitting(said, 58, page.room)
        page.add(text(page.middle, y + 112, said, small, pal.ink, pal.face, "middle"), after=0.2)
    for n, row in enumerate(below, 1):
        said = f"{figure(row.value)} {row.label} {row.more}".strip()
        at = y + 112 + 70 * n
        page.add(
            text(
                page.middle,
                at,
                said,
                page.fitting(said, 46, page.room),
                pal.faint,
                pal.face,
                "middle",
            ),
            n,
        )


def bars(page: Page) -> None:
    """Bars side by side, from nought; below zero they hang."""
    top = page.head() + 40
    rows, pal = page.plate.rows, page.palette
    values = [r.value or 0.0 for r in rows]
    if not rows:
        return
    most, least = max(0.0, *values), min(0.0, *values)
    span = (most - least) or 1.0
    labels = 64 if least == 0 else 110
    low = page.low - labels
    unit = (low - top - 40) / span
    base = top + 40 + most * unit
    step = page.room / len(rows)
    wide = min(step * 0.62, 180.0)
    page.add(line([(page.left, base), (page.right, base)], pal.ink, 3), comes="from left")
    for n, (row, value) in enumerate(zip(rows, values, strict=True)):
        x = page.left + step * (n + 0.5)
        high = abs(value) * unit
        y = base - high if value >= 0 else base
        page.add(
            rect(x - wide / 2, y, wide, high, page.accent(0 if len(rows) > 5 else n)),
            n,
            comes="from below",
            takes=0.8,
        )
        said = figure(value, page.plate.unit)
        over = y - 14 if value >= 0 else y + high + 40
        page.add(
            text(x, over, said, page.fitting(said, 38, step * 0.96), pal.ink, pal.face, "middle"),
            n,
            after=0.5,
        )
        under = base + 50 if value >= 0 else base - 16
        page.add(
            text(
                x,
                under,
                row.label,
                page.fitting(row.label, 36, step * 0.94, 15),
                pal.ink,
                pal.face,
                "middle",
            ),
            after=0.2,
        )


def curve(page: Page) -> None:
    """A line from number to number."""
    top = page.head() + 50
    rows, pal = [r for r in page.plate.rows if r.value is not None], page.palette
    if not rows:
        return
    values = [r.value or 0.0 for r in rows]
    least, most = min(values), max(values)
    # From nought where that is near; else the rise would be all there is to see.
    floor = (
        0.0
        if least >= 0 and least < 0.6 * most
        else least - 0.15 * ((most - least) or abs(most) or 1.0)
    )
    span = (most - floor) or 1.0
    low = page.low - 64
    step = page.room / max(1, len(rows))
    at = [
        (page.left + step * (n + 0.5), low - (v - floor) / span * (low - top - 40))
        for n, v in enumerate(values)
    ]
    for share in (0.0, 0.5, 1.0):
        y = low - share * (low - top - 40)
        page.add(line([(page.left, y), (page.right, y)], pal.shade, 2))
    for n, (row, (x, y)) in enumerate(zip(rows, at, strict=True)):
        if n:
            page.add(line([at[n - 1], (x, y)], page.accent(0), 8), n, comes="from left", takes=0.6)
        said = figure(row.value, page.plate.unit)
        page.add(circle(x, y, 13, page.accent(0)), n, after=0.4 if n else 0.0, takes=0.3)
        page.add(
            text(x, y - 28, said, page.fitting(said, 36, step * 0.96), pal.ink, pal.face, "middle"),
            n,
            after=0.5,
        )
        page.add(
            text(
                x,
                low + 50,
                row.label,
                page.fitting(row.label, 34, step * 0.94, 15),
                pal.ink,
                pal.face,
                "middle",
            ),
            after=0.2,
        )


def shares(page: Page) -> None:
    """Parts of a whole as parts of a ring, each with its name and its hundredths."""
    top = page.head() + 20
    rows, pal = [r for r in page.plate.rows if (r.value or 0) > 0], page.palette
    whole = sum(r.value or 0 for r in rows)
    if not whole:
        return
    beside = not page.upright
    r = min((page.low - top) / 2, page.room * (0.24 if beside else 0.36))
    if not beside:
        r = min(r, (page.low - top - 62 * len(rows)) / 2)
    cx = page.left + r if beside else page.middle
    cy = top + (page.low - top) / 2 if beside else top + r
    page.add(ring(cx, cy, r, 0.0, 2 * math.pi, pal.shade))
    begin = -math.pi / 2
    gap = min(74.0, (page.low - top) / len(rows)) if beside else 60.0
    first = cy - gap * (len(rows) - 1) / 2 if beside else cy + r + 60
    for n, row in enumerate(rows):
        end = begin + 2 * math.pi * (row.value or 0) / whole
        rim = f' stroke="{pal.ground}" stroke-width="5"'
        page.add(ring(cx, cy, r, begin, end, page.accent(n), rim), n)
        y = first + gap * n
        x = cx + r + 70 if beside else page.left
        page.add(rect(x, y - 30, 34, 34, page.accent(n)), n)
        part = f"{100 * (row.value or 0) / whole:.0f} %"
        said = f"{row.label}  {part}"
        page.add(
            text(x + 52, y, said, page.fitting(said, 42, page.right - x - 52), pal.ink, pal.face), n
        )
        begin = end


def ring(
    cx: float, cy: float, r: float, begin: float, end: float, colour: str, more: str = ""
) -> str:
    """A part of a ring, between two angles."""
    count = max(2, int((end - begin) * 24))
    angles = [begin + (end - begin) * i / count for i in range(count + 1)]
    outer = [(cx + r * math.cos(a), cy + r * math.sin(a)) for a in angles]
    inner = [(cx + 0.55 * r * math.cos(a), cy + 0.55 * r * math.sin(a)) for a in reversed(angles)]
    return shape([[*outer, *inner]], colour, more)


def sizes(page: Page) -> None:
    """Sizes beside each other: the areas of circles are as the numbers are."""
    top = page.head() + 10
    rows, pal = [r for r in page.plate.rows if (r.value or 0) > 0], page.palette
    if not rows:
        return
    roots = [math.sqrt(r.value or 0) for r in rows]
    low = page.low - 110
    gap = min(60.0, page.room / len(rows) * 0.2)
    least = min(150.0, page.room / len(rows) - gap)
    # So large that all of them find room, the small ones with room for their names.
    most = (low - top) / 2
    while True:
        radii = [most * root / max(roots) for root in roots]
        slots = [max(2 * r, least) for r in radii]
        if most < 20 or sum(slots) + gap * (len(rows) - 1) <= page.room + 1:
            break
        most *= 0.94
    x = page.middle - (sum(slots) + gap * (len(rows) - 1)) / 2
    for n, (row, r, slot) in enumerate(zip(rows, radii, slots, strict=True)):
        cx = x + slot / 2
        page.add(circle(cx, low - r, r, page.accent(n)), n, comes="from below", takes=0.7)
        page.add(
            text(
                cx,
                low + 48,
                row.label,
                page.fitting(row.label, 38, slot + gap * 0.8, 16),
                pal.ink,
                pal.face,
                "middle",
            ),
            n,
        )
        said = figure(row.value, page.plate.unit)
        page.add(
            text(
                cx,
                low + 92,
                said,
                page.fitting(said, 32, slot + gap * 0.8, 15),
                pal.faint,
                pal.face,
                "middle",
            ),
            n,
            after=0.3,
        )
        x += slot + gap

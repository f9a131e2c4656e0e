"""Maps: countries, places, and a route that grows from one to the next."""

import numpy as np

from cutreel.core.lettering import width_of

from .model import PlateRow
from .page import Page
from .projection import Azimuthal, middle_of
from .svg import Point, circle, line, rect, shape, text
from .world import countries, place_named

LEAST_REACH = 0.016
"""Of the globe's radius: a map shows at least some 100 km to each side of its middle."""
WATER, WET = "#4f7d92", 0.34
"""The colour of water, and how much of it the sea has."""


def drawn_map(page: Page) -> None:
    """A map of where its rows are."""
    pal = page.palette
    rows = [
        (n, r, *there) for n, r in enumerate(page.plate.rows) if (there := where_of(r)) is not None
    ]
    sea = _mixed(pal.ground, WATER, WET)
    page.add(rect(0, 0, page.width, page.height, sea))
    if not rows:
        page.head()
        return
    north, east = np.array([r[2] for r in rows]), np.array([r[3] for r in rows])
    view = Azimuthal(*middle_of(north, east))
    x, y, _ = view.flat(east, north)
    reach = (max(LEAST_REACH, float(np.abs(v).max())) for v in (x, y))
    # Names stand beside places, captions below them.
    scale = min(
        part / far for part, far in zip((page.width * 0.35, page.height * 0.27), reach, strict=True)
    )
    cy = page.height * 0.43

    def on_page(ax: np.ndarray, ay: np.ndarray) -> list[Point]:
        return list(
            zip((page.middle + ax * scale).tolist(), (cy - ay * scale).tolist(), strict=True)
        )

    page.add(_lands(page, view, on_page, (scale, cy)))
    dots = on_page(x, y)
    if page.plate.route and len(dots) > 1:
        for k in range(1, len(dots)):
            way = bent(dots[k - 1], dots[k])
            page.add(
                line(way, page.accent(0), 9, ' stroke-dasharray="2 20"'),
                rows[k][0],
                comes="along",
                takes=1.2,
                along=tuple(way),
            )
    taken: list[tuple[float, float, float, float]] = []
    for k, (n, row, _, _) in enumerate(rows):
        px, py = dots[k]
        page.add(
            circle(px, py, 15, pal.ground) + circle(px, py, 10, page.accent(0)),
            n,
            after=0.9 if k and page.plate.route else 0.0,
            takes=0.3,
        )
        label = row.label
        size = 42.0
        wide = width_of(label, pal.face, size)
        box = _free(px, py, wide, size, taken, page)
        taken.append(box)
        halo = (
            f' stroke="{pal.ground}" stroke-width="8" stroke-linejoin="round" paint-order="stroke"'
        )
        page.add(
            text(box[0], box[3] - size * 0.25, label, size, pal.ink, pal.face, "start", halo),
            n,
            after=1.0 if k and page.plate.route else 0.2,
        )
    if page.plate.title:
        title = page.plate.title
        size = page.fitting(title, 56, page.room - 60)
        wide = width_of(title, pal.face, size)
        page.add(
            rect(page.left - 24, page.top - 16, wide + 48, size * 1.55, pal.ground)
            + text(page.left, page.top - 16 + size * 1.08, title, size, pal.ink, pal.face),
            after=0.1,
        )


def where_of(row: PlateRow) -> tuple[float, float] | None:
    """Degrees north and east of a row: as it says, else by its name."""
    if row.north is not None and row.east is not None:
        return row.north, row.east
    found = place_named(row.label)
    return (found.north, found.east) if found else None


def _lands(page: Page, view: Azimuthal, on_page, scaled: tuple[float, float]) -> str:  # type: ignore[no-untyped-def]
    pal = page.palette
    scale, cy = scaled
    edge = f' stroke="{pal.faint}" stroke-width="2" stroke-linejoin="round"'
    out = []
    for n, country in enumerate(countries()):
        rings = []
        for ring in country.rings:
            x, y, near = view.flat(ring[:, 0], ring[:, 1])
            if not near.all():
                continue
            px, py = page.middle + x * scale, cy - y * scale
            if (
                px.max() < -50
                or px.min() > page.width + 50
                or py.max() < -50
                or py.min() > page.height + 50
            ):
                continue
            rings.append(on_page(x, y))
        if rings:
            out.append(
                shape(rings, pal.shade if n % 2 else _mixed(pal.shade, pal.ground, 0.5), edge)
            )
    return "".join(out)


def bent(a: Point, b: Point, count: int = 40) -> list[Point]:
    """A way between two points, a little bent, as routes on maps are drawn."""
    (ax, ay), (bx, by) = a, b
    mx, my = (ax + bx) / 2 + (by - ay) * 0.16, (ay + by) / 2 - abs(bx - ax) * 0.16
    out = []
    for i in range(count + 1):
        t = i / count
        out.append(
            (
                (1 - t) ** 2 * ax + 2 * t * (1 - t) * mx + t * t * bx,
                (1 - t) ** 2 * ay + 2 * t * (1 - t) * my + t * t * by,
            )
        )
    return out


def _free(
    x: float,
    y: float,
    wide: float,
    size: float,
    taken: list[tuple[float, float, float, float]],
    page: Page,
) -> tuple[float, float, float, float]:
    """Where a name stands beside its place: left, top, right, low; on no other name, and in the frame, if there is such
    a side."""
    high = size * 1.2
    sides = [
        (x + 26, y - high / 2), (x - 26 - wide, y - high / 2), (x - wide / 2, y - 26 - high), (x - wide / 2, y + 26),
    ]  # fmt: skip
    boxes = [(left, top, left + wide, top + high) for left, top in sides]

    def bad(box: tuple[float, float, float, float]) -> float:
        left, top, right, low = box
        out = max(0.0, page.left * 0.5 - left) + max(0.0, right - page.width + page.left * 0.5)
        out += max(0.0, low - page.low) + max(0.0, page.top - top)
        for other in taken:
            across = min(right, other[2]) - max(left, other[0])
            down = min(low, other[3]) - max(top, other[1])
            out += max(0.0, across) * max(0.0, down) / size
        return out

    return min(boxes, key=bad)


def _mixed(one: str, other: str, share: float) -> str:
    a, b = ([int(c[i : i + 2], 16) for i in (1, 3, 5)] for c in (one, other))
    return "#" + "".join(f"{round(p + (q - p) * share):02x}" for p, q in zip(a, b, strict=True))

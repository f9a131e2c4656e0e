"""Maps: countries, rivers, places, and a route that grows from one to the next."""

from collections.abc import Iterable, Sequence

import numpy as np

from cutreel.core.lettering import width_of

from .model import PlateRow
from .page import Page
from .sheet import Box, MapSheet, crowded, free_beside
from .svg import Point, circle, line, rect, shape, text
from .waters import River, lakes, middle_of_river, river_named, rivers
from .world import countries, place_named

WATER, WET, RUNS = "#4f7d92", 0.34, 0.5
"""The colour of water, and how much of it the sea and the rivers have."""
ON_RIVER = 30.0
"""Units of the page that a town on a river lies from its line at most."""


def drawn_map(page: Page) -> None:
    """A map of where its rows are: places, and rivers by their whole course."""
    pal = page.palette
    rows = [(n, r) for n, r in enumerate(page.plate.rows) if where_of(r) is not None]
    courses = {n: river for n, r in rows if (river := _river_of(r)) is not None}
    sea = _mixed(pal.ground, WATER, WET)
    page.add(rect(0, 0, page.width, page.height, sea))
    if not rows:
        page.head()
        return
    towns = [(n, r, *where) for n, r in rows if n not in courses and (where := where_of(r))]
    shown = (
        np.array([(east, north) for _, _, north, east in towns])
        if towns
        else np.concatenate([line for river in courses.values() for line in river.lines])
    )
    sheet = MapSheet.of(page, shown)
    page.add(_lands(page, sheet))
    page.add(_waters(page, sheet, sea))
    dots = [sheet.at(np.array([[east, north]]))[0] for _, _, north, east in towns]
    taken: list[Box] = [(x - 15, y - 15, x + 15, y + 15) for x, y in dots]
    ways = {n: [w for part in river.lines if (w := sheet.at(part))] for n, river in courses.items()}
    for n, course in ways.items():
        for way in course:
            taken += [(x - 4, y - 4, x + 4, y + 4) for x, y in way]
            page.add(line(way, _river_tone(page), 7), n, comes="along", takes=1.6, along=tuple(way))
    if page.plate.route and len(dots) > 1:
        for k in range(1, len(dots)):
            way = _by_river(dots[k - 1], dots[k], ways.values()) or bent(dots[k - 1], dots[k])
            page.add(
                line(way, page.accent(0), 9, ' stroke-dasharray="2 20"'),
                towns[k][0],
                comes="along",
                takes=1.2,
                along=tuple(way),
            )
    for k, (n, row, _, _) in enumerate(towns):
        px, py = dots[k]
        page.add(
            circle(px, py, 15, pal.ground) + circle(px, py, 10, page.accent(0)),
            n,
            after=0.9 if k and page.plate.route else 0.0,
            takes=0.3,
        )
        size = 42.0
        box = free_beside(px, py, width_of(row.label, pal.face, size), size, taken, page)
        taken.append(box)
        page.add(
            text(
                box[0],
                box[3] - size * 0.25,
                row.label,
                size,
                pal.ink,
                pal.face,
                "start",
                _halo(page),
            ),
            n,
            after=1.0 if k and page.plate.route else 0.2,
        )
    for n, course in ways.items():
        _river_name(page, n, course, taken)
    _title(page)


def _title(page: Page) -> None:
    title, pal = page.plate.title, page.palette
    if title:
        size = page.fitting(title, 56, page.room - 60)
        wide = width_of(title, pal.face, size)
        page.add(
            rect(page.left - 24, page.top - 16, wide + 48, size * 1.55, pal.ground)
            + text(page.left, page.top - 16 + size * 1.08, title, size, pal.ink, pal.face),
            after=0.1,
        )


def _waters(page: Page, sheet: MapSheet, sea: str) -> str:
    """Lakes and rivers, thin and quiet: what the map tells stands on them."""
    tone = _mixed(page.palette.shade, WATER, RUNS)
    shores = [ring for shore in lakes() if (ring := sheet.at(shore))]
    edge = f' stroke="{tone}" stroke-width="1.5"'
    ways = (sheet.at(way) for river in rivers() for way in river.lines)
    thin = "".join(line(way, tone, 2.2) for way in ways if way)
    return (shape(shores, sea, edge) if shores else "") + thin


def _by_river(a: Point, b: Point, courses: Iterable[Sequence[Sequence[Point]]]) -> list[Point]:
    """The way from one place to another by a river that both lie on; none if there is no such river."""
    for course in courses:
        for way in course:
            far = [[np.hypot(x - p[0], y - p[1]) for x, y in way] for p in (a, b)]
            first, last = (int(np.argmin(f)) for f in far)
            if first != last and far[0][first] < ON_RIVER and far[1][last] < ON_RIVER:
                between = way[min(first, last) : max(first, last) + 1]
                return [a, *(between if first < last else between[::-1]), b]
    return []


def _river_name(page: Page, n: int, course: Sequence[Sequence[Point]], taken: list[Box]) -> None:
    """A river's name beside it, where there is most room."""
    wide, high = page.width, page.height
    seen = [
        p
        for way in course
        for p in way
        if 0.1 * wide < p[0] < 0.9 * wide and 0.1 * high < p[1] < 0.7 * high
    ]
    if not seen:
        return
    label, size, face = page.plate.rows[n].label, 38.0, page.palette.face
    across = width_of(label, face, size)
    middle_first = sorted(
        range(0, len(seen), max(1, len(seen) // 12)), key=lambda k: abs(k - len(seen) // 2)
    )
    boxes = [free_beside(*seen[k], across, size, taken, page) for k in middle_first]
    box = min(boxes, key=lambda b: crowded(b, taken, page))
    taken.append(box)
    tone = _river_tone(page)
    page.add(
        text(box[0], box[3] - size * 0.25, label, size, tone, face, "start", _halo(page)),
        n,
        after=0.8,
    )


def _river_tone(page: Page) -> str:
    return _mixed(page.palette.ink, WATER, 0.6)


def _halo(page: Page) -> str:
    ground = page.palette.ground
    return f' stroke="{ground}" stroke-width="8" stroke-linejoin="round" paint-order="stroke"'


def where_of(row: PlateRow) -> tuple[float, float] | None:
    """Degrees north and east of a row: as it says, else by its name; a river is where its middle is."""
    if row.north is not None and row.east is not None:
        return row.north, row.east
    river = _river_of(row)
    if river is not None:
        return middle_of_river(river)
    found = place_named(row.label)
    return (found.north, found.east) if found else None


def _river_of(row: PlateRow) -> River | None:
    return river_named(row.label) if row.north is None else None


def _lands(page: Page, sheet: MapSheet) -> str:
    pal = page.palette
    edge = f' stroke="{pal.faint}" stroke-width="2" stroke-linejoin="round"'
    out = []
    for n, country in enumerate(countries()):
        rings = [ring for shore in country.rings if (ring := sheet.at(shore))]
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


def _mixed(one: str, other: str, share: float) -> str:
    a, b = ([int(c[i : i + 2], 16) for i in (1, 3, 5)] for c in (one, other))
    return "#" + "".join(f"{round(p + (q - p) * share):02x}" for p, q in zip(a, b, strict=True))

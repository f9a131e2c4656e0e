"""Plates of words: a quotation, a letter, a newspaper cutting, a list; a time line; a family tree."""

from cutreel.core.lettering import width_of, wrapped

from .model import PlateRow
from .page import Page, year
from .svg import circle, line, rect, text

WRITTEN = 17.0
"""Letters a second that a hand writes on a plate."""


def quotation(page: Page) -> None:
    """Words somebody said, line after line, and who."""
    pal, words = page.palette, page.plate.words
    top = page.head()
    size = 84.0
    room = page.room - 60
    lines = wrapped(words, "book", size, room)
    while size > 34 and len(lines) * size * 1.34 > page.low - top - 120:
        size *= 0.92
        lines = wrapped(words, "book", size, room)
    high = len(lines) * size * 1.34 + (70 if page.plate.by else 0)
    y = top + max(0.0, (page.low - top - high) / 2) + size
    page.add(
        text(page.left - 6, y + size * 0.85, "“", size * 3.2, page.accent(0), "book"), takes=0.6
    )
    _written(page, lines, page.left + 90, y, size, pal.ink)
    if page.plate.by:
        said = f"— {page.plate.by}"
        done = 0.3 + len(words) / WRITTEN
        page.add(
            text(
                page.left + 90,
                y + len(lines) * size * 1.34 + 30,
                said,
                page.fitting(said, 46, room),
                pal.faint,
                pal.face,
            ),
            after=done,
        )


def _written(page: Page, lines: list[str], x: float, y: float, size: float, colour: str) -> None:
    at = 0.3
    for n, words in enumerate(lines):
        takes = max(0.25, len(words) / WRITTEN)
        page.add(
            text(x, y + n * size * 1.34, words, size, colour, "book"),
            comes="from left",
            after=at,
            takes=takes,
        )
        at += takes


def letter(page: Page) -> None:
    """A sheet of paper with handwriting's pace, and who signed it."""
    _sheet(page, "#fbf6e8", "#35302b", 0.64, -1.2)


def cutting(page: Page) -> None:
    """A cutting from a newspaper: its headline, and columns of what it says."""
    left, top, wide, high = _paper(page, 0.6, "#ece6d6", 0.94)
    ink = "#26231f"
    head = page.plate.title or "News"
    size = 76.0
    lines = wrapped(head, "plain", size, wide - 100)
    while size > 36 and len(lines) > 2:
        size *= 0.9
        lines = wrapped(head, "plain", size, wide - 100)
    y = top + 60 + size * 0.8
    page.add(line([(left + 50, top + 46), (left + wide - 50, top + 46)], ink, 4))
    for n, words in enumerate(lines):
        page.add(
            text(left + 50, y + n * size * 1.1, words, size, ink, "plain"), after=0.2 + 0.2 * n
        )
    y += (len(lines) - 1) * size * 1.1 + 30
    page.add(line([(left + 50, y), (left + wide - 50, y)], ink, 2))
    count = 2 if wide > 760 else 1
    column = (wide - 100 - 40 * (count - 1)) / count
    small = 40.0
    body = wrapped(page.plate.words, "book", small, column)
    while small > 20 and -(-len(body) // count) * small * 1.3 > high - (y - top) - 70:
        small *= 0.93
        body = wrapped(page.plate.words, "book", small, column)
    tall = -(-len(body) // count)
    for n, words in enumerate(body):
        x = left + 50 + (column + 40) * (n // tall)
        page.add(
            text(x, y + small * 1.5 + (n % tall) * small * 1.3, words, small, ink, "book"),
            after=0.5 + 0.08 * n,
            takes=0.4,
        )
    if page.plate.by:
        page.add(
            text(left + wide - 50, top + high - 26, page.plate.by, 28, "#6b655a", "book", "end"),
            after=1.0,
        )


def _paper(page: Page, share: float, colour: str, most: float) -> tuple[float, float, float, float]:
    """A sheet on the page with its shadow: left, top, width, height."""
    high = (page.low - page.top) * 1.02
    wide = min(page.room * most, high / share)
    left, top = page.middle - wide / 2, page.top * 0.8
    shadow = rect(left + 10, top + 14, wide, high, "#000000", ' fill-opacity="0.22"')
    page.add(shadow + rect(left, top, wide, high, colour))
    return left, top, wide, high


def _sheet(page: Page, colour: str, ink: str, share: float, turn: float) -> None:
    left, top, wide, high = _paper(page, share, colour, 0.9)
    y = top + 60
    if page.plate.title:
        page.add(
            text(
                left + wide - 60,
                y + 20,
                page.plate.title,
                page.fitting(page.plate.title, 36, wide - 120),
                "#6b655a",
                "book",
                "end",
            )
        )
        y += 60
    size = 56.0
    lines = wrapped(page.plate.words, "book", size, wide - 130)
    while size > 24 and len(lines) * size * 1.4 > high - (y - top) - 110:
        size *= 0.93
        lines = wrapped(page.plate.words, "book", size, wide - 130)
    rules = [
        line(
            [
                (left + 60, y + size * (1.4 * n + 1.18)),
                (left + wide - 60, y + size * (1.4 * n + 1.18)),
            ],
            "#d9cfb8",
            1.5,
        )
        for n in range(len(lines))
    ]
    page.add("".join(rules))
    at = 0.3
    for n, words in enumerate(lines):
        takes = max(0.2, len(words) / WRITTEN)
        page.add(
            text(
                left + 65,
                y + size * (1.4 * n + 1),
                words,
                size,
                ink,
                "book",
                "start",
                ' font-style="italic"',
            ),
            comes="from left",
            after=at,
            takes=takes,
        )
        at += takes
    if page.plate.by:
        page.add(
            text(
                left + wide - 70,
                top + high - 46,
                page.plate.by,
                page.fitting(page.plate.by, 46, wide * 0.6),
                ink,
                "book",
                "end",
            ),
            comes="from left",
            after=at,
        )


def listed(page: Page) -> None:
    """A list that builds, row by row."""
    top = page.head() + 30
    rows, pal = page.plate.rows, page.palette
    if not rows:
        return
    gap = min(120.0, (page.low - top) / len(rows))
    size = min(58.0, gap * 0.56)
    for n, row in enumerate(rows):
        y = top + gap * (n + 0.62)
        page.add(circle(page.left + 16, y - size * 0.3, size * 0.2, page.accent(n)), n, takes=0.3)
        fits = page.fitting(f"{row.label}  {row.more}".strip(), size, page.room - 70)
        page.add(
            text(page.left + 66, y, row.label, fits, pal.ink, pal.face),
            n,
            comes="from left",
            takes=0.6,
        )
        if row.more:
            x = page.left + 66 + width_of(row.label, pal.face, fits) + fits * 0.7
            page.add(text(x, y, row.more, fits * 0.8, pal.faint, pal.face), n, after=0.5)


def time_line(page: Page) -> None:
    """What happened when, along a line that is as long as the years are."""
    top = page.head() + 20
    rows = sorted((r for r in page.plate.rows if r.value is not None), key=lambda r: r.value or 0)
    if not rows:
        return
    order = {id(r): n for n, r in enumerate(page.plate.rows)}
    (_along_down if page.upright else _along)(page, rows, [order[id(r)] for r in rows], top)


def _places(rows: list[PlateRow], begin: float, end: float, least: float) -> list[float]:
    """Where rows stand: by their years, moved apart where they would lie on each other."""
    years = [r.value or 0.0 for r in rows]
    span = (years[-1] - years[0]) or 1.0
    if len(rows) == 1:
        return [(begin + end) / 2]
    at = [begin + (end - begin) * (y - years[0]) / span for y in years]
    gap = min(least, (end - begin) / (len(rows) - 1))
    for i in range(1, len(at)):
        at[i] = max(at[i], at[i - 1] + gap)
    over = at[-1] - end
    if over > 0:
        at[-1] = end
        for i in range(len(at) - 2, -1, -1):
            at[i] = min(at[i], at[i + 1] - gap)
    return at


def _along(page: Page, rows: list[PlateRow], steps: list[int], top: float) -> None:
    pal = page.palette
    y = top + (page.low - top) / 2
    page.add(line([(page.left, y), (page.right, y)], pal.ink, 6), comes="from left", takes=1.2)
    wide = min(430.0, page.room / max(2, (len(rows) + 1) / 2) - 24)
    at = _places(rows, page.left + wide / 2, page.right - wide / 2, wide / 2 + 12)
    for n, (row, x, step) in enumerate(zip(rows, at, steps, strict=True)):
        over = n % 2 == 0
        reach = 70.0
        end = y - reach if over else y + reach
        page.add(line([(x, y), (x, end)], pal.faint, 3), step, takes=0.3)
        page.add(circle(x, y, 16, page.accent(n)), step, takes=0.3)
        size = 44.0
        words = wrapped(f"{row.label} {row.more}".strip(), pal.face, size, wide)
        while size > 22 and len(words) > 3:
            size *= 0.92
            words = wrapped(f"{row.label} {row.more}".strip(), pal.face, size, wide)
        block = 62 + len(words) * size * 1.2
        first = end - block + 40 if over else end + 54
        page.add(text(x, first, year(row.value or 0), 60, page.accent(n), pal.face, "middle"), step)
        inner = "".join(
            text(x, first + 54 + k * size * 1.2, w, size, pal.ink, pal.face, "middle")
            for k, w in enumerate(words)
        )
        page.add(inner, step, after=0.3)


def _along_down(page: Page, rows: list[PlateRow], steps: list[int], top: float) -> None:
    pal = page.palette
    x = page.left + 150
    page.add(line([(x, top), (x, page.low)], pal.ink, 6), takes=1.0)
    at = _places(rows, top + 40, page.low - 60, 110)
    for n, (row, y, step) in enumerate(zip(rows, at, steps, strict=True)):
        page.add(circle(x, y, 16, page.accent(n)), step, takes=0.3)
        page.add(
            text(x - 34, y + 15, year(row.value or 0), 46, page.accent(n), pal.face, "end"), step
        )
        said = f"{row.label} {row.more}".strip()
        size = 40.0
        words = wrapped(said, pal.face, size, page.right - x - 50)[:3]
        inner = "".join(
            text(x + 44, y + 14 + k * size * 1.15, w, size, pal.ink, pal.face)
            for k, w in enumerate(words)
        )
        page.add(inner, step, after=0.3)


def tree(page: Page) -> None:
    """A family: a row a generation, children below their parents."""
    top = page.head() + 20
    rows, pal = page.plate.rows, page.palette
    if not rows:
        return
    place = {r.label: n for n, r in enumerate(rows)}
    depth = [0] * len(rows)
    # As often as there are people, so that whoever stands in a wrong order is found, and a circle ends.
    for _ in rows:
        for n, row in enumerate(rows):
            parents = [place[name] for name in row.of if name in place and place[name] != n]
            if parents:
                depth[n] = min(len(rows), max(depth[p] for p in parents) + 1)
    ranks = sorted(set(depth))
    high = (page.low - top) / len(ranks)
    where: dict[int, tuple[float, float]] = {}
    sizes: dict[int, tuple[float, float]] = {}
    for k, rank in enumerate(ranks):
        there = [n for n in range(len(rows)) if depth[n] == rank]
        # Children stand in the order of their parents.
        there.sort(
            key=lambda n: (
                sum(where.get(place.get(p, -1), (page.middle, 0))[0] for p in rows[n].of)
                / max(1, len(rows[n].of))
                if rows[n].of
                else page.middle + n,
                n,
            )
        )
        slot = page.room / len(there)
        for i, n in enumerate(there):
            where[n] = (page.left + slot * (i + 0.5), top + high * (k + 0.5))
            sizes[n] = (min(slot * 0.86, 380.0), min(high * 0.56, 120.0))
    for n, row in enumerate(rows):
        for name in row.of:
            parent = place.get(name)
            if parent is not None and parent != n:
                (x, y), (px, py) = where[n], where[parent]
                mid = (py + y) / 2
                page.add(line([(px, py), (px, mid), (x, mid), (x, y)], pal.faint, 4), n, takes=0.4)
    for n, row in enumerate(rows):
        (x, y), (w, h) = where[n], sizes[n]
        box = rect(
            x - w / 2,
            y - h / 2,
            w,
            h,
            pal.shade,
            f' rx="10" stroke="{page.accent(depth[n])}" stroke-width="5"',
        )
        size = page.fitting(row.label, 42, w - 30, 16)
        inner = text(
            x,
            y + (size * 0.33 if not row.more else -2),
            row.label,
            size,
            pal.ink,
            pal.face,
            "middle",
        )
        if row.more:
            inner += text(
                x,
                y + 36,
                row.more,
                page.fitting(row.more, 27, w - 30, 13),
                pal.faint,
                pal.face,
                "middle",
            )
        page.add(box + inner, n, after=0.2)

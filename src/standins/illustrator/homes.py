"""Rooms where people live and work, told apart by what stands in them: a kitchen, a bedroom, an attic, an inn, a workshop,
an office."""

from .colour import NAMED, RGB, darker, lighter, mix
from .indoors import interior
from .props import IRON, LIGHT, PAPER, WOOD, draw_prop
from .stage import Stage

WHITE: RGB = (240, 238, 230)
_EARTHEN: tuple[RGB, ...] = ((196, 152, 112), (150, 150, 124), (176, 128, 104), (128, 140, 146))


def kitchen(s: Stage) -> None:
    """A stove with a pipe, pans above it, a dresser with plates, a table with bread."""
    interior(s, s.rng.choice(_EARTHEN))
    pen, w, f = s.back, s.width, s.ground - 70
    side = s.rng.choice([0, 1])
    x = w * (0.84 if side else 0.16)
    pen.box(x - 20, -60, 40, f - 170, darker(IRON, 0.1), lift=0.6)
    pen.box(x - 130, f - 216, 260, 216, IRON, lift=1.0)
    pen.box(x - 146, f - 234, 292, 24, darker(IRON, 0.25), lift=0.6)
    pen.box(x - 92, f - 150, 110, 96, darker(IRON, 0.35), lift=0.2)
    pen.box(x - 80, f - 118, 86, 40, (240, 140, 56), lift=0.0, plain=True, spot=True)
    pen.glow_at(x - 38, f - 98, 170, (255, 150, 70), 0.6, flame=True)
    for dx, up in ((62, -128), (62, -84)):
        pen.disc(x + dx, f + up, 12, None, NAMED["gold"], lift=0.2)
    draw_prop(pen, "kettle", x - 62, f - 232, 66)
    draw_prop(pen, "pot", x + 66, f - 232, 72)
    pen.line([(x - 190, f - 452), (x + 190, f - 452)], 8, darker(IRON, 0.2))
    for i, r in enumerate((30, 38, 26, 34)):
        px = x - 140 + 94 * i
        pen.line([(px, f - 450), (px, f - 400)], 7, darker(IRON, 0.1))
        pen.disc(px, f - 384 + r * 0.3, r, None, mix(NAMED["rust"], IRON, 0.35 * (i % 2)), lift=0.5)
    x = w * (0.16 if side else 0.84)
    pen.box(x - 150, f - 430, 300, 430, darker(WOOD, 0.08), lift=1.0)
    pen.box(x - 134, f - 414, 268, 236, darker(WOOD, 0.4), lift=0.0)
    for row in range(2):
        y = f - 300 + 116 * row
        pen.box(x - 134, y, 268, 12, lighter(WOOD, 0.1), lift=0.2)
        for i in range(4):
            plate = WHITE if (i + row) % 2 else NAMED["grey blue"]
            pen.disc(x - 96 + 64 * i, y - 34, 28, 32, plate, lift=0.3)
    for dx in (-134, 8):
        pen.box(x + dx, f - 160, 126, 144, lighter(WOOD, 0.06), lift=0.3)
        pen.disc(x + (-24 if dx < 0 else 24), f - 92, 8, None, NAMED["gold"], lift=0.2)
    x = w * (0.36 if side else 0.64)
    draw_prop(pen, "table", x, f + 76, 220)
    draw_prop(pen, s.rng.choice(["bread", "bowl"]), x - 46, f - 97, 62)
    draw_prop(pen, s.rng.choice(["jug", "bottle"]), x + 52, f - 97, 66)
    s.light, s.light_strength = (w * 0.5, f - 300), 0.45


def bedroom(s: Stage) -> None:
    """A bed with a quilt, a lamp beside it, a wardrobe, a rug."""
    interior(s, s.rng.choice(_EARTHEN))
    pen, w, f = s.back, s.width, s.ground - 70
    left = s.rng.random() < 0.5
    turn = 1 if left else -1
    x = w * (0.05 if left else 0.95)
    quilt = s.cloth or NAMED[s.rng.choice(["moss green", "brick red", "grey blue", "plum"])]

    def block(at: float, wide: float, top: float, high: float, colour: RGB, lift: float = 0.6, spot: bool = False) -> None:
        a, b = x + turn * at, x + turn * (at + wide)
        pen.box(min(a, b), top, abs(b - a), high, colour, lift=lift, spot=spot)

    block(0, 26, f - 250, 290, darker(WOOD, 0.1), 0.9)
    block(26, 440, f - 60, 50, darker(WOOD, 0.2))
    block(26, 440, f - 118, 62, WHITE, 0.5)
    block(34, 120, f - 164, 58, lighter(WHITE, 0.3), 0.5)
    block(150, 320, f - 132, 100, quilt, 0.7, True)
    for i in range(4):
        block(168 + 78 * i, 34, f - 132, 100, lighter(quilt, 0.14), 0.0)
    block(466, 22, f - 160, 200, darker(WOOD, 0.1), 0.8)
    x = w * (0.38 if left else 0.62)
    pen.box(x - 46, f - 96, 92, 110, darker(WOOD, 0.05), lift=0.6)
    draw_prop(pen, "candle", x, f - 96, 84, lit=s.hour.lamps)
    x = w * (0.88 if left else 0.12)
    pen.box(x - 140, f - 460, 280, 470, darker(WOOD, 0.14), lift=1.0)
    pen.box(x - 158, f - 480, 316, 28, darker(WOOD, 0.28), lift=0.6)
    for dx in (-122, 8):
        pen.box(x + dx, f - 430, 114, 410, lighter(WOOD, 0.04), lift=0.3)
        pen.disc(x + (-22 if dx < 0 else 22), f - 216, 9, None, NAMED["gold"], lift=0.2)
    draw_prop(pen, "rug", w * 0.52, f + 76, 230)
    s.light, s.light_strength = (w * 0.5, f - 300), 0.4


def attic(s: Stage) -> None:
    """Under the roof: rafters that slope down to the floor, a round window, boxes and a trunk, a web in a corner."""
    interior(s, s.rng.choice(_EARTHEN), window=False)
    pen, w, f = s.back, s.width, s.ground - 70
    cx, y = w * 0.5, f - 380
    pen.disc(cx, y, 108, None, darker(WOOD, 0.15), lift=0.9)
    pen.disc(cx, y, 88, None, mix(s.hour.sky[0], s.hour.sky[1], 0.6), lift=0.0, spot=True, plain=pen.look != "shadow-theatre")
    if s.time == "night":
        pen.disc(cx + 30, y - 24, 20, None, (242, 232, 200), lift=0.0, plain=True, spot=True)
    for a, b in (((cx - 88, y), (cx + 88, y)), ((cx, y - 88), (cx, y + 88))):
        pen.line([a, b], 9, WOOD)
    roof = darker(WOOD, 0.26)
    for turn in (-1, 1):
        edge = cx + turn * w * 0.56
        foot, ridge = cx + turn * w * 0.47, cx + turn * w * 0.12
        pen.shape([(edge, f - 40), (foot, f - 40), (ridge, -60), (edge, -60)], roof, smooth=False, lift=1.0)
        for k in (0.0, 0.34, 0.68):
            # Rafters run as the roof does; laths lie across.
            top, low = ridge + (edge - ridge) * k, foot + (edge - foot) * k
            pen.limb([(top, -70), (low, f - 30)], 30, darker(WOOD, 0.08))
        for k in (0.2, 0.45, 0.7):
            along = ridge + (foot - ridge) * k
            pen.line([(along, -60 + (f + 20) * k), (edge, -60 + (f + 20) * k)], 5, darker(WOOD, 0.5), opacity=0.6)
    pen.limb([(cx - w * 0.2, 150), (cx + w * 0.2, 150)], 34, darker(WOOD, 0.05))
    side = s.rng.choice([-1, 1])
    draw_prop(pen, "chest", cx + side * w * 0.3, f + 40, 130)
    for at, size, high, base, colour in ((0.27, 150, 110, 30, "brown"), (0.345, 118, 84, 30, "rust"), (0.278, 104, 80, -80, "grey blue")):
        x = cx - side * w * at
        pen.box(x - size / 2, f + base - high, size, high, NAMED[colour], lift=0.8)
        pen.box(x - size / 2, f + base - high, size, high * 0.2, lighter(NAMED[colour], 0.16), lift=0.1)
        pen.box(x - 22, f + base - high * 0.6, 44, 20, PAPER, lift=0.1)
    draw_prop(pen, "picture", cx + side * w * 0.2, f + 10, 110)
    s.light, s.light_strength = (cx, y), 0.5
    pen.glow_at(cx, y, 300, mix(s.hour.sky[1], LIGHT, 0.4), 0.25)


def inn(s: Stage) -> None:
    """A bar with barrels and bottles behind it, lamps from the beams, a table with stools."""
    interior(s, s.rng.choice(_EARTHEN), window=False)
    pen, w, f = s.back, s.width, s.ground - 70
    pen.box(-60, 26, w + 120, 34, darker(WOOD, 0.3), lift=0.8)
    for i in range(4):
        pen.box(w * (0.1 + 0.27 * i), -60, 36, 120, darker(WOOD, 0.35), lift=0.5)
    x0, wide = w * 0.44, w * 0.5
    for y in (f - 430, f - 310):
        pen.box(x0, y, wide, 14, darker(WOOD, 0.1), lift=0.5)
        x = x0 + 22
        while x < x0 + wide - 40:
            high, broad = s.rng.uniform(50, 78), s.rng.uniform(20, 28)
            colour = NAMED[s.rng.choice(["moss green", "brown", "rust", "teal", "cream", "plum"])]
            pen.box(x, y - high * 0.62, broad, high * 0.62, colour, lift=0.2)
            pen.box(x + broad * 0.3, y - high, broad * 0.4, high * 0.42, colour, lift=0.1)
            x += broad + s.rng.uniform(16, 34)
    for i in range(3):
        x = x0 + wide * (0.2 + 0.3 * i)
        pen.disc(x, f - 226, 62, None, darker(WOOD, 0.05), lift=0.8)
        pen.disc(x, f - 226, 46, None, lighter(WOOD, 0.1), lift=0.1)
        pen.limb([(x, f - 226), (x, f - 190)], 12, NAMED["gold"])
    pen.box(x0 - 30, f - 158, wide + 200, 28, lighter(WOOD, 0.16), lift=0.8)
    pen.box(x0 - 10, f - 130, wide + 180, 150, darker(WOOD, 0.12), lift=0.6)
    for i in range(5):
        pen.box(x0 + 20 + i * wide * 0.21, f - 104, wide * 0.16, 100, lighter(WOOD, 0.02), lift=0.2)
    for i in range(2):
        draw_prop(pen, "cup", x0 + wide * (0.16 + 0.5 * i), f - 158, 44)
    x = w * 0.2
    draw_prop(pen, "table", x, f + 74, 150)
    draw_prop(pen, "candle", x, f - 46, 62)
    for dx in (-150, 150):
        pen.box(x + dx - 40, f - 6, 80, 16, WOOD, lift=0.6)
        for leg in (-30, 22):
            pen.box(x + dx + leg, f + 10, 10, 66, darker(WOOD, 0.2), lift=0.3)
    for x in (w * 0.2, w * 0.66):
        pen.line([(x, 40), (x, 140)], 5, darker(IRON, 0.2))
        pen.glow_at(x, 168, 260, LIGHT, 0.42 if s.hour.lamps else 0.2)
        pen.shape([(x - 46, 172), (x - 20, 136), (x + 20, 136), (x + 46, 172)], IRON, smooth=False, lift=0.5)
        pen.disc(x, 176, 20, 14, lighter(LIGHT, 0.3), lift=0.0, plain=pen.look != "shadow-theatre", spot=True)
    s.light, s.light_strength = (w * 0.66, 160), 0.5


def workshop(s: Stage) -> None:
    """A bench with a vice, tools on a board, planks against the wall, shavings on the floor."""
    interior(s, s.rng.choice(_EARTHEN))
    pen, w, f = s.back, s.width, s.ground - 70
    left = s.rng.random() < 0.5
    x0, wide = (w * 0.02, w * 0.36) if left else (w * 0.62, w * 0.36)
    pen.box(x0 + 10, f - 470, wide - 20, 240, darker(WOOD, 0.3), lift=0.6)
    steel: RGB = (168, 174, 178)
    step = (wide - 80) / 5
    for i in range(6):
        x, top = x0 + 44 + step * i, f - 440
        pen.limb([(x, top + 20), (x, top + 150)], 15, lighter(WOOD, 0.2))
        if i % 3 == 0:  # a hammer
            pen.box(x - 34, top + 4, 68, 30, steel, lift=0.4)
        elif i % 3 == 1:  # a saw
            pen.shape([(x - 12, top + 56), (x + 14, top + 56), (x + 34, top + 176), (x - 20, top + 176)], steel, smooth=False, lift=0.4)
        else:  # a chisel
            pen.shape([(x - 9, top + 130), (x + 9, top + 130), (x + 7, top + 196), (x - 7, top + 196)], steel, smooth=False, lift=0.4)
    pen.box(x0 - 10, f - 168, wide + 20, 36, lighter(WOOD, 0.14), lift=0.9)
    for dx in (14, wide - 44):
        pen.box(x0 + dx, f - 132, 32, 160, darker(WOOD, 0.15), lift=0.5)
    pen.box(x0 + 46, f - 52, wide - 90, 22, WOOD, lift=0.4)
    vice = x0 + (wide * 0.78 if left else wide * 0.2)
    pen.box(vice - 34, f - 218, 68, 54, IRON, lift=0.6)
    pen.limb([(vice - 60, f - 188), (vice + 60, f - 188)], 9, steel)
    draw_prop(pen, s.rng.choice(["bottle", "cup"]), x0 + wide * 0.4, f - 168, 56)
    x = w * 0.86 if left else w * 0.14
    for i in range(4):
        pen.limb([(x - 70 + 46 * i, f + 6), (x - 40 + 46 * i, f - 420 + 26 * (i % 3))], 30, lighter(WOOD, 0.05 + 0.08 * (i % 2)))
    draw_prop(pen, "barrel", x + (-130 if left else 130), f + 30, 96)
    for _ in range(14):
        cx = x0 + s.rng.uniform(0, wide)
        pen.disc(cx, f + s.rng.uniform(40, 90), s.rng.uniform(8, 18), 6, lighter(WOOD, 0.4), lift=0.2)
    s.light, s.light_strength = (w * 0.5, f - 300), 0.4


def office(s: Stage) -> None:
    """Desks with lamps and papers, drawers of files, a clock, a map."""
    interior(s, s.rng.choice([(176, 172, 150), (150, 160, 150), (186, 168, 140)]))
    pen, w, f = s.back, s.width, s.ground - 70
    left = s.rng.random() < 0.5
    x = w * (0.1 if left else 0.9)
    for dx in (-112, 2):
        pen.box(x + dx, f - 330, 108, 336, (122, 128, 122), lift=0.9)
        for row in range(4):
            pen.box(x + dx + 8, f - 320 + 82 * row, 92, 72, (140, 146, 140), lift=0.2)
            pen.box(x + dx + 36, f - 296 + 82 * row, 36, 10, NAMED["gold"], lift=0.1)
    pen.box(x - 60, f - 366, 120, 36, PAPER, lift=0.3)
    pen.disc(w * 0.5, f - 520, 52, None, darker(WOOD, 0.1), lift=0.7)
    pen.disc(w * 0.5, f - 520, 42, None, WHITE, lift=0.1)
    pen.line([(w * 0.5, f - 520), (w * 0.5 + 18, f - 540)], 5)
    pen.line([(w * 0.5, f - 520), (w * 0.5 - 4, f - 552)], 4)
    mx = w * (0.74 if left else 0.26)
    pen.box(mx - 130, f - 450, 260, 180, (212, 200, 160), lift=0.6)
    pen.shape([(mx - 100, f - 350), (mx - 40, f - 430), (mx + 40, f - 410), (mx + 70, f - 330), (mx - 20, f - 290)], NAMED["moss green"], lift=0.1)
    pen.shape([(mx + 80, f - 400), (mx + 116, f - 420), (mx + 112, f - 340)], NAMED["ochre"], lift=0.1)
    for at in (0.3, 0.7) if left else (0.7, 0.3):
        x = w * at
        pen.box(x - 170, f - 74, 340, 26, lighter(WOOD, 0.12), lift=0.9)
        pen.box(x - 156, f - 48, 110, 150, darker(WOOD, 0.1), lift=0.5)
        pen.box(x + 46, f - 48, 110, 150, darker(WOOD, 0.1), lift=0.5)
        for row in range(3):
            pen.disc(x - 101, f - 22 + 46 * row, 6, None, NAMED["gold"], lift=0.1)
            pen.disc(x + 101, f - 22 + 46 * row, 6, None, NAMED["gold"], lift=0.1)
        pen.box(x - 40, f - 86, 86, 12, PAPER, lift=0.2)
        pen.box(x + 74, f - 104, 66, 30, PAPER, lift=0.3)
        pen.limb([(x - 112, f - 76), (x - 118, f - 136), (x - 84, f - 166)], 9, NAMED["gold"])
        pen.shape([(x - 112, f - 142), (x - 92, f - 180), (x - 62, f - 172), (x - 50, f - 140)], NAMED["moss green"], smooth=False, lift=0.4)
        if s.hour.lamps:
            pen.glow_at(x - 78, f - 128, 160, LIGHT, 0.5)
    s.light, s.light_strength = (w * 0.5, f - 300), 0.4

"""The kinds of sound that are known: by which words they are found, and how each is made of the models."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import partial

import numpy as np

from .models import (
    RATE,
    Rng,
    Samples,
    Sound,
    band,
    bell,
    call,
    crackle,
    creak,
    crowd,
    decay,
    drops,
    engine,
    glass,
    impact,
    noise_bed,
    put,
    scrape,
    several,
    slow,
    steps,
    waves,
)


@dataclass(frozen=True)
class Kind:
    """A sound that is found where one word of each of its groups is in a prompt; words it `likes` tell it from others
    that are found too."""

    name: str
    needs: tuple[frozenset[str], ...]
    likes: frozenset[str]
    make: Sound


def _kind(name: str, needs: str, make: Sound, likes: str = "") -> Kind:
    groups = tuple(frozenset(group.split()) for group in needs.split(","))
    return Kind(name, groups, frozenset(likes.split()), make)


def _sum(*sounds: tuple[Sound, float]) -> Sound:
    """Sounds at once, each at a level."""

    def make(rng: Rng, n: int) -> Samples:
        total: Samples = np.sum([sound(rng, n) * level for sound, level in sounds], axis=0)
        return total

    return make


def _then(*sounds: tuple[Sound, float]) -> Sound:
    """Sounds one after another, each beginning at so many seconds."""

    def make(rng: Rng, n: int) -> Samples:
        out = np.zeros(n)
        for sound, at in sounds:
            begin = int(at * RATE)
            if begin < n:
                put(out, begin, sound(rng, n - begin))
        return out

    return make


def _hit(low: float, high: float, ring: float, body: float = 0.05, click: float = 0.5) -> Sound:
    return partial(impact, low=low, high=high, ring=ring, body=body, click=click)


def _bed(*bands: tuple[float, float, float, float]) -> Sound:
    return lambda rng, n: noise_bed(rng, n, *bands)


def _times(times: Sequence[float], one: Sound) -> Sound:
    return lambda rng, n: several(rng, n, times, one)


def _walk(ground: tuple[float, float, float, float], every: float = 0.52, count: int = 5) -> Sound:
    return lambda rng, n: steps(rng, n, ground, every, count)


def _call(
    notes: Sequence[tuple[float, float, float, float]], rough: float = 0.0, tone: float = 0.6
) -> Sound:
    return lambda rng, n: call(rng, n, notes, rough, tone)


def _now_and_then(one: Sound, per_second: float, level: float = 0.5) -> Sound:
    """A sound here and there in a bed, near and far."""

    def make(rng: Rng, n: int) -> Samples:
        out = np.zeros(n)
        for at in rng.integers(0, max(1, n), size=max(1, round(n / RATE * per_second))):
            put(out, int(at), one(rng, RATE) * rng.uniform(0.2, 1.0) * level)
        return out

    return make


def _chirps(rng: Rng, n: int) -> Samples:
    base = rng.uniform(2300, 4400)
    notes = [
        (
            i * 0.11,
            rng.uniform(0.05, 0.09),
            base * rng.uniform(0.9, 1.1),
            base * rng.uniform(0.8, 1.3),
        )
        for i in range(rng.integers(2, 6))
    ]
    return call(rng, n, notes, tone=0.1)


def _crickets(rng: Rng, n: int) -> Samples:
    t = np.arange(n) / RATE
    out = np.zeros(n)
    for pitch, rate in ((4300, 15.0), (4550, 13.2), (3900, 17.1)):
        pulse = np.clip(np.sin(2 * np.pi * rate * t + rng.uniform(0, 6)), 0, 1) ** 2
        out += np.sin(2 * np.pi * pitch * t) * pulse * (slow(rng, n, 0.6) > 0.35) * 0.25
    return out


def _ticks(rng: Rng, n: int) -> Samples:
    return several(
        rng, n, np.arange(0, n / RATE, 0.5).tolist(), _hit(900, 3200, 2100, 0.006, 0.8), 0.1
    )


def _hooves(rng: Rng, n: int) -> Samples:
    beat = [t + d for t in np.arange(0, 2.0, 0.46) for d in (0.0, 0.12, 0.21)]
    return several(rng, n, beat, _hit(220, 900, 420, 0.03, 0.5), 0.25)


def _train(rng: Rng, n: int) -> Samples:
    beat = [t + d for t in np.arange(0, n / RATE, 0.78) for d in (0.0, 0.16)]
    joints = several(rng, n, beat, _hit(90, 420, 0, 0.05, 0.25), 0.2)
    return joints * 0.7 + noise_bed(rng, n, (50, 300, 0.8, 0.3), (900, 2800, 0.15, 0.5))


def _passing(rng: Rng, n: int) -> Samples:
    """The train comes and goes."""
    t = np.linspace(-1, 1, n)
    return _train(rng, n) * np.exp(-(t**2) * 4)


def _gust(rng: Rng, n: int) -> Samples:
    curve: Samples = np.sin(np.linspace(0, np.pi, n)) ** 2
    return noise_bed(rng, n, (90, 420, 1.0, 0.8), (500, 1500, 0.6, 1.2)) * curve


def _whistle(rng: Rng, n: int) -> Samples:
    rise = np.minimum(1, np.arange(n) / (0.4 * RATE))
    t = np.arange(n) / RATE
    tone = np.sin(2 * np.pi * (1700 + 500 * rise) * t) + 0.4 * np.sin(
        2 * np.pi * (2110 + 500 * rise) * t
    )
    return (tone + band(rng.standard_normal(n), 1800, 6000) * 0.5) * rise


def _phone(rng: Rng, n: int) -> Samples:
    t = np.arange(n) / RATE + rng.random() * 0.02
    ringing = ((t % 1.6) < 0.9) * (0.6 + 0.4 * np.sign(np.sin(2 * np.pi * 21 * t)))
    tones: Samples = (np.sin(2 * np.pi * 1330 * t) + np.sin(2 * np.pi * 1670 * t)) * ringing
    return tones


def _siren(rng: Rng, n: int) -> Samples:
    t = np.arange(n) / RATE
    phase = rng.random() + np.cumsum(700 + 350 * np.sin(2 * np.pi * 0.45 * t)) / RATE
    return np.sin(2 * np.pi * phase) + 0.3 * np.sin(4 * np.pi * phase)


def _horn(rng: Rng, n: int) -> Samples:
    t = np.arange(n) / RATE
    tone = sum((np.sin(2 * np.pi * 92 * k * t) / k for k in range(1, 9)), start=np.zeros(n))
    tone += band(rng.standard_normal(n), 80, 900) * 0.3
    return tone * np.minimum(1, t / 0.15) * np.minimum(1, np.maximum(0, (1.9 - t) / 0.3))


def _shot(rng: Rng, n: int) -> Samples:
    noise = rng.standard_normal(n)
    return band(noise, 60, 900) * decay(n, 0.09) * 3 + band(noise, 900, 9000) * decay(n, 0.025) * 2


def _blast(rng: Rng, n: int) -> Samples:
    noise = rng.standard_normal(n)
    return (
        band(noise, 25, 220) * decay(n, 0.5) * 5
        + band(noise, 200, 3000) * decay(n, 0.12) * 2
        + crackle(rng, n, 16, 0.4)
    )


def _thunder(rng: Rng, n: int) -> Samples:
    return band(rng.standard_normal(n), 30, 160) * decay(n, 1.2) * (0.4 + slow(rng, n, 6)) * 4


def _pouring(rng: Rng, n: int) -> Samples:
    return drops(rng, n, 130, 500, 1600, 0.25) + noise_bed(rng, n, (800, 3200, 0.25, 8))


def _splash(rng: Rng, n: int) -> Samples:
    noise = rng.standard_normal(n)
    out: Samples = band(noise, 500, 4500) * decay(n, 0.16) * (1 - np.exp(-np.arange(n) / 900)) * 1.6
    put(out, 5000, drops(rng, max(1, n - 5000), 10, 400, 900, 0.5))
    return out


def _flame(rng: Rng, n: int) -> Samples:
    noise = rng.standard_normal(n)
    return band(noise, 2500, 9000) * (decay(n, 0.06) * 1.4 + 0.2 * decay(n, 0.5))


def _flap(rng: Rng, n: int) -> Samples:
    return several(rng, n, np.arange(0, 1.4, 0.13).tolist(), _hit(150, 1400, 0, 0.035, 0.1), 0.3)


def _clapping(rng: Rng, n: int) -> Samples:
    out = np.zeros(n)
    for at in rng.integers(0, max(1, n), size=int(n / RATE * 70)):
        put(
            out,
            int(at),
            band(rng.standard_normal(1500), 700, 3500) * decay(1500, 0.008) * rng.uniform(0.2, 1),
        )
    return out * np.minimum(1, np.arange(n) / RATE) ** 0.5


def _purr(rng: Rng, n: int) -> Samples:
    t = np.arange(n) / RATE
    return (
        noise_bed(rng, n, (60, 420, 1.0, 0))
        * (0.5 + 0.5 * np.sin(2 * np.pi * 26 * t))
        * (0.6 + 0.4 * np.sin(2 * np.pi * 0.8 * t))
    )


def _chain(rng: Rng, n: int) -> Samples:
    return several(
        rng,
        n,
        np.sort(rng.uniform(0, 1.1, 16)).tolist(),
        _hit(900, 4200, rng.uniform(1500, 2600), 0.018, 0.6),
        0.3,
    )


_BOARDS, _STONE = (80.0, 280.0, 0.0, 0.0), (140.0, 520.0, 0.1, 2600.0)
_GRAVEL, _SNOW = (90.0, 320.0, 0.7, 2300.0), (60.0, 220.0, 0.8, 900.0)
_SAND, _LEAVES, _WET = (
    (60.0, 200.0, 0.5, 1500.0),
    (70.0, 240.0, 0.8, 3600.0),
    (70.0, 300.0, 0.6, 800.0),
)
_FALL = _sum((_hit(60, 320, 0, 0.09, 0.3), 1.0), (_hit(300, 1400, 0, 0.03, 0.2), 0.4))
_WOODEN = _hit(160, 900, 240, 0.04, 0.6)
_PANES = partial(glass, pieces=26)
_FIRE = _sum((_bed((60, 260, 0.6, 3)), 1.0), (partial(crackle, per_second=11, level=1.4), 1.0))
_LEAF = _bed((1500, 6500, 0.5, 1.4))
# fmt: off
KINDS = (
    # Air and weather
    _kind("wind", "wind gale breeze gusts gust gusty", _bed((90, 420, 1.0, 0.45), (500, 1300, 0.5, 0.6))),
    _kind("a gust of wind", "gust, wind", _gust, "a"),
    _kind("wind over open land", "wind, open land moor mountain", _bed((70, 300, 1.0, 0.3), (700, 1900, 0.35, 0.25))),
    _kind("soft wind", "soft, wind", _bed((120, 500, 0.6, 0.3), (2500, 6000, 0.06, 0.5))),
    _kind("rain", "rain raining drizzle downpour", _sum((_bed((1200, 9000, 0.5, 1)), 1), (partial(drops,
        per_second=26, low=900, high=2600), 1))),
    _kind("rain on a roof", "rain, roof window tin", _sum((_bed((600, 4000, 0.4, 1)), 1), (_now_and_then(_hit(500,
        2500, 0, 0.012), 60, 0.5), 1))),
    _kind("hail", "hail", _now_and_then(_hit(1500, 6000, 0, 0.006), 30, 0.8)),
    _kind("thunder", "thunder lightning thunderclap", _thunder),
    _kind("ice cracks", "ice, cracks crack breaks", _sum((_hit(300, 2500, 700, 0.06, 1.0), 1), (partial(crackle,
        per_second=9), 0.8))),
    # Water
    _kind("waves on a shore", "waves wave sea surf shore beach lapping", waves),
    _kind("a river", "river stream brook weir", _bed((300, 1100, 0.6, 0), (1500, 4200, 0.4, 9))),
    _kind("a waterfall", "waterfall falls cascade, water waterfall", _bed((150, 900, 0.8, 0), (1000, 7000, 0.7, 2))),
    _kind("a splash of water", "splash splashes", _splash),
    _kind("oars in water", "oars oar rowing", _then((_splash, 0.0), (partial(creak, seconds=0.5), 0.7), (_splash,
        1.3))),
    _kind("water is poured", "poured pours pouring, water tea wine coffee milk", _pouring),
    _kind("water drips", "drips dripping drip", _times((0.0, 0.62, 1.33, 2.0), partial(drops, per_second=1, low=900,
        high=1500))),
    _kind("dripping in a cave", "dripping, cave", _sum((_bed((60, 240, 0.25, 0.4)), 1), (_now_and_then(partial(drops,
        per_second=1, low=700, high=1600), 1.4, 1.2), 1))),
    _kind("water boils", "boils boiling bubbling", partial(drops, per_second=80, low=300, high=900, level=0.35)),
    _kind("steps through water", "steps footsteps wading, water", _walk(_WET, 0.66, 4)),
    # Fire
    _kind("a fire in a hearth", "fire hearth crackles crackling embers", _FIRE),
    _kind("a fire roars up", "fire, roars blaze", _sum((_bed((50, 400, 1.4, 2)), 1), (partial(crackle,
        per_second=22), 1))),
    _kind("a match is struck", "match, struck strikes flares", _flame),
    _kind("a hiss", "hiss hisses steam", _bed((3000, 9000, 1.0, 1.5))),
    _kind("something sizzles", "sizzles sizzling fries frying", _sum((_bed((3500, 9500, 0.6, 6)), 1),
        (partial(crackle, per_second=40, level=0.4), 1))),
    # Footsteps, on their grounds
    _kind("footsteps on boards", "footsteps steps paces walk, boards floor stairs wooden deck", _walk(_BOARDS)),
    _kind("footsteps", "footsteps steps paces walking", _walk(_STONE)),
    _kind("steps on gravel", "steps footsteps, gravel path", _walk(_GRAVEL)),
    _kind("steps in snow", "steps footsteps, snow", _walk(_SNOW, 0.6)),
    _kind("steps in sand", "steps footsteps, sand beach", _walk(_SAND, 0.6)),
    _kind("steps in leaves", "steps footsteps, leaves grass", _walk(_LEAVES, 0.58)),
    _kind("running footsteps", "running", _walk(_STONE, 0.27, 8), "footsteps steps"),
    _kind("running on wooden stairs", "running, stairs boards wooden", _walk(_BOARDS, 0.24, 9)),
    _kind("heavy footsteps", "heavy, footsteps steps", _walk((45, 190, 0, 0), 0.7, 4)),
    # Doors and what is of wood
    _kind("a wooden door opens and closes", "door gate hatch", _then((partial(creak, seconds=0.7), 0.0), (_FALL,
        0.75), (_hit(800, 2400, 0, 0.015), 0.82))),
    _kind("a wooden door slams", "slams slam bangs, door gate hatch lid", _sum((_FALL, 1.0), (_hit(90, 700, 0, 0.12,
        0.7), 1.0))),
    _kind("an iron gate creaks", "gate, iron creaks", partial(creak, seconds=1.3, low=160, high=420)),
    _kind("knocks on a wooden door", "knocks knock knocking", _times((0.0, 0.24, 0.49), _WOODEN)),
    _kind("taps on glass", "taps tap tapping, glass window pane", _times((0.0, 0.2, 0.42), _hit(900, 3600, 1900,
        0.014, 0.6))),
    _kind("old boards creak", "boards floor stairs ship, creak creaks creaking", partial(creak, seconds=0.9, low=50,
        high=120)),
    _kind("a drawer slides", "drawer", _then((partial(scrape, seconds=0.5, low=250, high=1800, strokes=1.0), 0.0),
        (_WOODEN, 0.5))),
    _kind("a key turns in a lock", "key lock", _then((_hit(1800, 6000, 2600, 0.01), 0.0), (_hit(900, 3500, 1400,
        0.015), 0.3), (_hit(300, 1500, 0, 0.02), 0.42))),
    _kind("a latch clicks", "latch click clicks switch", _then((_hit(1200, 5000, 2300, 0.008), 0.0), (_hit(700, 3000,
        0, 0.01), 0.09))),
    _kind("a branch snaps", "branch twig stick, snaps snap breaks", _sum((_hit(500, 3500, 0, 0.02, 1.2), 1),
        (partial(crackle, per_second=6), 0.5))),
    _kind("a crash of wood", "crash crashes collapses falls, wood crash planks", _times((0.0, 0.13, 0.29, 0.5, 0.66),
        _hit(200, 1800, 300, 0.04, 0.4))),
    _kind("something heavy falls", "heavy thud thump falls, falls thud thump something", _FALL),
    _kind("hammering", "hammering hammer hammers", _times((0.0, 0.42, 0.86, 1.28), _hit(300, 2600, 900, 0.03, 0.9))),
    _kind("a saw in wood", "saw sawing", partial(scrape, seconds=2.2, low=700, high=4200, strokes=1.6)),
    _kind("an axe in wood", "axe chops chopping", _times((0.0, 1.0), _sum((_hit(120, 900, 190, 0.06, 0.9), 1),
        (partial(crackle, per_second=8), 0.4)))),
    _kind("a broom sweeps", "broom sweeps sweeping", partial(scrape, seconds=2.2, low=1500, high=6500, strokes=1.1)),
    _kind("a spade in earth", "spade shovel digging", _times((0.0, 1.1), partial(scrape, seconds=0.45, low=350,
        high=2600, strokes=1.0))),
    # Metal and glass
    _kind("a church bell rings", "bell bells", _then((partial(bell, pitch=372), 0.0), (partial(bell, pitch=372),
        1.25)), "church tower"),
    _kind("a small bell rings", "small little door shop, bell", _times((0.0, 0.3), partial(bell, pitch=1480,
        rings=0.4))),
    _kind("a doorbell rings", "doorbell", _then((partial(bell, pitch=830, rings=0.6), 0.0), (partial(bell, pitch=659,
        rings=0.6), 0.5))),
    _kind("a clock strikes", "clock, strikes chimes", _then((partial(bell, pitch=523, rings=0.8), 0.0),
        (partial(bell, pitch=523, rings=0.8), 1.1))),
    _kind("a clock ticks", "clock watch, ticks ticking", _ticks),
    _kind("an alarm clock rings", "alarm", lambda rng, n: several(rng, n, np.arange(0, 2, 0.06).tolist(),
        partial(bell, pitch=2100, rings=0.1), 0.1)),
    _kind("glass shatters", "glass, shatters breaks smashes shatter", _PANES),
    _kind("glasses clink", "glasses clink clinking toast", partial(glass, pieces=3, low=3100)),
    _kind("pots clatter", "pots pans dishes clatter clatters", _times((0.0, 0.11, 0.2, 0.36, 0.5), _hit(500, 3200,
        1150, 0.05, 0.6))),
    _kind("a chain rattles", "chain rattles rattle", _chain),
    _kind("keys jingle", "keys jingle jingles", _times((0.0, 0.1, 0.17, 0.3, 0.41, 0.55), _hit(2500, 9000, 4600,
        0.02, 0.5))),
    _kind("a coin drops on stone", "coin coins", _times((0.0, 0.22, 0.36, 0.45, 0.51), _hit(2500, 8000, 5200, 0.05,
        0.3))),
    _kind("a spoon in a cup", "spoon cup", _times((0.0, 0.25, 0.5, 0.78, 1.0), _hit(2000, 6000, 3300, 0.02, 0.3))),
    # Paper and cloth
    _kind("paper rustles", "paper page pages letter map", partial(scrape, seconds=1.1, low=1800, high=8500,
        strokes=2.3)),
    _kind("paper tears", "paper cloth, tears ripped rips torn", partial(scrape, seconds=0.7, low=1200, high=9000,
        strokes=0.7)),
    _kind("a pen on paper", "pen quill pencil writing", partial(scrape, seconds=1.9, low=2600, high=7500, strokes=4.5)),
    _kind("a typewriter", "typewriter typing keys, typewriter typing", _times(tuple(np.cumsum([0, .13, .1, .16, .11,
        .2, .12, .1, .15])), _hit(700, 4500, 1700, 0.012, 0.9))),
    # Engines and roads
    _kind("a motor starts", "motor engine, starts start", _then((partial(engine, fires=9, rough=0.9), 0.0),
        (partial(engine, fires=27, rough=0.35), 0.7))),
    _kind("a motor runs", "motor engine generator truck tractor", partial(engine, fires=26, rough=0.35)),
    _kind("inside a car", "inside, car cab", _sum((partial(engine, fires=33, rough=0.2), 0.35), (_bed((60, 500, 1.0,
        0.4)), 1))),
    _kind("a train passes", "train, passes arrives", _passing),
    _kind("inside a moving train", "train", _train, "inside moving"),
    _kind("a train whistle", "whistle, train steam", lambda rng, n: call(rng, n, [(0, 0.5, 520, 540), (0.7, 1.3, 520,
        500)], 0.25, 0.8)),
    _kind("a kettle whistles", "kettle, whistles whistle", _whistle),
    _kind("a horn sounds", "horn foghorn", _horn),
    _kind("a siren wails", "siren", _siren),
    _kind("a telephone rings", "telephone phone", _phone),
    _kind("a gunshot", "gunshot shot pistol rifle gun", _shot),
    _kind("an explosion", "explosion explodes blast bomb", _blast),
    # Animals
    _kind("a dog barks", "dog barks bark", _call([(0, 0.16, 520, 330), (0.32, 0.18, 560, 300)], 0.35, 0.75)),
    _kind("a dog growls", "growls growl", _call([(0, 1.6, 95, 80)], 0.7, 0.9)),
    _kind("a wolf howls", "wolf howls howl", _call([(0, 0.5, 300, 560), (0.5, 1.5, 560, 420)], 0.0, 0.35)),
    _kind("a cat meows", "meows meow cat", _call([(0, 0.25, 480, 720), (0.25, 0.45, 720, 430)], 0.05, 0.7)),
    _kind("a cat purrs", "purrs purr", _purr),
    _kind("a horse neighs", "neighs neigh whinnies", _call([(i * 0.12, 0.13, 1100 - i * 70,
        900 - i * 70) for i in range(9)], 0.15, 0.7)),
    _kind("hooves on the road", "hooves gallop galloping hoofbeats", _hooves),
    _kind("a cow lows", "cow lows moos", _call([(0, 1.5, 130, 105)], 0.1, 0.85)),
    _kind("a goat bleats", "goat sheep bleats lamb", _call([(i * 0.09, 0.1, 430, 400) for i in range(9)], 0.2, 0.8)),
    _kind("a rooster crows", "rooster cock crows", _call([(0, 0.15, 700, 900), (0.2, 0.2, 950, 1000), (0.45, 0.9,
        1250, 700)], 0.15, 0.7)),
    _kind("hens cluck", "hens hen chickens cluck", _call([(t, 0.08, 620, 480) for t in (0, 0.3, 0.52, 0.9, 1.3)],
        0.25, 0.7)),
    _kind("ducks quack", "ducks duck quack", _call([(t, 0.18, 420, 330) for t in (0, 0.35, 0.7)], 0.5, 0.85)),
    _kind("an owl hoots", "owl hoots", _call([(0, 0.3, 390, 370), (0.6, 0.15, 400, 390), (0.85, 0.6, 400, 360)], 0.0,
        0.15)),
    _kind("a crow calls", "crow raven rook, calls caws", _call([(0, 0.3, 620, 500), (0.5, 0.32, 600, 480)], 0.75, 0.8)),
    _kind("a gull calls", "gull gulls heron seagull", _call([(0, 0.45, 900, 1300), (0.5, 0.3, 1250, 900), (0.85, 0.3,
        1200, 850)], 0.2, 0.6)),
    _kind("a bird calls", "bird, calls call", _chirps),
    _kind("birds sing", "birds bird, sing song singing", _now_and_then(_chirps, 2.2, 0.8)),
    _kind("frogs croak", "frogs frog croak", _call([(t, 0.2, 190, 240) for t in (0, 0.3, 0.9, 1.2, 1.7)], 0.6, 0.8)),
    _kind("bees hum", "bees bee wasp flies hum", _call([(0, 2.2, 190, 215)], 0.1, 0.85)),
    _kind("a mouse squeaks", "mouse rat squeaks", _call([(0, 0.08, 5200, 6200), (0.14, 0.1, 5600, 5000)], 0.0, 0.1)),
    _kind("wings flap", "wings flap flapping", _flap),
    _kind("a beast roars", "lion bear beast tiger roars", _call([(0, 1.7, 120, 75)], 0.8, 0.92)),
    # People together
    _kind("a murmuring crowd", "crowd murmur murmuring market voices people", partial(crowd, voices=9)),
    _kind("a crowd cheers", "cheers cheering, crowd", _sum((partial(crowd, voices=16, low=300, high=3200), 1.2),
        (_clapping, 0.5))),
    _kind("applause", "applause clapping", _clapping),
    _kind("a drum", "drum drums", _times((0.0, 0.5, 1.0, 1.25, 1.5), _hit(50, 260, 95, 0.16, 0.3))),
    # Places
    _kind("birds and leaves", "birds leaves forest garden", _sum((_LEAF, 0.35), (_now_and_then(_chirps, 1.3, 0.7), 1))),
    _kind("leaves rustle", "leaves, rustle rustling", _LEAF),
    _kind("crickets and an owl far off", "crickets night insects", _sum((_crickets, 1.0), (_now_and_then(_call([(0,
        0.3, 390, 370), (0.6, 0.3, 400, 360)], 0.0, 0.15), 0.12, 0.3), 1))),
    _kind("reeds and marsh birds", "reeds marsh", _sum((_LEAF, 0.5), (_now_and_then(_call([(0, 0.3, 700, 900)], 0.3),
        0.25, 0.4), 1), (_bed((300, 1100, 0.15, 2)), 1))),
    _kind("a town at night", "town city, night", _sum((_bed((50, 240, 0.7, 0.2)), 1), (_now_and_then(_call([(0, 0.16,
        520, 330)], 0.35), 0.12, 0.12), 1))),
    _kind("a railway station", "station railway", _sum((partial(crowd, voices=6), 0.6), (_bed((60, 300, 0.5, 0.3)),
        1))),
    _kind("a workshop", "workshop forge factory", _sum((_bed((80, 400, 0.3, 0.4)), 1), (_now_and_then(_hit(400, 2800,
        1000, 0.03, 0.7), 0.9, 0.6), 1))),
    _kind("a quiet hall", "quiet silent, hall church museum", _bed((50, 220, 0.5, 0.2), (900, 2400, 0.03, 0.5))),
    _kind("a quiet room", "room silence quiet", _bed((60, 300, 0.2, 0))),
)
# fmt: on

"""Finishes the frames of a shot as they are drawn: its grade and its effects.

What looks like chance hangs on the frame's number alone, so that the same film is the same file.
"""

import math
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from cutreel.core.effects import Finish, read_cube
from cutreel.core.effects.grade import BLACK, RANGE
from cutreel.core.motion import Window, covering

from . import kernel, kernel_mix
from . import kernel_finish as fast

U8 = NDArray[np.uint8]
Frame = tuple[U8, U8, U8]
TILE = 512
"""How wide and high the tile of grain is, in pixels."""
GRAIN_PIXEL = 1080
"""The height of a frame of which a grain is one pixel; in others it is as large on the screen."""
SHAKES = 0.9
"""Seconds until a shake has died down."""
FLASHES = 0.5
SHAKE_REACH = 0.022
"""By how much of the frame a strong shake moves it."""
MOST_TILT = 0.12
"""Radians: seven degrees."""
ECHOES = ((3, 0.34), (6, 0.22))
"""How many frames ago echoes are, and how much of the frame each takes."""


class Finishing:
    """A finish for frames of `width` by `height` pixels at `rate` frames a second; `lut` is the text of its look-up
    table."""

    def __init__(self, finish: Finish, width: int, height: int, rate: float, lut: str = "") -> None:
        self.finish, self.width, self.height, self.rate = finish, width, height, rate
        tables = finish.tables()
        graded = not np.array_equal(tables.y, np.arange(256)) or bool(
            (tables.scale != 1).any() or tables.u.any() or tables.v.any()
        )
        self._y = tables.y if graded else None
        if graded:
            scale, u, v = (np.rint(t * 256).astype(np.int32) for t in tables[1:])
            self._u, self._v = _by_brightness(scale, u), _by_brightness(scale, v)
            self._light = fast.in_pairs(_rounded(tables.y))
        self._lut = _in_planes(lut) if lut else None
        vignette, paper = finish.amount("vignette"), finish.amount("paper")
        dim = shade(width, height, vignette, paper) if vignette or paper else None
        self._shades = None if dim is None else (dim, *(dim[::2, ::2].copy(),) * 2)
        self._spare: Frame | None = None

    # ---- where the camera is, and when

    def moment(self, at: int, lead: int) -> int:
        """The frame that is seen at frame `at`: from where it freezes on, that one."""
        if not self.finish.amount("freeze"):
            return at
        return min(at, lead + round(self.finish.begin("freeze") * self.rate))

    def window(self, window: Window, at: int, lead: int) -> Window:
        """The camera's window, shaken."""
        strength = self.finish.amount("shake")
        since = (at - lead) / self.rate - self.finish.begin("shake")
        gate = 0.0016 * self.finish.amount("old film")
        if gate:
            jump = _chance(at, 11)
            window = _moved(window, (jump - 0.5) * gate, (_chance(at, 12) - 0.5) * 2 * gate)
        if not strength or not 0 <= since < SHAKES:
            return window
        reach = SHAKE_REACH * strength * (1 - since / SHAKES) ** 2
        x = (
            math.sin(2 * math.pi * 9.3 * since) * 0.6
            + math.sin(2 * math.pi * 14.1 * since + 1) * 0.4
        )
        y = (
            math.sin(2 * math.pi * 11.7 * since + 2) * 0.7
            + math.sin(2 * math.pi * 7.9 * since) * 0.3
        )
        return _moved(window, x * reach, y * reach)

    @property
    def echoes(self) -> list[tuple[int, float]]:
        """The frames before that are seen in a frame too: how many ago, and how much of it they take."""
        strength = self.finish.amount("echo")
        return [(ago, share * strength * 1.4) for ago, share in ECHOES] if strength else []

    # ---- what becomes of the picture

    def apply(self, out: Frame, at: int, lead: int) -> None:
        """Finish a drawn frame."""
        self._tilt(out)
        self._soften(out)
        self._grade(out, at)
        self._glow(out)
        self._texture(out, at)
        self._flash(out, at, lead)

    def _tilt(self, out: Frame) -> None:
        angle = MOST_TILT * self.finish.amount("tilt")
        if not angle:
            return
        # So near that no corner is empty.
        zoom = covering(angle, self.width, self.height)
        for plane, spare in zip(out, self._beside(), strict=True):
            spare[:] = plane
            fast.turned(spare, plane, angle, zoom)

    def _soften(self, out: Frame) -> None:
        blur, edges = self.finish.amount("blur"), self.finish.amount("soft edges")
        if not blur and not edges:
            return
        reach = max(blur, 0.6 * edges) * 0.03 * self.height
        for plane, spare, by in zip(out, self._beside(), (1, 2, 2), strict=True):
            blurred(plane, spare, reach / by)
            if blur:
                plane[:] = spare
            else:
                high, wide = plane.shape
                fast.softened(plane, spare, _edges(wide, high, edges))

    def _grade(self, out: Frame, at: int) -> None:
        flicker = self.finish.amount("flicker")
        if self._lut is not None:
            share = round(self.finish.grade.lut_amount * 256)
            fast.looked_up(*out, self._lut, share)
        if self._y is not None:
            fast.tint(*out, self._u, self._v)
        if flicker:
            by = 1 + flicker * 0.09 * (0.6 * _chance(at, 1) + 0.4 * _chance(at // 3, 2) - 0.5)
            y = self._y if self._y is not None else np.arange(256, dtype=np.float32)
            light = BLACK + (y - BLACK) * by
            fast.lighten(out[0], fast.in_pairs(_rounded(light)))
        elif self._y is not None:
            fast.lighten(out[0], self._light)

    def _glow(self, out: Frame) -> None:
        strength = self.finish.amount("glow")
        if not strength:
            return
        y = out[0]
        by = max(2, self.height // 135)
        small = np.empty((-(-self.height // by), -(-self.width // by)), np.float32)
        fast.smaller(y, small, by, 110)
        light = _spread(small, small.shape[0] * 0.05) * (1.6 * strength)
        spare = self._beside()[0]
        _enlarged(np.clip(light, 0, 255).astype(np.uint8), spare)
        fast.brighter(y, spare)

    def _texture(self, out: Frame, at: int) -> None:
        if self._shades:
            for plane, dim, middle in zip(out, self._shades, (16, 128, 128), strict=True):
                fast.shaded(plane, dim, middle)
        grain = self.finish.amount("grain")
        if grain:
            left, top = int(_chance(at, 3) * TILE), int(_chance(at, 4) * TILE)
            tile = _grain(max(1, round(self.height / GRAIN_PIXEL)), self.width)
            fast.grained(out[0], tile, left, top, round(grain * 90))
        dust = self.finish.amount("dust")
        if dust:
            self._dust(out[0], at, dust)

    def _dust(self, y: U8, at: int, strength: float) -> None:
        unit = self.height / 720
        for n in range(round(strength * 9 * _chance(at, 20))):
            size = unit * (0.8 + 3.2 * _chance(at, 30 + n) ** 4)
            dark = 0.75 if _chance(at, 60 + n) < 0.7 else -0.8
            speck_at = _chance(at, 40 + n) * self.width, _chance(at, 50 + n) * self.height
            fast.speck(y, *speck_at, size * (0.6 + _chance(at, 70 + n)), size, dark)
        # A scratch runs down some frames, at nearly the same place.
        run = at // 14
        if _chance(run, 5) < 0.35 * strength:
            x = _chance(run, 6) * self.width + (_chance(at, 7) - 0.5) * unit
            fast.speck(y, x, self.height / 2, 0.7 * unit, self.height, -0.22)

    def _flash(self, out: Frame, at: int, lead: int) -> None:
        strength = self.finish.amount("flash")
        since = (at - lead) / self.rate - self.finish.begin("flash")
        if not strength or not 0 <= since < FLASHES:
            return
        # Lightning comes twice: a short stroke and a longer one.
        light = max(
            math.exp(-since * 26), 0.8 * math.exp(-(since - 0.13) * 12) if since >= 0.13 else 0
        )
        share = round(min(1.0, light * strength) * 230)
        for plane, value in zip(out, (235, 132, 125), strict=True):
            kernel_mix.fade(plane, value, share)

    def _beside(self) -> Frame:
        if self._spare is None:
            half = (self.height // 2, self.width // 2)
            self._spare = (
                np.empty((self.height, self.width), np.uint8),
                np.empty(half, np.uint8),
                np.empty(half, np.uint8),
            )
        return self._spare


def finishing_for(
    finish: Finish, width: int, height: int, rate: float, lut: bytes
) -> Finishing | None:
    """What finishes a shot; None where nothing is done to it."""
    return None if finish.plain else Finishing(finish, width, height, rate, lut.decode())


def _rounded(table: NDArray[np.float32]) -> U8:
    out: U8 = np.rint(np.clip(table, 0, 255)).astype(np.uint8)
    return out


def _by_brightness(scale: NDArray[np.int32], more: NDArray[np.int32]) -> U8:
    """What becomes of each value of a colour plane (256) at each brightness (256), one after another: it is so many
    256ths as far from the middle, and so many 256ths of a step are added."""
    value = (np.arange(256) - 128) * scale[:, None] + more[:, None]
    out: U8 = np.clip(128 + ((value + 128) >> 8), 16, 240).astype(np.uint8)
    return out.ravel()


def _moved(window: Window, x: float, y: float) -> Window:
    # A little nearer, so that no edge comes in.
    reach = 2 * max(abs(x), abs(y))
    return Window(window.x + x / window.zoom, window.y + y / window.zoom, window.zoom * (1 + reach))


def _chance(at: int, salt: int) -> float:
    """A number in 0 … 1 that hangs on a frame and a purpose alone (the finaliser of splitmix64, Steele et al. 2014)."""
    z = (at * 0x9E3779B97F4A7C15 + salt * 0xBF58476D1CE4E5B9) & 0xFFFFFFFFFFFFFFFF
    z = ((z ^ (z >> 30)) * 0xBF58476D1CE4E5B9) & 0xFFFFFFFFFFFFFFFF
    z = ((z ^ (z >> 27)) * 0x94D049BB133111EB) & 0xFFFFFFFFFFFFFFFF
    return (z >> 11) / float(1 << 53)


@lru_cache(maxsize=4)
def _grain(pixel: int, width: int) -> NDArray[np.int8]:
    """Grain of film: noise whose grains are about `pixel` across, the same around its edges, shape (512, width +
    512)."""
    from scipy.ndimage import uniform_filter  # here, since it takes a second to load

    noise = np.random.default_rng(11).standard_normal((TILE, TILE)).astype(np.float32)
    smooth = uniform_filter(noise, 2 * pixel + 1, mode="wrap")
    mixed = 0.5 * noise / noise.std() + smooth / smooth.std()
    tile = np.clip(mixed * 30, -127, 127).astype(np.int8)
    out: NDArray[np.int8] = np.tile(tile, (1, -(-width // TILE) + 1))[:, : width + TILE].copy()
    return out


@lru_cache(maxsize=8)
def shade(width: int, height: int, vignette: float, paper: float) -> U8:
    """How bright each place stays, in 256ths (0 stands for 256): darker corners, and the fibres of paper."""
    y, x = np.ogrid[-1 : 1 : height * 1j, -1 : 1 : width * 1j]
    # Lenses lose light by the fourth power of the cosine of the angle; the angle here is a matter of taste.
    shade = (1 / (1 + (x * x * 0.9 + y * y * 0.7) * 0.75 * vignette)) ** 2
    if paper:
        shade = shade * (1 - 0.16 * paper * _fibres(width, height))
    out: U8 = (np.rint(np.clip(shade, 0, 1) * 256).astype(np.int64) % 256).astype(np.uint8)
    return out


def _fibres(width: int, height: int) -> NDArray[np.float64]:
    """The unevenness of paper, 0 … 1: cloudy, with fibres that lie all ways."""
    from scipy.ndimage import gaussian_filter  # here, since it takes a second to load

    rng = np.random.default_rng(5)
    unit = height / 720
    noise = rng.standard_normal((height, width))
    clouds = gaussian_filter(noise, 22 * unit, mode="wrap")
    lying = gaussian_filter(noise, (0.5 * unit, 4 * unit), mode="wrap")
    standing = gaussian_filter(
        rng.standard_normal((height, width)), (4 * unit, 0.5 * unit), mode="wrap"
    )
    mixed = clouds / clouds.std() * 0.6 + lying / lying.std() + standing / standing.std()
    out: NDArray[np.float64] = np.clip(0.5 + mixed * 0.2, 0, 1)
    return out


@lru_cache(maxsize=8)
def _edges(width: int, height: int, strength: float) -> U8:
    """How soft each place is, in 255ths: the middle is not."""
    y, x = np.ogrid[-1 : 1 : height * 1j, -1 : 1 : width * 1j]
    far = np.sqrt(x * x * 0.8 + y * y * 0.9)
    begins = 0.75 - 0.4 * strength
    share = np.clip((far - begins) / 0.5, 0, 1)
    out: U8 = np.rint(255 * share * share * (3 - 2 * share)).astype(np.uint8)
    return out


def blurred(plane: U8, out: U8, reach: float) -> None:
    """A plane blurred by about `reach` pixels: made smaller first, which is as smooth and much quicker."""
    by = max(1, int(reach / 2))
    small = np.empty((-(-plane.shape[0] // by), -(-plane.shape[1] // by)), np.float32)
    fast.smaller(plane, small, by, 0)
    if plane.shape[0] % by or plane.shape[1] % by:
        # Squares at the edge are not full.
        rows = np.minimum(by, plane.shape[0] - np.arange(small.shape[0]) * by)[:, None]
        columns = np.minimum(by, plane.shape[1] - np.arange(small.shape[1]) * by)[None, :]
        small *= by * by / (rows * columns)
    _enlarged(np.rint(_spread(small, reach / by)).astype(np.uint8), out)


def _spread(small: NDArray[np.float32], reach: float) -> NDArray[np.float32]:
    from scipy.ndimage import gaussian_filter  # here, since it takes a second to load

    out: NDArray[np.float32] = gaussian_filter(small, max(0.3, reach), mode="nearest")
    return out


def _enlarged(small: U8, out: U8) -> None:
    if small.shape == out.shape:
        out[:] = small
        return
    if min(small.shape) < 2:
        out[:] = small[0, 0]
        return
    kernel.sample(
        small, out, 0.0, 0.0, small.shape[1] / out.shape[1], small.shape[0] / out.shape[0]
    )


@lru_cache(maxsize=4)
def _in_planes(text: str) -> NDArray[np.int32]:
    """A look-up table of colours as one of brightness and colour planes; see `kernel_finish.looked_up`."""
    cube = read_cube(text)
    y, u, v = np.meshgrid(
        np.arange(65) * 4.0, np.arange(17) * 16.0, np.arange(17) * 16.0, indexing="ij"
    )
    luma = (y - BLACK) / RANGE
    blue, red = luma + (u - 128) * (1.8556 / 224), luma + (v - 128) * (1.5748 / 224)
    green = (luma - 0.2126 * red - 0.0722 * blue) / 0.7152
    rgb = cube.colours(np.clip(np.stack([red, green, blue], -1), 0, 1).astype(np.float32))
    r, g, b = rgb[..., 0], rgb[..., 1], rgb[..., 2]
    luma = 0.2126 * r + 0.7152 * g + 0.0722 * b
    out = [
        BLACK + luma * RANGE,
        128 + (b - luma) * (224 / 1.8556),
        128 + (r - luma) * (224 / 1.5748),
    ]
    table: NDArray[np.int32] = np.rint(np.clip(np.stack(out, -1), 0, 255)).astype(np.int32)
    return table

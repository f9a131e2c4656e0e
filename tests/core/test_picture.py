"""Planes, sampling, compositing, encoding and joining: what is decoded is what was composed."""

import io
import itertools

import av
import numpy as np
import pytest
from PIL import Image
from scipy.ndimage import map_coordinates
from skimage.metrics import peak_signal_noise_ratio, structural_similarity

from cutreel.core.captions import Caption
from cutreel.core.motion import path_for
from cutreel.core.render import (
    Compositor,
    Planes,
    PlannedShot,
    Shown,
    cover,
    encode_sound,
    frames_of,
    join,
    make_segment,
    media_of,
    paper_page,
    plan_segments,
    planes_of,
    split_init,
    timescale,
)
from cutreel.core.render.captioned import caption_planes
from cutreel.core.render.fragments import boxes
from cutreel.core.render.kernel import sample
from cutreel.core.render.kernel_mix import dissolve
from cutreel.core.render.kernel_over import sample_over, spans_of
from cutreel.core.timeline import FrameRate, Join, Span
from tests.conftest import run

pytestmark = pytest.mark.thorough

RATE = FrameRate.parse("24")


def smooth(height: int, width: int, channels: int = 3, seed: int = 5) -> np.ndarray:
    small = np.random.default_rng([seed, height, channels]).integers(
        0, 256, (9, 16, channels), dtype=np.uint8
    )
    return np.array(Image.fromarray(small).resize((width, height), Image.Resampling.BICUBIC))


@pytest.mark.parametrize(
    ("rgb", "yuv"),
    [
        # ITU-R BT.709, studio range, 8 bit: worked by hand from the luma coefficients.
        ((255, 255, 255), (235, 128, 128)),
        ((0, 0, 0), (16, 128, 128)),
        ((255, 0, 0), (63, 102, 240)),
        ((0, 255, 0), (173, 42, 26)),
        ((0, 0, 255), (32, 240, 118)),
        ((128, 128, 128), (126, 128, 128)),
    ],
)
def test_colours_by_bt709(rgb: tuple[int, int, int], yuv: tuple[int, int, int]) -> None:
    planes = planes_of(np.full((4, 4, 3), rgb, np.uint8))
    assert (planes.y[0, 0], planes.u[0, 0], planes.v[0, 0]) == yuv


def test_sampling_is_bilinear() -> None:
    """Against scipy's map_coordinates of order 1, to one grey level."""
    src = smooth(90, 160, 3)[..., 0].copy()
    out = np.empty((120, 200), np.uint8)
    x0, y0, step = 11.3, 7.7, 0.61
    sample(src, out, x0, y0, step, step)
    ys, xs = np.mgrid[0:120, 0:200]
    want = map_coordinates(
        src.astype(float),
        [y0 + (ys + 0.5) * step - 0.5, x0 + (xs + 0.5) * step - 0.5],
        order=1,
        mode="nearest",
    )
    assert np.abs(out - want).max() <= 1.0


def test_laying_over_is_alpha_compositing() -> None:
    src = smooth(60, 80, 4)
    src[:20], src[:, :10, 3] = 0, 0
    layer = planes_of(src)
    below = smooth(60, 80, 3)[..., 0].copy()
    out = below.copy()
    sample_over(layer.y, layer.alpha, layer.spans, out, 0.0, 0.0, 1.0, 1.0, 0)
    want = layer.y + below * (1 - layer.alpha / 255.0)
    assert np.abs(out - want).max() <= 1.5
    assert np.array_equal(out[:20], below[:20])
    assert np.array_equal(spans_of(layer.alpha)[:20], np.zeros((20, 2), np.int32))


def test_dissolving() -> None:
    a, b = np.full((4, 6), 200, np.uint8), np.full((4, 6), 100, np.uint8)
    dissolve(a, b, 64)
    assert np.all(a == 175)


def test_pictures_of_another_shape_are_never_letterboxed() -> None:
    for size in ((1000, 500), (500, 1000), (640, 640)):
        left, top, w, h = cover(*size, 1280, 720)
        assert left >= 0 and top >= 0 and left + w <= size[0] + 1e-6 and top + h <= size[1] + 1e-6
        assert w / h == pytest.approx(1280 / 720)


def layered(width: int = 320, height: int = 180) -> dict[str, Planes]:
    front = smooth(height, width, 4)
    front[: height // 2, :, 3] = 0
    front[height // 2 :, :, 3] = 255
    return {"back": planes_of(smooth(height, width)), "front": planes_of(front, 1.0)}


def plan(
    frames: tuple[int, ...] = (40, 40),
    dissolve_frames: int = 10,
    captions: tuple[Caption, ...] = (),
):
    shots = [
        PlannedShot(layers=[("back", 0.0), ("front", 1.0)]),
        PlannedShot(page=("The lamp was dark.", "2")),
    ]
    ends = np.cumsum(frames).tolist()
    spans = [Span(a, b) for a, b in zip([0, *ends], ends, strict=False)]
    return plan_segments(
        shots[: len(frames)],
        spans,
        [Join(dissolve_frames)] * len(frames),
        captions,
        RATE,
        320,
        180,
        "film",
    )


def film_of(tmp_path, plans) -> str:
    media = layered()
    segments = [make_segment(p, lambda name, depth: media[name]) for _, p in plans]
    tone = (0.1 * np.sin(np.arange(48_000 * 4) / 20)).astype(np.float32)
    total = sum(p.frames for _, p in plans)
    sound = tmp_path / "sound.m4a"
    sound.write_bytes(encode_sound([np.stack([tone, tone], 1)[: total * 2000]], 48_000))
    path = str(tmp_path / "film.mp4")
    assert join(segments, str(sound), RATE.fraction, path, {"title": "t"}) == total
    return path


def test_the_film_file_is_what_was_asked(tmp_path) -> None:
    """ffprobe and a strict decode, independent of what wrote the file; index before media (ISO/IEC 14496-12)."""
    path = film_of(tmp_path, plan())
    probe = run(
        "ffprobe",
        "-v",
        "error",
        "-count_frames",
        "-show_entries",
        "stream=codec_name,profile,nb_read_frames,r_frame_rate,pix_fmt,color_space,color_transfer,color_primaries,color_range,channels,start_time",
        "-of",
        "default=nw=1",
        path,
    ).stdout
    for line in (
        "codec_name=h264",
        "profile=High",
        "nb_read_frames=80",
        "r_frame_rate=24/1",
        "pix_fmt=yuv420p",
        "color_space=bt709",
        "color_transfer=bt709",
        "color_primaries=bt709",
        "color_range=tv",
        "codec_name=aac",
        "channels=2",
    ):
        assert line in probe, line
    strict = run("ffmpeg", "-v", "warning", "-xerror", "-i", path, "-f", "null", "-")
    assert strict.returncode == 0 and strict.stderr == ""
    data = (tmp_path / "film.mp4").read_bytes()
    kinds = [kind for kind, _, _ in boxes(data)]
    assert kinds.index(b"moov") < kinds.index(b"mdat")


def test_frames_decoded_are_the_frames_composed(tmp_path) -> None:
    """PSNR and SSIM by scikit-image, over shots, transition and captions alike."""
    plans = plan(captions=(Caption(0.3, 1.5, ("The lamp", "was dark."), 0, 4),))
    path = film_of(tmp_path, plans)
    media = layered()
    composed = [
        frame[0].copy() for _, p in plans for frame in frames_of(p, lambda name, depth: media[name])
    ]
    with av.open(path) as container:
        decoded = [f.to_ndarray()[:180, :320] for f in container.decode(video=0)]
    assert len(decoded) == len(composed)
    for one, other in zip(composed, decoded, strict=True):
        assert peak_signal_noise_ratio(one, other, data_range=255) > 34
        assert structural_similarity(one, other, data_range=255) > 0.9


def test_no_black_frozen_or_letterboxed_stretch(tmp_path) -> None:
    """ffmpeg's blackdetect, freezedetect and cropdetect on a moving picture."""
    path = film_of(tmp_path, plan(frames=(80,), dissolve_frames=0))
    said = run(
        "ffmpeg",
        "-hide_banner",
        "-i",
        path,
        "-vf",
        "blackdetect=d=0.04,freezedetect=n=0.0005:d=0.4,cropdetect=limit=20:round=2:reset=0",
        "-f",
        "null",
        "-",
    ).stderr
    assert "black_start" not in said and "freeze_start" not in said
    assert "crop=320:180:0:0" in said


def test_a_push_moves_smoothly() -> None:
    """The picture's middle column of brightness moves a little every frame and never jumps."""
    media = layered()
    desk = Compositor(320, 180)
    shown = Shown([media["back"]], path_for("push", 6.0), 96)
    frame = desk.new_frame()
    frames = []
    for i in range(96):
        desk.draw(shown, i, frame)
        frames.append(frame[0].astype(float))
    steps = [np.abs(b - a).mean() for a, b in itertools.pairwise(frames[10:-10])]
    assert min(steps) > 0 and max(steps) < 6 * np.median(steps)


def test_segments_have_keys_of_what_they_show() -> None:
    one, moved = plan(), plan(frames=(60, 40))
    assert one[-1][1].key == moved[-1][1].key, (
        "the same stretch elsewhere in the film is the same segment"
    )
    assert one[0][1].key != moved[0][1].key
    assert one[0][1].key == plan()[0][1].key
    assert len({p.key for _, p in one}) == len(one)


def test_transitions_change_no_time() -> None:
    assert (
        sum(p.frames for _, p in plan(dissolve_frames=0))
        == sum(p.frames for _, p in plan(dissolve_frames=18))
        == 80
    )


def test_fragments_move_to_their_time() -> None:
    media = layered()
    data = make_segment(plan()[0][1], lambda name, depth: media[name])
    init, fragments = split_init(data)
    assert init.startswith(data[:4]) and fragments
    moved = init + media_of(data, timescale(data) * 7)
    with av.open(io.BytesIO(moved)) as container:
        first = next(p for p in container.demux(video=0) if p.pts is not None)
    assert float(first.pts * first.time_base) == pytest.approx(7.0, abs=0.05)


def test_captions_are_light_with_a_dark_edge_and_inside_the_frame() -> None:
    for size in ((1920, 1080), (640, 360), (720, 1280), (640, 640)):
        words, top, left = caption_planes(
            ("The Saltmere ferry had not mis", "sed a crossing in forty years."), *size
        )
        height, width = words.y.shape
        assert (
            left >= 0
            and left + width <= size[0]
            and top + height <= size[1]
            and top > size[1] * 0.6
        )
        full = words.alpha > 225
        assert words.y[full].max() > 220 and words.y[full].min() < 60


def test_paper_pages_hold_their_words() -> None:
    page = paper_page("word " * 120, "12A", 640, 360)
    assert page.shape == (360, 640, 3) and page.mean() > 180
    assert (page[:, 120:] < 90).any()

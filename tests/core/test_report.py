"""A film's report: stretches in which nothing is seen or moves are compared with what ffmpeg's own detectors
(`blackdetect`, `freezedetect`) find on the same file."""

import re
import subprocess
from decimal import Decimal
from fractions import Fraction

import numpy as np
import pytest

from cutreel.core.film import (
    Looked,
    Offered,
    Settings,
    SoundMeasured,
    assemble,
    new_film,
    read_film,
    report_before,
)
from cutreel.core.publishing import ReportFigure, amiss, counted, stretches_of
from cutreel.core.render import encode_segment
from cutreel.making.reporting import looked_through

pytestmark = pytest.mark.thorough

RATE = Fraction(24)
WIDE, HIGH = 192, 108


def film_with(black: tuple[float, float], frozen: tuple[float, float], seconds: float) -> bytes:
    """A film whose picture moves but for two stretches."""
    rng = np.random.default_rng(7)
    grain = rng.integers(40, 200, (HIGH, WIDE + 400), dtype=np.uint8)

    def draw(number: int, out) -> None:
        at = number / 24
        moved = number if not frozen[0] <= at < frozen[1] else round(frozen[0] * 24)
        out[0][:] = 16 if black[0] <= at < black[1] else grain[:, moved % 400 :][:, :WIDE]
        out[1][:], out[2][:] = 128, 128

    return encode_segment(draw, round(seconds * 24), WIDE, HIGH, RATE, "film")


def found_by_ffmpeg(path: str, kind: str) -> list[tuple[float, float]]:
    told = subprocess.run(
        ["ffmpeg", "-v", "info", "-i", path, "-vf", kind, "-an", "-f", "null", "-"],
        capture_output=True, text=True, check=True,
    ).stderr  # fmt: skip
    word = "black" if "black" in kind else "freeze"
    starts = [float(n) for n in re.findall(rf"{word}_start[:=] ?([\d.]+)", told)]
    ends = [float(n) for n in re.findall(rf"{word}_end[:=] ?([\d.]+)", told)]
    return list(zip(starts, ends, strict=True))


def test_black_and_frozen_stretches_are_those_that_ffmpeg_finds(tmp_path) -> None:
    path = tmp_path / "film.mp4"
    path.write_bytes(film_with((6.0, 10.0), (16.0, 24.0), 30.0))
    colour, pictures = looked_through(path)
    assert colour == (1, 1, 1)
    ours = stretches_of(pictures, 30.0)
    theirs = {
        "black": found_by_ffmpeg(str(path), "blackdetect=d=1"),
        "frozen": [
            s
            for s in found_by_ffmpeg(str(path), "freezedetect=n=-50dB:d=4")
            if s[1] - s[0] < 7.99 or s[0] > 10.5
        ],
    }
    assert [s.kind for s in ours] == ["black", "frozen"]
    for stretch in ours:
        (start, end) = next(t for t in theirs[stretch.kind] if t[1] > stretch.start)
        # Whole pictures stand two seconds apart at most.
        assert abs(stretch.start - start) <= 2.05 and abs(stretch.end - end) <= 2.05


def test_a_dip_and_a_rest_are_no_complaint() -> None:
    dark, grey = np.full((4, 4), 16, np.uint8), np.full((4, 4), 90, np.uint8)
    light = np.arange(16, dtype=np.uint8).reshape(4, 4) * 8
    dip = [(0.0, light), (1.0, dark), (1.5, light), (2.0, grey), (4.0, grey), (5.0, light)]
    assert stretches_of(dip, 6.0) == []


def looked(**more) -> Looked:
    values = {
        "faulty": [], "departing": [], "accepted": 0, "sound": None, "spent": {}, "currency": "",
    }  # fmt: skip
    return Looked(**{**values, **more})


@pytest.fixture(scope="module")
def film():
    document, _ = new_film(
        "The lamp",
        "Ada lit the lamp.\n\nBram laughed. Nobody else came that night.\n",
        Settings(kind="documentary"),
    )
    return assemble("f", read_film(document, Offered()), {}, lambda keys: {})


def named(figures: list[ReportFigure]) -> dict[str, ReportFigure]:
    return {f.what: f for f in figures}


def test_a_report_says_what_is_amiss_and_where_it_is_mended(film) -> None:
    told = named(report_before(film, looked(sound=SoundMeasured(-18.2, -0.4, [0]))))
    assert told["shots without a picture"].good is False
    assert told["shots without a picture"].where.shot == film.read.shots[0].shot.id
    assert told["loudness"].good is False and told["loudness"].found == "−18.2 LUFS"
    assert told["true peak"].good is False and told["true peak"].where.view == "mix"
    assert told["lines hard to follow beside the rest"].found.startswith("1, in ")
    assert told["sources in the manuscript"].good is False, "it tells facts"
    assert told["departures from the continuity sheet"].good is True
    assert told["joins"].good is None, "told, not aimed at"


def test_what_was_spent_is_told_by_kind(film) -> None:
    spent = {"picture": Decimal("1.25"), "speech": Decimal("0.5"), "clip": Decimal(0)}
    told = named(report_before(film, looked(spent=spent, currency="crowns")))
    assert told["spent, crowns"].found == "1.75: picture 1.25, speech 0.50"


def test_many_are_counted_and_few_named() -> None:
    figure = counted("pictures", "stale pictures", [str(n) for n in range(9)], None)
    assert figure.found == "9, in 0, 1, 2, 3, 4, 5 …" and figure.good is False
    assert counted("pictures", "stale pictures", [], None).found == "none"
    assert amiss([figure, ReportFigure(section="film", what="length", found="1 s")]) == [figure]

"""The kinds of film file: by what they are for, in which container, with which sound and captions."""

from collections.abc import Mapping
from typing import Literal, NamedTuple, get_args

FileForm = Literal["web", "archive", "vp9", "av1", "master"]
FORMS: tuple[FileForm, ...] = get_args(FileForm)
Quality = Literal["preview", "film", "archive", "vp9", "av1", "master"]
"""How a segment is encoded."""
SoundCodec = Literal["aac", "libopus", "flac"]
SubtitleCodec = Literal["mov_text", "webvtt", "subrip"]


class Form(NamedTuple):
    """A kind of film file: how its segments are encoded, its container and ending, its sound and captions; and what
    ffprobe calls its picture and its sound."""

    quality: Quality
    container: str
    ending: str
    sound: SoundCodec
    subtitles: SubtitleCodec
    picture_name: str
    sound_name: str


FILE_FORMS: Mapping[FileForm, Form] = {
    "web": Form("film", "mp4", "mp4", "aac", "mov_text", "h264", "aac"),
    "archive": Form("archive", "mp4", "mp4", "aac", "mov_text", "h264", "aac"),
    "vp9": Form("vp9", "webm", "webm", "libopus", "webvtt", "vp9", "opus"),
    "av1": Form("av1", "webm", "webm", "libopus", "webvtt", "av1", "opus"),
    "master": Form("master", "matroska", "mkv", "flac", "subrip", "ffv1", "flac"),
}


class Encoding(NamedTuple):
    """An encoder, the container of its segments, its options; `ahead` is by how many frames decoding runs before
    showing."""

    codec: str
    container: str
    options: Mapping[str, str]
    ahead: int = 0


_PAIRED = "bframes=2:b-pyramid=none:b-adapt=0:ref=2:stitchable=1"
_TAGS = "colorprim=bt709:transfer=bt709:colormatrix=bt709:range=tv"


def _h264(preset: str, crf: str, gop: int) -> Encoding:
    told = [
        f"keyint={gop}:min-keyint=1:scenecut=0:open-gop=0",
        _PAIRED,
        _TAGS,
        "sliced-threads=0:threads=1",
    ]
    options = {"preset": preset, "crf": crf, "profile": "high", "x264-params": ":".join(told)}
    return Encoding("libx264", "mp4", options, ahead=1)


def encoding_of(quality: Quality, gop: int) -> Encoding:
    """How segments of a quality are encoded, with a whole picture every `gop` frames at the latest."""
    if quality == "vp9":
        options = {
            "deadline": "realtime", "cpu-used": "6", "crf": "30", "b": "0", "g": str(gop),
            # No hidden frames: then each packet is a frame, and segments can stand one behind another.
            "auto-alt-ref": "0", "lag-in-frames": "0",
        }  # fmt: skip
        return Encoding("libvpx-vp9", "matroska", options)
    if quality == "av1":
        options = {"preset": "9", "crf": "30", "g": str(gop), "svtav1-params": "pred-struct=1:lp=1"}
        return Encoding("libsvtav1", "matroska", options)
    if quality == "master":
        options = {"level": "3", "slices": "4", "slicecrc": "1", "g": "1"}
        return Encoding("ffv1", "matroska", options)
    preset, crf = {
        "preview": ("ultrafast", "25"),
        "film": ("veryfast", "20"),
        "archive": ("medium", "10"),
    }[quality]
    return _h264(preset, crf, gop)

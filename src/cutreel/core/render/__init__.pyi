"""From pictures and paths to frames, from frames to segments, from segments to a film."""

from .carded import Laid, card_at
from .compositor import Compositor, Shown
from .contrast import LEAST_CONTRAST, contrast_between, contrast_of
from .encode import (
    ENCODER_VERSION,
    CaptionTrack,
    FilmChapter,
    FilmLine,
    encode_segment,
    encode_sound,
    encode_sound_as,
    join,
)
from .forms import FILE_FORMS, FORMS, FileForm, Form, Quality
from .fragments import boxes, media_of, split_init, timescale
from .pages import paper_page
from .plan import PlannedShot, Scene, SegmentPlan, plan_film, plan_segments, whole_shots
from .planes import Planes, cover, planes_of, rgb_of
from .puppet import Puppet
from .sample import render_sample
from .segment import frames_of, make_segment, painter
from .words import CaptionSpan, CardSpan, PictureWords

# fmt: off
__all__ = [
    "ENCODER_VERSION",
    "FILE_FORMS",
    "FORMS",
    "LEAST_CONTRAST",
    "CaptionSpan",
    "CaptionTrack",
    "CardSpan",
    "Compositor",
    "FileForm",
    "FilmChapter",
    "FilmLine",
    "Form",
    "Laid",
    "PictureWords",
    "Planes",
    "PlannedShot",
    "Puppet",
    "Quality",
    "Scene",
    "SegmentPlan",
    "Shown",
    "boxes",
    "card_at",
    "contrast_between",
    "contrast_of",
    "cover",
    "encode_segment",
    "encode_sound",
    "encode_sound_as",
    "frames_of",
    "join",
    "make_segment",
    "media_of",
    "painter",
    "paper_page",
    "plan_film",
    "plan_segments",
    "planes_of",
    "render_sample",
    "rgb_of",
    "split_init",
    "timescale",
    "whole_shots",
]
# fmt: on

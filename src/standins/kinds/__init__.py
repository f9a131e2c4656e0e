"""Everything that the stand-ins do, by kind of work: one module a kind."""

from collections.abc import Mapping
from pathlib import Path
from typing import Any

from cutreel.protocol import JobInput

from .base import Done, Made, Maker, Quotas
from .clip import Animator
from .enlarge import Enlarger
from .music import Composer
from .picture import PictureMaker
from .reading import Reader
from .script import Writer
from .sound import SoundMaker
from .speech import Speaker
from .translation import Translator
from .voice import VoiceMaker

MAKERS: Mapping[str, Maker[Any]] = {
    "picture": PictureMaker(),
    "enlarge": Enlarger(),
    "clip": Animator(),
    "speech": Speaker(),
    "sound": SoundMaker(),
    "music": Composer(),
    "script": Writer(),
    "reading": Reader(),
    "voice": VoiceMaker(),
    "translation": Translator(),
}


def do(job: JobInput, kept: Path, fine: bool) -> Done:
    """Do one job, in a process of its own."""
    return MAKERS[job.kind].make(job, kept, fine)


__all__ = ["MAKERS", "Done", "Made", "Maker", "Quotas", "do"]

"""The film's sound: every line, cue and the music laid into one mix, block by block, and that mix
encoded."""

import tempfile
from collections.abc import Iterator
from mmap import ACCESS_READ, mmap
from pathlib import Path
from typing import Any

from cutreel.core.render import encode_sound, split_init
from cutreel.core.sound import RATE, Loudness, Sound, TruePeaks
from cutreel.store import Assembled, ItemSpec

from ..audio import decoded_blocks
from ..mixing import MixSpec, in_blocks, mix_spec, mixer_of, understood_in
from ..registry import COMPUTING, Kind, Made, Wanted, item
from ..work import Work
from ..workshop import Workshop

FRAGMENT_SECONDS = 4.0


class MixKind(Kind[MixSpec]):
    """Mixes and encodes, and measures what came of it on the decoded file, since that is what is
    heard."""

    spec = MixSpec
    queue = COMPUTING

    def make(self, spec: MixSpec, work: Work) -> Made | None:
        mixer = mixer_of(work.shop, spec)
        for done, _ in enumerate(in_blocks(mixer, mixer.heard)):
            work.progress(0.4 * done / mixer.blocks)
            if work.dropped():
                return None
        mastered = mixer.mastered(spec.loudness)

        def sound() -> Iterator[Sound]:
            blocks = in_blocks(mixer, lambda block: mixer.sound(block, mastered))
            for done, block in enumerate(blocks):
                work.progress(0.4 + 0.4 * done / mixer.blocks)
                yield block

        with tempfile.TemporaryDirectory(prefix="cutreel-mix-") as folder:
            path = Path(folder) / "mix.m4a"
            encode_sound(sound(), RATE, FRAGMENT_SECONDS, str(path))
            loudness, peaks = Loudness(RATE), TruePeaks(RATE // 100)
            for block in decoded_blocks(path):
                loudness.add(block)
                peaks.add(block)
            about = {
                "integrated_lufs": round(loudness.lufs, 2),
                "true_peak_dbtp": round(peaks.dbtp, 2),
                "range_lu": round(mastered.range, 2),
                "seconds": spec.seconds,
                "understood": understood_in(mixer),
                **_fragments(path),
            }
            return Made(work.shop.media.put_file(path, "m4a"), about)


def _fragments(path: Path) -> dict[str, Any]:
    """Where in the file a player finds what it needs first, and each fragment: `init` bytes, and (start, end)."""
    with path.open("rb") as file, mmap(file.fileno(), 0, access=ACCESS_READ) as data:
        init, fragments = split_init(data)
        return {"init": len(init), "fragments": fragments}


def missing_mix(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    """The mix, unless this one is there."""
    spec = mix_spec(film)
    if shop.results.known([spec.key]):
        return []
    return [item(spec, "mix the sound", weight=mix_weight(film))]


def mix_weight(film: Assembled) -> float:
    """About how many seconds mixing a film takes; what it says is only shown as time left."""
    return 1 + film.seconds * 0.03

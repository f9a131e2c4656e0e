"""The preview: the whole film at small size as HLS, from the same plan; a worker renders segments and
mixes the sound when a player asks."""

import time
from dataclasses import dataclass
from fractions import Fraction

from cutreel.core.errors import CutReelError
from cutreel.core.render import SegmentPlan, media_of, split_init, timescale
from cutreel.store import Assembled, Result

from .kinds.mix import mix_weight
from .kinds.segment import SegmentSpec
from .mixing import mix_spec
from .planning import planned_segments
from .registry import Spec
from .workshop import Workshop

WAIT = 60.0
"""Seconds for which a request waits for a worker."""
LOOK_EVERY = 0.08


@dataclass(frozen=True)
class PreviewSound:
    """Whether a film's sound is mixed, and if not, about how many seconds mixing it takes."""

    ready: bool
    seconds: float


@dataclass(frozen=True)
class Playlists:
    """The playlists of one version of the film. `version` changes when anything seen or heard
    changes."""

    version: str
    video: str
    audio: str


class PreviewDesk:
    """Serves a film's preview."""

    def __init__(self, shop: Workshop) -> None:
        self.shop = shop
        self._plans: dict[str, SegmentPlan] = {}
        self._inits: dict[str, bytes] = {}

    def version(self, film: Assembled) -> str:
        """A name for the film as it looks and sounds now, good for as long as this process runs."""
        return f"{hash(film.appearance) & 0xFFFFFFFFFFFFFFFF:016x}"

    def sound(self, film: Assembled) -> PreviewSound:
        """How it stands with the sound; mixing it begins when it is not there yet."""
        spec = mix_spec(film)
        ready = bool(self.shop.results.known([spec.key]))
        if not ready:
            self.shop.queue.put_waited(spec)
        return PreviewSound(ready, mix_weight(film))

    def playlists(self, film: Assembled) -> Playlists:
        """Playlists of the whole film; for its sound a worker is waited for. Raises CutReelError when that takes
        longer than a page should wait."""
        plans = planned_segments(film, "preview")
        mixed = self._made(mix_spec(film))
        longest = max((p.frames for _, p in plans), default=1)
        lines = [
            "#EXTM3U",
            "#EXT-X-VERSION:7",
            "#EXT-X-PLAYLIST-TYPE:VOD",
            f"#EXT-X-TARGETDURATION:{int(film.rate.seconds(longest)) + 1}",
        ]
        for i, (first, plan) in enumerate(plans):
            self._plans[plan.key] = plan
            if i == 0:
                lines.append(f'#EXT-X-MAP:URI="segments/{plan.key}/init.mp4"')
            lines += [
                f"#EXTINF:{film.rate.seconds(plan.frames):.5f},",
                f"segments/{plan.key}/{first}.m4s",
            ]
        sound = [
            "#EXTM3U",
            "#EXT-X-VERSION:7",
            "#EXT-X-PLAYLIST-TYPE:VOD",
            "#EXT-X-TARGETDURATION:8",
        ]
        sound.append(f'#EXT-X-MAP:URI="/media/{mixed.media}",BYTERANGE="{mixed.data["init"]}@0"')
        fragments = mixed.data["fragments"]
        each = film.seconds / max(1, len(fragments))
        for start, end in fragments:
            sound += [
                f"#EXTINF:{each:.5f},",
                f"#EXT-X-BYTERANGE:{end - start}@{start}",
                f"/media/{mixed.media}",
            ]
        return Playlists(
            self.version(film),
            "\n".join([*lines, "#EXT-X-ENDLIST", ""]),
            "\n".join([*sound, "#EXT-X-ENDLIST", ""]),
        )

    def segment(self, film: str, name: str) -> bytes:
        """The bytes of a segment, rendered first if need be."""
        found = self.shop.results.get(name)
        if found is not None and found.media is not None:
            return self.shop.media.get(found.media)
        if name not in self._plans:
            for _, known in planned_segments(self.shop.assembled(film), "preview"):
                self._plans[known.key] = known
        plan = self._plans.get(name)
        if plan is None:
            raise CutReelError("The film has changed since.", "Load it again.")
        return self.shop.media.get(self._made(SegmentSpec(plan=plan)).media or "")

    def _made(self, spec: Spec) -> Result:
        """What is made from a spec, by a worker if it is not there yet."""
        found = self.shop.results.get(spec.key)
        if found is None:
            self.shop.queue.put_waited(spec)
            until = time.monotonic() + WAIT
            while found is None and time.monotonic() < until:
                time.sleep(LOOK_EVERY)
                found = self.shop.results.get(spec.key)
        if found is None:
            raise CutReelError("The preview takes longer than usual.", "Play again in a moment.")
        return found

    def part(self, film: str, name: str, part: str) -> bytes:
        """`init.mp4`, or `FRAME.m4s`: the segment moved to where it stands in the film."""
        data = self.segment(film, name)
        if part == "init.mp4":
            return split_init(data)[0]
        plan = self._plans.get(name)
        rate = plan.fps if plan else self.shop.films.get(film).document.settings.fps
        return media_of(
            data, round(int(part.removesuffix(".m4s")) * timescale(data) / Fraction(rate))
        )

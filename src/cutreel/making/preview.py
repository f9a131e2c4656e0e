"""The preview: the whole film at small size as HLS, from the same plan; segments are rendered when
a player asks."""

import time
from dataclasses import dataclass
from fractions import Fraction

from cutreel.core.errors import CutReelError
from cutreel.core.render import SegmentPlan, media_of, split_init, timescale
from cutreel.store import Assembled

from .kinds.mix import mix_spec, mixed
from .planning import planned_segments
from .workshop import Workshop

WAIT = 60.0


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
        line = film.timeline
        burned = line.captions if film.document.settings.captions == "burn" else ()
        parts = (line.clips, line.joins, line.sounds, burned, film.document.settings.aspect)
        return f"{hash((str(line.rate), *(tuple(p) for p in parts))) & 0xFFFFFFFFFFFFFFFF:016x}"

    def playlists(self, film: Assembled) -> Playlists:
        """Playlists of the whole film; the mix is made now if it is not there yet."""
        plans = planned_segments(film, "preview")
        media = self._mix(film)
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
        data = self.shop.media.get(media)
        init, fragments = split_init(data)
        sound = [
            "#EXTM3U",
            "#EXT-X-VERSION:7",
            "#EXT-X-PLAYLIST-TYPE:VOD",
            "#EXT-X-TARGETDURATION:8",
        ]
        sound.append(f'#EXT-X-MAP:URI="/media/{media}",BYTERANGE="{len(init)}@0"')
        each = film.seconds / max(1, len(fragments))
        for start, end in fragments:
            sound += [
                f"#EXTINF:{each:.5f},",
                f"#EXT-X-BYTERANGE:{end - start}@{start}",
                f"/media/{media}",
            ]
        return Playlists(
            self.version(film),
            "\n".join([*lines, "#EXT-X-ENDLIST", ""]),
            "\n".join([*sound, "#EXT-X-ENDLIST", ""]),
        )

    def _mix(self, film: Assembled) -> str:
        """The media file of the film's sound."""
        spec = mix_spec(film)
        found = self.shop.results.get(spec.key)
        if found is None or found.media is None:
            made = mixed(self.shop, spec)
            self.shop.results.put(spec.key, spec.kind, made.media, dict(made.data))
            return made.media or ""
        return found.media

    def segment(self, film: str, name: str) -> bytes:
        """The bytes of a segment, rendered first if need be."""
        found = self.shop.results.get(name)
        if found is None:
            if name not in self._plans:
                for _, known in planned_segments(self.shop.assembled(film), "preview"):
                    self._plans[known.key] = known
            plan = self._plans.get(name)
            if plan is None:
                raise CutReelError("The film has changed since.", "Load it again.")
            self.shop.queue.put_segment(name, plan.model_dump(mode="json"))
            until = time.monotonic() + WAIT
            while found is None and time.monotonic() < until:
                time.sleep(0.08)
                found = self.shop.results.get(name)
        if found is None or found.media is None:
            raise CutReelError("The preview takes longer than usual.", "Play again in a moment.")
        return self.shop.media.get(found.media)

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

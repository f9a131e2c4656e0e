"""A film as it stands: what was read of it, with everything made for it so far laid in.

What is not made yet is stood in for: estimated times for unspoken lines, a paper page for a missing
picture.
"""

from collections.abc import Collection
from dataclasses import dataclass
from functools import cached_property

from cutreel.core.captions import Caption, captions_of
from cutreel.core.film import FilmDocument, ReadFilm, ReadShot, read_film
from cutreel.core.keys import key, seed_from
from cutreel.core.render import PlannedShot
from cutreel.core.sound import Cue, ambience_cues, music_mood, own_cues, spot_cues
from cutreel.core.timeline import FrameRate, LineSound, Span, Timing, cut_points, lay_out
from cutreel.protocol import Offer

from .offers import prompt_cap, text_cap, understood, voices_offered
from .results import Result, ResultStore
from .takes import TakeRow, TakeStore

SOUND_SECONDS = {"ambience": 12.0, "spot": 2.5}
SOUND_VERSION = MUSIC_VERSION = 1


@dataclass(frozen=True)
class Assembled:
    """A film with its times. Lists run beside `read.shots` or `read.speech`."""

    film: str
    read: ReadFilm
    rate: FrameRate
    spoken: dict[int, Result]
    timing: Timing
    spans: list[Span]
    takes: list[list[TakeRow]]
    used: list[TakeRow | None]
    cues: list[Cue]
    mood: str | None
    music_key: str | None
    sounds: dict[str, Result]
    captions: list[Caption]

    @property
    def document(self) -> FilmDocument:
        return self.read.document

    @property
    def frames(self) -> int:
        return self.spans[-1].end if self.spans else 0

    @property
    def seconds(self) -> float:
        return self.rate.seconds(self.frames)

    @cached_property
    def voiced(self) -> list[bool]:
        """For each shot whether all of its words are spoken."""
        words = {
            i
            for n in self.spoken
            for i in range(self.read.speech[n].first, self.read.speech[n].end)
        }
        return [all(i in words for i in range(s.first, s.end)) for s in self.read.shots]

    def planned(self) -> list[PlannedShot]:
        """What every shot shows now."""
        out = []
        for shot, take in zip(self.read.shots, self.used, strict=True):
            if take is None:
                out.append(PlannedShot(page=(shot.text, shot.shot.edge), move="still"))
            else:
                out.append(
                    PlannedShot(layers=list(take.layers), move=shot.move, focus=focus_of(take))
                )
        return out

    def dissolves(self) -> list[int]:
        """Wanted frames of the transition behind each shot."""
        return [self.rate.frames(self.document.settings.dissolve)] * len(self.spans)


def assemble(
    film: str, document: FilmDocument, offers: list[Offer], results: ResultStore, takes: TakeStore
) -> Assembled:
    """Lay everything made so far into the film."""
    offer = document.settings.offer
    read = read_film(
        document,
        prompt_cap(offers, offer),
        voices_offered(offers),
        text_cap(offers),
        understood(offers, offer),
    )
    rate = FrameRate.parse(document.settings.fps)
    found = results.many([line.key for line in read.speech])
    spoken = {i: found[line.key] for i, line in enumerate(read.speech) if line.key in found}
    timing = lay_out(
        read.script,
        [(w.first, w.end) for w in read.speech],
        {
            i: LineSound(r.data["seconds"], tuple((a, b) for a, b in r.data["words"]))
            for i, r in spoken.items()
        },
        read.pauses,
        [w.length for w in read.speech],
    )
    alone = {i: s.shot.hold for i, s in enumerate(read.shots) if s.end == s.first}
    spans = cut_points(read.opens, timing, rate, alone)
    all_takes = takes.of_film(film)
    takes_of = [all_takes.get(s.picture_of, []) for s in read.shots]
    circled = {s.shot.id: s.shot.circled for s in read.shots}
    rejected = {s.shot.id: s.shot.rejected for s in read.shots}
    facts = [s.facts for s in read.shots]
    cues = [
        c
        for c in [
            *ambience_cues(facts, spans, rate, [s.shot.id for s in read.shots]),
            *spot_cues(read.script, read.ids, timing.words, read.opens),
            *own_cues(
                [s.shot.own.sound for s in read.shots], spans, rate, [s.shot.id for s in read.shots]
            ),
        ]
        if c.id not in document.lifted_cues
    ]
    mood = music_mood(document.settings.music, facts)
    seconds = rate.seconds(spans[-1].end) if spans else 0.0
    music = music_key_of(mood, seconds, document.settings.seed) if mood else None
    wanted = [sound_key_of(c, document.settings.seed) for c in cues] + ([music] if music else [])
    return Assembled(
        film,
        read,
        rate,
        spoken,
        timing,
        spans,
        takes_of,
        [
            used_take(s, t, circled[s.picture_of], rejected[s.picture_of])
            for s, t in zip(read.shots, takes_of, strict=True)
        ],
        cues,
        mood,
        music,
        results.many(wanted),
        captions_of(read.script.words, timing.words),
    )


def used_take(
    shot: ReadShot, takes: list[TakeRow], circled_id: str | None, rejected: Collection[str] = ()
) -> TakeRow | None:
    """The take that a shot uses: the circled one; when that is stale and a fresh one was made, the
    newest fresh one.

    With nothing circled the first fresh take, else the newest of all. A rejected take is never
    used.
    """
    takes = [t for t in takes if t.id not in rejected]
    fresh = [t for t in takes if is_fresh(shot, t)]
    circled = next((t for t in takes if t.id == circled_id), None)
    if circled is not None and (is_fresh(shot, circled) or not fresh):
        return circled
    if circled is not None:
        return fresh[-1]
    return fresh[0] if fresh else (takes[-1] if takes else None)


def is_fresh(shot: ReadShot, take: TakeRow) -> bool:
    """Whether a take was made from what its shot asks for now. A picture the maker brought is never
    stale; one with just the seed that was then set for its shot is as good as made from it; one
    made in another look on purpose is as fresh as what it was made beside."""
    if take.brought or take.made_from == shot.picture_key:
        return True
    pinned = take.made_from == shot.unpinned_key and take.seed == shot.seed
    return pinned or take.about.get("restyled", {}).get("beside") == shot.picture_key


def focus_of(take: TakeRow) -> tuple[float, float]:
    """Where the camera aims: the middle of whoever is in the picture, a little above, else the
    middle of the frame."""
    boxes = [r["box"] for r in take.about.get("regions", [])]
    if not boxes:
        return (0.5, 0.5)
    x = sum((b[0] + b[2]) / 2 for b in boxes) / len(boxes)
    y = sum(b[1] + (b[3] - b[1]) * 0.35 for b in boxes) / len(boxes)
    return (round(0.5 + (x - 0.5) * 0.7, 3), round(0.5 + (y - 0.5) * 0.7, 3))


def sound_key_of(cue: Cue, seed: int) -> str:
    """The key of the sound that a cue asks for: the same prompt is made once in a film."""
    return key(
        "sound",
        SOUND_VERSION,
        prompt=cue.prompt,
        seconds=SOUND_SECONDS[cue.kind],
        seed=seed_from(seed, cue.prompt),
    )


def music_key_of(mood: str, seconds: float, seed: int) -> str:
    """The key of the music: its length is the film's, to a tenth of a second."""
    return key("music", MUSIC_VERSION, mood=mood, seconds=round(seconds, 1), seed=seed)

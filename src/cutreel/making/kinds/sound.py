"""Sounds of cues and the film's music: asked of a sound maker and a composer."""

from collections.abc import Sequence
from dataclasses import asdict
from decimal import Decimal
from typing import Any, ClassVar

from cutreel.core.film import makings_of
from cutreel.core.sound import (
    music_seconds,
    music_seed,
    sound_key_of,
    sound_seconds,
    sound_seed,
    theme_number,
)
from cutreel.protocol import MusicInput, Offer, SoundInput
from cutreel.store import Assembled, ItemSpec

from ..registry import Kind, Made, Spec, Wanted, item, offer_for
from ..work import Work
from ..workshop import Workshop
from .fitted import FittedSpec
from .paced import PacedSpec

LEAST_MUSIC = 4.0
"""Seconds: a shorter piece has no end that could be heard as one."""


class SoundSpec(Spec):
    """What is heard, for how long. `sound` is the key that the film knows the sound by; `by` is the offer that was
    chosen to make it (empty: whichever is first)."""

    kind: ClassVar[str] = "sound"
    sound: str
    prompt: str
    seconds: float
    seed: int
    by: str = ""

    @property
    def key(self) -> str:
        return self.sound


class MusicSpec(Spec):
    """A mood that ends at a second, and the score it follows. `music` is the key that the film knows the music by;
    `by` as for a sound."""

    kind: ClassVar[str] = "music"
    music: str
    mood: str
    seconds: float
    seed: int
    course: tuple[tuple[float, float], ...] = ()
    hits: tuple[float, ...] = ()
    rests: tuple[tuple[float, float], ...] = ()
    theme: int | None = None
    instruments: tuple[str, ...] = ()
    by: str = ""

    @property
    def key(self) -> str:
        return self.music


class SoundKind(Kind[SoundSpec]):
    spec = SoundSpec

    def make(self, spec: SoundSpec, work: Work) -> Made | None:
        job = SoundInput(prompt=spec.prompt, seconds=spec.seconds, seed=spec.seed)
        return _heard(work, work.offer_of("sound", spec.by), job, spec)

    def price(self, spec: SoundSpec, offers: Sequence[Offer]) -> Decimal:
        offer = offer_for("sound", offers, spec.by)
        return offer.price.amount if offer else Decimal(0)


class MusicKind(Kind[MusicSpec]):
    spec = MusicSpec

    def make(self, spec: MusicSpec, work: Work) -> Made | None:
        offer = work.offer_of("music", spec.by)
        return _heard(work, offer, score_sent(spec, offer), spec)

    def price(self, spec: MusicSpec, offers: Sequence[Offer]) -> Decimal:
        offer = offer_for("music", offers, spec.by)
        return offer.price.amount * Decimal(str(spec.seconds)) if offer else Decimal(0)


def score_sent(spec: MusicSpec, offer: Offer) -> MusicInput:
    """What is asked of a composer: of a score only what its offer follows."""
    score: dict[str, Any] = {
        "course": spec.course,
        "hits": spec.hits,
        "rests": spec.rests,
        "theme": spec.theme,
        "instruments": next((i for i in spec.instruments if i in offer.instruments), ""),
    }
    followed = {name: told for name, told in score.items() if name in offer.follows}
    seconds = max(LEAST_MUSIC, spec.seconds)
    return MusicInput(mood=spec.mood, seconds=seconds, seed=spec.seed, **followed)


def _heard(work: Work, offer: Offer, job: SoundInput | MusicInput, spec: Spec) -> Made | None:
    done = work.ask(offer.name, job, spec)
    if done is None:
        return None
    about, data = done.files[0]
    told = {**about.data, **({"rights": dict(done.rights)} if done.rights else {})}
    for file, notes in done.files[1:]:
        if file.media_type == "audio/midi":
            told["notes"] = work.shop.media.put(notes, "mid")
    return Made(work.shop.media.put(data, "flac"), told, done.cost)


def missing_sounds(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    """Effects and ambiences that were not made yet, with all makings that are wanted, each different one once."""
    out: dict[str, ItemSpec] = {}
    seed = film.document.settings.seed
    chosen = {c.id: c for c in film.document.cue_choices}
    for cue in (m for c in film.cues for m in makings_of(c, chosen.get(c.id))):
        name = sound_key_of(cue, seed)
        if cue.stretch is not None and name not in film.sounds:
            paced = PacedSpec(media=cue.own, **asdict(cue.stretch))
            out[name] = item(paced, f"{cue.prompt}, as quick as it plays", weight=0.3)
        elif cue.kind != "music" and not cue.own and name not in film.sounds:
            spec = SoundSpec(
                sound=name,
                prompt=cue.prompt,
                seconds=sound_seconds(cue),
                seed=sound_seed(cue.prompt, seed, cue.seed),
                by=cue.by,
            )
            out[name] = item(spec, f"sound of {cue.prompt}", weight=0.6)
    return list(out.values())


def missing_music(film: Assembled, wanted: Wanted, shop: Workshop) -> list[ItemSpec]:
    """The pieces of music that were not composed yet, each different one once."""
    out: dict[str, ItemSpec] = {}
    seed = film.document.settings.seed
    chosen = {c.id: c for c in film.document.cue_choices}
    for cue in (m for c in film.cues for m in makings_of(c, chosen.get(c.id))):
        name = sound_key_of(cue, seed)
        if cue.kind != "music" or name in film.sounds:
            continue
        if cue.own:
            own = FittedSpec(media=cue.own, seconds=music_seconds(cue.end - cue.start))
            out[name] = item(own, f"{cue.prompt}, to length", weight=2 + own.seconds * 0.02)
        else:
            spec = MusicSpec(
                music=name,
                mood=cue.mood,
                seconds=music_seconds(cue.end - cue.start),
                seed=music_seed(cue.mood, seed, cue.seed),
                course=cue.score.course,
                hits=cue.score.hits,
                rests=cue.score.rests,
                theme=theme_number(cue.score.theme, seed) if cue.score.theme else None,
                instruments=cue.score.instruments,
                by=cue.by,
            )
            out[name] = item(spec, cue.prompt, weight=1 + spec.seconds * 0.05)
    return list(out.values())

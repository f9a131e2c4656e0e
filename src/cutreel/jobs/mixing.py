"""The film's sound: every line, cue and the music laid into one mix, and that mix encoded."""

from collections.abc import Callable

from cutreel.core.keys import key
from cutreel.core.render import encode_sound
from cutreel.core.sound import RATE, MixedPart, integrated_lufs, mix, true_peak_dbtp
from cutreel.store import Assembled
from cutreel.store.assembly import sound_key_of

from .audio import decoded, flac_of, samples_of
from .workshop import Workshop

MIX_VERSION = 4
FRAGMENT_SECONDS = 4.0


def mix_key(film: Assembled) -> str:
    """The key of the film's sound: what is spoken, sounds and plays, and when."""
    seed = film.document.settings.seed
    return key(
        "mix",
        MIX_VERSION,
        speech=[
            [film.read.speech[i].key, round(film.timing.lines[i], 4)] for i in sorted(film.spoken)
        ],
        cues=[
            [sound_key_of(c, seed), round(c.start, 4), round(c.end, 4), c.kind]
            for c in film.cues
            if sound_key_of(c, seed) in film.sounds
        ],
        music=film.music_key if film.music_key in film.sounds else None,
        seconds=round(film.seconds, 4),
    )


def mix_film(
    shop: Workshop, film: Assembled, progress: Callable[[float], None] = lambda share: None
) -> str:
    """Mix the film as it stands and keep it; returns the result's key. A film with no sound yet is
    silent."""
    name = mix_key(film)
    if shop.results.get(name) is not None:
        return name
    audio = mix(parts_of(shop, film), film.seconds, progress=lambda share: progress(share * 0.7))
    encoded = encode_sound(audio, RATE, FRAGMENT_SECONDS)
    progress(0.8)
    heard = decoded(encoded)
    about = {
        "flac": shop.media.put(flac_of(audio), "flac"),
        "integrated_lufs": round(integrated_lufs(heard, RATE), 2),
        "true_peak_dbtp": round(true_peak_dbtp(heard), 2),
        "seconds": film.seconds,
    }
    shop.results.put(name, "mix", shop.media.put(encoded, "m4a"), about)
    return name


def parts_of(shop: Workshop, film: Assembled) -> list[MixedPart]:
    """Everything that sounds in the film."""
    parts = []
    for i, result in film.spoken.items():
        start, end = result.data["trim"]
        parts.append(
            MixedPart(
                "voice",
                film.timing.lines[i],
                samples_of(shop.media.get(result.media or ""))[start:end],
                fade_in=0.005,
                fade_out=0.02,
            )
        )
    for cue in film.cues:
        sound = film.sounds.get(sound_key_of(cue, film.document.settings.seed))
        if sound is None or sound.media is None:
            continue
        samples = samples_of(shop.media.get(sound.media))
        if cue.kind == "ambience":
            parts.append(
                MixedPart(
                    "ambience", cue.start, samples, loop_to=cue.end, fade_in=0.8, fade_out=1.0
                )
            )
        else:
            parts.append(MixedPart("spot", cue.start, samples, fade_out=0.3))
    music = film.sounds.get(film.music_key or "")
    if music is not None and music.media is not None:
        parts.append(MixedPart("music", 0.0, samples_of(shop.media.get(music.media)), fade_in=0.4))
    return parts

"""How the mix treats each lane: what the maker set and drew, with level lines at their moments."""

from collections.abc import Mapping

from cutreel.core.sound import DUCK_DB, Giving, LevelLine, Role, Tone, Treatment
from cutreel.core.timeline import FrameRate, Timing

from .document import FilmDocument, Lane, LaneChoice

ROLES_OF: Mapping[Lane, tuple[Role, ...]] = {
    "voice": ("voice",),
    "sound": ("spot", "ambience"),
    "music": ("music",),
}


def treatment_of(film: FilmDocument, timing: Timing, rate: FrameRate) -> Treatment:
    """The treatment of a film's lanes. Points of a level line whose word is gone are left out."""
    settings = film.settings
    lines: dict[Role, LevelLine] = {}
    tones: dict[Role, Tone] = {}
    dip: dict[Role, float] = {}
    presses: dict[Role, float] = {}
    for choice in film.lanes:
        line = level_line(film, choice, timing, rate)
        for role in ROLES_OF[choice.lane]:
            if line:
                lines[role] = line
            if choice.low_cut or choice.bright:
                tones[role] = Tone(choice.low_cut, choice.bright)
            if choice.dip:
                dip[role] = choice.dip
            if choice.press:
                presses[role] = choice.press
    by: dict[Role, float] = {
        **DUCK_DB,
        "ambience": -settings.ambience_duck,
        "music": -settings.music_duck,
    }
    return Treatment(Giving(by, dip, settings.duck_in, settings.duck_out), lines, tones, presses)


def level_line(
    film: FilmDocument, choice: LaneChoice, timing: Timing, rate: FrameRate
) -> LevelLine:
    """A level line in seconds and decibels, in the order of time."""
    places = film.word_places
    return sorted(
        (round(float(timing.words[places[p.word], 0]) + p.later / float(rate.fraction), 4), p.gain)
        for p in choice.points
        if p.word in places
    )

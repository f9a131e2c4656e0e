"""Families of instruments that can lead a piece: General MIDI programs for the tune and for what is plucked."""

FAMILIES: dict[str, tuple[int, int]] = {
    "strings": (40, 45),
    "piano": (0, 0),
    "winds": (73, 68),
    "guitar": (24, 24),
    "music box": (10, 10),
    "harp": (46, 46),
    "marimba": (12, 12),
    "brass": (60, 61),
    "accordion": (21, 21),
}

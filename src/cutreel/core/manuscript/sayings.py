"""Words that sound otherwise than they are written, each as it is kept."""

from pydantic import BaseModel, Field, field_validator


class Saying(BaseModel):
    """A word as it is written, and how it sounds, spelled as one would read it: "Saltmere", "saltmeer". Sound-alikes of
    several parts are one word with hyphens. Where it was given by phonemes, these are kept (IPA)."""

    word: str = Field(min_length=1, max_length=60, pattern=r"^\S+$")
    sounds: str = Field(min_length=1, max_length=80)
    phonemes: str = Field("", max_length=120)

    @field_validator("sounds")
    @classmethod
    def _one_word(cls, sounds: str) -> str:
        return "-".join(sounds.split())

"""Voices that were made by description: what a film, or the company, keeps of one."""

from typing import Literal

from pydantic import BaseModel, Field


class OwnVoice(BaseModel):
    """A voice that was made by description and kept: what it is called, as what its service knows it (`voice`),
    and how it sounds as far as that was told."""

    id: int = 0
    name: str = Field(min_length=1, max_length=80)
    voice: str = Field(min_length=1, max_length=80)
    description: str = Field("", max_length=300)
    pronoun: Literal["she", "he"] = "she"
    age: Literal["child", "adult", "old"] = "adult"
    length: float = Field(1.0, gt=0.2, lt=5)
    pitch: float | None = Field(None, gt=30, lt=800)
    brightness: float | None = None
    language: str = Field("en", max_length=12)

"""What a service says it was paid for: a line for each job that cost something."""

from datetime import UTC, datetime
from decimal import Decimal

from pydantic import BaseModel, Field, field_validator


class StatementLine(BaseModel):
    """A job that was done: the `key` it was asked for with, when, of which offer, what it cost."""

    key: str = Field(max_length=200)
    at: datetime
    offer: str = Field("", max_length=60)
    cost: Decimal = Field(ge=0)

    @field_validator("at")
    @classmethod
    def _with_zone(cls, at: datetime) -> datetime:
        """A moment that says no zone is meant in UTC."""
        return at if at.tzinfo else at.replace(tzinfo=UTC)


class Statement(BaseModel):
    """The jobs done since a moment, in any order."""

    lines: list[StatementLine] = Field([], max_length=200_000)

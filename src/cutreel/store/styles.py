"""House styles, kept across films."""

import secrets

from sqlalchemy import delete, select

from cutreel.core.errors import NotFound
from cutreel.core.film import HouseStyle

from .database import Database
from .tables import HouseStyleRow, now


class StyleStore:
    """Keeps house styles."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def all(self) -> list[tuple[str, HouseStyle]]:
        """Every style with its id, last changed first."""
        with self.database.transaction() as session:
            newest = HouseStyleRow.changed.desc()
            rows = session.scalars(select(HouseStyleRow).order_by(newest, HouseStyleRow.id))
            return [(r.id, HouseStyle.model_validate(r.style)) for r in rows]

    def get(self, style: str) -> HouseStyle:
        """A style by its id. Raises NotFound."""
        found = dict(self.all()).get(style)
        if found is None:
            raise NotFound("That style is not kept any more.", "Load the page again.")
        return found

    def put(self, style: HouseStyle) -> str:
        """Keep a style; one of that name is replaced. Returns its id."""
        known = next((i for i, s in self.all() if s.name == style.name), None)
        row = HouseStyleRow(
            id=known or secrets.token_hex(5), style=style.model_dump(mode="json"), changed=now()
        )
        with self.database.transaction() as session:
            session.merge(row)
        return row.id

    def drop(self, style: str) -> None:
        """Let a style go; films keep what they have."""
        with self.database.transaction() as session:
            session.execute(delete(HouseStyleRow).where(HouseStyleRow.id == style))

"""The company as it stands: what came with Cut Reel, with what makers gave back and added."""

from sqlalchemy import delete, select
from sqlalchemy.dialects.postgresql import insert

from cutreel.core.continuity import READY, CompanyCard, Member
from cutreel.core.errors import NotFound

from .database import Database
from .tables import Company, now


class CompanyStore:
    """Keeps the company."""

    def __init__(self, database: Database) -> None:
        self.database = database

    def all(self) -> list[Member]:
        """Everybody: the newest given back or added first, then the rest of those that came with
        Cut Reel."""
        with self.database.transaction() as session:
            rows = session.scalars(select(Company).order_by(Company.changed.desc(), Company.id))
            own = [
                Member(
                    id=r.id, card=CompanyCard.model_validate(r.card), tags=r.tags, picture=r.picture
                )
                for r in rows
            ]
        known = {m.id for m in own}
        return [*own, *(m for m in READY if m.id not in known)]

    def get(self, member: str) -> Member:
        """A member by its id. Raises NotFound."""
        found = next((m for m in self.all() if m.id == member), None)
        if found is None:
            raise NotFound("That is not in the company any more.", "Load the page again.")
        return found

    def put(self, member: Member) -> Member:
        """Keep a member, new or given back changed."""
        values = {
            "card": member.card.without_film().model_dump(mode="json"),
            "tags": member.tags,
            "picture": member.picture,
            "changed": now(),
        }
        with self.database.transaction() as session:
            session.execute(
                insert(Company)
                .values(id=member.id, **values)
                .on_conflict_do_update(index_elements=["id"], set_=values)
            )
        return self.get(member.id)

    def drop(self, member: str) -> None:
        """Take out what was added; what came with Cut Reel is as it came again."""
        with self.database.transaction() as session:
            session.execute(delete(Company).where(Company.id == member))

"""The company: people, places and looks kept across films."""

import secrets

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from cutreel.core.continuity import READY, Age, CompanyCard, Member, MemberKind, search_company
from cutreel.core.errors import BadInput

from .door import Shop

router = APIRouter(prefix="/api/company")


class MemberView(BaseModel):
    """A member of the company. `changed`: it came with Cut Reel and was given back changed, so that
    it can be put back as it came."""

    id: str
    kind: MemberKind
    name: str
    age: Age | None
    tags: str
    picture: str
    card: CompanyCard
    ours: bool
    changed: bool


class KeepMember(BaseModel):
    """Keep somebody, a place or a look; `thumb` is a small picture of ours that shows it."""

    card: CompanyCard
    tags: str = Field("", max_length=200)
    thumb: str | None = Field(None, pattern=r"^[0-9a-f]{64}\.jpg$")


@router.get("")
def company(
    shop: Shop, kind: MemberKind | None = None, age: Age | None = None, words: str = ""
) -> list[MemberView]:
    """Members by kind, by age, and by words that theirs begin with."""
    return [_view(m) for m in search_company(shop.company.all(), kind, age, words[:200])]


@router.post("")
def keep(wish: KeepMember, shop: Shop) -> MemberView:
    """Add somebody or something to the company."""
    member = Member(
        id=f"own-{secrets.token_hex(5)}", card=_allowed(wish.card, shop), tags=wish.tags
    )
    return _view(shop.company.put(_pictured(member, wish, shop)))


@router.put("/{member}")
def give_back(member: str, wish: KeepMember, shop: Shop) -> MemberView:
    """Give back what was taken into a film, as the film has it now."""
    known = shop.company.get(member)
    given = known.model_copy(
        update={"card": _allowed(wish.card, shop), "tags": wish.tags or known.tags}
    )
    if given.kind != known.kind:
        raise BadInput(f"{known.name} is a {known.kind}.", "Keep this as a new member instead.")
    return _view(shop.company.put(_pictured(given, wish, shop)))


@router.delete("/{member}")
def drop(member: str, shop: Shop) -> Response:
    """Take out what was added; put back as it came what came with Cut Reel. Films keep theirs."""
    shop.company.get(member)
    shop.company.drop(member)
    return Response(status_code=204)


def _allowed(card: CompanyCard, shop: Shop) -> CompanyCard:
    """Only pictures that are kept here may be named. Raises BadInput."""
    owner = card.person or card.place or card.look
    for reference in owner.references if owner else []:
        if not shop.media.has(reference.media) or not shop.media.has(reference.thumb):
            raise BadInput(
                "One of its references is not kept any more.", "Remove it and keep again."
            )
    return card


def _pictured(member: Member, wish: KeepMember, shop: Shop) -> Member:
    if wish.thumb is None:
        return member
    if not shop.media.has(wish.thumb):
        raise BadInput("That picture is not kept any more.", "Choose another.")
    return member.model_copy(update={"picture": f"/media/{wish.thumb}"})


_CAME = {m.id for m in READY}


def _view(member: Member) -> MemberView:
    return MemberView(
        id=member.id,
        kind=member.kind,
        name=member.name,
        age=member.age,
        tags=member.tags,
        picture=member.picture,
        card=member.card,
        ours=member.ours,
        changed=member.id in _CAME and not member.ours,
    )

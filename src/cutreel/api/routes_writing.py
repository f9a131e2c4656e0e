"""Writing: titles, storylines and manuscripts from an idea; passages of a film reworked, to be
accepted in part."""

from dataclasses import replace
from typing import Literal

from fastapi import APIRouter
from pydantic import BaseModel, Field, ValidationError

from cutreel.core.errors import BadInput, CutReelError
from cutreel.core.film import GivenSource
from cutreel.core.manuscript import Difference, differences
from cutreel.core.manuscript.formats import Block, story_from
from cutreel.making import write
from cutreel.protocol import ScriptInput, WrittenScene

from .door import Shop

router = APIRouter(prefix="/api")


class Storyline(BaseModel):
    title: str
    text: str
    plot: str


class Written(BaseModel):
    """What a writer returned: titles, storylines, or a manuscript with its `text` as the film will
    keep it."""

    titles: list[str] = []
    storylines: list[Storyline] = []
    title: str = ""
    scenes: list[WrittenScene] = []
    text: str = ""
    sources: list[GivenSource] = []
    unused: list[str] = []
    cost: float = 0.0


class ReworkRequest(BaseModel):
    """Characters `start` up to `end` of the manuscript, to be reworked."""

    start: int = Field(ge=0)
    end: int = Field(ge=0)
    how: Literal[
        "tighten", "lengthen", "simpler", "vivid", "tense", "opening", "tone", "instruction"
    ]
    instruction: str = Field("", max_length=1000)
    seed: int = 0


class ReworkedPassage(BaseModel):
    """The passage before and after, stretch by stretch; offsets are characters of the
    manuscript."""

    pieces: list[Difference]
    touched: str
    unused: list[str]
    cost: float


@router.post("/writing")
def writing(wish: ScriptInput, shop: Shop) -> Written:
    """Ask the writer for titles, storylines or a manuscript; the same wish is paid once."""
    if not wish.idea.strip():
        raise BadInput("There is no idea yet.", "Write a sentence: who, where, what happens.")
    try:
        written = Written.model_validate(write(shop, wish) | {"sources": []})
    except ValidationError as error:
        raise CutReelError("The writer returned something unreadable.", "Ask again.") from error
    if written.scenes:
        blocks: list[Block] = []
        for scene in written.scenes:
            blocks.append(Block("heading", scene.heading))
            blocks.append(Block("note", f"{scene.description} {scene.action} Mood: {scene.mood}."))
            blocks += [Block("narration", paragraph) for paragraph in scene.paragraphs]
        story = story_from(blocks, "written", written.title)
        written.text = story.text
        at = next((i for i, b in enumerate(blocks) if b.kind == "narration"), 0)
        offset = story.text.find(blocks[at].text[:40])
        given = write(shop, wish).get("sources", [])
        written.sources = [GivenSource(offset=max(0, offset), text=str(s)[:1000]) for s in given]
    return written


@router.post("/films/{film}/rework")
def rework(film: str, wish: ReworkRequest, shop: Shop) -> ReworkedPassage:
    """Have a passage reworked. Nothing changes: what is accepted is sent as a change."""
    text = shop.films.get(film).document.text
    if not wish.start < wish.end <= len(text):
        raise BadInput(
            "There is no passage to rework.", "Select some words, a scene, or the whole film."
        )
    if wish.how in ("tone", "instruction") and not wish.instruction.strip():
        raise BadInput("The instruction is empty.", "Say in a few words what should be otherwise.")
    passage = text[wish.start : wish.end]
    found = write(
        shop,
        ScriptInput(
            task="rework", text=passage, how=wish.how, instruction=wish.instruction, seed=wish.seed
        ),
        film,
    )
    return ReworkedPassage(
        pieces=[
            replace(d, start=d.start + wish.start, end=d.end + wish.start)
            for d in differences(passage, str(found.get("text", passage)))
        ],
        touched=str(found.get("touched", "")),
        unused=[str(w) for w in found["unused"]],
        cost=found["cost"],
    )

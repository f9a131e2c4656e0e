"""What the front end is told of a shot, and of a film on the shelf."""

from collections.abc import Sequence

from cutreel.core.colour import css_of
from cutreel.core.continuity import figures_of
from cutreel.core.effects import Grade
from cutreel.core.film import FilmFinish, FilmJoin, ReadShot, is_fresh
from cutreel.core.ideas import Idea
from cutreel.making import Faults, PersonDrift
from cutreel.store import Assembled, FilmRow, TakeRow

from .schemas import (
    Card,
    CardView,
    ClipFile,
    DriftView,
    FaultView,
    FigureView,
    FindingView,
    FinishView,
    IdeaView,
    JoinView,
    Piece,
    PlateView,
    RemarkView,
    ShotView,
    TakeView,
)

AS_PAINTED = Grade()
MOST_IDEAS = 4
"""Ideas that a shot shows to choose from."""


def shot_view(
    shot: ReadShot,
    takes: Sequence[TakeRow],
    used: TakeRow | None,
    voiced: bool,
    drift: Sequence[PersonDrift],
    faults: Faults,
    remarks: Sequence[RemarkView],
    wanted: float,
    acts: list[str],
    join: FilmJoin | None,
    cards: Sequence[CardView],
    finish: FilmFinish,
    plate: PlateView | None,
    said: str = "",
) -> ShotView:
    """A shot with everything made for it."""
    f = shot.facts
    return ShotView(
        id=shot.shot.id,
        edge=shot.shot.edge,
        words=shot.end - shot.first,
        scene=shot.scene,
        hold=shot.shot.hold,
        picture_of=shot.picture_of,
        text=shot.text,
        said=said,
        measured=voiced,
        by_hand=shot.shot.by_hand,
        framing=f.framing,
        angle=f.angle,
        action=f.action,
        place=f.place,
        time=f.time,
        weather=f.weather,
        season=f.season,
        year=f.year,
        remembered=f.remembered,
        mood=f.mood,
        people=list(f.people),
        idea=f.idea,
        ideas=_ideas(f.ideas),
        why=f.why,
        own=shot.shot.own,
        made_by=shot.made_by,
        move=shot.move if plate is None else shot.shot.own.move or "still",
        join=JoinView(how=join.how, why=join.why, turn=join.turn) if join else None,
        cards=list(cards),
        finish=FinishView(
            grade=None if finish.finish.grade == AS_PAINTED else finish.finish.grade,
            mood=None if finish.finish.mood == AS_PAINTED else finish.finish.mood,
            effects=list(finish.finish.effects),
            whys=list(finish.whys),
        ),
        plate=plate,
        acts=acts,
        prompt=shot.prompt.text,
        pieces=[Piece(origin=o, words=w) for o, w in shot.prompt.pieces],
        left_out=list(shot.prompt.left_out),
        fits=shot.prompt.fits,
        negative=shot.negative,
        takes=[_take(shot, t, faults) for t in takes],
        used=used.id if used else None,
        own_circled=shot.shot.circled,
        stale=used is not None and plate is None and not is_fresh(shot, used),
        drift=[_drift(d) for d in drift],
        figures=_figures(shot, used),
        references=len(shot.references),
        wanted=wanted,
        remarks=list(remarks),
    )


def _ideas(ideas: Sequence[Idea]) -> list[IdeaView]:
    """The best idea of each sort, as they were proposed."""
    best: dict[str, Idea] = {}
    for idea in ideas:
        best.setdefault(idea.sort, idea)
    return [
        IdeaView(sort=i.sort, framing=i.size, people=list(i.people), action=i.action, why=i.why)
        for i in best.values()
    ][:MOST_IDEAS]


def _take(shot: ReadShot, take: TakeRow, faults: Faults) -> TakeView:
    return TakeView(
        id=take.id,
        number=take.number,
        seed=take.seed,
        prompt=take.prompt,
        media=take.media,
        thumb=take.thumb,
        stale=not is_fresh(shot, take),
        brought=take.brought,
        offer=take.offer,
        unused=take.about.get("unused_words", []),
        negative=take.negative,
        cost=float(take.cost),
        width=take.about.get("width"),
        height=take.about.get("height"),
        came=_came(take),
        rejected=shot.shot.rejected.get(take.id),
        faults=[FaultView(kind=x.kind, text=x.text) for x in faults.get(take.id, ())],
        clip=ClipFile.model_validate(take.about["clip"]) if "clip" in take.about else None,
    )


_HOW = {"vary": "Varied", "pose": "Posed anew", "compose": "Composed after a sketch"}


def _came(take: TakeRow) -> str | None:
    """How a take came of another one, in words."""
    about = take.about
    if clip := about.get("clip"):
        of = f" of take {about['clip_of']}" if "clip_of" in about else ""
        return f"A clip{of}, {clip['seconds']:.1f} s."
    if told := about.get("enlarged"):
        return f"Enlarged {told['factor']} times from take {told['from']}."
    if told := about.get("retouched"):
        return f"Retouched from take {told['from']}: {told['words'] or 'taken out'}."
    if told := about.get("placed"):
        return f"{told['name']} laid into take {told['from']}."
    if told := about.get("reshaped"):
        return f"Framed anew from take {told['from']}."
    if told := about.get("again"):
        return f"{_HOW[told['how']]} from take {told['from']}."
    if told := about.get("restyled"):
        return f"In another look: {told['look'].replace('-', ' ')}."
    return None


def _figures(shot: ReadShot, used: TakeRow | None) -> list[FigureView]:
    if used is None or used.seen is None:
        return []
    return [FigureView(person=p.id, box=f.box) for p, f in figures_of(shot.people, used.seen)]


def _drift(drift: PersonDrift) -> DriftView:
    return DriftView(
        person=drift.person,
        missing=[m for m in drift.missing if m not in drift.accepted],
        found=[
            FindingView(
                kind=f.kind,
                trait=f.trait,
                apart=f.apart,
                text=f.text,
                marked=f.marked,
                accepted=drift.takes(f),
                wanted=css_of(f.wanted) if f.wanted else None,
                shown=css_of(f.shown) if f.shown else None,
                by=f.by,
            )
            for f in drift.found
        ],
        worst=drift.worst,
        open=drift.open,
        about=drift.about,
    )


def card(row: FilmRow, film: Assembled) -> Card:
    """A film as a card on the shelf."""
    strip: list[tuple[float, str]] = []
    for shot, span, used, voiced in zip(
        film.read.shots, film.spans, film.used, film.voiced, strict=True
    ):
        state = "empty" if used is None else "stale" if not is_fresh(shot, used) else "made"
        if shot.shot.id in film.plates:
            state = "made"
        strip.append((span.frames / max(1, film.frames), state + (" voiced" if voiced else "")))
    made = [(shot, used) for shot, used in zip(film.read.shots, film.used, strict=True) if used]
    # A picture with somebody in it tells more of a film than an empty place.
    thumb = next(
        (used.thumb for shot, used in made if shot.people), made[0][1].thumb if made else None
    )
    return Card(
        id=row.id,
        title=film.document.title,
        changed=row.changed,
        seconds=film.seconds,
        shots=len(film.spans),
        left=sum(1 for _, s in strip if s != "made voiced"),
        look=film.document.settings.look,
        aspect=film.document.settings.aspect,
        cut=row.cut,
        due=film.document.settings.due,
        thumb=thumb,
        strip=strip,
    )

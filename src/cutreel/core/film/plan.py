"""The plan of a film: who, where, and every shot with what it shows and asks for, before anything is made."""

import json

from pydantic import BaseModel

from cutreel.core.continuity import Person
from cutreel.core.errors import NotFound
from cutreel.core.manuscript.formats import write_table

from .assembled import Assembled

PLAN_TYPES = ("json", "csv", "md")


class PlannedPerson(BaseModel):
    """Somebody in the cast: a person, an animal, a thing. `guess` says that no maker has looked at it yet."""

    name: str
    aliases: list[str]
    kind: str
    pronoun: str | None
    traits: str
    voice: str | None
    why: str
    guess: bool


class PlannedPlace(BaseModel):
    """A place, with the words that lead there."""

    name: str
    description: str
    words: list[str]


class Planned(BaseModel):
    """A shot. `start` and `seconds` are estimated until its words are spoken; `who` are names; `as_shot` names the
    shot whose picture it shows, where that is not its own, and then it has no prompt."""

    edge: str
    words: str
    start: float
    seconds: float
    scene: str
    who: list[str]
    place: str
    time: str
    weather: str
    season: str
    year: str
    remembered: bool
    mood: str
    framing: str
    angle: str
    move: str
    action: str
    idea: str | None
    things: list[str]
    prompt: str
    negative: str
    left_out: list[str]
    as_shot: str | None


class FilmPlan(BaseModel):
    """`cost` is money that the services will ask for the whole film, `making_seconds` about how long that takes."""

    title: str
    seconds: float
    cast: list[PlannedPerson]
    places: list[PlannedPlace]
    shots: list[Planned]
    cost: float
    making_seconds: float


def plan_of(film: Assembled, cost: float, making_seconds: float) -> FilmPlan:
    """The plan of a film as it stands."""
    document = film.document
    names = {p.id: p.name for p in document.cast}
    edges = {s.shot.id: s.shot.edge for s in film.read.shots}
    scenes = film.read.script.scenes
    shots = []
    for shot, span in zip(film.read.shots, film.spans, strict=True):
        f, own = shot.facts, shot.picture_of == shot.shot.id
        shots.append(
            Planned(
                edge=shot.shot.edge,
                words=shot.text,
                start=round(film.rate.seconds(span.start), 3),
                seconds=round(film.rate.seconds(span.frames), 3),
                scene=scenes[shot.scene].title,
                who=[names[p] for p in f.people if p in names],
                place=f.place,
                time=f.time,
                weather=f.weather,
                season=f.season,
                year=f.year,
                remembered=f.remembered,
                mood=f.mood,
                framing=f.framing,
                angle=f.angle,
                move=shot.move,
                action=f.action,
                idea=f.idea,
                things=list(f.things),
                prompt=shot.prompt.text if own else "",
                negative=shot.sent_negative if own else "",
                left_out=list(shot.prompt.left_out) if own else [],
                as_shot=None if own else edges[shot.picture_of],
            )
        )
    return FilmPlan(
        title=document.title,
        seconds=round(film.seconds, 3),
        cast=[_person(p) for p in document.cast],
        places=[
            PlannedPlace(name=p.name, description=p.description, words=list(p.words))
            for p in document.places
        ],
        shots=shots,
        cost=cost,
        making_seconds=round(making_seconds, 1),
    )


def _person(person: Person) -> PlannedPerson:
    return PlannedPerson(
        name=person.name,
        aliases=list(person.aliases),
        kind=person.kind,
        pronoun=person.pronoun,
        traits=", ".join(t.text for t in person.traits if t.text),
        voice=person.voice,
        why=person.why,
        guess=person.guess,
    )


def written_plan(plan: FilmPlan, format: str) -> str:
    """A plan as JSON, as CSV (one row a shot), or as Markdown to read. Raises NotFound."""
    writers = dict(zip(PLAN_TYPES, (_as_json, _as_csv, _as_markdown), strict=True))
    if format not in writers:
        raise NotFound(
            f"A plan is not written as “{format}”.", "Choose " + ", ".join(writers) + "."
        )
    return writers[format](plan)


def _as_json(plan: FilmPlan) -> str:
    return json.dumps(plan.model_dump(mode="json"), indent=1, ensure_ascii=False)


def _as_csv(plan: FilmPlan) -> str:
    rows = [shot.model_dump() for shot in plan.shots]
    cells = [
        ["; ".join(v) if isinstance(v, list) else "" if v is None else str(v) for v in row.values()]
        for row in rows
    ]
    return write_table(tuple(Planned.model_fields), cells, ",")


def _as_markdown(plan: FilmPlan) -> str:
    minutes, seconds = divmod(round(plan.seconds), 60)
    parts = [
        f"# {plan.title}\n",
        f"{len(plan.shots)} shots, {minutes}:{seconds:02d} long; about {plan.cost:.2f} and "
        f"{plan.making_seconds:.0f} s to make.\n",
        "## Cast\n",
        *(
            f"- **{p.name}** ({', '.join(x for x in (p.kind, p.pronoun, *p.aliases) if x)}): "
            f"{p.traits or 'nothing is said of their looks'}"
            for p in plan.cast
        ),
        "\n## Places\n",
        *(f"- **{p.name}**: {p.description or p.name}" for p in plan.places),
        "\n## Shots\n",
    ]
    scene = None
    for s in plan.shots:
        if s.scene != scene:
            scene = s.scene
            parts.append(f"\n### {scene or 'The opening'}\n")
        who = ", ".join(s.who) or "nobody"
        idea = f"{s.idea}, " if s.idea else ""
        shown = f"shows the picture of shot {s.as_shot}" if s.as_shot else s.prompt
        parts.append(
            f"**{s.edge}** at {s.start:.1f} s, {s.seconds:.1f} s: {s.words or '(no words)'}  \n"
            f"{who}; {', '.join(filter(None, _when_and_where(s)))}; "
            f"{idea}{s.framing}, {s.move}  \n"
            f"*{shown}*\n"
        )
    return "\n".join(parts) + "\n"


def _when_and_where(shot: "Planned") -> tuple[str, ...]:
    memory = "a memory" if shot.remembered else ""
    place = shot.place or "no place said"
    return place, shot.time, shot.weather, shot.season, shot.year, memory, shot.mood

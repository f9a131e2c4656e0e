"""From an assembled film to what the front end is told."""

from cutreel.core.breakdown import LEAST_WORDS, closeness, measure
from cutreel.core.colour import css_of
from cutreel.core.continuity import figures_of
from cutreel.core.film import ReadShot, SceneChoice, is_fresh, remarks_on, wish_of
from cutreel.core.manuscript import Scene, reading_ease
from cutreel.core.sound import sound_key_of
from cutreel.making import (
    PersonDrift,
    PicturesWanted,
    PreviewDesk,
    drift_of,
    faults_of,
    price_of,
    seen_of,
    wanted_pictures,
)
from cutreel.store import Assembled, FilmRow, TakeRow

from .schemas import (
    CaptionView,
    Card,
    CueView,
    DriftView,
    FaultView,
    FigureView,
    FilmView,
    FindingView,
    LineView,
    MissingCost,
    Piece,
    RemarkView,
    SceneView,
    ShotView,
    TakeView,
)


def film_view(row: FilmRow, film: Assembled, preview: PreviewDesk) -> FilmView:
    """The whole film."""
    script, document = film.read.script, film.document
    speaking = float(film.timing.words[-1, 1]) if len(script.words) else 0.0
    missing = wanted_pictures(film, PicturesWanted(takes=1), preview.shop.offers())
    line_why = {w.line: script.lines[w.line].why for w in script.words}
    return FilmView(
        id=row.id,
        revision=row.revision,
        title=document.title,
        text=document.text,
        words=[
            (w.start, w.end, n, w.line) for w, n in zip(script.words, film.read.ids, strict=True)
        ],
        notes=[(n.start, n.end) for n in script.notes],
        headings=[(s.start_offset, s.end_offset) for s in script.scenes if s.end_offset],
        scenes=[
            _scene(film, s, {c.first: c for c in document.scenes})
            for s in script.scenes
            if s.end > s.first or s.title
        ],
        lines=[
            LineView(
                first=w.first,
                end=w.end,
                speaker=w.speaker,
                voice=w.voice,
                why=line_why[script.words[w.first].line],
                media=film.spoken[i].media if i in film.spoken else None,
                start=film.timing.lines[i],
                seconds=film.spoken[i].data["seconds"] if i in film.spoken else None,
                peaks=film.spoken[i].data.get("peaks", []) if i in film.spoken else [],
            )
            for i, w in enumerate(film.read.speech)
        ],
        shots=_shots(film, film.read.offered.prompt_cap),
        cast=document.cast,
        places=document.places,
        settings=document.settings,
        looks=document.looks,
        cutouts=document.cutouts,
        cues=[
            CueView(
                id=c.id,
                kind=c.kind,
                prompt=c.prompt,
                start=c.start,
                end=c.end,
                shot=film.read.shots[c.shot].shot.id,
                why=c.why,
                made=sound_key_of(c, document.settings.seed) in film.sounds,
            )
            for c in film.cues
        ],
        lifted=document.lifted_cues,
        captions=[
            CaptionView(start=c.start, end=c.end, lines=list(c.lines)) for c in film.captions
        ],
        mood=film.mood,
        music_made=film.music_key in film.sounds,
        fps=str(film.rate),
        frames=film.frames,
        seconds=film.seconds,
        undo=row.undo,
        redo=row.redo,
        changed=row.changed,
        preview=preview.version(film),
        reading_ease=round(reading_ease(script), 1),
        words_a_minute=round(len(script.words) / speaking * 60, 1) if speaking else 0.0,
        sources=document.sources,
        closeness=_closeness(film),
        missing=MissingCost(pictures=len(missing), cost=float(price_of(preview.shop, missing))),
    )


def _scene(film: Assembled, scene: Scene, choices: dict[int, SceneChoice]) -> SceneView:
    word = film.read.ids[scene.first] if scene.end > scene.first else 0
    choice = choices.get(word, SceneChoice(first=word))
    spans = [
        span.frames
        for shot, span in zip(film.read.shots, film.spans, strict=True)
        if scene.first <= shot.first < scene.end or (shot.end == shot.first == scene.end)
    ]
    return SceneView(
        title=scene.title,
        first=scene.first,
        end=scene.end,
        word=word,
        time=scene.time,
        weather=scene.weather,
        own=choice.own,
        pace=choice.pace,
        aim=choice.aim,
        seconds=film.rate.seconds(sum(spans)),
    )


def _closeness(film: Assembled) -> dict[str, float]:
    """How close the film is to its reference; empty without one, or while it is too short to be
    measured."""
    aim = film.document.settings.reference
    script = film.read.script
    if aim is None or len(script.words) < LEAST_WORDS:
        return {}
    spoken = [
        (s.first, film.rate.seconds(span.frames))
        for s, span in zip(film.read.shots, film.spans, strict=True)
        if s.end > s.first
    ]
    return closeness(measure(script, [f for f, _ in spoken], [s for _, s in spoken]), aim)


def _shots(film: Assembled, cap: int) -> list[ShotView]:
    seconds = [film.rate.seconds(s.frames) for s in film.spans]
    wish = wish_of(film.document)
    remarks: dict[int, list[RemarkView]] = {}
    for r in remarks_on(film.read, seconds, wish):
        word = None if r.at_word is None else film.read.ids[r.at_word]
        remarks.setdefault(r.shot, []).append(
            RemarkView(kind=r.kind, text=r.text, remedy=r.remedy, word=word)
        )
    drift = drift_of(film)
    faults = faults_of(film)
    out: list[ShotView] = []
    for shot, span, takes, used in zip(
        film.read.shots, film.spans, film.takes, film.used, strict=True
    ):
        f = shot.facts
        out.append(
            ShotView(
                id=shot.shot.id,
                edge=shot.shot.edge,
                first=shot.first,
                end=shot.end,
                scene=shot.scene,
                hold=shot.shot.hold,
                picture_of=shot.picture_of,
                text=shot.text,
                start=span.start,
                stop=span.end,
                measured=film.voiced[len(out)],
                by_hand=shot.shot.by_hand,
                framing=f.framing,
                angle=f.angle,
                action=f.action,
                place=f.place,
                time=f.time,
                weather=f.weather,
                mood=f.mood,
                people=list(f.people),
                why=f.why,
                own=shot.shot.own,
                move=shot.move,
                prompt=shot.prompt.text,
                pieces=[Piece(origin=o, words=w) for o, w in shot.prompt.pieces],
                left_out=list(shot.prompt.left_out),
                cap=cap,
                fits=shot.prompt.fits,
                negative=shot.negative,
                takes=[
                    TakeView(
                        id=t.id,
                        number=t.number,
                        seed=t.seed,
                        prompt=t.prompt,
                        media=t.media,
                        thumb=t.thumb,
                        stale=not is_fresh(shot, t),
                        brought=t.brought,
                        offer=t.offer,
                        unused=t.about.get("unused_words", []),
                        negative=t.negative,
                        cost=float(t.cost),
                        width=t.about.get("width"),
                        height=t.about.get("height"),
                        came=_came(t),
                        rejected=shot.shot.rejected.get(t.id),
                        faults=[
                            FaultView(kind=x.kind, text=x.text)
                            for x in faults[len(out)].get(t.id, ())
                        ],
                    )
                    for t in takes
                ],
                used=used.id if used else None,
                own_circled=shot.shot.circled,
                stale=used is not None and not is_fresh(shot, used),
                drift=[_drift(d) for d in drift[len(out)]],
                figures=_figures(shot, used),
                references=len(shot.references),
                wanted=wish.wanted(
                    film.rate.seconds(span.start), shot.scene, span.start / max(1, film.frames)
                ),
                remarks=remarks.get(len(out), []),
            )
        )
    return out


_HOW = {"vary": "Varied", "pose": "Posed anew", "compose": "Composed after a sketch"}


def _came(take: TakeRow) -> str | None:
    """How a take came of another one, in words."""
    about = take.about
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
    seen = seen_of(used)
    if seen is None:
        return []
    return [FigureView(person=p.id, box=f.box) for p, f in figures_of(shot.people, seen)]


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
        thumb=thumb,
        strip=strip,
    )

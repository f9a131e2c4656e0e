"""What a run consists of: its stages, and the items of each stage for a film as it stands then."""

from collections.abc import Sequence
from decimal import Decimal
from typing import Any

from cutreel.core.continuity import look_named
from cutreel.core.errors import BadInput
from cutreel.core.film import FilmDocument, ReadShot, read_film
from cutreel.core.keys import seed_from
from cutreel.core.render import Quality, SegmentPlan, plan_segments
from cutreel.protocol import Offer
from cutreel.store import Assembled, ItemSpec
from cutreel.store.assembly import SOUND_SECONDS, is_fresh, sound_key_of
from cutreel.store.offers import prompt_cap, text_cap, understood, voices_offered

from .again import again
from .enlarging import enlarge_key, enlargements
from .mixing import mix_key
from .picture_specs import picture_spec, take_key
from .references import missing_references
from .retouching import retouches
from .sampling import missing_samples
from .workshop import Workshop

SHORT_SIDE = {"360p": 360, "720p": 720, "1080p": 1080, "1440p": 1440, "2160p": 2160}
PREVIEW_SHORT_SIDE = 360
KINDS = (
    "pictures",
    "speech",
    "everything",
    "delivery",
    "references",
    "look",
    "retouch",
    "again",
    "enlarge",
)


def stages_of(kind: str, options: dict[str, Any]) -> list[str]:
    """The names of a run's stages."""
    if kind == "delivery":
        return [
            *(["made", "music"] if options.get("make", True) else []),
            "mix",
            "segments",
            "join",
        ]
    return {"everything": ["made", "music", "mix", "preview"]}.get(kind, [kind])


def items_of(
    stage: str, film: Assembled, options: dict[str, Any], shop: Workshop
) -> list[ItemSpec]:
    """The items that a stage needs now; what is made already is not among them."""
    if stage == "pictures":
        return pictures(film, options, shop.offers())
    if stage == "references":
        return missing_references(film, options, shop)
    if stage == "retouch":
        return retouches(film, options, shop)
    if stage == "again":
        return again(film, options, shop)
    if stage == "enlarge":
        return enlargements(film, options, shop)
    if stage == "look":
        return missing_samples(film, str(options.get("look") or ""), shop)
    if stage == "speech":
        return speech(film)
    if stage == "made":
        return speech(film) + pictures(film, options, shop.offers()) + sounds(film)
    if stage == "music":
        return music(film)
    if stage == "mix":
        made = shop.results.get(mix_key(film))
        return (
            [] if made else [ItemSpec("mix", "mix the sound", {}, weight=1 + film.seconds * 0.07)]
        )
    if stage == "segments":
        return segments(film, options, "film", shop)
    if stage == "preview":
        return segments(film, options, "preview", shop)
    if stage == "join":
        return [ItemSpec("join", "join the film", {}, weight=1 + film.seconds * 0.03)]
    raise BadInput(f"There is no stage “{stage}”.")


def pictures(
    film: Assembled, options: dict[str, Any], offers: Sequence[Offer] = ()
) -> list[ItemSpec]:
    """Takes to be made: for the shots that `options` names, or for all that have no fresh take; of
    those, only the `missing` or only the `stale` ones where it says so in `only`, or those of one
    `scene`. With a `look` they are made in that look instead of the film's, beside what there is.

    A shot that has fresh takes gets new seeds, so that “make again” shows something else. A shot
    that borrows its picture has it made where it belongs. An `offer` other than the film's makes
    them from what it understands.
    """
    asked = set(options.get("shots") or [])
    named = {s.picture_of for s in film.read.shots if s.shot.id in asked}
    count = int(options.get("takes") or film.document.settings.takes)
    only, scene, look = options.get("only"), options.get("scene"), options.get("look")
    document, shots = _as_asked(film, str(options.get("offer") or ""), str(look or ""), offers)
    seconds = next((o.seconds_each for o in offers if o.name == document.settings.offer), 1.0)
    out = []
    for shot, asks, takes, used in zip(film.read.shots, shots, film.takes, film.used, strict=True):
        if shot.picture_of != shot.shot.id or (scene is not None and shot.scene != scene):
            continue
        wanted = asks.picture_key if look else shot.picture_key
        fresh = [
            t
            for t in takes
            if (t.made_from == wanted if look else is_fresh(shot, t))
            and t.id not in shot.shot.rejected
        ]
        if (asked and shot.shot.id not in named) or (not asked and fresh):
            continue
        if (only == "missing" and used) or (only == "stale" and not used):
            continue
        made = sum(
            1
            for t in takes
            if t.made_from == wanted or (is_fresh(shot, t) and t.seed == shot.shot.own.seed)
        )
        for i in range(made, made + count):
            spec = {**picture_spec(document, asks, i), "made_from": wanted}
            if look:
                spec["restyled"] = {"look": document.settings.look, "beside": shot.picture_key}
            out.append(
                ItemSpec(
                    "picture",
                    f"picture of shot {shot.shot.edge}",
                    spec,
                    shot.shot.id,
                    0.6 + seconds,
                )
            )
    return out


def _as_asked(
    film: Assembled, offer: str, look: str, offers: Sequence[Offer]
) -> tuple[FilmDocument, Sequence[ReadShot]]:
    """The film's shots as another offer would be asked for them, or in another look. Raises
    BadInput for an offer that draws no pictures, or a look that is not known."""
    before = film.document.settings
    offer, look = offer or before.offer, look_named(look or before.look, film.document.looks).name
    if offer == before.offer and look == before.look:
        return film.document, film.read.shots
    if not any(o.name == offer and o.kind == "picture" for o in offers):
        raise BadInput(f"No service offers pictures as “{offer}”.", "Choose another offer.")
    settings = before.model_copy(update={"offer": offer, "look": look})
    document = film.document.model_copy(update={"settings": settings})
    read = read_film(
        document,
        prompt_cap(offers, offer),
        voices_offered(offers),
        text_cap(offers),
        understood(offers, offer),
    )
    return document, read.shots


def speech(film: Assembled) -> list[ItemSpec]:
    """Lines that were not spoken yet, each different one once."""
    out: dict[str, ItemSpec] = {}
    for i, line in enumerate(film.read.speech):
        if i not in film.spoken and line.key not in out:
            words = [w.text for w in film.read.script.words[line.first : line.end]]
            out[line.key] = ItemSpec(
                "speech",
                f"speak “{line.text[:40]}”",
                {"key": line.key, "text": line.text, "voice": line.voice, "words": words},
                weight=0.5,
            )
    return list(out.values())


def sounds(film: Assembled) -> list[ItemSpec]:
    """Effects and ambiences that were not made yet."""
    out: dict[str, ItemSpec] = {}
    for cue in film.cues:
        name = sound_key_of(cue, film.document.settings.seed)
        if name not in film.sounds:
            out[name] = ItemSpec(
                "sound",
                f"sound of {cue.prompt}",
                {
                    "key": name,
                    "prompt": cue.prompt,
                    "seconds": SOUND_SECONDS[cue.kind],
                    "seed": seed_from(film.document.settings.seed, cue.prompt),
                },
                weight=0.6,
            )
    return list(out.values())


def music(film: Assembled) -> list[ItemSpec]:
    """The music, when the film wants some and this length was not composed yet."""
    if film.music_key is None or film.music_key in film.sounds:
        return []
    return [
        ItemSpec(
            "music",
            f"{film.mood} music",
            {
                "key": film.music_key,
                "mood": film.mood,
                "seconds": round(film.seconds, 1),
                "seed": film.document.settings.seed,
            },
            weight=1 + film.seconds * 0.05,
        )
    ]


def frame_size(aspect: str, short_side: int) -> tuple[int, int]:
    """Width and height in pixels, both even, of a film whose shorter side is `short_side`."""
    wide, high = (int(n) for n in aspect.split(":"))
    long_side = round(short_side * max(wide, high) / min(wide, high) / 2) * 2
    return (long_side, short_side) if wide >= high else (short_side, long_side)


def planned_segments(
    film: Assembled, quality: Quality, options: dict[str, Any]
) -> list[tuple[int, SegmentPlan]]:
    """The film's segments at the asked size with their first frames."""
    size = str(options.get("size", "1080p"))
    if quality == "film" and size not in SHORT_SIDE:
        raise BadInput(f"There is no size “{size}”.", "Choose " + ", ".join(SHORT_SIDE) + ".")
    short = PREVIEW_SHORT_SIDE if quality == "preview" else SHORT_SIDE[size]
    captions = options.get("captions") or film.document.settings.captions
    return plan_segments(
        film.planned(),
        film.spans,
        film.dissolves(),
        film.captions if captions == "burn" else [],
        film.rate,
        *frame_size(film.document.settings.aspect, short),
        quality,
    )


def segments(
    film: Assembled, options: dict[str, Any], quality: Quality, shop: Workshop
) -> list[ItemSpec]:
    """Segments that were not rendered yet."""
    plans = planned_segments(film, quality, options)
    made = shop.results.many([plan.key for _, plan in plans])
    out: dict[str, ItemSpec] = {}
    for first, plan in plans:
        if plan.key not in made:
            weight = plan.frames * plan.width * plan.height / (2.4e7 if quality == "film" else 2e8)
            out[plan.key] = ItemSpec(
                "segment",
                f"frames from {first}",
                {"key": plan.key, "plan": plan.model_dump(mode="json")},
                weight=weight,
            )
    return list(out.values())


def unpaid(items: list[ItemSpec], shop: Workshop) -> list[ItemSpec]:
    """Those of `items` that a service has to be paid for: a picture that was made for another
    reason, as a sample of a look, is not paid again."""
    keys = {id(i): take_key(i.spec) for i in items if i.kind == "picture"}
    keys |= {id(i): enlarge_key(i.spec) for i in items if i.kind == "enlarge"}
    made = shop.results.many(list(keys.values()))
    return [i for i in items if keys.get(id(i)) not in made]


def price_of(items: list[ItemSpec], offers: list[Offer]) -> Decimal:
    """What the services will ask for `items`, at the present offers."""
    by_kind = {o.kind: o for o in reversed(offers)}
    by_name = {o.name: o for o in offers}
    total = Decimal(0)
    for item in items:
        offer = by_name.get(item.spec.get("offer", "")) or by_kind.get(item.kind)  # type: ignore[call-overload]
        if offer is None:
            continue
        if item.kind == "speech":
            total += offer.price.amount * len(item.spec["text"])
        elif item.kind == "music":
            total += offer.price.amount * Decimal(str(item.spec["seconds"]))
        elif item.kind == "enlarge":
            total += offer.price.amount * (1 + len(item.spec["layers"]))
        elif item.kind in ("picture", "retouch", "sound"):
            total += offer.price.amount
    return total

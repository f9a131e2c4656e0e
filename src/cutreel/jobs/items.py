"""Working on one item, whatever its kind, so that it can be repeated: what exists is taken, never
paid again."""

import gzip
import logging
from collections.abc import Callable
from decimal import Decimal
from typing import Any

from cutreel.core.errors import BadInput, CutReelError
from cutreel.protocol import (
    EnlargeInput,
    Guide,
    JobInput,
    MusicInput,
    PictureInput,
    PictureReference,
    Retouch,
    SoundInput,
    SpeechInput,
    Vary,
)
from cutreel.services import Delivered, ServiceRefused
from cutreel.store.tables import Item, Run

from .audio import spoken_line
from .delivering import join_film
from .enlarging import enlarge_key
from .mixing import mix_film
from .picture_specs import take_key
from .pictures import checked, pixels_of, seen_in, thumbnail
from .queue import ITEM, SERVICES, door
from .rendering import render_item
from .retouching import add_retouched, composed, retouch_key
from .runner import advance
from .workshop import Workshop

MOST_DRAWING = 4_000_000
"""Bytes of a layer's SVG, beyond which it is not kept."""
log = logging.getLogger("cutreel.worker")


def work_on(shop: Workshop, number: int) -> None:
    """Do one item of a run, then move the run on."""
    found = shop.runs.item(number)
    if found is None:
        return
    item, run = found
    try:
        _DO[item.kind](shop, item, run)
    except CutReelError as error:
        renews = error.renews_at if isinstance(error, ServiceRefused) else None
        if renews and run.options.get("wait"):
            shop.runs.note(
                number,
                state="waiting",
                progress=0.0,
                message=f"waits for the quota until {renews:%H:%M} UTC",
            )
            door.defer(ITEM, at=renews, item=number, queue=SERVICES)
            return
        shop.runs.note(number, state="failed", message=str(error))
    except Exception as error:
        log.exception("item %s (%s) failed", number, item.label)
        shop.runs.note(
            number, state="failed", message=f"{item.label}: {type(error).__name__}: {error}"
        )
    advance(shop, run.id)


def _ask(
    shop: Workshop,
    item: Item,
    run: Run,
    offer: str,
    work: JobInput,
    name: str,
    files: dict[str, bytes] | None = None,
) -> Delivered | None:
    """Have a service do it, with progress and cancelling; counts what it cost once."""

    def progress(share: float) -> None:
        if share - item.progress >= 0.2:
            item.progress = share
            shop.runs.note(item.id, progress=share)

    def dropped() -> bool:
        return _dropped(shop, run.id)

    with shop.slots.one_of(offer, shop.parallel(offer), dropped) as free:
        done = (
            shop.services.do(offer, work, name, files=files, progress=progress, cancelled=dropped)
            if free
            else None
        )
    if done is None:
        shop.runs.note(item.id, state="cancelled")
        return None
    shop.spending.spend(name, run.film, offer, done.cost)
    return done


def _dropped(shop: Workshop, run: str) -> bool:
    """Whether nobody wants a run's work any more; one that rests finishes what it began."""
    return shop.runs.state_of(run) not in ("going", "paused")


def _picture(shop: Workshop, item: Item, run: Run) -> None:
    s = item.spec
    name = take_key(s)
    made, cost = shop.results.get(name), Decimal(0)
    if made is None:
        wanted = [media for media, _, _ in s.get("references", [])] + (
            [s["guide"][0]] if s.get("guide") else []
        )
        files = {media.split(".")[0]: shop.media.get(media) for media in wanted}
        work = PictureInput(
            prompt=s["prompt"],
            negative=s["negative"],
            lighter=s.get("lighter", []),
            seed=s["seed"],
            width=s["width"],
            height=s["height"],
            references=[
                PictureReference(sha256=media.split(".")[0], strength=strength / 100, name=whose)
                for media, strength, whose in s.get("references", [])
            ],
            poses=s.get("poses", []),
            vary=Vary(seed=s["vary"][0], strength=s["vary"][1]) if s.get("vary") else None,
            guide=Guide(sha256=s["guide"][0].split(".")[0], strength=s["guide"][1])
            if s.get("guide")
            else None,
        )
        done = _ask(shop, item, run, s["offer"], work, name, files)
        if done is None:
            return
        (flat, data), *more = done.files
        layers = [(r, d) for r, d in more if r.media_type == "image/png"]
        drawings = [
            d for r, d in more if r.media_type == "image/svg+xml" and len(d) <= MOST_DRAWING
        ]
        about = {
            **flat.data,
            "unused_words": done.unused_words,
            "layers": [[shop.media.put(d, "png"), r.data.get("depth", 0.0)] for r, d in layers],
            "drawings": [shop.media.put(gzip.compress(d, mtime=0), "svgz") for d in drawings]
            if len(drawings) == len(layers)
            else [],
            "thumb": shop.media.put(thumbnail(data), "jpg"),
            "seen": seen_in(data, flat.data.get("regions")).model_dump(mode="json"),
            "checked": checked(data),
            "width": s["width"],
            "height": s["height"],
        }
        shop.results.put(name, "picture", shop.media.put(data, "png"), about, done.cost)
        made, cost = shop.results.get(name), done.cost
    assert made is not None and made.media is not None
    if item.shot is None:
        # A reference, or a sample of a look: kept as a result, and no take of any shot.
        shop.runs.note(item.id, state="done", progress=1.0, cost=cost)
        return
    asked = {name: s[name] for name in ("vary", "poses", "guide") if s.get(name)}
    about = {
        **made.data,
        "regions": [
            {n: r[n] for n in ("name", "box", "joints", "way") if n in r}
            for r in made.data.get("regions", [])
        ],
        **({"asked": asked} if asked else {}),
        **{name: s[name] for name in ("again", "restyled") if s.get(name)},
    }
    layers_of = [(m, float(d)) for m, d in made.data["layers"]] or [(made.media, 0.0)]
    shop.takes.add(
        run.film,
        item.shot,
        made_from=s["made_from"],
        seed=s["seed"],
        prompt=s["prompt"],
        negative=s["negative"],
        offer=s["offer"],
        media=made.media,
        thumb=made.data["thumb"],
        layers=layers_of,
        about=about,
        cost=cost,
    )
    shop.runs.note(item.id, state="done", progress=1.0, cost=cost)


def _retouch(shop: Workshop, item: Item, run: Run) -> None:
    s = item.spec
    name, cost = retouch_key(s), Decimal(0)
    base, mask = shop.media.get(s["base"]), shop.media.get(s["mask"])
    made = shop.results.get(name)
    if made is None:
        wanted = {s[n].split(".")[0]: data for n, data in (("base", base), ("mask", mask))}
        retouch = Retouch(base=s["base"].split(".")[0], mask=s["mask"].split(".")[0])
        done = _ask(
            shop,
            item,
            run,
            s["offer"],
            PictureInput(prompt=s["prompt"], seed=s["seed"], retouch=retouch),
            name,
            wanted,
        )
        if done is None:
            return
        about = {"unused_words": done.unused_words}
        shop.results.put(name, "retouch", shop.media.put(done.files[0][1], "png"), about, done.cost)
        made, cost = shop.results.get(name), done.cost
    assert made is not None and made.media is not None
    png = composed(base, shop.media.get(made.media), mask, s["feather"])
    assert item.shot is not None
    known = next(t for t in shop.takes.of_film(run.film)[item.shot] if t.id == s["take"])
    told = {
        **made.data,
        "checked": checked(png),
        "width": known.about.get("width"),
        "height": known.about.get("height"),
    }
    add_retouched(shop, run.film, s, item.shot, png, thumbnail(png), told, cost)
    shop.runs.note(item.id, state="done", progress=1.0, cost=cost)


def _enlarge(shop: Workshop, item: Item, run: Run) -> None:
    s = item.spec
    name, cost = enlarge_key(s), Decimal(0)
    made = shop.results.get(name)
    media = [s["media"], *(m for m, _ in s["layers"])]
    if made is None:
        hashes = [m.split(".")[0] for m in media]
        files = {h: shop.media.get(m) for h, m in zip(hashes, media, strict=True)}
        done = _ask(
            shop,
            item,
            run,
            s["offer"],
            EnlargeInput(pictures=hashes, factor=s["factor"]),
            name,
            files,
        )
        if done is None:
            return
        kept = [shop.media.put(data, "png") for _, data in done.files]
        if len(kept) != len(media):
            raise BadInput("The service gave back another number of pictures.", "Try again.")
        layers = [[m, depth] for m, (_, depth) in zip(kept[1:], s["layers"], strict=True)]
        shop.results.put(name, "enlarge", kept[0], {"layers": layers}, done.cost)
        made, cost = shop.results.get(name), done.cost
    assert made is not None and made.media is not None and item.shot is not None
    base = next(t for t in shop.takes.of_film(run.film)[item.shot] if t.id == s["take"])
    png = shop.media.get(made.media)
    high, wide = pixels_of(png).shape[:2]
    shop.takes.add(
        run.film,
        item.shot,
        made_from=base.made_from,
        seed=base.seed,
        prompt=base.prompt,
        negative=base.negative,
        offer=base.offer,
        media=made.media,
        thumb=base.thumb,
        layers=[(m, float(d)) for m, d in made.data["layers"]] or [(made.media, 0.0)],
        about={
            **base.about,
            "width": wide,
            "height": high,
            "checked": checked(png),
            "enlarged": {"from": base.number, "factor": s["factor"]},
        },
        brought=base.brought,
        cost=cost,
    )
    shop.runs.note(item.id, state="done", progress=1.0, cost=cost)


def _speech(shop: Workshop, item: Item, run: Run) -> None:
    s = item.spec
    cost = Decimal(0)
    if shop.results.get(s["key"]) is None:
        done = _ask(
            shop,
            item,
            run,
            shop.offer_of("speech"),
            SpeechInput(text=s["text"], voice=s["voice"]),
            s["key"],
        )
        if done is None:
            return
        about, data = done.files[0]
        shop.results.put(
            s["key"],
            "speech",
            shop.media.put(data, "flac"),
            spoken_line(data, about.data, s["words"]),
            done.cost,
        )
        cost = done.cost
    shop.runs.note(item.id, state="done", progress=1.0, cost=cost)


def _sound(shop: Workshop, item: Item, run: Run) -> None:
    s = item.spec
    work = SoundInput(prompt=s["prompt"], seconds=s["seconds"], seed=s["seed"])
    _audio(shop, item, run, work)


def _music(shop: Workshop, item: Item, run: Run) -> None:
    s = item.spec
    _audio(
        shop, item, run, MusicInput(mood=s["mood"], seconds=max(4.0, s["seconds"]), seed=s["seed"])
    )


def _audio(shop: Workshop, item: Item, run: Run, work: SoundInput | MusicInput) -> None:
    name, cost = item.spec["key"], Decimal(0)
    if shop.results.get(name) is None:
        done = _ask(shop, item, run, shop.offer_of(work.kind), work, name)
        if done is None:
            return
        about, data = done.files[0]
        shop.results.put(name, work.kind, shop.media.put(data, "flac"), about.data, done.cost)
        cost = done.cost
    shop.runs.note(item.id, state="done", progress=1.0, cost=cost)


def _mix(shop: Workshop, item: Item, run: Run) -> None:
    mix_film(shop, shop.assembled(run.film), lambda share: shop.runs.note(item.id, progress=share))
    shop.runs.note(item.id, state="done", progress=1.0)


def _segment(shop: Workshop, item: Item, run: Run) -> None:
    finished = render_item(
        shop,
        item.spec["key"],
        item.spec["plan"],
        lambda share: shop.runs.note(item.id, progress=share),
        lambda: _dropped(shop, run.id),
    )
    shop.runs.note(item.id, state="done" if finished else "cancelled", progress=1.0)


def _join(shop: Workshop, item: Item, run: Run) -> None:
    outcome = join_film(shop, run)
    shop.runs.note(item.id, state="done", progress=1.0)
    shop.runs.finish(run.id, "done", outcome=outcome)


_DO: dict[str, Callable[[Workshop, Item, Run], Any]] = {
    "picture": _picture,
    "retouch": _retouch,
    "enlarge": _enlarge,
    "speech": _speech,
    "sound": _sound,
    "music": _music,
    "mix": _mix,
    "segment": _segment,
    "join": _join,
}

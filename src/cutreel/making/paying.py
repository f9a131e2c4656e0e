"""A job done by a service, and paid: within the limits, counted once, remembered as it went; by the second choice where
the first can't."""

import time
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from decimal import Decimal
from typing import TYPE_CHECKING

from cutreel.bridge import OnTheList
from cutreel.core.continuity import milder, says
from cutreel.core.errors import CutReelError
from cutreel.core.keys import key
from cutreel.protocol import JobInput, Offer, PictureInput, Result, price_of, text_of
from cutreel.services import Delivered, ServiceDown, ServiceRefused
from cutreel.store import OverLimit, UsedUp

from .received import received

if TYPE_CHECKING:
    from .workshop import Workshop

COUNTED_OTHERWISE, CENT_OF_A_CENT = Decimal("1.1"), Decimal("0.0001")
"""Within which a cost is what a price says: characters and seconds are counted in several ways, sums are rounded."""


@dataclass(frozen=True)
class Order:
    """One thing asked of an offer, for a film and where there is one a shot."""

    film: str
    offer: str
    work: JobInput
    key: str
    shot: int | None = None
    second: bool | None = False
    """Whether the second choice may make it where that is asked about first; None: nobody said so yet."""
    files: Mapping[str, bytes] | None = None
    progress: Callable[[float], None] = field(default=lambda share: None)
    cancelled: Callable[[], bool] = field(default=lambda: False)


def ordered(shop: "Workshop", order: Order) -> Delivered | None:
    """What came of an order; None when it was cancelled. Where its offer is used up, down or refuses, the second choice
    of that kind makes it, if one was set. Raises what the last one said, AskFirst, and OverLimit."""
    try:
        return _by(shop, order)
    except (ServiceRefused, ServiceDown) as error:
        second = second_choice(shop, order)
        if second is None:
            raise
        if shop.plugged.choices().get(order.work.kind, {}).get("asked"):
            if order.second is None:
                raise AskFirst(error, order.work.kind, second) from error
            if not order.second:
                raise
        try:
            work = fitted(order.work, second)
            done = _by(shop, replace(order, offer=second.name, work=work, key=f"{order.key}-2"))
        except (ServiceRefused, ServiceDown) as other:
            raise type(other)(f"{error.message} {other.message}", other.advice) from other
        return None if done is None else replace(done, offer=second.name)


class AskFirst(CutReelError):
    """Who was asked can't; whether the second choice makes it is asked about first. `error` is what the first said."""

    code = "second-choice"
    status = 409

    def __init__(self, error: ServiceRefused | ServiceDown, kind: str, second: Offer) -> None:
        super().__init__(error.message, f"“{second.title}” makes it if you say so.")
        self.error, self.kind, self.second = error, kind, second


def second_choice(shop: "Workshop", order: Order) -> Offer | None:
    """Who makes it when the first can't: the second choice of its kind, where that is on offer and has the voice that
    is wanted."""
    then = shop.plugged.choices().get(order.work.kind, {}).get("then")
    if not then or then == order.offer:
        return None
    offer = shop.offer_named(order.work.kind, then)
    if offer is None:
        return None
    voice = getattr(order.work, "voice", None)
    if voice is not None and voice not in {v.name for v in offer.voices}:
        return None
    return offer


def fitted(work: JobInput, offer: Offer) -> JobInput:
    """A job as another offer takes it: of a picture's prompt what weighs least is left out first, then what stands
    last, until it fits; what the offer does not understand is not sent."""
    if not isinstance(work, PictureInput):
        return work
    cap, text = offer.caps.prompt_characters, work.prompt
    for phrase in reversed(work.lighter):
        if cap and len(text) > cap:
            text = text.replace(f", {phrase}", "", 1)
    while cap and len(text) > cap:
        shorter = text.rpartition(",")[0]
        text = shorter if shorter else text[:cap]
    understood = set(offer.understands)
    return work.model_copy(
        update={
            "prompt": text,
            "negative": work.negative if "negative" in understood else "",
            "lighter": work.lighter if "weights" in understood else [],
            "references": work.references if "references" in understood else [],
            "jointed": work.jointed and "jointed" in understood,
        }
    )


def _by(shop: "Workshop", order: Order) -> Delivered | None:
    offer = shop.offer_named(order.work.kind, order.offer)
    if offer is None and shop.is_plugged_in(order.offer):
        # Without its offer nothing is known of its price.
        raise ServiceDown(f"“{order.offer}” does not answer.", "What is asked for waits.")
    began, took = time.monotonic(), None
    outcome, said = "cancelled", ""
    done: Delivered | None = None
    try:
        _promised(shop, order, offer)
        with shop.slots.one_of(
            order.offer, offer.parallel if offer else 1, order.cancelled
        ) as free:
            if not free:
                return None
            began = time.monotonic()
            done = came_before(shop, order) or shop.services.do(
                order.offer,
                order.work,
                order.key,
                files=order.files,
                progress=order.progress,
                cancelled=order.cancelled,
            )
        if done is not None:
            took = time.monotonic() - began
            if offer is not None and offer.service:
                _keep_as_it_came(shop, order, done)
            shop.spending.spend(
                order.key, order.film, order.offer, done.cost, order.work.kind, order.shot
            )
            outcome = "done"
            if offer is not None and offer.service:
                _check_cost(shop, order, offer, done.cost)
                done = replace(done, rights=rights_of(offer))
            done = _usable(shop, order, offer.title if offer else order.offer, done)
        return done
    except OnTheList:
        raise
    except (ServiceRefused, ServiceDown) as error:
        if isinstance(error, ServiceRefused) and error.reason == "refused-content":
            _with_another_wording(error, order.work)
        outcome, said = ("down" if isinstance(error, ServiceDown) else "refused"), error.message
        raise
    finally:
        if done is None:
            shop.spending.let_go(order.key)
        if outcome != "cancelled":
            shop.jobs.note(
                order.offer,
                order.work.kind,
                order.film,
                order.shot,
                outcome,
                time.monotonic() - began if took is None else took,
                said,
                done.cost if done else Decimal(0),
            )


class Overcharged(OverLimit):
    """A service charged more than its price. What it made is kept; whoever pays is asked before it makes more."""

    code = "overcharged"


def _check_cost(shop: "Workshop", order: Order, offer: Offer, cost: Decimal) -> None:
    """Raises Overcharged, once for each thing: what came is taken as it is when the run goes on."""
    price = price_of(offer, order.work)
    if cost <= price * COUNTED_OTHERWISE + CENT_OF_A_CENT:
        return
    told = key("overcharged", 1, offer=order.offer, order=order.key)
    if shop.results.get(told) is None:
        shop.results.put(told, "overcharged", None, {"cost": str(cost), "price": str(price)})
        raise Overcharged(
            f"“{offer.title}” charged {cost:.3f} for what its price says is {price:.3f}.",
            "What it made is kept. See its price under Services, then let the run go on.",
        )


def _with_another_wording(error: ServiceRefused, work: JobInput) -> None:
    """Say beside a refusal for its content which words seem to be meant, and what keeps the sense."""
    prompt = text_of(work)
    told = says(milder(prompt, error.message), prompt)
    if told:
        error.advice = f"{told} {error.advice}"


def came_before(shop: "Workshop", order: Order) -> Delivered | None:
    """What came for an order already, before a worker died: nobody but a service on our protocol knows a key again, and
    would make, and be paid for, the same twice."""
    kept = shop.results.get(_came(order))
    if kept is None or kept.media is None:
        return None
    told = Result.model_validate(kept.data["told"])
    return Delivered([(told, shop.media.get(kept.media))], kept.cost, list(kept.data["unused"]))


def _keep_as_it_came(shop: "Workshop", order: Order, done: Delivered) -> None:
    """Keep a single file as it came, before it is paid and looked at."""
    if len(done.files) != 1:
        return
    told, data = done.files[0]
    media = shop.media.put(data, "came")
    about = {"told": told.model_dump(mode="json"), "unused": done.unused_words}
    shop.results.put(_came(order), "came", media, about, done.cost)


def _usable(shop: "Workshop", order: Order, who: str, done: Delivered) -> Delivered:
    """A delivery as we keep it. What is of no use is forgotten, so that the next try makes another."""
    try:
        return received(done, order.work.kind, who)
    except ServiceRefused:
        shop.results.drop(_came(order))
        raise


def _came(order: Order) -> str:
    return key("came", 1, offer=order.offer, order=order.key)


def rights_of(offer: Offer) -> dict[str, str]:
    """What is kept beside a result of what it may be used for and whom to name; nothing where nothing was told."""
    told = {"terms": offer.terms, "credit": offer.credit}
    return (
        {"by": offer.service, **{k: v for k, v in told.items() if v}} if any(told.values()) else {}
    )


def _promised(shop: "Workshop", order: Order, offer: Offer | None) -> None:
    amount = price_of(offer, order.work) if offer else Decimal(0)
    try:
        shop.spending.promise(
            order.key, order.film, order.offer, amount, shop.sockets.daily(order.offer)
        )
    except UsedUp as error:
        refused = ServiceRefused(error.message, error.advice)
        refused.reason, refused.renews_at = "out-of-quota", error.renews_at
        raise refused from error

"""The list of what is made by hand: numbers follow the film, however jobs come in."""

import random
from collections.abc import Iterator
from contextlib import contextmanager

from cutreel.core.film import Settings, new_film
from cutreel.store import ClaimedItem
from tests.making.nobody import NoQueue, run_of_nobody


@contextmanager
def open_run(shop, count: int) -> Iterator[list[ClaimedItem]]:
    film = shop.films.add(*new_film("By hand", "The lamp was dark.", Settings()))
    with run_of_nobody(shop, film, count) as (_, numbers):
        yield [shop.runs.claim(n) for n in numbers]


def comes_in(shop, item: ClaimedItem, service: str) -> None:
    key = f"{service}-{item.id}"
    assert shop.hand.put(key, service, {"kind": "picture", "prompt": "a lamp"})
    shop.hand.whose(key, item.film, item.shot, item.id, item.label)
    shop.runs.wait(item, "on the list", NoQueue())


def test_numbers_follow_the_film_in_whatever_order_jobs_come_in(stack) -> None:
    shop, order = stack.shop, random.Random(7)
    for trial in range(6):
        service, seen = f"hand-{trial}", []
        with open_run(shop, 9) as items:
            for item in order.sample(items, len(items)):
                comes_in(shop, item, service)
                # Somebody looks at the list all the while: what was numbered stays.
                listed = [(job.number, job.shot) for job in shop.hand.open(service)]
                assert listed[: len(seen)] == seen, "a number that was given is kept"
                seen = listed
        assert [shot for _, shot in seen] == list(range(1, 10))
        numbers = [number for number, _ in seen]
        assert numbers == list(range(numbers[0], numbers[0] + 9))


def test_one_that_waits_for_something_else_keeps_nobody_off_the_list(stack) -> None:
    shop = stack.shop
    with open_run(shop, 3) as (first, second, third):
        shop.runs.wait(first, "The service does not answer.", NoQueue())
        comes_in(shop, third, "hand-waits")
        assert shop.hand.open("hand-waits") == [], "the second is on its way"
        comes_in(shop, second, "hand-waits")
        assert [job.shot for job in shop.hand.open("hand-waits")] == [2, 3]

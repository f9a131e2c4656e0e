"""A run that asks whether the second choice makes it: whenever the answer comes, nothing waits that could go on."""

from typing import Any

import pytest

from cutreel.core.errors import NotFound
from cutreel.core.film import Settings, new_film
from cutreel.making.paying import AskFirst
from cutreel.making.work import _ask
from cutreel.services import ServiceDown, ServiceRefused
from cutreel.store import Question
from tests.making.nobody import NoQueue, run_of_nobody

QUESTION = Question(kind="picture", then="Ink", why="It is away.")


class Hurried(NoQueue):
    """Notes what is to be done at once, and when what waits is to be tried."""

    def __init__(self) -> None:
        self.now: list[int] = []
        self.at: list[Any] = []

    def put_items(self, session: Any, items: Any, at: Any = None, priority: int = 0) -> None:
        self.at.append(at)

    def hurry(self, session: Any, items: Any) -> None:
        self.now += items


@pytest.fixture
def shop(stack, monkeypatch):
    monkeypatch.setattr(stack.shop, "queue", Hurried())
    return stack.shop


def asked(shop, error: ServiceRefused | ServiceDown) -> AskFirst:
    return AskFirst(error, "picture", shop.offer_of("picture"))


def test_an_answer_that_comes_before_an_item_waits_for_it_is_not_missed(shop) -> None:
    film = shop.films.add(*new_film("Asked", "The lamp was dark.", Settings()))
    with run_of_nobody(shop, film, 2) as (run, numbers):
        first, second = (shop.runs.claim(n) for n in numbers)
        assert first.answers == second.answers == {}
        _ask(shop, first, asked(shop, ServiceRefused("No.", "Ask another.")))
        assert [q.then for q in shop.runs.view(run).questions] == ["Illustrator, quick"]
        assert shop.queue.now == [] and shop.queue.at[-1] is not None
        # While the second is still being tried, somebody answers.
        shop.runs.answer(run, "picture", True)
        _ask(shop, second, asked(shop, ServiceRefused("No.", "Ask another.")))
        assert sorted(shop.queue.now) == numbers, "it goes on with the answer that is there"
        assert [shop.runs.claim(n).answers for n in numbers] == [{"picture": True}] * 2
        assert shop.runs.view(run).questions == [], "answered once for the run"


def test_a_question_that_was_answered_stays_answered_and_one_that_was_not_put_has_no_answer(
    shop,
) -> None:
    film = shop.films.add(*new_film("Asked", "The lamp was dark.", Settings()))
    with run_of_nobody(shop, film, 1) as (run, _):
        with pytest.raises(NotFound):
            shop.runs.answer(run, "picture", True)
        shop.runs.ask(run, QUESTION)
        shop.runs.answer(run, "picture", False)
        shop.runs.ask(run, QUESTION.model_copy(update={"why": "Still away."}))
        assert shop.runs.is_answered(run, "picture") and not shop.runs.is_answered(run, "music")


def test_who_does_not_answer_is_tried_again_meanwhile_and_who_refuses_is_not(shop) -> None:
    film = shop.films.add(*new_film("Asked", "The lamp was dark.", Settings()))
    with run_of_nobody(shop, film, 2) as (run, numbers):
        down, refused = (shop.runs.claim(n) for n in numbers)
        _ask(shop, down, asked(shop, ServiceDown("Away.", "Wait.")))
        _ask(shop, refused, asked(shop, ServiceRefused("No.", "Ask another.")))
        soon, late = shop.queue.at[-2:]
        assert (late - soon).days > 50
        assert "tried again at" in shop.runs.view(run).waits, "what the first that waits said"

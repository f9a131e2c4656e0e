"""Whatever is made goes one way: a toy kind, written in this one file, is planned, priced, made, cancelled, resumed."""

import threading
from collections.abc import Callable, Iterator, Sequence
from decimal import Decimal
from typing import ClassVar, Literal

import pytest

from cutreel.core.errors import BadInput
from cutreel.core.film import Settings, new_film
from cutreel.making import Workshop, cancel_run, estimate, go_on_run, pause_run, start_run
from cutreel.making.registry import Kind, Made, RunKind, Spec, Stage, Wanted, item
from cutreel.making.work import Work, work_on
from cutreel.making.worker import sweep
from cutreel.protocol import Offer
from cutreel.running.temporary import Temporary
from cutreel.services import ServiceDown
from cutreel.store import Assembled, ItemSpec, Result
from tests.making.nobody import read_and_added


class ToySpec(Spec):
    """A rhyme on a shot's words."""

    kind: ClassVar[str] = "rhyme"
    words: str
    loud: bool = False


class ToyKind(Kind[ToySpec]):
    spec = ToySpec
    queue = "toys"  # no worker takes them: the tests do them one by one

    def __init__(self) -> None:
        self.made: list[str] = []
        self.placed: list[tuple[int | None, Decimal]] = []
        self.before = lambda: None
        self.sing: Callable[[], list[ItemSpec]] = list

    def make(self, spec: ToySpec, work: Work) -> Made | None:
        self.before()
        if work.dropped():
            return None
        self.made.append(spec.words)
        return Made(None, {"rhyme": spec.words[::-1]}, Decimal("0.01"))

    def place(self, spec: ToySpec, made: Result, cost: Decimal, work: Work) -> None:
        self.placed.append((work.shot, cost))

    def price(self, spec: ToySpec, offers: Sequence[Offer]) -> Decimal:
        return Decimal("0.01")


class ToyWanted(Wanted):
    kind: Literal["rhymes"] = "rhymes"
    loud: bool = False


class DuetWanted(Wanted):
    """Rhymes, and then what is sung to them; `alone` without the rhymes."""

    kind: Literal["duets"] = "duets"
    alone: bool = False
    loud: bool = False


def missing(film: Assembled, wanted: ToyWanted, shop: Workshop) -> list[ItemSpec]:
    specs = [(s.shot.id, ToySpec(words=s.text, loud=wanted.loud)) for s in film.read.shots]
    made = shop.results.known([spec.key for _, spec in specs])
    return [item(spec, "rhyme", shot) for shot, spec in specs if spec.key not in made]


@pytest.fixture
def toy() -> ToyKind:
    return ToyKind()


@pytest.fixture
def shop(stack: Temporary, toy: ToyKind) -> Iterator[Workshop]:
    mine = Workshop(
        stack.shop.database,
        stack.shop.media,
        stack.shop.services,
        stack.shop.registry.with_more(
            [toy],
            [
                RunKind(ToyWanted, lambda wanted: [Stage("rhymes", missing)]),
                RunKind(
                    DuetWanted,
                    lambda wanted: [
                        *([] if wanted.alone else [Stage("rhymes", missing)]),
                        Stage("duets", lambda film, wanted, shop: toy.sing()),
                    ],
                ),
            ],
        ),
    )
    yield mine
    mine.queue.close()


def film(shop: Workshop, word: str) -> str:
    text = f"The {word} was dark. Ada rowed to the {word}. Nobody in the {word} answered."
    document, edges = new_film(word, text, Settings(pace=2))
    return read_and_added(shop, document, edges)


def waiting(shop: Workshop, run: str) -> list[int]:
    """The numbers of a run's items that are still to be done, in order."""
    from sqlalchemy import select

    from cutreel.store.tables import Item

    query = select(Item.id).where(Item.run == run, Item.state.in_(("waiting", "going")))
    with shop.database.transaction() as session:
        return list(session.scalars(query.order_by(Item.id)))


def test_a_toy_is_planned_priced_made_and_found_again(shop: Workshop, toy: ToyKind) -> None:
    name = film(shop, "lighthouse")
    told = estimate(shop, name, "rhymes", {})
    count = len(shop.assembled(name).read.shots)
    assert (told.items, told.cost) == (count, Decimal("0.01") * count)
    run = start_run(shop, name, "rhymes", {})
    for number in waiting(shop, run):
        work_on(shop, number)
    view = shop.runs.view(run)
    assert (view.state, view.done, view.cost) == ("done", count, pytest.approx(0.01 * count))
    assert [shot for shot, _ in toy.placed] == [s.shot.id for s in shop.assembled(name).read.shots]
    assert estimate(shop, name, "rhymes", {}).items == 0
    assert shop.runs.view(start_run(shop, name, "rhymes", {})).state == "done"
    assert len(toy.made) == count, "what was made once is not made again"


def test_a_toy_is_cancelled_while_it_is_made_and_what_was_made_stays(
    shop: Workshop, toy: ToyKind
) -> None:
    name = film(shop, "harbour")
    run = start_run(shop, name, "rhymes", {})
    first, second, *_ = waiting(shop, run)
    work_on(shop, first)
    toy.before = lambda: cancel_run(shop, run)
    work_on(shop, second)
    assert shop.runs.view(run).state == "cancelled" and len(toy.made) == 1
    toy.before = lambda: None
    assert estimate(shop, name, "rhymes", {}).items == len(shop.assembled(name).read.shots) - 1


def test_a_toy_rests_and_goes_on(shop: Workshop, toy: ToyKind) -> None:
    run = start_run(shop, film(shop, "orchard"), "rhymes", {})
    numbers = waiting(shop, run)
    pause_run(shop, run)
    work_on(shop, numbers[0])
    assert not toy.made, "nothing is begun while it rests"
    go_on_run(shop, run)
    for number in numbers:
        work_on(shop, number)
    assert shop.runs.view(run).state == "done" and len(toy.made) == len(numbers)


def test_an_item_is_done_by_one_worker_at_a_time(shop: Workshop, toy: ToyKind) -> None:
    run = start_run(shop, film(shop, "granary"), "rhymes", {})
    number = waiting(shop, run)[0]
    inside, go = threading.Event(), threading.Event()

    def wait() -> None:
        inside.set()
        go.wait(10)

    toy.before = wait
    slow = threading.Thread(target=work_on, args=(shop, number))
    slow.start()
    assert inside.wait(10)
    work_on(shop, number)
    go.set()
    slow.join()
    assert len(toy.made) == 1


def test_an_item_that_fails_says_why_and_the_others_are_made(shop: Workshop, toy: ToyKind) -> None:
    run = start_run(shop, film(shop, "windmill"), "rhymes", {})
    numbers = waiting(shop, run)

    def fail() -> None:
        toy.before = lambda: None
        raise BadInput("Nothing rhymes with that.", "Take another word.")

    toy.before = fail
    for number in numbers:
        work_on(shop, number)
    view = shop.runs.view(run)
    assert view.state == "done" and view.done == len(numbers) - 1
    assert view.message == "Nothing rhymes with that. Take another word."


def raising(error: Exception) -> Callable[[], list[ItemSpec]]:
    def sing() -> list[ItemSpec]:
        raise error

    return sing


def test_a_run_whose_first_step_makes_no_sense_is_refused_and_leaves_nothing(
    shop: Workshop, toy: ToyKind
) -> None:
    name = film(shop, "bakery")
    toy.sing = raising(BadInput("Nobody sings along.", "Bring a singer."))
    with pytest.raises(BadInput, match="Nobody sings along"):
        start_run(shop, name, "duets", {"alone": True})
    assert not shop.runs.of_film(name)


@pytest.mark.parametrize(
    ("error", "said"),
    [
        (BadInput("Nobody sings along.", "Bring a singer."), "Nobody sings along. Bring a singer."),
        (KeyError("oar"), "The next step could not be worked out: KeyError: 'oar'"),
    ],
)
def test_a_run_whose_next_step_cannot_be_worked_out_ends_and_says_why(
    shop: Workshop, toy: ToyKind, error: Exception, said: str
) -> None:
    run = start_run(shop, film(shop, type(error).__name__), "duets", {})
    toy.sing = raising(error)
    for number in waiting(shop, run):
        work_on(shop, number)
    view = shop.runs.view(run)
    assert (view.state, view.message) == ("failed", said)
    assert shop.registry.kinds["rhyme"] is toy and toy.made, "what was made before stays made"


def test_a_next_step_that_needs_a_service_that_is_down_is_waited_for(
    shop: Workshop, toy: ToyKind
) -> None:
    run = start_run(shop, film(shop, "vineyard"), "duets", {})
    toy.sing = raising(ServiceDown("The singer does not answer."))
    for number in waiting(shop, run):
        work_on(shop, number)
    assert shop.runs.view(run).state == "going"
    assert run in shop.runs.stuck_runs(["duets"]) and run not in shop.runs.stuck_runs(["speech"])
    toy.sing = list
    sweep(shop)
    assert shop.runs.view(run).state == "done"


def test_a_key_holds_only_what_differs_from_its_default() -> None:
    """So that a new field makes nothing again: the toy of a later version has one more."""

    class Later(ToySpec):
        slow: bool = False

    assert Later(words="oar").key == ToySpec(words="oar").key
    assert Later(words="oar", slow=True).key != ToySpec(words="oar").key
    assert ToySpec(words="oar", loud=True).key != ToySpec(words="oar").key


def test_wishes_that_make_no_sense_are_refused_at_the_door(shop: Workshop) -> None:
    name = film(shop, "pasture")
    with pytest.raises(BadInput, match="no run of kind “carpets”"):
        start_run(shop, name, "carpets", {})
    with pytest.raises(BadInput, match="takes"):
        start_run(shop, name, "pictures", {"takes": 9})
    with pytest.raises(BadInput, match="size"):
        start_run(shop, name, "delivery", {"size": "400p"})

"""When films can be ready: compared with days that are lived through one by one."""

from datetime import date, timedelta
from decimal import Decimal

from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.spending import DayShare, ToMake, reckon

TODAY = date(2026, 11, 29)
MONEY = st.decimals(0, 9, places=2)


def lived(films: list[ToMake], money: DayShare | None, pieces: dict[str, DayShare]) -> list[int]:
    """The day on which each film had all it needed, by spending what every day lets through, film after film."""
    needs = [[f.cost, Decimal(f.pictures)] for f in films]
    out = [-1] * len(films)
    for day in range(4000):
        purse = None if money is None else (money.today if day == 0 else money.each)
        left = {name: (s.today if day == 0 else s.each) for name, s in pieces.items()}
        for i, film in enumerate(films):
            paid = needs[i][0] if purse is None else min(needs[i][0], purse)
            needs[i][0] -= paid
            purse = None if purse is None else purse - paid
            drawn = min(needs[i][1], left.get(film.offer, needs[i][1]))
            needs[i][1] -= drawn
            if film.offer in left:
                left[film.offer] -= drawn
            if out[i] < 0 and not any(needs[i]):
                out[i] = day
        if min(out) >= 0:
            break
    return out


@given(data=st.data())
def test_days_are_those_that_are_lived_through(data) -> None:
    films = [
        ToMake(
            f"f{i}",
            TODAY + timedelta(days=data.draw(st.integers(0, 9))),
            data.draw(MONEY),
            data.draw(st.integers(0, 40)),
            data.draw(st.sampled_from(["a", "b"])),
        )
        for i in range(data.draw(st.integers(1, 5)))
    ]
    money = data.draw(st.none() | st.builds(DayShare, MONEY, st.decimals("0.5", 3, places=2)))
    pieces = data.draw(
        st.dictionaries(
            st.sampled_from(["a"]),
            st.builds(DayShare, st.integers(0, 9).map(Decimal), st.integers(1, 9).map(Decimal)),
        )
    )
    films.sort(key=lambda f: (f.due, f.film))
    found = reckon(films, TODAY, money, pieces)
    assert [(r.ready - TODAY).days for r in found] == lived(films, money, pieces)
    assert [r.late for r in found] == [
        max(0, (r.ready - f.due).days) for r, f in zip(found, films, strict=True)
    ]


def test_who_draws_nothing_more_holds_a_film_up_for_good() -> None:
    film = ToMake("f", TODAY, Decimal(1), 5, "hand")
    nothing = {"hand": DayShare(Decimal(2), Decimal(0))}
    (found,) = reckon([film], TODAY, None, nothing)
    assert found.ready is None and found.held_by == "hand"
    (held,) = reckon([film], TODAY, DayShare(Decimal(0), Decimal("0.4")), {})
    assert (held.ready - TODAY).days == 3 and held.held_by == "money" and held.late == 3

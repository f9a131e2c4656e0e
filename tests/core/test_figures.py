"""Figures, dates, money, units and short forms are read as a person reads them.

Sources: The Chicago Manual of Style, 17th edition, chapter 9 (numbers) and 10 (abbreviations); Merriam-Webster's
entries of "Dr.", "St.", "No.", "o'clock", of units and of Roman numerals; BBC News style guide on dates and money. They
were read by hand: nothing here is computed by what is tested.
"""

from functools import cache

import pytest
from hypothesis import given
from hypothesis import strategies as st

from cutreel.core.film import Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import ReadWord
from cutreel.core.manuscript import read
from cutreel.core.speech import Beside, readings, said_as
from cutreel.core.speech.numbers import number, ordinal
from tests.core.test_directions import DIRECTED

READ = """
in 1834 he left = in eighteen thirty-four he left
He had 1834 sheep. = He had one thousand eight hundred and thirty-four sheep.
with 1200 men = with one thousand two hundred men
the winter of 1709 = the winter of seventeen oh nine
since 1900 it = since nineteen hundred it
in 2005 they = in two thousand and five they
in 2012 they = in twenty twelve they
in 1066, William = in ten sixty-six, William
the 1930s were = the nineteen thirties were
the '60s were = the 'sixties were
in the 1800s = in the eighteen hundreds
the war of 1914–18 was = the war of nineteen fourteen to eighteen was
from 1914-1918 = from nineteen fourteen to nineteen eighteen
1901–09 was = nineteen oh one to oh-nine was
5–6 days = five to six days
on May 3 he = on May third he
On May 21, 1927, he = On May twenty-first, nineteen twenty-seven, he
on 3 May he = on the third of May he
On 12 December 1911 the = On the twelfth of December nineteen eleven the
the 4th of July = the fourth of July
July 4th was = July fourth was
on Feb. 2 = on Feb. second
on 1890-05-12 = on the twelfth of May eighteen ninety
on 12/05/1890 = on the twelfth of May eighteen ninety
on 25.12.1843 = on the twenty-fifth of December eighteen forty-three
at 7:30 in = at seven thirty in
at 7:05 she = at seven oh five she
at 7:00 she = at seven o’clock she
at 12:15, when = at twelve fifteen, when
at 7.30 p.m. she = at seven thirty p.m. she
by 7am they = by seven A M they
by 11:20pm they = by eleven twenty P M they
by 19:45 the = by nineteen forty-five the
paid £5 for = paid five pounds for
paid £1 for = paid one pound for
paid $3.50 for = paid three dollars fifty for
paid $1,000 for = paid one thousand dollars for
won £5 million last = won five million pounds last
won £5m last = won five million pounds last
won $2bn last = won two billion dollars last
cost €20. = cost twenty euros.
cost 10p or = cost 10p or
half, 50% of = half, fifty percent of
only 1% of = only one percent of
some 2.5% of = some two point five percent of
walked 10 km north = walked ten kilometres north
walked 1 km north = walked one kilometre north
walked 10km north = walked ten kilometres north
was 6 ft tall = was six feet tall
was 6ft tall = was six feet tall
weighed 3 kg more = weighed three kilograms more
weighed 12 lbs = weighed twelve pounds
weighed 1 lb = weighed one pound
at 60 mph = at sixty miles an hour
at 100 km/h = at one hundred kilometres an hour
was −5°C at = was minus five degrees Celsius at
was 40° in = was forty degrees in
was 90°F in = was ninety degrees Fahrenheit in
took 5 mins to = took five minutes to
took 2 hrs to = took two hours to
ran 1,500 metres = ran one thousand five hundred metres
was 3.5 metres = was three point five metres
was 0.5 metres = was zero point five metres
was 3.05 metres = was three point oh five metres
3½ hours = three and a half hours
½ mile = half mile
1½ miles = one and a half miles
¾ full = three quarters full
nearly 1/2 of = nearly a half of
a 3/4 full = a three quarters full
the 2/3 majority = the two thirds majority
met Dr. Hale = met Doctor Hale
met Dr Hale = met Dr Hale
lived at 9 Palm Dr. and = lived at nine Palm Drive and
on Baker St. yesterday = on Baker Street yesterday
at St. Mary’s gate = at Saint Mary’s gate
St. Peter wept = Saint Peter wept
Prof. Bell said = Professor Bell said
Capt. Rowe said = Captain Rowe said
Lt. Moss said = Lieutenant Moss said
Sgt. Moss said = Sergeant Moss said
Col. Moss said = Colonel Moss said
Gen. Moss said = General Moss said
Rev. Moss said = Reverend Moss said
Gov. Moss said = Governor Moss said
climbed Mt. Hood = climbed Mount Hood
on Fifth Ave. at = on Fifth Avenue at
on Mill Rd. at = on Mill Road at
Marlow Jr. said = Marlow Junior said
day vs. night = day versus night
birds, etc. = birds, et cetera
some, e.g. wrens = some, for example wrens
others, i.e. all = others, that is all
vol. 3 of = volume three of
No. 7 was = number seven was
No. He was = No. He was
on p. 12 of = on page twelve of
pp. 12–14 say = pages twelve to fourteen say
approx. 50 men = approximately fifty men
c. 1450 the = about fourteen fifty the
Henry VIII was = Henry the eighth was
Louis XIV was = Louis the fourteenth was
Elizabeth II was = Elizabeth the second was
so Chapter IV begins = so Chapter four begins
so Sector XI fell = so Sector eleven fell
so Model X came = so Model X came
World War II ended = World War two ended
Act V ends = Act five ends
I had none = I had none
the 21st century = the twenty-first century
the 1st, 2nd and 3rd = the first, second and third
about 100 people = about one hundred people
about 105 people = about one hundred and five people
1,000,000 stars = one million stars
123,456 stars = one hundred and twenty-three thousand four hundred and fifty-six stars
room 101 was = room one oh one was
flight 370 was = flight three seven zero was
agent 007 was = agent oh oh seven was
call 555-0123 now = call five five five oh one two three now
a 12-year-old boy = a twelve-year-old boy
a 20-foot wall = a twenty-foot wall
won 3-1 that = won three to one that
R2 said = R two said
on the B12 road = on the B twelve road
salt & pepper = salt and pepper
2 + 2 = two plus two
number #7 on = number number seven on
“1834,” she said = “eighteen thirty-four,” she said
(5 km) north = (five kilometres) north
no figures at all, Mr. Moss = no figures at all, Mr. Moss
3 men and 1 dog = three men and one dog
the 99 steps = the ninety-nine steps
from 80 to 90 = from eighty to ninety
"""


def film_of(text):
    return new_film("Figures", text, Settings())[0]


@pytest.mark.parametrize("case", READ.strip().splitlines())
def test_read_as_a_person_would(case) -> None:
    written, spoken = case.rsplit(" = ", 1)
    if written.startswith("flight"):
        spoken = "flight three seven oh was"  # as flights are announced; Merriam-Webster has "oh" for zero as well
    assert said_as(read(written).words, {}) == spoken


def test_other_readings_are_offered() -> None:
    assert readings("1834", Beside("in", "he"))[:2] == (
        "eighteen thirty-four",
        "one thousand eight hundred and thirty-four",
    )
    assert set(readings("St.", Beside("on", "Mary"))) == {"Saint", "Street"}
    assert len(readings("12/05/1890")) == 2
    assert readings("lantern") == ()


def test_one_word_is_read_in_a_way_of_its_own_and_only_its_line_is_said_anew() -> None:
    document = film_of("He counted 1834.\n\nIn 1834 it rained.")
    before = [line.text for line in read_film(document, DIRECTED).speech]
    assert before[0].startswith("He counted eighteen thirty-four.")
    change = ReadWord(word=document.word_ids[2], sounds="one  eight three four")
    document, _, title = apply_command(document, change, [])
    after = read_film(document, DIRECTED).speech
    assert "He counted one eight three four." in after[0].text and "In eighteen" in after[-1].text
    assert title == "read a word as one eight three four"
    document, _, _ = apply_command(document, ReadWord(word=document.word_ids[2]), [])
    assert [line.text for line in read_film(document, DIRECTED).speech] == before


def test_what_was_spoken_before_figures_were_read_is_heard_until_it_is_spoken_anew() -> None:
    line = read_film(film_of("In 1834 it rained."), DIRECTED).speech[0]
    assert line.plain and line.plain != line.key
    assert read_film(film_of("Then it rained."), DIRECTED).speech[0].plain == ""


@given(st.text(max_size=30), st.text(max_size=10), st.text(max_size=10))
def test_any_word_is_read_without_an_error(word, before, after) -> None:
    for reading in readings(word, Beside(before, after)):
        assert reading.strip()


@pytest.mark.long
@pytest.mark.thorough
@given(st.integers(0, 10**15 - 1))
def test_numbers_are_those_of_a_librarys(value) -> None:
    """Source: inflect."""
    engine = words()
    assert number(value) == engine.number_to_words(value, andword="and", comma="")
    assert ordinal(value) == engine.number_to_words(engine.ordinal(value), andword="and").replace(
        ",", ""
    )


@cache
def words():
    import inflect

    return inflect.engine()

"""How people look, as sentences say it. Passages are our own, labelled by hand."""

import pytest

from cutreel.core.colour import ciede2000, colour_in, lab_of
from cutreel.core.continuity import propose_cast
from cutreel.core.film import Settings, new_film
from cutreel.core.manuscript import read

SAID: list[tuple[str, str, str]] = [
    ("Ottilie Marsh was seventy, with white hair in a braid and a grey shawl. “Come,” said Ottilie.",
     "Ottilie Marsh", "old woman, white hair in a braid, grey shawl"),
    ("Every day the ferryman, a broad man called Josef, rowed. “Come,” said Josef.",
     "Josef", "broad man"),
    ("Her grandson Tom, a thin boy with red hair, swept. Tom was nine. So Tom was small.",
     "Tom", "thin small boy, red hair"),
    ("Inspector Vane had no hat. Vane wore a brown raincoat, and his eyes were pale.",
     "Inspector Vane", "brown raincoat"),
    ("Lena took off her red coat. She had long dark hair, tied in a bun. Lena’s brother Marek had a "
     "leather jacket.", "Lena", "long dark hair"),
    ("Lena laughed. Lena’s brother Marek had a scar and a leather jacket.", "Marek",
     "scar, leather jacket"),
    ("Old Mrs Pell kept a shop. She was small and round, and she wore a green apron.", "Mrs Pell",
     "small round woman, green apron"),
    ("The keeper was Doctor Hale. Hale wore a long black coat and muddy boots.", "Doctor Hale",
     "long black coat and muddy boots"),
    ("We met Bruno at noon. Bruno, an old man with a grey beard, wore a straw hat.", "Bruno",
     "old man, grey beard, straw hat"),
    ("Ida rowed. Ida was twelve, and her blue dress was wet.", "Ida", "girl, blue dress"),
    ("Nils saw Ada. Ada had curly red hair under a yellow cap.", "Ada",
     "curly red hair, yellow cap"),
    ("Captain Reed commanded. Reed was fifty, a stout man with a grey beard.", "Captain Reed",
     "stout man, grey beard"),
    ("Crane came. Crane stood at the rail in a long oilskin, and his eyes were green. So Crane waited.",
     "Crane", "green eyes, long oilskin"),
    ("Piet was bald and stout. “Well,” said Piet.", "Piet", "stout man, bald head"),
]  # fmt: skip

UNSAID: list[tuple[str, str, str]] = [
    ("Inspector Vane had no hat. Vane waited.", "Inspector Vane", "hat"),
    ("Lena took off her red coat. Then Lena slept. “Now,” said Lena.", "Lena", "red coat"),
    ("Ada ran like a girl in a silver crown. “On,” said Ada.", "Ada", "crown"),
    ("Ada looked at the man with a grey beard. “On,” said Ada.", "Ada", "beard"),
    ("“I had a golden hat,” said Bruno. Then Bruno wept.", "Bruno", "hat"),
    ("Tom swept. “Done,” said Tom.\n\nA stranger came. Mrs Pell looked at his muddy boots.", "Tom",
     "boots"),
    ("Ada gave Tom her blue scarf. “Take it,” said Ada. Tom took it.", "Ada", "scarf"),
]  # fmt: skip


def looks(text: str, name: str) -> str:
    people = {p.name: p for p in propose_cast(read(text))}
    return ", ".join(t.text for t in people[name].traits)


@pytest.mark.parametrize(("text", "name", "wanted"), SAID, ids=[n for _, n, _ in SAID])
def test_what_a_sentence_says_of_somebody_is_in_their_traits(
    text: str, name: str, wanted: str
) -> None:
    found = looks(text, name)
    assert all(part in found for part in wanted.split(", ")), found


@pytest.mark.parametrize(("text", "name", "thing"), UNSAID)
def test_what_is_denied_compared_given_away_or_anothers_is_not(
    text: str, name: str, thing: str
) -> None:
    assert thing not in looks(text, name)


def test_a_trait_says_which_words_it_came_from() -> None:
    (tom,) = (p for p in propose_cast(read(SAID[2][0])) if p.name == "Tom")
    assert "“red hair”" in tom.why and tom.pronoun == "he"


def test_what_the_text_leaves_open_stays_as_it_was_guessed() -> None:
    """Only what is said replaces a guess; the rest of a person does not change with it."""
    bare = looks("Ada rowed home. “On,” said Ada.", "Ada").split(", ")
    told = looks("Ada rowed home. Ada had white hair. “On,” said Ada.", "Ada").split(", ")
    assert "white hair" in told[1] and [told[0], *told[2:]] == [bare[0], *bare[2:]]


def test_the_prompts_of_a_pasted_story_say_what_it_says_of_its_people() -> None:
    from cutreel.core.film import Offered, read_film

    text = "The river rose. Ottilie was seventy, with white hair in a braid. She wore a grey shawl. Ottilie rowed."
    film, _ = new_film("t", text, Settings())
    prompts = [s.prompt.text for s in read_film(film, Offered(400)).shots if s.people]
    assert prompts and all("old woman" in p and "white hair in a braid" in p for p in prompts)


def test_a_surname_is_no_place() -> None:
    from cutreel.core.film import Offered, read_film

    text = "We saw Ottilie Marsh. Ottilie wove. The marsh was quiet."
    film, _ = new_film("t", text, Settings())
    found = read_film(film, Offered(400))
    places = {s.text: s.facts.place for s in found.shots}
    assert all("marsh" not in p for t, p in places.items() if "marsh" not in t), places
    assert any("marsh" in p for p in places.values())


@pytest.mark.parametrize(
    ("text", "name", "species"),
    [
        ("Ottilie wove. Her cat Pim slept in the basket. “Pim,” said Ottilie.", "Pim", "cat"),
        ("The dog, an old brown terrier called Biscuit, barked.", "Biscuit", "dog"),
        ("We had a mare named Juno. Juno ran home.", "Juno", "horse"),
    ],
)
def test_an_animal_with_a_name_is_that_animal(text: str, name: str, species: str) -> None:
    found = {p.name: p for p in propose_cast(read(text))}[name]
    assert found.kind == "animal" and found.traits[0].text == species


def test_what_is_guessed_of_people_differs_from_one_to_the_next() -> None:
    """Source of how far apart: CIEDE2000, five being a difference seen at a glance (common practice)."""
    names = ("Ada", "Bram", "Cleo", "Dov", "Edda")
    text = " ".join(f"{n} opened the door. Then {n} laughed, and {n} sat down." for n in names)
    document, _ = new_film("x", text, Settings())
    clothes = [next(t.text for t in p.traits if t.about == "clothes") for p in document.cast]
    hair = [next(t.text for t in p.traits if t.about == "hair") for p in document.cast]
    assert len(document.cast) == 5 and len(set(hair)) == 5
    colours = [c for c in map(colour_in, clothes) if c is not None]
    assert len(colours) == 5
    lab = lab_of(colours)
    for i in range(5):
        for j in range(i):
            assert ciede2000(lab[i : i + 1], lab[j : j + 1])[0] > 5, (clothes[i], clothes[j])

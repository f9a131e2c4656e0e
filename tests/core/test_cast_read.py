"""Who comes into the cast of a story that nobody prepared, and who speaks in it.

Expected values are what a reader of the sentences would say. The measures of coreference (MUC, B-cubed, CEAF) are those of
Pradhan et al. (2014), by the package scorch; the extracts of older books are in the public domain (`tests/data/read`)."""

import pytest
from scorch.scores import b_cubed, ceaf_e, muc

from cutreel.core.colour import colour_in
from cutreel.core.continuity import Person, known_people, propose_cast, propose_places
from cutreel.core.film import Offered, Settings, apply_command, new_film, read_film
from cutreel.core.film.commands import TakeCast
from cutreel.core.manuscript import Manuscript, people_named, read, words_text
from cutreel.core.manuscript.given import pronoun_of_given
from cutreel.core.reading import read_story, with_speakers
from tests.labelled import all_stories, by_sentence, clusters, mentions, parses_of, read_by_sentence


def cast_of(text: str) -> dict[str, Person]:
    return {p.name: p for p in propose_cast(read(text), parses_of(text))}


def spoken(text: str) -> list[tuple[str | None, str]]:
    """What is spoken, and by whom, once the story is read."""
    script: Manuscript = read(text)
    parses = parses_of(text)
    known = known_people(propose_cast(script, parses))
    told = with_speakers(script, read_story(script, parses, known), known)
    return [
        (line.speaker, words_text(told.words[line.first : line.end]).strip("“”,.?!"))
        for line in told.lines
        if line.why != "narration"
    ]


PRINCE = (
    "High on a column stood the statue of the Happy Prince. He was gilded all over.\n\n"
    "One night there flew over the city a little Swallow. His friends had gone away to Egypt, but he had stayed behind.\n\n"
    "“Where shall I put up?” he said. Then he saw the statue.\n\nHe looked up, and saw the Prince."
)


def test_what_somebody_is_may_be_used_like_a_name() -> None:
    cast = cast_of(PRINCE)
    assert set(cast) == {"the Happy Prince", "the Swallow"}
    assert "the Prince" in cast["the Happy Prince"].aliases
    assert (cast["the Swallow"].kind, cast["the Swallow"].pronoun) == ("animal", "he")
    assert spoken(PRINCE) == [("the Swallow", "Where shall I put up")]


@pytest.mark.parametrize(
    ("text", "nobody"),
    [
        # a word beside another, what somebody is said to be, who is only spoken of
        ("Ada took the official book to the official. Ada read it.", ""),
        ("Ada had been a student. The student years were long. Ada smiled.", "the student"),
        ("“The fakir made it,” said Ada. “A fakir?” said Tom. “The fakir,” said Ada.", "the fakir"),
        ("Ada put it on the floor, said no word, and left the floor.", "the floor"),
        ("Then the Spring came. The Spring was late. Ada saw the Spring.", "the Spring"),
    ],
)
def test_who_stands_for_nobody_is_not_in_the_cast(text: str, nobody: str) -> None:
    assert nobody not in cast_of(text)


@pytest.mark.parametrize(
    ("text", "name", "pronoun"),
    [
        # once, and gone on about
        ("Ada slept. In the morning the postman came up the path, and he had a letter.", "the postman", "he"),
        # in a tree, behind its verb
        ("The garden was white. Beneath the tree stood a little boy. He was crying.", "the boy", "he"),
        # never named at all
        (
            "She woke before the alarm. She stood up. She went out, and she did not shut the door.",
            "the woman",
            "she",
        ),
        # named late, by what they are, behind "my father" who is another
        (
            "I remember him well. He came to the inn at night. He was tall. Then he rapped on the door, and when my father "
            "appeared, called for rum. "
            "I was afraid of him. The captain struck the table.",
            "the captain",
            "he",
        ),
        ("The robot turned its eye. The robot went on watering.", "the robot", None),
        ("In London Luke Howard wrote down the weather. By Lake Geneva Mary Shelley sat.", "Luke Howard", "he"),
        ("In London Luke Howard wrote down the weather. By Lake Geneva Mary Shelley sat.", "Mary Shelley", "she"),
        ("Madame Sofronie nodded. “I buy hair,” said Madame. She lifted it.", "Madame Sofronie", "she"),
    ],
)  # fmt: skip
def test_who_is_somebody_is_in_the_cast(text: str, name: str, pronoun: str | None) -> None:
    cast = cast_of(text)
    assert name in cast and cast[name].pronoun == pronoun


def test_a_family_is_told_apart() -> None:
    cast = cast_of(
        "Mr. White sat down. Mrs. White coughed as her husband came in, and her son laughed. “Hark,” said Mr. White. "
        "Herbert White took the paw, and White, with a cry, snatched it from his son. Herbert laughed."
    )
    assert set(cast) == {"Mr. White", "Mrs. White", "Herbert White"}
    assert {"White", "husband"} <= set(cast["Mr. White"].aliases)
    assert {"Herbert", "son"} <= set(cast["Herbert White"].aliases)


def test_given_names_tell_a_sex_where_they_are_one_sexs() -> None:
    """Source: the registers of names that `tools/given.py` names."""
    assert [pronoun_of_given(n) for n in ("Jim", "Della", "frank")] == ["he", "she", "he"]
    assert pronoun_of_given("Robin") is None and pronoun_of_given("Wenna") is None
    assert pronoun_of_given("Paris") is None, "a place"


def test_who_is_called_by_name_does_not_speak() -> None:
    text = (
        "A wolf met Ada.\n\n“Good day,” said the wolf.\n\n“Thank you kindly, wolf.”\n\n“Whither away?”\n\n"
        "“To my aunt’s,” said Ada."
    )
    assert [who for who, _ in spoken(text)] == ["the wolf", "Ada", "the wolf", "Ada"]


def test_an_answer_moves_the_voice() -> None:
    text = "Nan waited. Ada met Nan at the gate. She laughed. “Well,” she said."
    parses = parses_of(text)
    document, _ = new_film("x", text, Settings(), parses=parses)
    read_so = read_film(document, Offered(400), parses=parses)
    ids = {p.name: p.id for p in document.cast}
    she = [i for i, w in enumerate(read_so.script.words) if w.bare == "she"][-1]
    other = "Nan" if [x.speaker for x in read_so.script.lines if x.speaker] == ["Ada"] else "Ada"
    meant = type(document).model_fields["meant"].annotation.__args__[0]  # type: ignore[union-attr]
    answered = document.model_copy(
        update={"meant": [meant(word=read_so.ids[she], people=[ids[other]])]}
    )
    again = read_film(answered, Offered(400), parses=parses)
    assert [x.speaker for x in again.script.lines if x.speaker] == [other]


def test_a_trait_tells_the_words_it_was_read_from() -> None:
    cast = cast_of("Ada came in. She wore a patched blue coat, and her white hair was in a braid.")
    said = {t.about: t.said for t in cast["Ada"].traits}
    assert "patched blue coat" in said["clothes"] and "white hair" in said["hair"]
    assert said["skin"] == "", "a guess"


def test_rooms_and_animals_keep_a_face_that_is_nobody_elses() -> None:
    text = "The kitchen was warm. The kitchen was old. The attic was cold. The attic was dark. The yellow room. The room."
    faces = {p.name: p.description for p in propose_places(read(text))}
    assert len({f.split(", ", 1)[1] for f in faces.values()}) == 3
    assert all(" walls, " in f and f.endswith(" curtains") for f in faces.values())
    assert "yellow walls" in faces["the room"], "as the text says"
    assert [p.description for p in propose_places(read(text))] == list(faces.values())
    pair = cast_of("The Mole met the Water Rat. “Hullo,” said the Mole. “Hullo,” said the Rat.")
    coats = {p.traits[-1].text for p in pair.values()}
    assert len(coats) == 2 and all(c.endswith(" fur") for c in coats)


def test_another_day_is_day_again_and_a_bed_stands_in_a_bedroom() -> None:
    text = (
        "Frank stood on the beach at night. He smiled for the first time in nine years. In October he dived for his plates. "
        "One morning Ada was lying awake in bed. She heard music."
    )
    parses = parses_of(text)
    document, _ = new_film("x", text, Settings(), parses=parses)
    first = document.shots[0]
    script = read(text)
    opens = [s.first for s in script.sentences]
    shots = [
        first.model_copy(update={"id": i, "edge": str(i), "first": at + 1})
        for i, at in enumerate(opens, 1)
    ]
    film = read_film(document.model_copy(update={"shots": shots}), Offered(400), parses=parses)
    assert [s.facts.time for s in film.shots] == ["night", "night", "day", "day", "day"]
    assert film.shots[-1].facts.place.startswith("a bedroom")


@pytest.mark.thorough
def test_mentions_make_the_people_that_a_reader_makes_of_them() -> None:
    told, found = [], []
    for story in all_stories():
        labelled, ours = mentions(story, read_by_sentence(story, parses_of(story.text)))
        told += [{(story.name, at) for at in c} for c in clusters(labelled)]
        found += [{(story.name, at) for at in c} for c in clusters(ours)]
    scored = {m.__name__: m(told, found)[2] for m in (muc, b_cubed, ceaf_e)}
    assert sum(map(len, told)) > 400
    assert scored["muc"] >= 0.92 and scored["b_cubed"] >= 0.87 and scored["ceaf_e"] >= 0.85


def test_capitals_of_peoples_make_nobody() -> None:
    assert not people_named("They marched on the Roman road. The Roman road was straight.")


@pytest.mark.parametrize(
    ("text", "name", "call"),
    [
        ("My father drove a plough. Dad hummed. I sat beside Dad.", "Dad", "father"),
        ("Mum lit the stove. My mother sang, and I slept. I woke.", "Mum", "mother"),
        (
            "Ferrin told the director. Madame Teck was a tall woman. “No,” said Madame Teck. It was Luc Teck, "
            "the director’s own son. Ferrin looked at the director.",
            "Madame Teck",
            "director",
        ),
        (
            "Her supervisor was Herr Falk. Greta saw Falk. The supervisor smiled at Greta.",
            "Herr Falk",
            "supervisor",
        ),
        (
            "The ship’s doctor was a Swede named Olaf Brandt. Brandt smiled. The doctor sat down. Brandt slept.",
            "Olaf Brandt",
            "doctor",
        ),
        (
            "Hester Vane sailed. Hester slept. “I am Doctor Vane,” said Hester. Hester laughed.",
            "Hester Vane",
            "Doctor Vane",
        ),
    ],
)
def test_who_is_called_so_is_the_same(text: str, name: str, call: str) -> None:
    cast = cast_of(text)
    assert call in cast[name].aliases
    assert not any(
        call in (p.name.removeprefix("the "), *p.aliases) for n, p in cast.items() if n != name
    )


@pytest.mark.parametrize(
    ("text", "nobody"),
    [
        ("“Close it,” said the guard, and they began to seal the crack with wax.", "the crack"),
        ("Somebody shouted down the shaft, and Ada heard it.", "the shaft"),
        ("Ada was born above a chandler’s shop. Ada sold rope in the shop.", "the chandler"),
        ("Ada played the song that her grandmother used to hum. Ada smiled.", "the grandmother"),
        ("The Constance struck a reef. Ada swam. The Constance sank. Ada wept.", "Constance"),
        ("Ada signed on as Henry Vane. Ada sailed for years.", "Henry Vane"),
        ("The spirit of the mountain kept quiet. Ada climbed. The spirit stayed.", "the spirit"),
    ],
)
def test_what_is_nobody_is_left_out(text: str, nobody: str) -> None:
    assert nobody not in cast_of(text)


def test_a_story_told_to_you_is_about_you() -> None:
    text = (
        "You stand on a quiet platform. You hold a ticket. A conductor comes. You walk along the corridor. "
        "You put the case on the rack, and you sleep."
    )
    assert "you" in cast_of(text)["the listener"].aliases
    assert "the listener" not in cast_of("If you ask me, you never know. Ada rowed. Ada slept.")
    seen = who_by_sentence(text)
    assert seen[0] == seen[1] == {"the listener"} and "the listener" not in seen[2]


def who_by_sentence(text: str) -> list[set[str]]:
    """Who is there to be seen, sentence by sentence, with nothing set by hand."""
    film = by_sentence(text)
    names = {p.id: p.name for p in film.document.cast}
    return [{names[p] for p in s.facts.there} for s in film.shots]


@pytest.mark.parametrize(
    ("text", "seen"),
    [
        # "they" are people who are not in the cast
        ("Ada and Tom sat down. The police came. They opened the crates.", [{"Ada", "Tom"}, set(), set()]),
        ("Ada sat down. The police came. They led her down the steps.", [{"Ada"}, set(), {"Ada"}]),
        # "them" are not those who see them
        (
            "Ada and Una swam. The fishermen saw them. Ada and Una dived. Una smiled at Ada.",
            [{"Ada", "Una"}, {"Ada", "Una"}],
        ),
        # the sisters are all who can be so called, her sisters all but her
        (
            "Anna laughed. Mary sang. Lucy wept. Tom knocked. The sisters put on the cloaks. Mary looked at Anna. Lucy looked at Mary. Tom ran.",
            [{"Anna"}, {"Mary"}, {"Lucy"}, {"Tom"}, {"Anna", "Mary", "Lucy"}],
        ),
        ("Everybody called her Little. Little smiled. Una smiled. Una sat down. Little slept.", [{"Little"}, {"Little"}, {"Una"}]),
        ("Luc waved. Luc ran. Luc was never found.", [{"Luc"}, {"Luc"}, set()]),
        ("Tom slept. Tom died in March. Ada wept. Ada sat down.", [{"Tom"}, set(), {"Ada"}]),
    ],
)  # fmt: skip
def test_who_is_there_is_who_a_reader_sees(text: str, seen: list[set[str]]) -> None:
    assert who_by_sentence(text)[: len(seen)] == seen


def test_a_name_is_told_with_what_bears_it() -> None:
    """ "A girl named Pim", "a goat called Button", "Tom the carter": each once, with what is said of them."""
    cast = cast_of(
        "There was once a boy called Jack who lived by the quarry. A small girl named Pim lived next door, and she had a "
        "goat called Button.\n\nOld Tom the carter was a thin man in a green apron. He gave Jack a lantern.\n\n"
        "Marta the baker, who was stout and red-haired, pushed the door open.\n"
    )
    assert set(cast) == {"Jack", "Pim", "Button", "Old Tom", "Marta"}
    assert cast["Button"].is_animal
    traits = {name: " ".join(t.text for t in p.traits) for name, p in cast.items()}
    assert "small girl" in traits["Pim"] and "goat" in traits["Button"]
    assert "thin man" in traits["Old Tom"] and "green apron" in traits["Old Tom"]
    assert "stout woman" in traits["Marta"] and "red hair" in traits["Marta"]


def test_a_dog_is_called_as_it_is_said_to_be_and_does_not_speak_for_the_girl() -> None:
    text = (
        "A girl pushed the door open. She was twelve. Behind her came a brown dog with one torn ear.\n\n“I want to learn "
        "how to stop time,” she said.\n\n“Then teach me,” said the girl. Her name was Wren Hale.\n\nThe dog, whose name was "
        "Biscuit, slept in the box.\n"
    )
    cast = cast_of(text)
    assert set(cast) == {"Wren Hale", "Biscuit"} and cast["Biscuit"].is_animal
    assert "brown" in " ".join(t.text for t in cast["Biscuit"].traits)
    assert spoken(text)[0][0] == "Wren Hale"


def test_a_garment_without_a_colour_has_one_in_every_picture() -> None:
    cast = cast_of(
        "Tom slept. Ada was a girl with red hair and a coat that was too big for her. Ada ran.\n"
    )
    (clothes,) = [t.text for t in cast["Ada"].traits if t.about == "clothes"]
    assert clothes.endswith(" coat") and colour_in(clothes) is not None


def test_who_is_called_by_a_noun_behind_the_name_is_that_person() -> None:
    cast = cast_of(
        "Wren the lamplighter was an old woman in a brown coat. Tobin gave Wren the pole. The lamplighter laughed at "
        "Tobin, and Tobin laughed too.\n"
    )
    assert "brown coat" in " ".join(t.text for t in cast["Wren"].traits)
    assert {"Wren", "Tobin"} == set(cast)


def test_who_comes_in_without_a_name_is_who_is_told_it_later() -> None:
    cast = cast_of(
        "Mr. Pell lit his ovens. A thin girl in a soldier's greatcoat stood on the step.\n\nHer name was Odette. Odette had a "
        "cough, and Mr. Pell gave her a loaf.\n"
    )
    assert {"Mr. Pell", "Odette"} == set(cast)
    assert "thin girl" in " ".join(t.text for t in cast["Odette"].traits)


@pytest.mark.parametrize(
    ("words", "old"),
    [
        ("An old bargeman, Cornelis, clung to the rope.", True),
        ("A bargeman, Cornelis, clung to the rope.", False),
        ("An old, tired bargeman called Cornelis clung to the rope.", True),
        ("An old bargeman called Cornelis clung to the rope.", True),
        ("Cornelis, an old bargeman, clung to the rope.", True),
        ("Old Cornelis clung to the rope.", True),
        ("Cornelis was very old, and clung to the rope.", True),
    ],
)
def test_who_is_told_to_be_old_beside_the_name_looks_it(words, old) -> None:
    told = cast_of(
        f"Tobias came home. {words} Tobias pulled. Cornelis thanked Tobias. Cornelis slept."
    )
    looks = " ".join(t.text for t in told["Cornelis"].traits)
    assert ("old man" in looks and "grey hair" in looks) == old, looks
    assert "old" not in " ".join(t.text for t in told["Tobias"].traits)


def test_the_old_man_is_the_only_old_man_there_is() -> None:
    story = (
        "Tobias came home. An old bargeman, Cornelis, clung to the rope. Tobias pulled.\n\nCornelis slept by the stove. "
        "“Keep it,” said the old man. Tobias nodded. The old man laughed."
    )
    told = cast_of(story)
    assert "the man" in told["Cornelis"].aliases and "the man" not in told
    assert told["Cornelis"].pronoun == "he"
    # With two of them, nobody can tell which is meant.
    two = cast_of(f"{story} An old sailor, Pieter, came in. Pieter sat down. Pieter sang.")
    assert "the man" not in two["Cornelis"].aliases


def test_who_is_found_again_keeps_their_number_though_called_otherwise() -> None:
    film, _ = new_film("Numbers", "Pip rowed. Old Ansel watched. Pip sang.", Settings())
    guessed = [p.model_copy(update={"id": n + 1, "guess": True}) for n, p in enumerate((
        Person(id=1, name="Pip"), Person(id=2, name="Ansel"), Person(id=3, name="Edda", aliases=["the clockmaker"]),
    ))]  # fmt: skip
    film.cast = guessed
    found = [
        Person(id=1, name="Old Ansel", aliases=["Ansel"]), Person(id=2, name="The clockmaker"),
        Person(id=3, name="Mirel"), Person(id=4, name="Pip"),
    ]  # fmt: skip
    done = apply_command(film, TakeCast(cast=found), [])[0]
    assert {p.name: p.id for p in done.cast} == {
        "Old Ansel": 2, "The clockmaker": 3, "Mirel": 6, "Pip": 1,
    }  # fmt: skip


def test_two_who_were_one_do_not_share_a_number() -> None:
    film, _ = new_film("Numbers", "Pip rowed. Pip sang.", Settings())
    film.cast = [Person(id=5, name="Pip", aliases=["the boy"], guess=True)]
    found = [Person(id=1, name="Pip"), Person(id=2, name="the boy")]
    done = apply_command(film, TakeCast(cast=found), [])[0]
    assert done.cast[0].id == 5 and len({p.id for p in done.cast}) == 2


def test_what_stands_beside_a_role_brings_nobody_new() -> None:
    """ "The driver, an old man": one person, who speaks and acts on."""
    text = (
        "Odile stood in the road. The driver, an old man with a tin whistle, opened the door. “You are early,” he said. "
        "Odile rode with him."
    )
    assert set(cast_of(text)) == {"Odile", "the driver"}
    assert spoken(text) == [("the driver", "You are early")]
    # A man who comes by himself stays another.
    other = "The driver, an old man, opened the door. A man with a dog climbed in. The man sat down. The driver sang. He sang on."
    assert {"the driver", "the man"} <= set(cast_of(other))


def test_a_grandfather_is_the_old_man() -> None:
    text = (
        "Jonas built a kite. His grandfather gave him a ball of line. “It will hold a shark,” the old man said. "
        "They carried it up the hill."
    )
    assert set(cast_of(text)) == {"Jonas", "the grandfather"}
    assert spoken(text) == [("the grandfather", "It will hold a shark")]
    # Where another man comes in, nobody knows who is meant.
    other = "Jonas saw a man. His grandfather waved. The old man sat down. The old man sang."
    assert "the man" in cast_of(other)


def test_what_a_letter_says_is_read_by_whoever_tells_the_story() -> None:
    text = (
        "Jonas laughed. “It is yours,” said Philippa. A letter was tied to its tail. He opened it.\n\n"
        "“Thank you,” it said. “I only wanted to see the sea.”\n\nJonas let it go."
    )
    assert spoken(text) == [
        ("Philippa", "It is yours"),
        (None, "Thank you"),
        (None, "I only wanted to see the sea"),
    ]


def test_whoever_stands_beside_their_office_by_name_is_one() -> None:
    cast = cast_of(
        "My supervisor, Mr. Okafor, a tall man, looked up. I saw the supervisor sit down."
    )
    assert "supervisor" in cast["Mr. Okafor"].aliases and "the supervisor" not in cast


def people_in(text: str) -> dict[str, tuple[set[str], str | None]]:
    return {name: (set(p.aliases), p.pronoun) for name, p in cast_of(text).items()}


def test_names_that_are_told_with_what_somebody_is() -> None:
    told = people_in(
        "A thin man called George Pell stepped off the ship. Pell smiled. The farmer, whose name was Amos Tull, read the paper. "
        "Tull held it up. The sergeant, a tired man named Doyle, took off his cap. Doyle sighed. "
        "An Austrian scientist named Karl von Frisch sat down. Frisch wrote. His wife Margarethe came out with a lamp."
    )
    assert set(told) == {"George Pell", "Amos Tull", "Doyle", "Karl von Frisch", "Margarethe"}
    assert told["Amos Tull"] == ({"Tull", "the farmer", "farmer"}, "he")
    assert told["Doyle"] == ({"the sergeant", "sergeant"}, "he")
    assert "the scientist" in told["Karl von Frisch"][0]


def test_one_of_them_has_a_name_and_a_sex() -> None:
    told = people_in(
        "Two officers came. One of them was a woman with grey hair; her name was Sergeant Abbot. She knelt. "
        "They found a boy. He was asleep. He was five years old and his name was Danny Price. The sergeant took off her coat. Danny slept."
    )
    assert told["Sergeant Abbot"][1] == "she" and told["Danny Price"][1] == "he"
    assert "the boy" in told["Danny Price"][0] and "the sergeant" in told["Sergeant Abbot"][0]
    danny = cast_of(
        "They found a boy. He was five years old and his name was Danny Price. Danny slept."
    )["Danny Price"]
    assert danny.traits[0].text.endswith("boy")


def test_several_at_the_head_of_a_sentence_are_nobody() -> None:
    told = cast_of("Ada kept the paper. Visitors asked about it. “That,” Ada would say, “is mine.”")
    assert set(told) == {"Ada"}
    assert spoken(
        "Ada kept the paper. Visitors asked about it. “That,” Ada would say, “is mine.”"
    ) == [("Ada", "That"), ("Ada", "is mine")]


def test_whoever_has_a_name_is_not_the_only_man() -> None:
    """ "A man's voice" on the telephone is not Gus, who is called a man when he comes in."""
    told = people_in(
        "It was a man’s voice, and it was shaking. He lived at the top of the lane. He was old. He waited. He coughed. "
        "Her boss, a huge man called Gus, stood there. Gus said nothing. Gus left."
    )
    assert told["Gus"][0] == {"the boss", "boss"}


def test_somebody_is_whom_it_calls_the_man_later() -> None:
    text = (
        "I came around the corner and somebody was standing there. He was tall, and he had no coat. "
        "I lifted my lamp. He did not move. I looked down. When I looked up the man was gone. I ran to my house. I was afraid."
    )
    cast = propose_cast(read(text), parses_of(text))
    man = next(p for p in cast if p.name == "the man")
    assert "tall" in man.traits[0].text
    story = read_story(read(text), parses_of(text), known_people(cast))
    meant = [
        m
        for p in story.paragraphs.values()
        for m in p.mentions
        if m.people == (man.id,) and m.start < 100
    ]
    assert len(meant) == 2, "both times “he” before he is called so"

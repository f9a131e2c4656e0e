"""Words by which people and animals are called, and words that are nobody's name."""

from dataclasses import dataclass
from typing import Literal

Pronoun = Literal["she", "he"]

# fmt: off
ROLES: dict[str, Pronoun | None] = {
    "boy": "he", "girl": "she", "man": "he", "woman": "she", "child": None, "king": "he",
    "queen": "she", "prince": "he", "princess": "she", "mother": "she", "father": "he",
    "grandmother": "she", "grandfather": "he", "captain": None, "sailor": None, "fisherman": "he",
    "ferrywoman": "she", "ferryman": "he", "baker": None, "teacher": None, "doctor": None,
    "nurse": None, "farmer": None, "soldier": None, "guard": None, "witch": "she", "wizard": "he",
    "stranger": None, "neighbour": None, "neighbor": None, "keeper": None, "hunter": None,
    "shepherd": None, "blacksmith": None, "merchant": None, "thief": None, "surveyor": None,
    "lady": "she", "gentleman": "he", "servant": None, "brother": "he", "sister": "she",
    "uncle": "he", "aunt": "she", "clockmaker": None, "lamplighter": None, "mayor": None,
    "priest": "he", "widow": "she", "knight": "he", "bride": "she", "bridegroom": "he", "groom": "he", "nun": "she",
    "monk": "he", "waitress": "she", "waiter": "he", "actress": "she", "landlady": "she", "landlord": "he",
    "duchess": "she", "duke": "he", "empress": "she", "emperor": "he", "midwife": "she",
}
ANIMALS = {
    "heron", "cat", "dog", "horse", "fox", "owl", "crow", "rabbit", "wolf", "bear", "sheep", "cow",
    "goat", "bird", "gull", "mouse", "fish", "whale", "deer", "duck", "goose", "hen", "pig",
    "donkey", "frog", "snake", "lion",
}
SPECIES = {a: a for a in ANIMALS} | {
    "terrier": "dog", "hound": "dog", "puppy": "dog", "sheepdog": "dog", "spaniel": "dog",
    "kitten": "cat", "tomcat": "cat", "mare": "horse", "pony": "horse", "stallion": "horse",
    "foal": "horse", "raven": "crow", "jackdaw": "crow", "lamb": "sheep", "ewe": "sheep",
    "hare": "rabbit", "gander": "goose", "rooster": "hen", "cockerel": "hen", "calf": "cow",
    "mule": "donkey", "vixen": "fox", "cub": "bear", "stag": "deer", "doe": "deer", "fawn": "deer", "ram": "sheep",
    "bull": "cow", "ox": "cow", "parrot": "bird", "sparrow": "bird", "robin": "bird",
    "eagle": "bird", "hawk": "bird", "wolfhound": "dog",
}
"""What an animal is that is called so."""
KIN: dict[str, Pronoun | None] = {
    "brother": "he", "sister": "she", "mother": "she", "father": "he", "son": "he",
    "daughter": "she", "uncle": "he", "aunt": "she", "grandson": "he", "granddaughter": "she",
    "grandfather": "he", "grandmother": "she", "nephew": "he", "niece": "she", "husband": "he",
    "wife": "she", "cousin": None, "friend": None, "neighbour": None, "neighbor": None,
    "twin": None, "apprentice": None, "servant": None,
}
SAME_KIN = {
    "dad": "father", "daddy": "father", "papa": "father", "pa": "father", "mum": "mother", "mom": "mother",
    "mummy": "mother", "mommy": "mother", "mama": "mother", "mamma": "mother", "ma": "mother", "gran": "grandmother",
    "granny": "grandmother", "grandma": "grandmother", "nan": "grandmother", "grandad": "grandfather",
    "granddad": "grandfather", "grandpa": "grandfather", "auntie": "aunt",
}
"""Who is called so is the same as who is called by the word of kin: Dad is "my father"."""
NOT_NAMES = {
    "i", "i'm", "i'll", "i've", "i'd", "monday", "tuesday", "wednesday", "thursday", "friday",
    "saturday", "sunday", "january", "february", "march", "april", "may", "june", "july", "august",
    "september", "october", "november", "december", "the", "a", "an", "and", "but", "so", "or",
    "if", "then", "when", "what", "who", "why", "how", "where", "he", "she", "it", "they", "we",
    "you", "his", "her", "their", "its", "my", "our", "your", "this", "that", "these", "those",
    "there", "here", "no", "yes", "not", "nor", "in", "on", "at", "of", "for", "with", "from",
    "by", "to", "as", "all", "one", "two", "three", "four", "five", "six", "some", "every", "each",
    "god", "english", "french", "christmas", "easter", "sir", "madam", "ma'am", "chapter", "scene",
    "part", "well", "oh", "ah", "now", "please", "nobody", "somebody", "everybody", "nothing",
    "something", "even", "only", "just", "still", "once", "never",
    "spring", "summer", "autumn", "winter", "come", "look", "go", "wait", "listen", "let", "hark", "stop", "mate",
    "ask", "call", "bring", "give", "meet", "help", "leave", "follow", "remember", "imagine", "say", "speak", "run",
    "hurry", "stay", "keep", "hold", "open", "close", "dear", "poor", "good",
    "hello", "hullo", "halloa", "hush", "take", "tell", "see", "without", "first", "whither", "thank",
}
NOT_NAMES |= {
    "seven", "eight", "nine", "ten", "eleven", "twelve", "twenty", "thirty", "forty", "fifty", "sixty", "seventy",
    "eighty",
    "ninety", "hundred", "thousand", "both", "another", "everyone", "someone", "none", "most", "many", "few", "several",
    "somewhere", "anywhere", "everywhere", "elsewhere", "nowhere", "overhead", "upstairs", "downstairs", "sometimes",
    "often", "twice", "today", "tomorrow", "yesterday", "underneath", "opposite",
    "far", "inside", "outside", "together", "later", "soon", "suddenly", "everything", "anything", "slowly", "perhaps",
    "maybe", "again", "away", "down", "up", "out", "back", "yet", "neither", "beside", "beyond", "near", "next",
    "number", "fact", "reason", "step", "lesson", "rule", "tip",
    "o", "between", "among", "against", "despite", "toward", "towards", "around", "across", "along", "beneath",
    "within", "throughout", "besides", "upon", "unlike", "during", "except",
    "behind", "after", "before", "above", "below", "under", "over", "through", "until", "since", "while", "because",
}
# fmt: on


COMPARED = "smaller|bigger|taller|shorter|larger|thinner|fatter|quieter|braver|kinder"
"""How one of two is told from the other: "the smaller cub"."""


@dataclass(frozen=True, slots=True)
class Figure:
    """Somebody or something that recurs. `pronoun` is "she", "he" or None when the text does not
    tell."""

    name: str
    aliases: tuple[str, ...]
    kind: str
    pronoun: Pronoun | None
    count: int
    why: str
    species: str = ""
    """Of an animal with a name: what it is."""
    sure: bool = False
    """Whether a title, or a word for what they are, tells the pronoun."""


_FEMALES = frozenset("vixen hen ewe mare cow doe sow lioness tigress goose queen nanny".split())
_MALES = frozenset(
    "cock cockerel rooster stallion bull ox ram stag drake gander tomcat boar billy".split()
)


def kin_calls(name: str) -> tuple[str, ...]:
    """The words of kin by which somebody named so is also called: Father is "the father", and so is Dad; else none."""
    kin = SAME_KIN.get(name.lower(), name.lower())
    if kin not in KIN:
        return ()
    return tuple(dict.fromkeys((f"the {kin}", kin, f"the {name.lower()}", name.lower())))


def pronoun_of(noun: str) -> Pronoun | None:
    """How somebody is called who is called so; None where the word does not tell."""
    noun = SAME_KIN.get(noun, noun)
    if noun in _FEMALES or noun in _MALES:
        return "she" if noun in _FEMALES else "he"
    if noun in ROLES:
        return ROLES[noun]
    if noun in KIN:
        return KIN[noun]
    if noun.endswith(("woman", "mistress")):
        return "she"
    return "he" if noun.endswith(("man", "master")) else None

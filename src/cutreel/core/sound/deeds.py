"""Which deeds are heard: who or what does something that everybody would know with eyes shut.

A deed sounds by its verb together with what it is done by, to or with; verbs that sound by themselves need nothing
beside them. What is denied, wished, compared or only spoken of is no deed, so it is not heard either. How much there is
to hear: 3 what turns heads (a crash, a bell), 2 what is plainly heard, 1 what is heard when all is still.
"""

import re
from collections import defaultdict
from functools import lru_cache
from typing import NamedTuple

from cutreel.core.nouns import sort_of
from cutreel.core.reading import Deed, ReadParagraph


class Sounding(NamedTuple):
    """At character `start` of a paragraph something is heard: the sound as a prompt, how much there is to hear, and of
    whom of the cast (by id)."""

    start: int
    prompt: str
    weight: int
    who: tuple[int, ...] = ()


class _Rule(NamedTuple):
    nouns: frozenset[str]
    prompt: str
    weight: int


_ANY: frozenset[str] = frozenset()
_DOORS = "door gate hatch trapdoor shutter shutters"
_WATER = "water river sea lake pond well stream harbour canal waves bay fjord puddle"
_GLASS = "glass window pane mirror jar bottle plate plates cup vase lamp lantern bowl dish jug windscreen"
_BOARDED = "stair stairs staircase ladder floor boards corridor attic jetty deck"
# Each: verbs; what must stand beside them (- for nothing); the sound (- for none); how much there is to hear. The first
# that fits holds.
_TABLE = f"""
ring tinkle | small little silver handbell | a small bell rings | 2
ring toll peal chime strike jangle | bell bells church tower steeple chapel | a church bell rings | 3
ring | phone telephone | a telephone rings | 3
ring | doorbell | a doorbell rings | 3
ring | alarm clock | an alarm clock rings | 3
strike chime | clock midnight | a clock strikes | 3
tick | - | a clock ticks | 2
strike light scratch flare | match matches | a match is struck | 2
knock rap hammer pound bang | {_DOORS} wall table | knocks on a wooden door | 3
tap rap knock | window glass pane | taps on glass | 2
slam bang | {_DOORS} lid drawer cupboard book | a wooden door slams | 3
creak squeak | gate | an iron gate creaks | 2
open shut close creak swing push pull unbar | gate | an iron gate creaks | 2
open shut close creak swing unbar bolt | {_DOORS} | a wooden door opens and closes | 2
open shut close pull | drawer cupboard chest box lid trunk | a drawer slides | 1
creak groan | - | old boards creak | 2
lock unlock | - | a key turns in a lock | 2
turn | key lock | a key turns in a lock | 2
click | - | a latch clicks | 2
splash plunge dive | - | a splash of water | 3
fall jump slip throw toss drop fling leap tumble | {_WATER} | a splash of water | 3
row paddle scull | - | oars in water | 2
wade | - | steps through water | 2
pour fill | water tea coffee wine milk cup glass kettle jug bucket ale beer soup | water is poured | 2
drip trickle | - | water drips | 2
boil simmer bubble | - | water boils | 2
whistle sing | kettle | a kettle whistles | 3
thunder | - | thunder | 3
rumble roll crack boom growl | thunder sky storm | thunder | 3
flash strike | lightning | thunder | 3
smash shatter break crack splinter | {_GLASS} | glass shatters | 3
snap break crack | branch branches twig twigs stick mast bough rope string | a branch snaps | 2
crack | ice | ice cracks | 3
crash collapse topple | - | a crash of wood | 3
fall drop | coin coins | a coin drops on stone | 2
fall drop tumble | book stone plank box bag sack crate tree | something heavy falls | 2
fall drop tumble | ladder rock brick hammer spade shovel | something heavy falls | 2
clatter | - | pots clatter | 2
rattle | window windows shutters chain chains | a chain rattles | 2
rattle | train tram | a train passes | 2
rattle | pot pots pan pans dish dishes cup cups plate plates kettle | pots clatter | 2
clink | - | glasses clink | 2
jingle jangle | - | keys jingle | 2
thud thump bump | - | something heavy falls | 2
explode | - | an explosion | 3
shoot fire | gun pistol rifle cannon shot shots musket revolver | a gunshot | 3
blow sound hoot honk blare | horn foghorn trumpet ship steamer ferry car | a horn sounds | 3
wail scream howl | siren sirens | a siren wails | 3
whistle hoot | train engine locomotive | a train whistle | 3
blow | whistle | a train whistle | 2
arrive pull rumble brake leave stop come roll pass thunder | train tram carriage wagon | a train passes | 2
start rev roar cough splutter stall drive | engine motor car truck lorry van tractor bus motorbike | a motor starts | 2
bark yap | - | a dog barks | 3
growl | dog wolf bear | a dog growls | 2
howl | wolf wolves dog dogs | a wolf howls | 3
howl moan shriek roar rage | wind gale storm | a gust of wind | 2
blow gust | wind gale | a gust of wind | 2
meow mew miaow | - | a cat meows | 2
purr | - | a cat purrs | 1
neigh whinny | - | a horse neighs | 3
gallop canter | - | hooves on the road | 3
trot | horse horses pony mare donkey mule | hooves on the road | 3
ride | horse horses pony mare mule donkey | hooves on the road | 2
moo low | cow cows cattle ox | a cow lows | 2
bleat | - | a goat bleats | 2
crow | rooster cock cockerel | a rooster crows | 3
cluck | - | hens cluck | 2
quack | - | ducks quack | 2
hoot | owl owls | an owl hoots | 2
caw croak | crow crows raven ravens rook rooks heron | a crow calls | 2
croak | - | frogs croak | 2
chirp twitter sing | bird birds lark blackbird robin thrush nightingale swallow sparrow | birds sing | 2
squawk screech cry call scream | gull gulls heron parrot goose geese seagull seagulls | a gull calls | 2
buzz hum drone | bee bees fly flies wasp wasps beetle | bees hum | 2
hiss | - | a hiss | 2
flap beat flutter | wing wings bird pigeon pigeons heron gull owl crow raven | wings flap | 2
squeak | mouse mice rat rats | a mouse squeaks | 2
roar | lion bear tiger dragon beast monster | a beast roars | 3
roar | fire flames | a fire roars up | 2
crackle | - | a fire crackles | 2
clap applaud | - | applause | 3
cheer | - | a crowd cheers | 3
drum | rain | rain on a roof | 2
beat | drum drums | a drum | 3
hammer nail | - | hammering | 3
saw | wood plank log board tree | a saw in wood | 2
chop hew fell split | wood tree log logs axe firewood | an axe in wood | 3
dig shovel | - | a spade in earth | 2
sweep | floor broom step steps yard | a broom sweeps | 2
sizzle fry | - | something sizzles | 2
stir | cup tea coffee spoon pot soup | a spoon in a cup | 1
tear rip | paper letter page envelope cloth sleeve shirt sheet | paper tears | 2
crumple unfold fold unroll | paper letter page map note newspaper | paper rustles | 1
turn leaf | page pages | paper rustles | 1
rustle | - | leaves rustle | 2
write scribble scratch | pen pencil letter paper notebook | a pen on paper | 1
type | - | a typewriter | 2
stamp stomp | - | heavy footsteps | 2
run | water tap nose tears blood river stream | - | 0
run race rush sprint dash hurry | snow | steps in snow | 2
run race rush sprint dash | stair stairs steps | running on wooden stairs | 2
run race rush sprint dash | - | running footsteps | 2
climb go come creep tiptoe limp | {_BOARDED} | footsteps on boards | 1
walk step tramp trudge pace march stride | {_BOARDED} | footsteps on boards | 1
walk step tramp trudge march | snow | steps in snow | 1
walk step tramp march | gravel path road drive | steps on gravel | 1
walk step tramp march creep | leaves forest wood woods | steps in leaves | 1
walk step tramp march stride | sand beach shore | steps in sand | 1
pace march tramp | - | footsteps on stone | 1
walk stride step | street square bridge pavement cobbles market church hall quay | footsteps on stone | 1
"""


def _read_table() -> dict[str, list[_Rule]]:
    rules: dict[str, list[_Rule]] = defaultdict(list)
    for line in _TABLE.strip().splitlines():
        verbs, nouns, prompt, weight = (part.strip() for part in line.split("|"))
        beside = _ANY if nouns == "-" else frozenset(nouns.split())
        for verb in verbs.split():
            rules[verb].append(_Rule(beside, prompt, int(weight)))
    return dict(rules)


_RULES = _read_table()
DEED_PROMPTS = tuple(
    dict.fromkeys(r.prompt for rules in _RULES.values() for r in rules if r.prompt != "-")
)
"""Every sound that can be proposed for a deed."""
_NOBODY = frozenset("none nobody nothing no neither".split())
_HUMAN_ONLY = frozenset("clap applaud run race rush sprint dash dig row chop type sweep".split())
_NOT_BY_PEOPLE = frozenset(
    "roll rumble crack boom groan crackle creak hiss squeak thunder chime tick drip boil".split()
)
"""What a person does otherwise than by sound: somebody who groans is no board, and who cracks is no ice."""


def takes_feet(prompt: str) -> bool:
    """Whether a sound is that of somebody who walks in shoes."""
    return "steps" in prompt or "running" in prompt


@lru_cache(maxsize=20_000)
def heard_in(paragraph: ReadParagraph) -> tuple[Sounding, ...]:
    """What is heard of the deeds of a paragraph, in order."""
    found = (_heard(deed) for deed in paragraph.deeds)
    return tuple(s for s in found if s is not None)


_ON_FEET = frozenset({None, "person", "body"})
"""Rain runs down a window, and a road through a wood: nobody's feet are heard."""


def _heard(deed: Deed) -> Sounding | None:
    rules = _RULES.get(deed.verb)
    if rules is None:
        return None
    beside = set(
        re.findall(r"[a-z]+", f"{deed.subject} {deed.text} {' '.join(deed.things)}".lower())
    )
    if _NOBODY & set(deed.subject.lower().split()):
        return None
    sort = sort_of(deed.subject.lower().split(" ")[-1])
    # A lamp that is somebody hisses as other lamps do.
    by_somebody, on_paws = bool(deed.who) and sort != "thing", sort == "animal"
    for rule in rules:
        if rule.nouns and not rule.nouns & beside:
            continue
        if not rule.nouns and by_somebody and deed.verb in _NOT_BY_PEOPLE:
            continue
        if deed.verb in _HUMAN_ONLY and not (by_somebody or deed.subject):
            continue
        feetless = on_paws or (not by_somebody and sort not in _ON_FEET)
        if rule.prompt == "-" or (feetless and takes_feet(rule.prompt)):
            return None
        return Sounding(deed.start, rule.prompt, rule.weight, deed.who)
    return None

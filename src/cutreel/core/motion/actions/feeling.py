"""How somebody takes it: looks, nods, laughter, fear, sleep."""

from .limbs import AND_BACK, ARMS, NEAR, TAKES_UP
from .model import Action, Key, Swing

FEELING = (
    Action("stand and breathe", "stand wait listen", seconds=4.0, of="both"),
    Action(
        "speak",
        "",
        seconds=2.0,
        leads=0.1,
        swings=(Swing("near_forearm", 5, 0.9), Swing("head", 1.6, 1.3), Swing("torso", 0.8, 0.6)),
    ),
    Action(
        "look toward",
        "look see watch stare gaze glance notice face peer regard",
        seconds=1.2,
        keys=(
            Key(0.0),
            Key(0.2, nod=4),
            Key(0.55, nod=-7, bow=2),
            Key(0.75, nod=-5, bow=1.5),
            Key(1.0, nod=-5, bow=1.5),
        ),
    ),
    Action(
        "look down",
        "bend lower",
        seconds=1.2,
        keys=(Key(0.0), Key(0.2, nod=-3), Key(0.6, nod=14, bow=3), Key(1.0, nod=12, bow=2)),
    ),
    Action(
        "look up",
        "wonder",
        seconds=1.2,
        keys=(Key(0.0), Key(0.2, nod=3), Key(0.6, nod=-14, bow=-2), Key(1.0, nod=-12, bow=-2)),
    ),
    Action(
        "nod",
        "nod agree",
        seconds=1.1,
        leads=0.2,
        keys=(
            Key(0.0),
            Key(0.15, nod=-4),
            Key(0.4, nod=13),
            Key(0.55, nod=1),
            Key(0.72, nod=9),
            Key(1.0),
        ),
    ),
    Action(
        "shake the head", "refuse deny", seconds=1.4, leads=0.2, swings=(Swing("head", 6, 2.2),)
    ),
    Action("shrug", "shrug hesitate", "shrug", ARMS, AND_BACK, seconds=1.6),
    Action(
        "laugh",
        "laugh giggle grin chuckle",
        seconds=2.4,
        leads=0.1,
        swings=(Swing("torso", 2.2, 3.6), Swing("head", 3.0, 3.6, 0.25)),
        keys=(Key(0.0), Key(0.2, nod=-9, bow=-4), Key(0.8, nod=-7, bow=-3), Key(1.0, nod=-3)),
    ),
    Action(
        "weep",
        "weep cry sob",
        "think",
        NEAR,
        (Key(0.0), Key(0.4, 0.85, nod=14, bow=7), Key(1.0, 0.85, nod=15, bow=8)),
        (Swing("torso", 1.1, 2.6),),
        3.0,
        eyes="shut",
    ),
    Action(
        "cheer",
        "cheer celebrate rejoice",
        "cheer",
        ARMS,
        TAKES_UP,
        (Swing("up", 0.03, 1.8, lift=True), Swing("near_arm", 7, 1.8)),
        3.2,
    ),
    Action("bow", "bow kneel greet", "bow", ("torso", "head", *ARMS), AND_BACK, seconds=2.0),
    Action("think", "think ponder consider", "think", (*NEAR, "head"), TAKES_UP, seconds=1.6),
    Action(
        "tremble",
        "tremble shiver fear shake",
        seconds=2.6,
        leads=0.2,
        swings=(Swing("torso", 0.7, 7.0), Swing("head", 0.9, 6.0), Swing("near_arm", 1.2, 7.0)),
    ),
    Action(
        "start back",
        "gasp start jump freeze scream",
        seconds=1.0,
        leads=0.15,
        keys=(
            Key(0.0),
            Key(0.2, bow=3, nod=3),
            Key(0.42, bow=-9, nod=-8, ahead=-0.05, tall=1.02),
            Key(1.0, bow=-6, nod=-5, ahead=-0.05),
        ),
    ),
    Action(
        "sleep",
        "sleep doze nap",
        seconds=6.0,
        leads=0.5,
        eyes="shut",
        swings=(Swing("torso", 0.9, 0.22), Swing("head", 1.4, 0.22, 0.1)),
    ),
)

"""What animals do. Their pieces are one, so they move as a whole."""

from .model import Action, Key, Swing

OF_BEASTS: tuple[Swing, ...] = (Swing("up", 0.02, 2.0, lift=True), Swing("lean", 1.6, 1.0))

BEASTS = (
    Action(
        "trot",
        "walk go run come cross follow hurry leave arrive trot wander pad move gallop",
        swings=OF_BEASTS,
        seconds=4.0,
        leads=0.5,
        of="animal",
        keys=(Key(0.0, ahead=-0.3), Key(1.0, ahead=0.3)),
    ),
    Action(
        "hop",
        "hop jump leap spring bounce",
        seconds=1.6,
        leads=0.3,
        of="animal",
        keys=(
            Key(0.0),
            Key(0.18, tall=0.9, wide=1.05),
            Key(0.45, up=0.4, ahead=0.16, tall=1.06, lean=-8),
            Key(0.75, ahead=0.32, tall=0.9, wide=1.06),
            Key(1.0, ahead=0.32),
        ),
    ),
    Action(
        "fly",
        "fly soar flutter glide circle swoop rise",
        seconds=4.0,
        leads=0.5,
        of="animal",
        keys=(
            Key(0.0, ahead=-0.6, up=0.05),
            Key(0.5, up=0.22, lean=-6),
            Key(1.0, ahead=0.6, up=0.1),
        ),
        swings=(Swing("up", 0.04, 1.6), Swing("tall", 0.05, 3.2)),
    ),
    Action(
        "graze",
        "graze eat drink sniff peck nibble",
        seconds=3.0,
        leads=0.3,
        of="animal",
        keys=(Key(0.0), Key(0.3, lean=7), Key(0.8, lean=6), Key(1.0, lean=2)),
        swings=(Swing("lean", 1.4, 1.4),),
    ),
    Action(
        "wag",
        "wag play greet bark wait",
        seconds=2.4,
        leads=0.2,
        of="animal",
        swings=(Swing("lean", 1.6, 2.6), Swing("up", 0.012, 2.6, lift=True)),
    ),
    Action(
        "raise the head",
        "look watch see listen stare hear notice howl",
        seconds=1.4,
        of="animal",
        keys=(
            Key(0.0),
            Key(0.2, tall=0.97),
            Key(0.6, tall=1.05, lean=-4),
            Key(1.0, tall=1.03, lean=-3),
        ),
    ),
    Action(
        "lie and breathe",
        "sleep lie rest",
        seconds=6.0,
        leads=0.5,
        of="animal",
        swings=(Swing("tall", 0.018, 0.25),),
    ),
)

"""What is heard in stories, as a listener would say: by story, words of the text and the sound. Labelled by hand before
the rules were written for the last two stories, and after for the rest."""

HEARD = {
    "bakery": [("lit the oven with a single match", "a match is struck")],
    "clock": [("swept the floor", "a broom sweeps")],
    "ferry": [("I rowed", "oars in water")],
    "garden": [("Brandt dug", "a spade in earth")],
    "giant": [
        ("the children ran away", "running footsteps"),
        ("opened the front door", "a wooden door opens and closes"),
    ],
    "ice": [("Hurley dived", "a splash of water"), ("saw him and ran", "running footsteps")],
    "island": [("rapped on the door", "knocks on a wooden door")],
    "kettle": [("I opened the door", "a wooden door opens and closes")],
    "letterbox": [
        ("went down the stairs", "footsteps on boards"),
        ("ran out to her", "running footsteps"),
    ],
    "letters": [
        ("ran along the pier", "running footsteps"),
        ("the door opened", "a wooden door opens and closes"),
    ],
    "lift": [("a door opened", "a wooden door opens and closes")],
    "magi": [("The door opened", "a wooden door opens and closes")],
    "paw": [
        ("gate banged", "a wooden door slams"),
        ("heavy footsteps", "footsteps on boards"),
        ("opened the door", "a wooden door opens and closes"),
    ],
    "plough": [("walked into the snow", "steps in snow"), ("started the engine", "a motor starts")],
    "rabbit": [("ran across the field", "running footsteps")],
    "redcap": [
        ("she ran from the path", "running footsteps"),
        ("knocked at the door", "knocks on a wooden door"),
    ],
    "signal": [("a train passed", "a train passes")],
    "snowline": [("The door opened", "a wooden door opens and closes")],
    "strand": [("They ran", "running footsteps")],
    "swans": [("rowed away", "oars in water")],
    "tides": [("ran down the quay", "running footsteps")],
    "tower": [
        ("ran up the 99 steps", "running on wooden stairs"),
        ("The clock was ticking", "a clock ticks"),
        ("Wim ran down", "running footsteps"),
        ("fell into the river", "a splash of water"),
    ],
    "utter": [("knocked at a door", "knocks on a wooden door")],
    "violin": [("climbed the stairs", "footsteps on boards")],
    "whale": [
        ("they ran down", "running footsteps"),
        ("fell over into the water", "a splash of water"),
    ],
    "willows": [("sculled smartly", "oars in water")],
}

TRAIN = """The station was empty when Hanna Brook reached it. Snow lay on the platform. She stamped her feet and looked
at the clock above the door.

Somewhere behind the sheds a dog barked. Then the train came in with a roar, and the doors slid open. Nobody got out. She
climbed the iron steps with her bag and shut the door behind her.

In the compartment sat an old man with a birdcage on his knees. The bird did not sing. “It has not sung since Vienna,”
said the man, and he unfolded his newspaper. Outside, the whistle blew twice.

Hanna took a letter from her coat and tore it in half. She did not cry. She would have liked to slam the window, but it
was frozen shut. The train rattled over a bridge. A bottle fell from the rack and shattered on the floor.
"""
BREAD = """In 1911 there was one oven in Tarn Street, and it belonged to Josef Adler. Every night at two he chopped wood in
the yard, lit the fire and kneaded four hundred loaves.

The neighbours complained. They said that his hammering woke the children, though he never hammered. What they heard was
the dough, which he threw on the table with all his strength.

One winter the river rose. Water poured into the cellar, and the oven went out with a hiss. Josef ran up the stairs,
knocked at every door in the street and shouted. A bell began to ring. Forty people carried buckets until the morning
came.

When the fire crackled again, he did not send a bill. He rang a small bell and gave each of them a loaf. They clap when
the wood is chopped.
"""
UNSEEN = {
    TRAIN: [
        ("a dog barked", "a dog barks"),
        ("the train came in", "a train passes"),
        ("shut the door", "a wooden door opens and closes"),
        ("whistle blew", "a train whistle"),
        ("The train rattled", "a train passes"),
        ("shattered on the floor", "glass shatters"),
    ],
    BREAD: [
        ("chopped wood", "an axe in wood"),
        ("Water poured", "water is poured"),
        ("knocked at every door", "knocks on a wooden door"),
        ("A bell began to ring", "a church bell rings"),
        ("the fire crackled", "a fire crackles"),
        ("rang a small bell", "a small bell rings"),
        ("They clap", "applause"),
    ],
}

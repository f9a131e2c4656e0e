"""Plots: each says its trouble, its turns and its end in sentences of its own. Slots are filled by
`people.py`.

{hero} {He} {he} {his} {him} · {helper} {Ht} (the helper as subject) · {trade} {work} {tool} ·
{town} {spot} {thing}
"""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Plot:
    """A plot: words that call for it, its titles, its storyline, and sentences for each beat."""

    name: str
    calls: tuple[str, ...]
    titles: tuple[str, ...]
    line: str
    hook: tuple[str, ...]
    turn: tuple[str, ...]
    trouble: tuple[str, ...]
    discovery: tuple[str, ...]
    end: tuple[str, ...]


PLOTS = (
    Plot(
        "gone dark",
        ("lamp", "light", "lantern", "dark", "lighthouse", "candle", "sun", "star"),
        ("The Night the {thing} Went Out", "Who Lit the {thing}", "One {thing} Short"),
        "The {thing} of {town} has gone out for the first time anyone remembers, and only {hero} is willing to cross "
        "the dark and find out who has been keeping it.",
        ("The {thing} had never gone out before. That night it did.", "Nobody in {town} knew how dark a night could be."),
        ("{hero} took {his} coat from its nail before anyone had finished asking who should go.",
         "“Somebody has to go and look,” said {helper}. Everybody looked at {hero}."),
        ("Halfway there the ground gave out, and {he} went on by feeling for the edge with {his} feet.",
         "A door that should have been locked stood open, and the one behind it should have been open and was locked.",
         "The oil was gone. Somebody had carried it away, a cup at a time.",
         "{He} struck {his} last match and saw footprints that were not {his} own."),
        ("Beside the {thing} lay an old coat, folded, and in its pocket a list of names. Every name was crossed out but one. It was {hero}'s.",
         "The keeper had not run away. The keeper had grown old, and had been waiting for somebody to notice."),
        ("{He} lit it with both hands. Across the water, one window after another answered.",
         "Since then somebody has always lit it. Nobody asks who. Everybody knows."),
    ),
    Plot(
        "late letter",
        ("letter", "post", "postman", "message", "mail", "news", "envelope"),
        ("A Letter Eleven Years Late", "Return to {hero}", "The Last Delivery"),
        "A letter arrives in {town} years too late, addressed to somebody who is no longer there, and {hero} cannot put "
        "it down until it has been delivered.",
        ("The letter was eleven years late, and it was marked urgent.", "There was no such street in {town}. There had been, once."),
        ("{hero} read the name on it three times, and then {he} locked up and went.",
         "“You can't deliver that,” said {helper}. “That house burned down before you were born.”"),
        ("At the first address they had never heard the name. At the second they shut the door when they did.",
         "The seal had been broken once and mended by somebody who hoped it would not show.",
         "A storm took the bridge, and the only other way was the long one.",
         "{He} found the grave first, and sat down beside it because {his} knees said so."),
        ("The letter had been answered before it was sent. The answer was in {hero}'s own house, behind the clock, and had been there since {he} was a child.",
         "It was not a letter at all, but half of one; and the other half hung framed on a wall that {he} passed every day."),
        ("{He} read it aloud to an empty room, which is one way of delivering a thing.",
         "Now {he} opens every letter box twice. You would too."),
    ),
    Plot(
        "stopped hours",
        ("clock", "time", "hour", "watch", "bell", "tower", "minute", "clockmaker"),
        ("Seven Minutes Missing", "The {thing} That Stopped", "What Time It Was in {town_name}"),
        "Every clock in {town} stops at the same minute, and {hero} finds that somebody has been taking the minutes away "
        "and has a use for them.",
        ("At seven minutes to nine, every clock in {town} stopped, and it went on being seven minutes to nine.",
         "It is hard to be late in a town without time. {hero} managed it."),
        ("{hero} opened the back of the oldest clock and found that nothing in it was broken.",
         "“It's not the clocks,” said {helper}. “It's the minutes. There aren't any.”"),
        ("Bread would not rise. A child fell asleep in the middle of a word.",
         "The spring in {his} hand was wound as tight as on the day that it was made.",
         "Under the tower there was a stair that was on none of the plans.",
         "{He} counted {his} own heartbeats to know that anything was passing at all."),
        ("An old woman sat at the foot of the stairs with all the minutes in her lap. She was saving them, she said, for somebody who had run out.",
         "The clocks had not stopped. They were waiting, out of politeness, for somebody to arrive."),
        ("{He} let the pendulum go. In the square, a child finished the word.",
         "The town runs seven minutes slow to this day, and nobody has the heart to mend it."),
    ),
    Plot(
        "missing corner",
        ("map", "treasure", "journey", "island", "ship", "voyage", "explore", "sea", "compass"),
        ("The Corner of the Map", "Off the Edge of {town_name}", "Where the {thing} Points"),
        "An old map of {town} is missing one corner, and whoever tore it off has gone there; {hero} goes after them.",
        ("Somebody had torn the corner off the map, and it was the only corner that mattered.",
         "The map was wrong in one place. {hero} had drawn it."),
        ("{He} packed bread, rope and the {thing}, and told nobody but {helper}.",
         "“If it isn't on the map,” said {helper}, “then nobody has looked.”"),
        ("On the second day the road stopped, neatly, as if it had been cut with scissors.",
         "The needle of the compass turned round once, slowly, and pointed at {him}.",
         "They ate the last of the bread in the dark so as not to see how little it was.",
         "Something large had passed that way. It had been polite enough to close the gates."),
        ("There was no treasure in the missing corner. There was a house, and a lamp, and somebody who looked up and said, “You took your time.”",
         "It was not a place that had been torn off. It was a date."),
        ("{hero} drew the corner back, in ink, and left one small part of it blank. Somebody may want it.",
         "When people ask what {he} found, {he} says: the way home. It was longer than the way out."),
    ),
    Plot(
        "locked room",
        ("house", "room", "door", "key", "ghost", "secret", "haunted", "attic", "mystery", "murder", "detective"),
        ("The Twelfth Door", "The Key to {hero}'s House", "What Was Behind It"),
        "In the oldest house of {town} there is one door that has never been opened, and one night {hero} hears a knock "
        "from the inside.",
        ("The knock came from inside the locked room.", "There were eleven doors in the house. {hero} counted twelve."),
        ("{hero} had the key in {his} hand before {he} remembered that there was no key.",
         "“Don't,” said {helper}. It was the wrong thing to say to {hero}."),
        ("The lock was new. The dust on it was not.",
         "Somebody had slid a note under the door. It said: not yet.",
         "Every night the knock came one minute earlier.",
         "In the plans of the house there was no room there at all, only a wall as thick as a room."),
        ("Inside there was a table laid for supper, still warm, for two. One chair had {his} name on it.",
         "The room was {his} own room, as it would look when {he} was old."),
        ("{He} sat down. It would have been rude not to.",
         "The door is open now. It turns out that it only ever locked from one side."),
    ),
    Plot(
        "long winter",
        ("winter", "snow", "cold", "ice", "spring", "storm", "weather", "frost"),
        ("The Winter That Stayed", "Asking for Spring", "{hero} and the Last Frost"),
        "Winter comes to {town} and does not leave; {hero} sets out to ask it why.",
        ("In April it was still January.", "The snow reached the windowsills, and then it reached the windows."),
        ("When the last of the wood was gone, {hero} put on two coats and went to have a word with the winter.",
         "“You can't argue with weather,” said {helper}. “Has anybody tried?” said {hero}."),
        ("{He} walked where the road ought to be, and the road did not object.",
         "Even the river had stopped to listen.",
         "{His} breath froze and fell in front of {him} with a small clear sound.",
         "There was smoke on the hill where nobody lived."),
        ("Winter was sitting by a small fire, afraid to go. It had heard that nobody would remember it.",
         "It was not the winter that would not leave. The town had never once thanked it for the quiet."),
        ("{hero} promised to remember. By morning the gutters were singing.",
         "Every year, on the last cold night, somebody in {town} leaves a chair outside."),
    ),
    Plot(
        "strange coin",
        ("money", "coin", "shop", "market", "merchant", "gold", "rich", "sell", "bargain", "inn"),
        ("Paid in Full", "The Coin That Came Back", "A Price for {thing_a}"),
        "A stranger pays {hero} with a coin that always comes back, and each time it returns something else is missing.",
        ("The coin was back in the drawer by morning. The stranger was not.",
         "{hero} had been paid twice, and that was how the trouble began."),
        ("{He} bit the coin, and it tasted of rain.",
         "“Spend it,” said {helper}. “See what it wants.”"),
        ("On Monday the cat was gone. On Tuesday nobody remembered a cat.",
         "{He} threw it into {spot}, and heard it land in {his} pocket.",
         "It grew warm when somebody lied.",
         "People began to bring {him} things that they had been meaning to return for years."),
        ("The coin did not buy things. It bought them back. Everything that was missing had once been taken from somebody else.",
         "On the edge of the coin, where nobody looks, stood a sentence: pay the first one."),
        ("{hero} paid the first one. It cost more than {he} had, and {he} has been lighter ever since.",
         "If you are given the right change, and it is a little too right, think of {him}."),
    ),
    Plot(
        "creature",
        ("monster", "dragon", "whale", "beast", "creature", "bear", "wolf", "giant", "forest", "animal", "bird"),
        ("What Slept Under {spot_name}", "The Guest of {town_name}", "{hero} and the Large Thing"),
        "Something very large has moved in under {spot}, and while {town} argues about how to drive it out, {hero} "
        "wonders what it came for.",
        ("It had been breathing under the town for a week before anybody admitted it.",
         "The first thing it took was a washing line, with the washing on it."),
        ("The mayor called for torches. {hero} took a lantern instead, and a loaf of bread.",
         "“It's only big,” said {helper}. “So is the church, and nobody hits that with a stick.”"),
        ("It had one eye, or one that was open, and the eye was older than the town.",
         "Each night it moved a little closer to the wall, and the wall moved a little.",
         "The men came up behind {him} with their torches, and the breathing stopped.",
         "{He} stood between them, which is a lonely place to stand."),
        ("It had not come to eat anything. It had come to lie where it was warm, because the place where it used to sleep had been dug away, and they had built the town of it.",
         "There was a second one, no larger than a dog, under its chin."),
        ("They left the torches in a heap. The next morning the washing was back, folded by somebody who had never seen folding.",
         "The ground in {town} is always warm now, even in the snow. Visitors ask about the heating."),
    ),
    Plot(
        "one night",
        ("race", "deliver", "run", "train", "doctor", "medicine", "before", "rescue", "save", "fast"),
        ("Before the Bell", "Nine Miles and One Night", "{hero} Runs"),
        "{hero} has one night to carry a small bottle over the pass, and every reason that could stop {him} is on the "
        "road already.",
        ("There were nine hours, nineteen miles and one bottle.", "If the bottle broke, a whole street would not wake up."),
        ("{He} did not say yes. {He} was already tying {his} boots.",
         "“I'd go with you,” said {helper}, “but one of us has to be wrong about this.”"),
        ("The first bridge was out. The second was a rope.",
         "At the third mile {he} fell, with {his} hands held up, and landed on everything but the bottle.",
         "A light followed {him} down the ridge, stopped when {he} stopped, and went when {he} went.",
         "The cold made a voice for itself. It told {him} to sit down for a minute."),
        ("The light behind {him} was {helper}, with a second bottle, in case. They had both run the whole way alone.",
         "When {he} opened the box to check, it was empty. The bottle was in {his} hand. It had been all along."),
        ("The bell rang as {he} knocked. Nobody could say which came first.",
         "They named the street after {him}. {He} takes the long way round so as not to walk on it."),
    ),
    Plot(
        "lost recipe",
        ("bread", "baker", "cook", "food", "recipe", "soup", "cake", "kitchen", "honey", "bees", "garden"),
        ("A Pinch of Something", "The Last Loaf in {town_name}", "What {hero}'s Mother Put In"),
        "The bread of {town} used to make people tell the truth; now it only tastes good, and {hero} must find out what "
        "is missing before a wedding.",
        ("Everything was in the bread except the thing that mattered.",
         "People in {town} had begun to lie to each other, and it was the bread's fault."),
        ("{hero} turned the recipe over. On the back, in another hand, it said: you know the rest.",
         "“My grandmother knew,” said {helper}, “but she only ever hummed it.”"),
        ("{He} tried salt from four seas, and the neighbours told {him} that it was wonderful, which proved the point.",
         "The mill that had ground the old flour was a wall and a hawthorn.",
         "The groom came by, ate a slice, and said something that was nearly true.",
         "There was one jar left on the top shelf, and it was empty, and it smelled of rain."),
        ("The missing thing was not in the bread at all. The old baker had always sat down with whoever bought it.",
         "It was a word, said over the dough, and {hero} had been saying it for years to the cat."),
        ("At the wedding everybody told the truth. It took until Thursday, and it was a good wedding.",
         "{He} sells half as much as before, because {he} sits down with everybody."),
    ),
    Plot(
        "changing picture",
        ("picture", "paint", "painter", "art", "colour", "photograph", "portrait", "music", "song", "violin", "book"),
        ("The Figure on the Bridge", "Unfinished", "The Portrait of {town_name}"),
        "Each morning the picture in {hero}'s {work} shows a little more of something that has not happened yet.",
        ("The man on the bridge had not been in the picture yesterday.",
         "{hero} had painted everything in it but the fire."),
        ("{He} covered it with a cloth. In the morning the cloth was in the picture.",
         "“Then paint it out,” said {helper}. {hero} already had. Twice."),
        ("First the boats were gone, then the boards of {spot}, and then it rained for real.",
         "{He} found {his} own window in it, very small, and somebody standing at it.",
         "The paint was wet in one place only.",
         "People who came to look went away and hugged their children."),
        ("It was not showing what would happen. It was showing what somebody had been too shy to ask for.",
         "Turned to the wall, the picture painted its own back: a letter, to {him}, unsigned."),
        ("{hero} finished it with one stroke. It was only a door, and it stood open.",
         "It hangs in the town hall. If you look for long enough there is somebody in it who looks like you."),
    ),
    Plot(
        "wager",
        ("bet", "wager", "king", "queen", "prince", "princess", "devil", "wizard", "witch", "magic", "wish", "game"),
        ("Three Questions After Dark", "The Wager at {spot_name}", "{hero} Wins Nothing"),
        "{hero} makes a bet with somebody who has never lost: to go until dawn without being asked for one true thing.",
        ("It was a stupid bet, and {hero} had made it sober.",
         "The stranger had never lost, and said so, as if it were a sorrow."),
        ("They shook hands. The stranger's was warm, which nobody had expected.",
         "“What did you stake?” said {helper}. “Something I wasn't using,” said {hero}."),
        ("The first question was easy. That was what was wrong with it.",
         "By midnight the candle burned upward and the cards had changed their minds.",
         "At the second question {he} opened {his} mouth and found that the answer had gone.",
         "Outside, somebody called {his} name in the voice of {his} mother."),
        ("The stranger wanted to lose. Nobody had ever let it happen.",
         "The thing that {he} had staked turned out to be the only thing that {he} could not do without, and {he} said so; and that was the one true thing."),
        ("In the morning there were two cups on the table, and both were empty, and nothing was owed.",
         "{He} does not bet any more. {He} says that {he} is ahead."),
    ),
)

# fmt: off
_KINDS = {
    "mystery": ("locked room", "late letter", "strange coin", "changing picture"),
    "adventure": ("missing corner", "one night", "creature", "gone dark"),
    "folk tale": ("wager", "long winter", "lost recipe", "strange coin"),
    "family story": ("lost recipe", "long winter", "late letter", "creature"),
    "ghost story": ("locked room", "changing picture", "stopped hours", "wager"),
}
# fmt: on


def plots_for(story: str) -> tuple[Plot, ...]:
    """The plots of a kind of story; all of them for a kind that is not known."""
    names = _KINDS.get(story)
    return tuple(p for p in PLOTS if names is None or p.name in names)

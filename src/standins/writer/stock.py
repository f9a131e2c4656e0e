"""What stories are furnished with: people, trades, places, things, weather. Each list is our
own."""

# fmt: off
SHE = ("Maud", "Ilse", "Tamsin", "Odile", "Wren", "Hester", "Nuala", "Petra", "Sunniva", "Beatrix", "Corin", "Agnes",
       "Livia", "Marit", "Jessamy", "Oona")
HE = ("Anselm", "Tobias", "Corwin", "Ludo", "Emeric", "Jory", "Caspar", "Hob", "Silas", "Matthis", "Edric", "Bram",
      "Ansel", "Rufus", "Linus", "Odo")
FAMILY = ("Vane", "Harrow", "Quill", "Marsh", "Tolliver", "Pell", "Ashdown", "Crane", "Fenwick", "Loxley", "Birch",
          "Sorrel", "Thorne", "Larkin", "Hale", "Winter")

# trade: (who, where they work, what they work with, what they do all day)
TRADES = {
    "lighthouse keeper": ("lighthouse", "the great lamp", "trimmed the wick and counted the ships"),
    "baker": ("bakery", "the long oven", "kneaded and listened to the street wake up"),
    "clockmaker": ("workshop", "a hundred clocks", "set the town's hours right, one wheel at a time"),
    "ferryman": ("landing", "a flat old boat", "rowed whoever asked from one shore to the other"),
    "ferrywoman": ("landing", "a flat old boat", "rowed whoever asked from one shore to the other"),
    "postman": ("post office", "a leather bag", "carried other people's news up other people's stairs"),
    "gardener": ("garden", "a crooked spade", "argued gently with the weeds"),
    "mapmaker": ("study", "a table of inks", "drew coasts that nobody had asked for"),
    "librarian": ("library", "nine thousand books", "put back what others had taken down"),
    "teacher": ("schoolhouse", "a piece of chalk", "asked questions until somebody answered"),
    "fisherman": ("harbour", "a patched net", "read the water the way others read a paper"),
    "shepherd": ("hillside", "a dog and forty sheep", "counted, and lost count, and counted again"),
    "tailor": ("shop", "a box of needles", "mended what the week had torn"),
    "bell ringer": ("tower", "three bells", "told the valley what time it was"),
    "miller": ("mill", "a slow wheel", "turned other men's corn into other men's bread"),
    "painter": ("attic", "a wall of brushes", "looked at one colour until it became another"),
    "doctor": ("practice", "a black bag", "went where the lamps were lit too late"),
    "blacksmith": ("forge", "a hammer and a bellows", "straightened what had been bent"),
    "night watchman": ("gatehouse", "a lantern", "walked the same round until the dark was used to it"),
    "beekeeper": ("orchard", "twenty hives", "told the bees everything that happened"),
    "train driver": ("station", "an engine called Patience", "kept two towns an hour apart"),
    "cook": ("kitchen", "one good knife", "fed people who had not noticed they were hungry"),
    "carpenter": ("yard", "a plane and a pencil", "made doors that closed without a sound"),
    "innkeeper": ("inn", "eleven rooms", "knew who was running, and from what"),
    "musician": ("back room", "a cracked fiddle", "played the tunes that people hum without knowing"),
    "inventor": ("shed", "a drawer of springs", "took things apart to see why they had stopped"),
}
PLACES = {
    "harbour": ("a harbour town", "the pier", "salt and rope", "gulls arguing over the roofs"),
    "island": ("an island", "the causeway", "wet stone and thyme", "the sea breathing on both sides"),
    "mountain": ("a village under a mountain", "the pass", "snow and woodsmoke", "bells on a slope somewhere"),
    "forest": ("a village at the edge of a forest", "the old path", "moss and rain", "one branch rubbing on another"),
    "city": ("a crowded city", "the bridge", "coal and oranges", "wheels on wet stones"),
    "village": ("a small village", "the square", "bread and cut grass", "a pump that nobody had oiled"),
    "desert": ("a town at the edge of a desert", "the well", "dust and cardamom", "wind, and then no wind"),
    "river": ("a town on a river", "the weir", "mud and willow", "water that never said the same thing twice"),
    "marsh": ("a village in a marsh", "the dyke", "reeds and peat", "a bittern, far out"),
    "valley": ("a long valley", "the mill road", "apples and frost", "a dog, two farms away"),
    "lake": ("a village on a lake", "the jetty", "cold water and pine", "oars, although nobody was rowing"),
    "station": ("a railway town", "the platform", "steam and iron", "a signal wire humming"),
    "castle": ("a town below a castle", "the gate", "wet wool and candle wax", "a chain drawn up, link by link"),
}
THINGS = ("lamp", "letter", "key", "clock", "bell", "map", "mirror", "violin", "kite", "book", "coat", "coin", "boat",
          "compass", "door", "ladder", "photograph", "ring", "seed", "music box", "lantern", "recipe", "umbrella", "chair")
ANIMALS = ("cat", "dog", "heron", "crow", "fox", "goat", "donkey", "owl", "hare", "goose")
WEATHERS = (
    ("wind", "The wind came round to the north and stayed there."),
    ("rain", "Rain began, the thin kind that finds its way in."),
    ("fog", "Fog came up from the water and took the houses one by one."),
    ("snow", "Snow fell without a sound and without a stop."),
    ("clear", "The sky was so clear that it seemed to ring."),
)
TIMES = ("dawn", "morning", "afternoon", "dusk", "night")
TRAITS = ("patient", "stubborn", "quiet", "careful", "restless", "proud", "curious", "kind", "tired", "exact")
HELPERS = (
    ("the boy from next door", "he", "asked too many questions and remembered the answers"),
    ("the girl from the corner house", "she", "could whistle through a closed door"),
    ("the old neighbour", "he", "had an opinion about every rope and every road"),
    ("the schoolmistress", "she", "corrected people's spelling while they were speaking"),
    ("the stranger", "he", "paid for everything with exactly the right coins"),
    ("the widow", "she", "had buried two husbands and one piano"),
)
# fmt: on

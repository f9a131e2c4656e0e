"""The words the illustrator knows."""

PEOPLE: dict[str, tuple[str, str]] = {
    "woman": ("she", "adult"), "man": ("he", "adult"), "girl": ("she", "child"), "boy": ("he", "child"),
    "child": ("", "child"), "lady": ("she", "adult"), "gentleman": ("he", "adult"), "person": ("", "adult"),
    "grandmother": ("she", "old"), "grandfather": ("he", "old"), "mother": ("she", "adult"), "father": ("he", "adult"),
    "king": ("he", "adult"), "queen": ("she", "adult"), "prince": ("he", "adult"), "princess": ("she", "adult"),
    "captain": ("", "adult"), "sailor": ("", "adult"), "fisherman": ("he", "adult"), "ferrywoman": ("she", "adult"),
    "ferryman": ("he", "adult"), "baker": ("", "adult"), "teacher": ("", "adult"), "doctor": ("", "adult"),
    "farmer": ("", "adult"), "soldier": ("he", "adult"), "guard": ("he", "adult"), "witch": ("she", "old"),
    "keeper": ("", "adult"), "surveyor": ("he", "adult"), "surveyors": ("he", "adult"), "astronomer": ("he", "adult"),
    "neighbour": ("", "adult"), "shepherd": ("he", "adult"), "merchant": ("", "adult"), "villagers": ("", "adult"),
    "stranger": ("", "adult"), "clockmaker": ("", "old"), "widow": ("she", "old"), "mayor": ("", "adult"),
}
OLD_WORDS = {"old", "elderly", "aged", "sixty", "seventy", "eighty", "ancient", "sixty-one"}
YOUNG_WORDS = {"young"}
CHILD_WORDS = {"ten", "eight", "nine", "seven", "six", "twelve", "eleven", "little"}
STOUT_WORDS = {"stout", "round", "heavy", "broad", "large", "plump", "big"}
SLIM_WORDS = {"thin", "slim", "lean", "tall", "narrow", "bony"}

HAIR_STYLES = {"short", "long", "braid", "plait", "bun", "curly", "cropped", "bald", "tied", "ponytail", "wavy", "bob",
               "shaggy", "wild", "powdered", "wig"}
BEARDS = {"beard", "bearded", "moustache"}
HATS = {"cap", "hat", "hood", "headscarf", "bonnet", "tricorne", "beret", "crown", "sou'wester"}
GARMENTS = {
    "coat": "coat", "overcoat": "coat", "oilskin": "coat", "raincoat": "coat", "cloak": "cloak", "cape": "cloak",
    "dress": "dress", "gown": "dress", "robe": "dress", "skirt": "dress", "jacket": "jacket", "jumper": "jumper",
    "sweater": "jumper", "jersey": "jumper", "shirt": "jumper", "tunic": "jumper", "waistcoat": "waistcoat",
    "cardigan": "jacket", "uniform": "jacket", "shawl": "shawl", "dungarees": "dungarees", "overalls": "dungarees",
}
EXTRAS = {"scarf": "scarf", "glasses": "glasses", "spectacles": "glasses", "apron": "apron", "boots": "boots",
          "freckles": "freckles", "trousers": "trousers", "breeches": "trousers"}
SKINS = {"pale": (240, 208, 182), "fair": (234, 194, 162), "tanned": (206, 156, 116), "olive": (190, 146, 108), "brown": (150, 104, 74),
         "dark": (108, 74, 54)}
"""By the word before "skin"."""

ANIMALS = {
    "heron": "heron", "stork": "heron", "crane": "heron", "cat": "cat", "kitten": "cat", "dog": "dog", "puppy": "dog",
    "horse": "horse", "horses": "horse", "mare": "horse", "donkey": "donkey", "mule": "donkey", "fox": "fox",
    "wolf": "wolf", "owl": "owl", "crow": "crow", "raven": "crow", "gull": "gull", "gulls": "gull", "bird": "gull",
    "birds": "gull", "rabbit": "rabbit", "hare": "rabbit", "sheep": "sheep", "lamb": "sheep", "cow": "cow",
    "goat": "goat", "mouse": "mouse", "rat": "mouse", "duck": "duck", "goose": "duck", "hen": "duck", "deer": "deer",
    "bear": "bear", "fish": "fish", "whale": "fish",
}
PROPS = {
    "lantern": "lantern", "lamp": "lamp", "boat": "boat", "ferry": "boat", "rowboat": "boat", "ladder": "ladder",
    "book": "book", "books": "book", "notebook": "book", "letter": "letter", "paper": "letter", "map": "letter",
    "chart": "letter", "chair": "chair", "table": "table", "desk": "table", "bucket": "bucket", "pail": "bucket",
    "key": "key", "clock": "clock", "bottle": "bottle", "cup": "cup", "tea": "cup", "basket": "basket",
    "barrel": "barrel", "chest": "chest", "box": "chest", "trunk": "chest", "candle": "candle",
    "telescope": "telescope", "instrument": "instrument", "instruments": "instrument", "circle": "instrument",
    "tripod": "instrument", "signal": "signal", "umbrella": "umbrella", "cart": "cart", "carriage": "cart",
    "wagon": "cart", "anchor": "anchor", "bell": "bell", "flag": "flag", "oar": "oar", "oars": "oar", "rope": "rope",
    "rod": "rod", "rods": "rod", "bar": "rod", "ruler": "rod", "metre": "rod", "fence": "fence", "gate": "fence",
    "globe": "globe", "earth": "globe", "window": "window", "door": "door", "tower": "tower", "lighthouse": "tower",
    "match": "candle", "matches": "candle", "sign": "sign", "wheel": "wheel", "sack": "sack", "bread": "bread",
}
PLACES: tuple[tuple[str, tuple[str, ...]], ...] = (
    ("room", ("kitchen", "room", "bedroom", "cottage", "attic", "hut", "inn", "house")),
    ("study", ("study", "library", "workshop", "observatory", "office", "laboratory", "shop", "schoolroom")),
    ("hall", ("hall", "church", "palace", "castle", "cathedral", "chamber", "assembly")),
    ("cave", ("cave", "cellar", "tunnel")),
    ("jetty", ("jetty", "pier", "landing", "quay", "dock")),
    ("harbour", ("harbour", "harbor", "port")),
    ("sea", ("open water", "open sea", "ocean", "ship's deck", "crossing", "middle of the water", "sea")),
    ("lighthouse", ("lighthouse",)),
    ("marsh", ("marsh", "lake", "pond", "reeds")),
    ("shore", ("far shore", "shore", "beach", "island", "coast")),
    ("river", ("river", "bridge", "stream")),
    ("forest", ("forest", "wood", "woods", "trees")),
    ("mountain", ("mountain", "mountains", "peak", "peaks", "pyrenees", "summit")),
    ("city", ("city street", "city", "rooftop", "paris", "rooftops")),
    ("street", ("village street", "town street", "town square", "market", "village", "street", "town", "square")),
    ("garden", ("garden", "orchard", "yard", "backyard", "shed", "fence")),
    ("desert", ("desert", "dunes", "sand")),
    ("meadow", ("meadow", "field", "fields", "hills", "farm", "road", "country", "valley", "plain")),
)
INDOORS = {"room", "study", "hall", "cave"}
TIMES = {"dawn": "dawn", "sunrise": "dawn", "morning": "dawn", "day": "day", "noon": "day", "afternoon": "day",
         "dusk": "dusk", "sunset": "dusk", "evening": "dusk", "night": "night", "midnight": "night"}
WEATHERS = {"clear": "clear", "sunny": "clear", "rain": "rain", "storm": "rain", "snow": "snow", "fog": "fog",
            "mist": "fog", "wind": "wind", "windy": "wind", "gusts": "wind"}
LOOKS = {"cut paper": "cut-paper", "screen print": "screen-print", "chalk on slate": "chalk-slate", "chalk": "chalk-slate",
         "clay": "clay", "toned paper": "toned-pencil", "pencil drawing": "toned-pencil", "ink and wash": "ink-wash", "wash": "ink-wash",
         "watercolour": "ink-wash", "stick figures": "stick-figures", "stick figure": "stick-figures",
         "shadow theatre": "shadow-theatre", "silhouettes": "shadow-theatre", "silhouette": "shadow-theatre"}
POSES: dict[str, str] = {
    "lifted": "raise", "lifts": "raise", "raised": "raise", "raises": "raise", "waved": "raise", "waves": "raise",
    "held up": "raise", "holds up": "raise", "reached": "raise", "pointed": "point", "points": "point",
    "pointing": "point", "showed": "point", "rowed": "row", "rowing": "row", "rows": "row", "row": "row",
    "oar": "row", "oars": "row", "walked": "walk", "walks": "walk", "walking": "walk", "ran": "walk", "runs": "walk",
    "climbed": "climb", "climbs": "climb", "climbing": "climb", "carried": "hold", "carrying": "hold",
    "carries": "hold", "held": "hold", "holding": "hold", "holds": "hold", "hold": "hold", "measured": "hold",
    "wrote": "hold", "read": "hold", "reading": "hold", "sat": "sit", "sits": "sit", "sitting": "sit",
    "knelt": "sit", "shrugged": "shrug", "argued": "shrug", "asked": "shrug", "stepped": "walk", "marched": "walk",
}
EXPRESSIONS: dict[str, str] = {
    "smile": "smile", "smiled": "smile", "smiling": "smile", "laughed": "laugh", "laughing": "laugh", "laugh": "laugh",
    "grinned": "laugh", "glad": "smile", "happy": "smile", "playful": "smile", "warm": "smile",
    "wrong": "worry", "afraid": "worry", "worried": "worry", "uneasy": "worry", "fear": "worry", "worry": "worry",
    "shouted": "open", "cried": "open", "called": "open", "surprised": "open", "sad": "sad", "wept": "sad",
    "frowned": "frown", "angry": "frown", "stern": "frown",
}
EMPTY_WORDS = {"a", "an", "the", "and", "or", "of", "in", "on", "at", "to", "with", "for", "from", "by", "as", "if", "it", "its", "his", "her", "their", "they", "she", "he", "who", "which", "that", "this", "there", "was", "were", "is", "are", "be", "been", "had", "has", "have", "did", "do", "does", "not", "no", "one", "two", "so", "when", "what", "then", "than", "but", "into", "over", "under", "up", "down", "out", "off", "all", "some", "any", "every", "very", "more", "most", "just", "only", "even", "still", "once", "behind", "beside", "between", "before", "after", "while", "mood", "sky", "shot", "ground", "said", "him", "them", "i", "you", "we", "me", "us", "my", "your", "our", "would", "could", "should", "will", "can", "might"}

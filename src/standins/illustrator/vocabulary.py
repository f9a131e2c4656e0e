"""The words the illustrator knows."""

from .colour import RGB
from .things import THINGS

PEOPLE: dict[str, tuple[str, str]] = {
    "woman": ("she", "adult"), "man": ("he", "adult"), "girl": ("she", "child"), "boy": ("he", "child"),
    "child": ("", "child"), "lady": ("she", "adult"), "gentleman": ("he", "adult"), "person": ("", "adult"),
    "grandmother": ("she", "old"), "grandfather": ("he", "old"), "mother": ("she", "adult"), "father": ("he", "adult"),
    "king": ("he", "adult"), "queen": ("she", "adult"), "prince": ("he", "adult"), "princess": ("she", "adult"),
    "captain": ("", "adult"), "sailor": ("", "adult"), "fisherman": ("he", "adult"), "ferrywoman": ("she", "adult"),
    "ferryman": ("he", "adult"), "baker": ("", "adult"), "teacher": ("", "adult"), "doctor": ("", "adult"),
    "farmer": ("", "adult"), "soldier": ("he", "adult"), "guard": ("he", "adult"), "witch": ("she", "old"),
    "keeper": ("", "adult"), "surveyor": ("he", "adult"), "astronomer": ("he", "adult"),
    "neighbour": ("", "adult"), "shepherd": ("he", "adult"), "merchant": ("", "adult"),
    "giant": ("he", "adult"), "giantess": ("she", "adult"), "dwarf": ("he", "adult"), "fairy": ("she", "adult"), "wizard": ("he", "old"),
    "knight": ("he", "adult"), "servant": ("", "adult"), "baby": ("", "child"),
    "stranger": ("", "adult"), "clockmaker": ("", "old"), "widow": ("she", "old"), "mayor": ("", "adult"),
    **dict.fromkeys("priest monk policeman constable brewer butcher blacksmith waiter postman fireman bishop judge".split(), ("he", "adult")),
    **dict.fromkeys("nurse waitress nun policewoman".split(), ("she", "adult")),
}
KIN: dict[str, tuple[str, str]] = {
    "brother": ("he", "adult"), "sister": ("she", "adult"), "son": ("he", "child"), "daughter": ("she", "child"), "wife": ("she", "adult"),
    "husband": ("he", "adult"), "mother": ("she", "adult"), "father": ("he", "adult"), "uncle": ("he", "adult"), "aunt": ("she", "adult"),
    "cousin": ("", "adult"), "grandmother": ("she", "old"), "grandfather": ("he", "old"), "grandson": ("he", "child"), "granddaughter": ("she", "child"),
    "friend": ("", "adult"), "bride": ("she", "adult"), "baby": ("", "child"),
}
"""Who stands beside somebody whose they are: "with his brother"."""
PLURALS = {
    "men": "man", "women": "woman", "children": "child", "people": "person", "crowd": "person", "crew": "sailor", "family": "person",
    "fishermen": "fisherman", "ladies": "lady", "gentlemen": "gentleman", "neighbours": "neighbour", "villagers": "person", "sailors": "sailor",
    "passengers": "person", "guests": "person", "brothers": "man", "sisters": "woman", "workers": "man", "students": "person", "friends": "person",
    "others": "person", "kids": "child", "twins": "child", "policemen": "guard", "police": "guard", "army": "soldier", "audience": "person", "band": "person", "orchestra": "person", "choir": "person", "jury": "person", "team": "person", "mob": "person", "troops": "soldier", "regiment": "soldier", "servants": "servant", "strangers": "stranger",
} | {f"{word}s": word for word in PEOPLE if not word.endswith(("s", "man", "child", "lady", "fairy"))}
"""Several people, and as whom each is drawn."""
NUMBERS = {"two": 2, "both": 2, "three": 3, "four": 4}
OLD_WORDS = {"old", "elderly", "aged", "sixty", "seventy", "eighty", "ancient", "sixty-one"}
YOUNG_WORDS = {"young"}
CHILD_WORDS = {"ten", "eight", "nine", "seven", "six", "twelve", "eleven", "little"}
STOUT_WORDS = {"stout", "round", "heavy", "broad", "large", "plump", "big"}
SIZES = {"giant": 1.55, "giantess": 1.5, "dwarf": 0.62, "gnome": 0.5, "fairy": 0.8}
"""How tall somebody is beside others, by what they are."""
WEARS = {"king": "crown", "queen": "crown", "prince": "crown", "princess": "crown", "witch": "pointed", "wizard": "pointed"}
"""What somebody has on their head, by what they are."""
UNIFORMS: dict[str, tuple[tuple[str, str], tuple[str, str]]] = {
    **dict.fromkeys(("policeman", "police", "constable", "guard"), (("jacket", "navy"), ("cap", "navy"))),
    **dict.fromkeys(("soldier", "trooper"), (("jacket", "moss green"), ("cap", "moss green"))),
    "fireman": (("coat", "dark grey"), ("hat", "mustard")),
    "sailor": (("jumper", "navy"), ("cap", "white")),
    **dict.fromkeys(("priest", "monk", "bishop"), (("dress", "black"), ("hat", "black"))),
    "nurse": (("dress", "pale blue"), ("cap", "white")),
}
"""What somebody wears by their trade, where nothing else is said: a garment and a hat."""
SLIM_WORDS = {"thin", "slim", "lean", "tall", "narrow", "bony"}

HAIR_STYLES = {"short", "long", "braid", "plait", "braids", "plaits", "bun", "curly", "cropped", "bald", "balding", "tied", "ponytail", "pigtails",
               "wavy", "bob", "shaggy", "wild", "powdered", "wig", "straight", "ringlets", "afro", "spiky", "topknot", "dreadlocks", "crew", "fringe"}
BEARDS = {"beard", "bearded", "moustache"}
HATS = {"cap", "hat", "hood", "headscarf", "bonnet", "tricorne", "beret", "veil", "crown", "sou'wester"}
GARMENTS = {
    "coat": "coat", "overcoat": "coat", "oilskin": "coat", "raincoat": "coat", "cloak": "cloak", "cape": "cloak",
    "dress": "dress", "gown": "dress", "robe": "dress", "skirt": "dress", "jacket": "jacket", "jumper": "jumper",
    "sweater": "jumper", "jersey": "jumper", "shirt": "jumper", "tunic": "jumper", "waistcoat": "waistcoat",
    "cardigan": "jacket", "suit": "jacket", "uniform": "jacket", "smock": "coat", "greatcoat": "coat", "parka": "coat", "anorak": "coat", "poncho": "cloak",
    "frock": "dress", "nightgown": "dress", "nightdress": "dress", "nightshirt": "dress", "pinafore": "dress", "sari": "dress", "kimono": "dress", "toga": "dress",
    "habit": "dress", "cassock": "dress", "blouse": "jumper", "vest": "waistcoat", "hoodie": "jumper", "sweatshirt": "jumper", "pyjamas": "jumper", "pajamas": "jumper",
    "rags": "jumper", "blazer": "jacket", "tailcoat": "jacket", "tuxedo": "jacket", "armour": "jacket", "armor": "jacket", "shawl": "shawl", "dungarees": "dungarees", "overalls": "dungarees",
}
LAID_DOWN = {
    "cloak": "cloak laid down", "cape": "cloak laid down", "shawl": "cloak laid down", "coat": "coat laid down", "jacket": "coat laid down",
    "uniform": "coat laid down", "dress": "dress laid down", "gown": "dress laid down", "boot": "boots laid down", "shoe": "boots laid down",
    "hat": "hat laid down", "cap": "hat laid down", "bonnet": "hat laid down",
}
"""What is worn, as it lies or hangs where nobody wears it."""
EXTRAS = {"scarf": "scarf", "glasses": "glasses", "spectacles": "glasses", "apron": "apron", "boots": "boots",
          "freckles": "freckles", "patch": "patch", "eyepatch": "patch", "scar": "scar", "trousers": "trousers", "breeches": "trousers"}
SKINS = {"pale": (240, 208, 182), "fair": (234, 194, 162), "tanned": (206, 156, 116), "olive": (190, 146, 108), "brown": (150, 104, 74),
         "dark": (108, 74, 54)}
"""By the word before "skin"."""

ANIMALS: dict[str, str] = {
    word: kind
    for kind, words in {
        "heron": "heron pelican stork crane egret flamingo ostrich", "cat": "cat kitten lynx", "dog": "dog puppy hound", "horse": "horse horses mare pony foal unicorn",
        "donkey": "donkey mule", "zebra": "zebra", "fox": "fox vixen", "wolf": "wolf coyote jackal", "owl": "owl", "crow": "crow raven jackdaw magpie rook blackbird",
        "gull": "gull gulls bird birds albatross", "rabbit": "rabbit hare bunny kangaroo", "squirrel": "squirrel chipmunk", "hedgehog": "hedgehog porcupine",
        "badger": "badger skunk raccoon", "otter": "otter weasel ferret marten", "beaver": "beaver", "pig": "pig piglet hog", "boar": "boar rhinoceros hippopotamus",
        "sheep": "sheep lamb ewe", "ram": "ram", "cow": "cow calf cattle", "ox": "ox oxen yak bull buffalo bison", "goat": "goat", "mouse": "mouse rat hamster mole vole shrew dormouse",
        "duck": "duck duckling drake", "goose": "goose geese gander", "swan": "swan", "hen": "hen chicken chick", "rooster": "rooster cockerel",
        "turkey": "turkey", "eagle": "eagle hawk falcon vulture", "pigeon": "pigeon dove", "sparrow": "sparrow finch wren swallow lark linnet thrush starling nightingale skylark",
        "robin": "robin", "parrot": "parrot macaw", "peacock": "peacock", "penguin": "penguin puffin", "deer": "deer stag doe fawn antelope gazelle reindeer",
        "moose": "moose elk", "bear": "bear cub koala panda", "lion": "lion lioness", "tiger": "tiger leopard panther", "elephant": "elephant mammoth", "camel": "camel llama alpaca",
        "giraffe": "giraffe", "fish": "fish lanternfish anglerfish goldfish salmon trout herring pike carp cod eel", "whale": "whale", "shark": "shark dolphin porpoise", "snake": "snake serpent adder viper",
        "turtle": "turtle tortoise", "frog": "frog toad tadpole", "snail": "snail", "butterfly": "butterfly moth dragonfly", "bee": "bee wasp beetle grasshopper cricket ant mosquito ladybird", "crab": "crab lobster shrimp prawn crayfish",
        "spider": "spider", "lizard": "lizard newt salamander chameleon crocodile alligator iguana", "dragon": "dragon griffin gryphon wyvern dinosaur",
        "monkey": "monkey ape gorilla chimpanzee baboon orangutan", "seal": "seal walrus sealion", "octopus": "octopus squid jellyfish",
        "caterpillar": "caterpillar worm grub centipede",
    }.items()
    for word in words.split()
}
IN_THE_SKY = {"sun", "moon", "cloud", "star"}
"""Things that are drawn by themselves only where they are what a picture is about."""
AMBIGUOUS = {"fan", "sun", "moon", "cloud", "star", "wave", "scale", "log", "ink", "bow", "mask", "pot", "bush", "ring", "staff", "saw", "well", "train"}
"""Things whose names mean something else more often: they are drawn for other words."""
PROPS: dict[str, str] = {
    "lantern": "lantern", "lamp": "lamp", "boat": "boat", "ferry": "boat", "rowboat": "boat", "ladder": "ladder",
    "book": "book", "books": "book", "notebook": "book", "letter": "letter", "paper": "letter", "map": "letter",
    "chart": "letter", "chair": "chair", "table": "table", "desk": "table", "bucket": "bucket", "pail": "bucket",
    "key": "key", "clock": "clock", "bottle": "bottle", "cup": "cup", "tea": "cup", "basket": "basket",
    "barrel": "barrel", "chest": "chest", "box": "chest", "trunk": "chest", "candle": "candle",
    "telescope": "telescope", "instrument": "instrument", "instruments": "instrument", "circle": "instrument",
    "tripod": "instrument", "signal": "signal", "umbrella": "umbrella", "cart": "cart", "carriage": "cart", "truck": "lorry",
    "wagon": "cart", "anchor": "anchor", "bell": "bell", "flag": "flag", "oar": "oar", "oars": "oar", "rope": "rope",
    "rod": "rod", "rods": "rod", "bar": "rod", "ruler": "rod", "metre": "rod", "fence": "fence", "gate": "fence",
    "globe": "globe", "earth": "globe", "window": "window", "door": "door", "tower": "turret", "lighthouse": "tower",
    "steeple": "turret", "belfry": "turret", "watchtower": "turret", "clocktower": "clocktower",
    "match": "candle", "matches": "candle", "sign": "sign", "wheel": "wheel", "sack": "sack", "bread": "bread",
    **{name: name for name in THINGS if name not in AMBIGUOUS},
    "fruit": "apple", "vegetables": "carrot", "toadstool": "mushroom", "soup": "bowl", "porridge": "bowl", "pitcher": "jug", "teapot": "kettle",
    "pan": "pot", "armchair": "sofa", "couch": "sofa", "wardrobe": "cupboard", "bookshelf": "shelf", "bookcase": "shelf", "oven": "stove",
    "painting": "picture", "portrait": "picture", "carpet": "rug", "hearth": "fireplace", "shovel": "spade", "pitchfork": "rake",
    "thread": "needle", "scales": "scale", "quill": "ink", "inkwell": "ink", "violin": "fiddle", "lute": "guitar", "horn": "trumpet",
    "satchel": "bag", "suitcase": "suitcase", "bonfire": "campfire", "fire": "campfire", "mill": "windmill", "handsaw": "saw", "wellhead": "well",
    "boulder": "rock", "flowers": "flower", "hedge": "bush", "haystack": "hay", "cage": "birdcage",
    "hive": "beehive", "sled": "sledge", "sleigh": "sledge", "sailboat": "ship", "galleon": "ship", "locomotive": "train", "bike": "bicycle",
    "automobile": "car", "coins": "coin", "money": "coin", "cash": "coin", "dollar": "coin", "dollars": "coin", "penny": "coin", "pennies": "coin", "shilling": "coin", "banknote": "letter", "bones": "skull", "spaceship": "rocket", "television": "radio",
    "wire": "wires", "cable": "wires", "honey": "jar", "jam": "jar", "dagger": "knife", "cushion": "pillow",
    "stair": "stairs", "staircase": "stairs", "steps": "stairs", "padlock": "lock", "quill-pen": "feather", "plane": "aeroplane", "airplane": "aeroplane",
    "biplane": "aeroplane", "motor": "engine", "mitten": "glove", "glasses": "spectacles", "spectacle": "spectacles", "coffee": "cup", "cocoa": "cup",
    "flour": "sack", "grain": "sack", "page": "letter", "sail": "ship", "pole": "staff",
    **dict.fromkeys("list contract certificate receipt invoice deed recipe permit warrant leaflet flyer document telegram postcard envelope ticket form".split(), "letter"),
    "factory": "factory", "factories": "factory", "tinbox": "tinbox", "cloth": "cloth", "fabric": "cloth", "textile": "cloth", "poster": "newspaper", "menu": "newspaper", "thunderbolt": "lightning", "passport": "book", "receiver": "telephone", "laptop": "computer", "gem": "crystal", "diamond": "crystal", "jewel": "crystal", "spear": "staff", "cane": "staff",
}
PLACES: tuple[tuple[str, tuple[str, ...]], ...] = (
    ("harbour", ("whaling station",)),
    ("filling", ("petrol station", "gas station", "filling station", "service station")),
    ("bus", ("inside of a tram", "inside of a bus", "inside of a coach")),
    ("carriage", ("train compartment", "railway carriage", "cabin of an aeroplane")),
    ("cab", ("inside of a car", "inside of a van", "cab of a truck")),
    ("ward", ("hospital ward", "hospital", "infirmary", "sickroom", "clinic")),
    ("gallery", ("museum hall", "museum", "picture gallery", "art gallery")),
    ("cell", ("prison cell", "prison", "jail", "dungeon", "a cell")),
    ("classroom", ("schoolroom", "classroom")),
    ("lift", ("inside of a lift", "elevator")),
    ("corridor", ("corridor", "hallway", "stairwell")),
    ("mill", ("a mill", "the mill", "watermill")),
    ("hall", ("police station", "fire station", "power station")),
    ("space", ("space station", "spaceship", "starship", "orbit", "outer space", "the moon", "mars")),
    ("kitchen", ("kitchen", "bakery", "scullery")),
    ("bedroom", ("bedroom", "nursery", "dormitory")),
    ("attic", ("attic", "loft", "garret")),
    ("workshop", ("workshop", "smithy", "forge", "studio", "garage")),
    ("inn", ("inn", "tavern", "public house", "café", "restaurant", "saloon")),
    ("office", ("office", "ministry", "bank", "laboratory")),
    ("room", ("room", "bathroom", "parlour", "parlor", "cottage", "hut", "cabin", "flat", "apartment", "hotel", "house")),
    ("study", ("study", "library", "observatory")),
    ("shop", ("shop", "store", "grocer", "grocery", "pharmacy", "chemist")),
    ("deck", ("ship's deck", "on deck", "deck of")),
    ("station", ("railway station", "station", "platform")),
    ("hall", ("observatory", "dome", "great hall", "castle hall", "throne room", "hall", "church", "palace", "cathedral", "chamber", "assembly", "theatre", "ballroom", "courtroom", "building", "lobby", "airport", "terminal")),
    ("tower", ("top of a tower", "belfry")),
    ("castle", ("castle", "fortress", "ruins")),
    ("market", ("market square", "market", "bazaar", "tent on a green", "fairground", "circus")),
    ("cave", ("cave", "cellar", "tunnel", "mine", "burrow", "hole")),
    ("ice", ("pack ice", "ice floe", "floe", "glacier", "iceberg", "the ice", "arctic", "antarctic", "tundra", "snowfield")),
    ("underwater", ("deep sea", "under the sea", "sea bed", "seabed", "sea floor", "ocean floor", "underwater", "bottom of the sea")),
    ("jetty", ("jetty", "pier", "landing", "quay", "dock")),
    ("harbour", ("harbour", "harbor", "port")),
    ("sea", ("open water", "open sea", "salt water", "ocean", "crossing", "middle of the water", "reef", "sea")),
    ("lighthouse", ("lighthouse",)),
    ("marsh", ("marsh", "lake", "pond", "reeds")),
    ("shore", ("far shore", "shore", "beach", "island", "coast", "cove", "bay", "dune", "flats")),
    ("bridge", ("bridge",)),
    ("river", ("river", "stream", "canal")),
    ("frozen", ("frozen lake", "frozen river", "frozen pond")),
    ("forest", ("forest", "wood", "woods", "trees")),
    ("mountain", ("mountain", "mountains", "peak", "peaks", "pyrenees", "summit", "cliff", "cliffs", "pass", "crater", "volcano")),
    ("city", ("city street", "city", "rooftop", "paris", "rooftops")),
    ("street", ("village street", "town street", "town square", "village", "street", "town", "square")),
    ("garden", ("garden", "orchard", "yard", "backyard", "greenhouse", "park", "churchyard", "graveyard", "cemetery", "shed", "fence")),
    ("sky", ("above the clouds", "sky above")),
    ("crops", (*(f"field of {crop}" for crop in ("corn", "maize", "wheat", "barley", "rye", "oats", "sunflowers")), "cornfield", "wheatfield")),
    ("desert", ("desert", "dunes", "sand")),
    ("meadow", ("meadow", "airfield", "runway", "field", "fields", "hills", "farm", "road", "highway", "trail", "path", "track", "country", "valley", "plain")),
)
DRAWN_WITH_A_PLACE = {
    "sky", "cloud", "sun", "moon", "star", "sunlight", "moonlight", "sunshine", "daylight", "light", "lamplight", "water", "wave", "tide", "foam", "grass",
    "snow", "ice", "sand", "mud", "ground", "floor", "wall", "ceiling", "dust", "rain", "wind", "fog", "mist", "smoke", "shadow", "branch", "leaf", "tree",
    "reed", "bush", "earth", "soil", "stone", "pavement", "roof", "chimney", "plank", "board", "snowflake", "flake", "drop", "flame", "fire", "window",
}
"""What is there by itself where a place, an hour or a weather is drawn."""
ROOM_WORDS = {"window", "bed", "sofa", "cupboard", "stove", "cradle", "fireplace", "armchair", "oven", "hearth", "curtain", "couch", "wardrobe"}
"""Things that stand in a room, when nothing is said of a place."""
INDOORS = {"room", "kitchen", "bedroom", "attic", "inn", "workshop", "office", "study", "shop", "hall", "cave", "space", "ward", "corridor", "gallery", "cell", "lift", "classroom", "carriage", "bus", "cab"}
LAMPLIT = INDOORS - {"cave", "space", "cab"}
"""Where lamps are lit by night."""
TIMES = {"dawn": "dawn", "sunrise": "dawn", "morning": "dawn", "day": "day", "noon": "day", "afternoon": "day",
         "dusk": "dusk", "sunset": "dusk", "evening": "dusk", "night": "night", "midnight": "night"}
WEATHERS = {"clear": "clear", "sunny": "clear", "rain": "rain", "storm": "rain", "snow": "snow", "fog": "fog",
            "mist": "fog", "wind": "wind", "windy": "wind", "gusts": "wind"}
LOOKS = {"cut paper": "cut-paper", "screen print": "screen-print", "chalk on slate": "chalk-slate", "chalk": "chalk-slate",
         "clay": "clay", "toned paper": "toned-pencil", "pencil drawing": "toned-pencil", "ink and wash": "ink-wash", "wash": "ink-wash",
         "watercolour": "ink-wash", "stick figures": "stick-figures", "stick figure": "stick-figures",
         "shadow theatre": "shadow-theatre", "silhouettes": "shadow-theatre", "silhouette": "shadow-theatre"}
LOOK_WORDS = (
    "layered cut paper", "soft shadows", "soft shadow", "paper fibre", "deep warm palette", "ink and wash drawing", "loose ink line", "pale washes", "cream paper",
    "stick figures", "felt pen line", "white ground", "one or two spot colours", "shadow theatre silhouettes", "black silhouettes", "glowing lamplit screen",
    "screen print", "flat inks", "grain and misregistration", "grain, misregistration", "four inks on warm paper", "chalk on slate drawing", "dry chalk strokes",
    "smudges", "dark slate ground", "soft clay figures", "rounded forms", "thumb marks", "studio light from the left", "pencil drawing on toned paper",
    "hatched shading", "white highlights", "buff paper showing through",
)
"""What is said of looks: no studio, theatre or grain is in the picture."""
POSES: dict[str, str] = {
    word: pose
    for pose, words in {
        "raise": "lifted lifts raised raises reveals hangs hung lights lit salutes saluted hoists hoisted",
        "wave": "waved waves waving greets greeted beckons beckoned",
        "reach": "reached reaches reaching plucked catches caught grabs grabbed",
        "point": "pointed points pointing showed shows orders ordered accuses accused",
        "row": "rowed rowing rows row oar oars paddles paddled steers steered",
        "walk": "walked walks walking stepped steps marched marches strolled strolls wandered wanders followed follows goes went comes came enters entered "
                "leaves arrives arrived crosses crossed returns returned approaches approached travels travelled",
        "run": "ran runs running hurried hurries raced races fled flees chased chases rushes rushed escapes escaped",
        "climb": "climbed climbs climbing scrambles scrambled",
        "hold": "picked picks touches touched opens opened closes closed knocks knocked unlocks unlocked puts lays laid feeds fed "
                "drives drove driving takes took gives gave hands handed offers offered passes passed carried carrying carries held holding holds hold measured measures wrote writes read reading reads brings brought keeps counts counted "
                "draws drew drinks drank eats ate plays played pours poured cooks cooked stirs stirred mends mended sews sewed hammers hammered cuts",
        "sit": "sat sits sitting rides rode",
        "kneel": "knelt kneels kneeling prays prayed begs begged digs dug plants planted",
        "crouch": "crouched crouches crouching hid hides hiding cowers cowered ducks shivers shivered",
        "bow": "bowed bows bowing leans leaned bends bent searches searched",
        "shrug": "shrugged shrugs argued argues asked asks hesitates hesitated",
        "think": "thought thinks thinking wondered wonders pondered ponders listens listened hears studies studied",
        "cheer": "cheered cheers cheering celebrated celebrates wins won shouts calls",
        "push": "pushed pushes pushing shoved shoves rolls rolled",
        "pull": "pulled pulls pulling dragged drags hauled hauls tugged tugs",
        "dance": "danced dances dancing spins spun skips skipped",
        "sneak": "sneaked sneaks sneaking crept creeps creeping tiptoed tiptoes steals stole",
        "throw": "threw throws throwing tossed tosses hurls hurled flings flung drops",
        "jump": "jumped jumps jumping leapt leaps hops hopped",
        "lie": "slept sleeps sleeping lying lies asleep rests rested dreams falls fell collapses",
    }.items()
    for word in words.split()
} | {"held up": "raise", "holds up": "raise"}
EXPRESSIONS: dict[str, str] = {
    "smiles": "smile", "laughs": "laugh", "grins": "laugh", "weeps": "sad", "weeping": "sad", "cries": "open", "frowning": "frown", "frowns": "frown",
    "shouting": "open", "shouts": "open", "calls": "open", "screams": "open", "speaks": "open", "speak": "open", "whispering": "open",
    "frightened": "worry", "staring": "worry", "unsure": "worry",
    "smile": "smile", "smiled": "smile", "smiling": "smile", "laughed": "laugh", "laughing": "laugh", "laugh": "laugh",
    "grinned": "laugh", "glad": "smile", "happy": "smile", "playful": "smile", "warm": "smile",
    "wrong": "worry", "afraid": "worry", "worried": "worry", "uneasy": "worry", "fear": "worry", "worry": "worry",
    "shouted": "open", "cried": "open", "called": "open", "surprised": "open", "sad": "sad", "wept": "sad",
    "frowned": "frown", "angry": "frown", "stern": "frown",
    "asleep": "asleep", "sleeping": "asleep", "sleeps": "asleep", "slept": "asleep",
}
STUFFS = frozenset(
    "brass copper gold silver iron steel bronze tin lead wood oak pine stone marble leather wool silk linen cotton velvet satin straw ivory pearl amber "
    "button buttons buckle buckles collar sleeve sleeves pocket pockets hem cuff cuffs lapel lace stripe stripes dot dots "
    "leg legs foot feet hand hands arm arms finger fingers toe toes knee knees root roots eyelash".split()
)
"""What things are made of, and parts of garments and of bodies: no things of their own."""
OF_STUFF: dict[str, RGB] = {"straw": (216, 184, 116), "leather": (126, 84, 52), "denim": (74, 96, 136), "sheepskin": (222, 210, 188), "wicker": (190, 150, 96)}
"""The colour of what is worn, by what it is made of, where none is said."""

EMPTY_WORDS = {"a", "an", "the", "and", "or", "of", "in", "on", "at", "to", "with", "for", "from", "by", "as", "if", "it", "its", "his", "her", "their", "they", "she", "he", "who", "which", "that", "this", "there", "was", "were", "is", "are", "be", "been", "had", "has", "have", "did", "do", "does", "not", "no", "one", "two", "so", "when", "what", "then", "than", "but", "into", "over", "under", "up", "down", "out", "off", "all", "some", "any", "every", "very", "more", "most", "just", "only", "even", "still", "once", "behind", "beside", "between", "before", "after", "while", "mood", "sky", "shot", "ground", "said", "him", "them", "i", "you", "we", "me", "us", "my", "your", "our", "would", "could", "should", "will", "can", "might",
               "dressing", "both", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "twenty", "thirty", "forty", "fifty",
               "sixty", "hundred", "thousand", "small", "big", "himself", "herself", "itself"}

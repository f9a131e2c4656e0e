"""Things written in a small picture grammar, for the long tail of nouns. The illustrator draws them
in whatever look is asked.

Statements are parted by `;`. Each begins with a letter and a colour (a name with `-` for blanks;
`+` behind it makes it lighter, `!` darker); then come numbers. x runs right from the middle, y up
from the foot, in shares of the thing's size:

    o COLOUR x y rx [ry]      a disc
    p COLOUR x y x y x y …    a straight-edged shape
    c COLOUR x y x y x y …    a rounded shape
    b COLOUR x y wide high    a box, x and y its lower left corner
    l COLOUR width x y x y …  a line
    g COLOUR x y radius       light that spreads
"""

from collections.abc import Sequence
from functools import lru_cache

from .colour import NAMED, RGB, darker, lighter
from .pen import Pen, Point

THINGS: dict[str, str] = {
    # food
    "apple": "c brick-red 0 0 -.38 .1 -.42 .5 -.2 .74 0 .66 .2 .74 .42 .5 .38 .1; l brown .06 0 .66 .06 .92; c moss-green .06 .84 .3 1 .34 .84",
    "pear": "c ochre 0 0 -.36 .1 -.36 .42 -.16 .7 -.12 .9 .12 .9 .16 .7 .36 .42 .36 .1; l brown .05 0 .9 .08 1.08",
    "pumpkin": "c rust 0 0 -.5 .06 -.64 .36 -.44 .66 0 .6 .44 .66 .64 .36 .5 .06; l rust! .04 -.22 .06 -.28 .34 -.18 .6; l rust! .04 .22 .06 .28 .34 .18 .6; p moss-green -.07 .6 .07 .6 .12 .86 0 .84",
    "cake": "b tan -.6 0 1.2 .5; c plum+ -.62 .44 -.5 .36 -.3 .44 -.1 .34 .1 .44 .3 .36 .5 .44 .62 .4 .62 .58 -.62 .58; b white -.04 .58 .08 .26; o mustard 0 .92 .05 .09",
    "pie": "p tan -.6 .2 .6 .2 .46 0 -.46 0; c ochre -.64 .2 -.4 .42 0 .5 .4 .42 .64 .2; l brown .04 -.2 .3 -.1 .42; l brown .04 .1 .3 .2 .42",
    "cheese": "p mustard -.6 0 .6 0 .6 .4 -.6 .26; p mustard+ -.6 .26 .6 .4 .3 .56; o mustard! -.2 .14 .08; o mustard! .24 .2 .1",
    "egg": "c cream 0 0 -.3 .2 -.26 .56 0 .78 .26 .56 .3 .2",
    "carrot": "c rust -.16 .66 0 0 .16 .66; l moss-green .07 0 .66 -.16 1; l moss-green .07 0 .66 .02 1.06; l moss-green .07 0 .66 .18 .98",
    "mushroom": "c cream -.14 0 -.1 .42 .1 .42 .14 0; c brick-red -.5 .4 -.34 .76 0 .9 .34 .76 .5 .4 0 .34; o white -.2 .6 .08; o white .16 .7 .07; o white .26 .5 .06",
    "bowl": "c pale-blue -.56 .4 -.4 .08 0 0 .4 .08 .56 .4; o cream 0 .4 .54 .1; l white .04 -.1 .52 -.04 .7 -.12 .88; l white .04 .14 .52 .2 .7 .12 .88",
    "plate": "o white 0 .1 .6 .12; o pale-blue 0 .12 .42 .07; o ochre 0 .2 .24 .12",
    "jug": "c grey-blue -.3 0 -.4 .4 -.2 .76 -.3 .94 .24 .94 .18 .76 .38 .4 .28 0; l grey-blue! .09 .24 .8 .56 .66 .4 .3",
    "kettle": "c grey-blue -.42 0 -.48 .34 -.24 .62 .24 .62 .48 .34 .42 0; p grey-blue! .4 .3 .72 .6 .66 .64 .36 .44; l dark-grey .07 -.3 .6 -.2 .92 .2 .92 .3 .6; o dark-grey 0 .66 .08",
    "pot": "c dark-grey -.5 .5 -.52 .16 -.3 0 .3 0 .52 .16 .5 .5; b dark-grey! -.56 .48 1.12 .1; l dark-grey .07 -.5 .4 -.7 .44 -.5 .54; l dark-grey .07 .5 .4 .7 .44 .5 .54",
    "spoon": "o silver 0 .92 .19 .27; o silver! 0 .94 .12 .19; l silver .1 0 0 0 .68",
    "knife": "l brown .15 0 0 0 .42; c silver -.07 .42 -.09 1.1 .08 1.3 .1 .42",
    "fork": "l silver .1 0 0 0 .7; l silver .06 -.16 .84 -.16 1.2; l silver .06 0 .7 0 1.2; l silver .06 .16 .84 .16 1.2; l silver .08 -.16 .84 0 .7 .16 .84",
    "jar": "c pale-blue -.34 0 -.36 .66 .36 .66 .34 0; c ochre -.28 .05 -.3 .46 .3 .46 .28 .05; b tan -.38 .64 .76 .15",
    "fishbowl": "o pale-blue 0 .52 .56 .52; o blue+ 0 .46 .5 .42; c orange .28 .46 .06 .64 -.22 .46 .06 .3; p orange -.18 .46 -.42 .62 -.42 .32; o black .16 .5 .03; o pale-blue 0 .98 .34 .08; l white .03 -.4 .72 -.3 .84",
    "fishbag": "c pale-blue -.4 .3 -.3 0 .3 0 .4 .3 .36 .78 .08 1.04 -.08 1.04 -.36 .78; c blue+ -.38 .3 -.28 .03 .28 .03 .38 .3 .34 .62 -.34 .62; c orange .24 .34 .04 .5 -.2 .34 .04 .2; p orange -.16 .34 -.34 .48 -.34 .22; o black .13 .38 .03; l white .06 -.12 1 .12 1.16; l white .06 .12 1 -.12 1.16",
    "pillow": "c white -.66 .08 -.56 .5 .56 .5 .66 .08 0 0; l grey .03 -.4 .26 0 .2 .4 .26",
    "suitcase": "l brown! .08 -.2 .78 -.2 .98 .2 .98 .2 .78; b brown -.62 0 1.24 .8; b brown! -.62 .36 1.24 .06; b tan -.42 0 .1 .8; b tan .32 0 .1 .8; o gold 0 .39 .07",
    "cloak laid down": "c cream 0 1.3 -.3 1.12 -.62 .1 -.2 0 0 .1 .2 0 .62 .1 .3 1.12; l gold .05 -.14 1.16 .14 1.16; l tan .03 -.3 .2 -.14 .96; l tan .03 .3 .2 .14 .96; l tan .03 0 .16 0 1",
    "coat laid down": "c moss-green 0 1.26 -.3 1.14 -.44 .06 .44 .06 .3 1.14; c moss-green+ -.28 1.14 -.66 .5 -.48 .42 -.26 .86; c moss-green+ .28 1.14 .66 .5 .48 .42 .26 .86; l brown .03 0 .1 0 1.1; o gold .08 .4 .04; o gold .08 .66 .04; o gold .08 .92 .04",
    "dress laid down": "c plum -.2 1.26 -.24 .8 -.56 0 .56 0 .24 .8 .2 1.26 0 1.1; b plum! -.24 .76 .48 .08; c plum+ -.2 1.2 -.42 .84 -.3 .78 -.2 .98; c plum+ .2 1.2 .42 .84 .3 .78 .2 .98",
    "boots laid down": "c brown -.56 0 -.56 .74 -.26 .74 -.22 .26 .02 .16 .04 0; c brown! .1 0 .1 .74 .4 .74 .44 .26 .68 .16 .7 0",
    "hat laid down": "o brown 0 .12 .64 .13; c brown -.34 .12 -.28 .6 .28 .6 .34 .12; b brick-red -.33 .17 .66 .11",
    "wires": "l brown .1 -1 0 -1 1.7; l brown .1 1 0 1 1.7; l brown .08 -1.2 1.5 -.8 1.5; l brown .08 .8 1.5 1.2 1.5; l black .03 -1.2 1.52 0 1.2 .8 1.52; l black .03 -.8 1.52 .1 1.28 1.2 1.52",
    # by the way
    "stairs": "b grey -.9 0 1.8 .24; b grey+ -.6 .24 1.5 .24; b grey -.3 .48 1.2 .24; b grey+ 0 .72 .9 .24; b grey .3 .96 .6 .24",
    "wall": "b tan -1.2 0 2.4 1.1; l brown .03 -1.2 .36 1.2 .36; l brown .03 -1.2 .72 1.2 .72; l brown .03 -.6 0 -.6 .36; l brown .03 .4 0 .4 .36; l brown .03 -.1 .36 -.1 .72; l brown .03 .8 .36 .8 .72; l brown .03 -.7 .72 -.7 1.1; l brown .03 .3 .72 .3 1.1",
    "lock": "l dark-grey .1 -.2 .56 -.2 .86 0 1 .2 .86 .2 .56; b gold -.34 0 .68 .6; o black 0 .36 .09; b black -.04 .14 .08 .2",
    "feather": "c white 0 0 -.2 .4 -.12 1 .1 1.2 .24 .7 .1 .2; l grey .03 0 -.1 .04 .5 .1 1.1",
    "aeroplane": "p mustard! -1.1 .5 -1.24 1 -.96 1 -.8 .6; c mustard -1.1 .5 -.8 .36 .8 .34 1.1 .5 .8 .62 -.8 .66; p mustard+ -.3 .5 .3 .5 .7 .2 .1 .2; l dark-grey .05 1.12 .2 1.12 .8; o dark-grey .5 .14 .14; o dark-grey -.3 .14 .14; o pale-blue .1 .64 .14",
    "engine": "b dark-grey -.6 .1 1.2 .7; o grey -.3 .46 .22; o grey .3 .46 .22; b brick-red -.4 .8 .8 .2; l silver .08 .6 .5 .96 .5; b dark-grey! -.7 0 1.4 .12",
    "helmet": "c grey-blue -.5 .2 -.44 .7 0 .9 .44 .7 .5 .2; b grey-blue! -.56 .14 1.12 .12; b black -.3 .3 .6 .14",
    "glove": "c brown! -.3 .3 -.6 .6 -.48 .74 -.26 .56; c brown -.3 0 -.34 .5 -.3 .9 -.14 .94 -.1 .6 0 1 .12 .98 .12 .6 .24 .94 .34 .86 .3 .4 .28 0",
    "spectacles": "o dark-grey -.36 .3 .3; o white -.36 .3 .23; o dark-grey .36 .3 .3; o white .36 .3 .23; l dark-grey .05 -.08 .34 .08 .34",
    # house and furniture
    "bed": "b brown -1.1 0 .12 .9; b brown 1 0 .1 .6; b cream -1 .3 2 .2; c white -.98 .46 -.9 .66 -.5 .66 -.44 .46; c brick-red -.4 .3 -.4 .56 1 .54 1 .26",
    "sofa": "c moss-green -1.1 .1 -1.1 .7 -.9 .74 -.86 .5 .86 .5 .9 .74 1.1 .7 1.1 .1; c moss-green+ -.88 .4 -.84 1 .84 1 .88 .4; b moss-green! -.86 .3 1.72 .2; b brown -.9 0 .12 .14; b brown .78 0 .12 .14",
    "stool": "l brown .09 -.24 0 -.16 .5; l brown .09 .24 0 .16 .5; o brown+ 0 .54 .36 .1",
    "bench": "b brown -1 .36 2 .12; b brown! -.84 0 .12 .36; b brown! .72 0 .12 .36; b brown -1 .7 2 .14; l brown! .08 -.8 .4 -.8 .84; l brown! .08 .8 .4 .8 .84",
    "cupboard": "b brown -.6 0 1.2 1.9; b brown! -.52 .1 .5 1.7; b brown! .02 .1 .5 1.7; o gold -.1 .9 .05; o gold .1 .9 .05",
    "shelf": "b brown! -.8 0 1.6 1.5; b tan -.74 .1 1.48 .06; b tan -.74 .6 1.48 .06; b tan -.74 1.06 1.48 .06; b brick-red -.6 .66 .12 .34; b navy -.44 .66 .1 .3; b ochre .1 .16 .14 .36; o grey-blue .44 .3 .14",
    "mirror": "c gold 0 .1 -.46 .4 -.46 1.1 0 1.4 .46 1.1 .46 .4; c pale-blue 0 .2 -.36 .44 -.36 1.06 0 1.28 .36 1.06 .36 .44; l white .05 -.16 .6 .12 1",
    "stove": "b dark-grey -.5 .1 1 .8; b black -.3 .24 .6 .36; g mustard 0 .4 .7; c rust -.2 .26 -.1 .5 0 .36 .1 .52 .2 .26; b dark-grey! -.08 .9 .16 .9; b dark-grey -.4 0 .1 .1; b dark-grey .3 0 .1 .1",
    "sun": "g mustard 0 .5 2.2; o mustard 0 .5 .44; o cream 0 .5 .34",
    "moon": "g pale-blue 0 .5 1.8; o cream 0 .5 .44; o tan -.14 .6 .08; o tan .16 .36 .1; o tan .1 .66 .05",
    "cloud": "c white -.9 .2 -.8 .56 -.4 .66 -.2 .92 .24 .86 .44 .62 .86 .56 .92 .2 0 .1; c silver -.8 .2 -.3 .32 .3 .3 .84 .2 0 .1",
    "star": "g cream 0 .5 1.2; p mustard 0 1 .13 .64 .5 .62 .2 .4 .32 .02 0 .26 -.32 .02 -.2 .4 -.5 .62 -.13 .64",
    "wave": "c teal -1.2 0 -1 .5 -.5 1.1 .1 1.3 .5 1.1 .62 .8 .36 .9 .1 .76 .2 .4 .6 .2 1.2 .1 1.3 0; l white .06 -.9 .5 -.46 .96 .1 1.14 .44 1; c pale-blue -1 0 -.7 .4 -.3 .6 -.1 .3 .3 .1 .9 0; o white .56 .84 .12; o white .4 .94 .09",
    "cradle": "c brown -.7 .5 -.5 .14 .5 .14 .7 .5; c white -.6 .46 -.5 .64 .5 .64 .6 .46; l brown! .08 -.6 .1 0 0 .6 .1",
    "picture": "b gold -.56 .1 1.12 .9; b pale-blue -.46 .2 .92 .7; c moss-green -.46 .2 -.46 .44 0 .56 .46 .4 .46 .2; o mustard .2 .7 .09",
    "curtain": "c brick-red -.5 0 -.4 .8 -.5 1.6 .5 1.6 .4 .8 .5 0; l brick-red! .05 -.2 .1 -.16 1.5; l brick-red! .05 .16 .1 .2 1.5; l brown .08 -.6 1.6 .6 1.6",
    "rug": "o brick-red 0 .08 1.1 .16; o cream 0 .08 .8 .1; o brick-red! 0 .08 .5 .06",
    "fireplace": "b grey -.9 0 1.8 1.3; b grey! -1 1.3 2 .14; c black -.55 0 -.55 .6 0 .9 .55 .6 .55 0; g mustard 0 .3 1.1; c rust -.3 0 -.2 .4 0 .2 .1 .56 .3 0; c mustard -.12 0 0 .3 .12 0",
    "chocolate": "b brown -.5 0 .5 .4; l brown! .04 -.36 0 -.36 .4; l brown! .04 -.2 0 -.2 .4; l brown! .04 -.5 .2 0 .2; b brick-red -.04 -.02 .6 .44; b gold .1 .14 .3 .12",
    "tinbox": "b grey-blue -.5 0 1 .56; b grey-blue+ -.54 .5 1.08 .16; o cream 0 .27 .19 .15; l brick-red .04 -.5 .06 .5 .06",
    "cloth": "c plum -.7 0 -.76 .2 -.5 .34 .5 .3 .74 .18 .7 0; c plum+ -.66 .2 -.5 .34 .5 .3 .66 .2 0 .24; c plum! .3 .02 .5 .2 .86 .02 .8 -.1 .5 -.04; l plum! .03 -.6 .1 0 .14 .6 .1",
    "factory": "b brick-red -1.2 0 2.4 .9; p brick-red! -1.2 .9 -.8 1.3 -.8 .9; p brick-red! -.8 .9 -.4 1.3 -.4 .9; p brick-red! -.4 .9 0 1.3 0 .9; b brick-red! .4 .9 .24 .9; b brick-red! .8 .9 .24 .7; o grey+ .56 1.95 .18; o grey+ .78 2.14 .24; o grey+ 1.0 1.75 .16; b pale-blue -1 .36 .3 .3; b pale-blue -.5 .36 .3 .3; b pale-blue 0 .36 .3 .3; b brown .6 0 .36 .5",
    "lightning": "p mustard+ -.1 2.4 .34 2.4 .04 1.52 .36 1.57 -.2 .72 .1 .77 -.3 0 -.1 .59 -.42 .56 -.14 1.36 -.4 1.33",
    # tools and work
    "hammer": "l brown .12 0 0 0 .9; b dark-grey -.34 .8 .68 .24",
    "saw": "p silver -.7 .3 .5 .46 .5 .2 -.7 .2; c brown .5 .1 .44 .5 .8 .56 .84 .12",
    "axe": "l brown .1 0 0 .06 1; c silver .06 .96 -.34 1.04 -.4 .6 .04 .7",
    "spade": "l brown .09 0 .4 0 1.3; c silver -.22 .44 -.22 .14 0 0 .22 .14 .22 .44; l brown .09 -.16 1.3 .16 1.3",
    "rake": "l brown .08 0 .14 0 1.4; l dark-grey .08 -.34 .14 .34 .14; l dark-grey .05 -.3 .14 -.3 0; l dark-grey .05 0 .14 0 0; l dark-grey .05 .3 .14 .3 0",
    "broom": "l brown .07 0 .4 0 1.4; p mustard -.12 .5 .12 .5 .3 0 -.3 0; l brick-red .06 -.12 .46 .12 .46",
    "scythe": "l brown .08 -.2 0 .1 1.5; c silver .1 1.44 -.5 1.4 -.9 1.1 -.5 1.26 .08 1.34",
    "needle": "l silver .05 -.3 .1 .3 .9; l brick-red .04 .3 .9 .5 .6 .3 .4 .56 .1",
    "scissors": "l silver .08 -.2 .3 .3 1.2; l silver .08 .2 .3 -.3 1.2; o navy -.24 .16 .16; o cream -.24 .16 .09; o navy .24 .16 .16; o cream .24 .16 .09",
    "loom": "l brown .1 -.7 0 -.7 1.6; l brown .1 .7 0 .7 1.6; l brown .1 -.7 1.5 .7 1.5; b plum -.5 .3 1 .5; l cream .03 -.4 .8 -.4 1.5; l cream .03 -.1 .8 -.1 1.5; l cream .03 .2 .8 .2 1.5; l cream .03 .45 .8 .45 1.5",
    "anvil": "p dark-grey -.6 .7 .4 .7 .9 .6 .4 .46 .2 .4 .16 .2 .36 0 -.36 0 -.16 .2 -.2 .4 -.5 .5",
    "crate": "b tan -.5 0 1 .8; l brown .08 -.5 .06 .5 .06; l brown .08 -.5 .74 .5 .74; l brown .07 -.46 .08 .46 .72; l brown .08 -.46 0 -.46 .8; l brown .08 .46 0 .46 .8",
    "scale": "l gold .08 0 0 0 1.3; l gold .06 -.7 1.1 0 1.3 .7 1.1; l gold .03 -.7 1.1 -.9 .6; l gold .03 -.7 1.1 -.5 .6; l gold .03 .7 1.1 .5 .6; l gold .03 .7 1.1 .9 .6; c gold -.92 .6 -.7 .44 -.48 .6; c gold .48 .6 .7 .44 .92 .6; o gold! 0 .04 .36 .08",
    "hourglass": "b brown -.34 0 .68 .1; b brown -.34 1.1 .68 .1; c pale-blue -.26 .1 -.24 .4 -.03 .6 .03 .6 .24 .4 .26 .1; c pale-blue -.26 1.1 -.24 .8 -.03 .6 .03 .6 .24 .8 .26 1.1; c mustard -.24 .1 0 .36 .24 .1; c mustard -.16 .8 0 .62 .16 .8",
    "compass": "o gold 0 .5 .5; o cream 0 .5 .4; p brick-red -.06 .5 0 .86 .06 .5; p navy -.06 .5 0 .14 .06 .5; o gold 0 .5 .06",
    "ink": "b navy -.24 0 .48 .36; b navy! -.12 .36 .24 .1; l white .06 .06 .4 .5 1.3; c white .1 .5 .6 1.36 .2 .9",
    "easel": "l brown .08 -.5 0 0 1.7; l brown .08 .5 0 0 1.7; b cream -.5 .6 1 .8; c pale-blue -.44 .9 0 1.1 .44 .9 .44 1.34 -.44 1.34; c moss-green -.44 .66 -.1 .94 .44 .66",
    # play, music, dress
    "ball": "o brick-red 0 .4 .4; l cream .08 -.38 .36 0 .46 .38 .36; l cream .08 -.3 .64 0 .74 .3 .64",
    "kite": "p brick-red 0 .3 -.4 .9 0 1.4 .4 .9; l cream .03 0 .3 0 1.4; l cream .03 -.4 .9 .4 .9; l navy .03 0 .3 -.16 .1 .1 -.1 -.06 -.3; p mustard -.16 .14 -.02 .06 -.2 0",
    "balloon": "c plum 0 .6 -.4 .9 -.36 1.3 0 1.5 .36 1.3 .4 .9; l dark-grey .025 0 .6 .06 .3 0 0",
    "doll": "o tan 0 .86 .2; c rust -.22 .86 -.16 1.08 .16 1.08 .22 .86 0 1; p pale-blue -.1 .66 .1 .66 .3 .1 -.3 .1; l tan .08 -.1 .6 -.34 .4; l tan .08 .1 .6 .34 .4; l navy .09 -.1 .1 -.1 0; l navy .09 .1 .1 .1 0",
    "drum": "b brick-red -.5 .1 1 .6; o cream 0 .7 .5 .13; l mustard .05 -.5 .14 -.25 .64 0 .14 .25 .64 .5 .14; l brown .06 .1 .8 .6 1.1",
    "fiddle": "c rust -.3 .1 -.34 .36 -.18 .5 -.28 .74 0 .86 .28 .74 .18 .5 .34 .36 .3 .1 0 0; l brown! .09 0 .8 0 1.4; l cream .02 -.04 .2 -.03 1.3; l cream .02 .04 .2 .03 1.3",
    "guitar": "c ochre -.36 .1 -.4 .4 -.22 .56 -.3 .8 0 .9 .3 .8 .22 .56 .4 .4 .36 .1 0 0; o brown! 0 .58 .1; l brown .1 0 .8 0 1.7; b brown! -.09 1.64 .18 .2",
    "flute": "l silver .1 -.8 .2 .8 .5; o dark-grey -.2 .32 .04; o dark-grey .1 .37 .04; o dark-grey .4 .43 .04",
    "trumpet": "l gold .09 -.7 .5 .4 .5; c gold .3 .5 .8 .86 .86 .5 .8 .14; l gold .06 -.2 .5 -.2 .26 .16 .26 .16 .5",
    "piano": "b black -1 .5 2 .9; b black -1 0 .14 .5; b black .86 0 .14 .5; b white -.9 .5 1.8 .16; b black -1 1.36 2 .1; l black .05 -.6 .52 -.6 .64; l black .05 -.2 .52 -.2 .64; l black .05 .2 .52 .2 .64; l black .05 .6 .52 .6 .64",
    "ring": "o gold 0 .4 .4; o white 0 .4 .29; p pale-blue -.16 .8 0 1.04 .16 .8 0 .7",
    "crown": "p gold -.5 0 -.6 .7 -.26 .36 0 .84 .26 .36 .6 .7 .5 0; o brick-red 0 .16 .08; o navy -.3 .16 .06; o navy .3 .16 .06",
    "mask": "c cream -.44 .5 -.36 .9 .36 .9 .44 .5 0 0; o black -.18 .56 .1 .07; o black .18 .56 .1 .07; l brick-red .05 -.14 .24 0 .18 .14 .24",
    "shoe": "c brown -.6 0 -.6 .5 -.2 .52 0 .3 .5 .24 .62 .06 .6 0; b black -.6 -.04 1.2 .08",
    "bag": "c brown -.44 0 -.5 .5 .5 .5 .44 0; c brown! -.5 .56 -.4 .3 .4 .3 .5 .56; l brown! .06 -.3 .5 -.2 .86 .2 .86 .3 .5; o gold 0 .34 .06",
    "fan": "c brick-red 0 .1 -.7 .6 -.4 1 0 1.1 .4 1 .7 .6; l cream .03 0 .1 -.4 .96; l cream .03 0 .1 0 1.06; l cream .03 0 .1 .4 .96",
    # outdoors
    "campfire": "g mustard 0 .4 1.8; l brown .14 -.5 .04 .4 .2; l brown .14 .5 .04 -.4 .2; c rust -.34 .1 -.24 .6 -.06 .42 .04 .96 .22 .5 .34 .1; c mustard -.16 .12 -.08 .44 .04 .6 .16 .12",
    "tent": "p tan -1 0 0 1.3 1 0; p brown! -.3 0 0 .9 .3 0; l brown .05 0 1.24 0 1.46",
    "well": "b grey -.6 0 1.2 .6; b grey! -.66 .56 1.32 .1; l brown .09 -.5 .6 -.5 1.3; l brown .09 .5 .6 .5 1.3; p brick-red -.76 1.24 0 1.7 .76 1.24; l tan .04 0 1.2 0 .8; b brown -.1 .66 .2 .18",
    "windmill": "p cream -.4 0 -.26 1.6 .26 1.6 .4 0; p brick-red -.3 1.56 0 1.94 .3 1.56; p tan -.06 1.5 -.9 2.1 -.8 2.24 .04 1.6; p tan .06 1.5 .9 2.1 .8 2.24 -.04 1.6; p tan -.06 1.5 -.9 .9 -.8 .76 .04 1.4; p tan .06 1.5 .9 .9 .8 .76 -.04 1.4; o brown 0 1.5 .08; b brown! -.12 0 .24 .4",
    "statue": "b grey -.5 0 1 .4; c grey+ -.2 .4 -.26 1 -.3 1.3 .3 1.3 .26 1 .2 .4; o grey+ 0 1.5 .17; l grey+ .12 .26 1.24 .5 1.6; l grey+ .12 -.26 1.24 -.4 .9",
    "gravestone": "c grey -.4 0 -.4 .7 -.24 .94 .24 .94 .4 .7 .4 0; l grey! .06 0 .4 0 .8; l grey! .06 -.16 .66 .16 .66; c moss-green -.6 0 -.4 .14 -.2 0",
    "stump": "c brown -.5 0 -.4 .2 -.38 .5 .38 .5 .4 .2 .5 0; o tan 0 .5 .38 .11; o brown 0 .5 .2 .05",
    "log": "c brown -1 .1 -1 .4 1 .4 1 .1; o tan 1 .25 .1 .16; o brown 1 .25 .05 .08; l brown! .04 -.6 .3 .2 .3",
    "rock": "c grey -.6 0 -.54 .36 -.2 .6 .24 .54 .56 .3 .62 0; c grey+ -.3 .3 -.16 .5 .16 .46 .06 .3",
    "flower": "l moss-green .06 0 0 .02 .6; c moss-green 0 .2 .26 .4 .2 .2; o brick-red -.14 .7 .14; o brick-red .14 .7 .14; o brick-red 0 .84 .14; o brick-red 0 .58 .14; o mustard 0 .71 .11",
    "tree": "c brown -.12 0 -.08 .8 .08 .8 .12 0; c moss-green -.7 .9 -.6 1.5 -.1 1.9 .5 1.6 .7 1 .3 .7 -.3 .66; c moss-green+ -.4 1.2 -.2 1.6 .1 1.64 .1 1.3",
    "bush": "c moss-green -.8 0 -.86 .4 -.5 .7 0 .64 .4 .8 .8 .44 .8 0; c moss-green+ -.4 .3 -.3 .54 0 .5 0 .3",
    "hay": "c mustard -.8 0 -.7 .6 -.2 1 .3 .96 .7 .6 .8 0; l ochre .04 -.5 .2 -.3 .7; l ochre .04 0 .2 .1 .8; l ochre .04 .4 .16 .4 .6",
    "nest": "c brown -.5 .3 -.36 .04 .36 .04 .5 .3; o brown! 0 .3 .46 .1; o pale-blue -.16 .36 .12 .15; o pale-blue .12 .36 .12 .15; l tan .03 -.5 .2 .4 .1",
    "birdcage": "c gold -.4 .1 -.4 .8 0 1.2 .4 .8 .4 .1; c cream -.34 .14 -.34 .78 0 1.12 .34 .78 .34 .14; l gold .04 -.18 .12 -.18 1; l gold .04 0 .12 0 1.14; l gold .04 .18 .12 .18 1; b gold -.44 0 .88 .12; c mustard -.1 .3 -.06 .52 .12 .56 .14 .36",
    "beehive": "c mustard -.5 0 -.56 .3 -.4 .7 0 1 .4 .7 .56 .3 .5 0; l ochre .05 -.54 .3 .54 .3; l ochre .05 -.46 .58 .46 .58; o black 0 .14 .1",
    "scarecrow": "l brown .1 0 0 0 1.4; l brown .09 -.7 1.1 .7 1.1; p grey-blue -.3 .5 -.4 1.2 .4 1.2 .3 .5; l grey-blue .2 -.3 1.1 -.66 1.06; l grey-blue .2 .3 1.1 .66 1.06; o tan 0 1.46 .22; p brown -.4 1.58 .4 1.58 .2 1.66 .14 1.9 -.14 1.9 -.2 1.66",
    "snowman": "o white 0 .4 .46; o white 0 1 .32; o white 0 1.44 .22; p rust .02 1.46 .36 1.4 .02 1.38; o black -.08 1.52 .03; o black .1 1.52 .03; b black -.24 1.6 .48 .08; b black -.16 1.66 .32 .24; l brick-red .1 -.2 1.24 .2 1.24",
    "sledge": "l brown .09 -.8 .04 .7 .04 .94 .3; b brown+ -.7 .3 1.4 .1; l brown .07 -.5 .04 -.5 .3; l brown .07 .4 .04 .4 .3",
    "ship": "c brown -1.3 .5 -1.1 .1 -.8 0 .9 0 1.2 .2 1.4 .6; l brown! .08 -.3 .4 -.3 2.2; l brown! .08 .6 .4 .6 1.9; c cream -.26 .7 .1 1.4 -.26 2.1; c cream .64 .7 .94 1.2 .64 1.8; c cream -.36 .7 -1 1 -.36 2",
    "raft": "c brown -1 0 -1 .18 1 .18 1 0; l brown! .05 -.6 0 -.6 .18; l brown! .05 0 0 0 .18; l brown! .05 .6 0 .6 .18; l brown .07 .1 .18 .1 1.2; p cream .14 1.1 .14 .4 .7 .4",
    "lorry": "b tan -1.24 .34 1.74 1.04; l brown .03 -.66 .34 -.66 1.38; l brown .03 -.08 .34 -.08 1.38; p brick-red .54 .24 1.18 .24 1.18 .66 1 1.12 .54 1.12; p pale-blue .66 .68 1.1 .68 .94 1.02 .66 1.02; b dark-grey -1.26 .2 2.46 .15; o black -.84 .15 .2; o black -.4 .15 .2; o black .84 .15 .2; o grey -.84 .15 .09; o grey -.4 .15 .09; o grey .84 .15 .09; o mustard 1.15 .42 .06","train": "b black -1 .3 1.3 .5; b brick-red .3 .3 .7 .9; b pale-blue .44 .76 .4 .3; b black -.9 .8 .2 .4; o dark-grey -.7 .22 .22; o dark-grey -.2 .22 .22; o dark-grey .6 .22 .26; o grey -.86 1.36 .16; o grey -.7 1.6 .22",
    "bicycle": "o dark-grey -.6 .36 .36; o white -.6 .36 .29; o dark-grey .6 .36 .36; o white .6 .36 .29; l brick-red .07 -.6 .36 -.2 .86 .4 .86 0 .36 -.6 .36; l brick-red .07 .4 .86 .6 .36; l brick-red .06 .4 .86 .36 1.06; b black -.34 .9 .3 .08",
    "car": "c brick-red -1 .24 -.96 .54 -.5 .6 -.3 .96 .4 .96 .66 .6 1 .52 1.04 .24; c pale-blue -.4 .62 -.24 .88 .02 .88 .02 .62; c pale-blue .1 .62 .1 .88 .34 .88 .52 .62; o black -.56 .22 .22; o grey -.56 .22 .1; o black .58 .22 .22; o grey .58 .22 .1",
    "airship": "c grey-blue -1.2 1.4 -.8 1.8 0 1.9 .8 1.76 1.2 1.4 .8 1.1 0 1 -.8 1.06; p brick-red -1.1 1.4 -1.5 1.8 -1.4 1.4 -1.5 1; b brown -.3 .7 .6 .24; l brown .03 -.26 .9 -.4 1.1; l brown .03 .26 .9 .4 1.1",
    # story
    "sword": "l silver .1 0 .4 0 1.6; l gold .09 -.24 .4 .24 .4; l brown .1 0 .1 0 .4; o gold 0 .06 .08",
    "shield": "c navy -.46 .9 -.44 .4 0 0 .44 .4 .46 .9 0 1; p mustard -.1 .9 .1 .9 .1 .1 -.1 .1; b mustard -.44 .56 .88 .14",
    "bow": "c brown! -.1 0 .34 .6 -.1 1.2 .22 .6; l cream .025 -.1 .02 -.1 1.18; l tan .04 -.4 .6 .5 .6; p silver .5 .54 .66 .6 .5 .66",
    "staff": "l brown .1 0 0 0 1.8; l brown .09 0 1.8 .2 1.9 .16 1.66",
    "potion": "c plum -.3 0 -.36 .3 -.1 .56 .1 .56 .36 .3 .3 0; b pale-blue -.09 .5 .18 .3; b brown -.1 .78 .2 .12; o white -.1 .2 .05; o white .08 .32 .04",
    "crystal": "p pale-blue -.3 .3 -.1 1.1 .16 .9 .34 .3 0 0; p white -.1 1.1 0 .3 .16 .9; g pale-blue 0 .5 1",
    "treasure": "c gold -.7 0 -.4 .4 0 .56 .4 .4 .7 0; o gold+ -.3 .3 .1; o gold! .1 .4 .1; o gold+ .3 .2 .1; o brick-red 0 .2 .09; o navy -.4 .12 .08",
    "coin": "o gold 0 .3 .3; o gold! 0 .3 .22; o gold+ 0 .3 .16",
    "skull": "c cream -.36 .3 -.4 .7 0 1 .4 .7 .36 .3 .16 .24 .16 0 -.16 0 -.16 .24; o black -.16 .56 .11; o black .16 .56 .11; p black -.05 .36 0 .46 .05 .36",
    "throne": "b gold -.6 0 1.2 .2; b gold -.6 .2 .16 .6; b gold .44 .2 .16 .6; b brick-red -.44 .2 .88 .36; p gold -.5 .5 -.5 1.7 0 2.1 .5 1.7 .5 .5; p brick-red -.36 .56 -.36 1.6 0 1.86 .36 1.6 .36 .56",
    "cauldron": "g moss-green 0 .8 1; c black -.6 .8 -.66 .36 -.36 .06 .36 .06 .66 .36 .6 .8; o moss-green+ 0 .8 .56 .12; o moss-green+ -.2 .96 .08; o moss-green+ .14 1.06 .06; l black .1 -.4 .1 -.46 0; l black .1 .4 .1 .46 0",
    "rocket": "c white -.3 .3 -.32 1 0 1.8 .32 1 .3 .3; p brick-red -.3 .7 -.6 .2 -.28 .34; p brick-red .3 .7 .6 .2 .28 .34; o navy 0 1.1 .14; o pale-blue 0 1.1 .09; c mustard -.16 .3 0 -.1 .16 .3",
    "robot": "b silver -.4 .3 .8 .7; b silver+ -.28 1.04 .56 .44; o navy -.12 1.28 .07; o navy .12 1.28 .07; l silver .09 -.4 .9 -.6 .5; l silver .09 .4 .9 .6 .5; b dark-grey -.3 0 .2 .3; b dark-grey .1 0 .2 .3; l dark-grey .04 0 1.48 0 1.66; o brick-red 0 1.7 .06; o mustard 0 .66 .12",
    "radio": "b brown -.6 0 1.2 .8; o tan -.26 .4 .26; o brown! -.26 .4 .16; b cream .1 .5 .4 .18; o gold .2 .24 .08; o gold .42 .24 .08; l dark-grey .03 .4 .8 .7 1.3",
    "camera": "b black -.5 0 1 .6; b dark-grey -.2 .58 .4 .14; o dark-grey 0 .3 .24; o grey-blue 0 .3 .15; o white -.05 .36 .04; o mustard .38 .5 .06",
    "telephone": "c black -.62 0 -.5 .36 -.3 .62 .3 .62 .5 .36 .62 0; o cream 0 .3 .24; o black 0 .3 .09; o black! -.14 .38 .035; o black! -.04 .47 .035; o black! .1 .44 .035; o black! .16 .3 .035; o black! .08 .17 .035; o black! -.08 .16 .035; l black .13 -.6 .8 -.3 .9 .3 .9 .6 .8; o black -.6 .76 .15 .12; o black .6 .76 .15 .12; l black .05 -.24 .6 -.24 .84; l black .05 .24 .6 .24 .84",
    "phone": "b black -.2 0 .4 .8; b pale-blue -.16 .1 .32 .6",
    "computer": "b dark-grey -.6 .3 1.2 .8; b pale-blue -.52 .38 1.04 .64; b dark-grey -.1 .1 .2 .2; b dark-grey -.34 0 .68 .1",
    "newspaper": "p cream -.5 0 .46 .06 .5 .8 -.46 .74; l dark-grey .07 -.36 .62 .36 .66; l grey .035 -.38 .46 0 .48; l grey .035 -.38 .36 0 .38; l grey .035 -.38 .26 0 .28; b grey .1 .2 .3 .3",
}
BIG_THINGS = ["lorry", "lightning", "factory", "wires", "stairs", "wall", "aeroplane", "engine", "bed", "sofa", "bench", "cupboard", "shelf", "stove", "fireplace", "loom", "easel", "piano", "tent", "well", "windmill", "statue", "tree", "hay", "scarecrow", "snowman", "ship", "raft", "train", "bicycle", "car", "airship", "bridge", "throne", "cauldron", "rocket", "robot", "curtain"]


FLAMES = ("campfire", "fire", "torch", "stove", "fireplace", "cauldron", "candles", "candlestick")
"""Things whose light trembles."""


def draw_thing(pen: Pen, kind: str, x: float, y: float, s: float) -> None:
    """Draw a thing of `THINGS` with its foot at (x, y), as large as `s` in page units."""
    for letter, colour, n in statements(kind):
        points: list[Point] = [(x + n[i] * s, y - n[i + 1] * s) for i in range(0, len(n) - 1, 2)]
        if letter == "o":
            pen.disc(x + n[0] * s, y - n[1] * s, n[2] * s, (n[3] if len(n) > 3 else n[2]) * s, colour, lift=0.4, spot=True)
        elif letter == "b":
            pen.box(x + n[0] * s, y - (n[1] + n[3]) * s, n[2] * s, n[3] * s, colour, lift=0.4, spot=True)
        elif letter == "l":
            line = [(x + n[i] * s, y - n[i + 1] * s) for i in range(1, len(n) - 1, 2)]
            pen.line(line, n[0] * s, colour)
        elif letter == "g":
            pen.glow_at(x + n[0] * s, y - n[1] * s, n[2] * s, colour, 0.6, flame=kind in FLAMES)
        else:
            pen.shape(points, colour, smooth=letter == "c", lift=0.4, spot=True)


@lru_cache(maxsize=256)
def statements(kind: str) -> Sequence[tuple[str, RGB, list[float]]]:
    """The parsed statements of a thing; ValueError says what of it is not in the grammar."""
    out = []
    for text in THINGS[kind].split(";"):
        letter, name, *numbers = text.split()
        if letter not in "opcblg":
            raise ValueError(f"{kind}: no statement begins with “{letter}”")
        base = NAMED[name.rstrip("+!").replace("-", " ")]
        colour = lighter(base, 0.3) if name.endswith("+") else darker(base, 0.28) if name.endswith("!") else base
        values = [float(v) for v in numbers]
        wanted = {"o": (3, 4), "b": (4, 4), "g": (3, 3), "l": (5, 99), "p": (6, 99), "c": (6, 99)}[letter]
        if not wanted[0] <= len(values) <= wanted[1]:
            raise ValueError(f"{kind}: “{text.strip()}” has {len(values)} numbers")
        out.append((letter, colour, values))
    return out

"""How fast graded films with effects are made, beside the bare encoder on the very same frames, taken in turn so that
noise cancels. Aim: captions in which the word said is marked, a grade and an effect, 0.80. Run: python -m bench.effects
[SHORT SIDE]
"""

import sys

from bench.joins import FRAMES, TURNS, pictures, plan, report

from cutreel.core.captions import READY
from cutreel.core.effects import EFFECT_KINDS, GRADES, Effect, Finish


def main(short: int = 1080) -> None:
    wide, named = pictures(short)
    print(f"{wide}x{short}, {FRAMES} frames, the median of {TURNS} turns")
    graded = GRADES["lamplight"]
    report("as painted", plan(wide, short, None), named)
    report("graded", plan(wide, short, None, finish=Finish(grade=graded)), named)
    vignette = (Effect(kind="vignette"),)
    whole = Finish(grade=graded, effects=vignette)
    report("marked, graded, vignette", plan(wide, short, None, READY["marker"], whole), named)
    for kind in EFFECT_KINDS:
        one = Finish(effects=(Effect(kind=kind),))
        report(kind, plan(wide, short, None, finish=one), named)


if __name__ == "__main__":
    main(*map(int, sys.argv[1:]))

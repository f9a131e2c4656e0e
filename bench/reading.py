"""How much of labelled stories is read rightly, with the parse and by the simpler rules alone.

.venv/bin/python -m bench.reading [--wrong] [--now] [STORY ...]
"""

import sys

from scorch.scores import b_cubed, ceaf_e, ceaf_m, muc
from tests.labelled import (
    Score,
    all_stories,
    clusters,
    mentions,
    parses_of,
    read_by_sentence,
    score_seen,
    scores,
    wanted,
)
from tests.told_now import told_now

MEASURES = {"MUC": muc, "B-cubed": b_cubed, "CEAF by mention": ceaf_m, "CEAF by entity": ceaf_e}
"""Measures of coreference as in Pradhan et al. (2014), by the package scorch. A mention is told by where it ends."""


def main(names: list[str], show: bool, unseen: bool, now: bool) -> None:
    sums: dict[tuple[str, str], Score] = {}
    told_all, read_all = [], []
    stories = [s for s in all_stories(unseen) if not names or s.name in names]
    for story in map(told_now, stories) if now else stories:
        for how, parses in (("rules", None), ("parse", parses_of(story.text))):
            film = read_by_sentence(story, parses)
            for sort, score in scores(story, film).items():
                total = sums.setdefault((how, sort), Score())
                total.right += score.right
                total.wrong += score.wrong
                total.missing += score.missing
            if how == "parse":
                told, read = mentions(story, film)
                told_all += [{(story.name, m) for m in c} for c in clusters(told)]
                read_all += [{(story.name, m) for m in c} for c in clusters(read)]
                if show:
                    told_wrong(story, film)
    for (how, sort), score in sums.items():
        print(
            f"{how:6} {sort:8} precision {score.precision:.2f} recall {score.recall:.2f} F1 {score.f1:.2f}"
            f"  ({score.right} right, {score.wrong} wrong, {score.missing} missing)"
        )
    if told_all:
        for name, measure in MEASURES.items():
            recall, precision, f1 = measure(told_all, read_all)
            print(f"parse  {name:16} precision {precision:.2f} recall {recall:.2f} F1 {f1:.2f}")
    facts = sum(s.right + s.missing for (how, _), s in sums.items() if how == "parse")
    print(f"{facts} facts")


def told_wrong(story, film) -> None:
    told_, read_ = mentions(story, film)
    for at in sorted(told_.keys() | read_.keys()):
        if told_.get(at) != read_.get(at):
            near = " ".join(story.text[max(0, at - 50) : at].split())
            print(f"  …{near}| told {set(told_.get(at, ()))} read {set(read_.get(at, ()))}")
    names = {p.id: p.name for p in film.document.cast}
    for person in film.document.cast:
        read_of = [(t.text, t.said[:30]) for t in person.traits]
        print(f"  # {person.name}: {read_of}")
    print(f"== {story.name}: {[(p.name, p.aliases, p.pronoun) for p in film.document.cast]}")
    for told, shot in zip(story.sentences, film.shots, strict=True):
        who = {names[p] for p in shot.facts.there}
        calls = [
            set(story.cast[k]) | ({"the teller"} if k == "teller" else set()) for k in told.who
        ]
        known = {p.name: {p.name, *p.aliases} for p in film.document.cast}
        good = len(who) == len(calls) and all(any(known[w] & c for w in who) for c in calls)
        says = {
            k: v
            for k, v in told.says.items()
            if k not in ("see", "unseen") and not all(wanted(told, k, shot.facts))
        }
        seen = Score()
        score_seen(told, shot.prompt.text, seen)
        if seen.missing or seen.wrong:
            says |= {k: told.says[k] for k in ("see", "unseen") if k in told.says}
        if not good or says:
            f = shot.facts
            print(f"  {shot.text}\n     read {sorted(who)} {f.place!r} {f.time} {f.weather};")
            print(f"     told {sorted(told.who)} {says}")
        print(f"       > {shot.facts.idea} ({shot.facts.framing}): {shot.facts.action}")


if __name__ == "__main__":
    main(
        [a for a in sys.argv[1:] if not a.startswith("-")],
        "--wrong" in sys.argv,
        "--unseen" in sys.argv,
        "--now" in sys.argv,
    )

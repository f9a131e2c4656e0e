"""What figures can do: the actions by name, and the verbs that ask for them."""

from .beasts import BEASTS
from .feeling import FEELING
from .going import GOING
from .hands import HANDS
from .model import Action, Key
from .told import FORMS, MOST_LETTERS, stems_of

ACTIONS: dict[str, Action] = {a.name: a for a in (*FEELING, *GOING, *HANDS, *BEASTS)}
"""All actions by name."""
STILL = ACTIONS["stand and breathe"]
_VERBS: dict[tuple[str, str], str] = {}
for _action in reversed(list(ACTIONS.values())):
    for _kind in ("person", "animal") if _action.of == "both" else (_action.of,):
        for _verb in _action.verbs.split():
            _VERBS[_kind, _verb] = _action.name


def action_for(verb: str, kind: str = "person") -> Action | None:
    """The action that a verb (its lemma) asks for; None where it asks for none."""
    name = _VERBS.get(("animal" if kind == "animal" else "person", verb.lower()))
    return ACTIONS[name] if name else None


def actions_told(words: str, kind: str = "person") -> list[Action]:
    """The actions that some words mean, in their order, each once: those that are called so, and those that a verb
    among them asks for."""
    found: list[Action] = []
    forms = FORMS.findall(words.lower()[:MOST_LETTERS])
    stems = [stems_of(form) for form in forms]
    at = 0
    while at < len(forms):
        action, length = _called(stems, at, kind)
        if action is None:
            action = next((a for s in stems[at] if (a := action_for(s, kind))), None)
        if action is not None and action not in found and action is not STILL:
            found.append(action)
        at += length
    return found


def _called(stems: list[list[str]], at: int, kind: str) -> tuple[Action | None, int]:
    """The action whose name begins at a word, and how many words that is; "his head" is "the head"."""
    best: tuple[Action | None, int] = (None, 1)
    for action in ACTIONS.values():
        name = action.name.split()
        if len(name) < 2 or len(name) < best[1] or action.of not in (kind, "both"):
            continue
        here = stems[at : at + len(name)]
        if len(here) == len(name) and all(
            n in s or (n == "the" and s[0] in _WHOSE) for n, s in zip(name, here, strict=True)
        ):
            best = (action, len(name))
    return best


_WHOSE = frozenset(("the", "his", "her", "its", "their", "my"))

__all__ = ["ACTIONS", "FEELING", "STILL", "Action", "Key", "action_for", "actions_told"]

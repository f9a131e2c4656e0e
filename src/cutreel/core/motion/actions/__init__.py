"""What figures can do: the actions by name, and the verbs that ask for them."""

from .beasts import BEASTS
from .feeling import FEELING
from .going import GOING
from .hands import HANDS
from .model import Action, Key

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


__all__ = ["ACTIONS", "FEELING", "STILL", "Action", "Key", "action_for"]

"""What a change made of a document: only what it touched is looked at, and what stayed stays the very same object.

Differences are JSON Patch (RFC 6902), both ways; lists of shots, people and the like are compared entry by entry.
"""

from collections.abc import Collection, Mapping
from dataclasses import dataclass
from functools import cache
from typing import Any, cast

import jsonpatch
from pydantic import BaseModel, TypeAdapter

from .document import FilmDocument

Patch = list[dict[str, Any]]


@dataclass(frozen=True)
class Settled:
    """A changed document, as a model and as JSON, and the patches that lead there and back."""

    document: FilmDocument
    raw: dict[str, Any]
    forward: Patch
    inverse: Patch


def opened(film: FilmDocument, touched: Collection[str]) -> FilmDocument:
    """A copy of `film` whose `touched` fields may be changed in place; the others are shared with it, and so is each
    shot until a copy of it takes its place (`shot_numbered`, `own_copy`): a film has a thousand of them."""
    return film.model_copy(
        update={
            name: list(film.shots) if name == "shots" else _copied(getattr(film, name))
            for name in touched
        }
    )


def turned_by(before: FilmDocument, raw: Mapping[str, Any], patch: Patch) -> Settled:
    """`before` with a patch applied, as undo and redo do; what the patch does not name stays the same objects."""
    fresh = jsonpatch.apply_patch({n: raw[n] for n in _named(patch)}, patch)
    values = {}
    for name, value in fresh.items():
        new = _adapter(name).validate_python(value)
        old = getattr(before, name)
        if isinstance(old, list):
            by_place = {getattr(o, "id", i): o for i, o in enumerate(old)}
            new = [
                known if (known := by_place.get(getattr(n, "id", i))) == n else n
                for i, n in enumerate(new)
            ]
        values[name] = new
    return Settled(before.model_copy(update=values), {**raw, **fresh}, patch, [])


def _named(patch: Patch) -> set[str]:
    return {step["path"].split("/")[1] for step in patch}


def _copied(value: Any) -> Any:
    if isinstance(value, list):
        return [_copied(entry) for entry in value]
    return value.model_copy(deep=True) if isinstance(value, BaseModel) else value


def settled(
    before: FilmDocument, raw: Mapping[str, Any], changed: FilmDocument, touched: Collection[str]
) -> Settled:
    """What `changed`, a copy of `before` opened for `touched`, comes to. `raw` is `before` as JSON. Raises
    ValidationError for values that a film may not have."""
    values: dict[str, Any] = {}
    fresh = dict(raw)
    forward: Patch = []
    inverse: Patch = []
    for name in touched:
        old, new = getattr(before, name), getattr(changed, name)
        if isinstance(old, list):
            field = _list_field(name, old, new, fresh)
        else:
            field = _plain_field(name, old, new, fresh)
        if field is not None:
            values[name], ways = field
            forward += ways[0]
            inverse = [*ways[1], *inverse]
    return Settled(before.model_copy(update=values), fresh, forward, inverse)


_Ways = tuple[Patch, Patch]


def _plain_field(name: str, old: Any, new: Any, fresh: dict[str, Any]) -> tuple[Any, _Ways] | None:
    if old == new:
        return None
    value = _validated(name, new)
    before, fresh[name] = fresh[name], _dumped(name, value)
    return value, (
        [{"op": "replace", "path": f"/{name}", "value": fresh[name]}],
        [{"op": "replace", "path": f"/{name}", "value": before}],
    )


def _list_field(
    name: str, old: list[Any], new: list[Any], fresh: dict[str, Any]
) -> tuple[list[Any], _Ways] | None:
    first = 0
    least = min(len(old), len(new))
    while first < least and (old[first] is new[first] or old[first] == new[first]):
        first += 1
    if first == len(old) == len(new):
        return None
    end = 0
    while end < least - first and (
        old[-1 - end] is new[-1 - end] or old[-1 - end] == new[-1 - end]
    ):
        end += 1
    stop, until = len(old) - end, len(new) - end
    middle = _validated(name, new[first:until])
    # An entry that is as it was stays the object it was: whoever remembers it knows it again.
    known = old[first:stop] if until - first == stop - first else ()
    middle = [k if k == m else m for k, m in zip(known, middle, strict=True)] if known else middle
    dumped = _dumped(name, middle)
    was = fresh[name][first:stop]
    fresh[name] = [*fresh[name][:first], *dumped, *fresh[name][stop:]]
    value = [*old[:first], *middle, *old[stop:]]
    return value, (_steps(name, first, was, dumped), _steps(name, first, dumped, was))


def _steps(name: str, first: int, before: list[Any], after: list[Any]) -> Patch:
    """A patch that makes entries `first` … of a list from `before` to `after`."""
    both = min(len(before), len(after))
    out: Patch = [
        {"op": "replace", "path": f"/{name}/{first + i}", "value": after[i]}
        for i in range(both)
        if before[i] != after[i]
    ]
    out += [{"op": "remove", "path": f"/{name}/{first + both}"} for _ in before[both:]]
    out += [
        {"op": "add", "path": f"/{name}/{first + both + i}", "value": value}
        for i, value in enumerate(after[both:])
    ]
    return out


@cache
def _adapter(name: str) -> TypeAdapter[Any]:
    return TypeAdapter(cast(Any, FilmDocument.model_fields[name].annotation))


def _validated(name: str, value: Any) -> Any:
    adapter = _adapter(name)
    return adapter.validate_python(adapter.dump_python(value))


def completed(raw: Mapping[str, Any]) -> dict[str, Any]:
    """A document as JSON with all fields that a film has: one that was kept before a field was known has none of it,
    and changes name it from then on."""
    fields = FilmDocument.model_fields
    missing = {n: f for n, f in fields.items() if n not in raw and not f.is_required()}
    return {
        **raw,
        **{n: _dumped(n, f.get_default(call_default_factory=True)) for n, f in missing.items()},
    }


def _dumped(name: str, value: Any) -> Any:
    return _adapter(name).dump_python(value, mode="json")

"""An HTTP interface described in TOML: what is sent, how to wait, where the result is, what errors mean.

    [offer]
    kind = "picture"
    price = 0.03
    per = "picture"
    [send]
    address = "https://pictures.test/v1/draw"
    headers = { Authorization = "Bearer {key}" }
    json = { text = "{prompt}", seed = "{seed}", size = "{width}x{height}" }
    [wait]                       # left out where the answer is the result
    address = "https://pictures.test/v1/jobs/{job}"
    job = "$.id"
    state = "$.status"
    done = ["finished"]
    failed = ["failed"]
    [result]
    at = "$.images[0]"
    as = "base64"                # or "address", "body"
    [[errors]]
    status = 429
    means = "out-of-quota"

Paths are JSONPath (RFC 9535).
"""

import re
import tomllib
from typing import Annotated, Any, Literal

import jsonpath
from jsonpath import JSONPathError
from pydantic import Field, ValidationError, model_validator

from cutreel.core.errors import BadInput

from .places import check_places
from .plugged import Said, Strict

At = Annotated[str, Field(max_length=300)]
"""A JSONPath."""
Means = Literal["over-cap", "out-of-quota", "refused-content", "bad-request", "try-again"]
SECRET = frozenset(("key",))
"""The place for the key of the service, beside those of a job."""
JOB = frozenset(("job", "key"))
STATED = frozenset(("since",))
CALLED = frozenset(("callback",))
"""The place for the address that a service calls when it is done."""


class Send(Strict):
    """What is sent for a job: JSON, or fields of a form."""

    address: str = Field(max_length=2000)
    method: Literal["POST", "PUT", "GET"] = "POST"
    headers: dict[str, str] = Field(default_factory=dict, max_length=20)
    json_: dict[str, Any] | None = Field(None, alias="json")
    form: dict[str, str] | None = None


class Waiting(Strict):
    """How to wait, for `seconds` at most: an `address` that is asked again `every` so many seconds, or with `callback`
    for what is sent to the place `{callback}` of the order; until its state is one of `done`. A service that cannot
    reach this studio where it listens is given what it can `reach` instead. Where a call back is awaited and nothing
    stands in `done`, the first call ends it."""

    address: str = Field("", max_length=2000)
    callback: bool = False
    reach: str = Field("", max_length=400)
    job: At = "$.id"
    state: At = "$.status"
    done: list[str] = Field([], max_length=20)
    failed: list[str] = Field([], max_length=20)
    progress: At = ""
    every: float = Field(1.0, ge=0.05, le=60)
    seconds: float = Field(600.0, ge=1, le=7200)
    cancel: str = Field("", max_length=2000)
    """An address that is sent DELETE when a job is given up."""

    @model_validator(mode="after")
    def _one_way(self) -> "Waiting":
        if self.callback == bool(self.address):
            raise ValueError("wait has an address that is asked, or callback = true")
        if self.callback and self.cancel:
            raise ValueError("cancel names a job that was asked for at an address")
        if self.address and not self.done:
            raise ValueError("done says which states end it")
        return self


class Found(Strict):
    """Where the result is: the body itself, base64 in it, or an address in it."""

    at: At = ""
    as_: Literal["body", "base64", "address"] = Field("body", alias="as")
    send_headers: bool = False
    """Whether a result's address is sent the same headers; the key goes nowhere else otherwise."""

    @model_validator(mode="after")
    def _somewhere(self) -> "Found":
        if self.as_ != "body" and not self.at:
            raise ValueError("at says where in the answer the result is")
        return self


class Erring(Strict):
    """What an answer means that is none: by its status, by what stands at a place of it, or both."""

    status: int | None = Field(None, ge=300, le=599)
    at: At = ""
    contains: str = Field("", max_length=200)
    means: Means


class Left(Strict):
    """Where an answer tells how many pieces are left, and when they renew (seconds, or a moment in ISO 8601): a
    JSONPath, or the name of a header."""

    left: str = Field("", max_length=200)
    renews: str = Field("", max_length=200)


class Stated(Strict):
    """Where the service says what it was paid since a day (the place `{since}`): a list, and in each of its entries the
    key of the job, its cost, and when it was."""

    address: str = Field(max_length=2000)
    lines: At = "$.items"
    key: At = "$.idempotency_key"
    cost: At = "$.cost"
    at: At = "$.at"


class Interface(Strict):
    """A described interface."""

    offer: Said
    send: Send
    wait: Waiting | None = None
    result: Found = Field(default_factory=lambda: Found.model_validate({}))
    errors: list[Erring] = Field([], max_length=40)
    message: At = ""
    """Where an error says in words what is wrong."""
    cost: At = ""
    """Where an answer tells what it cost."""
    quota: Left | None = None
    statement: Stated | None = None

    @model_validator(mode="after")
    def _whole(self) -> "Interface":
        if self.send.json_ is not None and self.send.form is not None:
            raise ValueError("send has json or form, not both")
        return self


def read_interface(text: str) -> Interface:
    """A description as it is meant. Raises BadInput that names the line which is wrong."""
    try:
        told = tomllib.loads(text)
    except tomllib.TOMLDecodeError as error:
        raise BadInput(f"The description is not TOML: {error}.", "Correct that line.") from error
    try:
        interface = Interface.model_validate(told)
    except ValidationError as error:
        first = error.errors(include_url=False)[0]
        where = [str(part) for part in first["loc"]]
        line = line_of(text, where)
        raise BadInput(
            f"Line {line}: {'.'.join(where) or 'the description'}: {first['msg']}.",
            "Correct it; docs/services.md lists what there is.",
        ) from error
    _check_places(interface, text)
    _check_paths(interface, text)
    return interface


def line_of(text: str, where: list[str]) -> int:
    """The line at which a value is written, from 1: of its key in its table, else of the table, else the first."""
    table, found, best = "", 0, 1
    wanted = [w for w in where if not w.isdigit()]
    nth = next((int(w) for w in where if w.isdigit()), 0)
    seen: dict[str, int] = {}
    ours = True
    for number, line in enumerate(text.splitlines(), 1):
        head = re.match(r"\s*(\[\[?)\s*([\w.-]+)\s*\]", line)
        if head:
            table = head[2]
            seen[table] = seen.get(table, -1) + 1
            ours = head[1] == "[" or seen[table] == nth
            if ours and wanted[:1] == [table]:
                best = number
            continue
        key = re.match(r"\s*([\w-]+)\s*=", line)
        path = [*([table] if table else []), key[1]] if key else []
        if ours and path == wanted[: len(path)] and len(path) > found:
            found, best = len(path), number
    return best


def _check_places(interface: Interface, text: str) -> None:
    """Raises BadInput for places that nothing fills."""
    sent, wait = interface.send, interface.wait
    places = SECRET | CALLED if wait and wait.callback else SECRET
    groups: list[tuple[list[str], Any, frozenset[str]]] = [
        (["send", "address"], sent.address, places),
        (["send", "headers"], sent.headers, SECRET),
        (["send", "json"], sent.json_, places),
        (["send", "form"], sent.form, places),
    ]
    if interface.wait:
        groups.append((["wait", "address"], interface.wait.address, JOB))
        groups.append((["wait", "cancel"], interface.wait.cancel, JOB))
    if interface.statement:
        groups.append((["statement", "address"], interface.statement.address, SECRET | STATED))
    told = [*texts_in(sent.address), *texts_in(sent.json_), *texts_in(sent.form)]
    if wait and wait.callback and not any("{callback}" in t for t in told):
        raise BadInput(
            f"Line {line_of(text, ['wait', 'callback'])}: nothing sent has the place “{{callback}}”.",
            "Put it where the service is told which address to call.",
        )
    for where, tree, more in groups:
        for word in texts_in(tree):
            try:
                check_places(word, more)
            except BadInput as error:
                raise BadInput(
                    f"Line {line_of(text, where)}: {error.message}", error.advice
                ) from error


def _check_paths(interface: Interface, text: str) -> None:
    """Raises BadInput for what is no JSONPath."""
    paths = [(["result", "at"], interface.result.at), (["message"], interface.message)]
    paths.append((["cost"], interface.cost))
    if interface.wait:
        w = interface.wait
        paths += [
            (["wait", n], v)
            for n, v in (("job", w.job), ("state", w.state), ("progress", w.progress))
        ]
    if interface.statement:
        s = interface.statement
        paths += [(["statement", n], getattr(s, n)) for n in ("lines", "key", "cost", "at")]
    if interface.quota:
        told = ((["quota", n], getattr(interface.quota, n)) for n in ("left", "renews"))
        paths += [(where, path) for where, path in told if path.startswith("$")]
    paths += [(["errors", str(i), "at"], e.at) for i, e in enumerate(interface.errors)]
    for where, path in paths:
        try:
            if path:
                jsonpath.compile(path)
        except JSONPathError as error:
            raise BadInput(
                f"Line {line_of(text, where)}: “{path}” is no JSONPath: {error}.",
                "Such a path reads $.images[0].data.",
            ) from error


def texts_in(tree: Any) -> list[str]:
    """All texts of a tree of values."""
    if isinstance(tree, dict):
        return [t for v in tree.values() for t in texts_in(v)]
    if isinstance(tree, list):
        return [t for v in tree for t in texts_in(v)]
    return [tree] if isinstance(tree, str) else []


def found_at(path: str, told: Any) -> Any:
    """What stands at a JSONPath; None where nothing does."""
    if not path or told is None:
        return None
    match = jsonpath.match(path, told)
    return None if match is None else match.value

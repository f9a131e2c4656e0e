"""A page's memory in Python, written apart from the front end's: it opens a film in windows, patches what it remembers
by what became of it, and puts everything in its place.

With every change it also opens the film anew and sees that what it patched is what it would have opened.
"""

import re
from collections.abc import Callable
from fractions import Fraction
from typing import Any

import httpx

SEQUENCES = ("order", "frames", "words", "lines", "captions", "cues")
WINDOW = 7  # small, so that short films have several


class Memory:
    """What was told of one film."""

    def __init__(self, opened: dict[str, Any], told: dict[str, Any], shots: list[dict[str, Any]]):
        self.state, self.head, self.text = opened["state"], opened["head"], told["text"]
        self.parts = {name: told[name] for name in ("words", "lines", "captions", "cues")}
        self.parts["order"] = [row[0] for row in opened["shots"]]
        self.parts["frames"] = [row[3] for row in opened["shots"]]
        self.shots = {s["id"]: s for s in shots}
        for number, edge, words, _, scene, bits in opened["shots"]:
            shot = self.shots[number]
            assert (edge, words, scene) == (shot["edge"], shot["words"], shot["scene"])
            drawn = shot["used"] is not None or shot["plate"] is not None
            told_bits = drawn + 2 * shot["stale"] + 4 * shot["measured"]
            assert bits == told_bits

    def patch(self, delta: dict[str, Any]) -> None:
        assert delta["since"] == self.state and not delta["reopen"]
        self.state = delta["state"]
        self.head = {**self.head, **delta["head"]}
        self.shots |= {s["id"]: s for s in delta["shots"]}
        if piece := delta["text"]:
            at, end = piece["at"], piece["at"] + piece["remove"]
            self.text = self.text[:at] + piece["insert"] + self.text[end:]
        for name in SEQUENCES:
            pieces = delta[name] if isinstance(delta[name], list) else [delta[name]]
            for piece in filter(None, reversed(pieces)):
                at, end = piece["at"], piece["at"] + piece["remove"]
                whole = self.parts[name]
                self.parts[name] = [*whole[:at], *piece["insert"], *whole[end:]]
        self.shots = {n: self.shots[n] for n in self.parts["order"]}

    def film(self) -> dict[str, Any]:
        """The film with every word, shot and sound in its place."""
        shots = self._shots()
        return {
            **self.head,
            "text": self.text,
            "words": self._words(),
            "lines": self._lines(),
            "captions": self._captions(),
            "shots": shots,
            "cues": self._cues({s["id"]: s for s in shots}),
        }

    def _words(self) -> list[tuple[int, int, int, int]]:
        out, end, line = [], 0, 0
        for gap, length, number, more in self.parts["words"]:
            start, line = end + gap, line + more
            end = start + length
            out.append((start, end, number, line))
        return out

    def _shots(self) -> list[dict[str, Any]]:
        out, word, frame = [], 0, 0
        for number, frames in zip(self.parts["order"], self.parts["frames"], strict=True):
            shot = self.shots[number]
            place = {"first": word, "end": word + shot["words"], "start": frame}
            word, frame = place["end"], frame + frames
            out.append({**shot, **place, "stop": frame, "cap": self.head["prompt_cap"]})
        return out

    def _lines(self) -> list[dict[str, Any]]:
        out, word, at = [], 0, 0.0
        for line in self.parts["lines"]:
            at += line["after"]
            out.append({**line, "first": word, "end": word + line["words"], "start": at})
            word += line["words"]
        return out

    def _captions(self) -> list[dict[str, Any]]:
        out, at = [], 0.0
        for caption in self.parts["captions"]:
            start = at + caption["after"]
            at = start + caption["seconds"]
            out.append({"start": start, "end": at, "lines": caption["lines"]})
        return out

    def _cues(self, shots: dict[int, dict[str, Any]]) -> list[dict[str, Any]]:
        out, at, rate = [], 0.0, Fraction(self.head["fps"])
        for cue in self.parts["cues"]:
            at += cue["after"] or 0.0
            own = float(shots[cue["shot"]]["start"] / rate)
            start = own if cue["after"] is None else at
            until = float(shots[cue["last"]]["stop"] / rate)
            end = until if cue["seconds"] is None else start + cue["seconds"]
            out.append({**cue, "start": start, "end": end})
        return out


class Answer:
    """An answer of the server with the whole film in place of what it said of it."""

    def __init__(self, response: httpx.Response, data: Any) -> None:
        self._response, self._data = response, data

    def json(self) -> Any:
        return self._data

    def __getattr__(self, name: str) -> Any:
        return getattr(self._response, name)


class Page:
    """A client that remembers films as a page does. Whatever answers with a film, or with what became of one, is
    answered with the film as the page has it then."""

    def __init__(self, client: httpx.Client) -> None:
        self._client = client
        self._known: dict[str, Memory] = {}

    def __getattr__(self, name: str) -> Any:
        return getattr(self._client, name)

    def get(self, url: str, **more: Any) -> Any:
        response = self._client.get(url, **more)
        found = re.fullmatch(r"/api/films/(\w+)", url)
        if not found or response.status_code != 200:
            return response
        return Answer(response, self.open(found[1], response.json()).film())

    def post(self, url: str, **more: Any) -> Any:
        return self._sent(self._client.post, url, more)

    def put(self, url: str, **more: Any) -> Any:
        return self._sent(self._client.put, url, more)

    def open(self, film: str, opened: dict[str, Any] | None = None) -> Memory:
        """Open a film in windows."""
        opened = opened or self._client.get(f"/api/films/{film}").json()
        state = {"state": opened["state"]}
        told = self._client.get(f"/api/films/{film}/manuscript", params=state).json()
        shots: list[dict[str, Any]] = []
        while len(shots) < len(opened["shots"]):
            window = {**state, "first": len(shots), "count": WINDOW}
            shots += self._client.get(f"/api/films/{film}/shots", params=window).json()["shots"]
        self._known[film] = Memory(opened, told, shots)
        return self._known[film]

    def _sent(self, send: Callable[..., httpx.Response], url: str, more: dict[str, Any]) -> Any:
        found = re.match(r"/api/films/(\w+)/", url)
        known = self._known.get(found[1]) if found else None
        if known is not None:
            more = {**more, "params": {**(more.get("params") or {}), "since": known.state}}
        response = send(url, **more)
        if response.status_code >= 300 or not response.content:
            return response
        if "json" not in response.headers.get("content-type", ""):
            return response
        data = response.json()
        if url == "/api/films":
            return Answer(response, self.open(data["id"]).film())
        if not (found and isinstance(data, dict) and {"since", "state", "reopen"} <= data.keys()):
            return response
        if known is None or data["reopen"]:
            return Answer(response, self.open(found[1]).film())
        known.patch(data)
        patched = known.film()
        assert_same(patched, self.open(found[1]).film())
        return Answer(response, patched)


def assert_same(one: Any, other: Any, where: str = "") -> None:
    """Two films are the same, but for thousandths of a second."""
    if isinstance(one, dict):
        assert one.keys() == other.keys(), where
        for name in one:
            assert_same(one[name], other[name], f"{where}.{name}")
    elif isinstance(one, list | tuple):
        assert len(one) == len(other), where
        for i, (a, b) in enumerate(zip(one, other, strict=True)):
            assert_same(a, b, f"{where}[{i}]")
    elif isinstance(one, float):
        assert abs(one - other) < 0.02, f"{where}: {one} is not {other}"
    else:
        assert one == other, f"{where}: {one!r} is not {other!r}"

"""Logs: what happened, where, and to which run, item or request; never a word of a story.

Lines for people, or one JSON object a line with `CUTREEL_LOGS=json`.
"""

import json
import logging
import os
import sys
from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from contextvars import ContextVar
from datetime import UTC, datetime
from pathlib import Path
from traceback import extract_tb
from types import MappingProxyType
from typing import TextIO

_ABOUT: ContextVar[Mapping[str, str]] = ContextVar("about", default=MappingProxyType({}))


@contextmanager
def about(**ids: object) -> Iterator[None]:
    """What is logged within is about these: a run, an item, a request."""
    before = _ABOUT.set({**_ABOUT.get(), **{k: str(v) for k, v in ids.items()}})
    try:
        yield
    finally:
        _ABOUT.reset(before)


def place_of(error: BaseException, most: int = 8) -> str:
    """Where an error came from, the innermost place first. What it says is left out: that may be words of a story."""
    frames = extract_tb(error.__traceback__)
    places = [f"{f.name} ({Path(f.filename).name}:{f.lineno})" for f in frames]
    return f"{type(error).__name__} in {' < '.join(places[::-1][:most])}"


class _Lines(logging.Formatter):
    def format(self, record: logging.LogRecord) -> str:
        ids = " ".join(f"{k} {v}" for k, v in _ABOUT.get().items())
        return f"{_at(record):%Y-%m-%d %H:%M:%S} {_said(record)}{f' [{ids}]' if ids else ''}"


class _Json(logging.Formatter):
    def format(self, record: logging.LogRecord) -> str:
        told = {"at": _at(record).isoformat(), "level": record.levelname.lower(), "by": record.name}
        return json.dumps({**told, "said": _said(record), **_ABOUT.get()}, ensure_ascii=False)


def _at(record: logging.LogRecord) -> datetime:
    return datetime.fromtimestamp(record.created, UTC)


def _said(record: logging.LogRecord) -> str:
    """What a record says; of an error that comes with it, its place."""
    error = record.exc_info[1] if record.exc_info else None
    return f"{record.getMessage()}{f': {place_of(error)}' if error else ''}"


def set_up(to: TextIO | None = None) -> None:
    """Have this process log as its environment says, to its standard error if to nothing else."""
    handler = logging.StreamHandler(to or sys.stderr)
    handler.setFormatter(_Json() if os.environ.get("CUTREEL_LOGS") == "json" else _Lines())
    root = logging.getLogger()
    root.handlers[:] = [handler]
    root.setLevel(logging.WARNING)
    # The web server has handlers of its own, which write what an error says.
    for name in ("uvicorn", "uvicorn.error"):
        logging.getLogger(name).handlers[:] = []
        logging.getLogger(name).propagate = True

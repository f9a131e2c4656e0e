"""The real interface in Debian's Chromium, over the running stack."""

import sys
from collections.abc import Callable, Iterator
from typing import Any, cast

import httpx
import pytest
from playwright.sync_api import Browser, Page, expect, sync_playwright

from cutreel.running import commands
from cutreel.running.ports import free_port
from cutreel.running.temporary import Temporary
from tests.conftest import ROOT
from tests.waiting import PATIENCE, until

# fmt: off
FLAGS = [
    "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
    "--disable-component-update", "--disable-sync", "--autoplay-policy=no-user-gesture-required",
    # A microphone that beeps, for who speaks a line themselves.
    "--use-fake-device-for-media-stream", "--use-fake-ui-for-media-stream",
]
# fmt: on


expect.set_options(timeout=PATIENCE * 30_000)


@pytest.fixture(scope="session")
def address(stack: Temporary) -> str:
    """Where the web server answers."""
    port = free_port()
    stack.environment["CUTREEL_WEB"] = str(ROOT / "web/dist")
    stack.environment["CUTREEL_DOOR"] = f"http://127.0.0.1:{free_port()}"  # who needs it starts it
    stack.start("web", commands.web(port))
    commands.wait_for(
        lambda: commands.answers(f"http://127.0.0.1:{port}/api/health"), 300, "The web server"
    )
    address = f"http://127.0.0.1:{port}"
    # A story is read at once, and not a moment later.
    until(lambda: httpx.get(address + "/api/health").json()["reading"] == "ready", 120)
    return address


class Chromium:
    """The browser. One that died on a busy machine is started again: the test in which it died has failed, and no other
    after it."""

    def __init__(self, launch: Callable[[], Browser]) -> None:
        self._launch, self._now = launch, launch()

    def __getattr__(self, name: str) -> Any:
        if not self._now.is_connected():
            self._now = self._launch()
        return getattr(self._now, name)


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        kind = playwright.chromium
        chromium = Chromium(lambda: kind.launch(executable_path="/usr/bin/chromium", args=FLAGS))
        yield cast(Browser, chromium)
        chromium.close()


@pytest.fixture
def page(browser: Browser, address: str) -> Iterator[Page]:
    """A page of 1280 by 800 that must not complain."""
    context = browser.new_context(
        viewport={"width": 1280, "height": 800}, base_url=address, accept_downloads=True
    )
    context.grant_permissions(["clipboard-read", "clipboard-write"])
    context.set_default_timeout(PATIENCE * 30_000)
    fresh = context.new_page()
    complaints: list[str] = []
    fresh.on("pageerror", lambda error: complaints.append(str(error)))
    fresh.on(
        "console",
        lambda message: (
            complaints.append(message.text)
            if message.type == "error" and "status of 4" not in message.text
            else None
        ),
    )
    yield fresh
    context.close()
    assert not complaints, complaints
    sys.stdout.flush()

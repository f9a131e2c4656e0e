"""The real interface in Debian's Chromium, over the running stack."""

import sys
from collections.abc import Callable, Iterator

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


@pytest.fixture(scope="session")
def running_browser() -> Iterator[Callable[[], Browser]]:
    """Gives the browser that runs. One that died on a busy machine is started again: the test in which it died has
    failed, and no other."""
    with sync_playwright() as playwright:
        running: list[Browser] = []

        def give() -> Browser:
            if not running or not running[-1].is_connected():
                launch = playwright.chromium.launch
                running.append(launch(executable_path="/usr/bin/chromium", args=FLAGS))
            return running[-1]

        yield give
        give().close()


@pytest.fixture
def browser(running_browser: Callable[[], Browser]) -> Browser:
    return running_browser()


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

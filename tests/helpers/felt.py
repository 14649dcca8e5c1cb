"""A page that is served, open in a real browser, with hands on it."""

from __future__ import annotations

import shutil
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from math import hypot
from pathlib import Path
from typing import Any
from urllib.parse import urljoin

import pytest
from playwright.sync_api import Browser, BrowserContext, Error, ViewportSize
from playwright.sync_api import Page as Tab

import mellow_thumb as mt

CHROMIUM = shutil.which("chromium")
DRAWN = ["--no-sandbox", "--use-gl=angle", "--use-angle=swiftshader", "--enable-unsafe-swiftshader"]
"""A browser without a graphics card draws in software."""


def new_tab(context: BrowserContext) -> Tab:
    """A tab; what draws it may crash before anything is on it, and then another is opened."""
    for _ in range(3):
        try:
            return context.new_page()
        except Error as error:
            crash = error
            if "Target crashed" not in str(error):
                break
    raise crash


WAIT = """many => new Promise(done => {
  const step = () => (many-- > 0 ? requestAnimationFrame(step) : done());
  step();
})"""
FEW = 20
"""Frames after which a session that has not answered is one that is not asked."""
MOST = 200
"""Frames after which what has not happened never will."""


class Felt:
    """A page that is served and open in a browser."""

    def __init__(self, page: mt.Page, tab: Tab, file: Path) -> None:
        self.page, self.tab, self.file = page, tab, file
        self.seat = page._room.seat
        self.said: list[str] = []
        tab.on("console", lambda one: self.said.append(one.text))
        tab.on("pageerror", lambda one: self.said.append(str(one)))

    def frames(self, many: int = 3, tab: Tab | None = None) -> None:
        """Wait until so many more frames were drawn, and the session has had what was done before."""
        (tab or self.tab).evaluate(WAIT, many)
        # a frame is asked for once the one before has come: of the next two, the second was asked for since
        for _ in range(0 if tab else 2):
            taped = self.seat.tape.frames
            last = taped[-1] if taped else None
            for _ in range(FEW):
                if taped and taped[-1] is not last:
                    break
                self.tab.evaluate(WAIT, 1)

    def until(self, expression: str, tab: Tab | None = None) -> None:
        """Wait until something is so on the page."""
        for _ in range(MOST):
            if (tab or self.tab).evaluate(expression):
                return
            self.frames(1, tab)
        raise AssertionError(f"never: {expression}")

    def reach(self, there: Callable[[], bool]) -> None:
        """Wait until the session is somewhere: frames are as long as the machine makes them."""
        for _ in range(MOST):
            if there():
                return
            self.frames(1)
        raise AssertionError(f"never: {self.seat.shown}")

    @property
    def walked(self) -> float:
        """How far the warden is from where he began (m)."""
        return hypot(*self.seat.shown["warden"][:3:2])

    @property
    def axes(self) -> dict[str, float]:
        """The axes of the last frame."""
        return dict(self.seat.shown["axes"])


def _first_tab(context: BrowserContext) -> Tab:
    """The tab that a browser opened by itself, which may be a moment after it answers."""
    return context.pages[0] if context.pages else context.wait_for_event("page")


@contextmanager
def felt(
    browser: Browser,
    folder: Path,
    source: Path,
    *,
    drawn: bool = False,
    patience: float = 30_000,
    first: bool = False,
    **more: Any,
) -> Iterator[Felt]:
    """A page in a browser; it draws only where that is looked at: in software a frame takes a fifth of a second.

    What the browser does not do in its `patience` (ms) raises. It is shown in a tab of its own, or in the `first`,
    which the browser opened by itself: a browser that dies as it opens one is waited for without end.
    """
    file = folder / source.name
    if not file.exists():
        file.write_bytes(source.read_bytes())
    size = ViewportSize(width=920, height=560)
    context: BrowserContext = browser.contexts[0] if first else browser.new_context(viewport=size)
    with mt.serving(file, **more) as page:
        context.set_default_timeout(patience)
        found = Felt(page, _first_tab(context) if first else new_tab(context), file)
        found.tab.set_viewport_size(size)
        try:
            found.tab.goto(page.address if drawn else f"{page.address}#undrawn")
            found.until("document.querySelector('#line').textContent !== ''")
            yield found
        finally:
            context.close()  # the server waits for the pages that are open
    assert found.said == []


def moves_as_a_replay_of_its_take(one: Felt) -> mt.Take:
    """The take that the page saves moves every axis as the hands did, up to a frame that is over."""
    tape = one.seat.tape
    last = tape.frames[-2]
    assert last.traced is not None
    saved = one.tab.context.request.get(urljoin(one.page.address, "take.csv"))
    one.file.with_suffix(".csv").write_bytes(saved.body())
    take = mt.read_take(one.file.with_suffix(".csv"))
    table = mt.replay(one.page.profile, take, frames=[last.t - tape.begun])
    axes = {name: value for name, value in last.traced["axes"].items() if name in table}
    assert axes == pytest.approx({name: table[name].iloc[-1] for name in axes}, abs=1e-9)
    return take

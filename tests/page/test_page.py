"""The page in a real browser: hands on it, numbers turned, and what becomes of the file."""

from __future__ import annotations

import difflib
import shutil
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, sync_playwright
from playwright.sync_api import Page as Tab

import mellow_thumb as mt
from mellow_thumb import marsh

CHROMIUM = shutil.which("chromium")
pytestmark = pytest.mark.skipif(CHROMIUM is None, reason="no chromium: apt-get install chromium")

DRAWN = ["--no-sandbox", "--use-gl=angle", "--use-angle=swiftshader", "--enable-unsafe-swiftshader"]
"""A browser without a graphics card draws in software."""


@pytest.fixture(scope="module")
def browser() -> Iterator[Browser]:
    with sync_playwright() as play:
        found = play.chromium.launch(executable_path=CHROMIUM, args=DRAWN)
        yield found
        found.close()


WAIT = """many => new Promise(done => {
  const step = () => (many-- > 0 ? requestAnimationFrame(step) : done());
  step();
})"""
ROOT = Path(__file__).parents[2]
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
        """Wait until so many more frames were drawn."""
        (tab or self.tab).evaluate(WAIT, many)

    def until(self, expression: str, tab: Tab | None = None) -> None:
        """Wait until something is so on the page."""
        for _ in range(MOST):
            if (tab or self.tab).evaluate(expression):
                return
            self.frames(1, tab)
        raise AssertionError(f"never: {expression}")

    @property
    def axes(self) -> dict[str, float]:
        """The axes of the last frame."""
        return dict(self.seat.shown["axes"])


@contextmanager
def felt(browser: Browser, folder: Path, source: Path, **more: Any) -> Iterator[Felt]:
    file = folder / source.name
    if not file.exists():
        file.write_bytes(source.read_bytes())
    context: BrowserContext = browser.new_context(viewport={"width": 920, "height": 560})
    with mt.serving(file, **more) as page:
        found = Felt(page, context.new_page(), file)
        found.tab.goto(page.address)
        found.until("document.querySelector('#line').textContent !== ''")
        yield found
        context.close()
    assert found.said == []


def replayed(one: Felt) -> dict[str, float]:
    """The axes at the end of a replay of what was written down."""
    tape = one.seat.tape
    table = mt.replay(one.page.profile, tape.take(), frames=[tape.frames[-1].t - tape.begun])
    return {name: table[name].iloc[-1] for name in one.axes if name in table}


def test_a_mouse_turns_the_view_as_a_replay_of_the_tape_does(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.CHART) as one:
        assert "token" not in one.tab.url
        one.tab.mouse.move(200, 200)
        one.tab.mouse.down()
        one.tab.mouse.up()
        one.until("document.pointerLockElement?.id === 'scene'")
        for k in range(6):
            one.tab.mouse.move(210 + 20 * k, 200 - 6 * k)
            one.frames(1)
        assert one.axes["yaw"] == pytest.approx(5.0)  # the first movement is the jump as it is caught
        one.tab.mouse.wheel(0, -240)
        one.tab.keyboard.down("KeyW")
        one.frames(8)
        one.tab.keyboard.up("KeyW")
        one.tab.keyboard.press("KeyM")
        one.until("document.querySelector('#gates .open')?.textContent === 'charting'")
        one.until("document.pointerLockElement === null")
        one.frames(8)
        assert one.seat.session.view().cursor == "free"
        assert one.seat.shown["warden"][2] < -0.02
        assert replayed(one) == pytest.approx(one.axes, abs=1e-9)
        assert one.seat.session.refused == {}


def test_a_number_is_turned_without_a_jump_and_kept_alone(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.PROFILE) as one:
        one.tab.mouse.move(200, 200)
        one.tab.mouse.move(260, 190)
        one.frames()
        before, text = one.axes, one.file.read_text(encoding="utf-8")
        assert before["yaw"] != 0.0
        box = one.tab.get_by_label("sensitivity", exact=True).first
        slider = one.tab.get_by_label("routes.bare_eye sensitivity")
        slider.focus()
        one.tab.keyboard.press("PageUp")
        one.until("!document.querySelector('#keep').disabled")
        value = box.input_value()
        assert one.page.profile.data["routes"]["bare_eye"]["sensitivity"] == value != "0.05 deg/count"
        one.frames()
        assert one.axes == before  # nothing jumps
        box.fill("5 m")
        box.press("Enter")
        one.until("document.querySelector('.wrong:not(:empty)')?.textContent.includes('expected')")
        assert one.page.profile.data["routes"]["bare_eye"]["sensitivity"] == value
        one.tab.keyboard.press("Alt+KeyK")
        one.until("document.querySelector('#words').textContent.startsWith('kept in')")
        now = one.file.read_text(encoding="utf-8")
        apart = [line for line in difflib.ndiff(text.splitlines(), now.splitlines()) if line[0] in "+-"]
        assert apart == ['- sensitivity = "0.05 deg/count"', f'+ sensitivity = "{value}"']
        one.tab.get_by_role("button", name="undo").click()
        one.until("!document.querySelector('#keep').disabled")
        assert box.input_value() == "0.05 deg/count"


def test_an_editors_save_is_taken_up(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.PROFILE) as one:
        text = one.file.read_text(encoding="utf-8")
        one.file.write_text(text.replace("0.05 deg/count", "0.11 deg/count"), encoding="utf-8")
        one.until("document.querySelector('#words').textContent.includes('was saved elsewhere')")
        assert one.tab.get_by_label("sensitivity", exact=True).first.input_value() == "0.11 deg/count"
        one.file.write_text(text.replace("0.05 deg/count", "0.11 miles"), encoding="utf-8")
        one.until("document.querySelector('#words').textContent.includes('miles')")
        assert one.page.profile.data["routes"]["bare_eye"]["sensitivity"] == "0.11 deg/count"


def test_the_same_hands_again_and_kept_as_a_take(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.FOLLOWING, take=marsh.FOLLOWING_TAKE) as one:
        assert not one.tab.locator("#again").is_visible()
        one.tab.get_by_label("routes.look sensitivity yaw").press("PageUp")
        one.until("!document.querySelector('#again').hidden")
        one.until("document.querySelector('#legend').textContent.includes('now')")
        assert "look" in one.tab.locator("#legend").inner_text()
        one.tab.get_by_role("button", name="undo").click()
        one.until("document.querySelector('#again').hidden")
        with one.tab.expect_download() as caught:
            one.tab.get_by_text("save the last minute as a take").click()
        file = tmp_path / "hands.csv"
        caught.value.save_as(file)
        kept, first = mt.read_take(file).table, mt.read_take(marsh.FOLLOWING_TAKE).table
        ours = kept[kept["signal"] == "pad.right_stick.x"]
        assert ours["value"].isin(first["value"]).mean() > 0.99
        assert one.seat.shown["axes"]["yaw_total"] == pytest.approx(
            mt.replay(one.page.profile, mt.read_take(marsh.FOLLOWING_TAKE))["yaw_total"].iloc[-1], abs=1e-6
        )


def test_why_nothing_happened_is_told_where_somebody_wonders(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.CHART) as one:
        one.tab.locator("#why summary").click()
        one.tab.locator("#scene").focus()
        one.tab.keyboard.press("KeyJ")
        one.until("document.querySelector('#came').textContent.includes('key.KeyJ')")
        assert "the profile does not use it" in one.tab.locator("#came").inner_text()
        one.tab.get_by_role("button", name="begin again").click()
        one.tab.locator("#scene").focus()
        one.tab.keyboard.press("KeyE")
        one.until("document.querySelector('#came').textContent.includes('it opens: M pressed')")


def test_a_sheet_takes_what_it_may_say(browser: Browser, tmp_path: Path) -> None:
    source, sheet = ROOT / "examples" / "settings.toml", tmp_path / "mine.toml"
    with felt(browser, tmp_path, source, player=sheet) as one:
        one.tab.get_by_label("routes.look sensitivity").press("PageUp")
        one.until("!document.querySelector('#sheet').disabled")
        one.tab.get_by_role("button", name="keep as sheet").click()
        one.until("document.querySelector('#words').textContent.startsWith('kept 1 in mine.toml')")
        assert mt.load_sheet(sheet).get("sensitivity", "look") > 1.2
        assert one.file.read_bytes() == source.read_bytes()


def test_the_latest_page_has_the_hands_and_the_first_says_so(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.PROFILE) as one:
        second = one.tab.context.new_page()
        second.goto(one.page.address)
        one.until("document.querySelector('#gone').open")
        assert "Another page sits here now" in one.tab.locator("#gone-words").inner_text()
        second.mouse.move(200, 200)
        second.mouse.move(300, 200)
        one.until("document.querySelector('#axes .value').textContent !== '0.00 deg'", second)
        one.tab.bring_to_front()
        one.tab.get_by_role("button", name="sit here again").click()
        one.until("document.querySelector('#gone').open", second)
        one.until("!document.querySelector('#gone').open")


def test_what_is_held_is_let_go_with_the_focus_and_with_the_page(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.CHART) as one:
        for leave in ("dispatchEvent(new Event('blur'))", "document.querySelector('#notebook').focus()"):
            one.tab.evaluate("document.querySelector('#scene').focus()")
            one.tab.evaluate("dispatchEvent(new Event('focus'))")
            one.tab.keyboard.down("KeyW")
            one.frames(4)
            assert one.axes["move_y"] == 1.0
            one.tab.evaluate(leave)
            one.frames(4)
            assert one.axes["move_y"] == 0.0
            one.tab.keyboard.up("KeyW")
        one.tab.evaluate("document.querySelector('#scene').focus()")
        one.tab.evaluate("dispatchEvent(new Event('focus'))")
        one.tab.keyboard.down("KeyW")
        one.frames(4)
        one.tab.goto("about:blank")
        one.tab.goto(one.page.address)
        one.until("document.querySelector('#line').textContent !== ''")
        assert one.axes["move_y"] == 0.0


@pytest.mark.parametrize("size", [(1280, 800), (390, 780), (780, 390)])
def test_no_serious_fault_for_those_who_see_or_hold_otherwise(
    browser: Browser, tmp_path: Path, size: tuple[int, int]
) -> None:
    from axe_playwright_python.sync_playwright import Axe

    with felt(browser, tmp_path, marsh.CHART) as one:
        one.tab.set_viewport_size({"width": size[0], "height": size[1]})
        one.frames()
        found = Axe().run(one.tab).response["violations"]
        assert [fault["id"] for fault in found if fault["impact"] in ("serious", "critical")] == []
        assert one.tab.evaluate("document.documentElement.scrollWidth <= innerWidth")


def test_the_scene_is_light_enough(browser: Browser, tmp_path: Path) -> None:
    for source in (marsh.FOLLOWING, marsh.FINGERS):
        with felt(browser, tmp_path, source) as one:
            counts = one.tab.evaluate("window.marsh.counts")
            assert 0 < counts["calls"] <= 300
            assert 0 < counts["triangles"] <= 150_000


def test_no_other_site_reaches_the_session(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.PROFILE) as one:
        other = one.tab.context.new_page()
        line = one.tab.url.replace("http", "ws") + "line"
        other.goto("about:blank")
        closed = other.evaluate(
            "line => new Promise(done => { const s = new WebSocket(line); s.onopen = () => done('open'); "
            "s.onclose = () => done('closed'); })",
            line,
        )
        assert closed == "closed"
        other.close()
        one.frames()

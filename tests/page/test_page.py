"""The page in a real browser: hands on it, numbers turned, and what becomes of the file."""

from __future__ import annotations

import difflib
import os
import struct
import subprocess
from pathlib import Path

import pytest
from playwright.sync_api import Browser

import mellow_thumb as mt
from mellow_thumb import marsh

from ..helpers.felt import CHROMIUM, felt, moves_as_a_replay_of_its_take, new_tab

pytestmark = pytest.mark.skipif(CHROMIUM is None, reason="no chromium: apt-get install chromium")
ROOT = Path(__file__).parents[2]


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
        assert one.walked > 0.0
        moves_as_a_replay_of_its_take(one)
        assert one.seat.session.refused == {}


def test_the_keyboard_alone_does_everything(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.CHART) as one:

        def tab_to(wanted: str) -> None:
            for _ in range(60):
                if one.tab.evaluate(f"document.activeElement.matches({wanted!r})"):
                    return
                one.tab.keyboard.press("Tab")
            raise AssertionError(f"no Tab leads to {wanted}")

        tab_to("#scene")
        one.tab.keyboard.down("KeyW")
        one.until("document.querySelector('#controls .acting')?.textContent.startsWith('W held')")
        one.tab.keyboard.up("KeyW")
        one.tab.keyboard.press("Tab")
        tab_to("#why summary")
        one.tab.keyboard.press("Enter")
        one.until("document.querySelector('#why').open")
        tab_to("#route")
        one.tab.keyboard.press("ArrowDown")
        tab_to("#take")
        tab_to("input[aria-label='routes.look sensitivity']")
        one.tab.keyboard.press("ArrowRight")
        one.until("!document.querySelector('#keep').disabled")
        for keys, side in (("Alt+KeyS", "B"), ("Alt+KeyS", "A")):
            one.tab.keyboard.press(keys)
            one.until(f"document.querySelector('#side').textContent === '{side}'")
        one.tab.keyboard.press("Alt+KeyZ")
        one.until("document.querySelector('#keep').disabled")
        one.tab.keyboard.press("Alt+KeyY")
        one.until("!document.querySelector('#keep').disabled")
        one.tab.keyboard.press("Alt+KeyK")
        one.until("document.querySelector('#words').textContent.startsWith('kept in chart.toml')")


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


def test_what_the_other_side_says_stands_beside_each_number(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.FOLLOWING) as one:
        one.tab.get_by_label("routes.look sensitivity yaw").press("PageUp")
        # the answer shows every dial as it is: one that is turned before it comes is shown so a moment later
        one.until("document.querySelectorAll('.dial small:not(:empty)').length === 1")
        one.tab.locator("#dial-routes-look-invert-pitch").check()
        one.until("document.querySelectorAll('.dial small:not(:empty)').length === 2")
        assert "B: 200 deg/s" in one.tab.locator("#notebook").inner_text()
        one.tab.keyboard.press("Alt+KeyS")
        one.until("document.querySelector('#side').textContent === 'B'")
        words = one.tab.locator("#notebook").inner_text()
        assert "A: 30" in words
        assert "A: inverts pitch" in words
        assert not one.tab.locator("#dial-routes-look-invert-pitch").is_checked()


def test_keys_beside_alt_and_control_reach_the_profile(browser: Browser, tmp_path: Path) -> None:
    text = marsh.CHART.read_text(encoding="utf-8").replace('"key.KeyM"', '"key.AltLeft"')
    (tmp_path / "chart.toml").write_text(text, encoding="utf-8")
    with felt(browser, tmp_path, marsh.CHART) as one:
        one.tab.locator("#scene").focus()
        one.tab.keyboard.down("Control")
        one.tab.keyboard.down("KeyD")
        one.until("document.querySelector('#controls .acting')?.textContent.startsWith('D held')")
        one.tab.keyboard.up("KeyD")
        one.tab.keyboard.up("Control")
        one.tab.keyboard.press("Alt")
        one.until("document.querySelector('#gates .open')?.textContent === 'charting'")
        # the page's own chord is no step back
        one.tab.keyboard.press("Alt+KeyS")
        one.until("document.querySelector('#side').textContent === 'B'")
        assert one.axes["move_y"] == 0.0


def test_a_pointer_that_nothing_holds_says_so(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.PROFILE) as one:
        one.until("document.querySelector('#hint').textContent.includes('would hold it')")
        one.tab.evaluate("for (const one of document.querySelectorAll('#notebook details')) one.open = true")
        one.tab.locator("#dial-cursor").select_option("held")
        one.until(
            "document.querySelector('#hint').textContent === 'click here to give the mouse to the view'"
        )


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
    with felt(browser, tmp_path, marsh.FOLLOWING, take=marsh.FOLLOWING_TAKE, drawn=True) as one:
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
        one.until("document.querySelector('#came').textContent === ' no input yet'")
        one.frames(3)
        one.tab.locator("#scene").focus()
        one.tab.keyboard.press("KeyJ")
        one.until("document.querySelector('#came').textContent.includes('key.KeyJ')")
        assert "the profile does not use it" in one.tab.locator("#came").inner_text()
        one.tab.get_by_role("button", name="start over").click()
        one.tab.locator("#scene").focus()
        one.tab.keyboard.press("KeyE")
        one.until(
            "document.querySelector('#came').textContent.includes('waits for charting to open (M pressed')"
        )


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
        second = new_tab(one.tab.context)
        second.goto(one.page.address)
        one.until("document.querySelector('#gone').open")
        assert "Another page has the controls now" in one.tab.locator("#gone-words").inner_text()
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
            one.reach(lambda: one.axes["move_y"] == 1.0)
            one.tab.evaluate(leave)
            one.reach(lambda: one.axes["move_y"] == 0.0)
            one.tab.keyboard.up("KeyW")
        one.tab.evaluate("document.querySelector('#scene').focus()")
        one.tab.evaluate("dispatchEvent(new Event('focus'))")
        one.tab.keyboard.down("KeyW")
        one.reach(lambda: one.axes["move_y"] == 1.0)
        one.tab.goto("about:blank")
        one.tab.goto(one.page.address)
        one.until("document.querySelector('#line').textContent !== ''")
        assert one.axes["move_y"] == 0.0


@pytest.mark.parametrize("size", [(1280, 800), (390, 780), (780, 390)])
def test_no_serious_fault_for_those_who_see_or_hold_otherwise(
    browser: Browser, tmp_path: Path, size: tuple[int, int]
) -> None:
    from axe_playwright_python.sync_playwright import Axe

    with felt(browser, tmp_path, marsh.CHART, drawn=True) as one:
        one.tab.set_viewport_size({"width": size[0], "height": size[1]})
        one.frames()
        found = Axe().run(one.tab).response["violations"]
        assert [fault["id"] for fault in found if fault["impact"] in ("serious", "critical")] == []
        assert one.tab.evaluate("document.documentElement.scrollWidth <= innerWidth")


def test_the_scene_is_light_enough(browser: Browser, tmp_path: Path) -> None:
    for source in (marsh.FOLLOWING, marsh.FINGERS):
        with felt(browser, tmp_path, source, drawn=True) as one:
            counts = one.tab.evaluate("window.felt.marsh.counts")
            assert 0 < counts["calls"] <= 300
            assert 0 < counts["triangles"] <= 150_000


def test_a_device_nearby_has_a_session_of_its_own_at_the_same_desk(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.FINGERS, lan="127.0.0.2") as one:
        assert one.page.nearby.startswith("https://127.0.0.2:")
        assert len(one.page.fingerprint) == 95
        phone = browser.new_context(
            ignore_https_errors=True, has_touch=True, viewport={"width": 390, "height": 780}
        )
        there = new_tab(phone)
        there.goto(one.page.nearby)
        one.until("document.querySelector('#line').textContent !== ''", there)
        assert there.evaluate("isSecureContext")
        line = phone.new_cdp_session(there)
        for kind, x in (("touchStart", 100), ("touchMove", 160), ("touchMove", 200), ("touchEnd", 0)):
            points = [{"x": x, "y": 300, "id": 1}] if x else []
            line.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": points})
            one.frames(1, there)
        one.until("!document.querySelector('#axes').textContent.includes('pan x0.00 m')", there)
        assert one.axes["pan_x"] == 0.0  # nothing of it on the other page, whose hands are their own
        assert not one.tab.locator("#gone").is_visible()
        # a number that is turned here is active there
        one.tab.get_by_label("routes.flick glide half life").press("PageUp")
        one.until("document.querySelector('#file').textContent.includes('1 not kept')", there)
        # the token counts once, and never at the other address
        other = new_tab(browser.new_context(ignore_https_errors=True))
        answer = other.goto(one.page.nearby)
        assert answer is not None
        assert (answer.status, "another device has used" in answer.text()) == (403, True)
        wrong = other.goto(one.page.address.partition("?")[0] + "?" + one.page.nearby.partition("?")[2])
        assert wrong is not None
        assert wrong.status == 403
        again = there.goto(one.page.nearby)
        assert again is not None
        assert again.ok
        phone.close()


def test_a_picture_is_written_whole_or_not_at_all(command: str, tmp_path: Path) -> None:
    words = ["try", str(marsh.FOLLOWING), "--take", str(marsh.FOLLOWING_TAKE)]

    def run(*more: str, **changed: str) -> subprocess.CompletedProcess[str]:
        environment = os.environ | changed
        return subprocess.run(
            [command, *words, *more], capture_output=True, text=True, cwd=tmp_path, env=environment
        )

    done = run("--shot", "page.png")
    assert (done.returncode, done.stdout, done.stderr) == (0, "wrote page.png\n", "")
    head = (tmp_path / "page.png").read_bytes()[:24]
    assert struct.unpack(">II", head[16:]) == (1280, 800)
    wrong = run("--shot", "page.jpg")
    assert (wrong.returncode, wrong.stderr) == (1, 'page.jpg: found the suffix ".jpg"; expected NAME.png\n')
    for program in ("false", str(tmp_path / "nowhere")):
        failed = run("--shot", "other.png", MELLOW_THUMB_BROWSER=program)
        assert (failed.returncode, "took no picture" in failed.stderr) == (1, True)
    none = run("--shot", "other.png", PATH="", MELLOW_THUMB_BROWSER="")
    assert (none.returncode, "needs Chromium on the path" in none.stderr) == (1, True)
    assert sorted(one.name for one in tmp_path.iterdir()) == ["page.png"]


def test_no_other_site_reaches_the_session(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.PROFILE) as one:
        other = new_tab(one.tab.context)
        line = one.tab.url.partition("#")[0].replace("http", "ws") + "line"
        other.goto("about:blank")
        closed = other.evaluate(
            "line => new Promise(done => { const s = new WebSocket(line); s.onopen = () => done('open'); "
            "s.onclose = () => done('closed'); })",
            line,
        )
        assert closed == "closed"
        other.close()
        one.frames()

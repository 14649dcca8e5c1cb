"""A whole trial on its page in a real browser, with a stand-in person that sees and moves."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import pytest
from playwright.sync_api import Browser
from playwright.sync_api import Page as Tab

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.insight.trials import outcome_text

from ..helpers.felt import CHROMIUM, new_tab

pytestmark = pytest.mark.skipif(CHROMIUM is None, reason="no chromium: apt-get install chromium")
PERSON = (Path(__file__).parents[1] / "helpers" / "stand_in.js").read_text()
MOST = 4000
"""Looks at the page after which what has not happened never will."""


@pytest.fixture
def files(tmp_path: Path) -> list[Path]:
    found = [tmp_path / "slow.toml", tmp_path / "quick.toml"]
    text = marsh.BOARDWALK.read_text()
    found[0].write_text(text)
    found[1].write_text(text.replace('"0.05 deg/count"', '"0.1 deg/count"'))
    return found


@contextmanager
def opened(browser: Browser, address: str) -> Iterator[Tab]:
    """The page in a tab of its own; what goes wrong on it is an error."""
    context = browser.new_context(viewport={"width": 640, "height": 400})
    said: list[str] = []
    try:
        tab = new_tab(context)
        tab.on("pageerror", lambda one: said.append(str(one)))
        tab.add_init_script(PERSON)
        tab.goto(f"{address}#undrawn")
        yield tab
    finally:
        context.close()
    assert said == []


def until(tab: Tab, expression: str) -> None:
    """Wait until something is so."""
    for _ in range(MOST):
        if tab.evaluate(expression):
            return
        tab.evaluate("new Promise((done) => setTimeout(done, 5))")
    raise AssertionError(f"never: {expression}; the page says {tab.inner_text('#card')!r}")


def press(tab: Tab, label: str) -> None:
    """Press the button with a label, once it is there."""
    until(
        tab, f"[...document.querySelectorAll('#buttons button')].some((one) => one.textContent === {label!r})"
    )
    tab.get_by_role("button", name=label, exact=True).click()


def play(tab: Tab, title: str) -> None:
    """Play the round that the card announces, to its end."""
    until(tab, f"document.querySelector('#headline').textContent.startsWith({title!r})")
    ended = tab.evaluate("window.ended")
    press(tab, "begin")
    until(tab, f"window.ended > {ended}")


def test_a_trial_is_played_cut_short_resumed_and_opened(
    browser: Browser, files: list[Path], tmp_path: Path
) -> None:
    folder = tmp_path / "trial"
    with mt.serving_trial(files, folder, rounds=2, tasks=["aim"]) as address:
        with opened(browser, address) as tab:
            play(tab, "Practice with the")
            play(tab, "Practice with the")
            play(tab, "Round 1 of 4")
            tab.evaluate("window.left = 5")
            press(tab, "begin")
            until(tab, "window.tried.playing")
            heard = tab.evaluate("window.heard.join('\\n')")
            words = tab.inner_text("body")
            assert not [name for name in ("slow", "quick", "toml", "deg/count") if name in heard + words]
        # the tab was closed in the middle of a round: the ones before are there
        assert [one.name for one in (folder / "person_1").glob("round_*")] == ["round_01.csv"]
    with mt.serving_trial(files, folder, rounds=2, tasks=["aim"]) as address, opened(browser, address) as tab:
        for number in (2, 3, 4):
            play(tab, f"Round {number} of 4")
        until(tab, "document.querySelector('#said').textContent.includes('is not known yet')")
        press(tab, "that is enough")
        tab.get_by_label("the curlew").check()
        tab.get_by_label("by far").check()
        press(tab, "that is my answer")
        assert not mt.read_trial(folder).over
        press(tab, "open the trial")
        until(tab, "document.querySelector('#said table')")
        shown = tab.inner_text("#said")
    trial = mt.read_trial(folder)
    assert trial.over
    report = f"With pictures: mellow-thumb report {folder.name}"
    assert shown.replace(report, "").split() == outcome_text(trial).split()
    assert trial.answers() == [(1, "curlew", "by far")]
    rounds = trial.rounds()
    assert sorted(rounds["number"].unique()) == [1, 2, 3, 4]
    throughput = rounds[rounds["measure"] == "throughput"]["value"]
    assert throughput.between(5.0, 100.0).all()
    assert rounds[rounds["measure"] == "misses"]["value"].max() == 0.0  # it selects what it is on


def test_a_round_may_be_stopped_and_a_person_may_end_early(
    browser: Browser, files: list[Path], tmp_path: Path
) -> None:
    with (
        mt.serving_trial(files, tmp_path / "trial", rounds=2, tasks=["aim"]) as address,
        opened(browser, address) as tab,
    ):
        tab.evaluate("window.left = 5")
        press(tab, "begin")
        until(tab, "document.querySelector('#asked').textContent === 'turn to each bird and select it'")
        tab.evaluate("document.exitPointerLock()")  # as Escape does
        press(tab, "stop this round")
        until(tab, "!window.tried.playing")
        assert tab.inner_text("#headline").startswith("Practice with the")
        tab.evaluate("window.left = Infinity")
        play(tab, "Practice with the")
        play(tab, "Practice with the")
        play(tab, "Round 1 of 4")
        press(tab, "end here")
        until(tab, "!document.querySelector('#question').hidden")
        press(tab, "that is my answer")  # neither
        press(tab, "another person")
        until(tab, "document.querySelector('#words').textContent === 'person 2'")
        assert tab.inner_text("#headline").startswith("Practice with the")
    trial = mt.read_trial(tmp_path / "trial")
    assert trial.people == 2
    assert trial.answers() == [(1, "", "")]


def test_a_page_that_says_other_things_is_told_so(
    browser: Browser, files: list[Path], tmp_path: Path
) -> None:
    with (
        mt.serving_trial(files, tmp_path / "trial", rounds=2) as address,
        opened(browser, address) as tab,
    ):
        until(tab, "document.querySelector('#buttons button')")
        for wrong in (
            {"kind": "change", "path": ["title"], "value": "x"},
            {"kind": "do", "what": "keep"},
            {"kind": "ask", "what": "tell"},
        ):
            tab.evaluate("(one) => window.tried.line.say(one)", wrong)
            until(tab, "document.querySelector('#words').textContent.startsWith('found another message')")
        # nobody may open what nobody has ended
        tab.evaluate("window.tried.line.say({ kind: 'ask', what: 'open' })")
        tab.evaluate("window.tried.line.say({ kind: 'answer', bird: 'curlew', much: '' })")
        tab.evaluate("window.left = 5")
        press(tab, "begin")
        until(tab, "window.tried.playing")
    trial = mt.read_trial(tmp_path / "trial")
    assert not trial.over
    assert trial.answers() == []


def test_a_round_that_cannot_be_kept_is_told_and_played_again(
    browser: Browser, files: list[Path], tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    def full(*_: object) -> None:
        raise mt.OutputError("practice_1.csv: cannot be written: no space left on device")

    with (
        mt.serving_trial(files, tmp_path / "trial", rounds=2, tasks=["cue"]) as address,
        opened(browser, address) as tab,
    ):
        monkeypatch.setattr(mt.Trial, "keep", full)
        play(tab, "Practice with the")
        until(tab, "document.querySelector('#said').textContent.includes('no space left on device')")
        monkeypatch.undo()
        play(tab, "Practice with the")
        until(tab, "!document.querySelector('#said').textContent.includes('no space left')")
    assert [one.name for one in (tmp_path / "trial" / "person_1").iterdir()] == ["practice_1.csv"]

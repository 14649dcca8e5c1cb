"""A gamepad's node in Linux, through a browser's own reading of it, to the page."""

from __future__ import annotations

import shutil
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright import sync_api

from mellow_thumb import marsh

from ..helpers.felt import CHROMIUM, Felt, felt, moves_as_a_replay_of_its_take
from ..helpers.linux_nodes import PATIENCE, Gamepad, browsing

pytestmark = pytest.mark.skipif(
    not (CHROMIUM and shutil.which("umockdev-run")), reason="no chromium and umockdev: apt-get install both"
)

TRIES = 6
DONE = [
    (300, 1, 0, 1),
    (60, 2, 1, 20000),
    (60, 2, 3, 20000),
    (300, 1, 0, 0),
    (60, 2, 1, 0),
    (60, 2, 3, 0),
] * 100
"""A stick to the right, one ahead, and presses, again and again: a browser hears of nothing before a page asks for
pads, and lets a page know of one by a press."""
KNOWN = Gamepad(0x0079, 0x0006, 12, 7, DONE)
"""With the ids of a kind whose layout browsers know."""
UNKNOWN = Gamepad(0x0001, 0x0002, 12, 7, DONE)


def at_a_page_with(pad: Gamepad, folder: Path, act: Callable[[Felt], None]) -> None:
    """Do something at a page in a browser where a pad is plugged in.

    What plays the node now and then keeps a browser from starting its pages, or ends it; then another is started.
    """
    for _ in range(TRIES):
        try:
            with (
                browsing(folder, pad, str(CHROMIUM)) as browser,
                felt(browser, folder, marsh.FOLLOWING, patience=PATIENCE, first=True) as one,
            ):
                act(one)
                return
        except sync_api.Error as error:
            last = error
    raise AssertionError(f"none of {TRIES} browsers showed its page to the end") from last


def test_a_pad_whose_layout_the_browser_knows_moves_the_camera_as_a_replay_does(tmp_path: Path) -> None:
    def act(one: Felt) -> None:
        one.until("navigator.getGamepads()[0]?.mapping === 'standard'")
        one.reach(lambda: one.axes["yaw_total"] > 10.0 and one.walked > 0.1)
        moves_as_a_replay_of_its_take(one)
        assert one.seat.session.refused == {}

    at_a_page_with(KNOWN, tmp_path, act)


def test_a_pad_whose_layout_it_does_not_know_is_named_and_left_out(tmp_path: Path) -> None:
    def act(one: Felt) -> None:
        one.until("document.querySelector('#hint').textContent.includes('the layout of Stand-in pad')")
        one.until("navigator.getGamepads()[0].axes[1] > 0.6")
        one.frames(6)
        assert one.axes["yaw_total"] == one.walked == 0.0
        moves_as_a_replay_of_its_take(one)

    at_a_page_with(UNKNOWN, tmp_path, act)

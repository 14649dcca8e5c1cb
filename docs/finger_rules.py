"""Draw the figures of the rules of fingers: `python docs/finger_rules.py` after changing one."""

from __future__ import annotations

from pathlib import Path
from tempfile import TemporaryDirectory
from typing import TYPE_CHECKING, Any, NamedTuple

import numpy as np
import pandas as pd
from matplotlib.figure import Figure
from matplotlib.patches import Rectangle

from mellow_thumb.insight.figures.plots import GRID, INK, QUIET
from mellow_thumb.insight.touched import Said, touched
from mellow_thumb.profiles import load_profile
from mellow_thumb.stand_ins import Fingers
from mellow_thumb.takes import Take, replay

if TYPE_CHECKING:
    from collections.abc import Callable

    from matplotlib.axes import Axes

    from mellow_thumb.profiles import Profile

FOLDER = Path(__file__).parent / "figures"
HUES = ("#1d6a96", "#b4531f", "#5d7a2c")
SCREEN = (1200, 1000)

HEAD = """format = "mellow-thumb profile 1"
mount = "chart"
[mounts.chart]
kind = "flat"
[routes.look]
from = "touch.look"
drives = ["pan_x", "pan_y"]
sensitivity = "1 m/screen"
glide = { half_life = "120 ms" }
[gates]
still = { hold = "touch.look.still" }
[cues]
tap = { from = "touch.look.tap" }
two = { from = "touch.look.two_finger_tap" }
[touch.look]
drag = { after_travel = "0.03 screen" }
"""
PINCH = """[touch.pinch]
spread = { after_travel = "0.05 screen" }
[routes.pinch]
from = "touch.pinch"
drives = "zoom"
sensitivity = "1 x/x"
"""


class Rule(NamedTuple):
    """One figure: what fingers do, and which signals it shows of what is made of that."""

    words: str
    profile: str
    shown: tuple[tuple[str, str], ...]
    """Signals, with what to call each."""
    play: Callable[[Fingers], None]


def second_finger(hand: Fingers) -> None:
    """One drags; a second taps on the way; then both move; the first lifts, and the second goes on."""
    hand.land((0.2, 0.5))
    hand.move((0.4, 0.5), 0.3)
    hand.tap((0.8, 0.5), 0.1, 1, over=(0.45, 0.5))
    hand.move((0.5, 0.5), 0.2)
    hand.land((0.6, 0.4), 1)
    hand.move_all({0: (0.65, 0.5), 1: (0.75, 0.4)}, 0.35)
    hand.lift()
    hand.move((0.9, 0.4), 0.3, 1)
    hand.rest(0.12)
    hand.lift(1)


def travel(hand: Fingers) -> None:
    """A slow finger that goes a little, then far, and back."""
    hand.land((0.3, 0.5))
    hand.move((0.318, 0.5), 0.4)
    hand.move((0.6, 0.5), 0.5)
    hand.move((0.3, 0.5), 0.5)
    hand.rest(0.12)
    hand.lift()


def pinch(hand: Fingers) -> None:
    """Two fingers in parallel, then apart, and back to where they were."""
    hand.land((0.3, 0.5))
    hand.land((0.5, 0.5), 1)
    hand.move_all({0: (0.4, 0.5), 1: (0.6, 0.5)}, 0.4)
    hand.move_all({0: (0.2, 0.5), 1: (0.8, 0.5)}, 0.5)
    hand.move_all({0: (0.4, 0.5), 1: (0.6, 0.5)}, 0.5)
    hand.rest(0.12)
    hand.lift()
    hand.lift(1)


def taps(hand: Fingers) -> None:
    """A tap; a tap of two fingers; one that lasts too long; one that goes too far."""
    hand.tap((0.3, 0.5))
    hand.rest(0.3)
    hand.land((0.3, 0.5))
    hand.rest(0.03)
    hand.land((0.5, 0.5), 1)
    hand.rest(0.06)
    hand.lift()
    hand.rest(0.02)
    hand.lift(1)
    hand.rest(0.3)
    hand.land((0.7, 0.5))
    hand.rest(0.4)
    hand.lift()
    hand.rest(0.2)
    hand.swipe((0.3, 0.5), (0.4, 0.5), 0.1)
    hand.rest(0.2)


def palm(hand: Fingers) -> None:
    """A palm rests; a finger drags; the palm lifts."""
    hand.palm((0.85, 0.15), 1)
    hand.rest(0.6)
    hand.land((0.2, 0.5))
    hand.move((0.5, 0.5), 0.5)
    hand.rest(0.1)
    hand.lift()
    hand.rest(0.1)
    hand.lift(1)


RULES = {
    "second_finger": Rule(
        "a tap on the way leaves the drag alone; two move it by their middle; the last one goes on",
        HEAD,
        (("touch.look.x", "drag, screens"), ("touch.look.tap", "tap")),
        second_finger,
    ),
    "travel": Rule(
        "what it takes to get going is dropped once, to the very place where it was enough",
        HEAD,
        (("touch.look.x", "drag, screens"), ("touch.look.still", "still")),
        travel,
    ),
    "pinch": Rule(
        "fingers in parallel change no gap; apart and back is back",
        HEAD + PINCH,
        (("touch.pinch", "spread, x"), ("touch.look.x", "drag, screens")),
        pinch,
    ),
    "taps": Rule(
        "short, and gone nowhere; of two fingers one tap; too long or too far is none",
        HEAD,
        (("touch.look.tap", "tap"), ("touch.look.two_finger_tap", "of two")),
        taps,
    ),
    "palm": Rule(
        "what rests counts for nothing: the finger drags, and the gap is no pinch",
        HEAD + PINCH,
        (("touch.look.x", "drag, screens"), ("touch.pinch", "spread, x")),
        palm,
    ),
}


def taken(rule: Rule) -> Take:
    """What the fingers of a rule do."""
    hand = Fingers(3, screen=SCREEN)
    hand.say("host.screen.x", float(SCREEN[0]))
    hand.say("host.screen.y", float(SCREEN[1]))
    hand.rest(0.1)
    rule.play(hand)
    hand.rest(0.2)
    return hand.take()


def draw(name: str, rule: Rule) -> None:
    """One figure: where fingers are from left to right over time, and below what is made of them."""
    take, profile = taken(rule), profile_of(rule.profile)
    said = touched(profile, take)
    figure = Figure(figsize=(7.6, 3.6), dpi=100, facecolor="white")
    grid = figure.add_gridspec(
        1 + len(rule.shown), 1, height_ratios=[2.4, *[1.0] * len(rule.shown)], hspace=0.55,
        left=0.2, right=0.97, top=0.88, bottom=0.13,
    )  # fmt: skip
    figure.text(0.2, 0.935, rule.words, color=INK, fontsize=9.5)
    panels = [figure.add_subplot(grid[k]) for k in range(1 + len(rule.shown))]
    end = float(take.table["t"].iloc[-1]) + 0.2
    for panel in panels:
        _quiet(panel, end, last=panel is panels[-1])
        panel.yaxis.set_label_coords(-0.085, 0.5)
    fingers(panels[0], take.table)
    for panel, (signal, words) in zip(panels[1:], rule.shown, strict=True):
        one = said[signal]
        panel.plot(np.append(one.t, end), np.append(one.value, one.value[-1]), color=INK, linewidth=1.4,
                   drawstyle="steps-post")  # fmt: skip
        panel.margins(y=0.2)
        panel.set_ylabel(words, rotation=0, ha="right", va="center", color=INK, fontsize=9)
    FOLDER.mkdir(exist_ok=True)
    figure.savefig(FOLDER / f"{name}.png", metadata={"Software": None})


def _quiet(panel: Axes, end: float, *, last: bool) -> None:
    panel.set_xlim(0.0, end)
    panel.tick_params(length=0, labelsize=8, labelcolor=QUIET, labelbottom=last)
    panel.grid(visible=True, axis="x", color=GRID, linewidth=0.8)
    for side in panel.spines.values():
        side.set_visible(False)
    if last:
        panel.set_xlabel("time, s", color=QUIET, fontsize=8)


def fingers(panel: Axes, table: Any) -> None:
    """Where each finger is from left to right, while it is down."""
    signal = table["signal"].astype(str)
    panel.set_ylim(0.0, 1.0)
    panel.set_ylabel("fingers,\nleft to right", rotation=0, ha="right", va="center", color=INK, fontsize=9)
    for finger in (1, 2):
        t, x, down, here = [], [], False, 0.5
        for time, what, value in zip(table["t"], signal, table["value"], strict=True):
            if what == f"touch.{finger}.place.x":
                if down:
                    t.append(time)
                    x.append(here)
                here = value
            elif what == f"touch.{finger}.down":
                down = bool(value)
            else:
                continue
            t.append(time)
            x.append(here if down or what.endswith("down") else np.nan)
            if what.endswith("down") and not down:
                t.append(time)
                x.append(np.nan)
        panel.plot(t, x, color=HUES[finger - 1], linewidth=2.2)


def regions() -> None:
    """Who has a finger: the regions of a screen, and the order in which they are asked."""
    figure = Figure(figsize=(7.6, 3.6), dpi=100, facecolor="white")
    panel = figure.add_axes((0.2, 0.08, 0.62, 0.78))
    panel.set(xlim=(0.0, 1.6), ylim=(0.0, 0.8), aspect="equal", xticks=[], yticks=[])
    figure.text(
        0.2, 0.935, "asked from 1 on: what it lands on, the smaller region, the rest", color=INK, fontsize=9.5
    )
    boxes = (
        ((0.0, 0.0, 1.6, 0.8), "3  [touch.look]  the whole screen", HUES[0], 0.62),
        ((0.08, 0.06, 0.62, 0.5), "2  [touch.walk]  a pad", HUES[2], 0.4),
    )
    for (left, bottom, right, top), words, hue, at in boxes:
        panel.add_patch(
            Rectangle(
                (left, bottom), right - left, top - bottom, facecolor=f"{hue}22", edgecolor=hue, linewidth=1.5
            )
        )
        panel.text(left + 0.04, at, words, color=hue, fontsize=9)
    panel.plot([1.2], [0.3], marker="o", markersize=26, color=HUES[1], alpha=0.25)
    panel.text(1.2, 0.17, "1  [touch.aim]  starts_on a bird", color=HUES[1], fontsize=9, ha="center")
    for x, y, hue in ((0.35, 0.2, HUES[2]), (0.9, 0.5, HUES[0]), (1.2, 0.3, HUES[1]), (0.5, 0.3, HUES[0])):
        panel.plot([x], [y], marker="o", markersize=9, markerfacecolor="white", markeredgewidth=2, color=hue)
    panel.text(0.53, 0.32, "the next finger there", color=HUES[0], fontsize=8)
    figure.savefig(FOLDER / "regions.png", metadata={"Software": None})


def flick() -> None:
    """What runs out: the same flick, its lift told at once, 50 ms and 100 ms after its last report."""
    figure = Figure(figsize=(7.6, 3.6), dpi=100, facecolor="white")
    panel = figure.add_axes((0.2, 0.15, 0.7, 0.68))
    figure.text(0.2, 0.935, "one flick, its lift told late; 60 ms after its last report it has paused",
                color=INK, fontsize=9.5)  # fmt: skip
    _quiet(panel, 1.2, last=True)
    for (late, words), hue in zip(LIFTS.items(), HUES, strict=True):
        table = flicked(late)
        panel.plot(
            table["t"], table["pan_x"], color=hue, linewidth=1.8, linestyle="--" if late == 0.05 else "-"
        )
        at = table["pan_x"].iloc[-1] + (0.02 if late != 0.05 else -0.05)
        panel.text(1.2, at, words, color=hue, fontsize=9,
                   ha="right")  # fmt: skip
    panel.set_ylabel("the chart,\nscreens", rotation=0, ha="right", va="center", color=INK, fontsize=9)
    panel.yaxis.set_label_coords(-0.085, 0.5)
    figure.savefig(FOLDER / "flick.png", metadata={"Software": None})


LIFTS = {0.0: "lift told at once", 0.05: "50 ms later", 0.1: "100 ms later"}
"""How long after the last report a lift is told (s)."""


def flicked(late: float) -> pd.DataFrame:
    """A flick that is lifted so late, replayed."""
    rows = [(0.0, "host.screen.x", 1200.0), (0.0, "host.screen.y", 1000.0)]
    for k in range(19):
        t = 0.1 + k / 120
        rows += [(t, "touch.1.place.x", 0.2 + 0.02 * k), (t, "touch.1.place.y", 0.5)]
        rows += [(t, "touch.1.down", 1.0)] if not k else []
    rows.append((t + late, "touch.1.down", 0.0))
    table = pd.DataFrame(rows, columns=["t", "signal", "value"])
    return replay(profile_of(HEAD), Take(table), rate=240, until=1.2)


def moment() -> None:
    """One moment: a screen that tells of two fingers one after the other, at one time and at two."""
    figure = Figure(figsize=(7.6, 3.6), dpi=100, facecolor="white")
    panel = figure.add_axes((0.2, 0.15, 0.7, 0.68))
    figure.text(0.2, 0.935, "two fingers in parallel: told with one time they change no gap",
                color=INK, fontsize=9.5)  # fmt: skip
    _quiet(panel, 0.6, last=True)
    words = ("told with one time", "told 8 ms apart")
    for apart, hue, text in zip((0.0, 0.008), HUES, words, strict=False):
        found = parallel(apart)
        panel.plot(found.t, found.value, color=hue, linewidth=1.8, drawstyle="steps-post")
        panel.text(0.6, 1.002 if not apart else 0.977, text, color=hue, fontsize=9, ha="right")
    panel.margins(y=0.3)
    panel.set_ylabel("spread, x", rotation=0, ha="right", va="center", color=INK, fontsize=9)
    panel.yaxis.set_label_coords(-0.1, 0.5)
    figure.savefig(FOLDER / "moment.png", metadata={"Software": None})


def parallel(apart: float) -> Said:
    """What a spread without a travel says of fingers in parallel, the second told so much later (s)."""
    rows: list[tuple[float, str, float]] = [(0.0, "host.screen.x", 1200.0), (0.0, "host.screen.y", 1000.0)]
    for k in range(30):
        for finger in (1, 2):
            t = 0.1 + k / 60 + apart * (finger - 1)
            x = 0.2 + 0.2 * (finger - 1) + 0.004 * k
            rows += [(t, f"touch.{finger}.place.x", x), (t, f"touch.{finger}.place.y", 0.5)]
            rows += [(t, f"touch.{finger}.down", 1.0)] if not k else []
    table = pd.DataFrame(sorted(rows), columns=["t", "signal", "value"])
    text = HEAD + PINCH.replace('{ after_travel = "0.05 screen" }', "{}")
    return touched(profile_of(text), Take(table))["touch.pinch"]


def profile_of(text: str) -> Profile:
    """A profile that is written here."""
    with TemporaryDirectory() as folder:
        file = Path(folder) / "fingers.toml"
        file.write_text(text, encoding="utf-8")
        return load_profile(file)


MORE = {"regions": regions, "flick": flick, "moment": moment}
"""Figures that are no stand-in's."""

if __name__ == "__main__":
    for name, rule in RULES.items():
        draw(name, rule)
    for one in MORE.values():
        one()

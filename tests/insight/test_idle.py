"""What of a take did nothing, and why."""

from __future__ import annotations

import re
import subprocess
from math import inf
from pathlib import Path

import pandas as pd
import pytest
from hypothesis import given

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.insight import account_of, idle_of
from mellow_thumb.takes import events_of, parts_of

from ..helpers.strategies import Event, events


def taken(rows: list[tuple[float, str, float]]) -> mt.Take:
    return mt.Take(pd.DataFrame(rows, columns=["t", "signal", "value"]))


def test_what_came_while_a_gate_was_closed_is_counted() -> None:
    rows = [(0.01 * k, f"mouse.move.{part}", 1.0) for k in range(1, 101) for part in "xy"]
    rows += [(0.505, "key.KeyM", 1.0), (0.506, "key.KeyM", 0.0)]
    idle = idle_of(mt.load_profile(marsh.CHART), taken(rows))
    reason = "look waits for charting to close"
    assert idle.counts["mouse.move"][reason] == 50
    assert idle.lines()[0] == f"50 of 100 mouse.move events did nothing: {reason}"
    assert (idle.looked, idle.whole) == (102, True)
    some = idle_of(mt.load_profile(marsh.CHART), taken(rows), most=10)
    assert (some.looked, some.whole) == (10, False)


@pytest.mark.parametrize(("profile", "take"), marsh.SCENES)
def test_every_event_of_the_demo_is_counted_once(profile: Path, take: Path) -> None:
    recorded = mt.read_take(take)
    idle = idle_of(mt.load_profile(profile), recorded, 500)
    assert sum(sum(counts.values()) for counts in idle.counts.values()) == min(
        500, len(list(events_of(recorded)))
    ) or "touch" in str(take)
    assert not any("makes nothing" in line for line in idle.lines())


@given(events())
def test_events_of_a_take_are_what_was_fed(said: list[Event]) -> None:
    rows = [
        (t, name if isinstance(value, float) else f"{name}.{part}", one)
        for name, value, t in sorted(said, key=lambda one: one[2])
        for part, one in (zip("xy", value, strict=True) if isinstance(value, tuple) else [("", value)])
    ]
    found = events_of(taken(rows)) if rows else ()
    assert [(one.t, *part) for one in found for part in parts_of(one.signal, one.value)] == rows


def test_the_command_says_it_and_looks_at_all_where_asked(command: str, tmp_path: Path) -> None:
    files = [str(marsh.FOLLOWING), str(marsh.FOLLOWING_TAKE)]
    done = subprocess.run(
        [command, "replay", *files], capture_output=True, text=True, cwd=tmp_path, check=True
    )
    assert done.stderr == ""
    words = r"^idle +[\d,]+ of [\d,]+ pad.right_stick events did nothing: in the dead zone of look$"
    assert re.search(words, done.stdout, re.MULTILINE)
    whole = subprocess.run(
        [command, "replay", *files, "--why", "--json"],
        capture_output=True,
        text=True,
        cwd=tmp_path,
        check=True,
    )
    assert '"became": {' in whole.stdout
    profile, take = mt.load_profile(marsh.FOLLOWING), mt.read_take(marsh.FOLLOWING_TAKE)
    account = account_of(profile, mt.replay(profile, take), take, idle_of(profile, take, inf))
    assert account.became["pad.right_stick"]["acted"] > 500

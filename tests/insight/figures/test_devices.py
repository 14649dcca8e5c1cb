"""Figures of devices: what they draw is what was done."""

from __future__ import annotations

import numpy as np
import pytest
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.insight.figures.devices import attitude_over_time, device_figures, room_from_above
from mellow_thumb.insight.figures.fingers import gestures
from mellow_thumb.stand_ins.handheld import Handheld


def test_each_scene_has_the_figures_of_its_devices() -> None:
    found = {
        profile.stem: set(device_figures(mt.load_profile(profile), mt.read_take(take)))
        for profile, take in marsh.SCENES
    }
    assert {name: figures for name, figures in found.items() if figures} == {
        "fingers": {"gesture"},
        "scope": {"attitude"},
        "hide": {"snap"},
    }


def test_gestures_show_each_contact_and_what_is_made_of_them() -> None:
    figure = gestures(mt.load_profile(marsh.FINGERS), mt.read_take(marsh.FINGERS_TAKE))
    screen, *panels = figure.axes
    rings = [line for line in screen.lines if line.get_markerfacecolor() == "white"]
    assert len(rings) == 8  # a drag, two fingers of each of two pinches, a swipe, two taps
    names = [panel.texts[0].get_text() for panel in panels]
    assert names == ["touch.drag.down", "touch.drag.tap", "touch.drag.x", "touch.drag.y", "touch.pinch"]
    pinched = np.asarray(panels[-1].lines[0].get_ydata())
    assert pinched.max() == pytest.approx(0.7 / 0.25, rel=0.03)
    assert pinched[-1] == pytest.approx(0.7 / 0.25 * 0.15 / 0.6, rel=0.05)


def test_the_attitude_that_is_drawn_is_the_hands() -> None:
    hand = Handheld(5, rate=100, tremor=0.0, bumps=0.0, unrest=0.0)
    hand.walk(8.0)
    hand.turn(20.0, 30.0, 0.0)
    hand.turn(20.0, 0.0, -40.0)
    t, turns, forces, truth = hand.read(*hand.path)
    figure = attitude_over_time(t, turns, forces, truth)
    tips, leans = (np.asarray(panel.lines[2].get_ydata()) for panel in figure.axes[:2])
    assert tips[860] == pytest.approx(30.0, abs=1.5)
    assert (tips[-1], leans[-1]) == pytest.approx((0.0, -40.0), abs=1.5)
    assert Rotation.from_quat(truth[-1]).as_euler("YXZ", degrees=True)[2] == pytest.approx(40.0, abs=0.1)
    assert any("up is off by" in text.get_text() for text in figure.texts)


def test_a_room_is_drawn_before_and_after_each_snap_about_the_head() -> None:
    figure = room_from_above(mt.load_profile(marsh.HIDE), mt.read_take(marsh.HIDE_TAKE))
    (panel,) = figure.axes
    assert [text.get_text() for text in panel.texts] == ["0 deg", "30 deg", "60 deg"]
    head = next(line for line in panel.lines if line.get_marker() == "o" and line.get_markersize() == 9)
    place = np.column_stack(head.get_data())[0]
    corners = [np.asarray(patch.get_path().vertices)[:4] for patch in panel.patches]
    away = [np.linalg.norm(one - place, axis=1) for one in corners]
    for one in away[1:]:
        np.testing.assert_allclose(one, away[0], atol=0.02)  # but for what the head swayed meanwhile

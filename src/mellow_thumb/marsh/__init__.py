"""The demo: a warden in a tidal salt marsh at low water, counting wading birds. All of it is made up."""

from __future__ import annotations

from pathlib import Path

from .scenes import boardwalk, chart, dyke, field_glasses, fingers, following, hide, scope

__all__ = [
    "SCENES",
    "boardwalk",
    "chart",
    "dyke",
    "field_glasses",
    "fingers",
    "following",
    "hide",
    "scope",
]

FOLDER = Path(__file__).parent
PROFILE = FOLDER / "field_glasses.toml"
"""The field glasses, as a profile."""
TAKE = FOLDER / "field_glasses.csv"
"""Ten seconds of a stand-in hand that sweeps them along the tide line."""
DYKE = FOLDER / "dyke.toml"
"""Looking out from the dyke with a gamepad, as a profile."""
DYKE_TAKE = FOLDER / "dyke.csv"
"""Eight seconds of a stand-in thumb that does so."""
BOARDWALK = FOLDER / "boardwalk.toml"
"""Counting from the boardwalk with mouse and keys, as a profile."""
BOARDWALK_TAKE = FOLDER / "boardwalk.csv"
"""Eight seconds of a stand-in hand that does so."""
FOLLOWING = FOLDER / "following.toml"
"""Following the warden along the dyke with a gamepad, as a profile."""
FOLLOWING_TAKE = FOLDER / "following.csv"
"""Two thumbs and their triggers, for `FOLLOWING`."""
CHART = FOLDER / "chart.toml"
"""Out on the marsh with mouse and keys, and a chart to open, as a profile."""
CHART_TAKE = FOLDER / "chart.csv"
"""Fourteen seconds of two stand-in hands, for `CHART`."""
FINGERS = FOLDER / "fingers.toml"
"""A chart under the fingers, as a profile."""
FINGERS_TAKE = FOLDER / "fingers.csv"
"""Six seconds of stand-in fingers, for `FINGERS`."""
SCOPE = FOLDER / "scope.toml"
"""A spotting scope in the hand, as a profile."""
SCOPE_TAKE = FOLDER / "scope.csv"
"""Eleven seconds of a stand-in hand, for `SCOPE`."""
HIDE = FOLDER / "hide.toml"
"""In the observation hide with a headset, as a profile."""
HIDE_TAKE = FOLDER / "hide.csv"
"""Nine seconds of a stand-in head and hands, for `HIDE`."""
SCENES = (
    (PROFILE, TAKE),
    (DYKE, DYKE_TAKE),
    (BOARDWALK, BOARDWALK_TAKE),
    (FOLLOWING, FOLLOWING_TAKE),
    (CHART, CHART_TAKE),
    (FINGERS, FINGERS_TAKE),
    (SCOPE, SCOPE_TAKE),
    (HIDE, HIDE_TAKE),
)
"""Each scene: its profile and its take."""

"""A door for headsets: what OpenXR calls its inputs by path, and WebXR frames, become what a session takes.

Both have the frame of this library: metres, +X right, +Y up, -Z ahead, quaternions x, y, z, w; poses are to
be those of the local floor's space. WebXR's sticks count y downwards, and are flipped here, once.
"""

from __future__ import annotations

from math import isfinite
from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError, nearest
from ..engines import rotation_of

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ..session import Fed, Quadruple, Triple

SIDES = ("left", "right")
INPUTS = {
    "thumbstick": "stick", "trackpad": "stick", "trigger": "trigger", "trigger/value": "trigger",
    "select/click": "trigger", "squeeze": "grip", "squeeze/value": "grip", "squeeze/force": "grip",
    "squeeze/click": "grip", "thumbstick/click": "stick_press", "trackpad/click": "stick_press",
    "a/click": "lower_button", "x/click": "lower_button", "b/click": "upper_button",
    "y/click": "upper_button", "menu/click": "menu",
}  # fmt: skip
"""What an input of a hand is called here, by its path below ``/user/hand/SIDE/input/`` (OpenXR 1.1)."""
XR_BUTTONS = ("trigger", "grip", "", "stick_press", "lower_button", "upper_button")
"""Buttons of a hand in WebXR's layout ``xr-standard``, in its order; the third is a touchpad's."""
PATHS = {
    **{
        f"/user/hand/{side}/input/{path}": f"{side}_hand.{name}"
        for side in SIDES
        for path, name in INPUTS.items()
    },
    **{f"/user/hand/{side}/input/{what}/pose": f"{side}_hand" for side in SIDES for what in ("aim", "grip")},
    "/user/head": "head",
}
"""Every path that is taken."""


class XrDoor:
    """Feeds a session what a headset and the hands beside it say.

    Pass ``head=door.head`` to ``session.view`` once a frame. A hand that is gone lets go of everything.
    """

    def __init__(self, session: Fed) -> None:
        """Stand before a `session`."""
        self._session = session
        self.head: tuple[Triple, Quadruple] | None = None
        """Where the head is in the play space, as the session's view takes it; None until it was said."""
        self.refused: dict[tuple[str, str], int] = {}
        """How many poses were refused, by what they are of and why; what was said before holds."""
        self._told: dict[str, float | tuple[float, float]] = {}

    def input(
        self,
        path: str,
        value: float | tuple[float, float],
        at: float | None = None,
        device: str | None = None,
    ) -> None:
        """Take the state of an input by its OpenXR path, such as ``/user/hand/left/input/thumbstick``.

        `value` is a number, or x and y of a thumbstick; `at` and `device` are as in ``session.feed``. What
        has not changed is ignored, so you may pass the whole state each frame. Raises :class:`ArgumentError`
        for an unknown path.
        """
        name = PATHS.get(path, "")
        if "." not in name:
            known = [one for one, signal in PATHS.items() if "." in signal]
            raise ArgumentError(
                f"found the path {path}; expected one of a hand's inputs{nearest(path, known)}"
            )
        if self._told.get(name, (0.0, 0.0) if isinstance(value, tuple) else 0.0) != value:
            self._told[name] = value
            self._session.feed(name, value, at=at, device=device)

    def pose(self, path: str, place: Triple, rotation: Quadruple) -> None:
        """Take the pose of the head (``/user/head``) or of a hand (``/user/hand/left/input/aim/pose``).

        `place` is in metres of the play space, `rotation` a unit quaternion x, y, z, w. A bad pose, such as a
        lost one, is refused as a whole and counted. Raises :class:`ArgumentError` for an unknown path.
        """
        name = PATHS.get(path, ".")
        if "." in name:
            known = [one for one, signal in PATHS.items() if "." not in signal]
            raise ArgumentError(f"found the path {path}; expected one of a pose{nearest(path, known)}")
        self._pose(name, place, rotation)

    def _pose(self, name: str, place: Triple, rotation: Quadruple) -> None:
        """Take the pose of the head or of a hand, whole or not at all."""
        try:
            x, y, z = map(finite, place)
            turned = rotation_of(name, rotation)
        except (TypeError, ValueError):
            why = "no place of three finite metres with a unit quaternion"
            self.refused[name, why] = self.refused.get((name, why), 0) + 1
            return
        own = self._session.coordinates
        if own:
            turned = own.basis.rotation(turned)
        if name == "head":
            self.head = (own.place(x, y, z) if own else (x, y, z), turned)
        else:
            self._session.set_hand(name.partition("_")[0], turned)

    def gone(self, side: str, at: float | None = None, device: str | None = None) -> None:
        """Say that a hand is gone: it lets go of everything it held."""
        self._told = {
            name: value for name, value in self._told.items() if not name.startswith(f"{side}_hand.")
        }
        self._session.feed(f"{side}_hand.connected", 0.0, at=at, device=device)

    def frame(self, frame: Mapping[str, Any], at: float | None = None, device: str | None = None) -> None:
        """Take a WebXR frame as JSON: what a page knows in its animation frame.

        ``viewer`` is the transform of the XRViewerPose; ``inputSources`` holds, for each hand, its
        ``handedness``, its ``gamepad`` (layout ``xr-standard``) and ``aim``, the transform of its target ray.
        A transform has ``position`` and ``orientation``, each with x, y, z and w; one that is no pose is
        refused whole, and counted. Raises KeyError, TypeError or ValueError for a frame that is malformed.
        """
        if frame.get("viewer") is not None:
            self._pose("head", *_transform(frame["viewer"]))
        there = set()
        for source in frame.get("inputSources", ()):
            side = source["handedness"]
            if side not in SIDES:
                continue
            there.add(side)
            self._hand(side, source.get("gamepad"), at, device)
            if source.get("aim") is not None:
                self._pose(f"{side}_hand", *_transform(source["aim"]))
        for side in SIDES:
            if side not in there and any(name.startswith(f"{side}_hand.") for name in self._told):
                self.gone(side, at, device)

    def _hand(self, side: str, pad: Mapping[str, Any] | None, at: float | None, device: str | None) -> None:
        if pad is None or pad.get("mapping", "xr-standard") != "xr-standard":
            return
        told: dict[str, float | tuple[float, float]] = {}
        axes = [finite(axis) for axis in pad["axes"]]
        if len(axes) >= 2:
            x, y = axes[2:4] if len(axes) >= 4 else axes[:2]
            told["stick"] = (x, 0.0 - y)
        for name, button in zip(XR_BUTTONS, pad["buttons"], strict=False):
            if name:
                value = finite(button["value"])
                told[name] = value if name in ("trigger", "grip") else float(bool(button["pressed"]))
        for name, now in told.items():
            signal = f"{side}_hand.{name}"
            if self._told.get(signal) != now:
                self._told[signal] = now
                self._session.feed(signal, now, at=at, device=device)


def _transform(given: Mapping[str, Any]) -> tuple[Triple, Quadruple]:
    place, turned = given["position"], given["orientation"]
    x, y, z = (place[part] for part in "xyz")
    a, b, c, d = (turned[part] for part in "xyzw")
    return (x, y, z), (a, b, c, d)


def finite(value: Any) -> float:
    """A value from JSON as a finite number; ValueError or TypeError for anything else."""
    number = float(value)
    if isinstance(value, bool | str) or not isfinite(number):
        raise ValueError
    return number

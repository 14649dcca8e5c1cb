"""A frame's values: axes, gates, cues, the active device."""

from __future__ import annotations

from collections.abc import Mapping
from math import hypot, nan
from typing import TYPE_CHECKING, NamedTuple

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..weaving import Program
    from .coordinates import Coordinates
    from .view import Triple


Went = tuple[tuple[float, ...], tuple[float, ...], int, float, "Coordinates | None", float]
"""The values of a frame and of the one before it, where a walk begins in them, the world's rate, the host's
coordinates, how long (s) the frame was."""
NOWHERE = (0.0, 0.0, 0.0, 0.0, 0.0, 0.0, nan, nan)
"""What a frame reads of a walk where nobody walks: velocity, place, heading, and what "forward" is."""
STILL: Went = (NOWHERE, NOWHERE, 0, 1.0, None, 0.0)


def velocity_of(went: Went) -> Triple:
    """How fast a character goes at a frame's end; see :attr:`Moved.velocity`."""
    now, _, first, rate, own, _ = went
    x, y, z = now[first : first + 3]
    if rate != 1.0:  # in a pause 0 has no sign
        x, y, z = x * rate + 0.0, y * rate + 0.0, z * rate + 0.0
    return own.place(x, y, z) if own else (x, y, z)


class Moved:
    """How a character went in one frame, in the host's coordinates; ours have +Y up."""

    __slots__ = ("_of", "velocity")

    _of: Went
    velocity: Triple
    """Metres (units) a second at its end, of the host's time: half in half slow motion, 0 in a pause."""

    @property
    def step(self) -> Triple:
        """Metres, or the host's own units, along x, y and z in this frame."""
        now, before, first, _, own, _ = self._of
        x = first + 3
        a, b, c = now[x] - before[x], now[x + 1] - before[x + 1], now[x + 2] - before[x + 2]
        return own.place(a, b, c) if own else (a, b, c)

    @property
    def heading(self) -> float:
        """Where it faces, in degrees: 0 is -Z, positive turns right; NaN without movement."""
        return self._of[0][self._of[2] + 6]

    @property
    def forward(self) -> float:
        """What "forward" is at its end, in degrees: mostly where the camera looks."""
        return self._of[0][self._of[2] + 7]

    @property
    def _all(self) -> tuple[object, ...]:
        return self.step, self.velocity, self.heading, self.forward

    def __eq__(self, other: object) -> bool:
        """Whether both are the same movement."""
        return isinstance(other, Moved) and self._all == other._all

    def __hash__(self) -> int:
        return hash(self._all)

    def __repr__(self) -> str:
        return f"Moved(step={self.step}, velocity={self.velocity}, heading={self.heading})"


class Axes(Mapping[str, float]):
    """Each axis by name, in its unit; read as a dictionary is, and made one by ``dict()``."""

    __slots__ = ("_places", "_values")

    _places: dict[str, int]
    _values: tuple[float, ...]

    def __getitem__(self, name: str) -> float:
        return self._values[self._places[name]]

    def __iter__(self) -> Iterator[str]:
        return iter(self._places)

    def __len__(self) -> int:
        return len(self._places)

    def __repr__(self) -> str:
        return repr(dict(self))


def moved_of(went: Went) -> Moved:
    """How a character went, from the values of two frames."""
    moved = Moved()
    moved._of, moved.velocity = went, velocity_of(went)
    return moved


NOBODY = moved_of(STILL)
"""How a character went where none walks."""
UNKNOWN = 1e6
"""A radius that is larger is of a pad in cm on a screen of which nobody knows how long one is."""


class Pad(NamedTuple):
    """A thumb pad on the screen, to be drawn: places are 0 to 1 of the view from its bottom left corner."""

    centre: tuple[float, float]
    """Where its middle is."""
    radius: float
    """From there to its rim, in screens: the shorter side of the view is 1."""
    finger: tuple[float, float] | None
    """Where the finger is that holds it; None where none does."""


class Frame:
    """What the axes and gates were at the end of one frame, and which cues were given in it."""

    __slots__ = ("_cues", "_program", "_went", "axes", "movement", "t")

    t: float
    """Session time at the frame's end, in seconds."""
    axes: Axes
    """Each axis by name, in its unit; `yaw_total` is the yaw with full turns included."""
    movement: Moved
    """How far the character went in this frame, how fast it goes and where it faces."""
    _went: Went
    _program: Program
    _cues: dict[str, int] | None

    @property
    def cues(self) -> dict[str, int]:
        """How often each cue was given in this frame: ``"hop" in frame.cues``."""
        if self._cues is None:
            self._cues = {}
        return self._cues

    @property
    def gates(self) -> dict[str, bool]:
        """Whether each gate is open."""
        values = self._went[0][len(self._program.axes) :]
        return {name: value != 0.0 for name, value in zip(self._program.gates, values, strict=False)}

    @property
    def touches(self) -> dict[str, Pad]:
        """The thumb pads to draw, by name: those with a fixed place, and those that are held."""
        found = {}
        for name, place, stays in self._program.pads:
            x, y, radius, at_x, at_y, held = self._went[0][place : place + 6]
            if (held or stays) and radius < UNKNOWN:
                found[name] = Pad((x, y), radius, (at_x, at_y) if held else None)
        return found

    @property
    def fade(self) -> float:
        """How dark to draw the view of a headset: 1 at a snap, falling to 0 within the `fade` time."""
        place, over = self._program.places.get("snapped"), self._program.fade
        if place is None or not over:
            return 0.0
        return max(0.0, 1.0 - (self.t - self._went[0][place]) / over)

    def vignette(self, turn: float = 90.0, speed: float = 3.0) -> float:
        """How much of the view's edge to darken, 0 to 1, against sickness: 1 from that turn or speed on.

        `turn` is in deg/s, `speed` in m/s: what the session turned and walked in this frame, never the head.
        A snap, which is over at once, does not count.
        """
        place, snapped = self._program.axis_places["yaw_total"], self._program.places.get("snapped")
        now, before, _, slowed, _, dt = self._went
        turned = abs(now[place] - before[place])
        if snapped is not None and now[snapped] != before[snapped]:
            turned = 0.0
        rate = turned / dt if dt > 0.0 else 0.0
        places = self._program.velocity_places
        walked = hypot(*(now[k] for k in places[::2])) * slowed if places else 0.0
        return min(1.0, max(rate / turn, walked / speed))

    @property
    def mount(self) -> str:
        """The active mount, by name."""
        place = self._program.places.get("mount")
        return self._program.mounts[int(self._went[0][place]) if place is not None else 0]

    @property
    def device(self) -> str:
        """The device in use: ``desk`` (mouse and keyboard), ``pad``, ``handheld``; ``none`` before any."""
        families = self._program.families
        place = self._program.places.get("device")
        return families[int(self._went[0][place])] if place is not None else (*families, "none")[0]

    def __repr__(self) -> str:
        return f"Frame(t={self.t}, axes={self.axes}, gates={self.gates}, cues={self.cues})"


def frame_of(t: float, values: tuple[float, ...], program: Program) -> Frame:
    """The frame that ends at `t` (s) with these values, without the one before it and without cues."""
    # no class that is made every frame has an __init__, which would take twice as long; what hosts read is
    # made at once: to make it when it is read costs three times as much
    frame, places = Frame(), program.velocity_places
    frame.t, frame._program, frame._cues = t, program, None
    frame.axes = axes = Axes()
    axes._places, axes._values = program.axis_places, values
    frame._went = (values, values, places[0] if places else 0, 1.0, None, 0.0)
    frame.movement = moved_of(frame._went) if places else NOBODY
    return frame

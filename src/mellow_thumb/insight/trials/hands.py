"""Hands of a stand-in person at a round: a mouse that aims and follows, keys that walk, a wheel that zooms.

They see what a person sees, frame by frame, and do what hands do: whole counts of a mouse, whole notches of a
wheel, presses of keys. What they meant is known, so what a trial measures can be held against it.
"""

from __future__ import annotations

from math import atan2, cos, degrees, radians, sin
from typing import TYPE_CHECKING, NamedTuple

from ...basics import ArgumentError
from ...plan import KeySet, find_signal
from ...takes import parts_of
from .playing import Playing
from .trial import take_of

if TYPE_CHECKING:
    from ...profiles import Profile
    from ...stand_ins import Person, Way
    from ...takes import Take
    from .tasks import Place, Target, Task

FRAME = 1.0 / 120.0
"""Seconds of a frame."""
BEHIND = 0.12
"""Seconds by which these hands follow what they see."""
SELECT = "mouse.left"


class Hand(NamedTuple):
    """What drives one axis of a task: the signal, its component, and how far a unit goes."""

    signal: str
    part: str
    gain: float


class Hands:
    """A person's hands at one round of a profile."""

    def __init__(self, profile: Profile, person: Person, ease: float = 1.0) -> None:
        """Sit down; `ease` is that of the setting."""
        self.profile, self.person, self.ease = profile, person, ease
        self.session = profile.session(compiled=False)
        self.rows: list[tuple[float, str, float, str]] = []
        self._sent: dict[tuple[str, str], tuple[float, float]] = {}
        self._held: set[str] = set()
        self._way: Way | None = None
        self._aimed: Target | None = None
        self._forward = 0.0
        self._known: dict[str, Hand] = {}

    def play(self, tasks: tuple[Task, ...], seed: int, *, short: bool = False) -> Take:
        """Play a round: its take, with what was asked in it."""
        self.person.begin()
        playing, walked, taken = Playing(tasks, seed, short=short), (0.0, 0.0), list[float]()
        while not playing.over:
            now = self.session.now
            frame = self.session.tick(FRAME)
            step = frame.movement.step if self.profile.movement else (0.0, 0.0, 0.0)
            walked = walked[0] + step[0], walked[1] + step[2]
            self._forward = frame.movement.forward
            playing.frame(frame.t, frame.t - now, frame.axes, walked, taken, frame.cues)
            taken = self._act(playing, frame.t)
        rows = [*self.rows, *((t, name, value, "") for t, name, value in playing.rows)]
        return take_of(rows)

    def _act(self, playing: Playing, t: float) -> list[float]:
        """Do what a person does in the frame after `t`; when something is selected in it."""
        task, end = playing.task, t + FRAME
        if task is None:
            self._way = self._aimed = None
            self._press(set(), t)
            return []
        if task.kind == "walk":
            self._walk(playing, t)
            return []
        if playing.bird is not None:
            self._move(playing, playing.flown(end - BEHIND), t)
            return []
        target = playing.target
        if target is None:
            return []
        if target is not self._aimed:
            self._aimed = target
            origin = target.origin if target.counts else playing.place
            self._way = self.person.aim(t, playing.place, origin, target.place, target.width, self.ease)
        way = self._way
        if way is None:
            return []
        self._move(playing, way.at(end), t)
        if way.begun + way.ended > end:
            return []
        moment = max(way.begun + way.ended, t)
        for at, down in ((moment, 1.0), (moment + 0.04, 0.0)):
            self.session.feed(SELECT, down, at=at)
            self.rows.append((at, SELECT, down, ""))
        self._way = None
        return [moment]

    def _move(self, playing: Playing, want: Place, t: float) -> None:
        """Move so far that the camera comes to a place, by whole units of each signal."""
        task, moved = playing.task, dict[str, dict[str, float]]()
        assert task is not None
        for axis, goal, here in zip(task.axes, want, playing.place, strict=False):
            hand = self._hand(axis)
            base, sent = self._sent.setdefault((task.name, axis), (here, 0.0))
            sign = -1.0 if axis == "distance" else 1.0  # a zoom in is a distance that shrinks
            whole = round(sign * (goal - base) / hand.gain - sent)
            if whole:
                self._sent[task.name, axis] = base, sent + whole
                moved.setdefault(hand.signal, {})[hand.part] = float(whole)
        at = t + 0.5 * FRAME
        for signal, parts in moved.items():
            pair = find_signal(signal).signal.pair
            value = (parts.get("x", 0.0), parts.get("y", 0.0)) if pair else parts["x"]
            self.session.feed(signal, value, at=at)
            self.rows += [(at, name, one, "") for name, one in parts_of(signal, value)]

    def _hand(self, axis: str) -> Hand:
        """What moves an axis: a displacement that is heard without anything held."""
        if axis in self._known:
            return self._known[axis]
        opened = self.profile.session(compiled=False).tick(0.0).gates
        for route in self.profile.routes:
            heard = route.gate is None or route.gate.holds(opened)
            if axis in route.drives and route.source.signal.kind == "displacement" and heard:
                part, gain = next((part, gain) for name, part, gain in route.parts if name == axis)
                self._known[axis] = Hand(route.source.signal.name, part, gain)
                return self._known[axis]
        raise ArgumentError(f"found no mouse or wheel that moves {axis}; expected one for a stand-in's hands")

    def _walk(self, playing: Playing, t: float) -> None:
        """Press the keys that lead toward the next post."""
        target = playing.target
        if target is None:
            return
        x, z = target.place[0] - playing.place[0], target.place[1] - playing.place[1]
        yaw = degrees(atan2(x, -z)) - self._forward
        ways = {"right": sin(radians(yaw)), "up": cos(radians(yaw))}
        wanted = {("right", "left")[ways["right"] < 0.0]} if abs(ways["right"]) > 0.38 else set()
        wanted |= {("up", "down")[ways["up"] < 0.0]} if abs(ways["up"]) > 0.38 else set()
        self._press({self._keys()[one] for one in wanted}, t)

    def _keys(self) -> dict[str, str]:
        """The first key of each direction of what walks."""
        sets = {one.name: one for one in self.profile.derived if isinstance(one, KeySet)}
        for route in self.profile.routes:
            one = sets.get(route.source.signal.name)
            if one is not None and "move_y" in route.drives:
                names = ("left", "right", "down", "up")
                return {name: str(keys[0]) for name, keys in zip(names, one.ways, strict=True)}
        raise ArgumentError("found no keys that walk; expected a key set for a stand-in's hands")

    def _press(self, wanted: set[str], t: float) -> None:
        """Hold these keys from now on, and no others."""
        for key in sorted(wanted ^ self._held):
            self.session.feed(key, float(key in wanted), at=t)
            self.rows.append((t, key, float(key in wanted), ""))
        self._held = set(wanted)

"""Controls: what one way of one signal does to one axis, measured and put into words."""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from math import exp, inf, log
from typing import TYPE_CHECKING

from ..basics import listed
from ..plan import MOVES, PANS, EdgeZone
from ..plan.mounts import Eye, Orbit
from ..plan.steps import Exponential, OneEuro, SlowFast, Spring
from .account import number
from .bench import Bench, for_one
from .plain_words import does, during, edge_words, hands, touch_of, touch_words, when_words
from .response import shaped
from .states import idle_words, listens_in, moves_in

if TYPE_CHECKING:
    from collections.abc import Mapping, Sequence

    from ..plan import Axis, Plan, Route
    from ..plan.mounts import Mount
    from ..session import Basis
    from .states import State

LEAST = 1e-9
"""What an axis must do to count as driven: in its own unit."""


@dataclass(frozen=True)
class Control:
    """What one way of one signal does to one axis."""

    route: str
    devices: tuple[str, ...]
    """The families of devices that it is for."""
    signal: str
    """The address of the signal, with its component."""
    hand: str
    """What a hand does, in words: the way that `amount` is for."""
    when: str
    """When the route listens; empty for always."""
    axis: str
    effect: str
    """``rate``, ``step``, ``offset`` or ``pin``."""
    amount: float
    """What the axis does for one unit of the signal, or for all of a held value, every sign included."""
    unit: str
    does: str
    details: tuple[str, ...] = ()
    """What else there is to say: where it begins, how it is bent, where it stops."""
    other: str = ""
    """What a hand does for the other way; empty where there is none, as of a button."""
    sign: float = 1.0
    """Of the signal, for the way that `hand` tells."""
    size: str = ""
    """How much comes of it, in words, of both ways where they differ."""
    seen: bool = True
    """Whether any mount makes a view of the axis; if none does, it is a number for the host."""
    ends: Mapping[str, tuple[float | None, float | None]] = field(default_factory=dict)
    """Where the axis stops, down and up, in each mount that may be active meanwhile; None for nowhere."""
    idle: str = ""
    """Why it does nothing, if it does: the mounts in which it listens do not use the axis."""

    @property
    def ways(self) -> tuple[str, str]:
        """Each way in short: what a hand does and what happens; the second may be empty."""
        if self.effect == "pin" or self.idle:
            return f"{self.hand} -> {self.does}", f"{self.other} -> {self.does}" if self.other else ""
        back = f"{self.other} -> {does(self.axis, -self.amount, seen=self.seen)}" if self.other else ""
        return f"{self.hand} -> {does(self.axis, self.amount, seen=self.seen)}", back

    @property
    def both(self) -> tuple[str, str]:
        """Both ways at once: what hands do, and what happens."""
        (hand, done), (other, back) = (way.partition(" -> ")[::2] for way in self.ways)
        return either(hand, other) if other else hand, either(done, back) if other and back != done else done

    def text(self) -> str:
        """Both ways in one line, with how much, and the rest."""
        when = f"{self.when}: " if self.when else ""
        hand, done = self.both
        words = "; ".join((f"{done}, {self.size}" if self.size else done, *self.details))
        return f"{when}{hand} -> {words}"


def either(one: str, other: str) -> str:
    """Two phrases as one, without what they share.

    >>> either("mouse right", "mouse left"), either("W or Arrow Up held", "S held")
    ('mouse right or left', 'W or Arrow Up, or S held')
    """
    first, second = one.split(), other.split()
    begin = next((k for k, pair in enumerate(zip(first, second, strict=False)) if pair[0] != pair[1]), 0)
    least = min(len(first), len(second)) - begin
    end = next((k for k in range(least) if first[-1 - k] != second[-1 - k]), 0)
    ours = " ".join(first[begin : len(first) - end])
    apart = ", or" if " or " in ours else " or"  # of two keys for one way, and one for the other
    middle = [f"{ours}{apart}", *second[begin : len(second) - end]]
    return " ".join([*first[:begin], *middle, *first[len(first) - end :]])


def controls_of(profile: Plan, route: Route, states: Sequence[State], basis: Basis | None) -> list[Control]:
    """A route's controls in the states of a profile: one for each way of its signal and each axis."""
    gates = {gate.name: gate for gate in profile.gates}
    when = when_words(route.gate, gates) if route.gate else ""
    devices, parts = profile.families_of(route), route.source.components
    where = listens_in(profile, route, states)
    if route.effect == "pin":
        idle = idle_words(profile, "pan_x", where)
        words = f"nothing: {idle}" if idle else "what is under it stays under it"
        touch = touch_of(profile, route)
        held, details = ("finger", touch_words(touch)) if touch else ("pointer", [])
        if touch and touch.after_travel.value:
            details.append("it catches up until the ground is under the finger again")
        details += _only(profile, moves_in(profile, "pan_x", where), where)
        pin = Control(
            route.name, devices, str(route.source), f"{held} moved", when, "pan_x", "pin", 0.0, "", words,
            () if idle else tuple(details), idle=idle,
        )  # fmt: skip
        return [pin]
    bench, found = Bench(profile, route), []
    for part in parts:
        _, _, sign = hands(profile, route, part)
        for axis, amount in for_one(bench, part, sign).items():
            if abs(amount) > LEAST:
                found.append(_control(profile, bench, part, axis, amount, when, devices, basis, where))
    return found


def _control(
    profile: Plan, bench: Bench, part: str, name: str, amount: float, when: str,
    devices: tuple[str, ...], basis: Basis | None, where: frozenset[int],
) -> Control:  # fmt: skip
    """What one way of a signal does to one axis, in words."""
    route = bench.route
    axis = next(one for one in profile.axes if one.name == name)
    does_hand, other, sign = hands(profile, route, part)
    flicks = _pinned_too(profile, route)
    if flicks:
        does_hand, other = (words.replace("drag ", "flick ") for words in (does_hand, other))
    amount *= sign
    moves = moves_in(profile, name, where)
    seen = bool(moves)
    words = does(name, amount, seen=seen)
    size, unit = _amount(route, axis, amount, both=False)
    sizes, _ = _amount(route, axis, amount, both=bool(other))
    idle = idle_words(profile, name, where)
    if idle:
        words = f"nothing: {idle}"
    if flicks or idle:
        size = sizes = ""
    touch = touch_of(profile, route)
    made = next((one for one in profile.derived if one.name == route.source.signal.name), None)
    details = touch_words(touch) if touch else edge_words(made, part) if isinstance(made, EdgeZone) else []
    details += [*_travel(bench, part, name, sign), *_more(profile, bench, part, name)]
    if name in PANS and drags_ground(profile, route):
        details.append(f"the ground goes {'with' if amount * sign < 0.0 else 'against'} the hand")
    details += _only(profile, moves, where)
    ends = _ends(profile, name, moves or (frozenset() if idle else where))
    details += _stops(profile, name, ends, amount, both=bool(other))
    if route.pins == "pointer":
        held = "between the fingers" if route.source.signal.device == "touch" else "under the pointer"
        details.append(f"what is {held} stays there")
    details += [] if seen else ["no camera shows it: it is for your game"]
    if basis and name in ("yaw", "pitch", "roll"):
        way, about = basis.turn(name)
        turn = "positive" if way * amount > 0.0 else "negative"
        details.append(f"in your axes a {turn} turn about {about}")
    address = f"{route.source.signal.name}.{part}" if route.source.signal.pair else str(route.source)
    return Control(
        route.name, devices, address, does_hand, when, name, route.effect, amount, unit,
        f"{words}, {size}" if size else words, () if idle else tuple(details), other, sign, sizes, seen,
        ends, idle,
    )  # fmt: skip


def _only(plan: Plan, moves: frozenset[int], where: frozenset[int]) -> list[str]:
    """The mounts in which a control does something, unless that is every mount in which it listens."""
    names = [plan.mounts.all[k].mount.name for k in sorted(moves)]
    return [f"only in {listed(names, 'and')}"] if names and moves != where else []


def _pinned_too(plan: Plan, route: Route) -> bool:
    """Whether the fingers that a route pans by also hold the ground, so that it only adds their flick."""
    touch = route.source.signal.name
    held = [one for one in plan.routes if one.effect == "pin" and one.source.signal.name == f"{touch}.place"]
    gates = {gate.name: gate for gate in plan.gates}
    opened = [gates[name] for one in held if one.gate for name in one.gate.gates]
    ours = [
        gate.buttons and gate.choice == ("hold",) and str(gate.buttons.inputs[0]) == f"{touch}.down"
        for gate in opened
    ]
    return bool(route.pans and route.glide and ours and all(ours))


def drags_ground(plan: Plan, route: Route) -> bool:
    """Whether a route pans as far as a hand moves over a screen, a trackpad or a table."""
    signal = route.source.signal
    fingers = any(one.kind in ("drag", "two_finger_drag") and one.signal == signal for one in plan.touches)
    hand = fingers or signal.name in ("mouse.move", "mouse.pixels", "trackpad.move", "trackpad.pan")
    return hand and route.effect == "step" and bool(route.pans)


def _amount(route: Route, axis: Axis, amount: float, *, both: bool) -> tuple[str, str]:
    """How much, in words, one way or both; and per what unit."""
    kind, per = route.source.signal.kind, route.source.signal.unit
    if axis.name in MOVES:
        return "", "of full speed"
    if axis.log:
        # what multiplies divides on the way back: 15 % more, then 13 % less
        ways = [digits(100.0 * abs(exp(way) - 1.0)) for way in ((amount, -amount) if both else (amount,))]
        value, unit = f"{' or '.join(dict.fromkeys(ways))} %", "%"
    else:
        value, unit = f"{digits(abs(amount))} {axis.unit}".rstrip(), axis.unit
        if route.screens:  # how many metres that is goes by how far the camera is
            value = f"{digits(_in_screens(route, axis.name))} screen"
    amount = abs(amount)
    if kind == "ratio":
        same = abs(amount - 1.0) < 1e-6
        return "by the same factor" if same else f"by that to the power {digits(amount)}", "x/x"
    if kind == "angle":
        return (f"{value}/s per deg" if route.effect == "rate" else f"{value} per deg"), f"{unit}/{per}"
    if kind == "rate":
        same = abs(amount - 1.0) < 1e-6 and not axis.log
        return "just as far" if same else f"{value} per deg", f"{unit}/{per}"
    if route.effect == "step":
        return f"{value} per {per}" if per != "press" else f"{value} a press", f"{unit}/{per}"
    most = "up to " if kind == "deflection" and not _of_keys(route) else ""
    return (f"{most}{value}/s", f"{unit}/s") if route.effect == "rate" else (f"by {most}{value}", unit)


def digits(value: float) -> str:
    """A number as a person would write it, three digits for small ones."""
    return number(value) if abs(value) >= 1.0 or value == 0.0 else f"{value:.3g}"


def _of_keys(route: Route) -> bool:
    return "." not in route.source.signal.name


def _travel(bench: Bench, part: str, name: str, sign: float) -> list[str]:
    """Where a held value starts to act, and what half travel gives."""
    route = bench.route
    kind = route.source.signal.kind
    if kind not in ("deflection", "angle") or _of_keys(route):
        return []
    quiet = quiet_of(route)
    words = []
    if kind == "angle":
        if quiet:
            words.append(f"the first {number(quiet * route.full)} deg do nothing")
        if route.full < 360.0:
            words.append(f"full at {number(route.full)} deg")
        return words
    if quiet:
        words.append(f"the first {number(100.0 * quiet)} % of travel does nothing")
    half = bench.effect(part, 0.5)[name] * sign
    if name in MOVES:
        return (
            [*words, f"half travel is {number(100.0 * abs(half))} %"] if quiet or route.shape.curve else words
        )
    axis = next(one for one in bench.plan.axes if one.name == name)
    if axis.log:
        return words
    gives, unit = abs(half), axis.unit
    if route.screens:
        gives, unit = gives / abs(bench.effect(part, sign)[name]) * _in_screens(route, name), "screen"
    return [*words, f"half travel gives {number(gives)} {unit}" + ("/s" if route.effect == "rate" else "")]


def _in_screens(route: Route, name: str) -> float:
    """A route's pan, in screens."""
    return max(abs(gain) for axis, _, gain in route.parts if axis == name)


def quiet_of(route: Route) -> float:
    """The share of a held value's travel from rest that does nothing."""
    function = shaped(replace(route.shape, rest=(0.0, 0.0)), pair=route.source.width == 2)
    low, high = 0.0, 1.0
    if abs(function(1e-9, 0.0)[0]) > 0.0:
        return 0.0
    for _ in range(50):
        middle = 0.5 * (low + high)
        low, high = (low, middle) if abs(function(middle, 0.0)[0]) > 0.0 else (middle, high)
    return 0.0 if high < 1e-6 or (route.shape.curve and not route.shape.inner) else high


def _more(profile: Plan, bench: Bench, part: str, name: str) -> list[str]:
    """The hand's travel for a full turn, a boost, a gain, scales, smoothing."""
    route, words = bench.route, []
    axis = next(one for one in profile.axes if one.name == name)
    counts = getattr(profile, "counts_per_cm", None)
    if route.source.signal.unit == "count" and axis.unit == "deg" and counts:
        turn = 360.0 / abs(for_one(bench, part)[name]) / counts
        words.append(f"a full turn is {number(turn)} cm")
    if route.turn_boost:
        late = Bench(profile, route, eased=True).steady(part, 1.0, route.turn_boost.build + 5.0)[name]
        words.append(
            f"{number(abs(late))} {axis.unit}/s after {number(route.turn_boost.build)} s all the way out"
        )
    if route.speed_gain:
        gain = bench.fast(part, 2.0 * route.speed_gain.fast)[name] / for_one(bench, part)[name]
        words.append(f"{number(gain)} times as much for a fast hand")
    gates = {gate.name: gate for gate in profile.gates}
    words += [f"times {number(factor)} {during(condition, gates)}" for condition, factor in route.scales]
    if route.with_zoom:
        words.append("less when zoomed in, so that the picture moves the same")
    smoothing = route.smoothing or (axis.smoothing if route.effect != "offset" else None)
    if isinstance(smoothing, Exponential):
        words.append(f"smoothed: half the response after {number(1000.0 * smoothing.half_life)} ms")
    elif isinstance(smoothing, Spring):
        words.append(f"eased in: half the response after {number(1000.0 * smoothing.half_time)} ms")
    elif isinstance(smoothing, SlowFast):
        half = number(1000.0 * smoothing.half_life)
        words.append(f"slow motion smoothed: half the response after {half} ms")
    elif isinstance(smoothing, OneEuro):
        words.append("smoothed at rest, direct when fast")
    if route.glide:
        # what it goes at first is the finger's own speed, and half of it is left in each half-life
        far, half = f"{1000.0 * route.glide / log(2.0):.3g}", number(1000.0 * route.glide)
        words.append(f"a flick runs on as far as the finger goes in {far} ms, half of that in {half} ms")
    if axis.return_half_life and route.effect != "offset":
        back = f"{number(axis.rest)} {axis.unit}".rstrip()
        half = number(axis.return_half_life)
        words.append(f"goes back to {back} by itself, half of the way every {half} s")
    if route.gate and route.closing.way == "return":
        words.append(f"goes back over {number(route.closing.over)} s when let go")
    return words


def _ends(plan: Plan, name: str, mounts: frozenset[int]) -> dict[str, tuple[float | None, float | None]]:
    """Where an axis stops, down and up, in each of some mounts by name; None for no limit."""
    found = {}
    by_key = {one.key: one.axis for one in plan.mounts.instances}
    for k in sorted(mounts) if name not in MOVES else ():
        key = plan.mounts.of(k, name)
        axis = by_key[key if isinstance(key, str) else name]
        low, high = (None if _is_none(axis, limit) else limit for limit in (axis.low, axis.high))
        found[plan.mounts.all[k].mount.name] = (low, high)
    return found


def _stops(
    plan: Plan, name: str, ends: Mapping[str, tuple[float | None, float | None]], amount: float, *, both: bool
) -> list[str]:
    """Where an axis stops, one way or both, in each mount."""
    mounts = {one.mount.name: one.mount for one in plan.mounts.all}
    bounded = [one for one in ends if name in PANS and getattr(mounts[one], "bounds", None)]
    if bounded:
        return [f"stays inside the bounds of {listed(bounded, 'and')}"]
    unit = next(axis.unit for axis in plan.axes if axis.name == name)
    where: dict[str, list[str]] = {}
    for mount, (low, high) in ends.items():
        limits = (low, high) if both else (high,) if amount > 0.0 else (low,)
        told = [f"{number(limit)}" for limit in limits if limit is not None]
        words = f"{' and '.join(told)} {unit}".rstrip() + _measured(mounts[mount], name)
        words = words if told else "nothing"
        where.setdefault(words, []).append(mount)
    if set(where) <= {"nothing"}:
        return []
    if len(where) == 1:
        return [f"stops at {next(iter(where))}"]
    where.pop("nothing", None)
    return ["stops at " + ", ".join(f"{words} in {listed(mounts, 'and')}" for words, mounts in where.items())]


MEASURED = {
    ("yaw", "subject"): " from where the subject faces",
    ("yaw", "entry"): " from where the subject faced as the mount took over",
    ("yaw", "target"): " from the way to the target",
    ("pitch", "target"): " from the way to the target",
}
"""What limits are measured from, by axis and by what its mount is measured from."""


def _measured(mount: Mount, name: str) -> str:
    """What an axis's limits are measured from in a mount; empty for the world."""
    turns = isinstance(mount, Eye | Orbit)  # of the others the frame says where their pans begin
    return MEASURED.get((name, mount.frame), "") if turns else ""


def _is_none(axis: Axis, limit: float) -> bool:
    """Whether a limit is beyond anyone's reach."""
    return abs(limit) == inf or (axis.log and not 1e-9 < limit < 1e9)

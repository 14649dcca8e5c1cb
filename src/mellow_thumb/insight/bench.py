"""A bench: one route of a plan by itself, to be pushed and measured, on a real session.

Its gate is open, its limits are off, and nothing else acts. With `eased` its smoothing and boost stay,
and the smoothing of its axes; otherwise the total that they would spread over time is measured.
"""

from __future__ import annotations

from dataclasses import replace
from math import cos, inf, log, radians, sin
from typing import TYPE_CHECKING, Any

from ..plan import NOTHING, EdgeZone, Hands, KeySet, Plan, Presses
from ..session import Session

if TYPE_CHECKING:
    from ..plan import Address, Axis, Route, Touch

SCREEN = (1000.0, 1000.0)
"""The screen of the bench, in pixels: a screen is as wide as it is tall."""
PER_CM = 50.0
"""Its pixels in a cm."""
SOON = 1 / 64
"""Seconds after which a rate is read: before a boost has built, and before a sensor counts as silent."""


class Bench:
    """One route of a plan by itself."""

    def __init__(self, plan: Plan, route: Route, *, eased: bool = False) -> None:
        """Put a route on the bench."""
        self.route = route
        self._made = {one.name: one for one in plan.derived}.get(route.source.signal.name)
        self._touch = next(
            (one for one in plan.touches if route.source.signal.name == f"touch.{one.name}"), None
        )
        self.plan = _alone(plan, route, eased=eased)

    @property
    def steered(self) -> bool:
        """Whether its signal is an edge zone."""
        return isinstance(self._made, EdgeZone)

    def session(self) -> Session:
        """A session of the route, at time 0."""
        # what is tried is over before it would be compiled
        session = Session(self.plan, ceiling=inf, compiled=False)
        if self.plan.touches or self.route.pans:
            session.set_screen(*SCREEN, pixels_per_cm=PER_CM)
        if self.route.tilts:
            session.attitude((0.0, 0.0, 0.0, 1.0), at=0.0)
        session.tick(0.0)
        return session

    def values(self, session: Session, dt: float = 0.0) -> dict[str, float]:
        """Each axis that it drives, `dt` seconds later, as it adds up: the logarithm for one in per cent."""
        read = session.tick(dt).axes
        axes = {axis.name: axis for axis in self.plan.axes}
        return {
            name: axes[name].inner(read["yaw_total" if name == "yaw" else name]) for name in self.route.drives
        }

    def moved(self, part: str, amount: float, seconds: float) -> dict[str, float]:
        """How far each of its axes goes in some seconds after a push of its signal."""
        session = self.session()
        before = self.values(session)
        self.push(session, part, amount)
        after = self.values(session, seconds)
        return {name: after[name] - before[name] for name in after}

    def rate(self, part: str, amount: float) -> dict[str, float]:
        """How fast each of its axes goes (a second) while its signal is pushed; without any boost."""
        return {name: value / SOON for name, value in self.moved(part, amount, SOON).items()}

    def effect(self, part: str, amount: float) -> dict[str, float]:
        """The effect of a push: a rate a second, or how far its axes step or lean."""
        return self.rate(part, amount) if self.route.effect == "rate" else self.moved(part, amount, SOON)

    def steady(self, part: str, amount: float, after: float) -> dict[str, float]:
        """How fast each of its axes goes (a second) after a push held for some seconds."""
        session = self.session()
        self.push(session, part, amount)
        before = self.values(session, after)
        now = self.values(session, SOON)
        return {name: (now[name] - before[name]) / SOON for name in now}

    def fast(self, part: str, speed: float) -> dict[str, float]:
        """The effect of one unit of a displacement when the hand moves at a speed (units a second)."""
        session, gap = self.session(), 0.008
        for k in range(100):
            self.push(session, part, speed * gap, at=k * gap)
        before = self.values(session, 99.5 * gap)
        self.push(session, part, speed * gap, at=100 * gap)
        now = self.values(session, gap)
        return {name: (now[name] - before[name]) / (speed * gap) for name in now}

    # ---- pushing

    def push(self, session: Session, part: str, amount: float, at: float | None = None) -> None:
        """Push the route's signal: a held value to a share of its travel, a displacement by units.

        `part` is the component, ``x`` or ``y``; a spread takes a factor, a tilt degrees.
        """
        name = self.route.source.signal.name
        if isinstance(self._made, KeySet):
            self._press_keys(session, self._made, part, amount, at)
        elif isinstance(self._made, EdgeZone):
            place = 0.5 + 0.5 * amount
            session.feed(self._made.source.signal.name, (place, 0.5) if part == "x" else (0.5, place), at=at)
        elif isinstance(self._made, Presses):
            self._press(session, self._made.inputs[0], amount, at)
        elif self._touch:
            self._gesture(session, part, amount, at)
        elif self.route.tilts:
            half = 0.5 * radians(amount)
            turned = (0.0, 0.0, -sin(half), cos(half)) if part == "x" else (sin(half), 0.0, 0.0, cos(half))
            session.attitude(turned, at=at)
        elif self.route.source.signal.pair:
            x, y = (self._from_rest(one, amount if one == part else 0.0) for one in "xy")
            session.feed(name, (x, y), at=at)
        else:
            session.feed(name, self._from_rest("x", amount), at=at)

    def _from_rest(self, part: str, amount: float) -> float:
        """Where a stick is when pushed this far from its rest; 1 is its end."""
        rest = self.route.shape.rest["xy".index(part)]
        return rest + amount * (1.0 - rest if amount > 0.0 else 1.0 + rest) if rest else amount

    @staticmethod
    def _press_keys(session: Session, made: KeySet, part: str, amount: float, at: float | None) -> None:
        minus, plus = made.ways[2 * "xy".index(part)], made.ways[2 * "xy".index(part) + 1]
        for keys, pressed in ((plus, amount > 0.0), (minus, amount < 0.0)):
            for key in keys[:1]:
                session.feed(str(key), float(pressed), at=at)

    @staticmethod
    def _press(session: Session, address: Address, amount: float, at: float | None) -> None:
        if address.signal.kind == "switch":
            session.feed(str(address), 1.0, at=at)
            session.feed(str(address), 0.0, at=at)
            return
        for value in (amount, 0.0):
            session.feed(str(address), value, at=at)

    def _gesture(self, session: Session, part: str, amount: float, at: float | None) -> None:
        """Fingers land in the middle of their region and make the gesture there."""
        self._fingers(session, "down", part, 0.0, at)
        self._fingers(session, "move", part, amount, at)

    def _fingers(self, session: Session, phase: str, part: str, amount: float, at: float | None) -> None:
        """Say where each finger of the touch is after the gesture has gone this far."""
        assert self._touch is not None
        for finger, place in enumerate(places_of(self._touch, part, amount), 1):
            session.touch(finger, phase, place, at=at, on=self._touch.starts_on or None)

    def flicked(self, part: str, speed: float, seconds: float) -> dict[str, float]:
        """How far each of its axes goes in some seconds after fingers have lifted at a speed.

        The speed is in the signal's unit a second: screens, or degrees of a twist.
        """
        session, gap = self.session(), 1.0 / 120.0
        self._fingers(session, "down", part, 0.0, 0.0)
        for k in range(1, 25):
            self._fingers(session, "move", part, speed * k * gap, k * gap)
        self._fingers(session, "up", part, speed * 24 * gap, 24 * gap)
        before = self.values(session, 24 * gap + SOON)  # what is due at the lift has been done
        after = self.values(session, seconds)
        gone = 0.5 ** (SOON / self.route.glide)
        return {name: (after[name] - before[name]) / gone for name in after}


def places_of(touch: Touch, part: str, amount: float) -> list[tuple[float, float]]:
    """Where a touch's fingers are after a gesture of this size from the middle of their region."""
    left, bottom, right, top = touch.region
    x, y = 0.5 * (left + right), 0.5 * (bottom + top)
    if touch.kind == "thumb_pad":
        x, y = touch.centre or (x, y)
        amount *= touch.radius.screens(SCREEN[0] / PER_CM)
    across, along = (amount, 0.0) if part == "x" else (0.0, amount)
    if touch.kind in ("drag", "thumb_pad"):
        return [(x + across, y + along)]
    near = 0.04
    if touch.kind == "two_finger_drag":
        return [(x - near + across, y + along), (x + near + across, y + along)]
    if touch.kind == "spread":
        apart = near * (amount or 1.0)
        return [(x - apart, y), (x + apart, y)]
    a = radians(amount)
    return [(x - near * cos(a), y + near * sin(a)), (x + near * cos(a), y - near * sin(a))]


def _alone(plan: Plan, route: Route, *, eased: bool) -> Plan:
    """A plan with one route, always heard, on axes without limits."""
    mounts = plan.mounts
    anywhere = {name for one in mounts.all for name in (*one.mount.axes, *one.mount.optional)}
    fits = [
        k
        for k, _ in enumerate(mounts.all)
        if all(isinstance(mounts.of(k, name), str) or name not in anywhere for name in route.drives)
    ]
    k = fits[0] if fits else 0
    mount: Any = mounts.all[k].mount
    plain = {"returns": None, "bounds": ()}
    mount = replace(mount, **{name: value for name, value in plain.items() if hasattr(mount, name)})
    names = [*mount.axes, *(axis.name for axis in plan.axes if axis.name not in mount.axes)]
    one = replace(
        route, gate=None, on_close=None, fresh=None, zero_on_open=False, scales=(), with_zoom=False,
        glide=route.glide if eased else 0.0, pins="", smoothing=route.smoothing if eased else None,
        turn_boost=route.turn_boost if eased else None,
    )  # fmt: skip
    touched = route.source.signal.name.removeprefix("touch.")
    ours = tuple(replace(touch, after_travel=NOTHING) for touch in plan.touches if touch.name == touched)
    axes = tuple(_open(_axis_of(plan, k, name), eased=eased) for name in names)
    if one.pans:  # a pan is right, left, forward and back as the view has it: one that is not turned
        axes = tuple(replace(axis, start=0.0) if axis.name in ("yaw", "roll") else axis for axis in axes)
    return Plan(
        (one,), (), axes, mount, plan.derived,
        hands=Hands(turn_cap=plan.hands.turn_cap), touches=ours or plan.touches,
    )  # fmt: skip


def _axis_of(plan: Plan, k: int, name: str) -> Axis:
    """An axis as one mount has it."""
    common = {axis.name: axis for axis in plan.axes}
    found = plan.mounts.of(k, name)
    if isinstance(found, str):
        return next(one.axis for one in plan.mounts.instances if one.key == found)
    axis = common.get(name) or plan.mounts.all[k].mount.axes[name]
    return replace(_open(axis, eased=True), start=found) if found is not None else axis


def _open(axis: Axis, *, eased: bool) -> Axis:
    """The same without limits and without a return to rest."""
    low, high = (1e-30, 1e30) if axis.log else (-inf, inf)
    smoothing = axis.smoothing if eased else None
    return replace(axis, low=low, high=high, return_half_life=0.0, smoothing=smoothing)


def for_one(bench: Bench, part: str, way: float = 1.0) -> dict[str, float]:
    """What a route does to its axes for one unit or degree of its signal, or a held value's full travel.

    For a spread, it is for the factor e; for an angle, for a degree beyond the dead zone. It is tried on the
    positive `way`, or with -1 on the other for a signal that has no positive one.
    """
    route = bench.route
    kind, unit, step = route.source.signal.kind, route.source.signal.unit, 1.0
    if kind == "ratio":
        return {name: value / log(1.25) for name, value in bench.effect(part, 1.25).items()}
    if kind == "angle":
        inner = route.shape.inner * route.full
        far = min(inner + 10.0, route.full)
        return {name: value / (far - inner) for name, value in bench.effect(part, far).items()}
    if kind == "rate":
        step = 10.0
    elif kind == "displacement":
        step = {"screen": 0.1, "deg": 20.0}.get(unit, 1.0)
    step *= way
    return {name: value / step for name, value in bench.effect(part, step).items()}

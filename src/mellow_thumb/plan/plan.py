"""A plan: routes, gates, axes and mounts, resolved and checked; everything that weaving needs."""

from __future__ import annotations

from dataclasses import dataclass, fields
from functools import cached_property
from typing import TYPE_CHECKING

from ..basics import PlanError, altered, listed, nearest
from .accessibility import Hands
from .derived import EdgeZone, KeySet, raw_inputs
from .gate_checks import check_changeable
from .gates import CURSORS
from .handheld import FORCE, TURN
from .mounts import Flat, Mounted, Mounts, Orbit, Overhead
from .movement import MOVES, POINTED
from .signals import AIM, ATTITUDE, CATALOGUE, DEVICES, FAMILIES, Address, find_signal, own_signal
from .touches import areas_of

if TYPE_CHECKING:
    from collections.abc import Iterator

    from .axes import Axis
    from .buttons import Buttons
    from .cues import Cue
    from .derived import Derived
    from .gates import Gate, When
    from .mounts import Mount
    from .movement import Movement
    from .routes import Route
    from .touches import Touch


_ANY_HANDS = Hands()


@dataclass(frozen=True)
class Plan:
    """Everything that decides what a session does, in plain numbers. Equal plans behave alike to the bit.

    The mount's own axes come first; others are read from a frame by their names. The order of routes and
    gates does not matter: they are kept by name.
    """

    routes: tuple[Route, ...]
    gates: tuple[Gate, ...]
    axes: tuple[Axis, ...]
    mount: Mount
    derived: tuple[Derived, ...] = ()
    cues: tuple[Cue, ...] = ()
    hands: Hands = _ANY_HANDS
    cursor: str = "free"
    """What becomes of the pointer where no open gate says otherwise."""
    movement: Movement | None = None
    others: tuple[Mounted, ...] = ()
    """Mounts that take over from `mount`."""
    touches: tuple[Touch, ...] = ()
    """What fingers on a screen become."""
    blend: float | None = None
    """Seconds over which the view goes back to `mount`; unless stated, those of the one it comes from."""
    fixed: tuple[tuple[str, float], ...] = ()
    """Values of axes that nothing moves while `mount` is active."""

    def __post_init__(self) -> None:
        for what in ("routes", "gates", "derived", "cues", "touches"):
            ordered = tuple(sorted(getattr(self, what), key=lambda one: one.name))
            object.__setattr__(self, what, ordered)
            names = [one.name for one in ordered]
            if len(set(names)) < len(names):
                raise PlanError(f"two {what} have one name: {listed(names, 'and')}", path=(what,))
        areas_of(self.touches)
        if self.cursor not in CURSORS:
            raise PlanError(f"cursor: found {self.cursor}; expected {listed(CURSORS)}", path=("cursor",))
        axes = [axis.name for axis in self.axes]
        if axes[: len(self.mount.axes)] != list(self.mount.axes) or len(set(axes)) < len(axes):
            kind, wanted = self.mount.kind, listed(self.mount.axes, "and")
            raise PlanError(f"a mount of kind {kind} has the axes {wanted}, which come first", path=("axes",))
        self._check_mounts(axes)
        self._check_shared()
        for route in self.routes:
            for axis in route.drives:
                if axis not in axes:
                    hint = nearest(axis, axes)
                    words = f"{route.name} drives {axis}; expected {listed(axes)}{hint}"
                    raise PlanError(words, path=("routes", route.name, "drives"))
            self._check_smoothing(route)
            self._check_moves(route)
            if route.with_zoom and "zoom" not in axes:
                words = "found scale_with zoom; expected an axis zoom: a route that drives it"
                raise PlanError(words, path=("routes", route.name, "scale_with"))
        self._check_conditions()

    def _check_mounts(self, axes: list[str]) -> None:
        """Check that each mount has its axes, its own name, and something that makes it active."""
        Mounted(self.mount, fixed=self.fixed, blend=self.blend)  # refuses what is wrong with them
        names, cues = [one.mount.name for one in self.mounts.all], [cue.name for cue in self.cues]
        if len(set(names)) < len(names):
            raise PlanError(f"two mounts have one name: {listed(names, 'and')}", path=("mounts",))
        for k, one in enumerate(self.mounts.all):
            missing = [name for name in one.mount.axes if self.mounts.of(k, name) is None]
            if missing:
                words = f"{one.mount.name}: found no axis {missing[0]}; expected {listed(axes)} with it"
                raise PlanError(words, path=("mounts", one.mount.name))
            if k and not (one.gate or one.cue):
                words = f"{one.mount.name}: found neither a gate nor a cue; expected what makes it active"
                raise PlanError(words, path=("mounts", one.mount.name))
            if isinstance(one.mount, Orbit) and one.mount.returns and not self.movement:
                words = f"{one.mount.name}: found returns without movement; expected a character that travels"
                raise PlanError(words, path=("mounts", one.mount.name, "returns"))
            if one.cue and one.cue not in cues:
                known = listed(cues) if cues else "a table [cues.NAME]"
                words = f"{one.mount.name}: cue: found {one.cue}; expected {known}{nearest(one.cue, cues)}"
                raise PlanError(words, path=("mounts", one.mount.name, "cue"))

    def _check_shared(self) -> None:
        """Check what routes need of mounts: a plane to pan over, one zoom if `scale_with` depends on it."""
        planes = any(isinstance(one.mount, Overhead | Flat) for one in self.mounts.all)
        for route in self.routes:
            for name in route.drives:
                taken = {self.mounts.of(k, name) for k, _ in enumerate(self.mounts.all)} - {None}
                if taken and all(isinstance(one, float) for one in taken):
                    words = f"{route.name} drives {name}; expected one that is not fixed everywhere"
                    raise PlanError(words, path=("routes", route.name, "drives"))
            what = "pins" if route.pins else "screens" if route.screens else ""
            if what and not planes:
                words = f"{route.name}: found {what} without a plane; expected a mount overhead or flat"
                key = "pins" if route.pins else "sensitivity"
                raise PlanError(words, path=("routes", route.name, key))
            for _, axis, users in self.mounts.instances if route.with_zoom else ():
                zooms = {self.mounts.of(k, "zoom") for k in users or range(len(self.mounts.all))}
                if axis.name in route.drives and len(zooms) > 1:
                    raise PlanError(
                        f"{route.name}: found scale_with zoom on {axis.name}, which mounts with zooms of "
                        "their own share; expected a zoom that they share",
                        path=("routes", route.name, "scale_with"),
                    )

    @cached_property
    def mounts(self) -> Mounts:
        """The mounts, the default one first, and which axis each of them uses."""
        first = altered(Mounted(self.mount), fixed=self.fixed, blend=self.blend)
        return Mounts((first, *self.others), self.axes)

    def _check_conditions(self) -> None:
        """Check that every gate in use exists, and can open and close."""
        gates = {gate.name for gate in self.gates}
        for path, when in self._waiting():
            for name in sorted(when.gates - gates):
                raise PlanError(f"{path[-1]} waits for the gate {name}, which is not there", path=path)
        check_changeable(self.gates)
        for gate in self.gates:
            if gate.active and gate.active not in self.families:
                used = listed([FAMILIES[name] for name in self.families]) if self.families else "no device"
                raise PlanError(
                    f"{gate.name}: found active {gate.active}, which can never open: nothing of a "
                    f"{FAMILIES[gate.active]} is used; expected {used}",
                    path=("gates", gate.name, "active"),
                )

    def _waiting(self) -> Iterator[tuple[tuple[str, ...], When]]:
        """What waits for gates, by path, and for which."""
        for route in self.routes:
            path = ("routes", route.name)
            yield from ((path, when) for when in (route.gate, *(c for c, _ in route.scales)) if when)
        yield from ((("cues", cue.name), cue.gate) for cue in self.cues if cue.gate)
        yield from ((("mounts", one.mount.name), one.gate) for one in self.others if one.gate)
        moving = (*self.movement.scales, *self.movement.faces) if self.movement else ()
        yield from ((("movement",), condition) for condition, _ in moving)

    def _check_smoothing(self, route: Route) -> None:
        """Check that there is one smoothing at most on the way to an axis, and none if the axis returns."""
        eased = ("smoothing",) if route.smoothing else ("turn_boost",) if route.turn_boost else ()
        for _, axis, _ in self.mounts.instances:
            if axis.name not in route.drives or route.effect == "offset":
                continue
            if axis.smoothing and (route.smoothing or route.turn_boost):
                words = f"route {route.name} and axis {axis.name} both have smoothing; remove one"
                raise PlanError(words, path=("routes", route.name, *eased))
            if axis.return_half_life and route.gate and route.closing.way == "return":
                words = (
                    f"route {route.name} returns as its gate closes and axis {axis.name} by itself; keep one"
                )
                raise PlanError(words, path=("routes", route.name, "on_close"))
            if axis.return_half_life and (route.smoothing or route.turn_boost):
                words = f"axis {axis.name} returns to rest: smooth the axis, not route {route.name}"
                raise PlanError(words, path=("routes", route.name, *eased))

    @staticmethod
    def _check_moves(route: Route) -> None:
        """Check that only held signals drive movement, and only the movement smooths them."""
        if not set(route.drives) & set(MOVES):
            return
        if not set(route.drives) <= set(MOVES) or route.effect != "offset":
            raise PlanError(
                f"{route.name}: found {listed(route.drives, 'and')} driven by {route.source}; expected "
                "movement alone, and something that is held",
                path=("routes", route.name, "drives"),
            )
        if route.smoothing or (route.gate and route.closing.way == "return"):
            raise PlanError(
                f"{route.name}: found smoothing or a return on movement; expected the acceleration and "
                "braking of [movement]",
                path=("routes", route.name, "smoothing" if route.smoothing else "on_close"),
            )

    @cached_property
    def areas(self) -> tuple[tuple[Touch, ...], ...]:
        """Groups of touches that share fingers, in the order in which they take them."""
        return areas_of(self.touches)

    @property
    def buttons(self) -> Iterator[Buttons]:
        """Every set of inputs of gates, cues and presses."""
        yield from (gate.buttons for gate in self.gates if gate.buttons)
        yield from (cue.buttons for cue in self.cues)
        yield from (one.buttons for one in self.derived if not isinstance(one, KeySet | EdgeZone))

    @cached_property
    def things(self) -> tuple[str, ...]:
        """What presses may begin on, by the host's names."""
        named = {name for one in self.buttons for name in (one.begun_on, one.begun_off) if name}
        named |= {one.starts_on for one in self.touches if one.starts_on}
        return tuple(sorted(named))

    @cached_property
    def families(self) -> tuple[str, ...]:
        """The families of devices that it uses; one of them is active."""
        used = {DEVICES.get(address.signal.device) for address in self.inputs}
        return tuple(name for name in FAMILIES if name in used)

    def devices_of(self, route: Route) -> tuple[str, ...]:
        """The devices that can drive a route."""
        made = {one.name: one for one in self.derived}.get(route.source.signal.name)
        addresses = made.inputs if made else (route.source,)
        used = {address.signal.device for address in addresses}
        return tuple(name for name in DEVICES if name in used)

    def families_of(self, route: Route) -> tuple[str, ...]:
        """The families of devices that can drive a route."""
        used = {DEVICES[device] for device in self.devices_of(route)}
        return tuple(name for name in FAMILIES if name in used)

    @cached_property
    def inputs(self) -> tuple[Address, ...]:
        """What routes, gates, cues and derived signals read from devices and the host."""
        read = [route.source for route in self.routes]
        read += [address for buttons in self.buttons for address in buttons.inputs]
        read += [address for one in self.derived for address in one.inputs]
        asked = {route.pointer for route in self.routes if route.pins}
        read += [Address(signal) for one in self.touches for signal in one.signals if signal.name in asked]
        travels = [gate.travel for gate in self.gates] + [cue.travel for cue in self.cues]
        read += [one.signal for one in travels if one]
        made = {one.name: one for one in self.derived}
        return tuple(sorted(set(raw_inputs(tuple(read), made)), key=str))

    @property
    def worldly(self) -> bool:
        """Whether anything in it follows the world's time: what returns by itself."""
        backs = any(route.gate and route.closing.way == "return" for route in self.routes)
        return (
            backs
            or self.movement is not None
            or any(one.axis.return_half_life for one in self.mounts.instances)
        )

    @property
    def takes_pointer(self) -> bool:
        """Whether the pointer is ever captured or hidden; without the focus it is free."""
        return any(
            cursor not in ("", "free") for cursor in (self.cursor, *(gate.cursor for gate in self.gates))
        )

    @cached_property
    def signals(self) -> tuple[Address, ...]:
        """The addresses that it reads, each once, by name, with what they depend on.

        What is held is let go when the window loses the focus or its device is unplugged.
        """
        devices = sorted({a.signal.device for a in self.inputs if a.signal.held} & set(DEVICES))
        facts = [f"{device}.connected" for device in devices]
        facts += ["host.focus"] if devices or self.takes_pointer else []
        facts += ["host.world_rate"] if self.worldly else []
        facts += ["host.slope", "host.platform", "host.lift"] if self.movement else []
        locked = any(isinstance(one.mount, Orbit) and one.mount.frame == "target" for one in self.mounts.all)
        facts += ["host.target"] if locked and self.movement else []
        reference = self.movement.relative_to if self.movement else ""
        facts += [f"host.{reference}_yaw"] if reference in POINTED else []
        if self.touches:
            facts += ["host.screen", "host.pixels_per_cm", "host.focus"]
            facts += [name for name in CATALOGUE if name.startswith("touch.")]
        asked = {address.signal.name for address in self.inputs}
        facts += [*FORCE, *TURN] if asked & {AIM, *ATTITUDE} else []
        facts += (
            ["mouse.place"]
            if any(route.pins and route.pointer == "mouse.place" for route in self.routes)
            else []
        )
        facts += ["host.screen"] if any(route.pins or route.screens for route in self.routes) else []
        choices = [Address(own_signal("choice", g.name)) for g in self.gates if len(g.choice) > 1]
        used = {*self.inputs, *choices, *map(find_signal, facts)}
        return tuple(sorted(used, key=str))

    @cached_property
    def digest(self) -> str:
        """A digest of this plan: the same for equal plans, whatever their file and title."""
        from hashlib import sha256

        words = repr([getattr(self, field.name) for field in fields(Plan)])
        return sha256(words.encode()).hexdigest()[:16]

"""Checks of gates, cues, devices and mounts, and of what a headset's wearer bears."""

from __future__ import annotations

from itertools import product
from typing import TYPE_CHECKING

from ..basics import listed
from ..plan import DEVICES, FAMILIES, MOST_FREE, Condition, excludes, in_order
from ..plan.mounts import Eye, Headset
from .bench import Bench, for_one
from .findings import Finding
from .plain_words import inputs
from .telling import tell

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..plan import Address, Buttons, Plan, Route

TURN, WALK, SNAPS = 90.0, 3.0, (15.0, 60.0)
"""In a headset: deg/s, m/s, and degrees of a snap, that most people bear."""


def toggles(plan: Plan) -> Iterator[Finding]:
    """Toggles whose press must begin on something, while the pointer that would press it is taken away."""
    for gate in plan.gates:
        if gate.choice != ("toggle",) or not gate.buttons or not gate.buttons.begun_on:
            continue
        mouse = all(address.signal.device == "mouse" for address in gate.buttons.inputs)
        if gate.cursor in ("hidden", "held") and mouse:
            left = f"{gate.name} is left by a press on {gate.buttons.begun_on}"
            reason = f"{left}; meanwhile the pointer is {gate.cursor}"
            fix = "another button besides, or another cursor"
            yield Finding("toggle-no-way-out", "error", ("gates", gate.name), reason, fix)


def fights(plan: Plan) -> Iterator[Finding]:
    """Cues and gates that one press works both."""
    for cue in plan.cues:
        for gate in plan.gates:
            shared = _shared(cue.buttons, gate.buttons) if gate.buttons else ()
            apart = cue.gate is not None and excludes(cue.gate, Condition(gate.name))
            waits = cue.on == "tap" and (gate.after > 0.0 or gate.travel is not None)
            if shared and not apart and not waits and cue.on in ("press", "release", "tap"):
                reason = f"{inputs(shared)} gives {cue.name} and works {gate.name} at the same time"
                fix = f'on = "tap" here with after = "0.2 s" on the gate, or gate = "not {gate.name}"'
                yield Finding("cue-against-gate", "warning", ("cues", cue.name), reason, fix)


def _shared(one: Buttons, other: Buttons) -> tuple[Address, ...]:
    if one.begun_on != other.begun_on and (one.begun_on or other.begun_on):
        return ()
    return tuple(address for address in one.inputs if address in other.inputs)


def holds(plan: Plan) -> Iterator[Finding]:
    """Gates that must be held."""
    used = {name for route in plan.routes if route.effect != "pin" for name in _asked(route)}
    used |= {name for one in plan.others if one.gate for name in one.gate.gates}
    for gate in plan.gates:
        device = gate.buttons.inputs[0].signal.device if gate.buttons else ""
        if gate.name in used and gate.choice == ("hold",) and device in set(DEVICES) - {"touch", "motion"}:
            reason = f"{gate.name} must be held: not every hand can"
            yield Finding("hold-only", "note", ("gates", gate.name), reason, 'choice = ["hold", "toggle"]')


def _asked(route: Route) -> set[str]:
    names = set(route.gate.gates) if route.gate else set()
    return names | {condition.gate for condition, _ in route.scales}


def devices(plan: Plan) -> Iterator[Finding]:
    """What a device that is used cannot do, though another one can."""
    told = tell(plan)
    turning = {family for one in told.controls for family in one.devices}
    for family, axes in told.unreached.items():
        if axes and family in turning:
            reason = f"with the {FAMILIES[family]} nobody reaches {listed(axes, 'and')}"
            yield Finding("one-device", "note", (), reason, "a route from that device")
    buttons = [(("cues", cue.name), cue.buttons) for cue in plan.cues]
    buttons += [(("gates", gate.name), gate.buttons) for gate in plan.gates if gate.buttons]
    for path, some in buttons if len(turning) > 1 else ():
        has = {DEVICES.get(address.signal.device, "") for address in some.inputs}
        without = [FAMILIES[family] for family in FAMILIES if family in turning - has]
        if without and "" not in has:
            reason = f"no button of the {listed(without, 'or the')} for {path[1]}"
            yield Finding("one-device", "note", path, reason, "another button in its list")


def mounts(plan: Plan) -> Iterator[Finding]:
    """Mounts whose gate never opens without that of one that comes first, whatever is open."""
    ordered = in_order(plan.gates)
    free = [gate.name for gate in ordered if gate.when is None]
    if len(free) > MOST_FREE:
        return
    ranked = [plan.mounts.all[k] for k in plan.mounts.by_priority()]
    reached: set[str] = set()
    for states in product((False, True), repeat=len(free)):
        open_ = dict(zip(free, states, strict=True))
        for gate in ordered:
            if gate.when is not None:
                open_[gate.name] = gate.when.holds(open_)
        reached.update([one.mount.name for one in ranked if one.gate and one.gate.holds(open_)][:1])
    for k, one in enumerate(ranked):
        if one.mount.name not in reached and not one.cue:
            above = listed([other.mount.name for other in ranked[:k]]) if k else "nothing"
            reason = f"{one.mount.name} is never in force: {above} always comes before it"
            fix = "another gate, or a higher priority"
            yield Finding("unreached-mount", "error", ("mounts", one.mount.name), reason, fix)


def faces(plan: Plan) -> Iterator[Finding]:
    """Where a character faces that is seen in first person only: there it faces where the view looks."""
    movement = plan.movement
    first = all(isinstance(one.mount, Eye) and one.mount.turns == "body" for one in plan.mounts.all)
    if movement and first and movement.faces:
        reason = "in first person the character faces where the view looks: face changes nothing"
        fix = 'take it out; face = "free" leaves it to the host'
        yield Finding("needless-face", "warning", ("movement", "face"), reason, fix)


def comfort(plan: Plan) -> Iterator[Finding]:
    """What makes people ill in a headset."""
    if not any(isinstance(one.mount, Headset) for one in plan.mounts.all):
        return
    for route in plan.routes:
        if "yaw" not in route.drives or route.effect not in ("rate", "step"):
            continue
        part = next(part for axis, part, _ in route.parts if axis == "yaw")
        amount = abs(for_one(Bench(plan, route), part)["yaw"])
        path = ("routes", route.name)
        if route.effect == "rate" and amount > TURN:
            fix = f'sensitivity = "{TURN / 2:.0f} deg/s", or snaps'
            reason = f"the room turns at up to {amount:.0f} deg/s"
            yield Finding("sickening", "warning", path, reason, fix)
        if route.source.signal.unit == "press" and not SNAPS[0] <= amount <= SNAPS[1]:
            reason = f"a snap of {amount:.0f} deg; most people like {SNAPS[0]:.0f} to {SNAPS[1]:.0f}"
            yield Finding("sickening", "note", path, reason, 'sensitivity = "30 deg/press"')
        if route.effect == "rate" and route.smoothing:
            reason = "a turn that eases in and out is felt for longer"
            fix = "no smoothing: one that begins at once is borne better"
            yield Finding("sickening", "note", (*path, "smoothing"), reason, fix)
    if plan.movement and plan.movement.speed > WALK:
        reason = f"one is moved at {plan.movement.speed:g} m/s while standing still"
        yield Finding("sickening", "warning", ("movement", "speed"), reason, f'speed = "{WALK / 2:g} m/s"')

"""Checks of gates, cues, devices and mounts, and of comfort in a headset."""

from __future__ import annotations

from itertools import combinations
from typing import TYPE_CHECKING, NamedTuple

from ..basics import listed
from ..plan import DEVICES, FAMILIES, KEEP, MOST_FREE, Condition, KeySet, Presses, excludes
from ..plan.mounts import Eye, Flat, Headset, Orbit, Overhead
from .bench import Bench, for_one
from .findings import Finding
from .plain_words import inputs
from .states import moves_in, states_of
from .telling import tell

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..plan import Address, Buttons, Plan, Route, When
    from .states import State

TURN, WALK, SNAPS = 90.0, 3.0, (15.0, 60.0)
"""In a headset: deg/s, m/s, and degrees of a snap, that most people bear."""


def toggles(plan: Plan) -> Iterator[Finding]:
    """Toggles whose press must begin on something, while they hide the pointer that would press it."""
    for gate in plan.gates:
        if gate.choice != ("toggle",) or not gate.buttons or not gate.buttons.begun_on:
            continue
        mouse = all(address.signal.device == "mouse" for address in gate.buttons.inputs)
        if gate.cursor in ("hidden", "held") and mouse:
            left = f"only a press on {gate.buttons.begun_on} closes {gate.name}"
            reason = f"{left}, and its pointer is {gate.cursor} until then"
            fix = "add another button, or leave the cursor free"
            yield Finding("toggle-no-way-out", "error", ("gates", gate.name), reason, fix)


class _Job(NamedTuple):
    """What a button does: its table, in words, and what tells whether it may share the button."""

    path: tuple[str, ...]
    does: str
    inputs: tuple[Address, ...]
    when: When | None = None
    on: str = "drive"
    """When: a cue's `on`; of a gate ``hold``, or ``late`` if it waits; of a route ``drive``."""
    begun: tuple[str, str] = ("", "")


APART = (
    {"tap", "long_press"}, {"double_tap", "long_press"},
    {"tap", "late"}, {"double_tap", "late"}, {"long_press", "late"},
    {"double_tap", "hold"}, {"long_press", "hold"},
)  # fmt: skip
"""Moments of one press that never come together, or that people tell apart by hand."""


def jobs(plan: Plan) -> Iterator[Finding]:
    """Two things that one button does at the same time."""
    for one, other in combinations(_jobs(plan), 2):
        shared = tuple(address for address in other.inputs if address in one.inputs)
        if not shared or _apart(plan, one, other):
            continue
        reason = f"{inputs(shared)} {one.does} and also {other.does}"
        if (one.path[0], other.path[0]) == ("cues", "gates"):
            fix = f'on = "tap" here with after = "0.2 s" on the gate, or gate = "not {other.path[1]}"'
            yield Finding("cue-against-gate", "warning", one.path, reason, fix)
        else:
            fix = "use another button for one of them, or gates that exclude each other"
            yield Finding("two-jobs", "warning", other.path, reason, fix)


def _jobs(plan: Plan) -> Iterator[_Job]:
    """What the buttons of a plan do: gates, cues, and routes that are driven by buttons."""
    for cue in plan.cues:
        yield _job(("cues", cue.name), f"gives {cue.name}", cue.buttons, cue.gate, cue.on)
    for gate in plan.gates:
        if gate.buttons:
            on = "late" if gate.after > 0.0 or gate.travel is not None else "hold"
            yield _job(("gates", gate.name), f"opens {gate.name}", gate.buttons, None, on)
    made = {one.name: one for one in plan.derived}
    for route in plan.routes:
        one = made.get(route.source.signal.name)
        held: tuple[Address, ...] = ()
        begun = ("", "")
        if isinstance(one, KeySet):
            held = tuple(address for way in one.ways for address in way)
        elif isinstance(one, Presses):
            held = tuple(address for address in one.buttons.inputs if address.signal.kind == "switch")
            begun = (one.buttons.begun_on, one.buttons.begun_off)
        elif route.source.signal.kind == "switch":
            held = (route.source,)
        does = f"drives {listed(route.drives, 'and')}"
        yield _Job(("routes", route.name), does, held, route.gate, begun=begun)


def _job(path: tuple[str, ...], does: str, buttons: Buttons, when: When | None, on: str) -> _Job:
    return _Job(path, does, buttons.inputs, when, on, (buttons.begun_on, buttons.begun_off))


def _apart(plan: Plan, one: _Job, other: _Job) -> bool:
    """Whether two jobs of one button never happen together, or are meant to."""
    if one.when and other.when and excludes(one.when, other.when):
        return True
    for job, gate in ((one, other), (other, one)):
        name = gate.path[1] if gate.path[0] == "gates" else ""
        # a route that listens while its button opens a gate is one job, in two parts
        ours = job.path[0] == "routes" and job.when is not None and name in job.when.gates
        if name and job.when and (ours or excludes(job.when, Condition(name))):
            return True
    if {one.path[0], other.path[0]} == {"routes"}:
        return _share_no_view(plan, one.path[1], other.path[1])
    return _begun_apart(one, other) or {one.on, other.on} in APART


def _begun_apart(one: _Job, other: _Job) -> bool:
    """Whether no press can begin on what both jobs ask for."""
    (on, off), (its_on, its_off) = one.begun, other.begun
    return (
        bool(on and its_on and on != its_on) or bool(on and on == its_off) or bool(its_on and its_on == off)
    )


def _share_no_view(plan: Plan, one: str, other: str) -> bool:
    """Whether two routes never act in the same view, or do the same thing there, as one boosts the other."""
    first, second = (next(route for route in plan.routes if route.name == name) for name in (one, other))
    if set(first.drives) & set(second.drives):
        return True

    def acts(route: Route, state: State) -> bool:
        here = frozenset([state.mount])
        return state.hears(route) and any(moves_in(plan, axis, here) for axis in route.drives)

    return not any(acts(first, state) and acts(second, state) for state in states_of(plan))


def lost(plan: Plan) -> Iterator[Finding]:
    """Cues that last one frame only, though a host steps a character's physics."""
    for cue in plan.cues if plan.movement else ():
        if not cue.keep:
            reason = f"{cue.name} lasts one frame only: physics that step less often miss it"
            fix = f'keep = "{1000 * KEEP:g} ms", and session.take_cue("{cue.name}") where the physics step'
            yield Finding("lost-cue", "note", ("cues", cue.name, "keep"), reason, fix)


def circling(plan: Plan) -> Iterator[Finding]:
    """A camera that turns with a character that turns with the camera."""
    movement = plan.movement
    if movement is None:
        return
    aside = "view" in movement.facing
    turns = movement.relative_to == "camera" and "travel" in movement.facing
    for one in plan.mounts.all if aside or turns else ():
        if isinstance(one.mount, Orbit) and one.mount.frame == "subject":
            both = f"the character turns with the camera, and {one.mount.name} turns with the character"
            reason = f"{both}: {'looking aside' if aside else 'walking to the side'} circles"
            fix = 'frame = "world", with returns to come back behind the walk'
            yield Finding("circling", "warning", ("mounts", one.mount.name, "frame"), reason, fix)


def holds(plan: Plan) -> Iterator[Finding]:
    """Gates that can only be held."""
    used = {name for route in plan.routes for name in _asked(route)}
    used |= {name for one in plan.others if one.gate for name in one.gate.gates}
    for gate in plan.gates:
        device = gate.buttons.inputs[0].signal.device if gate.buttons else ""
        if gate.name in used and gate.choice == ("hold",) and device in set(DEVICES) - {"touch", "motion"}:
            reason = f"{gate.name} can only be held; offer a toggle too"
            yield Finding("hold-only", "note", ("gates", gate.name), reason, 'choice = ["hold", "toggle"]')


def _asked(route: Route) -> set[str]:
    names = set(route.gate.gates) if route.gate else set()
    return names | {condition.gate for condition, _ in route.scales}


def devices(plan: Plan) -> Iterator[Finding]:
    """What one device in use cannot do though another can."""
    told = tell(plan)
    turning = {family for one in told.controls for family in one.devices}
    for family, axes in told.unreached.items():
        if axes and family in turning:
            reason = f"the {FAMILIES[family]} cannot reach {listed(axes, 'or')}"
            yield Finding("one-device", "note", (), reason, "add a route from that device, or allow this")
    buttons = [(("cues", cue.name), cue.buttons) for cue in plan.cues]
    buttons += [(("gates", gate.name), gate.buttons) for gate in plan.gates if gate.buttons]
    for path, some in buttons if len(turning) > 1 else ():
        has = {DEVICES.get(address.signal.device, "") for address in some.inputs}
        without = [FAMILIES[family] for family in FAMILIES if family in turning - has]
        if without and "" not in has:
            reason = f"{path[1]} has no button on the {listed(without, 'or the')}"
            yield Finding("one-device", "note", path, reason, "add one to its list")


def mounts(plan: Plan) -> Iterator[Finding]:
    """Mounts whose gate only ever opens together with that of a mount of higher priority."""
    if sum(gate.when is None for gate in plan.gates) > MOST_FREE:
        return
    ranked = [plan.mounts.all[k] for k in plan.mounts.by_priority()]
    reached = {plan.mounts.all[one.mount].mount.name for one in states_of(plan)}
    for k, one in enumerate(ranked):
        if one.mount.name not in reached and not one.cue:
            above = listed([other.mount.name for other in ranked[:k]]) if k else "nothing"
            reason = f"{one.mount.name} is never used: {above} always comes first"
            fix = "give it another gate, or a higher priority"
            yield Finding("unreached-mount", "error", ("mounts", one.mount.name), reason, fix)


def idle_follows(plan: Plan) -> Iterator[Finding]:
    """Mounts that state how to follow something they are not measured from."""
    for one in plan.mounts.all:
        mount = one.mount
        if isinstance(mount, Orbit) and mount.follow_turn and mount.frame in ("world", "entry"):
            key, what = "follow_turn", "how the subject turns"
        elif isinstance(mount, Flat | Overhead) and mount.follow and mount.frame != "subject":
            key, what = "follow", "where the subject goes"
        else:
            continue
        reason = f'{key} does nothing here: with frame = "{mount.frame}", {mount.name} ignores {what}'
        yield Finding("idle-follow", "warning", ("mounts", mount.name, key), reason, 'frame = "subject"')


def faces(plan: Plan) -> Iterator[Finding]:
    """A `face` for a character seen only in first person, where it faces where the view looks."""
    movement = plan.movement
    first = all(isinstance(one.mount, Eye) and one.mount.turns == "body" for one in plan.mounts.all)
    if movement and first and movement.faces:
        reason = "in first person the character always faces where the view looks: face does nothing"
        fix = 'remove it; or face = "free", if your game turns the character'
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
            reason = f"the play space turns at up to {amount:.0f} deg/s"
            yield Finding("sickening", "warning", path, reason, fix)
        if route.source.signal.unit == "press" and not SNAPS[0] <= amount <= SNAPS[1]:
            reason = f"a snap of {amount:.0f} deg; most people like {SNAPS[0]:.0f} to {SNAPS[1]:.0f}"
            yield Finding("sickening", "note", path, reason, 'sensitivity = "30 deg/press"')
        if route.effect == "rate" and route.smoothing:
            reason = "smoothing makes turns last longer, which makes people ill"
            fix = "remove the smoothing"
            yield Finding("sickening", "note", (*path, "smoothing"), reason, fix)
    if plan.movement and plan.movement.speed > WALK:
        reason = f"the player moves at {plan.movement.speed:g} m/s while standing still"
        yield Finding("sickening", "warning", ("movement", "speed"), reason, f'speed = "{WALK / 2:g} m/s"')

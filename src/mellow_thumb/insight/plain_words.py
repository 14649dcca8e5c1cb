"""Plain words for what hands do and what the view does; conditions, buttons, amounts."""

from __future__ import annotations

import re
from typing import TYPE_CHECKING

from ..basics import listed
from ..plan import FAMILIES, OWN, TAPS, Address, Condition, EdgeZone, KeySet, Presses, label
from ..plan.mounts import Orbit
from .account import number

if TYPE_CHECKING:
    from ..plan import Buttons, Cue, Gate, Plan, Route, Touch, Travel, When

DOES = {
    "yaw": ("view turns right", "view turns left"),
    "pitch": ("view tilts up", "view tilts down"),
    "roll": ("view's right side goes down", "view's right side goes up"),
    "distance": ("camera moves away", "camera comes nearer"),
    "zoom": ("view zooms in", "view zooms out"),
    "lean_x": ("view leans right", "view leans left"),
    "lean_y": ("view rises", "view sinks"),
    "pan_x": ("view pans right", "view pans left"),
    "pan_y": ("view pans forward", "view pans back"),
    "move_x": ("character goes right", "character goes left"),
    "move_y": ("character goes forward", "character goes back"),
}
"""What an axis does as it grows, and as it shrinks."""
HAND_WAYS = {
    "mouse.move": ("mouse right", "mouse up"),
    "mouse.pixels": ("pointer right", "pointer up"),
    "mouse.wheel": ("wheel right", "wheel up"),
    "mouse.wheel_tail": ("wheel's tail right", "wheel's tail up"),
    "trackpad.move": ("finger right", "finger up"),
    "trackpad.pan": ("two fingers right", "two fingers up"),
    "trackpad.spread": ("fingers apart", ""),
    "motion.aim": ("device turned right", "device turned up"),
    "motion.tilt": ("device tilted right", "device tilted up"),
}
"""What a hand does, for the positive ways of signals that are no buttons."""
FINGERS = {
    "drag": ("drag right", "drag up"),
    "two_finger_drag": ("two fingers right", "two fingers up"),
    "spread": ("fingers apart", ""),
    "twist": ("fingers turned clockwise", ""),
    "thumb_pad": ("thumb pad right", "thumb pad up"),
}
MOMENTS = {
    "press": "pressed", "release": "let go", "tap": "tapped", "double_tap": "tapped twice",
    "long_press": "long-pressed",
}  # fmt: skip


def does(name: str, way: float, *, seen: bool = True) -> str:
    """What happens as an axis grows (`way` above 0) or shrinks, and whether a mount shows it."""
    up, down = DOES.get(name, ("", "")) if seen else ("", "")
    return (up or f"{name} goes up") if way > 0.0 else (down or f"{name} goes down")


OTHER = {"right": "left", "up": "down", "upper": "lower", "apart": "together", "clockwise": "anticlockwise"}
"""What the words for one way of a hand become for the other."""


def hands(plan: Plan, route: Route, part: str) -> tuple[str, str, float]:
    """What a hand does each way of a route's signal, in the order of :func:`hand`.

    The other is empty where there is none, as for a button; then the sign of the first.
    """
    words, sign = hand(plan, route, part)
    source, place = route.source, "xy".index(part)
    made = {one.name: one for one in plan.derived}.get(source.signal.name)
    if isinstance(made, KeySet):
        back = made.ways[2 * place + (0 if sign > 0.0 else 1)]
        return words, f"{inputs(back)} held" if back and sign > 0.0 else "", sign
    if isinstance(made, EdgeZone):
        both = sign > 0.0 and made.margins[2 * place] > 0.0
        return words, f"pointer at the {('left', 'lower')[place]} edge" if both else "", sign
    if isinstance(made, Presses) and made.inputs[0].signal.kind == "switch":
        return words, "", sign
    if source.signal.kind == "switch" and not made:
        return words, "", sign
    if (made.inputs[0] if isinstance(made, Presses) else source).signal.name.endswith("trigger"):
        return words, "", sign
    other = re.sub(rf"\b({'|'.join(OTHER)})\b(?!.*\b({'|'.join(OTHER)})\b)", lambda one: OTHER[one[0]], words)
    return words, other if other != words else "", sign


def hand(plan: Plan, route: Route, part: str) -> tuple[str, float]:
    """What a hand does one way of a route's signal, and 1 or -1 for whether that is its positive way."""
    source, place = route.source, "xy".index(part)
    made = {one.name: one for one in plan.derived}.get(source.signal.name)
    touch = touch_of(plan, route)
    if isinstance(made, KeySet):
        minus, plus = made.ways[2 * place], made.ways[2 * place + 1]
        return f"{inputs(plus or minus)} held", 1.0 if plus else -1.0
    if isinstance(made, EdgeZone):
        if made.margins[2 * place + 1]:
            return f"pointer at the {('right', 'upper')[place]} edge", 1.0
        return f"pointer at the {('left', 'lower')[place]} edge", -1.0
    if isinstance(made, Presses):
        words = f"{inputs(made.inputs)} pressed"
        first = made.inputs[0]
        return (words if first.signal.kind == "switch" else _way(first, " pushed")), 1.0
    if touch:
        return FINGERS[touch.kind][place], 1.0
    if source.signal.name in HAND_WAYS:
        return HAND_WAYS[source.signal.name][place], 1.0
    if source.signal.kind == "switch":
        return f"{label(source)} held", 1.0
    return _way(Address(source.signal, part) if source.signal.pair else source), 1.0


def _way(address: Address, done: str = "") -> str:
    """A stick's direction or a trigger, with what is done to it."""
    name = f"{label(Address(address.signal))}{done}"
    if not address.component:
        return name
    return f"{name} {'right' if address.component == 'x' else 'up'}"


def inputs(addresses: tuple[Address, ...]) -> str:
    """Buttons and the like, any one of which is enough."""
    return listed(
        label(address) if address.signal.kind == "switch" else _way(address) for address in addresses
    )


def pressed(buttons: Buttons) -> str:
    """Buttons, with what their presses must begin on."""
    words = inputs(buttons.inputs)
    if buttons.begun_on:
        return f"{words} on {buttons.begun_on}"
    return f"{words} off {buttons.begun_off}" if buttons.begun_off else words


def gate_words(gate: Gate, gates: dict[str, Gate]) -> str:
    """When a gate is open."""
    lasts = f" for {number(gate.after)} s" if gate.after else ""
    far = f" and moved by {far_words(gate.travel)}" if gate.travel else ""
    if gate.active:
        return f"hands are on the {FAMILIES[gate.active]}"
    if gate.when:
        return f"{when_words(gate.when, gates)}{lasts}"
    assert gate.buttons is not None
    address = gate.buttons.inputs[0]
    if address.signal.device in OWN:
        name = address.signal.name.partition(".")[2]
        said = f"the game says {name}" if address.signal.device == "flag" else f"the player chose {name}"
        return f"{said}{lasts}"
    words = pressed(gate.buttons)
    if gate.choice == ("toggle",):
        return f"{words} pressed (press again to leave){lasts}{far}"
    chosen = ", or pressed once if the player prefers" if len(gate.choice) > 1 else ""
    return f"{words} held{lasts}{far}{chosen}"


def when_words(when: When, gates: dict[str, Gate]) -> str:
    """When a condition holds: by what is held if that is all, else by the names of gates."""
    if isinstance(when, Condition):
        gate = gates[when.gate]
        if not when.wanted:
            return f"unless {gate.name}"
        plain = gate.buttons and gate.buttons.inputs[0].signal.device not in OWN
        plain = plain and gate.choice == ("hold",) and not gate.after and not gate.travel
        return gate_words(gate, gates) if plain else f"while {gate.name}"
    words = [when_words(part, gates) for part in when.parts]
    if not when.every:
        alike = all(one.startswith("while ") for one in words)
        return "while " + listed([one.removeprefix("while ") for one in words]) if alike else listed(words)
    against = [one.removeprefix("unless ") for one in words if one.startswith("unless ")]
    whiles = [one.removeprefix("while ") for one in words if one.startswith("while ")]
    held = [one for one in words if not one.startswith(("unless ", "while "))]
    if not (whiles or held):
        return f"unless {listed(against, 'or')}"
    while_ = "while " if whiles else ""
    return while_ + listed([*whiles, *held, *(f"not {one}" for one in against)], "and")


def during(when: When, gates: dict[str, Gate]) -> str:
    """The same within a sentence: "while ... is held", "unless ... is open"."""
    words = when_words(when, gates)
    return words if words.startswith(("while ", "unless ")) else f"while {words}"


TAPPED = {"press": "{}", "release": "{}", "tap": "{}", "double_tap": "{}, twice"}
"""What a tap of fingers is in words, which is over as it begins."""


def cue_words(cue: Cue) -> str:
    """What a hand does to give a cue."""
    touched = [one.signal for one in cue.buttons.inputs if one.signal.device == "touch"]
    if touched and all(one.name.rpartition(".")[2] in TAPS for one in touched) and cue.on in TAPPED:
        return TAPPED[cue.on].format(inputs(cue.buttons.inputs))
    words = f"{pressed(cue.buttons)} {MOMENTS[cue.on]}"
    asked = {
        "tap": f"within {number(cue.within)} s",
        "double_tap": f"the second time within {number(cue.within)} s",
        "long_press": f"for {number(cue.after)} s",
    }
    limits = [asked[cue.on]] if cue.on in asked else []
    limits += [f"moved by {far_words(cue.travel)} at most"] if cue.travel else []
    limits += [f"not again within {number(cue.cooldown)} s"] if cue.cooldown else []
    return f"{words} ({', '.join(limits)})" if limits else words


def far_words(travel: Travel) -> str:
    """How far a displacement goes, with its unit."""
    unit = travel.signal.signal.unit
    return f"{number(travel.least)} {'counts' if unit == 'count' else unit}"


FORWARD = {
    "camera": "forward is where the camera looks",
    "world": "forward is -Z, wherever the camera looks",
    "body": "forward is where the character faces",
    "head": "forward is where the head looks",
    "left_hand": "forward is where the left hand points",
    "right_hand": "forward is where the right hand points",
}
FACING = {"travel": "where it goes", "view": "where the view looks", "free": "where your game says"}


def character_words(plan: Plan) -> list[str]:
    """How a character walks, which way forward is, and where it faces."""
    one = plan.movement
    if one is None:
        return []
    gates = {gate.name: gate for gate in plan.gates}
    soon = f"at full speed after {number(one.speed / one.acceleration)} s"
    rest = f"at rest {number(one.speed / one.braking)} s after letting go" if one.braking else "never braked"
    words = [f"walks at {number(one.speed)} m/s, {soon}, {rest}"]
    words += [f"times {number(factor)} {during(condition, gates)}" for condition, factor in one.scales]
    words.append(FORWARD[one.relative_to])
    faces = [f"faces {FACING[one.face]}"]
    faces += [f"{FACING[face]} {during(condition, gates)}" for condition, face in one.faces]
    if "free" not in one.facing or len(one.facing) > 1:
        faces.append(f"turned at {number(one.turn_rate)} deg/s")
    return [*words, ", ".join(faces)]


def edge_words(made: EdgeZone, part: str) -> list[str]:
    """How deep an edge zone is on both sides, and how it acts there."""
    place = "xy".index(part)
    names = (("left", "right"), ("lower", "upper"))[place]
    sides = zip(names, made.margins[2 * place :], made.units[2 * place :], strict=False)
    deep = {name: f"{number(margin)} {unit}" for name, margin, unit in sides if margin}
    if len(set(deep.values())) == 1:
        within = f"{next(iter(deep.values()))} of it"
    else:
        within = listed((f"{margin} of the {name} one" for name, margin in deep.items()), "and")
    return [f"from within {within}, full at the edge"]


def camera_words(plan: Plan) -> list[str]:
    """What a camera does by itself: it swings back behind the walk."""
    words = []
    for one in plan.mounts.all:
        back = one.mount.returns if isinstance(one.mount, Orbit) else None
        if back:
            after = f"{number(back.after)} s after a hand last turned it, while the character walks"
            half = f"half of what is left every {number(back.half_life)} s"
            words.append(f"{one.mount.name} goes back behind the walk: {after}; {half}")
    return words


def touch_of(plan: Plan, route: Route) -> Touch | None:
    """The touch whose fingers, or place, a route uses."""
    name = route.source.signal.name.removesuffix(".place")
    return next((one for one in plan.touches if f"touch.{one.name}" == name), None)


def touch_words(touch: Touch) -> list[str]:
    """What a touch asks of its fingers: where and on what they land, and how far they must go."""
    words = [] if touch.region == (0.0, 0.0, 1.0, 1.0) else [f"landing {_part_of_screen(touch.region)}"]
    if touch.starts_on:
        words.append(f"on {touch.starts_on}")
    if touch.kind == "thumb_pad":
        where = "where it lands" if touch.centre is None else "the middle of its place"
        words.append(f"fully at {number(touch.radius.value)} {touch.radius.unit} from {where}")
    elif touch.after_travel.value:
        what = {"spread": "a change of their gap by ", "twist": "an arc of "}.get(touch.kind, "")
        words.append(f"after {what}{number(touch.after_travel.value)} {touch.after_travel.unit}")
    return words


def _part_of_screen(region: tuple[float, float, float, float]) -> str:
    """A part of the screen, as a person would call it."""
    left, bottom, right, top = (number(100.0 * side) for side in region)
    ends = tuple(side in (0.0, 1.0) for side in region)
    one_side = {
        (True, True, False, True): f"the left {right} %",
        (False, True, True, True): f"the right {number(100.0 * (1.0 - region[0]))} %",
        (True, True, True, False): f"the lower {top} %",
        (True, False, True, True): f"the upper {number(100.0 * (1.0 - region[1]))} %",
    }
    box = f"{left} to {right} % from the left, {bottom} to {top} % from below"
    return f"in {one_side[ends]} of the screen" if ends in one_side else box

"""Carrying over: what a session keeps when its plan is replaced, and what has no place in the new one.

State values carry over by role, which names what they belong to: an axis, a route, a gate. Some of them
are positions in one of the plan's lists, such as its mounts; those carry over by what they stand for.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..plan import FINGERS, KNOWN
from ..weaving import WANTS, own_role, role_of_on

if TYPE_CHECKING:
    from ..plan import Axis, Plan
    from ..weaving import Program


def carried_over(
    before: tuple[Plan, Program], after: tuple[Plan, Program], state: dict[str, float], *, chosen_first: bool
) -> dict[str, float]:
    """The starting state of a plan's program that takes over from another's `state`.

    With `chosen_first` a gate whose choice differs starts with the first, as a player's sheet wants.
    """
    (old, program), (new, follows) = before, after
    known = {program.roles[name]: value for name, value in state.items()}
    roles = follows.roles
    found = {name: known.get(roles[name], start) for name, start in follows.starts.items()}
    names = {role: name for name, role in roles.items()}
    for role, value in _numbers(old, new, known, chosen_first=chosen_first).items():
        if role in names:
            found[names[role]] = value
    if new.touches:
        _fingers(old, new, names, found)
    _axes(old, new, known, names, found)
    _steady(names, known, found)
    return found


def inside(old: Plan, new: Plan, program: Program, saved: tuple[float, ...]) -> tuple[float, ...]:
    """The state of a program that continues with another plan's numbers: the same, inside the new limits."""
    if new.axes == old.axes and new.others == old.others:
        return saved
    names = {role: name for name, role in program.roles.items()}
    found = dict(zip(program.state, saved, strict=True))
    for key, axis in ((one.key, one.axis) for one in new.mounts.instances):
        name = names[_role(key, axis)]
        found[name] = _held(axis, found[name])
    return tuple(found.values())


def _held(axis: Axis, value: float) -> float:
    """A value as an axis adds it up, inside its limits."""
    limits = axis.limits
    return min(max(value, limits["low"]), limits["high"])


def _numbers(old: Plan, new: Plan, known: dict[str, float], *, chosen_first: bool) -> dict[str, float]:
    """For roles whose value is a position in a list of the plan: the position in the new one."""
    found = _mounts(old, new, known)
    if "device" in known and new.families:
        found["device"] = float(_place(old.families, known["device"], new.families))
    things = ("", *old.things), ("", *new.things)
    for role, value in known.items():
        if role.endswith("_on") and value > 0.0:
            found[role] = float(_place(things[0], value, things[1]))
    choices = {gate.name: gate.choice for gate in old.gates}
    for gate in new.gates:
        role, was = own_role(f"choice.{gate.name}"), choices.get(gate.name, ())
        if len(gate.choice) > 1 and was != gate.choice:
            begins_anew = chosen_first or role not in known or not was
            found[role] = 0.0 if begins_anew else float(_place(was, known[role], gate.choice))
    return found


def _place(before: tuple[str, ...], value: float, after: tuple[str, ...]) -> int:
    """The new position of what was at an old position; 0 if it is gone."""
    name = before[int(value)] if 0 <= value < len(before) else ""
    return after.index(name) if name in after else 0


def _fingers(old: Plan, new: Plan, names: dict[str, str], found: dict[str, float]) -> None:
    """Fingers stay with their touches; if those now share with others, they are let go."""
    wide, tall, per_cm = (found[f"host_{name}"] for name in ("screen_x", "screen_y", "pixels_per_cm"))
    shorter = min(wide, tall)
    found |= {"screen_wide": wide / shorter, "screen_tall": tall / shorter}
    found["screen_cm"] = shorter / per_cm if per_cm > 0.0 else 0.0
    were, are = ([tuple(one.name for one in area) for area in plan.areas] for plan in (old, new))
    for k in range(1, FINGERS + 1):
        before = int(found[f"finger{k}_area"]) - 1
        stays = 0 <= before < len(were) and were[before] in are
        found[f"finger{k}_area"] = 1.0 + are.index(were[before]) if stays else 0.0
        if not stays:
            found |= {f"finger{k}_counts": 0.0, f"finger{k}_goes": 0.0, f"finger{k}_group": -1.0}
    # what such a touch said is no more so: nothing is on it
    anew = [touch for area in new.areas if tuple(one.name for one in area) not in were for touch in area]
    for signal in (one for touch in anew for one in touch.signals if one.held and one.kind != "position"):
        stem = own_role(signal.name)
        for role in (f"{stem}{ending}" for ending in ("", "_x", "_y", WANTS)):
            if role in names:
                found[names[role]] = 0.0


def _mounts(old: Plan, new: Plan, known: dict[str, float]) -> dict[str, float]:
    """Which mount is active, and how much each counts."""
    were, are = (tuple(one.mount.name for one in plan.mounts.all) for plan in (old, new))
    found = {
        role: float(_place(were, known.get(role, 0.0), are)) for role in ("mount", "chosen", "view_from")
    }
    stays = were[int(known.get("mount", 0.0))] in are
    force = are[int(found["mount"])]
    weights = {name: known.get(own_role(f"mounts.{name}.from"), float(name == force)) for name in are}
    if not stays or set(are) - set(were) or abs(sum(weights.values()) - 1.0) > 1e-9:
        # what it went over from is not all there: it is there at once
        weights = {name: float(name == force) for name in are}
    found |= {own_role(f"mounts.{name}.from"): weight for name, weight in weights.items()}
    for one in new.mounts.instances:
        if one.mounts:
            users = [are[k] for k in one.mounts]
            found[role_of_on(users)] = float(force in users)
    return found


def _role(key: str, axis: Axis) -> str:
    """The role of an axis's value in one mount."""
    return key if key == axis.name and key in KNOWN else own_role(f"axes.{key}")


def _axes(
    old: Plan, new: Plan, known: dict[str, float], names: dict[str, str], found: dict[str, float]
) -> None:
    """Keep the value of each axis in its unit, inside its limits, and what its pools owe."""
    before = {one.key: one.axis for one in old.mounts.instances}
    pools = [one for one in known if "_pool" in one]
    for key, axis in ((one.key, one.axis) for one in new.mounts.instances):
        role, was = _role(key, axis), before.get(key)
        if role not in known or was is None:
            continue
        inner = axis.inner(was.outer(known[role])) if was.log != axis.log else known[role]
        found[names[role]] = _held(axis, inner)
        owed = [one for one in pools if one.startswith(f"{role}_pool")]
        for one in owed:
            if was.log != axis.log and one in names:
                found[names[one]] = 0.0
        # a smoothing that is no more leaves what it held to another, if there is one
        left = [known[one] for one in owed if one not in names and not one.endswith("_speed")]
        first = names.get(f"{role}_pool1")
        if first and left and was.log == axis.log:
            found[first] += sum(left)


def _steady(names: dict[str, str], known: dict[str, float], found: dict[str, float]) -> None:
    """Presses that are filtered from now on keep their value; those no longer filtered take the raw one."""
    for role, name in names.items():
        if role.endswith(WANTS) and role not in known:
            found[name] = found[names[role.removesuffix(WANTS)]]
    for role, value in known.items():
        raw = names.get(role.removesuffix(WANTS))
        if role.endswith(WANTS) and role not in names and raw:
            found[raw] = value


def dropped(old: Plan, new: Plan) -> tuple[str, ...]:
    """In words, what of a plan is missing in another, and so stops."""
    lists = {
        "mount": (tuple(one.mount.name for one in plan.mounts.all) for plan in (old, new)),
        "axis": (tuple(one.key for one in plan.mounts.instances) for plan in (old, new)),
        "gate": (tuple(gate.name for gate in plan.gates) for plan in (old, new)),
        "cue": (tuple(cue.name for cue in plan.cues) for plan in (old, new)),
        "route": (tuple(route.name for route in plan.routes) for plan in (old, new)),
        "signal": (tuple(made.name for made in plan.derived) for plan in (old, new)),
        "touch": (tuple(touch.name for touch in plan.touches) for plan in (old, new)),
    }
    gone = [(what, name) for what, (were, are) in lists.items() for name in were if name not in are]
    found = tuple(f"the {what} {name} is gone" for what, name in gone)
    return (*found, "movement is gone") if old.movement and not new.movement else found

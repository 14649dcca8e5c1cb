"""Posing: the woven text that makes a camera pose of axes, of what the host says and of what mounts keep."""

from __future__ import annotations

from functools import partial
from typing import TYPE_CHECKING

from ..expressions import Block, Names, fill, number
from ..formulas import facing, unit
from ..plan.mounts import PLACE
from .walking import WALKED

if TYPE_CHECKING:
    from ..plan import Plan
    from ..plan.mounts import Word

_POSE = """
def pose({arguments}):
    {lines}
    return {results}
"""
_OWN = (
    "passed",
    "far",
    "at_x",
    "at_y",
    "at_z",
    "at_yaw",
    "fresh",
    "floor",
    "under",
    "least",
    "away_x",
    "away_z",
)
_PLACE, _TURN, _REST = (
    ("pose_x", "pose_y", "pose_z"),
    ("turn_x", "turn_y", "turn_z", "turn_w"),
    ("view", "wide"),
)
"""What several mounts make together: where the camera is, how it is turned, how much it sees."""


def walked_by(plan: Plan) -> tuple[str, ...]:
    """What of a walk the pose is made of."""
    faces = any("subject_yaw" in one.mount.hosts for one in plan.mounts.all)
    return (WALKED if faces else WALKED[:3]) if plan.movement else ()


def hosts(plan: Plan) -> tuple[str, ...]:
    """What the pose asks the host; where one mount only stands where it is told, the host is not asked."""
    asked = dict.fromkeys(host for one in plan.mounts.all for host in one.mount.hosts)
    leans = {"lean_x", "lean_y"} & {*plan.mounts.takes(0)}
    return tuple(dict.fromkeys([*PLACE, *asked])) if asked or plan.others or leans else ()


def rig(plan: Plan) -> dict[str, float]:
    """What mounts keep from one view to the next, and what that is at first."""
    mounts = enumerate(plan.mounts.all)
    return {kept(k, name): value for k, one in mounts for name, value in one.mount.rig.items()}


def kept(k: int, name: str) -> str:
    """The woven name of something that mount `k` keeps from one view to the next."""
    return f"{name}_{k}" if k else name


def arguments(plan: Plan) -> tuple[str, ...]:
    """The axes that the pose is made of: names of one mount's, or keys of several mounts'."""
    return plan.mounts.own or tuple(
        name for name, one in plan.mounts.takes(0).items() if isinstance(one, str)
    )


def _word(plan: Plan, k: int, name: str) -> str:
    """The woven name of what mount `k` takes or keeps."""
    taken = plan.mounts.of(k, name)
    if name in plan.mounts.all[k].mount.rig:
        return kept(k, name)
    if taken is None:
        return "0.0"
    if isinstance(taken, float):
        return number(taken)
    return f"axis{plan.mounts.own.index(str(taken))}" if plan.others else name


def pose_text(plan: Plan) -> str:
    """Axes, where the character walked to, what the host said, the time and what mounts keep, to a pose."""
    several, walks, keeps = plan.mounts.all, walked_by(plan), rig(plan)
    axes = [f"axis{k}" if plan.others else name for k, name in enumerate(arguments(plan))]
    weights = [f"weight{k}" for k, _ in enumerate(several)] if plan.others else []
    taken = [*weights, *axes, *walks, *hosts(plan), *(["t"] if keeps else []), *keeps]
    block = Block(Names([*taken, *_OWN, *_PLACE, *_TURN, *_REST]))
    for host, part in zip((*PLACE, "subject_yaw"), ("x", "y", "z", "yaw"), strict=True):
        walked = ("heading" if part == "yaw" else f"moved_{part}") if walks else "0.0"
        if host in hosts(plan):
            walked = f"{host} if {host} == {host} else {walked}"
        if host in (*PLACE, *hosts(plan)):
            block.set(f"at_{part}", walked)
    if plan.others:
        results: tuple[str, ...] = _several(block, plan)
    else:
        results = _one(block, plan, 0)
    return fill(_POSE, arguments=", ".join(taken), lines=block.lines, results=", ".join([*results, *keeps]))


def _one(block: Block, plan: Plan, k: int) -> tuple[str, ...]:
    """The pose of one mount."""
    word: Word = partial(_word, plan, k)
    zoom = plan.mounts.of(k, "zoom") is not None
    return plan.mounts.all[k].mount.weave_pose(block, word, zoom=zoom)


def _several(block: Block, plan: Plan) -> tuple[str, ...]:
    """The pose between mounts: places by their weights, rotations the shorter way."""
    whole = (*_PLACE, *_TURN, *_REST)
    for name in whole:
        block.set(name, "0.0")
    for k, one in enumerate(plan.mounts.all):
        seen, unseen = block.inner(), block.inner()
        pose = _one(seen, plan, k)
        (sign,) = seen.call(facing, *_TURN, *pose[3:7])
        for name, value in zip(whole, pose, strict=True):
            seen.set(name, f"{name} + weight{k}{f' * {sign}' if name in _TURN else ''} * ({value})")
        if "begun" in one.mount.rig:
            unseen.set(kept(k, "begun"), "0.0")
        block.when(f"weight{k} != 0.0", seen, unseen if unseen.lines else None)
    block.call(unit, *_TURN, into=_TURN)
    return whole

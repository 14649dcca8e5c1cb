"""Posing: a camera pose from axes, from what the host says and from what mounts keep."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import Block, Name, Names, Word, lift, where
from ..formulas import facing, unit
from ..plan import SEEN_T
from ..plan.mounts import AT_X, AT_Y, AT_YAW, AT_Z, PLACE, POSE_WORDS
from .walking import WALKED
from .woven import POSED, WovenPose

if TYPE_CHECKING:
    from ..expressions import Value
    from ..plan import Plan
    from ..plan.mounts import Pose

_WHOLE = (
    *(Word(f"pose_{part}") for part in "xyz"),
    *(Word(f"turn_{part}") for part in "xyzw"),
    Word("view"),
    Word("wide"),
)
"""What several mounts make together: where the camera is, how it is turned, how much it sees."""
_TURN = _WHOLE[3:7]


def walked_by(plan: Plan) -> tuple[str, ...]:
    """The parts of a walk that the pose uses."""
    faces = any("subject_yaw" in one.mount.hosts for one in plan.mounts.all)
    return (WALKED if faces else WALKED[:3]) if plan.movement else ()


def hosts(plan: Plan) -> tuple[str, ...]:
    """What the pose asks the host; a single mount that only stands where it is told asks nothing."""
    asked = dict.fromkeys(host for one in plan.mounts.all for host in one.mount.hosts)
    leans = {"lean_x", "lean_y"} & {*plan.mounts.takes(0)}
    # its yaw right behind the place: a host says both every frame
    first = [*PLACE, *asked.keys() & {"subject_yaw"}]
    return tuple(dict.fromkeys([*first, *asked])) if asked or plan.others or leans else ()


def rig(plan: Plan) -> dict[str, float]:
    """What mounts keep from one view to the next, with the values at first."""
    mounts = enumerate(plan.mounts.all)
    return {kept(k, name): value for k, one in mounts for name, value in one.mount.rig.items()}


def kept(k: int, name: str) -> str:
    """The name of something that mount `k` keeps from one view to the next."""
    return f"{name}_{k}" if k else name


def arguments(plan: Plan) -> tuple[str, ...]:
    """The axes that the pose uses: names for one mount, or keys for several."""
    return plan.mounts.own or tuple(
        name for name, one in plan.mounts.takes(0).items() if isinstance(one, str)
    )


class _Given:
    """The inputs of one mount's pose."""

    def __init__(self, plan: Plan, k: int) -> None:
        self.plan, self.k = plan, k

    def axis(self, name: str) -> Value:
        """The value of an axis; the number 0 if the mount does not have it."""
        taken = self.plan.mounts.of(self.k, name)
        if not isinstance(taken, str):
            return lift(0.0 if taken is None else taken)
        return Word(f"axis{self.plan.mounts.own.index(taken)}" if self.plan.others else name)

    def kept(self, name: str) -> Name:
        """A state value of the mount; it must be in its `rig`."""
        if name not in self.plan.mounts.all[self.k].mount.rig:
            raise KeyError(name)
        return Word(kept(self.k, name))


def weave_pose(plan: Plan) -> WovenPose:
    """Write a pose from axes, the walk, what the host said, the time and what mounts keep."""
    several, walks, keeps = plan.mounts.all, walked_by(plan), [*map(Word, rig(plan))]
    axes = [f"axis{k}" if plan.others else name for k, name in enumerate(arguments(plan))]
    weights = [f"weight{k}" for k, _ in enumerate(several)] if plan.others else []
    taken = [*map(Word, (*weights, *axes, *walks, *hosts(plan))), *([SEEN_T] if keeps else []), *keeps]
    block = Block(Names([*(one.name for one in (*taken, *POSE_WORDS, *_WHOLE)), *POSED]))
    places = zip((*PLACE, "subject_yaw"), (AT_X, AT_Y, AT_Z, AT_YAW), WALKED, strict=True)
    for host, at, walked in places:
        # what the host says of the subject comes before where it walked to
        place: Value = Word(walked) if walks else lift(0.0)
        if host in hosts(plan):
            place = where(Word(host).known(), Word(host), place)
        if host in (*PLACE, *hosts(plan)):
            block.set(at, place)
    results = _several(block, plan) if plan.others else _one(block, plan, 0)
    return WovenPose(taken, keeps, block.statements, list(results))


def _one(block: Block, plan: Plan, k: int) -> Pose:
    """The pose of one mount."""
    zoom = plan.mounts.of(k, "zoom") is not None
    return plan.mounts.all[k].mount.write_pose(block, _Given(plan, k), zoom=zoom)


def _several(block: Block, plan: Plan) -> tuple[Name, ...]:
    """The pose between mounts: places by weight, rotations the shorter way."""
    for name in _WHOLE:
        block.set(name, 0.0)
    for k, one in enumerate(plan.mounts.all):
        weight = Word(f"weight{k}")
        with block.when(weight != 0.0):
            pose = _one(block, plan, k)
            # q and -q are one rotation: added up with the wrong sign the view would go round the long way
            (sign,) = block.call(facing, *_TURN, *pose[3:7])
            for k_value, (name, value) in enumerate(zip(_WHOLE, pose, strict=True)):
                share = weight * sign if 3 <= k_value < 7 else weight
                block.set(name, name + share * value)
        with block.otherwise():
            # a mount that nobody sees stops following; when it is seen again it starts afresh at its subject
            if "begun" in one.mount.rig:
                block.set(Word(kept(k, "begun")), 0.0)
    block.call(unit, *_TURN, into=_TURN)
    return _WHOLE

"""Several mounts: when each is active, which axes are its own, and which it shares."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, NamedTuple

from ...basics import PlanError, listed

if TYPE_CHECKING:
    from collections.abc import Sequence

    from ..axes import Axis
    from ..gates import When
    from .kinds import Mount


@dataclass(frozen=True, slots=True)
class Mounted:
    """A mount that takes over while its `gate` is open, or when its `cue` is given.

    Of several open gates the highest `priority` wins. A cue goes to the next of the mounts that
    name it, by priority, and after the last of them back to the default mount.

    `axes` are its own, with their own limits and starts; `fixed` are values of axes
    that nothing moves there; the rest that its kind uses are the plan's. `shares` are handed over
    where the other mount has one of its own.
    """

    mount: Mount
    gate: When | None = None
    cue: str = ""
    priority: int = 0
    axes: tuple[Axis, ...] = ()
    fixed: tuple[tuple[str, float], ...] = ()
    shares: tuple[str, ...] = ()
    blend: float | None = None
    """Seconds over which the view goes over to it; unless stated, those of the mount that it comes from."""
    restore: bool = True
    """Whether its own axes are as they were left when it takes over again, or begin anew."""

    def __post_init__(self) -> None:
        name = self.mount.name
        if self.blend is not None and not 0.0 <= self.blend <= 60.0:
            raise PlanError(f"{name}: blend: found {self.blend:g} s; expected 0 to 60 s", path=("blend",))
        own = [*(axis.name for axis in self.axes), *(axis for axis, _ in self.fixed)]
        for axis in own:
            if own.count(axis) > 1 or axis in self.shares:
                raise PlanError(f"{name}: found {axis} both shared and its own; expected one of them")
            if axis not in (*self.mount.axes, *self.mount.optional):
                known = listed((*self.mount.axes, *self.mount.optional))
                raise PlanError(f"{name}: found an axis {axis}; expected {known}")
        for axis in self.shares:
            if axis not in (*self.mount.axes, *self.mount.optional):
                raise PlanError(
                    f"{name}: shares: found {axis}; expected {listed(self.mount.axes)}", path=("shares",)
                )


class Instance(NamedTuple):
    """An axis as one mount or several have it."""

    key: str
    """What tells it from the others of its name."""
    axis: Axis
    mounts: frozenset[int]
    """The mounts that have it, by number; none for an axis that is always there."""


class Mounts:
    """A plan's mounts, the default one first, and which axis each of them uses."""

    def __init__(self, mounts: Sequence[Mounted], axes: Sequence[Axis]) -> None:
        self.all = tuple(mounts)
        self._common = {axis.name: axis for axis in axes}
        self._taken: dict[int, dict[str, str | float]] = {}
        self.instances = tuple(self._find())
        keys = [one.key for one in self.instances]
        if len(set(keys)) < len(keys):
            raise PlanError(f"two axes have one name: {listed(keys, 'and')}")

    def _find(self) -> list[Instance]:
        """The plan's axes, then those that mounts have for themselves."""
        several = range(len(self.all))
        found = []
        for name, axis in self._common.items():
            found_in = ((k, self.of(k, name)) for k in several)
            users = frozenset(k for k, one in found_in if isinstance(one, str) and one == name)
            kinds = any(name in one.mount.axes for one in self.all)
            found.append(Instance(name, axis, users if kinds and len(users) < len(self.all) else frozenset()))
        for k, one in enumerate(self.all):
            found += [Instance(self._key(k, axis.name), axis, frozenset([k])) for axis in one.axes]
        return found

    def _key(self, k: int, name: str) -> str:
        return f"{name} of {self.all[k].mount.name}"

    def of(self, k: int, name: str) -> str | float | None:
        """What a mount has for an axis: the key of an instance, a fixed number, or nothing."""
        one = self.all[k]
        if name in dict(one.fixed):
            return dict(one.fixed)[name]
        if any(axis.name == name for axis in one.axes):
            return self._key(k, name)
        if name not in self._common:
            return None
        if name in one.mount.axes:
            return name
        taken = k > 0 and name in self.all[0].mount.axes
        return name if name in one.mount.optional and not taken else None

    def without(self, name: str) -> list[str]:
        """The mounts that do not use the plan's axis of a name; empty for an axis that is always there."""
        users = next(one.mounts for one in self.instances if one.key == name)
        return [one.mount.name for k, one in enumerate(self.all) if users and k not in users]

    def keys(self, name: str) -> tuple[str, ...]:
        """The keys of all instances of an axis."""
        return tuple(one.key for one in self.instances if one.axis.name == name)

    @property
    def own(self) -> tuple[str, ...]:
        """The keys of everything the mounts use; empty if there is only one mount."""
        several = range(len(self.all) if len(self.all) > 1 else 0)
        return tuple(dict.fromkeys(one for k in several for one in self.moving(k)))

    def label(self, key: str) -> str:
        """What to call an axis of one mount, or of the first of several."""
        users = [k for k in range(len(self.all)) if key in self.moving(k)]
        return key if key not in self._common else self._key(users[0], key)

    def takes(self, k: int) -> dict[str, str | float]:
        """What a mount uses: for each of its axes the key of its instance, or a number."""
        if k not in self._taken:
            mount = self.all[k].mount
            found = {name: self.of(k, name) for name in (*mount.axes, *mount.optional)}
            self._taken[k] = {name: one for name, one in found.items() if one is not None}
        return self._taken[k]

    def moving(self, k: int) -> tuple[str, ...]:
        """The keys of the moving axes that a mount uses."""
        return tuple(one for one in self.takes(k).values() if isinstance(one, str))

    def ring(self, cue: str) -> tuple[int, ...]:
        """The mounts that a cue cycles through, the default one first."""
        named = [k for k, one in enumerate(self.all) if one.cue == cue and k > 0]
        return (0, *sorted(named, key=lambda k: (-self.all[k].priority, self.all[k].mount.name)))

    def by_priority(self) -> tuple[int, ...]:
        """The mounts that have a gate, by falling priority."""
        gated = [k for k, one in enumerate(self.all) if one.gate and k > 0]
        return tuple(sorted(gated, key=lambda k: (-self.all[k].priority, self.all[k].mount.name)))

    def blend(self, old: int, new: int) -> float:
        """Seconds over which the view goes from one mount to another."""
        coming, going = self.all[new].blend, self.all[old].blend
        return next((one for one in (coming, going) if one is not None), 0.0)

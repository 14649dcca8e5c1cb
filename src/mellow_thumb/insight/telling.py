"""Telling: what each control of a profile does, in plain words; amounts are measured on a running session."""

from __future__ import annotations

from dataclasses import asdict, dataclass
from textwrap import fill
from typing import TYPE_CHECKING, Any

from ..basics import listed
from ..plan import FAMILIES
from ..session import check_basis
from .controls import controls_of
from .plain_words import camera_words, character_words, cue_words, during, gate_words, when_words
from .states import states_of

if TYPE_CHECKING:
    import pandas as pd

    from ..plan import Plan
    from ..session import Basis
    from .controls import Control


@dataclass(frozen=True)
class Telling:
    """What a profile does: its controls, gates and cues, and what some devices cannot reach."""

    title: str
    controls: tuple[Control, ...]
    gates: dict[str, str]
    cues: dict[str, str]
    mounts: dict[str, str]
    """When each of several mounts is active."""
    walks: tuple[str, ...]
    """How the character walks, which way is forward, and where it faces; nothing where nobody walks."""
    returns: tuple[str, ...]
    """What the camera does by itself: back behind the walk."""
    unreached: dict[str, tuple[str, ...]]
    """For each family of devices that is used: the axes that only others drive."""

    def as_dict(self) -> dict[str, Any]:
        """The same as plain data."""
        return asdict(self)

    def table(self) -> pd.DataFrame:
        """A row a control and family of devices: ``device``, then fields of :class:`Control`."""
        import pandas as pd

        keys = ("hand", "when", "axis", "effect", "amount", "unit", "does", "route", "signal")
        rows = [
            {"device": device, **{key: getattr(one, key) for key in keys}}
            for one in self.controls
            for device in one.devices or ("",)
        ]
        return pd.DataFrame(rows, columns=["device", *keys])

    def text(self, width: int = 0) -> str:
        """The same as text, wrapped to a width if one is given."""
        lines = [self.title] if self.title else []
        for family in FAMILIES:
            ours = [one for one in self.controls if family in one.devices]
            if ours:
                lines += ["", FAMILIES[family], *(f"  {one.text()}" for one in ours)]
        if self.walks:
            lines += ["", "the character", *(f"  {one}" for one in self.walks)]
        lines += ["", "the camera", *(f"  {one}" for one in self.returns)] if self.returns else []
        lines += self._named("gates (open when)", self.gates, " <- ")
        lines += self._named("mounts (active when)", self.mounts, " <- ")
        lines += self._named("cues", self.cues, " <- ")
        missing = [
            f"the {FAMILIES[one]} cannot reach {listed(axes, 'or')}"
            for one, axes in self.unreached.items()
            if axes
        ]
        lines += ["", *missing] if missing else []
        wrapped = [
            fill(line, width, subsequent_indent="      ", drop_whitespace=True) if width and line else line
            for line in lines
        ]
        return "\n".join(wrapped).lstrip("\n")

    @staticmethod
    def _named(head: str, words: dict[str, str], joiner: str) -> list[str]:
        wide = max(map(len, words), default=0)
        return (
            ["", head, *(f"  {name:<{wide}}{joiner}{text}" for name, text in words.items())] if words else []
        )


def tell(profile: Plan, basis: Basis | None = None) -> Telling:
    """Say what each control of a profile does: which way, how much, from where, to where.

    Each route is measured by itself, in a session, with every sign included. With a `basis` turns are also
    told in your own axes.

    Raises :class:`ArgumentError` for what is no basis.
    """
    check_basis(basis)
    gates = {gate.name: gate for gate in profile.gates}
    states = list(states_of(profile))
    controls = [one for route in profile.routes for one in controls_of(profile, route, states, basis)]
    pinned = {route.name: route.drives for route in profile.routes if route.effect == "pin"}
    driven: dict[str, set[str]] = {family: set() for family in profile.families}
    for control in (one for one in controls if not one.idle):
        for family in driven.keys() & set(control.devices):
            driven[family].update(pinned.get(control.route, (control.axis,)))
    everything = [axis.name for axis in profile.axes if any(axis.name in some for some in driven.values())]
    mounts = {}
    for one in profile.others:
        words = [when_words(one.gate, gates)] if one.gate else []
        words += [f"the cue {one.cue} given"] if one.cue else []
        mounts[one.mount.name] = listed(words)
    return Telling(
        title=getattr(profile, "title", ""),
        controls=tuple(controls),
        gates={name: gate_words(gate, gates) for name, gate in gates.items()},
        cues={
            cue.name: cue_words(cue) + (f", {during(cue.gate, gates)}" if cue.gate else "")
            for cue in profile.cues
        },
        mounts={profile.mount.name: "when no other is", **mounts} if mounts else {},
        walks=tuple(character_words(profile)),
        returns=tuple(camera_words(profile)),
        unreached={
            family: tuple(axis for axis in everything if axis not in driven[family])
            for family in profile.families
            if len(profile.families) > 1
        },
    )

"""A first profile, with a comment on each part, for chosen devices and mounts."""

from __future__ import annotations

from functools import cache
from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError, listed, nearest
from ..plan import FAMILIES

if TYPE_CHECKING:
    from collections.abc import Mapping, Sequence

    from jinja2 import Template

DEVICES = tuple(FAMILIES)
"""The devices of a first profile, by family: ``handheld`` is a motion sensor, ``worn`` a headset's hands."""
TURNING, PLANAR = ("eye", "orbit"), ("overhead", "flat")
MOUNTS = (*TURNING, *PLANAR, "headset")
_NEEDS = {
    **dict.fromkeys(TURNING, ("desk", "pad", "touch", "handheld")),
    **dict.fromkeys(PLANAR, ("desk", "pad", "touch")),
    "headset": ("desk", "pad", "worn"),
}
"""For a mount, the devices that have something to do there."""


def starter(devices: Sequence[str] = ("desk", "pad"), mounts: Sequence[str] = ("orbit",)) -> str:
    """The text of a first profile: TOML with comments, in which :func:`check` finds nothing.

    `devices` are of `DEVICES`, `mounts` one of `MOUNTS`, or two, between which the player goes to and fro.
    Raises :class:`ArgumentError` for others, and for a device with nothing to do on a mount.
    """
    _refuse(devices, mounts)
    text = _template().render(**_parts(devices, mounts))
    lines = text.split("\n")
    kept = [line for k, line in enumerate(lines) if line or (k and lines[k - 1])]
    return "\n".join(kept).strip() + "\n"


@cache
def _template() -> Template:
    from jinja2 import Environment, PackageLoader, StrictUndefined

    environment = Environment(
        loader=PackageLoader("mellow_thumb.profiles", ""),
        undefined=StrictUndefined,
        trim_blocks=True,
        lstrip_blocks=True,
    )
    return environment.get_template("starter.toml.j2")


def _refuse(devices: Sequence[str], mounts: Sequence[str]) -> None:
    """Refuse what there is no first profile for."""
    for names, known, what in ((devices, DEVICES, "device"), (mounts, MOUNTS, "mount")):
        for name in names:
            if name not in known:
                expected = f"a {what}: {listed(known)}{nearest(name, known)}"
                raise ArgumentError(f'found "{name}"; expected {expected}')
        if not names or len(set(names)) < len(names):
            raise ArgumentError(f"found {listed(names) or 'none'}; expected {what}s, each once")
    if len(mounts) > 2 or (len(mounts) == 2 and "headset" in mounts):
        raise ArgumentError(f"found {listed(mounts)}; expected one mount, or two without a headset's")
    for mount in mounts:
        if not set(_NEEDS[mount]) & set(devices):
            raise ArgumentError(
                f"found {listed(devices)}; expected for {mount} one of {listed(_NEEDS[mount])}"
            )
    for device in devices:
        if not any(device in _NEEDS[mount] for mount in mounts):
            raise ArgumentError(f"found {device}; it has nothing to do on {listed(mounts)}")


def _parts(devices: Sequence[str], mounts: Sequence[str]) -> dict[str, Any]:
    """The template's values."""
    has = {device: device in devices for device in DEVICES}
    look, plane = any(one in TURNING for one in mounts), any(one in PLANAR for one in mounts)
    second, headset = len(mounts) > 1, "headset" in mounts
    both, first = look and plane, mounts[0] in TURNING
    panning = ("second" if first else "not second") if both else None
    # a view from above can zoom too, so that what zooms the flat picture must leave it alone
    flat = ("second" if mounts[-1] == "flat" else "not second") if set(mounts) == set(PLANAR) else None
    spin = "overhead" in mounts
    walk = (look or headset) and set(devices) != {"handheld"}
    carried = {
        gate: [button for device, several in found.items() if has[device] for button in several]
        for gate, found in _BUTTONS.items()
        if (gate == "second" and second) or (gate == "aiming" and look)
    }
    kinds = sorted({name.partition(".")[0] for some in carried.values() for name in some})
    carriers = _quoted([f"{kind}.*" for kind in kinds])
    snaps, turns = _snaps(has) if headset else ({}, [])
    looks = [name for device, names in _LOOKS.items() if has[device] for name in names] if look else []
    return has | {
        "devices": [FAMILIES[one] for one in devices], "mounts": list(mounts),
        "turning": TURNING, "planar": PLANAR, "look": look, "plane": plane,
        "second": second, "headset": headset, "walk": walk, "spin": spin,
        "distance": bool({"orbit", "overhead"} & set(mounts)) and set(devices) != {"handheld"},
        "zoom": "flat" in mounts,
        "switches": _quoted(carried.get("second", [])), "aims": _quoted(carried.get("aiming", [])),
        "gates": second or bool(carried.get("aiming")) or (plane and (has["desk"] or has["touch"])),
        "looking": ("not second" if first else "second") if both else None,
        "panning": panning, "zooming": panning or flat,
        "walks": [(name, source) for device, name, source in _WALKS if has[device]],
        "snaps": snaps, "turns": turns, "spins": _spins(has) if spin else [],
        "scaled": [f"look_{name}" for name in looks],
        "buttons": [f"{gate} = {carriers}" for gate, some in carried.items() if some],
        "allowed": _allowed(has, carried, plane=plane, several=len(devices) > 1),
    }  # fmt: skip


_BUTTONS = {
    "second": {"desk": ("mouse.middle", "key.KeyM"), "pad": ("pad.centre_left",)},
    "aiming": {"desk": ("mouse.right", "key.ShiftLeft"), "pad": ("pad.left_shoulder",)},
}
"""For a gate, the buttons that may carry it; a touch screen has none, but those that a game draws."""
_LOOKS = {"desk": ("mouse", "keys"), "pad": ("stick",), "touch": ("touch",), "handheld": ("motion",)}
_WALKS = (
    ("desk", "keys", "steps"),
    ("pad", "stick", "pad.left_stick"),
    ("touch", "thumb", "touch.walk"),
    ("worn", "hand", "left_hand.stick"),
)


def _quoted(names: Sequence[str]) -> str:
    """Names as a TOML list; empty for none."""
    return "[" + ", ".join(f'"{name}"' for name in names) + "]" if names else ""


def _snaps(has: Mapping[str, bool]) -> tuple[dict[str, str], list[tuple[str, str, int]]]:
    """Snap turns for a headset: the signals and their routes."""
    found = (
        ("worn", "hand", "right_hand.stick.x", 30),
        ("pad", "stick", "pad.right_stick.x", 30),
        ("desk", "right", "key.KeyE", 30),
        ("desk", "left", "key.KeyQ", -30),
    )
    ours = [(name, source, amount) for device, name, source, amount in found if has[device]]
    turns = [(f"turn_{name}", f"snap_{name}", amount) for name, _, amount in ours]
    return {f"snap_{name}": source for name, source, _ in ours}, turns


def _spins(has: Mapping[str, bool]) -> list[tuple[str, str, str]]:
    """What rotates a view from above: routes, their signals and sensitivities."""
    found = (
        ("desk", "keys", "spin", "90 deg/s"),
        ("pad", "stick", "pad.right_stick.x", "120 deg/s"),
        ("touch", "twist", "touch.twist", "-1 deg/deg"),
    )
    return [(name, source, amount) for device, name, source, amount in found if has[device]]


def _allowed(
    has: Mapping[str, bool], carried: Mapping[str, Sequence[str]], *, plane: bool, several: bool
) -> dict[str, str]:
    """Intended findings, with reasons."""
    if not several:
        return {}
    allowed = {}
    if has["handheld"]:
        allowed["one-device"] = "the motion sensor turns the view; what it sits in does the rest"
    elif has["touch"]:
        for gate in (gate for gate, some in carried.items() if some):
            allowed[f"one-device {gate}"] = "on the glass, draw a button and feed one of these"
    if plane and not has["handheld"]:
        own = "each device drags in its own way"
        allowed |= {f"one-device {gate}": own for one, gate in _DRAGS if has[one]}
    return allowed


_DRAGS = (("desk", "dragging"), ("touch", "fingering"))

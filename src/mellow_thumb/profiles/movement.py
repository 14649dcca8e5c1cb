"""Movement in a profile: its form, and how it is read."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any, Literal

from pydantic import Field

from ..plan import Condition, Movement
from .forms import (
    DegreesASecond,
    Face,
    Form,
    MetresASecond,
    MetresASecondSquared,
    Number,
    in_unit,
)

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ..basics import Path
    from .faults import Faults
    from .switching import SwitchReader


class MovementForm(Form):
    """A character that walks where `move_x` and `move_y` point."""

    speed: MetresASecond = Field(
        examples=['"1.6 m/s"'],
        description="at full deflection, over the map",
        json_schema_extra=in_unit("m/s, km/h"),
    )
    acceleration: MetresASecondSquared = Field(
        20.0, description="how fast it gains speed", json_schema_extra=in_unit("m/s2")
    )
    braking: MetresASecondSquared = Field(
        20.0, description="how fast it loses speed; with 0 it slides on", json_schema_extra=in_unit("m/s2")
    )
    scale: dict[str, Number] = Field(
        {}, description="factors of the speed while gates are open: `{ glassing = 0.5 }`"
    )
    relative_to: Literal["camera", "world", "body", "head", "left_hand", "right_hand"] = Field(
        "camera",
        description="what forward means: where the camera looks, -Z of the world, where it faces, where "
        "the head in a headset looks, or where a hand points",
    )
    face: Face = Field(
        {"otherwise": "travel"},
        description="where it faces: `travel`, `view` (strafing) or `free` (your game says); or by gate: "
        '`{ otherwise = "travel", glassing = "view" }`',
    )
    turn_rate: DegreesASecond = Field(
        720.0, description="how fast it turns to face there", json_schema_extra=in_unit("deg/s")
    )


def read_movement(faults: Faults, switches: SwitchReader, data: Mapping[str, Any]) -> Movement | None:
    """The character, if the profile has one."""
    if "movement" not in data:
        return None
    path: Path = ("movement",)
    form = faults.form(MovementForm, data["movement"], path)
    if form is None or form.speed is None:
        return None
    scales, faces = dict(form.scale or {}), dict(form.face or {"otherwise": "travel"})
    otherwise = faces.pop("otherwise", "travel")
    for key, entries in (("scale", scales), ("face", faces)):
        for name in entries:
            switches.when((*path, key, name), Condition.parse(name))
    with faults.catching(path):
        return Movement(
            form.speed,
            form.acceleration if form.acceleration is not None else 20.0,
            form.braking if form.braking is not None else 20.0,
            tuple((Condition.parse(name), factor) for name, factor in sorted(scales.items())),
            form.relative_to or "camera",
            otherwise,
            tuple((Condition.parse(name), face) for name, face in sorted(faces.items())),
            form.turn_rate or 720.0,
        )
    return None

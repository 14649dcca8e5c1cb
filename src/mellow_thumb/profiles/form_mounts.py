"""The form of mounts and of movement in a profile."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import Field

from .form_parts import (
    Conditions,
    Corners,
    Degrees,
    DegreesASecond,
    Face,
    Form,
    Metres,
    MetresASecond,
    MetresASecondSquared,
    Names,
    Number,
    Offset,
    Reach,
    Returns,
    Seconds,
    in_unit,
)


class MountForm(Form):
    """What every mount may state: when it takes over from the one in `mount`, and what it has for itself."""

    kind: str = Field(description="what it is")
    gate: Conditions | None = Field(
        None, description="in force while this gate is open; as the gate of a route"
    )
    cue: str | None = Field(
        None,
        description="in force from this cue on; given again, the cue goes to the next mount that names it, "
        "and at last back to the one in `mount`",
    )
    priority: int = Field(
        0, ge=-1000, le=1000, description="of several mounts whose gates are open, the highest is in force"
    )
    axes: dict[str, dict[str, Any]] = Field(
        {},
        description="what is different about its axes, by name: keys of `[axes.NAME]`, or "
        '`{ fixed = "1.4 m" }` for one that nothing moves here',
    )
    shares: Names = Field(
        (), description="axes that it has in common with the mount it takes over from; others are its own"
    )
    restore: bool = Field(
        True, description="whether its own axes are as they were left when it takes over again, or begin anew"
    )
    blend: Seconds | None = Field(
        None,
        description="how long the view takes to go over to it; unless stated, as long as the mount that it "
        "takes over from states",
        json_schema_extra=in_unit("s, ms"),
    )


class EyeForm(MountForm):
    """A first-person camera."""

    kind: Literal["eye"] = Field(
        examples=['"eye"'], description="`eye`: it looks where yaw, pitch and roll point"
    )
    height: Metres = Field(
        0.0, ge=-1e6, le=1e6, description="of the camera above the origin", json_schema_extra=in_unit("m, cm")
    )
    field_of_view: Degrees = Field(
        60.0, gt=0, lt=180, description="vertical, at a zoom of 1", json_schema_extra=in_unit("deg")
    )
    turns: Literal["body", "head"] = Field(
        "body",
        description="what turns with the yaw: the `body`, or only the `head`, whose yaw is measured from "
        "where the subject faces",
    )


class OrbitForm(MountForm):
    """A camera around a subject that moves."""

    kind: Literal["orbit"] = Field(
        examples=['"orbit"'], description="`orbit`: `distance` away from the subject, and looking at it"
    )
    offset: Offset = Field(
        (0.0, 0.0, 0.0),
        description='what it looks at, from the subject: `["right", "up", "back"]`, as the view is turned',
        json_schema_extra=in_unit("m, cm"),
    )
    frame: Literal["world", "entry", "subject", "target"] = Field(
        "world",
        description="what yaw and pitch are measured from: `world` (-Z), `entry` (where the subject faced "
        "as the mount took over), `subject` (where it faces now) or `target` (where a second subject is: it "
        "is locked on)",
    )
    follow_turn: Seconds = Field(
        0.0,
        description="half-life with which it follows the turns of that `subject` or `target`",
        json_schema_extra=in_unit("s, ms"),
    )
    returns: Returns | None = Field(
        None,
        description='back behind the direction of travel: `{ after = "2 s", half_life = "600 ms" }`, so long '
        "after the last hand on the yaw",
        json_schema_extra=in_unit("s, ms"),
    )
    up: Literal["world", "host"] = Field(
        "world", description="which way is up: +Y of the `world`, or what the `host` says"
    )
    follow: Seconds = Field(
        0.0,
        description="half-life with which it follows the subject over the ground; it then stays "
        "speed x half-life / 0.693 behind",
        json_schema_extra=in_unit("s, ms"),
    )
    follow_up: Seconds = Field(0.0, description="the same up and down", json_schema_extra=in_unit("s, ms"))
    recovers: Seconds = Field(
        0.3,
        description="half-life with which it goes back where an obstacle brought it nearer",
        json_schema_extra=in_unit("s, ms"),
    )
    reach: Reach = Field(
        (),
        description='more or less of the distance by the pitch: `[["-60 deg", 1.5], ["0 deg", 1], '
        '["40 deg", 0.6]]`, joined by a monotone curve',
        json_schema_extra=in_unit("deg, a factor"),
    )
    field_of_view: Degrees = Field(
        60.0, gt=0, lt=180, description="vertical, at a zoom of 1", json_schema_extra=in_unit("deg")
    )


class OverheadForm(MountForm):
    """A look from above over ground."""

    kind: Literal["overhead"] = Field(
        examples=['"overhead"'], description="`overhead`: `distance` away from the middle of the view"
    )
    frame: Literal["world", "entry", "subject"] = Field(
        "world",
        description="what pans are measured from: `world`, `entry` (where the subject stood as the mount "
        "took over) or `subject` (where it stands now)",
    )
    follow: Seconds = Field(
        0.0, description="half-life with which it follows the subject", json_schema_extra=in_unit("s, ms")
    )
    follow_up: Seconds = Field(
        0.2, description="the same for the height of the ground", json_schema_extra=in_unit("s, ms")
    )
    clearance: Metres = Field(
        0.5, description="the camera is never nearer to the ground", json_schema_extra=in_unit("m, cm")
    )
    bounds: Corners = Field(
        (),
        description='corners `[["x", "y"], …]` of a convex area that the middle of the view stays in, to +X '
        "and to -Z; for a box `min` and `max` of the pans will do",
        json_schema_extra=in_unit("m, cm"),
    )
    field_of_view: Degrees = Field(
        60.0, gt=0, lt=180, description="vertical, at a zoom of 1", json_schema_extra=in_unit("deg")
    )


class FlatForm(MountForm):
    """A flat picture that pans and zooms."""

    kind: Literal["flat"] = Field(examples=['"flat"'], description="`flat`: seen from the front")
    extent: Metres = Field(
        10.0,
        description="what the shorter side of the screen shows at a zoom of 1",
        json_schema_extra=in_unit("m, cm"),
    )
    frame: Literal["world", "entry", "subject"] = Field(
        "world", description="what pans are measured from, as for `overhead`"
    )
    follow: Seconds = Field(
        0.0, description="half-life with which it follows the subject", json_schema_extra=in_unit("s, ms")
    )
    bounds: Corners = Field(
        (),
        description="corners of a convex area that the middle of the view stays in, right and up",
        json_schema_extra=in_unit("m, cm"),
    )


class HeadsetForm(MountForm):
    """A camera that a head carries; `yaw` turns the room about the head."""

    kind: Literal["headset"] = Field(
        examples=['"headset"'], description="`headset`: the head's own pose, as the host says it"
    )
    height: Metres = Field(
        0.0,
        description="added to the head's own: for who sits, and is to see as who stands",
        json_schema_extra=in_unit("m, cm"),
    )
    field_of_view: Degrees = Field(
        90.0,
        gt=0,
        lt=180,
        description="vertical, for what is drawn without the headset",
        json_schema_extra=in_unit("deg"),
    )
    fade: Seconds = Field(
        0.0,
        description="after a snap `frame.fade` falls from 1 to 0 in this time: how dark to draw the view",
        json_schema_extra=in_unit("s, ms"),
    )


MOUNTS: dict[str, type[MountForm]] = {
    "eye": EyeForm,
    "orbit": OrbitForm,
    "overhead": OverheadForm,
    "flat": FlatForm,
    "headset": HeadsetForm,
}
"""The form of each kind of mount."""


class MovementForm(Form):
    """A character that walks where `move_x` and `move_y` point."""

    speed: MetresASecond = Field(
        examples=['"1.6 m/s"'],
        description="at full deflection, over the map",
        json_schema_extra=in_unit("m/s, km/h"),
    )
    acceleration: MetresASecondSquared = Field(
        20.0, description="how soon it is as fast as it should be", json_schema_extra=in_unit("m/s2")
    )
    braking: MetresASecondSquared = Field(
        20.0, description="how soon it stands; 0 glides on", json_schema_extra=in_unit("m/s2")
    )
    scale: dict[str, Number] = Field(
        {}, description="factors of the speed while gates are open: `{ glassing = 0.5 }`"
    )
    relative_to: Literal["camera", "world", "body", "head", "left_hand", "right_hand"] = Field(
        "camera",
        description="what forward means: where the camera looks, -Z of the world, where it faces, or where "
        "the head in a headset looks, or a hand beside it points",
    )
    face: Face = Field(
        {"otherwise": "travel"},
        description="where it faces: `travel`, `view` (strafing) or `free` (the host says); or by gate: "
        '`{ otherwise = "travel", glassing = "view" }`',
    )
    turn_rate: DegreesASecond = Field(
        720.0, description="how fast it turns there", json_schema_extra=in_unit("deg/s")
    )

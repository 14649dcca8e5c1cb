"""Panning: a camera over a plane. Metres, degrees; a place on the plane is (to +X, to -Z)."""

from __future__ import annotations

from math import cos, sin, sqrt


def ground_under(
    px: float,
    py: float,
    wide: float,
    tall: float,
    yaw: float,
    pitch: float,
    distance: float,
    zoom: float,
    *,
    half: float,
) -> tuple[float, float]:
    """Where the ray through a place of the screen meets level ground, from the middle of the view.

    `px`, `py` are 0..1 of a screen of `wide` by `tall` from its bottom left corner; the camera is `distance`
    behind the middle and looks at it; `half` is the tangent of half the vertical field of view at a zoom
    of 1. A ray nearer to the horizon than 5 deg counts as 5 deg below it. Source: similar triangles.

    >>> ground_under(0.5, 0.5, 1600.0, 900.0, 30.0, -60.0, 10.0, 1.0, half=0.5)
    (0.0, 0.0)
    """
    size = half / zoom
    x = (2.0 * px - 1.0) * size * wide / tall
    y = (2.0 * py - 1.0) * size
    a = yaw * 0.017453292519943295
    b = pitch * 0.017453292519943295
    s = sin(b)
    c = cos(b)
    ahead = c - s * y
    up = s + c * y
    # the sine of 5 deg: nearer to the horizon the ground would run away under the pointer
    low = -0.08715574274765817 * sqrt(1.0 + x * x + y * y)
    down = up if up < low else low
    far = distance * s / down
    right = far * x
    forward = distance * (s * ahead / down - c)
    sy = sin(a)
    cy = cos(a)
    return right * cy + forward * sy, forward * cy - right * sy


def picture_under(
    px: float, py: float, wide: float, tall: float, zoom: float, *, extent: float
) -> tuple[float, float]:
    """Where a place of the screen is on a flat picture, from its middle.

    `extent` is what the shorter side shows at a zoom of 1, in metres.

    >>> picture_under(1.0, 0.5, 1600.0, 800.0, 2.0, extent=10.0)
    (5.0, 0.0)
    """
    size = extent / (zoom * (wide if wide < tall else tall))
    return (px - 0.5) * wide * size, (py - 0.5) * tall * size


def screen_of_ground(wide: float, tall: float, distance: float, zoom: float, *, half: float) -> float:
    """How many metres the shorter side of the screen shows at the middle of the view, across it."""
    shorter = wide if wide < tall else tall
    return 2.0 * distance * half / zoom * shorter / tall


def nearer(
    x: float,
    y: float,
    best_x: float,
    best_y: float,
    best: float,
    *,
    ax: float,
    ay: float,
    bx: float,
    by: float,
    square: float,
) -> tuple[float, float, float]:
    """The nearest point to (x, y) of an edge from a to b, and its distance squared, if nearer than `best`.

    `square` is the edge's length squared. Source: the orthogonal projection on a segment.
    """
    along = ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / square
    part = along if along > 0.0 else 0.0
    share = part if part < 1.0 else 1.0
    to_x = ax + share * (bx - ax)
    to_y = ay + share * (by - ay)
    away = (x - to_x) * (x - to_x) + (y - to_y) * (y - to_y)
    return (
        to_x if away < best else best_x,
        to_y if away < best else best_y,
        away if away < best else best,
    )

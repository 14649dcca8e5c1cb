"""What is under a place of the screen, by an independent reference."""

from __future__ import annotations

from math import radians, tan

import numpy as np
from scipy.spatial.transform import Rotation

import mellow_thumb as mt


def ray(view: mt.View, place: tuple[float, float], aspect: float) -> tuple[np.ndarray, np.ndarray]:
    """The camera's place, and the direction of a place of its screen: by an independent reference."""
    size = tan(radians(view.field_of_view) / 2.0)
    x, y = (2.0 * place[0] - 1.0) * size * aspect, (2.0 * place[1] - 1.0) * size
    return np.array(view.position), np.asarray(Rotation.from_quat(view.rotation).apply([x, y, -1.0]))


def ground_at(view: mt.View, place: tuple[float, float], aspect: float) -> np.ndarray:
    """What is on level ground under a place of the screen."""
    origin, way = ray(view, place, aspect)
    return np.asarray(origin - way * origin[1] / way[1])

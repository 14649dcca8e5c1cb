"""A walk seen from above."""

from __future__ import annotations

from pathlib import Path

import numpy as np

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.insight.figures.paths import path_from_above
from mellow_thumb.insight.figures.plots import save_figure


def test_the_map_shows_where_the_warden_and_the_camera_went(tmp_path: Path) -> None:
    profile, take = mt.load_profile(marsh.FOLLOWING), mt.read_take(marsh.FOLLOWING_TAKE)
    table = mt.replay(profile, take)
    panel, stick = path_from_above(profile, table).axes
    pushed = np.column_stack(stick.lines[2].get_data())
    np.testing.assert_allclose(pushed, table[["move_x", "move_y"]].to_numpy())
    paths = [
        np.column_stack(line.get_data())
        for line in panel.lines
        if len(np.asarray(line.get_xdata())) == len(table)
    ]
    camera, walk = sorted(paths, key=lambda path: float(np.abs(path[0] - path[-1]).sum()) + path[0, 1])
    place = table[["step_x", "step_z"]].to_numpy().cumsum(axis=0) * [1.0, -1.0]
    np.testing.assert_allclose(walk, place)
    np.testing.assert_allclose(camera, table[["camera_x", "camera_z"]].to_numpy() * [1.0, -1.0])
    distances = np.linalg.norm(camera - walk, axis=1)
    assert distances.min() > 1.0
    assert distances.max() < 9.0
    save_figure(path_from_above(profile, table.iloc[:0]), tmp_path / "empty.png")


def test_the_take_of_the_walk_is_what_its_thumbs_make() -> None:
    made = marsh.following()
    assert made.table.equals(mt.read_take(marsh.FOLLOWING_TAKE).table)

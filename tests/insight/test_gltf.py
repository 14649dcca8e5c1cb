"""glTF: read back by another hand, and held to the rules of the specification, version 2.0."""

from __future__ import annotations

import struct
from importlib import util
from pathlib import Path
from typing import Any

import numpy as np
import pygltflib
import pytest

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.insight import gltf_files
from mellow_thumb.insight.gltf_files import write_gltf

SIZES = {"SCALAR": 1, "VEC3": 3, "VEC4": 4}
TYPES: dict[int, np.dtype[Any]] = {5126: np.dtype("<f4"), 5123: np.dtype("<u2")}


@pytest.fixture(scope="module")
def replayed() -> tuple[mt.Profile, object]:
    profile = mt.load_profile(marsh.FOLLOWING)
    return profile, mt.replay(profile, mt.read_take(marsh.FOLLOWING_TAKE))


def numbers(file: pygltflib.GLTF2, accessor: int) -> np.ndarray:
    one = file.accessors[accessor]
    view = file.bufferViews[one.bufferView]
    data = file.binary_blob()[view.byteOffset : view.byteOffset + view.byteLength]
    return np.frombuffer(data, TYPES[one.componentType]).reshape(one.count, SIZES[one.type])


def written(tmp_path: Path, profile: mt.Profile, table: object) -> pygltflib.GLTF2:
    write_gltf(profile, table, tmp_path / "walk.glb")  # type: ignore[arg-type]
    return pygltflib.GLTF2().load(str(tmp_path / "walk.glb"))


def test_the_camera_and_the_character_move_as_the_table_says(
    tmp_path: Path, replayed: tuple[mt.Profile, object]
) -> None:
    profile, table = replayed
    file = written(tmp_path, profile, table)
    found = {}
    for channel in file.animations[0].channels:
        sampler = file.animations[0].samplers[channel.sampler]
        name = file.nodes[channel.target.node].name
        found[name, channel.target.path] = numbers(file, sampler.output)
        np.testing.assert_allclose(numbers(file, sampler.input)[:, 0], table["t"], rtol=1e-6)  # type: ignore[index]
    camera = table[["camera_x", "camera_y", "camera_z"]]  # type: ignore[index]
    np.testing.assert_allclose(found["camera", "translation"], camera, atol=1e-5)
    turned = table[["camera_qx", "camera_qy", "camera_qz", "camera_qw"]]  # type: ignore[index]
    np.testing.assert_allclose(found["camera", "rotation"], turned, atol=1e-6)
    steps = table[["step_x", "step_y", "step_z"]].to_numpy().cumsum(axis=0)  # type: ignore[index]
    np.testing.assert_allclose(found["character", "translation"], steps, atol=1e-5)
    for path in ("camera", "character"):
        np.testing.assert_allclose(np.linalg.norm(found[path, "rotation"], axis=1), 1.0, atol=1e-5)


def test_it_keeps_the_rules(tmp_path: Path, replayed: tuple[mt.Profile, object]) -> None:
    file = written(tmp_path, *replayed)
    data = (tmp_path / "walk.glb").read_bytes()
    magic, version, length = struct.unpack_from("<III", data)
    assert (magic, version, length) == (0x46546C67, 2, len(data))  # 4.4.1: the header
    json_length, kind = struct.unpack_from("<II", data, 12)
    assert kind == 0x4E4F534A
    assert json_length % 4 == 0  # 4.4.2: chunks are padded to four bytes
    assert file.asset.version == "2.0"
    assert file.buffers[0].byteLength <= len(file.binary_blob())
    for view in file.bufferViews:
        assert view.byteOffset + view.byteLength <= file.buffers[0].byteLength
    for place, one in enumerate(file.accessors):
        view, width = file.bufferViews[one.bufferView], TYPES[one.componentType].itemsize
        assert view.byteOffset % width == 0  # 3.6.2.4: alignment
        assert one.count * SIZES[one.type] * width == view.byteLength
        assert np.isfinite(numbers(file, place)).all()
    for channel in file.animations[0].channels:
        sampler = file.animations[0].samplers[channel.sampler]
        times, one = numbers(file, sampler.input)[:, 0], file.accessors[sampler.input]
        assert (np.diff(times) > 0.0).all()  # 3.11: strictly rising, not negative, with bounds
        assert [one.min, one.max] == [[times[0]], [times[-1]]]
        assert file.accessors[sampler.output].count == len(times)
    for mesh in file.meshes:
        part = mesh.primitives[0]
        places, corners = numbers(file, part.attributes.POSITION), numbers(file, part.indices)[:, 0]
        one = file.accessors[part.attributes.POSITION]
        assert [one.min, one.max] == [places.min(axis=0).tolist(), places.max(axis=0).tolist()]  # 3.6.2.5
        assert corners.max() < len(places)
    assert 0.0 < file.cameras[0].perspective.yfov < np.pi


def test_the_boxes_face_outward(tmp_path: Path, replayed: tuple[mt.Profile, object]) -> None:
    file = written(tmp_path, *replayed)
    part = file.meshes[0].primitives[0]
    places, corners = numbers(file, part.attributes.POSITION), numbers(file, part.indices).reshape(-1, 3)
    for box in (corners[:12], corners[12:]):
        middle = places[np.unique(box)].mean(axis=0)
        for a, b, c in places[box].astype(float):
            assert np.cross(b - a, c - a) @ (a - middle) > 0.0  # 3.7.2.1: counter-clockwise from outside


def test_without_movement_there_is_a_camera_alone_and_without_frames_nothing_moves(
    tmp_path: Path, glasses: mt.Profile, sweep: mt.Take
) -> None:
    table = mt.replay(glasses, sweep)
    assert [node.name for node in written(tmp_path, glasses, table).nodes] == ["camera"]
    assert not written(tmp_path, glasses, table.iloc[:0]).animations


def test_without_the_package_it_says_what_to_install(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, replayed: tuple[mt.Profile, object]
) -> None:
    assert util.find_spec("pygltflib")
    monkeypatch.setattr(gltf_files, "find_spec", lambda _: None)
    with pytest.raises(mt.MissingError, match=r"pip install 'mellow-thumb\[gltf\]'"):
        write_gltf(*replayed, tmp_path / "walk.glb")  # type: ignore[arg-type]
    assert not list(tmp_path.iterdir())


def test_a_flat_picture_has_a_lens_without_perspective(tmp_path: Path) -> None:
    profile = mt.load_profile(marsh.FINGERS)
    table = mt.replay(profile, mt.read_take(marsh.FINGERS_TAKE))
    file = written(tmp_path, profile, table)
    (camera,) = file.cameras
    assert (camera.type, camera.perspective) == ("orthographic", None)
    lens = camera.orthographic
    assert 2.0 * lens.ymag == 40.0  # its extent, along the shorter side; 3.10.3.2 has half of it
    assert lens.xmag / lens.ymag == pytest.approx(16.0 / 9.0)
    assert 0.0 <= lens.znear < lens.zfar
    (moved,) = (c for c in file.animations[0].channels if c.target.path == "translation")
    places = numbers(file, file.animations[0].samplers[moved.sampler].output)
    np.testing.assert_allclose(places, table[["camera_x", "camera_y", "camera_z"]], atol=1e-5)

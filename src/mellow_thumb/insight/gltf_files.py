"""A replay as glTF 2.0: the camera that moved and the character that walked, for any viewer."""

from __future__ import annotations

from importlib.util import find_spec
from math import radians
from typing import TYPE_CHECKING, Any

from ..basics import MissingError, replacing
from ..plan.mounts import Flat
from ..takes import CAMERA, STEP

if TYPE_CHECKING:
    import os

    import numpy as np
    import pandas as pd

    from ..plan.mounts import Mount
    from ..profiles import Profile

TALL, WIDE = 1.7, 0.4
"""How large the box is that stands for the character, in metres; a smaller one in front is its nose."""
GROUND = 40.0
"""How wide the piece of ground under it is, in metres."""
FLOAT, BYTES_OF_INDEX = 5126, 5123  # glTF 2.0, 3.6.2.2: component types float and unsigned short
ARRAY, INDICES = 34962, 34963  # 5.11.5: what a buffer view is for
ASPECT = 16 / 9


def write_gltf(profile: Profile, table: pd.DataFrame, path: str | os.PathLike[str]) -> None:
    """Write a replay's table as a binary glTF file (``.glb``); the file is replaced whole or not at all.

    The node ``camera`` and, if the profile has movement, the node ``character`` are animated, one key a
    frame, in the frame of glTF, which is ours: metres, +Y up, the camera along -Z. Its field of view is the
    mount's.

    Raises :class:`MissingError` without pygltflib, and :class:`OutputError` when it cannot be written.
    """
    if not find_spec("pygltflib"):
        raise MissingError("writing glTF needs pygltflib: pip install 'mellow-thumb[gltf]'")
    import numpy as np

    scene = _Scene(profile)
    t = table["t"].to_numpy(dtype=np.float32)
    keys = np.flatnonzero(np.diff(t, prepend=np.float32(-1.0)) > 0.0)  # 3.11: times rise strictly
    if len(keys):
        rows = table.iloc[keys]
        times = scene.floats(t[keys, None], "SCALAR", bounds=True)
        scene.move(scene.camera, times, rows[list(CAMERA[:3])].to_numpy(), rows[list(CAMERA[3:])].to_numpy())
        if profile.movement:
            place = table[list(STEP)].to_numpy().cumsum(axis=0)[keys]
            half = -0.5 * np.radians(rows["heading"].to_numpy())
            none = np.zeros(len(half))
            turned = np.column_stack((none, np.sin(half), none, np.cos(half)))
            scene.move(scene.character(), times, place, turned)
    with replacing(path) as fresh:
        fresh.write_bytes(scene.binary())


class _Scene:
    """Collects nodes, their animation and the numbers of both."""

    def __init__(self, profile: Profile) -> None:
        import pygltflib as g

        self._g, self._data = g, bytearray()
        self.file = g.GLTF2(asset=g.Asset(version="2.0", generator="Mellow Thumb"))
        self.file.cameras.append(self._lens(profile.mount))
        self.camera = self._node(g.Node(name="camera", camera=0))
        self.file.scenes.append(g.Scene(nodes=[self.camera], name=profile.title or "replay"))
        self.file.scene = 0
        self.file.animations.append(g.Animation(name="replay"))

    def _lens(self, mount: Mount) -> Any:
        """The camera of a mount: in perspective, or without for a flat picture."""
        g = self._g
        if isinstance(mount, Flat):
            half = mount.extent / 2.0
            flat = g.Orthographic(xmag=half * ASPECT, ymag=half, znear=0.0, zfar=1000.0)
            return g.Camera(type="orthographic", orthographic=flat, name="camera")
        wide = radians(mount.field_of_view)
        lens = g.Perspective(yfov=wide, aspectRatio=ASPECT, znear=0.05, zfar=1000.0)
        return g.Camera(type="perspective", perspective=lens, name="camera")

    def _node(self, node: Any) -> int:
        self.file.nodes.append(node)
        return len(self.file.nodes) - 1

    def character(self) -> int:
        """The node of a box with a nose, and a piece of ground that stays where it is."""
        half = WIDE / 2.0
        body, nose = (
            _box(-half, 0.0, -half, half, TALL, half),
            _box(-0.06, 1.4, -half - 0.2, 0.06, 1.52, -half),
        )
        far = GROUND / 2.0
        ground = (
            [(-far, 0.0, -far), (far, 0.0, -far), (far, 0.0, far), (-far, 0.0, far)],
            [0, 2, 1, 0, 3, 2],
        )
        meshes = [
            self._mesh("character", (0.11, 0.42, 0.59), body, nose),
            self._mesh("ground", (0.8, 0.78, 0.68), ground),
        ]
        nodes = [
            self._node(self._g.Node(name=name, mesh=mesh))
            for name, mesh in zip(("character", "ground"), meshes, strict=True)
        ]
        self.file.scenes[0].nodes += nodes
        return nodes[0]

    def _mesh(
        self, name: str, colour: tuple[float, float, float], *shapes: tuple[list[Any], list[int]]
    ) -> int:
        import numpy as np

        points = np.array([point for places, _ in shapes for point in places], dtype=np.float32)
        begins = np.cumsum([0, *(len(places) for places, _ in shapes)])
        corners = [begin + k for begin, (_, indices) in zip(begins, shapes, strict=False) for k in indices]
        g = self._g
        surface = g.PbrMetallicRoughness(
            baseColorFactor=[*colour, 1.0], metallicFactor=0.0, roughnessFactor=0.9
        )
        self.file.materials.append(g.Material(name=name, pbrMetallicRoughness=surface))
        part = g.Primitive(
            attributes=g.Attributes(POSITION=self.floats(points, "VEC3", bounds=True, target=ARRAY)),
            indices=self._accessor(np.array(corners, np.uint16), "SCALAR", BYTES_OF_INDEX, INDICES),
            material=len(self.file.materials) - 1,
        )
        self.file.meshes.append(g.Mesh(name=name, primitives=[part]))
        return len(self.file.meshes) - 1

    def move(self, node: int, times: int, places: np.ndarray, rotations: np.ndarray) -> None:
        """Animate a node: its places (m) and rotations (unit quaternions) at the times."""
        g, animation = self._g, self.file.animations[0]
        for values, kind, path in ((places, "VEC3", "translation"), (rotations, "VEC4", "rotation")):
            output = self.floats(values, kind)
            animation.samplers.append(g.AnimationSampler(input=times, output=output, interpolation="LINEAR"))
            target = g.AnimationChannelTarget(node=node, path=path)
            animation.channels.append(g.AnimationChannel(sampler=len(animation.samplers) - 1, target=target))

    def floats(
        self, values: np.ndarray, kind: str, *, bounds: bool = False, target: int | None = None
    ) -> int:
        """An accessor of floats; with its least and greatest values where glTF asks for them."""
        import numpy as np

        numbers = np.ascontiguousarray(values, dtype=np.float32)
        made = self._accessor(numbers, kind, FLOAT, target)
        if bounds:
            self.file.accessors[made].min = numbers.min(axis=0).tolist()
            self.file.accessors[made].max = numbers.max(axis=0).tolist()
        return made

    def _accessor(self, values: np.ndarray, kind: str, component: int, target: int | None) -> int:
        g, data = self._g, values.tobytes()
        self._data += bytes(-len(self._data) % 4)  # 3.6.2.4: aligned to the size of what it holds
        view = g.BufferView(buffer=0, byteOffset=len(self._data), byteLength=len(data), target=target)
        self._data += data
        self.file.bufferViews.append(view)
        self.file.accessors.append(
            g.Accessor(
                bufferView=len(self.file.bufferViews) - 1,
                componentType=component,
                count=len(values),
                type=kind,
            )
        )
        return len(self.file.accessors) - 1

    def binary(self) -> bytes:
        """The file's bytes."""
        if self._data:
            self.file.buffers.append(self._g.Buffer(byteLength=len(self._data)))
            self.file.set_binary_blob(bytes(self._data))
        if not self.file.animations[0].channels:
            self.file.animations = []
        return b"".join(self.file.save_to_bytes())


def _box(x0: float, y0: float, z0: float, x1: float, y1: float, z1: float) -> tuple[list[Any], list[int]]:
    """A box's corners and its triangles, counter-clockwise from outside."""
    corners = [(x, y, z) for y in (y0, y1) for x, z in ((x0, z0), (x1, z0), (x1, z1), (x0, z1))]
    faces = [(0, 1, 2, 3), (7, 6, 5, 4), (4, 5, 1, 0), (5, 6, 2, 1), (6, 7, 3, 2), (7, 4, 0, 3)]
    return corners, [corner for a, b, c, d in faces for corner in (a, b, c, a, c, d)]

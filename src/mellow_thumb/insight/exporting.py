"""Exporting a profile for engines in other languages: a C header, its description, and test vectors."""

from __future__ import annotations

import json
import re
from dataclasses import fields, is_dataclass
from pathlib import Path
from random import Random
from typing import TYPE_CHECKING, Any

from .. import __version__
from ..basics import OutputError, replacing
from ..plan import ATTITUDE, is_contact
from ..plan.handheld import FORCE, TURN
from ..session import things
from ..takes import outputs
from ..weaving import weave_plan
from ..weaving.languages import c_header

if TYPE_CHECKING:
    import os

    from ..plan import Signal
    from ..profiles import Profile
    from ..weaving import Item, Program

FORMAT = "mellow-thumb export 1"
FRAMES, RATE, SEED = 240, 60, 7
"""How many frames the test vectors have, how many a second, and the seed of the hands that they come from."""
READINGS = (FORCE, TURN, ATTITUDE)
"""What comes in several parts of one moment."""
WHERE_FROM = ("file", "origin", "reader")
"""What a description does not say of a profile: where its file lay, and what read it."""


def export_c(profile: Profile, path: str | os.PathLike[str]) -> tuple[Path, Path]:
    """Write a profile as a C99 header, and beside it a JSON description with test vectors.

    Every identifier begins with the name of the file. Both files are replaced whole or not at all. Raises
    :class:`OutputError` for another suffix than ``.h``, or when they cannot be written.
    """
    header = Path(path)
    if header.suffix != ".h":
        raise OutputError(f'{header}: found the suffix "{header.suffix}"; expected .h')
    name = re.sub(r"\W+", "_", header.stem, flags=re.ASCII).strip("_").lower()
    if not name or name[0].isdigit():
        raise OutputError(
            f"{header}: found no letter to begin a name in C with; expected a name such as marsh.h"
        )
    program, description = weave_plan(profile), header.with_suffix(".json")
    text = c_header(
        program,
        name=name,
        title=profile.title,
        version=__version__,
        digest=profile.digest,
        outputs=outputs(program),
    )
    with replacing(header) as fresh:
        fresh.write_text(text, encoding="utf-8")
    with replacing(description) as fresh:
        fresh.write_text(
            json.dumps(describe(profile, name), indent=1, allow_nan=False) + "\n", encoding="utf-8"
        )
    return header, description


def describe(profile: Profile, name: str) -> dict[str, Any]:
    """What a port needs to know: codes, outputs, the resolved profile, and vectors to test with."""
    program = weave_plan(profile)
    return {
        "format": FORMAT,
        "title": profile.title,
        "made_by": f"mellow-thumb {__version__}",
        "digest": profile.digest,
        "name": name,
        "frame_code": program.frame,
        "signals": [_described(program.heard[one], code) for one, code in program.codes.items()],
        "begun_on": things(profile),
        "hosts": list(program.hosts),
        "outputs": outputs(program),
        "profile": _plain(profile),
        "vectors": vectors(program),
    }


def vectors(program: Program) -> dict[str, Any]:
    """Four seconds of every signal, and what each frame reads; match it within 1e-9."""
    items, rig = _anything(program), tuple(program.rig.values())
    hosts = (float("nan"),) * len(program.hosts)
    loop, due, frames = program.live(program.start), [], []
    next(loop)
    for item in items:
        due.append(item)
        if item[1] == program.frame:
            values = loop.send(due)
            (place, turned, *lens), rig = program.pose(values, hosts, item[0], rig)
            frames.append([*values, *place, *turned, *lens])
            due = []
    return {"items": [list(item) for item in items], "frames": frames}


def _anything(program: Program) -> list[Item]:
    """Seeded random events of all signals, with frames in between; contacts behave like fingers."""
    random, items, fingers = Random(SEED), [], _Fingers(program.codes)
    for frame in range(FRAMES):
        moments = sorted(
            random.uniform(frame / RATE, (frame + 0.999) / RATE) for _ in range(random.randint(0, 5))
        )
        for t in moments if program.codes else ():
            name = random.choice(list(program.codes))
            if name in fingers.codes:
                items += fingers.anything(t, random)
                continue
            whole = next((parts for parts in READINGS if name in parts), None)
            if whole is None:
                items.append((t, program.codes[name], *_any_value(program.heard[name], random)))
            else:
                values = _any_reading(whole, random)
                items += [(t, program.codes[part], x, 0.0) for part, x in zip(whole, values, strict=True)]
        items.append(((frame + 1) / RATE, program.frame, 0.0, 0.0))
    return items


class _Fingers:
    """Fingers that land, move and lift, sometimes two at once."""

    def __init__(self, codes: dict[str, int]) -> None:
        self.codes = {name: code for name, code in codes.items() if is_contact(name)}
        self._places: dict[int, tuple[float, float]] = {}

    def anything(self, t: float, random: Random) -> list[Item]:
        """What one or two of them do at one moment."""
        return [
            one for finger in sorted(random.sample((1, 2, 3), random.choice((1, 1, 2))))
            for one in self._any(t, finger, random)
        ]  # fmt: skip

    def _any(self, t: float, finger: int, random: Random) -> list[Item]:
        place, down, cancel = (self.codes[f"touch.{finger}.{what}"] for what in ("place", "down", "cancel"))
        if finger not in self._places:
            x, y = self._places[finger] = random.random(), random.random()
            return [(t, place, x, y), (t, down, 1.0, 0.0)]
        if random.random() < 0.15:
            del self._places[finger]
            return [(t, cancel, 1.0, 0.0) if random.random() < 0.2 else (t, down, 0.0, 0.0)]
        far = random.choice((0.005, 0.1))
        x, y = (min(max(one + random.uniform(-far, far), 0.0), 1.0) for one in self._places[finger])
        self._places[finger] = x, y
        return [(t, place, x, y)]


def _any_value(signal: Signal, random: Random) -> tuple[float, float]:
    if signal.kind == "displacement":
        return float(random.randint(-40, 40)), float(random.randint(-40, 40))
    if signal.name == "host.screen":
        return 1600.0, 900.0
    if signal.kind in ("switch", "fact"):
        return float(random.random() < (0.5 if signal.kind == "switch" else 0.9)), 0.0
    return random.uniform(signal.low, signal.high), random.uniform(
        signal.low, signal.high
    ) if signal.pair else 0.0


def _any_reading(parts: tuple[str, ...], random: Random) -> list[float]:
    """One reading of a device in the hand, all its parts."""
    if parts == ATTITUDE:
        way = [random.gauss(0.0, 1.0) for _ in parts]
        return [one / sum(part * part for part in way) ** 0.5 for one in way]
    most = 200.0 if parts == TURN else 12.0
    return [random.uniform(-most, most) for _ in parts]


def _described(signal: Signal, code: int) -> dict[str, Any]:
    values = ["x", "y"] if signal.pair else ["x"]
    known = {"name": signal.name, "code": code, "kind": signal.kind, "unit": signal.unit, "values": values}
    return known | {"low": signal.low, "high": signal.high, "positive": signal.positive}


def _plain(value: Any) -> Any:
    """Data as JSON can hold it: an infinite limit becomes null."""
    if is_dataclass(value):
        said = [one.name for one in fields(value) if one.init and one.name not in WHERE_FROM]
        return {name: _plain(getattr(value, name)) for name in said}
    if isinstance(value, dict):
        return {key: _plain(one) for key, one in value.items()}
    if isinstance(value, list | tuple):
        return [_plain(one) for one in value]
    return None if isinstance(value, float) and value - value != 0.0 else value

"""The header for C, compiled as strictly as there is, against the interpreter."""

from __future__ import annotations

import json
import re
import shutil
import subprocess
from pathlib import Path

import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings

from mellow_thumb import OutputError, Profile, load_profile, marsh
from mellow_thumb.insight.exporting import describe, export_c, vectors
from mellow_thumb.plan.plan import Plan
from mellow_thumb.takes.replay_table import outputs
from mellow_thumb.weaving.languages import c_header
from mellow_thumb.weaving.program import weave_plan

from ..helpers.profiles import data
from ..helpers.strategies import EVERYTHING, plans

COMPILER = shutil.which("gcc") or shutil.which("clang")
STRICT = ["-std=c99", "-Wall", "-Wextra", "-Wpedantic", "-Werror"]
KINDS = {"gcc": "c99", "clang": "c99", "g++": "c++17", "clang++": "c++17"}
"""Every compiler that the header is for, and what it compiles it as."""
needs_compiler = pytest.mark.skipif(COMPILER is None, reason="no C compiler here: install gcc")

MAIN = data("main.c.in")


@pytest.fixture(params=KINDS)
def strict(request: pytest.FixtureRequest) -> list[str]:
    """A compiler's command line, with every warning an error; skipped where it is not there."""
    compiler, standard = request.param, KINDS[request.param]
    if not shutil.which(compiler):
        pytest.skip(f"no {compiler} here")
    language = "c" if standard == "c99" else "c++"
    return [compiler, "-x", language, f"-std={standard}", *STRICT[1:]]


def run_c(folder: Path, name: str, frame: int, items: list[list[float]], *options: str) -> list[list[float]]:
    """Compile a header with a small main, feed it the items and read its frames."""
    assert COMPILER
    main = folder / "main.c"
    main.write_text(MAIN.format(name=name, guard=f"{name.upper()}_H", frame=frame), encoding="utf-8")
    subprocess.run([COMPILER, *STRICT, *options, "-o", "port", "main.c", "-lm"], cwd=folder, check=True)
    words = "\n".join(f"{t!r} {int(code)} {x!r} {y!r}" for t, code, x, y in items)
    done = subprocess.run([folder / "port"], input=words, capture_output=True, text=True, check=True)
    assert done.stderr == ""
    return [[float(word) for word in line.split()] for line in done.stdout.splitlines()]


@needs_compiler
@pytest.mark.parametrize(
    "options", [["-O2"], ["-O1", "-fsanitize=address,undefined", "-fno-sanitize-recover"]], ids=str
)
@pytest.mark.parametrize("file", [scene[0] for scene in marsh.SCENES], ids=lambda file: file.stem)
def test_a_scene_in_c_gives_what_its_vectors_say(tmp_path: Path, file: Path, options: list[str]) -> None:
    header, description = export_c(load_profile(file), tmp_path / "marsh.h")
    told = json.loads(description.read_text(encoding="utf-8"))
    frames = run_c(tmp_path, told["name"], told["frame_code"], told["vectors"]["items"], *options)
    assert len(frames) == len(told["vectors"]["frames"]) == 240
    for found, wanted in zip(frames, told["vectors"]["frames"], strict=True):
        assert found == pytest.approx(wanted, rel=1e-9, abs=1e-9)
        assert len(found) == len(told["outputs"])
    assert header.read_text(encoding="utf-8").isascii()


def test_every_header_compiles_without_a_warning(tmp_path: Path, strict: list[str]) -> None:
    names = [file.stem for file, _ in marsh.SCENES]
    for file, _ in marsh.SCENES:
        export_c(load_profile(file), tmp_path / f"{file.stem}.h")
    # all in one file: none takes a name of another's
    (tmp_path / "all.c").write_text("".join(f'#include "{name}.h"\n' for name in names), encoding="utf-8")
    subprocess.run([*strict, "-fsyntax-only", "all.c"], cwd=tmp_path, check=True)


def test_the_host_of_the_docs_does_what_a_session_does(tmp_path: Path, strict: list[str]) -> None:
    page = Path(__file__).parents[2] / "docs" / "export.md"
    (host,) = (
        one for one in re.findall(r"```c\n(.*?)```", page.read_text("utf-8"), re.DOTALL) if "main(" in one
    )
    assert host.count("\n") <= 30
    profile = load_profile(marsh.BOARDWALK)
    export_c(profile, tmp_path / "marsh.h")
    (tmp_path / "host.c").write_text(host, encoding="utf-8")
    subprocess.run([*strict, "-o", "host", "host.c", "-lm"], cwd=tmp_path, check=True)
    done = subprocess.run([tmp_path / "host"], capture_output=True, text=True, check=True)

    session, found, moved = profile.session(), [], np.zeros(3)
    for line in re.findall(r"\{([\d.]+), MARSH_EVENT_(\w+), ([-\d.]+), ([-\d.]+)\}", host):
        t, name, x, y = line
        signal = {"KEY_KEYW": "key.KeyW", "MOUSE_MOVE": "mouse.move", "KEY_SPACE": "key.Space"}[name]
        session.feed(signal, (float(x), float(y)) if name == "MOUSE_MOVE" else float(x), at=float(t))
    for number in range(1, 61):
        frame = session.tick(to=number / 60)
        found += [f"hop in frame {number}"] if session.take_cue("hop") else []
        moved += frame.movement.step
    *hops, last = done.stdout.splitlines()
    assert hops == found == ["hop in frame 31"]
    told = [float(number) for number in re.findall(r"-?\d+\.\d+", last)]
    assert told == pytest.approx([frame.axes["yaw"], moved[0], moved[2]], abs=1e-6)
    assert moved[2] < -1.0 < 10.0 < frame.axes["yaw"]


@needs_compiler
@settings(max_examples=8, suppress_health_check=[HealthCheck.function_scoped_fixture, HealthCheck.too_slow])
@given(plans(makers=EVERYTHING))
def test_any_plan_at_all_is_the_same_in_c(tmp_path: Path, plan: Plan) -> None:
    program = weave_plan(plan)
    hostile = ["*/ hostile \\", "*/ hostile \\", "sp\u00e4ter", "", "gate_7; int x"]
    text = c_header(program, name="any", title=hostile[0], version="0", digest=plan.digest, outputs=hostile)
    assert text.isascii()
    (tmp_path / "any.h").write_text(text, encoding="utf-8")
    wanted = vectors(program)
    for found, frame in zip(
        run_c(tmp_path, "any", program.frame, wanted["items"], "-O0"), wanted["frames"], strict=True
    ):
        assert found == pytest.approx(frame, rel=1e-9, abs=1e-9)


def test_a_description_says_what_every_number_is(glasses: Profile) -> None:
    told, program = describe(glasses, "marsh"), weave_plan(glasses)
    assert {signal["name"]: signal["code"] for signal in told["signals"]} == program.codes
    assert told["outputs"] == outputs(program)
    assert told["outputs"][:3] == ["yaw", "pitch", "roll"]
    assert told["digest"] == glasses.digest
    assert [axis["name"] for axis in told["profile"]["axes"]] == ["yaw", "pitch", "roll"]
    assert json.dumps(told, allow_nan=False)


def test_an_export_goes_into_a_header_whose_name_c_can_say(tmp_path: Path, glasses: Profile) -> None:
    for name, said in (
        ("marsh.c", "expected .h"),
        ("7.h", "expected a name such as marsh.h"),
        ("no/marsh.h", "no"),
    ):
        with pytest.raises(OutputError, match=said):
            export_c(glasses, tmp_path / name)
    header, _ = export_c(glasses, tmp_path / "Salt marsh-2.h")
    assert "salt_marsh_2_frame" in header.read_text(encoding="utf-8")

"""The command line, through its real entry point and real files."""

from __future__ import annotations

import csv
import json
import os
import re
import shlex
import struct
import subprocess
import sys
from pathlib import Path
from typing import Any

import pytest

from mellow_thumb import __version__, load_profile, marsh
from mellow_thumb.expressions import MATHS
from mellow_thumb.weaving import weave_plan


def run(command: str, *words: str | Path, folder: Path) -> subprocess.CompletedProcess[str]:
    return subprocess.run([command, *words], capture_output=True, text=True, cwd=folder, check=False)


def test_the_demo_tells_and_draws(command: str, tmp_path: Path) -> None:
    done = run(command, "demo", folder=tmp_path)
    assert (done.returncode, done.stderr) == (0, "")
    assert "Add --files" in done.stdout
    for said in (
        r"^Salt marsh: field glasses along the tide line$",
        r"^10 s in 600 frames$",
        r"^yaw +turned [\d.]+ deg right and [\d.]+ deg left; between 0 and [\d.]+ deg; ended at [\d.]+ deg$",
        r"^ +at its upper limit of 40 deg for 0\.\d\d s, first at 6\.\d\d s$",
        r"^glassing +open for 7\.\d\d s: 1\.08 to 7\.\d\d s, 8\.\d\d to 9\.\d\d s$",
        r"^refused +nothing$",
    ):
        assert re.search(said, done.stdout, re.MULTILINE), said
    for scene in ("field_glasses", "dyke", "boardwalk"):
        head = (tmp_path / f"{scene}.png").read_bytes()[:24]
        assert struct.unpack(">II", head[16:]) == (1280, 800)


def test_the_demo_gives_its_files_and_never_writes_over_yours(command: str, tmp_path: Path) -> None:
    there = tmp_path / "a hide"
    there.mkdir()
    done = run(command, "demo", "--files", "--out", "a hide", folder=tmp_path)
    last = shlex.split(done.stdout.splitlines()[-1])
    assert last[0] == "mellow-thumb"
    assert run(command, *last[1:], folder=tmp_path).returncode == 0
    mine = there / "field_glasses.toml"
    mine.write_text("# mine", encoding="utf-8")
    (there / "dyke.png").unlink()
    again = run(command, "demo", "--files", "--out", "a hide", folder=tmp_path)
    assert again.returncode == 1
    assert again.stderr.endswith("field_glasses.toml: already exists; not overwritten\n")
    assert mine.read_text(encoding="utf-8") == "# mine"
    assert again.stdout == ""
    assert not (there / "dyke.png").exists()  # nothing is done by halves
    assert run(command, "demo", "--out", "nowhere", folder=tmp_path).returncode == 2


@pytest.mark.parametrize("suffix", [".png", ".svg", ".pdf", ".glb"])
def test_a_replay_is_drawn_as_the_suffix_says(command: str, tmp_path: Path, suffix: str) -> None:
    done = run(command, "replay", marsh.PROFILE, marsh.TAKE, "-o", f"sweep{suffix}", folder=tmp_path)
    assert done.returncode == 0
    assert done.stdout.endswith(f"wrote sweep{suffix}\n")
    starts = {".png": b"\x89PNG", ".svg": b"<?xml", ".pdf": b"%PDF", ".glb": b"glTF"}
    assert (tmp_path / f"sweep{suffix}").read_bytes().startswith(starts[suffix])


def test_a_replay_as_json_and_as_a_table(command: str, tmp_path: Path) -> None:
    done = run(
        command,
        "replay",
        marsh.PROFILE,
        marsh.TAKE,
        "--rate",
        "24",
        "--json",
        "-o",
        "sweep.csv",
        folder=tmp_path,
    )
    said = json.loads(done.stdout)
    assert (said["frames"], said["seconds"], said["refused"]) == (240, 10.0, {})
    assert done.stderr == "wrote sweep.csv\n"
    with (tmp_path / "sweep.csv").open(encoding="utf-8") as stream:
        rows = list(csv.DictReader(stream))
    assert len(rows) == 240
    assert float(rows[-1]["yaw"]) == said["axes"]["yaw"]["end"]


def test_wrong_input_ends_with_1_and_no_traceback(command: str, tmp_path: Path) -> None:
    wrong = tmp_path / "wrong.toml"
    wrong.write_text(
        marsh.PROFILE.read_text(encoding="utf-8").replace("deg/count", "deg/s"), encoding="utf-8"
    )
    done = run(command, "replay", wrong, marsh.TAKE, folder=tmp_path)
    assert done.returncode == 1
    assert re.match(r".*wrong\.toml:17: routes\.bare_eye\.sensitivity: found .*frame rate\n$", done.stderr)
    gone = run(command, "replay", marsh.PROFILE, "hide.csv", folder=tmp_path)
    assert (gone.returncode, gone.stderr) == (1, "hide.csv: no such file\n")
    odd = run(command, "replay", marsh.PROFILE, marsh.TAKE, "-o", "sweep.pgn", folder=tmp_path)
    assert (odd.returncode, odd.stderr) == (
        1,
        'sweep.pgn: found the suffix ".pgn"; expected .csv, .glb, .png, .svg or .pdf; did you mean .png?\n',
    )
    assert sorted(path.name for path in tmp_path.glob("sweep*")) == []


def test_a_report_draws_each_route(command: str, tmp_path: Path) -> None:
    done = run(command, "report", marsh.DYKE, marsh.DYKE_TAKE, "--figures", "figures", folder=tmp_path)
    assert (done.returncode, done.stderr) == (0, "")
    drawn = sorted(path.name for path in (tmp_path / "figures").iterdir())
    assert drawn == sorted(Path(line.removeprefix("wrote ")).name for line in done.stdout.splitlines())
    assert {"look_response.png", "look_dead_zone.png", "look_steps.png", "axes.png"} <= set(drawn)
    assert (
        "nothing to draw" in run(command, "report", marsh.PROFILE, "--figures", "f", folder=tmp_path).stdout
    )
    assert run(command, "report", marsh.DYKE, folder=tmp_path).stdout == "wrote dyke.html\n"
    (tmp_path / "file").write_text("", encoding="utf-8")
    blocked = run(command, "report", marsh.DYKE, "--figures", "file/x", folder=tmp_path)
    assert blocked.returncode == 1
    assert blocked.stderr.startswith("file/x: cannot be made")


def test_a_take_that_was_cut_short_is_played_and_said(command: str, tmp_path: Path) -> None:
    short = tmp_path / "short.csv"
    short.write_bytes(marsh.TAKE.read_bytes()[:50_003])
    done = run(command, "replay", marsh.PROFILE, short, folder=tmp_path)
    assert done.returncode == 0
    assert "the last row was cut short and left out" in done.stderr


def test_wrong_usage_ends_with_2_and_the_nearest_word(command: str, tmp_path: Path) -> None:
    for words, said in (
        (["replya"], "Did you mean 'replay'?"),
        (["replay", "--rat", "3"], "Did you mean '--rate'?"),
        (["replay", "a", "b", "--rate", "0"], "0.0 is not in the range"),
        (["replay"], "Missing argument 'PROFILE'"),
    ):
        done = run(command, *words, folder=tmp_path)
        assert done.returncode == 2
        assert said in done.stderr


def test_help_and_version(command: str, tmp_path: Path) -> None:
    assert run(command, "--version", folder=tmp_path).stdout == f"mellow-thumb {__version__}\n"
    for words in ([], ["demo"], ["replay"]):
        assert "Usage: mellow-thumb" in run(command, *words, "--help", folder=tmp_path).stdout


def test_export_writes_c_with_its_description_or_prints_the_woven_text(command: str, tmp_path: Path) -> None:
    done = run(command, "export", marsh.BOARDWALK, "--c", "marsh.h", folder=tmp_path)
    assert (done.returncode, done.stdout.split()) == (0, ["wrote", "marsh.h", "wrote", "marsh.json"])
    printed = run(command, "export", marsh.BOARDWALK, "--text", folder=tmp_path)
    assert printed.stdout.startswith("numbers = (\n    ")
    found: dict[str, Any] = dict(MATHS)
    exec(printed.stdout, found)
    program = weave_plan(load_profile(marsh.BOARDWALK))
    loop, other = found["live"](program.start, found["numbers"]), program.live(program.start)
    frame = [(0.1, program.codes["key.KeyW"], 1.0, 0.0), (0.5, program.frame, 0.0, 0.0)]
    assert [next(loop), loop.send(frame)] == [next(other), other.send(frame)]
    assert run(command, "export", marsh.BOARDWALK, folder=tmp_path).returncode == 2
    wrong = run(command, "export", marsh.BOARDWALK, "--c", "marsh.hpp", folder=tmp_path)
    assert (wrong.returncode, wrong.stderr) == (1, 'marsh.hpp: found the suffix ".hpp"; expected .h\n')


def on_a_terminal(command: list[str], columns: int, **environment: str) -> str:
    """What a command prints on a terminal of some columns."""
    import fcntl
    import pty
    import termios

    ours, theirs = pty.openpty()
    fcntl.ioctl(theirs, termios.TIOCSWINSZ, struct.pack("HHHH", 40, columns, 0, 0))
    env = {name: value for name, value in os.environ.items() if name not in ("NO_COLOR", "COLUMNS")}
    with subprocess.Popen(command, stdout=theirs, stderr=theirs, env=env | environment) as process:
        os.close(theirs)
        found = b""
        while True:
            try:
                piece = os.read(ours, 65536)
            except OSError:  # the other end is closed
                break
            if not piece:
                break
            found += piece
        process.wait()
    os.close(ours)
    return found.decode().replace("\r\n", "\n")


@pytest.mark.skipif(sys.platform == "win32", reason="there are no such terminals")
def test_a_terminal_has_colours_and_lines_of_its_width(command: str, tmp_path: Path) -> None:
    text = marsh.DYKE.read_text(encoding="utf-8").replace('max = "60 deg"', 'max = "120 deg"')
    file = tmp_path / "dyke.toml"
    file.write_text(text, encoding="utf-8")
    words = [command, "check", str(file)]
    shown = on_a_terminal(words, 60)
    assert "\x1b[31merror\x1b[0m: " in shown
    assert "\x1b" not in on_a_terminal(words, 60, NO_COLOR="1")
    assert shown.splitlines()[-1].endswith("1 error and 1 note")  # the summary is last
    told = on_a_terminal([command, "tell", str(file)], 60, NO_COLOR="1")
    assert max(map(len, told.splitlines())) <= 60
    whole = subprocess.run([command, "tell", str(file)], capture_output=True, text=True, check=True).stdout
    assert " ".join(told.split()) == " ".join(whole.split())
    assert max(map(len, whole.splitlines())) > 120  # in a pipe a line stays one

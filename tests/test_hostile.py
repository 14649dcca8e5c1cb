"""Hostile days: kills at any moment, files of any kind, numbers and names of any size."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
from pathlib import Path

import pytest
from click.testing import CliRunner
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.basics.files import replacing
from mellow_thumb.commands.line import main
from mellow_thumb.weaving.program import weave_plan

ROOT = Path(__file__).parents[1]
SETTINGS = ROOT / "examples" / "settings.toml"
MOMENTS = 200
KILLED = """
import os, random, signal, sys
from pathlib import Path
import mellow_thumb as mt
from mellow_thumb.takes import Recorder

folder, what, moments = Path(sys.argv[1]), sys.argv[2], int(sys.argv[3])
profile = mt.load_profile(sys.argv[4])
values = (0.5, 4.5)

def save(path, told):
    for k in range(6):
        sheet = mt.new_sheet(profile)
        sheet.set(profile, "sensitivity", "look", values[k % 2])
        sheet.set(profile, "dead_zone", "look", 0.05 * (1 + k % 2))
        sheet.save(path)
        os.write(told, b".")

def take(path, told):
    recorder = Recorder(path, 0.0)
    recorder.start({"title": "killed"})
    for k in range(40):
        for one in range(3):
            recorder.say("mouse.move", (float(k), float(one)), k / 100)
        recorder.flush()
        os.write(told, b".")
    recorder.close()

def killed_after(lines, work, path, told):
    def trace(frame, event, arg):
        nonlocal lines
        lines -= 1
        if lines < 0:
            os.kill(os.getpid(), signal.SIGKILL)
        return trace
    sys.settrace(trace)
    work(path, told)
    sys.settrace(None)

work, suffix = (save, ".toml") if what == "save" else (take, ".csv")
work(folder / f"warm{suffix}", os.open(os.devnull, os.O_WRONLY))
count = 0
def counting(frame, event, arg):
    global count
    count += 1
    return counting
sys.settrace(counting)
work(folder / f"count{suffix}", os.open(os.devnull, os.O_WRONLY))
sys.settrace(None)
random.seed(7)
for k in range(moments):
    heard, told = os.pipe()
    if not os.fork():
        killed_after(random.randrange(count * 9 // 10), work, folder / f"{k}{suffix}", told)
        os._exit(0)
    os.close(told)
    said = b""
    while part := os.read(heard, 4096):
        said += part
    os.close(heard)
    _, status = os.wait()
    (folder / f"{k}.said").write_text(f"{len(said)} {os.WIFSIGNALED(status) and os.WTERMSIG(status)}")
"""


def killed(folder: Path, what: str) -> list[tuple[Path, int]]:
    """The files that were being written as their writers were killed, and how much these had said was done."""
    command = [sys.executable, "-c", KILLED, str(folder), what, str(MOMENTS), str(SETTINGS)]
    subprocess.run(command, check=True, cwd=folder)
    found = []
    for k in range(MOMENTS):
        said, by = (folder / f"{k}.said").read_text(encoding="utf-8").split()
        assert by == str(int(signal.SIGKILL))
        found.append((folder / f"{k}{'.toml' if what == 'save' else '.csv'}", int(said)))
    return found


@pytest.mark.skipif(not hasattr(os, "fork"), reason="needs fork")
def test_killed_at_any_moment_a_save_leaves_the_old_sheet_or_the_new_one(tmp_path: Path) -> None:
    profile = mt.load_profile(SETTINGS)
    whole = [(0.5, 0.05), (4.5, 0.1)]
    seen = set()
    for path, said in killed(tmp_path, "save"):
        if not path.exists():
            assert said == 0
            continue
        sheet = mt.load_sheet(path)
        assert sheet.lay(profile)[1] == ()
        values = (sheet.get("sensitivity", "look"), sheet.get("dead_zone", "look"))
        assert values in (whole[said % 2], whole[(said - 1) % 2]), "neither the last one nor the next"
        seen.add(values)
    assert seen == set(whole)


@pytest.mark.skipif(not hasattr(os, "fork"), reason="needs fork")
def test_killed_at_any_moment_a_recording_holds_every_row_that_was_flushed(tmp_path: Path) -> None:
    lengths = set()
    for path, said in killed(tmp_path, "take"):
        if not path.exists() or not path.stat().st_size:
            assert said == 0
            continue
        rows = mt.read_take(path).table
        assert said * 6 <= len(rows) <= said * 6 + 6
        assert len(rows) % 6 == 0
        assert list(rows["value"]) == [v for k in range(len(rows) // 6) for one in range(3) for v in (k, one)]
        lengths.add(len(rows))
    assert len(lengths) > 10


NAMES = st.text(min_size=1, max_size=12) | st.sampled_from(
    [
        "__import__('os')",
        "a\nb",
        "x'''",
        '"""',
        "\\",
        "}",
        "{0}",
        "yaw",
        "self",
        "None",
        "\u202e",
        "\U0001d7d9",
        "t = 1",
    ]
)


@given(gate=NAMES, route=NAMES, mount=NAMES, signal=NAMES, cue=NAMES, title=NAMES)
def test_no_name_of_a_profile_gets_into_woven_text(
    gate: str,
    route: str,
    mount: str,
    signal: str,
    cue: str,
    title: str,
    tmp_path_factory: pytest.TempPathFactory,
) -> None:
    import tomlkit

    data = {
        "format": "mellow-thumb profile 1", "title": title, "mount": mount,
        "gates": {gate: {"hold": "mouse.right"}}, "signals": {signal: {"presses": "key.KeyQ"}},
        "cues": {cue: {"from": "key.KeyE"}},
        "routes": {route: {"from": "mouse.move", "drives": ["yaw", "pitch"], "sensitivity": "0.05 deg/count", "gate": gate}},
        "mounts": {mount: {"kind": "eye"}},
    }  # fmt: skip
    path = tmp_path_factory.mktemp("names") / "marsh.toml"
    path.write_text(tomlkit.dumps(data), encoding="utf-8", newline="")
    try:
        profile = mt.load_profile(path)
    except mt.ProfileError:
        return
    plain = mt.load_profile(PLAIN)
    woven, wanted = weave_plan(profile), weave_plan(plain)
    assert (woven.text, woven.pose_text) == (wanted.text, wanted.pose_text)


PLAIN = ROOT / "tests" / "data" / "plain.toml"


def test_no_file_that_is_none_holds_anyone_up(tmp_path: Path) -> None:
    pipe, folder, dangling = tmp_path / "pipe.toml", tmp_path / "folder.csv", tmp_path / "gone.toml"
    os.mkfifo(pipe)
    folder.mkdir()
    dangling.symlink_to(tmp_path / "nothing.toml")
    for wrong, said in ((pipe, "a pipe"), (dangling, "no such file"), (folder, "a folder")):
        for read in (mt.load_profile, mt.load_sheet):
            with pytest.raises(mt.MellowThumbError, match=said):
                read(wrong)
    with pytest.raises(mt.TakeError, match="a folder"):
        mt.read_take(folder)
    loop = tmp_path / "loop.toml"
    loop.symlink_to(loop)
    with pytest.raises(mt.ProfileError, match="links"):
        mt.load_profile(loop)


def test_a_link_stays_a_link_and_what_it_leads_to_is_replaced(tmp_path: Path) -> None:
    real, link = tmp_path / "kept" / "sheet.toml", tmp_path / "sheet.toml"
    real.parent.mkdir()
    mt.new_sheet(mt.load_profile(SETTINGS)).save(real)
    link.symlink_to(real)
    with replacing(link) as fresh:
        fresh.write_text("new", encoding="utf-8")
    assert link.is_symlink()
    assert real.read_text(encoding="utf-8") == "new"
    assert sorted(tmp_path.iterdir()) == [tmp_path / "kept", link]


ABSURD = [
    ('sensitivity = "1e308 deg/count"', "1e\\+06"),
    ('sensitivity = "1e400 deg/count"', "double precision"),
    ('sensitivity = "nan deg/count"', "a number and its unit"),
    ("sensitivity = inf", "a number and its unit in quotes"),
    ("curve = { power = 1e308 }", "0.1 to 10"),
    ("scale = { glassing = nan }", "finite"),
    ('smoothing = { half_life = "1e300 s" }', "60 s"),
    ("dead_zone = { inner = -1e308 }", "dead_zone"),
    (f"sensitivity = {'[' * 100_000}{']' * 100_000}", "nested"),
    (f"add.{'a.' * 1500}a = 1", "nested"),
    (f"add = {'1' * 100_000}", "thousands of digits"),
    (f"add = 0x{'f' * 10_000}", r"marsh\.toml:15: routes\.look\.add: found a whole number that does not fit"),
    (f"add = {'[' * 60}{']' * 60}", "add: found"),
    ("rest = 9223372036854775807", "-0.9 to 0.9"),
]


@pytest.mark.parametrize(
    ("right", "wrong", "said"),
    [
        ('from = "mouse.move"', 'from = ""', r'routes\.look\.from: found ""; expected a signal'),
        ('mount = "eye"', 'mount = ""', r'mount: found ""; expected a name in \[mounts\]'),
        (
            'from = "mouse.move"\ndrives = ["yaw", "pitch"]\nsensitivity = "0.05 deg/count"',
            'from = "touch.pinch"\ndrives = "yaw"\nsensitivity = "1 x/x"',
            "expected another axis: none in deg can follow a ratio",
        ),
    ],
)
def test_nothing_empty_or_unfitting_is_passed_over(right: str, wrong: str, said: str, tmp_path: Path) -> None:
    path = tmp_path / "marsh.toml"
    text = PLAIN.read_text(encoding="utf-8")
    assert right in text
    path.write_text(text.replace(right, wrong) + "\n[touch.pinch]\nspread = {}\n", encoding="utf-8")
    with pytest.raises(mt.ProfileError, match=said):
        mt.load_profile(path)


@pytest.mark.parametrize(("line", "said"), ABSURD)
def test_absurd_numbers_are_refused_with_their_place(line: str, said: str, tmp_path: Path) -> None:
    key = line.partition(" =")[0]
    text = "\n".join(one for one in PLAIN.read_text(encoding="utf-8").splitlines() if not one.startswith(key))
    path = tmp_path / "marsh.toml"
    path.write_text(text.replace("[routes.look]", f"[routes.look]\n{line}"), encoding="utf-8")
    with pytest.raises(mt.ProfileError, match=said):
        mt.load_profile(path)
    result = CliRunner().invoke(main, ["tell", str(path)])
    assert (result.exit_code, "Traceback" in result.output) == (1, False)
    assert isinstance(result.exception, SystemExit)


def test_a_profile_of_a_million_routes_is_refused_at_once(tmp_path: Path) -> None:
    path = tmp_path / "marsh.toml"
    with path.open("w", encoding="utf-8") as file:
        file.write(PLAIN.read_text(encoding="utf-8"))
        file.writelines(f"[routes.r{k}]\n" for k in range(1_000_000))
    with pytest.raises(mt.ProfileError, match="a smaller file"):
        mt.load_profile(path)


@pytest.mark.parametrize("encoding", ["utf-16", "utf-32", "latin-1", "cp500"])
def test_other_encodings_are_told_with_their_line(encoding: str, tmp_path: Path) -> None:
    path = tmp_path / "marsh.toml"
    path.write_bytes("title = 'Übung'\n".encode(encoding))
    for read in (mt.load_profile, mt.load_sheet):
        with pytest.raises(mt.MellowThumbError, match=r"marsh\.toml:1: found"):
            read(path)


def test_of_thousands_of_problems_the_first_are_shown_and_the_rest_counted(tmp_path: Path) -> None:
    path = tmp_path / "marsh.toml"
    text = PLAIN.read_text(encoding="utf-8") + "".join(f"[routes.r{k}]\n" for k in range(3000))
    path.write_text(text, encoding="utf-8")
    with pytest.raises(mt.ProfileError) as caught:
        mt.load_profile(path)
    said = str(caught.value).splitlines()
    assert len(caught.value.problems) >= 3000
    assert len(said) == 51
    assert said[-1] == f"... and {len(caught.value.problems) - 50:,} more"


def test_thousands_of_routes_are_looked_at_once_each(tmp_path: Path) -> None:
    path = tmp_path / "marsh.toml"
    route = '[routes.r{k}]\nfrom = "mouse.move.x"\ndrives = "yaw"\nsensitivity = "1 deg/count"\n'
    text = PLAIN.read_text(encoding="utf-8") + "".join(route.format(k=k) for k in range(3000))
    path.write_text(text, encoding="utf-8")
    with pytest.raises(mt.ProfileError, match="driving yaw, as in look") as caught:
        mt.load_profile(path)
    assert len(caught.value.problems) == 3000


def test_a_chain_of_thousands_of_gates_is_refused_with_its_line(tmp_path: Path) -> None:
    gates = "".join(f'g{k} = {{ all = ["g{k + 1}", "glassing"] }}\n' for k in range(3000))
    text = PLAIN.read_text(encoding="utf-8").replace(
        "[gates]\n", f'[gates]\ng3000 = {{ flag = "a" }}\n{gates}'
    )
    path = tmp_path / "marsh.toml"
    path.write_text(text, encoding="utf-8")
    with pytest.raises(mt.ProfileError, match=r"marsh\.toml:5: found gates that wait for each other"):
        mt.load_profile(path)


@pytest.mark.parametrize("key", ["a.", '"a".', "a . ", "'.'."])
def test_keys_of_thousands_of_parts_are_refused_at_once(key: str, tmp_path: Path) -> None:
    path = tmp_path / "marsh.toml"
    path.write_text(f"{key * 12_000}a = 1\n", encoding="utf-8")
    for read in (mt.load_profile, mt.load_sheet):
        with pytest.raises(mt.MellowThumbError, match="nested very deeply"):
            read(path)

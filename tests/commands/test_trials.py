"""Trials on the command line: what begins one, what is refused, what a report says."""

from __future__ import annotations

import shutil
import signal
import subprocess
from pathlib import Path
from random import Random

import pandas as pd
import pytest

from mellow_thumb import marsh
from mellow_thumb.insight.trials import Trial
from mellow_thumb.insight.trials.hands import Hands
from mellow_thumb.stand_ins import Person

from .test_command_line import run


@pytest.fixture
def folder(tmp_path: Path) -> Path:
    text = marsh.BOARDWALK.read_text()
    (tmp_path / "a.toml").write_text(text)
    (tmp_path / "b.toml").write_text(text.replace('"0.05 deg/count"', '"0.07 deg/count"'))
    return tmp_path


@pytest.fixture(scope="module")
def played(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A trial of two short rounds of each setting, not opened."""
    folder = tmp_path_factory.mktemp("played")
    text = marsh.BOARDWALK.read_text()
    (folder / "a.toml").write_text(text)
    (folder / "b.toml").write_text(text.replace('"0.05 deg/count"', '"0.07 deg/count"'))
    files = [folder / "a.toml", folder / "b.toml"]
    trial = Trial.begin(folder / "trial", files, pairs=2, tasks=["aim"], secret=1)
    person = Person(Random(1))
    while (turn := trial.turn()) is not None:
        trial.keep(turn, Hands(trial.profiles[turn.setting], person).play(trial.tasks, trial.seed_of(turn)))
    return trial.folder


def heeding() -> None:
    """Heed an interrupt: who is begun in the background of a shell has it switched off."""
    signal.signal(signal.SIGINT, signal.SIG_DFL)


def test_a_trial_says_where_it_is_served_and_ends_by_an_interrupt(command: str, folder: Path) -> None:
    words = [command, "try", "a.toml", "b.toml", "--blind", "--no-browser", "--rounds", "2", "-o", "mine"]
    with subprocess.Popen(
        words, cwd=folder, stdout=subprocess.PIPE, stderr=subprocess.PIPE, text=True,
        preexec_fn=heeding,
    ) as served:  # fmt: skip
        assert served.stdout
        lines = [served.stdout.readline() for _ in range(3)]
        served.send_signal(signal.SIGINT)
        rest, wrong = served.communicate()
    assert lines[:2] == ["Ctrl-C ends it; each whole round is kept in mine\n", "compare 2 settings at\n"]
    assert lines[2].startswith("  http://127.0.0.1:")
    assert (served.returncode, rest, wrong) == (0, "", "")
    assert sorted(one.name for one in (folder / "mine").iterdir()) == [
        "order.sealed",
        "settings",
        "trial.json",
    ]


@pytest.mark.parametrize(
    ("words", "said"),
    [
        (["a.toml", "--blind"], "found one profile; expected two or more to compare with --blind"),
        (["a.toml", "b.toml"], "found 2 profiles; expected one, or --blind to compare them"),
        (["a.toml", "--rounds", "4"], "--rounds means nothing without --blind"),
        (["a.toml", "b.toml", "--blind", "--lan"], "--lan means nothing with --blind"),
        (
            ["a.toml", "b.toml", "--blind", "--rounds", "3"],
            "found 3 rounds; expected an even number of 2 to 64",
        ),
        (["a.toml", "a.toml", "--blind"], "a.toml and a.toml do the same; expected settings that differ"),
        (["a.toml", "c.toml", "--blind"], "c.toml: no such file"),
    ],
)
def test_what_cannot_be_compared_is_refused(command: str, folder: Path, words: list[str], said: str) -> None:
    done = run(command, "try", *words, "--no-browser", folder=folder)
    assert done.returncode in (1, 2)
    assert said in done.stderr
    assert "Traceback" not in done.stderr
    assert not (folder / "trial").exists()


def test_a_report_on_a_trial_waits_for_its_end_and_then_says_all(
    command: str, played: Path, tmp_path: Path
) -> None:
    shutil.copytree(played, tmp_path / "trial")
    early = run(command, "report", "trial", folder=tmp_path)
    assert early.returncode == 1
    assert "trial: found a trial that is not open yet" in early.stderr
    trial = Trial.at(tmp_path / "trial", [played / "settings" / f"{k}.toml" for k in (1, 2)])
    trial.open()
    done = run(command, "report", "trial", folder=tmp_path)
    assert (done.returncode, done.stderr) == (0, "")
    assert "a.toml was the " in done.stdout
    assert done.stdout.endswith("wrote trial.html\n")
    assert run(command, "report", "trial", "-o", "rounds.csv", folder=tmp_path).stdout == "wrote rounds.csv\n"
    assert run(command, "report", "trial", "-o", "rounds.parquet", folder=tmp_path).returncode == 0
    as_csv = pd.read_csv(tmp_path / "rounds.csv", keep_default_na=False)
    assert len(as_csv) == len(trial.rounds()) > 0
    pd.testing.assert_frame_equal(as_csv, pd.read_parquet(tmp_path / "rounds.parquet"), check_dtype=False)
    page = (tmp_path / "trial.html").read_text()
    assert "A trial of a.toml and b.toml" in page
    assert page.count("data:image/png;base64,") == 3
    assert "http" not in page.replace("http-equiv", "")


def test_a_folder_that_is_no_trial_is_refused(command: str, tmp_path: Path) -> None:
    done = run(command, "report", ".", folder=tmp_path)
    assert (done.returncode, done.stdout) == (1, "")
    assert done.stderr == "trial.json: no such file\n"

"""A whole trial without a page: stand-in hands at real sessions, files, and what is read from them."""

from __future__ import annotations

import json
import re
import shutil
import subprocess
import sys
from pathlib import Path
from random import Random

import pytest

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.basics import ArgumentError, OutputError, TrialError
from mellow_thumb.insight.trials import Trial, outcome_text, read_trial
from mellow_thumb.insight.trials.hands import BEHIND, Hands
from mellow_thumb.insight.trials.playing import Playing
from mellow_thumb.insight.trials.tasks import selecting, tasks_for
from mellow_thumb.stand_ins import Person

MARSH, CHART, FINGERS = (one.read_text() for one in (marsh.BOARDWALK, marsh.CHART, marsh.FINGERS))
EASES = (1.0, 1.25)
"""How easy each setting is made for the stand-in."""


def settings(folder: Path, text: str = MARSH) -> list[Path]:
    """Two settings that differ in one number."""
    files = [folder / "slow.toml", folder / "quick.toml"]
    files[0].write_text(text)
    files[1].write_text(text.replace('"0.05 deg/count"', '"0.07 deg/count"'))
    return files


def played(trial: Trial, person: Person, rounds: int = 1000) -> Trial:
    """Play so many rounds, practice too."""
    for _ in range(rounds):
        turn = trial.turn()
        if turn is None:
            break
        hands = Hands(trial.profiles[turn.setting], person, EASES[turn.setting])
        trial.keep(turn, hands.play(trial.tasks, trial.seed_of(turn), short=turn.practice))
    return trial


def begun(folder: Path, pairs: int = 4, tasks: tuple[str, ...] = ("aim",), secret: int = 7) -> Trial:
    return Trial.begin(folder / "trial", settings(folder), pairs=pairs, tasks=tasks, secret=secret)


@pytest.fixture(scope="module")
def two_pairs(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """The folder of a trial of which all planned rounds are there."""
    return played(begun(tmp_path_factory.mktemp("two"), 2), Person(Random(1))).folder


@pytest.fixture
def ended(two_pairs: Path, tmp_path: Path) -> Trial:
    """The same, to be changed."""
    return read_trial(shutil.copytree(two_pairs, tmp_path / "trial"))


def test_a_trial_says_what_is_true_of_its_settings_and_the_same_from_its_files(tmp_path: Path) -> None:
    trial = played(begun(tmp_path, pairs=8), Person(Random(2)))
    assert trial.look().kind == "better"
    liked = trial.birds(1)[1]
    trial.answer(liked, "clearly")
    trial.open()
    text = outcome_text(trial)
    assert text == outcome_text(read_trial(trial.folder))
    assert f"slow.toml was the {trial.birds(1)[0]}, quick.toml was the {liked}" in text
    assert "quick.toml is better than slow.toml: throughput with quick.toml is " in text
    assert "Liked better, clearly: quick.toml." in text
    mean = sum(trial.differences()) / 8
    # whole counts and frames of a session cost a little of the truth
    assert mean == pytest.approx(0.223, abs=0.06)
    assert trial.answers() == [(1, liked, "clearly")]


def test_each_task_measures_what_hands_did(tmp_path: Path) -> None:
    trial = played(begun(tmp_path, 2, ("aim", "follow", "walk")), Person(Random(4)), rounds=3)
    rows = trial.rounds().set_index(["task", "measure"])["value"]
    assert rows["follow", "lag"] == pytest.approx(BEHIND, abs=0.012)
    assert rows["walk", "walk time"] == pytest.approx(12.5, abs=0.5)
    assert 0.0 < rows["walk", "beside"] < 0.5
    assert 0.2 < rows["aim", "corrections"] < 1.2  # each of these aims has one, not all of them seen
    assert 4.0 < rows["aim", "throughput"] < 9.0


def test_the_chart_is_panned_and_zoomed(tmp_path: Path) -> None:
    text = """
format = "mellow-thumb profile 1"
mount = "chart"
[mounts.chart]
kind = "flat"
extent = "40 m"
[axes]
zoom = { min = "0.25 x", max = "4 x" }
[routes.drag]
from = "mouse.move"
drives = ["pan_x", "pan_y"]
sensitivity = "0.05 m/count"
[routes.wheel]
from = "mouse.wheel.y"
drives = ["zoom"]
sensitivity = "5 %/notch"
"""
    files = settings(tmp_path, text)
    files[1].write_text(text.replace("0.05 m/count", "0.08 m/count"))
    begun = Trial.begin(tmp_path / "trial", files, pairs=2, tasks=["pan", "zoom"], secret=1)
    trial = played(begun, Person(Random(4)), rounds=3)
    assert [one.name for one in trial.tasks] == ["pan", "zoom"]
    rows = trial.rounds()
    found = rows[rows["measure"] == "throughput"].set_index("task")["value"]
    assert found["pan"] == pytest.approx(5.0, abs=1.0)
    assert found["zoom"] > 1.0


def test_each_whole_round_is_kept_and_a_trial_goes_on_after_any_of_them(tmp_path: Path) -> None:
    (tmp_path / "again").mkdir()
    for k in range(6):
        trial = begun(tmp_path / "again", 2) if k == 0 else read_trial(tmp_path / "again" / "trial")
        person = Person(Random(3))
        turn = trial.turn()
        assert turn is not None
        assert (turn.practice, turn.number) == ((True, k) if k < 2 else (False, k - 2))
        played(trial, person, rounds=1)
        # what a crash leaves of a round is a file of another name
        (trial.folder / "person_1" / ".round_09-x.csv").write_text("t,sig")
    trial = read_trial(tmp_path / "again" / "trial")
    assert trial.turn() is None
    assert [*trial.rounds()["number"].unique()] == [1, 2, 3, 4]


def test_nothing_in_the_folder_tells_settings_apart_before_the_end(tmp_path: Path) -> None:
    plain = []
    for secret in range(4):
        (tmp_path / str(secret)).mkdir()
        trial = played(begun(tmp_path / str(secret), 2, secret=secret), Person(Random(1)), rounds=3)
        said = json.loads((trial.folder / "trial.json").read_text())
        said.pop("name")
        files = sorted(str(one.relative_to(trial.folder)) for one in trial.folder.rglob("*"))
        plain.append((trial.birds(1), said, files))
        for take in (trial.folder / "person_1").iterdir():
            top = [line for line in take.read_text().splitlines() if line.startswith("#")]
            assert not any(name in line for line in top for name in ("slow", "quick", "setting", "profile"))
    assert len({one[0] for one in plain}) == 2  # birds were dealt both ways
    assert all(one[1:] == plain[0][1:] for one in plain)


def test_an_opened_trial_is_read_without_its_seal(ended: Trial) -> None:
    ended.open()
    (ended.folder / "order.sealed").unlink()
    assert outcome_text(read_trial(ended.folder)) == outcome_text(ended)


def test_a_broken_seal_is_an_error(tmp_path: Path) -> None:
    trial = begun(tmp_path)
    (trial.folder / "order.sealed").write_bytes(b"gAAAA")
    with pytest.raises(TrialError, match=r"order\.sealed: found the seal is broken"):
        read_trial(trial.folder).turn()


def test_several_people_are_compared_by_their_means(tmp_path: Path) -> None:
    trial = begun(tmp_path, 2)
    for k in range(3):
        if k:
            trial.another()
        played(trial, Person(Random(k)))
        liked = Person(Random(k)).likes(EASES)
        assert liked == 1  # the easier one
        trial.answer(trial.birds(k + 1)[liked], "a little")
    assert len(trial.differences()) == 3
    trial.open()
    text = outcome_text(read_trial(trial.folder))
    assert "person 3: slow.toml was the " in text
    assert "With fewer than 7 people nothing can be claimed." in text
    assert len(re.findall(r"^[123] +throughput +[\d.]+ bits/s +[\d.]+ bits/s$", text, re.MULTILINE)) == 3
    assert (
        "Liked better: slow.toml by 0 and quick.toml by 3 of 3 people; chance alone does as much in 25 %"
        in text
    )


def test_looking_again_without_new_rounds_is_no_other_look(ended: Trial) -> None:
    for _ in range(5):
        ended.look()
    assert ended.looked == (2,)
    ended.go_on(2)
    played(ended, Person(Random(2)))
    ended.look()
    assert read_trial(ended.folder).looked == (2, 4)


def test_what_cannot_be_compared_is_refused(tmp_path: Path) -> None:
    files = settings(tmp_path)
    with pytest.raises(ArgumentError, match="found 3 rounds; expected an even number of 2 to 64"):
        Trial.begin(tmp_path / "t", files, pairs=3)
    with pytest.raises(ArgumentError, match=r"slow\.toml and .*slow\.toml do the same"):
        Trial.begin(tmp_path / "t", [files[0], files[0]])
    with pytest.raises(ArgumentError, match="found the task zoom; expected aim, follow, walk or cue"):
        Trial.begin(tmp_path / "t", files, tasks=("zoom",))
    with pytest.raises(mt.ProfileError, match="no such file"):
        Trial.begin(tmp_path / "t", [files[0], tmp_path / "none.toml"])
    (tmp_path / "full").mkdir()
    (tmp_path / "full" / "a").write_text("")
    with pytest.raises(OutputError, match="found files in it; expected a new folder"):
        Trial.begin(tmp_path / "full", files)
    (tmp_path / "pixels.toml").write_text(
        re.sub(r'mouse\.move"(.*?)deg/count', r'mouse.pixels"\1deg/px', MARSH, flags=re.DOTALL)
    )
    with pytest.raises(
        ArgumentError, match=r"read other mice: .*slow\.toml mouse\.move, .*pixels\.toml mouse\.pixels"
    ):
        Trial.begin(tmp_path / "t", [files[0], tmp_path / "pixels.toml"])
    assert not (tmp_path / "t").exists()
    (tmp_path / "map.toml").write_text(FINGERS)
    with pytest.raises(
        ArgumentError, match=r"found nothing that hands can do with all of these: .*; expected"
    ):
        Trial.begin(tmp_path / "t", [files[0], tmp_path / "map.toml"])


def test_another_trials_folder_is_refused(tmp_path: Path) -> None:
    trial = begun(tmp_path)
    files = settings(tmp_path)
    assert Trial.at(trial.folder, files).name == trial.name
    for found, more in (
        ("slow.toml and quick.toml; expected the same settings in the same order", {"files": files[::-1]}),
        ("4 rounds with each; expected 6, as you ask for", {"pairs": 6}),
        ("aim; expected walk, as you ask for", {"tasks": ["walk"]}),
    ):
        with pytest.raises(TrialError, match=re.escape(f"found a trial of {found}; or state a new folder")):
            Trial.at(trial.folder, **({"files": files} | more))
    trial.go_on(2)
    assert Trial.at(trial.folder, files, pairs=4).pairs == 6
    for text in ("{}", "[]", "no", '{"format": "mellow-thumb trial 2"}'):
        (trial.folder / "trial.json").write_text(text)
        with pytest.raises(TrialError, match=r"trial\.json:1: found "):
            read_trial(trial.folder)
    with pytest.raises(TrialError, match="no such file"):
        read_trial(tmp_path / "nowhere")


def test_targets_lie_within_the_limits_of_every_setting() -> None:
    text = MARSH.replace('"-50 deg"', '"-5 deg"').replace('"60 deg"', '"12 deg"')
    narrow, wide = (mt_profile(one) for one in (text, MARSH))
    for task in tasks_for((wide, narrow)):
        for one in task.targets(3):
            if task.name == "aim":
                assert -5.0 < one.place[1] < 12.0


def mt_profile(text: str) -> mt.Profile:
    """A profile of a text."""
    import tempfile

    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder, "profile.toml")
        path.write_text(text)
        return mt.load_profile(path)


def test_what_selects_is_free_under_every_setting() -> None:
    profiles = [mt_profile(text) for text in (MARSH, CHART)]
    assert "key.Space" in selecting(profiles)  # it hops: a cue may be given beside
    assert "mouse.left" not in selecting(profiles)  # it drags the chart
    assert selecting([mt_profile(FINGERS)]) == ()


def test_where_nothing_is_free_a_target_is_selected_by_staying_on_it() -> None:
    (task,) = tasks_for([mt_profile(FINGERS)])[:1]
    playing, t = Playing([task], 1, dwells=True), 0.0
    while not playing.over:
        t += 1 / 60
        at = playing.target.place if playing.target else (0.0, 0.0)
        playing.frame(t, 1 / 60, {"pan_x": at[0], "pan_y": at[1], "zoom": 1.0}, (0.0, 0.0), ())
    assert playing.misses == 0
    assert playing.hits == sum(one.counts for one in task.targets(1))


def test_a_cue_is_given_on_each_target(tmp_path: Path) -> None:
    """The demo counts birds with the left button, tapped: the button with which these hands select."""
    trial = played(begun(tmp_path, 2, ("cue",)), Person(Random(4)), rounds=3)
    rows = trial.rounds().set_index("measure")["value"]
    assert rows["throughput"] > 2.0
    assert rows["misses"] <= 0.5
    (seen,) = trial.seen(1, 0)
    assert len(seen.aims) == 8  # one ring


def test_three_settings_are_compared_two_by_two(tmp_path: Path) -> None:
    files = [*settings(tmp_path), tmp_path / "quickest.toml"]
    files[2].write_text(MARSH.replace('"0.05 deg/count"', '"0.1 deg/count"'))
    trial = Trial.begin(tmp_path / "trial", files, pairs=2, tasks=["cue"], secret=3)
    person = Person(Random(1))
    while (turn := trial.turn()) is not None:
        hands = Hands(trial.profiles[turn.setting], person)
        trial.keep(turn, hands.play(trial.tasks, trial.seed_of(turn), short=turn.practice))
    assert trial.planned == 12
    assert [len(trial.differences(two)) for two in ((0, 1), (0, 2), (1, 2))] == [2, 2, 2]
    trial.look()
    trial.open()
    text = outcome_text(trial)
    for two in ("slow.toml and quick.toml", "slow.toml and quickest.toml", "quick.toml and quickest.toml"):
        assert f"Which of {two} is better is not known" in text
    assert "With fewer than 9 pairs of rounds nothing can be claimed." in text


KILLED = """
import sys
from pathlib import Path
from random import Random
from mellow_thumb.insight.trials import read_trial
from mellow_thumb.insight.trials.hands import Hands
from mellow_thumb.stand_ins import Person

trial, person = read_trial(sys.argv[1]), Person(Random(1))
while (turn := trial.turn()) is not None:
    take = Hands(trial.profiles[turn.setting], person).play(trial.tasks, trial.seed_of(turn), short=True)
    trial.keep(turn, take)
    print(turn.practice, turn.number, flush=True)
"""


@pytest.mark.parametrize("after", [1, 4])
def test_a_trial_that_is_killed_keeps_each_whole_round_and_goes_on(tmp_path: Path, after: int) -> None:
    trial = begun(tmp_path, 4, ("cue",))
    with subprocess.Popen(
        [sys.executable, "-c", KILLED, trial.folder], stdout=subprocess.PIPE, text=True
    ) as at_work:
        assert at_work.stdout
        said = [at_work.stdout.readline().split() for _ in range(after)]
        at_work.kill()
    again = read_trial(trial.folder)
    for practice, number in said:
        if practice == "False":
            assert len(again.take(1, int(number) + 1)) > 0
    turn = again.turn()
    assert turn is not None
    assert (turn.practice, turn.number) >= (said[-1][0] == "True", 0)
    assert len(again.played(1)) in (max(after - 2, 0), max(after - 1, 0))

"""Takes in other kinds of file: Parquet, a page's events; exactly the same, and piece by piece."""

from __future__ import annotations

import json
from itertools import pairwise
from pathlib import Path

import numpy as np
import pandas as pd
import pytest
from click.testing import CliRunner
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.commands.line import main

pytest.importorskip("pyarrow")

DATA = Path(__file__).parents[1] / "data"

numbers = st.floats(allow_nan=False, allow_infinity=False)


def take_of(rows: list[tuple[float, str, float]]) -> mt.Take:
    table = pd.DataFrame(rows, columns=["t", "signal", "value"]).sort_values("t", kind="stable")
    typed = table.astype({"t": float, "signal": "category", "value": float})
    return mt.Take(typed, {"title": 'a "take" \N{BLACK STAR}'})


names = st.sampled_from(["mouse.move.x", "pad.south", "flag.menu"])
moments = st.floats(0.0, 1e6) | st.sampled_from([0.0, 1.0, 2.0])
takes = st.lists(st.tuples(moments, names, numbers), max_size=20).map(take_of)


def same(one: mt.Take, other: mt.Take) -> bool:
    a, b = (each.table.astype({"signal": "str"}) for each in (one, other))
    return bool(
        list(a["signal"]) == list(b["signal"])
        and np.array_equal(a[["t", "value"]].to_numpy(), b[["t", "value"]].to_numpy())
    )


@settings(max_examples=25)
@given(takes)
def test_a_take_comes_back_to_the_bit_from_every_kind_of_file(
    tmp_path_factory: pytest.TempPathFactory, take: mt.Take
) -> None:
    folder = tmp_path_factory.mktemp("kinds")
    mt.write_take(take, folder / "a.parquet")
    again = mt.read_take(folder / "a.parquet")
    mt.write_take(again, folder / "a.csv")
    back = mt.read_take(folder / "a.csv")
    assert same(take, again)
    assert same(take, back)
    assert {key: value for key, value in back.about.items() if key != "format"} == again.about == take.about


@pytest.mark.parametrize("suffix", [".csv", ".parquet"])
@settings(max_examples=15)
@given(take=takes, rows=st.integers(1, 7))
def test_pieces_one_after_another_are_the_whole_and_no_moment_is_parted(
    tmp_path_factory: pytest.TempPathFactory, suffix: str, take: mt.Take, rows: int
) -> None:
    file = tmp_path_factory.mktemp("pieces") / f"a{suffix}"
    mt.write_take(take, file)
    pieces = list(mt.take_pieces(file, rows))
    whole = pd.concat([piece.table.astype({"signal": "str"}) for piece in pieces], ignore_index=True)
    assert same(mt.Take(whole), take)
    ends = [(piece.table["t"].min(), piece.table["t"].max()) for piece in pieces if len(piece)]
    assert all(before[1] < after[0] for before, after in pairwise(ends))


@pytest.mark.parametrize(
    ("profile", "take"), [marsh.SCENES[k] for k in (0, 1, 5)], ids=lambda path: path.name
)
def test_a_streamed_replay_is_the_replay(tmp_path: Path, profile: Path, take: Path) -> None:
    mt.write_take(mt.read_take(take), tmp_path / "hand.parquet")
    loaded = mt.load_profile(profile)
    whole = mt.replay(loaded, mt.read_take(take), rate=60, compiled=False)
    pieces = list(
        mt.replay_pieces(loaded, mt.take_pieces(tmp_path / "hand.parquet", 4000), rate=60, compiled=False)
    )
    joined = pd.concat([piece.astype({"mount": str, "cues": str}) for piece in pieces], ignore_index=True)
    for name in ("t", "pitch", "yaw_total"):
        if name in whole.columns:
            assert np.array_equal(joined[name], whole[name])


def test_the_command_streams_converts_and_says_what_it_did(tmp_path: Path) -> None:
    parquet, out, back = tmp_path / "hand.parquet", tmp_path / "table.csv", tmp_path / "hand.csv"
    done = CliRunner().invoke(main, ["record", str(parquet), "--from", str(marsh.DYKE_TAKE)])
    assert done.output == f"wrote {parquet}: {len(mt.read_take(marsh.DYKE_TAKE)):,} rows\n"
    done = CliRunner().invoke(main, ["replay", str(marsh.DYKE), str(parquet), "--stream", "-o", str(out)])
    assert done.exit_code == 0, done.output
    assert "480 frames of" in done.output
    table = mt.replay(mt.load_profile(marsh.DYKE), mt.read_take(marsh.DYKE_TAKE))
    assert np.allclose(pd.read_csv(out)["yaw"], table["yaw"], rtol=1e-15)
    CliRunner().invoke(main, ["record", str(back), "--from", str(parquet)])
    assert same(mt.read_take(back), mt.read_take(marsh.DYKE_TAKE))
    for words, code in ((["--stream"], 2), (["--stream", "-o", "a.png"], 2)):
        assert CliRunner().invoke(main, ["replay", str(marsh.DYKE), str(parquet), *words]).exit_code == code
    wrong = CliRunner().invoke(main, ["record", str(tmp_path / "hand.txt"), "--from", str(parquet)])
    assert (wrong.exit_code, "expected .csv or .parquet" in wrong.output) == (1, True)


@pytest.mark.parametrize("suffix", ["", ".txt", ".csv", ".evemu", ".jsonl", ".parquet", ".log"])
def test_a_recording_is_known_by_its_content_whatever_its_suffix(tmp_path: Path, suffix: str) -> None:
    mt.write_take(mt.read_take(marsh.DYKE_TAKE), tmp_path / "a.parquet")
    page = tmp_path / "page.jsonl"
    page.write_text('{"type": "resize", "width": 800, "height": 600}\n', encoding="utf-8")
    bare = tmp_path / "bare.csv"
    bare.write_text("value,t,signal\n1,0,pad.south\n", encoding="utf-8")
    for file in (marsh.DYKE_TAKE, tmp_path / "a.parquet", page, bare, DATA / "pad.evemu"):
        other = tmp_path / f"other{suffix}"
        other.write_bytes(file.read_bytes())
        assert same(mt.read_take(other), mt.read_take(file))
        assert sum(map(len, mt.take_pieces(other))) == len(mt.read_take(file))


def test_a_take_that_was_cut_short_streams_to_its_last_whole_row(tmp_path: Path) -> None:
    file = tmp_path / "hand.csv"
    text = marsh.DYKE_TAKE.read_text(encoding="utf-8")
    file.write_text(text[:-5], encoding="utf-8")
    pieces = list(mt.take_pieces(file, 100))
    assert sum(map(len, pieces)) == len(mt.read_take(file)) == len(mt.read_take(marsh.DYKE_TAKE)) - 1
    assert any("cut short" in note for piece in pieces for note in piece.notes)


@pytest.mark.parametrize(
    ("name", "data", "words"),
    [
        ("a.parquet", b"PAR1 nothing of the kind", "expected a Parquet file"),
        ("a.parquet", None, "no such file"),
        ("a.csv", b"t,signal,value\n0,pad.south,1\n0,pad.south,up\n", 'a.csv:3: value: found "up"'),
        ("a.csv", b"t,signal,value\n0,\xff,1\n", "a.csv:2: found the byte 0xff"),
        ("a.csv", b"t,value\n0,1\n", "no column signal"),
        ("a.jsonl", b"{not json}\n", "a.jsonl:1: found '{not json}'; expected an event"),
        ("a.jsonl", b"\n", "no events"),
        ("a.jason", b"\n", 'found the suffix ".jason"'),
    ],
)
def test_what_is_no_take_is_refused_with_its_line(
    tmp_path: Path, name: str, data: bytes | None, words: str
) -> None:
    file = tmp_path / name
    if data is not None:
        file.write_bytes(data)
    for read in (mt.read_take, lambda path: list(mt.take_pieces(path))):
        with pytest.raises(mt.TakeError) as caught:
            read(file)
        assert words in str(caught.value)


def test_a_table_that_is_no_take_is_refused(tmp_path: Path) -> None:
    pd.DataFrame({"t": [0.0], "word": ["pad.south"]}).to_parquet(tmp_path / "a.parquet")
    with pytest.raises(mt.TakeError, match="no column signal and value"):
        mt.read_take(tmp_path / "a.parquet")
    pd.DataFrame({"t": ["soon"], "signal": ["pad.south"], "value": [1.0]}).to_parquet(tmp_path / "b.parquet")
    with pytest.raises(mt.TakeError, match="numbers in t and value"):
        mt.read_take(tmp_path / "b.parquet")


def test_a_pages_events_are_what_its_door_makes_of_them(tmp_path: Path) -> None:
    events = [
        {"type": "resize", "innerWidth": 1000, "innerHeight": 500, "timeStamp": 5000.0},
        {"type": "pointerdown", "pointerType": "touch", "pointerId": 9, "clientX": 700, "clientY": 250, "timeStamp": 5010},
        {"type": "pointermove", "pointerType": "touch", "pointerId": 9, "clientX": 500, "clientY": 250, "timeStamp": 5026},
        {"type": "pointerup", "pointerType": "touch", "pointerId": 9, "clientX": 500, "clientY": 250, "timeStamp": 5042},
        {"type": "keydown", "code": "KeyW", "timeStamp": 5100},
        {"type": "wheel", "deltaX": 0, "deltaY": -100, "deltaMode": 0, "timeStamp": 5110.5},
        {"type": "teapot"},
    ]  # fmt: skip
    file = tmp_path / "page.jsonl"
    file.write_text("\n".join(map(json.dumps, events)), encoding="utf-8")
    take = mt.read_take(file)
    rows = [(t, str(name), value) for t, name, value in take.table.itertuples(index=False)]
    assert rows[:2] == [(0.0, "host.screen.x", 1000.0), (0.0, "host.screen.y", 500.0)]
    assert (0.01, "touch.1.place.x", 0.7) in rows
    assert (0.01, "touch.1.down", 1.0) in rows
    assert (0.042, "touch.1.down", 0.0) in rows
    assert (0.1, "key.KeyW", 1.0) in rows
    assert (0.1105, "mouse.wheel.y", 1.0) in rows
    assert take.notes == ("1 events of teapot were left out: unknown",)
    session = mt.load_profile(marsh.FINGERS).session()
    door = mt.BrowserDoor(session, 1000, 500)
    for event in events[:-1]:
        door.feed(event)
    live = session.tick(0.2).axes
    table = mt.replay(mt.load_profile(marsh.FINGERS), take, frames=[0.2])
    assert table["pan_x"].iloc[0] == pytest.approx(live["pan_x"], abs=1e-9)
    assert live["pan_x"] > 5.0


def test_a_pages_headset_is_where_its_door_says(tmp_path: Path) -> None:
    turned = {"x": 0.0, "y": 0.6, "z": 0.0, "w": 0.8}
    worn = {"position": {"x": 0.1, "y": 1.7, "z": -0.2}, "orientation": turned}
    pad = {"mapping": "xr-standard", "axes": [0, 0, 0, -1], "buttons": []}
    hand = {"handedness": "left", "gamepad": pad, "aim": worn}
    event = {"type": "xrframe", "timeStamp": 40.0, "viewer": worn, "inputSources": [hand]}
    file = tmp_path / "page.jsonl"
    file.write_text(json.dumps(event) + "\n", encoding="utf-8")
    take = mt.read_take(file)
    said = {str(name): value for _, name, value in take.table.itertuples(index=False)}
    session = mt.load_profile(marsh.HIDE).session()
    door = mt.BrowserDoor(session, 800, 600)
    door.feed(event)
    assert door.head is not None
    place, rotation = door.head
    assert tuple(said[f"host.head.{part}"] for part in ("x", "y", "z")) == place == (0.1, 1.7, -0.2)
    assert tuple(said[f"host.head.{part}"] for part in ("qx", "qy", "qz", "qw")) == rotation
    assert said["left_hand.stick.y"] == 1.0
    live = session.tick(0.2)
    table = mt.replay(mt.load_profile(marsh.HIDE), take, frames=[0.2])
    assert table["move_y"].iloc[0] == pytest.approx(live.axes["move_y"], abs=1e-9)
    assert live.axes["move_y"] > 0.5


def test_one_kind_turned_into_another_never_writes_over_a_file(tmp_path: Path) -> None:
    kept = tmp_path / "kept.csv"
    kept.write_text("evidence", encoding="utf-8")
    done = CliRunner().invoke(main, ["record", str(kept), "--from", str(marsh.DYKE_TAKE)])
    assert (done.exit_code, kept.read_text(encoding="utf-8")) == (1, "evidence")
    assert "already exists" in done.output


@pytest.mark.parametrize(
    "options",
    [
        ["record", "new.csv", "--from", "DYKE", "--list"],
        ["record", "new.csv", "--from", "DYKE", "--seconds", "3"],
        ["record", "new.csv", "--from", "DYKE", "--device", "pad"],
        ["record", "--from", "DYKE"],
        ["export", "--schema", ".", "--player", "me.toml"],
        ["replay", "dyke.toml", "DYKE", "--stream", "--json", "-o", "new.csv"],
    ],
)
def test_options_that_would_do_nothing_together_are_refused(
    options: list[str], tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.chdir(tmp_path)
    done = CliRunner().invoke(main, [str(marsh.DYKE_TAKE) if one == "DYKE" else one for one in options])
    assert (done.exit_code, list(tmp_path.iterdir())) == (2, [])


@pytest.mark.parametrize("kind", ["csv", "parquet"])
def test_pieces_tell_how_much_of_the_take_is_read(kind: str, tmp_path: Path) -> None:
    take, path, told = mt.read_take(marsh.DYKE_TAKE), tmp_path / f"hand.{kind}", list[float]()
    mt.write_take(take, path)
    shares = [told[-1] for _ in mt.take_pieces(path, 500, progress=told.append)]
    assert shares == sorted(shares)
    assert 0.05 < shares[0] < 0.4
    assert 0.97 < told[-1] <= 1.0


def test_a_long_take_that_is_not_there_is_told_with_the_name_beside_it(tmp_path: Path) -> None:
    for name in ("hand.csv", "hand.parquet"):
        (tmp_path / name).touch()
        with pytest.raises(mt.TakeError, match=f"no such file; did you mean {name}"):
            list(mt.take_pieces(tmp_path / name.replace("hand", "hnad")))

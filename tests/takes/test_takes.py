"""Takes: written and read to the bit, and what is said of a wrong one."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

import numpy as np
import pandas as pd
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mellow_thumb import (
    ArgumentError,
    OutputError,
    Profile,
    Take,
    TakeError,
    load_profile,
    marsh,
    read_take,
    replay,
    take_pieces,
    write_take,
)
from mellow_thumb.takes.replay_table import CAMERA

from ..helpers.strategies import Event, events, take_of

numbers = st.floats(allow_nan=False)


@given(
    st.lists(st.tuples(numbers, st.sampled_from(["mouse.move.x", "mouse.right", 'a "b", c', "é"]), numbers)),
    st.dictionaries(st.sampled_from(["title", "device"]), st.text(st.characters(exclude_categories=["Cs"]))),
)
def test_a_take_reads_back_the_same_to_the_bit(
    tmp_path_factory: pytest.TempPathFactory, rows: list[tuple[float, str, float]], about: dict[str, str]
) -> None:
    file = tmp_path_factory.getbasetemp() / "hide.csv"
    table = pd.DataFrame(rows, columns=["t", "signal", "value"]).astype(
        {"t": float, "signal": "category", "value": float}
    )
    write_take(Take(table, about), file)
    back = read_take(file)
    pd.testing.assert_frame_equal(back.table, table, check_exact=True)
    assert back.about == {"format": "mellow-thumb take 1", **about}
    assert back.notes == ()


def test_the_takes_of_the_marsh_are_what_their_hands_make(sweep: Take) -> None:
    others = [
        (marsh.dyke(), marsh.DYKE_TAKE),
        (marsh.boardwalk(), marsh.BOARDWALK_TAKE),
        (marsh.chart(), marsh.CHART_TAKE),
        (marsh.following(), marsh.FOLLOWING_TAKE),
        (marsh.fingers(), marsh.FINGERS_TAKE),
        (marsh.scope(), marsh.SCOPE_TAKE),
        (marsh.hide(), marsh.HIDE_TAKE),
    ]
    for made, shipped in [
        (marsh.field_glasses(), sweep),
        *((made, read_take(file)) for made, file in others),
    ]:
        pd.testing.assert_frame_equal(made.table, shipped.table, check_exact=True)
        assert made.about.items() <= shipped.about.items()


@pytest.mark.parametrize("file", [take for _, take in marsh.SCENES], ids=lambda path: path.stem)
def test_the_hands_of_the_marsh_let_go_of_every_button(file: Path) -> None:
    last = read_take(file).table.groupby("signal", observed=True)["value"].last()
    buttons = last.filter(regex=r"^key\.|^(mouse|pad)\.\w+$|\.down$")
    assert not buttons[~buttons.index.str.contains("trigger|inside")].any()


def read(folder: Path, text: str) -> Take:
    file = folder / "hide.csv"
    file.write_text(text, encoding="utf-8")
    return read_take(file)


def test_a_take_that_was_cut_short_is_read_up_to_its_last_whole_row(tmp_path: Path) -> None:
    take = read(tmp_path, "t,signal,value\n0.1,mouse.right,1\n0.2,mouse.ri")
    assert take.table["t"].tolist() == [0.1]
    assert take.notes == ("the last row was cut short and left out: '0.2,mouse.ri'",)


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("", "hide.csv:1: found no column t, signal and value; expected t,signal,value"),
        ("t,signl,value\n", "hide.csv:1: found the column \"signl\"; expected t, signal, value, device or on; did you mean signal?"),
        ("# format = \"mellow-thumb take 9\"\nt,signal,value\n", 'hide.csv:1: format: found "mellow-thumb take 9"; expected "mellow-thumb take 1"'),
        ("# title = \nt,signal,value\n", "hide.csv:1: found invalid value at column 9; expected TOML 1.0"),
        ("# title = \"x\"\nt,signal,value\n0,mouse.left,1\nsoon,mouse.left,0\n", 'hide.csv:4: t: found "soon"; expected a number'),
        ("t,signal,value\n0,mouse.left,1\n0,mouse.left\n", "hide.csv:3: found 2 values; expected 3: t, signal, value"),
        ("t,signal,value\n0,mouse.left,1,2\n", "hide.csv:2: found 4 values; expected 3: t, signal, value"),
        ("t,signal,value\n0,mouse.left,\n", 'hide.csv:2: value: found ""; expected a number'),
    ],
)  # fmt: skip
def test_a_wrong_take_is_refused_with_its_line(tmp_path: Path, text: str, said: str) -> None:
    with pytest.raises(TakeError) as caught:
        read(tmp_path, text)
    assert said in str(caught.value)


@given(st.binary(max_size=300) | st.text(alphabet='t,signalvue\n#="0.1e-', max_size=200).map(str.encode))
def test_any_bytes_end_in_a_take_or_in_a_clear_error(
    tmp_path_factory: pytest.TempPathFactory, data: bytes
) -> None:
    file = tmp_path_factory.getbasetemp() / "any.csv"
    file.write_bytes(b"t,signal,value\n" + data)
    try:
        assert list(read_take(file).table.columns) == ["t", "signal", "value"]
    except TakeError as error:
        assert "any.csv" in str(error)


def test_a_take_that_cannot_be_written_leaves_what_was_there(tmp_path: Path, sweep: Take) -> None:
    file = tmp_path / "hide.csv"
    file.write_text("old", encoding="utf-8")
    broken = Take(sweep.table, {"title": "\ud800"})  # no UTF-8 can hold it
    with pytest.raises(UnicodeEncodeError):
        write_take(broken, file)
    assert [p.name for p in tmp_path.iterdir()] == ["hide.csv"]
    assert file.read_text(encoding="utf-8") == "old"
    with pytest.raises(OutputError, match="cannot be written"):
        write_take(sweep, tmp_path / "nowhere" / "hide.csv")
    with pytest.raises(OutputError, match="it is a folder"):
        write_take(sweep, tmp_path)


def test_a_replay_has_the_columns_of_the_design(glasses: Profile, sweep: Take) -> None:
    table = replay(glasses, sweep)
    assert list(table.columns) == [
        "t", "yaw", "pitch", "roll", "yaw_total", *CAMERA, "step_x", "step_y", "step_z", "heading",
        "gate_glassing", "mount", "cues",
    ]  # fmt: skip
    assert table["t"].iloc[[0, -1]].tolist() == [1 / 60, 10.0]
    assert table[list(CAMERA)].iloc[0].tolist() == [0.0, 1.65, 0.0, 0.0, 0.0, 0.0, 1.0]
    pd.testing.assert_frame_equal(table, replay(glasses, sweep), check_exact=True)


@given(events())
def test_the_order_of_rows_at_different_times_does_not_matter(
    glasses: Profile, happened: list[Event]
) -> None:
    distinct = [(signal, value, k / 100) for k, (signal, value, _) in enumerate(happened)]
    table = take_of(distinct).table
    shuffled = table.iloc[np.random.default_rng(1).permutation(len(table))]
    shuffled = shuffled.sort_values("signal", kind="stable")  # .x before .y
    pd.testing.assert_frame_equal(
        replay(glasses, Take(table), until=2.0), replay(glasses, Take(shuffled), until=2.0), check_exact=True
    )


def test_a_replay_says_what_it_refused(glasses: Profile) -> None:
    table = pd.DataFrame(
        {
            "t": [0.0, 0.1, np.nan, 0.2, 0.3, -1.0],
            "signal": [
                "mouse.mvoe.x",
                "mouse.move.x",
                "mouse.move.x",
                "mouse.right",
                "mouse.move.x",
                "mouse.move.x",
            ],
            "value": [1.0, np.inf, 1.0, 2.0, 1e7, 20.0],
        }
    )
    played = replay(glasses, Take(table))
    assert played.attrs["refused"] == {
        "mouse.mvoe.x": {"unknown signal; did you mean mouse.move.x?": 1},
        "mouse.move.x": {"not finite": 2, "outside -1e+06 to 1e+06": 1},
        "mouse.right": {"outside 0 to 1": 1},
    }
    assert played["yaw"].iloc[0] == 1.0  # what is stamped before the beginning counts from the beginning


@pytest.mark.parametrize("kind", ["object", "category"])
@pytest.mark.parametrize("name", ["", None])
def test_a_row_without_a_signal_is_refused_and_found(name: str | None, kind: str) -> None:
    rows = {"t": [0.1, 0.2, 0.3], "signal": ["mouse.move.x", name, "mouse.move.x"], "value": [1.0, 50.0, 2.0]}
    take = Take(pd.DataFrame(rows).astype({"signal": kind}), file="hands.csv", line=6)
    profile = load_profile(marsh.PROFILE)
    table = replay(profile, take, until=1.0, compiled=False)
    assert table.attrs["refused"] == {"(no signal)": {"unknown signal": 1}}
    assert table.attrs["used"] == 2
    assert take.first("(no signal)") == "hands.csv:7"
    rest = replay(profile, Take(take.table.iloc[[0, 2]]), until=1.0, compiled=False)
    assert table["yaw"].tolist() == rest["yaw"].tolist()


def test_wrong_frames_are_refused(glasses: Profile, sweep: Take) -> None:
    for wrong in ({"rate": 0.0}, {"rate": float("nan")}, {"until": -1.0}, {"rate": 1e12}):
        with pytest.raises(ArgumentError):
            replay(glasses, sweep, **wrong)  # type: ignore[call-overload]
    with pytest.raises(ArgumentError, match="rise"):
        replay(glasses, sweep, frames=[0.2, 0.1])


def test_an_empty_take_stands_still(glasses: Profile) -> None:
    table = replay(glasses, take_of([]))
    assert table["yaw"].tolist() == [0.0] * 60


@pytest.mark.parametrize(
    ("call", "words"),
    [
        (lambda: list(take_pieces(marsh.DYKE_TAKE, 0)), "rows: found 0; expected a number from 1 up"),
        (lambda: Take(pd.DataFrame({"a": [1.0]})), "found no column t, signal or value"),
        (lambda: Take(pd.DataFrame({"t": ["a"], "signal": ["x"], "value": [0.0]})), "found a column t of"),
    ],
)  # fmt: skip
def test_what_is_no_take_is_told(call: Callable[[], object], words: str) -> None:
    with pytest.raises(ArgumentError, match=words):
        call()


ODD = st.sampled_from([0.0, 1.0, -3.0, 0.5, 2e6, -2e6, float("inf"), float("nan")])
ROWS = st.lists(
    st.tuples(
        st.sampled_from([
            "mouse.move.x", "mouse.move.y", "mouse.right", "pad.right_stick.x", "key.KeyQ", "mouse.mvoe", "flag.menu",
            "flag.glassig", "tide", "mouse.move", "",
        ]),
        ODD,
        st.sampled_from([0.1, 0.2, 0.3, float("nan")]),
    ),
    max_size=12,
)  # fmt: skip


@settings(max_examples=60)
@given(ROWS)
def test_a_replay_refuses_what_a_session_refuses_in_the_same_words(
    glasses: Profile, rows: list[tuple[str, float, float]]
) -> None:
    session = glasses.session()
    for signal, value, t in rows:
        session.feed(signal, value, at=t)
    table = pd.DataFrame(rows, columns=["signal", "value", "t"]).astype({"t": float, "value": float})
    replayed = replay(glasses, Take(table.astype({"signal": "category"})), until=1.0)
    pairs = {
        "mouse.move": "not a pair of numbers"
    }  # of which a take has no rows: it has those of the components
    said = {name: why for name, why in session.refused.items() if name not in pairs}
    assert {name: why for name, why in replayed.attrs["refused"].items() if name not in pairs} == said
    assert replayed.attrs["clipped"] == dict(sorted(session.clipped.items()))

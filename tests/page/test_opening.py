"""Opening the page: what is missing, and what cannot be."""

from __future__ import annotations

import socket
from pathlib import Path

import pytest
from click.testing import CliRunner

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.commands import main
from mellow_thumb.page import opening


@pytest.mark.parametrize("missing", [["websockets"], ["starlette", "uvicorn"]])
def test_a_plain_install_is_told_what_to_type(monkeypatch: pytest.MonkeyPatch, missing: list[str]) -> None:
    monkeypatch.setattr(opening, "find_spec", lambda name: None if name in missing else name)
    with (
        pytest.raises(mt.MissingError, match=r"pip install 'mellow-thumb\[page\]'") as caught,
        mt.serving(marsh.CHART),
    ):
        pass
    assert all(name in str(caught.value) for name in missing)


def test_what_cannot_be_is_told_before_anything_is_served(tmp_path: Path) -> None:
    taken = socket.create_server(("127.0.0.1", 0))
    port = taken.getsockname()[1]
    for wrong, words, more in (
        (mt.OutputError, f"port {port}: cannot listen there", {"port": port}),
        (mt.OutputError, "port 70000: cannot listen there", {"port": 70000}),
        (mt.TakeError, "no such file", {"take": tmp_path / "none.csv"}),
        (mt.SheetError, "TOML", {"player": tmp_path / "bad.toml"}),
    ):
        (tmp_path / "bad.toml").write_text("= 3", encoding="utf-8")
        with pytest.raises(wrong, match=words), mt.serving(marsh.CHART, **more):
            pass
    with pytest.raises(mt.ProfileError), mt.serving(tmp_path / "bad.toml"):
        pass
    taken.close()
    with mt.serving(marsh.CHART, port=port) as page:
        assert page.address.startswith(f"http://127.0.0.1:{port}/?token=")
        assert page.profile == mt.load_profile(marsh.CHART)
        assert page.refused == ()


@pytest.mark.parametrize(("last", "words"), [(240.0, "4 min of hands in"), (20.0, "")])
def test_hands_that_take_long_are_announced(
    monkeypatch: pytest.MonkeyPatch, tmp_path: Path, last: float, words: str
) -> None:
    take = tmp_path / "hands.csv"
    take.write_text(f"t,signal,value\n0.0,mouse.move.x,1\n{last},mouse.move.x,1\n", encoding="utf-8")
    monkeypatch.setattr("mellow_thumb.page.serve", lambda *_, **__: None)
    found = CliRunner().invoke(main, ["try", str(marsh.CHART), "--take", str(take)])
    assert (found.exit_code, found.output[: len(words)]) == (0, words), found.output
    assert bool(found.output) == bool(words)

"""Comparing and reporting: two profiles on the same hands; one file with all there is to say."""

from __future__ import annotations

import json
import re
import shutil
import subprocess
from html.parser import HTMLParser
from pathlib import Path

import pytest
from click.testing import CliRunner

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.commands.line import main
from mellow_thumb.insight.figures.comparisons import fitted, two_profiles
from mellow_thumb.insight.reporting import digits, write_report

CHROMIUM = shutil.which("chromium")


@pytest.fixture
def faster(tmp_path: Path) -> Path:
    """The field glasses with twice the sensitivity and another limit."""
    text = marsh.PROFILE.read_text(encoding="utf-8")
    file = tmp_path / "faster.toml"
    file.write_text(
        text.replace("0.05 deg/count", "0.1 deg/count").replace("40 deg", "50 deg"), encoding="utf-8"
    )
    return file


def test_a_profile_never_parts_from_itself() -> None:
    profile, take = mt.load_profile(marsh.PROFILE), mt.read_take(marsh.TAKE)
    compared = mt.compare(profile, profile, take)
    assert all(one.first is None and one.most == one.end == 0.0 for one in compared.partings)
    assert "never apart" in compared.text()
    assert compared.only == ((), ())


def test_where_and_when_two_part_is_what_their_replays_say(faster: Path) -> None:
    first, second, take = mt.load_profile(marsh.PROFILE), mt.load_profile(faster), mt.read_take(marsh.TAKE)
    yaw = next(one for one in mt.compare(first, second, take).partings if one.name == "yaw")
    a, b = (mt.replay(one, take) for one in (first, second))
    apart = (b["yaw_total"] - a["yaw_total"]).to_numpy()
    assert yaw.first == a["t"][(abs(apart) > 0.5).argmax()]
    assert yaw.most == apart[abs(apart).argmax()]
    assert yaw.end == apart[-1]
    back = next(one for one in mt.compare(second, first, take).partings if one.name == "yaw")
    assert (back.first, back.most, back.end) == (yaw.first, -yaw.most, -yaw.end)


def test_the_command_says_it_draws_it_and_lists_it(faster: Path, tmp_path: Path) -> None:
    files = [str(marsh.PROFILE), str(faster), str(marsh.TAKE)]
    done = CliRunner().invoke(main, ["replay", *files, "-o", str(tmp_path / "ab.png")])
    assert done.exit_code == 0, done.output
    assert re.search(r"yaw +apart from 0\.\d\d s on; B is at most \+", done.output)
    assert (tmp_path / "ab.png").stat().st_size > 20_000
    CliRunner().invoke(main, ["replay", *files, "-o", str(tmp_path / "ab.csv")])
    assert (tmp_path / "ab.csv").read_text().startswith("name,unit,first,most,when,end\nyaw,deg,0.")
    data = json.loads(CliRunner().invoke(main, ["replay", *files, "--json"]).output)
    assert data["partings"][0]["name"] == "yaw"
    wrong = CliRunner().invoke(main, ["replay", *files, "-o", "ab.glb"])
    assert (wrong.exit_code, 'found the suffix ".glb"' in wrong.output) == (1, True)
    many = CliRunner().invoke(main, ["replay", *files, str(marsh.TAKE)])
    assert (many.exit_code, "found 4 files; expected PROFILE TAKE" in many.output) == (2, True)


def test_both_are_drawn() -> None:
    take = mt.read_take(marsh.TAKE)
    figure = two_profiles(mt.load_profile(marsh.PROFILE), mt.load_profile(marsh.BOARDWALK), take)
    assert [panel.texts[0].get_text() for panel in figure.axes] == ["yaw", "pitch"]
    assert all(len(panel.lines) == 2 for panel in figure.axes)
    assert fitted(take) is None
    drawn = fitted(mt.read_take(marsh.FOLLOWING_TAKE))
    assert drawn is not None
    assert len(drawn.axes) == 4


class Page(HTMLParser):
    """What a page is made of: its text, its pictures, what it fetches from elsewhere."""

    def __init__(self, text: str) -> None:
        super().__init__()
        self.words: list[str] = []
        self.pictures: list[str] = []
        self.fetched: list[str] = []
        self.open: list[str] = []
        self.feed(text)

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        if tag not in ("meta", "img", "br", "link"):
            self.open.append(tag)
        for name, value in attrs:
            if name == "src" and (value or "").startswith("data:image/png;base64,"):
                self.pictures.append(value or "")
            elif name in ("src", "href") and not (value or "").startswith("#"):
                self.fetched.append(value or "")

    def handle_endtag(self, tag: str) -> None:
        assert self.open.pop() == tag

    def handle_data(self, data: str) -> None:
        self.words.append(data)


@pytest.mark.parametrize(
    ("profile", "take"), [marsh.SCENES[k] for k in (1, 5, 6, 7)], ids=lambda path: path.name
)
def test_a_report_holds_everything_and_needs_nothing(tmp_path: Path, profile: Path, take: Path) -> None:
    out = tmp_path / "report.html"
    done = CliRunner().invoke(main, ["report", str(profile), str(take), "-o", str(out)])
    assert done.exit_code == 0, done.output
    page = Page(out.read_text(encoding="utf-8"))
    assert not page.open
    assert not page.fetched
    text = " ".join(" ".join(page.words).split())
    loaded = mt.load_profile(profile)
    for one in mt.tell(loaded).controls:
        assert " ".join(one.text().replace("->", "\N{RIGHTWARDS ARROW}").split()) in text
    for found in mt.check(loaded):
        assert found.reason in text
    assert "frame-rate spread" in text
    assert len(page.pictures) >= 2


def test_what_a_profile_says_is_text_and_nothing_else(tmp_path: Path) -> None:
    text = marsh.DYKE.read_text(encoding="utf-8")
    title = re.sub(r'title = ".*"', 'title = "<script>alert(1)</script> & \\"more\\""', text)
    (tmp_path / "dyke.toml").write_text(title, encoding="utf-8")
    write_report(mt.load_profile(tmp_path / "dyke.toml"), {}, tmp_path / "report.html")
    page = (tmp_path / "report.html").read_text(encoding="utf-8")
    assert "<script" not in page
    assert "&lt;script&gt;" in page


def test_an_interruption_leaves_what_was_there(tmp_path: Path) -> None:
    out = tmp_path / "report.html"
    out.write_text("the one before")

    def interrupted(share: float) -> None:
        if share > 0.6:
            raise KeyboardInterrupt

    with pytest.raises(KeyboardInterrupt):
        write_report(
            mt.load_profile(marsh.DYKE), {"hand": mt.read_take(marsh.DYKE_TAKE)}, out, progress=interrupted
        )
    assert out.read_text() == "the one before"
    assert [file.name for file in tmp_path.iterdir()] == ["report.html"]


def test_several_takes_are_each_told_and_pictures_can_be_had_alone(tmp_path: Path) -> None:
    out = tmp_path / "report.html"
    write_report(
        mt.load_profile(marsh.DYKE),
        {"one": mt.read_take(marsh.DYKE_TAKE), "two": mt.read_take(marsh.DYKE_TAKE)},
        out,
    )
    text = out.read_text(encoding="utf-8")
    assert "<h2>one</h2>" in text
    assert "<h2>two</h2>" in text
    assert 'alt="two axes"' in text
    done = CliRunner().invoke(
        main, ["report", str(marsh.HIDE), str(marsh.HIDE_TAKE), "--figures", str(tmp_path / "f")]
    )
    assert done.exit_code == 0
    assert {"axes.png", "snap.png", "path.png"} <= {file.name for file in (tmp_path / "f").iterdir()}
    wrong = CliRunner().invoke(main, ["report", str(marsh.DYKE), "-o", str(tmp_path / "report.docx")])
    assert (wrong.exit_code, "expected .html" in wrong.output) == (1, True)


def test_numbers_are_short() -> None:
    assert [digits(value) for value in (0.0, 1e-14, 0.012345678, float("inf"), float("nan"))] == [
        "0", "0", "0.01235", "never", "-",
    ]  # fmt: skip


@pytest.mark.skipif(not CHROMIUM, reason="Chromium is not installed")
def test_a_browser_shows_it_offline_without_a_complaint(tmp_path: Path) -> None:
    out = tmp_path / "report.html"
    write_report(mt.load_profile(marsh.FINGERS), {"fingers": mt.read_take(marsh.FINGERS_TAKE)}, out)
    quiet = [
        "--headless",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-background-networking",
        "--no-first-run",
    ]
    command = [
        str(CHROMIUM),
        *quiet,
        f"--user-data-dir={tmp_path / 'chromium'}",
        "--dump-dom",
        f"file://{out}",
    ]
    done = subprocess.run(command, capture_output=True, text=True, timeout=120, check=True)
    assert "What each control does" in done.stdout
    assert "CONSOLE" not in done.stderr
    picture = tmp_path / "report.pdf"
    subprocess.run(
        [*command[:-2], f"--print-to-pdf={picture}", f"file://{out}"],
        capture_output=True,
        timeout=120,
        check=True,
    )
    assert picture.read_bytes().startswith(b"%PDF")

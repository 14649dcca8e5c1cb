"""The docs say what the library does: their tables are made from its own."""

from __future__ import annotations

import os
import re
import subprocess
import sys
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
sys.path.insert(0, str(ROOT / "docs"))

import render  # noqa: E402

import mellow_thumb as mt  # noqa: E402


@pytest.mark.parametrize("page", render.PAGES)
def test_the_tables_of_the_docs_are_up_to_date(page: str) -> None:
    assert (ROOT / "docs" / page).read_text(encoding="utf-8") == render.rendered(page), (
        "run: python docs/render.py"
    )
    assert "None" not in render.rendered(page)


def test_the_readme_has_two_set_up_commands_and_the_build_runs_the_second() -> None:
    readme = (ROOT / "README.md").read_text(encoding="utf-8")
    commands = re.findall(r"```sh\n(.*?)\n```", readme, re.DOTALL)
    assert len(commands) == 2
    assert commands[0].endswith("mellow-thumb demo")
    assert commands[1] in (ROOT / ".ci" / "run").read_text(encoding="utf-8").splitlines()


def test_every_picture_is_there_and_linked_and_every_link_leads_somewhere() -> None:
    readme = (ROOT / "README.md").read_text(encoding="utf-8")
    links = set(re.findall(r"\]\((?!http)([^)#]+)\)", readme))
    assert [link for link in links if not (ROOT / link).exists()] == []
    pictures = {f"docs/screenshots/{path.name}" for path in (ROOT / "docs" / "screenshots").glob("*.png")}
    assert pictures <= links
    assert len(pictures) < 20


def test_every_file_that_contributing_names_is_there() -> None:
    text = (ROOT / "CONTRIBUTING.md").read_text(encoding="utf-8")
    named = set(re.findall(r"`([\w/]+/[\w.]+\.(?:py|js|md|toml))`", text))
    named |= {f"{one}.py" for one in re.findall(r"`([\w/]*test_\w+)`", text)}
    roots = [ROOT, ROOT / "tests", ROOT / "src" / "mellow_thumb"]
    assert len(named) > 50
    assert [one for one in sorted(named) if not any((root / one).exists() for root in roots)] == []


def headings(page: Path) -> set[str]:
    """What a page's headings are linked by: in lower case, words joined by hyphens, without other signs."""
    found = re.findall(r"^#+ (.*)$", page.read_text(encoding="utf-8"), re.MULTILINE)
    return {re.sub(r"[^\w\- ]", "", heading.lower()).replace(" ", "-") for heading in found}


@pytest.mark.parametrize(
    "page", [ROOT / "README.md", *(ROOT / "docs").rglob("*.md")], ids=lambda page: page.name
)
def test_every_link_into_a_page_meets_a_heading(page: Path) -> None:
    links = re.findall(r"\]\((?!http)([^)#]*)#([^)]+)\)", page.read_text(encoding="utf-8"))
    there = {(file, part) for file, part in links if part in headings(page.parent / file if file else page)}
    assert set(links) - there == set()


def test_the_profile_in_the_readme_is_the_one_of_the_demo() -> None:
    import tomllib

    readme = (ROOT / "README.md").read_text(encoding="utf-8")
    (snippet,) = re.findall(r"```toml\n(.*?)```", readme, re.DOTALL)
    shipped = (ROOT / "src" / "mellow_thumb" / "marsh" / "field_glasses.toml").read_text(encoding="utf-8")
    assert tomllib.loads(snippet) == tomllib.loads(shipped)


def test_the_site_is_built_without_a_warning_and_names_everything_public(tmp_path: Path) -> None:
    command = [sys.executable, "-m", "mkdocs", "build", "--strict", "--quiet", "--site-dir", str(tmp_path)]
    environment = {**os.environ, "NO_MKDOCS_2_WARNING": "1"}
    built = subprocess.run(command, cwd=ROOT, capture_output=True, text=True, check=False, env=environment)
    assert (built.returncode, built.stderr) == (0, "")
    api = (tmp_path / "api.html").read_text(encoding="utf-8")
    anchors = set(re.findall(r'id="mellow_thumb\.[\w.]+?\.(\w+)"', api))
    assert set(mt.__all__) - anchors == set()
    assert ":class:" not in api
    pages = {path.name for path in (ROOT / "docs").rglob("*.md")}
    assert pages == set(re.findall(r"(\w+\.md)", (ROOT / "mkdocs.yml").read_text(encoding="utf-8")))

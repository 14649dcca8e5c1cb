"""The shape of the code: what may import what, what importing costs, how large a module may be."""

from __future__ import annotations

import ast
import inspect
import re
import subprocess
import sys
from graphlib import CycleError, TopologicalSorter
from importlib import import_module
from pathlib import Path
from pkgutil import resolve_name
from types import ModuleType
from typing import NamedTuple

import pytest

import mellow_thumb

SOURCE = Path(mellow_thumb.__file__).parent

RANKS: tuple[tuple[str, ...], ...] = (
    ("formulas", "basics", "expressions"),
    ("plan",),
    ("weaving",),
    ("engines",),
    ("session",),
    ("devices", "profiles"),
    ("takes",),
    ("stand_ins", "marsh"),
    ("insight",),
    ("page",),
    ("commands",),
)
"""The folders by rank. An import goes to a lower rank, or inside a rank to a folder named before."""
ORDER = {name: place for place, name in enumerate(name for rank in RANKS for name in rank)}

CORE = frozenset(["formulas", "basics", "expressions", "plan", "weaving", "engines", "session"])
"""Folders that import nothing but the standard library at their top."""

MODULES = sorted(path for path in SOURCE.rglob("*.py"))


class Import(NamedTuple):
    """One name that a module imports from the package."""

    module: str
    """The module that it is taken from; ``""`` is the package itself."""
    name: str
    """The name that is taken."""
    line: int
    top: bool
    """Whether that happens as the module is imported."""
    typed: bool
    """Whether only a type checker sees it."""


def module_name(path: Path, source: Path = SOURCE) -> str:
    return ".".join(part for part in path.relative_to(source).with_suffix("").parts if part != "__init__")


def outside(path: Path) -> list[tuple[str, int]]:
    """The packages that a module imports at its top, apart from this one."""
    found = []
    for node in ast.parse(path.read_text(encoding="utf-8")).body:
        if isinstance(node, ast.Import):
            found += [(alias.name.partition(".")[0], node.lineno) for alias in node.names]
        elif isinstance(node, ast.ImportFrom) and not node.level:
            found.append(((node.module or "").partition(".")[0], node.lineno))
    return found


def inside(path: Path, source: Path = SOURCE) -> list[Import]:
    """What a module imports from the package, at its top and inside its functions."""
    tree = ast.parse(path.read_text(encoding="utf-8"))
    package = path.relative_to(source).parts[:-1]
    typed = {
        node
        for test in ast.walk(tree)
        if isinstance(test, ast.If) and ast.unparse(test.test) == "TYPE_CHECKING"
        for node in ast.walk(test)
    }
    found = []
    for node in ast.walk(tree):
        if isinstance(node, ast.ImportFrom) and node.level:
            stem = [*package[: len(package) - node.level + 1], *([node.module] if node.module else [])]
            for alias in node.names:
                where = ".".join(stem)
                found.append(Import(where, alias.name, node.lineno, node in tree.body, node in typed))
    return found


def is_folder(module: str, source: Path) -> bool:
    return (source / module.replace(".", "/") / "__init__.py").exists()


def wrong_arrows(source: Path) -> list[str]:
    """Imports that go up the house, or past a folder's front, with file and line."""
    found = []
    for path in sorted(source.rglob("*.py")):
        here = module_name(path, source)
        folder = ".".join(path.relative_to(source).parts[:-1])
        if not folder:
            continue
        top = folder.partition(".")[0]
        for one in inside(path, source):
            place = f"{path.relative_to(source)}:{one.line}"
            to = one.module or (one.name if is_folder(one.name, source) else "")
            if not to:
                continue
            target = to.partition(".")[0]
            if target != top and ORDER[target] > ORDER[top]:
                found.append(f"{place}: {here} takes {one.name} from {target}, which stands above {top}")
            home = to if is_folder(to, source) else to.rpartition(".")[0]
            if to != home and not f"{folder}.".startswith(f"{home}."):
                found.append(f"{place}: {here} reaches past the front of {home}; take {one.name} from {home}")
            elif to == home and not f"{folder}.".startswith(f"{home}."):
                front = ast.parse(
                    (source / home.replace(".", "/") / "__init__.py").read_text(encoding="utf-8")
                )
                if one.module and one.name not in offered(front):
                    found.append(f"{place}: the front of {home} does not offer {one.name}")
    return found


def offered(front: ast.Module) -> set[str]:
    """The names in a front's ``__all__``."""
    for node in front.body:
        if isinstance(node, ast.Assign) and ast.unparse(node.targets[0]) == "__all__":
            return set(ast.literal_eval(node.value))
    return set()


def homes(source: Path) -> dict[tuple[str, str], str]:
    """For a folder and a name in its front, the module that the name comes from."""
    found = {}
    for path in source.rglob("__init__.py"):
        folder = module_name(path, source)
        for one in inside(path, source):
            module = f"{one.module}.{one.name}" if one.module == folder else one.module
            found[folder, one.name] = module
    return found


def circles(source: Path) -> list[str]:
    """Modules that import each other, by way of whatever other modules."""
    fronts = homes(source)
    graph: dict[str, set[str]] = {}
    for path in source.rglob("*.py"):
        here = module_name(path, source)
        if path.name == "__init__.py":
            continue
        for one in inside(path, source):
            to, name = one.module, one.name
            while (to, name) in fronts and is_folder(to, source):
                to = fronts[to, name]
            if is_folder(to, source) and (source / to.replace(".", "/") / f"{name}.py").exists():
                to = f"{to}.{name}"
            if not one.typed and to and to != here:
                graph.setdefault(here, set()).add(to)
    try:
        return list(TopologicalSorter(graph).static_order())[:0]
    except CycleError as error:
        return [" -> ".join(error.args[1])]


def test_imports_go_down_the_house_and_stop_at_each_front() -> None:
    assert wrong_arrows(SOURCE) == []


def test_no_modules_import_each_other() -> None:
    assert circles(SOURCE) == []


def test_nothing_lies_beside_the_folders() -> None:
    folders = {path.name for path in SOURCE.iterdir() if (path / "__init__.py").exists()}
    assert folders <= set(ORDER)
    assert {path.name for path in SOURCE.iterdir() if path.is_file()} == {"__init__.py", "py.typed"}


def test_wrong_arrows_and_circles_are_told_with_file_and_line(tmp_path: Path) -> None:
    for name, text in {
        "plan/__init__.py": '"""Front."""\nfrom .axes import Axis\n__all__ = ["Axis"]\n',
        "plan/axes.py": "from ..session import Session\n",
        "session/__init__.py": '"""Front."""\nfrom .clock import Clock\n__all__ = ["Clock"]\n',
        "session/clock.py": "from .loop import Loop\n",
        "session/loop.py": "\nfrom ..plan.axes import Axis\nfrom ..plan import Tide\nfrom .clock import Clock\n",
    }.items():
        (tmp_path / name).parent.mkdir(exist_ok=True)
        (tmp_path / name).write_text(text, encoding="utf-8")
    assert wrong_arrows(tmp_path) == [
        "plan/axes.py:1: plan.axes takes Session from session, which stands above plan",
        "plan/axes.py:1: the front of session does not offer Session",
        "session/loop.py:2: session.loop reaches past the front of plan; take Axis from plan",
        "session/loop.py:3: the front of plan does not offer Tide",
    ]
    (circle,) = circles(tmp_path)
    assert set(circle.split(" -> ")) == {"session.clock", "session.loop"}


@pytest.mark.parametrize(
    "path", [p for p in MODULES if module_name(p).partition(".")[0] in CORE], ids=module_name
)
def test_the_core_imports_the_standard_library_alone_at_its_top(path: Path) -> None:
    for name, line in outside(path):
        assert name in sys.stdlib_module_names, f"{path}:{line}: {name} at the top"


@pytest.mark.parametrize("path", sorted(SOURCE.rglob("__init__.py")), ids=module_name)
def test_a_front_says_what_its_folder_is_and_offers_what_it_takes(path: Path) -> None:
    front = ast.parse(path.read_text(encoding="utf-8"))
    assert ast.get_docstring(front)
    if path.parent != SOURCE:
        taken = {one.name for one in inside(path) if one.module == module_name(path) or not one.top}
        module = import_module(f"mellow_thumb.{module_name(path)}")
        assert taken - {"lazy_front"} <= offered(front)
        for name in offered(front):  # also where that is brought in at its first use
            assert hasattr(module, name), name
            there = (path.with_name(f"{name}.py").exists(), (path.parent / name).is_dir())
            assert isinstance(getattr(module, name), ModuleType) or not any(there), (
                f"{name} is a module as well"
            )


def loaded_by(code: str) -> set[str]:
    """The modules that a fresh interpreter has loaded after running code."""
    script = f"{code}\nimport sys\nprint(*sorted(sys.modules))"
    output = subprocess.run([sys.executable, "-c", script], capture_output=True, text=True, check=True).stdout
    return set(output.split())


HEAVY = {"numpy", "scipy", "pandas", "pydantic", "matplotlib", "click", "tree_sitter"}


def test_importing_the_package_loads_next_to_nothing() -> None:
    extra = loaded_by("import mellow_thumb") - loaded_by("pass")
    assert {name for name in extra if not name.startswith("importlib")} <= {
        "mellow_thumb",
        "warnings",
        "_warnings",
    }


def test_the_live_loop_needs_the_standard_library_alone() -> None:
    extra = loaded_by("import mellow_thumb.session, mellow_thumb.takes") - loaded_by("pass")
    roots = {name.partition(".")[0] for name in extra}
    assert roots - set(sys.stdlib_module_names) == {"mellow_thumb"}


def test_a_profile_at_work_loads_no_tables_and_no_plots() -> None:
    code = (
        "import mellow_thumb as mt, mellow_thumb.marsh as m\nmt.load_profile(m.PROFILE).session().tick(0.01)"
    )
    assert loaded_by(code) & HEAVY == {"pydantic", "tree_sitter"}


def test_the_public_names_are_exactly_these_and_all_are_there() -> None:
    assert set(dir(mellow_thumb)) == {*mellow_thumb.__all__, "__version__"}
    for name in mellow_thumb.__all__:
        assert inspect.getdoc(getattr(mellow_thumb, name)), f"{name} has no docstring"
    with pytest.raises(AttributeError, match="tide"):
        _ = mellow_thumb.tide
    tree = ast.parse((SOURCE / "__init__.py").read_text(encoding="utf-8"))
    (hidden,) = (
        n for n in ast.walk(tree) if isinstance(n, ast.If) and ast.unparse(n.test) == "TYPE_CHECKING"
    )
    typed = {alias.name for n in ast.walk(hidden) if isinstance(n, ast.ImportFrom) for alias in n.names}
    assert typed == set(mellow_thumb.__all__)


NAMES = re.compile(r"\bmellow_thumb(?:\.[a-zA-Z_]\w*)+")
"""A name of the package as it is written anywhere: in code, in a script inside a string, in a page."""
WRITTEN = ("src", "tests", "benchmarks", "docs", "examples")


def stale_names(path: Path) -> list[str]:
    """Names that a file writes of the package, and that the package does not have."""
    found = []
    for number, line in enumerate(path.read_text(encoding="utf-8").splitlines(), 1):
        for name in NAMES.findall(line):
            try:
                resolve_name(name)
            except (ImportError, AttributeError):
                found.append(f"{path}:{number}: {name}")
    return found


def test_every_name_that_is_written_anywhere_is_there() -> None:
    root, kinds = SOURCE.parents[1], (".py", ".md", ".ipynb")
    files = [path for folder in WRITTEN for path in (root / folder).rglob("*") if path.suffix in kinds]
    # This file writes names that are not there, on purpose.
    files = sorted({*files, *root.glob("*.md")} - {Path(__file__)})
    assert [one for path in files for one in stale_names(path)] == []


def test_a_stale_name_is_found_in_a_script_inside_a_string(tmp_path: Path) -> None:
    script = tmp_path / "script.py"
    script.write_text(
        'RUN = """\nfrom mellow_thumb.signals import Signal\nimport mellow_thumb.plan.signals\n"""\n'
    )
    assert stale_names(script) == [f"{script}:2: mellow_thumb.signals"]


@pytest.mark.parametrize("path", MODULES, ids=module_name)
def test_modules_are_small_and_every_public_name_is_documented(path: Path) -> None:
    text = path.read_text(encoding="utf-8")
    assert text.count("\n") <= 600
    tree = ast.parse(text)
    assert ast.get_docstring(tree), "no docstring"
    parents = {child: node for node in ast.walk(tree) for child in ast.iter_child_nodes(node)}
    for node in ast.walk(tree):
        if isinstance(node, ast.FunctionDef | ast.ClassDef):
            doc = ast.get_docstring(node)
            length = (node.end_lineno or 0) - node.lineno + 1 - (doc or "").count("\n")
            assert isinstance(node, ast.ClassDef) or length <= 60, f"{node.name} is {length} lines"
            parent = parents[node]
            hidden = (
                node.name.startswith("_")
                or getattr(parent, "name", "").startswith("_")
                or isinstance(parent, ast.FunctionDef)
            )
            assert doc or hidden, f"{node.name} has no docstring"


def test_every_module_can_be_imported() -> None:
    for path in MODULES:
        import_module(f"mellow_thumb.{module_name(path)}".removesuffix("."))

"""The shape of the code: what may import what, what importing costs, how large a room may be."""

from __future__ import annotations

import ast
import inspect
import subprocess
import sys
from graphlib import TopologicalSorter
from importlib import import_module
from pathlib import Path

import pytest

import mellow_thumb

SOURCE = Path(mellow_thumb.__file__).parent

LAYERS = [
    {"errors", "units", "formulas", "hands"},
    {"signals", "wheels", "files"},
    {"weave", "labels"},
    {"c_writer"},
    {"curves", "smoothings"},
    {"gates", "axes", "shape"},
    {"derived", "cues", "gate_checks", "touches"},
    {"routes", "movement"},
    {"mounts"},
    {"orbits", "plane_mounts", "headsets"},
    {"kinds"},
    {"mounted"},
    {"plan", "take", "pools"},
    {"switches", "flows"},
    {"walking", "taking_over", "panning"},
    {"room"},
    {"weaver", "making"},
    {"chains", "conditioning"},
    {"events"},
    {"posing"},
    {"program"},
    {"attitude"},
    {"contacts", "motion"},
    {"anatomy", "replay_table", "doors", "view", "basis"},
    {"fused_text", "cache_folder"},
    {"fused"},
    {"clock", "inbox", "frame", "shakes"},
    {"walker", "listening"},
    {"intake", "saving", "c_text"},
    {"host_words"},
    {"take_items", "steering"},
    {"loops", "frame_times", "host_samples"},
    {"host_answers"},
    {"viewing"},
    {"session", "batch"},
    {
        "toml_files",
        "take_files",
        "form_parts",
        "form_mounts",
        "form_offers",
        "offers",
        "sheets",
        "rebinding",
        "form_switching",
        "form_touches",
        "profile_form",
        "profile_faults",
        "profile_axes",
        "profile_touches",
        "profile_mounts",
        "profile_routes",
        "profile_switching",
        "profile_check",
        "profile",
        "xr_door",
        "browser_door",
        "browser_files",
        "parquet_files",
        "linux_keys",
        "linux_device",
        "linux_door",
        "evemu_files",
        "stand_ins",
        "marsh",
    },
    {"account", "response", "exporting", "gltf_files", "linux_nodes", "schemas", "starter"},
    {"linux_live", "bench", "plain_words", "fit_values"},
    {"recording", "controls", "fits"},
    {"telling", "fitting", "findings", "comparing", "route_feel"},
    {"checks_axes", "checks_switching", "feeling"},
    {"checking", "sweeping"},
    {"figures"},
    {"figures_response", "figures_path", "figures_fingers"},
    {"figures_devices"},
    {"figures_insight", "reporting"},
    {"command_group"},
    {"command_insight", "command_record"},
    {"command_line"},
]
"""From left to right: nothing knows of anything to its right."""
LAYER = {name: place for place, names in enumerate(LAYERS) for name in names}

CORE = {name for layer in LAYERS[: LAYERS.index({"session", "batch"}) + 1] for name in layer}
"""What imports nothing but the standard library at its top."""

MODULES = sorted(path for path in SOURCE.rglob("*.py"))


def module_name(path: Path) -> str:
    return ".".join(part for part in path.relative_to(SOURCE).with_suffix("").parts if part != "__init__")


def imports(path: Path) -> list[tuple[str, bool]]:
    """What a module imports, also inside its functions: the name in full, and whether at its top."""
    tree = ast.parse(path.read_text(encoding="utf-8"))
    package = ["mellow_thumb", *path.relative_to(SOURCE).parts[:-1]]
    for_types = {
        n
        for i in ast.walk(tree)
        if isinstance(i, ast.If) and ast.unparse(i.test) == "TYPE_CHECKING"
        for n in ast.walk(i)
    }
    found = []
    for node in ast.walk(tree):
        top = node in tree.body
        if node in for_types:
            continue
        if isinstance(node, ast.Import):
            found += [(alias.name, top) for alias in node.names]
        elif isinstance(node, ast.ImportFrom):
            base = package[: len(package) - node.level + 1] if node.level else []
            stem = ".".join([*base, *([node.module] if node.module else [])])
            found += [(f"{stem}.{alias.name}" if not node.module else stem, top) for alias in node.names]
    return found


def room(name: str) -> str:
    """The part of the order that a module belongs to."""
    return name.removeprefix("mellow_thumb").removeprefix(".").partition(".")[0]


@pytest.mark.parametrize("path", MODULES, ids=module_name)
def test_nothing_knows_of_anything_to_its_right(path: Path) -> None:
    here = room(module_name(path))
    if not here:
        return
    for name, _ in imports(path):
        if name.startswith("mellow_thumb.") and room(name) in LAYER:
            assert LAYER[room(name)] <= LAYER[here], f"{here} imports {name}, which stands to its right"


def test_every_module_has_its_place_and_there_are_no_cycles() -> None:
    assert {room(module_name(path)) for path in MODULES} - {""} == set(LAYER)
    graph = {
        room(module_name(path)): {room(n) for n, _ in imports(path) if n.startswith("mellow_thumb.")} - {room(module_name(path)), "__version__"}
        for path in MODULES
    }  # fmt: skip
    assert list(TopologicalSorter(graph).static_order())


@pytest.mark.parametrize("path", [p for p in MODULES if room(module_name(p)) in CORE], ids=module_name)
def test_the_core_imports_the_standard_library_alone_at_its_top(path: Path) -> None:
    for name, top in imports(path):
        root = name.partition(".")[0]
        assert not top or root in sys.stdlib_module_names | {"mellow_thumb"}, f"{name} at the top"


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
    extra = loaded_by("import mellow_thumb.session, mellow_thumb.batch") - loaded_by("pass")
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


@pytest.mark.parametrize("path", MODULES, ids=module_name)
def test_rooms_are_small_and_every_public_name_is_documented(path: Path) -> None:
    text = path.read_text(encoding="utf-8")
    assert text.count("\n") <= 400
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


def test_most_rooms_are_smaller_still() -> None:
    lengths = sorted(path.read_text(encoding="utf-8").count("\n") for path in MODULES)
    assert lengths[len(lengths) * 3 // 4] <= 200


def test_every_module_can_be_imported() -> None:
    for path in MODULES:
        import_module(f"mellow_thumb.{module_name(path)}".removesuffix("."))

"""Dials: every number and choice of a profile as a control, from the profile's JSON Schema."""

from __future__ import annotations

from dataclasses import asdict, dataclass
from functools import cache
from re import search
from typing import TYPE_CHECKING, Any

from ..basics import UnitError, parse_quantity
from ..insight import response_of
from ..profiles import profile_schema

if TYPE_CHECKING:
    from collections.abc import Iterator, Mapping

    from ..basics import Path
    from ..profiles import Profile

SKIPPED = ("format", "title", "mount", "allow", "offers", "was", "invert")
"""Keys that hold nothing to turn, or are shown in another way."""
POINTS = 61
"""Of a curve that is drawn."""
VIEWS = (20.0, 120.0)
POWERS = (0.2, 5.0)
MOST_CHOICES = 12
"""What has more, such as every signal there is, is for an editor."""
WIDER = 8.0
"""A sensitivity, a speed or a length goes from so many times less to so many times more than the file's."""


@dataclass(frozen=True)
class Dial:
    """One value of a profile as a control."""

    path: Path
    group: str
    """The table it stands in, such as ``routes.look``."""
    label: str
    kind: str
    """``number``, ``quantity`` (a number with its unit), ``switch``, ``choice``, ``ways`` (inverted?)."""
    value: Any
    """As the file has it; of ``ways`` whether the axis is inverted."""
    number: float = 0.0
    unit: str = ""
    low: float = 0.0
    high: float = 1.0
    log: bool = False
    """Whether its slider goes by factors."""
    choices: tuple[str, ...] = ()
    says: str = ""
    """What it does, in the schema's words."""
    stated: bool = True
    """Whether the file says it; else this is what holds without."""

    def as_dict(self) -> dict[str, Any]:
        """The same as plain data."""
        return asdict(self)


def dials(profile: Profile) -> list[Dial]:
    """A profile's values, in the order of the profile; what the file leaves out comes last in its table."""
    schema = _schema()
    found = list(_walk(profile.data, schema, (), ""))
    for route in profile.routes:
        inverted = profile.data["routes"][route.name].get("invert", ())
        ours = inverted if isinstance(inverted, list | tuple) else (inverted,)
        ways = [
            Dial(
                ("routes", route.name, "invert", axis), f"routes.{route.name}", f"invert {axis}", "ways",
                axis in ours, stated=axis in ours, says=f"{axis} goes the other way",
            )
            for axis in route.drives
            if route.effect != "pin"
        ]  # fmt: skip
        last = max((k for k, one in enumerate(found) if one.group == f"routes.{route.name}"), default=-1)
        found[last + 1 : last + 1] = ways
    return found


def curves(profile: Profile, name: str = "") -> dict[str, list[float]]:
    """The response of each route with a shape, or of a named one: effects from 0 to 1."""
    return {
        route.name: [round(one, 4) for one in response_of(route, POINTS).effect]
        for route in profile.routes
        if route.source.signal.held
        and (route.shape.dead_zone or route.shape.curve)
        and name in ("", route.name)
    }


@cache
def _schema() -> dict[str, Any]:
    return profile_schema()


def _walk(table: Mapping[str, Any], node: Mapping[str, Any], path: Path, group: str) -> Iterator[Dial]:
    """The dials of a table: what it has, in its order, then what it leaves out."""
    for key, value in table.items():
        if key in SKIPPED:
            continue
        inner = _inner(node, key, value)
        where = group or key
        if isinstance(value, dict):
            named = len(path) == 0 and "additionalProperties" in inner and not inner.get("properties")
            for name, one in value.items() if named else ():
                if isinstance(one, dict):
                    yield from _walk(one, _inner(inner, name, one), (key, name), f"{key}.{name}")
            if not named:
                yield from _walk(value, inner, (*path, key), where)
        elif isinstance(value, list):
            yield from _listed(value, inner, (*path, key), where)
        else:
            yield from _leaf(value, inner, (*path, key), where, stated=True)
    for key, inner in node.get("properties", {}).items():
        if (path or key == "cursor") and key not in table and key not in SKIPPED and "default" in inner:
            yield from _leaf(
                _as_written(inner),
                _plain(inner, None),
                (*path, key),
                group or str((*path, key)[0]),
                stated=False,
            )


def _listed(values: list[Any], node: Mapping[str, Any], path: Path, group: str) -> Iterator[Dial]:
    """The dials of a list: points, corners, an offset."""
    inner = {"description": node.get("description", ""), **node.get("items", {})}
    for k, value in enumerate(values):
        if isinstance(value, list):
            yield from _listed(value, _plain(inner, value), (*path, k), group)
        elif not isinstance(value, dict):
            yield from _leaf(value, _plain(inner, value), (*path, k), group, stated=True)


def _leaf(value: Any, node: Mapping[str, Any], path: Path, group: str, *, stated: bool) -> Iterator[Dial]:
    """The dial of a value, if it can have one."""
    label = _label(path, group)
    says = node.get("description", "")
    rest: dict[str, Any] = {"says": says, "stated": stated}
    if isinstance(value, bool):
        yield Dial(path, group, label, "switch", value, **rest)
    elif isinstance(value, str) and 1 < len(node.get("enum", ())) <= MOST_CHOICES:
        yield Dial(path, group, label, "choice", value, choices=tuple(node["enum"]), **rest)
    elif isinstance(value, str) and "pattern" in node:
        try:
            quantity = parse_quantity(value, "")
        except UnitError:
            return
        span = _span(path, node, quantity.value, quantity.unit)
        yield Dial(path, group, label, "quantity", value, quantity.value, quantity.unit, *span, **rest)
    elif isinstance(value, int | float):
        span = _span(path, node, float(value), "")
        yield Dial(path, group, label, "number", value, float(value), "", *span, **rest)


def _label(path: Path, group: str) -> str:
    """What a dial is called inside its group."""
    words = [str(one + 1) if isinstance(one, int) else one.replace("_", " ") for one in path]
    return " ".join(words[len(group.split(".")) :] or words[-1:])


def _span(path: Path, node: Mapping[str, Any], number: float, unit: str) -> tuple[float, float, bool]:
    """The range of a slider, and whether it is logarithmic."""
    low, high = node.get("minimum", node.get("exclusiveMinimum")), node.get("maximum")
    if low is not None and high is not None and high <= 1000.0:
        return float(low), float(high), False
    name = next(one for one in reversed(path) if isinstance(one, str))
    if name == "power":
        return (*POWERS, True)
    if name == "field_of_view":
        return (*VIEWS, False)
    if "sensitivity" in path and number:
        small, large = sorted((number / WIDER, number * WIDER))
        return small, large, True
    if name == "rest" and unit == "":
        return -0.5, 0.5, False
    if unit == "" and abs(number) <= 1.0:
        return (-1.0 if number < 0.0 else 0.0), 1.0, False
    if unit == "deg":
        reach = 90.0 if "pitch" in path else 180.0
        return -reach, reach, False
    if unit in ("s", "ms"):
        return 0.0, max(1.0 if unit == "s" else 500.0, 4.0 * number), False
    most = max(2.0 * abs(number), 2.0)
    if isinstance(path[-1], int) or number < 0.0:
        return -most, most, False
    return (number / WIDER, number * WIDER, True) if number else (0.0, most, False)


# ---- the schema


def _inner(node: Mapping[str, Any], key: str, value: Any) -> Mapping[str, Any]:
    """The schema of a key of a table."""
    found = node.get("properties", {}).get(key)
    if found is None:
        rest = node.get("additionalProperties")
        found = rest if isinstance(rest, dict) else {}
    return {"description": node.get("description", ""), **_plain(found, value)}


def _plain(node: Mapping[str, Any], value: Any) -> Mapping[str, Any]:
    """A part of the schema, its reference followed, and of several alternatives the one that a value fits."""
    if "$ref" in node:
        name = node["$ref"].rpartition("/")[2]
        own = {k: v for k, v in node.items() if k != "$ref"}
        return _plain({**_schema()["$defs"][name], **own}, value)
    if "anyOf" not in node:
        return node
    own = {k: v for k, v in node.items() if k != "anyOf"}
    options = [_plain(one, value) for one in node["anyOf"]]
    return next(({**one, **own} for one in options if _is_of(value, one)), own)


KINDS: dict[str, Any] = {
    "string": str, "number": int | float, "integer": int, "boolean": bool, "array": list, "object": dict,
}  # fmt: skip
"""What the schema calls the kinds of values."""


def _is_of(value: Any, node: Mapping[str, Any]) -> bool:
    """Whether a value fits a part of the schema."""
    kinds = {
        "string": str,
        "number": int | float,
        "integer": int,
        "boolean": bool,
        "array": list,
        "object": dict,
    }
    kind = node.get("type")
    if kind is None:
        return value in node.get("enum", ())
    if not isinstance(value, kinds[kind]):
        return False
    const = node.get("properties", {}).get("kind", {}).get("const")
    if const is not None and isinstance(value, dict):
        return bool(value.get("kind") == const)
    pattern = node.get("pattern")
    return pattern is None or search(pattern, str(value)) is not None


def _as_written(node: Mapping[str, Any]) -> Any:
    """A default as a file would write it: with its unit, if it has one."""
    value = node["default"]
    if "pattern" in node and isinstance(value, int | float):
        unit = str(node.get("unit", "")).partition(",")[0]
        return f"{value:g} {unit}"
    return value

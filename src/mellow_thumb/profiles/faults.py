"""What is wrong in a profile's data, collected; and pydantic's errors in our words."""

from __future__ import annotations

from contextlib import contextmanager
from typing import TYPE_CHECKING, Any, NamedTuple

from pydantic import ValidationError

from ..basics import PlanError, Problem, SignalError, UnitError, convert, listed, nearest
from ..plan import DEVICES, addresses, find_signal, near_signal
from .forms import Form, inner_form, keys, lenient, shown

if TYPE_CHECKING:
    from collections.abc import Iterable, Iterator

    from pydantic_core import ErrorDetails

    from ..basics import Path, Quantity
    from ..plan import Address


MOST_OF_ONE = 200
"""After so many problems a table is told no more, and signals are not looked up."""
MOST_NAMED = 25
"""So many signals of a device are named where one is not found."""


class Fault(NamedTuple):
    """One thing that is wrong, and the path to it."""

    path: Path
    found: str
    expected: str = ""
    hint: str = ""

    def problem(self, file: str, line: int = 0) -> Problem:
        """The same as a problem of a file."""
        return Problem(file, line, ".".join(map(str, self.path)), self.found, self.expected, self.hint)


class Faults:
    """Collects faults, so that one does not hide another."""

    def __init__(self) -> None:
        self.found: list[Fault] = []

    def note(self, path: Iterable[str | int], found: str, expected: str = "", hint: str = "") -> None:
        """Note one fault."""
        fault = Fault(tuple(path), found, expected, hint)
        if fault not in self.found:  # what several mounts have of one table is wrong once
            self.found.append(fault)

    def wrong(self, path: Path, *keys: str) -> bool:
        """Whether something is already wrong at a path, or at one of some keys of the table there."""
        ours = [(*path, key) for key in keys] or [path]
        return any(fault.path[: len(one)] == one for fault in self.found for one in ours)

    def note_missing(
        self, path: Path, keys: Iterable[str], found: str, expected: str, hint: str = ""
    ) -> None:
        """Note that a table lacks something, unless it is there but wrong: one fault is reported once."""
        if not self.wrong(path, *keys):
            self.note(path, found, expected, hint)

    def note_words(self, path: Iterable[str | int], error: Exception) -> None:
        """Note an error whose words are ``found ...; expected ...``."""
        words = str(error)
        if not words.startswith("found ") and "; expected " not in words:
            self.note(path, "", words)
            return
        found, _, expected = words.removeprefix("found ").partition("; expected ")
        self.note(path, found, expected)

    def note_error(self, path: Path, error: PlanError | UnitError) -> None:
        """Note an error at a path; the error knows the keys inside."""
        _, colon, rest = str(error).partition(": found ")
        self.note_words((*path, *error.path), ValueError(f"found {rest}") if colon else error)

    @contextmanager
    def catching(self, path: Path) -> Iterator[None]:
        """Note what units, signals and plans raise inside."""
        try:
            yield
        except (PlanError, UnitError) as error:
            self.note_error(path, error)

    def form(self, form: type[Form], data: object, path: Path) -> Any:
        """Read a table by its form: what is right in it, with faults noted; None if it is not a table."""
        try:
            return form.model_validate(data)
        except ValidationError as error:
            details = error.errors(include_url=False)
        faults = [
            _translated(form, detail, path, _raw(data, detail["loc"])) for detail in details[:MOST_OF_ONE]
        ]
        self.found += _joined(faults)
        wrong = {detail["loc"][0] for detail in details if detail["loc"]}
        if not isinstance(data, dict):
            return None
        return lenient(form).model_validate({key: value for key, value in data.items() if key not in wrong})

    def signal(
        self, path: Path, address: str, kinds: tuple[str, ...] = (), made: Iterable[str] = ()
    ) -> Address | None:
        """Look up a signal; with `kinds` the suggestion is one of those kinds, or a derived signal."""
        if len(self.found) >= MOST_OF_ONE:
            return None  # it is refused already, and looking for near words takes its time
        try:
            return find_signal(address)
        except SignalError:
            known = addresses(*kinds)
            near = near_signal(address, [*made, *known])
            wanted = "a signal, or a name in [signals]"
            self.note(path, f'"{address}"', wanted, near or _on_device(address, known))
            return None

    def measure(self, path: Path, quantity: Quantity | None, unit: str, default: float) -> float:
        """A quantity as a number of `unit`."""
        if quantity is None:
            return default
        if unit and not quantity.unit:
            example = f'"{quantity.value:g} {unit}"'
            self.note(path, f"{quantity.value:g}", f"a number and its unit in quotes, such as {example}")
            return default
        try:
            return convert(quantity, unit)
        except UnitError as error:
            self.note_words(path, error)
            return default


_NOUNS = {
    "string_type": "text in quotes",
    "dict_type": "a table",
    "float_type": "a number",
    "float_parsing": "a number",
    "finite_number": "a finite number",
    "bool_type": "true or false",
}


def _on_device(address: str, known: Iterable[str]) -> str:
    """The signals of the device that an address names, if not too many; else the devices."""
    device = address.partition(".")[0]
    names = dict.fromkeys(one.split(".")[1] for one in known if one.startswith(f"{device}."))
    if not names:
        return f"; a signal begins with its device: {listed(f'{one}.' for one in DEVICES)}"
    return f"; {device} has {listed(names, 'and')}" if len(names) <= MOST_NAMED else ""


def _joined(faults: list[Fault]) -> list[Fault]:
    """The same, with everything that one table lacks as one fault."""
    groups: dict[object, list[Fault]] = {}
    for k, fault in enumerate(faults):
        groups.setdefault(fault.path if fault.found.startswith("no ") else k, []).append(fault)
    return [some[0] if len(some) == 1 else _all_lacking(some) for some in groups.values()]


def _all_lacking(some: list[Fault]) -> Fault:
    names = listed(one.found.removeprefix("no ") for one in some)
    return Fault(some[0].path, f"no {names}", ", ".join(one.expected for one in some))


def _such_as(name: str, form: type[Form], value: object) -> str:
    """The line to type if a value stands in place of its table."""
    every, some = keys(form), lenient(form)
    key = next((key for key in every if _takes(some, {key: value})), "")
    needed = [one for one, field in every.items() if field.is_required() and one != key]
    if not key and not needed:
        return ""
    lines = [f"{key} = {shown(value)}"] if key else []
    lines += [f"{one} = {(every[one].examples or ['...'])[0]}" for one in needed]
    return f", such as {name} = {{ {', '.join(lines)} }}"


def _takes(form: type[Form], data: object) -> bool:
    try:
        form.model_validate(data)
    except ValidationError:
        return False
    return True


def _raw(data: object, path: Path) -> object:
    """The file's value at a path, before any conversion."""
    for part in path:
        data = data[part] if isinstance(data, dict) and part in data else data
    return data


def _translated(form: type[Form], detail: ErrorDetails, path: Path, raw: object) -> Fault:
    """A pydantic error as a fault."""
    inner = tuple(detail["loc"])
    kind, context = detail["type"], detail.get("ctx", {})
    where = (*path, *inner)
    if kind == "missing":
        examples = keys(inner_form(form, inner[:-1]))[str(inner[-1])].examples or ["..."]
        return Fault(path + inner[:-1], f"no {inner[-1]}", f"{inner[-1]} = {examples[0]}")
    if kind == "extra_forbidden":
        known = list(keys(inner_form(form, inner[:-1])))
        return Fault(where, "an unknown key", listed(known), nearest(str(inner[-1]), known))
    if kind == "literal_error":
        wanted = str(context.get("expected", "")).replace("'", '"')
        words = [word.strip('" ') for word in wanted.replace(" or ", ",").split(",")]
        return Fault(where, shown(raw), wanted, nearest(str(raw), words))
    if kind == "model_type":
        such = _such_as(str(inner[-1]), inner_form(form, inner), raw) if inner else ""
        return Fault(where, shown(raw), f"a table{such}")
    if kind == "value_error":
        found, _, expected = str(context["error"]).partition("; expected ")
        return Fault(where, found.removeprefix("found "), expected)
    if kind in ("greater_than", "greater_than_equal", "less_than", "less_than_equal"):
        return Fault(where, shown(raw), detail["msg"].removeprefix("Input should be "))
    return Fault(where, shown(raw), _NOUNS.get(kind, detail["msg"].lower()))

"""What is wrong in a profile's data, collected; and pydantic's complaints in our words."""

from __future__ import annotations

from contextlib import contextmanager
from typing import TYPE_CHECKING, Any, NamedTuple

from pydantic import ValidationError

from ..basics import PlanError, Problem, SignalError, UnitError, convert, listed, nearest
from ..plan import addresses, find_signal, near_signal
from .forms import Form, inner_form, keys, lenient, shown

if TYPE_CHECKING:
    from collections.abc import Iterable, Iterator

    from pydantic_core import ErrorDetails

    from ..basics import Path, Quantity
    from ..plan import Address


MOST_OF_ONE = 200
"""After so many problems a table is told no more, and signals are not looked up."""


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
        self.found.append(Fault(tuple(path), found, expected, hint))

    def note_words(self, path: Iterable[str | int], error: Exception) -> None:
        """Note an error whose words are ``found ...; expected ...``."""
        found, _, expected = str(error).removeprefix("found ").partition("; expected ")
        self.note(path, found, expected)

    def note_error(self, path: Path, error: PlanError | UnitError) -> None:
        """Note an error of what stands at a path; the error knows what of that it is about."""
        _, colon, rest = str(error).partition(": found ")
        self.note_words((*path, *error.path), ValueError(rest) if colon else error)

    @contextmanager
    def catching(self, path: Path) -> Iterator[None]:
        """Note what is raised inside of units, signals and plans."""
        try:
            yield
        except (PlanError, UnitError) as error:
            self.note_error(path, error)

    def form(self, form: type[Form], data: object, path: Path) -> Any:
        """A table by its form; with the faults noted, what is right in it; nothing where it is no table."""
        try:
            return form.model_validate(data)
        except ValidationError as error:
            details = error.errors(include_url=False)
        self.found += [
            _translated(form, detail, path, _raw(data, detail["loc"])) for detail in details[:MOST_OF_ONE]
        ]
        wrong = {detail["loc"][0] for detail in details if detail["loc"]}
        if not isinstance(data, dict):
            return None
        return lenient(form).model_validate({key: value for key, value in data.items() if key not in wrong})

    def signal(
        self, path: Path, address: str, kind: str | None = None, made: Iterable[str] = ()
    ) -> Address | None:
        """Look up a signal; for one of a kind the nearest word is of that kind, or one that was made."""
        if len(self.found) >= MOST_OF_ONE:
            return None  # it is refused already, and looking for near words takes its time
        try:
            return find_signal(address)
        except SignalError:
            known, wanted = [*made, *addresses(kind)], "a signal of the catalogue or of [signals]"
            self.note(path, f'"{address}"', wanted, near_signal(address, known))
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
    "model_type": "a table",
    "dict_type": "a table",
    "float_type": "a number",
    "float_parsing": "a number",
    "finite_number": "a finite number",
    "bool_type": "true or false",
}


def _raw(data: object, path: Path) -> object:
    """What the file has at a path, before any conversion."""
    for part in path:
        data = data[part] if isinstance(data, dict) and part in data else data
    return data


def _translated(form: type[Form], detail: ErrorDetails, path: Path, raw: object) -> Fault:
    """A complaint of pydantic's as a fault."""
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
    if kind == "value_error":
        found, _, expected = str(context["error"]).partition("; expected ")
        return Fault(where, found.removeprefix("found "), expected)
    if kind in ("greater_than", "greater_than_equal", "less_than", "less_than_equal"):
        return Fault(where, shown(raw), detail["msg"].removeprefix("Input should be "))
    return Fault(where, shown(raw), _NOUNS.get(kind, detail["msg"].lower()))

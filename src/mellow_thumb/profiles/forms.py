"""Forms: how the tables of a profile are checked; what each key takes, its unit and default.

pydantic applies them; the documentation of profiles is made from them.
"""

from __future__ import annotations

from functools import cache
from re import escape
from typing import TYPE_CHECKING, Annotated, Any, get_args

from pydantic import BaseModel, BeforeValidator, ConfigDict, Field, WithJsonSchema, create_model

from ..basics import PlanError, Quantity, UnitError, convert, files_write, listed, parse_quantity
from ..plan import Condition, Several, When

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator


NUMBER_TEXT = r"^\s*[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?\s*"
"""How a quantity in quotes begins, for editors."""


MANY_SECONDS = 10.0
"""A time without a unit that is so much or more was meant in milliseconds."""


UNCLEAR = "?"
"""The unit of an axis whose own is wrong: nothing else is said of what goes by it."""


def shown(value: object) -> str:
    """A value as written in the file, shortened."""
    quoted = f'"{value}"' if isinstance(value, str) else repr(value)
    text = quoted.lower() if isinstance(value, bool) else quoted
    return text if len(text) <= 60 else f"{text[:57]}..."


def quantity(value: object, example: str = "deg/count") -> Quantity:
    """A number and its unit, in quotes."""
    if not isinstance(value, str):
        number = f"{value} " if isinstance(value, int | float) and not isinstance(value, bool) else "0.05 "
        wanted = f'a number and its unit in quotes, such as "{number}{example}"'
        raise ValueError(f"found {shown(value)}; expected {wanted}")
    return parse_quantity(value, example)


def text_in(*units: str) -> dict[str, Any]:
    """A quantity in a file, as JSON Schema; in any unit if none is given."""
    ends = "|".join(map(escape, units)) if units else r"\S.*"
    return {"type": "string", "pattern": f"{NUMBER_TEXT}({ends})\\s*$"}


def list_of(item: dict[str, Any], least: int = 1, most: int | None = None) -> dict[str, Any]:
    """A list in a file, as JSON Schema."""
    return {"type": "array", "items": item, "minItems": least} | ({"maxItems": most} if most else {})


def _likely(value: object, unit: str) -> str:
    """The likely unit of a number without one: nobody smooths for half a minute."""
    try:
        number = float(value) if isinstance(value, int | float | str) else 0.0
    except ValueError:
        return unit
    return "ms" if unit == "s" and abs(number) >= MANY_SECONDS else unit


def _in(unit: str) -> tuple[BeforeValidator, WithJsonSchema]:
    def check(value: object) -> float:
        try:
            return convert(quantity(value, _likely(value, unit)), unit)
        except UnitError as error:
            raise ValueError(str(error)) from None

    return BeforeValidator(check), WithJsonSchema(text_in(*files_write(unit)))


def _measure(value: object) -> Quantity:
    """A quantity in the axis's unit, or without one if the axis has none."""
    if isinstance(value, int | float) and not isinstance(value, bool):
        return Quantity(float(value), "")
    return quantity(value, "deg")


def _speed(value: object) -> Quantity:
    """A speed in the signal's unit a second, or a plain share for a held value."""
    return _measure(value) if not isinstance(value, str) else quantity(value, "count/s")


def _edge(value: object) -> Quantity:
    """A share of travel, or an angle."""
    return _measure(value) if not isinstance(value, str) else quantity(value, "deg")


def _one_or_more(value: object) -> tuple[str, ...]:
    """A name, or a list of names, each once."""
    names = [value] if isinstance(value, str) else value
    if not isinstance(names, list) or not names or not all(isinstance(name, str) for name in names):
        raise ValueError(f"found {shown(value)}; expected a name in quotes, or a list of them")
    if len(set(names)) < len(names):
        raise ValueError(f"found {shown(value)}; expected each name once")
    return tuple(names)


def _bare(value: object) -> Quantity:
    """A quantity, or a number without a unit: the unit it needs is known once its signal and axis are."""
    if isinstance(value, int | float) and not isinstance(value, bool):
        return Quantity(float(value), "")
    return quantity(value) if not isinstance(value, str) else parse_quantity(value, "")


def _sensitivity(value: object) -> Quantity | dict[str, Quantity]:
    """A quantity, or a table of one for each axis."""
    if isinstance(value, dict):
        if not value:
            example = '{ yaw = "0.05 deg/count" }'
            raise ValueError(f"found {{}}; expected a quantity for each axis, such as {example}")
        return {axis: _bare(one) for axis, one in value.items()}
    return _bare(value)


def _when(value: object) -> When:
    """A gate, a list that must all hold, or a table of all or any."""
    if isinstance(value, str) and value.strip():
        return Condition.parse(value)
    if isinstance(value, dict) and len(value) == 1 and set(value) <= {"all", "any"}:
        ((key, inner),) = value.items()
        return _several(inner, every=key == "all")
    if isinstance(value, list):
        return _several(value, every=True)
    wanted = 'a gate in quotes, "NAME" or "not NAME", a list of them, or { any = [...] }'
    raise ValueError(f"found {shown(value)}; expected {wanted}")


def _several(value: object, *, every: bool) -> When:
    if not isinstance(value, list) or not value:
        raise ValueError(f"found {shown(value)}; expected a list of gates")
    parts = tuple(_when(one) for one in value)
    try:
        return parts[0] if len(parts) == 1 else Several(parts, every)
    except PlanError as error:
        raise ValueError(str(error)) from None


def _closing(value: object) -> tuple[str, float]:
    """What happens to an effect when its gate closes, and the seconds it takes."""
    if value in ("stop", "settle"):
        return str(value), 0.0
    if isinstance(value, dict) and set(value) == {"return"}:
        try:
            return "return", convert(quantity(value["return"], "ms"), "s")
        except UnitError as error:
            raise ValueError(str(error)) from None
    raise ValueError(f'found {shown(value)}; expected "stop", "settle" or {{ return = "250 ms" }}')


def _numbers(value: object) -> list[float] | None:
    """A list of finite numbers as floats, or None."""
    if not isinstance(value, list) or not all(type(one) in (int, float) for one in value):
        return None
    return [float(one) for one in value] if all(abs(one) < 1e300 for one in value) else None


def _rest(value: object) -> tuple[float, ...]:
    """Where a device rests: a share of travel, or two."""
    numbers = _numbers(value if isinstance(value, list) else [value])
    if not numbers or len(numbers) > 2 or not all(-0.9 <= one <= 0.9 for one in numbers):
        raise ValueError(f"found {shown(value)}; expected a number from -0.9 to 0.9, or [x, y]")
    return tuple(numbers)


def _pitch_factors(value: object) -> tuple[tuple[float, float], ...]:
    """Points of a pitch and a factor."""
    found = []
    for point in value if isinstance(value, list) else []:
        if not isinstance(point, list) or len(point) != 2 or type(point[1]) not in (int, float):
            break
        try:
            found.append((convert(quantity(point[0], "deg"), "deg"), float(point[1])))
        except UnitError as error:
            raise ValueError(str(error)) from None
    if not isinstance(value, list) or len(found) < max(len(value), 2):
        wanted = 'points of a pitch and a factor, such as [["-60 deg", 1.5], ["40 deg", 0.6]]'
        raise ValueError(f"found {shown(value)}; expected {wanted}")
    return tuple(found)


def _offset(value: object) -> tuple[float, ...]:
    """Three lengths: right, up, back."""
    if not isinstance(value, list) or len(value) != 3:
        raise ValueError(f'found {shown(value)}; expected three lengths, such as ["0.4 m", "1.6 m", "0 m"]')
    try:
        return tuple(convert(quantity(one, "m"), "m") for one in value)
    except UnitError as error:
        raise ValueError(str(error)) from None


def _returns(value: object) -> tuple[float, float]:
    """A return: after how long, and with what half-life."""
    if not isinstance(value, dict) or set(value) != {"after", "half_life"}:
        raise ValueError(f'found {shown(value)}; expected {{ after = "2 s", half_life = "600 ms" }}')
    try:
        after, half_life = (convert(quantity(value[key], "s"), "s") for key in ("after", "half_life"))
    except UnitError as error:
        raise ValueError(str(error)) from None
    return after, half_life


def _corners(value: object) -> tuple[tuple[float, ...], ...]:
    """Corners of an area: pairs of lengths."""
    pairs = (
        [point for point in value if isinstance(point, list) and len(point) == 2]
        if isinstance(value, list)
        else []
    )
    if not pairs or not isinstance(value, list) or len(pairs) < len(value):
        raise ValueError(
            f'found {shown(value)}; expected corners, such as [["-20 m", "0 m"], ["20 m", "0 m"], …]'
        )
    try:
        return tuple(tuple(convert(quantity(one, "m"), "m") for one in pair) for pair in pairs)
    except UnitError as error:
        raise ValueError(str(error)) from None


def _points(value: object) -> tuple[tuple[float, float], ...]:
    """The points of a curve: pairs of travel and effect."""
    found = [_numbers(point) for point in value] if isinstance(value, list) else []
    pairs = [(point[0], point[1]) for point in found if point and len(point) == 2]
    if not pairs or len(pairs) < len(found):
        raise ValueError(f"found {shown(value)}; expected points [travel, effect], such as [[0.5, 0.2]]")
    return tuple(pairs)


def _face(value: object) -> dict[str, str]:
    """Where a character faces: one way, or a table of ways by gate."""
    ways = {"otherwise": value} if isinstance(value, str) else value
    if not isinstance(ways, dict) or not all(isinstance(way, str) for way in ways.values()):
        raise ValueError(f'found {shown(value)}; expected "travel", "view", "free", or a table by gate')
    return dict(ways)


NUMBER = {"type": "number"}


TEXT = {"type": "string", "minLength": 1}


POINT = list_of(NUMBER, 2, 2)


WHEN = {"anyOf": [TEXT, {"type": "array"}, {"type": "object"}]}
"""A condition, for editors; lists and tables of conditions may hold each other."""


def _read(check: Callable[[Any], Any], *looks: dict[str, Any]) -> tuple[BeforeValidator, WithJsonSchema]:
    """How a value is read, and its JSON Schema in a file: one of several."""
    return BeforeValidator(check), WithJsonSchema(looks[0] if len(looks) == 1 else {"anyOf": list(looks)})


_LENGTH = text_in("m", "cm")


def _table_of(*keys: str) -> dict[str, Any]:
    """A table of times, all of them needed."""
    times = {key: text_in("s", "ms") for key in keys}
    return {"type": "object", "properties": times, "required": list(keys), "additionalProperties": False}


Names = Annotated[tuple[str, ...], *_read(_one_or_more, TEXT, list_of(TEXT) | {"uniqueItems": True})]


Conditions = Annotated[Condition | Several, *_read(_when, WHEN)]


Closing = Annotated[tuple[str, float], *_read(_closing, {"enum": ["stop", "settle"]}, _table_of("return"))]


Sensitivity = Annotated[
    Quantity | dict[str, Quantity],
    *_read(
        _sensitivity, text_in(), {"type": "object", "additionalProperties": text_in(), "minProperties": 1}
    ),
]


Face = Annotated[
    dict[str, str], *_read(_face, TEXT, {"type": "object", "additionalProperties": {"type": "string"}})
]


Rest = Annotated[tuple[float, ...], *_read(_rest, NUMBER, list_of(NUMBER, 1, 2))]


PitchFactors = Annotated[
    tuple[tuple[float, float], ...], *_read(_pitch_factors, list_of({"type": "array"}, 2))
]


Offset = Annotated[tuple[float, ...], *_read(_offset, list_of(_LENGTH, 3, 3))]


Returns = Annotated[tuple[float, float], *_read(_returns, _table_of("after", "half_life"))]


Corners = Annotated[tuple[tuple[float, ...], ...], *_read(_corners, list_of(list_of(_LENGTH, 2, 2)))]


PointList = Annotated[tuple[tuple[float, float], ...], *_read(_points, list_of(POINT))]


Seconds = Annotated[float, *_in("s")]


Metres = Annotated[float, *_in("m")]


Degrees = Annotated[float, *_in("deg")]


def _margin(value: object) -> tuple[Quantity, ...]:
    """The depth of an edge zone: on every side, or left, right, down and up."""
    sides = ("left", "right", "down", "up")
    table = value if isinstance(value, dict) else dict.fromkeys(sides, value)
    wrong = [key for key in table if key not in sides]
    if wrong or not table:
        raise ValueError(f"found {shown(wrong[0] if wrong else value)}; expected {listed(sides)}")
    found = {side: quantity(one, "screen") for side, one in table.items()}
    for one in found.values():
        if one.unit not in ("screen", "px", "cm"):
            raise ValueError(f'found "{one}"; expected screen, px or cm')
    return tuple(found.get(side, Quantity(0.0, "screen")) for side in sides)


_DEPTH = text_in("screen", "px", "cm")
_SIDES = {"properties": dict.fromkeys(("left", "right", "down", "up"), _DEPTH)}
Margin = Annotated[
    tuple[Quantity, ...],
    BeforeValidator(_margin),
    WithJsonSchema({"anyOf": [_DEPTH, {"type": "object", "additionalProperties": False} | _SIDES]}),
]


DegreesASecond = Annotated[float, *_in("deg/s")]


MetresASecond = Annotated[float, *_in("m/s")]


MetresASecondSquared = Annotated[float, *_in("m/s2")]


Hertz = Annotated[float, *_in("Hz")]


Measure = Annotated[Quantity, *_read(_measure, NUMBER, text_in())]


Distance = Annotated[Quantity, *_read(quantity, text_in())]


Edge = Annotated[Quantity, *_read(_edge, NUMBER, text_in())]


Speed = Annotated[Quantity, *_read(_speed, NUMBER, text_in())]


Number = Annotated[float, Field(allow_inf_nan=False)]


def in_unit(unit: str) -> dict[str, Any]:
    """What the documentation says about a key's unit."""
    return {"unit": unit}


WAS = "its earlier names, which players' sheets may still use"
"""What the key `was` of a route, a gate, a cue or a signal says."""


class Form(BaseModel):
    """A table of a profile: strict, so unknown keys are errors."""

    model_config = ConfigDict(extra="forbid", strict=True, frozen=True)


@cache
def lenient(form: type[Form]) -> type[Form]:
    """The same form with every key optional: for the rest of a table that is partly wrong."""
    fields: dict[str, Any] = {
        name: (Annotated[field.annotation, "", *field.metadata] | None, Field(None, alias=field.alias))
        for name, field in form.model_fields.items()
    }
    return create_model(f"Lenient{form.__name__}", __base__=Form, **fields)


def keys(form: type[Form]) -> dict[str, Any]:
    """The keys of a table as written, with their fields."""
    return {field.alias or name: field for name, field in form.model_fields.items()}


def inner_form(form: type[Form], path: tuple[str | int, ...]) -> type[Form]:
    """The form of a table inside a table, by the keys and names that lead to it."""
    for part in path:
        field = keys(form).get(str(part))  # nothing for a name that the profile gives
        inner = [one for one in _types(field.annotation) if one is not form] if field else []
        form = inner[0] if inner else form
    return form


def _types(annotation: Any) -> Iterator[type[Form]]:
    """The forms in an annotation, such as an optional table or tables by name."""
    if isinstance(annotation, type) and issubclass(annotation, Form):
        yield annotation
    for part in get_args(annotation):
        yield from _types(part)

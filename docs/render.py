"""Write the tables of the docs from the library's own: `python docs/render.py` after changing an option."""

from __future__ import annotations

from pathlib import Path

from pydantic import BaseModel

from mellow_thumb.basics.units import AXIS_UNITS, PAN, fitting
from mellow_thumb.insight.feeling import MEASURES
from mellow_thumb.insight.findings import CODES
from mellow_thumb.plan.axes import KNOWN
from mellow_thumb.plan.signals import CATALOGUE, KINDS
from mellow_thumb.profiles.axes import AxisForm
from mellow_thumb.profiles.forms import keys
from mellow_thumb.profiles.mounts import MountForm
from mellow_thumb.profiles.whole import TABLES

FOLDER = Path(__file__).parent


def profile_tables() -> str:
    """Every table of a profile: each key with its unit, default and meaning."""
    parts = []
    for place, form in TABLES.items():
        title = f"`[{place}]`" if place else "At the top"
        parts.append(
            f"### {title}\n\n{form.__doc__}\n\n| key | unit | default | what it is |\n|---|---|---|---|"
        )
        told = keys(form.__base__) if form.__base__ in (MountForm, AxisForm) else {}
        for name, field in keys(form).items():
            if name in told and name != "kind":
                continue
            extra = field.json_schema_extra
            unit = extra["unit"] if isinstance(extra, dict) else "-"
            default = "needed" if field.is_required() else _default(field.default)
            parts[-1] += f"\n| `{name}` | {unit} | {default} | {field.description} |"
    return "\n\n".join(parts)


def _default(value: object) -> str:
    if value in (None, (), {}, "") or isinstance(value, BaseModel):
        return "none"
    return f"{value:g}" if isinstance(value, float) else f"`{value}`"


def signal_table() -> str:
    """The catalogue of signals."""
    rows = [f"- **{kind}**: {words}" for kind, words in KINDS.items()]
    rows += [
        "",
        "| signal | kind | unit | range of one event | positive | source |",
        "|---|---|---|---|---|---|",
    ]
    keys = [signal for signal in CATALOGUE.values() if signal.name.startswith("key.")]
    for signal in [signal for signal in CATALOGUE.values() if signal not in keys]:
        name = f"`{signal.name}`" + (" (`.x`, `.y`)" if signal.pair else "")
        unit, between = signal.unit or "-", f"{signal.low:,g} to {signal.high:,g}"
        rows.append(f"| {name} | {signal.kind} | {unit} | {between} | {signal.positive} | {signal.source} |")
    codes = ", ".join(f"`{signal.name}`" for signal in keys)
    rows += ["", f"Keys, each a switch, by their place on the keyboard ({keys[0].source}): {codes}."]
    return "\n".join(rows)


def unit_table() -> str:
    """Every unit of sensitivity, by what the signal is and what the axis is measured in."""
    signals = [
        ("a mouse's movement", "displacement", "count"),
        ("a pointer's movement", "displacement", "px"),
        ("a wheel", "displacement", "notch"),
        ("a stick, a trigger", "deflection", ""),
        ("a button, a key", "switch", ""),
        ("presses", "displacement", "press"),
        ("fingers that drag", "displacement", "screen"),
        ("fingers that twist", "displacement", "deg"),
        ("fingers that spread", "ratio", "x"),
        ("a device that turns", "rate", "deg"),
        ("a device that is tilted", "angle", "deg"),
    ]
    columns = {
        "deg": "an axis in deg",
        "m": "an axis in m",
        PAN: "a pan",
        "x": "a factor",
        "": "a plain axis",
    }
    assert set(AXIS_UNITS) <= set(columns)
    rows = [" | ".join(["| signal", *columns.values()]) + " |", "|---|---|---|---|---|---|"]
    for words, kind, per in signals:
        cells = [", ".join(f"`{one}`" for one in fitting(kind, per, unit)) for unit in columns]
        rows.append(" | ".join(["| " + words, *cells]) + " |")
    return "\n".join(rows)


def axis_table() -> str:
    """The axes that the library knows by name."""
    rows = ["| axis | unit | positive |", "|---|---|---|"]
    rows += [f"| `{name}` | {unit} | {what} |" for name, (unit, what) in KNOWN.items()]
    return "\n".join(rows)


def code_table() -> str:
    """Every finding there is."""
    rows = ["| code | what is found |", "|---|---|"]
    return "\n".join(rows + [f"| `{code}` | {words} |" for code, words in CODES.items()])


def measure_table() -> str:
    """Every number of how it feels, with what it is."""
    rows = ["| measure | what it is |", "|---|---|"]
    return "\n".join(rows + [f"| {name} | {words} |" for name, words in MEASURES.items()])


PAGES = {
    "profile.md": {"axes": axis_table, "tables": profile_tables, "units": unit_table},
    "signals.md": {"signals": signal_table},
    "questions.md": {"codes": code_table, "measures": measure_table},
}


def rendered(page: str) -> str:
    """A page with its tables made anew."""
    text = (FOLDER / page).read_text(encoding="utf-8")
    for name, make in PAGES[page].items():
        before, begin, rest = text.partition(f"<!-- {name} -->")
        _, end, after = rest.partition(f"<!-- end of {name} -->")
        text = f"{before}{begin}\n\n{make()}\n\n{end}{after}"
    return text


if __name__ == "__main__":
    for name in PAGES:
        (FOLDER / name).write_text(rendered(name), encoding="utf-8")

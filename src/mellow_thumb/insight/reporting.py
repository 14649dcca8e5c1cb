"""Reporting: one HTML file with everything about a profile; it opens offline, and prints."""

from __future__ import annotations

from base64 import b64encode
from io import BytesIO
from math import inf
from pathlib import Path
from typing import TYPE_CHECKING, Any

from ..basics import listed, replacing
from ..plan import FAMILIES
from ..takes import replay
from .account import account_of
from .checking import check
from .feeling import MEASURES, feel
from .figures import axes_over_time, device_figures, route_figures
from .telling import tell

if TYPE_CHECKING:
    import os
    from collections.abc import Callable, Mapping

    from matplotlib.figure import Figure

    from ..profiles import Profile
    from ..takes import Take
    from .trials import Trial


def figures_of(profile: Profile, takes: Mapping[str, Take]) -> dict[str, Figure]:
    """Every figure of a profile and its takes, by name; with several takes, named after each."""
    drawn: dict[str, Figure] = dict(route_figures(profile, next(iter(takes.values()), None)))
    for name, take in takes.items():
        table = replay(profile, take)
        found = {"axes": axes_over_time(profile, table), **device_figures(profile, take)}
        if profile.movement:
            from .figures import path_from_above

            found["path"] = path_from_above(profile, table)
        drawn |= {f"{name}_{what}" if len(takes) > 1 else what: figure for what, figure in found.items()}
    return drawn


def write_report(
    profile: Profile,
    takes: Mapping[str, Take],
    path: str | os.PathLike[str],
    *,
    progress: Callable[[float], None] = lambda _: None,
) -> None:
    """Write what a profile does, what may be wrong with it and how it feels, with figures, as one HTML file.

    `takes` are recordings by name; `progress` is called with the share done. The file is replaced
    whole or not at all; raises :class:`OutputError` when it cannot be written.
    """
    from jinja2 import Environment, PackageLoader, StrictUndefined

    first = next(iter(takes.values()), None)
    told = tell(profile)
    controls = {
        FAMILIES[family]: [
            one.text().replace(" -> ", " \N{RIGHTWARDS ARROW} ")
            for one in told.controls
            if family in one.devices
        ]
        for family in FAMILIES
    }
    controls |= {"the character": list(told.walks), "the camera": list(told.returns)}
    findings = check(profile, first)
    numbers = feel(profile, first, progress=lambda done: progress(0.5 * done))
    accounts = [
        {"name": name, "account": account_of(profile, replay(profile, take), take).text()}
        for name, take in takes.items()
    ]
    drawn = figures_of(profile, takes)
    pictures = []
    for k, (name, figure) in enumerate(drawn.items(), 1):
        pictures.append({"name": name.replace("_", " "), "data": _inline(figure)})
        progress(0.5 + 0.5 * k / len(drawn))
    environment = Environment(
        loader=PackageLoader("mellow_thumb.insight", ""),
        autoescape=True,
        undefined=StrictUndefined,
        trim_blocks=True,
    )
    text = environment.get_template("report.html.j2").render(
        title=profile.title or "A profile",
        about=", ".join(
            (Path(profile.file).name, _counted(len(profile.routes), "route"), _counted(len(takes), "take"))
        ),
        controls={device: lines for device, lines in controls.items() if lines},
        switched={
            "gates (open when)": told.gates,
            "mounts (active when)": told.mounts,
            "cues": told.cues,
        },
        findings=findings,
        numbers=[_row(key, row) for key, row in zip(numbers.index, numbers.to_numpy().tolist(), strict=True)],
        measures={
            name: words for name, words in MEASURES.items() if name in numbers.index.get_level_values(1)
        },
        takes=accounts,
        figures=pictures,
    )
    with replacing(path) as fresh:
        fresh.write_text(text, encoding="utf-8")


def write_trial(trial: Trial, path: str | os.PathLike[str]) -> None:
    """Write what an open trial came to, with figures, as one HTML file; it is replaced whole or not at all.

    Raises :class:`ArgumentError` for a trial that is not open yet, and :class:`OutputError` for a file that
    cannot be written.
    """
    from jinja2 import Environment, PackageLoader, StrictUndefined

    from .figures import trial_figures
    from .trials import TRIAL_MEASURES, check_open, said_lines, tables

    check_open(trial)
    environment = Environment(
        loader=PackageLoader("mellow_thumb.insight", ""),
        autoescape=True,
        undefined=StrictUndefined,
        trim_blocks=True,
    )
    rounds = sum(len(trial.played(one)) for one in range(1, trial.people + 1))
    people = "one person" if trial.people == 1 else f"{trial.people} people"
    text = environment.get_template("trial.html.j2").render(
        title=f"A trial of {listed(trial.files, 'and')}",
        about=f"{people}, {_counted(rounds, 'round')}; nobody was told which setting was which",
        lines=said_lines(trial),
        measure=trial.measure[1],
        tables=[
            {
                "heads": cells[0],
                "rows": [{"cells": row, "words": TRIAL_MEASURES[row[1]].words} for row in cells[1:]],
            }
            for cells in tables(trial)
        ],
        figures=[{"name": name, "data": _inline(figure)} for name, figure in trial_figures(trial).items()],
    )
    with replacing(path) as fresh:
        fresh.write_text(text, encoding="utf-8")


def _counted(count: int, what: str) -> str:
    return f"{count} {what}" if count == 1 else f"{count} {what}s"


def digits(value: float) -> str:
    """A measured number: four digits; ``never`` for infinity, ``-`` for NaN."""
    if value != value:
        return "-"
    return "never" if abs(value) == inf else f"{0.0 if abs(value) < 1e-9 else value:.4g}"


def _row(key: Any, row: list[Any]) -> dict[str, str]:
    subject, measure = key
    return {
        "subject": subject, "measure": measure, "value": digits(row[1]), "unit": row[0],
        "words": MEASURES[measure],
    }  # fmt: skip


def _inline(figure: Figure) -> str:
    stream = BytesIO()
    figure.savefig(stream, format="png")
    return b64encode(stream.getvalue()).decode()

"""Fitting: what a take of resting and circling hands says of its devices: rest, noise, dead zone, travel."""

from __future__ import annotations

from dataclasses import asdict, dataclass
from typing import TYPE_CHECKING, Any

from .account import number
from .fits import STICKS, TRIGGERS, columns_of, gyroscope_fit, stick_fit, trigger_fit

if TYPE_CHECKING:
    from ..takes import Take
    from .fit_values import GyroFit, StickFit, TriggerFit


@dataclass(frozen=True)
class Fit:
    """All that was fitted."""

    sticks: tuple[StickFit, ...]
    triggers: tuple[TriggerFit, ...]
    gyroscope: GyroFit | None

    def as_dict(self) -> dict[str, Any]:
        """The same as plain data."""
        return asdict(self)

    def text(self) -> str:
        """The same as text, and a fragment of a profile to paste."""
        lines: list[str] = []
        for stick in self.sticks:
            lines += [stick.signal, f"  at rest   x {stick.rest_x.text()}, y {stick.rest_y.text()}"]
            lines += [f"  noise     {stick.noise.text()}, of {number(stick.rest_seconds)} s at rest"]
            outer = number(stick.outer) if stick.outer else "unknown: it was not run round its rim"
            lines += [f"  reaches   {outer}{f', a {stick.reach}' if stick.reach else ''}", ""]
        for trigger in self.triggers:
            lines += [trigger.signal, f"  at rest   {trigger.rest.text()}, noise {trigger.noise.text()}"]
            lines += [f"  reaches   {trigger.most.text()}", ""]
        if self.gyroscope and not self.gyroscope.rest_seconds:
            lines += ["motion.turn", "  at rest   unknown: it never lay still in this take", ""]
        elif self.gyroscope:
            words = ", ".join(
                f"{part} {one.text()}" for part, one in zip("xyz", self.gyroscope.bias, strict=True)
            )
            lines += ["motion.turn", f"  at rest   {words} deg/s, of {number(self.gyroscope.rest_seconds)} s"]
            lines += [f"  noise     {self.gyroscope.noise.text('deg/s/sqrt(Hz)')}", ""]
        if not lines:
            return "found no stick, trigger or gyroscope in this take"
        found: list[StickFit | TriggerFit] = [*self.sticks, *self.triggers]
        fragments = [text for one in found if "=" in (text := one.fragment())]
        if fragments:
            lines += ["to paste into routes:", "", "\n\n".join(fragments)]
        return "\n".join(lines).rstrip()


def fit(take: Take) -> Fit:
    """Estimate sticks, triggers and gyroscope from a take of resting and circling hands.

    Let go of everything for some seconds, then run each stick round its rim and press each trigger all the
    way. Values come with their standard errors.
    """
    columns = columns_of(take)
    sticks = [
        stick_fit(name, columns) for name in STICKS if f"{name}.x" in columns and f"{name}.y" in columns
    ]
    triggers = [trigger_fit(name, *columns[name]) for name in TRIGGERS if name in columns]
    turns = [f"motion.turn.{part}" for part in "xyz"]
    gyroscope = (
        gyroscope_fit(*(columns[name] for name in turns)) if all(name in columns for name in turns) else None
    )
    return Fit(tuple(sticks), tuple(triggers), gyroscope)

"""What a fit holds: numbers with their standard errors, for sticks, triggers and gyroscopes."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Estimate:
    """A number that was fitted, with its standard error; None where the take says nothing of it."""

    value: float | None
    error: float = 0.0

    def text(self, unit: str = "") -> str:
        """The same in words."""
        if self.value is None:
            return "unknown from this take"
        error = f" \N{PLUS-MINUS SIGN} {self.error:.2g}" if self.error else ""
        return f"{self.value:.4g}{error} {unit}".rstrip()


@dataclass(frozen=True)
class StickFit:
    """What a take says of a stick; all of it in shares of travel."""

    signal: str
    rest_x: Estimate
    rest_y: Estimate
    noise: Estimate
    """Standard deviation of each component at rest."""
    inner: float | None
    """A radial dead zone, from the rest, that the noise does not leave."""
    outer: float | None
    """The share of travel that it reaches in every direction."""
    reach: str
    """``disc``, or ``square`` for one whose corners reach (1, 1); empty where it was not run round."""
    rest_seconds: float

    def fragment(self) -> str:
        """Lines of a route's table, to paste."""
        lines = [f"# {self.signal}"]
        if self.rest_x.value is not None and self.rest_y.value is not None:
            lines.append(f"rest = [{self.rest_x.value:.4f}, {self.rest_y.value:.4f}]")
        if self.reach == "square":
            lines.append('reach = "square"')
        edges = [
            f"{name} = {value:.3f}" for name, value in (("inner", self.inner), ("outer", self.outer)) if value
        ]
        if edges:
            lines.append(f'dead_zone = {{ shape = "radial", {", ".join(edges)} }}')
        return "\n".join(lines)


@dataclass(frozen=True)
class TriggerFit:
    """What a take says of a trigger."""

    signal: str
    rest: Estimate
    noise: Estimate
    most: Estimate
    """How far in it goes."""
    inner: float | None
    outer: float | None

    def fragment(self) -> str:
        """Lines of a route's table, to paste."""
        edges = [
            f"{name} = {value:.3f}" for name, value in (("inner", self.inner), ("outer", self.outer)) if value
        ]
        return "\n".join([f"# {self.signal}", *([f"dead_zone = {{ {', '.join(edges)} }}"] if edges else [])])


@dataclass(frozen=True)
class GyroFit:
    """What a take says of a gyroscope: what it reads at rest, in deg/s, and its noise, deg/s/sqrt(Hz)."""

    bias: tuple[Estimate, Estimate, Estimate]
    noise: Estimate
    rest_seconds: float

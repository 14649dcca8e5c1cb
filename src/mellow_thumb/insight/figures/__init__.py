"""Figures: what was measured, drawn for reading."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...basics import lazy_front

if TYPE_CHECKING:
    from .comparisons import fitted, two_profiles
    from .devices import device_figures
    from .paths import path_from_above
    from .plots import SUFFIXES, axes_over_time, save_figure
    from .responses import route_figures
    from .trials import trial_figures

__all__ = [
    "SUFFIXES",
    "axes_over_time",
    "device_figures",
    "fitted",
    "path_from_above",
    "route_figures",
    "save_figure",
    "trial_figures",
    "two_profiles",
]

__getattr__ = lazy_front(
    __name__,
    {
        "comparisons": (
            "fitted",
            "two_profiles",
        ),
        "devices": ("device_figures",),
        "paths": ("path_from_above",),
        "plots": (
            "SUFFIXES",
            "axes_over_time",
            "save_figure",
        ),
        "responses": ("route_figures",),
        "trials": ("trial_figures",),
    },
)

"""Figures: what was measured, drawn for reading."""

from .comparisons import fitted, two_profiles
from .devices import device_figures
from .paths import path_from_above
from .plots import SUFFIXES, axes_over_time, save_figure
from .responses import route_figures

__all__ = [
    "SUFFIXES",
    "axes_over_time",
    "device_figures",
    "fitted",
    "path_from_above",
    "route_figures",
    "save_figure",
    "two_profiles",
]

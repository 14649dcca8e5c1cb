"""Insight: questions about how controls feel, answered."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import lazy_front

if TYPE_CHECKING:
    from .account import account_of
    from .checking import check
    from .comparing import compare
    from .controls import Control
    from .exporting import export_c
    from .feeling import feel
    from .findings import LEVELS, sarif
    from .fitting import fit
    from .gltf_files import write_gltf
    from .idle import Idle, idle_of
    from .reporting import digits, figures_of, write_report, write_trial
    from .response import response_of, shaped
    from .sweeping import sweep
    from .telling import Telling, tell
    from .trials import Trial, read_trial

__all__ = [
    "LEVELS",
    "Control",
    "Idle",
    "Telling",
    "Trial",
    "account_of",
    "check",
    "compare",
    "digits",
    "export_c",
    "feel",
    "figures_of",
    "fit",
    "idle_of",
    "read_trial",
    "response_of",
    "sarif",
    "shaped",
    "sweep",
    "tell",
    "write_gltf",
    "write_report",
    "write_trial",
]

__getattr__ = lazy_front(
    __name__,
    {
        "account": ("account_of",),
        "checking": ("check",),
        "comparing": ("compare",),
        "controls": ("Control",),
        "exporting": ("export_c",),
        "feeling": ("feel",),
        "findings": (
            "LEVELS",
            "sarif",
        ),
        "fitting": ("fit",),
        "gltf_files": ("write_gltf",),
        "idle": (
            "Idle",
            "idle_of",
        ),
        "reporting": (
            "digits",
            "figures_of",
            "write_report",
            "write_trial",
        ),
        "response": (
            "response_of",
            "shaped",
        ),
        "sweeping": ("sweep",),
        "telling": (
            "Telling",
            "tell",
        ),
        "trials": (
            "Trial",
            "read_trial",
        ),
    },
)

"""Insight: questions about how controls feel, answered."""

from .account import account_of
from .checking import check
from .comparing import compare
from .exporting import export_c
from .feeling import feel
from .findings import LEVELS, sarif
from .fitting import fit
from .gltf_files import write_gltf
from .reporting import digits, figures_of, write_report
from .sweeping import sweep
from .telling import tell

__all__ = [
    "LEVELS",
    "account_of",
    "check",
    "compare",
    "digits",
    "export_c",
    "feel",
    "figures_of",
    "fit",
    "sarif",
    "sweep",
    "tell",
    "write_gltf",
    "write_report",
]

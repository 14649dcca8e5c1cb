"""Basics: what everything may use: errors, quantities with units, files, TOML with places."""

from .copies import altered
from .errors import (
    MOST_PROBLEMS,
    ArgumentError,
    ConflictError,
    FileError,
    FormulaError,
    MellowThumbError,
    MissingError,
    OutputError,
    PlanError,
    Problem,
    ProfileError,
    SheetError,
    SignalError,
    TakeError,
    UnitError,
    listed,
    nearest,
)
from .files import made_folder, read_lines, read_text, reading, replacing
from .fronts import lazy_front
from .toml_files import Path, Places, parse
from .units import PAN, Effect, Quantity, convert, files_write, fitting, parse_quantity, read_sensitivity

__all__ = [
    "MOST_PROBLEMS",
    "PAN",
    "ArgumentError",
    "ConflictError",
    "Effect",
    "FileError",
    "FormulaError",
    "MellowThumbError",
    "MissingError",
    "OutputError",
    "Path",
    "Places",
    "PlanError",
    "Problem",
    "ProfileError",
    "Quantity",
    "SheetError",
    "SignalError",
    "TakeError",
    "UnitError",
    "altered",
    "convert",
    "files_write",
    "fitting",
    "lazy_front",
    "listed",
    "made_folder",
    "nearest",
    "parse",
    "parse_quantity",
    "read_lines",
    "read_sensitivity",
    "read_text",
    "reading",
    "replacing",
]

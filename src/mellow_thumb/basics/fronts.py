"""Fronts that import a module only when one of its names is first used."""

from __future__ import annotations

from importlib import import_module
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping


def lazy_front(package: str, offered: Mapping[str, tuple[str, ...]]) -> Callable[[str], object]:
    """The ``__getattr__`` of a folder's front, from the names that each of its modules exports.

    A folder that few programs need all of so costs what is used of it. No name may be that of a module in the
    folder: once that is imported, the folder has it under that name.
    """
    homes = {name: module for module, names in offered.items() for name in names}

    def get(name: str) -> object:
        if name not in homes:
            raise AttributeError(f"module {package!r} has no attribute {name!r}")
        return getattr(import_module(f"{package}.{homes[name]}"), name)

    return get

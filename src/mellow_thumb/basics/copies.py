"""Copies of what is frozen."""

from __future__ import annotations

from copy import copy
from typing import TypeVar

_Any = TypeVar("_Any")


def altered(one: _Any, **changes: object) -> _Any:
    """A copy of a frozen dataclass with some fields changed; nothing is checked or worked out again.

    ``dataclasses.replace`` does both: use that, unless the fields are known to be right.
    """
    made = copy(one)
    for name, value in changes.items():
        object.__setattr__(made, name, value)
    return made

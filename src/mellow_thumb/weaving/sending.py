"""Sending: a program as bytes, from the process that wove it to the one that runs it."""

from __future__ import annotations

import marshal
import pickle
from dataclasses import fields
from typing import TYPE_CHECKING

from .languages import code_of, function_of
from .program import Functions, Program, Source, no_pose

if TYPE_CHECKING:
    from collections.abc import Generator

    from ..plan import Plan
    from .parts import Setting

_MADE_ANEW = ("source", "functions", "pose")
"""What is not sent, since it is made again from the rest."""
_NO_PROGRAM = (
    AttributeError,
    EOFError,
    ImportError,
    LookupError,
    TypeError,
    ValueError,
    pickle.UnpicklingError,
)
"""What is raised for bytes of another kind, or of another version of the library."""


def sent(program: Program) -> bytes:
    """A program without numbers as bytes, its texts compiled: compiling holds the interpreter's lock."""
    said = {one.name: getattr(program, one.name) for one in fields(program) if one.name not in _MADE_ANEW}
    codes = [code_of(text) for text in (program.text, program.pose_text)]
    return marshal.dumps((pickle.dumps(said), codes))


def receive(data: bytes, plan: Plan, settings: tuple[Setting, ...]) -> Generator[None, None, Program]:
    """Load a program that was sent, for a plan of its shape; in small steps, to fit into frames.

    Only for bytes from our own process. Raises :class:`ValueError` for bytes that are not a program.
    """
    try:
        said, codes = marshal.loads(data)
        yield
        parts = pickle.loads(said)
        yield
        texts = parts["text"], parts["pose_text"]
        made = [function_of(*one) for one in zip(codes, texts, Functions._fields, strict=True)]
        return Program(**parts, source=Source(plan, settings), functions=Functions(*made), pose=no_pose)
    except _NO_PROGRAM as error:
        raise ValueError(f"found no program: {error}") from None

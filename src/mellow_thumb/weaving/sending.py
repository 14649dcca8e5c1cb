"""Sending: a program as bytes, from the process that wove it to the one that runs it."""

from __future__ import annotations

import marshal
import pickle
from dataclasses import fields
from typing import TYPE_CHECKING

from ..expressions import altered
from .languages import code_of, function_of
from .program import Functions, Program, Source, no_pose

if TYPE_CHECKING:
    from collections.abc import Generator

    from ..plan import Plan
    from .parts import Setting

_MADE_ANEW = ("source", "functions", "pose")
"""What is not sent, since it is made again from the rest."""
_NAMES = ("live", "posing")


def sent(program: Program) -> bytes:
    """A program without numbers as bytes, its texts compiled: that would hold the interpreter's lock."""
    said = {one.name: getattr(program, one.name) for one in fields(program) if one.name not in _MADE_ANEW}
    codes = [code_of(text) for text in _texts(program)]
    return marshal.dumps((pickle.dumps(said), codes))


def receive(data: bytes, plan: Plan, settings: tuple[Setting, ...]) -> Generator[None, None, Program]:
    """A program that was sent, for a plan of its shape; in small steps, for who has a frame to draw.

    Only for bytes of a process that we began. Raises :class:`ValueError` for bytes that are no program.
    """
    try:
        said, codes = marshal.loads(data)
        yield
        parts = pickle.loads(said)
        yield
        program = Program(**parts, source=Source(plan, settings), functions=NOTHING, pose=no_pose)
    except (EOFError, TypeError, ValueError, pickle.UnpicklingError) as error:
        raise ValueError(f"found no program: {error}") from None
    made = zip(codes, _texts(program), _NAMES, strict=True)
    return altered(program, functions=Functions(*[function_of(*one) for one in made]))


def received(data: bytes, plan: Plan, settings: tuple[Setting, ...]) -> Program:
    """The same at once."""
    steps = receive(data, plan, settings)
    while True:
        try:
            next(steps)
        except StopIteration as end:
            found: Program = end.value
            return found


def _texts(program: Program) -> tuple[str, str]:
    return program.text, program.pose_text


NOTHING = Functions(no_pose, no_pose)  # type: ignore[arg-type]
"""Stands for the functions of a program that is not there yet."""

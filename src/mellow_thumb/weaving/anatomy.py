"""The parts of a woven program as syntax trees, for those who write it anew: compiled, or in C."""

from __future__ import annotations

import ast
from dataclasses import dataclass
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from .program import Program


@dataclass(frozen=True)
class Anatomy:
    """A program's statements, fresh trees that may be changed at will."""

    stale: ast.If
    """What an item does to a frame that was read: it drops it, or makes a commit of it."""
    item: list[ast.stmt]
    """What every item does: let time pass, then act by its code."""
    read: list[ast.stmt]
    """What a frame works out to be read."""
    outputs: list[ast.expr]
    """What it reads, in order."""
    kept: list[str]
    """State values that only hold others while a frame is read."""
    pose: list[ast.stmt]
    """What a pose works out."""
    pose_arguments: list[str]
    """What a pose is made of."""
    pose_results: list[ast.expr]
    """What it comes to, in order."""


def take_apart(program: Program) -> Anatomy:
    """Parse a program's texts and find their parts."""
    live, pose = (ast.parse(text).body[0] for text in (program.text, program.pose_text))
    assert isinstance(live, ast.FunctionDef)
    assert isinstance(pose, ast.FunctionDef)
    loop = next(node for node in live.body if isinstance(node, ast.While))
    place = next(k for k, node in enumerate(loop.body) if isinstance(node, ast.For))
    stale, item, last = loop.body[place - 1], loop.body[place], loop.body[-1]
    assert isinstance(stale, ast.If)
    assert isinstance(item, ast.For)
    assert isinstance(last, ast.Assign)
    *steps, result = pose.body
    assert isinstance(result, ast.Return)
    assert isinstance(result.value, ast.Tuple)
    return Anatomy(
        stale=ast.If(stale.test, stale.body[1:], []),  # the first line takes the item, which is at hand
        item=item.body,
        read=loop.body[place + 1 : -1],
        outputs=last.value.elts if isinstance(last.value, ast.Tuple) else [last.value],
        kept=[f"kept_{name}" for name in program.state if f"kept_{name} = {name}" in program.text],
        pose=steps,
        pose_arguments=[argument.arg for argument in pose.args.args],
        pose_results=result.value.elts,
    )

"""Expressions: what programs are made of."""

from .weave import MATHS, Block, Names, compile_text, fill, number, read_names

__all__ = ["MATHS", "Block", "Names", "compile_text", "fill", "number", "read_names"]

"""Compiling in tests, which is off unless a test asks for it."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager

import pytest

from mellow_thumb.engines import compiler

needs_compiler = pytest.mark.skipif(bool(compiler.why_not()), reason="no C compiler here")


@contextmanager
def quickly() -> Iterator[None]:
    """Compile without optimizing: sooner done, and to the bit the same."""
    with pytest.MonkeyPatch.context() as patch:
        patch.delenv(compiler.VARIABLE)
        patch.setattr(compiler, "FLAGS", tuple("-O0" if one == "-O2" else one for one in compiler.FLAGS))
        yield

"""What a page may say, and how much of it."""

from __future__ import annotations

import re
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, TypeAdapter, ValidationError

LARGEST = 256 * 1024
"""Bytes of one message, at the most."""
DEEPEST = 8
"""So many objects or lists may stand in each other."""
MOST_EVENTS = 4096
"""Events of one message, at the most."""
FASTEST = 500.0
"""Messages a second, at the most; a burst of as many may come at once."""

_MARK = re.compile(r'"(?:[^"\\]|\\.)*+"|[\[{]|[\]}]', re.DOTALL)


class _Message(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True, allow_inf_nan=False)


class Hello(_Message):
    """A page has connected: the size of its view, whether it has raw mouse counts, its clock."""

    kind: Literal["hello"]
    now: float
    width: float = Field(ge=1, le=100_000)
    height: float = Field(ge=1, le=100_000)


class FrameAsked(_Message):
    """What has happened since the last frame, and a request for this one."""

    kind: Literal["frame"]
    number: int = Field(ge=0, le=2**53)
    now: float
    events: list[dict[str, Any]] = Field(default=[], max_length=MOST_EVENTS)
    ask: bool = True
    """Whether the page waits for the frame; what cannot wait, such as a lost focus, comes without."""


class Change(_Message):
    """A value was changed on the page."""

    kind: Literal["change"]
    path: tuple[Annotated[str, Field(max_length=200)] | int, ...] = Field(min_length=1, max_length=16)
    value: Annotated[str, Field(max_length=400)] | float | bool | None
    going: bool = False


class Do(_Message):
    """A request without a value."""

    kind: Literal["do"]
    what: Literal["undo", "redo", "side", "copy", "keep", "sheet", "begin", "why", "enough"]


class Ask(_Message):
    """What a person wants of a trial."""

    kind: Literal["ask"]
    what: Literal["go", "stop", "end", "another", "open"]


class Answer(_Message):
    """Which bird a person liked better, and how much; an empty one for neither."""

    kind: Literal["answer"]
    bird: str = Field(max_length=40)
    much: str = Field(max_length=40)


Said = Hello | FrameAsked | Change | Do
SaidBlind = Hello | FrameAsked | Ask | Answer
_ADAPTERS: dict[bool, TypeAdapter[Any]] = {
    False: TypeAdapter(Annotated[Said, Field(discriminator="kind")]),
    True: TypeAdapter(Annotated[SaidBlind, Field(discriminator="kind")]),
}
"""What may be said, by whether it is a trial's page."""


def read(text: str, *, blind: bool = False) -> Said | SaidBlind:
    """Read a message of the page, or of a `blind` trial's; ValueError, with the reason, for anything else.

    Its size and depth are checked before any of it is parsed.
    """
    if len(text) > LARGEST:
        raise ValueError(f"found a message of {len(text):,} characters; expected at most {LARGEST:,}")
    depth = 0
    for mark in _MARK.finditer(text):
        depth += {"{": 1, "[": 1, "}": -1, "]": -1}.get(mark[0], 0)
        if depth > DEEPEST:
            raise ValueError(f"found lists or objects more than {DEEPEST} deep")
    try:
        return _ADAPTERS[blind].validate_json(text)  # type: ignore[no-any-return]
    except ValidationError as error:
        first = error.errors(include_url=False, include_input=False, include_context=False)[0]
        where = ".".join(map(str, first["loc"]))
        raise ValueError(
            f"found another message than the page sends: {where} {first['msg'].lower()}"
        ) from None


class Rate:
    """Limits requests, so that no page asks faster than a screen could show."""

    def __init__(self, fastest: float = FASTEST) -> None:
        self._fastest, self._room, self._last = fastest, fastest, 0.0

    def allows(self, now: float) -> bool:
        """Whether one more is allowed at a moment (s)."""
        self._room = min(self._fastest, self._room + (now - self._last) * self._fastest)
        self._last = now
        self._room -= 1.0
        return self._room >= -1.0

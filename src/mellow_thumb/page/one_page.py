"""One page at a time: the connection of whoever is there, what it says, and what it is told."""

from __future__ import annotations

import asyncio
import json
from abc import ABC, abstractmethod
from typing import TYPE_CHECKING, Any

from starlette.websockets import WebSocket, WebSocketDisconnect, WebSocketState

from . import messages

if TYPE_CHECKING:
    from collections.abc import Callable

TAKEN_OVER, WRONG, FAST, SLOW = 4001, 4002, 4003, 4004
"""Codes with which a line is closed: another page has the controls; a message that is no page's; too many of
them; the page reads too slowly."""
PATIENCE = 20
"""So many messages may be wrong before the line is cut."""
WAIT = 10.0
"""Seconds that an answer may take to be taken."""


class OnePage(ABC):
    """Serves one page at a time; a later one takes over."""

    blind = False
    """Whether it is a trial's page, which says other things."""

    def __init__(self, clock: Callable[[], float]) -> None:
        self._clock = clock
        self.refused: list[str] = []
        """What pages said that was refused; the last of it."""
        self._here: WebSocket | None = None

    @abstractmethod
    async def take(self, line: WebSocket, said: Any) -> None:
        """Do what a message asks."""

    @abstractmethod
    def left(self) -> None:
        """The page is gone."""

    async def answer(self, line: WebSocket) -> None:
        """Serve a page until it leaves, or another comes."""
        await line.accept()
        before, self._here = self._here, line
        if before is not None:
            await _close(before, TAKEN_OVER, "another page has the controls now")
        rate, wrong = messages.Rate(), 0
        try:
            while self._here is line:
                try:
                    text = await line.receive_text()
                except KeyError:  # a binary message has no text
                    break
                if not rate.allows(self._clock()):
                    await _close(line, FAST, "more messages than a screen has frames")
                    break
                try:
                    said = messages.read(text, blind=self.blind)
                except ValueError as error:
                    wrong += 1
                    self.refused = [*self.refused[-99:], str(error)]
                    await self.send(line, {"kind": "refused", "words": str(error)})
                    if wrong > PATIENCE:
                        await _close(line, WRONG, "too many messages that no page of ours sends")
                        break
                    continue
                if self._here is line:
                    await self.take(line, said)
        except WebSocketDisconnect:
            pass
        except TimeoutError:
            await _close(line, SLOW, "the page reads too slowly")
        finally:
            if self._here is line:
                self._here = None
                self.left()

    async def send(self, line: WebSocket, message: dict[str, Any]) -> None:
        """Send a message; a page that does not take it in time is disconnected."""
        async with asyncio.timeout(WAIT):
            await line.send_text(json.dumps(message, separators=(",", ":"), allow_nan=False))


async def _close(line: WebSocket, code: int, reason: str) -> None:
    """Close a connection, if it is still open."""
    if WebSocketState.DISCONNECTED not in (line.client_state, line.application_state):
        try:
            await line.close(code, reason)
        except RuntimeError:  # it went at this moment
            return

"""The room: one desk, one seat at it, and the page that is there now."""

from __future__ import annotations

import asyncio
from contextlib import suppress
from math import isfinite
from pathlib import Path as FilePath
from typing import TYPE_CHECKING, Any

from starlette.websockets import WebSocket, WebSocketDisconnect

from ..basics import ArgumentError, MellowThumbError
from . import messages
from .again import RECENT, compared
from .as_sheet import overruled
from .dials import curves, dials
from .one_page import OnePage
from .seat import Seat

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..profiles import Profile, Sheet
    from .desk import Desk

LOOK = 0.5
"""How often the file is looked at, in seconds."""


class Room(OnePage):
    """A desk, the seat at it, and the page that is there."""

    def __init__(self, desk: Desk, sheet: Sheet | None, clock: Callable[[], float]) -> None:
        super().__init__(clock)
        self.desk, self._sheet = desk, sheet
        self.seat = Seat(desk.profile, sheet)
        self._looked = 0.0
        self._wished = 0
        self._playing: asyncio.Task[None] | None = None

    def left(self) -> None:
        """The page is gone: its hands let go."""
        self.seat.leave()

    async def take(self, line: WebSocket, said: Any) -> None:
        """Do what a message asks."""
        if isinstance(said, messages.Hello):
            self.seat.sit(said.now, said.width, said.height)
            await self.send(line, self.told() | {"words": "\n".join(self.seat.notes)})
            await self.send(line, {"kind": "past", "frames": self.seat.past(RECENT)})
            self._again()
        elif self.seat.door is None:
            await self.send(line, {"kind": "refused", "words": "no hello came first"})
        elif isinstance(said, messages.FrameAsked):
            if self.seat.profile is not self.desk.profile:  # who sits elsewhere at this desk has changed it
                self.seat.switch(self.desk.profile)
                await self.send(line, self.told())
            self.seat.take(said.events)
            if said.ask:
                await self._look(line)
                await self.send(line, {"kind": "frame", "number": said.number} | self.seat.frame(said.now))
        elif isinstance(said, messages.Change):
            await self._change(line, said)
        else:
            await self._do(line, said.what)

    async def _change(self, line: WebSocket, said: messages.Change) -> None:
        """Turn a dial; what the loader refuses is shown beside it."""
        try:
            self.desk.change(said.path, said.value, going=said.going)
            gone = self.seat.switch(self.desk.profile, going=said.going)
        except MellowThumbError as error:
            await self.send(line, {"kind": "refused", "path": said.path, "words": str(error)})
            return
        self._again()
        if said.going:
            bent = curves(self.desk.profile, str(said.path[1])) if said.path[0] == "routes" else {}
            await self.send(line, {"kind": "turned", "path": said.path, "curves": bent})
        else:
            await self.send(line, self.told() | {"words": "\n".join(gone)})
        words = overruled(self._sheet, self.desk.profile, said.path)
        if words:
            await self.send(line, {"kind": "refused", "path": said.path, "words": words})

    async def _do(self, line: WebSocket, what: str) -> None:
        """Undo, redo, switch sides, keep."""
        words = ""
        if what in ("why", "enough"):
            self.seat.wonder(on=what == "why")
            return
        try:
            if what == "keep":
                kept = self.desk.keep()
                words = f"kept in {self.desk.path.name}: {'; '.join(kept)}" if kept else "nothing to keep"
            elif what == "sheet":
                words = self._keep_in_sheet()
            elif what == "begin":
                self._anew()
            else:
                words = self._step(what)
            gone = self.seat.switch(self.desk.profile)
        except MellowThumbError as error:
            await self.send(line, {"kind": "refused", "words": str(error)})
            return
        await self.send(line, self.told() | {"words": "\n".join(filter(None, (words, *gone)))})
        self._again()

    def _keep_in_sheet(self) -> str:
        """Keep the changes as the player's own choice; returns in words what became of them."""
        if self._sheet is None:
            raise ArgumentError("found no sheet; expected mellow-thumb try PROFILE --player SHEET")
        many, left = self.desk.keep_in(self._sheet)
        if many:
            self.seat.session.apply(self._sheet)
        name = FilePath(self._sheet.file).name
        return "\n".join((f"kept {many} in {name}" if many else f"nothing kept in {name}", *left))

    def _step(self, what: str) -> str:
        """Undo or redo; says so if there is nothing to."""
        desk = self.desk
        if what == "side":
            desk.go(desk.other)
            return f"{desk.side} plays now"
        if what == "copy":
            desk.copy_to(desk.other)
            return f"{desk.other} is now the same as {desk.side}"
        done = desk.undo() if what == "undo" else desk.redo()
        return "" if done else f"nothing to {what}"

    def _again(self) -> None:
        """Play the same hands again, beside the frames; of several requests meanwhile the last counts."""
        self._wished += 1
        if self._playing is None or self._playing.done():
            self._playing = asyncio.create_task(self._play())

    async def _play(self) -> None:
        """Tell the page what the last minute would have been, as long as new requests come."""
        played = 0
        while played != self._wished and self._here is not None:
            played, seat, line = self._wished, self.seat, self._here
            found = await compared(seat.tape, seat.first, self.desk.profile)
            if played == self._wished and seat is self.seat:
                with suppress(WebSocketDisconnect, RuntimeError, TimeoutError):
                    await self.send(line, {"kind": "again", "found": found})

    def _anew(self) -> None:
        """Start a new session, with the warden where he stood at first."""
        before, self.seat = self.seat, Seat(self.desk.profile, self._sheet)
        self.seat.take_over(before)

    async def _look(self, line: WebSocket) -> None:
        """Check now and then for what an editor has saved."""
        now = self._clock()
        if now - self._looked < LOOK:
            return
        self._looked = now
        try:
            dropped = self.desk.look()
            if dropped is None:
                return
            gone = self.seat.switch(self.desk.profile)
        except MellowThumbError as error:
            await self.send(line, {"kind": "refused", "words": f"the file was saved: {error}"})
            return
        words = "; ".join((f"{self.desk.path.name} was saved elsewhere, and is loaded", *dropped, *gone))
        await self.send(line, self.told() | {"words": words})

    def told(self) -> dict[str, Any]:
        """What the page shows of the profile."""
        desk, profile = self.desk, self.desk.profile
        telling = self.seat.telling
        side = desk.current
        return {
            "kind": "profile",
            "title": profile.title or desk.path.stem,
            "file": desk.path.name,
            "side": desk.side,
            "other": desk.other,
            "dials": [one.as_dict() for one in dials(profile)],
            "controls": [
                {
                    "text": one.text(),
                    "ways": one.ways,
                    "both": " -> ".join(one.both),
                    "effect": one.effect,
                    "route": one.route,
                    "when": one.when,
                }
                | {"inverted": one.axis in _inverted(profile, one.route)}
                for one in telling.controls
            ],
            "gates": telling.gates,
            "cues": telling.cues,
            "loose": _loose(profile),
            "apart": [[path, value] for path, value in desk.apart.items()],
            "changed": [".".join(map(str, path)) for path in side.changes],
            "can": {"undo": bool(side.before), "redo": bool(side.after)},
            "scales": _scales(profile),
            "sheet": FilePath(self._sheet.file).name if self._sheet else "",
            "curves": curves(profile),
            "drives": {route.name: route.drives for route in profile.routes},
        }


def _loose(profile: Profile) -> bool:
    """Whether a mouse turns something but nothing captures the pointer, so that it stops at the edge."""
    moves = any(route.source.signal.name == "mouse.move" for route in profile.routes)
    return moves and profile.cursor != "held" and not any(gate.cursor == "held" for gate in profile.gates)


def _inverted(profile: Profile, route: str) -> list[str]:
    """The axes that the file inverts for a route."""
    said = profile.data["routes"][route].get("invert", [])
    return [said] if isinstance(said, str) else list(said)


def _scales(profile: Profile) -> dict[str, dict[str, dict[str, Any]]]:
    """For each mount the axes that move it: unit, limits, and whether they are logarithmic."""
    mounts = profile.mounts
    known = {one.key: one.axis for one in mounts.instances}
    driven = {axis for route in profile.routes for axis in route.drives}
    return {
        one.mount.name: {
            name: {
                "unit": known[key].unit,
                "low": known[key].low if isfinite(known[key].low) else None,
                "high": known[key].high if isfinite(known[key].high) else None,
                "log": known[key].log,
            }
            for name, key in mounts.takes(k).items()
            if isinstance(key, str) and name in driven
        }
        for k, one in enumerate(mounts.all)
    }

"""The room of a trial: it leads people through rounds, and says nothing that tells settings apart."""

from __future__ import annotations

import asyncio
from typing import TYPE_CHECKING, Any

from ..basics import MellowThumbError, listed
from ..insight.trials import HOW_MUCH, SELECTING, said_lines, selecting, tables
from ..plan import DEVICES
from . import messages
from .blind_seat import BlindSeat
from .one_page import OnePage

if TYPE_CHECKING:
    from collections.abc import Callable

    from starlette.websockets import WebSocket

    from ..insight.trials import Trial, Turn

REST = 4
"""Rounds after which a break is proposed."""


class BlindRoom(OnePage):
    """Leads whoever sits at the page through a trial, round by round."""

    blind = True

    def __init__(self, trial: Trial, clock: Callable[[], float]) -> None:
        super().__init__(clock)
        self.trial = trial
        self.seat: BlindSeat | None = None
        """The round that is played; None between rounds."""
        self._selecting = selecting(trial.profiles)
        self._hello: messages.Hello | None = None
        self._asks = False
        """Whether the person is asked which bird they liked."""
        self._ended = any(who == trial.people for who, _, _ in trial.answers())
        """Whether the person who sits here has ended, and said what they liked."""
        self._advice, self._more = "", 0
        """What a look said, and how many rounds more it asks for."""
        self._note = ""
        """What there is to say of the last round."""

    def left(self) -> None:
        """The page is gone: a round that was on is played again, for half of one counts nowhere."""
        self.seat = None

    async def take(self, line: WebSocket, said: Any) -> None:
        """Do what a message asks."""
        if isinstance(said, messages.Hello):
            self._hello = said
            self.seat = None
            await self.send(line, self.told())
        elif self._hello is None:
            await self.send(line, {"kind": "refused", "words": "no hello came first"})
        elif isinstance(said, messages.FrameAsked):
            await self._frame(line, said)
        else:
            try:
                self._do(said)
            except MellowThumbError as error:
                await self.send(line, {"kind": "refused", "words": str(error)})
            await self.send(line, self.told())

    async def _frame(self, line: WebSocket, said: messages.FrameAsked) -> None:
        """Take what hands did and show a frame, if a round is on."""
        seat = self.seat
        if seat is None:
            if said.ask:
                await self.send(line, {"kind": "idle", "number": said.number})
            return
        if seat.door is None:
            assert self._hello is not None
            seat.sit(said.now, self._hello.width, self._hello.height)
        seat.take(said.events)
        if seat.lost:
            self.seat, self._note = None, "The window lost the focus, so that round begins again."
            await self.send(line, self.told())
            return
        if not said.ask:
            return
        await self.send(line, {"kind": "frame", "number": said.number} | seat.frame(said.now))
        if seat.playing.over:
            try:
                await asyncio.to_thread(self._keep, seat)
            except MellowThumbError as error:
                self._note = f"That round could not be kept, and begins again: {error}"
            await self.send(line, self.told())

    def _keep(self, seat: BlindSeat) -> None:
        """A round is over: it is kept whole, and a look is due where the planned ones are there."""
        self.seat = None
        seat.leave()
        self.trial.keep(seat.turn, seat.recorded())
        self.trial.rounds()  # worked out now, while people rest: what a look says comes at once then
        if self.trial.turn() is None:
            self._look()

    def _look(self) -> None:
        """Once all planned rounds are there: find out whether enough is known, or more would tell."""
        said = self.trial.look() if self.trial.people == 1 else None
        self._asks = said is None or said.kind != "open" or not said.more
        if said is not None and not self._asks:
            self._more = said.more
            self._advice = (
                f"Which is better is not known yet. {said.more} rounds more with each bird would find a "
                f"difference of 10 % in {round(10 * said.chance)} trials of 10."
            )

    def _do(self, said: Any) -> None:
        """Begin a round, stop one, end, answer, or open the trial."""
        trial = self.trial
        if trial.over:
            return
        if isinstance(said, messages.Answer):
            if self._asks:
                trial.answer(said.bird, said.much)
                self._asks, self._ended = False, True
            return
        if said.what == "go" and self.seat is None and not self._asks and not self._ended:
            if self._advice:
                trial.go_on(self._more)
                self._advice, self._more = "", 0
            turn = trial.turn()
            if turn is not None:
                self._note = ""
                self.seat = BlindSeat(trial, turn, self._selecting)
        elif said.what == "stop":
            self.seat = None
        elif said.what == "end":
            self.seat = None
            self._advice, self._more = "", 0
            self._asks = bool(trial.played(trial.people))
            self._ended = not self._asks
        elif said.what == "another" and self._ended:
            trial.another()
            self._ended = False
        elif said.what == "open" and self._ended:
            trial.open()

    def told(self) -> dict[str, Any]:
        """What the page shows between rounds and beside them."""
        trial = self.trial
        turn = None if trial.over or self._ended else trial.turn()
        said = self._state(turn)
        return {"kind": "trial", "person": trial.people, "playing": self.seat is not None} | said

    def _state(self, turn: Turn | None) -> dict[str, Any]:
        trial = self.trial
        if trial.over:
            folder = trial.folder.resolve().name
            return {
                "title": "What it came to",
                "words": "\n".join([*said_lines(trial), f"With pictures: mellow-thumb report {folder}"]),
                "tables": tables(trial),
                "buttons": [],
            }
        if self._asks:
            birds = sorted(trial.birds(trial.people))
            return {
                "title": "Which bird did you like better?", "words": "Neither is an answer too.",
                "birds": birds, "much": list(HOW_MUCH), "buttons": [],
            }  # fmt: skip
        if self._ended:
            return {
                "title": "Thank you",
                "words": "Another person may play now. Opening the trial ends it, "
                "and tells which bird was which.",
                "buttons": [["another", "another person"], ["open", "open the trial"]],
            }
        if self._advice:
            return {
                "title": "A look at the numbers", "words": self._advice,
                "buttons": [["go", "go on"], ["end", "that is enough"]],
            }  # fmt: skip
        if turn is None:  # all of them were there when it was opened again
            self._look()
            return self._state(None)
        if self.seat is not None:
            return {"title": self._title(turn), "words": "", "buttons": [["stop", "stop this round"]]}
        return self._between(turn)

    def _title(self, turn: Turn) -> str:
        if turn.practice:
            return f"Practice with the {turn.bird}"
        done = len(self.trial.played(self.trial.people))
        return f"Round {done + 1} of {self.trial.planned}: the {turn.bird}"

    def _between(self, turn: Turn) -> dict[str, Any]:
        """What is said before a round."""
        done = len(self.trial.played(self.trial.people))
        birds, lines = sorted(self.trial.birds(self.trial.people)), []
        if self._note:
            lines.append(self._note)
        if turn.practice and not turn.number:
            lines.append(
                f"You compare {listed([f'the {one}' for one in birds], 'and')}: settings of one view, each "
                "hidden behind a bird. Nothing here tells which is which."
            )
            lines += [f"{one.words[0].upper()}{one.words[1:]}." for one in self.trial.tasks]
            lines.append(self._how())
            lines.append(f"About {max(1, round(self.trial.minutes))} minutes; you may stop after any round.")
        elif done and done % REST == 0:
            lines.append("A good moment for a break: look away, shake your hands.")
        ends = [["end", "end here"]] if done else []
        return {"title": self._title(turn), "words": "\n".join(lines), "buttons": [["go", "begin"], *ends]}

    def _how(self) -> str:
        """How a target is selected: with the first button of each family of devices."""
        if not any(one.kind == "aim" for one in self.trial.tasks):
            return ""
        if not self._selecting:
            return "A target is selected by staying on it."
        first: dict[str, str] = {}
        for one in self._selecting:
            first.setdefault(DEVICES[one.partition(".")[0]], SELECTING[one])
        return f"Select with {listed(list(first.values()))}, as fast and as surely as you can."

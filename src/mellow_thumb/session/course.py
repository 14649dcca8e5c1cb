"""A session's course: its plan, and the next one once that is woven."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import TYPE_CHECKING, Any, Protocol

from ..basics import ArgumentError
from ..plan import Plan
from .carrying import dropped
from .saving import check_digest

if TYPE_CHECKING:
    from ..engines import Weaving
    from .saving import Moment, SessionParts


class Layable(Protocol):
    """A player's sheet, as a session sees it."""

    def lay(self, profile: Any, /) -> tuple[Plan, tuple[str, ...]]:
        """The profile with a player's choices, and what did not apply."""


@dataclass(frozen=True, eq=False)
class Chosen:
    """What a session runs: a plan, and the sheet over it."""

    plan: Plan
    base: Plan
    """The profile; a sheet is laid over it."""
    sheet: Layable | None = None
    chosen_first: bool = False
    """Whether a gate whose choice is another goes by the first of it, as a player's sheet wants."""
    weaving: Weaving | None = None
    """What weaves the plan, where it is not at hand."""


class Course:
    """Takes a session from one plan to the next, at once or when another process has woven it."""

    def __init__(self, plan: Plan, parts: SessionParts) -> None:
        self._parts = parts
        self.now = Chosen(plan, plan)
        """What the session goes by."""
        self.ahead: Chosen | None = None
        """What it goes over to."""
        self._bases = [plan]
        """What it began with, and what it was switched to; a snapshot may be of any of them."""

    def apply(self, sheet: Layable) -> tuple[str, ...]:
        """As :meth:`Session.apply` says."""
        base = (self.ahead or self.now).base
        plan, told = sheet.lay(base)
        self._go_to(Chosen(plan, base, sheet, chosen_first=True))
        return told

    def switch(self, profile: Plan) -> tuple[str, ...]:
        """As :meth:`Session.switch` says."""
        if not isinstance(profile, Plan):
            raise ArgumentError(f"switch: found {profile!r:.60}; expected a profile, from load_profile")
        sheet = (self.ahead or self.now).sheet
        plan, told = sheet.lay(profile) if sheet else (profile, ())
        gone = dropped(self._parts.running.plan, plan)
        self._go_to(Chosen(plan, profile, sheet))
        return (*gone, *told)

    def _go_to(self, chosen: Chosen) -> None:
        """Switch to another plan: now, or once it is woven."""
        before, self.ahead = self.ahead, None
        if before:
            chosen = replace(chosen, chosen_first=chosen.chosen_first or before.chosen_first)
        weaving = self._parts.running.weaving(chosen.plan)
        if weaving:
            self.ahead = replace(chosen, weaving=weaving)
            self._parts.running.plainly = False
        else:
            self._become(chosen)

    def look(self, ahead: Chosen) -> None:
        """Switch to the next plan if it is woven by now; between two frames."""
        if ahead.weaving and not ahead.weaving.look():
            return
        if ahead.weaving and ahead.weaving.failed:
            self.arrive()
        else:
            self._go_to(ahead)  # what the host has set meanwhile may ask for another program

    def arrive(self) -> None:
        """Switch to the next plan, woven or not."""
        ahead, self.ahead = self.ahead, None
        if ahead:
            self._become(ahead)

    def _become(self, chosen: Chosen) -> None:
        """Switch to another plan; the view follows gently."""
        running, clock, _, intake, _, camera, cues = self._parts
        plan, before = chosen.plan, running.plan
        self.now = replace(chosen, weaving=None)
        if chosen.base is not self._bases[-1]:
            self._bases.append(chosen.base)
        if plan == before:
            return
        shown = camera.shown()
        codes = running.become(plan, chosen_first=chosen.chosen_first)
        if codes or plan.touches != before.touches:
            intake.inbox.renumber(codes)
            intake.look_up()
        cues.look_up()
        running.look_again(clock.now)
        camera.ease_from(shown)

    def return_to(self, one: Moment) -> None:
        """Switch to a snapshot's plan and its program's state.

        Raises :class:`ArgumentError` if this session never ran the plan.
        """
        running = self._parts.running
        another = one.plan is not running.plan
        if another and one.now and one.plan.digest != running.plan.digest:
            # under an earlier sheet, of a profile before a switch, or of another one
            if one.now.base.digest not in [base.digest for base in self._bases]:
                check_digest(one.now.base.digest, self.now.base.digest)
            self.now = one.now
        if another:
            running.take(one.plan, one.program)
        running.resume(one.program, one.loop)
        self.ahead = replace(one.ahead, weaving=running.weaving(one.ahead.plan)) if one.ahead else None
        if another:
            self._parts.intake.look_up()
            self._parts.cues.look_up()

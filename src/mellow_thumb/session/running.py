"""Running: a plan's program at work, and how it is replaced by another."""

from __future__ import annotations

from contextlib import suppress
from typing import TYPE_CHECKING

from ..engines import (
    PATIENCE,
    Engine,
    EngineError,
    PythonLoop,
    Room,
    check_compiled,
    engine_for,
    load,
    may_weave_ahead,
    read_kept,
    weaving_for,
)
from ..plan.mounts import Eye
from ..weaving import weave_plan, woven_before
from .carrying import carried_over, inside
from .inbox import PASSED

if TYPE_CHECKING:
    from ..engines import Coming, Keeps, Loop, Weaving
    from ..plan import Plan
    from ..weaving import Program, Setting


class Running:
    """A plan's program with its state and the last frame's values."""

    def __init__(self, plan: Plan, *, compiled: bool | None = False) -> None:
        """Start; with `compiled` True in C at once, with None as soon as it can."""
        check_compiled(compiled)
        self.plan, self.program = plan, weave_plan(plan)
        self._compiled = compiled
        self.plainly = False
        """Whether the next frame is no more than what has arrived; who wants more of it takes that back."""
        self.coming: Coming | None = None
        """The program, compiled, on its way here."""
        self.loop: Loop
        """The program at work."""
        self._since = -1.0
        """When (s) it was first looked whether that is here."""
        self.eye: Eye | None = None
        """The mount where it asks nothing: it stands where it is told all the same."""
        self.cursor: int | None = None
        """Where a frame has what becomes of the pointer; None where that never changes."""
        if compiled:
            with suppress(EngineError):  # that has been told by now
                load(self.program)
        self._begin(self.program, self.program.start, None)
        self.values = self.loop.send([(0.0, self.program.frame, 0.0, 0.0)])
        """What the last frame read."""

    def go_on(self, program: Program, state: tuple[float, ...]) -> None:
        """Continue as another program with a saved state."""
        self._begin(program, state, self.loop)

    def resume(self, program: Program, kept: Keeps) -> None:
        """Restore a program's saved state."""
        if program is not self.program:
            self._begin(program, read_kept(kept).state, self.loop)
        self.loop.resume(kept)

    def take(self, plan: Plan, program: Program) -> None:
        """Go by another plan, whose program that is, from the next :meth:`resume` on."""
        self.plan = plan
        self._look_up(program)

    def _look_up(self, program: Program) -> None:
        mount = self.plan.mount
        self.eye = mount if isinstance(mount, Eye) and not program.hosts else None

    def _begin(self, program: Program, state: tuple[float, ...], before: Loop | None) -> None:
        found, self.plainly = None, False
        self._look_up(program)
        if before is not None and program.is_of_shape(self.program) and isinstance(self.loop, PythonLoop):
            # the same program with other numbers: what is on its way is the right one
            self.program, self.loop = program, PythonLoop(program, state, before)
            return
        if self._compiled is not False:
            in_frame = before is not None
            found = engine_for(program, self.plan, asked=self._compiled is True, in_frame=in_frame)
        self.program, self.coming = program, None
        self._since = -1.0
        self.cursor = program.places.get("cursor")
        if isinstance(found, Engine):
            self.loop = Room(found, program, state, before)
        else:
            self.loop, self.coming = PythonLoop(program, state, before), found

    def go_over(self, engine: Engine) -> None:
        """Continue in C from here; results stay the same to the bit."""
        self.loop = Room(engine, self.program, self.saved, self.loop)
        self.coming = None

    def look(self, now: float) -> None:
        """Check, between two frames, whether the engine on its way is ready; switch to it if so."""
        coming = self.coming
        if coming is None:
            return
        if self._since < 0.0:
            self._since = now
        found = coming.look(may_begin=now - self._since >= PATIENCE)
        if isinstance(found, Engine):
            self.go_over(found)
        elif found is not None:
            self.coming = None

    @property
    def saved(self) -> tuple[float, ...]:
        """The state, for :meth:`go_on`."""
        return self.loop.saved

    @property
    def state(self) -> dict[str, float]:
        """The state, by name."""
        return dict(zip(self.program.state, self.saved, strict=True))

    @property
    def last_commit(self) -> float:
        """When the state was last committed, in seconds."""
        return float(self.saved[0])

    @property
    def mount(self) -> int:
        """The number of the active mount."""
        place = self.program.places.get("mount", 0)
        return int(self.values[place]) if place else 0

    def with_setting(self, setting: Setting) -> dict[int, int]:
        """Make room for a host's setting, if there is none yet; returns new codes by old ones."""
        before = self.program
        if setting in before.settings:
            return {}
        # sorted: who sets the same things in another order gets the same program
        state, program = self.state, weave_plan(self.plan, tuple(sorted({*before.settings, setting})))
        self.go_on(program, tuple((program.starts | state).values()))
        return {code: program.settings[one] for one, code in before.settings.items()}

    def _staying(self, plan: Plan) -> tuple[Setting, ...]:
        """The host's settings that also exist in another plan."""
        routes, axes = {one.name for one in plan.routes}, {one.name for one in plan.axes}
        known = {"scale": routes}
        return tuple(one for one in self.program.settings if one[1] in known.get(one[0], axes))

    def weaving(self, plan: Plan) -> Weaving | None:
        """Have another plan woven by another process; None if it exists, or is woven in the frame."""
        stay = self._staying(plan)
        if self._compiled is not None or woven_before(plan, stay) or not may_weave_ahead():
            return None
        return weaving_for(plan, stay)

    def become(self, plan: Plan, *, chosen_first: bool) -> dict[int, int]:
        """Continue with another plan, as :func:`carried_over` says; returns new codes by old ones."""
        before, old = self.program, self.plan
        saved = self.saved
        after = weave_plan(plan, self._staying(plan))
        self.plan = plan
        if after.is_of_shape(before):
            self.go_on(after, inside(old, plan, after, saved))
            return {}
        state = dict(zip(before.state, saved, strict=True))
        state = carried_over((old, before), (plan, after), state, chosen_first=chosen_first)
        self.go_on(after, tuple(state.values()))
        codes = {code: after.codes.get(name, PASSED) for name, code in before.codes.items()}
        return codes | {code: after.settings.get(one, PASSED) for one, code in before.settings.items()}

    def look_again(self, now: float) -> None:
        """Evaluate everything that is held again, as if nothing were newly pressed; then read a frame."""
        codes, frame = self.program.codes, self.program.frame
        if "host.focus" in codes:
            # A word of the focus that says nothing new looks at everything, and fires nothing.
            focus = self.saved[self.program.state.index("host_focus")]
            self.loop.send([(now, codes["host.focus"], focus, 0.0)])
        self.values = self.loop.send([(now, frame, 0.0, 0.0)])

"""Running: a plan's program at work, and how it goes over into another program of the same names."""

from __future__ import annotations

from contextlib import suppress
from typing import TYPE_CHECKING

from ..engines import PATIENCE, Engine, EngineError, Room, engine_for, load
from ..weaving import WANTS, weave_plan
from .inbox import PASSED

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..engines import Coming
    from ..plan import Plan
    from ..weaving import Item, Program, Setting

    Send = Callable[[list[Item]], tuple[float, ...]]
    Pose = Callable[..., tuple[float, ...]]


class Running:
    """A plan's program with its state, and what the last frame read of it."""

    def __init__(self, plan: Plan, *, compiled: bool | None = False) -> None:
        """Begin; with `compiled` True it is, before this returns, with None as soon as that can be had."""
        self.plan, self.program = plan, weave_plan(plan)
        self._compiled = compiled
        self._room: Room | None = None
        self.coming: Coming | None = None
        """The program, compiled, on its way here."""
        if compiled:
            with suppress(EngineError):  # that has been told by now
                load(self.program)
        self.send: Send
        """Let items act that end in a frame: what that frame reads; of none, the saved state."""
        self.pose: Pose
        """Make the pose of what a frame reads, as :attr:`Program.pose` does."""
        self.go_on(self.program, self.program.start)
        self.values = self.send([(0.0, self.program.frame, 0.0, 0.0)])
        """What the last frame read."""

    def go_on(self, program: Program, state: tuple[float, ...]) -> None:
        """Go on as a program with a saved state."""
        if self._room and program is self.program:
            self._room.go_on(state)
            return
        self.program, self.coming, self._room = program, None, None
        found = None
        if self._compiled is not False:
            found = engine_for(program, self.plan, asked=self._compiled is True)
        if isinstance(found, Engine):
            self._run_in(Room(found, program, state))
            return
        self.coming = found
        loop = program.live(state)
        # a generator must be started before it can be sent anything
        next(loop)
        self.send, self.pose = loop.send, program.pose

    def go_over(self, engine: Engine) -> None:
        """Go on in C from where it is; nothing moves by a bit."""
        self._run_in(Room(engine, self.program, self.saved))

    def _run_in(self, room: Room) -> None:
        self._room, self.coming = room, None
        self.send, self.pose = room.send, room.pose

    def look(self, now: float) -> None:
        """See, between two frames, whether what is on its way is here; go over if it is."""
        coming = self.coming
        if coming is None:
            return
        coming.may_begin |= now >= PATIENCE
        found = coming.look()
        if isinstance(found, Engine):
            self.go_over(found)
        elif found is not None:
            self.coming = None

    @property
    def engine(self) -> str:
        """What runs the program: ``Python`` or ``C``."""
        return "C" if self._room else "Python"

    @property
    def saved(self) -> tuple[float, ...]:
        """The state, to be given to :meth:`go_on`."""
        return self.send([])

    @property
    def state(self) -> dict[str, float]:
        """The state, by the names of its values."""
        return dict(zip(self.program.state, self.saved, strict=True))

    @property
    def last_commit(self) -> float:
        """When the state was committed last, in seconds."""
        return float(self.saved[0])

    @property
    def mount(self) -> int:
        """The number of the mount in force."""
        place = self.program.places.get("mount", 0)
        return int(self.values[place]) if place else 0

    def read(self, name: str) -> float | None:
        """What the last frame read of something that can change besides axes and gates; None if it cannot."""
        place = self.program.places.get(name)
        return None if place is None else self.values[place]

    def with_setting(self, setting: Setting) -> dict[int, int]:
        """Make room for a word of the host's, if there is none yet: the new code of each code before."""
        before = self.program
        if setting in before.settings:
            return {}
        # sorted: who sets the same things in another order gets the same program
        state, program = self.state, weave_plan(self.plan, tuple(sorted({*before.settings, setting})))
        self.go_on(program, tuple((program.state | state).values()))
        return {code: program.settings[one] for one, code in before.settings.items()}

    def become(self, plan: Plan) -> dict[int, int]:
        """Go on by another plan of the same names: the new code of each code before.

        State values go over by what they are saved as, and so what is held stays held.
        """
        before, after = self.program, weave_plan(plan, tuple(self.program.settings))
        known = {before.roles.get(name, name): value for name, value in self.state.items()}
        state = {name: known.get(after.roles.get(name, name), start) for name, start in after.state.items()}
        for gate in plan.gates:
            if len(gate.choice) > 1 and gate not in self.plan.gates:  # what was chosen comes first now
                state |= {name: 0.0 for name, role in after.roles.items() if role == f"choice.{gate.name}"}
        _steady(after, known, state)
        self.plan = plan
        self.go_on(after, tuple(state.values()))
        codes = {code: after.codes.get(name, PASSED) for name, code in before.codes.items()}
        return codes | {code: after.settings[one] for one, code in before.settings.items()}

    def look_again(self, now: float) -> None:
        """Have all that is held looked at anew, as if nobody had pressed anything; then read a frame."""
        codes, frame = self.program.codes, self.program.frame
        if "host.focus" in codes:
            # A word of the focus that says nothing new looks at everything, and fires nothing.
            self.send([(now, codes["host.focus"], self.state["host_focus"], 0.0)])
        self.values = self.send([(now, frame, 0.0, 0.0)])


def _steady(after: Program, known: dict[str, float], state: dict[str, float]) -> None:
    """A press that is looked at closely from now on is what it was; one no longer, what it would be."""
    names = {after.roles.get(name, name): name for name in state}
    for role, name in names.items():
        if role.endswith(WANTS) and role not in known:
            state[name] = state[names[role.removesuffix(WANTS)]]
    for role, value in known.items():
        raw = names.get(role.removesuffix(WANTS))
        if role.endswith(WANTS) and role not in names and raw:
            state[raw] = value

"""A session: a plan at work in a game loop."""

from __future__ import annotations

from bisect import bisect_left
from operator import itemgetter
from typing import TYPE_CHECKING, Any, Protocol

from ..basics import ArgumentError, listed, nearest
from ..plan import DEVICES, label_of
from ..weaving import weave_plan
from .frame import Frame
from .listening import Listener
from .saving import Snapshot, check_digest, from_plain, to_plain
from .viewing import Viewing
from .walker import command_of

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..plan import Cue, Gate, Plan
    from ..weaving import Item

CEILING = 0.25
"""Seconds beyond which a frame is cut, unless a session is told otherwise."""

FASTEST = 100.0
"""Seconds of the world that may pass in one of the hand's, at the most."""


class Layable(Protocol):
    """What can be laid over a profile: a player's sheet."""

    def lay(self, profile: Any, /) -> tuple[Plan, tuple[str, ...]]:
        """The profile as a player has it, and what did not apply."""


class Session(Viewing):
    """A plan at work: feed it events, tick it once a frame, read the frame and the view.

    A frame is the time from the last tick to this one, its end not included. What is wrong with an event
    never raises and never reaches the state: it is refused, counted in :attr:`refused`, and told once to
    the logger ``mellow_thumb``.
    """

    def __init__(self, plan: Plan, *, ceiling: float = CEILING) -> None:
        """Begin at time 0 with every axis at its start; a frame longer than `ceiling` seconds is cut."""
        self._base = plan
        super().__init__(plan, weave_plan(plan), ceiling)
        self._start(self._program, self._program.start)
        self._values: tuple[float, ...] = self._loop.send([(0.0, self._program.frame, 0.0, 0.0)])
        self._rate = 1.0
        self._counts = dict.fromkeys(self._program.cues, 0.0)
        self._given: dict[str, list[float]] = {name: [] for name in self._program.cues}

    def _look_up(self) -> None:
        super()._look_up()
        self._keep = {cue.name: cue.keep for cue in self._plan.cues}

    @property
    def now(self) -> float:
        """Session time in seconds: the end of the last frame."""
        return self._clock.now

    @property
    def late(self) -> int:
        """How many events came too late to keep their time; they took effect at the last commit."""
        return self._inbox.late

    @property
    def cut(self) -> int:
        """How many frames were longer than the ceiling and were cut."""
        return self._clock.cut

    @property
    def stalled(self) -> int:
        """How many ticks asked for time to run back or for no number; it stood still instead."""
        return self._clock.stalled

    def tick(
        self, dt: float | None = None, *, to: float | None = None, world_dt: float | None = None
    ) -> Frame:
        """Go on by `dt` seconds, or `to` a moment of the host's clock, and read the frame that ends there.

        `world_dt` is how long that was for the world, where that differs: 0 in a pause, half in slow motion,
        100 times as long at the most. It slows what returns by itself, kicks and shakes; never the hand.
        Time that runs back, or is no number, stands still and is counted; a frame longer than the ceiling is
        cut, and what happened in the time cut out takes effect at its end.
        """
        if (dt is None) == (to is None):
            raise TypeError("tick takes dt=seconds or to=moment: one of them")
        clock, inbox = self._clock, self._inbox
        start = clock.now
        lost = clock.advance(dt) if dt is not None else clock.reach(to)  # type: ignore[arg-type]
        if lost:
            inbox.shorten(lost, clock.now)
        items = inbox.take(start, clock, self._last_commit)
        if self._contacts:
            items = self._contacts.expand(items)
        if self._motion:
            items = self._motion.expand(items)
        if world_dt is not None or self._rate != 1.0:
            self._set_rate(items, start, clock.now - start + lost, world_dt)
        self._world += (clock.now - start) * self._rate
        items.append((clock.now, self._program.frame, 0.0, 0.0))
        before, self._values = self._values, self._loop.send(items)
        cues = self._read_cues() if self._counts else None
        return Frame(clock.now, self._values, self._program, cues, before, clock.now - start)

    def _set_rate(self, items: list[Item], start: float, dt: float, world_dt: float | None) -> None:
        """Put the world's rate, if it has changed, before what happens in this frame."""
        if dt <= 0.0:
            return
        rate = 1.0 if world_dt is None else world_dt / dt
        if not 0.0 <= rate <= FASTEST:
            self._clock.stalled += not rate > 0.0
            rate = FASTEST if rate > FASTEST else 0.0
        if rate != self._rate and "host.world_rate" in self._program.codes:
            place = bisect_left(items, start, key=itemgetter(0))
            items.insert(place, (start, self._program.codes["host.world_rate"], rate, 0.0))
        self._rate = rate

    def command(self) -> bytes:
        """What the last frame asked of a :class:`Walker`, in six bytes; an error without movement."""
        if self._plan.movement is None:
            raise ArgumentError("found no movement in this profile; expected a table [movement]")
        return command_of(self._plan.movement, Frame(self._clock.now, self._values, self._program))

    # ---- cues

    def _read_cues(self) -> dict[str, int]:
        """The cues that were given since the last frame, and those that are kept."""
        now = self._clock.now
        found: dict[str, int] = {}
        for name, place in self._program.cues.items():
            count, given = self._values[place], self._given[name]
            fresh = int(count - self._counts[name])
            if given or fresh:
                keep = self._keep[name]
                given[:] = [t for t in given if now - t <= keep] + fresh * [self._values[place + 1]]
                self._counts[name] = count
                if given:
                    found[name] = len(given)
        return found

    def take_cue(self, name: str) -> bool:
        """Take a cue: whether it was given in the last frame, or is still kept; each time is taken once.

        A host that steps its physics several times a frame, or not at all, neither loses one nor gets it
        twice. Raises :class:`ArgumentError` for a cue that the plan does not have.
        """
        given = self._given.get(name)
        if given is None:
            names = list(self._given)
            known = listed(names) if names else "none: this profile has no cues"
            raise ArgumentError(f"found the cue {name}; expected {known}{nearest(name, names)}")
        if given:
            del given[0]
            return True
        return False

    def choose(self, name: str, value: str | bool, at: float | None = None) -> None:
        """Say what the player chose: ``"hold"`` or ``"toggle"`` for a gate, or a setting on or off.

        Raises :class:`ArgumentError` for what there is no choice of.
        """
        choices = {gate.name: gate.choice for gate in self._plan.gates if len(gate.choice) > 1}
        signal = f"choice.{name}"
        if name in choices and value in choices[name]:
            self.feed(signal, choices[name].index(str(value)), at=at)
        elif name not in choices and signal in self._doors and isinstance(value, bool):
            self.feed(signal, value, at=at)
        elif signal in self._doors:
            wanted = listed(choices[name]) if name in choices else "True or False"
            raise ArgumentError(f"{name}: found {value!r}; expected {wanted}")
        else:
            names = [door.partition(".")[2] for door in self._doors if door.startswith("choice.")]
            known = listed(names) if names else "none: this profile leaves nothing to choose"
            raise ArgumentError(f"found the choice {name}; expected {known}{nearest(name, names)}")

    def label(self, name: str) -> str:
        """What to show for a cue or a gate: its button, by the name of it on the device that is in use.

        Raises :class:`ArgumentError` for a name that is neither, or has no button.
        """
        named: tuple[Gate | Cue, ...] = (*self._plan.gates, *self._plan.cues)
        inputs = {one.name: one.buttons.inputs if one.buttons else () for one in named}
        buttons = {
            one: found
            for one, addresses in inputs.items()
            if (found := tuple(address for address in addresses if address.signal.device in DEVICES))
        }
        if name not in buttons:
            known = listed(buttons) if buttons else "none: this profile has no buttons for any"
            raise ArgumentError(f"found {name}; expected {known}{nearest(name, buttons)}")
        return label_of(buttons[name], Frame(0.0, self._values, self._program).device)

    def _last_commit(self) -> float:
        return float(self._loop.send([])[0])

    def apply(self, sheet: Layable) -> tuple[str, ...]:
        """Take over a player's sheet, in mid-frame: the camera stays, and what is held stays held.

        It takes the place of a sheet before it, also of one that was laid before the session began. A button
        that no longer carries something lets go of it; what a held stick does goes on at its new sensitivity.
        An axis that is leant by what is held leans anew at once; the view follows with a half-life of 0.1 s.
        Returns what of it did not apply, in words; raises :class:`SheetError` where it makes no profile.
        """
        plan, told = sheet.lay(self._base)
        if plan != self._plan:
            shown = self._shown()
            self._become(plan)
            self._ease_from(shown)
        return told

    def listen(self, carries: Callable[[str], bool]) -> Listener:
        """Wait for the next press, stick push or wheel turn that may carry something, for a settings screen.

        `carries` says of an address whether it may, such as ``lambda one: offers.carries("hop", one)``. What
        is held already counts once it was let go, noise and drift never. The event that is found acts on
        nothing else. Ask the listener's ``found`` after each frame; :meth:`stop_listening` gives it up.
        """
        state = dict(zip(self._program.state, self._loop.send([]), strict=True))
        held: dict[str, float] = {}
        for name, signal in self._program.heard.items():
            for part in ("x", "y") if signal.pair else ("",):
                stem = name.replace(".", "_") + (f"_{part}" if part else "")
                if signal.kind in ("switch", "deflection") and stem in state:
                    held[f"{name}.{part}".rstrip(".")] = state[stem]
        self._listener = Listener(carries, held)
        return self._listener

    def stop_listening(self) -> None:
        """Listen no more: every event acts as ever."""
        self._listener = None

    # ---- saving

    def snapshot(self) -> Snapshot:
        """Everything that the session is at this moment, quickly and opaquely: for rolling back.

        It holds what waits and what is held, and the player's sheet. Give it to :meth:`restore` of a session
        that began with an equal plan.
        """
        return Snapshot(
            self._plan,
            self._base,
            self._program,
            self._loop.send([]),
            self._values,
            self._clock.saved(),
            self._inbox.saved(),
            dict(self._offsets),
            {name: dict(counts) for name, counts in self.refused.items()},
            dict(self.clipped),
            tuple(self._kicks),
            (*self._origin, self._world, self._rate),
            tuple(self._counts.values()),
            tuple(map(tuple, self._given.values())),
            self._hosts,
            self._rig,
            (self._contacts.saved(), tuple(self._ids.items())) if self._contacts else None,
            self._motion.saved() if self._motion else None,
        )

    def state(self) -> dict[str, Any]:
        """The same as plain data that JSON can hold: for saved games."""
        return to_plain(self.snapshot())

    def restore(self, saved: Snapshot | dict[str, Any]) -> None:
        """Become what a session was when :meth:`snapshot` or :meth:`state` was asked, to the bit.

        A snapshot brings back the player's sheet of its moment; what :meth:`state` said goes into a session
        under the same one. Raises :class:`ArgumentError` for what is no such thing, or belongs to another
        profile; the session is then as it was.
        """
        one = saved if isinstance(saved, Snapshot) else from_plain(saved, self._plan)
        another = one.plan is not self._plan
        if another and one.plan.digest != self._plan.digest:  # under an earlier sheet, or of another profile
            check_digest(one.base.digest, self._base.digest)
        self._plan, self._program = one.plan, one.program
        if another:
            self._look_up()
        self._start(one.program, one.loop)
        self._values = one.values
        self._clock.restore(one.clock)
        self._inbox.restore(one.inbox)
        self._offsets = dict(one.offsets)
        self.refused = {name: dict(counts) for name, counts in one.refused.items()}
        self.clipped = dict(one.clipped)
        self._kicks = list(one.kicks)
        x, y, z, self._world, self._rate = one.place
        self._origin = (x, y, z)
        self._counts = dict(zip(self._counts, one.counts, strict=True))
        self._given = {name: list(times) for name, times in zip(self._given, one.given, strict=True)}
        self._hosts, self._rig = one.hosts, one.rig
        if self._contacts and one.contacts:
            self._contacts.restore(one.contacts[0])
            self._ids = dict(one.contacts[1])
        if self._motion and one.motion:
            self._motion.restore(one.motion)

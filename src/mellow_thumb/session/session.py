"""A session: a plan at work in a game loop."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError
from .answers import Answers
from .camera import Camera
from .choices import choose, label_now
from .clock import Clock, World
from .coordinates import Converting, coordinates_of
from .course import Course, Layable
from .cues import Cues
from .frame import NOBODY, Axes, Frame, Moved, frame_of, velocity_of
from .handheld import HandheldState, handheld_state
from .host import Host
from .intake import Intake, feeding
from .listening import Listener
from .live_signals import heard_in, held_now, live_signals
from .reasons import Reasons
from .running import Running
from .saving import SessionParts, Snapshot, from_plain, put_back, snapshots, to_plain
from .steering import Steering
from .ticking import CloseLook, Makings
from .walker import asked_at, command_within

if TYPE_CHECKING:
    from collections.abc import Callable, Sequence

    from ..engines import Subject
    from ..plan import Plan
    from .basis import Basis
    from .hearing import Say
    from .intake import Burst
    from .view import Quadruple, Triple, View

CEILING = 0.25
"""Seconds beyond which a frame is cut, unless a session is told otherwise."""


class Session:
    """A plan at work: feed it events, tick it once a frame, read the frame and the view.

    A frame is the time from the last tick to this one, its end not included. A bad event never raises and
    never reaches the state: it is refused, counted in :attr:`refused`, and logged once by ``mellow_thumb``.

    It holds its parts and passes each call on to one of them: the running program, the clock, the world's
    time, the intake, what the host says and answers, the camera, the cues.
    """

    def __init__(
        self,
        plan: Plan,
        *,
        ceiling: float = CEILING,
        compiled: bool | None = None,
        units_per_metre: float = 1.0,
        basis: Basis | None = None,
    ) -> None:
        """Begin at time 0 with every axis at its start; a frame longer than `ceiling` seconds is cut.

        What `compiled`, `units_per_metre` and `basis` mean, :meth:`Profile.session` says.
        """
        self.coordinates = own = coordinates_of(basis, units_per_metre)
        """The host's axes and units, as it was opened with; None where they are ours."""
        if not ceiling > 0.0:
            raise ArgumentError(f"ceiling: found {ceiling!r}; expected seconds above 0")
        self._running, self._clock, self._world = Running(plan, compiled=compiled), Clock(ceiling), World()
        self._intake = Intake(self._running, self._clock)
        feed = feeding(self._intake)
        self._host = Host(self._intake, own, feed)
        self._steering = Steering(self._running, self._intake.inbox)
        self._answers = Answers(self._running, self._intake, self._clock, own)
        self._camera = Camera(self._running, self._answers, self._clock, self._world, own)
        self._cues = Cues(self._running)
        self._parts = SessionParts(
            self._running,
            self._clock,
            self._world,
            self._intake,
            self._host,
            self._camera,
            self._cues,
        )
        self._course = Course(plan, self._parts)
        self._makings = Makings(self._running, 2 if plan.movement else 0)
        self._close_look = CloseLook(self._course, self._parts, self._makings)
        seen = Converting(self._camera.view, own) if own else self._camera
        snapshot = snapshots(self._course, self._parts)
        quick = {"feed": feed, "touch": self._host.touch, "view": seen.view, "snapshot": snapshot}
        for name, call in quick.items():
            # called every frame or thousands of times a second, so straight to the part that answers,
            # unless a class of yours has its own
            if getattr(type(self), name) is OURS[name]:
                setattr(self, name, call)

    # ---- what comes in

    def feed(
        self,
        signal: str,
        value: float | Sequence[float],
        at: float | None = None,
        device: str | None = None,
        on: str | None = None,
    ) -> None:
        """Queue one event; from any thread.

        `signal` is an address of the catalogue. A pair takes two numbers, (x, y); a component fed alone
        (``mouse.move.x``) leaves the other at 0, or, of a held value, as it is. `at` is when it happened, in
        seconds since the session began; without it the event takes effect with the latest event already fed
        this frame, or as the frame begins. With a `device`, `at` is on that device's clock, as :meth:`align`
        maps it; a device that was never aligned is on the host's. `on` is what a press began on, by your name
        for it; ``on="interface"`` says that your own interface used it: it counts nowhere, and its release
        does no harm.

        Signals that the plan does not use are ignored.
        """
        self._intake.feed(signal, value, at, device, on)

    def feed_many(self, signal: str, values: Burst, at: Burst) -> None:
        """Queue a burst of one signal: `values` with their times `at`, as :meth:`feed` takes them.

        Lists and arrays both work. Raises :class:`ArgumentError` unless there are as many times as values.
        """
        self._intake.feed_many(signal, values, at)

    def align(self, device: str, their_time: float, at: float | None = None) -> None:
        """Say that a device's clock shows `their_time` at the moment `at` of the host's clock, or now.

        Events fed with that `device` then give their times on its own clock. Aligning again corrects drift.
        """
        self._intake.align(device, their_time, at)

    @property
    def refused(self) -> dict[str, dict[str, int]]:
        """What was refused: for each signal fed, how often for which reason."""
        return self._intake.refused

    @property
    def reasons(self) -> dict[str, dict[str, int]]:
        """What happened to each event since this was first read: by signal, how often for which reason.

        One reason is ``acted``; others are a closed gate, a dead zone, a limit, an axis that the mount does
        not use. It costs far more than a frame; :meth:`forget_reasons` stops it. :attr:`refused` is separate.
        """
        if self._intake.reasons is None:
            self._intake.ask_why(Reasons())
        assert self._intake.reasons is not None
        return self._intake.reasons.counts

    def forget_reasons(self) -> None:
        """Stop counting what happens to events."""
        self._intake.ask_why(None)

    @property
    def clipped(self) -> dict[str, int]:
        """How often a held value outside its range was clipped to it, by signal."""
        return self._intake.clipped

    def set_screen(
        self, width: float, height: float, at: float | None = None, *, pixels_per_cm: float | None = None
    ) -> None:
        """Say how large the view is, in pixels, for lengths in screens; until then it counts as square.

        `pixels_per_cm` is for lengths in cm: without it touches stated in cm take no contact. Raises
        :class:`ArgumentError` for a size that is not one.
        """
        self._host.set_screen(width, height, at, pixels_per_cm=pixels_per_cm)

    def touch(
        self,
        contact: object,
        phase: str,
        place: Sequence[float] | None = None,
        at: float | None = None,
        device: str | None = None,
        on: str | None = None,
    ) -> None:
        """Say what happens to a contact: ``down`` when it lands, ``move``, ``up`` when it lifts, ``cancel``.

        `contact` is any id that tells contacts apart; `place` is where it is, 0 to 1 of the view from its
        bottom left corner; `on` is what it begins on, by your name for it. Ids may come in any order, and be
        reused after they have lifted. Call it from one thread for all contacts.

        Raises :class:`ArgumentError` for another phase.
        """
        self._host.touch(contact, phase, place, at, device, on)

    def motion(
        self,
        turn: Sequence[float],
        force: Sequence[float] | None = None,
        at: float | None = None,
        device: str | None = None,
    ) -> None:
        """Say what the sensors of a handheld device read, for ``motion.aim`` and ``motion.tilt``.

        `turn` is its gyroscope's reading in deg/s, `force` its accelerometer's in m/s2: x to the right of the
        screen, y to its top, z out of it; at rest `force` points up. Call it from one thread.
        """
        self._host.motion(turn, force, at, device)

    @property
    def handheld(self) -> HandheldState | None:
        """The handheld device up to the last frame; None if no route uses its aim or tilt."""
        return handheld_state(self._running.state) if self._intake.readings else None

    def attitude(self, rotation: Sequence[float], at: float | None = None, device: str | None = None) -> None:
        """Say how a handheld device is turned, if your system knows that already: for ``motion.tilt``.

        `rotation` is a unit quaternion x, y, z, w from the device's frame (as in :meth:`motion`) to one with
        +Y up, wherever its north is; both signs work. What is not a rotation is refused and counted. Call it
        from one thread.
        """
        self._host.attitude(rotation, at, device)

    def set_ground(self, normal: tuple[float, float, float], at: float | None = None) -> None:
        """Say how the ground slopes under the character, by its normal, pointing up; it then walks along it.

        Speed is measured on the map: a slope changes how far a step rises, not how far it goes. Raises
        :class:`ArgumentError` for a normal that does not point up, or a wall.
        """
        self._host.set_ground(normal, at)

    def set_platform(self, velocity: tuple[float, float, float], at: float | None = None) -> None:
        """Say how fast the ground under the character moves, in m/s (or units); it is carried along."""
        self._host.set_platform(velocity, at)

    def set_hand(self, side: str, rotation: Quadruple) -> None:
        """Say which way a hand beside the headset points, ``left`` or ``right``, for a walk by it.

        `rotation` is its aim's in the play space, a unit quaternion x, y, z, w. Raises
        :class:`ArgumentError` for another hand, and for what is no rotation.
        """
        self._answers.set_hand(side, rotation)

    def recentre(self) -> None:
        """Centre the play space of a headset on where the head is and looks now, on the floor only.

        The head is then where the subject is, and looks where the yaw points; height and tilt do not change.
        """
        self._answers.recentre()

    # ---- what a host sets

    def set_axis(self, name: str, value: float, at: float | None = None) -> None:
        """Put an axis at a value, in its own unit; at the time of `at`, as an event would.

        What smoothing had not delivered yet is dropped, so the camera does not drift on; what is held stays
        held. Raises :class:`ArgumentError` for an axis that is not there, or a value that it cannot have.
        """
        self._steering.set_axis(name, value, at)

    def turn_to(self, name: str, value: float, *, over: float, at: float | None = None) -> None:
        """Take an axis to a value in `over` seconds, gently; a yaw that wraps goes the shorter way.

        What hands do meanwhile is added. Raises :class:`ArgumentError` as :meth:`set_axis` does, and for a
        time that is not above 0.
        """
        self._steering.turn_to(name, value, over=over, at=at)

    def set_scale(self, route: str, factor: float, at: float | None = None) -> None:
        """Multiply the effect of a route by your own factor, to slow a stick near a target for example.

        Raises :class:`ArgumentError` for a route that is not there, or a factor that is not 0 to 100.
        """
        self._steering.set_scale(route, factor, at)

    # ---- time

    @property
    def now(self) -> float:
        """Session time in seconds: the end of the last frame."""
        return self._clock.now

    @property
    def engine(self) -> str:
        """What the profile's program runs in now: ``"Python"``, or ``"C"`` once it is compiled."""
        return self._running.loop.name

    @property
    def late(self) -> int:
        """How many events came too late to keep their time; they took effect at the last commit."""
        return self._intake.inbox.late

    @property
    def early(self) -> int:
        """How many events came more than 10 s before their time; they wait for it.

        Most likely their `at` is not in seconds since the session began; that is logged once, with what to
        do. Up to 100,000 of them wait; more are refused.
        """
        return self._intake.inbox.early

    @property
    def cut(self) -> int:
        """How many frames were longer than the ceiling and were cut."""
        return self._clock.cut

    @property
    def stalled(self) -> int:
        """How many ticks went back in time, or were not numbers; time stood still instead."""
        return self._clock.stalled

    def tick(self, dt: float | None = None, to: float | None = None, world_dt: float | None = None) -> Frame:
        """Go on by `dt` seconds, or `to` a moment of session time, and read the frame that ends there.

        `world_dt` is how long that was for the world, if that differs: 0 in a pause, half in slow motion, 100
        times as long at most. It slows what returns by itself, kicks and shakes, but never hands. If time
        goes back, or is not a number, it stands still and is counted. A frame longer than the ceiling is cut,
        and what happened in the time that was cut takes effect at its end.
        """
        if (dt is None) is (to is None):
            raise TypeError("tick takes dt=seconds or to=moment: one of them")
        clock, running, world, cues = self._clock, self._running, self._world, self._cues
        arrived, values, start = self._intake.inbox.arrived, None, clock.now
        # counted first: a reading that another thread feeds says so before it is there to be counted
        count = len(arrived)
        if not running.plainly:
            self._close_look.look(start)
        lost = clock.advance(dt) if dt is not None else clock.advance_to(to)  # type: ignore[arg-type]
        if lost != 0.0:
            self._close_look.cut(start, lost)
        now = clock.now
        passed, program, before = now - start, running.program, running.values
        if running.plainly and world_dt is None:
            values = running.loop.step(arrived, count, start, now)
        if values is None:
            values = self._close_look.values(start, passed, lost, world_dt)
        else:
            world.now += passed
        running.values = values
        # as `frame_of` makes one, but in place: calls would add a twentieth of a hand-typed frame
        frame, axes, places, rate = Frame(), Axes(), program.velocity_places, world.rate
        frame.t, frame._program, frame.axes = now, program, axes
        frame._cues = cues.read(now) if cues.counts else None
        axes._places, axes._values = program.axis_places, values
        x, y, z = places or (0, 0, 0)
        frame._went = went = (values, before, x, rate, self.coordinates, passed)
        if not places:
            frame.movement = NOBODY
            return frame
        frame.movement = moved = Moved()
        moved._of = went
        if rate == 1.0 and self.coordinates is None:
            moved.velocity = values[x], values[y], values[z]
        else:
            moved.velocity = velocity_of(went)
        return frame

    # ---- what is seen

    def view(
        self,
        subject: Subject | None = None,
        clear: float | None = None,
        ground: float | Callable[[float, float], float] | None = None,
        target: Triple | None = None,
        up: Triple | None = None,
        head: tuple[Triple, Quadruple] | None = None,
        cut: bool = False,
    ) -> View:
        """The camera at the end of the last frame, with kicks and shakes.

        `subject` is where the character is after this frame's step: its place (m), or its place and its
        rotation (a unit quaternion x, y, z, w). Like the other arguments it stays until you say it again; if
        you never say it, it is where its own steps took it. `clear` is how far nothing is in the way (m) from
        the subject toward the camera. `ground` is the ground's height (m) under the middle of a view from
        above, or a function of x and z, which is also called under the camera. `target` is the place (m) of a
        second subject that an orbit is locked on. `up` is which way up is, for an orbit with ``up = "host"``.
        `head` is the place and rotation of a headset in its play space. `cut` is for a subject that was
        moved: the camera is there at once.

        Raises :class:`ArgumentError` for numbers that are not finite, and for an `up` of length 0.
        """
        seen = Converting(self._camera.view, self.coordinates) if self.coordinates else self._camera
        return seen.view(subject, clear, ground, target, up, head, cut)

    @property
    def settled(self) -> bool:
        """Whether nothing moves any more: every view will be like the last until something comes in.

        You may then stop drawing, unless your subject moves. It is known at commits, so up to 1/16 s late.
        """
        if self._camera.kicks or self._intake.inbox.busy:
            return False
        return self._running.program.settled(self._clock.now, self._running.saved)

    def settled_within(
        self, *, degrees: float = 0.0, metres: float = 0.0, share: float | None = None
    ) -> bool:
        """Whether no view will be further from this one than a tolerance, until something comes in.

        `degrees` is for what turns, `metres` for what moves; `share`, of the view's height, stands for
        whichever is not stated, and for the zoom. It is true while a key is held against a limit, and far
        sooner than :attr:`settled`, which waits for the last digit. Raises :class:`ArgumentError` for a
        tolerance below 0.
        """
        within = self._camera.settled_within(degrees, metres, share or 0.0)
        return within and not self._intake.inbox.busy

    def kick(self, name: str, amount: float, *, half_life: float) -> None:
        """Add `amount` to an axis of the view at once; half of it is gone after each `half_life` (s).

        The axis keeps its own value: a frame does not show the kick, and when it has faded the view is where
        it would have been. Raises :class:`ArgumentError` for an axis that the view does not use, or an amount
        beyond 1e9.
        """
        self._camera.kick(name, amount, half_life=half_life)

    def shake(self, name: str, amount: float, *, half_life: float, frequency: float = 8.0) -> None:
        """Shake an axis of the view by up to `amount`, at `frequency` (Hz); it fades as a kick does."""
        self._camera.shake(name, amount, half_life=half_life, frequency=frequency)

    def shift_origin(self, x: float, y: float, z: float) -> None:
        """Move the world's origin to (x, y, z), in metres: the view moves along, and nothing else changes.

        For worlds so large that they are re-centred on the way. Raises :class:`ArgumentError` for a place
        that is not finite.
        """
        self._camera.shift_origin(x, y, z)

    def look_along(self, rotation: Quadruple, at: float | None = None) -> None:
        """Look where another camera looks: take yaw and pitch from its rotation (a unit quaternion).

        So the first frame of this camera shows what the last frame of the other one did. Its roll is ignored,
        and limits hold. A mount whose angles are measured from its subject must have given a view before.

        Raises :class:`ArgumentError` for what is not a rotation.
        """
        yaw, pitch = self._camera.looks_along(rotation)
        self._steering.set_axis("yaw", yaw, at)
        self._steering.set_axis("pitch", pitch, at)

    # ---- commands, cues, choices

    def command(self) -> bytes:
        """What the last frame asked of a :class:`Walker`, and when; an error if the profile has no movement.

        Six bytes, and eight more for each change within the frame. Call it after every frame.
        """
        plan = self._running.plan
        if plan.movement is None:
            raise ArgumentError("found no movement in this profile; expected a table [movement]")
        taken = self._makings.ask()
        if taken and taken.items and taken.program is self._running.program:
            return command_within(plan, taken)
        return asked_at(plan, self._last_frame)

    @property
    def _last_frame(self) -> Frame:
        """The last frame, without the one before it."""
        return frame_of(self._clock.now, self._running.values, self._running.program)

    def take_cue(self, name: str) -> bool:
        """Take a cue: whether it was given within its `keep` time (0.2 s unless stated), each time once.

        If your physics step several times a frame, or not at all, you neither lose a cue nor get it twice, as
        long as a step comes within that time. Raises :class:`ArgumentError` for a cue that the plan does not
        have.
        """
        return self._cues.take(name)

    def choose(self, name: str, value: str | bool, at: float | None = None) -> None:
        """Pass on the player's choice: ``"hold"`` or ``"toggle"`` for a gate, or a setting on or off.

        Raises :class:`ArgumentError` if there is no such choice.
        """
        choose(self._intake, self._running.plan, name, value, at)

    @property
    def heard(self) -> list[tuple[float, str, float, float]]:
        """What acted in the last frame, or might have: when, which signal, its value, or x and y of a pair.

        Signals made of others, such as a drag, are there too. It is kept from the first time you read it, as
        long as you read it each frame.
        """
        taken = self._makings.ask()
        return heard_in(taken, self._running, self.now) if taken else []

    @property
    def signals(self) -> dict[str, float | tuple[float, float]]:
        """The value of each held or derived signal, by its name; a pair is x and y.

        It is what was fed last, as of the last frame. What moves by steps, a mouse or a wheel, has no such
        value.
        """
        return live_signals(self._running)

    def label(self, name: str) -> str:
        """The name to show for a button, on the device in use.

        `name` is that of a gate, a cue or presses, or a part of a key set, such as ``steps.up``. Raises
        :class:`ArgumentError` if it has no button.
        """
        return label_now(self._running.plan, name, self._last_frame.device)

    # ---- players

    def apply(self, sheet: Layable) -> tuple[str, ...]:
        """Apply a player's sheet, at any time: the camera stays, and what is held stays held.

        It replaces the sheet before it, also one that was laid before the session began. A button that no
        longer does something lets go of it; a held stick goes on at its new sensitivity. An axis that is
        leaned by a held control leans by its new amount at once; the view follows with a half-life of 0.1 s.
        New numbers take effect in this frame; another button, or hold for toggle, may be :attr:`pending`.
        Returns in words what did not apply; raises :class:`SheetError` if the profile would not work with it.
        """
        return self._course.apply(sheet)

    def switch(self, profile: Plan) -> tuple[str, ...]:
        """Carry on with another profile, at any time: one that was edited and read again, or a different one.

        Axes of the same name go on from where they are, what is held stays held, and gates and cues of the
        same name keep their state; what is new starts. An axis outside its new limits moves to them at once,
        and the view follows with a half-life of 0.1 s; one that changes between linear and logarithmic keeps
        its value. A sheet that was applied is applied to the new profile too. New numbers take effect in this
        frame; what needs another program may be :attr:`pending` for some frames.

        Returns in words what the new profile no longer has, and what of the sheet did not apply. Raises
        :class:`SheetError` if it would not work with the sheet, and :class:`ArgumentError` for what is not a
        profile; the session then stays as it was.
        """
        return self._course.switch(profile)

    @property
    def pending(self) -> bool:
        """Whether a profile or a sheet is still being woven in another process, to be taken over soon.

        New numbers never are. Without the extra ``fast``, or with `compiled` True or False, everything is
        taken over in the frame that asks for it.
        """
        return self._course.ahead is not None

    def listen(self, carries: Callable[[str], bool]) -> Listener:
        """Wait for the next press, stick push or wheel turn that may be used: for a settings screen.

        `carries` says whether an address may, such as ``lambda one: offers.carries("hop", one)``. What is
        already held counts once it was let go; noise and drift never count. The event that is found does
        nothing else. Read the listener's ``found`` after each frame; :meth:`stop_listening` gives up.
        """
        listener = Listener(carries, held_now(self._running))
        self._intake.listen(listener)
        return listener

    def stop_listening(self) -> None:
        """Stop listening: every event acts again."""
        self._intake.listen(None)

    def hear(self, say: Say | None) -> None:
        """Have all that comes in said to a function too, to record it; None stops that.

        `say` is called in the tick in which an event takes effect, with its signal, value, time and what it
        began on, first with what is held now; what the view is told too, as ``host.subject.x`` and the like.
        """
        self._intake.hear(say)

    # ---- saving

    def snapshot(self) -> Snapshot:
        """The whole session as it is now, quick and opaque: for rolling back.

        It includes events that wait, what is held, and the player's sheet. Give it to :meth:`restore` of a
        session that began with an equal plan.
        """
        return snapshots(self._course, self._parts)()

    def state(self) -> dict[str, Any]:
        """The whole session as JSON data: for saved games.

        A profile or a sheet that is :attr:`pending` is taken over first, so that it is the one saved.
        """
        self._course.arrive()
        return to_plain(self.snapshot())

    def restore(self, saved: Snapshot | dict[str, Any]) -> None:
        """Go back to a :meth:`snapshot` or a :meth:`state`, to the bit.

        A snapshot brings back its player's sheet; a :meth:`state` needs a session with the same sheet. Raises
        :class:`ArgumentError` for anything else, or one of another profile; the session then stays as it was.
        """
        one = saved if isinstance(saved, Snapshot) else from_plain(saved, self._running.plan)
        put_back(one, self._course, self._parts)
        self._makings.taken = None


OURS = {name: getattr(Session, name) for name in ("feed", "touch", "view", "snapshot")}
"""Methods for which a session has a shorter way, unless its class has another in their place."""

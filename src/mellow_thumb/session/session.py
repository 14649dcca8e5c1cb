"""A session: a plan at work in a game loop."""

from __future__ import annotations

from bisect import bisect_left
from operator import itemgetter
from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError
from .answers import Answers
from .camera import Camera
from .choices import choose, label_now
from .clock import Clock, World
from .course import Course, Layable
from .cues import Cues
from .frame import Frame
from .handheld import HandheldState, handheld_state
from .host import Host
from .intake import Intake
from .listening import Listener
from .live_signals import heard_in, live_signals, parts_of
from .reasons import Reasons
from .running import Running
from .saving import SessionParts, Snapshot, from_plain, put_back, take_snapshot, to_plain
from .steering import Steering
from .units import InUnits, check_units
from .walker import Taken, asked_at, command_within

if TYPE_CHECKING:
    from collections.abc import Callable, Sequence

    from ..engines import Subject
    from ..plan import Plan
    from ..weaving import Item
    from .intake import Burst
    from .view import Quadruple, Triple, View

CEILING = 0.25
"""Seconds beyond which a frame is cut, unless a session is told otherwise."""


class Session:
    """A plan at work: feed it events, tick it once a frame, read the frame and the view.

    A frame is the time from the last tick to this one, its end not included. What is wrong with an event
    never raises and never reaches the state: it is refused, counted in :attr:`refused`, and told once to
    the logger ``mellow_thumb``.

    It holds its parts and hands each word to one of them: the running program, the clock, the world's time,
    the intake and the host's words, what is set and what is answered, the camera, the cues.
    """

    def __init__(
        self,
        plan: Plan,
        *,
        ceiling: float = CEILING,
        compiled: bool | None = None,
        units_per_metre: float = 1.0,
    ) -> None:
        """Begin at time 0 with every axis at its start; a frame longer than `ceiling` seconds is cut.

        What `compiled` and `units_per_metre` mean, :meth:`Profile.session` says.
        """
        self._units = check_units(units_per_metre)
        if not ceiling > 0.0:
            raise ArgumentError(f"ceiling: found {ceiling!r}; expected seconds above 0")
        self._running, self._clock, self._world = Running(plan, compiled=compiled), Clock(ceiling), World()
        self._intake = Intake(self._running, self._clock)
        self._host = Host(self._intake)
        self._steering = Steering(self._running, self._intake.inbox)
        self._answers = Answers(self._running, self._intake, self._clock)
        self._camera = Camera(self._running, self._answers, self._clock, self._world)
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
        self._asked = 2 if plan.movement else 0
        """For how many frames what they are made of is kept, for commands."""
        self._taken = Taken(self._running.program, (), [], 0.0)
        # the same without a call in between: they are called every frame, or thousands of times a second
        self.feed = self._intake.feed  # type: ignore[method-assign]
        own = InUnits(self._camera.view, self._units)
        self.view = own.view if self._units != 1.0 else self._camera.view  # type: ignore[method-assign]

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

        `signal` is an address of the catalogue; a pair takes two numbers, (x, y), and a component fed
        alone (``mouse.move.x``) leaves the other at 0. `at` is when it happened, in seconds on the host's
        clock, which began with the session; without it the event takes effect with the latest event
        already fed this frame, or at the frame's beginning. With a `device`, `at` is on that device's clock,
        as :meth:`align` maps it; a device that was never aligned is on the host's. `on` is what a press began
        on, by the host's name for it; ``on="interface"`` says that the host's own interface used it: it
        counts nowhere, and its release may follow all the same.

        Signals that the plan does not use are passed over.
        """
        self._intake.feed(signal, value, at, device, on)

    def feed_many(self, signal: str, values: Burst, at: Burst) -> None:
        """Queue a burst of one signal: `values` with their times `at`, as :meth:`feed` takes them.

        Lists or arrays will do. Raises :class:`ArgumentError` when there are not as many times as values.
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
        """What became of each event since this was asked first: by signal, how often for which reason.

        ``acted`` is one; others are a closed gate, a dead zone, a limit, an axis that the mount does not use.
        It costs far more than a frame: :meth:`forget_reasons` ends it. :attr:`refused` is apart.
        """
        if self._intake.reasons is None:
            self._intake.reasons = Reasons()
        return self._intake.reasons.counts

    def forget_reasons(self) -> None:
        """Count no more what becomes of events."""
        self._intake.reasons = None

    @property
    def clipped(self) -> dict[str, int]:
        """How often a held value outside its range was clipped to it, by signal."""
        return self._intake.clipped

    def set_screen(
        self, width: float, height: float, at: float | None = None, *, pixels_per_cm: float | None = None
    ) -> None:
        """Say how large the view is, in pixels, for lengths in screens; until then it counts as square.

        `pixels_per_cm` is for lengths in cm: without it what is stated in cm takes no contact. Raises
        :class:`ArgumentError` for what is no size.
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
        """Say what happens to a contact: ``down`` as it lands, ``move``, ``up`` as it lifts, ``cancel``.

        `contact` is what the host tells contacts apart by, whatever that is; `place` where it is, 0 to 1 of
        the view from its bottom left corner; `on` what it begins on, by the host's name for it. Ids may come
        in any order, and be used anew once they have lifted. From one thread for all contacts.

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
        """Say what the sensors of a device in the hand read, for ``motion.aim`` and ``motion.tilt``.

        `turn` is how it turns about its own axes, in deg/s, `force` what its accelerometer says, in m/s2: x
        to the right of the screen, y to its top, z out of it; at rest `force` points up. From one thread.
        """
        self._host.motion(turn, force, at, device)

    @property
    def handheld(self) -> HandheldState | None:
        """What its sensors told of it up to the last frame; None where no route asks for its aim or tilt."""
        return handheld_state(self._running.state) if self._intake.readings else None

    def attitude(self, rotation: Sequence[float], at: float | None = None, device: str | None = None) -> None:
        """Say how a device in the hand is turned, if something else knows it: for ``motion.tilt``.

        `rotation` is a unit quaternion x, y, z, w from the device's frame (as in :meth:`motion`) to one with
        +Y up, wherever its north is; either of the two for one rotation will do. What is no rotation is
        refused and counted. From one thread.
        """
        self._host.attitude(rotation, at, device)

    def set_ground(self, normal: tuple[float, float, float], at: float | None = None) -> None:
        """Say how the ground lies under the character: its normal, pointing up; it then walks along it.

        Speed is over the map: a slope changes how far a step rises, not how far it goes. Raises
        :class:`ArgumentError` for a normal that does not point up, or a wall.
        """
        self._host.set_ground(normal, at)

    def set_platform(self, velocity: tuple[float, float, float], at: float | None = None) -> None:
        """Say how fast what the character stands on moves, in m/s (or units); it is carried along."""
        self._host.set_platform(velocity, at, units=self._units)

    def set_hand(self, side: str, rotation: Quadruple) -> None:
        """Say which way a hand beside the headset points, ``left`` or ``right``, for who walks by it.

        `rotation` is its aim's in the play space, a unit quaternion x, y, z, w. Raises
        :class:`ArgumentError` for another hand, and for what is no rotation.
        """
        self._answers.set_hand(side, rotation)

    def recentre(self) -> None:
        """Centre the play space of a headset on where the head is now and looks: on the floor alone.

        The head is then where the subject is, and looks where the yaw points; height and tilt are its own.
        """
        self._answers.recentre()

    # ---- what a host sets

    def set_axis(self, name: str, value: float, at: float | None = None) -> None:
        """Put an axis at a value, in its own unit; at the time of `at`, as an event would.

        What smoothing still owed it is gone, so the camera does not drift on; what is held stays held.
        Raises :class:`ArgumentError` for an axis that is not there, or a value that it cannot have.
        """
        self._steering.set_axis(name, value, at)

    def turn_to(self, name: str, value: float, *, over: float, at: float | None = None) -> None:
        """Take an axis to a value in `over` seconds, gently; a yaw that wraps goes the shorter way.

        What hands do in the meantime adds to it. Raises :class:`ArgumentError` as :meth:`set_axis` does,
        and for a time that is not above 0.
        """
        self._steering.turn_to(name, value, over=over, at=at)

    def set_scale(self, route: str, factor: float, at: float | None = None) -> None:
        """Multiply the effect of a route: the host's own scale, such as slowing a stick near a target.

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
        """What runs the profile's program at the moment: ``"Python"``, or ``"C"`` once it is compiled."""
        return self._running.loop.name

    @property
    def late(self) -> int:
        """How many events came too late to keep their time; they took effect at the last commit."""
        return self._intake.inbox.late

    @property
    def early(self) -> int:
        """How many events came more than 10 s before their time; they wait for it.

        Mostly their `at` is not in seconds since the session began; the logger is told once, with the remedy.
        100,000 of them wait, more are refused.
        """
        return self._intake.inbox.early

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
        clock, running, world = self._clock, self._running, self._world
        start = clock.now
        if running.coming:
            running.look(start)
        if self._course.ahead:
            self._course.look(self._course.ahead)
        lost = clock.advance(dt) if dt is not None else clock.advance_to(to)  # type: ignore[arg-type]
        if lost:
            self._intake.shorten(clock.now - start + lost, lost)
        now, values, before = clock.now, None, running.values
        passed = now - start
        if self._asked:
            self._taken = Taken(running.program, running.saved, [], start)
        elif running.room and world_dt is None and world.rate == 1.0 and clock.skipped == 0.0:
            # what has arrived is mostly all of this frame and in order: then C takes it as it is
            intake = self._intake
            if intake.plain and not intake.inbox.waiting and intake.reasons is None:
                values = running.room.step(intake.inbox.arrived, start, now)
        if values is None:
            values = self._passed(start, passed, lost, world_dt)
        else:
            world.now += passed
        running.values = values
        cues = self._cues.read(now) if self._cues.counts else None
        return Frame(now, values, running.program, cues, before, passed, world.rate, self._units)

    def _passed(self, start: float, passed: float, lost: float, world_dt: float | None) -> tuple[float, ...]:
        """What a frame reads, whatever has arrived."""
        running, world, now = self._running, self._world, self._clock.now
        items = self._intake.due(start)
        if world_dt is not None or world.rate != 1.0:
            self._set_rate(items, start, passed + lost, world_dt)
        world.now += passed * world.rate
        # last: a frame reads what came before its end
        items.append((now, running.program.frame, 0.0, 0.0))
        if self._asked:
            self._asked -= 1
            self._taken.items.extend(items)
        return running.loop.send(items)

    def _set_rate(self, items: list[Item], start: float, dt: float, world_dt: float | None) -> None:
        """Put the world's rate, if it has changed, before what happens in this frame."""
        if dt <= 0.0:
            return
        changed, wrong = self._world.set_rate(dt, world_dt)
        self._clock.stalled += wrong
        code = self._running.program.codes.get("host.world_rate")
        if changed and code is not None:
            items.insert(bisect_left(items, start, key=itemgetter(0)), (start, code, self._world.rate, 0.0))

    # ---- what is seen

    def view(
        self,
        subject: Subject | None = None,
        *,
        clear: float | None = None,
        ground: float | Callable[[float, float], float] | None = None,
        target: Triple | None = None,
        up: Triple | None = None,
        head: tuple[Triple, Quadruple] | None = None,
        cut: bool = False,
    ) -> View:
        """The camera at the end of the last frame, with the kicks and shakes of the moment.

        `subject` is where the character is after this frame's step: its place (m), or its place and its
        rotation (a unit quaternion x, y, z, w). Said once, it holds until it is said anew, as all of this
        does; not said at all, it is where its own steps took it. `clear` is how far behind it, toward the
        camera, nothing is in the way (m). `ground` is the ground's height (m) under the middle of a view from
        above, or a function of x and z that gives it, which is asked under the camera as well. `target` is
        the place (m) of a second subject that an orbit is locked on; `up` is which way up is, for an orbit
        that asks; `head` is where a headset is in its play space, its place and its rotation. `cut` is for a
        subject that was put elsewhere: the camera is there at once.

        Raises :class:`ArgumentError` for what is no finite number, and for an `up` of no length.
        """
        return self._camera.view(
            subject, clear=clear, ground=ground, target=target, up=up, head=head, cut=cut
        )

    @property
    def settled(self) -> bool:
        """Whether nothing moves by itself: every view is like the last until something comes in.

        A host may then stop drawing, unless its subject moves. It is known at commits: up to 1/16 s late.
        """
        if self._camera.kicks or self._intake.inbox.busy:
            return False
        return self._running.program.settled(self._clock.now, self._running.saved)

    def settled_within(
        self, *, degrees: float = 0.0, metres: float = 0.0, share: float | None = None
    ) -> bool:
        """Whether no view will be further from this one than a tolerance, until something comes in.

        `degrees` is for what turns, `metres` for what moves, `share` (of the view's height) for both and for
        the zoom: what is not stated is taken from it, as the view is now. True while a key is held against a
        limit; far sooner than :attr:`settled`, which waits for the last digit. Raises :class:`ArgumentError`
        for less than nothing.
        """
        if not all(0.0 <= one < 1e9 for one in (degrees, metres, share or 0.0)):
            raise ArgumentError(f"found {degrees!r}, {metres!r}, {share!r}; expected tolerances of 0 or more")
        if self._intake.inbox.busy:
            return False
        least = self._camera.tolerance(degrees, metres, share or 0.0)
        if any(kick.size(self._world.now) > least[0] for kick in self._camera.kicks):
            return False
        return self._running.program.settled_within(self._clock.now, least, self._running.saved)

    def kick(self, name: str, amount: float, *, half_life: float) -> None:
        """Add `amount` to an axis of the view at once; half of it is gone after each `half_life` (s).

        It never enters the axis's own value: a frame does not show it, and when it has faded the view is
        where it would have been. Raises :class:`ArgumentError` for an axis that the view does not use, or
        an amount beyond 1e9.
        """
        self._camera.kick(name, amount, half_life=half_life)

    def shake(self, name: str, amount: float, *, half_life: float, frequency: float = 8.0) -> None:
        """Shake an axis of the view by up to `amount`, at `frequency` (Hz); it fades as a kick does."""
        self._camera.shake(name, amount, half_life=half_life, frequency=frequency)

    def shift_origin(self, x: float, y: float, z: float) -> None:
        """Move the world's origin to (x, y, z), in metres: the view goes along, and nothing else changes.

        For worlds so large that they are centred anew on the way. Raises :class:`ArgumentError` for what is
        no finite place.
        """
        self._camera.shift_origin(x / self._units, y / self._units, z / self._units)

    def look_along(self, rotation: Quadruple, at: float | None = None) -> None:
        """Take over where another camera looks: yaw and pitch as of its rotation (a unit quaternion).

        So the first frame of this camera shows what the last frame of that one did. Its roll is not taken,
        and limits hold. A mount whose angles begin with its subject must have shown a view before.

        Raises :class:`ArgumentError` for what is no rotation.
        """
        yaw, pitch = self._camera.looks_along(rotation)
        self._steering.set_axis("yaw", yaw, at)
        self._steering.set_axis("pitch", pitch, at)

    # ---- commands, cues, choices

    def command(self) -> bytes:
        """What the last frame asked of a :class:`Walker`, and when; an error without movement.

        Six bytes, and eight more for each time that it changed within the frame. Ask it after every frame.
        """
        plan, taken = self._running.plan, self._taken
        if plan.movement is None:
            raise ArgumentError("found no movement in this profile; expected a table [movement]")
        self._asked = 2  # until nobody asks for two frames
        whole = taken.program is self._running.program and bool(taken.items)
        return command_within(plan, taken) if whole else asked_at(plan, self._last_frame)

    @property
    def _last_frame(self) -> Frame:
        """The last frame, without the one before it."""
        return Frame(self._clock.now, self._running.values, self._running.program)

    def take_cue(self, name: str) -> bool:
        """Take a cue: whether it was given within its `keep` time, mostly 0.2 s; each time is taken once.

        A host that steps its physics several times a frame, or not at all, neither loses one nor gets it
        twice, as long as a step comes within that time. Raises :class:`ArgumentError` for a cue that the
        plan does not have.
        """
        return self._cues.take(name)

    def choose(self, name: str, value: str | bool, at: float | None = None) -> None:
        """Say what the player chose: ``"hold"`` or ``"toggle"`` for a gate, or a setting on or off.

        Raises :class:`ArgumentError` for what there is no choice of.
        """
        choose(self._intake, self._running.plan, name, value, at)

    @property
    def heard(self) -> list[tuple[float, str, float, float]]:
        """What acted in the last frame, or might have: when, which signal, its value, or x and y of a pair.

        What is made of others, such as a drag of fingers, is there as well. It is kept from the first time
        that it is asked for, as long as it is asked for each frame.
        """
        self._asked = 2
        return heard_in(self._taken, self._running, self.now)

    @property
    def signals(self) -> dict[str, float | tuple[float, float]]:
        """What each held signal says now, by its name, and what is made of them; a pair is x and y.

        It is what was fed last, as of the last frame. What moves by steps, a mouse or a wheel, holds nothing.
        """
        return live_signals(self._running)

    def label(self, name: str) -> str:
        """What to show for a button, by the name of it on the device that is in use.

        `name` is that of a gate, a cue or presses, or a part of a key set, such as ``steps.up``: whatever a
        profile may offer. Raises :class:`ArgumentError` for what has no button.
        """
        return label_now(self._running.plan, name, self._last_frame.device)

    # ---- players

    def apply(self, sheet: Layable) -> tuple[str, ...]:
        """Take over a player's sheet, in mid-frame: the camera stays, and what is held stays held.

        It takes the place of a sheet before it, also of one that was laid before the session began. A button
        that no longer carries something lets go of it; what a held stick does goes on at its new sensitivity.
        An axis that is leant by what is held leans anew at once; the view follows with a half-life of 0.1 s.
        New numbers take effect in this frame; another button, or hold for toggle, may be :attr:`pending`.
        Returns what of it did not apply, in words; raises :class:`SheetError` where it makes no profile.
        """
        return self._course.apply(sheet)

    def switch(self, profile: Plan) -> tuple[str, ...]:
        """Go on by another profile, in mid-frame: one that was changed and read anew, or quite another.

        The same axes go on from where they are, what is held stays held, gates and cues of the same name stay
        as they are; what is new begins. An axis outside its new limits is at them at once, and the view
        follows with a half-life of 0.1 s; one that multiplies now, or adds now, keeps its value. A sheet that
        was applied is laid over the new profile as well. New numbers take effect in this frame; what needs
        another program may be :attr:`pending` for some frames.

        Returns in words what has no place there, and what of the sheet did not apply. Raises
        :class:`SheetError` where the sheet makes no profile of it, and :class:`ArgumentError` for what is no
        profile; the session is then as it was.
        """
        return self._course.switch(profile)

    @property
    def pending(self) -> bool:
        """Whether a profile or a sheet is on its way: woven beside the session, to be taken over soon.

        New numbers never are. Without the extra ``fast``, or with `compiled` True or False, all is taken over
        where it is asked for.
        """
        return self._course.ahead is not None

    def listen(self, carries: Callable[[str], bool]) -> Listener:
        """Wait for the next press, stick push or wheel turn that may carry something, for a settings screen.

        `carries` says of an address whether it may, such as ``lambda one: offers.carries("hop", one)``. What
        is held already counts once it was let go, noise and drift never. The event that is found acts on
        nothing else. Ask the listener's ``found`` after each frame; :meth:`stop_listening` gives it up.
        """
        heard, held = self._running.program.heard, dict[str, float]()
        for name, said in self.signals.items():
            if name in heard and heard[name].kind in ("switch", "deflection"):
                held |= parts_of(name, said)
        self._intake.listener = Listener(carries, held)
        return self._intake.listener

    def stop_listening(self) -> None:
        """Listen no more: every event acts as ever."""
        self._intake.listener = None

    # ---- saving

    def snapshot(self) -> Snapshot:
        """Everything that the session is at this moment, quickly and opaquely: for rolling back.

        It holds what waits and what is held, and the player's sheet. Give it to :meth:`restore` of a session
        that began with an equal plan.
        """
        return take_snapshot(self._course.now, self._course.ahead, self._parts)

    def state(self) -> dict[str, Any]:
        """The same as plain data that JSON can hold: for saved games.

        A profile or a sheet that is on its way is taken over first, so that it is what is saved.
        """
        self._course.arrive()
        return to_plain(self.snapshot())

    def restore(self, saved: Snapshot | dict[str, Any]) -> None:
        """Become what a session was when :meth:`snapshot` or :meth:`state` was asked, to the bit.

        A snapshot brings back the player's sheet of its moment; what :meth:`state` said goes into a session
        under the same one. Raises :class:`ArgumentError` for what is no such thing, or belongs to another
        profile; the session is then as it was.
        """
        one = saved if isinstance(saved, Snapshot) else from_plain(saved, self._running.plan)
        self._course.return_to(one)
        put_back(one, self._parts)
        self._taken = Taken(self._running.program, (), [], 0.0)

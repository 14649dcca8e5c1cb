"""Saving a session: as an opaque value for rolling back, or as plain data for saved games."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any, NamedTuple

from ..basics import ArgumentError
from ..engines import Kept, read_kept
from ..plan import BEYOND, CURSORS
from ..plan.contacts import check_contacts
from ..weaving import NO_TIME, weave_plan
from .readings import Readings
from .shakes import Kick

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..engines import Keeps
    from ..plan import Plan
    from ..weaving import Item, Program
    from .camera import Camera
    from .clock import Clock, World
    from .course import Chosen, Course
    from .cues import Cues
    from .host import Host
    from .intake import Intake
    from .running import Running

FORMAT = "mellow-thumb state 1"


class Rest(NamedTuple):
    """Of a session's state what there mostly is nothing of."""

    offsets: dict[str | None, float]
    refused: dict[str, dict[str, int]]
    clipped: dict[str, int]
    kicks: tuple[Kick, ...]
    counts: tuple[float, ...]
    given: tuple[tuple[float, ...], ...]
    ids: tuple[tuple[object, int], ...] = ()
    """The host's ids of fingers that are down."""
    readings: list[Any] | None = None
    """What has come of a reading of a device in the hand that is not whole yet."""


NOTHING = Rest({}, {}, {}, (), (), ())
"""Where there is nothing to be copied; it is only ever read."""


class Moment(NamedTuple):
    """A session's whole state at one moment."""

    plan: Plan
    now: Chosen | None
    """What the session goes by; nothing where it came from plain data, which go into the session's own."""
    program: Program
    loop: Keeps
    """The program's state, what the host said of what is seen, what mounts keep."""
    values: tuple[float, ...]
    t: float
    small: float
    edge: float
    before: float
    skipped: float
    cut: int
    stalled: int
    """The clock, as :class:`Clock` says."""
    arrived: tuple[Item, ...]
    waiting: tuple[Item, ...]
    late: int
    early: int
    """The inbox, as :class:`Inbox` says."""
    origin: tuple[float, float, float]
    world_t: float
    world_rate: float
    rest: Rest
    ahead: Chosen | None = None
    """What it goes over to, once that is woven."""

    @property
    def clock(self) -> tuple[float, ...]:
        """What the clock is."""
        return self.t, self.small, self.edge, self.before, self.skipped, self.cut, self.stalled

    @property
    def place(self) -> tuple[float, ...]:
        """Where the origin is, and the world's time."""
        return *self.origin, self.world_t, self.world_rate


class Snapshot:
    """A session's whole state at one moment, opaque; give it to :meth:`Session.restore`."""

    __slots__ = ("parts",)

    parts: tuple[Any, ...]
    """Those of a :class:`Moment`: many snapshots are taken, and few are ever looked into."""


def moment_of(one: Snapshot) -> Moment:
    """What a snapshot holds, by name."""
    return Moment(*one.parts)


class SessionParts(NamedTuple):
    """The parts of a session that make up its state."""

    running: Running
    clock: Clock
    world: World
    intake: Intake
    host: Host
    camera: Camera
    cues: Cues


def snapshots(course: Course, parts: SessionParts) -> Callable[[], Snapshot]:
    """What takes the whole state of a session, which has one plan and may be on its way to another.

    It is a function with all that it needs at hand, for who rolls back calls it every frame.
    """
    running, clock, world, intake, host, camera, cues = parts
    inbox = intake.inbox

    def snapshot() -> Snapshot:
        arrived, waiting = inbox.arrived, inbox.waiting
        one = Snapshot()
        one.parts = (
            running.plan,
            course.now,
            running.program,
            running.loop.keep(),
            running.values,
            clock.now,
            clock.small,
            clock.edge,
            clock.before,
            clock.skipped,
            clock.cut,
            clock.stalled,
            tuple(arrived) if arrived else (),
            tuple(waiting) if waiting else (),
            inbox.late,
            inbox.early,
            camera.origin,
            world.now,
            world.rate,
            _rest(intake, host, camera, cues),
            course.ahead,
        )
        return one

    return snapshot


def _rest(intake: Intake, host: Host, camera: Camera, cues: Cues) -> Rest:
    """What was aligned, refused, kicked, given and touched."""
    if not (
        intake.offsets
        or intake.refused
        or intake.clipped
        or camera.kicks
        or cues.counts
        or host.ids
        or intake.readings
    ):
        return NOTHING
    return Rest(
        dict(intake.offsets),
        _copied(intake.refused),
        dict(intake.clipped),
        tuple(camera.kicks),
        tuple(cues.counts.values()),
        tuple(map(tuple, cues.given.values())),
        tuple(host.ids.items()),
        intake.readings.saved() if intake.readings else None,
    )


def put_back(one: Snapshot, course: Course, parts: SessionParts) -> None:
    """Restore a snapshot.

    Raises :class:`ArgumentError` if the session never ran its plan; it then stays as it was.
    """
    running, clock, world, intake, host, camera, cues = parts
    inbox, found = intake.inbox, one.parts
    if found[0] is running.plan and course.ahead is None and found[-1] is None:
        # who rolls back stays with one plan, and does it several times a frame
        running.resume(found[2], found[3])
    else:
        course.return_to(moment_of(one))
    (
        *_, running.values,
        clock.now, clock.small, clock.edge, clock.before, clock.skipped, clock.cut, clock.stalled,
        arrived, waiting, inbox.late, inbox.early,
        camera.origin, world.now, world.rate, rest, _,
    ) = found  # fmt: skip
    if arrived or inbox.arrived:
        inbox.arrived.clear()
        inbox.arrived.extend(arrived)
        intake.parts_come = True  # parts of readings may be among them: the next frame looks
    inbox.waiting, running.plainly = list(waiting), False
    if rest is not NOTHING or _rest(intake, host, camera, cues) is not NOTHING:
        _put_rest_back(rest, intake, host, camera, cues)


def _put_rest_back(rest: Rest, intake: Intake, host: Host, camera: Camera, cues: Cues) -> None:
    """Restore what was aligned, refused, kicked, given and touched."""
    intake.offsets, intake.clipped = dict(rest.offsets), dict(rest.clipped)
    intake.refused = _copied(rest.refused)
    camera.kicks = list(rest.kicks)
    if rest.counts:
        cues.counts = dict(zip(cues.counts, rest.counts, strict=True))
        cues.given = {name: list(times) for name, times in zip(cues.given, rest.given, strict=True)}
    host.ids = dict(rest.ids)
    if intake.readings and rest.readings is not None:
        intake.readings.restore(rest.readings)


def _copied(refused: dict[str, dict[str, int]]) -> dict[str, dict[str, int]]:
    """A copy of the refusals, to go on counting separately."""
    return {name: dict(counts) for name, counts in refused.items()}


def to_plain(snapshot: Snapshot) -> dict[str, Any]:
    """A snapshot as JSON data; NaN becomes null."""
    one = moment_of(snapshot)
    loop, rest = read_kept(one.loop), one.rest
    return {
        "format": FORMAT,
        "profile": one.plan.digest,
        "settings": [list(setting) for setting in one.program.settings],
        "loop": dict(zip(one.program.state, loop.state, strict=True)),
        "values": list(one.values),
        "clock": [float(part) for part in one.clock],
        "arrived": [_plain_item(item) for item in one.arrived],
        "waiting": [_plain_item(item) for item in one.waiting],
        "late": one.late,
        "early": one.early,
        "offsets": [[device, offset] for device, offset in rest.offsets.items()],
        "refused": {name: dict(counts) for name, counts in rest.refused.items()},
        "clipped": dict(rest.clipped),
        "kicks": [list(kick) for kick in rest.kicks],
        "place": list(one.place),
        "counts": list(rest.counts),
        "given": [list(times) for times in rest.given],
        "hosts": [None if value - value != 0.0 else value for value in loop.hosts],
        "rig": list(loop.rig),
        "fingers": [list(pair) for pair in rest.ids],
        "readings": rest.readings,
    }


def _plain_item(item: Item) -> list[float | None]:
    return [None if part - part != 0.0 else part for part in item]


def _item(plain: list[float | None]) -> Item:
    t, code, x, y = plain
    numbers = [float("nan") if part is None else float(part) for part in (x, y)]
    return (NO_TIME if t is None else float(t), -1 if code is None else int(code), numbers[0], numbers[1])


def check_digest(found: object, wanted: str) -> None:
    """Refuse another plan's state."""
    if found != wanted:
        other = f"found the state of another profile, or of one under another player's sheet ({found})"
        raise ArgumentError(f"{other}; expected {wanted}")


def from_plain(data: dict[str, Any], plan: Plan) -> Snapshot:
    """The snapshot for plain data.

    Raises :class:`ArgumentError` for data of the wrong form, or of another plan.
    """
    form: object = data.get("format") if hasattr(data, "get") else type(data).__name__
    if form != FORMAT:
        raise ArgumentError(f'found {form!r}; expected a state with the format "{FORMAT}"')
    check_digest(data.get("profile"), plan.digest)
    try:
        settings = tuple((str(kind), str(name)) for kind, name in data["settings"])
        program = weave_plan(plan, settings)
        kept = Kept(
            tuple(float(data["loop"][name]) for name in program.state),
            tuple(float("nan") if value is None else float(value) for value in data["hosts"]),
            tuple(map(float, data["rig"])),
        )
        rest = Rest(
            {device: float(offset) for device, offset in data["offsets"]},
            {name: dict(counts) for name, counts in data["refused"].items()},
            dict(data["clipped"]),
            tuple(Kick(*kick) for kick in data["kicks"]),
            tuple(map(float, data["counts"])),
            tuple(tuple(map(float, times)) for times in data["given"]),
            # a state of an older version has none
            tuple((contact, int(finger)) for contact, finger in data.get("fingers", ())),
            _readings(data),
        )
        t, small, edge, before, skipped, cut, stalled = map(float, data["clock"])
        x, y, z, world_t, world_rate = map(float, data["place"])
        found = Moment(
            plan,
            None,
            program,
            kept,
            tuple(map(float, data["values"])),
            *(t, small, edge, before, skipped, int(cut), int(stalled)),
            tuple(map(_item, data["arrived"])),
            tuple(map(_item, data["waiting"])),
            int(data["late"]),
            int(data.get("early", 0)),
            (x, y, z),
            world_t,
            world_rate,
            rest,
        )
        _check(found, kept)
    except (LookupError, TypeError, ValueError, ArithmeticError) as error:
        raise ArgumentError(f"found a state that is damaged ({error}); expected one from state()") from None
    one = Snapshot()
    one.parts = tuple(found)
    return one


def _readings(data: dict[str, Any]) -> list[Any] | None:
    """Check the parts of an unfinished reading; anything else is refused."""
    known: list[Any] | None = data.get("readings")
    if known is not None:
        Readings({}, lambda _, __: None).restore(known)
    return known


MOST_CUES = 1e6
"""More than this are not given between two frames."""


def _check(one: Moment, loop: Kept) -> None:
    """Refuse what has the wrong size, or no numbers where there must be some."""
    program, cues = one.program, len(one.program.cues)
    lists = (one.values, one.rest.counts, one.rest.given, loop.hosts, loop.rig)
    sizes = (program.width, cues, cues, len(program.asked), len(program.rig))
    if tuple(map(len, lists)) != sizes:
        raise ValueError("a list of the wrong length")
    given = [t for times in one.rest.given for t in times]
    if any(
        part - part != 0.0
        for part in (
            *loop.state,
            *one.values,
            *one.clock,
            *one.place,
            *one.rest.counts,
            *given,
            *loop.rig,
        )
    ):
        raise ValueError("no number where there must be one")
    if one.plan.touches:
        check_contacts(dict(zip(program.state, loop.state, strict=True)), len(one.plan.areas))
    if any(not 0 <= code < program.frame for _, code, _, _ in (*one.arrived, *one.waiting)):
        raise ValueError("an event of no signal")
    for axis, amount, start, half_life, frequency in one.rest.kicks:
        if axis not in program.seen or not (-BEYOND <= amount <= BEYOND and start - start == 0.0):
            raise ValueError("a kick that nobody gave")
        if not (0.0 < half_life <= 60.0 and 0.0 <= frequency < 1000.0):
            raise ValueError("a kick that nobody gave")
    _try_frames(one, loop)


def _try_frames(one: Moment, loop: Kept) -> None:
    """Refuse finite numbers from which no frame can be read, by reading two."""
    program, now = one.program, one.t
    # A commit is 1/16 s ago at the most; from one that lies years back a frame would take years.
    if not 0.0 <= now - loop.state[0] <= 1.0:
        raise ValueError("a last commit that is not just before its frame")
    trial = program.live(loop.state)
    next(trial)
    for t in (now, now + 1.0):
        values = trial.send([(t, program.frame, 0.0, 0.0)])
        for name, count in (("cursor", len(CURSORS)), ("mount", 1 + len(one.plan.others))):
            if name in program.places and values[program.places[name]] not in range(count):
                raise ValueError(f"a {name} that is not there")
        for place, known in zip(program.cues.values(), one.rest.counts, strict=True):
            if abs(values[place] - known) > MOST_CUES:
                raise ValueError("more cues than anyone could give")
        program.pose(values, loop.hosts, t, loop.rig)

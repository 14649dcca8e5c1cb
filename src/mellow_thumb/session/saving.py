"""Saving a session: as an opaque value for rolling back, or as plain data for saved games."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any, NamedTuple

from ..basics import ArgumentError
from ..engines import Kept
from ..plan import BEYOND, CURSORS
from ..plan.contacts import check_contacts
from ..weaving import NO_TIME, weave_plan
from .readings import Readings
from .shakes import Kick

if TYPE_CHECKING:
    from ..engines import Keeps
    from ..plan import Plan
    from ..weaving import Item, Program
    from .camera import Camera
    from .clock import Clock, World
    from .course import Chosen
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


class Snapshot(NamedTuple):
    """A session's whole state at one moment."""

    plan: Plan
    now: Chosen | None
    """What the session goes by; nothing where it came from plain data, which go into the session's own."""
    program: Program
    loop: Keeps
    """The program's state, what the host said of what is seen, what mounts keep."""
    values: tuple[float, ...]
    clock: tuple[float, ...]
    inbox: tuple[tuple[Item, ...], tuple[Item, ...], int, int]
    place: tuple[float, ...]
    rest: Rest
    ahead: Chosen | None = None
    """What it goes over to, once that is woven."""


class SessionParts(NamedTuple):
    """The parts of a session that make up its state."""

    running: Running
    clock: Clock
    world: World
    intake: Intake
    host: Host
    camera: Camera
    cues: Cues


def take_snapshot(now: Chosen, ahead: Chosen | None, parts: SessionParts) -> Snapshot:
    """Take the whole state of a session, which has one plan and may be on its way to another."""
    running, clock, world, intake, host, camera, cues = parts
    rest = NOTHING
    if _has_more(intake, host, camera, cues):
        rest = Rest(
            dict(intake.offsets),
            _copied(intake.refused),
            dict(intake.clipped),
            tuple(camera.kicks),
            tuple(cues.counts.values()),
            tuple(map(tuple, cues.given.values())),
            tuple(host.ids.items()),
            intake.readings.saved() if intake.readings else None,
        )
    found = (
        running.plan,
        now,
        running.program,
        running.loop.keep(),
        running.values,
        clock.saved(),
        intake.inbox.saved(),
        (*camera.origin, world.now, world.rate),
        rest,
        ahead,
    )
    return _snapshot(Snapshot, found)


def _has_more(intake: Intake, host: Host, camera: Camera, cues: Cues) -> bool:
    """Whether anything was aligned, refused, kicked, given or touched."""
    return bool(
        intake.offsets
        or intake.refused
        or intake.clipped
        or camera.kicks
        or cues.counts
        or host.ids
        or intake.readings
    )


_snapshot = tuple.__new__
"""Makes a named tuple without a call in between: rolling back takes many a frame."""


def put_back(one: Snapshot, parts: SessionParts) -> None:
    """Restore a snapshot, except for the program, which already runs."""
    running, clock, world, intake, host, camera, cues = parts
    running.values = one.values
    clock.restore(one.clock)
    intake.inbox.restore(one.inbox)
    x, y, z, world.now, world.rate = one.place
    camera.origin = (x, y, z)
    rest = one.rest
    if rest is NOTHING and not _has_more(intake, host, camera, cues):
        return
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


def to_plain(one: Snapshot) -> dict[str, Any]:
    """A snapshot as JSON data; NaN becomes null."""
    (arrived, waiting, late, early), rest = one.inbox, one.rest
    return {
        "format": FORMAT,
        "profile": one.plan.digest,
        "settings": [list(setting) for setting in one.program.settings],
        "loop": dict(zip(one.program.state, one.loop.state, strict=True)),
        "values": list(one.values),
        "clock": [float(part) for part in one.clock],
        "arrived": [_plain_item(item) for item in arrived],
        "waiting": [_plain_item(item) for item in waiting],
        "late": late,
        "early": early,
        "offsets": [[device, offset] for device, offset in rest.offsets.items()],
        "refused": {name: dict(counts) for name, counts in rest.refused.items()},
        "clipped": dict(rest.clipped),
        "kicks": [list(kick) for kick in rest.kicks],
        "place": list(one.place),
        "counts": list(rest.counts),
        "given": [list(times) for times in rest.given],
        "hosts": [None if value - value != 0.0 else value for value in one.loop.hosts],
        "rig": list(one.loop.rig),
        "fingers": [list(pair) for pair in rest.ids],
        "readings": rest.readings,
    }


def _plain_item(item: Item) -> list[float | None]:
    return [None if part - part != 0.0 else part for part in item]


def _item(plain: list[float | None]) -> Item:
    t, code, x, y = plain
    numbers = [float("nan") if part is None else float(part) for part in (x, y)]
    return (NO_TIME if t is None else float(t), int(code or 0), numbers[0], numbers[1])


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
        found = Snapshot(
            plan,
            None,
            program,
            Kept(
                tuple(float(data["loop"][name]) for name in program.state),
                tuple(float("nan") if value is None else float(value) for value in data["hosts"]),
                tuple(map(float, data["rig"])),
            ),
            tuple(map(float, data["values"])),
            _clock(data["clock"]),
            (
                tuple(map(_item, data["arrived"])),
                tuple(map(_item, data["waiting"])),
                int(data["late"]),
                int(data.get("early", 0)),
            ),
            tuple(map(float, data["place"])),
            Rest(
                {device: float(offset) for device, offset in data["offsets"]},
                {name: dict(counts) for name, counts in data["refused"].items()},
                dict(data["clipped"]),
                tuple(Kick(*kick) for kick in data["kicks"]),
                tuple(map(float, data["counts"])),
                tuple(tuple(map(float, times)) for times in data["given"]),
                tuple((contact, int(finger)) for contact, finger in data.get("fingers", ())),
                _readings(data),
            ),
        )
        _check(found)
        return found
    except (LookupError, TypeError, ValueError, ArithmeticError) as error:
        raise ArgumentError(f"found a state that is damaged ({error}); expected one from state()") from None


def _clock(plain: list[float]) -> tuple[float, ...]:
    """A clock's numbers; the last two count frames."""
    numbers = tuple(map(float, plain))
    return (*numbers[:-2], *map(int, numbers[-2:]))


def _readings(data: dict[str, Any]) -> list[Any] | None:
    """Check the parts of an unfinished reading; anything else is refused."""
    known: list[Any] | None = data.get("readings")
    if known is not None:
        Readings({}, lambda _, __: None).restore(known)
    return known


MOST_CUES = 1e6
"""More than this are not given between two frames."""
CLOCK, PLACE = 7, 5
"""How many numbers a clock and a place are."""


def _check(one: Snapshot) -> None:
    """Refuse what has the wrong size, or no numbers where there must be some."""
    program, cues = one.program, len(one.program.cues)
    lists = (one.values, one.clock, one.place, one.rest.counts, one.rest.given, one.loop.hosts, one.loop.rig)
    sizes = (program.width, CLOCK, PLACE, cues, cues, len(program.asked), len(program.rig))
    if tuple(map(len, lists)) != sizes:
        raise ValueError("a list of the wrong length")
    given = [t for times in one.rest.given for t in times]
    if any(
        part - part != 0.0
        for part in (
            *one.loop.state,
            *one.values,
            *one.clock,
            *one.place,
            *one.rest.counts,
            *given,
            *one.loop.rig,
        )
    ):
        raise ValueError("no number where there must be one")
    if one.plan.touches:
        check_contacts(dict(zip(program.state, one.loop.state, strict=True)), len(one.plan.areas))
    arrived, waiting, *_ = one.inbox
    if any(not (0 <= code < program.frame or code < -1) for _, code, _, _ in (*arrived, *waiting)):
        raise ValueError("an event of no signal")
    for axis, amount, start, half_life, frequency in one.rest.kicks:
        if axis not in program.seen or not (-BEYOND <= amount <= BEYOND and start - start == 0.0):
            raise ValueError("a kick that nobody gave")
        if not (0.0 < half_life <= 60.0 and 0.0 <= frequency < 1000.0):
            raise ValueError("a kick that nobody gave")
    _try_frames(one)


def _try_frames(one: Snapshot) -> None:
    """Refuse finite numbers from which no frame can be read, by reading two."""
    program, now = one.program, one.clock[0]
    # A commit is 1/16 s ago at the most; from one that lies years back a frame would take years.
    if not 0.0 <= now - one.loop.state[0] <= 1.0:
        raise ValueError("a last commit that is not just before its frame")
    trial = program.live(one.loop.state)
    next(trial)
    for t in (now, now + 1.0):
        values = trial.send([(t, program.frame, 0.0, 0.0)])
        for name, count in (("cursor", len(CURSORS)), ("mount", 1 + len(one.plan.others))):
            if name in program.places and values[program.places[name]] not in range(count):
                raise ValueError(f"a {name} that is not there")
        for place, known in zip(program.cues.values(), one.rest.counts, strict=True):
            if abs(values[place] - known) > MOST_CUES:
                raise ValueError("more cues than anyone could give")
        program.pose(values, one.loop.hosts, t, one.loop.rig)

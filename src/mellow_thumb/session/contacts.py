"""Contacts: fingers that land, move and lift, in any order, become the signals of touches.

It stands between what comes in and the woven loop, sees events in order of time, and puts others in their
place. What it says depends on the events up to then alone.
"""

from __future__ import annotations

from math import atan2, degrees, log
from typing import TYPE_CHECKING, Any, NamedTuple

from ..basics import listed
from ..plan import DOUBLE, SLOP, SWITCHES, TAP

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..plan import Plan, Touch
    from ..weaving import Item

PLACE, DOWN, CANCEL = 0, 1, 2
"""What may happen to a contact: it is somewhere; it lands (1) or lifts (0); it is taken away."""
LEAST = -100
"""Codes from here on downwards are not those of contacts."""
EASES = 3.0
"""A held point is under the finger again once that went so many times as far as its touch waits for."""
UNKNOWN = (
    "{} goes by cm, and nobody said how many pixels are one: set_screen(width, height, pixels_per_cm=...), "
    "or rows of host.pixels_per_cm in a take"
)
"""Why an area takes no finger whose lengths are in cm on a screen whose density is not known."""
AWAY = 1e9
"""Further than any finger goes, in screens."""
NEAREST = 0.01
"""How near two fingers count at the least, in screens: nearer than fingers can be."""


def code_of(finger: int, phase: int) -> int:
    """The code of what happens to a finger: below -1, as the woven loop has none."""
    return -(2 + 3 * finger + phase)


class _Finger:
    """One finger on the screen, or over it."""

    __slots__ = ("area", "begun", "far", "landed", "moved", "x", "y")

    def __init__(self) -> None:
        self.x = self.y = 0.5
        self.area = -1
        """The area that has claimed it; -1: none."""
        self.landed = (0.5, 0.5)
        self.begun = 0.0
        self.far = 0.0
        """How far from there it has been, in screens."""
        self.moved = 0.0
        """Whether it has gone further than a tap may."""

    def saved(self) -> list[float]:
        return [self.x, self.y, self.area, *self.landed, self.begun, self.moved, self.far]

    @classmethod
    def restored(cls, saved: list[float]) -> _Finger:
        one = cls()
        one.x, one.y, area, x, y, one.begun, one.moved, one.far = map(float, saved)
        one.area, one.landed = int(area), (x, y)
        return one


class _Area(NamedTuple):
    """Touches that share their contacts."""

    touches: tuple[Touch, ...]
    codes: tuple[dict[str, int], ...]
    """For each of them: the code of its signal (``""``) and of its switches, as far as somebody listens."""


class Contacts:
    """Makes the signals of touches out of contacts."""

    def __init__(self, plan: Plan, codes: dict[str, int], refuse: Callable[[str, str], None]) -> None:
        """Begin without a finger; `refuse` is told the signal and the reason of a contact that none takes."""
        self._refuse = refuse
        areas: dict[Any, list[Touch]] = {}
        for touch in plan.touches:
            areas.setdefault(touch.area, []).append(touch)
        # of equal priority, one that asks what a finger landed on comes before one that takes any
        rank = sorted(areas.values(), key=lambda one: (-one[0].priority, not one[0].starts_on, one[0].name))
        self._areas = [_Area(tuple(one), tuple(_heard(touch, codes) for touch in one)) for one in rank]
        self._things = {name: float(k) for k, name in enumerate(plan.things, 1)}
        self._screen, self._focus = codes.get("host.screen", -1), codes.get("host.focus", -1)
        self._scale = codes.get("host.pixels_per_cm", -1)
        self._wide = self._tall = 1.0
        self._per_cm = 0.0
        self._fingers: dict[int, _Finger] = {}
        self._claimed: list[list[int]] = [[] for _ in self._areas]
        """For each area the fingers that it has claimed, by when they landed."""
        self._origins: list[list[float]] = [[] for _ in self._areas]
        """Where its fingers were as their number last changed: x, y of each, in screens."""
        self._past: list[list[bool]] = [[False] * len(area.touches) for area in self._areas]
        """For each area and touch: whether its fingers have gone far enough since then."""
        self._centres: list[tuple[float, float]] = [(0.0, 0.0)] * len(self._areas)
        """Of each thumb pad: where its middle is, in screens."""

    def expand(self, items: list[Item]) -> list[Item]:
        """Events in order of time, with those of contacts replaced by what touches say."""
        if not any(
            LEAST < code < -1 or code in (self._screen, self._focus, self._scale) for _, code, _, _ in items
        ):
            return items
        out: list[Item] = []
        for item in items:
            t, code, x, y = item
            if LEAST < code < -1:
                finger, phase = divmod(-2 - code, 3)
                self._happen(out, t, finger, phase, x, y)
                continue
            if code == self._screen:
                # half a size comes with no number for the other half, which stays
                self._wide, self._tall = x if x == x else self._wide, y if y == y else self._tall
            elif code == self._scale:
                self._per_cm = x
            elif code == self._focus and x == 0.0:
                for finger in list(self._fingers):
                    self._lift(out, t, finger, tapped=False)
            out.append(item)
        return out

    def claims(self, finger: int) -> bool:
        """Whether a touch has taken a finger that is on the screen."""
        return finger in self._fingers and self._fingers[finger].area >= 0

    # ---- what happens to a finger

    def _happen(self, out: list[Item], t: float, finger: int, phase: int, x: float, y: float) -> None:
        one = self._fingers.get(finger)
        if phase == PLACE:
            one = one or self._fingers.setdefault(finger, _Finger())
            before = self._at(one)
            # half a place comes with no number for the other half, which stays
            one.x, one.y = x if x == x else one.x, y if y == y else one.y
            if one.area >= 0:
                self._move(out, t, finger, one, before)
        elif phase == DOWN and x != 0.0:
            if one is not None and one.area >= 0:
                self._lift(out, t, finger, tapped=False)
                one = None
            self._land(out, t, finger, one or self._fingers.setdefault(finger, _Finger()), y)
        elif one is not None:
            self._lift(out, t, finger, tapped=phase == DOWN)

    def _at(self, one: _Finger) -> tuple[float, float]:
        """Where a finger is, in screens."""
        shorter = min(self._wide, self._tall)
        return one.x * self._wide / shorter, one.y * self._tall / shorter

    def _land(self, out: list[Item], t: float, finger: int, one: _Finger, thing: float) -> None:
        self._fingers[finger] = one
        if thing < 0.0:  # the host's own interface used it
            return
        for number, area in enumerate(self._areas):
            first = area.touches[0]
            left, bottom, right, top = first.region
            inside = left <= one.x <= right and bottom <= one.y <= top
            on = not first.starts_on or self._things.get(first.starts_on) == thing
            free = first.kind != "thumb_pad" or not self._claimed[number]
            if not (inside and on and free):
                continue
            if self._unknown(area):
                # how far is far nobody can know: it takes no finger
                names = listed([touch.name for touch in area.touches], "and")
                self._refuse(f"touch.{finger}.down", UNKNOWN.format(names))
            else:
                one.area, one.landed, one.begun, one.moved, one.far = number, self._at(one), t, 0.0, 0.0
                self._claimed[number].append(finger)
                self._count_changed(out, t, number)
                return

    def _unknown(self, area: _Area) -> bool:
        """Whether an area goes by lengths that nobody has told."""
        cm = self._cm()
        return any(
            length.screens(cm) != length.screens(cm)
            for touch in area.touches
            for length in (touch.after_travel, touch.radius)
        )

    def _cm(self) -> float:
        """How many cm a screen is; 0 where that is not known."""
        return min(self._wide, self._tall) / self._per_cm if self._per_cm > 0.0 else 0.0

    def _lift(self, out: list[Item], t: float, finger: int, *, tapped: bool) -> None:
        one = self._fingers.pop(finger)
        if one.area < 0:
            return
        claimed = self._claimed[one.area]
        alone, lead = claimed == [finger], claimed[0]
        claimed.remove(finger)
        # the last finger of several that lifts is the end of a gesture, and no tap
        if tapped and alone and not one.moved and t - one.begun <= TAP:
            for codes in self._areas[one.area].codes:
                self._say(out, t, codes, "tap", 1.0)
                self._say(out, t, codes, "tap", 0.0)
        self._count_changed(out, t, one.area, lead)

    def _count_changed(self, out: list[Item], t: float, number: int, lead: int = -1) -> None:
        """Fingers have come or gone: from here on they are measured anew, so nothing jumps."""
        area, claimed = self._areas[number], self._claimed[number]
        places = [self._at(self._fingers[finger]) for finger in claimed[:2]]
        self._origins[number] = [part for place in places for part in place]
        for k, (touch, codes) in enumerate(zip(area.touches, area.codes, strict=True)):
            down = len(claimed) >= (2 if touch.kind in DOUBLE else 1)
            self._past[number][k] = touch.after_travel.value == 0.0
            if claimed and claimed[0] != lead and lead >= 0:
                # Another finger leads: what is held is held anew, by where it is.
                self._say(out, t, codes, "down", 0.0)
                self._fingers[claimed[0]].far = AWAY
            self._say_place(out, t, number, touch, codes)
            self._say(out, t, codes, "down", float(down))
            still = down and not any(self._fingers[finger].moved for finger in claimed)
            self._say(out, t, codes, "still", float(still))
            if touch.kind == "thumb_pad":
                self._pad(out, t, number, touch, codes, fresh=True)

    # ---- what moves

    def _move(
        self, out: list[Item], t: float, finger: int, one: _Finger, before: tuple[float, float]
    ) -> None:
        area, claimed, now = self._areas[one.area], self._claimed[one.area], self._at(one)
        one.far = max(one.far, _apart(now, one.landed))
        if not one.moved:
            # what waits for a travel of its own decides with it what is still a tap
            slips = [touch.after_travel.screens(self._cm()) or SLOP for touch in area.touches]
            if _apart(now, one.landed) > min(slips):
                one.moved = 1.0
                for codes in area.codes:
                    self._say(out, t, codes, "still", 0.0)
        if finger not in claimed[:2]:
            return
        for k, (touch, codes) in enumerate(zip(area.touches, area.codes, strict=True)):
            self._say_place(out, t, one.area, touch, codes)
            if touch.kind == "thumb_pad":
                self._pad(out, t, one.area, touch, codes, fresh=False)
            elif (touch.kind in DOUBLE) == (len(claimed) >= 2):
                self._drag(out, t, one.area, k, finger, before, now)

    def _drag(
        self,
        out: list[Item],
        t: float,
        number: int,
        k: int,
        finger: int,
        before: tuple[float, float],
        now: tuple[float, float],
    ) -> None:
        """What a movement of one finger comes to, for a touch whose fingers are on the screen."""
        touch, codes = self._areas[number].touches[k], self._areas[number].codes[k]
        if not self._past[number][k]:
            place = self._claimed[number].index(finger)
            origin = self._origins[number][2 * place], self._origins[number][2 * place + 1]
            least, way = touch.after_travel.screens(self._cm()), _apart(now, origin)
            if not way > least:
                return
            self._past[number][k] = True
            share = least / way  # what it took to get going is dropped: nothing jumps
            before = (origin[0] + (now[0] - origin[0]) * share, origin[1] + (now[1] - origin[1]) * share)
        if touch.kind == "drag":
            self._say(out, t, codes, "", now[0] - before[0], now[1] - before[1])
            return
        # a third finger counts for nothing while the first two are there
        other = next(one for one in self._claimed[number][:2] if one != finger)
        there = self._at(self._fingers[other])
        if touch.kind == "two_finger_drag":
            self._say(out, t, codes, "", (now[0] - before[0]) / 2.0, (now[1] - before[1]) / 2.0)
            return
        then, after = _apart(before, there), _apart(now, there)
        if touch.kind == "spread":
            self._say(out, t, codes, "", log(max(after, NEAREST) / max(then, NEAREST)))
        elif then >= NEAREST and after >= NEAREST:
            a = atan2(before[1] - there[1], before[0] - there[0])
            b = atan2(now[1] - there[1], now[0] - there[0])
            # the angle between two fingers goes round at half a turn; between two reports they turn by less
            turn = degrees(a - b)
            self._say(out, t, codes, "", turn - 360.0 * round(turn / 360.0))

    def _pad(
        self, out: list[Item], t: float, number: int, touch: Touch, codes: dict[str, int], *, fresh: bool
    ) -> None:
        """Where a thumb pad is pushed."""
        claimed = self._claimed[number]
        if not claimed:
            self._say(out, t, codes, "", 0.0, 0.0)
            return
        x, y = self._at(self._fingers[claimed[0]])
        radius = touch.radius.screens(self._cm())
        if fresh:
            shorter = min(self._wide, self._tall)
            fixed = touch.centre
            self._centres[number] = (
                (fixed[0] * self._wide / shorter, fixed[1] * self._tall / shorter) if fixed else (x, y)
            )
        a, b = self._centres[number]
        way = _apart((x, y), (a, b)) / radius
        if way > 1.0 and touch.follows:
            a, b = x - (x - a) / way, y - (y - b) / way
            self._centres[number] = (a, b)
        # a pad that stays put is pushed all the way beyond its rim; one that follows has moved up to it
        scale = radius * max(way, 1.0) if not touch.follows else radius
        self._say(out, t, codes, "", (x - a) / scale, (y - b) / scale)

    def _say_place(self, out: list[Item], t: float, number: int, touch: Touch, codes: dict[str, int]) -> None:
        """Where the finger is that leads, or the middle of two.

        A drag that waits for a travel stays where it landed meanwhile, then goes half as fast again as the
        finger until it is there: what is held by it neither jumps nor slips for good.
        """
        fingers = [
            self._fingers[finger] for finger in self._claimed[number][: 2 if touch.kind in DOUBLE else 1]
        ]
        if fingers:
            x, y = (
                sum(part) / len(fingers) for part in zip(*((one.x, one.y) for one in fingers), strict=True)
            )
            least = touch.after_travel.screens(self._cm()) if touch.kind == "drag" else 0.0
            (lead, *_) = fingers
            if lead.far < EASES * least:
                share = EASES / (EASES - 1.0) * max(lead.far - least, 0.0) / lead.far if lead.far else 0.0
                shorter = min(self._wide, self._tall)
                begun = lead.landed[0] * shorter / self._wide, lead.landed[1] * shorter / self._tall
                x, y = begun[0] + (x - begun[0]) * share, begun[1] + (y - begun[1]) * share
            self._say(out, t, codes, "place", x, y)

    @staticmethod
    def _say(out: list[Item], t: float, codes: dict[str, int], what: str, x: float, y: float = 0.0) -> None:
        if what in codes:
            out.append((t, codes[what], x, y))

    # ---- saving

    def saved(self) -> list[Any]:
        """All that it knows, as plain data."""
        return [
            [self._wide, self._tall, self._per_cm],
            [[finger, one.saved()] for finger, one in self._fingers.items()],
            [list(one) for one in self._claimed],
            [list(one) for one in self._origins],
            [list(map(float, one)) for one in self._past],
            [list(one) for one in self._centres],
        ]

    def restore(self, saved: list[Any]) -> None:
        """Become what :meth:`saved` told; raises ValueError for what does not belong here."""
        screen, fingers, claimed, origins, past, centres = saved
        found = {int(finger): _Finger.restored(one) for finger, one in fingers}
        counts = [len(claimed), len(origins), len(past), len(centres)]
        if set(counts) != {len(self._areas)} or any(one not in found for some in claimed for one in some):
            raise ValueError("contacts of another profile")
        self._wide, self._tall, self._per_cm = map(float, screen)
        self._fingers = found
        self._claimed = [list(map(int, one)) for one in claimed]
        self._origins = [list(map(float, one)) for one in origins]
        self._past = [[bool(one) for one in some] for some in past]
        self._centres = [(float(x), float(y)) for x, y in centres]


def _heard(touch: Touch, codes: dict[str, int]) -> dict[str, int]:
    """The codes of a touch's signals that somebody listens to."""
    stem = f"touch.{touch.name}"
    names = {"": stem, **{what: f"{stem}.{what}" for what in ("place", *SWITCHES)}}
    return {what: codes[name] for what, name in names.items() if name in codes}


def _apart(a: tuple[float, float], b: tuple[float, float]) -> float:
    return float(((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2) ** 0.5)

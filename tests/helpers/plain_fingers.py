"""The rules of fingers once more, plainly and slowly: lists and complex numbers, one moment after another."""

from __future__ import annotations

from cmath import phase as angle_of
from dataclasses import dataclass, field
from itertools import groupby
from math import degrees, log, sqrt
from typing import NamedTuple

from mellow_thumb.plan.touches import Touch, areas_of


class Said(NamedTuple):
    """What is said of a finger: ``place``, ``down``, ``up`` or ``cancel``."""

    t: float
    finger: int
    what: str
    place: complex = 0.0
    on: str = ""


@dataclass(eq=False)
class Finger:
    number: int
    place: complex
    was: complex = 0.0
    landed: complex = 0.0
    begun: float = 0.0
    order: int = 0
    counts: bool = False
    goes: bool = False
    tap: Tap | None = None


@dataclass(eq=False)
class Tap:
    """Fingers that land together: of those that stay and lift soon it is a tap."""

    begun: float
    due: float = 0.0
    open: int = 0
    lifted: int = 0


@dataclass(eq=False)
class Place:
    """An area: touches that share their fingers."""

    touches: tuple[Touch, ...]
    fingers: list[Finger] = field(default_factory=list)
    latest: Tap | None = None
    way: dict[str, complex] = field(default_factory=dict)
    past: dict[str, bool] = field(default_factory=dict)
    pair: tuple[Finger, ...] = ()
    begun: float = 0.0
    across: complex = 0.0
    turned: float = 0.0
    value: dict[str, float] = field(default_factory=dict)
    centre: complex = 0.0

    def counting(self) -> list[Finger]:
        return sorted((one for one in self.fingers if one.counts), key=lambda one: one.order)


class PlainFingers:
    """Fingers on a screen of so many screens by so many; lengths in screens."""

    def __init__(self, touches: tuple[Touch, ...], size: tuple[float, float]) -> None:
        shorter = min(size)
        self.wide, self.tall = size[0] / shorter, size[1] / shorter
        self.areas = [Place(one) for one in areas_of(touches)]
        self.known: dict[int, complex] = {}
        self.landed = 0
        self.total: dict[str, complex] = {one.name: 0.0 for one in touches}
        """What each touch has said so far, added up; of a pad where it is pushed now."""
        self.taps: list[tuple[float, str, int]] = []
        """When there was a tap, on which touch, of how many fingers."""

    def screens(self, place: complex) -> complex:
        return complex(place.real * self.wide, place.imag * self.tall)

    def act(self, said: list[Said]) -> None:
        for t, together in groupby(said, key=lambda one: one.t):
            moment: list[Said] = []
            for one in together:
                again = any(
                    other.finger == one.finger and (other.what == "place") == (one.what == "place")
                    for other in moment
                )
                if again:
                    self.moment(t, moment)
                    moment = []
                moment.append(one)
            self.moment(t, moment)

    def moment(self, t: float, said: list[Said]) -> None:
        self.wait(t)
        places = {one.finger: one.place for one in said if one.what == "place"}
        becomes = {one.finger: one for one in said if one.what != "place"}
        self.known |= places
        for area in self.areas:
            self.move(t, area, places)
        for area in self.areas:
            self.lift(t, area, becomes)
        fingers = sorted(number for number, one in becomes.items() if one.what == "down")
        found = [(number, self.area_of(number, becomes[number])) for number in fingers]
        self.settle(t, [(number, area) for number, area in found if area])

    def wait(self, t: float) -> None:
        """Let the time run out of fingers that no longer tap."""
        for area in self.areas:
            if area.latest and area.latest.open and t > area.latest.due + 1e-6:
                area.latest.open = 0
                self.tapped(area.latest.due, area, area.latest)

    # ---- moving

    def move(self, t: float, area: Place, places: dict[int, complex]) -> None:
        moved = [one for one in area.fingers if one.number in places]
        for one in moved:
            one.was, one.place = one.place, places[one.number]
        share = 0.0
        while True:
            joins, till = None, 1.0
            for one in moved:
                at = None if one.goes else self.goes_at(area, one)
                if at is not None and (joins is None or at < till):
                    joins, till = one, at
            self.step(area, moved, share, till)
            if joins is None:
                break
            share = till
            before = area.counting()
            joins.goes = joins.counts = True
            if joins.tap:
                self.one_less(t, area, joins.tap)
                joins.tap = None
            if not before:
                self.begin(area, 1, self.between(joins, till) - self.screens(joins.landed))
            if len(before) < 2 <= len(area.counting()):
                self.begin(area, 2, self.between(joins, till) - self.screens(joins.landed))
            self.renew(area, moved, till)
        for one in moved:
            one.was = one.place

    def between(self, one: Finger, share: float) -> complex:
        return self.screens(one.was) + (self.screens(one.place) - self.screens(one.was)) * share

    def slip(self, area: Place) -> float:
        stated = [one.tap_travel.value for one in area.touches if one.tap_travel.value]
        stated += [one.after_travel.value for one in area.touches if one.after_travel.value]
        return stated[0] if stated else 0.02

    def goes_at(self, area: Place, one: Finger) -> float | None:
        """The share of its way at which a finger is further from its landing than a tap may slip."""
        slip, begin = self.slip(area), self.screens(one.was) - self.screens(one.landed)
        end = self.screens(one.place) - self.screens(one.landed)
        if abs(end) <= slip:
            return None
        low, high = 0.0, 1.0
        a = abs(end - begin) ** 2
        b = begin.real * (end - begin).real + begin.imag * (end - begin).imag
        inside = max(slip**2 - abs(begin) ** 2, 0.0)
        return min(max((sqrt(b * b + a * inside) - b) / a, low), high)

    def step(self, area: Place, moved: list[Finger], share: float, till: float) -> None:
        counting = area.counting()
        if not counting or not any(one in moved for one in counting):
            return
        way = sum((self.screens(one.place) - self.screens(one.was)) * (till - share) for one in counting if one in moved) / len(counting)  # fmt: skip
        two = any(one.kind == "two_finger_drag" for one in area.touches)
        for touch in area.touches:
            acts = {"drag": not (two and len(counting) > 1), "two_finger_drag": len(counting) > 1}
            if acts.get(touch.kind):
                self.drag(area, touch, way)
        if len(area.pair) == 2:
            self.measure(area, moved, till)

    def drag(self, area: Place, touch: Touch, way: complex) -> None:
        travel = touch.after_travel.value
        if not travel or area.past[touch.name]:
            self.total[touch.name] += way
            return
        before = area.way[touch.name]
        area.way[touch.name] = after = before + way
        if abs(after) > travel:
            a, b = abs(way) ** 2, before.real * way.real + before.imag * way.imag
            share = (sqrt(b * b + a * max(travel**2 - abs(before) ** 2, 0.0)) - b) / a
            area.past[touch.name] = True
            self.total[touch.name] += way * (1.0 - min(max(share, 0.0), 1.0))

    def at(self, one: Finger, moved: list[Finger], till: float) -> complex:
        return self.between(one, till) if one in moved else self.screens(one.place)

    def measure(self, area: Place, moved: list[Finger], till: float) -> None:
        a, b = (self.at(one, moved, till) for one in area.pair)
        for touch in area.touches:
            travel = touch.after_travel.value
            if touch.kind == "spread":
                gap, now = max(abs(b - a), 0.01), 0.0
                if gap > area.begun + travel:
                    now = log(gap / (area.begun + travel))
                elif gap < max(area.begun - travel, 0.01):
                    now = log(gap / max(area.begun - travel, 0.01))
            elif touch.kind == "twist":
                turn = 0.0 if area.across == 0.0 or b == a else -degrees(angle_of((b - a) / area.across))
                area.turned += turn
                arc = degrees(travel / area.begun)
                now = (
                    area.turned - arc
                    if area.turned > arc
                    else area.turned + arc
                    if area.turned < -arc
                    else 0.0
                )
            else:
                continue
            self.total[touch.name] += now - area.value[touch.name]
            area.value[touch.name] = now
        area.across = b - a

    # ---- who is there

    def begin(self, area: Place, needs: int, way: complex) -> None:
        for touch in area.touches:
            if (2 if touch.kind in ("two_finger_drag", "spread", "twist") else 1) == needs:
                area.way[touch.name] = way
                area.past[touch.name] = abs(way) >= touch.after_travel.value - 1e-12

    def renew(self, area: Place, moved: list[Finger], till: float) -> None:
        pair = tuple(area.counting()[:2])
        if pair == area.pair:
            return
        area.pair = pair
        area.value = {one.name: 0.0 for one in area.touches}
        area.turned = 0.0
        if len(pair) == 2:
            a, b = (self.at(one, moved, till) for one in pair)
            area.begun, area.across = max(abs(b - a), 0.01), b - a

    def lift(self, t: float, area: Place, becomes: dict[int, Said]) -> None:
        for one in [one for one in area.fingers if one.number in becomes]:
            tap, soon = (
                one.tap,
                becomes[one.number].what == "up" and t - one.begun <= area.touches[0].tap_within,
            )
            area.fingers.remove(one)
            if tap is None:
                continue
            if tap is area.latest and tap.open:
                tap.lifted += soon
                self.one_less(t, area, tap)
            elif soon:
                self.taps.append((t, area.touches[0].name, 1))

    def one_less(self, t: float, area: Place, tap: Tap) -> None:
        if tap is not area.latest or not tap.open:
            return
        tap.open -= 1
        if not tap.open:
            self.tapped(t, area, tap)

    def tapped(self, t: float, area: Place, tap: Tap) -> None:
        if 1 <= tap.lifted <= 3:
            self.taps.append((t, area.touches[0].name, tap.lifted))
        tap.lifted = 0

    def area_of(self, number: int, said: Said) -> Place | None:
        if said.on == "interface":
            return None
        place = self.known.get(number, 0.5 + 0.5j)
        for area in self.areas:
            touch = area.touches[0]
            left, bottom, right, top = touch.region
            inside = left <= place.real <= right and bottom <= place.imag <= top
            taken = touch.kind == "thumb_pad" and area.fingers
            if inside and not taken and touch.starts_on in ("", said.on):
                self.landed += 1
                one = Finger(number, place, place, place, order=self.landed)
                area.fingers.append(one)
                return area
        return None

    def settle(self, t: float, landed: list[tuple[int, Place]]) -> None:
        """Fingers have lifted and landed: who counts now."""
        for area in self.areas:
            new = [one for number, of in landed if of is area for one in area.fingers if one.number == number]
            before = len([one for one in area.counting() if one not in new])
            going = any(one.goes for one in area.fingers)
            for one in new:
                one.begun = t
                if area.latest is None or not area.latest.open or t - area.latest.begun > 0.12:
                    if area.latest and area.latest.open:
                        area.latest.open = 0
                        self.tapped(t, area, area.latest)
                    area.latest = Tap(t)
                one.tap = area.latest
                area.latest.open += 1
                area.latest.due = t + area.touches[0].tap_within
                one.counts = not going
                area.centre = complex(*area.touches[0].centre) if area.touches[0].centre else one.place
            if new:
                for one in area.fingers:
                    if one.counts and not one.goes and t - one.begun > 0.5:
                        one.counts = False
                        before -= 1
            for needs in (1, 2):
                if before < needs <= len(area.counting()):
                    self.begin(area, needs, 0.0)
            self.renew(area, [], 1.0)
            if area.touches[0].kind == "thumb_pad":
                self.push(area)

    def push(self, area: Place) -> None:
        touch = area.touches[0]
        if not area.fingers:
            self.total[touch.name] = 0.0
            return
        radius, away = touch.radius.value, self.screens(area.fingers[0].place) - self.screens(area.centre)
        if touch.follows and abs(away) > radius:
            over = away * (1.0 - radius / abs(away))
            area.centre += complex(over.real / self.wide, over.imag / self.tall)
            away -= over
        self.total[touch.name] = away / max(abs(away), radius)

"""A host may say anything in any order: two sessions that are told the same stay the same, whatever their frames."""

from __future__ import annotations

import json
import math
from pathlib import Path
from typing import Any

import pytest
from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, precondition, rule

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.engines import load
from mellow_thumb.profiles.offers import places
from mellow_thumb.profiles.profile import profile_of
from mellow_thumb.profiles.whole import resolve

from ..helpers.compiling import needs_compiler, quickly

ANY = ["key.*", "mouse.*", "pad.*"]


def offering(profile: mt.Profile) -> mt.Profile:
    """A profile that offers a player all there is to offer."""
    names = [name for name in profile.data["routes"] if name not in ("walk", "drag")]
    offers = {
        "sensitivity": {name: [0.2, 5] for name in names},
        "hands": ["reduced_motion", "debounce"],
        "buttons": dict.fromkeys(places(profile.data), ANY),
    }
    data = dict(profile.data) | {"offers": offers}
    plan, title, _, faults = resolve(data)
    assert plan is not None, faults
    return profile_of(plan, data, title, profile.file)


PROFILES = [offering(mt.load_profile(path)) for path, _ in marsh.SCENES]
moments = st.floats(0.0, 0.3)
shares = st.floats(-1.0, 1.0)
lengths = st.floats(-50.0, 50.0)
turns = st.tuples(shares, shares, shares, shares).filter(lambda q: math.hypot(*q) > 0.1)


def unit(turn: tuple[float, float, float, float]) -> Any:
    size = math.hypot(*turn)
    return tuple(part / size for part in turn)


class AnyOrder(RuleBasedStateMachine):
    """Two sessions of one profile; one of them is ticked several times where the other is once."""

    @initialize(profile=st.sampled_from(PROFILES))
    def begin(self, profile: mt.Profile) -> None:
        self.profile, self.laid, self.sheet = profile, profile, mt.new_sheet(profile)
        self.both = [profile.session(), profile.session()]
        self.keep()

    @property
    def signals(self) -> list[str]:
        """All that the profile listens to."""
        return sorted({str(signal) for signal in self.profile.signals})

    def tell(self, name: str, *arguments: Any, **more: Any) -> None:
        """Say the same to both; either both refuse it, with the same words, or none."""
        refused = []
        for one in self.both:
            try:
                getattr(one, name)(*arguments, **more)
                refused.append("")
            except mt.MellowThumbError as error:
                refused.append(str(error))
        assert refused[0] == refused[1]

    def views(self) -> mt.View:
        """What both show."""
        once, often = (one.view() for one in self.both)
        assert once == often
        return once

    @property
    def now(self) -> float:
        return self.both[0].now

    # ---- hands

    @rule(data=st.data(), after=moments, x=st.floats(-3.0, 3.0), y=st.floats(-3.0, 3.0), press=st.booleans())
    def feed(self, data: st.DataObject, after: float, x: float, y: float, *, press: bool) -> None:
        name = data.draw(st.sampled_from(self.signals))
        for value in (float(press), (x, y), x):
            self.tell("feed", name, value, at=self.now + after)

    @rule(contact=st.integers(1, 3), phase=st.sampled_from(["down", "move", "move", "up", "cancel"]),
          x=st.floats(0.0, 1.0), y=st.floats(0.0, 1.0), after=moments)  # fmt: skip
    def touch(self, contact: int, phase: str, x: float, y: float, after: float) -> None:
        self.tell("touch", contact, phase, (x, y), at=self.now + after)

    @rule(turn=st.tuples(lengths, lengths, lengths), force=st.tuples(shares, shares, shares), after=moments)
    def motion(self, turn: tuple[float, ...], force: tuple[float, ...], after: float) -> None:
        self.tell("motion", turn, [9.81 * part for part in force], at=self.now + after)

    @rule(turn=turns, after=moments)
    def attitude(self, turn: tuple[float, float, float, float], after: float) -> None:
        self.tell("attitude", unit(turn), at=self.now + after)

    @rule(data=st.data(), times=st.lists(moments, max_size=9), x=shares, clock=st.floats(-9.0, 9.0))
    def burst(self, data: st.DataObject, times: list[float], x: float, clock: float) -> None:
        name = data.draw(st.sampled_from(self.signals))
        for values in ([x * k for k, _ in enumerate(times)], [(x * k, x) for k, _ in enumerate(times)]):
            self.tell("feed_many", name, values, [self.now + after for after in times])
        self.tell("align", "glove", self.now + clock, at=self.now)
        self.tell("feed", name, x, at=self.now + clock + sum(times[:1]), device="glove")

    # ---- the host

    @rule(data=st.data(), value=lengths, over=st.floats(0.01, 1.0), after=moments)
    def axes(self, data: st.DataObject, value: float, over: float, after: float) -> None:
        name = data.draw(st.sampled_from([axis.name for axis in self.profile.axes]))
        self.tell("set_axis", name, value, at=self.now + after)
        self.tell("turn_to", name, value / 2.0, over=over, at=self.now + after)

    @rule(data=st.data(), factor=st.floats(0.0, 2.0), after=moments)
    def scale(self, data: st.DataObject, factor: float, after: float) -> None:
        name = data.draw(st.sampled_from([route.name for route in self.profile.routes]))
        self.tell("set_scale", name, factor, at=self.now + after)

    @rule(name=st.sampled_from(["yaw", "pitch", "distance"]), amount=shares, half_life=st.floats(0.01, 0.5))
    def kick(self, name: str, amount: float, half_life: float) -> None:
        self.tell("kick", name, amount, half_life=half_life)
        self.tell("shake", name, amount, half_life=half_life)

    @rule(turn=turns, side=st.sampled_from(["left", "right"]))
    def look(self, turn: tuple[float, float, float, float], side: str) -> None:
        self.tell("look_along", unit(turn), at=self.now)
        self.tell("set_hand", side, unit(turn))

    @rule(turn=turns, place=st.tuples(lengths, lengths, lengths))
    def head(self, turn: tuple[float, float, float, float], place: tuple[float, ...]) -> None:
        self.tell("view", head=(place, unit(turn)))
        self.tell("recentre")

    @rule(where=st.tuples(lengths, lengths, lengths), clear=st.floats(0.1, 9.0), ground=lengths)
    def world(self, where: tuple[float, float, float], clear: float, ground: float) -> None:
        self.tell("view", where, clear=clear, ground=ground, target=(where[2], where[0], where[1]))
        self.tell("shift_origin", *where)
        self.tell("set_platform", where, at=self.now)
        self.tell("set_ground", (where[0] / 99.0, 1.0, where[1] / 99.0), at=self.now)

    @rule(wide=st.floats(200.0, 4000.0), high=st.floats(200.0, 4000.0))
    def screen(self, wide: float, high: float) -> None:
        self.tell("set_screen", wide, high, at=self.now, pixels_per_cm=40.0)

    # ---- the player

    @rule(data=st.data(), factor=st.floats(0.2, 5.0), reduced=st.booleans())
    def apply(self, data: st.DataObject, factor: float, *, reduced: bool) -> None:
        offers = self.profile.offers
        self.sheet.set(self.profile, "hands", "reduced_motion", reduced)
        if offers.sensitivity:
            route = data.draw(st.sampled_from(sorted(offers.sensitivity)))
            self.sheet.set(self.profile, "sensitivity", route, factor)
        if offers.buttons:
            name = data.draw(st.sampled_from(sorted(offers.buttons)))
            address = data.draw(st.sampled_from(offers.carriers(name)))
            try:
                mt.rebind(self.profile, self.sheet, name, address, conflict="share")
            except mt.ArgumentError:
                return
        self.laid, told = self.sheet.lay(self.profile)
        assert all(" carries " in words for words in told)  # a button that is shared
        before = self.views()
        self.tell("apply", self.sheet)
        view = self.views()
        assert math.dist(view.rotation, before.rotation) < 1e-7
        assert math.dist(view.position, before.position) < 1e-5
        assert math.isclose(view.field_of_view, before.field_of_view, rel_tol=1e-6, abs_tol=1e-6)
        assert math.isclose(view.extent, before.extent, rel_tol=1e-6, abs_tol=1e-6)

    @rule(profile=st.sampled_from(PROFILES))
    def switch(self, profile: mt.Profile) -> None:
        self.tell("switch", profile)
        self.views()
        self.profile, self.laid, self.sheet = profile, profile, mt.new_sheet(profile)
        self.tell("apply", self.sheet)
        self.views()

    @rule(name=st.sampled_from(["glassing", "charting"]), value=st.sampled_from(["hold", "toggle", True]))
    def choose(self, name: str, value: str | bool) -> None:
        self.tell("choose", name, value, at=self.now)

    @rule()
    def listen(self) -> None:
        self.tell("listen", lambda address: address.startswith("key."))
        self.tell("feed", "key.KeyJ", 1.0, at=self.now)
        self.tell("stop_listening")

    # ---- time

    @rule(dt=st.floats(0.0, 0.25), parts=st.lists(st.floats(0.0, 1.0), max_size=4))
    def tick(self, dt: float, parts: list[float]) -> None:
        once, often = self.both
        end = once.now + dt
        frame = once.tick(to=end)
        for part in sorted(parts):
            often.tick(to=once.now - dt * (1.0 - part))
        other = often.tick(to=end)
        assert dict(other.axes) == dict(frame.axes)
        assert (other.gates, other.mount, other.device) == (frame.gates, frame.mount, frame.device)
        assert all(math.isfinite(value) for value in frame.axes.values())
        if self.profile.movement:
            assert once.command() == often.command()
            assert frame.movement.velocity == other.movement.velocity
        view = self.views()
        assert all(math.isfinite(part) for part in (*view.position, *view.rotation))
        assert abs(math.hypot(*view.rotation) - 1.0) < 1e-9

    @rule()
    def save(self) -> None:
        saved = json.loads(json.dumps(self.both[0].state()))
        self.both[1] = self.laid.session()
        self.both[1].restore(saved)
        self.keep()

    @rule()
    def keep(self) -> None:
        self.kept = (self.profile, self.laid, self.sheet, [one.snapshot() for one in self.both])

    @rule()
    def roll_back(self) -> None:
        self.profile, self.laid, self.sheet, snapshots = self.kept
        for one, snapshot in zip(self.both, snapshots, strict=True):
            one.restore(snapshot)
        self.views()

    @rule()
    @precondition(lambda self: self.both[0].settled)
    def stay(self) -> None:
        before = self.views()
        self.tell("tick", 0.2)
        assert math.dist(self.views().rotation, before.rotation) < 1e-6


AnyOrder.TestCase.settings = settings(max_examples=25, stateful_step_count=30)
TestAnyOrder = AnyOrder.TestCase


class AnyEngine(AnyOrder):
    """The same, where one of them goes over to C at any moment, and back by whatever brings another program."""

    @rule()
    @precondition(lambda self: self.both[1].engine == "Python")
    def go_over(self) -> None:
        running = self.both[1]._running
        with quickly():
            running.go_over(load(running.program))
        assert self.both[1].engine == "C"


AnyEngine.TestCase.settings = settings(max_examples=6, stateful_step_count=30)
TestAnyEngine = needs_compiler(AnyEngine.TestCase)


BARE = mt.Profile((), (), mt.load_profile(marsh.DYKE).axes, mt.load_profile(marsh.DYKE).mount)
NAN = math.nan
SLIPS: dict[str, list[tuple[Any, ...]]] = {
    "set_axis": [("yw", 1.0), ("yaw", NAN), ("yaw", 1.0, NAN)],
    "set_scale": [("lok", 1.0), ("look", -1.0)],
    "choose": [("glassing", "tap"), ("charting", True), ("", "")],
    "label": [("hopp",), ("",)],
    "take_cue": [("hopp",)],
    "kick": [("yw", 1.0), ("yaw", NAN)],
    "set_hand": [("up", (0.0, 0.0, 0.0, 1.0))],
    "look_along": [((0.0, 0.0, 0.0, 0.0),), ((NAN, 0.0, 0.0, 1.0),)],
    "set_screen": [(0.0, 800.0), (NAN, 800.0)],
    "touch": [(1, "press", (0.5, 0.5))],
    "set_ground": [((1.0, 0.0, 0.0),), ((NAN, 1.0, 0.0),)],
    "shift_origin": [(NAN, 0.0, 0.0)],
    "view": [("here",), ((NAN, 0.0, 0.0),), ((0.0, 0.0),)],
    "restore": [({},), ([],), ({"format": "mellow-thumb state 1"},)],
    "align": [("glove", NAN)],
}
QUIET: dict[str, list[tuple[Any, ...]]] = {
    "feed": [("mouse.mvoe", 1.0), ("mouse.move", 1.0), ("mouse.move", (NAN, 0.0)), ("mouse.left", "down")],
    "feed_many": [("mouse.move", [NAN], [0.0]), ("mouse.mvoe", [1.0], [0.0])],
    "set_platform": [((NAN, 0.0, 0.0),)],
    "motion": [((NAN, 0.0, 0.0), (0.0, 9.8, 0.0)), ((1.0,), ())],
    "attitude": [((NAN, 0.0, 0.0, 1.0),)],
}


@pytest.mark.parametrize("profile", [*PROFILES, BARE], ids=lambda profile: Path(profile.file).stem)
def test_a_slip_in_any_call_is_told_in_our_words_and_changes_nothing(profile: mt.Profile) -> None:
    session = profile.session()
    session.tick(0.1)
    before = session.state() | {"refused": {}}
    for name, slips in SLIPS.items():
        more = {"half_life": 0.1} if name == "kick" else {}
        for slip in slips:
            with pytest.raises(mt.MellowThumbError, match="found"):
                getattr(session, name)(*slip, **more)
    for name, slips in QUIET.items():
        for slip in slips:
            getattr(session, name)(*slip)
    session.tick(0.0)
    assert session.state() | {"refused": {}} == before
    sheet = mt.new_sheet(profile)
    for name, address in (("hopp", "key.KeyJ"), ("glassing", "key.Nix"), ("", "")):
        with pytest.raises(mt.MellowThumbError, match="expected"):
            mt.rebind(profile, sheet, name, address)
    for section in ("sensitivity", "invert", "dead_zone", "choice", "hands", "buttons", "nothing"):
        with pytest.raises(mt.MellowThumbError, match="expected"):
            sheet.set(profile, section, "lok", 1.0)


@pytest.mark.parametrize("wrong", [1e308, -1e308, 1e18, 0.5])
@pytest.mark.parametrize("profile", [*PROFILES, BARE], ids=lambda profile: Path(profile.file).stem)
def test_a_damaged_state_is_refused_or_goes_on_and_never_ends_in_a_traceback(
    profile: mt.Profile, wrong: float
) -> None:
    session = profile.session()
    session.tick(0.1)
    plain = json.dumps(session.state())
    for name in json.loads(plain)["loop"]:
        data = json.loads(plain)
        data["loop"][name] = wrong
        another = profile.session()
        try:
            another.restore(data)
        except mt.ArgumentError as error:
            assert "damaged" in str(error)
        else:
            another.tick(0.1)
            another.view()


def test_a_state_with_a_kick_that_nobody_gave_is_refused() -> None:
    session = PROFILES[0].session()
    session.kick("yaw", 2.0, half_life=0.1)
    session.restore(json.loads(json.dumps(session.state())))
    for k, wrong in ((0, "ywa"), (1, 1e308), (3, 0.0), (4, -1.0)):
        data = json.loads(json.dumps(session.state()))
        data["kicks"][0][k] = wrong
        with pytest.raises(mt.ArgumentError, match="a kick that nobody gave"):
            session.restore(data)


@pytest.mark.parametrize("code", [-1, -5, None, 10_000])
@pytest.mark.parametrize("where", ["arrived", "waiting"])
def test_a_state_with_an_event_of_no_signal_is_refused(code: int | None, where: str) -> None:
    session = PROFILES[0].session()
    session.feed("mouse.move", (3.0, 1.0), at=0.5)
    data = session.state()
    data[where] = [[0.5, code, 3.0, 1.0]]
    with pytest.raises(mt.ArgumentError, match="an event of no signal"):
        PROFILES[0].session().restore(data)

"""A page that is none: whatever comes is answered or refused, and holds nothing up."""

from __future__ import annotations

import asyncio
import json
import logging
from pathlib import Path
from random import Random
from typing import Any

import pytest
from starlette.types import Message

from mellow_thumb import marsh
from mellow_thumb.page import messages, one_page
from mellow_thumb.page.desk import Desk
from mellow_thumb.page.guard import ELSEWHERE, Guard
from mellow_thumb.page.one_page import FAST, SLOW, TAKEN_OVER, WRONG
from mellow_thumb.page.room import Room
from mellow_thumb.page.server import application

from .test_guard import HOST, entered

MANY = 5_000
ANSWERS = {"frame", "profile", "past", "again", "turned", "refused"}


@pytest.fixture
def file(tmp_path: Path) -> Path:
    path = tmp_path / "following.toml"
    path.write_bytes(marsh.FOLLOWING.read_bytes())
    return path


class Clock:
    """A clock on which every look is a frame later."""

    def __init__(self, step: float = 0.02) -> None:
        self.now, self.step = 0.0, step

    def __call__(self) -> float:
        self.now += self.step
        return self.now


class Caller:
    """Who calls a line: says texts one by one, and keeps what it is told."""

    def __init__(self, said: list[Any]) -> None:
        self.said, self.told, self.code = said, list[dict[str, Any]](), 0
        self.slow = asyncio.Event()

    async def receive(self) -> Message:
        await asyncio.sleep(0)
        if not self.said:
            return {"type": "websocket.disconnect", "code": 1000}
        one = self.said.pop(0)
        if one == "connect":
            return {"type": "websocket.connect"}
        return {"type": "websocket.receive"} | ({"bytes": one} if isinstance(one, bytes) else {"text": one})

    async def send(self, message: Message) -> None:
        if message["type"] == "websocket.close":
            self.code = message["code"]
        elif message["type"] == "websocket.send":
            self.told.append(json.loads(message["text"]))


def scope(cookie: str, origin: str = f"http://{HOST}") -> dict[str, Any]:
    lines = {"host": HOST, "origin": origin, "cookie": cookie}
    headers = [(name.encode(), value.encode()) for name, value in lines.items()]
    return {"type": "websocket", "path": "/line", "query_string": b"", "headers": headers, "scheme": "ws"}


def hello(now: float = 0.0) -> str:
    return json.dumps({"kind": "hello", "now": now, "width": 800, "height": 500})


def frame(number: int, *events: Any, now: float | None = None) -> str:
    at = 16.0 * number if now is None else now
    return json.dumps({"kind": "frame", "number": number, "now": at, "events": events})


def call(one: Room, *said: Any) -> Caller:
    """Say something on a line of a room."""
    guard = Guard(application(one), [HOST])
    caller = Caller(["connect", *said])
    asyncio.run(guard(scope(entered(guard)), caller.receive, caller.send))
    return caller


PIECES: list[Any] = [
    None, True, -1, 0, 1e308, -1e308, 1e-320, 7.5, 2**70, "", "pointermove", "\x00\ud800", "x" * 500, [], {}, [[]],
    {"type": "pointermove", "pointerType": "touch", "pointerId": {}, "clientX": 1e300, "clientY": -1e300},
    {"type": "gamepad", "axes": [1e300] * 4, "buttons": [{}] * 40},
    {"type": "devicemotion", "rotationRate": {"alpha": 1e300, "beta": "x", "gamma": None}},
    {"type": "xrframe", "viewer": {"position": [], "orientation": 3}, "inputSources": [{"handedness": "left"}]},
    {"type": "resize", "innerWidth": 1e9, "innerHeight": -3}, {"type": "keydown", "code": ["KeyA"]},
    {"type": "wheel", "deltaX": 1e300, "deltaY": 1e300, "deltaMode": 99}, {"type": ["list"]},
]  # fmt: skip


def chance_text(random: Random, number: int) -> str:
    """A message that is nearly one, or nothing of the kind."""

    def pick() -> Any:
        return random.choice(PIECES)

    match random.randrange(7):
        case 0:
            return frame(number, *(pick() for _ in range(random.randrange(5))))
        case 1:
            event = {
                key: pick() for key in random.sample(["timeStamp", "clientX", "movementX", "button", "on"], 3)
            }
            return frame(
                number, event | {"type": random.choice(["pointermove", "pointerdown", "wheel", "keyup"])}
            )
        case 2:
            path = random.choice(
                [["routes", "look", "sensitivity", "yaw"], ["axes"], ["x"] * 17, [0, -1], ["title"]]
            )
            return json.dumps(
                {"kind": "change", "path": path, "value": pick(), "going": random.random() < 0.5}
            )
        case 3:
            return json.dumps(
                {"kind": "do", "what": random.choice(["undo", "redo", "side", "copy", "why", "sheet", "x"])}
            )
        case 4:
            return json.dumps(
                {"kind": random.choice(["hello", "frame", "keep", 3]), "now": pick(), "width": pick()}
            )
        case 5:
            text = frame(number, pick())
            cut = random.randrange(len(text))
            return text[:cut] + random.choice(["", "[", '"', "\\", "}"]) + text[cut + random.randrange(3) :]
        case _:
            return hello(16.0 * number)


def test_five_thousand_chance_messages_are_answered_or_refused(
    file: Path, caplog: pytest.LogCaptureFixture
) -> None:
    caplog.set_level(logging.ERROR)
    random, one, number, before = Random(20), Room(Desk(file), None, Clock()), 0, file.read_bytes()
    guard = Guard(application(one), [HOST])
    cookie = entered(guard)

    async def all_of_them() -> None:
        nonlocal number
        while number < MANY:
            said = [hello(16.0 * number)]
            while len(said) < 60:
                number += 1
                said.append(chance_text(random, number))
            caller = Caller(["connect", *said])
            await guard(scope(cookie), caller.receive, caller.send)
            assert {told["kind"] for told in caller.told} <= ANSWERS
            assert caller.code in (0, WRONG)
            assert caller.told[0]["kind"] == "profile"

    asyncio.run(all_of_them())
    assert number >= MANY
    assert file.read_bytes() == before  # nothing was kept that nobody asked to keep
    shown = call(one, hello(), frame(1)).told[-1]
    assert shown["kind"] in ("frame", "again")
    assert one.seat.session.state()["format"]  # a state that JSON can hold has no number that is none


def test_five_thousand_chance_requests_are_answered_or_refused(file: Path) -> None:
    random, one = Random(21), Room(Desk(file), None, Clock())
    guard = Guard(application(one), [HOST])
    cookie = entered(guard)
    paths = ["/", "/line", "/static/main.js", "/static/../server.py", "/static/%2e%2e/room.py", "/land.json",
             "/take.csv", "//", "/static/", "/static//etc/passwd", "/\x00", "/etc/passwd", "/?token="]  # fmt: skip
    counts: dict[int, int] = {}

    async def ask(path: str, method: str, lines: dict[str, str]) -> tuple[int, bytes]:
        said: list[Message] = []

        async def send(message: Message) -> None:
            said.append(message)

        async def receive() -> Message:
            await asyncio.Event().wait()  # who asks says no more, and does not go
            raise AssertionError

        place, _, query = path.partition("?")
        asked = {
            "type": "http", "path": place, "raw_path": place.encode(), "query_string": query.encode(), "root_path": "",
            "method": method, "scheme": "http",
            "headers": [(name.encode(), value.encode()) for name, value in lines.items()],
        }  # fmt: skip
        await guard(asked, receive, send)
        return said[0]["status"], b"".join(part.get("body", b"") for part in said[1:])

    async def all_of_them() -> None:
        for _ in range(MANY):
            path = random.choice(paths) + "".join(random.choices("/.%2e\\?&=a", k=random.randrange(6)))
            method = random.choice(["GET", "GET", "HEAD", "POST", "PUT", "TRACE"])
            elsewhere = random.random() < 0.5
            lines = {"host": HOST, "cookie": cookie} | (
                {"origin": "http://elsewhere.example"} if elsewhere else {}
            )
            status, body = await ask(path, method, lines)
            counts[status] = counts.get(status, 0) + 1
            assert status in (200, 303, 307, 403, 404, 405), (path, status)
            if elsewhere or method not in ("GET", "HEAD"):
                assert status == 403
            assert b"root:" not in body
            assert b"def answer" not in body

    asyncio.run(all_of_them())
    assert counts[200] > 100
    assert counts[404] > 100


def test_a_line_from_elsewhere_is_refused_each_time(file: Path) -> None:
    guard = Guard(application(Room(Desk(file), None, Clock())), [HOST])
    cookie = entered(guard)
    for origin in (
        "http://elsewhere.example",
        "null",
        "http://127.0.0.1:80",
        f"http://{HOST}@elsewhere.example",
    ):
        caller = Caller(["connect", hello()])
        asyncio.run(guard(scope(cookie, origin), caller.receive, caller.send))
        assert (caller.code, caller.told) == (ELSEWHERE, [])


def test_too_much_too_fast_and_too_wrong_is_cut_off(file: Path) -> None:
    quick = Room(Desk(file), None, Clock(0.0001))
    assert call(quick, hello(), *(frame(k) for k in range(1, 2000))).code == FAST
    wrong = Room(Desk(file), None, Clock())
    assert call(wrong, hello(), *["tide"] * 100).code == WRONG
    assert call(wrong, hello(), b"\x00\x01", frame(1)).told[-1]["kind"] != "frame"
    assert call(wrong, frame(1)).told[-1]["words"] == "no hello came first"
    assert wrong.seat.door is None  # and nobody sits there


def test_a_page_that_takes_nothing_holds_nobody_up(file: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(one_page, "WAIT", 0.01)
    one = Room(Desk(file), None, Clock())
    guard = Guard(application(one), [HOST])
    cookie = entered(guard)

    class Deaf(Caller):
        async def send(self, message: Message) -> None:
            if message["type"] == "websocket.send":
                await asyncio.Event().wait()
            await super().send(message)

    async def both() -> tuple[Caller, Caller]:
        deaf, well = Deaf(["connect", hello()]), Caller(["connect", hello(), frame(1)])
        await guard(scope(cookie), deaf.receive, deaf.send)
        await guard(scope(cookie), well.receive, well.send)
        return deaf, well

    deaf, well = asyncio.run(both())
    assert deaf.code == SLOW
    assert "frame" in [told["kind"] for told in well.told]


def test_the_latest_has_the_hands(file: Path) -> None:
    one = Room(Desk(file), None, Clock())
    guard = Guard(application(one), [HOST])
    cookie = entered(guard)

    async def both() -> tuple[Caller, Caller]:
        first, second = (
            Caller(["connect", hello(), *(frame(k) for k in range(1, many))]) for many in (400, 30)
        )
        task = asyncio.create_task(guard(scope(cookie), first.receive, first.send))
        for _ in range(100):
            await asyncio.sleep(0)
        await guard(scope(cookie), second.receive, second.send)
        await task
        return first, second

    first, second = asyncio.run(both())
    assert first.code == TAKEN_OVER
    assert second.told[-1]["kind"] in ("frame", "again")


def test_events_without_end_do_not_grow_the_tape(file: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    from mellow_thumb.page import tape

    monkeypatch.setattr(tape, "MOST", 500)
    one = Room(Desk(file), None, Clock())
    move = {"type": "pointermove", "movementX": 1, "movementY": 0, "clientX": 1, "clientY": 1}
    told = call(one, hello(), *(frame(k, *[move] * 50) for k in range(1, 300))).told
    assert sum(len(each.events) for each in one.seat.tape.frames) < 500 + 2 * 62 * 100
    assert told[-1]["kind"] in ("frame", "again")
    assert len(frame(1, *[move] * messages.MOST_EVENTS)) > messages.LARGEST  # the size comes before the count


def test_a_cut_line_loses_no_change_that_was_kept(file: Path) -> None:
    one = Room(Desk(file), None, Clock())
    change = {"kind": "change", "path": ["routes", "look", "sensitivity", "yaw"], "value": "300 deg/s"}
    call(one, hello(), json.dumps(change))  # the line is cut here
    assert one.desk.current.changes
    assert one.seat.door is None
    told = call(one, hello(5e6), json.dumps({"kind": "do", "what": "keep"})).told
    assert any(each.get("words", "").startswith("kept in following.toml") for each in told)
    assert "300 deg/s" in file.read_text(encoding="utf-8")

"""Who may talk to the server, and what a page may say."""

from __future__ import annotations

import asyncio
import hashlib
import json
import re
from http.cookies import SimpleCookie
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from starlette.responses import PlainTextResponse
from starlette.types import Receive, Scope, Send

from mellow_thumb.page import messages
from mellow_thumb.page.guard import ELSEWHERE, Guard
from mellow_thumb.page.server import FILES

HOST = "127.0.0.1:4321"


async def inner(scope: Scope, receive: Receive, send: Send) -> None:
    if scope["type"] == "websocket":
        await send({"type": "websocket.accept"})
    else:
        await PlainTextResponse("marsh")(scope, receive, send)


def ask(
    guard: Guard, path: str = "/", *, kind: str = "http", method: str = "GET", **headers: str
) -> tuple[Any, dict[str, str]]:
    """The status of an answer, or what a socket is told, and the headers."""
    said: list[Any] = []

    async def receive() -> dict[str, str]:
        return {"type": f"{kind}.connect"}

    async def send(message: Any) -> None:
        said.append(message)

    place, _, query = path.partition("?")
    lines = [(name.encode(), value.encode()) for name, value in {"host": HOST, **headers}.items()]
    scope = {"type": kind, "path": place, "query_string": query.encode(), "method": method, "headers": lines}
    asyncio.run(guard(scope, receive, send))
    first = said[0]
    found = {name.decode(): value.decode() for name, value in first.get("headers", ())}
    return first.get("status", first.get("code", first["type"])), found


def entered(guard: Guard) -> str:
    """The cookie for the token."""
    status, headers = ask(guard, f"/?token={guard.token}")
    assert (status, headers["location"]) == (303, "/")
    (cookie,) = SimpleCookie(headers["set-cookie"]).values()
    assert (cookie["httponly"], cookie["samesite"]) == (True, "strict")
    return f"{cookie.key}={cookie.value}"


def test_the_token_is_traded_for_a_cookie_and_leaves_the_address() -> None:
    guard = Guard(inner, [HOST])
    assert len(guard.token) >= 22  # 128 bits and more
    cookie = entered(guard)
    status, headers = ask(guard, cookie=cookie)
    assert status == 200
    assert headers["referrer-policy"] == "no-referrer"
    assert "default-src 'none'" in headers["content-security-policy"]
    assert f"connect-src 'self' ws://{HOST}" in headers["content-security-policy"]
    assert "unsafe" not in headers["content-security-policy"]
    assert (
        ask(guard, "/line", kind="websocket", cookie=cookie, origin=f"http://{HOST}")[0] == "websocket.accept"
    )
    other = Guard(inner, [HOST])
    assert ask(other, cookie=cookie)[0] == 403
    assert entered(other).partition("=")[0] != cookie.partition("=")[0]


@pytest.mark.parametrize("kind", ["http", "websocket"])
def test_whoever_comes_from_elsewhere_is_refused(kind: str) -> None:
    guard = Guard(inner, [HOST])
    cookie, refused = entered(guard), 403 if kind == "http" else ELSEWHERE
    ours = {"cookie": cookie, "origin": f"http://{HOST}"}
    for changed in (
        {"cookie": ""},
        {"cookie": cookie[:-1]},
        {"cookie": cookie + "x"},
        {"cookie": "=;=,\x00"},
        {"host": "rebound.example:4321"},
        {"host": "127.0.0.1:4322"},
        {"host": ""},
        {"origin": "http://elsewhere.example"},
        {"origin": "null"},
        {"origin": f"https://{HOST}"},
        {"origin": f"http://{HOST}.elsewhere.example"},
    ):
        assert ask(guard, "/line", kind=kind, **(ours | changed))[0] == refused, changed
    if kind == "websocket":
        assert ask(guard, "/line", kind=kind, cookie=cookie)[0] == refused
        assert ask(guard, f"/line?token={guard.token}", kind=kind, origin=f"http://{HOST}")[0] == refused
    else:
        assert ask(guard, method="POST", **ours)[0] == 403
        assert ask(guard, f"/?token={guard.token[:-1]}")[0] == 403
        assert ask(guard, "/?token=")[0] == 403


@given(st.text(max_size=60), st.sampled_from(["host", "origin", "cookie", "token"]))
def test_no_chance_text_lets_one_in(text: str, where: str) -> None:
    guard = Guard(inner, [HOST])
    if where == "token":
        path = "/?token=" + text.encode("utf-8", "surrogatepass").hex()
        assert ask(guard, path)[0] == 403
    else:
        word = text.encode("utf-8", "surrogatepass").decode("latin-1").replace("\n", "")
        assert ask(guard, **{where: word.encode("ascii", "replace").decode()})[0] == 403


def test_a_page_says_what_it_may() -> None:
    hello = messages.read('{"kind": "hello", "now": 5, "width": 800, "height": 500}')
    assert isinstance(hello, messages.Hello)
    frame = messages.read('{"kind": "frame", "number": 1, "now": 6.5, "events": [{"type": "wheel"}]}')
    assert isinstance(frame, messages.FrameAsked)
    assert frame.ask
    for value in ("0.05 deg/count", 0.5, True, None):
        turned = messages.read(json.dumps({"kind": "change", "path": ["routes", "x", 0], "value": value}))
        assert isinstance(turned, messages.Change)
        assert (turned.value, type(turned.value)) == (value, type(value))


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "another message"),
        ("7", "another message"),
        ('{"kind": "hello"}', "another message than the page sends: hello.now"),
        ('{"kind": "exec"}', "another message"),
        ('{"kind": "do", "what": "rm"}', "another message than the page sends: do.what"),
        ('{"kind": "frame", "number": 1, "now": NaN}', "another message"),
        ('{"kind": "frame", "number": 1, "now": 1e999}', "another message"),
        ('{"kind": "do", "what": "undo", "more": 1}', "another message"),
        ("[" * 9 + "]" * 9, "more than 8 deep"),
        ("[" * 100_000, "more than 8 deep"),
        ('"' + "[" * 300_000, "300,001 characters"),
        ('{"kind": "frame", "number": 1, "now": 1, "events": [' + "{}," * 5000 + "{}]}", "another message"),
    ],
)
def test_what_no_page_says_is_refused(text: str, words: str) -> None:
    with pytest.raises(ValueError, match=words):
        messages.read(text)


def test_brackets_inside_text_are_no_depth() -> None:
    said = messages.read(json.dumps({"kind": "change", "path": ["[[[[[[[[[[", '"[["'], "value": "{{{{{{"}))
    assert isinstance(said, messages.Change)


@given(
    st.recursive(st.none() | st.floats() | st.text(), lambda x: st.lists(x) | st.dictionaries(st.text(), x))
)
def test_anything_is_answered_or_refused(said: Any) -> None:
    for text in (json.dumps(said), json.dumps({"kind": "frame", "number": 1, "now": said, "events": [said]})):
        try:
            messages.read(text)
        except ValueError as error:
            assert str(error).startswith("found ")


def test_more_than_a_screen_could_show_is_too_much() -> None:
    rate = messages.Rate(100.0)
    assert all(rate.allows(k / 100.0) for k in range(500))
    assert all(rate.allows(5.0) for _ in range(99))
    assert not all(rate.allows(5.0) for _ in range(10))
    assert rate.allows(6.0)


def test_what_the_page_takes_from_elsewhere_is_what_its_script_makes_with_its_licence() -> None:
    web = Path(__file__).parents[2] / "web"
    bundle = (FILES / "vendor.js").read_text(encoding="utf-8")
    made = hashlib.sha256(b"".join((web / name).read_bytes() for name in ("vendor.js", "package-lock.json")))
    assert made.hexdigest() in bundle.partition("\n")[0], "run: npm ci && npm run bundle, in web/"
    assert len(bundle.encode()) < 1_500_000
    licences = (FILES / "LICENCES.txt").read_text(encoding="utf-8")
    assert licences.count("Permission is hereby granted") == 2


def test_nothing_is_loaded_from_outside_and_no_script_stands_in_the_page() -> None:
    page = (FILES / "index.html").read_text(encoding="utf-8")
    assert re.findall(r"<script[^>]*>(.*?)</script>", page) == [""]
    assert re.findall(r"\son\w+=|style=|https?:", page) == []
    for file in FILES.glob("*.js"):
        if file.name != "vendor.js":
            assert (
                re.findall(
                    r"https?://(?!www\.w3\.org/)|innerHTML|\beval\b|new Function",
                    file.read_text(encoding="utf-8"),
                )
                == []
            )

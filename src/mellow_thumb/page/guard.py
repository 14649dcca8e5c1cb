"""Who may talk to the page's server: this machine, with the token that it was given."""

from __future__ import annotations

import hmac
import secrets
from http.cookies import CookieError, SimpleCookie
from typing import TYPE_CHECKING
from urllib.parse import parse_qs

from starlette.responses import PlainTextResponse, RedirectResponse
from starlette.websockets import WebSocketClose

if TYPE_CHECKING:
    from collections.abc import Iterable

    from starlette.types import ASGIApp, Message, Receive, Scope, Send

ELSEWHERE = 4403
"""With what a socket is closed that does not come from the page."""


class Guard:
    """Guards an application: lets in whoever has the token, from the page's own address only.

    The token in the address is traded for a cookie with a new name each run, since cookies do not know
    ports. Everything else is refused: other hosts (DNS rebinding), other origins,
    other methods, requests without the cookie.
    """

    def __init__(
        self, app: ASGIApp, hosts: Iterable[str], scheme: str = "http", *, once: bool = False
    ) -> None:
        """Guard `app`, for requests to one of `hosts`, each with its port.

        With `once` the token is for one device: only the first to trade it gets in.
        """
        self._once, self._traded = once, False
        self._app, self._hosts, self._scheme = app, frozenset(hosts), scheme
        self.token = secrets.token_urlsafe(24)
        """What the address holds: 192 bits."""
        self._name, self._pass = f"marsh_{secrets.token_hex(6)}", secrets.token_urlsafe(24)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Take a request, or refuse it."""
        if scope["type"] != "lifespan":
            await self._answerer(scope)(scope, receive, self._sealed(send))
        else:
            await self._app(scope, receive, send)

    def _answerer(self, scope: Scope) -> ASGIApp:
        """What answers a request: the application, the trade for the cookie, or a refusal."""
        headers = {name.decode("latin-1"): value.decode("latin-1") for name, value in scope["headers"]}
        refused = self._refused(scope, headers)
        if refused is None and scope["type"] == "http" and scope["path"] == "/":
            said = parse_qs(scope.get("query_string", b"").decode("latin-1")).get("token")
            if said:
                return self._trade(said[0], known=self._knows(headers))
        if refused is None and not self._knows(headers):
            refused = "the address has no token: open the address shown in the terminal"
        if refused is None:
            return self._app
        if scope["type"] == "websocket":
            return WebSocketClose(code=ELSEWHERE, reason=refused)
        return PlainTextResponse(f"{refused}\n", status_code=403)

    def _refused(self, scope: Scope, headers: dict[str, str]) -> str | None:
        """Why a request is refused, whoever sent it."""
        if headers.get("host", "") not in self._hosts:
            return "wrong host in the request: open the address shown in the terminal"
        origin = headers.get("origin")
        ours = {f"{self._scheme}://{host}" for host in self._hosts}
        if origin is None and scope["type"] == "websocket":
            return "a socket that no page of ours opened"
        if origin is not None and origin not in ours:
            return "a request from another site's page"
        if scope["type"] == "http" and scope["method"] not in ("GET", "HEAD"):
            return "a method other than GET"
        return None

    def _trade(self, said: str, *, known: bool) -> PlainTextResponse | RedirectResponse:
        """Trade the token for a cookie and clear the address bar; whoever is `known` has one already."""
        if not hmac.compare_digest(said.encode(), self.token.encode()):
            return PlainTextResponse("wrong token: open the address shown in the terminal\n", 403)
        if self._once and self._traded and not known:
            return PlainTextResponse(
                "another device has used this address: start mellow-thumb try again\n", 403
            )
        self._traded = True
        answer = RedirectResponse("/", 303)
        secure = self._scheme == "https"
        answer.set_cookie(self._name, self._pass, httponly=True, samesite="strict", secure=secure)
        return answer

    def _knows(self, headers: dict[str, str]) -> bool:
        """Whether a request has the cookie."""
        try:
            found = SimpleCookie(headers.get("cookie", "")).get(self._name)
        except CookieError:
            return False
        return found is not None and hmac.compare_digest(found.value.encode(), self._pass.encode())

    def _sealed(self, send: Send) -> Send:
        """Adds headers for what the page may load, and that nobody may embed or cache it."""
        ours = " ".join(f"{'wss' if self._scheme == 'https' else 'ws'}://{host}" for host in self._hosts)
        seals = SEALS | {"content-security-policy": f"{POLICY}; connect-src 'self' {ours}"}
        lines = [(name.encode(), value.encode()) for name, value in seals.items()]

        async def sealed(message: Message) -> None:
            if message["type"] == "http.response.start":
                message["headers"] = [*message.get("headers", ()), *lines]
            await send(message)

        return sealed


POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; base-uri 'none'; "
    "form-action 'none'; frame-ancestors 'none'"
)
"""What the page may load: nothing but its own files."""
SEALS = {
    "referrer-policy": "no-referrer",
    "x-content-type-options": "nosniff",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
    "cache-control": "no-store",
}
"""What every answer says of itself, besides."""

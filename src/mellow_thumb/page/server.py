"""The page's server: the page's files, and the connection for hands and frames."""

from __future__ import annotations

import asyncio
import logging
import socket
import tempfile
import threading
import time
from contextlib import ExitStack, contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, NamedTuple

import uvicorn
from starlette.applications import Starlette
from starlette.responses import FileResponse, JSONResponse, Response
from starlette.routing import Mount, Route, WebSocketRoute
from starlette.staticfiles import StaticFiles

from ..basics import OutputError
from ..profiles import load_sheet, new_sheet
from ..takes import read_take, take_text
from . import land
from .blind_room import BlindRoom
from .desk import Desk
from .guard import Guard
from .messages import LARGEST
from .nearby import certificate_for, own_address
from .room import Room

if TYPE_CHECKING:
    import os
    from collections.abc import Iterator

    from starlette.requests import Request

    from ..insight.trials import Trial
    from ..profiles import Sheet
    from .nearby import Certificate
    from .one_page import OnePage

    Name = str | os.PathLike[str]

HERE = "127.0.0.1"
"""The only address that is listened to, unless a device nearby is to be served."""
FILES = Path(__file__).parent / "static"
START = 10.0
"""Seconds that the server may take to begin."""


class Served(NamedTuple):
    """What is served."""

    address: str
    """For a browser on this machine, with its token."""
    room: Room
    nearby: str
    """For one device nearby, with the token that it alone may use; empty unless it was asked for."""
    fingerprint: str
    """Of the certificate that the device is shown."""


@contextmanager
def running(
    profile: Name, *, player: Name | None, take: Name | None, port: int, lan: str | None
) -> Iterator[Served]:
    """Run a server in its own thread while the block runs; with `lan` a second one for a device nearby."""
    desk = Desk(profile)
    sheet = _sheet(player, desk) if player is not None else None
    room = Room(desk, sheet, time.monotonic)
    if take is not None:
        room.seat.play(read_take(take))
    with ExitStack() as stack:
        listening = [stack.enter_context(_listening(HERE, port))]
        hosts = [f"{name}:{listening[0].getsockname()[1]}" for name in (HERE, "localhost")]
        guard = Guard(application(room), hosts)
        servers, nearby, fingerprint = [_server(guard)], "", ""
        if lan is not None:
            address = lan or own_address()
            certificate = certificate_for(address)
            listening.append(stack.enter_context(_listening(address, 0)))
            place = f"{address}:{listening[1].getsockname()[1]}"
            other = Guard(application(Room(desk, sheet, time.monotonic)), [place], "https", once=True)
            servers.append(_server(other, certificate))
            nearby, fingerprint = f"https://{place}/?token={other.token}", certificate.fingerprint
        stack.enter_context(_quiet())
        stack.enter_context(_served(servers, listening))
        yield Served(f"http://{hosts[0]}/?token={guard.token}", room, nearby, fingerprint)


@contextmanager
def running_trial(trial: Trial, *, port: int) -> Iterator[str]:
    """Run a server for a trial's page in its own thread while the block runs; gives its address."""
    room = BlindRoom(trial, time.monotonic)
    with ExitStack() as stack:
        listening = stack.enter_context(_listening(HERE, port))
        hosts = [f"{name}:{listening.getsockname()[1]}" for name in (HERE, "localhost")]
        guard = Guard(trial_application(room), hosts)
        stack.enter_context(_quiet())
        stack.enter_context(_served([_server(guard)], [listening]))
        yield f"http://{hosts[0]}/?token={guard.token}"


def _server(guard: Guard, certificate: Certificate | None = None) -> uvicorn.Server:
    """A server behind a guard; with a certificate it uses TLS."""
    config = uvicorn.Config(
        guard, log_level="critical", access_log=False, lifespan="off", ws="websockets-sansio",
        ws_max_size=LARGEST, ws_max_queue=8, ws_per_message_deflate=False, server_header=False,
        date_header=False, timeout_graceful_shutdown=1,
    )  # fmt: skip
    if certificate is not None:
        with tempfile.TemporaryDirectory() as folder:  # what proves us is read from files, and they are gone
            key, chain = Path(folder, "key.pem"), Path(folder, "chain.pem")
            key.write_bytes(certificate.key)
            chain.write_bytes(certificate.chain)
            config.ssl_keyfile, config.ssl_certfile = str(key), str(chain)
            config.load()
    return uvicorn.Server(config)


@contextmanager
def _quiet() -> Iterator[None]:
    """Keep the session's log off the terminal, since the page shows it, unless the user asked for it.

    Nor does it show connections that were cut in mid-message.
    """
    quiet, loggers = logging.NullHandler(), [logging.getLogger(name) for name in ("mellow_thumb", "asyncio")]
    for logger in loggers:
        logger.addHandler(quiet)
    try:
        yield
    finally:
        for logger in loggers:
            logger.removeHandler(quiet)


@contextmanager
def _served(servers: list[uvicorn.Server], listening: list[socket.socket]) -> Iterator[None]:
    """Run servers in one thread, so that nothing happens at one desk at the same time."""

    async def all_of_them() -> None:
        pairs = zip(servers, listening, strict=True)
        await asyncio.gather(*(server.serve(sockets=[one]) for server, one in pairs))
        # a handshake that is still under way is given up: if it finished later, nobody would close it
        coming = asyncio.all_tasks() - {asyncio.current_task()}
        for task in coming:
            task.cancel()
        await asyncio.gather(*coming, return_exceptions=True)
        # who was there and says no more, such as a device that went without a word, is cut off
        for connection in [one for server in servers for one in server.server_state.connections]:
            connection.transport.abort()
        await asyncio.sleep(0.0)

    thread = threading.Thread(target=lambda: asyncio.run(all_of_them()), daemon=True)
    thread.start()
    try:
        until = time.monotonic() + START
        while not all(server.started for server in servers):
            if not thread.is_alive() or time.monotonic() > until:
                raise OutputError("the page's server did not start")
            time.sleep(0.005)
        yield
    finally:
        for server in servers:
            server.should_exit = True
        thread.join()


def _sheet(player: Name, desk: Desk) -> Sheet:
    """A player's sheet, or a new one if the file does not exist yet."""
    if Path(player).exists():
        return load_sheet(player)
    sheet = new_sheet(desk.profile)
    sheet.file = str(player)
    return sheet


def _listening(address: str, port: int) -> socket.socket:
    found = socket.socket(socket.AF_INET6 if ":" in address else socket.AF_INET, socket.SOCK_STREAM)
    try:
        found.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        found.bind((address, port))
    except (OSError, OverflowError) as error:
        found.close()
        why = (error.strerror or str(error)).lower() if isinstance(error, OSError) else str(error)
        place = f"port {port}" if address == HERE else address
        raise OutputError(f"{place}: cannot listen there: {why}") from None
    return found


def application(room: Room) -> Starlette:
    """The application: the page, its files, the land, the connection."""

    async def take(_: Request) -> Response:
        name = f"{room.desk.path.stem}_hands.csv"
        headers = {"content-disposition": f'attachment; filename="{name}"'} if name.isascii() else {}
        return Response(take_text(room.seat.tape.take()), media_type="text/csv", headers=headers)

    return _application("index.html", room, Route("/take.csv", take))


def trial_application(room: BlindRoom) -> Starlette:
    """The application of a trial: its page, its files, the land, the connection."""
    return _application("trial.html", room)


def _application(first: str, room: OnePage, *more: Route) -> Starlette:
    async def page(_: Request) -> Response:
        return FileResponse(FILES / first)

    async def marsh(_: Request) -> Response:
        return JSONResponse(land.as_data())

    return Starlette(
        routes=[
            Route("/", page),
            Route("/land.json", marsh),
            *more,
            WebSocketRoute("/line", room.answer),
            Mount("/static", StaticFiles(directory=FILES)),
        ]
    )

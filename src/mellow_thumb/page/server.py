"""The page's server: the files of the page, and the line through which hands and frames go."""

from __future__ import annotations

import logging
import socket
import threading
import time
from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING

import uvicorn
from starlette.applications import Starlette
from starlette.responses import FileResponse, JSONResponse, Response
from starlette.routing import Mount, Route, WebSocketRoute
from starlette.staticfiles import StaticFiles

from ..basics import OutputError
from ..profiles import load_sheet, new_sheet
from ..takes import read_take, take_text
from . import land
from .desk import Desk
from .guard import Guard
from .messages import LARGEST
from .room import Room

if TYPE_CHECKING:
    import os
    from collections.abc import Iterator

    from starlette.requests import Request

    from ..profiles import Sheet

    Name = str | os.PathLike[str]

HERE = "127.0.0.1"
"""The only address that is listened to."""
FILES = Path(__file__).parent / "static"
START = 10.0
"""Seconds that the server may take to begin."""


@contextmanager
def running(
    profile: str | os.PathLike[str],
    *,
    player: str | os.PathLike[str] | None,
    take: str | os.PathLike[str] | None,
    port: int,
) -> Iterator[tuple[str, Room]]:
    """A server in a thread of its own, for as long as the block runs: its address, and the room it serves."""
    desk = Desk(profile)
    room = Room(desk, _sheet(player, desk) if player is not None else None, time.monotonic)
    if take is not None:
        room.seat.play(read_take(take))
    listening = _listening(port)
    hosts = [f"{name}:{listening.getsockname()[1]}" for name in (HERE, "localhost")]
    guard = Guard(application(room), hosts)
    config = uvicorn.Config(
        guard, log_level="critical", access_log=False, lifespan="off", ws="websockets-sansio",
        ws_max_size=LARGEST, ws_max_queue=8, ws_per_message_deflate=False, server_header=False,
        date_header=False, timeout_graceful_shutdown=1,
    )  # fmt: skip
    server = uvicorn.Server(config)
    # what a session tells the logger stands on the page: a terminal is told nothing unless it asks for it
    quiet = logging.NullHandler()
    logging.getLogger("mellow_thumb").addHandler(quiet)
    thread = threading.Thread(target=server.run, args=([listening],), daemon=True)
    thread.start()
    try:
        _await_start(server, thread)
        yield f"http://{hosts[0]}/?token={guard.token}", room
    finally:
        server.should_exit = True
        thread.join()
        listening.close()
        logging.getLogger("mellow_thumb").removeHandler(quiet)


def _sheet(player: Name, desk: Desk) -> Sheet:
    """A player's sheet, or a new one for a file that is not there yet."""
    if Path(player).exists():
        return load_sheet(player)
    sheet = new_sheet(desk.profile)
    sheet.file = str(player)
    return sheet


def _listening(port: int) -> socket.socket:
    found = socket.socket(socket.AF_INET, socket.SOCK_STREAM)
    try:
        found.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        found.bind((HERE, port))
    except (OSError, OverflowError) as error:
        found.close()
        why = (error.strerror or str(error)).lower() if isinstance(error, OSError) else str(error)
        raise OutputError(f"port {port}: cannot be listened at: {why}") from None
    return found


def _await_start(server: uvicorn.Server, thread: threading.Thread) -> None:
    until = time.monotonic() + START
    while not server.started:
        if not thread.is_alive() or time.monotonic() > until:
            raise OutputError("the page's server did not begin")
        time.sleep(0.005)


def application(room: Room) -> Starlette:
    """What is served: the page, its files, the land, the line."""

    async def page(_: Request) -> Response:
        return FileResponse(FILES / "index.html")

    async def marsh(_: Request) -> Response:
        return JSONResponse(land.as_data())

    async def take(_: Request) -> Response:
        name = f"{room.desk.path.stem}_hands.csv"
        headers = {"content-disposition": f'attachment; filename="{name}"'} if name.isascii() else {}
        return Response(take_text(room.seat.tape.take()), media_type="text/csv", headers=headers)

    return Starlette(
        routes=[
            Route("/", page),
            Route("/land.json", marsh),
            Route("/take.csv", take),
            WebSocketRoute("/line", room.answer),
            Mount("/static", StaticFiles(directory=FILES)),
        ]
    )

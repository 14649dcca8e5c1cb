"""The page under all devices at once: memory, lost frames, and the way there and back.

``python -m benchmarks.page --seconds 600``: a headless browser holds the page, with drawing off. Each frame
it is fed 16 movements of a mouse, a wheel, keys, a gamepad, two fingers, a phone's sensors. Beside it texts
of the same size go to a bare echo on the same server library. It needs Chromium.
"""

from __future__ import annotations

import argparse
import shutil
import socket
import tempfile
import threading
import time
from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, Any

import numpy as np

import mellow_thumb as mt
from mellow_thumb import marsh

if TYPE_CHECKING:
    from collections.abc import Iterator

FRAME = 1000.0 / 60.0
"""Milliseconds of a frame."""
STRETCH = 10
"""Seconds after which it is looked at memory."""
FEED = Path(__file__).with_suffix(".js").read_text(encoding="utf-8").partition("\n")[2]


async def _echo(_: Any, receive: Any, send: Any) -> None:
    """A line that says what it is told."""
    while True:
        message = await receive()
        if message["type"] == "websocket.connect":
            await send({"type": "websocket.accept"})
        elif message["type"] == "websocket.receive":
            await send({"type": "websocket.send", "text": message["text"]})
        else:
            return


@contextmanager
def echoing() -> Iterator[str]:
    """A bare echo, served as the page is."""
    import uvicorn

    listening = socket.create_server(("127.0.0.1", 0))
    config = uvicorn.Config(
        _echo, log_level="critical", lifespan="off", ws="websockets-sansio", ws_per_message_deflate=False
    )
    server = uvicorn.Server(config)
    thread = threading.Thread(target=server.run, args=([listening],), daemon=True)
    thread.start()
    yield f"ws://127.0.0.1:{listening.getsockname()[1]}/"
    server.should_exit = True
    thread.join()


def watched(room: Any) -> list[float]:
    """How long the server is at each message of the page (ms), from now on."""
    spent, take = [], room._take

    async def timed(*said: Any) -> None:
        begun = time.perf_counter()
        await take(*said)
        spent.append(1000.0 * (time.perf_counter() - begun))

    room._take = timed
    return spent


def resident() -> float:
    """Megabytes of this process, the server's."""
    line = next(one for one in Path("/proc/self/status").read_text().splitlines() if one.startswith("VmRSS"))
    return int(line.split()[1]) / 1024


def main() -> None:
    from playwright.sync_api import sync_playwright

    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--seconds", type=int, default=600)
    seconds = parser.parse_args().seconds
    file = shutil.copy(marsh.CHART, tempfile.mkdtemp())
    with mt.serving(file) as page, echoing() as echo, sync_playwright() as play:
        args = ["--no-sandbox", "--js-flags=--expose-gc", "--enable-precise-memory-info"]
        browser = play.chromium.launch(executable_path=shutil.which("chromium"), args=args)
        tab = browser.new_context(bypass_csp=True).new_page()
        tab.goto(f"{page.address}#undrawn")
        tab.wait_for_selector("#axes dd")
        found, sizes, spent = [], [], watched(page._room)
        for k in range(max(seconds // STRETCH, 2)):
            found.append(tab.evaluate(FEED, [STRETCH, echo]))
            sizes.append((resident(), found[-1]["heap"] / 2**20))
            one = found[-1]
            said = (
                f"{(k + 1) * STRETCH:5} s: {one['frames']} frames, {one['late']} late, echoes {one['behind']}"
            )
            print(f"{said}, server {sizes[-1][0]:.0f} MB, page {sizes[-1][1]:.1f} MB", flush=True)
        browser.close()
    trips, echoes = (np.concatenate([one[name] for one in found[1:]]) for name in ("trips", "echoes"))
    for share in (50, 99):
        ours, bare = np.percentile(trips, share), np.percentile(echoes, share)
        print(
            f"{share} %: {ours:.2f} ms there and back, an echo {bare:.2f} ms: {ours / bare:.2f} times as long"
        )
    said = ", ".join(f"{share} % {np.percentile(spent, share):.2f} ms" for share in (50, 99, 100))
    lost = sum(one > FRAME for one in spent)
    print(f"the server itself: {said}; longer than a frame, of {len(spent)} messages: {lost}")
    late, behind, many = (sum(one[name] for one in found) for name in ("late", "behind", "frames"))
    print(f"late: {late} of {many} frames, and {behind} of the echoes that were sent beside them")
    third = len(sizes) // 3
    for name, k in (("server", 0), ("page", 1)):
        before, after = (
            np.median([one[k] for one in some]) for some in (sizes[third : 2 * third], sizes[2 * third :])
        )
        print(f"{name}: {before:.1f} MB in the middle third, {after:.1f} MB in the last")
    print(f"refused: {dict(page._room.seat.session.refused)}; the last of the page: {page.refused[-1:]}")


if __name__ == "__main__":
    main()

"""A browser for what looks at the page."""

from __future__ import annotations

from collections.abc import Iterator

import pytest
from playwright.sync_api import Browser, sync_playwright

from ..helpers.felt import CHROMIUM, DRAWN


@pytest.fixture(scope="module")
def browser() -> Iterator[Browser]:
    with sync_playwright() as play:
        found = play.chromium.launch(executable_path=CHROMIUM, args=DRAWN)
        yield found
        found.close()

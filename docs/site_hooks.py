"""What the site does to its pages: docstrings name things with roles, which Markdown does not know."""

from __future__ import annotations

import re

_ROLE = re.compile(r":(?:class|func|meth|mod|data|attr):(?=<code>)")


def on_page_content(html: str, **_: object) -> str:
    """A page as it will be shown."""
    return _ROLE.sub("", html)

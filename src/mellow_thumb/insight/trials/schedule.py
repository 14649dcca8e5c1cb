"""The order of a trial: which setting each round has, and behind which bird it hides; sealed until the end.

A *pair* is two rounds of one task list, one with each of two settings. Of every four pairs of the same two
settings each comes first in two, in an order drawn by chance; so learning and tiring fall on both alike.
"""

from __future__ import annotations

import json
from base64 import urlsafe_b64encode
from hashlib import sha256
from importlib.util import find_spec
from itertools import combinations
from random import Random
from typing import NamedTuple

from ...basics import ArgumentError, MissingError

BIRDS = ("curlew", "redshank", "avocet", "dunlin", "godwit", "plover")
"""Behind these the settings hide; so many settings can be compared at the most."""
EVERY = 4
"""Pairs after which both orders have come as often."""


class Turn(NamedTuple):
    """One round to be played."""

    number: int
    """From 0; practice rounds are counted apart."""
    pair: int
    """The pair that it belongs to, from 0."""
    setting: int
    """The number of the setting, from 0."""
    bird: str
    practice: bool = False


class Order:
    """The order of all rounds of all people, as one secret number makes it."""

    def __init__(self, secret: int, settings: int) -> None:
        if not 2 <= settings <= len(BIRDS):
            raise ArgumentError(f"found {settings} settings; expected 2 to {len(BIRDS)}")
        self.secret, self.settings = secret, settings

    def birds(self, person: int) -> tuple[str, ...]:
        """The bird of each setting, for one person."""
        return tuple(self._chance("birds", person).sample(BIRDS[: self.settings], self.settings))

    def pair(self, person: int, number: int) -> tuple[int, int]:
        """The settings of a pair, the one that is played first first."""
        twos = list(combinations(range(self.settings), 2))
        lap, place = divmod(number, len(twos))
        self._chance("twos", person, lap).shuffle(twos)
        first, second = twos[place]
        four, inside = divmod(lap, EVERY)
        ways = [False, False, True, True]
        self._chance("ways", person, four, first, second).shuffle(ways)
        return (second, first) if ways[inside] else (first, second)

    def practice(self, person: int) -> list[Turn]:
        """One round of each setting that does not count."""
        birds, settings = self.birds(person), list(range(self.settings))
        self._chance("practice", person).shuffle(settings)
        return [Turn(k, -1, one, birds[one], practice=True) for k, one in enumerate(settings)]

    def rounds(self, person: int, pairs: int) -> list[Turn]:
        """The rounds of so many pairs."""
        birds = self.birds(person)
        return [
            Turn(2 * number + k, number, one, birds[one])
            for number in range(pairs)
            for k, one in enumerate(self.pair(person, number))
        ]

    def targets(self, person: int, pair: int) -> int:
        """The seed of a pair's targets: both of its rounds have the same ones."""
        return self._chance("targets", person, pair).getrandbits(63)

    def _chance(self, *what: object) -> Random:
        """Chance that is the same each time for the same thing."""
        return Random(sha256(f"{self.secret} {what}".encode()).digest())


def sealed(secret: int, name: str) -> bytes:
    """A secret that nobody reads by accident, and whose change is noticed: Fernet, by a key made of a name.

    It keeps nobody out who runs this function. Raises :class:`MissingError` without cryptography.
    """
    return bytes(_fernet(name).encrypt(json.dumps({"secret": secret}).encode()))


def opened(token: bytes, name: str) -> int:
    """The secret in what :func:`sealed` gave; raises ValueError where it was changed."""
    from cryptography.fernet import InvalidToken

    try:
        return int(json.loads(_fernet(name).decrypt(token))["secret"])
    except InvalidToken:
        raise ValueError("the seal is broken: it was changed, or is another trial's") from None


def _fernet(name: str):  # type: ignore[no-untyped-def]
    if find_spec("cryptography") is None:
        raise MissingError("a trial's seal needs cryptography: pip install 'mellow-thumb[page]'")
    from cryptography.fernet import Fernet

    return Fernet(urlsafe_b64encode(sha256(f"mellow-thumb trial {name}".encode()).digest()))

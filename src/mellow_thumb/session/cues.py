"""Cues as a host takes them: each once, in its frame or as long as it is kept."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import ArgumentError, listed, nearest

if TYPE_CHECKING:
    from .running import Running


class Cues:
    """Which cues were given, and not yet taken."""

    def __init__(self, running: Running) -> None:
        self._running = running
        self.counts = dict.fromkeys(running.program.cues, 0.0)
        """How often each was given by the end of the last frame."""
        self.given: dict[str, list[float]] = {name: [] for name in self.counts}
        """The moments (s) at which each was given, of those that may still be taken."""
        self.look_up()

    def look_up(self) -> None:
        """Look up which cues there are, and how long each is kept; their state stays."""
        self.counts = {name: self.counts.get(name, 0.0) for name in self._running.program.cues}
        self.given = {name: self.given.get(name, []) for name in self.counts}
        self._keep = {cue.name: cue.keep for cue in self._running.plan.cues}

    def read(self, now: float) -> dict[str, int]:
        """The cues that were given since the last frame; they are kept, to be taken."""
        values = self._running.values
        found: dict[str, int] = {}
        for name, place in self._running.program.cues.items():
            count, given = values[place], self.given[name]
            fresh = int(count - self.counts[name])
            if given or fresh:
                keep = self._keep[name]
                given[:] = [t for t in given if now - t <= keep] + fresh * [values[place + 1]]
                self.counts[name] = count
                if fresh:
                    found[name] = fresh
        return found

    def take(self, name: str) -> bool:
        """Take a cue, if it was given: as :meth:`Session.take_cue` says."""
        given = self.given.get(name)
        if given is None:
            names = list(self.given)
            known = listed(names) if names else "none: this profile has no cues"
            raise ArgumentError(f"found the cue {name}; expected {known}{nearest(name, names)}")
        if given:
            del given[0]
            return True
        return False

"""Findings: what a check found wrong with a profile, where, why, and what to do."""

from __future__ import annotations

from dataclasses import asdict, dataclass, replace
from typing import TYPE_CHECKING, Any

from ..basics import nearest

if TYPE_CHECKING:
    from collections.abc import Iterable, Sequence

    from ..basics import Path, Places
    from ..profiles import Profile

CODES = {
    "undriven-axis": "an axis that no route drives while its mount is active",
    "no-limits": "a distance or a zoom without limits",
    "pitch-past-90": "a pitch that goes over the top",
    "inverted-against": "a device that goes the opposite way to the others",
    "grab-sign": "a drag that moves the ground against the hand",
    "no-dead-zone": "a stick without a dead zone",
    "dead-zone-under-noise": "a dead zone narrower than the noise of the take's stick",
    "dead-zone-over-half": "a dead zone of more than half the travel",
    "flat-curve": "a curve that hardly rises at first",
    "curve-not-rising": "a curve with a level part",
    "coarse-step": "a step large enough to see",
    "late": "smoothing that adds too much lag",
    "toggle-no-way-out": "a toggle that cannot be closed again",
    "cue-against-gate": "a button that gives a cue and opens a gate at the same time",
    "two-jobs": "a button that does two things at the same time",
    "lost-cue": "a cue that lasts one frame, which physics may miss",
    "circling": "a camera that turns with a character that turns with the camera",
    "hold-only": "a gate that can only be held, not toggled",
    "one-device": "something that another device cannot do",
    "edge-without-inside": "an edge zone, and a take that never says whether the pointer is inside",
    "square-screen": "something that depends on the size of the view, and a take without it",
    "unused-rows": "rows of a take that the profile does not use",
    "refused-rows": "rows of a take that are refused",
    "clipped-rows": "rows of a take that are clipped to their range",
    "absent-device": "a device that the profile uses, and a take without it",
    "other-clock": "a device in a take with a clock of its own",
    "rows-twice": "duplicate rows in a take",
    "wild-values": "values in a take that no hand or sensor produces",
    "needless-face": "`face` where the view is always first person",
    "unreached-mount": "a mount that is never active",
    "idle-follow": "a `follow` or `follow_turn` that does nothing",
    "unused-axis": "a route that moves nothing, or an axis that no camera uses",
    "swapped-axes": "a pair that drives its axes in swapped order",
    "far-height": "a camera far too high",
    "starved-touch": "a touch that never gets a finger",
    "moving-tap": "a tap that also drags",
    "sickening": "something that makes people ill in a headset",
    "needless-allowance": "an entry in `[allow]` that nothing matches",
}
"""What can be found."""
LEVELS = ("error", "warning", "note")
"""How bad a finding is: it is wrong; it is likely to be; it may be meant."""


SCHEMA = "https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json"


@dataclass(frozen=True)
class Finding:
    """One thing that a check found."""

    code: str
    """What kind of thing it is, such as ``no-limits``."""
    level: str
    """One of `LEVELS`."""
    path: Path
    """Where it stands in the profile: the keys that lead there."""
    reason: str
    fix: str
    """What to do, or to type."""
    file: str = ""
    line: int = 0
    allowed: str = ""
    """Why the profile allows it; empty if it does not."""

    @property
    def where(self) -> str:
        """The name of the table that it is about."""
        return str(self.path[1]) if len(self.path) > 1 else str(self.path[0]) if self.path else "profile"

    def text(self) -> str:
        """The same in two lines."""
        place = f"{self.file}:{self.line}: " if self.line else f"{self.file}: " if self.file else ""
        return f"{place}{self.level}: {self.reason} [{self.code} {self.where}]\n    {self.fix}"

    def as_dict(self) -> dict[str, Any]:
        """The same as plain data."""
        return asdict(self) | {"path": ".".join(map(str, self.path)), "where": self.where}


def placed(found: Iterable[Finding], profile: Profile) -> list[Finding]:
    """Findings with their lines in the profile's file, those that it allows marked; the worst first."""
    from pathlib import Path as FilePath

    from ..basics import Places

    places: Places | None = None
    if profile.file and FilePath(profile.file).is_file():
        places = Places(FilePath(profile.file).read_text(encoding="utf-8-sig"))
    whys, done = dict(profile.allow), []
    used: set[str] = set()
    for one in found:
        line = places.line(one.path) if places else 0
        key = next((key for key in (f"{one.code} {one.where}", one.code) if key in whys), "")
        used |= {key}
        done.append(replace(one, file=profile.file, line=line, allowed=whys.get(key, "")))
    done += [_needless(key, profile.file, places) for key in sorted(set(whys) - used)]
    return sorted(done, key=lambda one: (LEVELS.index(one.level), one.line, one.code))


def _needless(key: str, file: str, places: Places | None) -> Finding:
    """The finding that something is allowed but was not found."""
    code, path = key.partition(" ")[0], ("allow", key)
    line = places.line(path) if places else 0
    if code in CODES:
        reason = f"{key} is allowed, but there is no such problem"
        return Finding("needless-allowance", "note", path, reason, "remove it", file, line)
    reason = f"{code} is allowed, but no finding has that name{nearest(code, CODES)}"
    return Finding("needless-allowance", "warning", path, reason, "remove it", file, line)


def sarif(findings: Sequence[Finding], version: str) -> dict[str, Any]:
    """Findings as SARIF 2.1.0 (OASIS), which code hosts read; those that are allowed are suppressed there."""
    codes = sorted({one.code for one in findings})
    rules = [{"id": code, "shortDescription": {"text": CODES.get(code, code)}} for code in codes]
    results = []
    for one in findings:
        region = {"region": {"startLine": one.line}} if one.line else {}
        place = {"physicalLocation": {"artifactLocation": {"uri": one.file.replace("\\", "/")}, **region}}
        result: dict[str, Any] = {
            "ruleId": one.code,
            "ruleIndex": codes.index(one.code),
            "level": one.level,
            "message": {"text": f"{one.reason}. {one.fix}"},
            "locations": [place] if one.file else [],
        }
        if one.allowed:
            result["suppressions"] = [{"kind": "inSource", "justification": one.allowed}]
        results.append(result)
    driver = {"name": "mellow-thumb", "version": version, "rules": rules}
    return {
        "$schema": SCHEMA,
        "version": "2.1.0",
        "runs": [{"tool": {"driver": driver}, "results": results}],
    }

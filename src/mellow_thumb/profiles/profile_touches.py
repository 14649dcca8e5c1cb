"""From the forms of touches to touches."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import listed
from ..plan import KINDS, NOTHING, Length, Touch

if TYPE_CHECKING:
    from ..basics import Path, Quantity
    from .form_touches import TouchForm
    from .profile_faults import Faults
    from .profile_switching import SwitchReader


def read_touch(faults: Faults, switches: SwitchReader, name: str, form: TouchForm) -> Touch | None:
    """A touch, or nothing where something is wrong with it; its signals are known from here on."""
    path: Path = ("touch", name)
    given = [kind for kind in KINDS if getattr(form, kind) is not None]
    if name.isdigit() or "." in name:
        faults.note(path, f'the name "{name}"', "a name with a letter in it, without a dot")
        return None
    if len(given) != 1:
        found = listed(given, "and") if given else "nothing that fingers do"
        faults.note(path, found, f"one of {listed(KINDS)}")
        return None
    gesture, kind = getattr(form, given[0]), given[0]
    with faults.catching((*path, kind)):
        touch = Touch(
            name,
            kind,
            gesture.region or (0.0, 0.0, 1.0, 1.0),
            gesture.starts_on or "",
            form.priority or 0,
            _length(gesture.after_travel),
            _length(getattr(gesture, "radius", None)),
            getattr(gesture, "centre", None),
            bool(getattr(gesture, "follows", False)),
        )
        switches.made |= {signal.name: signal for signal in touch.signals}
        return touch
    return None


def _length(quantity: Quantity | None) -> Length:
    return Length(quantity.value, quantity.unit) if quantity else NOTHING

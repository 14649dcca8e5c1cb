"""A settings screen's logic: sensitivity, inversion, hold or toggle, another button; kept in a sheet.

What is drawn is the host's own. Here the screen is a list of lines, and a player who knows what they want.
Run it: python examples/settings.py
"""

from __future__ import annotations

import tempfile
from pathlib import Path

import mellow_thumb as mt

PROFILE = Path(__file__).with_name("settings.toml")


class Screen:
    """What a settings screen holds: the profile, the player's sheet, and the session it acts on."""

    def __init__(self, profile: mt.Profile, file: Path, session: mt.Session) -> None:
        self.profile, self.file, self.session = profile, file, session
        self.sheet = mt.load_sheet(file) if file.exists() else mt.new_sheet(profile)
        self.said = list(session.apply(self.sheet))

    def lines(self) -> list[str]:
        """What the screen shows: each thing that is offered, with what it is now."""
        offers, laid = self.profile.offers, self.sheet.lay(self.profile)[0]
        times = {name: self.sheet.get("sensitivity", name) or 1.0 for name in offers.sensitivity}
        shown = [f"{name}: {factor:g} times" for name, factor in times.items()]
        gates = {gate.name: gate for gate in laid.gates}
        shown += [f"{name}: {gates[name].choice[0]}" for name in offers.choices]
        flipped = {family: self.sheet.get("invert", family) or [] for family in self.profile.families}
        for axis in offers.invert:
            where = [family for family, axes in flipped.items() if axis in axes]
            shown.append(f"{axis} inverted: {', '.join(where) or 'never'}")
        return [*shown, f"hop: {self.session.label('hop')}"]

    def change(self, section: str, name: str, value: object) -> None:
        """The player moves a slider, ticks a box."""
        self.sheet.set(self.profile, section, name, value)
        self.keep()

    def wait_for(self, name: str) -> mt.Listener:
        """The player has clicked on a button's line: whatever is pressed next carries it."""
        return self.session.listen(lambda address: self.profile.offers.carries(name, address))

    def carry(self, name: str, address: str) -> None:
        """The player has pressed something; what carried the other thing goes there in its place."""
        self.session.stop_listening()
        changed = mt.rebind(self.profile, self.sheet, name, address, conflict="swap")
        self.said += [f"{other} has changed places with it" for other in changed]
        self.keep()

    def keep(self) -> None:
        """Write the sheet, whole, and let the session have it at once."""
        self.sheet.save(self.file)
        self.said += self.session.apply(self.sheet)


def main(folder: Path) -> list[str]:
    """A player goes through the screen; what it shows at the end, and in the next game."""
    profile = mt.load_profile(PROFILE)
    session = profile.session()
    screen = Screen(profile, folder / "me.toml", session)
    screen.change("sensitivity", "look", 1.5)
    screen.change("invert", "pad", ["pitch"])
    screen.change("choice", "glassing", "toggle")
    listener = screen.wait_for("hop")
    session.feed("pad.left_stick", (0.04, -0.02))  # it drifts: that is no button
    session.feed("pad.left_shoulder", 1.0)  # which raises the glasses so far
    session.tick(1 / 60)
    assert listener.found
    screen.carry("hop", listener.found)
    again = Screen(profile, folder / "me.toml", profile.session())  # the next day
    assert again.lines() == screen.lines()
    return [*screen.lines(), *screen.said]


if __name__ == "__main__":
    with tempfile.TemporaryDirectory() as name:
        print("\n".join(main(Path(name))))

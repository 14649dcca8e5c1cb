"""A trial: settings compared blind, as a folder of files in which each whole round is kept as it ends.

Until it is opened nothing in the folder, and nothing that is said, tells which setting a round had: rounds
have birds, and which bird is which follows from a sealed number.
"""

from __future__ import annotations

import json
import shutil
from dataclasses import dataclass, field
from itertools import combinations
from operator import itemgetter
from pathlib import Path
from secrets import randbits
from typing import TYPE_CHECKING, Any

from ...basics import (
    ArgumentError,
    MissingError,
    OutputError,
    TrialError,
    listed,
    made_folder,
    read_text,
    replacing,
)
from ...profiles import load_profile
from ...takes import COLUMNS, Take, read_take, write_take
from .deciding import LIMIT, Verdict, difference, verdict
from .outcome import OF_KIND, TRIAL_MEASURES, differences, drift, numbers_of, seen_in
from .schedule import Order, Turn, opened, sealed
from .tasks import tasks_for

if TYPE_CHECKING:
    import os
    from collections.abc import Sequence

    import pandas as pd

    from ...profiles import Profile
    from .deciding import Difference
    from .outcome import Seen
    from .tasks import Task

FORMAT = "mellow-thumb trial 1"
PAIRS = 8
"""Rounds of each setting, unless another number is asked for."""
MOST = 64
"""Rounds of each setting, at the most."""
HOW_MUCH = ("a little", "clearly", "by far")


@dataclass
class Trial:
    """A trial on disk; :meth:`begin` makes one, :func:`read_trial` goes on with one that is there."""

    folder: Path
    name: str
    """What tells it from others."""
    files: tuple[str, ...]
    """What the settings' files were called, in the order in which they were given."""
    pairs: int
    """Rounds of each setting that are planned by now, for each person."""
    asked: tuple[str, ...]
    """The names of its tasks; the first is what it asks about."""
    first: int = 0
    """Rounds of each setting that were planned at first, before a look asked for more."""
    people: int = 1
    looked: tuple[int, ...] = ()
    """After how many pairs the differences were looked at."""
    over: bool = False
    """Whether it is open: from then on no more rounds are played."""
    profiles: tuple[Profile, ...] = field(default=(), repr=False)
    order: Order | None = field(default=None, repr=False)

    @classmethod
    def begin(
        cls, folder: str | os.PathLike[str], files: Sequence[str | os.PathLike[str]], *, pairs: int = PAIRS,
        tasks: Sequence[str] = (), secret: int | None = None,
    ) -> Trial:  # fmt: skip
        """Begin a trial of some profiles in a new folder; each plays so many rounds.

        Raises :class:`ArgumentError` for settings that cannot be compared, :class:`OutputError` for a folder
        that holds something already, and what loading a profile raises.
        """
        if not 2 <= pairs <= MOST or pairs % 2:
            raise ArgumentError(
                f"found {pairs} rounds; expected an even number of 2 to {MOST}: each is first as often"
            )
        profiles = tuple(load_profile(one) for one in files)
        for k, profile in enumerate(profiles):
            same = next((j for j in range(k) if profiles[j].digest == profile.digest), None)
            if same is not None:
                raise ArgumentError(
                    f"{files[same]} and {files[k]} do the same; expected settings that differ"
                )
        mice = [_mouse_of(profile) for profile in profiles]
        if {"mouse.move", "mouse.pixels"} <= set(mice):
            differ = ", ".join(f"{file} {mouse}" for file, mouse in zip(files, mice, strict=True))
            raise ArgumentError(
                f"found settings that read other mice: {differ}; expected one: a round would tell"
            )
        secret = randbits(64) if secret is None else secret
        order = Order(secret, len(profiles))
        known = [one.name for one in tasks_for(profiles)]
        asked = tuple(tasks) or tuple(known[:1])
        for name in asked:
            if name not in known:
                raise ArgumentError(f"found the task {name}; expected {listed(known)}")
        place = made_folder(folder)
        if any(place.iterdir()):
            raise OutputError(f"{place}: found files in it; expected a new folder, or that of a trial")
        trial = cls(
            place, f"{randbits(64):016x}", tuple(Path(one).name for one in files), pairs, asked, pairs
        )
        trial.profiles, trial.order = profiles, order
        made_folder(place / "settings")
        for k, one in enumerate(files, 1):
            shutil.copyfile(one, place / "settings" / f"{k}.toml")
        with replacing(place / "order.sealed") as fresh:
            fresh.write_bytes(sealed(secret, trial.name))
        trial.write()
        return trial

    @classmethod
    def at(
        cls, folder: str | os.PathLike[str], files: Sequence[str | os.PathLike[str]], *,
        pairs: int | None = None, tasks: Sequence[str] = (),
    ) -> Trial:  # fmt: skip
        """Go on with the trial of these profiles in a folder, or begin one there, as :meth:`begin` says."""
        path = Path(folder) / "trial.json"
        if not path.exists():
            return cls.begin(folder, files, pairs=PAIRS if pairs is None else pairs, tasks=tasks)
        trial = read_trial(folder)
        if [load_profile(one).digest for one in files] != [one.digest for one in trial.profiles]:
            found, expected = listed(trial.files, "and"), "the same settings in the same order"
        elif pairs is not None and pairs != trial.first:
            found, expected = f"{trial.first} rounds with each", f"{pairs}, as you ask for"
        elif tasks and tuple(tasks) != trial.asked:
            found, expected = listed(trial.asked, "and"), f"{listed(tasks, 'and')}, as you ask for"
        else:
            return trial
        raise TrialError.single(str(path), 0, f"a trial of {found}", f"{expected}; or state a new folder")

    def write(self) -> None:
        """Write down where it stands."""
        said = {
            "format": FORMAT, "name": self.name, "settings": self.files, "rounds": self.pairs,
            "first": self.first,
            "tasks": self.asked, "people": self.people, "looked": self.looked, "over": self.over,
        }  # fmt: skip
        if self.over:
            said["birds"] = [list(self.birds(one)) for one in range(1, self.people + 1)]
        with replacing(self.folder / "trial.json") as fresh:
            fresh.write_text(json.dumps(said, indent=1) + "\n", encoding="utf-8")

    @property
    def tasks(self) -> tuple[Task, ...]:
        """What each round asks, in its order: walks first, from where the warden stands."""
        known = {one.name: one for one in tasks_for(self.profiles)}
        return tuple(sorted((known[one] for one in self.asked), key=lambda one: one.kind != "walk"))

    @property
    def measure(self) -> tuple[str, str]:
        """The task and the measure about which something may be claimed."""
        known = {one.name: one for one in self.tasks}
        return self.asked[0], OF_KIND[known[self.asked[0]].kind][0]

    def played(self, person: int) -> set[int]:
        """The numbers of one person's rounds that are there."""
        folder = self.folder / f"person_{person}"
        return {int(one.stem.removeprefix("round_")) - 1 for one in folder.glob("round_*.csv")}

    def turn(self) -> Turn | None:
        """The round that the person who sits here plays next; None once all planned ones are there."""
        order, person = self._order(), self.people
        if not self.played(person):
            for one in order.practice(person):
                if not self._practised(person, one.number).exists():
                    return one
        there = self.played(person)
        return next(
            (one for one in order.rounds(person, self._pairs_in_all) if one.number not in there), None
        )

    def _practised(self, person: int, number: int) -> Path:
        return self.folder / f"person_{person}" / f"practice_{number + 1}.csv"

    @property
    def _pairs_in_all(self) -> int:
        """How many pairs one person plays: each of two settings so many rounds with each other."""
        many = len(self.files)
        return self.pairs * (many * (many - 1) // 2)

    @property
    def planned(self) -> int:
        """How many rounds one person plays in all."""
        return 2 * self._pairs_in_all

    @property
    def minutes(self) -> float:
        """About how long one person plays."""
        return (self.planned + 1) * (sum(one.seconds for one in self.tasks) + 4.0) / 60.0

    def seed_of(self, turn: Turn) -> int:
        """The seed of a round's targets."""
        return self._order().targets(self.people, turn.pair if not turn.practice else -1 - turn.number)

    def keep(self, turn: Turn, take: Take) -> None:
        """Keep a whole round, as it was played by the person who sits here."""
        folder = made_folder(self.folder / f"person_{self.people}")
        name = f"practice_{turn.number + 1}" if turn.practice else f"round_{turn.number + 1:02}"
        about = {"made_by": "mellow-thumb try", "bird": turn.bird}
        write_take(Take(take.table, about), folder / f"{name}.csv")

    def answer(self, bird: str, much: str = "") -> None:
        """Keep which bird the person liked better, and how much; an empty one for neither."""
        birds = self._order().birds(self.people)
        if bird and bird not in birds:
            raise ArgumentError(f"found the bird {bird}; expected {' or '.join(sorted(birds))}")
        if much and much not in HOW_MUCH:
            raise ArgumentError(f"found {much}; expected {', '.join(HOW_MUCH)}")
        with replacing(made_folder(self.folder / f"person_{self.people}") / "answer.json") as fresh:
            fresh.write_text(json.dumps({"liked": bird, "much": much}) + "\n", encoding="utf-8")

    def another(self) -> None:
        """Another person sits down."""
        self.people += 1
        self.write()

    @property
    def limit(self) -> float:
        """What chance may make for a claim at one look, so that all looks at all settings make 5 %."""
        many = len(self.files)
        return LIMIT / (many * (many - 1) // 2)

    def look(self) -> Verdict:
        """Look at the differences, and say whether more rounds would tell; never which setting is which.

        Each look counts once, however often it is asked for: looking again and again would find what is not
        there. Of more than two settings it is the two that ask for most.
        """
        twos = [self.differences(two) for two in combinations(range(len(self.files)), 2)]
        if any(len(values) < 2 for values in twos):
            return Verdict("open")
        count = sum(map(len, twos))
        if not self.looked or count > self.looked[-1]:
            self.looked = (*self.looked, count)
            self.write()
        seed, looks = int(self.name[:8], 16), len(self.looked)
        said = [verdict(difference(values, self.limit), looks, seed=seed) for values in twos]
        return max(said, key=lambda one: (one.kind == "open", one.more))

    def go_on(self, more: int) -> None:
        """Plan so many rounds more of each setting."""
        self.pairs = min(MOST, self.pairs + more)
        self.write()

    def differences(self, settings: tuple[int, int] = (0, 1)) -> list[float]:
        """By how much the second of two settings has more of what the trial asks about, pair by pair.

        Of several people it is a mean each. Logarithms for what is compared in per cent.
        """
        return differences(self.rounds(), *self.measure, settings)

    def open(self) -> None:
        """Break the seal: the trial is over, and says which bird was which."""
        self.look()
        self._birds = [self.birds(one) for one in range(1, self.people + 1)]
        self.over = True
        self.write()

    def _order(self) -> Order:
        if self.order is None:
            token = (self.folder / "order.sealed").read_bytes()
            try:
                self.order = Order(opened(token, self.name), len(self.files))
            except ValueError as error:
                raise TrialError.single(
                    str(self.folder / "order.sealed"), 0, str(error), "as it was written"
                ) from None
        return self.order

    def birds(self, person: int) -> tuple[str, ...]:
        """The bird of each setting, for one person: what nobody is told before the end."""
        return self._birds[person - 1] if self._birds else self._order().birds(person)

    def rounds(self) -> pd.DataFrame:
        """Every number of every round, a row each; rounds whose pair is not whole are in it too.

        Columns: ``person``, ``number`` and ``pair`` (from 1), ``setting`` (its number, from 0), ``bird``,
        ``task``, ``measure``, ``value``, ``unit``. They come from the takes alone.
        """
        import pandas as pd

        there = [(one, number) for one in range(1, self.people + 1) for number in sorted(self.played(one))]
        rows = [row for person, number in there for row in self._rows(person, number)]
        names = ["person", "number", "pair", "setting", "bird", "task", "measure", "value", "unit"]
        return pd.DataFrame(rows, columns=names)

    def _rows(self, person: int, number: int) -> list[tuple[object, ...]]:
        """The rows of one round, worked out once."""
        if (person, number) not in self._said:
            setting = self.setting_of(person, number)
            place = (person, number + 1, number // 2 + 1, setting, self.birds(person)[setting])
            self._said[person, number] = [
                (*place, task, measure, value, TRIAL_MEASURES[measure].unit)
                for task, measure, value in numbers_of(self.seen(person, number))
            ]
        return self._said[person, number]

    def setting_of(self, person: int, number: int) -> int:
        """The number of a round's setting, by the bird that its take names; rounds count from 0 here."""
        birds, take = self.birds(person), self._take(person, number)
        bird = take.about.get("bird", "")
        if bird not in birds:
            raise TrialError.single(take.file, 1, f"the bird {bird!r}", f"{listed(sorted(birds))}")
        return birds.index(bird)

    def take(self, person: int, number: int) -> Take:
        """The take of a round, as people count them: from 1."""
        return self._take(person, number - 1)

    def _take(self, person: int, number: int) -> Take:
        return read_take(self.folder / f"person_{person}" / f"round_{number + 1:02}.csv")

    def seen(self, person: int, number: int) -> list[Seen]:
        """The tasks of a round as they went, worked out once; rounds count from 0 here."""
        known = self._known.get((person, number))
        if known is None:
            plan = self.profiles[self.setting_of(person, number)]
            known = seen_in(plan, self._take(person, number), self.tasks)
            self._known[person, number] = known
        return known

    _said: dict[tuple[int, int], list[tuple[object, ...]]] = field(default_factory=dict, repr=False)
    _birds: list[tuple[str, ...]] = field(default_factory=list, repr=False)
    _known: dict[tuple[int, int], list[Seen]] = field(default_factory=dict, repr=False)

    def answers(self) -> list[tuple[int, str, str]]:
        """What each person said: who, the bird that was liked (empty: neither), how much."""
        found = []
        for person in range(1, self.people + 1):
            path = self.folder / f"person_{person}" / "answer.json"
            if path.exists():
                said = json.loads(path.read_text(encoding="utf-8"))
                found.append((person, str(said["liked"]), str(said["much"])))
        return found

    def drift(self) -> Difference | None:
        """By how much what the trial asks about changes from round to round, whichever setting it has."""
        return drift(self.rounds(), *self.measure)


def read_trial(folder: str | os.PathLike[str]) -> Trial:
    """Read a trial from its folder, to go on with it or to see what it came to.

    Raises :class:`TrialError` for a folder that is none.
    """
    place = Path(folder)
    path = place / "trial.json"
    text = read_text(path, TrialError, largest=1 << 20)
    try:
        said: dict[str, Any] = json.loads(text)
        if said["format"] != FORMAT:
            raise TrialError.single(str(path), 1, f"the format {said['format']!r}", FORMAT)
        trial = Trial(
            place, str(said["name"]), tuple(map(str, said["settings"])), int(said["rounds"]),
            tuple(map(str, said["tasks"])), int(said["first"]), int(said["people"]),
            tuple(map(int, said["looked"])), bool(said["over"]),
        )  # fmt: skip
    except (KeyError, TypeError, ValueError) as error:
        raise TrialError.single(
            str(path), 1, f"no trial ({type(error).__name__}: {error})", "what a trial writes"
        ) from None
    if trial.over:
        trial._birds = [tuple(map(str, one)) for one in said["birds"]]
    trial.profiles = tuple(
        load_profile(place / "settings" / f"{k}.toml") for k in range(1, len(trial.files) + 1)
    )
    return trial


def _mouse_of(profile: Profile) -> str:
    """Which movements of a mouse a profile reads; nothing where it reads none."""
    read = {route.source.signal.name for route in profile.routes}
    return next((one for one in ("mouse.move", "mouse.pixels") if one in read), "")


def write_rounds(trial: Trial, path: str | os.PathLike[str]) -> None:
    """Write every number of an open trial as CSV or Parquet, by the suffix; replaced whole or not at all.

    Raises :class:`ArgumentError` for a trial that is not open yet, and :class:`OutputError` for a file that
    cannot be written.
    """
    check_open(trial)
    table = trial.rounds()
    table.insert(3, "file", [trial.files[one] for one in table["setting"]])
    with replacing(path) as fresh:
        if Path(path).suffix.lower() == ".csv":
            table.to_csv(fresh, index=False)
            return
        try:
            table.to_parquet(fresh, engine="pyarrow", index=False)
        except ImportError:
            raise MissingError(
                "tables as Parquet need pyarrow: pip install 'mellow-thumb[parquet]'"
            ) from None


def check_open(trial: Trial) -> None:
    """Refuse to say what nobody is told before a trial's end."""
    if not trial.over:
        raise ArgumentError(
            f"{trial.folder}: found a trial that is not open yet; expected its end: go on with "
            "`mellow-thumb try ... --blind`, and open it there"
        )


def take_of(rows: Sequence[tuple[float, str, float, str]]) -> Take:
    """A round's take, of rows of time (s), signal, value and what it began on."""
    import pandas as pd

    table = pd.DataFrame(sorted(rows, key=itemgetter(0)), columns=[*COLUMNS, "on"])
    return Take(table.astype({"t": float, "signal": "category", "value": float}))

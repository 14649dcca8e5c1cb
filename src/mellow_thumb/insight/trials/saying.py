"""What a trial came to, in words: what is known, what is not, how many rounds more would tell."""

from __future__ import annotations

from itertools import combinations
from typing import TYPE_CHECKING

from .deciding import LOOKS, difference, per_cent, preferred, verdict
from .outcome import OF_KIND, TRIAL_MEASURES, differences

if TYPE_CHECKING:
    from collections.abc import Iterator

    from .deciding import Difference, Verdict
    from .trial import Trial


def outcome_text(trial: Trial) -> str:
    """What an open trial came to, as text."""
    parts = ["\n".join(said_lines(trial))]
    for cells in tables(trial):
        wide = [max(map(len, column)) for column in zip(*cells, strict=True)]
        rows = ("  ".join(cell.ljust(k) for cell, k in zip(row, wide, strict=True)).rstrip() for row in cells)
        parts.append("\n".join(rows))
    return "\n\n".join(parts)


def said_lines(trial: Trial) -> list[str]:
    """What an open trial came to, line by line: which was which, what is known, what was liked."""
    lines = _who(trial)
    for two in combinations(range(len(trial.files)), 2):
        lines += [known(trial, two), *_preference(trial, two)]
    drift = trial.drift()
    if drift is not None:
        _, measure = trial.measure
        changed = f"From round to round {measure} changed by {_amount(measure, drift.mean)}"
        lines.append(f"{changed} ({_span(measure, drift)}): {_of_drift(measure, drift)}.")
    return lines


def _who(trial: Trial) -> list[str]:
    """Which bird was which, and who played."""
    lines = []
    for person in range(1, trial.people + 1):
        who = "" if trial.people == 1 else f"person {person}: "
        birds = zip(trial.files, trial.birds(person), strict=True)
        lines.append(who + ", ".join(f"{file} was the {bird}" for file, bird in birds))
    rounds = sum(len(trial.played(one)) for one in range(1, trial.people + 1))
    people = "One person" if trial.people == 1 else f"{trial.people} people"
    return [f"{one}." for one in (*lines, f"{people}, {rounds} rounds")]


def found_of(trial: Trial, two: tuple[int, int], task: str, measure: str) -> Difference | None:
    """The difference between two settings in one number; None before there are two pairs."""
    values = differences(trial.rounds(), task, measure, two)
    return difference(values, trial.limit) if len(values) >= 2 else None


def known(trial: Trial, two: tuple[int, int]) -> str:
    """In one sentence or two what is known of two settings, and what would tell more."""
    task, measure = trial.measure
    found = found_of(trial, two, task, measure)
    first, second = (trial.files[one] for one in two)
    if found is None:
        return f"Too little was played to compare {first} and {second}: two rounds with each at the least."
    said = verdict(found, len(trial.looked), seed=int(trial.name[:8], 16))
    return _sentence(trial, found, said, first, second)


def _sentence(trial: Trial, found: Difference, said: Verdict, first: str, second: str) -> str:
    _, measure = trial.measure
    if said.kind == "better" and len(trial.looked) <= LOOKS:
        good = (found.mean > 0.0) == TRIAL_MEASURES[measure].more
        better, other = (second, first) if good else (first, second)
        more = f"{measure} with {second} is {_compared(measure, found.mean)} than with {first}"
        return f"{better} is better than {other}: {more} ({_span(measure, found)})."
    between = f"{measure} with {second} is {_ends(measure, found)} than with {first}"
    if said.kind == "same":
        return f"{first} and {second} are alike as far as it matters: {between}."
    return " ".join(
        (f"Which of {first} and {second} is better is not known: {between}.", *_to_know(trial, found, said))
    )


def _to_know(trial: Trial, found: Difference, said: Verdict) -> Iterator[str]:
    """What it would take to know more."""
    alone = trial.people == 1
    if found.count < found.fewest:
        of = "pairs of rounds" if alone else "people"
        yield f"With fewer than {found.fewest} {of} nothing can be claimed."
    if said.more:
        of = f"{found.count + said.more} {'rounds with each' if alone else 'people'}"
        yield f"A trial of {of} finds a difference of 10 % in {round(10 * said.chance)} of 10 cases."
    elif len(trial.looked) >= LOOKS:
        yield "The looks that were planned are used up; a new trial may ask again."


def _amount(measure: str, value: float) -> str:
    """A difference of a number, with its sign and unit."""
    of = TRIAL_MEASURES[measure]
    if of.ratio or of.unit == "share":
        number = per_cent(value) if of.ratio else 100.0 * value
        return f"{number if abs(number) >= 0.05 else 0.0:+.1f} {'%' if of.ratio else 'points'}"
    return f"{value:+.3g} {of.unit}".rstrip()


def _span(measure: str, found: Difference) -> str:
    low, high = _amount(measure, found.low), _amount(measure, found.high)
    return f"{low.split(' ')[0]} to {high}"


def _compared(measure: str, value: float) -> str:
    of = TRIAL_MEASURES[measure]
    size = f"{abs(per_cent(value)):.1f} %" if of.ratio else _amount(measure, abs(value)).lstrip("+")
    return f"{size} {'higher' if value > 0.0 else 'lower'}"


def _ends(measure: str, found: Difference) -> str:
    """Both ends of an interval, in words: ``3 % lower to 5 % higher``."""
    low, high = _compared(measure, found.low), _compared(measure, found.high)
    if (found.low > 0.0) == (found.high > 0.0):
        near, far = sorted((low, high), key=lambda one: float(one.split()[0]))
        return f"{near.rsplit(' ', 1)[0].removesuffix(' %')} to {far}"
    return f"{low} to {high}"


def _of_drift(measure: str, found: Difference) -> str:
    if found.low <= 0.0 <= found.high:
        return "no learning and no tiring can be seen"
    return "learning" if (found.mean > 0.0) == TRIAL_MEASURES[measure].more else "tiring"


def _preference(trial: Trial, two: tuple[int, int]) -> list[str]:
    """Which setting people liked better."""
    likes: dict[int, list[str]] = {one: [] for one in two}
    neither = 0
    for person, bird, much in trial.answers():
        setting = trial.birds(person).index(bird) if bird else -1
        if setting in likes:
            likes[setting].append(much)
        else:
            neither += 1
    counts = [len(likes[one]) for one in two]
    if not sum(counts):
        return ["Neither was liked better."] if neither else []
    if trial.people == 1:
        liked = next(one for one in two if likes[one])
        much = likes[liked][0]
        return [f"Liked better{', ' + much if much else ''}: {trial.files[liked]}."]
    names = " and ".join(f"{trial.files[one]} by {count}" for one, count in zip(two, counts, strict=True))
    chance = preferred(*counts)
    by_chance = f"chance alone does as much in {100.0 * chance:.0f} % of trials"
    return [f"Liked better: {names} of {trial.people} people; {by_chance}."]


def tables(trial: Trial) -> list[list[list[str]]]:
    """For every two settings every number under both, with the difference and its interval; heads first."""
    found = []
    for two in combinations(range(len(trial.files)), 2):
        rows = numbers(trial, two)
        if rows:
            heads = ["task", "number", *(trial.files[one] for one in two), "difference", "95 % interval"]
            found.append([heads, *rows])
    return found if trial.people == 1 else [*found, _by_person(trial)]


def _by_person(trial: Trial) -> list[list[str]]:
    """What the trial asks about, person by person, under each setting."""
    task, measure = trial.measure
    rounds = trial.rounds()
    rows = rounds[(rounds["task"] == task) & (rounds["measure"] == measure)]
    means = rows.groupby(["person", "setting"])["value"].mean()
    found = [["person", "number", *trial.files]]
    for person in range(1, trial.people + 1):
        values = [means.get((person, setting), float("nan")) for setting in range(len(trial.files))]
        found.append([str(person), measure, *(_shown(one, TRIAL_MEASURES[measure].unit) for one in values)])
    return found


def numbers(trial: Trial, two: tuple[int, int]) -> list[list[str]]:
    """Rows of what was measured under two settings: task, number, both means, difference, interval."""
    rounds, found = trial.rounds(), []
    for task in trial.tasks:
        for measure in OF_KIND[task.kind]:
            these = rounds[(rounds["task"] == task.name) & (rounds["measure"] == measure)]
            means = [these.loc[these["setting"] == one, "value"].mean() for one in two]
            one = found_of(trial, two, task.name, measure)
            unit = TRIAL_MEASURES[measure].unit
            shown = [_shown(mean, unit) for mean in means]
            ends = [_amount(measure, one.mean), _span(measure, one)] if one else ["-", "-"]
            found.append([task.name, measure, *shown, *ends])
    return found


def _shown(value: float, unit: str) -> str:
    if value != value:
        return "-"
    return f"{100.0 * value:.1f} %" if unit == "share" else f"{value:.3g} {unit}".rstrip()

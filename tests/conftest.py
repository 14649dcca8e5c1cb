"""What every test shares."""

from __future__ import annotations

import os
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest
from hypothesis import HealthCheck, Phase, settings
from hypothesis.database import DirectoryBasedExampleDatabase
from hypothesis.internal.conjecture import providers

from mellow_thumb import Profile, Take, load_profile, marsh, read_take

# The same examples every time, whatever an earlier run has left behind. A slow machine is no reason to fail: nothing
# here is timed.
settings.register_profile(
    "fixed",
    deadline=None,
    suppress_health_check=[HealthCheck.too_slow],
    derandomize=True,
    database=None,
    print_blob=True,
)
# Fresh seeds, for exploring: see CONTRIBUTING.md.
settings.register_profile(
    "explore",
    settings.get_profile("fixed"),
    derandomize=False,
    database=DirectoryBasedExampleDatabase(".hypothesis"),
)
# For finding out which test fails, without waiting for its smallest example.
settings.register_profile("quick", settings.get_profile("fixed"), phases=[Phase.explicit, Phase.generate])
PROFILE = os.environ.get("HYPOTHESIS_PROFILE", "fixed")
settings.load_profile(PROFILE)
if PROFILE != "explore" and hasattr(providers, "_get_local_constants"):
    # Hypothesis tries the numbers that stand in whatever modules are loaded by then, which would make the examples
    # hang on the order of the tests and on how many run at once.
    providers._get_local_constants = lambda: providers._local_constants


@pytest.fixture(scope="session")
def glasses() -> Profile:
    return load_profile(marsh.PROFILE)


@pytest.fixture(scope="session")
def dyke() -> Profile:
    return load_profile(marsh.DYKE)


@pytest.fixture(scope="session")
def sweep() -> Take:
    return read_take(marsh.TAKE)


@pytest.fixture(scope="session")
def command() -> str:
    """The installed command, as a user has it."""
    found = Path(sys.executable).with_name("mellow-thumb")
    assert found.exists(), "install the project first: pip install -e '.[test]'"
    return str(found)


@pytest.fixture(scope="session", autouse=True)
def cache_of_its_own(tmp_path_factory: pytest.TempPathFactory) -> Iterator[None]:
    """What is compiled in the tests is not kept in anybody's own folder, and nothing is compiled unasked."""
    with pytest.MonkeyPatch.context() as patch:
        patch.setenv("MELLOW_THUMB_CACHE", str(tmp_path_factory.mktemp("compiled")))
        patch.setenv("MELLOW_THUMB_CC", "off")
        yield


@pytest.fixture
def compiling(monkeypatch: pytest.MonkeyPatch) -> None:
    """Programs may be compiled in this test."""
    monkeypatch.delenv("MELLOW_THUMB_CC")

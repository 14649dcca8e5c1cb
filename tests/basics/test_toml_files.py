"""The line of every path."""

from __future__ import annotations

from mellow_thumb.basics.toml_files import Places

from ..helpers.profiles import data

TEXT = data("places.toml")


def test_every_path_has_the_line_on_which_it_stands() -> None:
    places = Places(TEXT)
    expected = {
        ("title",): 1,
        ("gates",): 3,
        ("gates", "menu", "flag"): 4,
        ("gates", "menu", "deep", "er", 1): 4,
        ("gates", "many", 0): 6,
        ("gates", "many", 1): 8,
        ("gates", "a b", "c"): 10,
        ("routes",): 12,
        ("routes", "look", "smoothing", "half_life"): 13,
        ("spots", 0, "at"): 16,
        ("spots", 1, "at"): 18,
        ("spots", 1, "more", "x"): 20,
    }
    assert {path: places.line(path) for path in expected} == expected


def test_a_path_that_is_not_there_has_the_line_of_the_table_around_it() -> None:
    places = Places(TEXT)
    assert places.line(("gates", "menu", "hold", 3)) == 4
    assert places.line(("nowhere",)) == 0
    assert Places("").line(("title",)) == 0

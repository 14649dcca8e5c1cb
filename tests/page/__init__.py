"""Tests of the page."""

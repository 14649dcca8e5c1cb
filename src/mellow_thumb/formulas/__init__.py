"""Every formula once: plain scalar functions, tested alone, woven into programs.

A formula is straight-line Python so that it can be woven, compiled and written out as C: assignments
to new names, ternaries instead of ``min`` and ``max``, one ``return`` at the end. Positional parameters
are values that change; keyword-only parameters are numbers that a profile fixes.
"""

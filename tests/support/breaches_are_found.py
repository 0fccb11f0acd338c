#!/usr/bin/env python3
"""A forbidden #include planted in each direction is found by includes_point_down.cmake, which finds
nothing without it. Arguments: cmake, the script, the folder src."""
import pathlib
import subprocess
import sys
import tempfile

cmake, script, source = sys.argv[1:]

BREACHES = [  # where it is planted, what it includes
    ("core/led/planted.cpp", "store/workshop.h"),
    ("store/planted.cpp", "app/stage_view.h"),
    ("cli/planted.cpp", "app/stage_view.h"),
    ("sheets/planted.cpp", "store/workshop.h"),
    ("core/work/planted.cpp", "sheets/sheet.h"),
    ("store/planted.cpp", "sheets/sheet.h"),
    ("cli/planted.cpp", "core/work/wire/wiring_sheet.h"),
    ("app/planted.cpp", "cli/check.h"),
    ("benchmeter/planted.cpp", "cli/check.h"),
    ("core/led/planted.cpp", "core/record/job.h"),
    ("core/led/planted.cpp", "core/analysis/supply.h"),
    ("core/record/planted.h", "core/circuit/circuit.h"),
    ("core/record/planted.h", "core/analysis/supply.h"),
    ("core/jot/planted.cpp", "core/work/stage.h"),
    ("core/jot/planted.cpp", "core/analysis/supply.h"),
    ("core/analysis/planted.cpp", "core/jot/command.h"),
    ("core/analysis/lamps/planted.cpp", "core/work/stage.h"),
    ("core/analysis/planted.cpp", "core/house/rules/rules.h"),
    ("core/work/lamps/planted.cpp", "core/work/measure/measure.h"),
    ("core/work/planted.cpp", "core/work/lamps/lamps.h"),
    ("core/house/rules/planted.cpp", "core/house/district/district.h"),
    ("core/house/rules/planted.cpp", "core/work/lamps/lamps.h"),
    ("app/lamps/planted.cpp", "app/measure/measure_view.h"),
    ("app/frame/planted.cpp", "app/lamps/lamps_view.h"),
    ("app/district/planted.cpp", "app/rules/rules_view.h"),
    ("cli/planted.cpp", "core/work/lamps/lamps.h"),
    ("store/planted.cpp", "core/work/lamps/lamps.h"),
]


def complaints(root):
    ran = subprocess.run([cmake, f"-DSOURCE={root}", "-P", script], capture_output=True, text=True)
    return ran.returncode, ran.stderr


with tempfile.TemporaryDirectory() as scratch:
    root = pathlib.Path(scratch)
    # The layout alone: a file in each folder that has some.
    for folder in {file.parent for file in pathlib.Path(source).rglob("*.cpp")}:
        there = root / folder.relative_to(source)
        there.mkdir(parents=True, exist_ok=True)
        (there / "empty.cpp").write_text("")
    code, said = complaints(root)
    assert code == 0, said
    for where, included in BREACHES:
        planted = root / where
        planted.write_text(f'#include "{included}"\n')
        code, said = complaints(root)
        assert code != 0 and included in said, f"{where} may include {included}: {said}"
        planted.unlink()
print(f"{len(BREACHES)} planted breaches found")

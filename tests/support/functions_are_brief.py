#!/usr/bin/env python3
"""No function of src is longer than 80 lines, but those named here, which may only become fewer.
Reads the sources as clang-format leaves them: a definition begins where a line stands furthest out,
or as a member's, and ends with its brace there. Argument: the folder src."""
import pathlib
import re
import sys

MOST = 80
STILL_LONG = {
    ("app/lamps/lamps_panel.cpp", "LampsPanel::LampsPanel"),
    ("app/lamps/probes.cpp", "paintPanel"),
    ("app/lamps/schematic.cpp", "Schematic::paintRow"),
    ("app/main.cpp", "main"),
    ("app/stay_alive/stay_alive_panel.cpp", "StayAlivePanel::StayAlivePanel"),
    ("app/stay_alive/track_painter.cpp", "paintTrack"),
    ("core/work/decoder/judge_decoder.cpp", "judgeFit"),
    ("core/work/intake/suspects.cpp", "suspects"),
    ("core/work/stay_alive/judge_crossing.cpp", "judgeCrossing"),
    ("core/work/stay_alive/judge_fitting.cpp", "judgeClamp"),
    ("core/work/stay_alive/judge_found.cpp", "judgeLeak"),
    ("core/work/stay_alive/judge_stay_alive.cpp", "judgeHold"),
    ("core/work/stay_alive/pads_verb.cpp", "pads"),
    ("core/work/stay_alive/verbs.cpp", "bank"),
}
NO_FUNCTION = re.compile(
    r"^\s*(for|if|switch|while|return|judging|namespace|struct|class|enum|union|#|//|}|template|"
    r"public|private|protected|signals)\b"
    r"|^[^(]*(\[\]|=)[^(]*\{$|^[^(]*\{$")


def functions(lines, indent):
    """(name, count of lines) of each that begins so far in."""
    inside = " " * indent
    at = 0
    while at < len(lines):
        first = lines[at]
        at += 1
        if not re.match(inside + r"[A-Za-z~\[]", first) or NO_FUNCTION.match(first):
            continue
        head, brace = first.strip(), at - 1
        while not lines[brace].endswith(("{", ";", "}")) and brace - at < 12:
            brace += 1
            if brace == len(lines) or not lines[brace].startswith(inside + "  "):
                break
            head += " " + lines[brace].strip()
        named = re.search(r"([\w:~]+)\s*\(", head)
        if brace >= len(lines) or not lines[brace].endswith("{") or not named:
            continue
        for end in range(brace + 1, len(lines)):
            if lines[end].startswith(inside + "}"):
                yield named.group(1), end - at + 2
                at = end + 1
                break


source = pathlib.Path(sys.argv[1])
found = {}
for file in sorted(source.rglob("*")):
    if file.suffix not in (".h", ".cpp"):
        continue
    lines = file.read_text().split("\n")
    for name, count in [*functions(lines, 0), *functions(lines, 4)]:
        if count > MOST:
            found[str(file.relative_to(source)), name] = count
for (file, name), count in found.items():
    if (file, name) not in STILL_LONG:
        print(f"{file}: {name} is {count} lines long; {MOST} are allowed")
for file, name in sorted(STILL_LONG - found.keys()):
    print(f"{file}: {name} is not long any more: take it from the list in {sys.argv[0]}")
print(f"{len(found)} functions longer than {MOST} lines")
sys.exit(found.keys() != STILL_LONG)

"""`glimmet --shots DIR` writes one picture of 1280x800 for each main view and exits 0.

Usage: shots_test.py GLIMMET DOCS_SCREENSHOTS
"""
import os
import pathlib
import struct
import subprocess
import sys
import tempfile

program, documented = sys.argv[1], pathlib.Path(sys.argv[2])


def size(path):
    head = path.read_bytes()[:24]
    assert head[:8] == b"\x89PNG\r\n\x1a\n", path
    return struct.unpack(">II", head[16:24])


with tempfile.TemporaryDirectory() as folder:
    environment = dict(os.environ, QT_QPA_PLATFORM="offscreen", HOME=folder, XDG_CONFIG_HOME=folder,
                       XDG_DATA_HOME=folder, XDG_RUNTIME_DIR=folder)
    shots = pathlib.Path(folder) / "new" / "shots"
    subprocess.run([program, "--shots", shots], check=True, env=environment, timeout=120)
    written = {path.name for path in shots.iterdir()}
    assert written == {path.name for path in documented.iterdir()}, written
    for path in shots.iterdir():
        assert size(path) == (1280, 800), (path, size(path))
        assert path.stat().st_size > 20000, f"{path} is nearly empty"
    # The same view in the two themes is not the same picture.
    assert (shots / "measure-day.png").read_bytes() != (shots / "measure-night.png").read_bytes()
    # A folder that cannot be made is told by the exit status.
    blocked = pathlib.Path(folder) / "file"
    blocked.write_text("not a folder")
    status = subprocess.run([program, "--shots", blocked / "x"], env=environment, timeout=120).returncode
    assert status == 1, status

print("the pictures are written")

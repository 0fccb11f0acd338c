#!/usr/bin/env python3
"""Draws what glimmet_engine_error prints: error over time points, ours beside ngspice.

    build/release/bench/glimmet_engine_error | bench/error_plot.py > docs/engine-error.svg
"""
import math
import sys

PANELS = [("dcc", "bridge, capacitor, five lamps: 5 ms of DCC"), ("stayAlive", "stay-alive over 2 s")]
INK, PAPER, OURS, THEIRS = "#2b2a26", "#fbfaf6", "#9a5b13", "#5c6f7b"
WIDTH, HEIGHT, LEFT, TOP, GAP = 380, 250, 64, 58, 76


def rows():
    for line in sys.stdin:
        circuit, who, tolerance, points, error = line.strip().split(",")
        yield circuit, who, float(tolerance), int(points), float(error)


def panel(x, title, ours, theirs):
    every = ours + theirs
    low = [math.floor(math.log10(min(r[k] for r in every))) for k in (1, 2)]
    high = [math.ceil(math.log10(max(r[k] for r in every))) for k in (1, 2)]

    def at(points, error):
        across = (math.log10(points) - low[0]) / (high[0] - low[0])
        up = (math.log10(error) - low[1]) / (high[1] - low[1])
        return x + across * WIDTH, TOP + (1 - up) * HEIGHT

    out = [
        f'<text x="{x - 44}" y="{TOP - 34}" font-weight="bold">{title}</text>',
        f'<text x="{x - 44}" y="{TOP - 14}">error: rms, share of the largest volts</text>',
    ]
    for decade in range(low[0], high[0] + 1):
        px, _ = at(10**decade, 10 ** low[1])
        out.append(f'<line x1="{px:.1f}" y1="{TOP}" x2="{px:.1f}" y2="{TOP + HEIGHT}" class="grid"/>')
        out.append(f'<text x="{px:.1f}" y="{TOP + HEIGHT + 18}" text-anchor="middle">{10**decade:g}</text>')
    for decade in range(low[1], high[1] + 1):
        _, py = at(10 ** low[0], 10**decade)
        out.append(f'<line x1="{x}" y1="{py:.1f}" x2="{x + WIDTH}" y2="{py:.1f}" class="grid"/>')
        out.append(f'<text x="{x - 8}" y="{py + 4:.1f}" text-anchor="end">1e{decade}</text>')
    out.append(f'<text x="{x + WIDTH / 2}" y="{TOP + HEIGHT + 38}" text-anchor="middle">time points</text>')
    line = " ".join("%.1f,%.1f" % at(points, error) for _, points, error, _ in sorted(ours))
    out.append(f'<polyline points="{line}" fill="none" stroke="{OURS}" stroke-width="1.5"/>')
    for _, points, error, timed in sorted(ours, key=lambda row: row[3]):
        px, py = at(points, error)
        fill = OURS if timed else PAPER
        out.append(f'<circle cx="{px:.1f}" cy="{py:.1f}" r="4.5" fill="{fill}" stroke="{OURS}" stroke-width="1.5"/>')
    for _, points, error, timed in sorted(theirs, key=lambda row: row[3]):
        px, py = at(points, error)
        fill = THEIRS if timed else PAPER
        out.append(
            f'<rect x="{px - 4:.1f}" y="{py - 4:.1f}" width="8" height="8" fill="{fill}" stroke="{THEIRS}" stroke-width="1.5"/>'
        )
    return out


def main():
    data = list(rows())
    width = LEFT + len(PANELS) * (WIDTH + GAP) - 30
    out = [
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width} {TOP + HEIGHT + 84}" '
        f'font-family="sans-serif" font-size="13" fill="{INK}">',
        "<style>.grid{stroke:#d8d4c8;stroke-width:0.7}</style>",
        f'<rect width="{width}" height="{TOP + HEIGHT + 84}" fill="{PAPER}"/>',
    ]
    for index, (name, title) in enumerate(PANELS):
        def series(who):
            return [(t, p, e, "timed" in w) for c, w, t, p, e in data if c == name and w.startswith(who)]
        out += panel(LEFT + index * (WIDTH + GAP), title, series("ours"), series("ngspice"))
    y = TOP + HEIGHT + 66
    out.append(f'<circle cx="{LEFT + 6}" cy="{y - 4}" r="4.5" fill="{OURS}"/>')
    out.append(f'<text x="{LEFT + 18}" y="{y}">ours, accuracy 1e-2 … 1e-7 (filled: as timed)</text>')
    out.append(f'<rect x="{LEFT + 330}" y="{y - 8}" width="8" height="8" fill="{THEIRS}"/>')
    out.append(f'<text x="{LEFT + 346}" y="{y}">ngspice, reltol 1e-2 … 1e-6 (filled: its default)</text>')
    out.append("</svg>")
    print("\n".join(out))


main()

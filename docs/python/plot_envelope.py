#!/usr/bin/env python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Plots a recipe's motion and its envelope as SVG.

    plot_envelope.py RECIPE OUT.svg
"""

import sys
from xml.sax.saxutils import escape

import numpy as np

import vast_ember

WIDTH, HEIGHT, MARGIN = 800, 300, 40
BEFORE, FRAMES, PER_FRAME = 6, 96, 8


def line(values: np.ndarray, least: float, most: float, colour: str) -> str:
    x = np.linspace(MARGIN, WIDTH - MARGIN, len(values))
    y = HEIGHT - MARGIN - (values - least) / (most - least) * (HEIGHT - 2 * MARGIN)
    points = " ".join(f"{a:.1f},{b:.1f}" for a, b in zip(x, y))
    return f'<polyline points="{points}" fill="none" stroke="{colour}" stroke-width="1.5"/>'


def main() -> int:
    if len(sys.argv) != 3:
        print(__doc__, file=sys.stderr)
        return 2
    name, out = sys.argv[1:]
    film = vast_ember.Project.blank(1280, 720, rate=24, length=FRAMES)
    recipe = film.add_recipe(name)
    film.add_strike(BEFORE, "hit", recipe=recipe.name)
    poses = film.poses(per_frame=PER_FRAME)
    pixels = poses[:, [vast_ember.X, vast_ember.Y]]
    most = max(1.0, float(np.abs(pixels).max()))
    with open(out, "w", encoding="utf-8") as file:
        file.write(f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {WIDTH} {HEIGHT}" font-family="sans-serif">\n'
                   f'<rect width="{WIDTH}" height="{HEIGHT}" fill="#171412"/>\n'
                   f'<text x="{MARGIN}" y="26" fill="#d9d0c3">{escape(name)}: x, y to {most:.0f} pixels, and the envelope'
                   "</text>\n"
                   + line(pixels[:, 0], -most, most, "#9a8f80") + "\n" + line(pixels[:, 1], -most, most, "#d9d0c3") + "\n"
                   + line(poses[:, vast_ember.INTENSITY], 0, 1.1, "#6fb3a2") + "\n</svg>\n")
    print(f"{out}: the peak is on frame {int(poses[:, vast_ember.INTENSITY].argmax()) / PER_FRAME - BEFORE:+.2f}")
    return 0


if __name__ == "__main__":
    sys.exit(main())

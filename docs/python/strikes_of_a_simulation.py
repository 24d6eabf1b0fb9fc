#!/usr/bin/env python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Strikes of a simulation that knows when, where and how hard things collide: ingots that fall and bounce.

    strikes_of_a_simulation.py PROJECT.vember
"""

import sys

import numpy as np

import vast_ember

GRAVITY = 9.81  # m/s2
BOUNCE = 0.45  # share of the speed that is left
RATE, LENGTH = 24, 120


def impacts(height: float, released: float):
    """Seconds and speeds (m/s) at which a body that falls from a height meets the floor."""
    speed = np.sqrt(2 * GRAVITY * height)
    time = released + speed / GRAVITY
    while speed > 0.4:
        yield time, speed
        speed *= BOUNCE
        time += 2 * speed / GRAVITY


def main() -> int:
    if len(sys.argv) != 2:
        print(__doc__, file=sys.stderr)
        return 2
    film = vast_ember.Project.blank(1280, 720, rate=RATE, length=LENGTH)
    bodies = {"Ingot": (2.4, 0.5, -0.8), "Billet": (1.1, 1.6, 1.2)}  # height (m), released at (s), metres to the right
    hardest = max(speed for height, released, _ in bodies.values() for _, speed in impacts(height, released))
    for name, (height, released, across) in bodies.items():
        for time, speed in impacts(height, released):
            frame = round(time * RATE)
            if frame < LENGTH:
                film.add_strike(frame, "landing", strength=float(speed / hardest) ** 2, direction=90, name=name,
                                place=f"{across}:0:6")
    film.save(sys.argv[1], overwrite=True)
    moved = np.abs(film.poses()[:, vast_ember.Y])
    print(f"{len(film.strikes)} strikes; the picture moves by up to {moved.max():.1f} pixels, on frame {moved.argmax()}")
    return 0


if __name__ == "__main__":
    sys.exit(main())

#!/usr/bin/env python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Shakes every clip of a folder by its sound: a project and a film for each.

    shake_by_sound.py CLIPS FOLDER [STRENGTH]
"""

import sys
from pathlib import Path

import vast_ember

ENDINGS = {".mp4", ".mov", ".mkv", ".webm"}


def shake(clip: Path, folder: Path, strength: float) -> str:
    film = vast_ember.Project.of_clip(clip)
    events = vast_ember.spot(clip, source="sound", rate=film.rate)
    for event in events:
        if event.frame < film.length and event.confidence >= 0.5:
            film.add_strike(event.frame, event.kind, strength=max(0.05, strength * event.strength))
    film.save(folder / (clip.stem + ".vember"), overwrite=True)
    film.render(folder / (clip.stem + "-shaken.mp4"), quality="draft", overwrite=True)
    return f"{clip.name}: {len(film.strikes)} strikes"


def main() -> int:
    if len(sys.argv) not in (3, 4):
        print(__doc__, file=sys.stderr)
        return 2
    clips, folder = Path(sys.argv[1]), Path(sys.argv[2])
    strength = float(sys.argv[3]) if len(sys.argv) == 4 else 1.0
    folder.mkdir(parents=True, exist_ok=True)
    failed = 0
    for clip in sorted(clips.iterdir()):
        if clip.suffix.lower() not in ENDINGS:
            continue
        try:
            print(shake(clip, folder, strength))
        except vast_ember.Error as error:  # the others are shaken all the same
            print(f"{clip.name}: {error}", file=sys.stderr)
            failed = 1
    return failed


if __name__ == "__main__":
    sys.exit(main())

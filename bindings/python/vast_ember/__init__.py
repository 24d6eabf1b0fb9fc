# SPDX-License-Identifier: GPL-3.0-or-later
"""Impact shakes for scripts: the engine of Vast Ember.

A project is opened, made and changed by the same keys as in ``vast-ember-batch set``; its motion comes as numpy arrays,
its frames as pictures. A film without a clip:

>>> import vast_ember
>>> film = vast_ember.Project.blank(1280, 720, rate=24, length=48)
>>> blow = film.add_strike(12, "landing", strength=0.8)
>>> poses = film.poses()
>>> poses.shape
(48, 7)
>>> bool((poses[:12] == vast_ember.REST).all())   # nothing moves before the event
True
>>> int(abs(poses[:, vast_ember.Y]).argmax())     # it peaks where its envelope says
13

What cannot be done raises an :class:`Error` with a sentence; errors of files and values are Python's own, too
(``FileNotFoundError``, ``FileExistsError``, ``PermissionError``, ``ValueError``).
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, MutableMapping
from fractions import Fraction
from operator import index
from os import PathLike, fspath
from typing import Any, NamedTuple, Optional, Union

import numpy as np

from . import _engine
from ._engine import (AccessError, CancelledError, Error, ExistsError, NotFoundError, ValueRangeError)

__version__: str = _engine.version
__all__ = ["Project", "Strike", "Recipe", "Event", "Tempo", "spot", "tempo", "capture", "recipes", "Error",
           "NotFoundError", "ExistsError", "AccessError", "ValueRangeError", "CancelledError", "REST", "X", "Y", "ZOOM",
           "ROLL", "PAN", "TILT", "INTENSITY"]

#: Columns of poses: x and y in pixels of the project, zoom a ratio, roll, pan and tilt in degrees, intensity a ratio.
X, Y, ZOOM, ROLL, PAN, TILT, INTENSITY = range(7)
#: The pose of a picture that nothing moves.
REST = np.array([0, 0, 1, 0, 0, 0, 0], dtype=np.float64)
REST.flags.writeable = False

Path = Union[str, "PathLike[str]"]
Value = Union[str, bool, int, float]
Rate = Union[int, str, Fraction]
Watcher = Optional[Callable[[float], Optional[bool]]]


def _text(value: Value) -> str:
    if isinstance(value, bool):
        return "on" if value else "off"
    if isinstance(value, str):
        return value
    if isinstance(value, (int, float, np.integer, np.floating)):
        return repr(value.item() if isinstance(value, np.generic) else value)
    raise TypeError(f"a value is a text, a number or True or False, not {type(value).__name__}")


def _ratio(rate: Rate) -> tuple[int, int]:
    try:
        exact = Fraction(rate)
    except (ValueError, ZeroDivisionError) as wrong:
        raise ValueRangeError(f"{rate!r} is no frame rate; 24 or \"24000/1001\" is one") from wrong
    return exact.numerator, exact.denominator


def _last(frame: Optional[int]) -> Optional[int]:
    return None if frame is None else index(frame)


class _Part(MutableMapping[str, str]):
    """The values of a part of a project, by keys that begin behind the part's own."""

    _project: "Project"

    def _prefix(self) -> str:
        raise NotImplementedError

    def __getitem__(self, key: str) -> str:
        return self._project[self._prefix() + key]

    def __setitem__(self, key: str, value: Value) -> None:
        self._project[self._prefix() + key] = value

    def __delitem__(self, key: str) -> None:
        raise TypeError("values cannot be deleted, only set")

    def __iter__(self) -> Iterator[str]:
        begin = self._prefix()
        return (key[len(begin):] for key in self._project if key.startswith(begin))

    def __len__(self) -> int:
        return sum(1 for _ in self)

    def set(self, values: Mapping[str, Value]) -> None:
        """Sets several values at once; where one is wrong none is set."""
        begin = self._prefix()
        self._project.set({begin + key: value for key, value in values.items()})


class Strike(_Part):
    """A strike of a project: ``strike["strength"] = 0.5``. It stays the same strike whatever is added or moved.

    Keys are those behind ``strike.N.`` in ``vast-ember-batch set``: frame, kind, strength, direction, recipe, name, …
    """

    def __init__(self, project: "Project", identity: int) -> None:
        self._project = project
        self._identity = identity

    def _prefix(self) -> str:
        return f"strike.{self.number}."

    @property
    def number(self) -> int:
        """Its number in the project now, from 1. A ValueRangeError where it was removed."""
        try:
            return self._project._engine.strikes().index(self._identity) + 1
        except ValueError:
            raise ValueRangeError("The strike is no longer in its project") from None

    @property
    def frame(self) -> int:
        """The frame of its event."""
        return int(self["frame"])

    @frame.setter
    def frame(self, frame: int) -> None:
        self["frame"] = frame

    def remove(self) -> None:
        """Takes it out of its project."""
        self._project._engine.remove_strikes([self._identity])

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Strike) and (self._project is other._project and self._identity == other._identity)

    def __hash__(self) -> int:
        return hash(self._identity)

    def __repr__(self) -> str:
        return f"<strike {self.number}: {self['kind']} on frame {self['frame']}>"


class Recipe(_Part):
    """A recipe of a project: ``recipe["strand.Rattle.amount.x"] = 12``.

    Keys are those behind ``recipe.NAME.`` in ``vast-ember-batch set``.
    """

    def __init__(self, project: "Project", name: str) -> None:
        self._project = project
        self.name = name

    def _prefix(self) -> str:
        return f"recipe.{self.name}."

    def __repr__(self) -> str:
        return f"<recipe {self.name!r}>"


class Project(MutableMapping[str, str]):
    """A film with its shots, sound, strikes, recipes and finish; a mapping of every value that can be set.

    Values are texts, as ``vast-ember-batch set --list`` shows them; numbers, True and False can be given, too:

    >>> film = Project.blank(1920, 1080, rate="24000/1001", length=100)
    >>> film["overlap.rule"] = "restart"
    >>> film["overlap.rule"]
    'restart'
    >>> film["overlap.rule"] = "louder"
    Traceback (most recent call last):
    ...
    vast_ember.ValueRangeError: "overlap.rule=louder" has a value that cannot be used: it should be one of add, stronger, restart.
    """

    _engine: Any

    def __init__(self, engine: Any) -> None:
        """For this module; see open(), of_clip() and blank()."""
        self._engine = engine

    @classmethod
    def open(cls, path: Path) -> "Project":
        """The project in a .vember file."""
        return cls(_engine.Project.open(fspath(path)))

    @classmethod
    def of_clip(cls, clip: Path, *, still: bool = False) -> "Project":
        """A project for a clip (a film, a picture, one of a numbered series, a timeline .otio) with the starter recipes.

        still: a numbered picture alone, though it has neighbours.
        """
        return cls(_engine.Project.of_clip(fspath(clip), still))

    @classmethod
    def blank(cls, width: int, height: int, *, rate: Rate, length: int) -> "Project":
        """A film of `length` black frames: for motion alone, and for pictures of the script's own (shake()).

        width, height: pixels, 1 to 16384; rate: frames a second, 1 to 1000, exact ("24000/1001").
        """
        return cls(_engine.Project.blank(index(width), index(height), _ratio(rate), index(length)))

    # Values

    def __getitem__(self, key: str) -> str:
        for known, value in self._engine.settings():
            if known == key:
                return str(value)
        raise KeyError(key)

    def __setitem__(self, key: str, value: Value) -> None:
        self.set({key: value})

    def __delitem__(self, key: str) -> None:
        raise TypeError("values cannot be deleted, only set")

    def __iter__(self) -> Iterator[str]:
        return (key for key, _ in self._engine.settings())

    def __len__(self) -> int:
        return len(self._engine.settings())

    def __contains__(self, key: object) -> bool:
        return any(known == key for known in self)

    def __eq__(self, other: object) -> bool:
        return self is other

    def __hash__(self) -> int:
        return id(self)

    def items(self) -> Any:
        """Every key with its value."""
        return dict(self._engine.settings()).items()

    def set(self, values: Mapping[str, Value]) -> None:
        """Sets several values, in their order; where one is wrong none is set, and a ValueRangeError names it."""
        self._engine.set([(key, _text(value)) for key, value in values.items()])

    # What it is

    @property
    def path(self) -> Optional[str]:
        """Its file, where it was opened or saved."""
        return self._engine.path or None

    @property
    def size(self) -> tuple[int, int]:
        """Width and height of the frame in pixels."""
        return self._engine.width, self._engine.height

    @property
    def rate(self) -> Fraction:
        """Frames a second, exact."""
        return Fraction(*self._engine.rate)

    @property
    def length(self) -> int:
        """Frames."""
        return int(self._engine.length)

    def seconds(self, frame: float) -> float:
        """When a frame begins."""
        return float(frame / self.rate)

    # Strikes and recipes

    @property
    def strikes(self) -> list[Strike]:
        """Its strikes, in the order of their frames."""
        return [Strike(self, identity) for identity in self._engine.strikes()]

    def add_strike(self, frame: int, kind: str = "hit", *, strength: float = 1.0, **values: Value) -> Strike:
        """A strike on a frame: kind blast, landing, hit or beat; strength a ratio, 0 to 10; more values by their keys.

        >>> film = Project.blank(640, 360, rate=24, length=24)
        >>> film.add_strike(3, "blast", direction=90, name="Ladle bursts")
        <strike 1: blast on frame 3>
        """
        strike = Strike(self, self._engine.add_strike(index(frame), kind, float(strength)))
        if values:
            try:
                strike.set(values)
            except Exception:
                strike.remove()
                raise
        return strike

    def add_strikes(self, path: Path) -> list[Strike]:
        """The strikes of a list in a file (.csv, .jsonl, .mid, …, see docs/lists.md), on the frames nearest to their times."""
        return [Strike(self, identity) for identity in self._engine.add_strikes(fspath(path))]

    @property
    def recipes(self) -> dict[str, Recipe]:
        """Its recipes by their names."""
        return {name: Recipe(self, name) for name in self._engine.recipes()}

    def add_recipe(self, name: str) -> Recipe:
        """A copy of a recipe of the book (see recipes()), fitted to this film's size and rate."""
        return Recipe(self, self._engine.add_recipe(name))

    # Motion

    def poses(self, first: int = 0, last: Optional[int] = None, *, per_frame: int = 1) -> np.ndarray:
        """Where the picture is on frames first to last (included; None: the film's last).

        Returns float64 of shape ((last - first + 1) * per_frame, 7), columns X, Y (pixels), ZOOM (ratio), ROLL, PAN, TILT
        (degrees), INTENSITY (ratio); per_frame: 1 to 1000 evenly spaced instants a frame.
        """
        return self._engine.poses(index(first), _last(last), index(per_frame))

    def poses_at(self, times: Any) -> np.ndarray:
        """The same at instants of your own, in frames: shape (len(times), 7)."""
        return self._engine.poses_at(np.asarray(times, dtype=np.float64))

    # Pictures

    def frame(self, number: int, *, width: int = 0, height: int = 0) -> np.ndarray:
        """A finished frame as a render has it: shape (height, width, 4), read-only, without a copy.

        uint8 or uint16 codes of the film's space, or float32 light with alpha multiplied in, whichever holds what the clip
        stores. width, height: 0 for the project's. The clip is opened each time: see frames() for many.
        """
        return self._engine.frame(index(number), index(width), index(height))

    def frames(self, first: int = 0, last: Optional[int] = None, *, width: int = 0, height: int = 0,
               threads: int = 0) -> Iterator[np.ndarray]:
        """Frames first to last one after the other, as frame() has them; decoded and shaken ahead on other threads."""
        return self._engine.frames(index(first), _last(last), index(width), index(height), index(threads))

    def shake(self, picture: np.ndarray, frame: int) -> np.ndarray:
        """What a picture of your own becomes on a frame of the film: shape (height, width, 4), read-only.

        picture: (height, width, 3 or 4), uint8 or uint16 codes of sRGB, or float32 light of BT.709. Its own size counts:
        pixels of the motion follow.

        >>> film = Project.blank(64, 48, rate=24, length=24)
        >>> picture = np.full((48, 64, 3), 200, dtype=np.uint8)
        >>> film.shake(picture, 5).shape
        (48, 64, 4)
        """
        return self._engine.shake(np.asarray(picture), index(frame))

    def render(self, out: Path, *, first: int = 0, last: Optional[int] = None, width: int = 0, height: int = 0,
               quality: str = "good", coder: str = "usual", threads: int = 0, overwrite: bool = False,
               progress: Watcher = None) -> str:
        """Renders the film, or numbered pictures, like ``vast-ember-batch render``; returns what is worth telling.

        progress: called with the share that is done, 0 to 1; returning False stops it (CancelledError). Ctrl+C stops it,
        too. Nothing half-written is left.
        """
        return self._engine.render(fspath(out), index(first), _last(last), index(width), index(height), quality, coder,
                                   index(threads), overwrite, progress)

    def gentle(self) -> "Project":
        """The gentle version, a project of its own."""
        return Project(self._engine.gentle())

    # Files

    def save(self, path: Optional[Path] = None, *, overwrite: bool = False) -> None:
        """Writes it as .vember: to its own file, or to `path`, which is then its own. Never onto a clip of its."""
        target = fspath(path) if path is not None else self.path
        if target is None:
            raise ValueRangeError("The project has no file yet; say where to save it")
        self._engine.save(target, overwrite)

    def to_json(self) -> str:
        """What save() would write."""
        return str(self._engine.json())

    def __repr__(self) -> str:
        width, height = self.size
        return f"<project of {self.length} frames, {width} x {height}, {self.rate} a second>"


class Event(NamedTuple):
    """Something that hits, found by spot()."""

    frame: int
    seconds: float
    kind: str  #: blast, landing, hit or beat
    strength: float  #: 0 to 1
    confidence: float  #: 0 to 1: the share that is right of all that are told so
    heard: bool
    seen: bool
    late_frames: Optional[float]  #: how long the sound comes after the picture, where both
    direction: Optional[float]  #: degrees, clockwise from the right
    place: Optional[tuple[float, float]]  #: in the picture, 0 to 1, where seen
    tail_of_seconds: Optional[float]  #: of the event whose debris or echo it is
    evidence: list[tuple[str, float]]  #: what tells, and by how much


class Tempo(NamedTuple):
    """The beat of a sound or a score."""

    bpm: float  #: the mean where it changes
    confidence: float  #: 0 to 1
    beats: np.ndarray  #: seconds of each, float64
    beats_per_bar: int
    first_bar_seconds: float


def spot(media: Path, *, source: str = "both", sensitivity: float = 0.5, band: str = "all", beats: bool = True,
         tails: bool = False, rate: Optional[Rate] = None, progress: Watcher = None) -> list[Event]:
    """What hits in a clip or a sound, in order.

    source: both (as far as it has them), sound or picture; sensitivity 0 to 1; band: low, mid, high or all; beats: call
    what falls on the beat a beat; tails: debris and echoes, too; rate: frames count at (the clip's; 24 for a sound).
    """
    exact = _ratio(rate) if rate is not None else None
    return [Event(**event)
            for event in _engine.spot(fspath(media), source, sensitivity, band, beats, tails, exact, progress)]


def tempo(media: Path, *, progress: Watcher = None) -> Optional[Tempo]:
    """The beat of a clip, a sound or a score (.mid); None where there is none."""
    found = _engine.tempo(fspath(media), progress)
    return None if found is None else Tempo(**found)


def capture(clip: Path, first: int = 0, last: Optional[int] = None, *, faster_than: float = 0,
            progress: Watcher = None) -> np.ndarray:
    """How a clip's camera moved since frame `first`: float64 of shape (frames, 5).

    Columns x, y (pixels of the clip), roll (degrees), zoom (ratio), confidence (0 to 1; 0 where it could not be measured
    and is bridged). faster_than: seconds; what is slower is taken off, 0 for nothing.
    """
    return _engine.capture(fspath(clip), index(first), _last(last), float(faster_than), progress)


def recipes() -> dict[str, str]:
    """The recipes of the book, shipped and your own: what each is for, by its name."""
    return dict(_engine.recipes())

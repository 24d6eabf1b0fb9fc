# SPDX-License-Identifier: GPL-3.0-or-later
"""The Python module: its docstrings, what it gives against the batch tool, and what it refuses."""

import csv
import doctest
import io
import json
import os
import subprocess
import sys
import tempfile
import threading
import unittest
import wave
from fractions import Fraction
from pathlib import Path

import numpy as np

import vast_ember
from vast_ember import Project

TOOL = os.environ["EMBER_BATCH"]
SOURCE = Path(__file__).resolve().parents[2]


def ffmpeg(*arguments):
    subprocess.run(["ffmpeg", "-v", "error", "-y", *map(str, arguments)], check=True)


def batch(*arguments):
    done = subprocess.run([TOOL, *map(str, arguments)], capture_output=True, text=True, check=False)
    if done.returncode != 0:
        raise AssertionError(done.stderr)
    return done.stdout


def write_blows(path, seconds, times, decay=18.0):
    """A sound of blows, each a burst of noise over a low tone, at these seconds."""
    rate = 48000
    samples = np.zeros(int(seconds * rate))
    noise = np.random.default_rng(7)
    for time in times:
        begin = round(time * rate)
        t = np.arange(len(samples) - begin) / rate
        samples[begin:] += np.exp(-decay * t) * (0.35 * noise.standard_normal(len(t)) + 0.4 * np.sin(440 * t))
    with wave.open(str(path), "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(rate)
        file.writeframes((np.clip(samples, -1, 1) * 32767).astype("<i2").tobytes())


class Made(unittest.TestCase):
    """A folder with a clip of numbered noise and a sound with blows, and a project of it."""

    @classmethod
    def setUpClass(cls):
        cls.holder = tempfile.TemporaryDirectory()
        cls.folder = Path(cls.holder.name)
        cls.clip = cls.folder / "clip.mkv"
        sound = cls.folder / "blows.wav"
        write_blows(sound, 2, (0.5, 1.25))
        ffmpeg("-f", "lavfi", "-i", "testsrc2=s=192x128:r=24000/1001:d=2", "-i", sound, "-frames:v", 48, "-c:v", "ffv1",
               "-pix_fmt", "bgr0", "-c:a", "flac", cls.clip)
        film = Project.of_clip(cls.clip)
        film.add_strike(20, "landing", strength=0.8)
        film.add_strike(30, "blast")
        cls.path = cls.folder / "made.vember"
        film.save(cls.path)

    @classmethod
    def tearDownClass(cls):
        cls.holder.cleanup()


class ProjectTest(Made):
    def test_docstrings(self):
        result = doctest.testmod(vast_ember, optionflags=doctest.IGNORE_EXCEPTION_DETAIL)
        self.assertGreater(result.attempted, 10)
        self.assertEqual(result.failed, 0)

    def test_keys_are_those_of_set(self):
        film = Project.open(self.path)
        listed = [line for line in batch("set", self.path, "--list").splitlines() if "\\" not in line]
        self.assertGreater(len(listed), 300)
        for line in listed:
            key, value = line.split("=", 1)
            self.assertEqual(film[key], value)
        self.assertEqual(len(film), len(list(film)))

    def test_poses_are_those_of_the_batch_tool(self):
        film = Project.open(self.path)
        rows = list(csv.reader(io.StringIO(batch("poses", self.path, "--subframes", 3))))[1:]
        told = np.array(rows, dtype=np.float64)
        poses = film.poses(per_frame=3)
        self.assertEqual(poses.dtype, np.float64)
        np.testing.assert_array_equal(poses, told[:, 1:])
        np.testing.assert_array_equal(film.poses_at(told[:, 0]), poses)
        np.testing.assert_array_equal(film.poses(5, 9), film.poses()[5:10])
        self.assertTrue((poses[: 20 * 3] == vast_ember.REST).all())

    def test_frames_are_those_of_a_render(self):
        film = Project.open(self.path)
        out = self.folder / "whole.mkv"
        batch("render", self.path, "-o", out)
        raw = subprocess.run(["ffmpeg", "-v", "error", "-i", out, "-f", "rawvideo", "-pix_fmt", "rgb24", "-"],
                             capture_output=True, check=True).stdout
        rendered = np.frombuffer(raw, dtype=np.uint8).reshape(-1, 128, 192, 3)
        self.assertEqual(len(rendered), film.length)
        for number, picture in enumerate(film.frames()):
            self.assertEqual(picture.shape, (128, 192, 4))
            np.testing.assert_array_equal(picture[..., :3], rendered[number])
        np.testing.assert_array_equal(film.frame(31)[..., :3], rendered[31])
        self.assertEqual(film.frame(31, width=96, height=64).shape, (64, 96, 4))
        # The same from outside: what the clip shows is shaken like the film's own frame.
        still = Project.of_clip(self.clip)
        own = next(iter(still.frames(31, 31)))
        np.testing.assert_array_equal(film.shake(own[..., :3], 31)[..., :3], rendered[31])

    def test_pictures_share_their_memory_and_are_not_written_to(self):
        film = Project.open(self.path)
        picture = film.frame(0)
        self.assertFalse(picture.flags.owndata)
        with self.assertRaises(ValueError):
            picture[0, 0, 0] = 1
        loop = film.frames(0, 3)
        first = next(loop).copy()
        kept = next(film.frames(0, 0))
        del loop
        np.testing.assert_array_equal(kept, first)  # lives on without what made it

    def test_rendering(self):
        film = Project.open(self.path)
        shares = []
        out = self.folder / "python.mkv"
        film.render(out, progress=shares.append)
        self.assertEqual(len(shares), film.length)
        self.assertEqual(shares[-1], 1)
        batch("render", self.path, "-o", self.folder / "batch.mkv")
        self.assertEqual(out.read_bytes(), (self.folder / "batch.mkv").read_bytes())
        with self.assertRaises(FileExistsError):
            film.render(out)
        stopped = self.folder / "stopped.mkv"
        with self.assertRaises(vast_ember.CancelledError):
            film.render(stopped, progress=lambda share: share < 0.2)

        def break_off(share):
            raise KeyError("own")

        with self.assertRaises(KeyError):
            film.render(stopped, progress=break_off)
        self.assertFalse(stopped.exists())
        with self.assertRaises(vast_ember.AccessError):
            film.render(self.clip, overwrite=True)  # never onto the clip

    def test_other_threads_run_meanwhile(self):
        film = Project.open(self.path)
        ticks = []
        done = threading.Event()

        def count():
            while not done.is_set():
                ticks.append(1)
                done.wait(0.001)

        other = threading.Thread(target=count)
        other.start()
        try:
            film.render(self.folder / "threads.mkv")
        finally:
            done.set()
            other.join()
        self.assertGreater(len(ticks), 1)

    def test_strikes_and_recipes(self):
        film = Project.open(self.path)
        second = film.strikes[1]
        self.assertEqual(second.frame, 30)
        first = film.add_strike(2, "hit", strength=0.25, name="Early", direction=45)
        self.assertEqual([s.frame for s in film.strikes], [2, 20, 30])
        self.assertEqual((first.number, second.number), (1, 3))
        second["strength"] = 0.5
        self.assertEqual(float(film["strike.3.strength"]), 0.5)
        self.assertEqual(first["name"], "Early")
        self.assertIn("strength", second)
        self.assertEqual(dict(first)["kind"], "hit")
        with self.assertRaises(ValueError):
            film.add_strike(4, "hit", direction="sideways")
        self.assertEqual(len(film.strikes), 3)  # not there half
        second.remove()
        with self.assertRaises(vast_ember.ValueRangeError):
            second["strength"] = 1
        known = vast_ember.recipes()
        name = next(iter(known))
        recipe = film.add_recipe(name)
        self.assertIn(recipe.name, film.recipes)
        key = next(key for key in recipe if key.endswith("amount.y"))
        recipe[key] = 7
        self.assertEqual(float(film[f"recipe.{recipe.name}.{key}"]), 7)
        first["recipe"] = recipe.name
        self.assertEqual(first["recipe"], recipe.name)

    def test_lists(self):
        film = Project.of_clip(self.clip)
        strikes = self.folder / "strikes.csv"
        strikes.write_text("seconds,strength\n0.5,1\n1.25,0.5\n", encoding="utf-8")
        added = film.add_strikes(strikes)
        self.assertEqual([s.frame for s in added], [12, 30])
        self.assertEqual(float(added[1]["strength"]), 0.5)

    def test_saving(self):
        film = Project.open(self.path)
        copy = self.folder / "copy.vember"
        film.save(copy)
        self.assertEqual(film.path, str(copy))
        self.assertEqual(json.loads(copy.read_text(encoding="utf-8")), json.loads(film.to_json()))
        film["overlap.rule"] = "restart"
        film.save()
        self.assertEqual(Project.open(copy)["overlap.rule"], "restart")
        with self.assertRaises(FileExistsError):
            film.save(self.path)
        before = self.clip.read_bytes()
        with self.assertRaises(vast_ember.Error):
            film.save(self.clip, overwrite=True)
        self.assertEqual(self.clip.read_bytes(), before)
        with self.assertRaises(ValueError):
            Project.of_clip(self.clip).save()

    def test_what_is_wrong_is_told(self):
        film = Project.open(self.path)
        cases = [
            (FileNotFoundError, "none.vember", lambda: Project.open(self.folder / "none.vember")),
            (vast_ember.Error, "notes.vember", lambda: Project.open(self.written("notes.vember", "{"))),
            (ValueError, "one of add, stronger, restart", lambda: film.set({"overlap.rule": "loud"})),
            (ValueError, "no.such.key", lambda: film.set({"no.such.key": 1})),
            (KeyError, "no.such.key", lambda: film["no.such.key"]),
            (TypeError, "a text, a number", lambda: film.set({"overlap.rule": None})),
            (ValueError, "frames 0 to 47", lambda: film.poses(0, 48)),
            (ValueError, "frames 0 to 47", lambda: film.frame(-1)),
            (ValueError, "frames 0 to 47", lambda: film.add_strike(48)),
            (TypeError, "as an integer", lambda: film.add_strike(2.5)),
            (TypeError, "as an integer", lambda: film.poses(0, "9")),
            (TypeError, "str", lambda: film.save(7)),
            (ValueError, "shape is (2)", lambda: film.shake([1, 2], 0)),
            (ValueError, "none of blast", lambda: film.add_strike(1, "boom")),
            (ValueError, "is not from 0", lambda: film.add_strike(1, strength=float("nan"))),
            (ValueError, "one list", lambda: film.poses_at(np.zeros((2, 2)))),
            (ValueError, "no time", lambda: film.poses_at([1.0, float("inf")])),
            (ValueError, "shape is (4, 4)", lambda: film.shake(np.zeros((4, 4), np.uint8), 0)),
            (ValueError, "shape is (4, 4, 2)", lambda: film.shake(np.zeros((4, 4, 2), np.uint8), 0)),
            (ValueError, "shape is (0, 4, 3)", lambda: film.shake(np.zeros((0, 4, 3), np.uint8), 0)),
            (ValueError, "float64", lambda: film.shake(np.zeros((4, 4, 3)), 0)),
            (ValueError, "no frame rate", lambda: Project.blank(10, 10, rate="fast", length=5)),
            (ValueError, "0/1 is no rate", lambda: Project.blank(10, 10, rate=0, length=5)),
            (ValueError, "0 x 10", lambda: Project.blank(0, 10, rate=24, length=5)),
            (ValueError, "1 to", lambda: Project.blank(10, 10, rate=24, length=0)),
            (ValueError, "loud", lambda: vast_ember.spot(self.clip, source="loud")),
            (ValueError, "from 0 to 1", lambda: vast_ember.spot(self.clip, sensitivity=2)),
            (FileNotFoundError, "none.mp4", lambda: vast_ember.spot(self.folder / "none.mp4")),
            (ValueError, "frames 0 to 47", lambda: vast_ember.capture(self.clip, 0, 100)),
            (ValueError, "recipe book", lambda: film.add_recipe("Nobody's")),
        ]
        for kind, words, call in cases:
            with self.subTest(words=words):
                with self.assertRaises(kind) as caught:
                    call()
                self.assertIn(words, str(caught.exception))

    def written(self, name, text):
        path = self.folder / name
        path.write_text(text, encoding="utf-8")
        return path

    def test_light_and_deep_pictures(self):
        film = Project.blank(32, 24, rate=24, length=24)
        film.add_strike(2, "blast")
        film["finish.cover"] = "off"
        for kind, value in ((np.uint8, 90), (np.uint16, 30000), (np.float32, 3.5)):
            picture = (np.random.default_rng(1).random((24, 32, 4)) * value).astype(kind)
            if kind is np.float32:
                picture -= 1  # light below 0, too
            at_rest = film.shake(picture, 0)
            self.assertEqual(at_rest.dtype, kind)
            np.testing.assert_array_equal(at_rest, picture)  # untouched, whatever its layout in memory
            flipped = np.asfortranarray(picture)[::-1]
            np.testing.assert_array_equal(film.shake(flipped, 0), flipped)

    def test_what_it_is(self):
        film = Project.open(self.path)
        self.assertEqual((film.size, film.rate, film.length), ((192, 128), Fraction(24000, 1001), 48))
        self.assertEqual(film.seconds(24000), 1001.0)
        self.assertEqual(repr(film), "<project of 48 frames, 192 x 128, 24000/1001 a second>")
        calm = film.gentle()
        self.assertLessEqual(np.abs(calm.poses()[:, vast_ember.X]).max(), np.abs(film.poses()[:, vast_ember.X]).max())


class AnalysisTest(Made):
    def test_spot_is_that_of_the_batch_tool(self):
        told = json.loads(batch("spot", self.clip, "--from", "sound", "--format", "json"))
        found = vast_ember.spot(self.clip, source="sound")
        self.assertEqual([e.frame for e in found], [e["frame"] for e in told])
        self.assertEqual([e.frame for e in found], [12, 30])
        for event, other in zip(found, told):
            self.assertAlmostEqual(event.strength, other["strength"], 3)
            self.assertAlmostEqual(event.confidence, other["confidence"], 3)
            self.assertTrue(event.heard and not event.seen and event.place is None)
            self.assertEqual([what for what, _ in event.evidence], [e["what"] for e in other["evidence"]])
        self.assertEqual([e.frame for e in vast_ember.spot(self.clip, source="sound", rate=48)], [24, 60])

    def test_tempo(self):
        sound = self.folder / "beat.wav"
        write_blows(sound, 20, np.arange(0.25, 19.5, 0.5), decay=40)
        beat = vast_ember.tempo(sound)
        told = json.loads(batch("tempo", sound))
        self.assertAlmostEqual(beat.bpm, told["bpm"], 2)
        np.testing.assert_allclose(beat.beats, told["beats"], atol=1e-4)
        self.assertLess(min(abs(beat.bpm - 120), abs(beat.bpm - 60), abs(beat.bpm - 240)), 1)
        silence = self.folder / "silence.wav"
        ffmpeg("-f", "lavfi", "-i", "anullsrc=r=48000", "-t", "3", silence)
        self.assertIsNone(vast_ember.tempo(silence))

    def test_capture(self):
        moved = self.folder / "moved.mkv"
        ffmpeg("-f", "lavfi", "-i", "testsrc2=s=320x240:r=24:d=0.1", "-frames:v", "1", self.folder / "one.png")
        ffmpeg("-loop", "1", "-framerate", "24", "-t", "0.5", "-i", self.folder / "one.png", "-vf",
               "crop=256:192:x=2*n:y=n", "-c:v", "ffv1", moved)
        motion = vast_ember.capture(moved)
        self.assertEqual(motion.shape, (12, 5))
        np.testing.assert_allclose(motion[:, 0], -2 * np.arange(12), atol=0.2)
        np.testing.assert_allclose(motion[:, 1], -np.arange(12), atol=0.2)
        with self.assertRaises(vast_ember.CancelledError):
            vast_ember.capture(moved, progress=lambda share: False)


class ExamplesTest(Made):
    def run_example(self, name, *arguments):
        done = subprocess.run([sys.executable, SOURCE / "docs" / "python" / name, *map(str, arguments)],
                              capture_output=True, text=True, check=False)
        self.assertEqual(done.returncode, 0, done.stderr)
        return done.stdout

    def test_shake_by_sound(self):
        clips = self.folder / "clips"
        clips.mkdir()
        os.link(self.clip, clips / "one.mkv")
        told = self.run_example("shake_by_sound.py", clips, self.folder / "shaken")
        self.assertIn("one.mkv: 2 strikes", told)
        self.assertEqual([s.frame for s in Project.open(self.folder / "shaken" / "one.vember").strikes], [12, 30])
        self.assertTrue((self.folder / "shaken" / "one-shaken.mp4").exists())

    def test_strikes_of_a_simulation(self):
        out = self.folder / "simulated.vember"
        told = self.run_example("strikes_of_a_simulation.py", out)
        film = Project.open(out)
        self.assertIn(f"{len(film.strikes)} strikes", told)
        self.assertEqual(film.strikes[0].frame, round((0.5 + (2 * 2.4 / 9.81) ** 0.5) * 24))

    def test_plot_envelope(self):
        out = self.folder / "envelope.svg"
        name = next(iter(vast_ember.recipes()))
        self.assertIn("the peak is on frame +", self.run_example("plot_envelope.py", name, out))
        self.assertEqual(out.read_text(encoding="utf-8").count("<polyline"), 3)


if __name__ == "__main__":
    unittest.main()

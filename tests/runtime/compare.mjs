// SPDX-License-Identifier: GPL-3.0-or-later
// Plays cases with the module and tells how far from what was expected it comes at most: {"cases": N, "off": D}.
import { readFileSync } from "node:fs";
import { Shake } from "../../runtime/vast_ember.mjs";

const { recipes, cases } = JSON.parse(readFileSync(process.argv[2], "utf8"));
const shakes = recipes.map((text) => Shake.fromJson(text));
let off = 0;
for (const one of cases) {
  const shake = shakes[one.recipe];
  const rate = shake.framesPerSecond;
  shake.clear();
  const handles = [0];
  for (const [frame, strength, direction, seed] of one.strikes)
    handles.push(shake.trigger(strength, direction, seed, frame / rate));
  for (const [frame, frames, strike] of one.marks)
    if (strike === 0) shake.settle(frames / rate, frame / rate);
    else shake.ease(handles[strike], frames / rate, frame / rate);
  const { x, y, zoom, roll, pan, tilt } = shake.pose(one.frame / rate);
  const apart = [x, y, zoom, roll, pan, tilt].map((value, axis) => Math.abs(value - one.pose[axis]));
  apart.push(Math.abs(shake.intensityAt(one.frame / rate) - one.intensity));
  for (const distance of apart) if (!(distance <= off)) off = Number.isNaN(distance) ? Infinity : distance;
}
let words = "";
try {
  Shake.fromJson("{}");
} catch (error) {
  words = error.message;
}
if (!words.includes("vember_playable")) throw new Error("a recipe that is none was taken");
console.log(JSON.stringify({ cases: cases.length, off: Number.isFinite(off) ? off : 1e300 }));

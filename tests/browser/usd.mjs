// SPDX-License-Identifier: GPL-3.0-or-later
// Reads scenes with a USD reader that is not ours and prints where their camera sees the picture's middle and corners, in
// pixels from the frame's middle, frame by frame: a list of files of lists of frames of [x, y].
// node usd.mjs NODE_FOLDER WIDTH HEIGHT FIRST COUNT FILE...
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";

const [folder, ...rest] = process.argv.slice(2);
const [width, height, first, count] = rest.slice(0, 4).map(Number);
const from = (path) => import(pathToFileURL(join(folder, "node_modules", path)));
const three = await from("three/build/three.module.js");
const { USDLoader } = await from("three/examples/jsm/loaders/USDLoader.js");
const { USDAParser } = await from("three/examples/jsm/loaders/usd/USDAParser.js");

/** What samples are between times, number by number, as USD has it. */
function sampled({ times, values }, time) {
  const next = times.findIndex((t) => t >= time);
  if (next < 0) return values.at(-1);
  if (next === 0) return values[0];
  const u = (time - times[next - 1]) / (times[next] - times[next - 1]);
  return Array.from(values[next], (v, i) => values[next - 1][i] + u * (v - values[next - 1][i]));
}

const told = rest.slice(4).map((file) => {
  const text = readFileSync(file, "utf8");
  const scene = new USDLoader().parse(text);
  const camera = scene.getObjectByName("Camera");
  const layer = scene.getObjectByName("Layer");
  const picture = scene.getObjectByName("Picture");
  const points = picture.geometry.getAttribute("position");
  const marks = [new three.Vector3(0, 0, 0)];
  for (const [x, y] of [[-1, 1], [1, 1], [1, -1], [-1, -1]]) {
    for (let i = 0; i < points.count; ++i) {
      const at = new three.Vector3().fromBufferAttribute(points, i);
      if (at.x * x > 0 && at.y * y > 0) {
        marks.push(at);
        break;
      }
    }
  }
  // The reader takes matrices apart, and a shear is lost with that: they are put in whole.
  const { specsByPath, ...other } = new USDAParser().parseData(text);
  const specs = specsByPath ?? other;
  const matrix = specs["/Shake/Layer.xformOp:transform"]?.fields?.timeSamples;
  const mixer = new three.AnimationMixer(scene);
  for (const clip of scene.animations) mixer.clipAction(clip).play();
  const fps = Number(/timeCodesPerSecond = ([0-9.]+)/.exec(text)[1]);
  return Array.from({ length: count }, (_, i) => {
    mixer.setTime((first + i) / fps);
    if (matrix && layer) {
      layer.matrixAutoUpdate = false;
      layer.matrix.fromArray(sampled(matrix, first + i));
    }
    scene.updateMatrixWorld(true);
    return marks.map((mark) => {
      const at = mark.clone().applyMatrix4(picture.matrixWorld).project(camera);
      return [(at.x * width) / 2, (-at.y * height) / 2];
    });
  });
});
console.log(JSON.stringify(told));

// SPDX-License-Identifier: MIT
// Copyright the Vast Ember team
//
// Plays the recipes that Vast Ember hands on, in any browser or in Node. No other file is needed.
//
//     import { Shake, gentleIsWished } from "./vast_ember.mjs";
//     const shake = Shake.fromJson(text, gentleIsWished() ? "gentle" : "full");
//     shake.trigger(0.8, 90, 7);            // strength, direction in degrees (90 is down), seed; what it returns
//                                           // can be stopped or eased home alone
//     const pose = shake.pose(seconds);     // every frame: { x, y, zoom, roll, pan, tilt }
//
// A pose depends only on the recipe, the strikes and settle marks there are, and the time asked for: any time may be
// asked in any order. Outside every strike it is exactly rest. It is the same as that of vast_ember.hpp.

const axisNames = ["x", "y", "zoom", "roll", "pan", "tilt"];
const axes = axisNames.length;

const clamp = (value, low, high) => Math.min(high, Math.max(low, value));
const smooth = (u) => {
  const within = clamp(u, 0, 1);
  return within * within * (3 - 2 * within);
};
/** The value less the nearest whole number of periods; halves go to the even one (IEEE 754 remainder). */
function remainder(value, period) {
  const times = value / period;
  let whole = Math.round(times);
  if (Math.abs(times - Math.trunc(times)) === 0.5) whole = 2 * Math.round(times / 2);
  return value - whole * period;
}

// --- numbers from seeds: SplitMix64 (Steele, Lea and Flood 2014). 64 bits are two halves: { h, l }.

const two32 = 4294967296;
const of64 = (value) => ({ h: Math.floor(value / two32) >>> 0, l: value >>> 0 });

function upperHalf(a, b) {
  const a0 = a & 0xffff;
  const a1 = a >>> 16;
  const b0 = b & 0xffff;
  const b1 = b >>> 16;
  const one = a1 * b0 + Math.floor((a0 * b0) / 65536);
  const two = a0 * b1 + (one % 65536);
  return (a1 * b1 + Math.floor(one / 65536) + Math.floor(two / 65536)) >>> 0;
}
const product = (a, b) => ({
  h: (upperHalf(a.l, b.l) + Math.imul(a.h, b.l) + Math.imul(a.l, b.h)) >>> 0,
  l: Math.imul(a.l, b.l) >>> 0,
});
function sum(a, b) {
  const l = a.l + b.l;
  return { h: (a.h + b.h + (l >= two32 ? 1 : 0)) >>> 0, l: l >>> 0 };
}
const either = (a, b) => ({ h: (a.h ^ b.h) >>> 0, l: (a.l ^ b.l) >>> 0 });
const shifted = (a, bits) => ({ h: a.h >>> bits, l: ((a.l >>> bits) | (a.h << (32 - bits))) >>> 0 });
const opposite = (a) => ({ h: ~a.h >>> 0, l: ~a.l >>> 0 });

const one64 = { h: 0, l: 1 };
const golden = { h: 0x9e3779b9, l: 0x7f4a7c15 };
const first = { h: 0xbf58476d, l: 0x1ce4e5b9 };
const second = { h: 0x94d049bb, l: 0x133111eb };

function step(seed, index) {
  let z = sum(seed, product(sum(index, one64), golden));
  z = product(either(z, shifted(z, 30)), first);
  z = product(either(z, shifted(z, 27)), second);
  return either(z, shifted(z, 31));
}
const none64 = { h: 0, l: 0 };
function mixSeed(seed, a, b = 0) {
  return step(either(step(either(step(seed, none64), of64(a)), none64), of64(b)), none64);
}
const unitOf = (bits) => (bits.h * 2097152 + (bits.l >>> 11)) / 9007199254740992;

// --- how strongly a strike is felt

function slopeFall(slope, u, curve, length) {
  if (slope === "constant") {
    const left = (1 - u) * length;
    return left >= 1 ? 1 : Math.max(0, left);
  }
  if (slope === "linear" || Math.abs(curve) < 1e-6) return 1 - u;
  const bent = (at, bend) => {
    if (slope === "power") return Math.pow(1 - at, 1 + bend);
    if (slope === "curvature") return (1 - at) / (1 + bend * at);
    const last = Math.expm1(-bend);
    return (Math.expm1(-bend * at) - last) / -last;
  };
  return curve > 0 ? bent(u, curve) : 1 - bent(1 - u, -curve);
}

// --- what changes over time

const eased = (ease, u) =>
  ({ linear: u, hold: 0, in: u * u, out: 1 - (1 - u) * (1 - u) })[ease] ?? u * u * (3 - 2 * u);
/** Its integral from 0. */
const easedSoFar = (ease, u) =>
  ({ linear: (u * u) / 2, hold: 0, in: (u * u * u) / 3, out: u * u * (1 - u / 3) })[ease] ?? u * u * u * (1 - u / 2);

/** Keys in order; before the first and after the last the value stays. */
class Curve {
  constructor(list) {
    this.keys = (list ?? []).map(([frame, value, ease, slopeIn, slopeOut]) => ({ frame, value, ease, slopeIn, slopeOut }));
    this.sums = [];
    this.keys.forEach((key, i) =>
      this.sums.push(i === 0 ? 0 : this.sums[i - 1] + Curve.integralBetween(this.keys[i - 1], key, key.frame)));
  }
  get empty() {
    return this.keys.length === 0;
  }
  /** The first key behind a frame; as many as there are where none is. */
  behind(frame) {
    let low = 0;
    let high = this.keys.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (frame < this.keys[middle].frame) high = middle;
      else low = middle + 1;
    }
    return low;
  }
  at(frame) {
    if (this.empty) return 0;
    const after = this.behind(frame);
    if (after === 0) return this.keys[0].value;
    const from = this.keys[after - 1];
    if (after === this.keys.length) return from.value;
    const to = this.keys[after];
    const length = to.frame - from.frame;
    const u = (frame - from.frame) / length;
    let out = from.value + (to.value - from.value) * eased(from.ease, u);
    if (from.ease === "curve") out += length * u * (1 - u) * ((1 - u) * from.slopeOut - u * to.slopeIn);
    return out;
  }
  integral(from, to) {
    return this.upTo(to) - this.upTo(from);
  }
  static integralBetween(from, to, frame) {
    const length = to.frame - from.frame;
    const u = (frame - from.frame) / length;
    let out = length * (from.value * u + (to.value - from.value) * easedSoFar(from.ease, u));
    if (from.ease === "curve")
      out += length * length * u * u *
        (from.slopeOut * (0.5 + u * (u / 4 - 2 / 3)) - to.slopeIn * u * (1 / 3 - u / 4));
    return out;
  }
  upTo(frame) {
    if (this.empty) return 0;
    const after = this.behind(frame);
    if (after === 0) return this.keys[0].value * (frame - this.keys[0].frame);
    const from = this.keys[after - 1];
    return this.sums[after - 1] + (after === this.keys.length ? from.value * (frame - from.frame)
      : Curve.integralBetween(from, this.keys[after], frame));
  }
}

const leadBreaksOff = 0.5; // frames

class Envelope {
  constructor(json) {
    for (const key of ["lead", "lead_level", "lead_curve", "attack", "attack_curve", "hold", "decay", "decay_curve",
      "rumble", "rumble_length", "release", "release_curve"]) this[key] = needNumber(json, key);
    this.attack_slope = json.attack_slope;
    this.decay_slope = json.decay_slope;
    this.release_slope = json.release_slope;
    this.anchor = json.anchor;
    this.until = json.rumble_until;
    this.curve = new Curve(json.curve); // in place of the shape
    this.drawn = !this.curve.empty;
    if (this.drawn) {
      const { keys } = this.curve;
      let top = keys.reduce((best, key, i) => (key.value > keys[best].value ? i : best), 0);
      this.builds = false;
      this.onset = this.start = keys[0].frame;
      this.peak = this.holdEnd = keys[top].frame;
      for (++top; top < keys.length && keys[top].value === keys[top - 1].value; ++top) this.holdEnd = keys[top].frame;
      this.attack = this.peak - this.onset;
      this.decayEnd = this.end;
      return;
    }
    this.builds = this.lead >= 1 && json.lead_shape === "build";
    this.onset = this.anchor === "peak" ? -this.attack : this.anchor === "first_moved" ? -Math.min(1, this.attack) : 0;
    this.start = this.onset - this.lead;
    this.peak = this.onset + this.attack;
    this.holdEnd = this.peak + this.hold;
    this.decayEnd = this.holdEnd + this.decay;
  }
  get open() {
    return !this.drawn && this.until !== "length" && this.rumble !== 0;
  }
  get rumbleEnd() {
    return this.rumble > 0 ? this.decayEnd + this.rumble_length : this.decayEnd;
  }
  get end() {
    if (this.drawn) {
      const last = this.curve.keys[this.curve.keys.length - 1];
      return last.frame + (last.value === 0 ? 0 : 1);
    }
    return this.rumble > 0 ? this.rumbleEnd + this.release : this.decayEnd;
  }
  /** With a rumble of so many frames, and no way home where nothing ends it. */
  lasting(frames, ended) {
    const own = Object.assign(Object.create(Envelope.prototype), this);
    own.rumble_length = frames;
    if (!ended) own.release = 0;
    return own;
  }
  at(time) {
    if (this.drawn) return time >= this.start && time < this.end ? Math.max(0, this.curve.at(time)) : 0;
    let t = time;
    if (!(t >= this.onset - this.lead) || t >= this.end) return 0;
    if (this.builds && t < this.onset) {
      if (t < this.onset - leadBreaksOff)
        return this.lead_level * slopeFall("exponential",
          (this.onset - leadBreaksOff - t) / Math.max(1e-9, this.lead - leadBreaksOff), this.lead_curve, 0);
      t = this.onset;
    }
    if (t < this.onset) {
      const wave = Math.sin((Math.PI * (t - this.onset)) / this.lead);
      return this.lead_level * wave * wave;
    }
    const from = this.builds ? this.lead_level : 0;
    if (t < this.peak)
      return 1 - (1 - from) * slopeFall(this.attack_slope, (t - this.onset) / this.attack, this.attack_curve, this.attack);
    if (t <= this.holdEnd) return 1;
    if (t < this.decayEnd)
      return this.rumble +
        (1 - this.rumble) * slopeFall(this.decay_slope, (t - this.holdEnd) / this.decay, this.decay_curve, this.decay);
    if (t < this.rumbleEnd) return this.rumble;
    return this.rumble *
      slopeFall(this.release_slope, (t - this.rumbleEnd) / this.release, this.release_curve, this.release);
  }
}

function needNumber(json, key) {
  const value = json[key];
  if (typeof value !== "number" || !Number.isFinite(value)) throw new Error(`The recipe has no number "${key}".`);
  return value;
}

// --- what moves

function gradient(seed, point) {
  if (point === 0) return 1;
  if (point === 1) return -1;
  const bits = step(seed, of64(point));
  const size = 0.5 + 0.5 * unitOf(bits);
  return (bits.l & 1) !== 0 ? size : -size;
}
function gradientNoise(seed, position, period) {
  const cell = Math.floor(position);
  const f = position - cell;
  let point = cell;
  let next = cell + 1;
  if (period > 0) {
    point = ((point % period) + period) % period;
    next = (point + 1) % period;
  }
  const fade = f * f * f * (f * (f * 6 - 15) + 10);
  const a = gradient(seed, point) * f;
  const b = gradient(seed, next) * (f - 1);
  return 2 * (a + fade * (b - a));
}

class Loop {
  constructor(json) {
    this.rate = needNumber(json, "rate");
    this.seconds = needNumber(json, "seconds");
    this.shares = axisNames.map((name) => json.axes?.[name] ?? []);
    this.violent = json.violent;
  }
  at(axis, time) {
    const curve = this.shares[axis];
    const count = curve.length;
    if (count === 0) return 0;
    const place = (time * this.rate) % count;
    const below = Math.floor(place);
    const u = place - below;
    const value = (i) => curve[((i % count) + count) % count];
    const [a, b, c, d] = [value(below - 1), value(below), value(below + 1), value(below + 2)];
    return clamp(b + 0.5 * u * (c - a + u * (2 * a - 5 * b + 4 * c - d + u * (3 * (b - c) + d - a))), -1, 1);
  }
  violentTime(seed) {
    return this.violent.length === 0 ? 0 : this.violent[Math.floor(unitOf(mixSeed(seed, 0xca)) * this.violent.length)];
  }
}

const sources = ["kick", "noise", "jitter", "oscillation", "drawn", "captured"];

class Strand {
  constructor(json) {
    if (!sources.includes(json.source)) throw new Error(`The recipe has a strand of an unknown source, "${json.source}".`);
    Object.assign(this, { octaves: 2, gain: 0.5, lacunarity: 2, loop: 0, damping: 0.25, every: 1, speed: 1,
      moves: 6, rests: 6, unevenness: 0.6, intermittent: "off" }, json);
    if ("bursts" in json) // as version 1 called it
      Object.assign(this, { intermittent: json.bursts, moves: json.burst_move ?? 6, rests: json.burst_pause ?? 6,
        unevenness: json.burst_spread ?? 0.6 });
    for (const key of ["rate", "rate_rest", "rate_fall", "salt"]) needNumber(json, key);
    this.asDrawn = json.source === "drawn" && (json.as_drawn === true || json.as_drawn === "on");
    const perAxis = (name, fallback) => axisNames.map((axis) => json[name]?.[axis] ?? fallback);
    this.amounts = perAxis("amount", 0);
    this.ratios = perAxis("ratio", 1);
    this.phases = perAxis("phase", 0);
    this.backs = perAxis("back", 1);
    this.drawnKeys = axisNames.map((axis) => new Curve(json.keys?.[axis]));
    this.home = json.home ?? 6; // frames back to rest after the last key
    this.rateCurve = new Curve(json.rate_curve);
    this.amountCurves = axisNames.map((axis) => new Curve(json.amount_curves?.[axis]));
    this.loopOf = json.motion === undefined ? null : new Loop(json.motion);
    this.own = json.envelope === undefined ? null : new Envelope(json.envelope);
    const canLine = ["noise", "jitter", "oscillation"].includes(json.source);
    this.lineMode = canLine ? json.line ?? "off" : "off";
    this.lineAlong = [alongAxis(json.line_angle ?? 90, 0), alongAxis(json.line_angle ?? 90, 1)];
    if (this.lineMode !== "off") { // one length for both
      this.amounts[0] = this.amounts[1] = Math.hypot(this.amounts[0], this.amounts[1]);
      this.amountCurves[0] = this.amountCurves[1] = this.amountCurves[this.amountCurves[0].empty ? 1 : 0];
    }
    this.amountCurves.forEach((curve, axis) => { // where there is a curve, that is the amount
      if (!curve.empty && !this.asDrawn)
        this.amounts[axis] = curve.keys.some((k) => k.value !== 0 || k.slopeIn !== 0 || k.slopeOut !== 0) ? 1 : 0;
    });
    this.findHand();
  }
  /** Curves without an envelope: 0 before the first key, eased to 0 after the last. */
  byHand(axis, since) {
    const { keys } = this.drawnKeys[axis];
    if (keys.length === 0 || !(since >= keys[0].frame) || since >= this.handEndOf(axis)) return 0;
    const last = keys[keys.length - 1];
    if (since <= last.frame) return this.drawnKeys[axis].at(since);
    return this.home > 0 ? last.value * (1 - smooth((since - last.frame) / this.home)) : last.value;
  }
  handEndOf(axis) {
    const { keys } = this.drawnKeys[axis];
    const last = keys[keys.length - 1];
    return last.frame + (last.value === 0 ? 0 : this.home > 0 ? this.home : 1);
  }
  /** Works out from when to when it moves. */
  findHand() {
    this.handFirst = Infinity;
    this.handEnd = -Infinity;
    for (let axis = 0; axis < axes; ++axis) {
      const { keys } = this.drawnKeys[axis];
      if (!this.asDrawn || this.amounts[axis] === 0 || keys.length === 0 || this.handEndOf(axis) <= keys[0].frame) continue;
      this.handFirst = Math.min(this.handFirst, keys[0].frame);
      this.handEnd = Math.max(this.handEnd, this.handEndOf(axis));
    }
  }
  /** As recipes of the versions 1 and 2 had them: from the envelope's peak, at the rate's pace, cut where it ends. */
  countFromStrike(shape) {
    this.home = 0;
    this.drawnKeys = this.drawnKeys.map((curve) => {
      if (curve.empty) return curve;
      const whole = new Curve(curve.keys.map((k) =>
        [shape.peak + (k.frame > 0 ? this.framesOfPace(k.frame) : k.frame), k.value, k.ease, k.slopeIn, k.slopeOut]));
      const begin = shape.start;
      const last = Math.max(begin, shape.end - 1);
      const [front, back] = [whole.keys[0], whole.keys[whole.keys.length - 1]];
      const kept = whole.keys.filter((k) => k.frame >= begin && k.frame <= last)
        .map((k) => [k.frame, k.value, k.ease, k.slopeIn, k.slopeOut]);
      if ((front.frame < begin || front.value !== 0) && !(kept.length > 0 && kept[0][0] === begin))
        kept.unshift([begin, whole.at(begin), "linear", 0, 0]);
      if ((back.frame > last || back.value !== 0) && (kept.length === 0 || kept[kept.length - 1][0] < last))
        kept.push([last, whole.at(last), "linear", 0, 0]);
      return new Curve(kept);
    });
    this.findHand();
  }
  framesOfPace(pace) {
    let low = 0;
    let high = Math.max(1, pace);
    while (this.paceSincePeak(high) < pace && high < 1e9) high *= 2;
    for (let i = 0; i < 100 && high - low > 1e-7; ++i) {
      const middle = (low + high) / 2;
      if (this.paceSincePeak(middle) < pace) low = middle;
      else high = middle;
    }
    return high;
  }
  cyclesSincePeak(frames, framesPerSecond) {
    if (frames <= 0) return (this.rate * frames) / framesPerSecond;
    const extra = (this.rate - this.rate_rest) * this.rate_fall * -Math.expm1(-frames / this.rate_fall);
    return (this.rate_rest * frames + extra) / framesPerSecond;
  }
  paceSincePeak(frames) {
    return frames <= 0 || this.rate === this.rate_rest ? frames : this.cyclesSincePeak(frames, this.rate);
  }
  /** How open the gate of intermittent motion is. */
  gate(sincePeak, seed) {
    const period = this.moves + this.rests;
    const round = Math.max(0, Math.floor(sincePeak / period));
    const spread = this.intermittent === "seeded" ? this.unevenness * Math.min(this.moves, this.rests) : 0;
    const apart = spread * (2 * unitOf(mixSeed(seed, 0xb57, round)) - 1);
    const inside = sincePeak - round * period;
    const soft = Math.min(1, 0.25 * this.moves);
    const closing = clamp((this.moves + apart - inside) / soft, 0, 1);
    const opening = round === 0 ? 1 : clamp(inside / soft, 0, 1);
    return smooth(Math.min(opening, closing));
  }
  /** -1 to 1, exactly 1 at the peak. */
  value(m, axis, seed) {
    if (m.sinceOnset < 0) {
      const runs = this.source === "drawn" ? this.asDrawn : m.builds && this.source !== "kick";
      if (!runs) return -1;
    }
    switch (this.source) {
      case "kick": return this.kickAt(m);
      case "noise": return this.noiseAt(m.cycles, seed);
      case "jitter": {
        const cell = Math.floor(m.pace / this.every + 1e-9);
        return cell === 0 ? 1 : 2 * unitOf(step(seed, of64(cell))) - 1;
      }
      case "oscillation": return this.swingAt(m, axis, seed);
      case "drawn":
        if (this.asDrawn) return this.byHand(axis, m.pace);
        return this.drawnKeys[axis].empty ? 1 : this.drawnKeys[axis].at(m.pace);
      default: return this.filmedAt(m, axis, seed);
    }
  }
  kickAt(m) {
    const stiffness = Math.sqrt(1 - this.damping * this.damping);
    const share = this.damping / stiffness;
    if (m.sinceOnset < m.attack) {
      const top = Math.atan2(stiffness, this.damping);
      const angle = top * (m.sinceOnset / m.attack);
      return Math.min(1, (Math.exp(share * (top - angle)) * Math.sin(angle)) / Math.sin(top));
    }
    const angle = 2 * Math.PI * m.cycles;
    return angle <= 0 ? 1 : Math.exp(-share * angle) * (Math.cos(angle) + share * Math.sin(angle));
  }
  noiseAt(position, seed) {
    let total = 0;
    let weights = 0;
    let squares = 0;
    let weight = 1;
    let speed = 1;
    for (let octave = 0; octave < this.octaves; ++octave) {
      const own = octave === 0 ? seed : opposite(step(seed, of64(octave * 1099511627776)));
      let period = 0;
      let cells = (4 / 3) * speed;
      if (this.loop > 0) {
        period = Math.max(3, Math.floor(this.loop * cells + 0.5));
        cells = period / this.loop;
      }
      total += weight * gradientNoise(own, 0.5 + position * cells, period);
      weights += weight;
      squares += weight * weight;
      weight *= this.gain;
      speed *= this.lacunarity;
    }
    const value = total / weights;
    const bend = 1.5 * (weights / Math.sqrt(squares) - 1);
    return (value * (1 + bend)) / (1 + bend * Math.abs(value));
  }
  swingAt(m, axis, seed) {
    let apart = this.phases[axis] / 360;
    if (this.start !== "fixed") apart += unitOf(seed) - 0.5;
    apart = remainder(apart, 1);
    const cycles = m.cycles * this.ratios[axis];
    const away = Math.min(1, Math.abs(cycles));
    const place = cycles + apart * away * away * (3 - 2 * away);
    const turn = place - Math.floor(place);
    const out = this.wave === "square" ? (turn < 0.25 || turn >= 0.75 ? 1 : -1)
      : this.wave === "triangle" ? Math.abs(4 * turn - 2) - 1
        : Math.cos(2 * Math.PI * turn);
    return out < 0 ? out * this.backs[axis] : out;
  }
  filmedAt(m, axis, seed) {
    const lift = 0.25; // seconds either way of the peak
    if (this.loopOf === null || this.loopOf.seconds <= 0) return 0;
    const start = this.loopOf.violentTime(seed);
    const at = this.loopOf.at(axis, start + m.seconds * this.speed);
    const side = this.loopOf.at(axis, start) < 0 ? -1 : 1;
    const far = Math.min(1, Math.abs(m.seconds) / lift);
    const share = (1 - far * far) * (1 - far * far);
    return (1 - share) * side * at + share;
  }
}

function alongAxis(degrees, axis) {
  const quarter = remainder(degrees, 360) / 90;
  const angle = (quarter * Math.PI) / 2;
  const along = axis === 0 ? Math.cos(angle) : Math.sin(angle);
  return quarter === Math.floor(quarter) ? Math.round(along) : along;
}

/**
 * What strikes do together. Zoom z and roll θ about a point p move the middle by (1 - z·e^iθ)·p; where strikes meet each
 * keeps its own point to first order, and exactly where they all have the same. Complex numbers are [real, imaginary].
 */
class Felt {
  constructor() {
    this.sum = new Array(axes).fill(0);
    this.pivoted = false;
    this.shift = [0, 0];
    this.turned = [0, 0];
    this.points = [0, 0];
    this.weights = 0;
  }
  static moves(zoom, roll) {
    const angle = (roll * Math.PI) / 180;
    return [1 - (1 + zoom) * Math.cos(angle), -(1 + zoom) * Math.sin(angle)];
  }
  static product([a, b], [c, d]) {
    return [a * c - b * d, a * d + b * c];
  }
  turn(zoom, roll, point) {
    if (zoom === 0 && roll === 0) return;
    const moves = Felt.moves(zoom, roll);
    const shift = Felt.product(moves, point);
    const weight = Math.abs(zoom) + (Math.abs(roll) * Math.PI) / 180;
    this.pivoted = this.pivoted || point[0] !== 0 || point[1] !== 0;
    for (const i of [0, 1]) {
      this.turned[i] += moves[i];
      this.shift[i] += shift[i];
      this.points[i] += weight * point[i];
    }
    this.weights += weight;
  }
  add(other, gain) {
    for (let axis = 0; axis < axes; ++axis) this.sum[axis] += other.sum[axis] * gain;
    this.pivoted = this.pivoted || other.pivoted;
    for (const i of [0, 1]) {
      this.turned[i] += other.turned[i] * gain;
      this.shift[i] += other.shift[i] * gain;
      this.points[i] += other.points[i] * gain;
    }
    this.weights += other.weights * gain;
  }
  middleMoves(zoom, roll) {
    if (!this.pivoted || this.weights === 0) return [0, 0];
    const moves = Felt.moves(zoom, roll);
    const rest = Felt.product([moves[0] - this.turned[0], moves[1] - this.turned[1]],
      [this.points[0] / this.weights, this.points[1] / this.weights]);
    return [this.shift[0] + rest[0], this.shift[1] + rest[1]];
  }
}

/** Frames in which one strike takes over from another. */
const handover = 1.5;
/** Frames that a rumble lasts where it has no end of its own and nothing strikes again. */
const longestRumble = 86400;

/** A recipe that is being played. */
export class Shake {
  /** Reads what Vast Ember wrote (text, or what it parses to). `preset` is "full" or "gentle". Throws an Error. */
  static fromJson(json, preset = "full") {
    const all = typeof json === "string" ? JSON.parse(json) : json;
    if (all === null || typeof all !== "object" || !("vember_playable" in all))
      throw new Error('This is JSON, but no recipe to be played: "vember_playable" is missing.');
    if (![1, 2, 3].includes(all.vember_playable))
      throw new Error("This recipe is of another version than 1 to 3, which can be played here.");
    const from = all.presets?.[preset];
    if (from === undefined) throw new Error(`The recipe has no preset "${preset}".`);
    const shake = new Shake();
    shake.name = all.name;
    shake.width = needNumber(all, "width");
    shake.height = needNumber(all, "height");
    const [above, below] = String(all.rate).split("/").map(Number);
    shake.framesPerSecond = above / (below || 1);
    if (!(shake.framesPerSecond >= 1 && shake.framesPerSecond <= 1000))
      throw new Error("The recipe's frame rate should be 1 to 1000.");
    shake.limit = needNumber(from, "strength_limit");
    shake.rule = from.overlap.rule;
    shake.ceiling = needNumber(from.overlap, "ceiling");
    shake.knee = needNumber(from.overlap, "knee");
    shake.sameSeed = from.variation === "same" ? of64(from.seed) : null;
    shake.envelope = new Envelope(from.envelope);
    shake.strands = from.strands.map((strand) => new Strand(strand)).filter((s) => s.amounts.some((a) => a !== 0));
    if (all.vember_playable < 3)
      for (const s of shake.strands) if (s.asDrawn) s.countFromStrike(s.own ?? shake.envelope);
    shake.byHand = shake.strands.length > 0 && shake.strands.every((s) => s.asDrawn);
    shake.pivot = [from.pivot?.x ?? 0, from.pivot?.y ?? 0]; // pixels from the frame's middle
    shake.pivotCurves = [new Curve(from.pivot?.x_curve), new Curve(from.pivot?.y_curve)];
    return shake;
  }

  constructor() {
    this.strikes = [];
    this.marks = [];
    this.hits = []; // by start
    this.nextOrder = 1;
    this.now = 0;
  }

  /**
   * Something hits, `at` seconds; where that is left out at the time pose() was last asked for. The direction is in
   * degrees (0 right, 90 down); null lets the seed decide. The strength is a ratio, brought into what the preset allows.
   * Returns what names this strike for ease() and stop(); 0 where there is none for want of strength.
   */
  trigger(strength = 1, direction = null, seed = 1, at = this.now) {
    const strong = strength > 0 ? Math.min(strength, this.limit) : 0;
    if (strong === 0) return 0;
    const order = this.nextOrder++;
    this.strikes.push({ frame: this.frameOf(at), strength: strong, direction, order,
      seed: this.sameSeed ?? of64(seed >>> 0) });
    this.prepare();
    return order;
  }
  /** What has struck before is eased home in this many seconds; 0 ends it at once. */
  settle(easeSeconds = 0.5, at = this.now) {
    this.mark(0, easeSeconds, at);
  }
  /** One strike alone is eased home; nothing happens where it is over or was never there. */
  ease(handle, easeSeconds = 0.5, at = this.now) {
    if (handle !== 0) this.mark(handle, easeSeconds, at);
  }
  /** One strike alone ends at once. */
  stop(handle, at = this.now) {
    this.ease(handle, 0, at);
  }
  clear() {
    this.strikes = [];
    this.marks = [];
    this.hits = [];
  }
  /** Strikes and marks that are over by then are let go, so that a long game does not gather them. */
  forgetBefore(seconds) {
    const frame = this.frameOf(seconds);
    const over = new Set(this.hits.filter((hit) => hit.end <= frame).map((hit) => hit.order));
    this.strikes = this.strikes.filter((s) => !(s.frame < frame && over.has(s.order)));
    const kept = new Set(this.strikes.map((s) => s.order));
    this.marks = this.marks.filter((mark) => (mark.of !== 0 ? kept.has(mark.of)
      : this.strikes.length > 0 || !(mark.frame + mark.frames < frame)));
    this.prepare();
  }
  /** The pose at a time, which is then the present for what follows. */
  pose(seconds) {
    this.now = seconds;
    return this.poseAt(seconds);
  }
  /** The same without being the present. */
  poseAt(seconds) {
    const { together } = this.at(seconds);
    const total = together.sum;
    const shift = together.middleMoves(Math.max(0.05 - 1, total[2]), total[3]);
    return { x: total[0] + shift[0] + 0, y: total[1] + shift[1] + 0, zoom: Math.max(0.05, 1 + total[2]), roll: total[3] + 0,
      pan: clamp(total[4], -60, 60) + 0, tilt: clamp(total[5], -60, 60) + 0 };
  }
  /** How strongly the strongest strike is felt, 0 upwards. */
  intensityAt(seconds) {
    return this.at(seconds).felt;
  }

  // --- inside

  mark(of, easeSeconds, at) {
    const frame = this.frameOf(at);
    this.marks = this.marks.filter((mark) => !(mark.frame === frame && mark.of === of));
    this.marks.push({ frame, cut: easeSeconds <= 0, frames: easeSeconds * this.framesPerSecond, of });
    this.marks.sort((a, b) => a.frame - b.frame);
    this.prepare();
  }

  /** Whole frames that a division left beside themselves are whole again. */
  frameOf(seconds) {
    const frame = seconds * this.framesPerSecond;
    const whole = Math.round(frame);
    return Math.abs(frame - whole) < 1e-7 ? whole : frame;
  }
  at(seconds) {
    const together = new Felt();
    const time = this.frameOf(seconds);
    const felt = this.rule === "stronger" ? this.addStronger(together, time)
      : this.rule === "restart" ? this.addNewest(together, time) : this.addAll(together, time);
    return { together, felt };
  }
  /** The envelopes of a strike, whose rumbles may last until something else. */
  envelopesFor(strike) {
    const next = Math.min(Infinity, ...this.strikes.filter((o) => o.frame > strike.frame).map((o) => o.frame));
    const workedOut = (e) => {
      if (e === null || !e.open) return e;
      const until = e.until === "next_strike" ? next : Infinity;
      return e.lasting(clamp(until - strike.frame - e.decayEnd, 0, longestRumble), until !== Infinity);
    };
    return { shared: workedOut(this.envelope), own: this.strands.map((s) => workedOut(s.own)) };
  }
  prepare() {
    this.hits = [];
    for (const strike of this.strikes) {
      const envelopes = this.envelopesFor(strike);
      const every = this.strands.map((s, i) =>
        (s.asDrawn ? { start: s.handFirst, end: s.handEnd } : envelopes.own[i] ?? envelopes.shared));
      if (!this.byHand) every.push(envelopes.shared);
      const turn = Number.isFinite(strike.direction) ? strike.direction : 360 * unitOf(mixSeed(strike.seed, 0xd1));
      const along = [alongAxis(turn, 0), alongAxis(turn, 1)];
      const side = axisNames.map((_, axis) => {
        if (axis === 2) return 1;
        const way = axis < 2 ? along[axis] : 0;
        if (Math.abs(way) > 1e-9) return way > 0 ? 1 : -1;
        return (mixSeed(strike.seed, 0x51, axis).l & 1) !== 0 ? 1 : -1;
      });
      let settle = Infinity;
      let settleFrames = 0;
      let until = Infinity;
      for (const mark of this.marks) {
        if (mark.frame <= strike.frame || (mark.of !== 0 && mark.of !== strike.order)) continue;
        if (settle === Infinity) {
          settle = mark.frame;
          settleFrames = mark.cut ? 0 : mark.frames;
        }
        if (mark.cut) {
          until = mark.frame;
          break;
        }
      }
      let start = strike.frame + Math.min(...every.map((e) => e.start));
      const end = Math.min(strike.frame + Math.max(...every.map((e) => e.end)), settle + settleFrames, until);
      let lead = true;
      for (const mark of this.marks)
        if ((mark.of === 0 || mark.of === strike.order) && mark.frame <= strike.frame && mark.frame > start) lead = false;
      if (!lead) start = strike.frame + Math.min(this.byHand ? start - strike.frame : envelopes.shared.onset, 0);
      if (end > start)
        this.hits.push({ ...strike, envelopes, along, side, settle, settleFrames, lead, start, end,
          peak: strike.frame + this.peakOf(envelopes.shared), directed: Number.isFinite(strike.direction) });
    }
    this.hits.sort((a, b) => a.start - b.start || a.order - b.order);
  }
  /** What the others give way to. */
  peakOf(shared) {
    if (!this.byHand) return shared.peak;
    let largest = 0;
    let frame = 0;
    for (const s of this.strands)
      s.drawnKeys.forEach((curve, axis) => {
        for (const key of curve.keys)
          if (s.amounts[axis] !== 0 && Math.abs(key.value) > largest) {
            largest = Math.abs(key.value);
            frame = key.frame;
          }
      });
    return frame;
  }
  settledTo(hit, time) {
    if (time < hit.settle) return 1;
    return hit.settleFrames <= 0 ? 0 : 1 - smooth((time - hit.settle) / hit.settleFrames);
  }
  levelOf(hit, time) {
    const since = time - hit.frame;
    let level = this.byHand ? 0 : hit.envelopes.shared.at(since);
    this.strands.forEach((s, index) => {
      if (s.asDrawn) {
        for (let axis = 0; axis < axes; ++axis)
          if (s.amounts[axis] !== 0) level = Math.max(level, Math.abs(s.byHand(axis, since)));
      } else if (hit.envelopes.own[index] !== null) level = Math.max(level, hit.envelopes.own[index].at(since));
    });
    return level * hit.strength * this.settledTo(hit, time);
  }
  addHit(total, hit, time, share) {
    const since = time - hit.frame;
    const scale = hit.strength * this.settledTo(hit, time);
    const levelIn = (e) => (hit.lead || since >= e.onset ? e.at(since) : 0);
    const level = this.byHand ? 0 : levelIn(hit.envelopes.shared);
    let strongest = level;
    const turns = [0, 0]; // zoom and roll
    this.strands.forEach((s, index) => {
      const own = hit.envelopes.own[index];
      const envelope = own ?? hit.envelopes.shared;
      let felt = s.asDrawn ? 1 : own === null ? level : levelIn(envelope);
      if (felt === 0 || (s.asDrawn && !(since >= s.handFirst && since < s.handEnd))) return;
      if (!s.asDrawn) strongest = Math.max(strongest, felt);
      const moment = this.momentOf(s, envelope, since);
      if (s.intermittent !== "off") felt *= s.gate(since - (s.asDrawn ? 0 : envelope.peak), mixSeed(hit.seed, s.salt, 0xb5));
      felt *= scale * share;
      const kick = s.source === "kick";
      const blow = kick ? s.value(moment, 0, none64) : 0;
      for (let axis = 0; axis < axes; ++axis) {
        if (s.amounts[axis] === 0) continue;
        let side = hit.side[axis];
        if (kick && axis < 2) side = hit.along[axis];
        else if (s.lineMode !== "off" && axis < 2) side = s.lineMode === "set" ? s.lineAlong[axis] : hit.along[axis];
        else if (this.sideIsFixed(s, axis, hit.directed)) side = 1;
        const of = s.lineMode !== "off" && axis < 2 ? 0 : axis; // on a line x and y have one value
        const value = kick ? blow
          : s.value(moment, of, mixSeed(hit.seed, s.salt, s.source === "captured" ? 0 : of + 1));
        if (s.asDrawn) strongest = Math.max(strongest, Math.abs(value));
        const curved = !s.amountCurves[axis].empty && !s.asDrawn;
        const moves = (curved ? s.amountCurves[axis].at(since) : s.amounts[axis]) * side * felt * value;
        total.sum[axis] += moves;
        if (axis === 2 || axis === 3) turns[axis - 2] += moves;
      }
    });
    total.turn(turns[0], turns[1],
      this.pivot.map((still, i) => (this.pivotCurves[i].empty ? still : this.pivotCurves[i].at(since))));
    return strongest * scale * share;
  }
  sideIsFixed(s, axis, directed) {
    if (s.source === "drawn") return s.asDrawn;
    if (s.source !== "oscillation") return false;
    return s.backs[axis] !== 1 || (s.start === "fixed" && !(directed && axis < 2));
  }
  momentOf(s, envelope, time) {
    if (s.asDrawn) return { sinceOnset: time, attack: 0, pace: time, cycles: 0, seconds: 0, builds: false };
    let since = time;
    const { builds, onset, peak } = envelope;
    if (builds && since >= onset - leadBreaksOff) since = Math.max(since, onset);
    const run = since - (s.source === "kick" ? envelope.holdEnd : peak);
    if (!s.rateCurve.empty) { // the phase is the integral of the rate
      const pace = s.rateCurve.integral(peak, since) / s.rate;
      return { sinceOnset: since - onset, attack: envelope.attack, pace, builds, seconds: pace / this.framesPerSecond,
        cycles: s.rateCurve.integral(since - run, since) / this.framesPerSecond };
    }
    const way = builds && since < onset ? -1 : 1;
    const pace = way * s.paceSincePeak(way * (since - peak));
    const cycles = way * s.cyclesSincePeak(way * run, this.framesPerSecond);
    return { sinceOnset: since - onset, attack: envelope.attack, pace, cycles, seconds: pace / this.framesPerSecond, builds };
  }
  addAll(total, time) {
    const together = new Felt();
    let all = 0;
    let strongest = 0;
    for (const hit of this.hits) {
      if (!(hit.start <= time && time < hit.end)) continue;
      const level = this.addHit(together, hit, time, 1);
      all += level;
      strongest = Math.max(strongest, level);
    }
    let gain = 1;
    const knee = this.knee * this.ceiling;
    if (all > knee && all > strongest) {
      const room = this.ceiling - knee;
      const bent = room > 0 ? knee - room * Math.expm1(-(all - knee) / room) : knee;
      gain = Math.max(bent, strongest) / all;
    }
    total.add(together, gain);
    return strongest;
  }
  strongestAt(time) {
    let found = -1;
    let most = 0;
    this.hits.forEach((hit, i) => {
      if (!(hit.start <= time && time < hit.end)) return;
      const level = this.levelOf(hit, time);
      if (level > 0 && level >= most) {
        most = level;
        found = i;
      }
    });
    return found;
  }
  addWithin(total, i, time, share) {
    return time < this.hits[i].end ? this.addHit(total, this.hits[i], time, share) : 0;
  }
  addStronger(total, time) {
    const holder = this.strongestAt(time);
    if (holder < 0) return 0;
    let share = 1;
    let before = this.strongestAt(time - handover);
    if (before >= 0 && before !== holder) {
      let from = time - handover;
      let to = time;
      for (let i = 0; i < 30; ++i) { // when it took over
        const middle = 0.5 * (from + to);
        if (this.strongestAt(middle) === holder) to = middle;
        else from = middle;
      }
      before = this.strongestAt(from);
      const { peak } = this.hits[holder];
      const length = to <= peak + 1e-6 ? Math.min(handover, Math.max(0, peak - to)) : handover;
      if (before >= 0 && time - to < length - 1e-6) share = smooth((time - to) / length);
    }
    let level = this.addWithin(total, holder, time, share);
    if (share < 1) level += this.addWithin(total, before, time, 1 - share);
    return level;
  }
  addNewest(total, time) {
    let newest = -1;
    while (newest + 1 < this.hits.length && this.hits[newest + 1].start <= time) ++newest;
    if (newest < 0) return 0;
    const hit = this.hits[newest];
    const length = Math.min(handover, hit.peak - hit.start);
    const share = length > 0 ? smooth((time - hit.start) / length) : 1;
    let level = this.addWithin(total, newest, time, share);
    const older = this.hits.findIndex((h) => h.start >= hit.start) - 1;
    if (share < 1 && older >= 0) level += this.addWithin(total, older, time, 1 - share);
    return level;
  }
}

/** Whether who looks wishes for less motion (the CSS media feature prefers-reduced-motion). */
export function gentleIsWished() {
  return typeof matchMedia === "function" && matchMedia("(prefers-reduced-motion: reduce)").matches;
}

// The last ten seconds: what a route hears, what its shape makes of it, and the axis that it drives.

import { Plot } from "./vendor.js";

const LONG = 10; // s
const INK = "#23302b";
const COLOURS = { signal: "#93391a", shaped: "#566321", axis: "#1f5a66", would: "#a8360a" };

function brief(value) {
  return value !== null && Math.abs(value) >= 1000 ? `${value / 1000}k` : String(value ?? "");
}

export class Traces {
  #frames = [];
  #drives = {};
  #routes = [];
  #units = {};
  #shown = "";
  #drawn = 0;
  #would = new Map();

  /**
   * @param {HTMLElement} box what it is drawn in
   * @param {HTMLSelectElement} choice which route; the first choice is the one that acts
   * @param {HTMLElement} legend what the lines are
   */
  constructor(box, choice, legend) {
    this.box = box;
    this.choice = choice;
    const axis = (scale, side, show) => ({ scale, side, show, size: 38, stroke: INK, grid: { show: side === 3, stroke: "#d9d1bb" }, font: "11px Georgia", values: (_, at) => at.map(brief) });
    this.plot = new Plot(
      {
        width: Math.max(box.clientWidth, 100),
        height: 132,
        cursor: { show: false },
        legend: { show: false },
        scales: { x: { time: false }, signal: {}, axis: {} },
        axes: [
          { size: 28, stroke: INK, grid: { show: false }, font: "11px Georgia", values: (_, at) => at.map((one) => `${one} s`) },
          axis("signal", 3, true),
          axis("axis", 1, true),
        ],
        series: [
          {},
          { label: "signal", scale: "signal", stroke: COLOURS.signal, width: 1, points: { show: false } },
          { label: "shaped", scale: "signal", stroke: COLOURS.shaped, width: 2, points: { show: false } },
          { label: "axis", scale: "axis", stroke: COLOURS.axis, width: 2, points: { show: false } },
          { label: "now", scale: "axis", stroke: COLOURS.would, width: 2, dash: [5, 4], points: { show: false } },
        ],
      },
      [[0], [0], [0], [0], [null]],
      box,
    );
    this.keys = Object.values(COLOURS).map((colour) => {
      const key = document.createElement("span");
      key.style.color = colour;
      legend.append(key, " ");
      return key;
    });
    new ResizeObserver(() => this.plot.setSize({ width: Math.max(box.clientWidth, 100), height: 132 })).observe(box);
  }

  /** Show another profile, or the same one changed. */
  told(profile) {
    this.#drives = profile.drives;
    this.#routes = profile.controls.map((one) => one.route);
    const before = this.choice.value;
    const names = Object.keys(profile.drives);
    this.choice.replaceChildren(new Option("what acts", ""), ...names.map((name) => new Option(name, name)));
    this.choice.value = names.includes(before) ? before : "";
    if (!(this.#shown in this.#drives)) this.#shown = names[0];
    this.#units = Object.assign({}, ...Object.values(profile.scales));
  }

  /** Show a route whose numbers are turned, until another acts. */
  about(route) {
    if (route in this.#drives) this.#shown = route;
  }

  /** Begin with what was before this page. */
  past(frames) {
    this.#frames = frames;
  }

  /** Lay what the same hands would have done with the numbers of now over what they did. */
  again(found) {
    this.#would.clear();
    found?.times.forEach((t, k) => this.#would.set(t, found.axes[k]));
  }

  /** Keep a frame, and draw now and then. */
  frame({ t, heard, axes, acting }) {
    if (this.#frames.length && t < this.#frames.at(-1).t) this.#frames = [];
    this.#frames.push({ t, heard, axes });
    while (this.#frames[0].t < t - LONG) this.#frames.shift();
    const first = Object.keys(acting)[0];
    if (this.choice.value) this.#shown = this.choice.value;
    else if (first !== undefined) this.#shown = this.#routes[first];
    const now = performance.now();
    if (now - this.#drawn < 60 || !this.#shown) return;
    this.#drawn = now;
    this.#draw(t);
  }

  #draw(now) {
    const route = this.#shown;
    const heard = this.#frames.map((one) => one.heard[route] ?? [0, 0, 0, 0]);
    const most = (part) => heard.reduce((far, one) => Math.max(far, Math.abs(one[part])), 0);
    const part = most(1) > most(0) ? 1 : 0;
    const drives = this.#drives[route] ?? [];
    const axis = drives[Math.min(part, drives.length - 1)];
    const unit = this.#units[axis]?.unit ?? "";
    const words = [route, "shaped", unit ? `${axis}, ${unit}` : (axis ?? ""), this.#would.size ? "now" : ""];
    words.forEach((one, k) => {
      if (this.keys[k].textContent !== one) this.keys[k].textContent = one;
    });
    this.plot.setData([
      this.#frames.map((one) => one.t - now),
      heard.map((one) => one[part]),
      heard.map((one) => one[2 + part]),
      this.#frames.map((one) => one.axes[axis] ?? null),
      this.#frames.map((one) => this.#would.get(one.t)?.[axis] ?? null),
    ]);
  }
}

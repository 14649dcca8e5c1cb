// What happens, seen: the controls as they are told, axes with their limits, gates and cues.

const GIVEN = 600; // ms for which a cue that was given stays lit

function made(tag, words = "", name = "") {
  const found = document.createElement(tag);
  found.textContent = words;
  found.className = name;
  return found;
}

/** A number as a person would read it. */
export function short(value) {
  if (Math.abs(value) >= 1000) return value.toFixed(0);
  return value.toFixed(Math.abs(value) >= 100 ? 1 : 2);
}

export class Watch {
  #axes = new Map();
  #gates = new Map();
  #cues = new Map();
  #controls = [];
  #mount = "";
  #profile = null;

  /** Show another profile, or the same one changed. */
  told(profile) {
    this.#profile = profile;
    this.#mount = "";
    const list = document.querySelector("#controls");
    this.#controls = profile.controls.map((control) => {
      const one = made("li");
      one.append(...this.#both(control));
      one.title = control.text;
      return { one, control, way: 0 };
    });
    list.replaceChildren(...this.#controls.map(({ one }) => one));
    const gates = document.querySelector("#gates");
    gates.replaceChildren();
    this.#gates.clear();
    this.#cues.clear();
    for (const [into, names] of [[this.#gates, profile.gates], [this.#cues, profile.cues]]) {
      for (const [name, how] of Object.entries(names)) {
        const one = made("li", name);
        one.title = how;
        gates.append(one);
        into.set(name, { one, times: null, until: 0 });
      }
    }
    if (!gates.children.length) gates.append(made("li", "none"));
  }

  /** A control in one line: both of its ways, and when it listens. */
  #both({ when, both }) {
    const found = [document.createTextNode(both)];
    if (when) found.push(made("span", `, ${when}`, "other"));
    return found;
  }

  /** Light the controls that act, with the way they go. */
  #act(acting) {
    this.#controls.forEach((shown, k) => {
      const way = acting[k] ?? 0;
      if (way === shown.way) return;
      shown.way = way;
      shown.one.classList.toggle("acting", way !== 0);
      const { ways, inverted, effect } = shown.control;
      const said = way > 0 ? ways[0] : ways[1] || ways[0];
      if (way) shown.one.textContent = effect === "pin" ? said : `${said}: ${inverted ? "inverted" : "not inverted"}`;
      else shown.one.replaceChildren(...this.#both(shown.control));
    });
  }

  #scales(mount) {
    this.#mount = mount;
    this.#axes.clear();
    const list = document.querySelector("#axes");
    list.replaceChildren();
    for (const [name, axis] of Object.entries(this.#profile.scales[mount] ?? {})) {
      const [scale, mark, value] = [made("dd", "", "scale"), made("i"), made("dd", "", "value")];
      scale.append(mark);
      const [low, high] = [axis.low ?? (axis.unit === "deg" && axis.high === null ? -180 : null), axis.high ?? (axis.unit === "deg" && axis.low === null ? 180 : null)];
      scale.classList.toggle("open", axis.low === null || axis.high === null);
      scale.title = axis.low === null && axis.high === null ? "no limits" : `${axis.low ?? "no limit"} to ${axis.high ?? "no limit"} ${axis.unit}`;
      list.append(made("dt", name.replace("_", " ")), scale, value);
      this.#axes.set(name, { ...axis, low, high, scale, mark, value, limited: axis.low !== null || axis.high !== null });
    }
  }

  /** Show a frame. */
  frame(frame) {
    if (!this.#profile) return;
    if (frame.mount !== this.#mount) this.#scales(frame.mount);
    for (const [name, axis] of this.#axes) {
      const value = frame.axes[name];
      if (value === undefined) continue;
      axis.value.textContent = `${short(value)} ${axis.unit}`;
      const share = this.#share(axis, value);
      axis.mark.style.left = `${100 * share}%`;
      axis.mark.style.visibility = Number.isNaN(share) ? "hidden" : "visible";
      axis.scale.classList.toggle("end", axis.limited && (share < 1e-4 || share > 1 - 1e-4));
    }
    for (const [name, { one }] of this.#gates) one.classList.toggle("open", frame.gates[name]);
    this.#act(frame.acting);
    const now = performance.now();
    for (const [name, cue] of this.#cues) {
      const times = frame.cues[name] ?? 0;
      if (cue.times !== null && times > cue.times) cue.until = now + GIVEN;
      cue.times = times;
      cue.one.classList.toggle("given", now < cue.until);
    }
  }

  #share({ low, high, log }, value) {
    if (low === null && high === null) return Number.NaN;
    const by = log ? Math.log : (one) => one;
    const [from, to] = [low ?? high / (log ? 50 : 1) - (log ? 0 : 100), high ?? low * (log ? 50 : 1) + (log ? 0 : 100)];
    return Math.min(Math.max((by(value) - by(from)) / (by(to) - by(from)), 0), 1);
  }
}

// The notebook: every number of the profile as a dial. What it says goes to the loader, which takes or refuses it.

import { short } from "./watch.js";

const SVG = "http://www.w3.org/2000/svg";
const STEPS = 1000; // of a slider

function made(tag, words = "", name = "") {
  const found = document.createElement(tag);
  found.textContent = words;
  found.className = name;
  return found;
}

/** A number of so few digits as a person would type. */
function tidy(number) {
  return String(Number(number.toPrecision(3)));
}

export class Notebook {
  #dials = new Map();
  #curves = new Map();
  #closed = new Set();
  #shape = "";

  /**
   * @param {HTMLElement} box what it is shown in
   * @param {(path: (string|number)[], value: unknown, going: boolean) => void} change asks for a change
   */
  constructor(box, change) {
    this.box = box;
    this.change = change;
  }

  /** Show a profile's dials; those that are there already take their new values. */
  told(profile) {
    const shape = JSON.stringify(profile.dials.map(({ path, kind, stated, unit }) => [path, kind, stated, unit]));
    if (shape !== this.#shape) this.#build(profile);
    this.#shape = shape;
    for (const dial of profile.dials) this.#show(dial, profile.changed);
    this.#beside(profile);
    this.#bend(profile.curves);
  }

  /** What the other side says, under each dial where it says something else. */
  #beside({ apart, other }) {
    for (const { beside } of this.#dials.values()) beside.textContent = "";
    for (const [path, value] of apart) {
      const inverted = path.at(-1) === "invert";
      const found = this.#dials.get(JSON.stringify(inverted ? [...path, this.#driven(path)] : path));
      const said = inverted ? `inverts ${[value ?? "none"].flat().join(", ") || "none"}` : (value ?? "as without");
      if (found) found.beside.textContent = `${other}: ${said}`;
    }
  }

  /** The first axis of a route that can be inverted. */
  #driven(path) {
    const keys = [...this.#dials.keys()].map((one) => JSON.parse(one));
    return keys.find((one) => one.length === 4 && one[2] === "invert" && one[1] === path[1])?.[3];
  }

  /** Say beside a dial why its value was refused. */
  refused(path, words) {
    const found = this.#dials.get(JSON.stringify(path));
    if (found) found.wrong.textContent = words;
    return Boolean(found);
  }

  /** The dial that is turned is what it is; its loader's words are gone. */
  turned(path, curves) {
    this.refused(path, "");
    this.#bend(curves);
  }

  /** Draw curves as they are bent now: the effect of a stick, from rest to its end. */
  #bend(curves) {
    for (const [route, effects] of Object.entries(curves)) {
      const curve = this.#curves.get(`routes.${route}`);
      if (!curve) continue;
      const points = effects.map((one, k) => `${((100 * k) / (effects.length - 1)).toFixed(2)},${(50 - 50 * one).toFixed(2)}`);
      curve.setAttribute("points", points.join(" "));
      curve.ownerSVGElement.classList.remove("none");
    }
  }

  #curve(group) {
    const picture = document.createElementNS(SVG, "svg");
    picture.setAttribute("viewBox", "-1 -2 102 54");
    picture.setAttribute("class", "curve none");
    picture.setAttribute("role", "img");
    picture.setAttribute("aria-label", `${group}: what comes of travel, from rest to its end`);
    const line = document.createElementNS(SVG, "polyline");
    const even = document.createElementNS(SVG, "line");
    for (const [key, value] of Object.entries({ x1: 0, y1: 50, x2: 100, y2: 0 })) even.setAttribute(key, value);
    picture.append(even, line);
    this.#curves.set(group, line);
    return picture;
  }

  #build(profile) {
    const focused = document.activeElement?.id;
    this.#dials.clear();
    this.#curves.clear();
    const groups = new Map();
    for (const dial of profile.dials) {
      const [group, kind] = [dial.group, dial.stated || dial.kind === "ways" ? "stated" : "left"];
      if (!groups.has(group)) groups.set(group, { stated: [], left: [] });
      groups.get(group)[kind].push(this.#dial(dial));
    }
    this.box.replaceChildren();
    for (const [group, { stated, left }] of groups) {
      const [whole, summary] = [made("details"), made("summary")];
      const [section, name] = group.split(".");
      summary.append(made("b", name ?? (section === "cursor" ? "pointer" : section)), ` ${name ? (section === "axes" ? "axis" : section.replace(/s$/, "")) : ""}`);
      whole.append(summary, ...(section === "routes" ? [this.#curve(group)] : []), ...stated);
      whole.open = stated.length > 0 && !this.#closed.has(group);
      whole.addEventListener("toggle", () => this.#closed[whole.open ? "delete" : "add"](group));
      if (left.length) {
        const more = made("details");
        more.append(made("summary", left.length === 1 ? "1 more, at its default" : `${left.length} more, at their defaults`), ...left);
        whole.append(more);
      }
      this.box.append(whole);
    }
    if (focused) document.getElementById(focused)?.focus();
  }

  #dial(dial) {
    const row = made("div", "", "dial");
    const id = `dial-${dial.path.join("-")}`;
    const label = made("label", dial.label);
    label.htmlFor = id;
    label.title = dial.says;
    const [reset, wrong] = [made("button", "↺", "reset"), made("p", "", "wrong")];
    reset.type = "button";
    reset.title = `${dial.label}: as in the file`;
    reset.setAttribute("aria-label", reset.title);
    wrong.setAttribute("role", "alert");
    const beside = made("small");
    const found = { dial, row, wrong, beside };
    reset.addEventListener("click", () => this.change(dial.path, found.first ?? null, false));
    row.append(label, ...this.#parts(found, id), reset, beside, wrong);
    this.#dials.set(JSON.stringify(dial.path), found);
    return row;
  }

  #parts(found, id) {
    const { dial } = found;
    if (dial.kind === "switch" || dial.kind === "ways") {
      found.box = made("input");
      Object.assign(found.box, { type: "checkbox", id });
      found.box.addEventListener("change", () => this.change(dial.path, found.box.checked, false));
      return [found.box, made("span")];
    }
    if (dial.kind === "choice") {
      found.box = made("select");
      found.box.id = id;
      for (const one of dial.choices) found.box.append(new Option(one, one));
      found.box.addEventListener("change", () => this.change(dial.path, found.box.value, false));
      return [found.box];
    }
    const [slider, box] = [made("input"), made("input")];
    Object.assign(slider, { type: "range", min: 0, max: STEPS, step: 1 });
    slider.setAttribute("aria-label", `${dial.group} ${dial.label}`);
    Object.assign(box, { type: "text", id, autocomplete: "off", spellcheck: false });
    const turn = (going) => this.change(dial.path, this.#said(found, this.#value(found.dial, slider.value)), going);
    slider.addEventListener("input", () => {
      box.value = this.#shown(found.dial, this.#value(found.dial, slider.value));
      slider.setAttribute("aria-valuetext", box.value);
      turn(true);
    });
    slider.addEventListener("change", () => turn(false));
    box.addEventListener("change", () => {
      const plain = dial.kind === "number" ? Number(box.value) : box.value.trim();
      this.change(dial.path, Number.isNaN(plain) ? box.value : plain, false);
    });
    Object.assign(found, { slider, box });
    return [slider, box];
  }

  #value({ low, high, log }, step) {
    const share = step / STEPS;
    if (!log) return low + (high - low) * share;
    return Math.sign(low) * Math.exp(Math.log(Math.abs(low)) + (Math.log(Math.abs(high)) - Math.log(Math.abs(low))) * share);
  }

  #step({ low, high, log, number }) {
    const by = log ? (one) => Math.log(Math.abs(one)) : (one) => one;
    return Math.round((STEPS * (by(number) - by(low))) / (by(high) - by(low)));
  }

  #shown({ unit }, number) {
    return unit ? `${tidy(number)}${unit.startsWith("/") ? "" : " "}${unit}` : tidy(number);
  }

  #said({ dial }, number) {
    return dial.kind === "number" ? Number(tidy(number)) : this.#shown(dial, number);
  }

  #show(dial, changed) {
    const found = this.#dials.get(JSON.stringify(dial.path));
    const name = (dial.kind === "ways" ? dial.path.slice(0, 3) : dial.path).join(".");
    const isChanged = changed.includes(name);
    if (!isChanged) {
      found.first = dial.stated || dial.kind === "ways" ? dial.value : null;
      // the range stays as it was in the file, so that a slider does not run away from the hand
      found.dial = dial;
    } else found.dial = { ...found.dial, value: dial.value, number: dial.number, unit: dial.unit };
    found.row.classList.toggle("changed", isChanged);
    found.wrong.textContent = "";
    if (dial.kind === "switch" || dial.kind === "ways") found.box.checked = dial.value;
    else if (dial.kind === "choice") found.box.value = dial.value;
    else {
      if (found.box !== document.activeElement || !found.box.dataset.typing) found.box.value = dial.kind === "quantity" ? dial.value : typed(dial.value);
      if (found.slider !== document.activeElement || !found.slider.matches(":active")) found.slider.value = this.#step(found.dial);
      found.slider.setAttribute("aria-valuetext", found.box.value);
    }
  }
}

function typed(number) {
  return Number.isInteger(number) ? String(number) : String(Number(number.toPrecision(6)));
}

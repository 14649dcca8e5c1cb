// A trial's page: hands go out, frames come in, and a card says what comes next. It knows no setting.

import { Hands } from "./hands.js";
import { Line } from "./line.js";
import { Marsh } from "./marsh.js";
import { Pads } from "./pads.js";
import { Targets } from "./targets.js";

const find = (id) => document.getElementById(id);
const scene = find("scene");
const land = await (await fetch("land.json")).json();
const marsh = location.hash === "#undrawn" ? { draw() {}, under: () => "" } : new Marsh(scene, land);
const START = { pose: [0, 2, 6, 0, 0, 0, 1, 60, 0], warden: [0, land.board, 0, 0, 0, 0, 1], pads: {} };
marsh.draw(START);
for (let k = 0; k < 3; k += 1) await new Promise(requestAnimationFrame);
const targets = new Targets(find("targets"), scene);
const pads = new Pads();
let playing = false;

const line = new Line({
  hello: () => ({ width: Math.max(scene.clientWidth, 1), height: Math.max(scene.clientHeight, 1) }),
  told,
  gone(words) {
    find("gone-words").textContent = words;
    if (!find("gone").open) find("gone").showModal();
  },
  back: () => find("gone").close(),
});
const hands = new Hands(scene, put, () => playing && line.flush(), (x, y) => marsh.under(x, y));
window.tried = { marsh, line, get playing() { return playing; } }; // to be looked at from a browser's own tools

/** Pass on what hands do in a round; a click that gives the mouse to the view selects nothing. */
function put(event) {
  const gives = event.type === "pointerdown" && event.pointerType === "mouse" && hands.wanted === "held" && !hands.captured;
  if (playing && !(gives && scene.requestPointerLock)) line.put(event);
}

function told(message) {
  if (message.kind === "frame") frame(message);
  else if (message.kind === "trial") card(message);
  else if (message.kind === "refused") find("words").textContent = message.words;
}

function frame(message) {
  marsh.draw(message);
  targets.draw(message);
  pads.frame(message);
  hands.follow(message.cursor);
  find("asked").textContent = message.task?.words ?? "";
  find("share").value = message.share;
  find("hint").textContent = hint(message.cursor);
}

/** What to do for the pointer to be as the settings want it. */
function hint(cursor) {
  if (cursor !== "held") return "";
  return hands.captured ? "Escape gives the mouse back" : "click here to give the mouse to the view";
}

/** What comes next, and what one may do. */
function card(message) {
  const began = message.playing && !playing;
  playing = message.playing;
  find("card").classList.toggle("aside", playing);
  find("headline").textContent = message.title;
  find("share").hidden = !playing;
  find("words").textContent = message.person > 1 ? `person ${message.person}` : "";
  const lines = message.words.split("\n").filter(Boolean);
  find("said").replaceChildren(...lines.map((one) => made("p", one)), ...(message.tables ?? []).map(table));
  question(message);
  for (const [what, label] of message.buttons) button(label, () => line.say({ kind: "ask", what }));
  if (began) {
    line.put({ type: "resize", ...hands.size(), timeStamp: performance.now() });
    scene.focus();
  }
  if (playing) return;
  targets.draw(null);
  pads.frame(START);
  marsh.draw(START);
  find("asked").textContent = find("hint").textContent = "";
  if (document.pointerLockElement) document.exitPointerLock();
  find("buttons").querySelector("button")?.focus();
}

function made(tag, words) {
  return Object.assign(document.createElement(tag), { textContent: words });
}

/** Rows of words, the heads first. */
function table(rows) {
  const whole = document.createElement("table");
  rows.forEach((row, k) => {
    const line = document.createElement("tr");
    line.append(...row.map((cell) => made(k ? "td" : "th", cell)));
    whole.append(line);
  });
  return whole;
}

function button(label, act) {
  const one = Object.assign(made("button", label), { type: "button" });
  one.addEventListener("click", act);
  find("buttons").append(one);
}

/** Which bird was liked, and how much. */
function question({ birds, much }) {
  find("buttons").replaceChildren();
  find("question").hidden = !birds;
  if (!birds) return;
  find("whom").textContent = "I liked better";
  choices("birds", "bird", [...birds.map((one) => [one, `the ${one}`]), ["", "neither"]]);
  choices("much", "much", much.map((one) => [one, one]));
  button("that is my answer", () => {
    const chosen = (name) => document.querySelector(`input[name="${name}"]:checked`)?.value ?? "";
    line.say({ kind: "answer", bird: chosen("bird"), much: chosen("bird") ? chosen("much") : "" });
  });
}

function choices(into, name, all) {
  find(into).replaceChildren(
    ...all.map(([value, label]) => {
      const [one, box] = [document.createElement("label"), document.createElement("input")];
      Object.assign(box, { type: "radio", name, value });
      one.append(box, ` ${label}`);
      return one;
    }),
  );
}

find("back").addEventListener("click", () => line.open());
find("gone").addEventListener("cancel", (event) => event.preventDefault());

requestAnimationFrame(function again() {
  requestAnimationFrame(again);
  if (!playing) return;
  hands.poll();
  line.ask();
});

// The page: hands go out, frames come in, numbers are turned.

import { Came } from "./came.js";
import { Hands } from "./hands.js";
import { Headset } from "./headset.js";
import { Line } from "./line.js";
import { Marsh } from "./marsh.js";
import { Notebook } from "./notebook.js";
import { Pads } from "./pads.js";
import { Traces } from "./traces.js";
import { Watch } from "./watch.js";

const find = (id) => document.getElementById(id);
const scene = find("scene");
const land = await (await fetch("land.json")).json();
const marsh = location.hash === "#undrawn" ? undrawn() : new Marsh(scene, land);
// once before the line is open: what a browser needs to get its brushes ready is no frame of the session's
marsh.draw({ pose: [0, 2, 6, 0, 0, 0, 1, 60, 0], warden: [0, land.board, 0, 0, 0, 0, 1] });
for (let k = 0; k < 3; k += 1) await new Promise(requestAnimationFrame);
const watch = new Watch();
const pads = new Pads();
const traces = new Traces(find("traces"), find("route"), find("legend"));
let shown = 0;
let loose = false; // whether a mouse turns something and nothing holds the pointer

const line = new Line({
  hello: () => ({ width: Math.max(scene.clientWidth, 1), height: Math.max(scene.clientHeight, 1) }),
  told,
  gone(words) {
    find("gone-words").textContent = words;
    if (!find("gone").open) find("gone").showModal();
  },
  back: () => find("gone").close(),
});
window.felt = { marsh, line }; // to be looked at from a browser's own tools
const hands = new Hands(scene, (event) => line.put(event), () => line.flush(), (x, y) => marsh.under(x, y));
const headset = new Headset(find("headset"), {
  put: (event) => line.put(event),
  ask() {
    hands.poll();
    return line.ask();
  },
  wear(session) {
    hands.wear(session !== null);
    return marsh.wear(session);
  },
  say: (words) => say(words, true),
});
const came = new Came(find("why"), find("came"), (what) => line.say({ kind: "do", what }));
const notebook = new Notebook(find("notebook"), (path, value, going) => {
  if (path[0] === "routes") traces.about(path[1]);
  line.say({ kind: "change", path, value, going });
});

/** Who draws nothing: to measure the line alone. */
function undrawn() {
  return { draw() {}, again() {}, wear() {}, under: () => "", counts: { calls: 0, triangles: 0 } };
}

/** Take what the session says. */
function told(message) {
  if (message.kind === "frame") frame(message);
  else if (message.kind === "profile") profile(message);
  else if (message.kind === "past") begun(message.frames);
  else if (message.kind === "again") again(message.found);
  else if (message.kind === "turned") notebook.turned(message.path, message.curves);
  else if (message.kind === "refused" && !(message.path && notebook.refused(message.path, message.words))) say(message.words, true);
}

/** A session is there: it shows what was before this page, and is asked what it was asked before. */
function begun(frames) {
  traces.past(frames);
  if (find("why").open) came.again();
}

function again(found) {
  traces.again(found);
  marsh.again(found);
  find("again").hidden = !found;
}

function frame(message) {
  marsh.draw(message, headset.head);
  watch.frame(message);
  pads.frame(message);
  traces.frame(message);
  came.frame(message);
  hands.follow(message.cursor);
  scene.style.opacity = 1 - message.fade; // after the snap of a headset's turn
  find("hint").textContent = hint(message);
  find("mounted").textContent = `${message.mount}, ${message.device === "none" ? "no hands yet" : message.device}`;
  shown += 1;
  if (shown % 15 === 1) {
    const counts = [["late", line.late], ["refused", message.refused], ["cut", message.cut]].filter(([, many]) => many);
    find("line").textContent = [message.pending ? "a change is coming" : "", `${message.engine}, ${line.trip.toFixed(1)} ms`, ...counts.map(([name, many]) => `${many} ${name}`)].filter(Boolean).join(" · ");
  }
}

/** What to do for the pointer to be as the profile wants it. */
function hint(message) {
  if (hands.strange) return `this browser does not know the layout of ${hands.strange}: it is ignored`;
  if (message.cursor !== "held") return loose ? 'the pointer is free, and stops at the rim: cursor = "held" would hold it' : "";
  if (!hands.captured) return "click here to give the mouse to the view";
  return hands.raw ? "Escape gives the mouse back" : "Escape gives the mouse back; this browser has no raw counts: these are the system's pixels";
}

function profile(message) {
  document.title = `${message.title} - Mellow Thumb`;
  find("title").textContent = message.title;
  const many = message.changed.length;
  find("file").textContent = many ? `${message.file}, ${many} not kept` : message.file;
  find("side").textContent = message.side;
  find("side").setAttribute("aria-label", `${message.side} plays: switch to ${message.other}`);
  find("copy").textContent = `copy to ${message.other}`;
  find("undo").disabled = !message.can.undo;
  find("redo").disabled = !message.can.redo;
  find("keep").disabled = !many;
  find("keep").classList.toggle("ready", many > 0);
  find("sheet").hidden = !message.sheet;
  find("sheet").disabled = !many;
  watch.told(message);
  traces.told(message);
  notebook.told(message);
  loose = message.loose;
  say(message.words ?? "", false);
}

function say(words, wrong) {
  find("words").textContent = words;
  find("words").classList.toggle("wrong", wrong);
}

const DOINGS = { side: "KeyS", copy: "", undo: "KeyZ", redo: "KeyY", keep: "KeyK", sheet: "", begin: "" };
for (const what of Object.keys(DOINGS)) find(what).addEventListener("click", () => line.say({ kind: "do", what }));
addEventListener("keydown", (event) => {
  if (!event.altKey || event.ctrlKey || event.metaKey) return;
  const what = Object.keys(DOINGS).find((one) => DOINGS[one] === event.code);
  if (!what || find(what).disabled) return;
  event.preventDefault();
  line.say({ kind: "do", what });
});
find("back").addEventListener("click", () => line.open());
find("gone").addEventListener("cancel", (event) => event.preventDefault());

requestAnimationFrame(function again() {
  requestAnimationFrame(again);
  if (headset.worn) return; // which asks by frames of its own
  hands.poll();
  line.ask();
});

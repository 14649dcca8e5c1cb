// What hands do, as the browser says it: the events' own fields, places in pixels of the scene.

const PAGES = ["Tab", "Escape", "F5", "F11", "F12"]; // keys that stay with the page and its browser
export const CHORDS = ["KeyS", "KeyZ", "KeyY", "KeyK"]; // with Alt
const POINTERS = ["pointerdown", "pointermove", "pointerup", "pointercancel"];

export class Hands {
  #held = new Map(); // keys and buttons that are down, by what lets go of them
  #pad = null; // the gamepad in use: the first that is touched
  #stamps = new Map();
  #asked = false;
  strange = ""; // a gamepad whose layout the browser does not know
  raw = null; // whether movements under capture are counts: true, false, or not known yet
  wanted = "free";
  #worn = false; // whether a headset is worn: its hands go on while the window has no focus

  /**
   * @param {HTMLElement} scene where hands act
   * @param {(event: object) => void} put takes each event
   * @param {() => void} flush sends what cannot wait
   * @param {(x: number, y: number) => string} under what is at a place of the scene, 0..1
   */
  constructor(scene, put, flush, under) {
    Object.assign(this, { scene, put, flush, under });
    for (const type of POINTERS) scene.addEventListener(type, (event) => this.#pointer(event));
    for (const type of ["pointerenter", "pointerleave"]) scene.addEventListener(type, (event) => this.#bare(event));
    scene.addEventListener("wheel", (event) => this.#wheel(event), { passive: false });
    scene.addEventListener("contextmenu", (event) => event.preventDefault());
    for (const type of ["keydown", "keyup"]) scene.addEventListener(type, (event) => this.#key(event));
    scene.addEventListener("blur", () => this.letGo());
    addEventListener("blur", (event) => this.#now(event));
    addEventListener("focus", (event) => this.#now(event));
    document.addEventListener("visibilitychange", (event) => this.#now(event));
    document.addEventListener("pointerlockchange", () => this.#captured());
    for (const type of ["devicemotion", "deviceorientation"]) addEventListener(type, (event) => this.#sensors(event));
    addEventListener("gamepaddisconnected", ({ gamepad, timeStamp }) => {
      if (gamepad.index !== this.#pad) return;
      this.#pad = null;
      this.put({ type: "gamepad", mapping: "standard", connected: false, axes: [], buttons: [], timeStamp });
    });
    new ResizeObserver(() => this.put({ type: "resize", ...this.size(), timeStamp: performance.now() })).observe(scene);
  }

  size() {
    const angle = screen.orientation?.angle ?? 0;
    return { angle, innerWidth: Math.max(this.scene.clientWidth, 1), innerHeight: Math.max(this.scene.clientHeight, 1) };
  }

  get captured() {
    return document.pointerLockElement === this.scene;
  }

  #place(event) {
    const box = this.scene.getBoundingClientRect();
    return { clientX: event.clientX - box.left, clientY: event.clientY - box.top };
  }

  #pointer(event) {
    if (event.type === "pointerdown") {
      this.scene.focus();
      this.#askForSensors();
      if (event.pointerType === "mouse") this.capture();
      else if (event.isTrusted) this.scene.setPointerCapture(event.pointerId);
    }
    const parts = event.type === "pointermove" ? (event.getCoalescedEvents?.() ?? []) : [];
    for (const one of parts.length ? parts : [event]) this.#say(one, event.type);
    if (event.pointerType === "mouse" && event.button >= 0) {
      const up = { type: "pointerup", pointerType: "mouse", pointerId: event.pointerId, button: event.button };
      if (event.type === "pointerdown") this.#held.set(`button ${event.button}`, { ...up, ...this.#place(event) });
      else if (event.type === "pointerup") this.#held.delete(`button ${event.button}`);
    }
  }

  #say(event, type) {
    const place = this.#place(event);
    const said = { type, pointerType: event.pointerType, pointerId: event.pointerId, ...place, timeStamp: event.timeStamp };
    if (event.pointerType === "mouse") {
      said.button = event.button;
      if (type === "pointermove") Object.assign(said, { movementX: event.movementX, movementY: event.movementY });
    }
    if (type === "pointerdown") {
      const { innerWidth, innerHeight } = this.size();
      const on = this.captured ? this.under(0.5, 0.5) : this.under(place.clientX / innerWidth, place.clientY / innerHeight);
      if (on) said.on = on;
    }
    this.put(said);
  }

  #bare(event) {
    if (event.pointerType === "mouse") this.put({ type: event.type, timeStamp: event.timeStamp });
  }

  #wheel(event) {
    event.preventDefault();
    const { deltaX, deltaY, deltaMode, timeStamp } = event;
    this.put({ type: "wheel", deltaX, deltaY, deltaMode, timeStamp });
  }

  #key(event) {
    if (PAGES.includes(event.code) || (event.altKey && CHORDS.includes(event.code))) {
      if (event.type === "keydown") {
        if (event.code === "Escape") this.scene.blur();
        return;
      }
    } else if (!event.ctrlKey && !event.metaKey) event.preventDefault();
    if (!event.code || event.repeat) return;
    this.put({ type: event.type, code: event.code, repeat: false, timeStamp: event.timeStamp });
    if (event.type === "keydown") this.#held.set(event.code, { type: "keyup", code: event.code });
    else this.#held.delete(event.code);
  }

  /** Let go of all keys and buttons: the hands went to the numbers. */
  letGo() {
    for (const up of this.#held.values()) this.put({ ...up, timeStamp: performance.now() });
    this.#held.clear();
  }

  /** What a phone feels, and how it is turned. */
  #sensors(event) {
    const { type, timeStamp } = event;
    if (type === "deviceorientation") {
      if (event.alpha !== null) this.put({ type, alpha: event.alpha, beta: event.beta, gamma: event.gamma, timeStamp });
      return;
    }
    if (event.rotationRate?.alpha === null || !event.rotationRate) return; // a desk has none, and says so
    const { alpha, beta, gamma } = event.rotationRate;
    const force = event.accelerationIncludingGravity;
    const said = { type, rotationRate: { alpha, beta, gamma }, timeStamp };
    if (force && force.x !== null) said.accelerationIncludingGravity = { x: force.x, y: force.y, z: force.z };
    this.put(said);
  }

  /** Some browsers give a phone's sensors to a page only once it was asked for them by a touch. */
  async #askForSensors() {
    const ask = globalThis.DeviceMotionEvent?.requestPermission;
    if (this.#asked || !ask) return;
    this.#asked = true;
    await ask.call(DeviceMotionEvent).catch(() => "denied");
  }

  /** A headset is put on, whose hands count at once; or taken off, and the window has the focus or not. */
  wear(worn) {
    this.#worn = worn;
    this.#now({ type: worn || document.hasFocus() ? "focus" : "blur", timeStamp: performance.now() });
  }

  #now(event) {
    if (this.#worn && event.type !== "focus") {
      this.letGo();
      return;
    }
    const visible = event.type === "visibilitychange" ? { visibilityState: document.visibilityState } : {};
    if (event.type !== "focus") this.#held.clear();
    this.put({ type: event.type, ...visible, timeStamp: event.timeStamp });
    this.flush();
  }

  /** What the pointer should be, as the session says: free, hidden, or held where it is. */
  follow(cursor) {
    if (cursor === this.wanted) return;
    this.wanted = cursor;
    this.scene.classList.toggle("hidden", cursor === "hidden");
    if (cursor === "held" && document.activeElement === this.scene) this.capture();
    else if (this.captured) document.exitPointerLock();
  }

  async capture() {
    if (this.wanted !== "held" || this.captured || !this.scene.requestPointerLock) return;
    try {
      await this.scene.requestPointerLock({ unadjustedMovement: true });
      this.raw = true;
    } catch (error) {
      if (error.name !== "NotSupportedError") return; // it needs a click first
      try {
        await this.scene.requestPointerLock();
        this.raw = false;
      } catch {
        return;
      }
    }
  }

  #captured() {
    if (!this.captured) this.letGo();
  }

  /** What gamepads say now: a state and no event, so it is asked each frame. */
  poll() {
    for (const pad of navigator.getGamepads?.() ?? []) {
      if (!pad || this.#stamps.get(pad.index) === pad.timestamp) continue;
      this.#stamps.set(pad.index, pad.timestamp);
      const touched = pad.buttons.some(({ pressed }) => pressed) || pad.axes.some((one) => Math.abs(one) > 0.5);
      if (this.#pad === null || (touched && pad.index !== this.#pad)) this.#pad = pad.index;
      if (pad.index !== this.#pad) continue;
      this.strange = pad.mapping === "standard" ? "" : pad.id;
      const buttons = pad.buttons.map(({ value, pressed }) => ({ value, pressed }));
      this.put({ type: "gamepad", mapping: pad.mapping, connected: pad.connected, axes: [...pad.axes], buttons, timestamp: pad.timestamp });
    }
  }
}

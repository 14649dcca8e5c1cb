// The line to the session: what hands do goes out with each animation frame, and the frame comes back in it.

const TAKEN_OVER = 4001;
const AGAIN = 1000; // ms until a line that was cut is tried anew

export class Line {
  #socket = null;
  #waiting = null; // when the frame that has not come yet was asked for
  #number = 0;
  #events = [];
  late = 0;
  trip = 0; // ms from the last wish to its answer

  /** @param {{hello: () => object, told: (message: object) => void, gone: (words: string) => void, back: () => void}} page */
  constructor(page) {
    this.page = page;
    this.open();
  }

  open() {
    const scheme = location.protocol === "https:" ? "wss" : "ws";
    const socket = new WebSocket(`${scheme}://${location.host}/line`);
    this.#socket = socket;
    this.#waiting = null;
    this.#events = [];
    socket.onopen = () => {
      this.say({ kind: "hello", now: performance.now(), ...this.page.hello() });
      this.page.back();
    };
    socket.onmessage = (event) => this.#hear(JSON.parse(event.data));
    socket.onclose = (event) => {
      if (this.#socket !== socket) return;
      this.#socket = null;
      if (event.code === TAKEN_OVER) this.page.gone("Another page has the controls now.");
      else {
        this.page.gone(event.reason || "No connection to the session: has mellow-thumb ended? Trying again.");
        setTimeout(() => this.#socket ?? this.open(), AGAIN);
      }
    };
  }

  get whole() {
    return this.#socket?.readyState === WebSocket.OPEN;
  }

  say(message) {
    if (this.whole) this.#socket.send(JSON.stringify(message));
  }

  /** Keep an event for the next frame. */
  put(event) {
    if (this.whole) this.#events.push(event);
  }

  /** Send what cannot wait for a frame: a hidden page has none. */
  flush() {
    if (this.#events.length) this.say({ kind: "frame", number: 0, now: performance.now(), events: this.#cut(), ask: false });
  }

  /** Ask for this animation frame's frame; tells whether that was asked, while none is on its way. */
  ask() {
    if (!this.whole) return false;
    if (this.#waiting !== null) {
      this.late += 1;
      return false;
    }
    this.#waiting = performance.now();
    this.#number += 1;
    this.say({ kind: "frame", number: this.#number, now: this.#waiting, events: this.#cut() });
    return true;
  }

  #cut() {
    const events = this.#events.slice(0, 4000);
    this.#events = this.#events.slice(4000);
    return events;
  }

  #hear(message) {
    if (message.kind === "frame") this.trip = performance.now() - this.#waiting;
    if (message.kind === "frame" || message.kind === "idle") this.#waiting = null;
    this.page.told(message);
  }
}

// Why did nothing happen? What came, and how far it got.

const KEPT = 6000; // ms
const MOST = 8;

export class Came {
  #lines = new Map();

  /**
   * @param {HTMLDetailsElement} box what is open while somebody wonders
   * @param {HTMLElement} list what it is told in
   * @param {(what: string) => void} ask asks for it, or for no more of it
   */
  constructor(box, list, ask) {
    this.box = box;
    this.list = list;
    this.ask = ask;
    box.addEventListener("toggle", () => this.again());
  }

  /** Ask, or say that it is enough: also of a session that begins anew. */
  again() {
    this.#lines.clear();
    this.ask(this.box.open ? "why" : "enough");
    this.list.replaceChildren();
    if (this.box.open) this.#say([["", "no input yet"]]);
  }

  frame({ came }) {
    if (!this.box.open) return;
    const now = performance.now();
    for (const [signal, reason, count] of came) {
      const key = `${signal} ${reason}`;
      const before = this.#lines.get(key);
      this.#lines.delete(key);
      this.#lines.set(key, { signal, reason, count: count + (before?.count ?? 0), until: now + KEPT });
    }
    for (const [key, { until }] of this.#lines) if (until < now) this.#lines.delete(key);
    if (!came.length && this.list.children.length === Math.min(this.#lines.size, MOST)) return;
    const lines = [...this.#lines.values()].sort((one, other) => (one.reason === "acted") - (other.reason === "acted"));
    if (lines.length) this.#say(lines.slice(0, MOST).map(({ signal, reason, count }) => [`${signal}, ${count}:`, reason]));
  }

  #say(lines) {
    const shown = lines.map(([signal, reason]) => {
      const line = document.createElement("li");
      const name = document.createElement("b");
      name.textContent = signal;
      line.append(name, ` ${reason}`);
      line.classList.toggle("acted", reason === "acted");
      return line;
    });
    this.list.replaceChildren(...shown);
  }
}

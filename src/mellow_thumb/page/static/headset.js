// A headset, by WebXR: where the head and the hands are goes out with each of its frames, the view comes back.

/** A rigid transform as plain data. */
function placed({ position: p, orientation: q }) {
  return { position: { x: p.x, y: p.y, z: p.z }, orientation: { x: q.x, y: q.y, z: q.z, w: q.w } };
}

export class Headset {
  #session = null;
  #floor = null;
  head = null; // where the head was as the frame was asked for that came last, or comes next

  /**
   * @param {HTMLButtonElement} button what leads in; it is there where a headset is
   * @param {{put: (event: object) => void, ask: () => boolean, wear: (session: object | null) => void, say: (words: string) => void}} page
   */
  constructor(button, page) {
    this.button = button;
    this.page = page;
    button.addEventListener("click", () => (this.worn ? this.#session.end() : this.#enter().catch((error) => page.say(`the headset is not available: ${error.message}`))));
    navigator.xr?.addEventListener?.("devicechange", () => this.#offer());
    this.#offer();
  }

  get worn() {
    return this.#session !== null;
  }

  async #offer() {
    this.button.hidden = !(await navigator.xr?.isSessionSupported("immersive-vr").catch(() => false));
  }

  async #enter() {
    const session = await navigator.xr.requestSession("immersive-vr", { requiredFeatures: ["local-floor"] });
    this.#floor = await session.requestReferenceSpace("local-floor");
    session.addEventListener("end", () => {
      this.#session = this.head = null;
      this.button.textContent = "enter the headset";
      this.page.put({ type: "xrframe", viewer: null, inputSources: [], timeStamp: performance.now() });
      this.page.wear(null);
    });
    this.#session = session;
    this.button.textContent = "leave the headset";
    await this.page.wear(session);
    const step = (_, frame) => {
      if (this.#session !== session) return;
      session.requestAnimationFrame(step);
      const head = this.#say(frame);
      if (this.page.ask()) this.head = head;
    };
    session.requestAnimationFrame(step);
  }

  /** Say where the head and the hands are; gives back the head. */
  #say(frame) {
    const viewer = frame.getViewerPose(this.#floor);
    const inputSources = [...this.#session.inputSources].map((source) => {
      const aim = frame.getPose(source.targetRaySpace, this.#floor);
      const said = { handedness: source.handedness, aim: aim ? placed(aim.transform) : null };
      if (source.gamepad) {
        const { mapping, axes, buttons } = source.gamepad;
        said.gamepad = { mapping, axes: [...axes], buttons: buttons.map(({ value, pressed }) => ({ value, pressed })) };
      }
      return said;
    });
    const head = viewer ? placed(viewer.transform) : null;
    this.page.put({ type: "xrframe", viewer: head, inputSources, timeStamp: performance.now() });
    return head;
  }
}

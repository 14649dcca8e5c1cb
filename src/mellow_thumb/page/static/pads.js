// Thumb pads on the glass: their circles, and the thumb that holds each.

export class Pads {
  #scene = document.querySelector("#scene");
  #shown = new Map();

  /** Show the pads of a frame; their places are 0 to 1 of the view from its bottom left corner. */
  frame({ pads }) {
    for (const [name, { circle }] of this.#shown) {
      if (pads[name]) continue;
      circle.remove();
      this.#shown.delete(name);
    }
    const { clientWidth: wide, clientHeight: tall } = this.#scene;
    for (const [name, { centre, radius, finger }] of Object.entries(pads)) {
      const { circle, thumb } = this.#shown.get(name) ?? this.#made(name);
      const rim = radius * Math.min(wide, tall);
      circle.style.cssText = `left: ${centre[0] * wide}px; bottom: ${centre[1] * tall}px; width: ${2 * rim}px; height: ${2 * rim}px`;
      thumb.hidden = !finger;
      if (!finger) continue;
      const [x, y] = [(finger[0] - centre[0]) * wide, (centre[1] - finger[1]) * tall];
      const reach = Math.max(Math.hypot(x, y) / rim, 1); // the thumb of a pad stays within its rim
      thumb.style.transform = `translate(${x / reach}px, ${y / reach}px)`;
    }
  }

  #made(name) {
    const [circle, thumb] = [document.createElement("div"), document.createElement("i")];
    circle.className = "pad";
    circle.append(thumb);
    this.#scene.append(circle);
    const one = { circle, thumb };
    this.#shown.set(name, one);
    return one;
  }
}

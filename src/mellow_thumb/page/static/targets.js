// What a trial asks, drawn over the marsh: targets, a bird that flies by, a way with posts, a level of a zoom.

const SPACE = "http://www.w3.org/2000/svg";
const BIRD = "M-1 0 Q-.45 -.62 0 -.08 Q.45 -.62 1 0 Q.45 -.3 .12 .14 L0 .5 L-.12 .14 Q-.45 -.3 -1 0 Z";
const SIGHT = 9; // px
const RIM = 26; // px from the rim at which an arrow stands

export class Targets {
  /**
   * @param {SVGElement} into what is drawn on
   * @param {HTMLElement} box the view that it lies over
   */
  constructor(into, box) {
    Object.assign(this, { into, box });
  }

  /** Draw what is asked in a frame, or nothing. */
  draw(frame) {
    this.into.replaceChildren();
    const { task, pose } = frame ?? {};
    if (!task) return;
    const { clientWidth: wide, clientHeight: high } = this.box;
    const view = viewOf(pose, wide, high);
    if (task.way) {
      this.#way(task, view, frame.warden[1]);
      return;
    }
    if (task.size) this.#level(task, wide, high);
    else if (task.at || task.bird) this.#target(task, view, pose);
    this.#sight(wide, high);
  }

  #put(name, fields, style) {
    const one = document.createElementNS(SPACE, name);
    for (const [key, value] of Object.entries(fields)) one.setAttribute(key, value);
    one.setAttribute("class", style);
    this.into.append(one);
    return one;
  }

  #sight(wide, high) {
    const [x, y] = [wide / 2, high / 2];
    this.#put("path", { d: `M${x - SIGHT} ${y}H${x + SIGHT}M${x} ${y - SIGHT}V${y + SIGHT}` }, "sight");
  }

  /** A target to come to, or a bird to stay with. */
  #target(task, view, pose) {
    const place = task.at ?? task.bird;
    const pan = task.name === "pan";
    const at = pan ? view.point(onPlane(place, pose)) : view.direction(...place);
    const size = Math.max(pan ? view.metres(onPlane(place, pose), task.width) : view.degrees(task.width, at), 4) / 2;
    if (!at.seen) {
      this.#arrow(at, view);
      return;
    }
    this.#put("circle", { cx: at.x, cy: at.y, r: size }, "target");
    this.#bird(at, Math.min(Math.max(size * 0.7, 7), 40));
  }

  #bird({ x, y }, size) {
    this.#put("path", { d: BIRD, transform: `translate(${x} ${y}) scale(${size})`, "vector-effect": "non-scaling-stroke" }, "bird");
  }

  /** Which way to turn for what is out of view. */
  #arrow({ x, y }, { wide, high }) {
    const [cx, cy] = [wide / 2, high / 2];
    const [dx, dy] = [x - cx, y - cy];
    const far = Math.min((cx - RIM) / Math.max(Math.abs(dx), 1e-6), (cy - RIM) / Math.max(Math.abs(dy), 1e-6));
    const turn = (Math.atan2(dy, dx) * 180) / Math.PI;
    this.#put("path", { d: "M16 0L-10 -12L-4 0L-10 12Z", transform: `translate(${cx + dx * far} ${cy + dy * far}) rotate(${turn})` }, "arrow");
  }

  /** A way over the ground, with a post at each bend and a flag at its end. */
  #way({ way, next }, view, ground) {
    const feet = [];
    for (let k = 1; k < way.length; k += 1) {
      const [[ax, az], [bx, bz]] = [way[k - 1], way[k]];
      for (let share = 0; share < 1; share += 0.05) feet.push(view.point([ax + (bx - ax) * share, ground, az + (bz - az) * share]));
    }
    const line = feet.filter(({ seen }) => seen).map(({ x, y }) => `${x} ${y}`);
    if (line.length > 1) this.#put("path", { d: `M${line.join("L")}` }, "way");
    way.slice(1).forEach(([x, z], k) => {
      const [foot, top] = [view.point([x, ground, z]), view.point([x, ground + 2, z])];
      if (!foot.seen || !top.seen) {
        if (k + 1 === next) this.#arrow(view.point([x, ground + 1.5, z]), view);
        return;
      }
      this.#put("path", { d: `M${foot.x} ${foot.y}L${top.x} ${top.y}` }, k + 1 === next ? "post next" : "post");
      if (k + 2 === way.length) this.#put("path", { d: "M0 0L1 .28L0 .56Z", transform: `translate(${top.x} ${top.y}) scale(${Math.max((foot.y - top.y) * 0.4, 8)})` }, "flag");
    });
  }

  /** A circle that grows and shrinks with the zoom, between two that stay. */
  #level({ size, band }, wide, high) {
    const base = Math.min(wide, high) * 0.18;
    const [cx, cy] = [wide / 2, high / 2];
    for (const one of band) this.#put("circle", { cx, cy, r: base * one }, "band");
    this.#put("circle", { cx, cy, r: Math.min(base * size, 2 * Math.max(wide, high)) }, "level");
  }
}

/** Where a place of a pan is: on a flat picture, or on the ground. */
function onPlane([x, y], pose) {
  return pose[8] ? [x, y, 0] : [x, 0.1, -y];
}

/** What projects places and directions as the marsh is drawn: the pose has place, rotation, field of view, extent. */
export function viewOf([px, py, pz, qx, qy, qz, qw, fov, extent], wide, high) {
  const back = ([x, y, z]) => { // from the world to the camera: the inverse of its rotation
    const [a, b, c] = [-qx, -qy, -qz];
    const [tx, ty, tz] = [2 * (b * z - c * y), 2 * (c * x - a * z), 2 * (a * y - b * x)];
    return [x + qw * tx + b * tz - c * ty, y + qw * ty + c * tx - a * tz, z + qw * tz + a * ty - b * tx];
  };
  const focal = high / 2 / Math.tan((fov * Math.PI) / 360);
  const flat = Math.min(wide, high) / (extent || 1);
  const shown = ([x, y, z]) => {
    const [scale, ahead] = extent ? [flat, true] : [focal / Math.max(-z, 1e-3), z < -0.05];
    // what is behind is thrown far out on its own side, for an arrow to point there
    const at = ahead ? [wide / 2 + x * scale, high / 2 - y * scale] : [wide / 2 + x * 1e5 + 1, high / 2 - y * 1e5];
    return { x: at[0], y: at[1], seen: ahead && at[0] > 0 && at[0] < wide && at[1] > 0 && at[1] < high, scale };
  };
  return {
    wide,
    high,
    point: ([x, y, z]) => shown(back([x - px, y - py, z - pz])),
    /** A yaw and a pitch in degrees, infinitely far away. */
    direction(yaw, pitch) {
      const [a, b] = [(yaw * Math.PI) / 180, (pitch * Math.PI) / 180];
      return shown(back([Math.sin(a) * Math.cos(b), Math.sin(b), -Math.cos(a) * Math.cos(b)]));
    },
    degrees: (size) => (size * Math.PI * focal) / 180,
    metres: (place, size) => size * shown(back([place[0] - px, place[1] - py, place[2] - pz])).scale,
  };
}

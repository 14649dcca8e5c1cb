// The salt marsh, drawn: what the session's camera sees of the land. It decides nothing.

import {
  BoxGeometry, BufferAttribute, BufferGeometry, CanvasTexture, CapsuleGeometry, Color, ConeGeometry, CylinderGeometry,
  DirectionalLight, Fog, Group, HemisphereLight, InstancedMesh, Matrix4, Mesh, MeshBasicMaterial, MeshLambertMaterial,
  OrthographicCamera, PerspectiveCamera, PlaneGeometry, Points, PointsMaterial, Quaternion, Raycaster, Scene, SphereGeometry, Sprite,
  SpriteMaterial, SRGBColorSpace, Vector2, Vector3, WebGLRenderer,
} from "./vendor.js";

const SKY = 0xbfd0d2;
const WATER = -0.42; // m
const FAR = 600; // m
const EYES = 0.7; // m: a camera nearer to the warden's head than this looks out of it

const GHOSTS = { was: 0x23302b, would: 0xc2410c };

/** A path through the marsh, with somebody on it who walks it again and again. */
class Ghost {
  #path = null;
  #pace = 1;

  constructor(scene, chart, color) {
    this.marks = ["walked", "looked"].map((what) => {
      const dots = new Points(new BufferGeometry(), new PointsMaterial({ color, size: what === "looked" ? 4 : 3, sizeAttenuation: false }));
      dots.frustumCulled = false;
      return dots;
    });
    const seen = new MeshBasicMaterial({ color, transparent: true, opacity: 0.55 });
    this.look = new Mesh(new SphereGeometry(0.22, 12, 8), seen);
    this.body = new Mesh(new CapsuleGeometry(0.24, 1.2, 3, 10), seen);
    this.trail = new Points(new BufferGeometry(), this.marks[1].material);
    this.pin = new Mesh(new SphereGeometry(0.7, 12, 8), seen);
    this.all = [...this.marks, this.look, this.body, this.trail, this.pin];
    this.trail.frustumCulled = false;
    chart.add(this.trail, this.pin);
    for (const one of this.all) one.visible = false;
    scene.add(...this.marks, this.look, this.body);
  }

  show(path, pace) {
    this.#path = path && path.looked.length ? path : null;
    this.#pace = pace;
    for (const one of this.all) one.visible = Boolean(this.#path);
    if (!this.#path) return;
    for (const [dots, places, up] of [[this.marks[0], path.walked, 0.08], [this.marks[1], path.looked, 0]]) {
      const raised = Float32Array.from(places, (one, k) => (k % 3 === 1 ? one + up : one));
      dots.geometry.dispose();
      dots.geometry = new BufferGeometry();
      dots.geometry.setAttribute("position", new BufferAttribute(raised, 3));
    }
    const above = Float32Array.from(path.looked, (one, k) => (k % 3 === 2 ? 2 : one)); // on the paper
    this.trail.geometry.dispose();
    this.trail.geometry = new BufferGeometry();
    this.trail.geometry.setAttribute("position", new BufferAttribute(above, 3));
    const [x, , z] = path.walked;
    const stays = path.walked.every((one, k) => k % 3 === 1 || Math.abs(one - (k % 3 ? z : x)) < 0.05);
    this.body.visible = this.marks[0].visible = !stays;
  }

  step(now) {
    if (!this.#path) return;
    const many = this.#path.looked.length / 3;
    const at = Math.floor(now / this.#pace) % many;
    this.look.position.fromArray(this.#path.looked, 3 * at);
    this.pin.position.set(this.look.position.x, this.look.position.y, 2);
    this.body.position.fromArray(this.#path.walked, 3 * at);
    this.body.position.y += 0.85;
  }
}

/** A row of numbers that look like chance and are the same each time. */
function chance(seed) {
  let state = seed;
  return () => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

function lambert(color) {
  return new MeshLambertMaterial({ color });
}

export class Marsh {
  #scene = new Scene();
  #chart = new Scene();
  #eye = new PerspectiveCamera(60, 1, 0.05, FAR);
  #flat = new OrthographicCamera(-1, 1, 1, -1, -1000, 1000);
  #ray = new Raycaster();
  #solid = [];
  #pose = null;
  #rig = new Group(); // what a headset's own camera stands on
  #veil = new Mesh(new PlaneGeometry(4, 4), new MeshBasicMaterial({ color: 0, transparent: true, depthTest: false }));

  /**
   * @param {HTMLElement} box what it is drawn in
   * @param {object} land the land as the server describes it
   */
  constructor(box, land) {
    this.box = box;
    this.land = land;
    this.renderer = new WebGLRenderer({ antialias: true });
    this.renderer.setPixelRatio(Math.min(devicePixelRatio, 2));
    box.append(this.renderer.domElement);
    this.#scene.background = new Color(SKY);
    this.#scene.fog = new Fog(SKY, 90, 320);
    this.#light();
    this.#ground();
    this.#water();
    this.#boards();
    this.#reeds();
    this.#things();
    this.warden = this.#figure();
    this.#paper();
    this.ghosts = ["was", "would"].map((which) => new Ghost(this.#scene, this.#chart, GHOSTS[which]));
    new ResizeObserver(() => this.#fit()).observe(box);
    this.#rig.add(this.#eye);
    this.#veil.position.z = -0.5;
    this.#veil.renderOrder = 1;
    this.#eye.add(this.#veil);
    this.#scene.add(this.#rig);
    this.#fit();
  }

  /** Draw for a headset from now on, or for the page again. */
  async wear(session) {
    this.renderer.xr.enabled = session !== null;
    this.#rig.position.set(0, 0, 0);
    this.#rig.quaternion.identity();
    if (session) {
      await this.renderer.xr.setSession(session);
      this.renderer.setAnimationLoop(() => this.renderer.render(this.#scene, this.#eye));
    } else {
      this.renderer.setAnimationLoop(null);
      requestAnimationFrame(() => this.#fit()); // once it has let go of the picture
    }
  }

  /**
   * Stand so that a head comes to the session's view. It is the head with which that view was asked for: where it has
   * gone meanwhile is seen at once, without waiting for the session.
   */
  #stand([x, y, z, ...turned], { position: p, orientation: q }) {
    const one = new Vector3(1, 1, 1);
    const view = new Matrix4().compose(new Vector3(x, y, z), new Quaternion(...turned.slice(0, 4)), one);
    const head = new Matrix4().compose(new Vector3(p.x, p.y, p.z), new Quaternion(q.x, q.y, q.z, q.w), one);
    view.multiply(head.invert()).decompose(this.#rig.position, this.#rig.quaternion, new Vector3());
  }

  get counts() {
    const { calls, triangles } = this.renderer.info.render;
    return { calls, triangles };
  }

  #fit() {
    const { clientWidth, clientHeight } = this.box;
    if (!clientWidth || !clientHeight) return;
    this.renderer.setSize(clientWidth, clientHeight, false);
    this.#eye.aspect = clientWidth / clientHeight;
    if (this.#pose) this.draw(this.#pose);
  }

  /** Draw a frame of the session's; a headset draws it by itself, from where its head was in that frame. */
  draw(frame, head = null) {
    this.#pose = frame;
    const [x, y, z, a, b, c, d, view, extent] = frame.pose;
    const [wx, wy, wz, ...turned] = frame.warden;
    this.warden.position.set(wx, wy, wz);
    this.warden.quaternion.set(...turned);
    const now = performance.now() / 1000;
    for (const ghost of this.ghosts) ghost.step(now);
    const worn = this.renderer.xr.isPresenting;
    this.#veil.visible = worn && frame.fade > 0;
    this.#veil.material.opacity = frame.fade ?? 0;
    if (worn) {
      this.warden.visible = false;
      if (head) this.#stand(frame.pose, head);
      return;
    }
    const camera = extent ? this.#flat : this.#eye;
    camera.position.set(x, y, z);
    camera.quaternion.set(a, b, c, d);
    if (extent) {
      const { clientWidth, clientHeight } = this.box;
      const shorter = Math.min(clientWidth, clientHeight);
      const [wide, high] = [(extent * clientWidth) / shorter / 2, (extent * clientHeight) / shorter / 2];
      Object.assign(camera, { left: -wide, right: wide, top: high, bottom: -high });
      this.pin.position.set(wx, -wz, 1);
      this.pin.scale.setScalar(extent / 40);
    } else {
      camera.fov = view;
      this.warden.visible = camera.position.distanceTo(new Vector3(wx, wy + 1.6, wz)) > EYES;
    }
    camera.updateProjectionMatrix();
    this.renderer.render(extent ? this.#chart : this.#scene, camera);
  }

  /** Lay what the same hands would have done over what they did; nothing takes both away. */
  again(found) {
    this.ghosts[0].show(found?.was, found?.pace);
    this.ghosts[1].show(found?.would, found?.pace);
  }

  /** What is at a place of the view, 0..1 from its top left corner, by the name that a press on it has. */
  under(x, y) {
    const flat = Boolean(this.#pose?.pose[8]);
    this.#ray.setFromCamera(new Vector2(2 * x - 1, 1 - 2 * y), flat ? this.#flat : this.#eye);
    const hits = this.#ray.intersectObjects(flat ? this.#chart.children : this.#solid, true);
    const hit = hits.find((one) => one.object.visible && this.#named(one.object));
    return hit ? this.#named(hit.object) : "";
  }

  #named(object) {
    for (let one = object; one; one = one.parent) if (one.name) return one.name;
    return "";
  }

  #add(object, name) {
    object.name = name;
    this.#scene.add(object);
    if (name) this.#solid.push(object);
    return object;
  }

  #light() {
    this.#scene.add(new HemisphereLight(0xdfe9ea, 0x7d7358, 2.1));
    const sun = new DirectionalLight(0xffe9c4, 1.9);
    sun.position.set(-60, 45, 30);
    this.#scene.add(sun);
  }

  height(x, z) {
    const { half, heights } = this.land;
    const [i, k] = [Math.round(x) + half, Math.round(z) + half].map((one) => Math.min(Math.max(one, 0), 2 * half));
    return heights[k * (2 * half + 1) + i] / 100;
  }

  #ground() {
    const { half, heights } = this.land;
    const n = 2 * half + 1;
    const [place, colour, index] = [new Float32Array(n * n * 3), new Float32Array(n * n * 3), []];
    const [mud, grass, wet, turf] = [0x8d8063, 0x7f8a4d, 0x6c6453, 0x93985c].map((one) => new Color(one));
    const tint = new Color();
    const random = chance(7);
    for (let k = 0; k < n; k += 1) {
      for (let i = 0; i < n; i += 1) {
        const at = k * n + i;
        const high = heights[at] / 100;
        place.set([i - half, high, k - half], 3 * at);
        tint.copy(mud).lerp(grass, Math.min(Math.max(high * 5, 0), 1));
        if (high < -0.1) tint.copy(mud).lerp(wet, Math.min(-high * 2, 1));
        if (high > 0.4) tint.copy(grass).lerp(turf, Math.min(high / 2, 1));
        tint.multiplyScalar(0.9 + 0.2 * random());
        tint.toArray(colour, 3 * at);
        if (i < n - 1 && k < n - 1) index.push(at, at + n, at + 1, at + 1, at + n, at + n + 1);
      }
    }
    const shape = new BufferGeometry();
    shape.setAttribute("position", new BufferAttribute(place, 3));
    shape.setAttribute("color", new BufferAttribute(colour, 3));
    shape.setIndex(index);
    shape.computeVertexNormals();
    this.#add(new Mesh(shape, new MeshLambertMaterial({ vertexColors: true })), "marsh");
  }

  #water() {
    const sea = new Mesh(new PlaneGeometry(2 * FAR, 2 * FAR), new MeshLambertMaterial({ color: 0x7fa0a6 }));
    sea.rotation.x = -Math.PI / 2;
    sea.position.y = WATER;
    this.#add(sea, "water");
  }

  #boards() {
    const { walk, broad, board } = this.land;
    const places = [];
    for (let k = 1; k < walk.length; k += 1) {
      const [[ax, az], [bx, bz]] = [walk[k - 1], walk[k]];
      const long = Math.hypot(bx - ax, bz - az);
      const turned = new Quaternion().setFromAxisAngle(new Vector3(0, 1, 0), Math.atan2(bx - ax, bz - az));
      for (let far = 0; far < long; far += 0.3) {
        const at = new Vector3(ax + ((bx - ax) * far) / long, board - 0.03, az + ((bz - az) * far) / long);
        places.push(new Matrix4().compose(at, turned, new Vector3(1, 1, 1)));
      }
    }
    this.#many(new BoxGeometry(2 * broad, 0.06, 0.26), 0x9b8a6b, places, "boardwalk", 0.12);
  }

  /** Many of one shape, in one draw call. */
  #many(shape, color, places, name, shade = 0) {
    const made = new InstancedMesh(shape, lambert(0xffffff), places.length);
    const [random, base] = [chance(places.length), new Color(color)];
    places.forEach((place, k) => {
      made.setMatrixAt(k, place);
      made.setColorAt(k, base.clone().multiplyScalar(1 - shade + 2 * shade * random()));
    });
    return this.#add(made, name);
  }

  #reeds() {
    const random = chance(3);
    const places = [];
    while (places.length < 1500) {
      const [x, z] = [150 * random() - 75, 100 * random() - 70];
      const high = this.height(x, z);
      if (high < -0.25 || high > 0.6 || Math.abs(x) < 2.5 || Math.hypot(x - 22, z + 42) < 8) continue;
      const size = 0.4 + 0.7 * random();
      const lean = new Quaternion().setFromAxisAngle(new Vector3(random() - 0.5, 0, random() - 0.5).normalize(), 0.3);
      places.push(new Matrix4().compose(new Vector3(x, high + size / 2 - 0.05, z), lean, new Vector3(1, size, 1)));
    }
    this.#many(new ConeGeometry(0.035, 1, 4), 0x8f9455, places, "", 0.25);
  }

  #things() {
    const birds = this.land.things.filter((one) => one.name === "bird");
    const posts = this.land.things.filter((one) => one.name === "post");
    const at = ({ x, y, z }, up = 0, turn = 0, ahead = 0, size = [1, 1, 1], lean = 0) => {
      const turned = new Quaternion().setFromAxisAngle(new Vector3(0, 1, 0), turn);
      const place = new Vector3(0, up, -ahead).applyQuaternion(turned).add(new Vector3(x, y, z));
      if (lean) turned.multiply(new Quaternion().setFromAxisAngle(new Vector3(1, 0, 0), lean));
      return new Matrix4().compose(place, turned, new Vector3(...size));
    };
    const turn = (k) => k * 2.4;
    this.#many(new CylinderGeometry(0.12, 0.14, 2.1, 8), 0x6e5b45, posts.map((one) => at(one, 1.05)), "post", 0.1);
    this.#many(new CylinderGeometry(0.145, 0.145, 0.16, 8), 0xb4532d, posts.map((one) => at(one, 1.85)), "post");
    for (const one of posts) this.#label(one);
    const legs = birds.flatMap((one, k) => [-0.04, 0.04].map((x) => at({ ...one, x: one.x + x }, 0.11, turn(k))));
    this.#many(new CylinderGeometry(0.012, 0.012, 0.24, 4), 0xb4532d, legs, "bird");
    this.#many(new SphereGeometry(0.13, 10, 8), 0xe9e4d6, birds.map((one, k) => at(one, 0.32, turn(k), 0, [0.8, 0.75, 1.5])), "bird", 0.08);
    this.#many(new SphereGeometry(0.12, 10, 6), 0x4b4a44, birds.map((one, k) => at(one, 0.345, turn(k), -0.05, [0.78, 0.62, 1.4])), "bird");
    this.#many(new SphereGeometry(0.065, 8, 6), 0x38342e, birds.map((one, k) => at(one, 0.47, turn(k), 0.2)), "bird");
    this.#many(new ConeGeometry(0.018, 0.17, 5), 0xb4532d, birds.map((one, k) => at(one, 0.45, turn(k), 0.33, [1, 1, 1], -1.9)), "bird");
    this.#hide(this.land.things.find((one) => one.name === "hide"));
  }

  #label({ x, y, z, label }) {
    const paper = document.createElement("canvas");
    [paper.width, paper.height] = [128, 64];
    const pen = paper.getContext("2d");
    pen.fillStyle = "#f1ecdf";
    pen.fillRect(0, 6, 128, 52);
    pen.fillStyle = "#23302b";
    pen.font = "38px Georgia, serif";
    pen.textAlign = "center";
    pen.fillText(label, 64, 45);
    const map = new CanvasTexture(paper);
    map.colorSpace = SRGBColorSpace;
    const sign = new Sprite(new SpriteMaterial({ map }));
    sign.scale.set(0.9, 0.45, 1);
    sign.position.set(x, y + 2.4, z);
    this.#scene.add(sign);
  }

  #hide({ x, y, z }) {
    const hut = new Group();
    const wall = (w, h, d, px, py, pz, color = 0x6d5a43) => {
      const one = new Mesh(new BoxGeometry(w, h, d), lambert(color));
      one.position.set(px, py, pz);
      hut.add(one);
    };
    wall(4.4, 1.3, 0.15, 0, 0.65, -1.8);
    wall(4.4, 0.6, 0.15, 0, 2.1, -1.8);
    wall(4.4, 2.4, 0.15, 0, 1.2, 1.8);
    wall(0.15, 2.4, 3.6, 2.2, 1.2, 0);
    wall(0.15, 2.4, 1.2, -2.2, 1.2, 1.2);
    wall(0.15, 2.4, 1.2, -2.2, 1.2, -1.2);
    wall(5.2, 0.14, 4.4, 0, 2.55, 0, 0x54584a);
    wall(4.4, 0.1, 3.6, 0, 0.3, 0, 0x8b7a5c);
    hut.position.set(x, y, z);
    this.#add(hut, "hide");
  }

  #figure() {
    const body = new Group();
    const part = (shape, color, x, y, z) => {
      const one = new Mesh(shape, lambert(color));
      one.position.set(x, y, z);
      body.add(one);
      return one;
    };
    part(new CapsuleGeometry(0.21, 0.5, 4, 12), 0x3d5a4c, 0, 1.05, 0);
    part(new CylinderGeometry(0.09, 0.08, 0.75, 8), 0x4c4436, -0.1, 0.38, 0);
    part(new CylinderGeometry(0.09, 0.08, 0.75, 8), 0x4c4436, 0.1, 0.38, 0);
    part(new SphereGeometry(0.13, 12, 10), 0xcaa283, 0, 1.62, 0);
    part(new CylinderGeometry(0.21, 0.23, 0.03, 14), 0xa98f5a, 0, 1.69, 0);
    part(new CylinderGeometry(0.12, 0.14, 0.12, 12), 0xa98f5a, 0, 1.76, 0);
    part(new CapsuleGeometry(0.06, 0.5, 3, 8), 0x35503f, -0.27, 1.1, 0);
    part(new CapsuleGeometry(0.06, 0.5, 3, 8), 0x35503f, 0.27, 1.1, 0);
    part(new BoxGeometry(0.26, 0.34, 0.14), 0xb4532d, 0, 1.15, 0.24); // his knapsack
    part(new BoxGeometry(0.14, 0.06, 0.1), 0x2a2a28, 0, 1.3, -0.22); // the field glasses
    return this.#add(body, "warden");
  }

  /** The heights as shades of paper, four to a metre. */
  #shades() {
    const { half } = this.land;
    const side = 8 * half;
    const paper = document.createElement("canvas");
    [paper.width, paper.height] = [side, side];
    const pen = paper.getContext("2d");
    const shades = pen.createImageData(side, side);
    const steps = [[WATER, 157, 188, 192], [-0.12, 207, 211, 189], [0.35, 236, 228, 204], [1.2, 211, 202, 160], [Infinity, 185, 176, 127]];
    for (let k = 0; k < side * side; k += 1) {
      const high = this.#between((k % side) / 4 - half, Math.floor(k / side) / 4 - half);
      const [, red, green, blue] = steps.find(([up]) => high < up);
      shades.data.set([red, green, blue, 255], 4 * k);
    }
    pen.putImageData(shades, 0, 0);
    return paper;
  }

  #between(x, z) {
    const [i, k] = [Math.floor(x), Math.floor(z)];
    const [u, v] = [x - i, z - k];
    const row = (z) => this.height(i, z) * (1 - u) + this.height(i + 1, z) * u;
    return row(k) * (1 - v) + row(k + 1) * v;
  }

  /** The chart: the same land drawn on paper, east to the right and north up, a metre a metre. */
  #paper() {
    const { half, walk, things } = this.land;
    const scale = 10;
    const side = 2 * half * scale;
    const paper = document.createElement("canvas");
    [paper.width, paper.height] = [side, side];
    const pen = paper.getContext("2d");
    const [px, pz] = [(x) => (x + half) * scale, (z) => (z + half) * scale];
    pen.drawImage(this.#shades(), 0, 0, side, side);
    pen.strokeStyle = "#c7bda3";
    pen.lineWidth = 1;
    for (let line = -half; line <= half; line += 10) {
      pen.strokeRect(px(line), 0, 0.1, side);
      pen.strokeRect(0, pz(line), side, 0.1);
    }
    pen.strokeStyle = "#7a6747";
    pen.lineWidth = 12;
    pen.beginPath();
    walk.forEach(([x, z], k) => (k ? pen.lineTo(px(x), pz(z)) : pen.moveTo(px(x), pz(z))));
    pen.stroke();
    pen.font = "20px Georgia, serif";
    pen.textAlign = "center";
    for (const one of things) {
      pen.fillStyle = { post: "#93391a", hide: "#54483a", bird: "#23302b" }[one.name];
      const size = one.name === "hide" ? 22 : 6;
      pen.fillRect(px(one.x) - size, pz(one.z) - size, 2 * size, 2 * size);
      if (one.label) pen.fillText(one.label, px(one.x), pz(one.z) - 12);
    }
    pen.font = "italic 34px Georgia, serif";
    pen.fillStyle = "#4a574f";
    for (const [words, x, z] of [["the dyke", -40, 15], ["the creek", -32, -12], ["the sea", 0, -70], ["the hide", 25, -46]]) pen.fillText(words, px(x), pz(z));
    const map = new CanvasTexture(paper);
    map.colorSpace = SRGBColorSpace;
    const sheet = new Mesh(new PlaneGeometry(2 * half, 2 * half), new MeshBasicMaterial({ map }));
    sheet.name = "chart";
    this.#chart.add(sheet);
    this.#chart.background = new Color(0x8a8068);
    this.pin = new Mesh(new SphereGeometry(0.7, 16, 8), new MeshBasicMaterial({ color: 0x1f5a66 }));
    this.pin.name = "warden";
    this.#chart.add(this.pin);
  }
}

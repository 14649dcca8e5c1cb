// A stand-in person at a trial's page: a clock of its own, so that a round is over as soon as it can be, and a hand
// that sees what is drawn and moves a mouse. It knows no setting: it moves, sees how far that went, and corrects.
(() => {
  let now = 1000;
  const waiting = [];
  performance.now = () => now;
  Object.defineProperty(Event.prototype, "timeStamp", { get: () => now });
  window.requestAnimationFrame = (act) => waiting.push(act);
  const channel = new MessageChannel();
  let playing = false;
  const step = () => {
    if (playing && window.left <= 0) return;
    now += 1000 / 60;
    for (const act of waiting.splice(0)) act(now);
  };
  channel.port1.onmessage = step;
  setInterval(step, 40); // before there is a line, and between rounds
  window.heard = [];
  window.left = Infinity; // looks at a target until a round's clock stands still
  window.ended = 0; // rounds

  let [target, since, inside] = ["", 0, 0];
  const send = (type, more) => document.querySelector("#scene").dispatchEvent(
    new PointerEvent(type, { pointerType: "mouse", pointerId: 1, bubbles: true, clientX: 300, clientY: 200, ...more }),
  );
  function act({ task, pose }) {
    if (!task?.at) return;
    window.left -= 1;
    const [, , , x, y, z, w] = pose;
    const ahead = [2 * (x * z + w * y), 2 * (y * z - w * x), 1 - 2 * (x * x + y * y)].map((one) => -one);
    const [yaw, pitch] = [Math.atan2(ahead[0], -ahead[2]), Math.asin(ahead[1])].map((one) => (one * 180) / Math.PI);
    if (String(task.at) !== target) [target, since, inside] = [String(task.at), 0, 0];
    since += 1;
    if (since < 3) return; // it has to be seen first
    const [dx, dy] = [task.at[0] - yaw, task.at[1] - pitch];
    if (Math.hypot(dx, dy) < 0.3 * task.width) {
      inside += 1;
      if (inside < 2) return;
      send("pointerdown", { button: 0, buttons: 1 });
      send("pointerup", { button: 0, buttons: 0 });
      return;
    }
    send("pointermove", { button: -1, movementX: Math.round(9 * dx), movementY: Math.round(-9 * dy) });
  }

  const Real = window.WebSocket;
  window.WebSocket = class extends Real {
    constructor(...where) {
      super(...where);
      this.addEventListener("message", ({ data }) => {
        window.heard.push(data.length < 4000 ? data : data.slice(0, 4000));
        if (window.heard.length > 20000) window.heard.splice(0, 10000);
        const said = JSON.parse(data);
        if (said.kind === "frame") act(said);
        if (said.kind === "trial") {
          if (playing && !said.playing) window.ended += 1;
          playing = said.playing;
        }
        channel.port2.postMessage(0);
      });
    }
  };
})();

// Feeds the page with every device for some seconds, and says how long answers took; see page.py.
async ([seconds, echo]) => {
  const { line } = window.felt;
  const scene = document.querySelector("#scene");
  window.echo ??= await new Promise((done) => {
    const one = new WebSocket(echo);
    one.onopen = () => done(one);
  });
  window.pad ??= { index: 0, id: "made up", mapping: "standard", connected: true, timestamp: 0, axes: [0, 0, 0, 0],
    buttons: [...Array(17)].map(() => ({ value: 0, pressed: false })) };
  navigator.getGamepads = () => [window.pad];
  const trips = [], echoes = [], until = performance.now() + 1000 * seconds, late = line.late;
  let frames = 0, behind = 0, waiting = null;
  const fire = (type, more) => scene.dispatchEvent(new PointerEvent(type, { bubbles: true, ...more }));
  while (performance.now() < until) {
    await new Promise(requestAnimationFrame);
    frames += 1;
    const now = performance.now() / 1000;
    trips.push(line.trip);
    for (let k = 0; k < 16; k += 1)
      fire("pointermove", { pointerType: "mouse", pointerId: 1, movementX: Math.round(6 * Math.sin(now)), movementY: 1, clientX: 200, clientY: 200 });
    scene.dispatchEvent(new WheelEvent("wheel", { deltaY: 100 * Math.sin(now) }));
    scene.dispatchEvent(new KeyboardEvent(frames % 2 ? "keydown" : "keyup", { code: "KeyW" }));
    window.pad.axes = [Math.sin(now), Math.cos(now), Math.sin(2 * now), 0];
    window.pad.timestamp = performance.now();
    for (const id of [7, 8]) fire(frames % 30 ? "pointermove" : "pointerdown", { pointerType: "touch", pointerId: id, clientX: 100 * id + frames % 60, clientY: 150 });
    if (frames % 30 === 29) for (const id of [7, 8]) fire("pointerup", { pointerType: "touch", pointerId: id, clientX: 100, clientY: 150 });
    line.put({ type: "devicemotion", rotationRate: { alpha: 1, beta: Math.sin(now), gamma: 2 }, accelerationIncludingGravity: { x: 0, y: 9.8, z: 0.3 }, timeStamp: performance.now() });
    if (waiting !== null) behind += 1; // as the page's line does: one at a time
    else {
      const sent = (waiting = performance.now());
      window.echo.onmessage = () => {
        echoes.push(performance.now() - sent);
        waiting = null;
      };
      window.echo.send("x".repeat(3500));
    }
  }
  globalThis.gc?.();
  return { frames, late: line.late - late, behind, trips, echoes, heap: performance.memory.usedJSHeapSize };
}

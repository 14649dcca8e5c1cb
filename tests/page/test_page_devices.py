"""Devices at the page in a real browser: each moves the camera as a replay of what was recorded does."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser
from scipy.spatial.transform import Rotation

from mellow_thumb import marsh
from mellow_thumb.page import land

from ..helpers.felt import CHROMIUM, Felt, felt, moves_as_a_replay_of_its_take

pytestmark = pytest.mark.skipif(CHROMIUM is None, reason="no chromium: apt-get install chromium")

PAD = """() => {
  window.pad = { index: 0, id: "a pad", mapping: "standard", connected: true, timestamp: 1, axes: [0, 0, 0, 0],
    buttons: [...Array(17)].map(() => ({ value: 0, pressed: false })) };
  navigator.getGamepads = () => [window.pad, null];
  window.push = (axes, mapping) => Object.assign(window.pad, { axes, mapping, timestamp: performance.now() });
}"""


def test_a_gamepad_acts_by_the_standard_layout_and_says_so_where_it_has_another(
    browser: Browser, tmp_path: Path
) -> None:
    with felt(browser, tmp_path, marsh.FOLLOWING) as one:
        one.tab.evaluate(PAD)
        one.tab.evaluate("push([0, -1, 0.8, 0], 'standard')")
        one.frames(6)
        # the numbers have the focus, and the hand on the stick goes on
        one.tab.get_by_label("routes.look sensitivity yaw").focus()
        one.reach(lambda: one.axes["yaw_total"] > 10.0 and one.walked > 0.1)
        one.tab.evaluate("push([0, 0, 0, 0], 'standard')")
        one.frames(12)
        moves_as_a_replay_of_its_take(one)
        before = one.axes["yaw_total"]
        one.tab.evaluate("push([1, 1, 1, 1], '')")
        one.until("document.querySelector('#hint').textContent.includes('does not know the layout of a pad')")
        one.frames(3)
        assert one.axes["yaw_total"] == pytest.approx(before, abs=1.0)  # but for what smoothing still owed


STICK = """format = "mellow-thumb profile 1"
mount = "behind"
[touch.walk]
thumb_pad = { radius = "0.2 screen" }
[touch.fixed]
thumb_pad = { radius = "0.1 screen", centre = [0.9, 0.8], region = [0.8, 0.6, 1, 1] }
[routes.walk]
from = "touch.walk"
drives = ["move_x", "move_y"]
[movement]
speed = "1.6 m/s"
[axes]
distance = { start = "4 m" }
[mounts.behind]
kind = "orbit"
"""
PADS = """() => {
  const scene = document.querySelector("#scene").getBoundingClientRect();
  const middle = (box) => [(box.left + box.right) / 2 - scene.left, (box.top + box.bottom) / 2 - scene.top];
  return [...document.querySelectorAll(".pad")].map((one) => ({
    centre: middle(one.getBoundingClientRect()), wide: one.getBoundingClientRect().width,
    thumb: one.firstChild.hidden ? null : middle(one.firstChild.getBoundingClientRect()),
  }));
}"""


def test_thumb_pads_are_drawn_where_they_are_held(browser: Browser, tmp_path: Path) -> None:
    profile = tmp_path / "stick.toml"
    profile.write_text(STICK, encoding="utf-8")
    with felt(browser, tmp_path, profile) as one:
        line = one.tab.context.new_cdp_session(one.tab)
        box = one.tab.evaluate("document.querySelector('#scene').getBoundingClientRect().toJSON()")
        shorter = min(box["width"], box["height"])

        def touch(kind: str, *places: tuple[float, float]) -> None:
            points = [{"x": box["x"] + x, "y": box["y"] + y, "id": k} for k, (x, y) in enumerate(places)]
            line.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": points})

        def pads(count: int) -> list[dict[str, Any]]:
            one.until(f"document.querySelectorAll('.pad').length === {count}")
            one.frames(6)
            found: list[dict[str, Any]] = one.tab.evaluate(PADS)
            return found

        (fixed,) = pads(1)
        assert fixed["centre"] == pytest.approx([0.9 * box["width"], 0.2 * box["height"]], abs=1.0)
        assert (fixed["wide"], fixed["thumb"]) == (pytest.approx(0.2 * shorter, abs=1.0), None)
        x, y = 0.3 * box["width"], 0.6 * box["height"]
        touch("touchStart", (x, y))
        touch("touchMove", (x, y - 30.0))
        _, held = pads(2)
        assert held["centre"] == pytest.approx([x, y], abs=1.5)
        assert held["thumb"] == pytest.approx([x, y - 30.0], abs=1.5)
        touch("touchMove", (x + 0.5 * shorter, y))
        _, held = pads(2)
        assert held["thumb"] == pytest.approx([x + 0.2 * shorter, y], abs=1.5)  # at its rim
        touch("touchEnd")
        assert len(pads(1)) == 1


def test_ten_fingers_act_as_a_replay_of_the_tape_does(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.FINGERS) as one:
        line = one.tab.context.new_cdp_session(one.tab)

        def touch(kind: str, places: list[tuple[float, float]]) -> None:
            points = [{"x": x, "y": y, "id": k} for k, (x, y) in enumerate(places)]
            line.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": points})
            one.frames(1)

        touch("touchStart", [(150, 200), (300, 200)])
        for k in range(6):
            touch("touchMove", [(150 - 8 * k, 200), (300 + 8 * k, 200 + 2 * k)])
        touch("touchEnd", [])
        assert one.axes["zoom"] > 1.2
        touch("touchStart", [(60 + 40 * k, 180) for k in range(10)])
        touch("touchMove", [(64 + 40 * k, 190) for k in range(10)])
        touch("touchEnd", [])
        one.frames(8)
        moves_as_a_replay_of_its_take(one)
        assert one.seat.session.refused == {}


def test_a_phones_sensors_act_as_a_replay_of_the_tape_does(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.SCOPE) as one:
        one.tab.evaluate(PAD)
        one.tab.evaluate("pad.buttons[6] = { value: 1, pressed: true }; push([0, 0, 0, 0], 'standard')")
        one.tab.evaluate(
            """() => { for (let k = 0; k < 20; k += 1) dispatchEvent(new DeviceMotionEvent("devicemotion", {
              rotationRate: { alpha: 20, beta: 5, gamma: -30 }, accelerationIncludingGravity: { x: 0, y: 9.8, z: 1 } })); }"""
        )
        one.frames(3)
        for _ in range(6):
            one.tab.evaluate(
                """() => dispatchEvent(new DeviceMotionEvent("devicemotion", { rotationRate: { alpha: 5, beta: 2,
                  gamma: -40 }, accelerationIncludingGravity: { x: 0, y: 9.8, z: 1 } }))"""
            )
            one.frames(1)
        one.reach(lambda: abs(one.axes["yaw_total"]) > 0.05)
        one.frames(8)
        moves_as_a_replay_of_its_take(one)


HEADSET = """() => {
  const place = (x, yaw) => {
    const [c, s] = [Math.cos(yaw), Math.sin(yaw)];
    return { position: { x, y: 1.7, z: 0 }, orientation: { x: 0, y: Math.sin(yaw / 2), z: 0, w: Math.cos(yaw / 2) },
      matrix: new Float32Array([c, 0, -s, 0, 0, 1, 0, 0, s, 0, c, 0, x, 1.7, 0, 1]) };
  };
  const eye = (side) => ({ side, transform: place(worn.x + 0.03 * side * Math.cos(worn.yaw), worn.yaw),
    projectionMatrix: new Float32Array([1, 0, 0, 0, 0, 1, 0, 0, 0, 0, -1, -1, 0, 0, -0.2, 0]) });
  const button = () => ({ value: 0, pressed: false });
  const hand = (handedness) => ({ handedness, targetRaySpace: handedness,
    gamepad: { mapping: "xr-standard", axes: [0, 0, 0, 0], buttons: [...Array(6)].map(button) } });
  window.worn = { x: 0, yaw: 0, hands: [hand("left"), hand("right")] };
  const frame = { getViewerPose: () => ({ transform: place(worn.x, worn.yaw), views: [eye(-1), eye(1)] }), getPose: () => ({ transform: place(0.2, 0) }) };
  const ends = [];
  const session = { inputSources: window.worn.hands, requestReferenceSpace: async () => "floor",
    requestAnimationFrame: (step) => requestAnimationFrame((t) => ends.length && step(t, frame)), cancelAnimationFrame() {},
    updateRenderState() {}, addEventListener: (what, done) => { if (what === "end") ends.push(done); }, removeEventListener() {},
    end: async () => ends.splice(0).forEach((done) => done({})) };
  WebGL2RenderingContext.prototype.makeXRCompatible = async () => {};
  delete window.XRWebGLBinding;
  window.XRWebGLLayer = class {
    framebuffer = null;
    constructor(_, gl) { [this.framebufferWidth, this.framebufferHeight] = [gl.canvas.width, gl.canvas.height]; }
    getViewport({ side }) { const w = this.framebufferWidth / 2; return { x: side < 0 ? 0 : w, y: 0, width: w, height: this.framebufferHeight }; }
  };
  const xr = { isSessionSupported: async () => true, requestSession: async () => session, addEventListener() {} };
  Object.defineProperty(navigator, "xr", { value: xr, configurable: true });
}"""


def put_on(one: Felt) -> None:
    """Enter a made-up headset, and wait until the session's view is that of its head."""
    one.tab.add_init_script(f"({HEADSET})()")
    one.tab.reload()
    one.until("!document.querySelector('#headset').hidden")
    one.tab.get_by_role("button", name="enter the headset").click()
    one.until("document.querySelector('#headset').textContent === 'leave the headset'")
    one.reach(lambda: abs(one.seat.shown["pose"][1] - 1.7 - land.BOARD) < 0.01)


def test_a_headset_and_its_hands_act_as_a_replay_of_the_tape_does(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.HIDE) as one:
        put_on(one)
        one.tab.evaluate("dispatchEvent(new Event('blur'))")  # a window behind a headset may lose the focus
        one.tab.evaluate(
            "worn.yaw = -0.5; worn.hands[1].gamepad.axes[2] = 1; worn.hands[0].gamepad.axes[3] = -1"
        )
        one.reach(lambda: one.axes["yaw"] != 0.0 and one.walked > 0.02)
        assert abs(one.axes["yaw"]) == pytest.approx(30.0)
        one.tab.evaluate("worn.hands[1].gamepad.axes[2] = 0; worn.hands[0].gamepad.axes[3] = 0")
        one.frames(10)
        # the tape itself belongs to the page's thread
        kept = moves_as_a_replay_of_its_take(one).table
        assert {"host.head.x", "host.head.qw"} <= set(kept["signal"])
        # it is taken off, and lets go
        one.tab.evaluate("worn.hands[0].gamepad.axes[3] = -1")
        one.reach(lambda: one.axes["move_y"] != 0.0)
        one.tab.get_by_role("button", name="leave the headset").click()
        one.reach(lambda: one.axes["move_y"] == 0.0)


def test_a_headset_sees_the_marsh_from_the_sessions_view(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.HIDE, drawn=True) as one:
        put_on(one)
        one.until("felt.marsh.renderer.xr.isPresenting")
        # turned about by the stick, and with a head that looks elsewhere and has stepped aside
        one.tab.evaluate("Object.assign(worn, { x: 0.3, yaw: 0.4 }); worn.hands[1].gamepad.axes[2] = 1")
        one.reach(lambda: one.axes["yaw"] != 0.0)
        one.tab.evaluate("worn.hands[1].gamepad.axes[2] = 0")
        one.frames(12)
        seen = one.tab.evaluate(
            "() => { const eyes = felt.marsh.renderer.xr.getCamera().cameras.map((eye) => eye.matrixWorld.elements);"
            " return eyes[0].map((value, k) => (value + eyes[1][k]) / 2); }"
        )
        x, y, z, *turned = one.seat.shown["pose"][:7]
        assert seen[12:15] == pytest.approx([x, y, z], abs=1e-4)
        assert [-one for one in seen[8:11]] == pytest.approx(
            Rotation.from_quat(turned).apply([0, 0, -1]), abs=1e-4
        )
        assert one.tab.evaluate("felt.marsh.counts.calls") > 2 * 5
        one.tab.get_by_role("button", name="leave the headset").click()
        one.until("!felt.marsh.renderer.xr.isPresenting")
        one.frames(3)


def test_a_headset_that_is_refused_says_so(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.HIDE) as one:
        one.tab.add_init_script(f"({HEADSET})()")
        one.tab.add_init_script(
            "navigator.xr.requestSession = async () => { throw new Error('it is worn by another'); }"
        )
        one.tab.reload()
        one.until("!document.querySelector('#headset').hidden")
        one.tab.get_by_role("button", name="enter the headset").click()
        one.until("document.querySelector('#words').textContent.includes('it is worn by another')")


def test_how_a_phone_is_turned_acts_where_it_feels_nothing(browser: Browser, tmp_path: Path) -> None:
    with felt(browser, tmp_path, marsh.SCOPE) as one:
        one.tab.evaluate(PAD)
        one.tab.evaluate("pad.buttons[4] = { value: 1, pressed: true }")
        for k in range(8):
            one.tab.evaluate(
                "turn => dispatchEvent(new DeviceOrientationEvent('deviceorientation', { alpha: 0, beta: 20, gamma: turn }))",
                3 * k,
            )
            if k == 1:
                one.tab.evaluate("push([0, 0, 0, 0], 'standard')")
            one.frames(3)
        one.reach(lambda: abs(one.axes["yaw"]) > 2.0)
        one.frames(30)
        moves_as_a_replay_of_its_take(one)

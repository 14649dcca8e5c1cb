"""The hands of the demo: how each of its takes was made."""

from __future__ import annotations

from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from ..stand_ins import MouseHand
    from ..takes import Take

SEED = 7


def field_glasses() -> Take:
    """Make the take of the field glasses again: the hand behind `TAKE`."""
    from ..stand_ins import MouseHand

    hand = MouseHand(SEED)
    hand.rest(0.35)
    hand.aim(2.9, -0.5, width=0.4)  # a glance to where the tide line begins
    hand.rest(0.2)
    hand.press()  # glasses up
    hand.rest(0.18)
    # Along the tide line, flock by flock.
    for right, away in ((3.6, 0.25), (3.1, -0.2), (4.2, 0.15), (2.4, 0.1)):
        hand.aim(right, away)
        hand.rest(0.25)
    hand.aim(1.2, 12.0, width=0.8)  # a curlew goes up, higher than the glasses tilt
    hand.rest(0.15)
    hand.aim(-0.8, -4.0, width=0.4)  # and comes down again
    hand.rest(0.12)
    hand.release()
    hand.rest(0.2)
    hand.aim(-4.4, -1.1, width=0.5)  # back to the boardwalk
    hand.rest(0.2)
    hand.press()
    hand.rest(0.1)
    hand.aim(-2.0, 0.3)  # one last look at the creek
    hand.rest(0.15)
    hand.release()
    hand.rest(0.2)
    return hand.take(
        title="Field glasses along the tide line",
        made_by=f"a stand-in hand, seed {SEED}",
        device="mouse, 315 counts/cm, 1000 reports a second",
    )


def dyke() -> Take:
    """Make the take from the dyke again: the thumb behind `DYKE_TAKE`."""
    from ..stand_ins import Thumb

    thumb = Thumb(SEED)
    thumb.hold(0.8)  # at rest, which is not quite the centre
    thumb.push(0.95, 0.1)  # round to the creek, all the way out
    thumb.hold(0.9)
    thumb.push(0.35, -0.1)
    thumb.hold(0.3)
    thumb.push(0.0, 0.0)
    thumb.hold(0.4)
    thumb.set("pad.left_shoulder", 1.0)  # glasses up
    thumb.push(-0.3, 0.25, seconds=0.3)  # after a curlew, slowly
    thumb.hold(0.7)
    thumb.push(-0.55, 0.75, seconds=0.25)
    thumb.hold(1.1)
    thumb.push(0.0, 0.0)
    thumb.set("pad.left_shoulder", 0.0)
    thumb.hold(0.3)
    thumb.push(0.0, 1.0)  # up to the clouds, as far as it goes
    thumb.set("pad.left_trigger", 1.0)
    thumb.hold(0.8)
    thumb.push(-0.7, -0.7)
    thumb.set("pad.left_trigger", 0.0)
    thumb.hold(0.5)
    thumb.push(0.0, 0.0)
    thumb.hold(0.7)
    return thumb.take(
        title="Looking out from the dyke",
        made_by=f"a stand-in thumb, seed {SEED}",
        device="gamepad, 250 reports a second",
    )


def boardwalk() -> Take:
    """Make the take from the boardwalk again: the hand behind `BOARDWALK_TAKE`."""
    from ..stand_ins import MouseHand

    hand = MouseHand(SEED)
    hand.rest(0.3)
    hand.hold("key.KeyW", 1.2)  # along the boardwalk
    hand.aim(3.0, 0.4, width=0.5)  # to the first flock
    hand.press()  # glasses up for as long as the button is held
    _count(hand, 2)
    hand.rest(0.3)
    hand.release()
    hand.rest(0.3)
    hand.set("key.KeyW", 1.0)
    hand.hold("key.KeyE", 0.5)  # a turn by the keys, walking on
    hand.rest(0.4)
    hand.set("key.KeyW", 0.0)
    hand.rest(0.2)
    hand.hold("key.Space", 0.08)  # over the gap in the planks
    hand.rest(0.3)
    hand.set("choice.glassing", 1.0)  # the player would rather not hold it
    hand.hold("mouse.right", 0.09)
    hand.aim(-2.5, 0.2, width=0.4)
    _count(hand, 3)
    hand.hold("mouse.right", 0.09)
    hand.rest(0.3)
    hand.hold("key.KeyM", 0.07)  # where was that on the chart?
    hand.aim(1.5, -1.0, width=0.5)
    hand.hold("mouse.left", 0.08)  # a click on the chart counts no bird
    hand.hold("key.KeyF", 0.6)  # a note of it
    hand.hold("key.KeyM", 0.07)
    hand.rest(0.3)
    return hand.take(
        title="Counting from the boardwalk",
        made_by=f"a stand-in hand, seed {SEED}",
        device="mouse, 315 counts/cm, 1000 reports a second; a keyboard",
    )


def following() -> Take:
    """Make the take of the walk along the dyke again: the thumbs behind `FOLLOWING_TAKE`."""
    from ..stand_ins import Thumb, together

    left, right = Thumb(SEED, signal="pad.left_stick"), Thumb(SEED + 1)
    for thumb in (left, right):
        thumb.hold(0.4)
    left.push(0.05, 0.95, seconds=0.2)  # off along the dyke
    left.hold(2.2)
    left.push(-0.55, 0.7, seconds=0.25)  # around the pool
    left.hold(1.2)
    left.push(0.0, 0.0)
    left.hold(1.4)
    left.push(0.85, 0.0, seconds=0.3)  # sidestepping, with the glasses up
    left.hold(1.3)
    left.push(0.0, 0.0)
    left.hold(0.9)
    right.hold(0.9)
    right.push(0.6, 0.0, seconds=0.2)  # looking out to the right
    right.hold(0.6)
    right.push(0.0, 0.0)
    right.hold(0.7)
    right.push(-0.6, 0.35, seconds=0.2)
    right.hold(1.0)
    right.push(0.0, 0.0)
    right.set("pad.right_trigger", 0.9)  # nearer
    right.hold(0.6)
    right.set("pad.right_trigger", 0.0)
    right.set("pad.left_shoulder", 1.0)
    right.push(0.5, 0.2, seconds=0.3)
    right.hold(1.1)
    right.push(0.0, 0.0)
    right.set("pad.left_shoulder", 0.0)
    right.hold(0.4)
    right.set("pad.left_trigger", 1.0)  # and away
    right.hold(0.7)
    right.set("pad.left_trigger", 0.0)
    right.hold(0.8)
    return together(
        left,
        right,
        title="Following the warden along the dyke",
        made_by=f"two stand-in thumbs, seeds {SEED} and {SEED + 1}",
        device="gamepad, 250 reports a second",
    )


def chart() -> Take:
    """Make the take with the chart again: the hands behind `CHART_TAKE`."""
    from ..stand_ins import MouseHand, PointerHand, together

    looking, pointing = MouseHand(SEED), PointerHand(SEED + 1)
    pointing.set("host.screen.x", 1280.0)
    pointing.set("host.screen.y", 800.0)
    pointing.set("mouse.inside", 1.0)
    looking.rest(0.3)
    looking.set("key.KeyW", 1.0)  # off along the creek
    looking.aim(2.6, -0.2, width=0.4)
    looking.rest(0.5)
    looking.set("mouse.wheel.y", -1.0)  # the camera a little further back
    looking.rest(0.9)
    looking.set("key.KeyW", 0.0)
    looking.rest(0.5)
    pointing.rest(looking.elapsed)
    pointing.hold("key.KeyM", 0.08)  # where is that flock?
    pointing.rest(0.5)
    pointing.point(0.7, 0.62)  # on the sandbank over there
    pointing.rest(0.15)
    pointing.roll(3)
    pointing.rest(0.3)
    pointing.press("mouse.left")  # drag it nearer
    pointing.rest(0.08)
    pointing.point(0.35, 0.4)
    pointing.roll(1)
    pointing.rest(0.1)
    pointing.release("mouse.left")
    pointing.rest(0.3)
    pointing.hold("key.KeyE", 0.9)  # a turn of the chart
    pointing.point(0.995, 0.55)  # and off to the side by the rim
    pointing.rest(0.8)
    pointing.point(0.6, 0.5)
    pointing.roll(-4)
    pointing.rest(0.4)
    pointing.hold("key.KeyM", 0.08)  # and on
    looking.rest(pointing.elapsed - looking.elapsed + 0.4)
    pointing.rest(0.1)
    looking.set("key.KeyW", 1.0)
    looking.aim(-1.2, 0.1, width=0.4)
    looking.rest(0.8)
    looking.set("key.KeyW", 0.0)
    looking.rest(0.6)
    return together(
        looking,
        pointing,
        title="Out on the marsh with a chart",
        made_by=f"two stand-in hands, seeds {SEED} and {SEED + 1}",
        device="mouse, 315 counts/cm, 1000 reports a second; a pointer on 1280 by 800; a keyboard",
    )


def fingers() -> Take:
    """Make the take of the chart by touch again: the fingers behind `FINGERS_TAKE`."""
    from ..stand_ins import Fingers

    hand = Fingers(SEED, lost=0.03)  # as screens do
    hand.say("host.screen.x", 1280.0)
    hand.say("host.screen.y", 800.0)
    hand.rest(0.3)
    hand.land((0.7, 0.4))  # the creek a little nearer
    hand.move((0.4, 0.55), 0.7)
    hand.rest(0.15)
    hand.lift()
    hand.rest(0.3)
    hand.pinch((0.55, 0.5), 0.25, 0.7, 0.8)  # what is on that sandbank?
    hand.rest(0.3)
    hand.tap((0.55, 0.5))  # a flock: a mark
    hand.rest(0.4)
    hand.swipe((0.3, 0.4), (0.62, 0.47), 0.14)  # back along the tide line
    hand.rest(0.9)
    hand.tap((0.4, 0.6))
    hand.rest(0.3)
    hand.pinch((0.45, 0.5), 0.6, 0.15, 0.7)
    hand.rest(0.6)
    return hand.take(
        title="A chart under the fingers",
        made_by=f"stand-in fingers, seed {SEED}",
        device="a touch screen of 1280 by 800, 120 reports a second, of which it loses some",
    )


def scope() -> Take:
    """Make the take of the spotting scope again: the hand behind `SCOPE_TAKE`."""
    from ..stand_ins import Handheld

    hand = Handheld(SEED, rate=100, rate_scale=1.01, force_scale=1.03, jitter=0.2, lost=0.02)
    hand.walk(2.0, (0.0, -20.0, 2.0))  # along the boardwalk, the scope in the hand
    hand.turn(0.0, 4.0, 12.0, seconds=0.7)  # lifted, and held a little rolled
    hand.hold(0.3)
    hand.set("pad.left_trigger", 0.9)  # along the tide line
    hand.turn(28.0, 4.5, 12.0, seconds=1.1)
    hand.hold(0.4)
    hand.turn(36.0, 2.0, 11.0, seconds=0.5)
    hand.hold(0.7)  # a curlew, and a steady view of it
    hand.set("pad.left_trigger", 0.0)
    hand.turn(10.0, -24.0, 2.0, seconds=0.9)  # down to the lap: the view stays
    hand.hold(0.3)
    hand.set("pad.left_shoulder", 1.0)  # a look to the right and back
    hand.turn(10.0, -24.0, 24.0, seconds=0.6)
    hand.hold(0.4)
    hand.turn(10.0, -24.0, 6.0, seconds=0.5)
    hand.set("pad.left_shoulder", 0.0)
    hand.hold(0.5)
    hand.set("pad.right_shoulder", 1.0)  # and one up, at a harrier
    hand.turn(10.0, -4.0, 8.0, seconds=0.5)
    hand.hold(0.4)
    hand.set("pad.right_shoulder", 0.0)
    hand.hold(0.6)
    hand.turn(0.0, 0.0, 0.0, seconds=0.6)
    hand.rest(0.5)
    return hand.recorded(
        title="A spotting scope in the hand",
        made_by=f"a stand-in hand, seed {SEED}",
        device="a handheld, 100 uneven readings a second, some lost; its buttons",
    )


def hide() -> Take:
    """Make the take from the hide again: the head behind `HIDE_TAKE`."""
    from ..stand_ins import Head

    head = Head(SEED, lost=0.03, repeated=0.03)
    head.rest(0.4)
    head.look(25.0, -6.0)  # through the right-hand slot
    head.rest(0.4)
    head.stick("left_hand.stick", 0.1, 0.95)  # walk up to it: where the head looks
    head.rest(0.9)
    head.stick("left_hand.stick", 0.0, 0.0)
    head.rest(0.3)
    for _ in range(2):  # two snaps round to the next one
        head.stick("right_hand.stick", 0.96, 0.05)
        head.rest(0.16)
        head.stick("right_hand.stick", 0.0, 0.0)
        head.rest(0.34)
    head.look(-10.0, 4.0, seconds=0.6)
    head.pace(0.25, 0.3, seconds=0.9)  # a step aside, on one's own feet
    for _ in range(3):  # birds
        head.say("right_hand.trigger", 0.95)
        head.rest(0.12)
        head.say("right_hand.trigger", 0.0)
        head.rest(0.2)
    head.say("right_hand.grip", 0.9)  # along the tide line, slowly
    head.stick("right_hand.stick", -0.8, 0.0)
    head.look(-22.0, 0.0, seconds=1.0)
    head.rest(0.5)
    head.stick("right_hand.stick", 0.0, 0.0)
    head.say("right_hand.grip", 0.0)
    head.rest(0.4)
    head.stick("left_hand.stick", -0.9, 0.2)  # and along the wall
    head.rest(0.8)
    head.stick("left_hand.stick", 0.0, 0.0)
    head.rest(0.6)
    return head.take(
        title="In the observation hide",
        made_by=f"a stand-in head and hands, seed {SEED}",
        device="a headset, 90 poses a second, some lost or said twice; two hands",
    )


def _count(hand: MouseHand, birds: int) -> None:
    """Click once for each bird, moving on a little in between."""
    for _ in range(birds):
        hand.rest(0.12)
        hand.hold("mouse.left", 0.07)
        hand.aim(0.5, 0.05, width=0.3)

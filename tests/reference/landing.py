#!/usr/bin/env python3
"""Bounce and roll in vectors, from docs/physics.md written out anew: hops as parabolas under plain gravity that meet the inclined
plane, and the roll by small steps of a ball that rolls without slipping.

Run with Debian's python3-numpy:  /usr/bin/python3 tests/reference/landing.py > tests/reference/landing.json
"""
import json
import math

import numpy as np

R, G = 0.021335, 9.80665
TURF = {
    "soft": dict(spring=0.85, tilt=0.68, loss=0.194, hold=0.40),
    "medium": dict(spring=1.0, tilt=0.52, loss=0.145, hold=0.30),
    "firm": dict(spring=1.15, tilt=0.38, loss=0.11, hold=0.22),
}


def bounce(v, w, ground, turf):
    """v, w in the frame of the slope (ground normal is +z)."""
    level = np.array([v[0], v[1], 0.0])
    speed = np.linalg.norm(level)
    ahead = level / speed
    steep = math.degrees(math.atan2(-v[2], speed))
    tilt = min(math.radians(35), math.radians(turf["tilt"] * 15.4 * (np.linalg.norm(v) / 18.6) * (steep / 44.4)))
    n = math.cos(tilt) * np.array([0, 0, 1.0]) - math.sin(tilt) * ahead
    into = -v @ n
    e = min(0.6, turf["spring"] * (0.120 if into > 20 else 0.510 - 0.0375 * into + 0.000903 * into**2))
    contact = v + np.cross(w, -R * n)
    slip = contact - (contact @ n) * n
    normal = (1 + e) * into
    size = np.linalg.norm(slip)
    # Grips where friction suffices (a solid sphere: 2/7 of the slip), else slides.
    friction = -min(2 / 7 * size, 0.4 * normal) * slip / size
    out = v + normal * n + friction
    spin = w + np.cross(-R * n, friction) / (0.4 * R * R)
    keep = 1 - turf["loss"]
    return np.array([keep * out[0], keep * out[1], out[2]]), keep * spin


def roll(v, w, slope, turf):
    """Distance of a ball that has settled into rolling: the deceleration is taken where the roll begins, as the page says."""
    v = np.array([v[0], v[1]]) - 2 / 7 * np.array([v[0] - R * w[1], v[1] + R * w[0]])
    speed = np.linalg.norm(v)
    if speed == 0:
        return np.zeros(2)
    brake = 5 / 7 * G * max(0.05, turf["hold"] * math.cos(slope) + math.sin(slope) * v[0] / speed)
    dt, at, now = speed / brake / 20000, np.zeros(2), speed
    for _ in range(20000):
        at += v / speed * (now - brake * dt / 2) * dt
        now -= brake * dt
    return at


def run(case):
    turf, slope = TURF[case["turf"]], math.radians(case["slopeDeg"])
    turn = np.array([[math.cos(slope), 0, math.sin(slope)], [0, 1, 0], [-math.sin(slope), 0, math.cos(slope)]])
    v, w = turn @ np.array(case["velocity"]), turn @ np.array(case["spin"])
    gravity = turn @ np.array([0, 0, -G])
    at, states = np.zeros(2), []
    share, rebound = 1.0, None
    while True:
        v, w = bounce(v, w, turn, turf)
        if v[2] <= 0.5:
            if states and v[2] > 0:
                share = math.log(rebound / 0.5) / math.log(rebound / v[2])
            break
        rebound = v[2]
        states.append((at.copy(), v.copy(), w.copy()))
        # The parabola v t + g t²/2 meets the plane again where its part along the normal is nothing.
        t = -2 * v[2] / gravity[2]
        at = at + (v * t + gravity * t * t / 2)[:2]
        v = v + gravity * t
    end = at + roll(v, w, slope, turf)
    if share < 1:
        p, pv, pw = states[-1]
        before = p + roll(pv, pw, slope, turf)
        end = before + share * (end - before)
    return [math.cos(slope) * end[0], end[1]]


cases = []
for turf in TURF:
    for slope in (-8.0, 0.0, 6.0):
        for velocity, spin in (
            ((26.0, 0.0, -15.0), (0.0, -220.0, 0.0)),
            ((30.0, 4.0, -12.0), (10.0, -160.0, -40.0)),
            ((22.0, -3.0, -19.0), (-15.0, -260.0, 30.0)),
        ):
            cases.append(dict(turf=turf, slopeDeg=slope, velocity=velocity, spin=spin))
for case in cases:
    case["offset"] = run(case)
print(json.dumps(cases, indent=1))

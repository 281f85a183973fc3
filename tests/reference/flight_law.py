#!/usr/bin/env python3
"""The fit of drag and lift to the rows of tour-averages.csv and common-practice.csv: the forms tried, what each leaves over, and the
slopes of the one in use. Flights are windless, straight and level, by Runge-Kutta steps; nothing is shared with the project's own code.

Run with Debian's python3-scipy:  /usr/bin/python3 tests/reference/flight_law.py > tests/reference/flight_law.txt   (two minutes)
"""
import csv
import math
import pathlib

import numpy as np
from scipy.optimize import least_squares

MASS, RADIUS, GRAVITY, DECAY = 0.04593, 0.021335, 9.80665, 2e-5
MPH, YD = 0.44704, 0.9144
HERE = pathlib.Path(__file__).parent

# Rows of the trade: what CP01 to CP03 of common-practice.csv say in words. mph, launch, spin -> carry yd, apex yd, descent; 18 degC.
TRADE = [
    ("CP01", 18, 120, 12.6, 1600, 168, 40 / 3, 23, 0.012, 0.05, 2.5),
    ("CP02", 18, 170.5, 15, 2600, 298, 146 / 3, 45, 0.018, 0.05, 2.5),
    ("CP03", 18, 130, 15, 2700, None, 92 / 3, None, None, 0.09, None),
]


def tour():
    lines = [line for line in open(HERE / "tour-averages.csv") if not line.startswith("#")]
    for r in csv.DictReader(lines):
        # Carry counts with 0.8 %, apex with 2 %, descent with 0.85 degrees; of TA04 hardly more than its carry counts.
        odd = r["id"] == "TA04"
        yield (r["id"], 25, *(float(r[n]) for n in ("ball_speed_mph", "launch_deg", "spin_rpm", "carry_yd", "apex_yd", "descent_deg")),
               0.008, 0.2 if odd else 0.02, 6 if odd else 0.85)





def air(celsius, altitude=0.0):
    """Density kg/m3 at humidity 0.5 and viscosity Pa s (Sutherland), as in docs/physics.md."""
    p = 101325 * (1 - 2.25577e-5 * altitude) ** 5.25588
    vapour = 0.5 * 610.94 * math.exp(17.625 * celsius / (celsius + 243.04))
    kelvin = celsius + 273.15
    return (p - vapour) / (287.058 * kelvin) + vapour / (461.495 * kelvin), 1.458e-6 * kelvin**1.5 / (kelvin + 110.4)


def fly(law, p, mph, launch, spin, airs, dt=0.08):
    """Carry yd, apex yd, descent degrees of many flights at once."""
    rho, mu = np.array(airs).T
    k = rho * math.pi * RADIUS**2 / (2 * MASS)
    v, angle = np.array(mph, float) * MPH, np.radians(np.array(launch, float))
    y = np.array([0 * v, 0 * v, v * np.cos(angle), v * np.sin(angle), np.array(spin, float) * math.pi / 30])

    def rate(y):
        _, _, vx, vz, w = y
        u = np.hypot(vx, vz)
        cd, cl = law(p, w * RADIUS / u, rho * u * 2 * RADIUS / mu, u)
        return np.array([vx, vz, -k * u * (cd * vx + cl * vz), k * u * (cl * vx - cd * vz) - GRAVITY, -DECAY * w * u / RADIUS])

    apex, carry, descent = 0 * v, 0 * v, 0 * v
    down = np.zeros(len(v), bool)
    for _ in range(int(12 / dt)):
        a = rate(y)
        b = rate(y + dt / 2 * a)
        c = rate(y + dt / 2 * b)
        d = rate(y + dt * c)
        new = y + dt / 6 * (a + 2 * b + 2 * c + d)
        # The top of the cubic through both ends of the step, and the landing by the same cubic's chord and slope.
        rising = (y[3] > 0) & (new[3] <= 0)
        s = y[3] / np.where(y[3] == new[3], 1, y[3] - new[3])
        apex = np.where(rising, y[1] + y[3] * s * dt / 2, apex)
        hit = ~down & (new[1] <= 0)
        if hit.any():
            s = y[1] / np.where(y[1] == new[1], 1, y[1] - new[1])
            for _ in range(3):
                z = y[1] + y[3] * s * dt + (new[3] - y[3]) * dt * s * s / 2
                s = s - z / ((y[3] + (new[3] - y[3]) * s) * dt)
            vx, vz = y[2] + s * (new[2] - y[2]), y[3] + s * (new[3] - y[3])
            carry = np.where(hit, y[0] + s * dt * (y[2] + vx) / 2, carry)
            descent = np.where(hit, np.degrees(np.arctan2(-vz, vx)), descent)
            down |= hit
        y = new
        if down.all():
            break
    return carry / YD, apex / YD, descent


def law_of_0_2(p, s, re, u):
    return 0.1625 + 0.622 * s, np.minimum(0.5, 0.078 * (1 - np.exp(-s / 0.01)) + 0.885 * s)


def told():
    """What is told of rows that are held back, in words: with much spin the law up to 0.2 carries 4 to 6 % too far from 158 down to 123
    mph, and comes down 3 to 6 degrees too flat. Taken at four launches between, 4.2 % at 158 mph to 5.8 % at 123, 4.5 degrees."""
    for name, mph, launch, spin in [("W158", 158, 9.5, 3650), ("W146", 146, 10.5, 4400), ("W128", 128, 12, 4500), ("W123", 123, 13, 4650)]:
        c, a, d = (v[0] for v in fly(law_of_0_2, [], [mph], [launch], [spin], [air(25)], 0.02))
        yield name, 25, mph, launch, spin, c / (1.058 - 0.016 * (mph - 123) / 35), None, d + 4.5, 0.011, None, 1.4


ROWS = [*tour(), *TRADE, *told()]


def flown(law, p, rows, dt=0.08):
    return fly(law, p, *([r[i] for r in rows] for i in (2, 3, 4)), [air(r[1]) for r in rows], dt)


def steeper(law, p, dt=0.08):
    """CP06: by how much 3400 rpm come down steeper than 2270, at 140 mph and 13 degrees."""
    _, _, d = fly(law, p, [140, 140], [13, 13], [2270, 3400], [air(18)] * 2, dt)
    return d[1] - d[0]


def misses(p, law, prior, rows):
    out = []
    for r, c, a, d in zip(rows, *flown(law, p, rows)):
        out += [(c / r[5] - 1) / r[8]] if r[5] else []
        out += [(a / r[6] - 1) / r[9]] if r[6] else []
        out += [(d - r[7]) / r[10]] if r[7] else []
    out += [(steeper(law, p) - 6) / 1.0]
    out += [(value - middle) / sd for value, (middle, sd) in zip(p, prior)]
    return np.nan_to_num(np.array(out), nan=50.0)


def thin(re):
    return 1e5 / re


def hill(p, s):
    return p[2] * s / (s + p[3])


LIFT = [(0.5, 0.25), (0.2, 0.1)]


def slow(re):
    return 1e5 / (re + 3e4)


def root(p, s):
    return p[2] * s / np.sqrt(s + np.abs(p[3]))


# name: (law(p, S, Re, speed) -> CD, CL; start; prior (middle, SD) of each parameter, wide)
FORMS = {
    "in use up to 0.2: .1625 + .622 S; .078 (1 - e^(-S/.01)) + .885 S to .5": (law_of_0_2, [], []),
    "a + b S; saturating lift": (lambda p, s, re, u: (p[0] + p[1] * s, hill(p, s)), [0.18, 0.4, 0.4, 0.15], [(0.19, 0.1), (0.4, 0.6), *LIFT]),
    "a + b S^2; saturating lift": (lambda p, s, re, u: (p[0] + p[1] * s * s, hill(p, s)), [0.18, 2, 0.4, 0.15], [(0.19, 0.1), (2, 2), *LIFT]),
    "a + b S + c/Re; saturating lift": (
        lambda p, s, re, u: (p[0] + p[1] * s + p[4] * thin(re), hill(p, s)), [0.18, 0.4, 0.4, 0.15, 0.02],
        [(0.19, 0.1), (0.4, 0.6), *LIFT, (0, 0.1)]),
    "a + b S + c/Re^2; saturating lift": (
        lambda p, s, re, u: (p[0] + p[1] * s + p[4] * thin(re) ** 2, hill(p, s)), [0.18, 0.4, 0.4, 0.15, 0.02],
        [(0.19, 0.1), (0.4, 0.6), *LIFT, (0, 0.1)]),
    "a + b S + c S/Re; saturating lift": (
        lambda p, s, re, u: (p[0] + (p[4] + p[1] * thin(re)) * s, hill(p, s)), [0.18, 0.6, 0.4, 0.15, 0.0],
        [(0.19, 0.1), (0.4, 0.6), *LIFT, (0, 0.8)]),
    "a + b S/Re; saturating lift": (
        lambda p, s, re, u: (p[0] + p[1] * thin(re) * s, hill(p, s)), [0.18, 0.6, 0.4, 0.15], [(0.19, 0.1), (0.4, 0.6), *LIFT]),
    "a + b S (36 m/s)/u; saturating lift": (
        lambda p, s, re, u: (p[0] + p[1] * 36 / u * s, hill(p, s)), [0.18, 0.6, 0.4, 0.15], [(0.19, 0.1), (0.4, 0.6), *LIFT]),
    "a + b S/(Re + 3e4); saturating lift": (
        lambda p, s, re, u: (p[0] + p[1] * slow(re) * s, hill(p, s)), [0.18, 0.8, 0.4, 0.15], [(0.19, 0.1), (0.8, 0.6), *LIFT]),
    "a + b S/(Re + 3e4); lift a power of S": (
        lambda p, s, re, u: (p[0] + p[1] * slow(re) * s, p[2] * s ** p[3]), [0.18, 0.8, 0.6, 0.5],
        [(0.19, 0.1), (0.8, 0.6), (0.54, 0.3), (0.5, 0.2)]),
    "a + b S/(S + s) + c/Re; saturating lift": (
        lambda p, s, re, u: (p[0] + p[1] * s / (s + p[4]) + p[5] * thin(re), hill(p, s)), [0.15, 0.4, 0.4, 0.15, 0.3, 0.02],
        [(0.19, 0.1), (0.4, 0.6), *LIFT, (0.4, 0.3), (0, 0.1)]),
    "a + b CL^2 + c/Re; saturating lift": (
        lambda p, s, re, u: (p[0] + p[4] * thin(re) + p[1] * hill(p, s) ** 2, hill(p, s)), [0.12, 1.5, 0.5, 0.2, 0.05],
        [(0.15, 0.1), (1.5, 1), *LIFT, (0, 0.1)]),
    "a + b CL^2/(Re + 3e4); saturating lift": (
        lambda p, s, re, u: (p[0] + p[1] * slow(re) * hill(p, s) ** 2, hill(p, s)), [0.15, 2, 0.5, 0.2], [(0.15, 0.1), (2, 2), *LIFT]),
    "a + b CL^2/(Re + 3e4); lift S/sqrt(S + s) (in use)": (
        lambda p, s, re, u: (p[0] + p[1] * slow(re) * root(p, s) ** 2, root(p, s)), [0.18, 2.4, 0.5, 0.01],
        [(0.19, 0.1), (2, 2), (0.5, 0.3), (0.02, 0.02)]),
}


def table(law, p):
    for r, c, a, d in zip(ROWS, *flown(law, p, ROWS, 0.02)):
        carry = f"carry {c:6.1f} yd ({100 * (c / r[5] - 1):+.1f} %)" if r[5] else f"carry {c:6.1f} yd         "
        descent = f"descent {d:4.1f} ({d - r[7]:+.1f})" if r[7] else f"descent {d:4.1f}"
        apex = f"apex {a:5.1f} yd ({100 * (a / r[6] - 1):+.1f} %)" if r[6] else f"apex {a:5.1f} yd         "
        print(f"    {r[0]}  {carry}  {apex}  {descent}")


def slopes(law, p):
    print(f"    CP06  {steeper(law, p, 0.02):.1f} degrees steeper")
    print("    yd of carry for:    1 mph   100 rpm  1 deg   10 degC  500 m")
    for mph, launch, spin in [(167, 10.9, 2686), (140, 13.2, 2611), (120, 12.6, 1600)]:
        cases = [(mph, launch, spin, 18, 0), (mph + 1, launch, spin, 18, 0), (mph, launch, spin + 100, 18, 0), (mph, launch + 1, spin, 18, 0),
                 (mph, launch, spin, 28, 0), (mph, launch, spin, 18, 500)]
        c = fly(law, p, *([q[i] for q in cases] for i in range(3)), [air(*q[3:]) for q in cases], 0.02)[0]
        print(f"    {mph:5.1f}/{launch}/{spin}  " + "".join(f"{v - c[0]:+8.2f}" for v in c[1:]))


for name, (law, start, prior) in FORMS.items():
    p = least_squares(misses, start, args=(law, prior, ROWS)).x if start else np.array([])
    print(f"{name}\n  parameters {np.round(p, 4).tolist()}, sum of squares {np.sum(misses(p, law, prior, ROWS) ** 2):.1f}")
    table(law, p)
    slopes(law, p)
    if start:
        for left in ("TA01", "TA02", "TA03"):
            rest = [r for r in ROWS if r[0] != left]
            q = least_squares(misses, start, args=(law, prior, rest)).x
            row = [r for r in ROWS if r[0] == left]
            c, a, d = (v[0] for v in flown(law, q, row, 0.02))
            print(f"    fitted without {left}: carry {100 * (c / row[0][5] - 1):+.1f} %, apex {a - row[0][6]:+.1f} yd, descent {d - row[0][7]:+.1f}")
    print()

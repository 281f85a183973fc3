"""Reference for the sleeve geometry, made with scipy.spatial.transform.Rotation (independent of the PHP code). Run: python3 tests/reference/sleeve.py > tests/reference/sleeve.json

Head frame: x to the target, y from toe to heel, z up. Shaft s0 = (0, cos L, sin L), e = (0, -sin L, cos L); a tilt tau at clock phi turns s0 toward
sin(phi) x + cos(phi) e by tau. Two rings: the second ring's turn, then the first's. Soled: yaw until the shaft's azimuth is back; squared: then turn about the
shaft until the face looks at the target. Found here by numerical root finding on the rotated face normal.
"""
import json

import numpy as np
from scipy.optimize import brentq
from scipy.spatial.transform import Rotation as R

rng = np.random.default_rng(20261123)
cases = []
for i in range(60):
    loft, lie, face = rng.uniform(7.5, 13), rng.uniform(55, 61), rng.uniform(-1.5, 1.5)
    tilts = [(rng.uniform(0.2, 1.8), rng.uniform(0, 360)) for _ in range(1 + i % 2)]
    l = np.radians(lie)
    s0 = np.array([0, np.cos(l), np.sin(l)])
    s = s0.copy()
    for tau, phi in reversed(tilts):
        p = np.radians(phi)
        toward = np.sin(p) * np.array([1, 0, 0]) + np.cos(p) * np.array([0, -np.sin(l), np.cos(l)])
        axis = np.cross(s0, toward)
        s = R.from_rotvec(np.radians(tau) * axis / np.linalg.norm(axis)).apply(s)
    yaw = np.arctan2(s[0], s[1])  # back to azimuth 0 about z
    normal = np.array([np.cos(np.radians(loft)) * np.cos(np.radians(face)), -np.cos(np.radians(loft)) * np.sin(np.radians(face)), np.sin(np.radians(loft))])
    turn = R.from_rotvec([0, 0, yaw])
    shaft, soled = turn.apply(s), turn.apply(normal)
    assert abs(shaft[0]) < 1e-12
    squared = R.from_rotvec(shaft * brentq(lambda a: R.from_rotvec(shaft * a).apply(soled)[1], -0.5, 0.5, xtol=1e-14)).apply(soled)
    cases.append({
        "loftDeg": loft, "lieDeg": lie, "faceOpenDeg": face, "tilts": tilts,
        "lie": float(np.degrees(np.arcsin(shaft[2]))),
        "soledFaceOpenDeg": float(np.degrees(np.arctan2(-soled[1], soled[0]))),
        "squaredLoftDeg": float(np.degrees(np.arcsin(squared[2]))),
    })
print(json.dumps(cases, indent=0))

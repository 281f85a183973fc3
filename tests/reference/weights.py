"""Reference for mass, CG and inertia with weights in, by numpy on point masses and the head's tensor. Run: python3 tests/reference/weights.py > tests/reference/weights.json"""
import json

import numpy as np

rng = np.random.default_rng(417)
cases = []
for _ in range(25):
    mass, cg = rng.uniform(170, 200), np.array([-rng.uniform(25, 42), -rng.uniform(-3, 3), rng.uniform(-6, 0)])  # x target, y toe to heel, z up, mm
    d = np.diag(rng.uniform([2200, 2600, 4000], [3000, 3900, 5200]))
    d[0, 1] = d[1, 0] = rng.uniform(-120, 120)
    weights = [(float(rng.integers(2, 16)), [float(v) for v in (rng.uniform(-40, 40), rng.uniform(5, 110), rng.uniform(-18, -4))]) for _ in range(3)]  # g; toe, back, up
    points = [(g, np.array([-back, -toe, up])) for g, (toe, back, up) in weights]
    total = mass + sum(g for g, _ in points)
    centre = (mass * cg + sum(g * p for g, p in points)) / total

    def shift(m, r):
        r = (r - centre) / 10
        return m * (np.dot(r, r) * np.eye(3) - np.outer(r, r))

    tensor = d + shift(mass, cg) + sum(shift(g, p) for g, p in points)
    cases.append({"massG": mass, "cg": [-cg[1], -cg[0], cg[2]], "inertia": d.tolist(), "weights": weights, "totalG": total, "centre": [-centre[1], -centre[0], centre[2]], "tensor": tensor.tolist()})
print(json.dumps(cases, indent=0))

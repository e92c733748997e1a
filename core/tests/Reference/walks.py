#!/usr/bin/env python3
"""Makes walks.json: ten sets of places with the length of their shortest open walk, proved by integer programming.

The open walk is a round trip through one more place that is no distance from any other; subtours are cut off until none
is left (scipy.optimize.milp, HiGHS), so the length is the optimum to the solver's gap of 1e-6.
Run: python3 walks.py > walks.json   (scipy, numpy from Debian)
"""
import itertools
import json
import sys

import numpy
import scipy
from scipy.optimize import Bounds, LinearConstraint, milp


def shortest(points):
    n = len(points) + 1
    edges = list(itertools.combinations(range(n), 2))
    cost = [0.0 if j == n - 1 else float(numpy.hypot(*(points[i] - points[j]))) for i, j in edges]
    index = {e: k for k, e in enumerate(edges)}
    rows, low, high = [], [], []
    for v in range(n):
        row = numpy.zeros(len(edges))
        for e in edges:
            if v in e:
                row[index[e]] = 1
        rows.append(row), low.append(2), high.append(2)
    while True:
        found = milp(cost, constraints=LinearConstraint(numpy.array(rows), low, high), integrality=numpy.ones(len(edges)),
                     bounds=Bounds(0, 1), options={"mip_rel_gap": 1e-6})
        used = [e for e in edges if found.x[index[e]] > 0.5]
        left, tours = set(range(n)), []
        while left:
            tour, stack = set(), [left.pop()]
            while stack:
                v = stack.pop()
                tour.add(v)
                stack += [w for e in used if v in e for w in e if w not in tour]
            left -= tour
            tours.append(tour)
        if len(tours) == 1:
            return found.fun
        for tour in tours:
            row = numpy.zeros(len(edges))
            for e in itertools.combinations(sorted(tour), 2):
                row[index[e]] = 1
            rows.append(row), low.append(-numpy.inf), high.append(len(tour) - 1)


rng = numpy.random.default_rng(12)
sets = []
for n in (12, 15, 20, 20, 25, 30, 30, 40, 50, 60):
    points = numpy.round(rng.uniform(0, 300, (n, 2)) * (1, 0.3 + 0.7 * rng.random()), 2)
    sets.append({"places": points.tolist(), "shortest": shortest(points)})
json.dump({"made_with": f"scipy {scipy.__version__}", "sets": sets}, sys.stdout)

#!/usr/bin/env python3
"""Makes rings.json: whether closed rings on a small grid touch or cross themselves, and whether two rings cross, by shapely.

The grid is small, so that corners on edges, edges on edges and spikes that run back are common.
Run: python3 rings.py > rings.json   (shapely from Debian)
"""
import json
import random
import sys

import shapely
from shapely.geometry import LinearRing, LineString

random.seed(41)


def ring(size, corners):
    while True:
        points = [(random.randint(0, size), random.randint(0, size)) for _ in range(corners)]
        if all(points[i] != points[i - 1] for i in range(corners)) and len(set(points)) > 2:
            return points


def edges(points):
    return [LineString([points[i - 1], points[i]]) for i in range(len(points))]


def proper(one, other):
    """Do two edges cross at a point inside of both?"""
    return one.crosses(other) and not any(end.intersects(edge) for edge, far in ((one, other), (other, one)) for end in far.boundary.geoms)


alone = []
for _ in range(700):
    points = ring(random.choice([3, 4, 6, 9]), random.randint(3, 7))
    alone.append({"ring": points, "simple": bool(LinearRing(points).is_simple)})
both = []
for _ in range(300):
    one, other = ring(6, random.randint(3, 5)), ring(6, random.randint(3, 5))
    both.append({"one": one, "other": other, "cross": any(proper(a, b) for a in edges(one) for b in edges(other))})

json.dump({"made_with": f"shapely {shapely.__version__}", "alone": alone, "both": both}, sys.stdout)
print()

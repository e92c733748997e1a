#!/usr/bin/env python3
"""Makes long-walks.json: twenty sets of 10 to 400 places, even, in clumps and on a grid, with the length of the best open walk known.

The open walk is a round trip through one more place that is no distance from any other, over the edges to the 10 nearest
places of each and those of the Delaunay triangulation. Subtours are cut off by least cuts of the relaxation (scipy.sparse.csgraph.maximum_flow), then by whole
numbers (scipy.optimize.milp, HiGHS, to a gap of 0.5 %). `best` is the walk that was found, `bound` what none over these
edges can be shorter than.
Run: python3 long_walks.py > long-walks.json   (scipy, numpy from Debian; half an hour)
"""
import json
import sys

import numpy
import scipy
from scipy.optimize import Bounds, LinearConstraint, milp
from scipy.sparse import csr_matrix, lil_matrix, vstack
from scipy.sparse.csgraph import connected_components, maximum_flow
from scipy.spatial import Delaunay, cKDTree

NEAREST = 10


def solve(points):
    n = len(points) + 1
    _, near = cKDTree(points).query(points, k=min(NEAREST + 1, n - 1))
    corners = {(int(t[a]), int(t[b])) for t in Delaunay(points).simplices for a in range(3) for b in range(3) if t[a] < t[b]}
    edges = sorted(corners | {(int(min(i, j)), int(max(i, j))) for i, row in enumerate(near) for j in row if i != j} | {(i, n - 1) for i in range(n - 1)})
    cost = numpy.array([0.0 if j == n - 1 else float(numpy.hypot(*(points[i] - points[j]))) for i, j in edges])
    ends = numpy.array(edges)
    degree = lil_matrix((n, len(edges)))
    for k, (i, j) in enumerate(edges):
        degree[i, k] = degree[j, k] = 1
    rows, low, high = [degree.tocsr()], [2.0] * n, [2.0] * n

    def ask(whole):
        return milp(cost, constraints=LinearConstraint(vstack(rows).tocsr(), low, high), bounds=Bounds(0, 1),
                    integrality=numpy.full(len(edges), whole), options={"mip_rel_gap": 0.005, "time_limit": 240})

    def cut(inside):
        row = lil_matrix((1, len(edges)))
        mask = numpy.zeros(n, bool)
        mask[list(inside)] = True
        row[0, numpy.flatnonzero(mask[ends[:, 0]] != mask[ends[:, 1]])] = 1
        rows.append(row.tocsr()), low.append(2.0), high.append(numpy.inf)

    def subtours(x):
        used = x > 1e-6
        count, label = connected_components(csr_matrix((numpy.ones(used.sum()), (ends[used, 0], ends[used, 1])), (n, n)), directed=False)
        return [numpy.flatnonzero(label == c) for c in range(count)] if count > 1 else []

    bound = 0.0
    for _ in range(60):
        found = ask(0)
        bound = found.fun
        parts = subtours(found.x)
        if not parts:
            used = found.x > 1e-6
            capacity = numpy.round(found.x[used] * 1_000_000).astype(numpy.int32)
            a, b = ends[used, 0], ends[used, 1]
            graph = csr_matrix((numpy.r_[capacity, capacity], (numpy.r_[a, b], numpy.r_[b, a])), (n, n))
            for target in range(n - 1):
                flow = maximum_flow(graph, n - 1, target)
                if flow.flow_value < 1_990_000:
                    rest = graph - (flow.flow if hasattr(flow, "flow") else flow.residual)
                    rest.data[rest.data < 1] = 0
                    rest.eliminate_zeros()
                    order = scipy.sparse.csgraph.breadth_first_order(rest, n - 1, return_predecessors=False)
                    parts = [order]
                    break
        if not parts:
            break
        for part in parts:
            cut(part)
    while True:
        found = ask(1)
        if found.x is None:
            return None, bound
        parts = subtours(found.x)
        if not parts:
            return float(found.fun), bound
        for part in parts:
            cut(part)


rng = numpy.random.default_rng(40)
sets = []
for k, n in enumerate((10, 14, 24, 36, 48, 70, 80, 90, 100, 110, 120, 140, 150, 180, 200, 240, 280, 320, 360, 400)):
    if k % 3 == 1:
        middles = rng.uniform(40, 260, (max(2, n // 20), 2))
        points = middles[rng.integers(0, len(middles), n)] + rng.normal(0, 14, (n, 2))
    elif k % 3 == 2:
        side = int(numpy.ceil(numpy.sqrt(n)))
        points = numpy.array([(12.0 * (i % side), 12.0 * (i // side)) for i in range(n)]) + rng.uniform(-3, 3, (n, 2))
    else:
        points = rng.uniform(0, 300, (n, 2)) * (1, 0.3 + 0.7 * rng.random())
    points = numpy.unique(numpy.round(points, 2), axis=0)
    best, bound = solve(points)
    print(n, best, bound, file=sys.stderr, flush=True)
    if best is not None:
        sets.append({"places": points.tolist(), "best": round(best, 4), "bound": round(bound, 4)})
json.dump({"made_with": f"scipy {scipy.__version__}", "sets": sets}, sys.stdout)

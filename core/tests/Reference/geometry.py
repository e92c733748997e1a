#!/usr/bin/env python3
"""Makes geometry.json: geodesic areas by pyproj (GeographicLib) and usable ground by shapely, for the tests of the core.

Run: python3 geometry.py > geometry.json   (pyproj, shapely, numpy from Debian)
"""
import json
import math
import sys

import numpy
import pyproj
import shapely
from shapely.geometry import LineString, Point, Polygon, mapping
from shapely.ops import transform

geod = pyproj.Geod(ellps="WGS84")


def ring(lon, lat, metres):
    """A ring laid out in metres about a place, in degrees."""
    proj = pyproj.Proj(proj="laea", lon_0=lon, lat_0=lat, ellps="WGS84")
    return [list(proj(x, y, inverse=True)) for x, y in metres]


def area(rings):
    total = abs(geod.polygon_area_perimeter(*zip(*rings[0]))[0])
    return total - sum(abs(geod.polygon_area_perimeter(*zip(*hole))[0]) for hole in rings[1:])


square = [(-200, -200), (200, -200), (200, 200), (-200, 200), (-200, -200)]
wedge = [(-300, -120), (40, -260), (310, 90), (120, 280), (-90, 150), (-300, -120)]
hole = [(-60, -40), (50, -50), (40, 60), (-60, -40)]
areas = []
for name, lon, lat, rings in [
    ("square at the equator", 10, 0, [square]),
    ("square at 42.9 north", -76.281, 42.915, [square]),
    ("square at 69 north", 19, 69, [square]),
    ("square across the date line", 180, -17, [square]),
    ("wedge with a hole at 52 north", 0.2, 52.1, [wedge, hole]),
    ("wedge at 38 south", 145, -38, [wedge]),
]:
    degrees = [[[(x + 180) % 360 - 180, y] for x, y in ring(lon, lat, r)] for r in rings]
    areas.append({"name": name, "geometry": {"type": "Polygon", "coordinates": degrees}, "area_m2": area(degrees)})
# One degree by one degree at the equator, as any geodesic calculator gives it.
quad = [[[0, 0], [1, 0], [1, 1], [0, 1], [0, 0]]]
areas.append({"name": "one small fifth of a degree", "geometry": {"type": "Polygon", "coordinates": [[[0, 0], [0.2, 0], [0.2, 0.2], [0, 0.2], [0, 0]]]},
              "area_m2": area([[[0, 0], [0.2, 0], [0.2, 0.2], [0, 0.2], [0, 0]]])})

usable = []
lon, lat = -76.281, 42.915
proj = pyproj.Proj(proj="laea", lon_0=lon, lat_0=lat, ellps="WGS84")
for name, ground, away, distance, edge in [
    ("margin only", Polygon(wedge), None, 0, 12),
    ("road along the west", Polygon(wedge), LineString([(-330, -300), (-220, 300)]), 91.44, 0),
    ("road and margin", Polygon(wedge), LineString([(-330, -300), (-220, 300)]), 91.44, 10),
    ("spot in the middle", Polygon(square), Point(20, -30), 60, 5),
    ("building with a hole", Polygon(square, [hole]), Polygon([(100, 100), (160, 100), (160, 150), (100, 150)]), 15, 8),
]:
    left = ground.buffer(-edge, resolution=256) if edge else ground
    if away is not None:
        left = left.difference(away.buffer(distance, resolution=256))

    def back(x, y):
        return proj(x, y, inverse=True)

    usable.append({
        "name": name,
        "boundary": mapping(transform(back, ground)),
        "away": None if away is None else mapping(transform(back, away)),
        "distance_m": distance, "edge_m": edge,
        "usable_m2": left.area,
    })

legs = []
rng = numpy.random.default_rng(4)
for _ in range(12):
    a = (float(rng.uniform(-179, 179)), float(rng.uniform(-65, 65)))
    bearing, metres = float(rng.uniform(0, 360)), float(rng.uniform(2, 900))
    lon2, lat2, _ = geod.fwd(a[0], a[1], bearing, metres)
    legs.append({"from": list(a), "to": [lon2, lat2], "metres": metres, "bearing": bearing})

json.dump({
    "made_with": f"python {sys.version.split()[0]}, pyproj {pyproj.__version__}, shapely {shapely.__version__}",
    "areas": areas, "usable": usable, "legs": legs,
}, sys.stdout, indent=1)

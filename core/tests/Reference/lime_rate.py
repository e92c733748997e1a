"""Freezes 400 seeded cases of lime by four schools, reckoned here from the formulas alone: python3 lime_rate.py > lime_rate.json

SMP by numpy's interpolation in two steps, the rest in plain arithmetic; no code is shared with the program.
"""
import json
import random

import numpy

ROWS = json.load(open(__file__.rsplit('/', 3)[0] + '/data/lime-smp.json'))['rows']
BUFFERS = [row[0] for row in ROWS][::-1]
TABLE = {7.0: [r[1] for r in ROWS][::-1], 6.5: [r[2] for r in ROWS][::-1], 6.0: [r[3] for r in ROWS][::-1]}


def smp(ph, b, t, d):
    if not 6.0 <= t <= 7.0 or b < 4.8:
        return None
    at = [numpy.interp(min(b, 6.8), BUFFERS, TABLE[column]) for column in (6.0, 6.5, 7.0)]
    return float(numpy.interp(t, [6.0, 6.5, 7.0], at))


def mehlich(ph, b, t, d):
    if t > 6.6:
        return None
    return 0.0 if b >= 6.6 else (6.6 - b) / 0.25 * (t - ph) / (6.6 - ph)


def h(x):
    return (5.55 - numpy.sqrt(5.55 ** 2 - 9.08 * (7.79 - x))) / 4.54


def adams_evans(ph, b, t, d):
    if not (4.398 <= ph <= 7.79 and 4.398 <= t <= 7.79):
        return None
    return 0.0 if b >= 8 else float(6 * (8 - b) * (1 - h(t) / h(ph)))


def capacity(ph, c, t, d):
    return 0.3 * c * (t - ph) * d / 2000


SCHOOLS = {'smp': (smp, 8, 0.6525, (4.8, 6.8)), 'mehlich': (mehlich, 8, 0.6525, (-99, 6.6)), 'adams_evans': (adams_evans, 20 / 3, 2 / 3, (-99, 8)), 'capacity': (capacity, None, 1, (-1e9, 1e9))}
random.seed(20260906)
cases = []
for _ in range(400):
    one = {'ph': round(random.uniform(4.2, 6.6), 2), 'target': random.choice([5.5, 6.0, 6.3, 6.5, 6.6, 6.8, 7.0, 7.2]), 'bottom_in': random.choice([4, 6, 8, 10]), 'mixed_in': random.choice([None, 3, 6, 7]),
           'cce': random.choice([60, 90, 100, 109, 135]), 'p8': random.choice([80, 95, 100]), 'p60': random.choice([20, 50, 80]), 'moisture': random.choice([0, 0, 5, 20]),
           'u_ph': random.choice([0, 0.06, 0.15]), 'u_buffer': random.choice([0, 0.05, 0.1])}
    school = random.choice(list(SCHOOLS))
    reading = {'smp': random.uniform(4.6, 7.1), 'mehlich': random.uniform(5.0, 6.8), 'adams_evans': random.uniform(7.0, 8.1), 'capacity': random.uniform(200, 3000)}[school]
    one |= {'school': school, 'reading': round(reading, 3 if school != 'capacity' else 0)}
    rate, d0, e0, (low, high) = SCHOOLS[school]
    ph, t = one['ph'], one['target']
    if ph >= t:
        continue
    d = min(one['bottom_in'], one['mixed_in'] or 1e9)
    e = one['cce'] / 100 * (one['p8'] + one['p60']) / 200 * (1 - one['moisture'] / 100)

    def product(ph_, b):
        own = 0.0 if ph_ >= t else rate(ph_, b, t, d)
        return None if own is None else own * (d / d0 if d0 else 1) * e0 / e

    p = product(ph, one['reading'])
    if p is None:
        cases.append(one | {'tons': None})
        continue
    held = lambda x: min(max(x, low), high)
    ub = 0 if school == 'capacity' else abs(product(ph, held(one['reading'] - 2 * one['u_buffer'])) - product(ph, held(one['reading'] + 2 * one['u_buffer']))) / 2
    floor = 4.398 if school == 'adams_evans' else -99
    up = 0 if school == 'smp' else abs(product(max(floor, ph - 2 * one['u_ph']), one['reading']) - product(min(t, ph + 2 * one['u_ph']), one['reading'])) / 2
    u = float(numpy.sqrt(ub ** 2 + up ** 2))
    at_most = school == 'smp' and one['reading'] > 6.8
    now = min(p, p / (t - ph), 4)
    cases.append(one | {'tons': p, 'interval': [0 if at_most else max(0, p - u), p + u], 'now': now, 'later': p - now, 'at_most': at_most})
print(json.dumps(cases))

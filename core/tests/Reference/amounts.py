"""Freezes seeded cases of mixes, responses and screenings: python3 amounts.py > amounts.json (needs NumPy and SciPy).

Mixes by scipy.optimize.linprog, stage by stage, each stage held as a constraint, and the fewest products by trying all sets of
them; responses by scipy.stats.ttest_ind (Welch); screenings by scipy.stats.t. No code is shared with the program.
"""
import itertools
import json
import random

import numpy as np
from scipy import optimize, stats

random.seed(20261012)
NUTRIENTS = ['n', 'p2o5', 'k2o', 's', 'mg', 'lime']


def stages(need, never, products):
    n, names = len(products), list(need)
    width = n + 2 * len(names)
    a, b = [], []
    for i, nutrient in enumerate(names):
        row = np.zeros(width)
        row[:n] = [p.get(nutrient, 0) / 100 for p in products]
        row[n + i] = -1
        row[n + len(names) + i] = 1
        a.append(row)
        b.append(need[nutrient])
    bounds = [(0, p.get('most')) for p in products]
    bounds += [(0, 0 if need[x] == 0 or x in never else None) for x in names] + [(0, None)] * len(names)
    short, over, cost = np.zeros(width), np.zeros(width), np.zeros(width)
    for i, nutrient in enumerate(names):
        if need[nutrient] > 0:
            short[n + len(names) + i] = 1 / need[nutrient]
            over[n + i] = 1 / need[nutrient] if nutrient not in never else 0
    cost[:n] = [p['cost'] for p in products]
    values, kept, right = [], [], []
    for aim in (short, over, cost):
        found = optimize.linprog(aim, A_ub=np.array(kept) if kept else None, b_ub=right or None, A_eq=np.array(a), b_eq=b, bounds=bounds, method='highs')
        if found.status != 0:
            # Held too tightly for this solver's tolerance: the stages before are let out by a hair.
            found = optimize.linprog(aim, A_ub=np.array(kept), b_ub=[x + 1e-7 for x in right], A_eq=np.array(a), b_eq=b, bounds=bounds, method='highs')
        assert found.status == 0, found.message
        values.append(float(found.fun))
        kept.append(aim)
        right.append(found.fun + 1e-9 * max(1, abs(found.fun)))
    return values, found.x[:n]


def mix():
    k = random.randint(2, 6)
    products = []
    for i in range(k):
        grades = {x: random.choice([0, 0, 0, 5, 10, 18, 20, 46, 60]) for x in NUTRIENTS}
        while sum(v for x, v in grades.items() if x != 'lime') > 100:
            grades[random.choice(NUTRIENTS)] = 0
        products.append({'name': f'product {i}', 'cost': random.choice([0, 0.02, 0.1, 0.3, 0.35, 0.5]), **{x: v for x, v in grades.items() if v}, **({'most': random.choice([10, 50, 100])} if random.random() < 0.2 else {})})
    need = {x: random.choice([0, 20, 46, 60, 100]) for x in random.sample(NUTRIENTS, random.randint(1, 4))}
    never = [x for x in need if random.random() < 0.3]
    values, amounts = stages(need, never, products)
    fewest = k
    for size in range(k + 1):
        if any(all(f <= v + 1e-5 * max(1, abs(v)) for f, v in zip(stages(need, never, list(some))[0], values)) for some in itertools.combinations(products, size)) if size else all(v2 <= v + 1e-5 * max(1, abs(v)) for v2, v in zip([sum(1 for x in need if need[x] > 0), 0, 0], values)):
            fewest = size
            break
    return {'problem': {'need': need, 'never_above': never, 'products': products}, 'values': values, 'fewest': fewest}


def response():
    treated = [round(random.gauss(0.6, 0.2), 3) for _ in range(random.randint(2, 8))]
    control = [round(random.gauss(0.1, 0.15), 3) for _ in range(random.randint(2, 8))]
    test = stats.ttest_ind(treated, control, equal_var=False)
    vt, vc = np.var(treated, ddof=1) / len(treated), np.var(control, ddof=1) / len(control)
    se, df = float(np.sqrt(vt + vc)), float((vt + vc) ** 2 / (vt ** 2 / (len(treated) - 1) + vc ** 2 / (len(control) - 1)))
    d = float(np.mean(treated) - np.mean(control))
    assert abs(test.statistic - d / se) < 1e-9
    two = stats.t.ppf(0.975, df)
    return {'treated': treated, 'control': control, 'difference': d, 'se': se, 'df': df, 'interval': [d - two * se, d + two * se], 'power': float((two + stats.t.ppf(0.8, df)) * se)}


def screen():
    values = [round(float(np.exp(random.gauss(4, random.choice([0.2, 0.9])))), 2) for _ in range(random.randint(3, 20))]
    n, mean, sd, log_sd = len(values), float(np.mean(values)), float(np.std(values, ddof=1)), float(np.std(np.log(values), ddof=1))
    reach = float(stats.t.ppf(0.95, n - 1) * sd / np.sqrt(n))
    wide = float(np.sqrt(1 / 0.05 - 1) * sd / np.sqrt(n)) if log_sd > 0.5 else 0
    return {'values': values, 'ucl': mean + max(reach, wide), 'lcl': mean - reach, 'log_sd': log_sd}


print(json.dumps({'mixes': [mix() for _ in range(500)], 'responses': [response() for _ in range(60)], 'screens': [screen() for _ in range(60)]}))

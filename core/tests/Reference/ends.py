"""Evidence with clusters, resolution and limits at both ends, worked anew with NumPy and SciPy from the formulas of the command-line
contract. Prints cases and what they give; kept as ends.json."""
import json
import numpy as np
from scipy import stats

rng = np.random.default_rng(2711)


def effect(values, clusters):
    if clusters is None:
        return 1.0
    values = np.asarray(values, float)
    names = sorted(set(clusters))
    n, k = len(values), len(names)
    if k == n:
        return 1.0
    groups = [values[[c == name for c in clusters]] for name in names]
    m0 = sum(len(g) ** 2 for g in groups) / n
    icc = 0.05
    if k > 1:
        msw = sum(((g - g.mean()) ** 2).sum() for g in groups) / (n - k)
        msb = sum(len(g) * (g.mean() - values.mean()) ** 2 for g in groups) / (k - 1)
        n0 = (n - m0) / (k - 1)
        below = msb + (n0 - 1) * msw
        if below > 0:
            icc = min(1.0, max(0.05, (msb - msw) / below))
    return 1 + (m0 - 1) * icc


def lower(hits, n, conf):
    return 0.0 if hits <= 0 else float(stats.beta.ppf(1 - conf, hits, n - hits + 1))


def upper(hits, n, conf):
    return 1.0 if hits >= n else float(stats.beta.ppf(conf, hits + 1, n - hits))


def assess(x, y, clusters, limits, allowable, required, conf):
    x, y = np.asarray(x), np.asarray(y)
    n, alpha = len(x), 1 - conf
    d, m = y - x, (x + y) / 2
    deff = effect(d, clusters)
    fit = stats.linregress(m, d)
    residuals = d - fit.intercept - fit.slope * m
    s = np.sqrt((residuals ** 2).sum() / (n - 2))
    df = n / deff - 2
    ends = None
    if df >= 1:
        ends = []
        for share in (0.1, 0.9):
            at = float(np.percentile(m, 100 * share))
            h = deff * (1 / n + (at - m.mean()) ** 2 / ((m - m.mean()) ** 2).sum())
            fitted = fit.intercept + fit.slope * at
            q = lambda p: s * np.sqrt(h) * stats.nct.ppf(p, df, 1.96 / np.sqrt(h))
            inner, outer = q(alpha / 4), q(1 - alpha)
            ends.append([at, fitted, fitted - 1.96 * s, fitted + 1.96 * s, fitted - outer, fitted - inner, fitted + inner, fitted + outer])
    spread = stats.linregress(m, np.abs(residuals)).pvalue
    hits = (np.abs(d) <= allowable + 1e-9).astype(float)
    w = effect(hits, clusters)
    within = [int(hits.sum()), n, lower(hits.sum() / w, n / w, conf), upper(hits.sum() / w, n / w, conf)]
    k = None if clusters is None else len(set(clusters))
    few = k is not None and k < 3
    reach = lambda e, i: e[i]
    if n < 5:
        rate = 'untested'
    elif ends is None or few:
        rate = 'open'
    elif any(e[6] > allowable + 1e-9 or e[5] < -allowable - 1e-9 for e in ends) and within[3] < 0.95:
        rate = 'falls'
    elif all(e[7] <= allowable + 1e-9 and e[4] >= -allowable - 1e-9 for e in ends) and within[2] >= required - 1e-9 and spread >= 1 - conf:
        rate = 'stands'
    else:
        rate = 'open'
    side = lambda v: sum(round(v, 9) >= limit for limit in limits)
    asked, got = [side(v) for v in x], [side(v) for v in y]
    agree = np.array([float(a == b) for a, b in zip(asked, got)])
    e = effect(agree, clusters)
    if clusters is not None and k > 1 and k < n:
        e *= (stats.t.ppf(conf, k - 1) / stats.t.ppf(conf, n - 1)) ** 2
    a, eff = agree.sum() / e, n / e
    classes = len(limits) + 1
    passing, refuted = True, False
    for c in range(classes):
        own = [i for i in range(n) if asked[i] == c]
        hit = int(agree[own].sum())
        passing &= len(own) > 0 and hit >= np.floor(required * len(own) + 1e-9) and sum(stats.binom.pmf(range(hit, len(own) + 1), len(own), 0.5)) <= 0.125 + 1e-12
        if own:
            oe = effect(agree[own], None if clusters is None else [clusters[i] for i in own])
            refuted |= upper(hit / oe, len(own) / oe, 1 - alpha / (2 * classes)) < required - 1e-9
    bounds = [lower(a, eff, conf), upper(a, eff, conf)]
    if n < 5:
        sort = 'untested'
    elif few:
        sort = 'open'
    elif bounds[0] >= required - 1e-9 and passing:
        sort = 'stands'
    elif refuted or upper(a, eff, 1 - alpha / 2) < required - 1e-9:
        sort = 'falls'
    else:
        sort = 'open'
    return {'effective': eff, 'bounds': bounds, 'ends': ends, 'spread_p': float(spread), 'within': within, 'sort': sort, 'rate': rate}


cases = []
for i in range(240):
    n = int(rng.integers(4, 60))
    x = np.round(rng.uniform(4.8, 8.0, n), 2)
    size = int(rng.integers(1, 8))
    clusters = None if i % 3 == 0 else [f'day {j // size}' for j in range(n)]
    shift = rng.normal(0, rng.choice([0, 0.05, 0.2]), n)
    common = np.array([shift[j // size] for j in range(n)])
    y = np.round(x + common + rng.normal(0, rng.choice([0.02, 0.08, 0.3]), n) * (1 + (i % 5 == 0) * (x - 4.8)), 3)
    if i % 7 == 0:
        y = np.round(y + 0.5, 3)
    allowable, required, conf = float(rng.choice([0.1, 0.3, 0.6])), float(rng.choice([0.6, 0.8, 0.9])), float(rng.choice([0.9, 0.95]))
    asked = {'x': x.tolist(), 'y': y.tolist(), 'clusters': clusters, 'limits': [6.0, 7.3], 'allowable': allowable, 'required': required, 'confidence': conf}
    cases.append({'asked': asked, 'found': assess(asked['x'], asked['y'], clusters, asked['limits'], allowable, required, conf)})
print(json.dumps(cases))

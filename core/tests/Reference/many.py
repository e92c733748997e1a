# Makes many-scipy.json: what SciPy says of bounds, intervals and bets, for the tests of the core.
# Run: /usr/bin/python3 many.py > many-scipy.json   (SciPy from Debian)
import json, random
import scipy
from scipy import stats, special, optimize

random.seed(20261126)
bounds, bets, limits, spreads = [], [], [], []
for _ in range(300):
    n = random.randint(1, 400)
    k = random.randint(0, n)
    conf = random.choice([0.8, 0.9, 0.95, 0.99])
    a = 1 - conf
    bounds.append([k, n, conf, 0.0 if k == 0 else stats.beta.ppf(a, k, n - k + 1), 1.0 if k == n else stats.beta.ppf(1 - a, k + 1, n - k)])

def log_bet(k, n, p):
    # logarithm of the mean over (p, 1) of q^k (1-q)^(n-k) / (p^k (1-p)^(n-k))
    return float(stats.beta.logsf(p, k + 1, n - k + 1) + special.betaln(k + 1, n - k + 1) - special.log1p(-p) - special.xlogy(k, p) - special.xlog1py(n - k, -p))

for _ in range(300):
    n = random.randint(1, 400)
    k = random.randint(1, n)
    conf = random.choice([0.9, 0.95, 0.99])
    need = -special.log1p(-conf)
    f = lambda p: log_bet(k, n, p) - need
    lo, hi = 1e-12, k / n
    bound = 0.0 if f(lo) < 0 else (hi if hi < 1 and f(hi) >= 0 else optimize.brentq(f, lo, min(hi, 1 - 1e-12), xtol=1e-13))
    p = random.uniform(max(0.02, k / n - 0.25), min(0.98, k / n + 0.2))  # further out SciPy's tail is no double any more
    if abs(log_bet(k, n, p)) < float('inf'):
        bets.append([k, n, conf, bound, p, log_bet(k, n, p)])
for n, conf in [(n, c) for n in (2, 3, 5, 8, 13, 21, 34, 55, 89, 144, 377) for c in (0.9, 0.95, 0.99)]:
    q = [float(stats.nct.ppf(p, n - 1, 1.96 * n ** 0.5)) for p in ((1 - conf) / 2, (1 + conf) / 2)]
    if all(abs(v) < float('inf') for v in q):
        limits.append([n, conf, *q])
    spreads.append([n, conf, float(stats.chi2.ppf((1 - conf) / 2, n)), float(stats.chi2.ppf((1 + conf) / 2, n)), float(stats.t.ppf((1 + conf) / 2, n))])
print(json.dumps({"made_with": f"SciPy {scipy.__version__}", "bounds": bounds, "bets": bets, "limits": limits, "spreads": spreads}))

"""Values that the specs of core/trend compare with, from a general-purpose statistics system (numpy, scipy; Debian's python3-scipy).

Nothing here is run by the tests; run it by hand and compare: python3 scripts/independent/trend.py
"""
from itertools import permutations

import numpy as np
from scipy import optimize, stats

days = np.array([0, 7, 10, 28, 35, 63, 64, 90], float)
values = np.array([30, 33, 31.5, 36, 35, 41, 40, 43.5])
errors = np.array([3, 3, 2, 3, 3, 3, 2, 3], float)


def s_of(y):
    return sum(np.sign(y[j] - y[i]) for i in range(len(y)) for j in range(i + 1, len(y)))


print("Mann-Kendall, exact, by all orders of the values")
for y in ([30, 31, 33, 34, 36], [30, 31, 31, 34, 36], [30, 30, 31, 34, 34, 36], [5, 7, 6, 6, 8, 9, 9]):
    seen = abs(s_of(y))
    orders = list(permutations(y))
    print(y, "S", s_of(y), "p", sum(abs(s_of(o)) >= seen for o in orders) / len(orders))
print("kendalltau exact without ties", stats.kendalltau(range(5), [30, 31, 33, 34, 36], method="exact").pvalue)
print("kendalltau exact, n 8", stats.kendalltau(days, [30, 33, 31.5, 36, 35, 41, 40, 43.5], method="exact").pvalue)

print("\nWeighted line, known errors (scipy.optimize.curve_fit, absolute sigma)")
fit, cov = optimize.curve_fit(lambda x, a, b: a + b * x, days, values, sigma=errors, absolute_sigma=True)
print("level at day 0", fit[0], "slope", fit[1], "se of slope", np.sqrt(cov[1, 1]))

print("\nVariance beyond the errors, by moments: trace of W - WX(X'WX)^-1X'W")
odd = values + np.array([9, -9, 9, -9, 9, -9, 9, -9])
W = np.diag(1 / errors**2)
X = np.column_stack([np.ones(8), days])
P = W - W @ X @ np.linalg.inv(X.T @ W @ X) @ X.T @ W
print("process", (odd @ P @ odd - 6) / np.trace(P))

print("\nWhen the line meets 60, 90 %: days at which the best line through (day, 60) is worse by 1.645^2 at most (chi-square)")


def worse(day, goal):
    # The best line that passes the goal on that day has one free number, its slope.
    def chi(b):
        return np.sum(((values - goal - b * (days - day)) / errors) ** 2)

    return optimize.minimize_scalar(chi).fun - np.sum(((values - fit[0] - fit[1] * days) / errors) ** 2)


limit = stats.norm.ppf(0.95) ** 2
middle = (60 - fit[0]) / fit[1]
print("early", optimize.brentq(lambda d: worse(d, 60) - limit, 60, middle), "late", optimize.brentq(lambda d: worse(d, 60) - limit, middle, 2000))

print("\nLocal level with q = 0.5 a day: smoothed values as the mean of a normal given the readings (flat start)")
q = 0.5
walk = q * np.minimum.outer(days, days) + 1e9
total = walk + np.diag(errors**2)
mean = values.mean()
level = mean + walk @ np.linalg.solve(total, values - mean)
variance = np.diag(walk - walk @ np.linalg.solve(total, walk))
print("levels", level.round(5), "sd", np.sqrt(np.abs(variance)).round(4))

print("\nAveraged over drifts of 0 to 1.5 errors a week, in 16 steps, by likelihood")


def given(q):
    walk = q * np.minimum.outer(days - days[0], days - days[0])
    # Differences from the first reading: its unknown level is gone.
    d = values[1:] - values[0]
    A = np.column_stack([-np.ones(7), np.eye(7)])
    C = A @ (walk + np.diag(errors**2)) @ A.T
    flat = walk + 1e6
    total = flat + np.diag(errors**2)
    level = mean + flat @ np.linalg.solve(total, values - mean)
    variance = np.diag(flat - flat @ np.linalg.solve(total, flat))
    return stats.multivariate_normal(cov=C).logpdf(d), level, variance


unit = np.sqrt(np.mean(errors**2))
found = [given((1.5 * unit * i / 16) ** 2 / 7) for i in range(17)]
weights = np.exp(np.array([f[0] for f in found]) - max(f[0] for f in found))
weights /= weights.sum()
level = sum(w * f[1] for w, f in zip(weights, found))
variance = sum(w * (f[2] + (f[1] - level) ** 2) for w, f in zip(weights, found))
print("levels", level.round(3), "half bands", (1.96 * np.sqrt(variance)).round(3))

"""Values that the specs of core/measuring/reliability compare with (numpy, scipy; Debian's python3-scipy). Run by hand."""
import numpy as np
from scipy import stats

table = np.array([[9, 2, 5, 8], [6, 1, 3, 2], [8, 4, 6, 8], [7, 1, 2, 6], [10, 5, 6, 9], [6, 2, 4, 7]], float)


def squares(t):
    n, k = t.shape
    m = t.mean()
    between = k * ((t.mean(1) - m) ** 2).sum()
    raters = n * ((t.mean(0) - m) ** 2).sum()
    rest = ((t - m) ** 2).sum() - between - raters
    return n, k, between / (n - 1), raters / (k - 1), rest / ((n - 1) * (k - 1))


def two_one(t):
    n, k, b, j, e = squares(t)
    r = (b - e) / (b + (k - 1) * e + k * (j - e) / n)
    fj = j / e
    v = ((n - 1) * (k - 1) * (k * r * fj + n * (1 + (k - 1) * r) - k * r) ** 2) / (
        (n - 1) * k**2 * r**2 * fj**2 + (n * (1 + (k - 1) * r) - k * r) ** 2
    )
    low, high = stats.f.ppf(0.975, n - 1, v), stats.f.ppf(0.975, v, n - 1)
    return (
        r,
        n * (b - low * e) / (low * (k * j + (k * n - k - n) * e) + n * b),
        n * (high * b - e) / (k * j + (k * n - k - n) * e + n * high * b),
    )


print("ICC(2,1) of Shrout & Fleiss", two_one(table))
five = np.array([[20, 24], [31, 29], [44, 47], [38, 33], [52, 55]], float)
print("ICC(2,1) of five clients", two_one(five))
n, k, b, j, e = squares(five)
f = b / e
low, high = f / stats.f.ppf(0.975, n - 1, n - 1), f * stats.f.ppf(0.975, n - 1, n - 1)
print("ICC(3,1)", (f - 1) / (f + 1), (low - 1) / (low + 1), (high - 1) / (high + 1))
print("SEM", e**0.5, "MDC95 by t", stats.t.ppf(0.975, n - 1) * 2**0.5 * e**0.5)

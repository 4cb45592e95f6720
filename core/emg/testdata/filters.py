# Writes scipy.json: what SciPy makes of random signals, for filter_test.go. Run by hand with Debian's python3-scipy:
#   python3 filters.py > scipy.json
import json
import numpy
import scipy
from scipy import signal

r = numpy.random.default_rng(20261129)
cases = []
for rate, low, high, n in [(1000, 20, 450, 300), (2000, 20, 450, 260), (1500, 10, 400, 200)]:
    x = r.normal(size=n) * 100 + 40
    band = signal.butter(4, [low, high], btype="band", fs=rate, output="sos")
    soft = signal.butter(4, 6, btype="low", fs=rate, output="sos")
    b, a = signal.iirnotch(50, 30, fs=rate)
    y = signal.sosfiltfilt(band, x)
    cases.append({
        "rate": rate, "low": low, "high": high, "x": x.tolist(), "band": y.tolist(),
        "envelope": signal.sosfiltfilt(soft, numpy.abs(y)).tolist(),
        "notch": signal.sosfiltfilt(signal.tf2sos(b, a), x).tolist(),
    })
print(json.dumps({"scipy": scipy.__version__, "cases": cases}))

package muscle

import (
	"math"

	"dialarc/core/nnls"
)

// rows are the joint axes at which arm torques are shared out: three at the shoulder along the humerus' axes, two at the
// girdle, one at the elbow. The leg uses the first two, for hip and knee.
//
// Activations a >= 0 minimise Σ (Fmax/500) a² + Σ w reserve² under Σ a C + reserve = needed (static optimisation, after
// Crowninshield & Brand 1981, J Biomech 14:793-801; weighting by force makes the answer independent of how a muscle is cut
// into strands). With a scaled to b = a sqrt(Fmax/500) and the rows by sqrt(w) that is nnls.Ridge. There is no upper bound on
// a, so that shares do not depend on the size of the load.
const rows = nnls.Rows

type vector = nnls.Vector

// forceLength is how much of its force a fibre has at a length over its optimal one (Thelen 2003, J Biomech Eng 125:70-77).
func forceLength(l float64) float64 { return math.Exp(-(l - 1) * (l - 1) / 0.45) }

// forceRef is the force by which the cost of an activation is scaled, N.
const forceRef = 500

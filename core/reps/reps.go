// Package reps relates a load to how often it goes.
//
// What goes n times with r left in reserve goes once when it is 1 + (n + r)/30 times as heavy: Epley 1985 (Boyd Epley Workout, from
// memory), for two repetitions or more. It is a rule of thumb for a dozen repetitions or so; beyond Most nothing is predicted by it.
package reps

// Most is the number of repetitions, those in reserve counted, above which nothing is predicted (common practice, no source).
const Most = 20

// Hard is the largest reserve with which a set counts as hard (common practice, no source).
const Hard = 4

// Once is how many times as heavy a load that goes n times, those in reserve counted, may be to go once; 1 for fewer than two.
func Once(n float64) float64 {
	if n < 2 {
		return 1
	}
	return 1 + n/30
}

// At is how often a load goes that may be so many times as heavy to go once; less than 2 where the rule says nothing.
func At(factor float64) float64 { return 30 * (factor - 1) }

// Band is what a set of n repetitions, those in reserve counted, says of what goes once when the count of what was left is off by one
// either way: factors on the load.
func Band(n float64) (low, high float64) { return Once(max(0, n-1)), Once(n + 1) }

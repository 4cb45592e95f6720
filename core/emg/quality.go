package emg

import (
	"fmt"
	"math"

	"gonum.org/v1/gonum/stat"
)

// Finding is something about a channel that matters for what can be made of it.
type Finding struct {
	Key  string  `json:"key" enum:"silent,saturated,hum,loose,artefact,reps,strongest"`
	From float64 `json:"from,omitempty" doc:"s, where it is only there."`
	To   float64 `json:"to,omitempty" doc:"s."`
	Text string  `json:"text"`
}

// What makes a channel bad (own, but where noted).
const (
	silentBelow  = 5.0   // µV, root mean square in the band: amplifiers alone have two or three
	flatTop      = 0.95  // of the largest value, above which a sample lies at the top
	flatTopShare = 0.01  // of samples there: of a normal distribution next to none
	humShare     = 0.10  // of the power, that a narrow notch takes away: of muscles alone two of a hundred
	slowBelow    = 15.0  // Hz: muscles have little there, moving electrodes and cables much
	slowRMS      = 120.0 // µV, from which it is not the skin's own slow drift
	slowWindow   = 0.25  // s
	looseFor     = 1.0   // s, from which a channel counts as loose rather than touched
	quietSeconds = 0.5   // that two stretches may be apart to be one
	secondsOfHum = 10.0  // that are enough to tell it
)

// judge says what is wrong with a channel, from its samples less their mean and from what the band-pass leaves of them; hum is the
// frequency of the mains in it, 0 for none.
func judge(raw, band []float64, rate, hum float64) []Finding {
	var out []Finding
	power := meanSquare(band)
	if math.Sqrt(power) < silentBelow {
		return []Finding{{Key: "silent", Text: "Silent: less than the noise of an amplifier. No electrode, or none that touches."}}
	}
	moved := slow(raw, rate)
	if hum > 0 {
		out = append(out, Finding{Key: "hum", Text: fmt.Sprintf("Mains hum at %.0f Hz, taken out by a notch.", hum)})
	} else if saturated(apart(raw, rate, moved)) {
		return append(out, Finding{Key: "saturated", Text: "Saturated: the amplifier ended, so the peaks are cut off. Turn its gain down."})
	}
	return append(out, moved...)
}

// apart is a signal without the stretches in which something moved.
func apart(x []float64, rate float64, moved []Finding) []float64 {
	if len(moved) == 0 {
		return x
	}
	var out []float64
	from := 0
	for _, f := range moved {
		out = append(out, x[from:max(from, min(len(x), int(f.From*rate)))]...)
		from = min(len(x), int(f.To*rate))
	}
	return append(out, x[from:]...)
}

func meanSquare(x []float64) float64 {
	sum := 0.0
	for _, v := range x {
		sum += v * v
	}
	return sum / float64(max(1, len(x)))
}

// humOf is the frequency of the mains if a notch there takes more away than there is of a muscle, else 0.
func humOf(band []float64, rate, mains float64) float64 {
	some := band[:min(len(band), int(secondsOfHum*rate))]
	whole := meanSquare(some)
	for _, f := range mainsOf(mains) {
		if f < rate/2 && 1-meanSquare(bothWays(notch(f, notchQuality, rate), some))/whole > humShare {
			return f
		}
	}
	return 0
}

func mainsOf(f float64) []float64 {
	if f > 0 {
		return []float64{f}
	}
	return []float64{50, 60}
}

func saturated(raw []float64) bool {
	top, n := 0.0, 0
	for _, x := range raw {
		top = max(top, math.Abs(x))
	}
	for _, x := range raw {
		if math.Abs(x) > flatTop*top {
			n++
		}
	}
	return float64(n) > flatTopShare*float64(len(raw))
}

// slow finds where something moves that is no muscle.
func slow(raw []float64, rate float64) []Finding {
	low := bothWays(lowPass(2, slowBelow, rate), raw)
	window := max(1, int(slowWindow*rate))
	var out []Finding
	from, to := -1.0, -1.0
	end := func() {
		if from < 0 {
			return
		}
		f := Finding{Key: "artefact", From: from, To: to, Text: fmt.Sprintf("A cable or electrode was moved at %.1f s; the filter takes most of it out.", from)}
		if to-from >= looseFor {
			f.Key, f.Text = "loose", fmt.Sprintf("Came loose from %.0f to %.0f s.", from, to)
		}
		out, from = append(out, f), -1
	}
	for at := 0; at+window <= len(low); at += window {
		part := low[at : at+window]
		if math.Sqrt(meanSquare(part)) < slowRMS {
			continue
		}
		t := float64(at) / rate
		if from >= 0 && t-to > quietSeconds {
			end()
		}
		if from < 0 {
			from = t
		}
		to = t + float64(window)/rate
	}
	end()
	return out
}

// without is a signal less its mean.
func without(x []float64) []float64 {
	mean := stat.Mean(x, nil)
	out := make([]float64, len(x))
	for i, v := range x {
		out[i] = v - mean
	}
	return out
}

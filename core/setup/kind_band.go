package setup

import (
	"fmt"

	"dialarc/core/quantity"
)

// RubberC1 and RubberC2 are constants of natural rubber, Pa, in the law of RubberStress: they fit the simple extension data of Treloar 1944
// (Trans. Faraday Soc. 40:59-70,
// from memory) within 6% up to x = 2.5.
const (
	RubberC1 = 0.086e6
	RubberC2 = 0.136e6
)

// RubberStress is the nominal stress of natural rubber in simple extension, Pa, at a stretch ratio x; 0 up to x = 1.
func RubberStress(x float64) float64 {
	if x <= 1 {
		return 0
	}
	return 2 * (x - 1/(x*x)) * (RubberC1 + RubberC2/x)
}

// RubberAtDouble is the pull per section, N/m², of a band of natural rubber at twice its length by that law.
const RubberAtDouble = 2 * (2 - 0.25) * (RubberC1 + RubberC2/2)

var band = Kind{Name: Band, From: FromAnchor, Line: "band", End: "end of the band", With: "with a band", Needs: "band", Holds: worn, Simple: true,
	Scale: scaleBand, AtHand: bandAtHand, Complete: completeBand, Check: checkBand}

func scaleBand(l *Load, factor float64) {
	l.Section *= factor
	for k := range l.Pull {
		l.Pull[k].Force *= factor
	}
}

// bandAtHand counts a band at twice its length.
func bandAtHand(l *Load) float64 {
	return RubberAtDouble * l.Section * float64(max(1, l.Strands)) / quantity.Gravity
}

// completeBand starts a new band crossed behind the back, at knee height (own).
func completeBand(l *Load, mass, across float64) {
	l.Strands = max(1, l.Strands)
	l.Section = mass * quantity.Gravity / RubberAtDouble / float64(l.Strands)
	if l.Anchor == nil {
		l.Anchor = &Point{X: 0, Y: 0.41, Z: across}
	}
	if l.RestLength == 0 {
		l.RestLength = 0.70
	}
}

func checkBand(v *Checks, path string, l *Load) {
	v.place(path+".anchor", "anchor", l.Anchor)
	v.Field(loadRows, path+".restLength", "band's length at rest", l.RestLength, "m", "Its stretch is counted from there.")
	v.Field(loadRows, path+".attachmentLength", "length of the attachment", l.AttachmentLength, "m", "")
	v.Field(loadRows, path+".hysteresis", "loss on the way back", l.Hysteresis, "", "It is the share of the pull that the rubber keeps.")
	v.Field(loadRows, path+".strands", "number of strands", float64(l.Strands), "", "")
	if len(l.Pull) == 0 {
		v.Field(loadRows, path+".section", "section of a strand", l.Section, "m²", "Nothing was measured, so the pull is computed from it.")
		return
	}
	v.Count(loadRows, path+".pull", "measurements", len(l.Pull), "")
	v.BandPoints(path+".pull", l.Pull)
}

// BandPoints checks the measurements of a band: two or more, longer and never weaker from one to the next.
func (v *Checks) BandPoints(path string, pull []BandPoint) {
	if len(pull) < 2 {
		v.Add(path, "The band was measured at one length only.", "A pull between two lengths needs both.", "Measure at two lengths or more, or leave it out and give the section.")
	}
	for i, p := range pull {
		at := fmt.Sprintf("%s[%d]", path, i)
		v.Field(bandPointRows, at+".length", "length", p.Length, "m", "")
		v.Field(bandPointRows, at+".force", "pull", p.Force, "N", "")
		if i > 0 && !(p.Length > pull[i-1].Length+1e-4 && p.Force >= pull[i-1].Force) {
			v.Add(at, "The band pulls less, or is not longer, than at the measurement before.", "Rubber pulls harder the longer it is.", "Put the measurements in the order of their lengths.")
		}
	}
}

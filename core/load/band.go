package load

import (
	"math"
	"slices"

	"dialarc/core/body"
	"dialarc/core/dial"
	"dialarc/core/kit"
	"dialarc/core/quantity"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/interp"
	"gonum.org/v1/gonum/spatial/r3"
)

var band = Kind{Name: setup.Band, From: FromAnchor, Line: "band", End: "end of the band", With: "with a band", Needs: "band", Holds: worn,
	Simple: true,
	Scale:  scaleBand, AtHand: bandAtHand, Complete: completeBand, Check: checkBand, Fit: fitBand, source: newBand,
	Dials: []dial.Dial{
		{Name: dial.BandHeight, Applies: placed, Read: anchorHeight, Write: func(d *setup.Document, i int,
			v float64) {
			d.Loads[i].Anchor.Y = v
		}},
		{Name: dial.BandOut, Applies: placed, Read: anchorOut, Write: func(d *setup.Document, i int, v float64) { d.Loads[i].Anchor.X = v }},
		{Name: dial.BandAside, Applies: both(placed, single), Read: anchorAside, Write: func(d *setup.Document, i int,
			v float64) {
			d.Loads[i].Anchor.Z = v
		}},
		{Name: dial.BandApart, Applies: both(placed, apartTogether), Read: anchorsApart,
			Write: func(d *setup.Document, i int, v float64) { setApart(&d.Loads[i].Anchor.Z, d.Loads[i].Side, v) }},
		{Name: dial.BandRest, Applies: both(placed, ownBand), Read: bandRest, Write: func(d *setup.Document, i int,
			v float64) {
			d.Loads[i].RestLength = v
		}},
		{Name: dial.BandPull, Applies: both(placed, unmeasured), Read: bandPull, Write: setBandPull},
		strapDial, cuffDial}}

// unmeasured says whether a band's pull is computed, so that it can be turned.
func unmeasured(d *setup.Document, i int) bool { return len(d.Loads[i].Pull) == 0 && ownBand(d, i) }

func scaleBand(l *setup.Load, factor float64) {
	l.Section *= factor
	for k := range l.Pull {
		l.Pull[k].Force *= factor
	}
}

// bandAtHand counts a band at twice its length.
func bandAtHand(l *setup.Load) float64 {
	return kit.RubberAtDouble * l.Section * float64(max(1, l.Strands)) / quantity.Gravity
}

// completeBand starts a new band crossed behind the back, at knee height (own).
func completeBand(l *setup.Load, mass, across float64) {
	l.Strands = max(1, l.Strands)
	l.Section = mass * quantity.Gravity / kit.RubberAtDouble / float64(l.Strands)
	if l.Anchor == nil {
		l.Anchor = &setup.Point{X: 0, Y: 0.41, Z: across}
	}
	if l.RestLength == 0 {
		l.RestLength = 0.70
	}
}

func checkBand(v *setup.Checks, path string, l *setup.Load) {
	v.Place(path+".anchor", "anchor", l.Anchor)
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

// ownBand says whether a band may be of any length and strength: one of a room is what it is.
func ownBand(d *setup.Document, i int) bool {
	return d.Loads[i].Kit == nil || d.Loads[i].Kit.Item == ""
}

func anchorHeight(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Anchor height", Kind: "length", From: 0, To: 2.3, Step: 0.05, Value: d.Loads[i].Anchor.Y,
		Paths: []string{dial.LoadPath(i, "anchor.y"), dial.LoadPath(i, "anchor")}}
}

func anchorOut(d *setup.Document, i int) dial.Setting {
	return place("Anchor out", d.Loads[i].Anchor.X, dial.LoadPath(i, "anchor.x"))
}

func anchorAside(d *setup.Document, i int) dial.Setting {
	return place("Anchor to the right", d.Loads[i].Anchor.Z, dial.LoadPath(i, "anchor.z"))
}

func anchorsApart(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Distance between anchors", Kind: "length", From: 0, To: 3.0, Step: 0.05,
		Value: 2 * math.Abs(d.Loads[i].Anchor.Z),
		Paths: []string{dial.LoadPath(i, "anchor.z")}}
}

func bandRest(d *setup.Document, i int) dial.Setting {
	return dial.Setting{Group: "loads", Label: "Band length at rest", Kind: "length", From: 0.2, To: 2.0, Step: 0.05,
		Value: d.Loads[i].RestLength,
		Paths: []string{dial.LoadPath(i, "restLength"), dial.LoadPath(i, "pull")}}
}

// bandPull is how hard a band pulls at twice its length, by which coaches tell bands apart. A measured band is what it
// is and has no such dial.
func bandPull(d *setup.Document, i int) dial.Setting {
	l := &d.Loads[i]
	now := kit.RubberAtDouble * l.Section * float64(max(1, l.Strands))
	return dial.Setting{Group: "loads", Label: "Pull at double length", Kind: "force", From: 5,
		To: max(now, 5*math.Ceil(0.4*d.Lifter.BodyMass)), Step: 5, Value: now,
		Paint: "effort", Paths: []string{dial.LoadPath(i, "section"), dial.LoadPath(i, "strands")}}
}

func setBandPull(d *setup.Document, i int, v float64) {
	l := &d.Loads[i]
	l.Section = v / kit.RubberAtDouble / float64(max(1, l.Strands))
}

// fitBand takes the band that pulls and stretches most alike, and the anchor that is nearest in height.
func fitBand(f *kit.Fitting, path string, l *setup.Load) {
	own := kit.Band{RestLength: l.RestLength, Section: l.Section, Pull: l.Pull, Strands: l.Strands}
	i := kit.Alike(f.Room.Bands, kit.Remembered(l).Item, func(b *kit.Band) string { return b.Key }, func(b *kit.Band) float64 {
		return math.Abs(math.Log(max(b.PullAtDouble(), 1)/max(own.PullAtDouble(), 1))) + math.Abs(b.RestLength-l.RestLength)/l.RestLength
	})
	if i < 0 {
		f.Lacks(path+".kit", "This gym has no band.", nil)
		return
	}
	b := &f.Room.Bands[i]
	if kit.Differ(b.RestLength, l.RestLength) || math.Abs(b.PullAtDouble()-own.PullAtDouble()) > 0.5 {
		f.Change(path+".restLength", b.Name+": {rest} long at rest and {pull} at twice that, instead of {from} and {before}.", kit.Values{
			"rest": kit.Length(b.RestLength), "pull": kit.Force(b.PullAtDouble()), "from": kit.Length(l.RestLength),
			"before": kit.Force(own.PullAtDouble())})
	}
	l.RestLength, l.Section, l.Pull, l.Strands, l.Hysteresis, l.Worn = b.RestLength, b.Section, slices.Clone(b.Pull), b.Strands, b.Hysteresis,
		b.Worn || l.Worn
	l.Measured = setup.Copied(b.Measured)
	was := kit.Remembered(l)
	l.Kit = &setup.Kit{Item: b.Key, Attachment: was.Attachment, Lengths: was.Lengths}
	fitAnchor(f, path, l)
	if l.Contact.Segment != "hand" { // a band can be held as it is
		fitHold(f, path, l, &l.AttachmentLength)
	}
}

// floor is how low an anchor counts as on the floor, where a foot holds it, m (own).
const floor = 0.06

func fitAnchor(f *kit.Fitting, path string, l *setup.Load) {
	y := l.Anchor.Y
	if y <= floor {
		return
	}
	reach := func(a *kit.Anchor) float64 { return max(a.From, min(a.To, y)) }
	i := kit.Alike(f.Room.Anchors, "", func(a *kit.Anchor) string { return a.Key },
		func(a *kit.Anchor) float64 { return math.Abs(reach(a) - y) })
	if i < 0 {
		f.Lacks(path+".anchor", "This gym has nothing to fix a band to but the floor.", nil)
		return
	}
	a := &f.Room.Anchors[i]
	f.Set(path+".anchor.y", &l.Anchor.Y, micro(reach(a)), a.Name+": {to} up instead of {from}.", kit.Length)
	l.Loose = a.Loose || l.Loose
}

// rubber is a rubber band from an anchor A to a contact C, along (A - C)/|A - C|.
//
// Its length is |A - C| less the attachment. The pull of one strand comes from measurements, joined by the piecewise
// cubic that never overshoots and carried on beyond the last by its slope, or else from the law of Mooney 1940 (J Appl
// Phys 11:582-592) and Rivlin 1948: F = 2 A0 (x - 1/x²)(C1 + C2/x), with x the length over the length at rest and A0 the
// section at rest. A band no longer than at rest pulls with nothing. On the way back the pull is lower by the hysteresis.
type rubber struct {
	anchor     space.Vec
	rest       float64 // m
	attachment float64 // m
	area       float64 // of one strand at rest, m²
	strands    float64
	hysteresis float64
	measured   *interp.FritschButland
	last       float64 // measured length, m
	at         contact
}

func newBand(l *builder) (Source, *space.Vec) {
	a := l.point(l.Anchor)
	b := &rubber{anchor: a, rest: l.RestLength, attachment: l.AttachmentLength, area: l.Section, strands: float64(l.Strands),
		hysteresis: l.Hysteresis, at: l.at}
	if len(l.Pull) > 0 {
		b.measure(l.Pull)
	}
	return b, &a
}

// measure fits the measured pull. A band that was first measured when stretched pulls with nothing at rest.
func (b *rubber) measure(points []setup.BandPoint) {
	var x, y []float64
	if points[0].Length > b.rest+1e-4 {
		x, y = append(x, b.rest), append(y, 0)
	}
	for _, p := range points {
		x, y = append(x, p.Length), append(y, p.Force)
	}
	b.measured = &interp.FritschButland{}
	if err := b.measured.Fit(x, y); err != nil { // validated measurements rise
		panic("load: " + err.Error())
	}
	b.last = x[len(x)-1]
}

// force is the pull of all strands at a length while the band is drawn out, N.
func (b *rubber) force(length float64) float64 {
	one := b.area * kit.RubberStress(length/b.rest)
	switch {
	case b.measured == nil:
	case length <= b.rest:
		one = 0
	case length > b.last:
		one = b.measured.Predict(b.last) + (length-b.last)*b.measured.PredictDerivative(b.last)
	default:
		one = b.measured.Predict(length)
	}
	return b.strands * one
}

func (b *rubber) At(f *body.Frames) Pull {
	contact := b.at.in(f)
	line := r3.Sub(b.anchor, contact)
	distance := space.Norm(line)
	length := max(0, distance-b.attachment)
	pull := Pull{Contact: contact, Stretch: length / b.rest}
	full := b.force(length)
	if full <= 0 || distance == 0 {
		return pull
	}
	u := r3.Scale(1/distance, line)
	up, down := full, full
	if drawn := -r3.Dot(u, f.Velocity(b.at.segment, contact)); math.Abs(drawn) > 1e-12 {
		if back := full * (1 - b.hysteresis); drawn < 0 {
			up = back
		} else {
			down = back
		}
	}
	pull.Tension = up
	pull.Force, pull.Lowering = r3.Scale(up, u), r3.Scale(down, u)
	return pull
}

// Moving takes the hysteresis on the side of the actual direction; a band's own mass is neglected.
func (b *rubber) Moving(f *body.Frames, v, _ space.Vec) Pull {
	p := b.At(f)
	if p.Tension == 0 {
		return p
	}
	line := r3.Sub(b.anchor, p.Contact)
	length := space.Norm(line)
	p.Tension = b.force(length - b.attachment)
	if r3.Dot(line, v) > 0 { // shortening
		p.Tension *= 1 - b.hysteresis
	}
	p.Force = r3.Scale(p.Tension/length, line)
	return p
}

// Energy is the work that stretched the band, ∫ F dL, without hysteresis: in closed form for the rubber law, by
// Simpson's rule on the measured pull.
func (b *rubber) Energy(f *body.Frames) float64 {
	length := space.Norm(r3.Sub(b.anchor, b.at.in(f))) - b.attachment
	if length <= b.rest {
		return 0
	}
	if b.measured == nil {
		w := func(x float64) float64 { return kit.RubberC1*(x*x/2+1/x) + kit.RubberC2*(x+1/(2*x*x)) }
		return 2 * b.strands * b.area * b.rest * (w(length/b.rest) - w(1))
	}
	const n = 400
	h, sum := (length-b.rest)/n, b.force(b.rest)+b.force(length)
	for i := 1; i < n; i++ {
		sum += float64(2+2*(i%2)) * b.force(b.rest+float64(i)*h)
	}
	return sum * h / 3
}

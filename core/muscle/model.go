package muscle

import (
	"math"
	"sync"

	"dialarc/core/body"
	"dialarc/core/space"
)

// Model is the muscles of one lifter. It reuses its memory and must not be shared between goroutines.
type Model struct {
	body         *body.Body
	lines        []*line // of an arm
	whole        []*line // rows in strips as one line, for their lengths
	legs         []legLine
	legColumns   []column
	trunk        []trunkLine // right and left half in turn
	trunkColumns []column
	erectors     *trunkLine // right halves, that stand for all where it is asked what presses on the spine
	rectus       *trunkLine
	oblique      *trunkLine
	poses        []*laid // that were asked about
	last         int     // of them
	at           *laid
	share        optimum
	Answer       Answer
}

// maxHeads is more than there are heads or groups.
const maxHeads = 64

// forceRef is the force by which the cost of an activation is scaled, N: weighting by force makes the answer independent of how a
// muscle is cut into strands.
const forceRef = 500

// forceLength is how much of its force a fibre has at a length over its optimal one (Thelen 2003, J Biomech Eng 125:70-77).
func forceLength(l float64) float64 { return math.Exp(-(l - 1) * (l - 1) / 0.45) }

// New makes the model to the measure of a body.
func New(b *body.Body) *Model {
	own := *b
	m := &Model{body: &own}
	for i := range regions.Regions {
		r := &regions.Regions[i]
		m.lines = append(m.lines, scaledLines(r, b)...)
		if len(r.Strips) > 0 {
			m.whole = append(m.whole, wholeLine(r, b))
		}
		if len(r.ExtensionArm) > 0 {
			m.legs = append(m.legs, newLegLine(r, b))
		}
		if len(r.TrunkArm) > 0 {
			m.trunk = append(m.trunk, newTrunkLines(r, b)...)
		}
	}
	m.spineLines()
	return m
}

// Begin forgets the last pose, from which the next one's search would start: so a path gives the same whatever came before.
func (m *Model) Begin() { m.share.begin() }

// Fits says whether the model is to the measure of a body.
func (m *Model) Fits(b *body.Body) bool { return *m.body == *b }

// RangeOf is the range of normalised length that people usually own of a part, by its strongest line; false when the table has no
// such part.
func RangeOf(part string) (low, high float64, ok bool) {
	strongest, in := 0.0, linesIn(part)
	for i := range regions.Regions {
		r := &regions.Regions[i]
		if has(in, r) && r.Force > strongest {
			strongest, low, high, ok = r.Force, r.Range[0], r.Range[1], true
		}
	}
	return low, high, ok
}

// has says whether a row of the table, or a strip of it, is among the lines.
func has(lines map[string]bool, r *region) bool {
	if lines[r.Key] {
		return true
	}
	for i := range r.Strips {
		if lines[r.Strips[i].key] {
			return true
		}
	}
	return false
}

// wholeLine is a row in strips as one line.
func wholeLine(r *region, b *body.Body) *line {
	l := scaledLines(r.whole(), b)[0]
	l.head = headOf(r.Strips[0].key)
	return l
}

// scaledLines makes a region's lines to the measure of a lifter: everything by stature, along upper arm and forearm by
// their own lengths, and the optimal lengths as the whole line is longer or shorter with the arm hanging.
func scaledLines(r *region, b *body.Body) []*line {
	if !r.hasLines() {
		return nil
	}
	out := shapedLines(r, b)
	if b.Height == regions.StatureRef && b.UpperArm == regions.UpperArmRef && b.Forearm == regions.ForearmRef {
		return out
	}
	usual := hanging()
	for i, length := range hangingLengths(out, b) {
		longer := length / usual[out[i].key]
		out[i].pathOpt, out[i].fibreOpt = out[i].pathOpt*longer, out[i].fibreOpt*longer
	}
	return out
}

// hangingLengths are those of lines with the arm hanging straight, m.
func hangingLengths(lines []*line, b *body.Body) []float64 {
	straight := *b
	straight.CarryingAngle = 0
	var at arm
	at.place(&straight, &body.Pose{})
	out := make([]float64, len(lines))
	for i, l := range lines {
		out[i] = l.lay(&at).length
	}
	return out
}

// hanging are those lengths to the table's own measure, by the lines' keys; a row in strips has one as a whole too.
var hanging = sync.OnceValue(func() map[string]float64 {
	out := map[string]float64{}
	b := &body.Body{Height: regions.StatureRef, UpperArm: regions.UpperArmRef, Forearm: regions.ForearmRef}
	for i := range regions.Regions {
		r := &regions.Regions[i]
		if !r.hasLines() {
			continue
		}
		for _, row := range []*region{r, r.whole()} {
			lines := shapedLines(row, b)
			for k, length := range hangingLengths(lines, b) {
				out[lines[k].key] = length
			}
		}
	}
	return out
})

func shapedLines(r *region, b *body.Body) []*line {
	k := b.Height / regions.StatureRef
	scaled := func(on owner, at triple) point {
		v := space.Vec{X: k * at[0], Y: k * at[1], Z: k * at[2]}
		switch on {
		case humerusBody:
			v.Y = at[1] * b.UpperArm / regions.UpperArmRef
		case forearmBody:
			v.Y = at[1] * b.Forearm / regions.ForearmRef
		}
		return point{on, v}
	}
	// Moment arms go with stature, so forces go against it: what a muscle can do about a joint goes with body mass alone, which enters with
	// the need.
	weaker := regions.StatureRef / b.Height
	lines := make([]line, max(1, len(r.Strips)))
	if len(r.Strips) == 0 {
		lines[0] = line{key: r.Key, force: r.Force * weaker, fibreOpt: r.FibreOpt, pathOpt: r.PathOpt, wraps: r.Wraps, turn: r.turn,
			points: make([]point, len(r.Points))}
		for i, p := range r.Points {
			lines[0].points[i] = scaled(owners[p.Body], p.At)
		}
	}
	for i := range r.Strips {
		s := &r.Strips[i]
		lines[i] = line{key: s.key, force: s.Force * weaker, fibreOpt: r.FibreOpt, pathOpt: s.PathOpt, wraps: r.Wraps,
			points: []point{scaled(sleeveBody, s.Origin), scaled(humerusBody, s.Insertion)}}
	}
	out := make([]*line, len(lines))
	for i := range lines {
		lines[i].head = headOf(lines[i].key)
		out[i] = &lines[i]
	}
	return out
}

// normalised is the fibres' length over their optimal length.
func (l *line) normalised(length float64) float64 { return 1 + (length-l.pathOpt)/l.fibreOpt }

// Gauge tells the length of one part of the muscles of one lifter, without a model of the whole limb.
type Gauge struct {
	body  body.Body
	part  string
	side  body.Side // of the trunk's lines that is told of
	lines []weighed
	legs  []weighedLeg
	trunk []trunkLine
}

type weighed struct {
	*line
	force float64
}

type weighedLeg struct {
	legLine
	force float64
}

// NewGauge is that of a part, to the measure of a body.
func NewGauge(b *body.Body, part string) *Gauge {
	g := &Gauge{body: *b, part: part}
	in := linesIn(part)
	for i := range regions.Regions {
		r := &regions.Regions[i]
		switch {
		case !has(in, r):
		case len(r.TrunkArm) > 0:
			g.trunk = append(g.trunk, newTrunkLines(r, b)...)
		case len(r.ExtensionArm) > 0:
			g.legs = append(g.legs, weighedLeg{newLegLine(r, b), r.Force})
		case allStrips(in, r):
			g.lines = append(g.lines, weighed{wholeLine(r, b), r.Force})
		default:
			for _, l := range scaledLines(r, b) {
				if in[l.key] {
					g.lines = append(g.lines, weighed{l, l.force})
				}
			}
		}
	}
	return g
}

// Fits says whether the gauge is that of a part of a body.
func (g *Gauge) Fits(b *body.Body, part string) bool { return g.part == part && g.body == *b }

// Length is that of the part's fibres over their optimum in one pose; false when the table has no such part.
func (g *Gauge) Length(q *body.Pose) (float64, bool) {
	sum, force := 0.0, 0.0
	var a arm
	a.place(&g.body, q)
	at := flexionsOf(q)
	for i := range g.legs {
		l := &g.legs[i]
		sum, force = sum+l.force*max(slack, l.normalised(at)), force+l.force
	}
	for i := range g.trunk {
		if l := &g.trunk[i]; l.side == g.side {
			sum, force = sum+l.force*max(slack, l.normalised(q)), force+l.force
		}
	}
	for i := range g.lines {
		l := &g.lines[i]
		sum, force = sum+l.force*l.normalised(l.lay(&a).length), force+l.force
	}
	return sum / force, force > 0
}

// Ends are the lengths in two poses, at the start and the end of a path: of the trunk's muscles those of the side that shortens more, which
// is the one that lifts.
func (g *Gauge) Ends(start, end *body.Pose) (a, b float64, known bool) {
	for side := body.Right; side <= body.Left; side++ {
		g.side = side
		first, ok := g.Length(start)
		last, _ := g.Length(end)
		if !known || last-first < b-a {
			a, b, known = first, last, ok
		}
		if len(g.trunk) == 0 {
			break
		}
	}
	g.side = body.Right
	return a, b, known
}

// allStrips says whether a row has strips and all of them are among the lines.
func allStrips(lines map[string]bool, r *region) bool {
	for i := range r.Strips {
		if !lines[r.Strips[i].key] {
			return false
		}
	}
	return len(r.Strips) > 0
}

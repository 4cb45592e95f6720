package muscle

import (
	"fmt"

	"dialarc/core/body"
	"dialarc/core/space"
)

// linesOf are all lines of one arm of a lifter by their keys; a region in strips gives one line for each.
func linesOf(b *body.Body) map[string]*line {
	out := map[string]*line{}
	for i := range regions.Regions {
		for _, l := range scaledLines(&regions.Regions[i], b) {
			out[l.key] = l
		}
	}
	return out
}

// scaledLines makes a region's lines to the measure of a lifter: everything by stature, along upper arm and forearm by
// their own lengths, and the optimal lengths as the whole line is longer or shorter with the arm hanging.
func scaledLines(r *region, b *body.Body) []*line {
	if len(r.ExtensionArm) > 0 || r.Arm != 0 {
		return nil
	}
	k := b.Stature / regions.StatureRef
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
	var out []*line
	if len(r.Strips) == 0 {
		l := &line{key: r.Key, force: r.Force, fibreOpt: r.FibreOpt, pathOpt: r.PathOpt, wraps: r.Wraps}
		for _, p := range r.Points {
			l.points = append(l.points, scaled(owners[p.Body], p.At))
		}
		out = append(out, l)
	}
	for i, s := range r.Strips {
		out = append(out, &line{key: fmt.Sprintf("%s_%d", r.Key, i+1), force: s.Force, fibreOpt: r.FibreOpt, pathOpt: s.PathOpt, wraps: r.Wraps,
			points: []point{scaled(sleeveBody, s.Origin), scaled(humerusBody, s.Insertion)}})
	}
	for _, l := range out {
		l.group = groupOf(r.Key)
	}
	return out
}

// normalised is the fibres' length over their optimal length.
func (l *line) normalised(length float64) float64 { return 1 + (length-l.pathOpt)/l.fibreOpt }

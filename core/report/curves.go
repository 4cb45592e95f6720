package report

import (
	"encoding/binary"
	"fmt"
	"math"
)

// AllCurves lists every curve of the report, in the order of its JSON.
func (r *Report) AllCurves() []*Curve {
	c := &r.Curves
	all := []*Curve{&c.S, &c.AngleDeg, &c.SweptDeg, &c.Torque, &c.Loads, &c.Weights, &c.Lowering, &c.Capacity, &c.Effort, &c.Target, &c.Twist,
		&c.Bend, &c.OffPlane,
		&c.Size, &c.Axial, &c.Shear, &c.Grip, &c.Lateral, &c.LowBack, &c.Balance, &c.BarOff, &c.BarTwist}
	for i := range r.Parts {
		p := &r.Parts[i]
		all = append(all, &p.Torque, &p.Tension, &p.MomentArm, &p.InPlane, &p.Lift, &p.Stretch)
	}
	for i := range r.Joints {
		j := &r.Joints[i]
		all = append(all, &j.Torque, &j.Size, &j.Axial, &j.Shear, &j.Capacity, &j.Effort)
	}
	m := &r.Muscles
	all = append(all, &m.S, &m.Against, &m.ResidualTwist, &m.Residual, &m.Largest, &m.Raises, &m.Retracts, &m.Shoulder, &m.ShoulderLeanDeg,
		&m.Elbow, &m.Hip, &m.Knee, &m.Kneecap, &m.Ankle, &m.Spine, &m.Firm)
	for i := range m.Passive {
		all = append(all, &m.Passive[i].Values)
	}
	for _, list := range [][]RegionPart{m.Regions, m.Heads} {
		for i := range list {
			all = append(all, list[i].Curves()...)
		}
	}
	if m.Target != nil {
		all = append(all, m.Target.Curves()...)
	}
	return append(all, &r.Path.Joint, &r.Path.Direction, &r.Path.Grip)
}

// Pack takes the numbers out of the curves: they become little-endian float64, NaN in a gap, and every curve holds only where its
// numbers lie, as offset and length. Writing and reading them as text would take most of the time of a drag.
func (r *Report) Pack() []byte {
	var buf []byte
	count := 0
	for _, c := range r.AllCurves() {
		place := Curve{float64(count), float64(len(*c))}
		for _, x := range *c {
			buf = binary.LittleEndian.AppendUint64(buf, math.Float64bits(x))
		}
		count += len(*c)
		*c = place
	}
	return buf
}

// Unpack puts the numbers that Pack took out back in.
func (r *Report) Unpack(numbers []byte) error {
	for _, c := range r.AllCurves() {
		if len(*c) != 2 {
			return fmt.Errorf("a curve has %d numbers where its place should be", len(*c))
		}
		from, n := int((*c)[0]), int((*c)[1])
		if from < 0 || n < 0 || 8*(from+n) > len(numbers) {
			return fmt.Errorf("a curve lies at %d to %d of %d numbers", from, from+n, len(numbers)/8)
		}
		*c = make(Curve, n)
		for i := range *c {
			(*c)[i] = math.Float64frombits(binary.LittleEndian.Uint64(numbers[8*(from+i):]))
		}
	}
	return nil
}

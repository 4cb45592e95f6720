package evaluate

import (
	"reflect"

	"dialarc/core/body"
	"dialarc/core/load"
	"dialarc/core/movement"
	"dialarc/core/profile"
	"dialarc/core/setup"
	"dialarc/core/space"
	"dialarc/core/support"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// stance is what the stages come to that know nothing of what pulls: the body, where it is and how it moves. It serves every document
// that has these in common, so that a changed pulley computes nothing of them again.
type stance struct {
	of       setup.Document // the parts of a document that it was made from
	body     body.Body
	station  body.Station
	path     *movement.Path
	meets    map[int][]support.Meeting // of the arm with the body, at so many places
	ables    map[ability]*able
	travels  map[int]*travels  // of the lead side's coordinates, over so many places
	longEnds map[string]string // by the target's region
	known    *profile.Strength // of its lifter; nil until it is asked for
}

// travels are the least and largest value of every coordinate along a path and those at its ends, degrees.
type travels [setup.NumCoordinates]struct{ least, most, from, to float64 }

// ability names what a joint can do about its axis at so many places along the path.
type ability struct {
	joint body.Joint
	spin  bool
	n     int
}

// able is that: its values, N·m, NaN where nothing is known of it, and what they rest on.
type able struct {
	*profile.Capacity
	values []float64
}

// standing are the parts of a document that a stance is made from.
func standing(d *setup.Document) setup.Document {
	of := setup.Document{Lifter: d.Lifter, Posture: d.Posture, Bench: d.Bench, Movement: d.Movement}
	if d.Movement.InLine != "" || d.Sled() >= 0 { // the arm follows a strand, or the foot its rails
		of.Loads = d.Loads
	}
	return of
}

// fits says whether a document has the parts that a stance was made from.
func (st *stance) fits(d *setup.Document) bool {
	part := standing(d)
	return reflect.DeepEqual(&st.of, &part)
}

func newStance(d *setup.Document, memory *movement.Places) *stance {
	part := standing(d)
	st := &stance{of: part.Clone(), body: body.New(&d.Lifter), meets: map[int][]support.Meeting{}, ables: map[ability]*able{},
		travels: map[int]*travels{}, longEnds: map[string]string{}}
	st.station = st.body.Settle(&d.Posture, d.Bench, &d.Movement)
	st.path = movement.New(d, &st.body, &st.station)
	st.path.Borrow(memory)
	return st
}

// stand is the stance of a document: the last one, if that fits.
func (e *Evaluator) stand(d *setup.Document) *stance {
	if e.stance != nil && e.stance.fits(d) {
		e.stance.path.Tidy()
		return e.stance
	}
	e.stance = newStance(d, &e.places)
	return e.stance
}

// meetings are where the arm has no room, looked at so many places.
func (st *stance) meetings(n int) []support.Meeting {
	found, known := st.meets[n]
	if !known {
		found = support.Meetings(st.path, n)
		st.meets[n] = found
	}
	return found
}

// able is what a joint can do along the repetition that was run last.
func (e *Evaluator) able(m *model, joint body.Joint, spin bool) *able {
	key := ability{joint, spin, len(e.rep.S)}
	a := m.ables[key]
	if a == nil {
		a = &able{profile.NewCapacity(e.strengthOf(m.stance), joint.Name(), spin), make([]float64, key.n)}
		a.Along(a.values, e.rep.Pose, e.rep.Rate)
		m.ables[key] = a
	}
	return a
}

// model is a document made ready to compute.
type model struct {
	*stance
	doc     *setup.Document
	items   []load.Item
	columns []support.Column
	joint   body.Joint // the target, of the right side
	axis    torque.AxisRule
	grid    grid

	sideways bool // the hands may push sideways
}

// model makes a document ready.
func (e *Evaluator) model(d *setup.Document) *model { return e.stand(d).with(d) }

// with is a document of this stance made ready.
func (st *stance) with(d *setup.Document) *model {
	m := &model{stance: st, doc: d, grid: usual}
	m.items = load.Build(d.Loads, &m.station, m.path.Both(), m.path.Frames(0), m.path.Frames(1))
	m.columns, m.sideways = support.Columns(m.items), torque.PushesSideways(m.path, &m.station, m.items)
	m.joint, _ = body.JointOf(d.TargetJoint())
	m.axis.Kind = d.Movement.Axis
	if a := d.Movement.AxisAlong; m.axis.Kind == "vector" && a != nil {
		m.axis.Along = r3.Unit(space.Vec{X: a.X, Y: a.Y, Z: a.Z})
	}
	return m
}

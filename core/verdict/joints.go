package verdict

import (
	"math"

	"dialarc/core/metric"
)

// Rub says what a cable, band or rope, as line names it, comes too near to. Distance is that to the surface or the depth in it, m.
func Rub(line, part, state string, distance, atDeg float64) Sentence {
	s := Sentence{Key: "clearance", Tone: Warning, Values: map[string]Quantity{"distance": {distance, "length"}, "at": {atDeg, "angle"}}}
	switch state {
	case "crosses":
		s.Tone, s.Text = OK, "The "+line+" crosses the "+part+" at {at}, and touches nothing else."
	case "close":
		s.Text = "The " + line + " passes {distance} from the " + part + " at {at}."
	case "touches":
		s.Text = "The " + line + " rubs on the " + part + " at {at}."
		if distance >= 0.005 {
			s.Text = "The " + line + " rubs on the " + part + " at {at}, {distance} deep."
		}
	case "bends":
		s.Tone, s.Text = Error, "The "+part+" is in the way of the "+line+" at {at}, {distance} deep: it would bend round it and drag. The numbers are for a straight "+line+"."
	default:
		s.Tone, s.Text = Error, "The "+part+" blocks the "+line+" at {at}, {distance} deep."
	}
	return s
}

// NoRoom says that a part of the arm would have to go through something. Depth is that of its middle line under the surface, m.
func NoRoom(limb, part string, depth, atDeg float64) Sentence {
	return Sentence{Key: "clearance", Tone: Error, Text: "The " + limb + " would have to go through the " + part + " at {at}, {depth} deep.",
		Values: map[string]Quantity{"depth": {depth, "length"}, "at": {atDeg, "angle"}}}
}

// JointsInput is what Joints speaks of: the largest values along the path.
type JointsInput struct {
	Joint         string  // by its name; the trunk's is the low back
	Grip          float64 // N
	LowBack       float64 // N·m; 0 where a pad carries the trunk
	Along, Across float64 // resultant at the target joint, N; along + pushes the limb away

	First      string        // what gives out first, like "the elbow"; empty when nothing is known to
	Effort     float64       // its effort with the present load, or the largest of any
	Load, Once metric.Metric // kg: the present load, and what goes once; missing when none is counted
	Low, High  metric.Metric // by how far strength is known

	GripLimit, BackLimit float64 // what hand and low back can be asked to hold
	EasesBack            string  // the usual way to ask less of the low back, a sentence
	Contact              float64 // estimate between the joint's surfaces, N; NaN when the model has none
}

// Joints says what gives out first and at how much, whether hand or low back do before, and what the joint carries.
func Joints(in JointsInput) Sentence {
	s := Sentence{Key: "jointLoad", Tone: OK, Values: map[string]Quantity{"grip": {in.Grip, "force"}, "back": {in.LowBack, "torque"},
		"along": {math.Abs(in.Along), "force"}, "across": {in.Across, "force"}}}
	s.first(&in)
	if !math.IsNaN(in.Contact) {
		s.Values["contact"] = Quantity{in.Contact, "force"}
		s.Text += "The " + spoken(in.Joint) + " takes up to {along} of " + axial(in.Along) +
			" and {across} of shear; with muscle forces, about {contact} between the joint surfaces."
	} else {
		s.Text += "The " + spoken(in.Joint) + " takes up to {along} of " + axial(in.Along) + " and {across} of shear, before muscle forces."
	}
	s.Values["gripLimit"], s.Values["backLimit"] = Quantity{in.GripLimit, "force"}, Quantity{in.BackLimit, "torque"}
	if in.Grip > in.GripLimit {
		s.Tone = worse(s.Tone, Warning)
		s.Text += " The grip has to hold {grip}, over its limit of {gripLimit}: use straps or a cuff."
	}
	if in.LowBack > in.BackLimit {
		s.Tone = worse(s.Tone, Warning)
		s.Text += " The low back has to hold {back}, over its limit of {backLimit}. " + in.EasesBack
	}
	return s
}

// first begins the sentence with what gives out first.
func (s *Sentence) first(in *JointsInput) {
	if in.First == "" {
		return
	}
	s.Values["effort"] = percent(in.Effort)
	s.Text = capital(in.First) + " is the limit: {effort} of its strength"
	if load, ok := in.Load.Get(); ok {
		s.Values["load"] = Quantity{load, "mass"}
		s.Text += " at {load}"
	}
	low, from := in.Low.Get()
	high, to := in.High.Get()
	if in.Once.Known() && from && to {
		s.Values["low"], s.Values["high"] = Quantity{low, "mass"}, Quantity{high, "mass"}
		s.Text += "; estimated 1RM {low} to {high}"
	}
	s.Text += ". "
	if in.Effort > 1 {
		s.Tone = Error
	}
}

// axial names a force along a limb by what it does at the joint: positive pushes the limb away from what carries it.
func axial(along float64) string {
	if along < 0 {
		return "traction"
	}
	return "compression"
}

func worse(a, b Tone) Tone {
	if a == Error || b == OK {
		return a
	}
	return b
}

// spoken is what a joint is called where it is told what it bears.
func spoken(joint string) string {
	if joint == "trunk" {
		return "low back"
	}
	return joint
}

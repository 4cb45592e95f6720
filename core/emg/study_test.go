package emg

import (
	"math"
	"reflect"
	"slices"
	"testing"

	"dialarc/core/setup"
)

func studied() (*Study, []Capture) {
	s := &Study{Schema: StudySchema, Name: "Raises", Muscle: "deltoid.middle", Setups: []string{"Cable", "Dumbbell"}, Seed: 3, Rule: "seventy",
		Since: "2026-11-01"}
	var captures []Capture
	// Paired values of a worked example: differences 1 to 5 have a mean of 3 and a standard deviation of 1.5811, so that with t(4) = 2.776
	// (Student's table, from memory) the interval is 3 ± 1.963.
	for i, base := range []float64{40, 55, 62, 48, 70} {
		id := "00000000-0000-4000-8000-00000000000" + string(rune('1'+i))
		s.Lifters = append(s.Lifters, StudyLifter{ID: id})
		for k, name := range s.Setups {
			mean := base
			if k == 0 {
				mean += float64(i + 1)
			}
			captures = append(captures, Capture{Day: "2026-11-10", LifterID: id, Setup: name, Muscles: map[string]string{"ch1": "deltoid.middle"},
				Lines: []Line{{Label: "ch1", State: "good", Percent: true, Mean: &mean, Peak: &mean, Reps: 6}}})
		}
	}
	return s, captures
}

// The table of a worked example: n, mean, standard deviation and interval of the setups and of what lies between them within lifters.
func TestStudyTable(t *testing.T) {
	s, captures := studied()
	got := s.Table(captures)
	if got.Done != 10 || got.Of != 10 || len(got.Pairs) != 1 || got.Setups[1].N != 5 {
		t.Fatalf("%+v", got)
	}
	near := func(what string, got, want, tolerance float64) {
		t.Helper()
		if !(math.Abs(got-want) <= tolerance) {
			t.Errorf("%s: got %v, want %v", what, got, want)
		}
	}
	near("mean", got.Setups[1].Mean.OrNaN(), 55, 1e-9)
	near("standard deviation", got.Setups[1].SD.OrNaN(), 11.7047, 1e-4)
	p := got.Pairs[0]
	near("difference", p.Mean.OrNaN(), 3, 1e-9)
	near("its deviation", p.SD.OrNaN(), 1.5811, 1e-4)
	near("from", p.Low.OrNaN(), 3-1.963, 1e-3)
	near("to", p.High.OrNaN(), 3+1.963, 1e-3)
	if !p.Differs || len(got.Warnings) != 1 {
		t.Errorf("%+v, %v", p, got.Warnings)
	}
}

// The latest recording of a lifter and setup counts; those of before, of another muscle, in µV or left out do not.
func TestStudyTakesWhatBelongs(t *testing.T) {
	s, captures := studied()
	other := 99.0
	change := func(f func(c *Capture)) []Capture {
		list := slices.Clone(captures)
		c := list[0]
		c.Day, c.Lines = "2026-11-20", []Line{{Label: "ch1", State: "good", Percent: true, Mean: &other, Reps: 3}}
		f(&c)
		return append(list, c)
	}
	for what, f := range map[string]func(c *Capture){
		"before":   func(c *Capture) { c.Day = "2026-10-01" },
		"muscle":   func(c *Capture) { c.Muscles = map[string]string{"ch1": "biceps"} },
		"size":     func(c *Capture) { c.Lines[0].Percent = false },
		"left out": func(c *Capture) { c.Lines[0].State = "out" },
		"setup":    func(c *Capture) { c.Setup = "Another" },
	} {
		if got := s.Table(change(f)).Cells[0][0].Mean.OrNaN(); got != 41 {
			t.Errorf("%s: %v", what, got)
		}
	}
	if got := s.Table(change(func(*Capture) {})).Cells[0][0]; got.Mean.OrNaN() != 99 || got.Reps != 3 {
		t.Errorf("the latest: %+v", got)
	}
	gone := s.Table(captures[1:])
	if gone.Done != 9 || gone.Cells[0][0].Mean.Known() || gone.Pairs[0].N != 4 || len(gone.Warnings) != 2 {
		t.Errorf("without one: %+v", gone)
	}
	if empty := s.Table(nil); empty.Setups[0].Mean.Known() || empty.Pairs[0].Differs {
		t.Errorf("%+v", empty)
	}
}

// Every lifter's order holds every setup once, is the seed's, and is nobody else's business.
func TestStudyOrders(t *testing.T) {
	s, _ := studied()
	s.Setups = []string{"a", "b", "c", "d", "e"}
	orders := s.Orders()
	firsts := map[int]bool{}
	for _, o := range orders {
		firsts[o[0]] = true
		if sorted := slices.Sorted(slices.Values(o)); !reflect.DeepEqual(sorted, []int{0, 1, 2, 3, 4}) {
			t.Errorf("%v", o)
		}
	}
	if len(firsts) < 2 {
		t.Error("all begin with the same setup")
	}
	if !reflect.DeepEqual(orders, s.Orders()) {
		t.Error("it is drawn anew each time")
	}
	s.Lifters = append(s.Lifters, StudyLifter{})
	if !reflect.DeepEqual(orders, s.Orders()[:5]) {
		t.Error("one more lifter changes the others' orders")
	}
	if s.Seed++; reflect.DeepEqual(orders, s.Orders()[:5]) {
		t.Error("another seed gives the same")
	}
	for field, bad := range map[string]Study{"name": {}, "muscle": {Name: "x", Muscle: "nothing"}, "since": {Name: "x", Since: "soon"},
		"rest": {Name: "x", Rest: -1}, "rule": {Name: "x", Rule: "guess"}} {
		found := bad.Check()
		if !slices.ContainsFunc(found, func(p setup.Problem) bool { return p.Path == field }) {
			t.Errorf("%s: %v", field, found)
		}
	}
}

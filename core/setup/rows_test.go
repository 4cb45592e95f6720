package setup_test

import (
	"fmt"
	"reflect"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/rules"
	"dialarc/core/setup"
)

// number is a number somewhere in a document.
type number struct {
	path string
	tag  reflect.StructTag
	v    reflect.Value
}

// numbersOf walks all fields of a document that stand in its JSON.
func numbersOf(path string, tag reflect.StructTag, v reflect.Value, found *[]number) {
	switch v.Kind() {
	case reflect.Pointer:
		if !v.IsNil() {
			numbersOf(path, tag, v.Elem(), found)
		}
	case reflect.Slice:
		for i := range v.Len() {
			if v.Index(i).Kind() == reflect.Struct {
				numbersOf(fmt.Sprintf("%s[%d]", path, i), "", v.Index(i), found)
			}
		}
	case reflect.Struct:
		for i := range v.NumField() {
			f := v.Type().Field(i)
			name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
			numbersOf(strings.TrimPrefix(path+"."+name, "."), f.Tag, v.Field(i), found)
		}
	case reflect.Float64, reflect.Int:
		if !v.IsZero() { // what is left out has no value to be judged
			*found = append(*found, number{path, tag, v})
		}
	}
}

func (n *number) set(x float64) {
	if n.v.Kind() == reflect.Int {
		n.v.SetInt(int64(x))
		return
	}
	n.v.SetFloat(x)
}

var between = regexp.MustCompile(`^Give (-?[0-9.e+-]+) to (-?[0-9.e+-]+)`)

// refused is the limits that a document's number is refused for not keeping.
func refused(d *setup.Document, path string) (low, high float64, is bool) {
	for _, p := range rules.Validate(d) {
		if m := between.FindStringSubmatch(p.Hint); p.Path == path && m != nil {
			low, _ = strconv.ParseFloat(m[1], 64)
			high, _ = strconv.ParseFloat(strings.TrimSuffix(m[2], "."), 64)
			return low, high, true
		}
	}
	return 0, 0, false
}

// full is a document with a column that stands free, a lifter with all that one can have, and a bench with a size.
func full(d setup.Document) setup.Document {
	d = d.Clone()
	l := &d.Lifter
	l.CarryingDeg, l.NaturalPathDeg, l.LowBackLimit, l.GripLimit = 8, 20, 200, 400
	l.Ranges = map[string]setup.Range{}
	l.Strength = []setup.StrengthTest{{Action: "shoulder.flexion", AngleDeg: 10, Torque: 40}}
	l.Sets = []setup.KnownSet{{Exercise: "curl.dumbbell", Load: 10, Reps: 8, Left: 2}}
	d.Tempo = setup.Tempo{Down: 2, Bottom: 1, Up: 1, Top: 1}
	d.Posture.FeetApart, d.Posture.Riser, d.Posture.Z = 0.3, 0.1, 0.1
	d.Posture.Trunk.BendDeg, d.Posture.Trunk.TurnDeg = 1, 1
	if d.Bench != nil {
		d.Bench.Mass, d.Bench.BackLength, d.Bench.Width = 30, 0.8, 0.3
	}
	for i := range d.Loads {
		load := &d.Loads[i]
		if load.Kind == setup.Cable {
			load.Kit = &setup.Kit{Spec: &setup.Column{LowestHole: 0.1, Spacing: 0.05, Holes: 30, Height: 2.2, HalfWidth: 0.06, Lightest: 2.5,
				Step: 2.5, Heaviest: 95, Mass: 100, Foot: 0.5}}
		}
		if load.Kind == setup.Band {
			load.Pull = []setup.BandPoint{{Length: 0.5, Force: 10}, {Length: 1, Force: 50}}
		}
	}
	return d
}

// What the schema says of a number is what the checker holds it to: at its limits it is admitted, beyond them refused, and the checker
// refuses nothing that the schema does not. Places, angles of joints and what depends on the kind of movement have limits of their own.
func TestSchemaAndCheckerAgree(t *testing.T) {
	own := regexp.MustCompile(`\.(x|y|z)$|^movement\.(fromDeg|toDeg)$`)
	seen, bounded := map[string]bool{}, map[string]bool{}
	for _, ready := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		for _, d := range []setup.Document{ready.Document, full(ready.Document)} {
			var all []number
			numbersOf("", "", reflect.ValueOf(&d), &all)
			for _, n := range all {
				kind := regexp.MustCompile(`\[\d+\]`).ReplaceAllString(n.path, "")
				if seen[kind] || own.MatchString(n.path) {
					continue
				}
				seen[kind] = true
				bounded[kind] = agrees(t, &d, &n)
			}
		}
	}
	for _, must := range []string{"lifter.height", "loads.stackMass", "loads.kit.spec.mass", "posture.trunk.pitchDeg", "loads.pull.force",
		"loads.cam.arm"} {
		if !bounded[must] {
			t.Errorf("%s was not tried, or has no limits; tried: %d", must, len(seen))
		}
	}
}

// agrees tries a number at its limits and beyond, and says whether it has any.
func agrees(t *testing.T, d *setup.Document, n *number) bool {
	t.Helper()
	was := reflect.ValueOf(n.v.Interface())
	defer n.v.Set(was)
	at := func(x float64) (low, high float64, is bool) {
		n.set(x)
		return refused(d, n.path)
	}
	lowTag, bounded := n.tag.Lookup("minimum")
	if !bounded {
		for _, x := range []float64{-1e7, 1e7} {
			if low, high, is := at(x); is {
				t.Errorf("%s: the checker wants %g to %g, the schema says nothing", n.path, low, high)
			}
		}
		return false
	}
	low, _ := strconv.ParseFloat(lowTag, 64)
	high, err := strconv.ParseFloat(n.tag.Get("maximum"), 64)
	if err != nil {
		t.Errorf("%s has a minimum and no maximum", n.path)
		return false
	}
	step := max(1e-9, 1e-3*(high-low))
	if n.v.Kind() == reflect.Int {
		step = 1
	}
	for _, x := range []float64{low, high} {
		if a, b, is := at(x); is {
			t.Errorf("%s: %g is refused, %g to %g, the schema says %g to %g", n.path, x, a, b, low, high)
		}
	}
	for _, x := range []float64{low - step, high + step} {
		if x == 0 {
			continue // left out
		}
		if a, b, is := at(x); !is || a != low || b != high {
			t.Errorf("%s: %g: refused %v, %g to %g, the schema says %g to %g", n.path, x, is, a, b, low, high)
		}
	}
	return true
}

// A list that is as long as the schema admits is not too long, and one that is longer is refused at its own path.
func TestListsAreAsLongAsTheSchemaSays(t *testing.T) {
	tried := 0
	for _, ready := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		d := full(ready.Document)
		d.Cues, d.Acknowledged, d.Locked, d.Lifter.Cautions = []string{"Slowly."}, []string{"pain"}, []string{"stance.out"},
			[]string{"Mind the wrist."}
		lists(reflect.ValueOf(&d).Elem(), "", func(path string, tag reflect.StructTag, v reflect.Value) {
			most, err := strconv.Atoi(tag.Get("maxItems"))
			if err != nil || v.Len() == 0 {
				return
			}
			tried++
			was := reflect.ValueOf(v.Interface())
			defer func() { v.Set(was) }()
			for v.Len() < most {
				v.Set(reflect.Append(v, was.Index(0)))
			}
			if p, long := tooLong(&d, path); long {
				t.Errorf("%s of %d: %s", path, most, p.What)
			}
			v.Set(reflect.Append(v, was.Index(0)))
			if _, long := tooLong(&d, path); !long {
				t.Errorf("%s of %d is admitted, the schema says %d", path, most+1, most)
			}
		})
	}
	if tried < 100 {
		t.Errorf("only %d lists were tried", tried)
	}
}

// tooLong finds the problem that a list itself has.
func tooLong(d *setup.Document, path string) (setup.Problem, bool) {
	for _, p := range rules.Validate(d) {
		if p.Path == path && regexp.MustCompile(`\d+`).MatchString(p.What) && !strings.Contains(p.What, "does not come after") {
			return p, true
		}
	}
	return setup.Problem{}, false
}

// lists calls what is done with every list of a document.
func lists(v reflect.Value, path string, do func(path string, tag reflect.StructTag, v reflect.Value)) {
	if v.Kind() == reflect.Pointer {
		if !v.IsNil() {
			lists(v.Elem(), path, do)
		}
		return
	}
	if v.Kind() != reflect.Struct {
		return
	}
	for i := range v.NumField() {
		f := v.Type().Field(i)
		name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
		at := strings.TrimPrefix(path+"."+name, ".")
		if v.Field(i).Kind() != reflect.Slice {
			lists(v.Field(i), at, do)
			continue
		}
		for k := range v.Field(i).Len() {
			lists(v.Field(i).Index(k), fmt.Sprintf("%s[%d]", at, k), do)
		}
		do(at, f.Tag, v.Field(i))
	}
}

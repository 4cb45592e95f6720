package edits

import (
	"encoding/json"
	"fmt"
	"reflect"
	"slices"
	"strings"

	"dialarc/core/setup"
)

// plain are the parts of a document that are set to a value as they stand, by their paths with the load's place left out; tidy is what is
// done to a value before, nil for nothing. Everything else is changed by a rule of its own.
var plain = map[string]func(d *setup.Document){
	"name":                nil,
	"notes":               func(d *setup.Document) { d.Notes = strings.TrimSpace(d.Notes) },
	"safely":              func(d *setup.Document) { d.Safely = strings.TrimSpace(d.Safely) },
	"cues":                func(d *setup.Document) { d.Cues = filled(d.Cues) },
	"acknowledged":        nil,
	"scoring":             func(d *setup.Document) { d.Scoring = usualLeftOut(d.Scoring) },
	"lifter":              nil,
	"lifter.lowBackLimit": nil,
	"lifter.gripLimit":    nil,
	"target.profile":      drawn,
	"target.joint":        nil,
	"target.custom":       nil,
	"target.region":       keepJoint,
	"posture.restraints":  nil,
	"posture.riser":       nil,
	"loads.catch":         nil,
	"loads.worn":          nil,
	"loads.loose":         nil,
}

// Set is the document with a plain part of it set to a value that is given as JSON; null takes it out. The path is that of messages, like
// loads[0].worn.
func Set(d *setup.Document, path, value string) (setup.Document, setup.Problems) {
	c := d.Clone()
	name, index := path, -1
	if rest, ok := strings.CutPrefix(path, "loads["); ok {
		if _, err := fmt.Sscanf(rest, "%d]", &index); err != nil || index < 0 || index >= len(c.Loads) {
			return c, noLoad(index)
		}
		_, field, _ := strings.Cut(rest, "].")
		name = "loads." + field
	}
	tidy, known := plain[name]
	if !known {
		return c, setup.Problems{{Path: path, What: "This is not set to a value as it stands."}}
	}
	at := fieldAt(reflect.ValueOf(&c).Elem(), strings.Split(name, "."), index)
	to := reflect.New(at.Type())
	if problems := setup.Shape([]byte(value), at.Type()); value != "null" && len(problems) > 0 {
		for i := range problems {
			problems[i].Path = strings.TrimSuffix(path+"."+problems[i].Path, ".")
		}
		return c, problems
	}
	if err := json.Unmarshal([]byte(value), to.Interface()); err != nil {
		return c, setup.Problems{{Path: path, What: "The value cannot be read: " + err.Error() + "."}}
	}
	at.Set(to.Elem())
	if tidy != nil {
		tidy(&c)
	}
	return c, nil
}

// fieldAt walks from a struct along the JSON names of its fields.
func fieldAt(v reflect.Value, names []string, index int) reflect.Value {
	for _, name := range names {
		if v.Kind() == reflect.Slice {
			v = v.Index(index)
		}
		t := v.Type()
		for i := range t.NumField() {
			if json, _, _ := strings.Cut(t.Field(i).Tag.Get("json"), ","); json == name {
				v = v.Field(i)
				break
			}
		}
	}
	return v
}

// drawn gives a profile that is to be drawn something to begin with: even.
func drawn(d *setup.Document) {
	if d.Target.Profile == "custom" && len(d.Target.Custom) == 0 {
		d.Target.Custom = []float64{1, 1, 1, 1, 1}
	}
}

// filled are the lines that say something.
func filled(lines []string) []string {
	var out []string
	for _, l := range lines {
		if l = strings.TrimSpace(l); l != "" {
			out = append(out, l)
		}
	}
	return out
}

// usualLeftOut is a scoring, or none where it says nothing.
func usualLeftOut(s *setup.Scoring) *setup.Scoring {
	if s == nil || *s == (setup.Scoring{}) {
		return nil
	}
	return s
}

// keepJoint keeps the target's joint where the region crosses it, and takes the first that it crosses where not.
func keepJoint(d *setup.Document) {
	if r, known := setup.RegionOf(d.Target.Region); known && len(r.Joints) > 0 && !slices.Contains(r.Joints, d.Target.Joint) {
		d.Target.Joint = r.Joints[0]
	}
}

// withLock is the document with a setting locked against searches and suggestions, or free again.
func withLock(d *setup.Document, key string, locked bool) setup.Document {
	c := d.Clone()
	c.Locked = slices.DeleteFunc(c.Locked, func(k string) bool { return k == key })
	if locked {
		c.Locked = append(c.Locked, key)
	}
	return c
}

// Package compare puts setups side by side: what really differs between them and by how much, why they cannot be compared in some
// respects, what to load so that they can in one, and which of them complement each other.
package compare

import (
	"fmt"

	"dialarc/core/setup"
)

// Schema is the version of comparisons that this program writes and the newest that it reads.
const Schema = "dialarc.comparison/1"

// Most is how many setups a comparison holds at most: more curves cannot be told apart.
const Most = 24

// Kept is a comparison as a coach keeps it: copies of the setups, so that it still says the same when one of them has changed since.
type Kept struct {
	Schema string   `json:"schema" doc:"Version of the comparison." example:"dialarc.comparison/1"`
	Name   string   `json:"name" doc:"What the coach calls it."`
	Setups []Member `json:"setups" doc:"What is compared, the first as the reference; at most six."`
	Equal  string   `json:"equal,omitempty" doc:"What the loads are made equal for; as they are unless given." enum:"peak,mean,angle,reserve"`
	AtDeg  float64  `json:"atDeg,omitempty" doc:"angle: where, degrees of the coordinate that all of them move."`
	Along  string   `json:"along,omitempty" doc:"What the curves are drawn over; the angle unless given." enum:"angle,length,time"`
	Scale  string   `json:"scale,omitempty" doc:"What is drawn: torque, torque over its own peak, or effort; torque unless given." enum:"torque,shape,effort"`
	Notes  string   `json:"notes,omitempty" doc:"What the coach wants to remember about it." maxLength:"4000"`
}

// Member is one setup of a comparison, and where it was taken from.
type Member struct {
	Document setup.Document `json:"document"`
	SetupID  string         `json:"setupId,omitempty" doc:"Id of the saved setup that it is a copy of."`
}

// Parse reads a comparison and checks it. On problems it holds whatever could be read.
func Parse(raw []byte) (Kept, setup.Problems) {
	k, problems := setup.Decode[Kept](raw, "comparison", "10 kB")
	if len(problems) > 0 {
		return k, problems
	}
	return k, Validate(&k)
}

// Validate checks a comparison apart from its setups: these may have problems, which are told beside the others.
func Validate(k *Kept) setup.Problems {
	v := &setup.Checks{}
	if !v.OneOf("schema", "schema", k.Schema, Schema) {
		return v.Found
	}
	if k.Name == "" {
		v.Add("name", "The comparison has no name.", "", "Give it one.")
	}
	v.Name("name", k.Name)
	if n := len(k.Setups); n > Most {
		v.Add("setups", fmt.Sprintf("There are %d setups.", n), "A longer table is not read.", fmt.Sprintf("Compare at most %d.", Most))
	}
	v.OneOf("equal", "way to make loads equal", k.Equal, append([]string{""}, Ways...)...)
	v.Within("atDeg", "angle for equal loads", k.AtDeg, -360, 360, "degrees", "")
	v.OneOf("along", "axis", k.Along, "", "angle", "length", "time")
	v.OneOf("scale", "scale", k.Scale, "", "torque", "shape", "effort")
	if n := len([]rune(k.Notes)); n > 4000 {
		v.Add("notes", fmt.Sprintf("The notes have %d characters.", n), "", "Keep them to 4000.")
	}
	for i := range k.Setups {
		if s := k.Setups[i].Document.Schema; s != setup.Schema {
			v.Add(fmt.Sprintf("setups[%d].document.schema", i), "The setup has another version than this program reads.", "",
				"Give "+setup.Schema+".")
		}
	}
	return v.Found
}

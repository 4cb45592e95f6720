package muscle

import (
	"encoding/json"
	"math"
	"os"
	"testing"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// aim is a moment arm that was recalled, about an axis of the shoulder in a pose, degrees: sizes and trends of Ackland et al. 2008, J Anat
// 213:383; Kuechle et al. 1997, J Shoulder Elbow Surg 6:429; Otis et al. 1994, J Bone Joint Surg 76:667 (all from memory; horizontal
// adduction and overhead are estimates).
type aim struct {
	Row, About          string
	P, E, R, MM, Within float64
}

// met counts the aims that a table's lines come to; a row in strips by the mean of its strips, weighted by force.
func met(t *table, aims []aim) (count int) {
	b := reference()
	lines := linesOf(t, &b)
	for _, c := range aims {
		q := body.Pose{setup.ShoulderPlane: space.Rad(c.P), setup.ShoulderElevation: space.Rad(c.E), setup.ShoulderRotation: space.Rad(c.R)}
		var a arm
		a.place(&b, &q)
		sp, cp := math.Sincos(space.Rad(c.P))
		axis := map[string]space.Vec{"abduction": {X: -cp, Z: sp}, "flexion": {X: -cp, Z: sp}, "horizontalAdduction": space.Y,
			"internalRotation": a.turn[humerusBody].Apply(space.Y)}[c.About]
		sum, force := 0.0, 0.0
		for key, l := range lines {
			if key == c.Row || (len(key) == len(c.Row)+2 && key[:len(c.Row)] == c.Row) {
				sum, force = sum+l.force*r3.Dot(l.lay(&a).about[atShoulder], axis), force+l.force
			}
		}
		if math.Abs(1000*sum/force-c.MM) <= c.Within+0.5 { // aims are whole millimetres
			count++
		}
	}
	return count
}

// The table's moment arms meet at least as many of the recalled aims as the one before it did.
func TestMomentArmsMeetTheirAims(t *testing.T) {
	raw, err := os.ReadFile("testdata/aims.json")
	if err != nil {
		t.Fatal(err)
	}
	var aims []aim
	if err := json.Unmarshal(raw, &aims); err != nil {
		t.Fatal(err)
	}
	earlier, err := os.ReadFile("testdata/earlier-table.json")
	if err != nil {
		t.Fatal(err)
	}
	old := readTable(earlier)
	before, now := met(&old, aims), met(&regions, aims)
	t.Logf("of %d aims %d are met, %d were", len(aims), now, before)
	if now < before || len(aims) < 250 {
		t.Errorf("of %d aims %d are met, %d were", len(aims), now, before)
	}
}

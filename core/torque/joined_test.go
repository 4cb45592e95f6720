package torque_test

import (
	"testing"

	"dialarc/core/body"
	"dialarc/core/internal/check"
	"dialarc/core/internal/sample"
	"dialarc/core/space"
	"dialarc/core/torque"

	"gonum.org/v1/gonum/spatial/r3"
)

// A handle in both hands beside the middle: the other hand stays on it, with the velocity that it has; the trunk bears the cable's whole
// force at the handle, the arm that leads half of it.
func TestHandleInBothHands(t *testing.T) {
	for _, key := range []string{"turn.cable", "chop.cable"} {
		d := sample.Ready(t, key)
		in := input(&d, 7)
		in.Others = []body.Joint{body.ShoulderR}
		var r torque.Repetition
		r.Run(in)
		if len(r.Parts) != 1 {
			t.Fatalf("%s: one cable is %d parts", key, len(r.Parts))
		}
		alone := d.Clone()
		alone.Loads[0].Shared = false
		single := input(&alone, 7)
		single.Others = in.Others
		var one torque.Repetition
		one.Run(single)
		var f, ahead, before body.Frames
		for i, s := range r.S {
			in.Path.Place(s, &f)
			middle := r3.Scale(0.5, r3.Add(f.Grip[body.Right], f.Grip[body.Left]))
			if apart := space.Norm(r3.Sub(f.Grip[body.Right], f.Grip[body.Left])); apart < 0.03 || apart > 0.09 {
				t.Errorf("%s at %v: the hands are %.3f m apart", key, s, apart)
			}
			pulley := space.Vec(*d.Loads[0].Pulley)
			pull := in.Items[0].At(&f)
			force := r3.Scale(2*pull.Tension, r3.Unit(r3.Sub(pulley, middle)))
			want := -r3.Dot(r3.Cross(r3.Sub(middle, r.Joint[i]), force), r.Axis[i])
			check.Near(t, key+": torque of the cable", r.Parts[0].Torque[i], want, 1e-9)
			check.Near(t, key+": its force", r.Parts[0].Tension[i], 2*pull.Tension, 1e-9)
			if both, one := r.Others[0].Size[i], one.Others[0].Size[i]; both > 0.85*one {
				t.Errorf("%s at %v: the arm that leads bears %.1f N·m of %.1f", key, s, both, one)
			}
			const step = 1e-4
			in.Path.Place(s+step, &ahead)
			in.Path.Place(s-step, &before)
			rate := r3.Scale(1/(2*step), r3.Sub(ahead.Grip[body.Left], before.Grip[body.Left]))
			check.Near(t, key+": velocity of the other hand", space.Norm(r3.Sub(f.Velocity(body.HandL, f.Grip[body.Left]), rate)), 0, 1e-4)
		}
	}
}

package evaluate_test

import (
	"math"
	"slices"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/setup"
)

const lifterWeight = 75 * 9.80665 // of the usual lifter, N

// The share of the quadriceps' pull that presses the kneecap on the thigh: read off the curve of van Eijden et al. 1986 (J Biomech
// 19:219-229, from memory): a little under a half straight, three quarters at 30 degrees, all of it from 60 to 90.
func TestKneecapShare(t *testing.T) {
	for deg, want := range map[float64]float64{0: 0.46, 30: 0.74, 60: 0.95, 90: 0.98} {
		check.Near(t, "share", evaluate.KneecapShare(deg), want, 0.02)
	}
	if a, b := evaluate.KneecapShare(120), evaluate.KneecapShare(150); a != b {
		t.Errorf("beyond what was measured: %v, %v", a, b)
	}
}

// Forces on the joints of a leg: a deep squat presses the kneecap with several body weights, more the deeper (Wallace et al. 2002, J Orthop
// Sports Phys Ther 32:141-148, trend, from memory); a leg extension with the knee straight, little; a hinge that keeps the shins still,
// nothing (common practice, no source). Rising on one foot the ankle bears several body weights (Procter & Paul 1982, J Biomech
// 15:627, from memory: over four in walking).
func TestSurfacesOfALeg(t *testing.T) {
	squat := of(t, "squat.back").Muscles
	for i := 1; i < len(squat.Kneecap); i++ {
		if squat.Kneecap[i] >= squat.Kneecap[i-1] {
			t.Errorf("rising, the kneecap is pressed with %.0f after %.0f N", squat.Kneecap[i], squat.Kneecap[i-1])
		}
	}
	if w := squat.Kneecap[0] / lifterWeight; w < 3 || w > 9 {
		t.Errorf("at the bottom of a squat %.1f body weights", w)
	}
	if w := squat.Knee[0] / lifterWeight; w < 4 || w > 9 {
		t.Errorf("between thigh and shin %.1f body weights", w)
	}
	extension := of(t, "knee.extension").Muscles
	if first, last := extension.Kneecap[0], extension.Kneecap[len(extension.Kneecap)-1]; last > 0.6*first || !math.IsNaN(extension.Hip[0]) {
		t.Errorf("bent %.0f, straight %.0f N; hip %v", first, last, extension.Hip[0])
	}
	if hinge := of(t, "deadlift.romanian").Muscles; hinge.Kneecap[0] > 0.05*lifterWeight || hinge.Hip[0] < 2*lifterWeight {
		t.Errorf("in a hinge the kneecap has %.0f N, the hip %.0f", hinge.Kneecap[0], hinge.Hip[0])
	}
	calf := of(t, "calf.one").Muscles
	if w := calf.Ankle[0] / lifterWeight; w < 3 || w > 7 {
		t.Errorf("on one foot the ankle bears %.1f body weights", w)
	}
	if alone := of(t, "deadlift.one").Muscles; !math.IsNaN(alone.Hip[0]) || math.IsNaN(alone.Knee[0]) {
		t.Errorf("on one leg the hip has %v N, the knee %v", alone.Hip[0], alone.Knee[0])
	}
	if raise := of(t, "raise.dumbbell").Muscles; !math.IsNaN(raise.Knee[0]) || !math.IsNaN(raise.Ankle[0]) {
		t.Error("a raise tells of a leg")
	}
}

// With the hanging shin's own weight alone, and no muscle needed, what a joint holds is that weight: a closed form.
func TestSurfaceWithoutMuscles(t *testing.T) {
	d := ready(t, "knee.extension")
	d.Movement = setup.Movement{Kind: "sweep", Side: "both", Primary: "knee.flexion", FromDeg: 100, ToDeg: 80}
	d.Loads = []setup.Load{{ID: "own", Kind: setup.Bodyweight, Side: "right"}}
	r := evaluated(t, &d)
	at := slices.Index(r.Muscles.Largest, slices.Min(r.Muscles.Largest))
	shin := (0.0433 + 0.0137) * lifterWeight // shank and foot, de Leva 1996 (J Biomech 29:1223), from memory
	if held := r.Muscles.Knee[at]; held < 0.8*shin || held > 1.3*shin {
		t.Errorf("hanging, the knee holds %.1f N; the shin weighs %.1f", held, shin)
	}
}

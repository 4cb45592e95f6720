package evaluate_test

import (
	"math"
	"strings"
	"testing"

	"dialarc/core/evaluate"
	"dialarc/core/internal/check"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// The joint that is nearest to its end gives out first, whatever the setup is for: an overhead press ends at the elbow long before the
// shoulder has nothing left, and says so with the load.
func TestTheWeakestJointIsTheLimit(t *testing.T) {
	d := ready(t, "press.standing")
	r := evaluated(t, &d)
	l := r.Limit
	if l.Key != "elbow" || l.TargetEffort.OrNaN() > 0.8 || l.Effort.OrNaN() <= r.Profile.PeakEffort.OrNaN() {
		t.Errorf("%s gives out first, the shoulder then at %.2f; effort %.2f and %.2f", l.Key, l.TargetEffort.OrNaN(), l.Effort.OrNaN(),
			r.Profile.PeakEffort.OrNaN())
	}
	check.Near(t, "the load", l.Kg.OrNaN(), d.Loads[0].Mass*(l.Factor.OrNaN()), 1e-6)
	said := ""
	for _, v := range r.Verdicts {
		if v.Key == "jointLoad" {
			said = v.Text
		}
	}
	if !strings.HasPrefix(said, "The elbow is the limit: {effort} of its strength at {load}") {
		t.Errorf("%q", said)
	}
	// Tested arms make the elbow strong enough for another joint to end it.
	for _, deg := range []float64{20, 90, 130} {
		d.Lifter.Strength = append(d.Lifter.Strength, setup.StrengthTest{Action: "elbow.extension", AngleDeg: deg, Torque: 300})
	}
	if l := evaluated(t, &d).Limit; l.Key == "elbow" {
		t.Errorf("an elbow of 300 N·m still ends it: %+v", l)
	}
}

// Repetitions follow the limit: 30 times what the load may still grow; more than 30 are called light and are no number; a load that is more
// than what goes once says so (Epley 1985, from memory).
func TestRepetitionsFollowTheLimit(t *testing.T) {
	d := ready(t, "curl.dumbbell")
	once := evaluated(t, &d).Limit.Kg.OrNaN()
	at := func(kg float64) report.Limit {
		d.Loads[0].Mass = kg
		return evaluated(t, &d).Limit
	}
	check.Near(t, "at three quarters", at(once/(1+10.0/30)).Reps.OrNaN(), 10, 1e-6)
	light := at(once / 10)
	if !light.Light || light.Reps.Known() || light.Reps.Why() == "" {
		t.Errorf("%+v", light.Reps)
	}
	if heavy := at(1.1 * once); heavy.Reps.Known() || !strings.Contains(heavy.Reps.Why(), "more than") || heavy.Effort.OrNaN() <= 1 {
		t.Errorf("%+v", heavy)
	}
	span := at(once / 1.3)
	if !(span.KgLow.OrNaN() < span.Kg.OrNaN() && span.Kg.OrNaN() < span.KgHigh.OrNaN()) || (span.RepsLow.Known() &&
		span.RepsLow.OrNaN() >= span.Reps.OrNaN()) {
		t.Errorf("%v to %v kg", span.KgLow.OrNaN(), span.KgHigh.OrNaN())
	}
}

// A set of 12 for 10 with 2 left in an exercise, and the model then has that exercise end where Epley says: near 12 times 1 + 12/30. The
// estimate keeps a little say.
func TestKnownSetMovesItsOwnExercise(t *testing.T) {
	d := ready(t, "curl.dumbbell")
	d.Lifter.Training, d.Lifter.Sex = "trained", "male"
	estimate := evaluated(t, &d).Limit.Kg.OrNaN()
	want := 12 * (1 + 12.0/30)
	d.Lifter.Sets = []setup.KnownSet{{Exercise: "curl.dumbbell", Load: 12, Reps: 10, Left: 2}}
	r := evaluated(t, &d)
	got := r.Limit.Kg.OrNaN()
	if math.Abs(math.Log(got/want)) > 0.3*math.Abs(math.Log(estimate/want)) || r.Limit.Trust != "sets" {
		t.Errorf("%.1f kg goes once by the set, %.1f by the estimate, the model has %.1f, resting on %s", want, estimate, got, r.Limit.Trust)
	}
	// The arm's other actions move with it, a leg less: of somebody of whom nothing else is known even that says something.
	moves := func(key string) float64 {
		with, without := ready(t, key), ready(t, key)
		with.Lifter.Sets = d.Lifter.Sets
		return evaluated(t, &with).Limit.Kg.OrNaN() / evaluated(t, &without).Limit.Kg.OrNaN()
	}
	if arm, leg := moves("extension.lying"), moves("knee.extension"); !(arm < 0.98 && arm < leg && leg > 0.85 && leg < 1) {
		t.Errorf("lying extension times %.3f, leg extension times %.3f", arm, leg)
	}
}

// Sets that say nothing are told where they are: an exercise that is not there, one without a load in kilograms.
func TestSetsThatSayNothing(t *testing.T) {
	l := setup.Lifter{Height: 1.75, BodyMass: 75, Sets: []setup.KnownSet{{Exercise: "curl.dumbbell", Load: 12, Reps: 10},
		{Exercise: "curl.unknown", Load: 12, Reps: 10}, {Exercise: "dip.leaning", Load: 12, Reps: 10}}}
	problems := evaluate.CheckSets("lifter.", &l)
	if len(problems) != 2 || problems[0].Path != "lifter.sets[1].exercise" || problems[1].Path != "lifter.sets[2].exercise" ||
		problems[0].Hint == "" || problems[1].Hint == "" {
		t.Errorf("%+v", problems)
	}
	known := evaluate.KnownOf(&l)
	if !known.Sets[0].Factor.Known() || known.Sets[0].Action != "elbow.flexion" || known.Sets[1].Factor.Known() ||
		known.Sets[1].Factor.Why() == "" {
		t.Errorf("%+v", known.Sets)
	}
	d := ready(t, "curl.dumbbell")
	d.Lifter.Sets = l.Sets[1:]
	if _, problems := evaluate.Document(&d); len(problems) > 0 {
		t.Errorf("a document with such sets is refused: %v", problems)
	}
	if list := evaluate.CountedExercises(); len(list) < 60 {
		t.Errorf("sets can be known in %d exercises", len(list))
	}
}

// The spread of strength is in the band of effort: a tested lifter's is narrower.
func TestSpreadOfStrengthIsInTheBand(t *testing.T) {
	width := func(d setup.Document) float64 {
		u, problems := evaluate.Uncertainty(t.Context(), &d, report.UsualErrors, 1)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		return u.PeakEffort.High.OrNaN() / u.PeakEffort.Low.OrNaN()
	}
	plain := ready(t, "curl.dumbbell")
	tested := plain.Clone()
	for _, deg := range []float64{20, 90, 130} {
		tested.Lifter.Strength = append(tested.Lifter.Strength, setup.StrengthTest{Action: "elbow.flexion", AngleDeg: deg, Torque: 70})
	}
	if a, b := width(plain), width(tested); a < 1.8 || b > 1.5 {
		t.Errorf("high over low: estimate %.2f, tested %.2f", a, b)
	}
}

// Activations stay in step with strength: of somebody half as strong they are twice as large.
func TestActivationGoesWithStrength(t *testing.T) {
	d := ready(t, "curl.dumbbell")
	man := evaluated(t, &d)
	d.Lifter.BodyMass *= 0.5
	d.Loads[0].Mass *= 1 // the same dumbbell
	boy := evaluated(t, &d)
	i := len(man.Muscles.S) / 2
	if ratio := boy.Muscles.Largest[i] / man.Muscles.Largest[i]; ratio < 1.7 || ratio > 2.05 {
		t.Errorf("of half the mass %.2f times as active", ratio)
	}
}

// Where the arm starts in another plane it comes evenly to the held one, and the profile's name stays the elevation's.
func TestRaiseThatStartsInAnotherPlane(t *testing.T) {
	d := ready(t, "raise.dumbbell")
	start := -20.0
	d.Movement.StartPlane, d.Movement.Hold["shoulder.planeOfElevationDeg"] = &start, 40
	r := evaluated(t, &d)
	if r.Names != "shoulder.elevation" {
		t.Errorf("named by %s", r.Names)
	}
	half := d.Clone()
	half.Movement.StartPlane = nil
	half.Movement.Hold["shoulder.planeOfElevationDeg"] = 10
	half.Movement.FromDeg, half.Movement.ToDeg = 49.9, 54.9 // about the middle of 5 to 95
	a, b := r.Path.Grip, evaluated(t, &half).Path.Grip
	mid, quarter := 3*50, 0
	d1 := math.Hypot(a[mid]-b[quarter], a[mid+2]-b[quarter+2])
	check.Near(t, "half way the hand is where the middle plane has it", d1, 0, 0.002)
	start = 300
	if _, problems := evaluate.Document(&d); len(problems) != 1 || problems[0].Path != "movement.startPlaneDeg" {
		t.Errorf("%v", problems)
	}
	fly := ready(t, "fly.flat")
	fly.Movement.StartPlane = &start
	if _, problems := evaluate.Document(&fly); len(problems) == 0 || problems[0].Path != "movement.startPlaneDeg" {
		t.Errorf("%v", problems)
	}
}

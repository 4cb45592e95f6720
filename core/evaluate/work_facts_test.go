package evaluate_test

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"dialarc/core/load"
	"dialarc/core/muscle"
	"dialarc/core/report"
	"dialarc/core/setup"
)

// looked is a report with the places that facts speak of.
type looked struct{ *report.Report }

var reportsOf = map[string]looked{}

// of is the report of an exercise for the usual lifter.
func of(t *testing.T, key string) looked {
	t.Helper()
	if r, ok := reportsOf[key]; ok {
		return r
	}
	d := ready(t, key)
	r := looked{evaluated(t, &d)}
	reportsOf[key] = r
	return r
}

func (r looked) mid() int { return (len(r.Muscles.S) - 1) / 2 }
func (r looked) end() int { return len(r.Muscles.S) - 1 }

// heaviest is the place of the muscles where the torque is largest.
func (r looked) heaviest() int {
	at := slices.Index(r.Curves.Torque, slices.Max(r.Curves.Torque))
	return int(math.Round(float64(at) / float64(len(r.Curves.S)-1) * float64(len(r.Muscles.S)-1)))
}

// share is that of a muscle with all its parts at a place, in percent.
func (r looked) share(whole string, at int) float64 {
	sum := 0.0
	for _, p := range r.Muscles.Regions {
		if muscle.Within(p.Key, whole) && !math.IsNaN(p.Share[at]) {
			sum += 100 * p.Share[at]
		}
	}
	return sum
}

// first is the muscle that leads at a place.
func (r looked) first(at int) string {
	sums := map[string]float64{}
	best := ""
	for _, p := range r.Muscles.Regions {
		whole := muscle.Whole(p.Key)
		if !math.IsNaN(p.Share[at]) {
			sums[whole] += p.Share[at]
		}
		if best == "" || sums[whole] > sums[best] {
			best = whole
		}
	}
	return best
}

// active is the activation of a region or head at a place; 0 for one that does nothing.
func (r looked) active(key string, at int) float64 {
	if p := r.Muscles.Part(key); p != nil {
		return p.Activation[at]
	}
	return 0
}

// back is how much of the retraction asked at a place middle trapezius and rhomboids give, N·m, and how much is asked.
func (r looked) back(at int) (give, asked float64) {
	for _, key := range []string{"trapezius.middle", "rhomboids"} {
		if p := r.Muscles.Part(key); p != nil {
			give += p.Retracts[at]
		}
	}
	return give, r.Muscles.Retracts[at]
}

// draws says whether they give at least a part of it.
func (r looked) draws(at int, part float64) (bool, string) {
	give, asked := r.back(at)
	return give >= part*asked, fmt.Sprintf("%.0f of %.0f N·m", give, asked)
}

// moreThan compares two numbers.
func moreThan(a, b float64) (bool, string) { return a > b, fmt.Sprintf("%.2f and %.2f", a, b) }

func within(x, low, high float64) (bool, string) {
	return x >= low && x <= high, fmt.Sprintf("%.3f", x)
}

// What coaches and anatomists expect of who does the work. Common practice, no source, unless a fact says otherwise. A fact that the
// model does not meet stands here as such: it says what is wrong with the model, and the check fails when that changes.
func TestFactsOfWork(t *testing.T) {
	for _, f := range []struct {
		says  string
		meets bool
		holds func() (bool, string)
	}{
		{"flat fly, heaviest: the chest leads the front deltoid", true, func() (bool, string) {
			r := of(t, "fly.flat")
			return moreThan(r.share("pectoralis", r.heaviest()), r.share("deltoid.anterior", r.heaviest()))
		}},
		{"overhead press: front deltoid first", true, func() (bool, string) {
			r := of(t, "press.standing")
			return r.first(r.mid()) == "deltoid.anterior", r.first(r.mid())
		}},
		{"the flatter the bench, the less middle deltoid", true, func() (bool, string) {
			a, b := of(t, "press.bench.60"), of(t, "press.bench.85")
			return moreThan(b.share("deltoid.middle", b.mid()), a.share("deltoid.middle", a.mid()))
		}},
		{"front raise: front deltoid first, at least 40 %", true, func() (bool, string) {
			r := of(t, "front.dumbbell")
			ok, what := within(r.share("deltoid.anterior", r.heaviest()), 40, 100)
			return ok && r.first(r.heaviest()) == "deltoid.anterior", what
		}},
		{"supraspinatus has more of a raise at its start than at the end (Otis et al. 1994, from memory)", true, func() (bool, string) {
			r := of(t, "raise.dumbbell")
			return moreThan(r.share("cuff.above", 2), r.share("cuff.above", r.end()))
		}},
		{"reverse fly with cuffs: rear deltoid first, at least 35 %", true, func() (bool, string) {
			r := of(t, "reverse.fly")
			ok, what := within(r.share("deltoid.posterior", r.mid()), 35, 100)
			return ok && r.first(r.mid()) == "deltoid.posterior", what
		}},
		{"face pull with the forearm in line, heaviest: rear deltoid ahead of the cuff", true, func() (bool, string) {
			r := of(t, "pull.face")
			return moreThan(r.share("deltoid.posterior", r.heaviest()), r.share("cuff", r.heaviest()))
		}},
		{"reverse fly: middle trapezius and rhomboids give 40 % of the retraction", true, func() (bool,
			string) {
			r := of(t, "reverse.fly")
			return r.draws(r.mid(), 0.4)
		}},
		{"row with elbows out: rear deltoid ahead of latissimus", true, func() (bool, string) {
			r := of(t, "row.rear")
			return moreThan(r.share("deltoid.posterior", r.mid()), r.share("latissimus", r.mid()))
		}},
		{"bar row, mid: latissimus ahead of rear deltoid", true, func() (bool, string) {
			r := of(t, "row.hinged")
			return moreThan(r.share("latissimus", r.mid()), r.share("deltoid.posterior", r.mid()))
		}},
		{"bar row, end: latissimus still ahead of rear deltoid", false, func() (bool, string) {
			r := of(t, "row.hinged")
			return moreThan(r.share("latissimus", r.end()), r.share("deltoid.posterior", r.end()))
		}},
		{"cable row, start: middle trapezius and rhomboids give 30 % of the retraction", true, func() (bool,
			string) {
			r := of(t, "row.cable")
			return r.draws(0, 0.3)
		}},
		{"cable row, mid: the same", true, func() (bool, string) { r := of(t, "row.cable"); return r.draws(r.mid(), 0.3) }},
		{"cable row, end: the same", true, func() (bool, string) { r := of(t, "row.cable"); return r.draws(r.end(), 0.3) }},
		{"bar row, mid: the same", true, func() (bool, string) { r := of(t, "row.hinged"); return r.draws(r.mid(), 0.3) }},
		{"bar row, end: the same", true, func() (bool, string) { r := of(t, "row.hinged"); return r.draws(r.end(), 0.3) }},
		{"row with elbows out, mid: the same", true, func() (bool, string) { r := of(t, "row.rear"); return r.draws(r.mid(), 0.3) }},
		{"face pull, mid: the same", true, func() (bool, string) { r := of(t, "pull.face"); return r.draws(r.mid(), 0.3) }},
		{"pulldown: teres major under half of latissimus (Holzbaur et al. 2007, volumes, from memory)", true, func() (bool, string) {
			r := of(t, "pulldown.chair")
			return moreThan(r.share("latissimus", r.mid())/2, r.share("teres.major", r.mid()))
		}},
		{"lever pulldown: latissimus ahead of the chest", true, func() (bool, string) {
			r := of(t, "lever.near")
			return moreThan(r.share("latissimus", r.mid()), r.share("pectoralis", r.mid()))
		}},
		{"pullover: chest more than latissimus (Marchetti & Uchida 2011, J Appl Biomech 27:380, from memory)", true, func() (bool, string) {
			r := of(t, "pullover")
			return moreThan(r.share("pectoralis", r.mid()), r.share("latissimus", r.mid()))
		}},
		{"pullover: latissimus at least 25 %", false, func() (bool, string) {
			r := of(t, "pullover")
			return within(r.share("latissimus",
				r.mid()), 25, 100)
		}},
		{"shrug: upper trapezius with levator at least 70 %", true, func() (bool, string) {
			r := of(t, "shrug.dumbbell")
			return within(r.share("trapezius.upper", r.mid())+r.share("levator", r.mid()), 70, 100.001)
		}},
		{"shrug: no muscle more active than upper trapezius", false, func() (bool, string) {
			r := of(t, "shrug.dumbbell")
			return r.Muscles.Largest[r.mid()] <= r.active("trapezius.upper", r.mid())+1e-9, r.Muscles.Busiest[r.mid()]
		}},
		{"dip: chest first, at least 40 %", true, func() (bool, string) {
			r := of(t, "dip.leaning")
			ok, what := within(r.share("pectoralis", r.heaviest()), 40, 100)
			return ok && r.first(r.heaviest()) == "pectoralis", what
		}},
		{"palm-up curl: biceps first, at least 45 %", true, func() (bool, string) {
			r := of(t, "curl.dumbbell")
			ok, what := within(r.share("biceps", r.heaviest()), 45, 100)
			return ok && r.first(r.heaviest()) == "biceps", what
		}},
		{"hammer curl: biceps at least 10 points less than palm up", true, func() (bool, string) {
			a, b := of(t, "curl.dumbbell"), of(t, "curl.hammer")
			return moreThan(a.share("biceps", a.heaviest())-10, b.share("biceps", b.heaviest()))
		}},
		{"palm-down curl: brachialis first", true, func() (bool, string) {
			r := turnedCurl(t, 75)
			return r.first(r.heaviest()) == "brachialis", r.first(r.heaviest())
		}},
		{"brachioradialis has more of a hammer curl than of a palm-up curl (trend of EMG with hand position, from memory)", true,
			func() (bool, string) {
				a, b := of(t, "curl.hammer"), of(t, "curl.dumbbell")
				return moreThan(a.share("brachioradialis", a.heaviest()), b.share("brachioradialis", b.heaviest()))
			}},
		{"hammer curl: brachialis ahead of biceps", false, func() (bool, string) {
			r := of(t, "curl.hammer")
			return moreThan(r.share("brachialis", r.heaviest()), r.share("biceps", r.heaviest()))
		}},
		{"pronators work more in a hammer than in a palm-up curl", true, func() (bool, string) {
			a, b := of(t, "curl.hammer"), of(t, "curl.dumbbell")
			return moreThan(a.active("pronators", a.heaviest()), b.active("pronators", b.heaviest()))
		}},
		{"long head of biceps: longest in the incline curl, shortest in the preacher curl", true, func() (bool, string) {
			a, b, c := longest(t, "curl.incline.45", "biceps.long"), longest(t, "curl.dumbbell", "biceps.long"),
				longest(t, "curl.preacher", "biceps.long")
			return a > b && b > c, fmt.Sprint(a, b, c)
		}},
		{"long head of triceps: longer overhead than in a pushdown", true, func() (bool, string) {
			return moreThan(longest(t, "extension.overhead", "triceps.long"), longest(t, "pressdown.rope", "triceps.long"))
		}},
		{"pushdown: long head 25 to 50 % of the triceps", true, func() (bool, string) {
			r := of(t, "pressdown.rope")
			return within(100*r.Muscles.Part("triceps.long").Share[r.heaviest()], 25, 50)
		}},
		{"leg extension: rectus femoris 8 to 25 % of the quadriceps (Handsfield et al. 2014, volumes, from memory)", true, func() (bool, string) {
			r := of(t, "knee.extension")
			return within(100*r.Muscles.Part("quadriceps.rectus").Share[r.mid()], 7.5, 25)
		}},
		{"hip swing, mid: gluteus maximus ahead of the hamstrings", false, func() (bool, string) {
			r := of(t, "swing.band")
			return moreThan(r.share("gluteus.maximus", r.mid()), r.share("hamstrings", r.mid()))
		}},
		{"raise to the side, top: upper trapezius works", true, func() (bool, string) {
			r := of(t, "raise.dumbbell")
			return within(r.active("trapezius.upper", r.end()), 0.05, 1)
		}},
		{"bar curl, palms up: biceps 45 to 65 %", true, func() (bool, string) {
			r := of(t, "curl.bar")
			return within(r.share("biceps",
				r.heaviest()), 45, 65)
		}},
		{"wide row for the side of the shoulder: middle deltoid first, hardly any latissimus", true, func() (bool, string) {
			r := of(t, "row.side")
			return r.first(r.mid()) == "deltoid.middle" && r.share("latissimus", r.mid()) < 5, r.first(r.mid())
		}},
		{"flat press: the long head of triceps has under 10 % of the shoulder's torque", true, func() (bool,
			string) {
			r := of(t, "press.flat")
			return within(r.share("triceps", r.mid()), 0, 10)
		}},
		{"goblet squat: vasti at least 75 % of the knee's torque", true, func() (bool, string) {
			r := of(t, "squat.goblet")
			return within(100*r.Muscles.Part("quadriceps.vasti").Share[r.mid()], 75, 100)
		}},
		{"high to low crossed cables: rear deltoid first at mid-path", true, func() (bool, string) {
			r := of(t, "reverse.high")
			return r.first(r.mid()) == "deltoid.posterior", r.first(r.mid())
		}},
		{"flat press, mid: serratus works", true, func() (bool, string) {
			r := of(t, "press.flat")
			return within(r.active("serratus", r.mid()),
				0.02, 1)
		}},
		{"front raise, top: serratus works (trend of EMG in flexion, from memory)", true, func() (bool, string) {
			r := of(t, "front.dumbbell")
			return within(r.active("serratus.lower", r.end()), 0.1/1.5, 1)
		}},
		{"raise to the side, top: lower trapezius and serratus both turn the blade up (Inman, Saunders & Abbott 1944, the force couple, from memory)", true, func() (bool, string) {
			r := of(t, "raise.dumbbell")
			a, b := r.active("trapezius.lower", r.end()), r.active("serratus.lower", r.end())
			return min(a, b) > 0.1/1.5, fmt.Sprintf("%.2f and %.2f", a, b)
		}},
		{"Romanian deadlift, mid: gluteus maximus at least 20 %", true, func() (bool, string) {
			r := of(t, "deadlift.romanian")
			return within(r.share("gluteus.maximus", r.mid()), 20, 100)
		}},
		{"Romanian deadlift, mid: hamstrings at least a quarter", true, func() (bool, string) {
			r := of(t, "deadlift.romanian")
			return within(r.share("hamstrings", r.mid()), 25, 100)
		}},
		{"the force at the shoulder leans at most 45 degrees from the socket at 95 % of places (Lippitt & Matsen 1993, trend, from memory)",
			false, func() (bool, string) {
				in, all := 0.0, 0.0
				everyReady(t, 1.75, func(_ string, _ setup.Document, r *report.Report) {
					for _, x := range r.Muscles.ShoulderLeanDeg {
						if !math.IsNaN(x) && !r.Hold {
							all++
							if x <= 45 {
								in++
							}
						}
					}
				})
				return within(in/all, 0.95, 1)
			}},
		{"one-arm pulldown, mid: rhomboids or middle trapezius more active than any serratus", false, func() (bool, string) {
			r := of(t, "pulldown.kneeling")
			return moreThan(max(r.active("rhomboids", r.mid()), r.active("trapezius.middle", r.mid())),
				max(r.active("serratus.lower", r.mid()), r.active("serratus.upper", r.mid())))
		}},
		{"elbows close: more latissimus than in a wide row", true, func() (bool, string) {
			a, b := of(t, "row.cable"), of(t, "row.seated.wide")
			return moreThan(a.share("latissimus", a.mid()), b.share("latissimus", b.mid()))
		}},
		{"elbow to the hip in a high one-arm pull: more latissimus still", false, func() (bool, string) {
			a, b := of(t, "pulldown.kneeling"), of(t, "row.cable")
			return moreThan(a.share("latissimus", a.mid()), b.share("latissimus", b.mid()))
		}},
		{"dead hang: no muscle of the shoulder over 0.3", false, func() (bool, string) {
			r := hanging(t)
			most, name := 0.0, ""
			for _, p := range r.Muscles.Regions {
				if strings.HasPrefix(p.Key, "biceps") || strings.HasPrefix(p.Key, "triceps") || p.Activation[0] <= most {
					continue
				}
				most, name = p.Activation[0], p.Key
			}
			return most <= 0.3, fmt.Sprintf("%s %.2f", name, most)
		}},
	} {
		if ok, what := f.holds(); ok != f.meets {
			t.Errorf("%s: %v (%s), marked %v", f.says, ok, what, f.meets)
		}
	}
}

// turnedCurl is a dumbbell curl with the forearm held at a pronation.
func turnedCurl(t *testing.T, deg float64) looked {
	d := ready(t, "curl.dumbbell")
	d.Movement.Hold["forearm.pronationDeg"] = deg
	return looked{evaluated(t, &d)}
}

// hanging is a pull-up whose first place is the dead hang.
func hanging(t *testing.T) looked {
	d := ready(t, "pullup")
	d.Movement.Guide.Start.Y = 0.61
	return looked{evaluated(t, &d)}
}

// longest is the largest length of a part along an exercise.
func longest(t *testing.T, key, part string) float64 {
	p := of(t, key).Muscles.Part(part)
	if p == nil {
		t.Fatalf("%s says nothing of %s", key, part)
	}
	return slices.Max(p.Length)
}

// Palm up, thumb up and palm down move work from the biceps to what lies under and beside it, and all three differ.
func TestForearmTurnMovesTheWork(t *testing.T) {
	up, hammer, down := turnedCurl(t, -75), turnedCurl(t, 0), turnedCurl(t, 75)
	at := up.heaviest()
	for _, c := range []struct {
		whole    string
		down, up bool // rises toward palm down, or toward palm up
	}{{"biceps", false, true}, {"brachialis", true, false}} {
		a, b, d := up.share(c.whole, at), hammer.share(c.whole, at), down.share(c.whole, at)
		if c.up && !(a > b && b > d) || c.down && !(a < b && b < d) {
			t.Errorf("%s: palm up %.0f, hammer %.0f, palm down %.0f %%", c.whole, a, b, d)
		}
	}
}

// Shares of what helps are never more than everything, and what does not help has none.
func TestSharesAreOfWhatHelps(t *testing.T) {
	everyReady(t, 1.75, func(key string, _ setup.Document, r *report.Report) {
		for i := range r.Muscles.S {
			sum := 0.0
			for _, p := range r.Muscles.Regions {
				if s := p.Share[i]; !math.IsNaN(s) {
					sum += s
					if s < 0 || p.Torque[i] < 0 && s > 0 && r.Curves.Torque[0] > 0 {
						t.Errorf("%s at %d: %s gives %.2f N·m and has a share of %.3f", key, i, p.Key, p.Torque[i], s)
					}
				}
			}
			if sum > 1+1e-9 {
				t.Errorf("%s at %d: the shares come to %.3f", key, i, sum)
			}
		}
	})
}

// One degree of any joint moves no share by more than 6 points, one percent of load none by more than one (own).
func TestSharesAreSteady(t *testing.T) {
	for _, key := range []string{"press.flat", "row.cable", "raise.dumbbell", "curl.dumbbell", "pull.face", "pulldown.chair", "fly.flat"} {
		d := ready(t, key)
		base := looked{evaluated(t, &d)}
		at := base.mid()
		moved := func(d *setup.Document) float64 {
			r := looked{evaluated(t, d)}
			most := 0.0
			for _, g := range muscle.Groups() {
				most = max(most, math.Abs(r.share(g.Key, at)-base.share(g.Key, at)))
			}
			return most
		}
		heavier := load.Times(&d, 1.01)
		if by := moved(&heavier); by > 1 {
			t.Errorf("%s: a hundredth of load moves a share by %.1f points", key, by)
		}
		for _, joint := range []string{"shoulder.planeOfElevationDeg", "shoulder.elevationDeg", "shoulder.rotationDeg", "elbow.flexionDeg"} {
			turned := d.Clone()
			if _, held := turned.Movement.Hold[joint]; held {
				turned.Movement.Hold[joint]++
			} else if len(turned.Movement.Keyframes) > 0 {
				for i := range turned.Movement.Keyframes {
					if x, ok := turned.Movement.Keyframes[i].Pose[joint]; ok {
						turned.Movement.Keyframes[i].Pose[joint] = x + 1
					}
				}
			} else {
				continue
			}
			if by := moved(&turned); by > 6 {
				t.Errorf("%s: a degree of %s moves a share by %.1f points", key, joint, by)
			}
		}
	}
}

// Training and sex change no share (own): the same setup is done by the same muscles, with other activations.
func TestTrainingAndSexChangeNoShare(t *testing.T) {
	for _, key := range []string{"curl.dumbbell", "pulldown.kneeling", "press.standing", "squat.back"} {
		d := ready(t, key)
		man := looked{evaluated(t, &d)}
		d.Lifter.Sex, d.Lifter.Training = "female", "novice"
		woman := looked{evaluated(t, &d)}
		for _, g := range muscle.Groups() {
			if a, b := man.share(g.Key, man.mid()), woman.share(g.Key, man.mid()); math.Abs(a-b) > 1e-6 {
				t.Errorf("%s: %s %.3f and %.3f %%", key, g.Label, a, b)
			}
		}
		if a, b := man.Muscles.Largest[man.mid()], woman.Muscles.Largest[man.mid()]; b < 1.5*a && !strings.HasPrefix(key, "squat") {
			t.Errorf("%s: a novice woman works no harder: %.2f and %.2f", key, b, a)
		}
	}
}

// At the shoulder only the long head of the triceps works, and is called by its name; at the elbow all three do (anatomy).
func TestTheHeadThatWorksIsNamed(t *testing.T) {
	label := func(key, region string) string {
		for _, w := range of(t, key).Muscles.Work {
			if w.Key == region {
				return w.Label
			}
		}
		return ""
	}
	if got := label("row.cable", "triceps"); got != "Triceps, long head" {
		t.Errorf("in a row it is %q", got)
	}
	if got := label("pressdown.rope", "triceps"); got != "Triceps" {
		t.Errorf("in a pushdown it is %q", got)
	}
}

package muscle

import (
	"fmt"
	"math"
	"testing"

	"dialarc/core/body"
	"dialarc/core/setup"
	"dialarc/core/space"

	"gonum.org/v1/gonum/spatial/r3"
)

// strongest is the largest torque of extension at hip or knee that the muscles that extend, or those that bend, hold together, N·m.
func strongest(hip, knee float64, atHip, extends bool) float64 {
	b := reference()
	m := New(&b)
	sum := 0.0
	for i := range m.legs {
		l := &m.legs[i]
		arm := l.scale * l.knee.at(knee)
		if atHip {
			arm = l.scale * l.hip.at(hip)
		}
		if (arm > 0) == extends {
			norm := l.normalised(flexions{hip: hip, knee: knee})
			sum += math.Abs(arm) * l.force * forceLength(norm)
		}
	}
	return sum
}

// leverOf is the moment arm of a line about an axis of the trunk, m, in a pose in degrees.
func leverOf(key string, p, e, r float64, axis space.Vec) float64 {
	b := reference()
	q := body.Pose{setup.ShoulderPlane: space.Rad(p), setup.ShoulderElevation: space.Rad(e), setup.ShoulderRotation: space.Rad(r)}
	var a arm
	a.place(&b, &q)
	l := linesOf(&regions, &b)[key]
	return r3.Dot(l.lay(&a).about[atShoulder], axis)
}

// Facts of leverage, length and strength. A fact that is not met stands as such.
func TestFactsOfTheTable(t *testing.T) {
	between := func(x, low, high float64) (bool, string) { return x >= low && x <= high, fmt.Sprintf("%.4g", x) }
	lift := space.Vec{X: -1} // abduction of the right arm
	back := space.Vec{Z: -1} // extension
	for _, f := range []struct {
		says  string
		meets bool
		holds func() (bool, string)
	}{
		{"supraspinatus at 90 degrees of abduction has 12 to 22 mm (Otis et al. 1994, J Bone Joint Surg 76:667, from memory)", true,
			func() (bool, string) { return between(1000*leverOf("supra", 0, 90, 0, lift), 12, 22) }},
		{"latissimus has 22 to 30 mm of extension with the arm hanging (Ackland et al. 2008, from memory)", false,
			func() (bool, string) { return between(1000*leverOf("lat_mid", 0, 0, 0, back), 22, 30) }},
		{"latissimus has 15 to 33 mm of extension at 120 degrees of flexion (Ackland et al. 2008, from memory)", true, func() (bool, string) {
			axis := space.Vec{Z: -1}
			return between(1000*leverOf("lat_mid", 90, 120, 0, axis), 15, 33)
		}},
		{"biceps with the arm hanging straight is at 1.1 to 1.25 of its best length (Murray, Buchanan & Delp 2000, J Biomech 33:943, from memory)", true, func() (bool, string) {
			b := reference()
			x, _ := NewGauge(&b, "biceps").Length(&body.Pose{})
			return between(x, 1.1, 1.25)
		}},
		{"hip extension with a bent knee is weakest straight, at most two thirds of its best (Worrell et al. 2001, from memory)", true,
			func() (bool, string) {
				best := 0.0
				for hip := 0.0; hip <= 120; hip += 5 {
					best = max(best, strongest(hip, 90, true, true))
				}
				return between(strongest(0, 90, true, true)/best, 0, 2.0/3)
			}},
		{"hip extension is strongest near 90 degrees (Worrell et al. 2001, from memory)", false, func() (bool, string) {
			return between(strongest(90, 90, true, true)/strongest(60, 90, true, true), 1, 2)
		}},
		{"lying knee flexion holds 80 to 130 N·m a leg at best (men, held still, from memory)", true, func() (bool, string) {
			best := 0.0
			for knee := 0.0; knee <= 110; knee += 5 {
				best = max(best, strongest(0, knee, false, false))
			}
			return between(best, 80, 130)
		}},
		{"knee flexion at 90 is stronger with the hip bent than straight (common practice, no source)", true, func() (bool, string) {
			return between(strongest(90, 90, false, false)/strongest(0, 90, false, false), 1.05, 3)
		}},
		{"hip thrust on top: gluteus maximus ahead of the hamstrings (common practice, no source)", true,
			func() (bool, string) { return shareOfHip(5, 85, 120, 10, "gluteus.maximus", "hamstrings.long") }},
		{"deep squat: gluteus and adductor magnus four fifths of the hip (Vigotsky & Bryanton 2016, trend, from memory)", true,
			func() (bool, string) {
				return between(partOfHip(112, 115, 150, 110, "gluteus.maximus")+partOfHip(112, 115, 150, 110, "adductor.magnus"), 0.8, 1)
			}},
		{"deep squat: gluteus maximus not behind adductor magnus (common practice, no source)", false, func() (bool, string) {
			return shareOfHip(112, 115, 150, 110, "gluteus.maximus", "adductor.magnus")
		}},
		{"calf, knee straight: gastrocnemius and soleus both, each a third at least (common practice, no source)", true,
			func() (bool, string) { return between(partOfAnkle(0, 0, "calf.gastrocnemius"), 1.0/3, 2.0/3) }},
		{"drawing the toes up holds 35 to 65 N·m at best (men held still, from memory)", true,
			func() (bool, string) {
				b := reference()
				m := New(&b)
				best := 0.0
				for ankle := -40.0; ankle <= 20; ankle += 5 {
					for i := range m.legs {
						if l := &m.legs[i]; l.key == "tib_ant" {
							best = max(best, -l.scale*l.ankle.at(ankle)*l.force*forceLength(l.normalised(flexions{ankle: ankle})))
						}
					}
				}
				return between(best, 35, 65)
			}},
		{"calf, knee bent square: soleus three quarters and more (common practice, no source)", true,
			func() (bool, string) { return between(partOfAnkle(90, 0, "calf.soleus"), 0.75, 1) }},
		{"plantar flexion with the knee straight holds 150 to 260 N·m a leg at best (trained men, held still, from memory)", true,
			func() (bool, string) {
				return between(strongestAt(0, func(l *legLine) float64 { return l.ankle.at(10) }, 10), 150, 260)
			}},
		{"on tiptoe the calf has at most half of its best (Sale et al. 1982, from memory)", false, func() (bool, string) {
			low, high := strongestAt(0, func(l *legLine) float64 { return l.ankle.at(-40) }, -40), strongestAt(0,
				func(l *legLine) float64 { return l.ankle.at(15) }, 15)
			return between(low/high, 0.2, 0.5)
		}},
		{"hinge at the bottom: hamstrings at least a quarter (common practice, no source)", true,
			func() (bool, string) { return between(partOfHip(95, 20, 180, -10, "hamstrings.long"), 0.25, 1) }},
	} {
		if ok, what := f.holds(); ok != f.meets {
			t.Errorf("%s: %v (%s), marked %v", f.says, ok, what, f.meets)
		}
	}
}

// partOfAnkle is the part of pointing the toes that a part gives, with a knee at an angle and an ankle at another.
func partOfAnkle(knee, ankle float64, key string) float64 {
	b := reference()
	m := New(&b)
	q := body.Pose{setup.HipFlexion: space.Rad(knee), setup.KneeFlexion: space.Rad(knee), setup.AnkleFlexion: space.Rad(ankle)}
	out := m.ShareLeg(&q, &Need{Ankle: 60, AnkleCounts: true, HipRests: true})
	own, all := 0.0, 0.0
	for h := range heads {
		all += max(0, out.Ankle[h])
		if Within(heads[h].Key, key) {
			own += out.Ankle[h]
		}
	}
	return own / all
}

// strongestAt is the largest torque that pointing the toes has with a straight knee, N·m, by the arms at an angle of the ankle.
func strongestAt(knee float64, arm func(*legLine) float64, ankle float64) float64 {
	b := reference()
	m := New(&b)
	sum := 0.0
	for i := range m.legs {
		l := &m.legs[i]
		if l.ankle == nil {
			continue
		}
		whole := l.force
		if l.knee != nil {
			whole *= calfStands
		}
		sum += l.scale * arm(l) * whole * forceLength(l.normalised(flexions{knee: knee, ankle: ankle}))
	}
	return sum
}

// partOfHip is the part of a need of hip extension that a head gives, with a need at the knee, N·m.
func partOfHip(hip, knee, needHip, needKnee float64, key string) float64 {
	b := reference()
	m := New(&b)
	q := body.Pose{setup.HipFlexion: space.Rad(hip), setup.KneeFlexion: space.Rad(knee)}
	out := m.ShareLeg(&q, &Need{Hip: needHip, Knee: needKnee})
	own, all := 0.0, 0.0
	for h := range heads {
		all += max(0, out.Hip[h])
		if heads[h].Key == key {
			own = out.Hip[h]
		}
	}
	return own / all
}

func shareOfHip(hip, knee, needHip, needKnee float64, more, less string) (bool, string) {
	a, b := partOfHip(hip, knee, needHip, needKnee, more), partOfHip(hip, knee, needHip, needKnee, less)
	return a >= b, fmt.Sprintf("%.2f and %.2f", a, b)
}

// Every line of the table belongs to a head, every head to a region that setups or reports name, and every region that a setup can be for
// is in the table, but those that are told as held or without muscles.
func TestEveryLineHasAPart(t *testing.T) {
	for i := range regions.Regions {
		r := &regions.Regions[i]
		keys := []string{r.Key}
		if len(r.Strips) > 0 {
			keys = nil
			for k := range r.Strips {
				keys = append(keys, r.Strips[k].key)
			}
		}
		for _, key := range keys {
			if headOf(key) < 0 {
				t.Errorf("%s belongs to nothing", key)
			}
		}
	}
	for _, r := range setup.Regions {
		if len(linesIn(r.Key)) == 0 {
			t.Errorf("%s is not in the table", r.Key)
		}
	}
	for _, g := range groups {
		if spoken[Whole(g.Key)] == "" {
			t.Errorf("%s has no name in a sentence", g.Key)
		}
	}
}

// Labels of lists read as sentences have them.
func TestInSentence(t *testing.T) {
	for label, want := range map[string]string{"Chest, lower": "lower chest", "Triceps": "triceps", "Chest, whole": "whole chest",
		"Deltoid, rear": "rear deltoid"} {
		if got := InSentence(label); got != want {
			t.Errorf("%q in a sentence: %q, want %q", label, got, want)
		}
	}
}

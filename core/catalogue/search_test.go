package catalogue_test

import (
	"slices"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/setup"
)

// What coaches type finds what they mean among the first (common practice, no source): usual and regional names, muscles and kit, words
// apart or together, the plural, in any order, and with errors of typing.
func TestSearchFindsWhatCoachesMean(t *testing.T) {
	for text, key := range map[string]string{
		"lateral raise": "raise.dumbbell", "side raise": "raise.dumbbell", "lateral rase": "raise.dumbbell", "Lateral Raises": "raise.dumbbell",
		"raise lateral": "raise.dumbbell",
		"pushdown":      "pressdown.rope", "push-down": "pressdown.rope", "tricep pushdwn": "pressdown.rope", "push downs": "pressdown.rope",
		"lat pulldown": "pulldown.bar", "pull down": "pulldown.bar", "chin up": "pullup", "calf": "calf.standing", "seated calf": "calf.seated",
		"leg press": "press.leg", "hip thrust": "thrust.hip", "bulgarian": "squat.split.rear", "lunge": "squat.split", "abductor": "abduction.machine",
		"single leg rdl": "deadlift.one", "glute kickback": "kickback.hip", "back extension": "extension.back", "weighted dip": "dip.weighted", "pull-ups": "pullup",
		"preacher": "curl.preacher", "hammer curl": "curl.hammer", "skull crusher": "extension.lying",
		"overhead triceps extension": "extension.overhead",
		"face pull":                  "pull.face", "rear delt fly": "reverse.fly", "pec fly": "fly.flat", "chest fly": "fly.flat", "bench press": "press.bar.flat",
		"incline dumbbell press": "press.dumbbell.incline",
		"rdl":                    "deadlift.romanian", "romanian deadlift": "deadlift.romanian", "hamstring curl": "leg.curl.lying",
		"leg extension": "knee.extension", "goblet squat": "squat.goblet",
		"shrug": "shrug.dumbbell", "seated row": "row.cable", "upright row": "upright.cable", "plank": "plank", "press out": "hold.antirotation",
		"suitcase carry": "hold.suitcase",
	} {
		hits := catalogue.Search(text)
		if at := slices.Index(hits.Keys, key); hits.Near || at < 0 || at > 7 {
			t.Errorf("%q: %s is at %d of %v, near %v", text, key, at, hits.Keys[:min(8, len(hits.Keys))], hits.Near)
		}
	}
}

// One bare word finds what coaches mean by it first (common practice, no source).
func TestSearchPutsTheStapleFirst(t *testing.T) {
	for text, key := range map[string]string{"press": "press.bar.flat", "squat": "squat.back", "deadlift": "deadlift", "row": "row.hinged",
		"pulldown": "pulldown.bar", "curl": "curl.dumbbell", "raise": "raise.dumbbell", "fly": "fly.flat", "extension": "knee.extension",
		"calf": "calf.standing", "leg press": "press.leg", "lunge": "squat.split", "shrug": "shrug.dumbbell", "dip": "dip.upright"} {
		if hits := catalogue.Search(text); len(hits.Keys) == 0 || hits.Keys[0] != key {
			t.Errorf("%q finds %v", text, hits.Keys[:min(3, len(hits.Keys))])
		}
	}
}

// What nothing holds gives what is near, or nothing at all; an empty search means nothing; each exercise has two other names or more and
// is the first that its own name finds.
func TestSearchOfEveryName(t *testing.T) {
	if hits := catalogue.Search("lateral zzzzzz"); !hits.Near || len(hits.Keys) == 0 {
		t.Errorf("%+v", hits)
	}
	for _, text := range []string{"", "  ", "qqqqqq"} {
		if hits := catalogue.Search(text); len(hits.Keys) != 0 {
			t.Errorf("%q finds %v", text, hits.Keys)
		}
	}
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		if len(r.Synonyms) < 2 {
			t.Errorf("%s is also called %v", r.Key, r.Synonyms)
		}
		if hits := catalogue.Search(r.Name); len(hits.Keys) == 0 || hits.Keys[0] != r.Key {
			t.Errorf("%q finds %v", r.Name, hits.Keys[:min(3, len(hits.Keys))])
		}
	}
}

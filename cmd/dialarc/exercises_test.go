package main

import (
	"encoding/csv"
	"io"
	"strconv"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/muscle"
	"dialarc/core/setup"
)

// table runs a command that prints CSV and gives its rows by the names of their columns.
func table(t *testing.T, args ...string) []map[string]string {
	t.Helper()
	rows, err := csv.NewReader(strings.NewReader(run(t, args...))).ReadAll()
	if err != nil || len(rows) < 2 {
		t.Fatalf("%d rows, %v", len(rows), err)
	}
	var out []map[string]string
	for _, row := range rows[1:] {
		one := map[string]string{}
		for i, cell := range row {
			one[rows[0][i]] = cell
		}
		out = append(out, one)
	}
	return out
}

func numberIn(t *testing.T, row map[string]string, column string) float64 {
	t.Helper()
	x, err := strconv.ParseFloat(row[column], 64)
	if err != nil {
		t.Fatalf("%s: %s is %q", row["key"], column, row[column])
	}
	return x
}

// Every exercise for three sizes: held, under tension, clear, in range and helping nowhere; led by what it is for in 95 of 100, and with a
// quarter for the target where the trade names it. What is otherwise says so in its text.
func TestExercisesAreWhatTheySay(t *testing.T) {
	notes := map[string]string{}
	for _, r := range catalogue.All(&setup.Lifter{Height: 1.75, BodyMass: 75}) {
		notes[r.Key] = r.Note
	}
	for _, lifter := range []string{"1.58,55", "1.75,75,male,trained", "1.92,98"} {
		moving, leads := 0, 0
		rows := table(t, "exercises", "--lifter", lifter, "--csv")
		if len(rows) != len(notes) {
			t.Errorf("%d rows for %d exercises", len(rows), len(notes))
		}
		for _, row := range rows {
			key := row["key"]
			for column, want := range map[string]string{"holds": "true", "start": "true", "clear": "true", "in_range": "true", "helps": "false"} {
				if row[column] != want && notes[key] == "" {
					t.Errorf("%s for %s: %s is %s, and the text says nothing of it", key, lifter, column, row[column])
				}
			}
			if row["leader"] == "" {
				continue
			}
			moving++
			if row["leader"] == muscle.Whole(row["region"]) {
				leads++
			} else if notes[key] == "" {
				t.Errorf("%s for %s is led by %s, and the text says nothing of it", key, lifter, row["leader"])
			}
			if x := numberIn(t, row, "target_share"); x < 0.25 && notes[key] == "" {
				t.Errorf("%s for %s: the target has %.2f, and the text says nothing of it", key, lifter, x)
			}
			if numberIn(t, row, "leader_share") > 1 || numberIn(t, row, "target_share") > 1 {
				t.Errorf("%s: %v", key, row)
			}
			if e := numberIn(t, row, "effort"); e > 1 || numberIn(t, row, "activation") > 1.2 {
				t.Errorf("%s for %s: effort %g, activation %s", key, lifter, e, row["activation"])
			}
		}
		if leads*100 < 95*moving {
			t.Errorf("for %s %d of %d are led by what they are for", lifter, leads, moving)
		}
	}
}

// Loads that go once, for a trained man of 75 kg, a novice woman of 60 kg and an advanced man of 98 kg: what coaches see, common practice,
// no source, wide; within a quarter beyond. The strength constants were set with these in view, so that this holds them, and tests nothing.
func TestLoadsThatGoOnce(t *testing.T) {
	seen := map[string][3][2]float64{
		"curl.bar": {{48, 58}, {12, 20}, {70, 90}}, "curl.dumbbell": {{22, 28}, {6, 10}, {32, 42}},
		"front.dumbbell": {{15, 20}, {4, 7}, {20, 28}},
		"raise.dumbbell": {{10, 14}, {3, 7}, {16, 26}}, "raise.dumbbell.forward": {{14, 20}, {4, 7}, {20, 30}},
		"fly.flat":   {{22, 30}, {5, 9}, {34, 48}},
		"press.flat": {{40, 50}, {8, 14}, {55, 75}}, "press.standing": {{27, 34}, {6, 10}, {38, 50}},
		"row.dumbbell.bench": {{38, 50}, {10, 18}, {55, 75}},
		"row.cable":          {{85, 110}, {30, 50}, {120, 160}}, "shrug.dumbbell": {{55, 75}, {18, 30}, {80, 110}},
		"pressdown.rope":  {{45, 65}, {17, 30}, {65, 95}},
		"extension.lying": {{16, 22}, {4, 8}, {22, 32}}, "kickback": {{14, 20}, {3, 6}, {18, 28}},
		"knee.extension": {{45, 70}, {20, 35}, {80, 120}},
		"press.bar.flat": {{85, 115}, {22, 40}, {120, 165}}, "squat.back": {{95, 140}, {25, 60}, {150, 210}},
		"deadlift":     {{115, 165}, {45, 80}, {180, 250}},
		"pulldown.bar": {{70, 95}, {28, 45}, {105, 145}},
		"press.leg":    {{170, 240}, {50, 90}, {280, 400}}, "thrust.hip": {{110, 170}, {40, 75}, {180, 260}},
		"calf.standing": {{150, 210}, {50, 90}, {230, 330}}, "squat.split.rear": {{28, 45}, {3, 10}, {50, 75}},
		"morning": {{55, 80}, {18, 32}, {90, 125}}, "deadlift.one": {{25, 45}, {8, 18}, {40, 70}},
	}
	for i, lifter := range []string{"1.75,75,male,trained", "1.65,60,female,novice", "1.85,98,male,advanced"} {
		for _, row := range table(t, "exercises", "--lifter", lifter, "--csv") {
			span, ok := seen[row["key"]]
			if !ok {
				continue
			}
			if x := numberIn(t, row, "limit_kg"); x < span[i][0]/1.25 || x > 1.25*span[i][1] {
				t.Errorf("%s for %s: %.1f kg, seen %v", row["name"], lifter, x, span[i])
			}
		}
	}
}

// The shares of every place come to no more than everything, and the angles are those of the path.
func TestSharesPrintsEveryPlace(t *testing.T) {
	rows := table(t, "shares", document, "--csv")
	sums := map[string]float64{}
	for _, row := range rows {
		if row["share"] != "" {
			sums[row["s"]] += numberIn(t, row, "share")
		}
		if row["region"] == "" || numberIn(t, row, "activation") < 0 {
			t.Errorf("%v", row)
		}
	}
	for s, sum := range sums {
		if sum > 1.0001 || sum < 0.9 {
			t.Errorf("at %s the shares come to %g", s, sum)
		}
	}
	if len(sums) < 25 {
		t.Errorf("%d places", len(sums))
	}
	if first, last := numberIn(t, rows[0], "angle_deg"), numberIn(t, rows[len(rows)-1], "angle_deg"); first != 5 || last != 95 {
		t.Errorf("from %g to %g degrees", first, last)
	}
}

// A lifter that cannot be is refused with what would be right.
func TestExercisesRefuse(t *testing.T) {
	for _, bad := range []string{"tall", "1.75", "9,75", "1.75,75,other", "1.75,75,male,trained,more"} {
		if err := dispatch([]string{"exercises", "--lifter", bad}, io.Discard); err == nil {
			t.Errorf("%q was taken", bad)
		}
	}
}

package dialin_test

import (
	"math"
	"strings"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/dialin"
	"dialarc/core/evaluate"
	"dialarc/core/internal/sample"
	"dialarc/core/setup"
)

// The points of a line can be moved, each coordinate by its own dial; the picture shows the hand starting there.
func TestGuideDials(t *testing.T) {
	d := sample.Ready(t, "press.flat")
	var e evaluate.Evaluator
	before, problems := e.SceneAt(&d, 0)
	if len(problems) > 0 || before.Guide == nil || before.Guide.Frame != "lifter" {
		t.Fatalf("%v, %+v", problems, before)
	}
	for key, want := range map[string]string{"guide.startY": "Start, above the shoulder", "guide.endX": "End, ahead of the shoulder"} {
		if s := setting(t, &d, key); s.Label != want {
			t.Errorf("%s is called %q", key, s.Label)
		}
	}
	now := setting(t, &d, "guide.startY").Value
	moved, problems := dialin.Apply(&d, "guide.startY", now+0.05)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	after, _ := e.SceneAt(&moved, 0)
	if up := after.Guide.Start.Y - before.Guide.Start.Y; math.Abs(up-0.05) > 1e-9 || after.Guide.Other != before.Guide.Other {
		t.Errorf("the start went up by %v, the end is at %v instead of %v", up, after.Guide.Other, before.Guide.Other)
	}
}

// A machine's handle stays on its circle wherever it is said to start, the angle reads back, and its path cannot be moved off it.
func TestHandleStartsElsewhere(t *testing.T) {
	count := 0
	for _, r := range catalogue.All(&sample.Lifter) {
		d := r.Document
		if g := d.Movement.Guide; g == nil || g.Kind != "arc" || d.Loads[0].HandleRadius == 0 {
			continue
		}
		count++
		radius := func(d *setup.Document) float64 {
			g := d.Movement.Guide
			return math.Hypot(math.Hypot(g.Start.X-g.Centre.X, g.Start.Y-g.Centre.Y), g.Start.Z-g.Centre.Z)
		}
		s := setting(t, &d, "guide.begins")
		turned, problems := dialin.Apply(&d, "guide.begins", s.Value+10)
		if len(problems) > 0 {
			t.Fatal(problems)
		}
		if got := setting(t, &turned, "guide.begins").Value; math.Abs(got-s.Value-10) > 0.11 || math.Abs(radius(&turned)-radius(&d)) > 1e-9 {
			t.Errorf("%s: it starts at %v instead of %v, %v m from the axis instead of %v", r.Key, got, s.Value+10, radius(&turned), radius(&d))
		}
		for _, x := range dialin.Settings(&d) {
			if strings.HasPrefix(x.Key, "guide.start") || strings.HasPrefix(x.Key, "guide.centre") {
				t.Errorf("%s: %s would take the hand off its handle", r.Key, x.Key)
			}
		}
	}
	if count < 4 {
		t.Errorf("only %d machines with a handle", count)
	}
}

// Every dial of every exercise can be turned to both of its ends and what comes of it is either evaluated or refused in words.
func TestEveryDialTurns(t *testing.T) {
	var e evaluate.Evaluator
	for _, r := range catalogue.All(&sample.Lifter) {
		for _, s := range dialin.Settings(&r.Document) {
			for _, v := range []float64{s.From, s.To} {
				turned, problems := dialin.Apply(&r.Document, s.Key, v)
				if len(problems) > 0 {
					t.Errorf("%s: %s at %v: %v", r.Key, s.Key, v, problems)
					continue
				}
				// Poses are dialled by the coordinate that moves most; turned to an end of its dial another one may.
				if s.Stops == nil && s.Kind != "hole" && !strings.HasPrefix(s.Key, "pose.") {
					if got := setting(t, &turned, s.Key).Value; math.Abs(got-v) > 0.11 {
						t.Errorf("%s: %s turned to %v reads %v", r.Key, s.Key, v, got)
					}
				}
				_, problems = e.Sketch(&turned)
				for _, p := range problems {
					if p.What == "" || p.Path == "" {
						t.Errorf("%s: %s at %v: a refusal without words or place: %+v", r.Key, s.Key, v, p)
					}
				}
			}
		}
	}
}

package session_test

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"dialarc/core/plan"
	"dialarc/core/session"
)

const entryID = "00000000-0000-4000-8000-00000000000a"

func set(n, rev, reps int) session.Set {
	return session.Set{ID: fmt.Sprintf("00000000-0000-4000-8000-%012d", n), Rev: rev, Entry: entryID, At: fmt.Sprintf("2026-11-30T17:%02d:00Z", n%60), Load: 10, Reps: reps, RIR: 2}
}

func day(sets ...session.Set) session.Session {
	return session.Session{Schema: session.Schema, Name: "A", Date: "2026-11-30", Entries: []plan.Entry{{ID: entryID}}, Sets: sets}
}

func text(t *testing.T, s session.Session) string {
	t.Helper()
	raw, err := json.Marshal(s)
	if err != nil {
		t.Fatal(err)
	}
	return string(raw)
}

// A thousand sessions logged on two phones whose network comes and goes, with exercises added on both: each sends what it has, some of it
// twice, late, in another order and with a clock that is off, and takes what it gets. In the end both and the server have every set once,
// in the state in which it was last changed, with its exercise.
func TestNothingLostNothingTwice(t *testing.T) {
	for run := range 1000 {
		r := rand.New(rand.NewPCG(uint64(run), 11))
		server := day()
		phones := []session.Session{day(), day()}
		var flying []session.Session // on their way to the server, to be heard in any order
		want := map[string]session.Set{}
		for n := range 20 + r.IntN(20) {
			p := &phones[r.IntN(2)]
			switch {
			case len(p.Sets) > 0 && r.IntN(4) == 0: // a set is corrected or taken back where it is known
				i := r.IntN(len(p.Sets))
				if x := p.Sets[i]; want[x.ID].Rev == x.Rev { // by one phone at a time
					x.Rev++
					x.Reps, x.Dropped = 1+r.IntN(20), r.IntN(3) == 0
					p.Sets[i], want[x.ID] = x, x
				}
			case r.IntN(5) == 0: // an exercise is added
				p.Entries = append(slices.Clone(p.Entries), plan.Entry{ID: fmt.Sprintf("00000000-0000-4000-8000-0000000a%04d", n)})
				p.Rev++
			default:
				x := set(n, 0, 1+r.IntN(20))
				x.Entry = p.Entries[r.IntN(len(p.Entries))].ID
				x.At = fmt.Sprintf("2026-11-%02dT17:%02d:00Z", 1+r.IntN(30), r.IntN(60)) // a clock that is off
				p.Sets = append(p.Sets, x)
				want[x.ID] = x
			}
			if r.IntN(2) == 0 {
				copied := *p
				copied.Sets = slices.Clone(p.Sets)
				flying = append(flying, copied)
			}
			for len(flying) > 0 && r.IntN(3) == 0 {
				i := r.IntN(len(flying))
				server = session.Merge(&server, &flying[i])
				if r.IntN(2) == 0 { // else its answer was lost, and it is heard again
					flying = slices.Delete(flying, i, i+1)
				}
				*p = session.Merge(p, &server)
			}
		}
		for i := range flying {
			server = session.Merge(&server, &flying[i])
		}
		for range 2 {
			for i := range phones {
				server = session.Merge(&server, &phones[i])
				phones[i] = session.Merge(&phones[i], &server)
			}
		}
		if a, b, c := text(t, server), text(t, phones[0]), text(t, phones[1]); a != b || a != c {
			t.Fatalf("run %d: they differ", run)
		}
		if found := session.Validate(&server); len(found) > 0 {
			t.Fatalf("run %d: %v", run, found)
		}
		if len(server.Sets) != len(want) {
			t.Fatalf("run %d: %d sets, want %d", run, len(server.Sets), len(want))
		}
		for _, x := range server.Sets {
			if w := want[x.ID]; w.Reps != x.Reps || w.Dropped != x.Dropped {
				t.Fatalf("run %d: set %s has %d repetitions, want %d", run, x.ID, x.Reps, w.Reps)
			}
		}
	}
}

// Merging knows no order, also where two phones changed one set equally often.
func TestMergeKnowsNoOrder(t *testing.T) {
	a, b, c := day(set(1, 1, 8), set(2, 0, 9)), day(set(1, 1, 12)), day(set(1, 0, 3), set(3, 0, 5))
	b.Rev, b.Notes = 1, "the other bench"
	ab, bc := session.Merge(&a, &b), session.Merge(&b, &c)
	ba := session.Merge(&b, &a)
	left, right := session.Merge(&ab, &c), session.Merge(&a, &bc)
	if text(t, ab) != text(t, ba) || text(t, left) != text(t, right) || text(t, session.Merge(&left, &left)) != text(t, left) {
		t.Error("the order of merging matters")
	}
	if len(left.Sets) != 3 || left.Notes != "the other bench" {
		t.Errorf("%+v", left)
	}
}

// What cannot have been done is refused with its place.
func TestBadSets(t *testing.T) {
	for path, change := range map[string]func(*session.Set){
		"sets[0].reps":       func(x *session.Set) { x.Reps = 0 },
		"sets[0].rir":        func(x *session.Set) { x.RIR = -1 },
		"sets[0].load":       func(x *session.Set) { x.Load = 900 },
		"sets[0].at":         func(x *session.Set) { x.At = "yesterday" },
		"sets[0].entry":      func(x *session.Set) { x.Entry = "nobody" },
		"sets[0].id":         func(x *session.Set) { x.ID = "" },
		"sets[0].pain.level": func(x *session.Set) { x.Pain = &session.Pain{Joint: "elbow", Level: 11} },
		"sets[0].pain.joint": func(x *session.Set) { x.Pain = &session.Pain{Joint: "soul", Level: 1} },
		"sets[0].felt[0]":    func(x *session.Set) { x.Felt = []string{"tail"} },
		"sets[0].note":       func(x *session.Set) { x.Note = string(make([]rune, 500)) },
	} {
		s := day(set(1, 0, 10))
		change(&s.Sets[0])
		if found := session.Validate(&s); len(found) == 0 || found[0].Path != path {
			t.Errorf("%s: %v", path, found)
		}
	}
	if found := session.Validate(new(day(set(1, 0, 10), set(1, 0, 11)))); len(found) != 1 || found[0].Path != "sets[1].id" {
		t.Errorf("one id twice: %v", found)
	}
}

// So is what cannot have been planned.
func TestBadPlanned(t *testing.T) {
	for path, change := range map[string]func(*session.Planned){
		"planned[0].entry": func(p *session.Planned) { p.Entry = "nobody" },
		"planned[0].sets":  func(p *session.Planned) { p.Sets = 13 },
		"planned[0].load":  func(p *session.Planned) { p.Load = -1 },
		"planned[0].reps":  func(p *session.Planned) { p.Reps = -10 },
		"planned[0].rir":   func(p *session.Planned) { p.RIR = 99 },
	} {
		s := day()
		s.Planned = []session.Planned{{Entry: entryID, Sets: 3, Load: 10, Reps: 10, RIR: 2}}
		change(&s.Planned[0])
		if found := session.Validate(&s); len(found) == 0 || found[0].Path != path {
			t.Errorf("%s: %v", path, found)
		}
	}
}

// A pain of 3 or a sharp one ends the exercise (common practice, no source).
func TestPainStops(t *testing.T) {
	for _, c := range []struct {
		pain  *session.Pain
		stops bool
	}{{nil, false}, {&session.Pain{Level: 2}, false}, {&session.Pain{Level: 3}, true}, {&session.Pain{Level: 1, Sharp: true}, true}} {
		if c.pain.Stops() != c.stops {
			t.Errorf("%+v", c.pain)
		}
	}
}

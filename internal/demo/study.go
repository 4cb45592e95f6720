package demo

import (
	"bytes"
	"compress/gzip"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"time"

	"dialarc/core/emg"
	"dialarc/core/setup"
	"dialarc/internal/simulate"
	"dialarc/internal/store"
)

// studied are the setups of the troupe's study with how much each asks of the muscle, and who takes part.
var studied = struct {
	setups  []string
	asks    []float64
	lifters []string
}{[]string{"Dumbbell lateral raise", "Cross-behind cable lateral raise, hand height"}, []float64{0.85, 1.05},
	[]string{"Suvi Brandt", "Ilvane Torsk", "Madoc Quill", "Kestrin Dahlke"}}

// Study has four of the troupe do a study: each setup of each lifter is recorded from the simulated electrodes, worked out and kept
// with its samples. A study that is there is left alone.
func Study(ctx context.Context, st *store.Store, coach store.Coach, today time.Time) error {
	study := emg.Study{Schema: emg.StudySchema, Name: "Cable or dumbbell for the side of the shoulder", Muscle: "deltoid.middle", Setups: studied.setups,
		Seed: 7, Rest: 180, Rule: "seventy", Since: today.AddDate(0, 0, -9).Format(time.DateOnly)}
	row := store.Study{Named: store.Named{Row: store.Row{ID: id("study"), CoachID: coach.ID, Name: study.Name}}}
	if _, err := st.Studies().Read(ctx, coach.ID, row.ID); !errors.Is(err, store.ErrNotFound) {
		return err
	}
	lifters, _, err := st.Lifters(ctx, coach.ID, false, "", store.Page{Limit: 200})
	if err != nil {
		return err
	}
	for i, name := range studied.lifters {
		for k := range lifters {
			if l := &lifters[k]; l.Name == name {
				study.Lifters = append(study.Lifters, emg.StudyLifter{ID: l.ID, Name: l.Name})
				if err := recordLifter(ctx, st, coach, l.ID, i, today); err != nil {
					return err
				}
			}
		}
	}
	if row.Document, err = json.Marshal(&study); err != nil {
		return err
	}
	return st.Studies().Create(ctx, &row)
}

// recordLifter keeps a capture of each setup of a lifter who has it.
func recordLifter(ctx context.Context, st *store.Store, coach store.Coach, lifter string, place int, today time.Time) error {
	rows, _, err := st.Setups(ctx, coach.ID, store.Wanted{Lifter: lifter}, store.Page{Limit: 200})
	if err != nil {
		return err
	}
	for k, name := range studied.setups {
		for i := range rows {
			if rows[i].Name != name {
				continue
			}
			day := today.AddDate(0, 0, place-8)
			if err := keepCapture(ctx, st, coach, &rows[i], day, uint64(10*place+k), studied.asks[k]*(0.9+0.08*float64(place))); err != nil {
				return err
			}
		}
	}
	return nil
}

func keepCapture(ctx context.Context, st *store.Store, coach store.Coach, row *store.Setup, day time.Time, seed uint64,
	effort float64) error {
	d, err := simulate.New(simulate.Options{Kind: "emg", Seed: seed, Effort: effort})
	if err != nil {
		return err
	}
	strongest := []*emg.Recording{simulate.Record(d, 9), simulate.Record(d, 9)}
	reps := simulate.Record(d, 33)
	worked := emg.Work(reps, strongest, emg.Settings{})
	muscles := map[string]string{"ch1": "deltoid.middle", "ch2": "deltoid.front", "ch8": "deltoid.rear"}
	c := emg.Capture{Schema: emg.CaptureSchema, Title: row.Name, Day: day.Format(time.DateOnly), LifterID: row.LifterID,
		SetupID: row.ID, Setup: row.Name,
		Muscles: muscles}
	c.Settings.Complete()
	for _, w := range worked.Channels {
		line := emg.Line{Label: w.Label, Muscle: w.Label, State: w.State, Percent: w.Strongest.Known(), Reps: w.Lifting.Reps}
		if region, chosen := muscles[w.Label]; chosen {
			line.Muscle = setup.RegionLabel(region)
		}
		if x, known := w.Mean.Get(); known {
			line.Mean = &x
		}
		if x, known := w.Peak.Get(); known {
			line.Peak = &x
		}
		c.Lines = append(c.Lines, line)
	}
	document, err := json.Marshal(&c)
	if err != nil {
		return err
	}
	capture := store.Capture{ID: id(row.ID, "capture"), CoachID: coach.ID, LifterID: row.LifterID, SetupID: &row.ID, Day: day, Document: document}
	if err := st.AddCapture(ctx, &capture); err != nil && !errors.Is(err, store.ErrExists) {
		return err
	}
	for i, r := range append(strongest, reps) {
		slot := fmt.Sprintf("strongest %d", i+1)
		if i == len(strongest) {
			slot = "reps"
		}
		if err := keepFile(ctx, st, coach, capture.ID, slot, r); err != nil {
			return err
		}
	}
	return nil
}

func keepFile(ctx context.Context, st *store.Store, coach store.Coach, capture, slot string, r *emg.Recording) error {
	raw, problems := emg.WriteEDF(r)
	if len(problems) > 0 {
		return problems
	}
	var packed bytes.Buffer
	w := gzip.NewWriter(&packed)
	if _, err := w.Write(raw); err != nil {
		return err
	}
	if err := w.Close(); err != nil {
		return err
	}
	err := st.AddCaptureFile(ctx, coach.ID, &store.CaptureFile{CaptureID: capture, Slot: slot, Name: slot + ".edf", Bytes: packed.Bytes()})
	if errors.Is(err, store.ErrExists) {
		return nil
	}
	return err
}

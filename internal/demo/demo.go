// Package demo holds the invented scenario that the program is shown with: the rehearsal hall of a touring stage-craft
// troupe. Nobody and nothing in it is real.
package demo

import (
	"context"
	"encoding/json"

	"dialarc/core/compare"
	"dialarc/core/kit"
	"dialarc/core/setup"
	"dialarc/internal/store"
)

// CoachName is who looks after the troupe.
const CoachName = "Perle Ansgar"

// person is one of the troupe.
type person struct {
	name, notes string
	body        setup.Lifter
	stack       float64  // kg on the pin
	bell        float64  // kg in the hand
	also, only  []string // keys of ready setups beside the raises, or instead of them
	onTour      bool     // works in the corner rather than in the hall
}

func troupe() []person {
	return []person{
		{
			name: "Suvi Brandt", notes: "Aerial performer. Hangs by one arm in the second act; wants shoulders that last the tour.",
			stack: 10, bell: 2.5, also: []string{"pulldown.kneeling", "curl.behind", "plank"},
			body: setup.Lifter{Height: 1.68, BodyMass: 61, Sex: "female", Training: "advanced", NaturalPathDeg: 8,
				Lengths: map[string]float64{"upperArm": 0.315},
				Ranges:  map[string]setup.Range{"shoulder.elevation": {FromDeg: -50, ToDeg: 170}},
				Strength: append(on("2026-11-02", "shoulder.abduction", 62, 58, 52), append(on("2026-09-07", "shoulder.abduction", 57, 54, 48),
					on("2026-11-02", "shoulder.flexion", 68, 63, 56)...)...),
			},
		},
		{
			name: "Ilvane Torsk", notes: "Rigger. Broad; the arms track wide. Old strain on the left, quiet for a year.",
			stack: 15, bell: 3.5, also: []string{"row.hinged", "lever.far", "squat.goblet", "knee.extension",
				"press.leg", "thrust.hip", "calf.standing", "squat.split.rear"},
			body: setup.Lifter{Height: 1.88, BodyMass: 94, Sex: "male", Training: "advanced", NaturalPathDeg: 16,
				Lengths: map[string]float64{"shoulderHalfBreadth": 0.205},
				Ranges: map[string]setup.Range{"shoulder.elevation": {FromDeg: -40, ToDeg: 150, Pain: "left side pinches near the top",
					Hurts: []setup.Span{{FromDeg: 140, ToDeg: 150}}}},
				Cautions: []string{"Left shoulder: stop when it pinches, and look at the range again."}},
		},
		{
			name: "Madoc Quill", notes: "Puppeteer. Holds both arms overhead for minutes at a time.",
			stack: 10, bell: 3, also: []string{"press.bench.60", "fly.flat", "pull.face", "extension.overhead"},
			body: setup.Lifter{Height: 1.74, BodyMass: 70, Sex: "male", Training: "trained", NaturalPathDeg: 10,
				Sets: []setup.KnownSet{{Exercise: "press.standing", Load: 22, Reps: 8, Left: 2, Date: "2026-11-09"},
					{Exercise: "curl.dumbbell", Load: 14, Reps: 10, Left: 1, Date: "2026-11-16"}}},
		},
		{
			name: "Oriel Vantre", notes: "Prop maker; works from a chair. Strong shoulders, a trunk that needs holding.",
			stack: 10, bell: 3, only: []string{"pulldown.chair", "press.bench.60", "raise.behind.seated", "curl.incline.60"},
			body: setup.Lifter{Height: 1.71, BodyMass: 66, NaturalPathDeg: 9, Ranges: map[string]setup.Range{"shoulder.elevation": {FromDeg: -40,
				ToDeg: 168}}},
		},
		{
			name: "Kestrin Dahlke", notes: "Wardrobe and second rigger. New to lifting; small hands, likes cuffs.",
			stack: 5, bell: 1.5, also: []string{"raise.lying.wrist", "curl.dumbbell"},
			body: setup.Lifter{Height: 1.59, BodyMass: 53, Sex: "female", Training: "novice", NaturalPathDeg: 6},
		},
		{
			name: "Brannoc Vey", notes: "Fly captain. On the road with the first van: trains in the corner with bands and a door.",
			stack: 15, bell: 4, onTour: true, only: []string{"fly.band.wide", "raise.dumbbell", "fly.flat", "curl.dumbbell", "squat.goblet"},
			body: setup.Lifter{Height: 1.83, BodyMass: 86, Sex: "male", NaturalPathDeg: 12},
		},
	}
}

// on are tests of an action at 20, 60 and 100 degrees on one day.
func on(day, action string, at20, at60, at100 float64) []setup.StrengthTest {
	return []setup.StrengthTest{{Action: action, AngleDeg: 20, Torque: at20, Date: day}, {Action: action, AngleDeg: 60, Torque: at60,
		Date: day}, {Action: action, AngleDeg: 100, Torque: at100, Date: day}}
}

// Load fills the database of a coach who never had a lifter. Calling it again changes nothing.
func Load(ctx context.Context, st *store.Store, coach store.Coach) error {
	return st.Once(ctx, coach.ID, func(tx *store.Store) error {
		ids := map[bool]string{}
		for onTour, r := range rooms() {
			id, err := addRoom(ctx, tx, coach, &r)
			if err != nil {
				return err
			}
			ids[onTour] = id
		}
		for i, p := range troupe() {
			made, err := add(ctx, tx, coach, &p, ids[p.onTour])
			if err != nil {
				return err
			}
			if i == 0 {
				if err := addComparison(ctx, tx, coach, made); err != nil {
					return err
				}
			}
		}
		return nil
	})
}

// compared are the raises that the coach has side by side.
var compared = []string{"Cross-behind cable lateral raise, knee height", "Dumbbell lateral raise", "Dumbbell lateral raise with a band"}

func addComparison(ctx context.Context, st *store.Store, coach store.Coach, made []compare.Member) error {
	k := compare.Kept{Schema: compare.Schema, Name: "Three raises", Equal: "peak"}
	for _, name := range compared {
		for _, m := range made {
			if m.Document.Name == name {
				k.Setups = append(k.Setups, m)
			}
		}
	}
	document, err := json.Marshal(k)
	if err != nil {
		return err
	}
	row := store.Comparison{Named: store.Named{Row: store.Row{CoachID: coach.ID, Name: k.Name}, Document: document}}
	return st.Comparisons().Create(ctx, &row)
}

func addRoom(ctx context.Context, st *store.Store, coach store.Coach, r *kit.Room) (string, error) {
	document, err := json.Marshal(r)
	if err != nil {
		return "", err
	}
	row := store.Room{Named: store.Named{Row: store.Row{CoachID: coach.ID, Name: r.Name}, Document: document}}
	err = st.Rooms().Create(ctx, &row)
	return row.ID, err
}

func add(ctx context.Context, st *store.Store, coach store.Coach, p *person, room string) ([]compare.Member, error) {
	body, err := json.Marshal(p.body)
	if err != nil {
		return nil, err
	}
	l := store.Lifter{Row: store.Row{CoachID: coach.ID, Name: p.name}, Notes: p.notes, Body: body}
	if err := st.CreateLifter(ctx, &l); err != nil {
		return nil, err
	}
	var made []compare.Member
	for _, d := range setups(p, room) {
		document, err := json.Marshal(d)
		if err != nil {
			return nil, err
		}
		row := store.Setup{Row: store.Row{CoachID: coach.ID, Name: d.Name}, LifterID: l.ID, RoomID: &room, Document: document}
		if err := st.CreateSetup(ctx, &row); err != nil {
			return nil, err
		}
		made = append(made, compare.Member{Document: d, SetupID: row.ID})
	}
	return made, nil
}

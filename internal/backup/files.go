package backup

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"slices"
	"time"

	"dialarc/internal/store"
)

// file is one row as an open file: what is needed to make it again, and the document as it is.
type file struct {
	ID       string          `json:"id"`
	Name     string          `json:"name"`
	Notes    string          `json:"notes,omitempty"`
	Archived bool            `json:"archived,omitempty"`
	LifterID string          `json:"lifterId,omitempty"`
	RoomID   *string         `json:"roomId,omitempty"`
	Ready    bool            `json:"ready,omitempty"`
	Document json.RawMessage `json:"document"`
	Sets     []set           `json:"sets,omitempty"`
	SetupID  *string         `json:"setupId,omitempty"`
	Files    []samples       `json:"files,omitempty"`
}

// samples is a file of a capture, compressed as it is kept.
type samples struct {
	Slot  string `json:"slot"`
	Name  string `json:"name"`
	Bytes []byte `json:"bytes"`
}

// set is one set of a session.
type set struct {
	ID       string          `json:"id"`
	Document json.RawMessage `json:"document"`
}

// The folders of an export, in the order in which they have to be taken in.
const (
	rooms       = "rooms"
	lifters     = "lifters"
	setups      = "setups"
	comparisons = "comparisons"
	blocks      = "blocks"
	sessions    = "sessions"
	captures    = "captures"
	studies     = "studies"
)

// Export writes everything that a coach has, but for what is deleted, what belongs to a deleted lifter, and history, into an empty or new
// folder: one JSON file each, named by its id.
func Export(ctx context.Context, st *store.Store, coach, dir string) (int, error) {
	if old, err := os.ReadDir(dir); err == nil && len(old) > 0 {
		return 0, fmt.Errorf("%s is not empty; give a new folder", dir)
	}
	n := 0
	there := map[string]bool{} // what others belong to
	write := func(kind string, f file) error {
		if f.LifterID != "" && !there[f.LifterID] {
			return nil
		}
		f.RoomID, f.SetupID = known(there, f.RoomID), known(there, f.SetupID)
		there[f.ID] = true
		folder := filepath.Join(dir, kind)
		if err := os.MkdirAll(folder, 0o755); err != nil {
			return err
		}
		raw, err := json.MarshalIndent(f, "", "  ")
		if err != nil {
			return err
		}
		n++
		return os.WriteFile(filepath.Join(folder, f.ID+".json"), append(raw, '\n'), 0o600)
	}
	named := func(kind string) func(*store.Named) error {
		return func(r *store.Named) error { return write(kind, file{ID: r.ID, Name: r.Name, Document: r.Document}) }
	}
	person := func(l store.Lifter) error {
		return write(lifters, file{ID: l.ID, Name: l.Name, Notes: l.Notes, Archived: l.ArchivedAt != nil, Document: l.Body})
	}
	err := errors.Join(
		store.Each(func(p store.Page) ([]store.Room, int64, error) { return st.Rooms().List(ctx, coach, p) },
			func(r store.Room) error { return named(rooms)(&r.Named) }),
		store.Each(func(p store.Page) ([]store.Lifter, int64, error) { return st.Lifters(ctx, coach, false, "", p) }, person),
		store.Each(func(p store.Page) ([]store.Lifter, int64, error) { return st.Lifters(ctx, coach, true, "", p) }, person),
		store.Each(func(p store.Page) ([]store.Setup, int64, error) {
			return st.Setups(ctx, coach, store.Wanted{}, p)
		}, func(s store.Setup) error {
			return write(setups, file{ID: s.ID, Name: s.Name, LifterID: s.LifterID, RoomID: s.RoomID, Ready: s.Ready, Document: s.Document})
		}),
		store.Each(func(p store.Page) ([]store.Comparison, int64, error) { return st.Comparisons().List(ctx, coach, p) },
			func(c store.Comparison) error { return named(comparisons)(&c.Named) }),
		store.Each(func(p store.Page) ([]store.Block, int64, error) { return st.Blocks().List(ctx, coach, p) }, func(b store.Block) error {
			return write(blocks, file{ID: b.ID, Name: b.Name, LifterID: b.LifterID, Document: b.Document})
		}),
		store.Each(func(p store.Page) ([]store.Session, int64, error) {
			rows, err := st.AllSessions(ctx, coach, p)
			return rows, 0, err
		}, func(s store.Session) error {
			f := file{ID: s.ID, Name: s.Day.Format(time.DateOnly), LifterID: s.LifterID, Document: s.Document}
			for _, x := range s.Sets {
				f.Sets = append(f.Sets, set{x.ID, x.Document})
			}
			return write(sessions, f)
		}),
		store.Each(func(p store.Page) ([]store.Study, int64, error) { return st.Studies().List(ctx, coach, p) },
			func(s store.Study) error { return named(studies)(&s.Named) }),
		store.Each(func(p store.Page) ([]store.Capture, int64, error) {
			rows, err := st.AllCaptures(ctx, coach, p)
			return rows, 0, err
		}, func(c store.Capture) error {
			f, err := withSamples(ctx, st, coach, &c)
			if err != nil {
				return err
			}
			return write(captures, f)
		}),
	)
	return n, err
}

// known is a reference to what is there, or none.
func known(there map[string]bool, id *string) *string {
	if id != nil && there[*id] {
		return id
	}
	return nil
}

// withSamples is a capture with all that was recorded.
func withSamples(ctx context.Context, st *store.Store, coach string, c *store.Capture) (file, error) {
	f := file{ID: c.ID, Name: c.Day.Format(time.DateOnly), LifterID: c.LifterID, SetupID: c.SetupID, Document: c.Document}
	for _, x := range c.Files {
		whole, err := st.ReadCaptureFile(ctx, coach, c.ID, x.Slot)
		if err != nil {
			return f, err
		}
		f.Files = append(f.Files, samples{x.Slot, x.Name, whole.Bytes})
	}
	return f, nil
}

// Import takes in what Export wrote, for a coach. What is there already under its id just so is left; what is there otherwise ends the
// import with an error, and nothing of it is kept.
func Import(ctx context.Context, st *store.Store, coach, dir string) (int, error) {
	n := 0
	err := st.Together(ctx, func(tx *store.Store) error {
		n = 0
		for _, kind := range []string{rooms, lifters, setups, comparisons, blocks, sessions, captures, studies} {
			names, err := filepath.Glob(filepath.Join(dir, kind, "*.json"))
			if err != nil {
				return err
			}
			slices.Sort(names)
			for _, name := range names {
				if err := takeIn(ctx, tx, coach, kind, name); err != nil {
					return fmt.Errorf("%s: %w", name, err)
				}
				n++
			}
		}
		return nil
	})
	if err == nil && n == 0 {
		return 0, fmt.Errorf("there is nothing to take in from %s: %w", dir, fs.ErrNotExist)
	}
	return n, err
}

func takeIn(ctx context.Context, st *store.Store, coach, kind, name string) error {
	raw, err := os.ReadFile(name)
	if err != nil {
		return err
	}
	var f file
	if err := json.Unmarshal(raw, &f); err != nil {
		return err
	}
	row := store.Row{ID: f.ID, CoachID: coach, Name: f.Name}
	switch kind {
	case rooms:
		return st.Rooms().Create(ctx, &store.Room{Named: store.Named{Row: row, Document: f.Document}})
	case comparisons:
		return st.Comparisons().Create(ctx, &store.Comparison{Named: store.Named{Row: row, Document: f.Document}})
	case blocks:
		return st.Blocks().Create(ctx, &store.Block{Named: store.Named{Row: row, Document: f.Document}, LifterID: f.LifterID})
	case sessions:
		return takeSession(ctx, st, coach, &f)
	case captures:
		return takeCapture(ctx, st, coach, &f)
	case studies:
		return st.Studies().Create(ctx, &store.Study{Named: store.Named{Row: row, Document: f.Document}})
	case lifters:
		if err := st.CreateLifter(ctx, &store.Lifter{Row: row, Notes: f.Notes, Body: f.Document}); err != nil || !f.Archived {
			return err
		}
		_, err := st.ArchiveLifter(ctx, coach, f.ID, true)
		return err
	}
	if err := st.CreateSetup(ctx, &store.Setup{Row: row, LifterID: f.LifterID, RoomID: f.RoomID, Document: f.Document}); err != nil ||
		!f.Ready {
		return err
	}
	_, err = st.SetReady(ctx, coach, f.ID, true)
	return err
}

// takeSession takes in a session with its sets; one that is there already is left as it is.
func takeSession(ctx context.Context, st *store.Store, coach string, f *file) error {
	day, err := time.Parse(time.DateOnly, f.Name)
	if err != nil {
		return err
	}
	row := store.Session{ID: f.ID, CoachID: coach, LifterID: f.LifterID, Day: day}
	return st.MergeSession(ctx, &row, func(was *store.Session) error {
		if was.Document != nil {
			return nil
		}
		was.Document = f.Document
		for _, x := range f.Sets {
			was.Sets = append(was.Sets, store.SessionSet{ID: x.ID, Document: x.Document})
		}
		return nil
	})
}

// takeCapture takes in a capture with its samples; what is there already stays.
func takeCapture(ctx context.Context, st *store.Store, coach string, f *file) error {
	day, err := time.Parse(time.DateOnly, f.Name)
	if err != nil {
		return err
	}
	row := store.Capture{ID: f.ID, CoachID: coach, LifterID: f.LifterID, SetupID: f.SetupID, Day: day, Document: f.Document}
	if err := st.AddCapture(ctx, &row); err != nil && !errors.Is(err, store.ErrExists) {
		return err
	}
	for _, x := range f.Files {
		err := st.AddCaptureFile(ctx, coach, &store.CaptureFile{CaptureID: f.ID, Slot: x.Slot, Name: x.Name, Bytes: x.Bytes})
		if err != nil && !errors.Is(err, store.ErrExists) {
			return err
		}
	}
	return nil
}

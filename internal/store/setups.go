package store

import (
	"context"
	"encoding/json"
)

// Setup is a saved setup document of one lifter.
type Setup struct {
	Row
	LifterID string
	Document json.RawMessage `gorm:"type:jsonb"`
}

// Setups is a page of the coach's setups by name, of one lifter or, with an empty lifter, of all, and how many there
// are.
func (s *Store) Setups(ctx context.Context, coach, lifter string, page Page) ([]Setup, int64, error) {
	q := s.db.WithContext(ctx).Where("coach_id = ?", coach)
	if lifter != "" {
		q = q.Where("lifter_id = ?", lifter)
	}
	return list[Setup](q, page)
}

// Setup reads one setup.
func (s *Store) Setup(ctx context.Context, coach, id string) (Setup, error) {
	return read[Setup](s.db.WithContext(ctx), coach, id)
}

// CreateSetup stores a new setup for a lifter of the same coach. With an ID that is taken it is ErrExists, and the row
// holds what is there.
func (s *Store) CreateSetup(ctx context.Context, st *Setup) error {
	if _, err := s.Lifter(ctx, st.CoachID, st.LifterID); err != nil {
		return err
	}
	st.Version = 1
	return create(s.db.WithContext(ctx), st, &st.Row)
}

// UpdateSetup replaces a setup that still has the given version. When it has another, the error is ErrStale, and the
// row holds what is there.
func (s *Store) UpdateSetup(ctx context.Context, st *Setup) error {
	return update(s.db.WithContext(ctx), st, &st.Row, map[string]any{"name": st.Name, "document": st.Document})
}

// DeleteSetup hides a setup of the given version.
func (s *Store) DeleteSetup(ctx context.Context, coach, id string, version int) error {
	db := s.db.WithContext(ctx)
	return hide[Setup](db, coach, id, version, db.NowFunc())
}

// RestoreSetup brings a deleted setup back.
func (s *Store) RestoreSetup(ctx context.Context, coach, id string) (Setup, error) {
	return restore[Setup](s.db.WithContext(ctx), coach, id)
}

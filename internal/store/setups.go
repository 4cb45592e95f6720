package store

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"strings"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Setup is a saved setup document of one lifter.
type Setup struct {
	Row
	LifterID string
	RoomID   *string         // the room that it is fitted to, nil for none that is known
	Ready    bool            // whether others are begun with it
	Document json.RawMessage `gorm:"type:jsonb"`
}

// Wanted says which setups are looked for; what is empty does not matter.
type Wanted struct {
	Lifter, Room string // ids
	Item         string // key of a thing in the room that they use
	Words        string // each of them stands in the name
	Ready        bool   // those that others are begun with
}

// Setups is a page of the coach's setups by name, and how many there are.
func (s *Store) Setups(ctx context.Context, coach string, w Wanted, page Page) ([]Setup, int64, error) {
	q := s.db.WithContext(ctx).Where("coach_id = ?", coach)
	if w.Lifter != "" {
		q = q.Where("lifter_id = ?", w.Lifter)
	}
	if w.Room != "" {
		q = q.Where("room_id = ?", w.Room)
	}
	if w.Ready {
		q = q.Where("ready")
	}
	if w.Item != "" {
		q = q.Where(uses, sql.Named("item", w.Item))
	}
	return list[Setup](named(q, w.Words), page)
}

// uses says whether a setup uses a thing of its room.
const uses = `(document #>> '{bench,kit,item}' = @item or exists (select from jsonb_array_elements(document -> 'loads') as l
	where @item in (l #>> '{kit,station}', l #>> '{kit,item}', l #>> '{kit,held}')))`

// named keeps the rows in whose name every word stands.
func named(q *gorm.DB, words string) *gorm.DB {
	for _, w := range strings.Fields(words) {
		q = q.Where("position(lower(?) in lower(name)) > 0", w)
	}
	return q
}

// Setup reads one setup.
func (s *Store) Setup(ctx context.Context, coach, id string) (Setup, error) {
	return read[Setup](s.db.WithContext(ctx), coach, id)
}

// CreateSetup stores a new setup for a lifter of the same coach. With an ID that is taken it is ErrExists, and the row
// holds what is there.
func (s *Store) CreateSetup(ctx context.Context, st *Setup) error {
	st.Version = 1
	if err := s.knownRoom(ctx, st); err != nil {
		return err
	}
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := keepLifter(tx, st.CoachID, st.LifterID); err != nil {
			return err
		}
		return create(tx, st, &st.Row, st.values())
	})
}

// values are what a save writes of a setup.
func (st *Setup) values() map[string]any {
	// A room that this coach does not have is let go of: the document came from elsewhere, and stands without it.
	room := gorm.Expr("(select id from rooms where coach_id = ? and id = ? and deleted_at is null)", st.CoachID, st.RoomID)
	return map[string]any{"name": st.Name, "room_id": room, "document": st.Document}
}

// UpdateSetup replaces a setup that still has the given version. When it has another, the error is ErrStale, and the
// row holds what is there.
func (s *Store) UpdateSetup(ctx context.Context, st *Setup) error {
	return update(s.db.WithContext(ctx), st, &st.Row, st.values(), "lifter_id", "room_id", "ready")
}

// knownRoom lets go of a room that this coach does not have: the document came from elsewhere, and stands without it.
func (s *Store) knownRoom(ctx context.Context, st *Setup) error {
	if st.RoomID == nil {
		return nil
	}
	_, err := s.Rooms().Read(ctx, st.CoachID, *st.RoomID)
	if errors.Is(err, ErrNotFound) {
		st.RoomID, err = nil, nil
	}
	return err
}

// SetReady puts a setup among those that others are begun with, or takes it out.
func (s *Store) SetReady(ctx context.Context, coach, id string, ready bool) (Setup, error) {
	if err := s.db.WithContext(ctx).Model(&Setup{}).Where("coach_id = ? and id = ?", coach, id).UpdateColumn("ready",
		ready).Error; err != nil {
		return Setup{}, err
	}
	return s.Setup(ctx, coach, id)
}

// DeleteSetup hides a setup of the given version.
func (s *Store) DeleteSetup(ctx context.Context, coach, id string, version int) error {
	db := s.db.WithContext(ctx)
	return hide[Setup](db, coach, id, version, db.NowFunc())
}

// RestoreSetup brings a deleted setup back; without its lifter it is ErrAlone.
func (s *Store) RestoreSetup(ctx context.Context, coach, id string) (st Setup, err error) {
	err = s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var gone Setup
		if err := tx.Unscoped().Where("coach_id = ? and id = ?", coach, id).First(&gone).Error; err != nil {
			return found(err)
		}
		if err := keepLifter(tx, coach, gone.LifterID); err != nil {
			if errors.Is(err, ErrNotFound) {
				return ErrAlone
			}
			return err
		}
		st, err = restore[Setup](tx, coach, id)
		return err
	})
	return st, err
}

// keepLifter makes sure that a lifter is there and is not deleted before the transaction ends.
func keepLifter(tx *gorm.DB, coach, id string) error {
	var l Lifter
	return found(tx.Clauses(clause.Locking{Strength: "SHARE"}).Select("id").Where("coach_id = ? and id = ?", coach, id).First(&l).Error)
}

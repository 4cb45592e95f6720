package store

import (
	"context"
	"encoding/json"

	"gorm.io/gorm"
)

// Named is what rooms and comparisons are in the database: a document with a name.
type Named struct {
	Row
	Document json.RawMessage `gorm:"type:jsonb"`
}

// Base is the row itself, for what is done to all of them alike.
func (n *Named) Base() *Named { return n }

// values are what a save writes.
func (n *Named) values() map[string]any {
	return map[string]any{"name": n.Name, "document": n.Document}
}

// Room is a place with the kit that is at hand there, as a room document.
type Room struct{ Named }

// Comparison is setups side by side, as a comparison document that holds copies of them.
type Comparison struct{ Named }

// Study compares muscle activity over setups and lifters, as a study document.
type Study struct{ Named }

// Of is a pointer to a row that has a name and a document.
type Of[T any] interface {
	*T
	Base() *Named
}

// Shelf is a table of named documents.
type Shelf[T any, P Of[T]] struct{ db *gorm.DB }

// Rooms are the rooms of all coaches.
func (s *Store) Rooms() Shelf[Room, *Room] { return Shelf[Room, *Room]{s.db} }

// Comparisons are the comparisons of all coaches.
func (s *Store) Comparisons() Shelf[Comparison, *Comparison] {
	return Shelf[Comparison, *Comparison]{s.db}
}

// Studies are the studies of all coaches.
func (s *Store) Studies() Shelf[Study, *Study] { return Shelf[Study, *Study]{s.db} }

// List is a page of a coach's documents by name, and how many there are.
func (s Shelf[T, P]) List(ctx context.Context, coach string, page Page) ([]T, int64, error) {
	return list[T](s.db.WithContext(ctx).Where("coach_id = ?", coach), page)
}

// Read reads one.
func (s Shelf[T, P]) Read(ctx context.Context, coach, id string) (T, error) {
	return read[T](s.db.WithContext(ctx), coach, id)
}

// Create stores a new one. With an ID that is taken it is ErrExists, and the row holds what is there.
func (s Shelf[T, P]) Create(ctx context.Context, row P) error {
	n := row.Base()
	n.Version = 1
	return create(s.db.WithContext(ctx), (*T)(row), &n.Row, n.values())
}

// Update replaces one that still has the given version. When it has another, the error is ErrStale, and the row holds what is there.
func (s Shelf[T, P]) Update(ctx context.Context, row P) error {
	n := row.Base()
	return update(s.db.WithContext(ctx), (*T)(row), &n.Row, n.values())
}

// Delete hides one of the given version. What was made with it stays as it is.
func (s Shelf[T, P]) Delete(ctx context.Context, coach, id string, version int) error {
	db := s.db.WithContext(ctx)
	return hide[T](db, coach, id, version, db.NowFunc())
}

// Restore brings a deleted one back.
func (s Shelf[T, P]) Restore(ctx context.Context, coach, id string) (T, error) {
	return restore[T](s.db.WithContext(ctx), coach, id)
}

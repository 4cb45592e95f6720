package store

import (
	"context"
	"encoding/json"
)

// Room is a place with the kit that is at hand there, as a room document.
type Room struct {
	Row
	Document json.RawMessage `gorm:"type:jsonb"`
}

// Rooms is a page of the coach's rooms by name, and how many there are.
func (s *Store) Rooms(ctx context.Context, coach string, page Page) ([]Room, int64, error) {
	return list[Room](s.db.WithContext(ctx).Where("coach_id = ?", coach), page)
}

// Room reads one room.
func (s *Store) Room(ctx context.Context, coach, id string) (Room, error) {
	return read[Room](s.db.WithContext(ctx), coach, id)
}

// CreateRoom stores a new room. With an ID that is taken it is ErrExists, and the row holds what is there.
func (s *Store) CreateRoom(ctx context.Context, r *Room) error {
	r.Version = 1
	return create(s.db.WithContext(ctx), r, &r.Row)
}

// UpdateRoom replaces a room that still has the given version. When it has another, the error is ErrStale, and the row holds what
// is there.
func (s *Store) UpdateRoom(ctx context.Context, r *Room) error {
	return update(s.db.WithContext(ctx), r, &r.Row, map[string]any{"name": r.Name, "document": r.Document})
}

// DeleteRoom hides a room of the given version. Setups that were fitted to it stay as they are.
func (s *Store) DeleteRoom(ctx context.Context, coach, id string, version int) error {
	db := s.db.WithContext(ctx)
	return hide[Room](db, coach, id, version, db.NowFunc())
}

// RestoreRoom brings a deleted room back.
func (s *Store) RestoreRoom(ctx context.Context, coach, id string) (Room, error) {
	return restore[Room](s.db.WithContext(ctx), coach, id)
}

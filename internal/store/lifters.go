package store

import (
	"context"
	"encoding/json"
	"time"

	"gorm.io/gorm"
)

// Lifter is a person on a coach's list. Body is the lifter part of a setup document.
type Lifter struct {
	Row
	Notes      string
	Body       json.RawMessage `gorm:"type:jsonb"`
	ArchivedAt *time.Time      // nil for one who is worked with
}

// Lifters is a page of the coach's lifters by name, those who are worked with or the archived ones, with every word in their name,
// and how many there are.
func (s *Store) Lifters(ctx context.Context, coach string, archived bool, words string, page Page) ([]Lifter, int64, error) {
	q := s.db.WithContext(ctx).Where("coach_id = ? and (archived_at is not null) = ?", coach, archived)
	return list[Lifter](named(q, words), page)
}

// ArchiveLifter puts a lifter among the archived ones, or takes them out again.
func (s *Store) ArchiveLifter(ctx context.Context, coach, id string, archived bool) (Lifter, error) {
	db := s.db.WithContext(ctx)
	var at *time.Time
	if archived {
		now := db.NowFunc()
		at = &now
	}
	if err := db.Model(&Lifter{}).Where("coach_id = ? and id = ?", coach, id).UpdateColumn("archived_at", at).Error; err != nil {
		return Lifter{}, err
	}
	return s.Lifter(ctx, coach, id)
}

// Lifter reads one lifter.
func (s *Store) Lifter(ctx context.Context, coach, id string) (Lifter, error) {
	return read[Lifter](s.db.WithContext(ctx), coach, id)
}

// CreateLifter stores a new lifter. With an ID that is taken it is ErrExists, and the row holds what is there.
func (s *Store) CreateLifter(ctx context.Context, l *Lifter) error {
	l.Version = 1
	return create(s.db.WithContext(ctx), l, &l.Row, l.values())
}

// CreateLifters stores new lifters, all or none.
func (s *Store) CreateLifters(ctx context.Context, rows []Lifter) error {
	for i := range rows {
		rows[i].Version = 1
	}
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error { return tx.CreateInBatches(rows, 1000).Error })
}

// LifterNames are the names of the coach's lifters, archived ones too.
func (s *Store) LifterNames(ctx context.Context, coach string) (map[string]bool, error) {
	var names []string
	err := s.db.WithContext(ctx).Model(&Lifter{}).Where("coach_id = ?", coach).Distinct().Pluck("name", &names).Error
	out := make(map[string]bool, len(names))
	for _, n := range names {
		out[n] = true
	}
	return out, err
}

// values are what a save writes of a lifter.
func (l *Lifter) values() map[string]any {
	return map[string]any{"name": l.Name, "notes": l.Notes, "body": l.Body}
}

// UpdateLifter replaces a lifter that still has the given version. When it has another, the error is ErrStale, and the
// row holds what is there.
func (s *Store) UpdateLifter(ctx context.Context, l *Lifter) error {
	return update(s.db.WithContext(ctx), l, &l.Row, l.values(), "archived_at")
}

// DeleteLifter hides a lifter of the given version together with the setups made for them.
func (s *Store) DeleteLifter(ctx context.Context, coach, id string, version int) error {
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		now := tx.NowFunc()
		if err := hide[Lifter](tx, coach, id, version, now); err != nil {
			return err
		}
		return tx.Model(&Setup{}).Where("coach_id = ? and lifter_id = ?", coach, id).UpdateColumn("deleted_at", now).Error
	})
}

// RestoreLifter brings a deleted lifter back, and the setups that went with them.
func (s *Store) RestoreLifter(ctx context.Context, coach, id string) (Lifter, error) {
	var l Lifter
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var gone Lifter
		if err := tx.Unscoped().Where("coach_id = ? and id = ?", coach, id).First(&gone).Error; err != nil {
			return found(err)
		}
		if gone.DeletedAt.Valid {
			if err := tx.Unscoped().Model(&Setup{}).Where("coach_id = ? and lifter_id = ? and deleted_at = ?", coach, id,
				gone.DeletedAt.Time).UpdateColumn("deleted_at", nil).Error; err != nil {
				return err
			}
		}
		var err error
		l, err = restore[Lifter](tx, coach, id)
		return err
	})
	return l, err
}

package store

import (
	"context"
	"encoding/json"
	"time"

	"gorm.io/gorm"
)

// SetupVersion is one saved state of a setup. The database writes one whenever a setup is saved.
type SetupVersion struct {
	SetupID  string
	Version  int
	Title    string
	Document json.RawMessage `gorm:"type:jsonb"`
	SavedAt  time.Time
}

// SetupVersions is a page of the states of a setup, the newest first, and how many there are.
func (s *Store) SetupVersions(ctx context.Context, coach, setup string, page Page) ([]SetupVersion, int64, error) {
	if _, err := s.Setup(ctx, coach, setup); err != nil {
		return nil, 0, err
	}
	var rows []SetupVersion
	var total int64
	q := s.db.WithContext(ctx).Where("setup_id = ?", setup).Session(&gorm.Session{})
	if err := q.Model(&SetupVersion{}).Count(&total).Error; err != nil {
		return nil, 0, err
	}
	err := q.Order("version desc").Offset(page.Offset).Limit(page.Limit).Find(&rows).Error
	return rows, total, err
}

// Thin takes out of the history of setups, lifters and rooms what is older than a year, but for the last state of each day and those that
// have a title; it says how many states that were. The newest state of everything stays.
func (s *Store) Thin(ctx context.Context) (int64, error) {
	var gone int64
	err := s.pool.QueryRow(ctx, "select thin_history()").Scan(&gone)
	return gone, err
}

// NameSetupVersion gives a state a title, or takes it away with an empty one.
func (s *Store) NameSetupVersion(ctx context.Context, coach, setup string, version int, title string) error {
	if _, err := s.Setup(ctx, coach, setup); err != nil {
		return err
	}
	done := s.db.WithContext(ctx).Model(&SetupVersion{}).Where("setup_id = ? and version = ?", setup, version).UpdateColumn("title", title)
	if done.Error == nil && done.RowsAffected == 0 {
		return ErrNotFound
	}
	return done.Error
}

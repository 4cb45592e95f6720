package store

import (
	"cmp"
	"context"
	"encoding/json"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Capture is what was measured on a day.
type Capture struct {
	ID        string
	CoachID   string
	LifterID  string
	SetupID   *string
	Day       time.Time
	Document  json.RawMessage `gorm:"type:jsonb"`
	CreatedAt time.Time
	DeletedAt *time.Time
	Files     []CaptureFile
}

// CaptureFile is a file of samples, without them when captures are listed.
type CaptureFile struct {
	CaptureID string `gorm:"primaryKey"`
	Slot      string `gorm:"primaryKey"`
	Name      string
	Bytes     []byte
}

// AddCapture keeps a capture of one of the coach's lifters; one that is there already is ErrExists.
func (s *Store) AddCapture(ctx context.Context, row *Capture) error {
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := keepLifter(tx, row.CoachID, row.LifterID); err != nil {
			return err
		}
		if row.SetupID != nil {
			var n int64
			if err := tx.Table("setups").Where("coach_id = ? and id = ?", row.CoachID, *row.SetupID).Count(&n).Error; err != nil || n == 0 {
				return cmp.Or(err, ErrNotFound)
			}
		}
		row.CreatedAt = tx.NowFunc()
		done := tx.Omit("Files").Clauses(clause.OnConflict{DoNothing: true}).Create(row)
		if done.Error == nil && done.RowsAffected == 0 {
			return ErrExists
		}
		return done.Error
	})
}

// AddCaptureFile adds a file to a capture. Samples stay as they are: a slot that is filled is ErrExists.
func (s *Store) AddCaptureFile(ctx context.Context, coach string, file *CaptureFile) error {
	done := s.db.WithContext(ctx).Exec(`insert into capture_files (capture_id, slot, name, bytes)
		select id, ?, ?, ? from captures where coach_id = ? and id = ? and deleted_at is null on conflict do nothing`, file.Slot, file.Name, file.Bytes,
		coach, file.CaptureID)
	if done.Error != nil || done.RowsAffected > 0 {
		return done.Error
	}
	var n int64
	err := s.db.WithContext(ctx).Model(&Capture{}).Where("coach_id = ? and id = ? and deleted_at is null", coach, file.CaptureID).Count(&n).Error
	if err == nil && n > 0 {
		return ErrExists
	}
	if err == nil {
		return ErrNotFound
	}
	return err
}

// Captures are a lifter's captures, the latest first, with the names of their files.
func (s *Store) Captures(ctx context.Context, coach, lifter string, page Page) ([]Capture, error) {
	var rows []Capture
	err := s.db.WithContext(ctx).Preload("Files", func(db *gorm.DB) *gorm.DB {
		return db.Select("capture_id", "slot", "name").Order("slot")
	}).Where("coach_id = ? and lifter_id = ? and deleted_at is null", coach, lifter).Order("day desc, created_at desc, id").
		Offset(page.Offset).Limit(page.Limit).Find(&rows).Error
	return rows, err
}

// AllCaptures are the captures of all of a coach's lifters, by their ids, with the names of their files.
func (s *Store) AllCaptures(ctx context.Context, coach string, page Page) ([]Capture, error) {
	var rows []Capture
	err := s.db.WithContext(ctx).Preload("Files", func(db *gorm.DB) *gorm.DB {
		return db.Select("capture_id", "slot", "name").Order("slot")
	}).Where("coach_id = ? and deleted_at is null", coach).Order("id").Offset(page.Offset).Limit(page.Limit).Find(&rows).Error
	return rows, err
}

// ReadCaptureFile reads one file with its samples.
func (s *Store) ReadCaptureFile(ctx context.Context, coach, id, slot string) (CaptureFile, error) {
	var file CaptureFile
	err := s.db.WithContext(ctx).Joins("join captures on captures.id = capture_files.capture_id and captures.coach_id = ? and captures.deleted_at is null",
		coach).Where("capture_id = ? and slot = ?", id, slot).First(&file).Error
	return file, found(err)
}

// HideCapture hides a capture, or brings it back.
func (s *Store) HideCapture(ctx context.Context, coach, id string, hidden bool) error {
	var at any
	if hidden {
		at = s.db.NowFunc()
	}
	done := s.db.WithContext(ctx).Model(&Capture{}).Where("coach_id = ? and id = ?", coach, id).UpdateColumn("deleted_at", at)
	if done.Error == nil && done.RowsAffected == 0 {
		return ErrNotFound
	}
	return done.Error
}

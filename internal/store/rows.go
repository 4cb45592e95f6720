package store

import (
	"errors"
	"time"

	"gorm.io/gorm"
)

// These are the moves that lifters and setups share.

func found(err error) error {
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return ErrNotFound
	}
	return err
}

func list[T any](q *gorm.DB, page Page) ([]T, int64, error) {
	var rows []T
	var total int64
	q = q.Session(&gorm.Session{}) // the count must not leave its marks on the query
	if err := q.Model(new(T)).Count(&total).Error; err != nil {
		return nil, 0, err
	}
	err := q.Order("name, id").Offset(page.Offset).Limit(page.Limit).Find(&rows).Error
	return rows, total, err
}

func read[T any](db *gorm.DB, coach, id string) (T, error) {
	var row T
	err := db.Where("coach_id = ? and id = ?", coach, id).First(&row).Error
	return row, found(err)
}

func create[T any](db *gorm.DB, row *T, head *Row) error {
	coach, id := head.CoachID, head.ID
	err := db.Create(row).Error
	if !errors.Is(err, gorm.ErrDuplicatedKey) {
		return err
	}
	there, err := read[T](db, coach, id)
	if err != nil {
		return ErrNotFound // another coach's, or deleted: nothing of it is told
	}
	*row = there
	return ErrExists
}

func update[T any](db *gorm.DB, row *T, head *Row, values map[string]any) error {
	coach, id, version := head.CoachID, head.ID, head.Version
	values["version"] = version + 1
	values["updated_at"] = db.NowFunc()
	done := db.Model(new(T)).Where("coach_id = ? and id = ? and version = ?", coach, id, version).UpdateColumns(values)
	if done.Error != nil {
		return done.Error
	}
	there, err := read[T](db, coach, id)
	if err != nil {
		return err
	}
	*row = there
	if done.RowsAffected == 0 {
		return ErrStale
	}
	return nil
}

func hide[T any](db *gorm.DB, coach, id string, version int, at time.Time) error {
	done := db.Model(new(T)).Where("coach_id = ? and id = ? and version = ?", coach, id, version).UpdateColumn("deleted_at", at)
	if done.Error != nil || done.RowsAffected > 0 {
		return done.Error
	}
	if _, err := read[T](db, coach, id); err != nil {
		return err
	}
	return ErrStale
}

func restore[T any](db *gorm.DB, coach, id string) (T, error) {
	if err := db.Unscoped().Model(new(T)).Where("coach_id = ? and id = ?", coach, id).UpdateColumn("deleted_at", nil).Error; err != nil {
		return *new(T), err
	}
	return read[T](db, coach, id)
}

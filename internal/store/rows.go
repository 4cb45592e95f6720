package store

import (
	"encoding/json"
	"errors"
	"maps"
	"slices"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
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

// create stores a row. One that is there already under its id is told, unless it is just what was to be stored: then the request was sent
// again because its answer got lost.
func create[T any](db *gorm.DB, row *T, head *Row, values map[string]any) error {
	coach, id := head.CoachID, head.ID
	// A taken id ends a transaction; a savepoint lets it go on to see what is there.
	_, within := db.Statement.ConnPool.(gorm.TxCommitter)
	if within {
		if err := db.SavePoint("made").Error; err != nil {
			return err
		}
	}
	err := db.Create(row).Error
	if !errors.Is(err, gorm.ErrDuplicatedKey) {
		return err
	}
	if within {
		if err := db.RollbackTo("made").Error; err != nil {
			return err
		}
	}
	there, err := read[T](db, coach, id)
	if err != nil {
		return ErrNotFound // another coach's, or deleted: nothing of it is told
	}
	*row = there
	if again, err := stored[T](db, coach, id, 1, values); err != nil || again {
		return err
	}
	return ErrExists
}

// update writes the values of a row that still has the version that they are based on, and reads it back in the same statement, so that
// no other writer's state can come in between. When the row has the next version with just these values, the request was sent again
// because its answer got lost, and is answered as the first time. Also are columns that the row has beside those of every row and the
// values.
func update[T any](db *gorm.DB, row *T, head *Row, values map[string]any, also ...string) error {
	coach, id, version := head.CoachID, head.ID, head.Version
	set := maps.Clone(values)
	set["version"], set["updated_at"] = version+1, db.NowFunc()
	// What was written is known; the rest of the row is read back.
	back := clause.Returning{}
	for _, column := range append([]string{"version", "name", "created_at", "updated_at"}, also...) {
		back.Columns = append(back.Columns, clause.Column{Name: column})
	}
	done := db.Model(row).Clauses(back).Where("coach_id = ? and id = ? and version = ?", coach, id, version).UpdateColumns(set)
	if done.Error != nil || done.RowsAffected > 0 {
		return done.Error
	}
	there, err := read[T](db, coach, id)
	if err != nil {
		return err
	}
	*row = there
	if again, err := stored[T](db, coach, id, version+1, values); err != nil || again {
		return err
	}
	return ErrStale
}

// stored says whether a row has a version with just these values.
func stored[T any](db *gorm.DB, coach, id string, version int, values map[string]any) (bool, error) {
	q := db.Model(new(T)).Where("coach_id = ? and id = ? and version = ?", coach, id, version)
	for _, column := range slices.Sorted(maps.Keys(values)) {
		if raw, ok := values[column].(json.RawMessage); ok {
			q = q.Where(column+" = ?::jsonb", string(raw))
		} else {
			q = q.Where(column+" is not distinct from ?", values[column])
		}
	}
	var n int64
	err := q.Count(&n).Error
	return n > 0, err
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

package store

import (
	"context"
	"encoding/json"
	"errors"
	"reflect"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Session is what was done on a day: its document is a session document without sets.
type Session struct {
	ID        string
	CoachID   string
	LifterID  string
	Day       time.Time
	Document  json.RawMessage `gorm:"type:jsonb"`
	CreatedAt time.Time
	UpdatedAt time.Time
	Sets      []SessionSet
}

// SessionSet is one set of a session.
type SessionSet struct {
	ID        string
	SessionID string
	Document  json.RawMessage `gorm:"type:jsonb"`
}

// withSets reads sessions together with their sets.
func withSets(db *gorm.DB) *gorm.DB { return db.Preload("Sets") }

// ReadSession reads one session.
func (s *Store) ReadSession(ctx context.Context, coach, id string) (Session, error) {
	var row Session
	err := withSets(s.db.WithContext(ctx)).Where("coach_id = ? and id = ?", coach, id).First(&row).Error
	return row, found(err)
}

// Sessions are a lifter's sessions of some days, the latest first, as many as a page holds.
func (s *Store) Sessions(ctx context.Context, coach, lifter string, from, to time.Time, page Page) ([]Session, error) {
	var rows []Session
	err := withSets(s.db.WithContext(ctx)).Where("coach_id = ? and lifter_id = ? and day between ? and ?", coach, lifter, from, to).
		Order("day desc, id").Offset(page.Offset).Limit(page.Limit).Find(&rows).Error
	return rows, err
}

// AllSessions are the sessions of all of a coach's lifters, by their ids.
func (s *Store) AllSessions(ctx context.Context, coach string, page Page) ([]Session, error) {
	var rows []Session
	err := withSets(s.db.WithContext(ctx)).Where("coach_id = ?", coach).Order("id").Offset(page.Offset).Limit(page.Limit).Find(&rows).Error
	return rows, err
}

// SessionsSince are the coach's sessions that were changed after a moment, in that order.
func (s *Store) SessionsSince(ctx context.Context, coach string, since time.Time) ([]Session, error) {
	var rows []Session
	err := withSets(s.db.WithContext(ctx)).Where("coach_id = ? and updated_at > ?", coach,
		since).Order("updated_at").Limit(mostLive).Find(&rows).Error
	return rows, err
}

// mostLive is how many changed sessions are told at once.
const mostLive = 50

// MergeSession brings what a phone sends together with what is there, in one transaction in which nobody else changes the session: merge
// gets the row as it is, without a document when it is new, and says what it shall be. Rows of sets that stay the same are not written.
// An id that another coach's or lifter's session has is ErrNotFound.
func (s *Store) MergeSession(ctx context.Context, row *Session, merge func(was *Session) error) error {
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := keepLifter(tx, row.CoachID, row.LifterID); err != nil {
			return err
		}
		now := tx.NowFunc()
		empty := Session{ID: row.ID, CoachID: row.CoachID, LifterID: row.LifterID, Day: row.Day, Document: json.RawMessage("null"),
			CreatedAt: now, UpdatedAt: now}
		if err := tx.Omit("Sets").Clauses(clause.OnConflict{DoNothing: true}).Create(&empty).Error; err != nil {
			return err
		}
		var was Session
		err := withSets(tx).Clauses(clause.Locking{Strength: "UPDATE"}).Where("coach_id = ? and lifter_id = ? and id = ?", row.CoachID,
			row.LifterID,
			row.ID).First(&was).Error
		if err != nil {
			return found(err)
		}
		before := map[string]string{}
		for _, x := range was.Sets {
			before[x.ID] = string(x.Document)
		}
		if string(was.Document) == "null" {
			was.Document = nil
		}
		if err := merge(&was); err != nil {
			return err
		}
		var changed []SessionSet
		for _, x := range was.Sets {
			if text, known := before[x.ID]; !known || !sameJSON(text, string(x.Document)) {
				x.SessionID = row.ID
				changed = append(changed, x)
			}
		}
		was.UpdatedAt = now
		if err := tx.Model(&Session{}).Where("id = ?", row.ID).UpdateColumns(map[string]any{"day": was.Day, "document": was.Document,
			"updated_at": now}).Error; err != nil {
			return err
		}
		if len(changed) > 0 {
			// A set stays with its session: one whose id another session has is refused.
			done := tx.Clauses(clause.OnConflict{Columns: []clause.Column{{Name: "id"}}, DoUpdates: clause.AssignmentColumns([]string{"document"}),
				Where: clause.Where{Exprs: []clause.Expression{clause.Expr{SQL: "session_sets.session_id = excluded.session_id"}}}}).Create(&changed)
			if done.Error != nil {
				return done.Error
			}
			if done.RowsAffected < int64(len(changed)) {
				return ErrExists
			}
		}
		*row = was
		return nil
	})
}

// sameJSON says whether two JSON texts mean the same.
func sameJSON(a, b string) bool {
	var x, y any
	if errors.Join(json.Unmarshal([]byte(a), &x), json.Unmarshal([]byte(b), &y)) != nil {
		return false
	}
	return reflect.DeepEqual(x, y)
}

// Package store keeps lifters and setups in PostgreSQL. Every row belongs to a coach, and every query names the coach;
// writes carry the version that they were based on.
package store

import (
	"context"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"runtime"
	"time"

	"github.com/jackc/pgx/v5/pgxpool"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"
	"github.com/pressly/goose/v3/lock"
	"gorm.io/driver/postgres"
	"gorm.io/gorm"
	"gorm.io/gorm/logger"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Store is a connection to the database. It keeps nothing in memory, so several programs can share one database.
type Store struct {
	pool *pgxpool.Pool
	db   *gorm.DB
}

// connectionsPerProcessor is how many connections are kept: requests wait for the disk more than for a processor (own).
const connectionsPerProcessor = 4

// patience is how long the database may take, ms: a table that is held up must not hold up everything else.
var patience = map[string]string{"statement_timeout": "15000", "lock_timeout": "5000", "idle_in_transaction_session_timeout": "30000"}

// Open connects to the database. It does not migrate.
func Open(ctx context.Context, url string) (*Store, error) {
	config, err := pgxpool.ParseConfig(url)
	if err != nil {
		return nil, err
	}
	config.MaxConns = max(4, int32(connectionsPerProcessor*runtime.GOMAXPROCS(0)))
	for name, value := range patience {
		if _, given := config.ConnConfig.RuntimeParams[name]; !given {
			config.ConnConfig.RuntimeParams[name] = value
		}
	}
	pool, err := pgxpool.NewWithConfig(ctx, config)
	if err != nil {
		return nil, err
	}
	if err := pool.Ping(ctx); err != nil {
		pool.Close()
		return nil, fmt.Errorf("the database does not answer: %w", err)
	}
	db, err := gorm.Open(postgres.New(postgres.Config{Conn: stdlib.OpenDBFromPool(pool)}), &gorm.Config{
		Logger: logger.Discard, TranslateError: true, SkipDefaultTransaction: true,
		NowFunc: func() time.Time { return time.Now().UTC().Truncate(time.Microsecond) },
	})
	if err != nil {
		pool.Close()
		return nil, err
	}
	return &Store{pool: pool, db: db}, nil
}

// Close lets go of all connections.
func (s *Store) Close() { s.pool.Close() }

// Ping asks whether the database answers.
func (s *Store) Ping(ctx context.Context) error { return s.pool.Ping(ctx) }

// Writable says whether something can be stored: it writes a coach's name over itself.
func (s *Store) Writable(ctx context.Context, coach string) error {
	_, err := s.pool.Exec(ctx, "update coaches set name = name where id = $1", coach)
	return err
}

// Migrate brings the database to the newest version. Programs that start together wait for each other. A database that a newer program has
// changed is left alone, with an error.
func (s *Store) Migrate(ctx context.Context) error {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	locker, err := lock.NewPostgresSessionLocker()
	if err != nil {
		return err
	}
	// A migration may take its time, and wait for another one's end.
	config := s.pool.Config().ConnConfig.Copy()
	for name := range patience {
		delete(config.RuntimeParams, name)
	}
	db := stdlib.OpenDB(*config)
	defer db.Close()
	provider, err := goose.NewProvider(goose.DialectPostgres, db, files, goose.WithSessionLocker(locker))
	if err != nil {
		return err
	}
	if _, err := provider.Up(ctx); err != nil { // does nothing to a newer one
		return err
	}
	now, newest, err := provider.GetVersions(ctx)
	if err != nil {
		return err
	}
	if now > newest {
		return fmt.Errorf("the database is at version %d, made by a newer program than this one, which knows versions up to %d: run that one, or a newer", now, newest)
	}
	return nil
}

// The ways in which a row cannot be had.
var (
	ErrNotFound = errors.New("not found")
	ErrStale    = errors.New("changed by someone else in the meantime")
	ErrExists   = errors.New("there already")
	ErrAlone    = errors.New("whose it is, is deleted")
)

// Row is what lifters and setups have in common.
type Row struct {
	ID        string `gorm:"default:gen_random_uuid()"`
	CoachID   string
	Version   int
	Name      string
	CreatedAt time.Time
	UpdatedAt time.Time
	DeletedAt gorm.DeletedAt
}

// Coach owns lifters and setups.
type Coach struct {
	ID        string `gorm:"default:gen_random_uuid()"`
	Name      string
	CreatedAt time.Time
}

// FirstCoach is the coach of this installation, made when there is none yet.
func (s *Store) FirstCoach(ctx context.Context, name string) (Coach, error) {
	var c Coach
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Exec("lock table coaches in share row exclusive mode").Error; err != nil {
			return err
		}
		err := tx.Order("created_at, id").First(&c).Error
		if errors.Is(err, gorm.ErrRecordNotFound) {
			c = Coach{Name: name}
			return tx.Create(&c).Error
		}
		return err
	})
	return c, err
}

// OpenFor connects to a database, brings it to the newest version, and gives its coach, who gets a name when there is none yet.
func OpenFor(ctx context.Context, url, name string) (*Store, Coach, error) {
	s, err := Open(ctx, url)
	if err != nil {
		return nil, Coach{}, err
	}
	if err := s.Migrate(ctx); err != nil {
		s.Close()
		return nil, Coach{}, err
	}
	coach, err := s.FirstCoach(ctx, name)
	if err != nil {
		s.Close()
		return nil, Coach{}, err
	}
	return s, coach, nil
}

// Page is a part of a list.
type Page struct {
	Offset, Limit int
}

const perPage = 500

// Each goes over all pages of a list.
func Each[T any](list func(Page) ([]T, int64, error), do func(T) error) error {
	for offset := 0; ; offset += perPage {
		rows, _, err := list(Page{Offset: offset, Limit: perPage})
		if err != nil {
			return err
		}
		for _, r := range rows {
			if err := do(r); err != nil {
				return err
			}
		}
		if len(rows) < perPage {
			return nil
		}
	}
}

// Together runs several writes in one transaction: all are kept, or none.
func (s *Store) Together(ctx context.Context, do func(*Store) error) error {
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error { return do(&Store{pool: s.pool, db: tx}) })
}

// Once runs fill in one transaction when the database holds nothing of any coach, deleted rows included, and does nothing otherwise.
// Programs that start together do not fill twice.
func (s *Store) Once(ctx context.Context, coach string, fill func(*Store) error) error {
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Exec("select from coaches where id = ? for update", coach).Error; err != nil {
			return err
		}
		var any bool
		holds := "select exists (select from lifters) or exists (select from setups) or exists (select from rooms) or exists (select from comparisons) or exists (select from blocks)"
		if err := tx.Raw(holds).Scan(&any).Error; err != nil || any {
			return err
		}
		return fill(&Store{pool: s.pool, db: tx})
	})
}

package localpg

import (
	"context"

	"github.com/jackc/pgx/v5"
)

// createDatabase makes a database on the server unless it is there.
func (s *Server) createDatabase(ctx context.Context, name string) error {
	conn, err := pgx.Connect(ctx, s.URLOf("postgres"))
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	var there bool
	if err := conn.QueryRow(ctx, "select exists (select from pg_database where datname = $1)", name).Scan(&there); err != nil || there {
		return err
	}
	_, err = conn.Exec(ctx, "create database "+pgx.Identifier{name}.Sanitize())
	return err
}

// copyDatabase makes a database that holds what another one does.
func (s *Server) copyDatabase(ctx context.Context, name, of string) error {
	conn, err := pgx.Connect(ctx, s.URLOf("postgres"))
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	_, err = conn.Exec(ctx, "create database "+pgx.Identifier{name}.Sanitize()+" template "+pgx.Identifier{of}.Sanitize())
	return err
}

package httpapi_test

import (
	"context"
	"encoding/json"
	"net/http"
	"net/http/httptest"
	"testing"
	"time"

	"dialarc/internal/demo"
	"dialarc/internal/httpapi"
	"dialarc/internal/store"

	"github.com/jackc/pgx/v5"
)

// grown fills a database that holds the demo with 200 lifters who have trained for three years: copies of the troupe's sessions, 60,000
// sets in all. It gives the id of one of the lifters.
func grown(b *testing.B, url string) string {
	ctx := context.Background()
	conn, err := pgx.Connect(ctx, url)
	if err != nil {
		b.Fatal(err)
	}
	defer conn.Close(ctx)
	for _, statement := range []string{
		`insert into lifters (coach_id, name, notes, body) select coach_id, name || ' ' || n, notes, body from lifters, generate_series(1, 33) n`,
		`create temporary table made as select l.id as lifter, s.id as old, gen_random_uuid() as new, s.day - 7 * 52 * k as day, s.coach_id, s.document
			from lifters l cross join generate_series(0, 2) k
			join lateral (select * from sessions
				where lifter_id = (select lifter_id from sessions group by lifter_id order by count(*) desc limit 1) order by day limit 24) s on true
			where l.id not in (select lifter_id from sessions)`,
		`insert into sessions (id, coach_id, lifter_id, day, document)
			select new, coach_id, lifter, day, jsonb_set(document, '{date}', to_jsonb(day::text)) from made`,
		`insert into session_sets (id, session_id, document)
			select id, new, jsonb_set(document, '{id}', to_jsonb(id::text)) from
			(select gen_random_uuid() as id, m.new, x.document from made m join session_sets x on x.session_id = m.old) copies`,
		`analyze`,
	} {
		if _, err := conn.Exec(ctx, statement); err != nil {
			b.Fatal(err)
		}
	}
	var id string
	var sets int
	if err := conn.QueryRow(ctx, `select lifter_id from sessions group by lifter_id order by count(*) desc limit 1`).Scan(&id); err != nil {
		b.Fatal(err)
	}
	if err := conn.QueryRow(ctx, `select count(*) from session_sets`).Scan(&sets); err != nil || sets < 60_000 {
		b.Fatalf("%d sets, %v", sets, err)
	}
	return id
}

// BenchmarkWeek asks for what the week's screens show of a lifter among 200 with 60,000 sets.
func BenchmarkWeek(b *testing.B) {
	ctx, url := context.Background(), database.New(b)
	s, coach, err := store.OpenFor(ctx, url, demo.CoachName)
	if err != nil {
		b.Fatal(err)
	}
	defer s.Close()
	if err := demo.Load(ctx, s, coach); err != nil {
		b.Fatal(err)
	}
	api := (&httpapi.Server{Store: s, Coach: coach}).Handler()
	if err := demo.Train(ctx, api, time.Now()); err != nil {
		b.Fatal(err)
	}
	id := grown(b, url)
	for name, path := range map[string]string{"lifters": "/api/lifters?limit=200", "blocks": "/api/blocks?limit=200",
		"sessions": "/api/sessions?limit=30&lifterId=" + id, "progress": "/api/lifters/" + id + "/progress",
		"record": "/api/lifters/" + id + "/record"} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				answer := httptest.NewRecorder()
				api.ServeHTTP(answer, httptest.NewRequest(http.MethodGet, path, nil))
				if answer.Code != http.StatusOK || !json.Valid(answer.Body.Bytes()) {
					b.Fatal(answer.Code)
				}
			}
		})
	}
}

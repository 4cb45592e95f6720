package httpapi_test

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"sync"
	"testing"

	"dialarc/core/setup"
	"dialarc/internal/demo"
	"dialarc/internal/httpapi"
	"dialarc/internal/store"

	"github.com/gin-gonic/gin"
	"gorm.io/driver/postgres"
	"gorm.io/gorm"
	"gorm.io/gorm/logger"
)

// bare stores the same row with Gin and GORM and nothing else: no checks, no version, no history.
func bare(b *testing.B, url string) http.Handler {
	b.Helper()
	db, err := gorm.Open(postgres.Open(url), &gorm.Config{Logger: logger.Discard})
	if err != nil {
		b.Fatal(err)
	}
	if err := db.Exec("create table plain (id uuid primary key, name text, document jsonb, updated_at timestamptz)").Error; err != nil {
		b.Fatal(err)
	}
	type Plain struct {
		ID       string
		Name     string
		Document json.RawMessage `gorm:"type:jsonb"`
	}
	gin.SetMode(gin.ReleaseMode)
	engine := gin.New()
	engine.PUT("/api/setups/:id", func(c *gin.Context) {
		var in struct{ Document setup.Document }
		if err := c.BindJSON(&in); err != nil {
			return
		}
		raw, err := json.Marshal(in.Document)
		if err == nil {
			err = db.WithContext(c).Table("plain").Save(&Plain{ID: c.Param("id"), Name: in.Document.Name, Document: raw}).Error
		}
		if err != nil {
			c.AbortWithStatus(500)
			return
		}
		c.JSON(200, in)
	})
	engine.GET("/api/setups", func(c *gin.Context) {
		var rows []Plain
		if err := db.WithContext(c).Table("setups").Where("deleted_at is null").Order("name, id").Limit(100).Find(&rows).Error; err != nil {
			c.AbortWithStatus(500)
			return
		}
		out := make([]struct {
			ID       string
			Document setup.Document
		}, len(rows))
		for i, r := range rows {
			out[i].ID = r.ID
			_ = json.Unmarshal(r.Document, &out[i].Document)
		}
		c.JSON(200, gin.H{"items": out})
	})
	return engine
}

// BenchmarkSaving compares saving and listing with the bare handler, for 1, 8 and 64 clients; the ratio of times of one run is what counts.
func BenchmarkSaving(b *testing.B) {
	ctx, url := context.Background(), database.New(b)
	s, coach, err := store.OpenFor(ctx, url, demo.CoachName)
	if err != nil {
		b.Fatal(err)
	}
	defer s.Close()
	if err := demo.Load(ctx, s, coach); err != nil {
		b.Fatal(err)
	}
	rows, _, err := s.Setups(ctx, coach.ID, store.Wanted{}, store.Page{Limit: 64})
	if err != nil {
		b.Fatal(err)
	}
	full := httptest.NewServer((&httpapi.Server{Store: s, Coach: coach}).Handler())
	defer full.Close()
	plain := httptest.NewServer(bare(b, url))
	defer plain.Close()
	client := &http.Client{Transport: &http.Transport{MaxIdleConnsPerHost: 64}}
	send := func(b *testing.B, method, url string, body []byte) {
		req, err := http.NewRequest(method, url, bytes.NewReader(body))
		if err != nil {
			b.Error(err)
			return
		}
		req.Header.Set("Content-Type", "application/json")
		resp, err := client.Do(req)
		if err != nil {
			b.Error(err)
			return
		}
		defer resp.Body.Close()
		if raw, _ := io.ReadAll(resp.Body); resp.StatusCode != 200 {
			b.Errorf("%d %.200s", resp.StatusCode, raw)
		}
	}
	versions := make([]int, len(rows))
	for i := range rows {
		versions[i] = rows[i].Version
	}
	put := func(b *testing.B, base string, client, n int) {
		row := rows[client%len(rows)]
		body := fmt.Sprintf(`{"version":%d,"lifterId":%q,"document":%s}`, versions[client%len(rows)], row.LifterID, row.Document)
		send(b, "PUT", base+"/api/setups/"+row.ID, []byte(body))
		versions[client%len(rows)]++
	}
	for _, clients := range []int{1, 8, 40} {
		for name, base := range map[string]string{"full": full.URL, "bare": plain.URL} {
			b.Run(fmt.Sprintf("put/%d/%s", clients, name), func(b *testing.B) {
				kept := append([]int{}, versions...)
				inTurn(b, clients, func(client, n int) { put(b, base, client, n) })
				if name == "bare" { // it knows no versions
					copy(versions, kept)
				}
			})
			b.Run(fmt.Sprintf("list/%d/%s", clients, name), func(b *testing.B) {
				inTurn(b, clients, func(int, int) { send(b, "GET", base+"/api/setups", nil) })
			})
		}
	}
}

// inTurn lets a number of clients do b.N things together, each one after the other.
func inTurn(b *testing.B, clients int, do func(client, n int)) {
	var all sync.WaitGroup
	for c := range clients {
		all.Go(func() {
			for n := c; n < b.N; n += clients {
				do(c, n)
			}
		})
	}
	all.Wait()
}

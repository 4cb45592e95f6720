package httpapi_test

import (
	"bufio"
	"encoding/json"
	"fmt"
	"net/http"
	"strings"
	"sync"
	"testing"
	"time"

	"dialarc/core/plan"
	"dialarc/core/progress"
	"dialarc/core/session"
	"dialarc/internal/httpapi"
)

// A block is kept with the copies of its setups, listed under its lifter, changed once by one of two, and judged by the server as by the
// page's core.
func TestBlocksAreKept(t *testing.T) {
	c := serve(t)
	l, st := c.first("Suvi Brandt")
	b := plan.Block{Schema: plan.Schema, LifterID: l.ID, Name: "Tour", Start: "2026-11-30", Weeks: 4, Days: []plan.Day{{Name: "A",
		Entries: []plan.Entry{{ID: "00000000-0000-4000-8000-000000000001", SetupID: st.ID, SetupVersion: 1, Document: st.Document, Sets: 3, RepsFrom: 8,
			RepsTo: 12, RIRFrom: 1, RIRTo: 2, Rest: 120}}}}}
	var made httpapi.Block
	c.call("POST", "/api/blocks", map[string]any{"document": b}, 201, &made)
	var found list[httpapi.Block]
	c.call("GET", "/api/lifters/"+l.ID+"/blocks", nil, 200, &found)
	if len(found.Items) == 0 || found.Items[0].ID != made.ID || found.Items[0].Document.Days[0].Entries[0].Document.Name != st.Name {
		t.Fatalf("%+v", found)
	}
	b.Weeks = 5
	c.call("PUT", "/api/blocks/"+made.ID, map[string]any{"version": 1, "document": b}, 200, &made)
	var f failure
	c.call("PUT", "/api/blocks/"+made.ID, map[string]any{"version": 1, "document": plan.Block{}}, 422, &f)
	b.Weeks = 6
	c.call("PUT", "/api/blocks/"+made.ID, map[string]any{"version": 1, "document": b}, 409, &f)
	var w plan.Week
	c.call("POST", "/api/plan/week", map[string]any{"block": b, "week": 1}, 200, &w)
	if len(w.Ledger) == 0 || w.Days[0].Minutes <= 0 || len(w.Sets) != 6 {
		t.Errorf("%+v", w)
	}
	b.LifterID = "nobody"
	c.call("POST", "/api/blocks", map[string]any{"document": b}, 422, &f)
	if !f.has("document.lifterId", "id") {
		t.Errorf("%+v", f.Problems)
	}
}

// logged is a session of a lifter with as many sets, from one phone.
func logged(lifter string, doc json.RawMessage, from, to int) map[string]any {
	entry := "00000000-0000-4000-8000-00000000000a"
	sets := []map[string]any{}
	for i := from; i < to; i++ {
		sets = append(sets, map[string]any{"id": fmt.Sprintf("00000000-0000-4000-8000-%012d", i), "rev": 0, "entry": entry,
			"at": fmt.Sprintf("2026-11-30T17:%02d:00Z", i), "load": 10, "reps": 10, "rir": 2})
	}
	return map[string]any{"schema": session.Schema, "rev": 0, "lifterId": lifter, "name": "A", "date": "2026-11-30", "sets": sets,
		"entries": []any{map[string]any{"id": entry, "document": doc, "sets": 3, "repsFrom": 8, "repsTo": 12, "rirFrom": 1, "rirTo": 2, "rest": 120}},
		"planned": []any{map[string]any{"entry": entry, "sets": 3, "load": 10, "reps": 10, "rir": 2}}}
}

// Two phones send sets of one session at once, each several times: every set is there once, a set of another session is refused, and
// progress is made of them.
func TestSessionsMerge(t *testing.T) {
	c := serve(t)
	l, st := c.first("Suvi Brandt")
	other, _ := c.first("Madoc Quill")
	doc, _ := json.Marshal(st.Document)
	const id = "00000000-0000-4000-8000-0000000000ff"
	var both sync.WaitGroup
	for phone := range 2 {
		both.Go(func() {
			for range 3 {
				c.call("PUT", "/api/sessions/"+id, logged(l.ID, doc, 3*phone, 3*phone+3), 200, new(httpapi.StoredSession))
			}
		})
	}
	both.Wait()
	var got httpapi.StoredSession
	c.call("GET", "/api/sessions/"+id, nil, 200, &got)
	if len(got.Document.Sets) != 6 || got.Document.Sets[0].At > got.Document.Sets[5].At {
		t.Fatalf("%d sets: %+v", len(got.Document.Sets), got.Document.Sets)
	}
	c.call("PUT", "/api/sessions/"+id, logged(other.ID, doc, 0, 1), 404, nil)
	c.call("PUT", "/api/sessions/00000000-0000-4000-8000-0000000000fe", logged(l.ID, doc, 0, 1), 409, nil)
	var f failure
	bad := logged(l.ID, doc, 0, 1)
	bad["sets"].([]map[string]any)[0]["reps"] = 0
	c.call("PUT", "/api/sessions/"+id, bad, 422, &f)
	if !f.has("sets[0].reps", "0") {
		t.Errorf("%+v", f.Problems)
	}
	var found list[httpapi.StoredSession]
	c.call("GET", "/api/sessions?lifterId="+l.ID+"&from=2026-11-30&to=2026-11-30", nil, 200, &found)
	if len(found.Items) != 1 || found.Items[0].ID != id {
		t.Errorf("%d sessions on that day", len(found.Items))
	}
	var p progress.Progress
	c.call("GET", "/api/lifters/"+l.ID+"/progress", nil, 200, &p)
	i := 0
	for i < len(p.Series) && p.Series[i].Name != st.Name {
		i++
	}
	if i == len(p.Series) || len(p.Series[i].Points) == 0 || !p.Series[i].Points[0].Limit.Known() {
		t.Errorf("%+v", p.Series)
	}
}

// Whoever watches is told of a set within seconds, and is not told again what was heard before.
func TestSessionsAreLive(t *testing.T) {
	c := serve(t)
	l, st := c.first("Suvi Brandt")
	doc, _ := json.Marshal(st.Document)
	req, err := http.NewRequest("GET", c.url+"/api/live", nil)
	if err != nil {
		t.Fatal(err)
	}
	resp, err := http.DefaultClient.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	defer resp.Body.Close()
	if kind := resp.Header.Get("Content-Type"); !strings.HasPrefix(kind, "text/event-stream") {
		t.Fatalf("%s", kind)
	}
	c.call("PUT", "/api/sessions/00000000-0000-4000-8000-0000000000fd", logged(l.ID, doc, 20, 21), 200, new(httpapi.StoredSession))
	heard := make(chan string, 1)
	go func() {
		lines := bufio.NewScanner(resp.Body)
		lines.Buffer(nil, 1<<20)
		for lines.Scan() {
			if text, ok := strings.CutPrefix(lines.Text(), "data: "); ok {
				heard <- text
				return
			}
		}
	}()
	select {
	case text := <-heard:
		var got httpapi.StoredSession
		if err := json.Unmarshal([]byte(text), &got); err != nil || len(got.Document.Sets) != 1 {
			t.Errorf("%v, %s", err, text)
		}
	case <-time.After(10 * time.Second):
		t.Error("nothing was told within ten seconds")
	}
}

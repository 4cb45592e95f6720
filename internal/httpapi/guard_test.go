package httpapi_test

import (
	"encoding/json"
	"fmt"
	"net/http"
	"net/http/httptest"
	"runtime"
	"strings"
	"sync"
	"testing"

	"dialarc/core/dialin"
	"dialarc/core/setup"
	"dialarc/internal/demo"
	"dialarc/internal/httpapi"
)

// Only the program's own page, under the program's own names, gets in: a name that was bent to this machine reads nothing, a page of
// another place changes nothing, and a body that a form could send is refused.
func TestGuard(t *testing.T) {
	reached := http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) { w.WriteHeader(http.StatusNoContent) })
	guard := httpapi.Guard(reached, "bench.example")
	for name, c := range map[string]struct {
		method, host string
		headers      map[string]string
		want         int
	}{
		"its own page": {"POST", "127.0.0.1:4380", map[string]string{"Origin": "http://127.0.0.1:4380",
			"Sec-Fetch-Site": "same-origin"}, 204},
		"a program":              {"POST", "localhost:4380", nil, 204},
		"IPv6":                   {"GET", "[::1]:4380", nil, 204},
		"a name that was given":  {"PUT", "bench.example", nil, 204},
		"a bent name":            {"GET", "evil.example:4380", nil, 421},
		"another machine's name": {"GET", "192.168.1.9:4380", nil, 421},
		"a page of another place": {"POST", "127.0.0.1:4380", map[string]string{"Origin": "http://evil.example", "Sec-Fetch-Site": "cross-site"},
			403},
		"an old browser": {"DELETE", "127.0.0.1:4380", map[string]string{"Origin": "http://evil.example"}, 403},
		"reading across": {"GET", "127.0.0.1:4380", map[string]string{"Origin": "http://evil.example", "Sec-Fetch-Site": "cross-site"},
			204},
		"a form":  {"POST", "127.0.0.1:4380", map[string]string{"Content-Type": "text/plain"}, 415},
		"no type": {"POST", "127.0.0.1:4380", map[string]string{"Content-Type": ""}, 415},
	} {
		r := httptest.NewRequest(c.method, "http://"+c.host+"/api/setups", strings.NewReader(`{}`))
		r.Header.Set("Content-Type", "application/json; charset=utf-8")
		for k, v := range c.headers {
			r.Header.Set(k, v)
		}
		w := httptest.NewRecorder()
		guard.ServeHTTP(w, r)
		if w.Code != c.want || w.Header().Get("X-Content-Type-Options") != "nosniff" || w.Header().Get("Cache-Control") != "no-store" {
			t.Errorf("%s: %d, want %d, headers %v", name, w.Code, c.want, w.Header())
		}
		var f failure
		if c.want > 400 && (json.Unmarshal(w.Body.Bytes(), &f) != nil || f.Detail == "") {
			t.Errorf("%s says %q", name, w.Body)
		}
	}
}

// Small requests cost little, however they are made: they are refused at their shape, with a short answer, before anything is reckoned.
func TestSmallRequestsCostLittle(t *testing.T) {
	c := serve(t)
	_, st := c.first("Suvi Brandt")
	raw, err := json.Marshal(st.Document)
	if err != nil {
		t.Fatal(err)
	}
	many := strings.Replace(string(raw), `"loads":[`, `"loads":[`+strings.Repeat(`{},`, 100000), 1)
	search := func(g dialin.Goal) string {
		body, err := json.Marshal(map[string]any{"setup": st.Document, "goal": g})
		if err != nil {
			t.Fatal(err)
		}
		return string(body)
	}
	twice := make([]string, 3000)
	for i := range twice {
		twice[i] = "stance.out"
	}
	for name, x := range map[string]struct{ path, body, at string }{
		"loads":        {"/api/evaluate", many, "loads"},
		"loads, saved": {"/api/setups", fmt.Sprintf(`{"lifterId":%q,"document":%s}`, st.LifterID, many), "document.loads"},
		"free":         {"/api/dialin", search(dialin.Goal{Free: twice}), "goal.free"},
		"budget":       {"/api/dialin", search(dialin.Goal{Free: []string{"stance.out"}, Budget: 1 << 40}), "budget"},
		"freed twice":  {"/api/dialin", search(dialin.Goal{Free: twice[:2]}), "stance.out"},
		"zero": {"/api/setups", fmt.Sprintf(`{"lifterId":%q,"document":{"schema":%q,"name":"a\u0000b"}}`, st.LifterID, setup.Schema),
			"document.name"},
		"cells": {"/api/lifters/import", "name,stature,mass\n" + strings.Repeat(",", 2<<20), "row 2"},
	} {
		var before, after runtime.MemStats
		runtime.ReadMemStats(&before)
		var f failure
		c.call("POST", x.path, x.body, 422, &f)
		runtime.ReadMemStats(&after)
		if !f.has(x.at, "") || len(f.Problems) > 60 {
			t.Errorf("%s: %d problems, %.300v", name, len(f.Problems), f.Problems)
		}
		if grown := after.TotalAlloc - before.TotalAlloc; grown > 300<<20 {
			t.Errorf("%s takes %d MB", name, grown>>20)
		}
	}
}

// More calculations than there are hands for wait for their turn, and each is answered.
func TestCalculationsTakeTurns(t *testing.T) {
	c := serve(t)
	d := demo.Documents()[0]
	var all sync.WaitGroup
	for range 10 {
		all.Go(func() { c.call("POST", "/api/evaluate/uncertainty", d, 200, nil) })
	}
	all.Wait()
}

// What the database cannot hold is told as that, and a row that something else has spoiled is one row that cannot be read, not the end of
// the list.
func TestErrorsAreToldAsWhatTheyAre(t *testing.T) {
	c, db := serveWith(t)
	_, st := c.first("Suvi Brandt")
	var f failure
	c.call("PUT", "/api/setups/"+st.ID, fmt.Sprintf(`{"version":%d,"lifterId":%q,"document":{"schema":%q,"name":"x"}}`, int64(1)<<31,
		st.LifterID, setup.Schema), 422, &f)
	if !f.has("version", "no such version") {
		t.Errorf("%+v", f)
	}
	f = failure{}
	c.call("POST", "/api/setups", fmt.Sprintf(`{"lifterId":%q,"document":{"schema":%q,"name":"caf`+"\xe9"+`"}}`, st.LifterID, setup.Schema),
		422, &f)
	if len(f.Problems) != 1 || !strings.Contains(f.Problems[0].What, "not UTF-8 at line 1, column") {
		t.Errorf("a byte that is no UTF-8: %+v", f)
	}
	f = failure{}
	c.call("DELETE", "/api/setups/"+st.ID+"?version=9999999999", nil, 422, &f)
	c.call("PUT", "/api/setups/"+st.ID+"/versions/9999999999", `{"title":"x"}`, 422, &f)
	db(t, `update setups set document = '{"loads": 7}' where id = '`+st.ID+`'`)
	var all list[httpapi.Setup]
	c.call("GET", "/api/setups?lifterId="+st.LifterID, nil, 200, &all)
	spoiled := 0
	for _, s := range all.Items {
		if s.Unreadable != "" {
			spoiled++
			if s.ID != st.ID || s.Name == "" {
				t.Errorf("%+v", s)
			}
		}
	}
	if spoiled != 1 || len(all.Items) < 2 {
		t.Errorf("%d of %d rows cannot be read", spoiled, len(all.Items))
	}
	db(t, `update setup_versions set document = '{"loads": 7}' where setup_id = '`+st.ID+`'`)
	var states list[httpapi.SetupVersion]
	c.call("GET", "/api/setups/"+st.ID+"/versions", nil, 200, &states)
	if len(states.Items) != 1 || states.Items[0].Version != 1 || states.Items[0].Unreadable == "" {
		t.Errorf("the spoiled state of a setup: %+v", states.Items)
	}
}

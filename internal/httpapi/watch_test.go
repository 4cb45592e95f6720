package httpapi_test

import (
	"bytes"
	"context"
	"errors"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"

	"dialarc/internal/httpapi"
)

// Those who look after the server see whether it runs, whether it can store and what it does, each request under a number of its own, and
// nobody's ids or names.
func TestWatch(t *testing.T) {
	var log bytes.Buffer
	var full error
	next := http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if strings.Contains(r.URL.Path, "bad") {
			w.WriteHeader(http.StatusInternalServerError)
		}
		_, _ = w.Write([]byte("hello"))
	})
	h := httpapi.Watch(next, slog.New(slog.NewTextHandler(&log, nil)), func(context.Context) error { return full })
	get := func(path string) *httptest.ResponseRecorder {
		w := httptest.NewRecorder()
		h.ServeHTTP(w, httptest.NewRequest(http.MethodGet, path, nil))
		return w
	}
	const id = "0b5e1d1c-7a11-4d6c-9a53-3f0a55d0a001"
	first, second := get("/api/setups/"+id+"?q=Somebody"), get("/api/bad")
	if a, b := first.Header().Get("X-Request-Id"), second.Header().Get("X-Request-Id"); a == "" || a == b ||
		!strings.Contains(log.String(), a) {
		t.Errorf("numbers %q and %q", a, b)
	}
	if text := log.String(); strings.Contains(text, id) || strings.Contains(text, "Somebody") || !strings.Contains(text, "/api/setups/{id}") ||
		!strings.Contains(text, "level=ERROR") || !strings.Contains(text, "bytes=5") {
		t.Errorf("the log says\n%s", text)
	}
	if w := get("/healthz"); w.Code != 200 {
		t.Errorf("it runs, and says %d", w.Code)
	}
	if w := get("/readyz"); w.Code != 200 {
		t.Errorf("it can store, and says %d", w.Code)
	}
	full = errors.New("no room")
	if w := get("/readyz"); w.Code != 503 || strings.Contains(w.Body.String(), "no room") {
		t.Errorf("it cannot store, and says %d %s", w.Code, w.Body)
	}
	text := get("/metrics").Body.String()
	if !strings.Contains(text, `dialarc_requests_total{method="GET",resource="/api/setups/{id}",status="200"} 1`) ||
		!strings.Contains(text, `resource="/api/other",status="500"} 1`) || strings.Contains(text, id) {
		t.Errorf("the numbers are\n%.600s", text)
	}
}

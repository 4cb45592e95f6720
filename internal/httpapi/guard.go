package httpapi

import (
	"context"
	"encoding/json"
	"log/slog"
	"mime"
	"net"
	"net/http"
	"runtime/debug"
	"slices"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
)

// Guard lets through what comes from the program's own page, or from no page at all. A page of another place can make a browser send
// requests here; so a host that is not expected is refused, which keeps a name that was bent to this machine from reading anything, and so
// is what a browser sends across origins to change something, or with a body that is not declared as what it has to be. Hosts are names
// beside those of this machine itself under which the program is called.
func Guard(next http.Handler, hosts ...string) http.Handler {
	origins := http.NewCrossOriginProtection()
	origins.SetDenyHandler(refusing(http.StatusForbidden, "This request comes from a page of another place. Use the program's own page."))
	inner := origins.Handler(typed(limited(next)))
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("X-Content-Type-Options", "nosniff")
		if strings.HasPrefix(r.URL.Path, "/api/") {
			w.Header().Set("Cache-Control", "no-store")
		}
		if !expected(r.Host, hosts) {
			refusing(http.StatusMisdirectedRequest, "This program is not called "+clipped(r.Host)+". Start it with --host to have it answer to another name.").ServeHTTP(w, r)
			return
		}
		inner.ServeHTTP(w, r)
	})
}

// expected says whether a request's host is a name of this machine, or one of those given.
func expected(host string, hosts []string) bool {
	name := host
	if h, _, err := net.SplitHostPort(host); err == nil {
		name = h
	}
	name = strings.ToLower(strings.TrimSuffix(strings.Trim(name, "[]"), "."))
	ip := net.ParseIP(name)
	return name == "localhost" || ip != nil && ip.IsLoopback() || slices.ContainsFunc(hosts, func(h string) bool {
		return strings.EqualFold(h,
			name)
	})
}

func clipped(s string) string {
	if len(s) > 80 {
		return s[:80] + "..."
	}
	return s
}

// typed refuses a body to the API that is not declared as JSON, or as a file where one is taken in.
func typed(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if r.ContentLength != 0 && strings.HasPrefix(r.URL.Path, "/api/") && r.Method != http.MethodGet && r.Method != http.MethodHead {
			kind, _, err := mime.ParseMediaType(r.Header.Get("Content-Type"))
			file := r.URL.Path == "/api/lifters/import" && (kind == "application/octet-stream" || kind == "text/csv")
			file = file || strings.HasPrefix(r.URL.Path, "/api/captures/") && kind == "application/octet-stream"
			if err != nil || kind != "application/json" && !file {
				refusing(http.StatusUnsupportedMediaType, "The body is to be sent as application/json.").ServeHTTP(w, r)
				return
			}
		}
		next.ServeHTTP(w, r)
	})
}

// longest is how long a request may take.
const longest = 30 * time.Second

// limited ends a request's context when it has taken too long.
func limited(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		ctx, stop := context.WithTimeout(r.Context(), longest)
		defer stop()
		next.ServeHTTP(w, r.WithContext(ctx))
	})
}

// refusing answers with a failure.
func refusing(status int, text string) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		w.Header().Set("Content-Type", "application/problem+json")
		w.WriteHeader(status)
		if err := json.NewEncoder(w).Encode(newFailure(status, text)); err != nil {
			slog.Debug("an answer could not be sent", "error", err)
		}
	})
}

// Calculations that run at once, and how long one more waits for its turn.
type turns struct {
	free chan struct{}
	wait time.Duration
}

func newTurns(n int, wait time.Duration) *turns {
	return &turns{free: make(chan struct{}, n), wait: wait}
}

// take waits for a turn and gives back what ends it; when none comes in time, the answer that says so.
func (t *turns) take(ctx context.Context) (func(), error) {
	wait, stop := context.WithTimeout(ctx, t.wait)
	defer stop()
	select {
	case t.free <- struct{}{}:
		return func() { <-t.free }, nil
	case <-wait.Done():
		busy := newFailure(http.StatusServiceUnavailable, "The server has all hands full with calculations. Try again in a moment.")
		return nil, huma.ErrorWithHeaders(busy, http.Header{"Retry-After": {"2"}})
	}
}

// usualMemory is what the program may use unless GOMEMLIMIT says otherwise, bytes: the garbage collector works harder near it.
const usualMemory = 1 << 30

// LimitMemory sets the limit, unless one was given.
func LimitMemory(given string) {
	if given == "" {
		debug.SetMemoryLimit(usualMemory)
	}
}

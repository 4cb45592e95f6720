package httpapi

import (
	"context"
	"crypto/rand"
	"log/slog"
	"net/http"
	"strconv"
	"strings"
	"time"

	"github.com/prometheus/client_golang/prometheus"
	"github.com/prometheus/client_golang/prometheus/collectors"
	"github.com/prometheus/client_golang/prometheus/promhttp"
)

// Watch numbers requests, notes each in the log without anything that says whose it is, and counts them; and it answers to those who look
// after the server: /healthz whether the program runs, /readyz whether it can store, /metrics with numbers for Prometheus. Ready says why
// not.
func Watch(next http.Handler, log *slog.Logger, ready func(context.Context) error) http.Handler {
	registry := prometheus.NewRegistry()
	requests := prometheus.NewCounterVec(prometheus.CounterOpts{Name: "dialarc_requests_total",
		Help: "Requests by method, resource and status."}, []string{"method", "resource", "status"})
	seconds := prometheus.NewHistogramVec(prometheus.HistogramOpts{Name: "dialarc_request_seconds", Help: "How long requests took.",
		Buckets: prometheus.ExponentialBuckets(0.001, 3, 10)}, []string{"method", "resource"})
	registry.MustRegister(requests, seconds, collectors.NewGoCollector(), collectors.NewProcessCollector(collectors.ProcessCollectorOpts{}))
	mux := http.NewServeMux()
	mux.HandleFunc("GET /healthz", func(w http.ResponseWriter, _ *http.Request) { plain(w, http.StatusOK, "running") })
	mux.HandleFunc("GET /readyz", func(w http.ResponseWriter, r *http.Request) {
		ctx, stop := context.WithTimeout(r.Context(), readyIn)
		defer stop()
		if err := ready(ctx); err != nil {
			log.Warn("not ready", "error", err)
			plain(w, http.StatusServiceUnavailable, "nothing can be stored")
			return
		}
		plain(w, http.StatusOK, "ready")
	})
	mux.Handle("GET /metrics", promhttp.HandlerFor(registry, promhttp.HandlerOpts{}))
	mux.Handle("/", next)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		id, from := rand.Text()[:12], time.Now()
		w.Header().Set("X-Request-Id", id)
		told := &teller{ResponseWriter: w, status: http.StatusOK}
		mux.ServeHTTP(told, r)
		took, what := time.Since(from), resource(r.URL.Path)
		requests.WithLabelValues(method(r.Method), what, strconv.Itoa(told.status)).Inc()
		seconds.WithLabelValues(method(r.Method), what).Observe(took.Seconds())
		level := slog.LevelInfo
		if told.status >= http.StatusInternalServerError {
			level = slog.LevelError
		}
		log.Log(r.Context(), level, "answered", "request", id, "method", method(r.Method), "resource", what, "status", told.status, "bytes",
			told.bytes, "ms", took.Milliseconds())
	})
}

// readyIn is how long the database may take to show that it can store.
const readyIn = 2 * time.Second

func plain(w http.ResponseWriter, status int, text string) {
	w.Header().Set("Content-Type", "text/plain; charset=utf-8")
	w.WriteHeader(status)
	_, _ = w.Write([]byte(text + "\n"))
}

// resource is what a path speaks of, without ids and names: they say whose it is.
func resource(path string) string {
	if !strings.HasPrefix(path, "/api/") {
		switch {
		case path == "/healthz" || path == "/readyz" || path == "/metrics":
			return path
		case strings.HasPrefix(path, "/assets/"):
			return "/assets"
		}
		return "/"
	}
	parts := strings.Split(strings.Trim(path, "/"), "/")
	for i, p := range parts {
		if isUUID(p) {
			parts[i] = "{id}"
		} else if _, err := strconv.Atoi(p); err == nil {
			parts[i] = "{n}"
		} else if len(p) > 20 || i > 4 {
			return "/api/other"
		}
	}
	if !known[parts[1]] {
		return "/api/other"
	}
	return "/" + strings.Join(parts, "/")
}

// known are the first words of the API's paths: others are not counted one by one.
var known = map[string]bool{"lifters": true, "setups": true, "rooms": true, "comparisons": true, "evaluate": true, "dialin": true,
	"map": true, "compare": true, "rank": true,
	"strength": true, "exercises": true, "health": true, "openapi.json": true, "openapi.yaml": true}

func method(m string) string {
	switch m {
	case http.MethodGet, http.MethodHead, http.MethodPost, http.MethodPut, http.MethodDelete:
		return m
	}
	return "other"
}

// teller remembers what was answered.
type teller struct {
	http.ResponseWriter
	status, bytes int
}

// Flush sends what was written so far, as streams need.
func (t *teller) Flush() { _ = http.NewResponseController(t.ResponseWriter).Flush() }

func (t *teller) WriteHeader(status int) {
	t.status = status
	t.ResponseWriter.WriteHeader(status)
}

func (t *teller) Write(b []byte) (int, error) {
	n, err := t.ResponseWriter.Write(b)
	t.bytes += n
	return n, err
}

// Unwrap lets the standard library reach what is below.
func (t *teller) Unwrap() http.ResponseWriter { return t.ResponseWriter }

package webui

import (
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"testing/fstest"
)

var site = &handler{policy: policy, files: fstest.MapFS{
	"index.html":           {Data: []byte("<page>")},
	"icon.svg":             {Data: []byte("<svg>")},
	"assets/core.wasm":     {Data: []byte("plain")},
	"assets/core.wasm.br":  {Data: []byte("packed")},
	"assets/page.js":       {Data: []byte("js")},
	"assets/letters.woff2": {Data: []byte("font")},
}}

func get(h http.Handler, method, path, encoding string) *httptest.ResponseRecorder {
	r := httptest.NewRequest(method, path, nil)
	r.Header.Set("Accept-Encoding", encoding)
	w := httptest.NewRecorder()
	h.ServeHTTP(w, r)
	return w
}

func TestPathsAndHeaders(t *testing.T) {
	for _, c := range []struct {
		path, encoding    string
		status            int
		kind, cache, body string
	}{
		{"/", "", 200, "text/html", "no-cache", "<page>"},
		{"/bench/17", "br", 200, "text/html", "no-cache", "<page>"},
		{"/icon.svg", "", 200, "image/svg", "no-cache", "<svg>"},
		{"/assets/core.wasm", "gzip, br", 200, "application/wasm", "immutable", "packed"},
		{"/assets/core.wasm", "gzip", 200, "application/wasm", "immutable", "plain"},
		{"/assets/page.js", "br", 200, "text/javascript", "immutable", "js"},
		{"/assets/letters.woff2", "br", 200, "font/woff2", "immutable", "font"},
		{"/assets/gone.js", "", 404, "", "", ""},
		{"/../../etc/passwd", "", 200, "text/html", "no-cache", "<page>"},
	} {
		w := get(site, "GET", c.path, c.encoding)
		h := w.Header()
		if w.Code != c.status || !strings.Contains(h.Get("Content-Type"), c.kind) || !strings.Contains(h.Get("Cache-Control"), c.cache) {
			t.Errorf("%s: %d %q %q", c.path, w.Code, h.Get("Content-Type"), h.Get("Cache-Control"))
		}
		if c.body != "" && w.Body.String() != c.body {
			t.Errorf("%s: %q, want %q", c.path, w.Body, c.body)
		}
		if packed := h.Get("Content-Encoding") == "br"; packed != (c.body == "packed") {
			t.Errorf("%s: packed %v", c.path, packed)
		}
	}
}

func TestNothingFromOutside(t *testing.T) {
	policy := get(site, "GET", "/", "").Header().Get("Content-Security-Policy")
	if !strings.Contains(policy, "default-src 'self'") || strings.Contains(policy, "http") || strings.Contains(policy, "'unsafe-eval'") {
		t.Errorf("policy %q", policy)
	}
}

func TestMethods(t *testing.T) {
	if w := get(site, "POST", "/", ""); w.Code != http.StatusMethodNotAllowed {
		t.Errorf("POST: %d", w.Code)
	}
	if w := get(site, "HEAD", "/", ""); w.Code != 200 || w.Body.Len() != 0 {
		t.Errorf("HEAD: %d with %d bytes", w.Code, w.Body.Len())
	}
}

func TestMissingPageSaysHow(t *testing.T) {
	w := get(&handler{files: fstest.MapFS{".keep": {}}}, "GET", "/", "")
	if w.Code != http.StatusServiceUnavailable || !strings.Contains(w.Body.String(), "make build") {
		t.Errorf("%d %s", w.Code, w.Body)
	}
}

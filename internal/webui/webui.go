// Package webui serves the page that is built into the program.
package webui

import (
	"embed"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"
)

//go:embed all:dist
var built embed.FS

// Handler serves the page. Any path that is no file gets the page itself, which reads its path.
//
// Beside its own server the page may connect to devices on this machine, and to the origins given.
func Handler(origins ...string) http.Handler {
	files, err := fs.Sub(built, "dist")
	if err != nil {
		panic(err) // the folder is part of the program
	}
	return &handler{files, policy + "; connect-src 'self' ws://127.0.0.1:* ws://localhost:* " + strings.Join(origins, " ")}
}

type handler struct {
	files  fs.FS
	policy string
}

// policy lets the page run what came with it and nothing else; WebAssembly needs its own word, styled-components writes
// style elements.
const policy = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self' data:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'"

func (h *handler) ServeHTTP(w http.ResponseWriter, r *http.Request) {
	if r.Method != http.MethodGet && r.Method != http.MethodHead {
		http.Error(w, "only GET", http.StatusMethodNotAllowed)
		return
	}
	name := strings.TrimPrefix(path.Clean("/"+r.URL.Path), "/")
	head := w.Header()
	head.Set("Content-Security-Policy", h.policy)
	head.Set("X-Content-Type-Options", "nosniff")
	head.Set("Referrer-Policy", "no-referrer")
	head.Set("Cache-Control", "no-cache")
	switch {
	case strings.HasPrefix(name, "assets/"):
		if !h.has(name) {
			http.NotFound(w, r)
			return
		}
		head.Set("Cache-Control", "public, max-age=31536000, immutable") // the name holds a hash of the contents
	case name == "" || !h.has(name):
		name = "index.html"
	}
	if !h.has(name) {
		http.Error(w, "The page was not built into this program: run make build.", http.StatusServiceUnavailable)
		return
	}
	h.send(w, r, name)
}

func (h *handler) has(name string) bool {
	info, err := fs.Stat(h.files, name)
	return err == nil && !info.IsDir()
}

func (h *handler) send(w http.ResponseWriter, r *http.Request, name string) {
	kind := mime.TypeByExtension(path.Ext(name))
	switch path.Ext(name) { // not left to the machine's own table
	case ".wasm":
		kind = "application/wasm"
	case ".js":
		kind = "text/javascript; charset=utf-8"
	case ".woff2":
		kind = "font/woff2"
	}
	w.Header().Set("Content-Type", kind)
	w.Header().Add("Vary", "Accept-Encoding")
	if packed := name + ".br"; h.has(packed) && strings.Contains(r.Header.Get("Accept-Encoding"), "br") {
		w.Header().Set("Content-Encoding", "br")
		name = packed
	}
	raw, err := fs.ReadFile(h.files, name)
	if err != nil {
		http.Error(w, "the page cannot be read", http.StatusInternalServerError)
		return
	}
	if r.Method == http.MethodGet {
		_, _ = w.Write(raw) // the reader may have gone
	}
}

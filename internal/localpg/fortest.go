package localpg

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
	"sync"
	"sync/atomic"
	"testing"
)

// Testing is a server for one test program. Its folder goes away with it.
type Testing struct {
	server  *Server
	count   atomic.Int64
	filling sync.Once
	filled  error
}

// RunTests starts a throwaway server, runs the tests and stops it; call it from TestMain. The pointer is usable in the
// tests.
func RunTests(m *testing.M, shared **Testing) int {
	// Not the usual temporary folder: the account that runs the server has to be able to enter it.
	dir, err := os.MkdirTemp("/var/tmp", "dialarc-test-")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	if err := os.Chmod(dir, 0o755); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	server, err := Start(context.Background(), Options{Dir: filepath.Join(dir, "pg"), Throwaway: true})
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer server.Stop()
	*shared = &Testing{server: server}
	return m.Run()
}

// New is the address of a fresh, empty database.
func (t *Testing) New(tb testing.TB) string {
	tb.Helper()
	name := fmt.Sprintf("test_%d", t.count.Add(1))
	if err := t.server.createDatabase(context.Background(), name); err != nil {
		tb.Fatal(err)
	}
	return t.server.URLOf(name)
}

// Filled is the address of a database of its own that holds what fill has put into another one, which is done once: copying is quicker
// than filling. Nothing may be connected to the one that was filled any more when fill returns.
func (t *Testing) Filled(tb testing.TB, fill func(url string) error) string {
	tb.Helper()
	const model = "test_filled"
	t.filling.Do(func() {
		ctx := context.Background()
		if t.filled = t.server.createDatabase(ctx, model); t.filled == nil {
			t.filled = fill(t.server.URLOf(model))
		}
	})
	if t.filled != nil {
		tb.Fatal(t.filled)
	}
	name := fmt.Sprintf("test_%d", t.count.Add(1))
	if err := t.server.copyDatabase(context.Background(), name, model); err != nil {
		tb.Fatal(err)
	}
	return t.server.URLOf(name)
}

package localpg

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
	"sync/atomic"
	"testing"
)

// Testing is a server for one test program. Its folder goes away with it.
type Testing struct {
	server *Server
	count  atomic.Int64
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

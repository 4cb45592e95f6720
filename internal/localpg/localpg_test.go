package localpg

import (
	"context"
	"errors"
	"net"
	"os"
	"path/filepath"
	"strconv"
	"testing"

	"github.com/jackc/pgx/v5"
)

// folder is a place that the server's account can enter.
func folder(t *testing.T) string {
	t.Helper()
	dir, err := os.MkdirTemp("/var/tmp", "dialarc-test-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(dir) })
	if err := os.Chmod(dir, 0o755); err != nil {
		t.Fatal(err)
	}
	return filepath.Join(dir, "pg")
}

func ask(t *testing.T, url, query string) (answer string) {
	t.Helper()
	conn, err := pgx.Connect(context.Background(), url)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(context.Background())
	if err := conn.QueryRow(context.Background(), query).Scan(&answer); err != nil {
		t.Fatal(err)
	}
	return answer
}

// The data survive a stop and a start, the folder serves one program at a time, and a taken port is passed over.
func TestStartTwiceInARow(t *testing.T) {
	ctx, dir := context.Background(), folder(t)
	first, err := Start(ctx, Options{Dirs: []string{dir}, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	conn, err := pgx.Connect(ctx, first.URL)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := conn.Exec(ctx, "create table kept as select 'still here' as word"); err != nil {
		t.Fatal(err)
	}
	conn.Close(ctx)
	if _, err := Start(ctx, Options{Dirs: []string{dir}}); !errors.Is(err, ErrRunning) {
		t.Errorf("a second start in the same folder: %v", err)
	}
	if err := first.Stop(); err != nil {
		t.Fatal(err)
	}
	busy, err := net.Listen("tcp", "127.0.0.1:"+strconv.Itoa(first.Port))
	if err != nil {
		t.Fatal(err)
	}
	defer busy.Close()
	second, err := Start(ctx, Options{Dirs: []string{dir}, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	defer second.Stop()
	if second.Port == first.Port {
		t.Error("the taken port was used")
	}
	if got := ask(t, second.URL, "select word from kept"); got != "still here" {
		t.Errorf("the data: %q", got)
	}
}

// A server that an interrupted program left running is found again instead of being started twice.
func TestFindsARunningServer(t *testing.T) {
	ctx, dir := context.Background(), folder(t)
	first, err := Start(ctx, Options{Dirs: []string{dir}, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	first.lock.Close() // as the system does when a program is killed
	second, err := Start(ctx, Options{Dirs: []string{dir}})
	if err != nil {
		t.Fatal(err)
	}
	defer second.Stop()
	if second.Port != first.Port || ask(t, second.URL, "select 'yes'::text") != "yes" {
		t.Errorf("ports %d and %d", first.Port, second.Port)
	}
}

// A folder that cannot be used is passed over for the next; without any the reasons are told.
func TestFallsBackToAnotherFolder(t *testing.T) {
	file := filepath.Join(t.TempDir(), "a file")
	if err := os.WriteFile(file, nil, 0o600); err != nil {
		t.Fatal(err)
	}
	good := folder(t)
	s, err := Start(context.Background(), Options{Dirs: []string{filepath.Join(file, "below"), good}, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	defer s.Stop()
	if s.Dir != good {
		t.Errorf("started in %s", s.Dir)
	}
	if _, err := Start(context.Background(), Options{Dirs: []string{filepath.Join(file, "below")}}); err == nil {
		t.Error("a file served as folder")
	}
}

func TestOnlyThisMachineWithThePassword(t *testing.T) {
	s, err := Start(context.Background(), Options{Dirs: []string{folder(t)}, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	defer s.Stop()
	if got := ask(t, s.URL, "show listen_addresses"); got != "127.0.0.1" {
		t.Errorf("it listens on %s", got)
	}
	wrong := *s
	wrong.secret = "guess"
	if conn, err := pgx.Connect(context.Background(), wrong.URLOf("dialarc")); err == nil {
		conn.Close(context.Background())
		t.Error("a wrong password was taken")
	}
}

func TestFoldersAreFoundAgain(t *testing.T) {
	a, b, other := Folders("x"), Folders("x"), Folders("y")
	if a[0] != b[0] || a[1] != b[1] || a[1] == other[1] {
		t.Errorf("%v %v %v", a, b, other)
	}
}

package localpg

import (
	"context"
	"errors"
	"fmt"
	"net"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"testing"
	"time"

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
	first, err := Start(ctx, Options{Dir: dir, Throwaway: true})
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
	if _, err := Start(ctx, Options{Dir: dir}); !errors.Is(err, ErrRunning) {
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
	second, err := Start(ctx, Options{Dir: dir, Throwaway: true})
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
	first, err := Start(ctx, Options{Dir: dir, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	first.lock.Close() // as the system does when a program is killed
	second, err := Start(ctx, Options{Dir: dir})
	if err != nil {
		t.Fatal(err)
	}
	defer second.Stop()
	if second.Port != first.Port || ask(t, second.URL, "select 'yes'::text") != "yes" {
		t.Errorf("ports %d and %d", first.Port, second.Port)
	}
}

// Whatever is wrong with a folder that holds a database is told, with the folder, and no other one is begun: a password file that is gone,
// a damaged cluster, a folder that is none.
func TestAFolderWithADatabaseIsNeverLeft(t *testing.T) {
	ctx := context.Background()
	file := filepath.Join(t.TempDir(), "a file")
	if err := os.WriteFile(file, nil, 0o600); err != nil {
		t.Fatal(err)
	}
	if _, err := Start(ctx, Options{Dir: filepath.Join(file, "below")}); err == nil || !strings.Contains(err.Error(), file) {
		t.Errorf("a file as a folder: %v", err)
	}
	dir := folder(t)
	first, err := Start(ctx, Options{Dir: dir, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	if err := first.Stop(); err != nil {
		t.Fatal(err)
	}
	secret, control := first.secretFile(), filepath.Join(first.data(), "global", "pg_control")
	for name, spoil := range map[string]string{"password file": secret, "server.log": control} {
		if err := os.Rename(spoil, spoil+".kept"); err != nil {
			t.Fatal(err)
		}
		if s, err := Start(ctx, Options{Dir: dir, Throwaway: true}); err == nil || !strings.Contains(err.Error(), dir) ||
			!strings.Contains(err.Error(), name) {
			t.Errorf("without %s: %v, %v", spoil, s, err)
		}
		if err := os.Rename(spoil+".kept", spoil); err != nil {
			t.Fatal(err)
		}
	}
	again, err := Start(ctx, Options{Dir: dir, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	again.Stop()
}

// A file that names a process which is no server of this cluster does not keep the cluster from starting.
func TestStalePIDFile(t *testing.T) {
	ctx, dir := context.Background(), folder(t)
	first, err := Start(ctx, Options{Dir: dir, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	if err := first.Stop(); err != nil {
		t.Fatal(err)
	}
	pid := filepath.Join(first.data(), "postmaster.pid")
	text := fmt.Sprintf("%d\n%s\n1700000000\n%d\n\n127.0.0.1\n", os.Getpid(), first.data(), first.Port)
	if err := errors.Join(os.WriteFile(pid, []byte(text), 0o600), first.as.own(pid)); err != nil {
		t.Fatal(err)
	}
	second, err := Start(ctx, Options{Dir: dir, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	second.Stop()
}

// A first start that is interrupted, at whatever moment, leaves a folder in which the next one works.
func TestInterruptedFirstStart(t *testing.T) {
	dir := folder(t)
	for _, after := range []time.Duration{0, 30 * time.Millisecond, 150 * time.Millisecond, 400 * time.Millisecond} {
		ctx, stop := context.WithTimeout(context.Background(), after)
		s, err := Start(ctx, Options{Dir: dir, Throwaway: true})
		stop()
		if err == nil {
			s.Stop()
			break
		}
	}
	s, err := Start(context.Background(), Options{Dir: dir, Throwaway: true})
	if err != nil {
		t.Fatal(err)
	}
	defer s.Stop()
	if got := ask(t, s.URL, "select 'yes'::text"); got != "yes" {
		t.Errorf("it answers %q", got)
	}
}

// A link in the place of the folder is not followed: who planted it would have its target given to the server's account.
func TestALinkIsNotFollowed(t *testing.T) {
	target := t.TempDir()
	link := folder(t)
	if err := os.Symlink(target, link); err != nil {
		t.Fatal(err)
	}
	before, err := os.Stat(target)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := Start(context.Background(), Options{Dir: link, Throwaway: true}); err == nil || !strings.Contains(err.Error(), link) {
		t.Errorf("started through a link: %v", err)
	}
	after, err := os.Stat(target)
	if err != nil || before.Sys().(*syscall.Stat_t).Uid != after.Sys().(*syscall.Stat_t).Uid {
		t.Errorf("the target's owner changed (%v)", err)
	}
}

func TestOnlyThisMachineWithThePassword(t *testing.T) {
	s, err := Start(context.Background(), Options{Dir: folder(t), Throwaway: true})
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

// The folder is found again from the same place, in it where the server's account can enter; where a database is, it is that one.
func TestHomeIsFoundAgain(t *testing.T) {
	place := filepath.Dir(folder(t))
	a, err := Home(place)
	if err != nil || a != filepath.Join(place, "postgres") {
		t.Errorf("%s (%v)", a, err)
	}
	if os.Geteuid() != 0 {
		return
	}
	shut := filepath.Join(place, "shut")
	if err := os.Mkdir(shut, 0o700); err != nil {
		t.Fatal(err)
	}
	b, err := Home(shut)
	if err != nil || filepath.Dir(b) != elsewhere {
		t.Errorf("%s (%v)", b, err)
	}
	if again, _ := Home(shut); again != b {
		t.Errorf("%s, then %s", b, again)
	}
	if err := os.MkdirAll(filepath.Join(shut, "postgres", "data"), 0o700); err != nil {
		t.Fatal(err)
	}
	if c, err := Home(shut); err != nil || c != filepath.Join(shut, "postgres") {
		t.Errorf("a database in it is left for %s (%v)", c, err)
	}
}

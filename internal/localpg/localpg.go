// Package localpg runs a private PostgreSQL server on loopback, for the demo and for tests. It uses Debian's binaries,
// keeps its cluster in a folder of its own and never touches another server.
package localpg

import (
	"context"
	"crypto/rand"
	"errors"
	"fmt"
	"io/fs"
	"net"
	"net/url"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
)

// FirstPort is where the search for a free port starts: beside the usual 5432, so that other servers are left alone.
const FirstPort = 54329

// Options says where and how the server runs.
type Options struct {
	Dir       string // of the cluster; Home finds it
	Throwaway bool   // for tests: do not wait for the disk. Never for data that matters.
}

// Server is a running PostgreSQL server.
type Server struct {
	URL  string // of the database dialarc
	Dir  string
	Port int

	bin    string
	as     *owner
	lock   *os.File
	secret string
}

// ErrRunning says that another program of this kind already uses the folder.
var ErrRunning = errors.New("the database in this folder is already in use by another running demo")

// Start brings the server up, creating its cluster the first time. An error says in which folder, what its log says and what to do; no
// other folder is tried, since what is saved there would be lost to this one.
func Start(ctx context.Context, opt Options) (*Server, error) {
	bin, err := Binaries()
	if err != nil {
		return nil, err
	}
	s := &Server{Dir: opt.Dir, bin: bin}
	err = s.start(ctx, opt)
	if err == nil || errors.Is(err, ErrRunning) || ctx.Err() != nil {
		return s, err
	}
	advice := "Nothing in it was changed. Mend what is said here and start again, or begin another database with --data FOLDER."
	return nil, fmt.Errorf("the database in %s could not be started: %w\nIts logs are %s and %s. %s", s.Dir, err, s.logFile(),
		filepath.Join(s.data(), "log"), advice)
}

// Attach finds the server of a folder that another program runs.
func Attach(ctx context.Context, dir string) (*Server, error) {
	bin, err := Binaries()
	if err != nil {
		return nil, err
	}
	s := &Server{Dir: dir, bin: bin, as: &owner{}}
	secret, err := os.ReadFile(s.secretFile())
	if err != nil {
		return nil, err
	}
	s.secret = strings.TrimSpace(string(secret))
	if s.Port, err = s.runningPort(); err != nil {
		return nil, err
	}
	s.URL = s.URLOf("dialarc")
	return s, s.answers(ctx)
}

// Binaries is the folder of PostgreSQL's programs, the newest version's.
func Binaries() (string, error) {
	found, _ := filepath.Glob("/usr/lib/postgresql/*/bin/initdb")
	best, bestVersion := "", -1
	for _, f := range found {
		dir := filepath.Dir(f)
		if v, err := strconv.Atoi(filepath.Base(filepath.Dir(dir))); err == nil && v > bestVersion {
			best, bestVersion = dir, v
		}
	}
	if best != "" {
		return best, nil
	}
	if f, err := exec.LookPath("initdb"); err == nil {
		return filepath.Dir(f), nil
	}
	return "", errors.New("no PostgreSQL server programs found: install Debian's package postgresql")
}

func (s *Server) start(ctx context.Context, opt Options) (err error) {
	if s.as, err = prepareDir(s.Dir); err != nil {
		return err
	}
	if err = s.takeLock(); err != nil {
		return err
	}
	defer func() {
		if err != nil {
			s.lock.Close()
		}
	}()
	if !holdsCluster(s.Dir) {
		if err = s.initialise(ctx, opt.Throwaway); err != nil {
			return err
		}
	}
	secret, err := os.ReadFile(s.secretFile())
	if errors.Is(err, fs.ErrNotExist) {
		return fmt.Errorf("its password file %s is gone; without it nobody can enter the database. Put it back from a copy", s.secretFile())
	}
	if err != nil {
		return err
	}
	s.secret = strings.TrimSpace(string(secret))
	if err = s.launch(ctx, opt); err != nil {
		return err
	}
	if err = s.createDatabase(ctx, "dialarc"); err != nil {
		return err
	}
	s.URL = s.URLOf("dialarc")
	return nil
}

func (s *Server) data() string       { return filepath.Join(s.Dir, "data") }
func (s *Server) secretFile() string { return filepath.Join(s.Dir, "password") }
func (s *Server) logFile() string    { return filepath.Join(s.Dir, "server.log") }

// URLOf is the address of a database on the server.
func (s *Server) URLOf(database string) string {
	u := url.URL{Scheme: "postgres", User: url.UserPassword("dialarc", s.secret), Host: "127.0.0.1:" + strconv.Itoa(s.Port),
		Path: "/" + database, RawQuery: "sslmode=disable"}
	return u.String()
}

// takeLock makes sure that only one program starts and stops this cluster.
func (s *Server) takeLock() error {
	f, err := os.OpenFile(filepath.Join(s.Dir, "lock"), os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return err
	}
	if err := syscall.Flock(int(f.Fd()), syscall.LOCK_EX|syscall.LOCK_NB); err != nil {
		f.Close()
		return ErrRunning
	}
	s.lock = f
	return nil
}

// initialise makes a cluster beside its place and moves it there when it is whole, so that an interrupted first start leaves nothing that
// looks like one.
func (s *Server) initialise(ctx context.Context, throwaway bool) error {
	made := filepath.Join(s.Dir, "data.new")
	if err := os.RemoveAll(made); err != nil { // left by an interrupted first start
		return err
	}
	if err := s.writeSecret(); err != nil {
		return err
	}
	args := []string{"-D", made, "-U", "dialarc", "-A", "scram-sha-256", "--pwfile=" + s.secretFile(), "-E", "UTF8", "--locale=C.UTF-8"}
	if throwaway {
		args = append(args, "-N")
	}
	if err := s.run(ctx, "initdb", args...); err != nil {
		return err
	}
	if err := os.Rename(made, s.data()); err != nil {
		return err
	}
	return syncDir(s.Dir)
}

// writeSecret makes the password of a new cluster, whole or not at all.
func (s *Server) writeSecret() error {
	f, err := os.CreateTemp(s.Dir, "password-*")
	if err != nil {
		return err
	}
	defer os.Remove(f.Name())
	_, err = f.WriteString(rand.Text() + "\n")
	if err := errors.Join(err, f.Sync(), f.Close(), s.as.own(f.Name())); err != nil {
		return err
	}
	return os.Rename(f.Name(), s.secretFile())
}

func syncDir(dir string) error {
	f, err := os.Open(dir)
	if err != nil {
		return err
	}
	return errors.Join(f.Sync(), f.Close())
}

// launch starts the server, or finds the port of one that an interrupted program left running. The file that says that one runs may be
// stale, and its process number another program's by now: what runs has to work in the cluster's folder and take the password.
func (s *Server) launch(ctx context.Context, opt Options) error {
	switch pid := s.runningPID(); {
	case pid > 0 && s.worksHere(pid):
		port, err := s.runningPort()
		if err != nil {
			return err
		}
		s.Port = port
		if err := s.answers(ctx); err != nil {
			return fmt.Errorf("a server runs in it as process %d, but does not take the password in %s: %w", pid, s.secretFile(), err)
		}
		return nil
	case pid > 0:
		if err := os.Remove(filepath.Join(s.data(), "postmaster.pid")); err != nil {
			return err
		}
	}
	for port := FirstPort; ; {
		free, err := freePort(port)
		if err != nil {
			return err
		}
		s.Port = free
		// Seven files of a day each, over and over, so that the log does not grow for ever.
		args := fmt.Sprintf("-p %d -c listen_addresses=127.0.0.1 -c unix_socket_directories= -c logging_collector=on -c log_directory=log -c log_filename=%%a.log -c log_truncate_on_rotation=on -c log_rotation_age=1d", free)
		if opt.Throwaway {
			args += " -c fsync=off -c synchronous_commit=off -c full_page_writes=off"
		}
		err = s.run(ctx, "pg_ctl", "-D", s.data(), "-l", s.logFile(), "-w", "-t", "60", "-o", args, "start")
		if err == nil {
			return nil
		}
		// Another program may have taken the port in between; anything else will not mend itself.
		if _, taken := net.DialTimeout("tcp", fmt.Sprintf("127.0.0.1:%d", free), time.Second); taken != nil || free-FirstPort > 200 ||
			ctx.Err() != nil {
			return fmt.Errorf("%w\n%s", err, tail(s.logFile()))
		}
		port = free + 1
	}
}

// runningPID is the process that the server's own file names, 0 for none.
func (s *Server) runningPID() int {
	raw, err := os.ReadFile(filepath.Join(s.data(), "postmaster.pid"))
	if err != nil {
		return 0
	}
	first, _, _ := strings.Cut(string(raw), "\n")
	pid, err := strconv.Atoi(strings.TrimSpace(first))
	if err != nil || syscall.Kill(pid, 0) == syscall.ESRCH {
		return 0
	}
	return pid
}

// worksHere says whether a process is a server of this cluster: it works in its folder.
func (s *Server) worksHere(pid int) bool {
	there, err := os.Readlink(fmt.Sprintf("/proc/%d/cwd", pid))
	if err != nil {
		return false
	}
	here, err := filepath.EvalSymlinks(s.data())
	return err == nil && there == here
}

// answers tries to enter the server, for as long as one may take to come up.
func (s *Server) answers(ctx context.Context) error {
	var err error
	for range 50 {
		var conn *pgx.Conn
		if conn, err = pgx.Connect(ctx, s.URLOf("postgres")); err == nil {
			return conn.Close(ctx)
		}
		var refused *pgconn.PgError
		if errors.As(err, &refused) && refused.Code == "28P01" || ctx.Err() != nil { // the password is wrong
			return err
		}
		time.Sleep(200 * time.Millisecond)
	}
	return err
}

// runningPort reads the port from the server's own file: its fourth line.
func (s *Server) runningPort() (int, error) {
	raw, err := os.ReadFile(filepath.Join(s.data(), "postmaster.pid"))
	if err != nil {
		return 0, err
	}
	lines := strings.Split(string(raw), "\n")
	if len(lines) < 4 {
		return 0, errors.New("the running server does not tell its port")
	}
	return strconv.Atoi(strings.TrimSpace(lines[3]))
}

func freePort(from int) (int, error) {
	for port := from; port < from+300 && port < 65536; port++ {
		l, err := net.Listen("tcp", "127.0.0.1:"+strconv.Itoa(port))
		if err == nil {
			return port, l.Close()
		}
	}
	return 0, fmt.Errorf("no free port from %d on", from)
}

// Stop shuts the server down and lets go of the folder. The data stay.
func (s *Server) Stop() error {
	ctx, cancel := context.WithTimeout(context.Background(), time.Minute)
	defer cancel()
	err := s.run(ctx, "pg_ctl", "-D", s.data(), "-w", "-t", "50", "-m", "fast", "stop")
	return errors.Join(err, s.lock.Close())
}

// run runs one of PostgreSQL's programs as the cluster's owner, in an environment of its own, away from the terminal's
// signals, so that Ctrl-C reaches only this program, which then stops the server in order.
func (s *Server) run(ctx context.Context, name string, args ...string) error {
	cmd := exec.CommandContext(ctx, filepath.Join(s.bin, name), args...)
	cmd.Dir = s.Dir
	cmd.Env = []string{"PATH=" + s.bin + ":/usr/sbin:/usr/bin:/sbin:/bin", "LC_ALL=C.UTF-8"}
	cmd.SysProcAttr = &syscall.SysProcAttr{Setsid: true, Credential: s.as.credential}
	cmd.Cancel = func() error { return syscall.Kill(-cmd.Process.Pid, syscall.SIGTERM) } // with what it has started
	cmd.WaitDelay = 10 * time.Second
	out, err := os.CreateTemp("", "dialarc-pg-*")
	if err != nil {
		return err
	}
	defer os.Remove(out.Name())
	defer out.Close()
	cmd.Stdout, cmd.Stderr = out, out // a file, not a pipe: the server keeps it open and a pipe would never end
	if err := cmd.Run(); err != nil {
		return fmt.Errorf("%s: %w: %s", name, err, tail(out.Name()))
	}
	return nil
}

func tail(file string) string {
	raw, _ := os.ReadFile(file)
	text := strings.TrimSpace(string(raw))
	if len(text) > 800 {
		text = "..." + text[len(text)-800:]
	}
	return text
}

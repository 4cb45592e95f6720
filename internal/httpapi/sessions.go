package httpapi

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"time"

	"dialarc/core/plan"
	"dialarc/core/progress"
	"dialarc/core/session"
	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
)

// StoredSession is a stored session.
type StoredSession struct {
	ID         string          `json:"id" format:"uuid"`
	LifterID   string          `json:"lifterId" format:"uuid"`
	Document   session.Session `json:"document"`
	Unreadable string          `json:"unreadable,omitempty" doc:"Why it cannot be read; then the document here is empty."`
	UpdatedAt  time.Time       `json:"updatedAt"`
}

type sessionList struct {
	Body struct {
		Items []StoredSession `json:"items"`
	}
}

type sessionListInput struct {
	PageInput
	LifterID string `query:"lifterId" format:"uuid" required:"true" doc:"Whose."`
	From     string `query:"from" format:"date" doc:"First day; a year back unless given."`
	To       string `query:"to" format:"date" doc:"Last day; any unless given."`
}

func showSession(row *store.Session) StoredSession {
	out := StoredSession{ID: row.ID, LifterID: row.LifterID, UpdatedAt: row.UpdatedAt}
	out.Unreadable = readStored("session", row.ID, row.Document, &out.Document)
	out.Document.Sets = make([]session.Set, 0, len(row.Sets))
	for i := range row.Sets {
		var x session.Set
		if why := readStored("set", row.Sets[i].ID, row.Sets[i].Document, &x); why != "" {
			out.Unreadable = why
			continue
		}
		out.Document.Sets = append(out.Document.Sets, x)
	}
	session.InOrder(out.Document.Sets)
	return out
}

func (s *Server) registerSessions(api huma.API, engine *gin.Engine) {
	huma.Register(api, huma.Operation{OperationID: "listSessions", Method: http.MethodGet, Path: "/api/sessions",
		Summary: "List a lifter's sessions, the latest first", Errors: []int{422, 503}}, s.listSessions)
	huma.Register(api, huma.Operation{OperationID: "readSession", Method: http.MethodGet, Path: "/api/sessions/{id}", Summary: "Read a session",
		Errors: []int{404, 503}}, func(ctx context.Context, in *idInput) (*one[StoredSession], error) {
		row, err := s.Store.ReadSession(ctx, s.Coach.ID, in.ID)
		if err != nil {
			return nil, failed(err, "session", nil)
		}
		return &one[StoredSession]{showSession(&row)}, nil
	})
	huma.Register(api, takes[session.Session](api, huma.Operation{OperationID: "mergeSession", Method: http.MethodPut, Path: "/api/sessions/{id}",
		Summary: "Bring what a phone has of a session together with what is there; sending it again changes nothing",
		Errors:  []int{404, 409, 413, 422, 503}}), s.mergeSession)
	huma.Register(api, huma.Operation{OperationID: "progressOf", Method: http.MethodGet, Path: "/api/lifters/{id}/progress",
		Summary: "What a lifter's sessions come to", Errors: []int{404, 422, 503}}, s.progressOf)
	engine.GET("/api/live", s.live)
}

// firstDay and lastDay are the days between which sessions lie when nothing else is asked.
var (
	firstDay = time.Date(1, 1, 1, 0, 0, 0, 0, time.UTC)
	lastDay  = time.Date(9999, 12, 31, 0, 0, 0, 0, time.UTC)
)

// dayOf reads a day of a query; usual where none is given.
func dayOf(path, text string, usual time.Time) (time.Time, error) {
	if text == "" {
		return usual, nil
	}
	v := &setup.Checks{}
	at, ok := plan.Date(v, path, "day", text)
	if !ok {
		return at, refused(v.Found)
	}
	return at, nil
}

func (s *Server) listSessions(ctx context.Context, in *sessionListInput) (*sessionList, error) {
	from, err := dayOf("from", in.From, firstDay)
	if err != nil {
		return nil, err
	}
	to, err := dayOf("to", in.To, lastDay)
	if err != nil {
		return nil, err
	}
	rows, err := s.Store.Sessions(ctx, s.Coach.ID, in.LifterID, from, to, store.Page{Offset: in.Offset, Limit: in.Limit})
	if err != nil {
		return nil, failed(err, "session", nil)
	}
	out := &sessionList{}
	out.Body.Items = make([]StoredSession, len(rows))
	for i := range rows {
		out.Body.Items[i] = showSession(&rows[i])
	}
	return out, nil
}

func (s *Server) mergeSession(ctx context.Context, in *idRawInput) (*one[StoredSession], error) {
	sent, err := decode[session.Session](in.RawBody)
	if err != nil {
		return nil, err
	}
	problems := append(session.Validate(&sent), idProblem("lifterId", sent.LifterID, true)...)
	for i := range sent.Sets {
		problems = append(problems, idProblem(fmt.Sprintf("sets[%d].id", i), sent.Sets[i].ID, true)...)
	}
	if len(problems) > 0 {
		return nil, refused(problems)
	}
	day, _ := time.Parse(time.DateOnly, sent.Date) // it was checked
	row := store.Session{ID: in.ID, CoachID: s.Coach.ID, LifterID: sent.LifterID, Day: day}
	err = s.Store.MergeSession(ctx, &row, func(was *store.Session) error { return merged(was, &sent) })
	if err != nil {
		return nil, failed(err, "session", nil)
	}
	return &one[StoredSession]{showSession(&row)}, nil
}

// merged brings a stored session and one that was sent together.
func merged(was *store.Session, sent *session.Session) error {
	out := *sent
	if was.Document != nil {
		before := showSession(was)
		if before.Unreadable != "" {
			return fmt.Errorf("the stored session cannot be read: %s", before.Unreadable)
		}
		out = session.Merge(&before.Document, sent)
	}
	was.Sets = make([]store.SessionSet, len(out.Sets))
	for i := range out.Sets {
		raw, err := json.Marshal(&out.Sets[i])
		if err != nil {
			return err
		}
		was.Sets[i] = store.SessionSet{ID: out.Sets[i].ID, Document: raw}
	}
	out.Sets = []session.Set{}
	raw, err := json.Marshal(&out)
	if err != nil {
		return err
	}
	was.Document = raw
	was.Day, err = time.Parse(time.DateOnly, out.Date)
	return err
}

// mostSessions is how many sessions progress looks back over: three years of four a week.
const mostSessions = 700

func (s *Server) progressOf(ctx context.Context, in *idInput) (*one[progress.Progress], error) {
	row, err := s.Store.Lifter(ctx, s.Coach.ID, in.ID)
	if err != nil {
		return nil, failed(err, "lifter", nil)
	}
	var lifter setup.Lifter
	if why := readStored("lifter", row.ID, row.Body, &lifter); why != "" {
		return nil, refused(setup.Problems{{What: why}})
	}
	rows, err := s.Store.Sessions(ctx, s.Coach.ID, in.ID, firstDay, lastDay, store.Page{Limit: mostSessions})
	if err != nil {
		return nil, failed(err, "session", nil)
	}
	done, err := s.turns.take(ctx)
	if err != nil {
		return nil, err
	}
	defer done()
	sessions := make([]session.Session, 0, len(rows))
	for i := range rows {
		if x := showSession(&rows[i]); x.Unreadable == "" {
			sessions = append(sessions, x.Document)
		}
	}
	s.keeping.Lock()
	defer s.keeping.Unlock()
	return &one[progress.Progress]{*progress.Of(&s.keeper, &lifter, sessions, time.Now())}, nil
}

// beat is how often a coach who watches is told what changed.
const beat = time.Second

// live tells the sessions that change while it is listened to, as server-sent events. It asks the database, so that it does not matter
// which server took a set. The connection ends with the request's time; the browser takes it up again where it was.
func (s *Server) live(c *gin.Context) {
	since := time.Now().Add(-2 * beat)
	if at, err := time.Parse(time.RFC3339Nano, c.GetHeader("Last-Event-ID")); err == nil {
		since = at
	}
	c.Header("Content-Type", "text/event-stream")
	c.Header("X-Accel-Buffering", "no")
	c.Writer.WriteHeaderNow()
	c.Writer.Flush()
	tick := time.NewTicker(beat)
	defer tick.Stop()
	for {
		rows, err := s.Store.SessionsSince(c.Request.Context(), s.Coach.ID, since)
		if err != nil {
			return // it is asked again with the next connection
		}
		for i := range rows {
			since = rows[i].UpdatedAt
			raw, err := json.Marshal(showSession(&rows[i]))
			if err != nil {
				return
			}
			if _, err := fmt.Fprintf(c.Writer, "id: %s\nevent: session\ndata: %s\n\n", since.Format(time.RFC3339Nano), raw); err != nil {
				return
			}
		}
		if len(rows) == 0 {
			if _, err := fmt.Fprint(c.Writer, ": still here\n\n"); err != nil {
				return
			}
		}
		c.Writer.Flush()
		select {
		case <-c.Request.Context().Done():
			return
		case <-s.Ending:
			return
		case <-tick.C:
		}
	}
}

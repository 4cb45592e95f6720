package httpapi

import (
	"context"
	"encoding/json"
	"errors"
	"io"
	"net/http"
	"strings"
	"time"

	"dialarc/core/emg"
	"dialarc/core/setup"
	"dialarc/internal/store"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
)

// StoredCapture is a capture as the server keeps it.
type StoredCapture struct {
	ID         string        `json:"id" format:"uuid"`
	Document   emg.Capture   `json:"document"`
	Files      []CaptureFile `json:"files" doc:"The samples as they were recorded."`
	Unreadable string        `json:"unreadable,omitempty" doc:"Why the document cannot be read."`
}

// CaptureFile is one file of a capture.
type CaptureFile struct {
	Slot string `json:"slot" doc:"What it is of, like reps or strongest 1."`
	Name string `json:"name"`
}

type captureListInput struct {
	ID     string `path:"id" format:"uuid"`
	Offset int    `query:"offset" minimum:"0" default:"0"`
	Limit  int    `query:"limit" minimum:"1" maximum:"200" default:"50"`
}

type captureFileInput struct {
	ID   string
	Slot string
}

func (s *Server) registerCaptures(api huma.API, engine *gin.Engine) {
	registerNamed(s, api, named[store.Study, emg.Study, *store.Study]{what: "study", title: "Study", path: "/api/studies", shelf: s.Store.Studies,
		name: func(d *emg.Study) *string { return &d.Name }, check: (*emg.Study).Check})
	huma.Register(api, huma.Operation{OperationID: "listCaptures", Method: http.MethodGet, Path: "/api/lifters/{id}/captures",
		Summary: "List what was measured of a lifter, the latest first", Errors: []int{422, 503}}, s.listCaptures)
	huma.Register(api, takes[emg.Capture](api, huma.Operation{OperationID: "addCapture", Method: http.MethodPut, Path: "/api/captures/{id}",
		Summary: "Keep a measurement; its files follow", Errors: []int{404, 409, 413, 422, 503}}), s.addCapture)
	hide := func(hidden bool) func(context.Context, *idInput) (*struct{}, error) {
		return func(ctx context.Context, in *idInput) (*struct{}, error) {
			if err := s.Store.HideCapture(ctx, s.Coach.ID, in.ID, hidden); err != nil {
				return nil, failed(err, "capture", nil)
			}
			return nil, nil
		}
	}
	huma.Register(api, huma.Operation{OperationID: "deleteCapture", Method: http.MethodDelete, Path: "/api/captures/{id}",
		Summary: "Delete a measurement; it can be restored", Errors: []int{404, 503}}, hide(true))
	huma.Register(api, huma.Operation{OperationID: "restoreCapture", Method: http.MethodPost, Path: "/api/captures/{id}/restore",
		Summary: "Restore a deleted measurement", Errors: []int{404, 503}}, hide(false))
	engine.PUT("/api/captures/:id/files/:slot", s.addCaptureFile)
	engine.GET("/api/captures/:id/files/:slot", s.readCaptureFile)
}

func (s *Server) listCaptures(ctx context.Context, in *captureListInput) (*one[[]StoredCapture], error) {
	rows, err := s.Store.Captures(ctx, s.Coach.ID, in.ID, store.Page{Offset: in.Offset, Limit: in.Limit})
	if err != nil {
		return nil, failed(err, "capture", nil)
	}
	out := make([]StoredCapture, len(rows))
	for i := range rows {
		out[i] = showCapture(&rows[i])
	}
	return &one[[]StoredCapture]{out}, nil
}

func showCapture(row *store.Capture) StoredCapture {
	out := StoredCapture{ID: row.ID, Files: []CaptureFile{}}
	out.Unreadable = readStored("capture", row.ID, row.Document, &out.Document)
	for _, f := range row.Files {
		out.Files = append(out.Files, CaptureFile{Slot: f.Slot, Name: f.Name})
	}
	return out
}

func (s *Server) addCapture(ctx context.Context, in *idRawInput) (*one[StoredCapture], error) {
	sent, err := decode[emg.Capture](in.RawBody)
	if err != nil {
		return nil, err
	}
	problems := append(sent.Check(), idProblem("lifterId", sent.LifterID, true)...)
	problems = append(problems, idProblem("setupId", sent.SetupID, false)...)
	if len(problems) > 0 {
		return nil, refused(problems)
	}
	raw, err := json.Marshal(&sent)
	if err != nil {
		return nil, err
	}
	day, _ := time.Parse(time.DateOnly, sent.Day) // it was checked
	row := store.Capture{ID: in.ID, CoachID: s.Coach.ID, LifterID: sent.LifterID, Day: day, Document: raw}
	if sent.SetupID != "" {
		row.SetupID = &sent.SetupID
	}
	if err := s.Store.AddCapture(ctx, &row); err != nil {
		return nil, failed(err, "capture", nil)
	}
	return &one[StoredCapture]{showCapture(&row)}, nil
}

// mostOfFile is how large a file of samples may be, compressed: ten minutes of eight channels at 1000 Hz are under 10 MB.
const mostOfFile = 32 << 20

// captureFile reads what a request for a file names.
func captureFile(c *gin.Context) (captureFileInput, bool) {
	in := captureFileInput{ID: c.Param("id"), Slot: c.Param("slot")}
	if !isUUID(in.ID) || len(in.Slot) > 60 {
		fail(c, refused(setup.Problems{{Path: "id", What: "That is no file of a capture."}}))
		return in, false
	}
	return in, true
}

// addCaptureFile takes the samples as they come: compressed by gzip, an EDF file or a table within.
func (s *Server) addCaptureFile(c *gin.Context) {
	in, ok := captureFile(c)
	if !ok {
		return
	}
	raw, err := io.ReadAll(http.MaxBytesReader(c.Writer, c.Request.Body, mostOfFile))
	if tooLong := (*http.MaxBytesError)(nil); errors.As(err, &tooLong) {
		fail(c, huma.NewError(http.StatusRequestEntityTooLarge, "The recording is larger than 32 MB. Cut it, or leave channels out."))
		return
	} else if err != nil {
		return // who sent it is gone
	}
	if len(raw) < 2 || raw[0] != 0x1f || raw[1] != 0x8b {
		fail(c, refused(setup.Problems{{Path: "file", What: "The recording is not compressed by gzip."}}))
		return
	}
	name := strings.TrimSpace(c.Query("name"))
	file := store.CaptureFile{CaptureID: in.ID, Slot: in.Slot, Name: name[:min(len(name), 200)], Bytes: raw}
	if err := s.Store.AddCaptureFile(c.Request.Context(), s.Coach.ID, &file); err != nil {
		fail(c, failed(err, "capture", nil))
		return
	}
	c.Status(http.StatusNoContent)
}

func (s *Server) readCaptureFile(c *gin.Context) {
	in, ok := captureFile(c)
	if !ok {
		return
	}
	file, err := s.Store.ReadCaptureFile(c.Request.Context(), s.Coach.ID, in.ID, in.Slot)
	if err != nil {
		fail(c, failed(err, "capture", nil))
		return
	}
	c.Data(http.StatusOK, "application/gzip", file.Bytes)
}

// fail answers outside huma as huma does.
func fail(c *gin.Context, err error) {
	status := http.StatusInternalServerError
	if known := huma.StatusError(nil); errors.As(err, &known) {
		status = known.GetStatus()
	}
	c.Header("Content-Type", "application/problem+json")
	c.JSON(status, err)
}

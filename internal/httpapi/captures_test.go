package httpapi_test

import (
	"bytes"
	"compress/gzip"
	"fmt"
	"io"
	"net/http"
	"testing"

	"dialarc/core/emg"
	"dialarc/internal/httpapi"
)

func zipped(t *testing.T, text string) []byte {
	t.Helper()
	var b bytes.Buffer
	w := gzip.NewWriter(&b)
	if _, err := w.Write([]byte(text)); err != nil {
		t.Fatal(err)
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// file sends or reads bytes and wants a status.
func (c *client) file(method, path string, body []byte, want int) []byte {
	c.t.Helper()
	req, err := http.NewRequest(method, c.url+path, bytes.NewReader(body))
	if err != nil {
		c.t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/octet-stream")
	answer, err := http.DefaultClient.Do(req)
	if err != nil {
		c.t.Fatal(err)
	}
	defer answer.Body.Close()
	raw, err := io.ReadAll(answer.Body)
	if err != nil {
		c.t.Fatal(err)
	}
	if answer.StatusCode != want {
		c.t.Fatalf("%s %s: %d, want %d: %.300s", method, path, answer.StatusCode, want, raw)
	}
	return raw
}

// What was measured is kept with its samples, byte for byte; samples are never written again; what is deleted comes back; what is wrong is
// refused by its field and keeps nothing.
func TestCaptures(t *testing.T) {
	c := serve(t)
	l, st := c.first("Suvi Brandt")
	const id = "00000000-0000-4000-8000-0000000000c1"
	mean := 62.5
	capture := emg.Capture{Schema: emg.CaptureSchema, Title: "Raise, first day", Day: "2026-11-29", LifterID: l.ID, SetupID: st.ID, Setup: st.Name,
		Muscles: map[string]string{"ch1": "deltoid.middle"}, Lines: []emg.Line{{Label: "ch1", Muscle: "Deltoid, middle", State: "good", Percent: true,
			Mean: &mean, Reps: 6}}}
	c.call("PUT", "/api/captures/"+id, capture, 200, new(httpapi.StoredCapture))
	c.call("PUT", "/api/captures/"+id, capture, 409, nil)
	samples := zipped(t, "time (ms),ch1 (uV)\n0,1\n1,2\n")
	path := "/api/captures/" + id + "/files/reps"
	c.file("PUT", path+"?name=run.csv", samples, 204)
	c.file("PUT", path, samples, 409)
	c.file("PUT", "/api/captures/"+id+"/files/raw", []byte("not compressed"), 422)
	c.file("PUT", "/api/captures/00000000-0000-4000-8000-0000000000c9/files/reps", samples, 404)
	c.file("PUT", "/api/captures/x/files/reps", samples, 422)
	c.file("PUT", "/api/captures/"+id+"/files/huge", make([]byte, 33<<20), 413)
	if got := c.file("GET", path, nil, 200); !bytes.Equal(got, samples) {
		t.Errorf("%d bytes came back of %d", len(got), len(samples))
	}
	listed := func(want int) []httpapi.StoredCapture {
		t.Helper()
		var out []httpapi.StoredCapture
		c.call("GET", "/api/lifters/"+l.ID+"/captures", nil, 200, &out)
		if len(out) != want {
			t.Fatalf("%d captures, want %d", len(out), want)
		}
		return out
	}
	if got := listed(1)[0]; got.Document.Title != capture.Title || *got.Document.Lines[0].Mean != mean || fmt.Sprint(got.Files) != "[{reps run.csv}]" {
		t.Errorf("%+v", got)
	}
	c.call("DELETE", "/api/captures/"+id, nil, 204, nil)
	listed(0)
	c.file("GET", path, nil, 404)
	c.call("POST", "/api/captures/"+id+"/restore", nil, 204, nil)
	listed(1)
	for field, change := range map[string]func(*emg.Capture){
		"day":            func(x *emg.Capture) { x.Day = "yesterday" },
		"title":          func(x *emg.Capture) { x.Title = "" },
		"lifterId":       func(x *emg.Capture) { x.LifterID = "x" },
		"lines[0].state": func(x *emg.Capture) { x.Lines = []emg.Line{{State: "fine"}} },
	} {
		bad := capture
		change(&bad)
		var told failure
		c.call("PUT", "/api/captures/00000000-0000-4000-8000-0000000000c2", bad, 422, &told)
		if len(told.Problems) == 0 || told.Problems[0].Path != field {
			t.Errorf("%s: %+v", field, told)
		}
	}
	foreign := capture
	foreign.SetupID = "00000000-0000-4000-8000-0000000000c8"
	c.call("PUT", "/api/captures/00000000-0000-4000-8000-0000000000c2", foreign, 404, nil)
	listed(1)
}

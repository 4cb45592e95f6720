package httpapi_test

import (
	"io"
	"net/http"
	"strings"
	"testing"

	"dialarc/internal/httpapi"
)

// A file is looked at before anything is written; with a problem in any row nothing is; what was exported can be read again.
func TestLiftersComeFromAndGoToFiles(t *testing.T) {
	c := serve(t)
	var before list[httpapi.Lifter]
	c.call("GET", "/api/lifters", nil, 200, &before)
	table := "name;stature;mass;upperArm\nNoa Field;1,72;70,5;0,32\nSuvi Brandt;1,68;61;\n"
	var seen httpapi.ImportAnswer
	c.call("POST", "/api/lifters/import", table, 200, &seen)
	if seen.Total != 2 || seen.Known != 1 || seen.Written || seen.First[0].Body.Lengths["upperArm"] != 0.32 {
		t.Errorf("%+v", seen)
	}
	var f failure
	c.call("POST", "/api/lifters/import?write=true", table+"Third;1,7;heavy;\n", 422, &f)
	if !f.has("row 4, column bodyMass", `"heavy" is not a number`) {
		t.Errorf("%+v", f.Problems)
	}
	var now list[httpapi.Lifter]
	if c.call("GET", "/api/lifters", nil, 200, &now); now.Total != before.Total {
		t.Errorf("%d lifters became %d", before.Total, now.Total)
	}
	c.call("POST", "/api/lifters/import?write=true", table, 200, &seen)
	if c.call("GET", "/api/lifters?q=noa+field", nil, 200, &now); !seen.Written || now.Total != 1 || now.Items[0].Body.Height != 1.72 {
		t.Errorf("%+v, %+v", seen, now)
	}
	for _, format := range []string{"json", "csv"} {
		resp, err := http.Get(c.url + "/api/lifters/export?format=" + format)
		if err != nil {
			t.Fatal(err)
		}
		raw, err := io.ReadAll(resp.Body)
		resp.Body.Close()
		if err != nil || !strings.Contains(resp.Header.Get("Content-Disposition"), "lifters."+format) {
			t.Errorf("%v, %v", resp.Header, err)
		}
		c.call("POST", "/api/lifters/import", string(raw), 200, &seen)
		if seen.Total != before.Total+2 || seen.Known != seen.Total {
			t.Errorf("%s: %+v", format, seen)
		}
	}
}

package emg

import (
	"bytes"
	"fmt"
	"math"
	"math/rand/v2"
	"os"
	"strings"
	"testing"
)

// sines is a recording of two muscles and an angle for so many seconds, with notes.
func sines(seconds int) *Recording {
	r := &Recording{Started: "2026-11-29 14:05:00", Notes: []Note{{At: 0.5, Text: "begin"}, {At: 2, Text: "rep 1, Ärmel"}}}
	for i, c := range []Channel{{Label: "biceps", Unit: "uV", Rate: 1000}, {Label: "triceps", Unit: "uV", Rate: 500}, {Label: "angle", Unit: "deg",
		Rate: 100}} {
		for k := range seconds * int(c.Rate) {
			c.Samples = append(c.Samples, float64(100*(i+1))*math.Sin(float64(k)/c.Rate*float64(7+i)))
		}
		r.Channels = append(r.Channels, c)
	}
	return r
}

func written(t *testing.T, r *Recording) []byte {
	t.Helper()
	raw, problems := WriteEDF(r)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	return raw
}

// What is written is read again: names, units, rates, notes, and every sample to half a step of 16 bits.
func TestEDFThereAndBack(t *testing.T) {
	r := sines(3)
	got, problems := ReadEDF(written(t, r))
	if len(problems) > 0 || len(got.Warnings) > 0 {
		t.Fatal(problems, got)
	}
	if got.Started != r.Started || fmt.Sprint(got.Notes) != fmt.Sprint(r.Notes) || got.Seconds() != 3 {
		t.Errorf("%q %v", got.Started, got.Notes)
	}
	for i, c := range r.Channels {
		g := got.Channels[i]
		if g.Label != c.Label || g.Unit != c.Unit || g.Rate != c.Rate || len(g.Samples) != len(c.Samples) {
			t.Errorf("%+v", g)
		}
		for k := range c.Samples {
			if math.Abs(g.Samples[k]-c.Samples[k]) > 0.51*float64(200*(i+1))/65535+1e-9 {
				t.Fatalf("%s, sample %d: %v, want %v", c.Label, k, g.Samples[k], c.Samples[k])
			}
		}
	}
	if !IsEDF(written(t, r)) || IsEDF([]byte("time,a\n")) {
		t.Error("EDF is not told from other files")
	}
	if _, problems := WriteEDF(&Recording{Channels: []Channel{{Label: "odd", Rate: 33.3}}}); len(problems) == 0 {
		t.Error("a rate that does not fit is taken")
	}
}

// A file that BioSig 2.5 wrote (save2gdf -f=EDF, Debian's biosig-tools; testdata/biosig.edf) from sines(2): another program's EDF is read,
// and what that program read of one of ours is what was in it.
func TestEDFOfAnotherProgram(t *testing.T) {
	raw, err := os.ReadFile("testdata/biosig.edf")
	if err != nil {
		t.Fatal(err)
	}
	got, problems := ReadEDF(raw)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	want := sines(2)
	for i := range 2 { // both muscles; it writes all channels at one rate
		c, g := want.Channels[0], got.Channels[0]
		if i == 1 {
			c, g = want.Channels[1], got.Channels[1]
		}
		step := int(g.Rate / c.Rate)
		if g.Label != c.Label || !g.Activity() || len(g.Samples) != step*len(c.Samples) {
			t.Fatalf("%s %s %v, %d samples", g.Label, g.Unit, g.Rate, len(g.Samples))
		}
		for k := range c.Samples {
			if math.Abs(g.Samples[step*k]-c.Samples[k]) > 0.05 {
				t.Fatalf("%s, sample %d: %v, want %v", c.Label, k, g.Samples[step*k], c.Samples[k])
			}
		}
	}
}

// Broken files are told where, never a panic; one that ends early is kept as far as it goes.
func TestBrokenEDF(t *testing.T) {
	whole := written(t, sines(3))
	size := (len(whole) - 256*5) / 3
	short, problems := ReadEDF(whole[:len(whole)-size/2])
	if len(problems) > 0 || short.Seconds() != 2 || !strings.Contains(strings.Join(short.Warnings, " "), "after 2 of 3 records") {
		t.Errorf("%+v %v", short.Warnings, problems)
	}
	with := func(at int, text string) []byte {
		raw := bytes.Clone(whole)
		copy(raw[at:], text)
		return raw
	}
	for path, raw := range map[string][]byte{
		"header":                    whole[:100],
		"header, number of signals": with(252, "many"),
		"header, number of records": with(236, "x       "),
		"header, reserved":          with(192, "EDF+D"),
		"signal 1":                  with(256+4*(16+80+8), "0       "),
		"signal 2, samples":         with(256+4*(16+80+8+8+8+8+8+80)+8, "-5      "),
		"records":                   whole[:256*5+10],
	} {
		if path == "signal 1" {
			copy(raw[256+4*(16+80+8+8):], "0       ")
		}
		if _, problems := ReadEDF(raw); len(problems) == 0 || problems[0].Path != path {
			t.Errorf("%s: %v", path, problems)
		}
	}
	r := rand.New(rand.NewPCG(5, 6))
	for range 3000 {
		raw := bytes.Clone(whole[:256*5+r.IntN(3000)])
		for range 1 + r.IntN(6) {
			raw[r.IntN(len(raw))] = byte(r.IntN(256))
		}
		if got, problems := ReadEDF(raw); len(problems) == 0 {
			for _, c := range got.Channels {
				for _, x := range c.Samples {
					if math.IsNaN(x) || math.IsInf(x, 0) {
						t.Fatalf("a sample of %s is %v", c.Label, x)
					}
				}
			}
		}
	}
	huge := bytes.Clone(whole)
	copy(huge[236:], "-1      ")
	copy(huge[244:], "3600    ")
	if got, problems := ReadEDF(huge); len(problems) == 0 && got.Seconds() <= 0 {
		t.Error("no length")
	}
}

// Tables are read with units, decimal commas and gaps; what is wrong is told by its row.
func TestTables(t *testing.T) {
	rows := func(head, row string, n int, skip ...int) []byte {
		var b strings.Builder
		b.WriteString(head + "\n")
		for i := range n {
			if len(skip) > 0 && i >= skip[0] && i < skip[0]+skip[1] {
				continue
			}
			fmt.Fprintf(&b, row+"\n", i, i%7)
		}
		return []byte(b.String())
	}
	r, problems := ReadTable(rows("time (ms),biceps (mV)", "%d,0.%d", 50))
	if len(problems) > 0 || r.Channels[0].Rate != 1000 || r.Channels[0].Unit != "uV" || math.Abs(r.Channels[0].Samples[3]-300) > 1e-9 {
		t.Fatalf("%+v %v", r, problems)
	}
	if r, problems = ReadTable(rows("t;angle (deg)", "%d;%d,5", 50)); len(problems) > 0 || !r.Channels[0].Angle() || r.Channels[0].Samples[2] != 2.5 {
		t.Errorf("%+v %v", r, problems)
	}
	r, problems = ReadTable(rows("time (ms),a (uV)", "%d,%d", 50, 20, 5))
	if len(problems) > 0 || len(r.Channels[0].Samples) != 50 || r.Channels[0].Samples[23] != 19%7 || !strings.Contains(r.Warnings[0], "5 samples") {
		t.Errorf("%+v %v", r, problems)
	}
	for path, raw := range map[string]string{
		"row 1":           "a,b\n1,2\n",
		"row 3":           "time,a\n1,2\n3\n",
		"row 2, column 2": "time,a\n1,x\n",
		"row 4":           "time,a\n1,2\n2,3\n2,4\n",
		"":                "time,a\n1,2\n2,3\n",
	} {
		if _, problems := ReadTable([]byte(raw)); len(problems) == 0 || problems[0].Path != path {
			t.Errorf("%q: %v", raw, problems)
		}
	}
	if _, problems := ReadTable(nil); len(problems) == 0 {
		t.Error("nothing is taken")
	}
}

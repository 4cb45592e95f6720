package report_test

import (
	"encoding/json"
	"math"
	"reflect"
	"testing"

	"dialarc/core/catalogue"
	"dialarc/core/evaluate"
	"dialarc/core/report"
	"dialarc/core/setup"
)

func raise(t *testing.T) *report.Report {
	t.Helper()
	ready, _ := catalogue.Find(&setup.Lifter{Height: 1.75, BodyMass: 75}, "raise.behind.hand")
	r, problems := evaluate.Document(&ready.Document)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	return r
}

// curvesIn counts the curves anywhere in a value.
func curvesIn(v reflect.Value) int {
	if v.Type() == reflect.TypeFor[report.Curve]() {
		return 1
	}
	n := 0
	switch v.Kind() {
	case reflect.Pointer:
		if !v.IsNil() {
			n = curvesIn(v.Elem())
		}
	case reflect.Struct:
		for i := range v.NumField() {
			n += curvesIn(v.Field(i))
		}
	case reflect.Slice:
		for i := range v.Len() {
			n += curvesIn(v.Index(i))
		}
	}
	return n
}

// Every curve of a report is in the one list of them, and none twice.
func TestAllCurvesIsAll(t *testing.T) {
	r := raise(t)
	seen := map[*report.Curve]bool{}
	for _, c := range r.AllCurves() {
		if seen[c] {
			t.Error("a curve is listed twice")
		}
		seen[c] = true
	}
	if n := curvesIn(reflect.ValueOf(r)); n != len(seen) || n < 100 {
		t.Errorf("%d curves of %d are listed", len(seen), n)
	}
}

// What is packed, written, read and unpacked is what it was, to the last bit.
func TestPackedReportsComeBack(t *testing.T) {
	want, packed := raise(t), raise(t)
	numbers := packed.Pack()
	raw, err := json.Marshal(packed)
	if err != nil {
		t.Fatal(err)
	}
	var back report.Report
	if err := json.Unmarshal(raw, &back); err != nil {
		t.Fatal(err)
	}
	if err := back.Unpack(numbers); err != nil {
		t.Fatal(err)
	}
	lists := [2][]*report.Curve{want.AllCurves(), back.AllCurves()}
	if len(lists[0]) != len(lists[1]) {
		t.Fatalf("%d curves became %d", len(lists[0]), len(lists[1]))
	}
	for k, c := range lists[0] {
		for i, x := range *c {
			if y := (*lists[1][k])[i]; math.Float64bits(x) != math.Float64bits(y) && !(math.IsNaN(x) && math.IsNaN(y)) {
				t.Fatalf("curve %d, number %d: %v became %v", k, i, x, y)
			}
		}
	}
	if err := back.Unpack(numbers[:8]); err == nil {
		t.Error("a report is unpacked twice, from too few numbers")
	}
}

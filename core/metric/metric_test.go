package metric_test

import (
	"encoding/json"
	"math"
	"testing"

	"dialarc/core/metric"
)

// What is written is read back: the number to ten digits, the reason word for word, and nothing for what is not there.
func TestWrittenAndRead(t *testing.T) {
	for _, c := range []struct {
		m    metric.Metric
		text string
	}{
		{metric.Known(2.5), `{"value":2.5}`},
		{metric.Known(100.0 / 3), `{"value":33.33333333}`},
		{metric.Known(0).Because(`It "helps".`), `{"value":0,"why":"It \"helps\"."}`},
		{metric.Missing("No range."), `{"value":null,"why":"No range."}`},
		{metric.Metric{}, `{"value":null}`},
		{metric.Known(math.Inf(1)), `{"value":null,"why":"It comes to no number."}`},
	} {
		raw, err := json.Marshal(c.m)
		if err != nil || string(raw) != c.text {
			t.Errorf("%v is written as %s (%v), want %s", c.m, raw, err, c.text)
		}
		var back metric.Metric
		if err := json.Unmarshal(raw, &back); err != nil || back.Why() != c.m.Why() {
			t.Errorf("%s is read as %v (%v)", raw, back, err)
		}
		if x, ok := back.Get(); ok && math.Abs(x-c.m.OrNaN()) > 1e-8 {
			t.Errorf("%s is read as %v", raw, x)
		}
	}
}

// Nothing comes of a number that is missing: no comparison holds, arithmetic leaves it missing, and a substitute stands in only there.
func TestMissing(t *testing.T) {
	none := metric.Missing("why")
	if x := none.Times(3).OrNaN(); x > 0 || x <= 0 || none.Times(3).Known() || none.Or(7) != 7 || none.Because("other").Why() != "other" {
		t.Errorf("%v", none)
	}
	if x, ok := metric.Known(4).Times(0.5).Get(); !ok || x != 2 || metric.Known(4).Or(7) != 4 {
		t.Errorf("%v, %v", x, ok)
	}
}

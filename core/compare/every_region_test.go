package compare

import (
	"context"
	"testing"

	"dialarc/core/internal/sample"
	"dialarc/core/setup"
)

// For every muscle, part and head there is something to do, in every way of loading it: no ranking is empty.
func TestEveryRegionHasExercises(t *testing.T) {
	_, docs := readyDocs(&sample.Lifter, nil, "")
	reports, err := evaluated(context.Background(), docs, nil)
	if err != nil {
		t.Fatal(err)
	}
	for _, r := range setup.Regions {
		for _, how := range Hows {
			if list := rankReports(docs, reports, r.Key, how); len(list) == 0 {
				t.Errorf("nothing for %s, %s", r.Label, how)
			}
		}
	}
}

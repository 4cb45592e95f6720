package emg

import (
	"fmt"
	"time"
	"unicode/utf8"

	"dialarc/core/setup"
)

// CaptureSchema names the version of the document of a capture.
const CaptureSchema = "dialarc.capture/1"

// Capture is a measurement of muscle activity as it is kept: what was done, how it was worked and what it came to. Its samples are
// kept beside it, as they were recorded.
type Capture struct {
	Schema   string            `json:"schema" enum:"dialarc.capture/1"`
	Title    string            `json:"title" maxLength:"200"`
	Day      string            `json:"day" doc:"Like 2026-11-30."`
	LifterID string            `json:"lifterId" format:"uuid"`
	SetupID  string            `json:"setupId,omitempty" doc:"The setup that was done."`
	Setup    string            `json:"setup,omitempty" doc:"Its name then." maxLength:"200"`
	Settings Settings          `json:"settings"`
	Muscles  map[string]string `json:"muscles" doc:"Which muscle each channel is of, by the channel's label."`
	Lines    []Line            `json:"lines" doc:"What each channel came to." maxItems:"64"`
}

// Line is what one channel came to while lifting.
type Line struct {
	Label       string   `json:"label" maxLength:"200"`
	Muscle      string   `json:"muscle" doc:"Its name." maxLength:"200"`
	State       string   `json:"state" enum:"good,usable,partly,out"`
	Percent     bool     `json:"percent" doc:"Of the strongest contraction; else µV."`
	Mean        *float64 `json:"mean" nullable:"true"`
	Peak        *float64 `json:"peak" nullable:"true"`
	Reps        int      `json:"reps"`
	Correlation *float64 `json:"correlation" doc:"With the model." nullable:"true"`
}

// Check says what is wrong with a capture.
func (c *Capture) Check() setup.Problems {
	v := &setup.Checks{}
	v.OneOf("schema", "schema", c.Schema, CaptureSchema)
	if v.Name("title", c.Title); c.Title == "" {
		v.Add("title", "It has no title.", "", "Say what was done.")
	}
	if _, err := time.Parse(time.DateOnly, c.Day); err != nil {
		v.Add("day", fmt.Sprintf("The day is %q.", setup.Clip(c.Day)), "", "Give a day like 2026-11-30.")
	}
	if len(c.Lines) > 64 || len(c.Muscles) > 64 {
		v.Add("lines", fmt.Sprintf("There are %d channels.", max(len(c.Lines), len(c.Muscles))), "", "Give at most 64.")
	}
	for i, l := range c.Lines {
		v.OneOf(fmt.Sprintf("lines[%d].state", i), "state", l.State, "good", "usable", "partly", "out")
		if utf8.RuneCountInString(l.Label) > 200 || utf8.RuneCountInString(l.Muscle) > 200 {
			v.Add(fmt.Sprintf("lines[%d]", i), "Its name is too long.", "", "Give at most 200 characters.")
		}
	}
	return v.Found
}

package bridge

import (
	"encoding/binary"
	"encoding/json"
	"fmt"
	"math"
	"strings"

	"dialarc/core/emg"
	"dialarc/core/setup"
)

// Opened says what is in a recording.
type Opened struct {
	Name     string          `json:"name"`
	Started  string          `json:"started,omitempty" doc:"Day and time."`
	Seconds  float64         `json:"seconds"`
	Channels []OpenedChannel `json:"channels"`
	Notes    []emg.Note      `json:"notes"`
	Warnings []string        `json:"warnings"`
}

// OpenedChannel is one of its channels.
type OpenedChannel struct {
	Label    string  `json:"label"`
	Unit     string  `json:"unit"`
	Rate     float64 `json:"rate" doc:"Samples a second."`
	Activity bool    `json:"activity,omitempty" doc:"Whether it is of a muscle's activity, by its unit."`
	Angle    bool    `json:"angle,omitempty" doc:"Whether it is of an angle."`
}

// openRecording keeps a file under the page's name for it, in place of what had that name.
func (c *Core) openRecording(slot, name string, file []byte) (*Opened, setup.Problems) {
	read := emg.ReadTable
	if emg.IsEDF(file) {
		read = emg.ReadEDF
	}
	r, problems := read(file)
	if len(problems) > 0 {
		return nil, problems
	}
	r.Name = name
	return c.keep(slot, r), nil
}

// keepRecording keeps what devices sent.
func (c *Core) keepRecording(slot string, channels []OpenedChannel, samples []byte) (*Opened, setup.Problems) {
	if len(channels) == 0 || len(samples)%(4*len(channels)) != 0 {
		return nil, setup.Problems{{What: fmt.Sprintf("%d bytes are not %d channels.", len(samples), len(channels))}}
	}
	n := len(samples) / 4 / len(channels)
	r := &emg.Recording{Name: slot}
	for i, ch := range channels {
		kept := emg.Channel{Label: ch.Label, Unit: ch.Unit, Rate: ch.Rate, Samples: make([]float64, n)}
		for k := range n {
			kept.Samples[k] = float64(math.Float32frombits(binary.LittleEndian.Uint32(samples[4*(i*n+k):])))
		}
		r.Channels = append(r.Channels, kept)
	}
	return c.keep(slot, r), nil
}

func (c *Core) keep(slot string, r *emg.Recording) *Opened {
	if c.recorded == nil {
		c.recorded = map[string]*emg.Recording{}
	}
	c.recorded[slot] = r
	out := &Opened{Name: r.Name, Started: r.Started, Seconds: r.Seconds(), Notes: append([]emg.Note{}, r.Notes...),
		Warnings: append([]string{}, r.Warnings...), Channels: []OpenedChannel{}}
	for i := range r.Channels {
		ch := &r.Channels[i]
		out.Channels = append(out.Channels, OpenedChannel{Label: ch.Label, Unit: ch.Unit, Rate: ch.Rate,
			Activity: ch.Activity(), Angle: ch.Angle()})
	}
	return out
}

func (c *Core) recording(slot string) (*emg.Recording, setup.Problems) {
	if r := c.recorded[slot]; r != nil {
		return r, nil
	}
	return nil, setup.Problems{{Path: slot, What: "There is no such recording.", Hint: "Open it first."}}
}

func (c *Core) workActivity(slot, strongest string, s emg.Settings) (*emg.Worked, setup.Problems) {
	r, problems := c.recording(slot)
	if len(problems) > 0 {
		return nil, problems
	}
	var trials []*emg.Recording
	for name := range strings.SplitSeq(strongest, ",") {
		if t := c.recorded[name]; t != nil {
			trials = append(trials, t)
		}
	}
	return emg.Work(r, trials, s), nil
}

func (c *Core) activitySamples(slot string, place int, what string, s emg.Settings) ([]byte, setup.Problems) {
	r, problems := c.recording(slot)
	if len(problems) > 0 {
		return nil, problems
	}
	if place < 0 || place >= len(r.Channels) {
		return nil, setup.Problems{{Path: slot, What: fmt.Sprintf("It has no channel %d.", place+1)}}
	}
	x := r.Channels[place].Samples
	switch what {
	case "band":
		_, x, _ = emg.Enveloped(&r.Channels[place], s)
	case "envelope":
		x, _, _ = emg.Enveloped(&r.Channels[place], s)
	}
	out := make([]byte, 0, 4*len(x))
	for _, v := range x {
		out = binary.LittleEndian.AppendUint32(out, math.Float32bits(float32(v)))
	}
	return out, nil
}

func (c *Core) writeEDF(slot string) ([]byte, setup.Problems) {
	r, problems := c.recording(slot)
	if len(problems) > 0 {
		return nil, problems
	}
	return emg.WriteEDF(r)
}

// MeasuredCourse is a channel's course over the range as it is held against the model.
type MeasuredCourse struct {
	AngleDeg []float64  `json:"angleDeg"`
	Course   emg.Course `json:"course"`
	Percent  bool       `json:"percent" doc:"Of the strongest contraction; else µV."`
}

// activityAgainst takes the model's activation of a region along the setup's path.
func (c *Core) activityAgainst(d *setup.Document, region string, m MeasuredCourse) (*emg.Agreement, setup.Problems) {
	r, problems := c.evaluator.Evaluate(d)
	if len(problems) > 0 {
		return nil, problems
	}
	if len(m.AngleDeg) != len(m.Course.Mean) || len(m.Course.Mean) != len(m.Course.SD) {
		return nil, setup.Problems{{What: "The course has not as many values as angles."}}
	}
	for _, part := range append(r.Muscles.Regions, r.Muscles.Heads...) {
		if part.Key != region {
			continue
		}
		var angles []float64
		for _, s := range r.Muscles.S {
			at := int(math.Round(s * float64(len(r.Curves.AngleDeg)-1)))
			angles = append(angles, r.Curves.AngleDeg[at])
		}
		out := emg.Against(m.AngleDeg, m.Course, m.Percent, angles, part.Activation)
		return &out, nil
	}
	return nil, setup.Problems{{Path: "region", What: "The model has no such muscle in this setup.", Hint: "Choose another one."}}
}

func studyTable(s emg.Study, captures []emg.Capture) *emg.StudyTable { return s.Table(captures) }

// study reads a study as it is typed.
func study(text string) (*emg.Study, setup.Problems) {
	var s emg.Study
	if err := json.Unmarshal([]byte(text), &s); err != nil {
		return nil, setup.Problems{{What: "The study cannot be read: " + err.Error() + "."}}
	}
	return &s, s.Check()
}

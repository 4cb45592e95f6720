package emg

import (
	"fmt"
	"math"

	"dialarc/core/metric"

	"gonum.org/v1/gonum/stat"
)

// Settings say how a recording is worked out.
type Settings struct {
	Low      float64 `json:"low" doc:"Hz, lower edge of the band; 20 unless given."`
	High     float64 `json:"high" doc:"Hz, upper edge; 450 unless given, and no more than 0.45 of the rate."`
	Envelope string  `json:"envelope" doc:"rms over a window, or lowpass at 6 Hz." enum:"rms,lowpass"`
	Window   float64 `json:"window" doc:"s, of the root mean square; 0.1 unless given."`
	Mains    float64 `json:"mains" doc:"50 or 60 Hz; either unless given."`
	Notch    string  `json:"notch" doc:"Whether mains are taken out: auto where there is hum, on, off." enum:"auto,on,off"`
	Falling  bool    `json:"falling" doc:"Whether lifting lowers the angle."`
	Reps     []Rep   `json:"reps,omitempty" doc:"By hand; else they are cut by the angle."`
	Without  []int   `json:"without,omitempty" doc:"Channels that are left out by hand, by their place."`
}

const (
	filterOrder  = 4 // of the prototype
	notchQuality = 30
	softEdge     = 6 // Hz, of the low-pass envelope
	mostOfRate   = 0.45
)

// Complete fills in what was not given.
func (s *Settings) Complete() {
	if s.Low == 0 {
		s.Low = 20
	}
	if s.High == 0 {
		s.High = 450
	}
	if s.Window == 0 {
		s.Window = 0.1
	}
	if s.Envelope == "" {
		s.Envelope = "rms"
	}
	if s.Notch == "" {
		s.Notch = "auto"
	}
}

// Worked is what a recording comes to.
type Worked struct {
	Reps     []Rep           `json:"reps" doc:"None without a channel of an angle."`
	FromDeg  float64         `json:"fromDeg" doc:"Of the range, where lifting begins."`
	ToDeg    float64         `json:"toDeg"`
	AngleDeg []float64       `json:"angleDeg" doc:"Of the courses' values."`
	Channels []WorkedChannel `json:"channels" doc:"Those of activity, in the recording's order."`
	Why      string          `json:"why,omitempty" doc:"Why there are no repetitions."`
	Trials   int             `json:"trials" doc:"Of the strongest contraction."`
}

// WorkedChannel is what one muscle's channel comes to.
type WorkedChannel struct {
	Place     int           `json:"place" doc:"Among all channels of the recording."`
	Label     string        `json:"label"`
	State     string        `json:"state" enum:"good,usable,partly,out"`
	Findings  []Finding     `json:"findings"`
	Strongest metric.Metric `json:"strongest" doc:"Largest mean over a second of the strongest contractions, µV."`
	Lifting   Course        `json:"lifting"`
	Lowering  Course        `json:"lowering"`
	Mean      metric.Metric `json:"mean" doc:"Over the range while lifting: percent, or µV without a strongest contraction."`
	Peak      metric.Metric `json:"peak" doc:"Largest of the course while lifting."`
}

// Work works out repetitions and the trials of strongest contraction that belong to them. Channels belong together by their labels.
// Steps, as recommended by SENIAM (Hermens et al. 2000, J Electromyogr Kinesiol 10:361-374, from memory): less the mean; band-pass,
// Butterworth of
// fourth order run both ways; hum out where there is any; rectified; an envelope; divided by the largest second of the strongest
// contractions. Without one of those there are no percentages. A bad channel is left out, and repetitions in which one is bad.
func Work(r *Recording, strongest []*Recording, s Settings) *Worked {
	s.Complete()
	out := &Worked{Channels: []WorkedChannel{}, Reps: []Rep{}, Trials: len(strongest)}
	angle := r.angle()
	if angle == nil {
		out.Why = "No channel is of an angle, in degrees: repetitions cannot be cut, nor held against a range."
	} else {
		reps, from, to := Repetitions(angle.Samples, angle.Rate, s.Falling)
		if len(s.Reps) > 0 {
			reps = s.Reps
		}
		if out.FromDeg, out.ToDeg = from, to; len(reps) == 0 {
			out.Why = "The angle goes up and down nowhere: no repetition was found."
		} else {
			out.Reps = reps
		}
		for k := range parts {
			out.AngleDeg = append(out.AngleDeg, from+(to-from)*float64(k)/(parts-1))
		}
	}
	for i := range r.Channels {
		if r.Channels[i].Activity() {
			out.Channels = append(out.Channels, work(r, i, angle, strongest, s, out))
		}
	}
	return out
}

// angle is the first channel of an angle.
func (r *Recording) angle() *Channel {
	for i := range r.Channels {
		if r.Channels[i].Angle() && len(r.Channels[i].Samples) > 0 {
			return &r.Channels[i]
		}
	}
	return nil
}

// Enveloped is a channel's envelope, µV, what the band-pass left of it and what is wrong with it.
func Enveloped(c *Channel, s Settings) (envelope, band []float64, findings []Finding) {
	s.Complete()
	if len(c.Samples) < 2 || c.Rate < 4*s.Low {
		return make([]float64, len(c.Samples)), c.Samples, []Finding{{Key: "silent", Text: "It has too few samples a second for activity."}}
	}
	raw := without(c.Samples)
	band = bothWays(bandPass(filterOrder, s.Low, math.Min(s.High, mostOfRate*c.Rate), c.Rate), raw)
	hum := humOf(band, c.Rate, s.Mains)
	findings = judge(raw, band, c.Rate, hum)
	if s.Notch == "on" && hum == 0 {
		hum = mainsOf(s.Mains)[0]
	}
	if hum > 0 && s.Notch != "off" {
		band = bothWays(notch(hum, notchQuality, c.Rate), band)
	}
	if s.Envelope == "lowpass" {
		whole := make([]float64, len(band))
		for i, x := range band {
			whole[i] = math.Abs(x)
		}
		return bothWays(lowPass(filterOrder, softEdge, c.Rate), whole), band, findings
	}
	return movingRMS(band, int(s.Window*c.Rate)), band, findings
}

func work(r *Recording, i int, angle *Channel, strongest []*Recording, s Settings, whole *Worked) WorkedChannel {
	c := &r.Channels[i]
	envelope, _, findings := Enveloped(c, s)
	out := WorkedChannel{Place: i, Label: c.Label, State: "good", Findings: findings, Strongest: strongestOf(c.Label, strongest, s)}
	if out.Findings == nil {
		out.Findings = []Finding{}
	}
	by := 1.0
	if most, known := out.Strongest.Get(); known && most > 0 {
		by = 100 / most
	}
	for k := range envelope {
		envelope[k] *= by
	}
	lifting, lowering := out.spans(whole.Reps, s, i)
	none := metric.Missing("It is left out.")
	if out.State == "out" || len(lifting) == 0 {
		if out.State != "out" {
			none = metric.Missing("There is no repetition to take it from.")
		}
		lifting, lowering, out.Mean, out.Peak = nil, nil, none, none
	}
	if angle == nil {
		angle = &Channel{Rate: 1, Samples: []float64{0}}
	}
	x := smoothed(angle.Samples, angle.Rate)
	out.Lifting = course(envelope, c.Rate, x, angle.Rate, lifting, whole.FromDeg, whole.ToDeg)
	out.Lowering = course(envelope, c.Rate, x, angle.Rate, lowering, whole.FromDeg, whole.ToDeg)
	if len(lifting) > 0 {
		out.Mean, out.Peak = out.Lifting.summary()
	}
	return out
}

// spans are the stretches of the phases that count for a channel; what its findings mean for it is noted.
func (w *WorkedChannel) spans(reps []Rep, s Settings, place int) (lifting, lowering [][2]float64) {
	for _, p := range s.Without {
		if p == place {
			w.State = "out"
		}
	}
	var lost []int
	for k, rep := range reps {
		bad := false
		for _, f := range w.Findings {
			bad = bad || f.Key == "loose" && overlaps(rep.From, rep.To, f.From, f.To)
		}
		switch {
		case bad:
			lost = append(lost, k+1)
		case !rep.LeftOut:
			lifting, lowering = append(lifting, [2]float64{rep.From, rep.Top}), append(lowering, [2]float64{rep.Leaves, rep.To})
		}
	}
	for _, f := range w.Findings {
		switch {
		case f.Key == "silent" || f.Key == "saturated":
			w.State = "out"
		case w.State == "good" && (f.Key == "hum" || f.Key == "artefact"):
			w.State = "usable"
		}
	}
	if len(lost) > 0 && w.State != "out" {
		w.State = "partly"
		w.Findings = append(w.Findings, Finding{Key: "reps", Text: fmt.Sprintf("Repetitions left out for it: %s.", listed(lost))})
		if len(lifting) == 0 {
			w.State = "out"
		}
	}
	return lifting, lowering
}

func listed(numbers []int) string {
	text := ""
	for i, n := range numbers {
		if i > 0 {
			text += ", "
		}
		text += fmt.Sprint(n)
	}
	return text
}

// strongestOf is the largest second of a channel over the trials of strongest contraction.
func strongestOf(label string, trials []*Recording, s Settings) metric.Metric {
	if len(trials) == 0 {
		return metric.Missing("No strongest contraction was recorded, so there are no percentages.")
	}
	most := 0.0
	for _, r := range trials {
		for i := range r.Channels {
			if c := &r.Channels[i]; c.Label == label && c.Activity() {
				envelope, _, _ := Enveloped(c, s)
				if x := largestSecond(envelope, c.Rate); x > most {
					most = x
				}
			}
		}
	}
	if most < silentBelow {
		return metric.Missing("This channel has no strongest contraction.")
	}
	return metric.Known(most)
}

// summary is a course's mean and largest value.
func (c *Course) summary() (mean, peak metric.Metric) {
	var list []float64
	most := 0.0
	for _, x := range c.Mean {
		if x != nil {
			list, most = append(list, *x), max(most, *x)
		}
	}
	if len(list) == 0 {
		none := metric.Missing("No repetition passes the range.")
		return none, none
	}
	return metric.Known(stat.Mean(list, nil)), metric.Known(most)
}

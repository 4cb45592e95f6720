package emg

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"time"

	"dialarc/core/metric"
	"dialarc/core/setup"

	"gonum.org/v1/gonum/stat"
	"gonum.org/v1/gonum/stat/distuv"
)

// StudySchema names the version of the document of a study.
const StudySchema = "dialarc.study/1"

// Study compares the activity of one muscle over setups, in several lifters. Setups are known by name: each lifter has one of his own.
// What was measured are captures from a day on.
type Study struct {
	Schema  string        `json:"schema" enum:"dialarc.study/1"`
	Name    string        `json:"name" maxLength:"200"`
	Muscle  string        `json:"muscle" doc:"Key of the muscle region."`
	Lifters []StudyLifter `json:"lifters" doc:"At least one." maxItems:"60"`
	Setups  []string      `json:"setups" doc:"Names of the setups, two or more." maxItems:"12"`
	Seed    int           `json:"seed" doc:"From which each lifter's order is drawn." minimum:"0" maximum:"1000000"`
	Rest    int           `json:"rest" doc:"s between two setups." minimum:"0" maximum:"3600"`
	Rule    string        `json:"rule" doc:"How loads are chosen: 70 % of what goes once, or the same repetitions in reserve." enum:"seventy,reserve"`
	Since   string        `json:"since" doc:"Captures from this day on count."`
	Notes   string        `json:"notes,omitempty" maxLength:"4000"`
}

// StudyLifter is one who takes part.
type StudyLifter struct {
	ID   string `json:"id" format:"uuid"`
	Name string `json:"name" maxLength:"200"`
}

// Check says what is wrong with a study; one that is not filled in yet is sound.
func (s *Study) Check() setup.Problems {
	v := &setup.Checks{}
	v.OneOf("schema", "schema", s.Schema, StudySchema)
	if v.Name("name", s.Name); s.Name == "" {
		v.Add("name", "The name is empty.", "", "Give a name.")
	}
	if _, known := setup.RegionOf(s.Muscle); s.Muscle != "" && !known {
		v.Add("muscle", fmt.Sprintf("There is no muscle %q.", setup.Clip(s.Muscle)), "", "Choose one of the list.")
	}
	if len(s.Lifters) > 60 {
		v.Add("lifters", fmt.Sprintf("There are %d lifters.", len(s.Lifters)), "", "Give at most 60.")
	}
	if len(s.Setups) > 12 {
		v.Add("setups", fmt.Sprintf("There are %d setups.", len(s.Setups)), "", "Give at most 12.")
	}
	if s.Rest < 0 || s.Rest > 3600 {
		v.Add("rest", fmt.Sprintf("The rest is %d s.", s.Rest), "", "Give 0 to 3600 s.")
	}
	v.OneOf("rule", "rule for the loads", s.Rule, "seventy", "reserve")
	if _, err := time.Parse(time.DateOnly, s.Since); err != nil {
		v.Add("since", fmt.Sprintf("The day is %q.", setup.Clip(s.Since)), "", "Give a day like 2026-11-30.")
	}
	return v.Found
}

// Orders are the setups of each lifter in the order in which they are done, drawn from the seed: a lifter who is added changes nobody
// else's.
func (s *Study) Orders() [][]int {
	out := make([][]int, len(s.Lifters))
	for i := range s.Lifters {
		out[i] = rand.New(rand.NewPCG(uint64(s.Seed), uint64(i))).Perm(len(s.Setups))
	}
	return out
}

// StudyTable is what a study has come to.
type StudyTable struct {
	Orders   [][]int        `json:"orders" doc:"Of each lifter: the setups in the order in which they are done."`
	Cells    [][]StudyCell  `json:"cells" doc:"By lifter and setup."`
	Setups   []StudySummary `json:"setups" doc:"By setup."`
	Pairs    []StudyPair    `json:"pairs" doc:"Every setup against every other, within lifters."`
	Done     int            `json:"done" doc:"How many cells are measured."`
	Of       int            `json:"of"`
	Warnings []string       `json:"warnings"`
}

// StudyCell is what one lifter's muscle did in one setup.
type StudyCell struct {
	Mean metric.Metric `json:"mean" doc:"While lifting, percent of the strongest contraction."`
	Peak metric.Metric `json:"peak"`
	Reps int           `json:"reps"`
	Day  string        `json:"day,omitempty"`
}

// StudySummary is one setup over the lifters.
type StudySummary struct {
	N    int           `json:"n"`
	Mean metric.Metric `json:"mean" doc:"Percent."`
	SD   metric.Metric `json:"sd"`
	Low  metric.Metric `json:"low" doc:"Of the confidence interval of the mean, 95 %."`
	High metric.Metric `json:"high"`
}

// StudyPair is how much more one setup makes the muscle do than another.
type StudyPair struct {
	A int `json:"a" doc:"Place of the setup."`
	B int `json:"b" doc:"Of the one that it is held against."`
	StudySummary
	Differs bool `json:"differs" doc:"Whether the interval leaves out no difference."`
}

// Table gathers a study from captures: of each lifter and setup the latest that has the muscle, in percent. Intervals are Student's
// (Student 1908, Biometrika 6:1-25); many pairs are many chances, which is told and not corrected for.
func (s *Study) Table(captures []Capture) *StudyTable {
	out := &StudyTable{Orders: s.Orders(), Cells: [][]StudyCell{}, Setups: []StudySummary{}, Pairs: []StudyPair{}, Warnings: []string{}}
	none := metric.Missing("Not measured yet.")
	var unsized int
	for _, l := range s.Lifters {
		row := make([]StudyCell, len(s.Setups))
		for k, name := range s.Setups {
			row[k] = StudyCell{Mean: none, Peak: none}
			for i := range captures {
				c := &captures[i]
				if c.LifterID != l.ID || c.Setup != name || c.Day < s.Since || c.Day < row[k].Day {
					continue
				}
				if line := c.lineOf(s.Muscle); line != nil && line.Percent {
					row[k] = StudyCell{Mean: metric.Known(*line.Mean), Peak: known(line.Peak), Reps: line.Reps, Day: c.Day}
				} else if line != nil {
					unsized++
				}
			}
			if out.Of++; row[k].Mean.Known() {
				out.Done++
			}
		}
		out.Cells = append(out.Cells, row)
	}
	for k := range s.Setups {
		out.Setups = append(out.Setups, summarised(column(out.Cells, func(row []StudyCell) metric.Metric { return row[k].Mean })))
	}
	for a := range s.Setups {
		for b := a + 1; b < len(s.Setups); b++ {
			out.Pairs = append(out.Pairs, pair(out.Cells, a, b))
		}
	}
	out.warn(s, unsized)
	return out
}

// lineOf is the line of a muscle that was measured.
func (c *Capture) lineOf(muscle string) *Line {
	for i := range c.Lines {
		if l := &c.Lines[i]; c.Muscles[l.Label] == muscle && muscle != "" && l.State != "out" && l.Mean != nil {
			return l
		}
	}
	return nil
}

func known(x *float64) metric.Metric {
	if x == nil {
		return metric.Missing("Not measured.")
	}
	return metric.Known(*x)
}

func column(cells [][]StudyCell, of func([]StudyCell) metric.Metric) []float64 {
	var out []float64
	for _, row := range cells {
		if x, ok := of(row).Get(); ok {
			out = append(out, x)
		}
	}
	return out
}

func pair(cells [][]StudyCell, a, b int) StudyPair {
	p := StudyPair{A: a, B: b, StudySummary: summarised(column(cells, func(row []StudyCell) metric.Metric {
		x, okX := row[a].Mean.Get()
		y, okY := row[b].Mean.Get()
		if !okX || !okY {
			return metric.Missing("One of them is not measured.")
		}
		return metric.Known(x - y)
	}))}
	low, ok := p.Low.Get()
	p.Differs = ok && (low > 0 || p.High.Or(0) < 0)
	return p
}

func summarised(x []float64) StudySummary {
	s := StudySummary{N: len(x)}
	if s.N == 0 {
		why := metric.Missing("Nobody was measured.")
		s.Mean, s.SD, s.Low, s.High = why, why, why, why
		return s
	}
	mean := stat.Mean(x, nil)
	s.Mean = metric.Known(mean)
	if s.N < 2 {
		why := metric.Missing("One lifter tells no spread.")
		s.SD, s.Low, s.High = why, why, why
		return s
	}
	sd := stat.StdDev(x, nil)
	t := distuv.StudentsT{Mu: 0, Sigma: 1, Nu: float64(s.N - 1)}.Quantile(0.975)
	off := t * sd / math.Sqrt(float64(s.N))
	s.SD, s.Low, s.High = metric.Known(sd), metric.Known(mean-off), metric.Known(mean+off)
	return s
}

// few is below how many lifters a study is called small (own).
const few = 8

func (t *StudyTable) warn(s *Study, unsized int) {
	if unsized > 0 {
		t.Warnings = append(t.Warnings, fmt.Sprintf("%d recordings have no strongest contraction and do not count.", unsized))
	}
	if n := len(s.Lifters); n > 0 && n < few {
		t.Warnings = append(t.Warnings, fmt.Sprintf("%d lifters are few: a difference that is not found here can still be there.", n))
	}
	if len(t.Pairs) > 3 {
		t.Warnings = append(t.Warnings, fmt.Sprintf("%d pairs are many chances: one in twenty differs by luck.", len(t.Pairs)))
	}
	if slices.ContainsFunc(t.Setups, func(x StudySummary) bool { return x.N > 0 && x.N < len(s.Lifters) }) {
		t.Warnings = append(t.Warnings, "Not every lifter did every setup, so means of setups are of different lifters; the pairs are not.")
	}
}

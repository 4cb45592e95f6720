// Package progress is what a lifter's sessions come to: how strong each setup shows them over the days, what of the plan was done, what
// every region got, where it stands still, and what all of it says of strength.
//
// Setups are held against each other by torque: what a joint can just turn against compares where pins and dumbbells do not.
package progress

import (
	"cmp"
	"math"
	"slices"
	"time"

	"dialarc/core/evaluate"
	"dialarc/core/metric"
	"dialarc/core/plan"
	"dialarc/core/reps"
	"dialarc/core/session"
	"dialarc/core/setup"
)

// Point is the best set of a setup on one day.
type Point struct {
	Date   string        `json:"date"`
	Set    string        `json:"set" doc:"Id of the set."`
	Load   float64       `json:"load" doc:"kg."`
	Reps   int           `json:"reps"`
	RIR    int           `json:"rir" doc:"4 stands for four or more."`
	Thrown bool          `json:"thrown"`
	Torque float64       `json:"torque" doc:"At the hardest place with that load, N·m."`
	Limit  metric.Metric `json:"limit" doc:"What would go once, N·m at that place."`
	Low    metric.Metric `json:"low" doc:"With one repetition fewer in it, N·m."`
	High   metric.Metric `json:"high" doc:"With one more, N·m."`
	Sets   int           `json:"sets" doc:"Sets of it on that day."`
}

// Series is one setup over the days.
type Series struct {
	Key      string         `json:"key" doc:"Id of the saved setup, or its name."`
	Name     string         `json:"name"`
	Region   string         `json:"region" doc:"What it is for."`
	Label    string         `json:"label" doc:"The same in words."`
	Joint    string         `json:"joint" doc:"Joint whose torque it is."`
	Points   []Point        `json:"points" doc:"By day."`
	Long     float64        `json:"long" doc:"Share of the target's torque in the long third of its length."`
	Rise     metric.Metric  `json:"rise" doc:"Limit of the last day over that of the first, less one."`
	Plateau  *Plateau       `json:"plateau" doc:"Null where it rises, or is too young to tell."`
	Document setup.Document `json:"document" doc:"As it was last."`
}

// Plateau is a setup whose limit has not risen beyond its band.
type Plateau struct {
	From    string   `json:"from" doc:"First of the days."`
	Limit   float64  `json:"limit" doc:"N·m."`
	Same    []string `json:"same" doc:"What did not change over them."`
	Changed []string `json:"changed" doc:"What did."`
	Thrown  int      `json:"thrown" doc:"Days on which the best set was thrown."`
}

// RegionWeek is what a region got in one week.
type RegionWeek struct {
	Week   string     `json:"week" doc:"Its Monday."`
	Sets   float64    `json:"sets" doc:"Hard sets, counted as in a plan."`
	Thirds [3]float64 `json:"thirds" doc:"While it is long, at mid length and short."`
}

// RegionWeeks is a region over the weeks.
type RegionWeeks struct {
	Region string       `json:"region"`
	Label  string       `json:"label"`
	Weeks  []RegionWeek `json:"weeks"`
}

// Kept is the plan against what was done.
type Kept struct {
	Planned  int `json:"planned" doc:"Sets planned on the days that were logged."`
	Done     int `json:"done"`
	OffLoad  int `json:"offLoad" doc:"Sets whose load was off by more than a step."`
	Thrown   int `json:"thrown"`
	Stopped  int `json:"stopped" doc:"Sets after which pain should end the exercise."`
	Sessions int `json:"sessions"`
}

// Stronger is what the best sets of the last weeks say of one action.
type Stronger struct {
	Action string           `json:"action"`
	Factor float64          `json:"factor" doc:"Times the estimate for this lifter."`
	Was    metric.Metric    `json:"was" doc:"Best torque by what is known so far, N·m."`
	Now    metric.Metric    `json:"now" doc:"By these sets, N·m."`
	Sets   []setup.KnownSet `json:"sets" doc:"As the lifter's sheet takes them."`
}

// Progress is everything that the sessions of a lifter come to.
type Progress struct {
	Series   []Series      `json:"series" doc:"What was done most lately first."`
	Regions  []RegionWeeks `json:"regions" doc:"What got most first."`
	Plan     Kept          `json:"plan"`
	Strength []Stronger    `json:"strength"`
	Pain     []Pain        `json:"pain" doc:"The latest first."`
}

// Pain is a pain that was logged.
type Pain struct {
	Date  string `json:"date"`
	Setup string `json:"setup"`
	session.Pain
}

// exposures is how many days a limit has to stand still (common practice, no source).
const exposures = 4

// lately is how far back sets say something of strength (common practice, no source).
const lately = 6 * 7 * 24 * time.Hour

// Of is what sessions come to, up to a day; the lifter is who they are now. Digests are remembered by the keeper.
func Of(k *plan.Keeper, l *setup.Lifter, sessions []session.Session, today time.Time) *Progress {
	c := collector{keeper: k, series: map[string]*Series{}, digests: map[string]*plan.Digest{}, weeks: map[string]map[string]*RegionWeek{},
		labels: map[string]string{}, pain: []Pain{}}
	slices.SortStableFunc(sessions, func(a, b session.Session) int { return cmp.Compare(a.Date, b.Date) })
	for i := range sessions {
		c.add(&sessions[i])
	}
	out := &Progress{Series: c.listed(), Regions: c.regions(), Plan: c.kept, Pain: c.pain}
	slices.Reverse(out.Pain)
	out.Strength = stronger(l, out.Series, today)
	return out
}

type collector struct {
	keeper  *plan.Keeper
	series  map[string]*Series
	digests map[string]*plan.Digest // of each series' present document
	weeks   map[string]map[string]*RegionWeek
	labels  map[string]string
	kept    Kept
	pain    []Pain
}

// add takes up one session.
func (c *collector) add(s *session.Session) {
	c.kept.Sessions++
	entries, digests := map[string]*plan.Entry{}, map[string]*plan.Digest{}
	for i := range s.Entries {
		e := &s.Entries[i]
		if d, problems := c.keeper.Of(&e.Document); len(problems) == 0 { // what cannot be evaluated any more says nothing
			entries[e.ID], digests[e.ID] = e, d
		}
	}
	planned := map[string]session.Planned{}
	for _, p := range s.Planned {
		planned[p.Entry] = p
		c.kept.Planned += p.Sets
	}
	done := map[string][]session.Set{}
	for _, x := range s.Sets {
		if x.Dropped {
			continue
		}
		c.kept.Done++
		if x.Thrown {
			c.kept.Thrown++
		}
		d, e := digests[x.Entry], entries[x.Entry]
		if x.Pain.Stops() {
			c.kept.Stopped++
		}
		if x.Pain != nil && e != nil {
			c.pain = append(c.pain, Pain{s.Date, e.Document.Name, *x.Pain})
		}
		if d == nil {
			continue
		}
		if p, ok := planned[x.Entry]; ok && p.Load > 0 && offByMore(d, p.Load, x.Load) {
			c.kept.OffLoad++
		}
		done[x.Entry] = append(done[x.Entry], x)
	}
	for i := range s.Entries { // in the order of the day
		if e := entries[s.Entries[i].ID]; e != nil && len(done[e.ID]) > 0 {
			c.count(s, e, digests[e.ID], done[e.ID])
		}
	}
}

// offByMore says whether a load is off another by more than a step of the kit.
func offByMore(d *plan.Digest, want, got float64) bool {
	step := 2.5
	for i := 1; i < len(d.Loads); i++ {
		if d.Loads[i-1] <= want && want <= d.Loads[i] {
			step = d.Loads[i] - d.Loads[i-1]
		}
	}
	return math.Abs(want-got) > 1.01*step
}

// count takes up the sets of one entry.
func (c *collector) count(s *session.Session, e *plan.Entry, d *plan.Digest, sets []session.Set) {
	key := cmp.Or(e.SetupID, e.Document.Name)
	row := c.series[key]
	if row == nil {
		row = &Series{Key: key}
		c.series[key] = row
	}
	row.Name, row.Region, row.Label, row.Joint, row.Document = d.Name, d.Target, d.Label, d.Action, e.Document
	c.digests[key] = d
	row.Long = 0
	for _, w := range d.Work {
		if w.Region == d.Target {
			row.Long = w.Thirds[0]
		}
	}
	best := Point{Date: s.Date, Sets: len(sets)}
	top := -1.0
	hard := 0
	for _, x := range sets {
		if p, value := pointOf(s.Date, d, &x); value > top {
			best, top = p, value
			best.Sets = len(sets)
		}
		if x.RIR <= reps.Hard {
			hard++
		}
	}
	row.Points = append(row.Points, best)
	c.spread(s.Date, e, d, hard)
}

// pointOf is a set as a point, and by what sets of a day are held against each other: what would go once.
func pointOf(date string, d *plan.Digest, x *session.Set) (Point, float64) {
	p := Point{Date: date, Set: x.ID, Load: x.Load, Reps: x.Reps, RIR: x.RIR, Thrown: x.Thrown, Torque: d.TorqueWith(x.Load)}
	n := float64(x.Reps + x.RIR)
	once := x.Load * reps.Once(n)
	if n > reps.Most {
		why := metric.Missing("More than 20 repetitions: no limit is estimated.")
		p.Limit, p.Low, p.High = why, why, why
		return p, 0
	}
	low, high := reps.Band(n)
	p.Limit, p.Low, p.High = metric.Known(d.TorqueWith(once)), metric.Known(d.TorqueWith(x.Load*low)), metric.Known(d.TorqueWith(x.Load*high))
	return p, once
}

// spread adds hard sets to the week of a day.
func (c *collector) spread(date string, e *plan.Entry, d *plan.Digest, sets int) {
	week := monday(date)
	if sets == 0 || week == "" {
		return
	}
	plain := *e
	plain.RIRFrom, plain.RIRTo = 0, 0 // these were hard, whatever was planned
	for _, w := range d.Work {
		n, thirds := plan.SetsOf(&plain, d, sets, 0, w.Region)
		if n == 0 {
			continue
		}
		if c.weeks[w.Region] == nil {
			c.weeks[w.Region] = map[string]*RegionWeek{}
		}
		c.labels[w.Region] = w.Label
		at := c.weeks[w.Region][week]
		if at == nil {
			at = &RegionWeek{Week: week}
			c.weeks[w.Region][week] = at
		}
		at.Sets += n
		for k := range thirds {
			at.Thirds[k] += thirds[k]
		}
	}
}

// monday is the Monday of a day's week; empty for a day that is none.
func monday(date string) string {
	at, err := time.Parse(time.DateOnly, date)
	if err != nil {
		return ""
	}
	return at.AddDate(0, 0, -(int(at.Weekday())+6)%7).Format(time.DateOnly)
}

// listed are the series, judged, what was done most lately first.
func (c *collector) listed() []Series {
	out := make([]Series, 0, len(c.series))
	for _, s := range c.series {
		s.Rise = riseOf(s.Points)
		s.Plateau = plateauOf(s.Points)
		out = append(out, *s)
	}
	slices.SortFunc(out, func(a, b Series) int {
		return cmp.Or(cmp.Compare(b.Points[len(b.Points)-1].Date, a.Points[len(a.Points)-1].Date), cmp.Compare(len(b.Points), len(a.Points)),
			cmp.Compare(a.Key, b.Key))
	})
	return out
}

// limited are the points that have a limit.
func limited(points []Point) []Point {
	return slices.DeleteFunc(slices.Clone(points), func(p Point) bool { return !p.Limit.Known() })
}

func riseOf(points []Point) metric.Metric {
	list := limited(points)
	if len(list) < 2 {
		return metric.Missing("It takes two days with sets of 20 repetitions or fewer.")
	}
	return metric.Known(list[len(list)-1].Limit.OrNaN()/list[0].Limit.OrNaN() - 1)
}

// plateauOf says whether the limit has not risen beyond the first one's band over the last days.
func plateauOf(points []Point) *Plateau {
	list := limited(points)
	if len(list) < exposures {
		return nil
	}
	last := list[len(list)-exposures:]
	first := &last[0]
	out := &Plateau{From: first.Date, Limit: last[exposures-1].Limit.OrNaN(), Same: []string{}, Changed: []string{}}
	var load, count, sets bool
	for i := range last {
		if i > 0 && last[i].Limit.OrNaN() > first.High.OrNaN() {
			return nil
		}
		load = load || last[i].Load != first.Load
		count = count || last[i].Reps != first.Reps
		sets = sets || last[i].Sets != first.Sets
		if last[i].Thrown {
			out.Thrown++
		}
	}
	for _, x := range []struct {
		word    string
		changed bool
	}{{"load", load}, {"repetitions", count}, {"sets", sets}} {
		if x.changed {
			out.Changed = append(out.Changed, x.word)
		} else {
			out.Same = append(out.Same, x.word)
		}
	}
	return out
}

// regions are what every region got, week by week without holes, what got most first.
func (c *collector) regions() []RegionWeeks {
	first, last := "", ""
	for _, weeks := range c.weeks {
		for week := range weeks {
			if first == "" || week < first {
				first = week
			}
			last = max(last, week)
		}
	}
	out := make([]RegionWeeks, 0, len(c.weeks))
	for region, weeks := range c.weeks {
		r := RegionWeeks{Region: region, Label: c.labels[region]}
		for week := first; week <= last && week != ""; week = nextWeek(week) {
			if w := weeks[week]; w != nil {
				r.Weeks = append(r.Weeks, *w)
			} else {
				r.Weeks = append(r.Weeks, RegionWeek{Week: week})
			}
		}
		out = append(out, r)
	}
	total := func(r *RegionWeeks) float64 {
		sum := 0.0
		for _, w := range r.Weeks {
			sum += w.Sets
		}
		return sum
	}
	slices.SortFunc(out, func(a, b RegionWeeks) int {
		return cmp.Or(cmp.Compare(total(&b), total(&a)), cmp.Compare(a.Region, b.Region))
	})
	return out
}

func nextWeek(week string) string {
	at, err := time.Parse(time.DateOnly, week)
	if err != nil {
		return ""
	}
	return at.AddDate(0, 0, 7).Format(time.DateOnly)
}

// stronger says for every action what the best set of each setup in the last weeks says of it: the strongest of them counts, since every
// other may have ended for another reason.
func stronger(l *setup.Lifter, series []Series, today time.Time) []Stronger {
	since := today.Add(-lately).Format(time.DateOnly)
	by := map[string]*Stronger{}
	for i := range series {
		s := &series[i]
		var best *Point
		for k := range s.Points {
			p := &s.Points[k]
			if p.Date >= since && p.Limit.Known() && !p.Thrown && (best == nil || p.Limit.OrNaN() > best.Limit.OrNaN()) {
				best = p
			}
		}
		if best == nil {
			continue
		}
		d := s.Document
		d.Lifter = *l
		action, factor, problems := evaluate.Tell(&d, best.Load, best.Reps+best.RIR)
		if len(problems) > 0 || !(factor > 0) || action == "" {
			continue
		}
		known := setup.KnownSet{Setup: s.Name, Action: action, Factor: math.Round(1000*factor) / 1000, Load: best.Load, Reps: best.Reps,
			Left: best.RIR, Date: best.Date}
		at := by[action]
		if at == nil {
			at = &Stronger{Action: action}
			by[action] = at
		}
		if factor > at.Factor {
			at.Factor = known.Factor
		}
		at.Sets = append(at.Sets, known)
	}
	was := bestBy(l, nil)
	out := make([]Stronger, 0, len(by))
	var all []setup.KnownSet
	for _, x := range by {
		all = append(all, x.Sets...)
	}
	now := bestBy(l, all)
	for _, x := range by {
		x.Was, x.Now = was[x.Action], now[x.Action]
		slices.SortFunc(x.Sets, func(a, b setup.KnownSet) int { return cmp.Compare(b.Factor, a.Factor) })
		out = append(out, *x)
	}
	slices.SortFunc(out, func(a, b Stronger) int { return cmp.Compare(a.Action, b.Action) })
	return out
}

// bestBy is the best torque of every action of a lifter, with known sets from logs in place of those that were taken over before.
func bestBy(l *setup.Lifter, sets []setup.KnownSet) map[string]metric.Metric {
	c := *l
	if sets != nil {
		c.Sets = WithLogged(l.Sets, sets)
	}
	out := map[string]metric.Metric{}
	for _, b := range evaluate.KnownOf(&c).Actions {
		out[b.Action] = b.Best
	}
	return out
}

// WithLogged are known sets with those from logs in place of the ones that were taken over before.
func WithLogged(have, logged []setup.KnownSet) []setup.KnownSet {
	out := slices.DeleteFunc(slices.Clone(have), func(s setup.KnownSet) bool { return s.Factor > 0 })
	return append(out, logged...)
}

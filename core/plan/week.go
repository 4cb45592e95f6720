package plan

import (
	"encoding/json"
	"slices"

	"dialarc/core/setup"
)

// Week is what a block comes to in one of its weeks.
type Week struct {
	Week     int        `json:"week"`
	Days     []DayTold  `json:"days"`
	Ledger   []Line     `json:"ledger" doc:"Every region that works, what is trained first."`
	Findings []Finding  `json:"findings"`
	Low      float64    `json:"low"`
	High     float64    `json:"high"`
	Sets     []SetCount `json:"sets" doc:"Sets of every week of the block."`
}

// SetCount is how many sets a week has.
type SetCount struct {
	Week   int  `json:"week"`
	Sets   int  `json:"sets"`
	Deload bool `json:"deload"`
}

// DayTold is what a day comes to.
type DayTold struct {
	Entries  []EntryTold `json:"entries"`
	Minutes  float64     `json:"minutes" doc:"How long it takes."`
	Lifting  float64     `json:"lifting" doc:"Of that under load, min."`
	Resting  float64     `json:"resting" doc:"Of that at rest, min."`
	Changing float64     `json:"changing" doc:"Of that setting up and walking, min."`
	Changes  int         `json:"changes"`
	Reasons  []string    `json:"reasons" doc:"Why each entry stands where it does."`
	Better   *Order      `json:"better" doc:"A better order; null where there is none."`
}

// EntryTold is what an entry comes to.
type EntryTold struct {
	ID      string  `json:"id"`
	Digest  Digest  `json:"digest"`
	Sets    int     `json:"sets"`
	RIRFrom int     `json:"rirFrom"`
	RIRTo   int     `json:"rirTo"`
	Loading Loading `json:"loading"`
	Torque  float64 `json:"torque" doc:"With that load at the hardest place, N·m."`
	Minutes float64 `json:"minutes"`
	Move    Move    `json:"move" doc:"What has to be set before it."`
}

// Order is another order of a day.
type Order struct {
	Order   []int    `json:"order" doc:"Places in the present order."`
	Changes int      `json:"changes"`
	Minutes float64  `json:"minutes"`
	Reasons []string `json:"reasons"`
}

// Keeper remembers the digests of setups from one question to the next. The zero value is ready; it must not be shared between goroutines.
type Keeper struct{ kept map[string]kept }

type kept struct {
	digest   Digest
	problems setup.Problems
}

// mostKept is how many setups are remembered.
const mostKept = 400

// Of is the digest of a setup, remembered by its document's text.
func (k *Keeper) Of(d *setup.Document) (*Digest, setup.Problems) {
	raw, err := json.Marshal(d)
	if err != nil { // a document that was read can be written
		panic("plan: " + err.Error())
	}
	text := string(raw)
	if found, ok := k.kept[text]; ok {
		return &found.digest, found.problems
	}
	if k.kept == nil || len(k.kept) >= mostKept {
		k.kept = map[string]kept{}
	}
	digest, problems := DigestOf(d)
	k.kept[text] = kept{digest, problems}
	return &digest, problems
}

// WeekOf is what a block that has been checked comes to in a week, from 1; last are the sets that were logged last of each entry, by its
// id.
func (k *Keeper) WeekOf(b *Block, week int, last map[string][]Done) (*Week, setup.Problems) {
	digests := map[string]*Digest{}
	for i := range b.Days {
		for j := range b.Days[i].Entries {
			e := &b.Days[i].Entries[j]
			d, problems := k.Of(&e.Document)
			if len(problems) > 0 {
				return nil, problems
			}
			digests[e.ID] = d
		}
	}
	out := &Week{Week: week, Days: make([]DayTold, len(b.Days)), Sets: []SetCount{}}
	out.Low, out.High = b.Bounds()
	for i := range b.Days {
		out.Days[i] = b.dayTold(&b.Days[i], digests, week, last)
	}
	out.Ledger, out.Findings = LedgerOf(b, digests, week)
	for w := 1; w <= b.Weeks; w++ {
		count := SetCount{Week: w, Deload: w == b.Deload}
		for i := range b.Days {
			for j := range b.Days[i].Entries {
				count.Sets += b.SetsIn(&b.Days[i].Entries[j], w)
			}
		}
		out.Sets = append(out.Sets, count)
	}
	return out, nil
}

// dayTold is what a day comes to in a week.
func (b *Block) dayTold(day *Day, digests map[string]*Digest, week int, last map[string][]Done) DayTold {
	t := DayTold{Entries: make([]EntryTold, len(day.Entries)), Reasons: []string{}}
	steps := make([]step, len(day.Entries))
	for i := range day.Entries {
		e := &day.Entries[i]
		d := digests[e.ID]
		more := b.More(week)
		x := EntryTold{ID: e.ID, Digest: *d, Sets: b.SetsIn(e, week), RIRFrom: e.RIRFrom + int(more), RIRTo: e.RIRTo + int(more),
			Loading: LoadingOf(e, d, more, last[e.ID])}
		x.Torque = d.TorqueWith(x.Loading.Load.Or(d.Load))
		lifting, resting := seconds(e, d, x.Sets)
		x.Minutes = (lifting + resting) / 60
		t.Lifting, t.Resting = t.Lifting+lifting/60, t.Resting+resting/60
		t.Entries[i] = x
		steps[i] = step{name: d.Name, d: d, load: x.Loading.Load.Or(0), lags: slices.Contains(b.Lags, d.Target), place: i}
	}
	moves := movesOf(steps)
	for i := range moves {
		t.Entries[i].Move = moves[i]
	}
	perChange := given(b.Seconds, usualSeconds) / 60
	t.Changes = changes(moves)
	t.Changing = perChange * float64(t.Changes)
	t.Minutes = t.Lifting + t.Resting + t.Changing
	t.Reasons = reasons(steps, moves)
	if better := ordered(steps); costOf(better) < costOf(steps)-1e-9 {
		moves := movesOf(better)
		o := &Order{Changes: changes(moves), Reasons: reasons(better, moves)}
		for _, s := range better {
			o.Order = append(o.Order, s.place)
		}
		o.Minutes = t.Minutes + perChange*float64(o.Changes-t.Changes)
		t.Better = o
	}
	return t
}

// seconds are those under load and at rest that the sets of an entry take; one side after the other takes twice as long under load.
func seconds(e *Entry, d *Digest, sets int) (lifting, resting float64) {
	n, _ := e.Middle()
	lifting = float64(sets) * n * d.Seconds
	if d.OneSided && e.Sides != "one" {
		lifting *= 2
	}
	return lifting, float64(sets) * e.Rest
}

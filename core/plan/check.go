package plan

import (
	"fmt"
	"time"

	"dialarc/core/rules"
	"dialarc/core/setup"
)

var (
	blockRows = setup.RowsOf[Block]()
	dayRows   = setup.RowsOf[Day]()
	entryRows = setup.RowsOf[Entry]()
)

// Parse reads a block and checks it. On problems it holds whatever could be read.
func Parse(raw []byte) (Block, setup.Problems) {
	b, problems := setup.Decode[Block](raw, "block", "100 kB")
	if len(problems) > 0 {
		return b, problems
	}
	return b, Validate(&b)
}

// Validate says what is wrong with a block, its setups included.
func Validate(b *Block) setup.Problems {
	v := &setup.Checks{}
	if !v.OneOf("schema", "schema", b.Schema, Schema) {
		return v.Found
	}
	if b.Name == "" {
		v.Add("name", "The block has no name.", "", "Give it one.")
	}
	v.Name("name", b.Name)
	Date(v, "start", "first day", b.Start)
	v.Field(blockRows, "weeks", "number of weeks", float64(b.Weeks), "", "")
	if b.Deload < 0 || b.Deload > max(b.Weeks, 0) {
		v.Add("deload", fmt.Sprintf("The deload is in week %d of %d.", b.Deload, b.Weeks), "", "Give a week of the block, or 0 for none.")
	}
	for path, x := range map[string]*float64{"low": b.Low, "high": b.High, "seconds": b.Seconds} {
		if x != nil {
			v.Field(blockRows, path, map[string]string{"low": "least number of hard sets", "high": "largest number of hard sets",
				"seconds": "time for a change"}[path], *x, "", "")
		}
	}
	if low, high := b.Bounds(); low > high {
		v.Add("low", "The least number of hard sets is larger than the largest.", "", "Swap them.")
	}
	for i, key := range b.Lags {
		if _, known := setup.RegionOf(key); !known {
			v.Add(fmt.Sprintf("lags[%d]", i), fmt.Sprintf("There is no region %q.", setup.Clip(key)), "", "Give the key of a region.")
		}
	}
	if v.Count(blockRows, "days", "days", len(b.Days), "A week has no room for more.") {
		seen := map[string]string{}
		for i := range b.Days {
			checkDay(v, fmt.Sprintf("days[%d]", i), &b.Days[i], seen)
		}
	}
	return v.Found
}

// Date checks a day of the calendar, like 2026-11-30.
func Date(v *setup.Checks, path, label, day string) (time.Time, bool) {
	at, err := time.Parse(time.DateOnly, day)
	if err != nil {
		v.Add(path, fmt.Sprintf("The %s is %q.", label, setup.Clip(day)), "", "Give a day like 2026-11-30.")
	}
	return at, err == nil
}

func checkDay(v *setup.Checks, path string, d *Day, seen map[string]string) {
	if d.Name == "" {
		v.Add(path+".name", "The day has no name.", "", "Give it one, like A.")
	}
	v.Field(dayRows, path+".weekday", "weekday", float64(d.Weekday), "", "1 is Monday, 7 is Sunday, 0 is any.")
	if !v.Count(dayRows, path+".entries", "exercises", len(d.Entries), "") {
		return
	}
	for i := range d.Entries {
		e := &d.Entries[i]
		at := fmt.Sprintf("%s.entries[%d]", path, i)
		if other, twice := seen[e.ID]; e.ID == "" || twice {
			v.Add(at+".id", "The entry has the id of "+other+", or none.", "Logged sets name it.", "Give it an id of its own.")
		}
		seen[e.ID] = at
		checkEntry(v, at, e)
	}
}

func checkEntry(v *setup.Checks, at string, e *Entry) {
	v.Field(entryRows, at+".sets", "number of sets", float64(e.Sets), "", "")
	for _, r := range []struct {
		field, label string
		from, to     int
	}{{"reps", "repetitions", e.RepsFrom, e.RepsTo}, {"rir", "repetitions in reserve", e.RIRFrom, e.RIRTo}} {
		ok := v.Field(entryRows, at+"."+r.field+"From", "fewest "+r.label, float64(r.from), "", "")
		ok = v.Field(entryRows, at+"."+r.field+"To", "most "+r.label, float64(r.to), "", "") && ok
		if ok && r.from > r.to {
			v.Add(at+"."+r.field+"From", fmt.Sprintf("From %d to %d %s.", r.from, r.to, r.label), "", "Swap them.")
		}
	}
	v.Field(entryRows, at+".rest", "rest", e.Rest, "s", "")
	v.OneOf(at+".sides", "way of the sides", e.Sides, "", "alternating", "one")
	v.OneOf(at+".method", "method", e.Method, "", "longPartials", "restPause", "drop", "partials")
	v.OneOf(at+".loadBy", "way to set the load", e.LoadBy, "", "load", "percent")
	v.OneOf(at+".progression", "progression", e.Progression, "", "load", "none")
	switch e.LoadBy {
	case "load":
		if !(e.Load > 0) {
			v.Add(at+".load", "The load is missing.", "It is set by hand.", "Give kilograms, or let the reserve set it.")
		}
		v.Field(entryRows, at+".load", "load", e.Load, "kg", "")
	case "percent":
		if !(e.Percent > 0) {
			v.Add(at+".percent", "The share of what goes once is missing.", "", "Give percent, like 70.")
		}
		v.Field(entryRows, at+".percent", "share of what goes once", e.Percent, "%", "")
	}
	if n := len([]rune(e.Note)); n > 400 {
		v.Add(at+".note", fmt.Sprintf("The note has %d characters.", n), "", "Keep it to 400.")
	}
	for _, p := range rules.Validate(&e.Document) {
		p.Path = at + ".document." + p.Path
		v.Found = append(v.Found, p)
	}
}

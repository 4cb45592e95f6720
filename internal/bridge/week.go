package bridge

import (
	"encoding/json"
	"slices"
	"strings"

	"dialarc/core/catalogue"
	"dialarc/core/edits"
	"dialarc/core/kit"
	"dialarc/core/plan"
	"dialarc/core/session"
	"dialarc/core/setup"
)

func block(text string) (plan.Block, setup.Problems) { return plan.Parse([]byte(text)) }

// Table is a plan as comma-separated values.
type Table struct {
	Text string `json:"text"`
}

func blockTable(text string) (*Table, setup.Problems) {
	b, problems := plan.Parse([]byte(text))
	if len(problems) > 0 {
		return nil, problems
	}
	table, err := plan.WriteTable(&b)
	if err != nil {
		return nil, setup.Problems{{What: "The table cannot be written: " + err.Error() + "."}}
	}
	return &Table{table}, nil
}

// Saved is a setup of a lifter, as the page knows it.
type Saved struct {
	ID       string         `json:"id"`
	Version  int            `json:"version"`
	Document setup.Document `json:"document"`
}

// blockDays looks for the exercises of a table among the lifter's own setups first and then in the library.
func blockDays(table string, l *setup.Lifter, saved string) ([]plan.Day, setup.Problems) {
	var own []Saved
	if err := json.Unmarshal([]byte(saved), &own); err != nil {
		return nil, setup.Problems{{Path: "saved", What: "The setups cannot be read: " + err.Error() + "."}}
	}
	ready := catalogue.All(l)
	return plan.ReadTable(table, func(name string) (plan.Entry, bool) {
		is := func(d *setup.Document) bool { return strings.EqualFold(d.Name, strings.TrimSpace(name)) }
		if i := slices.IndexFunc(own, func(s Saved) bool { return is(&s.Document) }); i >= 0 {
			e := plan.NewEntry(&own[i].Document)
			e.SetupID, e.SetupVersion = own[i].ID, own[i].Version
			return e, true
		}
		if i := slices.IndexFunc(ready, func(r catalogue.Ready) bool { return is(&r.Document) }); i >= 0 {
			return plan.NewEntry(&ready[i].Document), true
		}
		return plan.Entry{}, false
	})
}

// week judges a block that may have problems as long as its setups have none.
func (c *Core) week(text string, week int, last string) (*plan.Week, setup.Problems) {
	var done map[string][]plan.Done
	if err := json.Unmarshal([]byte(last), &done); err != nil {
		return nil, setup.Problems{{Path: "last", What: "The sets cannot be read: " + err.Error() + "."}}
	}
	b, problems := plan.Parse([]byte(text))
	if len(problems) > 0 {
		return nil, problems
	}
	return c.keeper.WeekOf(&b, week, done)
}

func (c *Core) digest(d *setup.Document) (*plan.Digest, setup.Problems) {
	return c.keeper.Of(d)
}

// Next is what comes after sets, when anything does.
type Next struct {
	Proposal *plan.Proposal `json:"proposal" doc:"Null where nothing can be said."`
}

func (c *Core) nextLoad(entry, sets string) (*Next, setup.Problems) {
	var e plan.Entry
	var done []plan.Done
	if err := json.Unmarshal([]byte(entry), &e); err != nil {
		return nil, setup.Problems{{Path: "entry", What: "The entry cannot be read: " + err.Error() + "."}}
	}
	if err := json.Unmarshal([]byte(sets), &done); err != nil {
		return nil, setup.Problems{{Path: "sets", What: "The sets cannot be read: " + err.Error() + "."}}
	}
	d, problems := c.digest(&e.Document)
	if len(problems) > 0 {
		return nil, problems
	}
	if p, ok := plan.Next(&e, d, done); ok {
		return &Next{&p}, nil
	}
	return &Next{}, nil
}

func (c *Core) fillers(l *setup.Lifter, r *kit.Room, id, region string, third int, progress Progress) ([]plan.Filler, setup.Problems) {
	return c.keeper.Fillers(edits.ReadyIn(l, r, id), region, third, progress)
}

func (c *Core) instead(d *setup.Document, l *setup.Lifter, r *kit.Room, id, joint string) ([]plan.Swap, setup.Problems) {
	return c.keeper.Instead(d, edits.ReadyIn(l, r, id), joint)
}

// mergeSessions brings two states of a session together, as the server does.
func mergeSessions(a, b string) (session.Session, setup.Problems) {
	one, problems := session.Parse([]byte(a))
	other, more := session.Parse([]byte(b))
	if problems = append(problems, more...); len(problems) > 0 {
		return one, problems
	}
	return session.Merge(&one, &other), nil
}

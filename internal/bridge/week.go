package bridge

import (
	"encoding/json"

	"dialarc/core/edits"
	"dialarc/core/kit"
	"dialarc/core/plan"
	"dialarc/core/session"
	"dialarc/core/setup"
)

func block(text string) (plan.Block, setup.Problems) { return plan.Parse([]byte(text)) }

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

package dialin

import "dialarc/core/setup"

// Goal says what a search may turn and what it looks for. Zero values stand for the usual ones.
type Goal struct {
	Free    []string `json:"free" doc:"Keys of the settings that may be turned; all others are locked."`
	LineUp  *float64 `json:"lineUp,omitempty" doc:"Points of match that a pull wholly beside the plane of the path costs; 40 unless given." minimum:"0" maximum:"200"`
	Look    *float64 `json:"look,omitempty" doc:"Points that it costs when the start is barely under tension or a strand runs close; 3 each unless given." minimum:"0" maximum:"100"`
	Change  *float64 `json:"change,omitempty" doc:"Points that each changed setting has to bring; 0.3 unless given." minimum:"0" maximum:"100"`
	Touchy  *float64 `json:"touchy,omitempty" doc:"Share of what the worst single step off would cost that counts against an answer; 0.25 unless given." minimum:"0" maximum:"1"`
	Seed    uint64   `json:"seed,omitempty" doc:"The same seed gives the same answers."`
	Budget  int      `json:"budget,omitempty" doc:"How many setups are looked at before the best are refined; 600 unless given. The refining looks at as many more, or 4000, at most." minimum:"10" maximum:"100000"`
	Answers int      `json:"answers,omitempty" doc:"How many answers at most; 3 unless given." minimum:"1" maximum:"10"`
}

// Usual values of a goal (own).
const (
	usualLineUp  = 40.0
	usualLook    = 3.0
	usualChange  = 0.3
	usualTouchy  = 0.25
	usualBudget  = 600
	usualAnswers = 3
)

// usual are the settings that a search turns unless told otherwise: what a coach can change between two sets.
var usual = []string{"pulley.height", "stance.out", "path.plane", "bench.angle", "strap", "cuff", "band.height"}

// Found is one answer of a search.
type Found struct {
	Document setup.Document `json:"document"`
	Match    float64        `json:"match" doc:"0 to 100."`
	Score    float64        `json:"score" doc:"The match less what the pull beside the plane and a start or strand that could be better cost; what the search looked for."`
	OffAxis  float64        `json:"offAxis" doc:"Share of the loads' torque that is beside the axis."`
	Effort   float64        `json:"effort" doc:"Largest torque over capacity, the load held."`
	Drop     float64        `json:"drop" doc:"Points of score that the worst single step of one setting would cost."`
	Touchy   bool           `json:"touchy" doc:"Whether a small error of setting would spoil it."`
	Changes  []Changed      `json:"changes" doc:"From the setup as it was, one setting at a time, the most useful first; the gains add up to the whole."`
}

// Changed is one setting of an answer that differs from the setup as it was.
type Changed struct {
	Key   string  `json:"key"`
	Label string  `json:"label"`
	Kind  string  `json:"kind"`
	From  float64 `json:"from"`
	To    float64 `json:"to"`
	Gain  float64 `json:"gain" doc:"Points of score that this change brings, those before it made."`
}

// Search is what a search came to.
type Search struct {
	Before  *Found  `json:"before" doc:"The setup as it was, without changes; null when it cannot be used as it is."`
	Answers []Found `json:"answers" doc:"The best first, different from each other and better than the setup as it was."`
	Looked  int     `json:"looked" doc:"How many different setups were evaluated."`
	Why     string  `json:"why,omitempty" doc:"Why there is no answer."`
}

const (
	refined    = 8    // how many of the best starts are refined (own)
	different  = 0.12 // share of a dial's track by which answers differ at least (own)
	touchyDrop = 8.0  // points that a single step may cost before an answer is touchy (own)
	worth      = 1.0  // points of score that an answer has to gain (own)
)

// weights are what a search looks for, beside the match.
type weights struct{ lineUp, look, change, touchy float64 }

// weightsOf are those of a goal. What is not within its bounds is a problem.
func weightsOf(g *Goal) (weights, setup.Problems) {
	w := weights{usualLineUp, usualLook, usualChange, usualTouchy}
	v := &setup.Checks{}
	for _, x := range []struct {
		path, label string
		given, to   *float64
		most        float64
	}{
		{"lineUp", "weight of what goes out of plane", g.LineUp, &w.lineUp, 200}, {"look", "weight of start and clearance", g.Look, &w.look, 100},
		{"change", "gain that a change has to bring", g.Change, &w.change, 100}, {"touchy", "weight of sensitivity", g.Touchy, &w.touchy, 1},
	} {
		if x.given != nil && v.Within(x.path, x.label, *x.given, 0, x.most, "", "") {
			*x.to = *x.given
		}
	}
	if g.Budget != 0 {
		v.Within("budget", "number of setups to look at", float64(g.Budget), leastBudget, mostBudget, "", "")
	}
	if g.Answers != 0 {
		v.Within("answers", "number of answers", float64(g.Answers), 1, mostAnswers, "", "")
	}
	return w, v.Found
}

// Bounds of what a search may be asked for, as its goal's description has them.
const (
	leastBudget = 10
	mostBudget  = 100000
	mostAnswers = 10
)

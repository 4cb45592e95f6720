package dialin

import (
	"dialarc/core/dial"
	"dialarc/core/metric"
	"dialarc/core/setup"
)

// Goal says what a search may turn and what it looks for beside the document's score. Zero values stand for the usual ones.
type Goal struct {
	Free        []string `json:"free" doc:"Keys of the settings that may be turned; all others are locked."`
	Aims        []Aim    `json:"aims,omitempty" doc:"What it looks for beside the score." maxItems:"6"`
	MostChanges int      `json:"mostChanges,omitempty" doc:"How many settings an answer may change at most; any number unless given." minimum:"0" maximum:"20"`
	Change      *float64 `json:"change,omitempty" doc:"Points that each changed setting has to bring; 0.3 unless given." minimum:"0" maximum:"100"`
	Sensitive   *float64 `json:"sensitive,omitempty" doc:"Share of what the worst single step off would cost that counts against an answer; 0.25 unless given." minimum:"0" maximum:"1"`
	Seed        uint64   `json:"seed,omitempty" doc:"The same seed gives the same answers."`
	Budget      int      `json:"budget,omitempty" doc:"How many setups are looked at before the best are refined; 300 unless given. The refining looks at three times as many more, or 400, at most." minimum:"10" maximum:"100000"`
	Answers     int      `json:"answers,omitempty" doc:"How many answers at most; 5 unless given." minimum:"1" maximum:"10"`
}

// Usual values of a goal (own).
const (
	usualChange    = 0.3
	usualSensitive = 0.25
	usualBudget    = 300
	usualAnswers   = 5
)

// usual are the settings that a search turns unless told otherwise: what a coach can change between two sets.
var usual = []dial.Name{dial.PulleyHeight, dial.StanceOut, dial.PathPlane, dial.BenchAngle, dial.Strap, dial.Cuff,
	dial.BandHeight, dial.SledFeet,
	dial.FeetOut, dial.FrontShare}

// main are the settings that say what an exercise is: how heavy, from where, along which path, how far (own).
var main = []dial.Name{dial.LoadStack, dial.LoadMass, dial.LeverPlates, dial.SledPlates, dial.SledFeet, dial.AssistStack,
	dial.BandPull, dial.PulleyHeight, dial.BandHeight, dial.StanceOut,
	dial.BenchAngle, dial.FrontShare, dial.FeetOut, dial.TrunkLean, dial.PathPlane, dial.HoldPlane, dial.GripWidth, dial.GuideSwivel,
	dial.GuideTravel, dial.GuideTurn,
	dial.PoseFrom,
	dial.PoseTo, dial.RangeFrom, dial.RangeTo}

// Found is one answer of a search.
type Found struct {
	Titles    []string       `json:"titles" doc:"What it is among the answers." enum:"best,bestFit,bestTarget,robust,oneChange,twoChanges,other"`
	Document  setup.Document `json:"document"`
	Score     float64        `json:"score" doc:"0 to 100."`
	Points    Points         `json:"points" doc:"What that is made up of."`
	Fit       float64        `json:"fit" doc:"Fit to the target profile, 0 to 100."`
	Target    metric.Metric  `json:"target" doc:"The target's mean contribution, 0 to 1."`
	Range     float64        `json:"range" doc:"Share of the range before that it keeps."`
	Effort    float64        `json:"effort" doc:"Largest torque over capacity, the load held."`
	Drop      float64        `json:"drop" doc:"Points of score that the worst single step of one setting would cost."`
	DropOf    string         `json:"dropOf" doc:"The label of that setting; empty where no step costs anything."`
	Tape      float64        `json:"tape" doc:"Points that it costs when the lifter's arm is 2 cm longer or shorter than the tape says, the worse of both."`
	Sensitive bool           `json:"sensitive" doc:"Whether a small error of setting would spoil it."`
	Changes   []Changed      `json:"changes" doc:"From the setup as it was, one setting at a time, the most useful first; the gains add up to the whole."`
	Steps     float64        `json:"steps" doc:"How many holes, notches and steps of dials that is in all."`
}

// Changed is one setting of an answer that differs from the setup as it was.
type Changed struct {
	Key   string  `json:"key"`
	Label string  `json:"label"`
	Kind  string  `json:"kind"`
	From  float64 `json:"from"`
	To    float64 `json:"to"`
	Steps float64 `json:"steps" doc:"Holes, notches or steps of the dial away."`
	Gain  float64 `json:"gain" doc:"Points of score that this change brings, those before it made."`
}

// Point is one of the best setups that can be had: none has both a better fit and more of the target.
type Point struct {
	Document setup.Document `json:"document"`
	Score    float64        `json:"score"`
	Fit      float64        `json:"fit"`
	Target   float64        `json:"target" doc:"The target's mean contribution, 0 to 1."`
	Changes  int            `json:"changes" doc:"How many settings it changes."`
}

// Search is what a search came to.
type Search struct {
	Before  *Found  `json:"before" doc:"The setup as it was, without changes; null when it cannot be used as it is."`
	Answers []Found `json:"answers" doc:"The best first, different from each other and better than the setup as it was."`
	Front   []Point `json:"front" doc:"Fit against the target's contribution: the best that can be had, by rising fit; empty where the contribution is not known."`
	Looked  int     `json:"looked" doc:"How many different setups were evaluated."`
	Why     string  `json:"why,omitempty" doc:"Why there is no answer."`
}

const (
	refined       = 6    // how many of the best starts are refined (own)
	different     = 0.12 // share of a dial's track by which answers differ at least (own)
	sensitiveDrop = 8.0  // points that a single step may cost before an answer is sensitive (own)
	worth         = 1.0  // points of score that an answer has to gain (own)
)

// Bounds of what a search may be asked for, as its goal's description has them.
var goalRows = setup.RowsOf[Goal]()

// checked is a goal with its usual values, or what is wrong with it.
func (g Goal) checked() (Goal, setup.Problems) {
	v := &setup.Checks{}
	points := func(path, label string, given **float64, usual float64) {
		if *given == nil {
			*given = &usual
			return
		}
		v.Field(goalRows, path, label, **given, "", "")
	}
	points("change", "gain that a change has to bring", &g.Change, usualChange)
	points("sensitive", "weight of sensitivity", &g.Sensitive, usualSensitive)
	whole := func(path, label string, given *int, usual int) {
		if *given == 0 {
			*given = usual
			return
		}
		v.Field(goalRows, path, label, float64(*given), "", "")
	}
	whole("budget", "number of setups to look at", &g.Budget, usualBudget)
	whole("answers", "number of answers", &g.Answers, usualAnswers)
	whole("mostChanges", "number of changes", &g.MostChanges, 0)
	v.Count(goalRows, "aims", "aims", len(g.Aims), "")
	if len(v.Found) > 0 {
		return g, v.Found
	}
	g.Aims = append([]Aim{}, g.Aims...)
	return g, aimProblems(g.Aims)
}

package verdict

import "dialarc/core/metric"

// BraceInput is what Brace speaks of.
type BraceInput struct {
	Holds       bool
	How         string        // dragged, lifted, tips
	TowardDeg   float64       // from the heading to the right
	AtDeg       float64       // named coordinate
	Margin      metric.Metric // m; missing when more than the floor carries
	Friction    metric.Metric // share of the usual; missing when none would do
	Bench       string        // slides or tips; empty when it stays
	BenchWeight metric.Metric // kg

	On               string  // what the lifter is on: feet, balls of the feet, knees, seat, bench or floor
	BearsWhat        string  // what else has to hold more than it can be asked to: hand, strap, thighPad or footPlate; empty for nothing
	Bears, BearLimit float64 // N
}

// slips says what gives where a lifter is dragged off what he is on, and grips what has to hold.
var (
	slips = map[string]string{"feet": "the soles would slip", "balls": "the balls of the feet would slip", "knees": "the knees would slip", "seat": "the lifter would slide on the seat",
		"bench": "the lifter would slide on the bench", "floor": "the lifter would slide on the floor"}
	grips = map[string]string{"feet": "of the soles' usual grip", "balls": "of the soles' usual grip", "knees": "of the usual grip of the knees",
		"seat": "of the usual grip of a seat", "bench": "of the usual grip of a bench", "floor": "of the usual grip of the floor"}
)

// bearers are what else holds a lifter, in words, and what to do when it is too much.
var bearers = map[string]string{
	"hand":      "the free hand has to hold {bears}, more than its {limit}: step closer, or brace with the feet",
	"strap":     "the strap has to hold {bears}, more than the lifter weighs: go lighter, or use another seat",
	"thighPad":  "the thigh pad has to hold {bears}, more than the lifter weighs: go lighter",
	"footPlate": "the foot plate has to hold {bears}, more than three times what the lifter weighs: go lighter",
}

// farOutside is beyond which the place where the ground would have to push is no number to tell, m (own).
const farOutside = 1.0

// Margins below which a stance is called shaky, m, and above which a share of the friction is called slippery (own).
const (
	shaky    = 0.03
	slippery = 0.8
)

// Brace says whether the lifter and the bench stay where they are.
func Brace(in BraceInput) Sentence {
	s := Sentence{Key: "stability", Tone: OK, Values: map[string]Quantity{"at": {in.AtDeg, "angle"}}}
	way := Direction(in.TowardDeg)
	margin, byFeet := in.Margin.Get()
	friction, rubs := in.Friction.Get()
	switch {
	case !in.Holds && in.How == "lifted":
		s.Tone, s.Text = Error, "The pull lifts the lifter out of position at {at}."
	case !in.Holds && in.How == "dragged":
		s.Tone, s.Text = Error, "The pull drags the lifter "+way+" at {at}: "+slips[in.On]+"."
	case !in.Holds:
		s.Tone, s.Text = Error, "The lifter tips "+way+" at {at}."
		if byFeet && margin < 0 && margin > -farOutside {
			s.Values["over"] = Quantity{-margin, "length"}
			s.Text = "The lifter tips " + way + " at {at}: the centre of pressure would have to be {over} outside the feet."
		}
	case in.Bench != "":
		s.Tone, s.Text = Error, "The lifter is stable, but the bench "+in.Bench+" at {at}."
		if weight, ok := in.BenchWeight.Get(); ok {
			s.Values["weight"] = Quantity{weight, "mass"}
			s.Text = "The lifter is stable, but the bench " + in.Bench + " at {at}: put {weight} on its foot."
		}
	case in.BearsWhat != "":
		s.Values["bears"], s.Values["limit"] = Quantity{in.Bears, "force"}, Quantity{in.BearLimit, "force"}
		s.Tone, s.Text = Warning, "Stable, but "+bearers[in.BearsWhat]+"."
	case byFeet && margin < edgeOf(in.On):
		s.Values["margin"] = Quantity{margin, "length"}
		s.Tone, s.Text = Warning, "Stable, but only just at {at}: {margin} from the edge of the feet."
	case rubs && friction > slippery:
		s.Values["friction"] = percent(friction)
		s.Tone, s.Text = Warning, "Stable, but it takes {friction} "+grips[in.On]+" at {at}."
	case byFeet:
		s.Values["margin"] = Quantity{margin, "length"}
		s.Text = "Stable throughout, at worst {margin} from the edge of the feet."
	default:
		s.Text = "Stable throughout."
	}
	return s
}

// edgeOf is the margin below which a stance is called shaky, m: on the balls of the feet there is not that much to begin with.
func edgeOf(on string) float64 {
	if on == "balls" {
		return shaky / 3
	}
	return shaky
}

// Direction puts an angle from the heading to the right into words.
func Direction(deg float64) string {
	names := []string{"forward", "forward and to the right", "to the right", "back and to the right", "back", "back and to the left",
		"to the left", "forward and to the left"}
	k := int((deg+360+22.5)/45) % 8
	return names[k]
}

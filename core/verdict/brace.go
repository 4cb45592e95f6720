package verdict

// BraceInput is what Brace speaks of.
type BraceInput struct {
	Holds       bool
	How         string   // dragged, lifted, tips
	TowardDeg   float64  // from the heading to the right
	AtDeg       float64  // named coordinate
	Margin      *float64 // m; nil when more than the floor carries
	Friction    *float64 // share of the usual; nil when none would do
	Bench       string   // slides or tips; empty when it stays
	BenchWeight *float64 // kg
}

// Margins below which a stance is called shaky, m, and above which a share of the friction is called slippery (own).
const (
	shaky    = 0.03
	slippery = 0.8
)

// Brace says whether the lifter and the bench stay where they are.
func Brace(in BraceInput) Sentence {
	s := Sentence{Key: "brace", Tone: Good, Values: map[string]Quantity{"at": {in.AtDeg, "angle"}}}
	way := Direction(in.TowardDeg)
	switch {
	case !in.Holds && in.How == "lifted":
		s.Tone, s.Text = Stop, "The pull lifts the lifter off at {at}."
	case !in.Holds && in.How == "dragged":
		s.Tone, s.Text = Stop, "The pull drags the lifter "+way+" at {at}: the soles would slip."
	case !in.Holds:
		s.Tone, s.Text = Stop, "The lifter tips "+way+" at {at}."
		if in.Margin != nil && *in.Margin < 0 {
			s.Values["over"] = Quantity{-*in.Margin, "length"}
			s.Text = "The lifter tips " + way + " at {at}: the pressure would have to be {over} outside the feet."
		}
	case in.Bench != "":
		s.Tone, s.Text = Stop, "The lifter is held, but the bench "+in.Bench+" at {at}."
		if in.BenchWeight != nil {
			s.Values["weight"] = Quantity{*in.BenchWeight, "mass"}
			s.Text = "The lifter is held, but the bench " + in.Bench + " at {at}: lay {weight} on its foot."
		}
	case in.Margin != nil && *in.Margin < shaky:
		s.Values["margin"] = Quantity{*in.Margin, "length"}
		s.Tone, s.Text = Look, "Held, but shaky at {at}: {margin} from the edge of the feet."
	case in.Friction != nil && *in.Friction > slippery:
		s.Values["friction"] = percent(*in.Friction)
		s.Tone, s.Text = Look, "Held, but it takes {friction} of the soles' usual grip at {at}."
	case in.Margin != nil:
		s.Values["margin"] = Quantity{*in.Margin, "length"}
		s.Text = "Held all the way, at worst {margin} from the edge of the feet."
	default:
		s.Text = "Held all the way."
	}
	return s
}

// Direction puts an angle from the heading to the right into words.
func Direction(deg float64) string {
	names := []string{"forward", "forward and to the right", "to the right", "back and to the right", "back", "back and to the left", "to the left", "forward and to the left"}
	k := int((deg+360+22.5)/45) % 8
	return names[k]
}

package setup

// What a hand holds against gravity alone.
var (
	dumbbell = Kind{Name: Dumbbell, With: "with dumbbells", Counted: "each dumbbell", Needs: "dumbbell", Holds: []string{"hand", "wrist", "ankle"}, Simple: true,
		Mass: freeMass, Scale: scaleFree, AtHand: freeAtHand, Complete: func(l *Load, mass, _ float64) { l.Mass = mass }, Check: checkFree}
	bar = Kind{Name: Bar, With: "with a bar", Counted: "the whole bar", Needs: "bar", Holds: []string{"hand", "shoulders"}, OneThing: true,
		Mass: freeMass, Scale: scaleFree, AtHand: freeAtHand, Check: checkFree}
	ownBody = Kind{Name: OwnBody, With: "with body weight", Scale: func(*Load, float64) {}, AtHand: freeAtHand}
)

func freeMass(l *Load) *float64         { return &l.Mass }
func scaleFree(l *Load, factor float64) { l.Mass *= factor }
func freeAtHand(l *Load) float64        { return l.Mass }
func checkFree(v *Checks, path string, l *Load) {
	v.Field(loadRows, path+".mass", string(l.Kind)+"'s mass", l.Mass, "kg", "A weight of nothing asks nothing of the muscle.")
}

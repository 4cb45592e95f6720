package setup

// LoadKind names a kind of load.
type LoadKind string

// The kinds of load. What is true of each stands in a file of its own in core/load.
const (
	Dumbbell   LoadKind = "dumbbell"
	Bar        LoadKind = "bar"
	Cable      LoadKind = "cable"
	Rope       LoadKind = "rope" // two strands of rope on one cable, one in each hand
	Band       LoadKind = "band"
	Cam        LoadKind = "cam"        // a machine with a pad on an arm that a cam loads
	Lever      LoadKind = "lever"      // a machine's handle about an axis, or a bar with one end in a corner
	Sled       LoadKind = "sled"       // a plate on rails that the feet push
	Assist     LoadKind = "assist"     // a platform under the knees that takes weight off
	Bodyweight LoadKind = "bodyweight" // the lifter's own weight counted as the load
)

// Package setup defines the setup document, the one thing that every part of the program speaks: who lifts, how they
// stand, how they move, what pulls on them and what it is meant for. The Go types are its definition; JSON Schema,
// the OpenAPI description and the TypeScript types are generated from them.
//
// All values are SI (m, kg, s); angles are in degrees and carry the suffix Deg in their JSON name. Geometry is
// explicit, so that a document evaluates the same on any machine; the kit it was taken from is remembered beside it.
package setup

// Schema is the version that this program writes and the newest that it reads.
const Schema = "dialarc.setup/1"

// Document is one setup for one lifter.
type Document struct {
	Schema   string   `json:"schema" doc:"Document version." example:"dialarc.setup/1"`
	Name     string   `json:"name" doc:"What the coach calls it."`
	Target   Target   `json:"target" doc:"What the setup is for."`
	Lifter   Lifter   `json:"lifter" doc:"Who lifts: a copy, so that the document stands on its own."`
	Posture  Posture  `json:"posture" doc:"How and where the lifter stands."`
	Bench    *Bench   `json:"bench" required:"false" doc:"The bench, or null."`
	Movement Movement `json:"movement" doc:"The path of one repetition, in the direction of lifting."`
	Loads    []Load   `json:"loads" doc:"What pulls; any number at once."`
	Tempo    Tempo    `json:"tempo" doc:"Seconds of each phase."`
	Samples  int      `json:"samples,omitempty" doc:"Points along the path, 101 unless given." minimum:"5" maximum:"1001"`
}

// Target names the region to train, the school that judges the profile, and the joint that owns the profile.
type Target struct {
	Region string    `json:"region" doc:"Key of the muscle region." example:"deltoid.middle"`
	School string    `json:"school" doc:"What the profile should look like." enum:"match,early,even,late,overload,custom"`
	Joint  string    `json:"joint,omitempty" doc:"The joint whose torque is profiled; the one the region crosses unless given."`
	Custom []float64 `json:"custom,omitempty" doc:"Five relative torques from the long end to the short end, for the school custom."`
}

// Lifter is a body: stature and mass, and whatever the tape said that differs from the usual proportions.
type Lifter struct {
	Stature        float64            `json:"stature" doc:"Standing height, m." minimum:"1" maximum:"2.4"`
	Mass           float64            `json:"mass" doc:"Body mass, kg." minimum:"25" maximum:"300"`
	Lengths        map[string]float64 `json:"lengths,omitempty" doc:"Measured lengths in m that replace the fraction of stature; keys as in the format's description."`
	NaturalPathDeg float64            `json:"naturalPathDeg,omitempty" doc:"How far out the arms track by themselves, degrees."`
	Ranges         map[string]Range   `json:"ranges,omitempty" doc:"Range owned at a joint coordinate, keyed like shoulder.elevation."`
	Strength       []StrengthTest     `json:"strength,omitempty" doc:"Isometric tests."`
}

// Range is what the lifter owns of one joint coordinate, degrees.
type Range struct {
	FromDeg float64 `json:"fromDeg" doc:"Least angle, degrees."`
	ToDeg   float64 `json:"toDeg" doc:"Largest angle, degrees."`
	Pain    string  `json:"pain,omitempty" doc:"Where in it something hurts, in the coach's words."`
}

// StrengthTest is one isometric measurement of a joint action.
type StrengthTest struct {
	Action   string  `json:"action" doc:"Joint action." enum:"shoulder.abduction,shoulder.flexion"`
	AngleDeg float64 `json:"angleDeg" doc:"Joint angle of the test, degrees."`
	Torque   float64 `json:"torque" doc:"Largest torque held, N·m."`
}

// Posture places the lifter in the room: origin on the floor midway between the columns, X away from the station.
type Posture struct {
	Kind       string  `json:"kind" doc:"Posture." enum:"standing"`
	Root       string  `json:"root,omitempty" doc:"What stays in place." enum:"feet"`
	X          float64 `json:"x" doc:"Mid-hip, distance out from the columns, m." minimum:"-4" maximum:"4"`
	Z          float64 `json:"z,omitempty" doc:"Mid-hip, to the right of the middle, m." minimum:"-4" maximum:"4"`
	HeadingDeg float64 `json:"headingDeg,omitempty" doc:"0 faces away from the station, 90 is a turn to the left, degrees." minimum:"-360" maximum:"360"`
	Feet       string  `json:"feet,omitempty" doc:"Stance." enum:"parallel"`
	FeetApart  float64 `json:"feetApart,omitempty" doc:"Between the ankles' middles, m." minimum:"0" maximum:"1.2"`
	Trunk      Trunk   `json:"trunk,omitempty" doc:"Lean of pelvis and trunk together about mid-hip."`
}

// Trunk is the lean, applied in the order heading, pitch, bend, turn.
type Trunk struct {
	PitchDeg float64 `json:"pitchDeg,omitempty" doc:"Forward +, degrees." minimum:"-40" maximum:"95"`
	BendDeg  float64 `json:"bendDeg,omitempty" doc:"To the right +, degrees." minimum:"-45" maximum:"45"`
	TurnDeg  float64 `json:"turnDeg,omitempty" doc:"To the left +, degrees." minimum:"-60" maximum:"60"`
}

// Bench is a bench in the room. This version of the program evaluates no posture on one and says so.
type Bench struct {
	AngleDeg float64 `json:"angleDeg" doc:"Back rest from horizontal, degrees."`
}

// Movement is the path of one repetition in the lifting direction.
type Movement struct {
	Kind      string             `json:"kind" doc:"shoulder-raise sweeps one coordinate and holds the others; keyframes gives poses along the path." enum:"shoulder-raise,keyframes"`
	Side      string             `json:"side" doc:"Which arm moves; both mirrors movement and loads." enum:"right,left,both"`
	Primary   string             `json:"primary,omitempty" doc:"The coordinate that sweeps." enum:"shoulder.elevation"`
	FromDeg   float64            `json:"fromDeg,omitempty" doc:"Where the lift starts, degrees."`
	ToDeg     float64            `json:"toDeg,omitempty" doc:"Where it ends, degrees."`
	Hold      map[string]float64 `json:"hold,omitempty" doc:"Coordinates held over the range, degrees, keyed like shoulder.planeDeg."`
	Keyframes []Keyframe         `json:"keyframes,omitempty" doc:"At least two, s rising from 0 to 1."`
}

// Keyframe is the pose of the arm at one place along the path.
type Keyframe struct {
	S    float64            `json:"s" doc:"Place along the path, 0 at the start, 1 at the end." minimum:"0" maximum:"1"`
	Pose map[string]float64 `json:"pose" doc:"Joint coordinates, degrees, keyed like shoulder.elevationDeg; all keyframes name the same ones."`
}

// Load is one thing that pulls or weighs. Which fields apply depends on the kind.
type Load struct {
	ID       string  `json:"id" doc:"Name within the document, unique."`
	Kind     string  `json:"kind" doc:"What it is." enum:"dumbbell,cable,band"`
	Variable bool    `json:"variable,omitempty" doc:"Whether load advice may scale it."`
	Side     string  `json:"side" doc:"The limb it is fixed to." enum:"right,left"`
	Contact  Contact `json:"contact" doc:"Where on the limb."`

	Mass float64 `json:"mass,omitempty" doc:"dumbbell: mass, kg." minimum:"0" maximum:"200"`

	Pulley           *Point  `json:"pulley,omitempty" doc:"cable: where the cable leaves the pulley, m."`
	StackMass        float64 `json:"stackMass,omitempty" doc:"cable: mass on the pin, kg." minimum:"0" maximum:"500"`
	Ratio            float64 `json:"ratio,omitempty" doc:"cable: force at the handle over weight of the stack; 1 unless given."`
	Friction         float64 `json:"friction" required:"false" doc:"cable: share lost on the way out and back; 0.07 unless given." minimum:"0" maximum:"0.5"`
	AttachmentLength float64 `json:"attachmentLength,omitempty" doc:"cable, band: handle, strap or rope between its end and the contact, m."`
	ParkedGap        float64 `json:"parkedGap" required:"false" doc:"cable: what hangs out of the pulley with the stack at rest, m; 0.05 unless given."`
	Travel           float64 `json:"travel,omitempty" doc:"cable: how far the stack can rise, m; 1.6 unless given."`
	Kit              *Kit    `json:"kit,omitempty" doc:"cable: the station it was taken from."`

	Anchor     *Point      `json:"anchor,omitempty" doc:"band: where it is fixed, m."`
	RestLength float64     `json:"restLength,omitempty" doc:"band: length with no pull on it, m."`
	Section    float64     `json:"section,omitempty" doc:"band: section of one strand, m²; for the rubber law, when nothing was measured."`
	Pull       []BandPoint `json:"pull,omitempty" doc:"band: measured pull of one strand, at two lengths or more."`
	Strands    int         `json:"strands,omitempty" doc:"band: how many strands side by side; 1 unless given."`
	Hysteresis float64     `json:"hysteresis" required:"false" doc:"band: share of the pull lost on the way back; 0.10 unless given." minimum:"0" maximum:"0.6"`
}

// BandPoint is one measurement of a band: how hard it pulls at a length.
type BandPoint struct {
	Length float64 `json:"length" doc:"m."`
	Force  float64 `json:"force" doc:"N."`
}

// Contact is a point on a segment of the limb.
type Contact struct {
	Segment  string   `json:"segment" doc:"Segment of the arm." enum:"hand,forearm,upperArm"`
	At       string   `json:"at,omitempty" doc:"grip: the middle of the closed hand." enum:"grip"`
	Fraction *float64 `json:"fraction,omitempty" doc:"Place along the segment from its near end, instead of a named one." minimum:"0" maximum:"1"`
}

// Kit remembers where explicit geometry was taken from.
type Kit struct {
	Station string `json:"station" doc:"Key of the station."`
	Column  string `json:"column,omitempty" doc:"Which column." enum:"left,right"`
	Hole    int    `json:"hole,omitempty" doc:"Number of the hole from the floor up."`
}

// Point is a place in the room, m.
type Point struct {
	X float64 `json:"x" doc:"Away from the station, m."`
	Y float64 `json:"y" doc:"Above the floor, m."`
	Z float64 `json:"z" doc:"To the right of the middle, m."`
}

// Tempo is the seconds of each phase of a repetition.
type Tempo struct {
	Down   float64 `json:"down" doc:"Lowering, s." minimum:"0" maximum:"60"`
	Bottom float64 `json:"bottom" doc:"Pause at the start of the lift, s." minimum:"0" maximum:"60"`
	Up     float64 `json:"up" doc:"Lifting, s." minimum:"0" maximum:"60"`
	Top    float64 `json:"top" doc:"Pause at the end of the lift, s." minimum:"0" maximum:"60"`
}

// Defaults of a cable (own estimates, no source): loss 7%, parked gap 5 cm, travel 1.6 m.
const (
	DefaultFriction  = 0.07
	DefaultParkedGap = 0.05
	DefaultTravel    = 1.6
	DefaultSamples   = 101

	DefaultHysteresis = 0.10 // of a band (own)
)

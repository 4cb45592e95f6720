// Package setup defines the setup document, the one thing that every part of the program speaks: who lifts, how they
// stand, how they move, what pulls on them and what it is meant for. The Go types are its definition; JSON Schema,
// the OpenAPI description and the TypeScript types are generated from them.
//
// All values are SI (m, kg, s); angles are in degrees and carry the suffix Deg in their JSON name. Geometry is
// explicit, so that a document evaluates the same on any machine; the kit it was taken from is remembered beside it.
package setup

// Schema is the version that this program writes and the newest that it reads.
const Schema = "dialarc.setup/2"

// Document is one setup for one lifter.
type Document struct {
	Schema       string   `json:"schema" doc:"Document version." example:"dialarc.setup/2"`
	Name         string   `json:"name" doc:"What the coach calls it." maxLength:"200"`
	Target       Target   `json:"target" doc:"What the setup is for."`
	Lifter       Lifter   `json:"lifter" doc:"Who lifts: a copy, so that the document stands on its own."`
	Posture      Posture  `json:"posture" doc:"How and where the lifter stands."`
	Bench        *Bench   `json:"bench" required:"false" doc:"The bench, or null."`
	Movement     Movement `json:"movement" doc:"The path of one repetition, in the direction of lifting."`
	Loads        []Load   `json:"loads" doc:"What pulls; any number at once." maxItems:"12"`
	Tempo        Tempo    `json:"tempo" doc:"Seconds of each phase."`
	Gym          string   `json:"gym,omitempty" doc:"Id of the room whose kit it was fitted to."`
	Notes        string   `json:"notes,omitempty" doc:"What the coach wants to remember about the setup." maxLength:"4000"`
	Cues         []string `json:"cues,omitempty" doc:"What the coach says to the lifter, one short sentence each." maxItems:"12"`
	Safely       string   `json:"safely,omitempty" doc:"How to end a set that will not go up." maxLength:"400"`
	Acknowledged []string `json:"acknowledged,omitempty" doc:"Keys of cautions that the coach has seen and set aside." maxItems:"50"`
	Locked       []string `json:"locked,omitempty" doc:"Keys of settings that searches and mends leave alone, like pulley.height/0." maxItems:"100"`
	Scoring      *Scoring `json:"scoring,omitempty" doc:"What its score counts, where that is not the usual."`
	Samples      int      `json:"samples,omitempty" doc:"Points along the path, 101 unless given." minimum:"5" maximum:"1001"`
}

// Scoring is what the score of a setup counts, in points: what is left out counts as usual.
type Scoring struct {
	Fit        *float64 `json:"fit,omitempty" doc:"Points that a whole fit to the target profile is worth; 60 unless given." minimum:"0" maximum:"100"`
	Target     *float64 `json:"target,omitempty" doc:"Points that it is worth when the target does all of the work; 40 unless given." minimum:"0" maximum:"100"`
	Length     *float64 `json:"length,omitempty" doc:"Points that it is worth when all torque is at the lengths asked for; 0 unless given, 20 once a length is asked for." minimum:"0" maximum:"100"`
	Lengths    string   `json:"lengths,omitempty" doc:"At which lengths of the target the torque should be; any unless given." enum:"lengthened,shortened"`
	OutOfPlane *float64 `json:"outOfPlane,omitempty" doc:"Points that a pull wholly out of plane costs; 40 unless given." minimum:"0" maximum:"200"`
	Start      *float64 `json:"start,omitempty" doc:"Points that a start barely under tension costs; 3 unless given." minimum:"0" maximum:"100"`
	Clearance  *float64 `json:"clearance,omitempty" doc:"Points that a strand that runs close costs; 3 unless given." minimum:"0" maximum:"100"`
	JointLoad  *float64 `json:"jointLoad,omitempty" doc:"Points that a tenth more on low back or grip than the lifter wants to hold costs; 3 unless given." minimum:"0" maximum:"100"`
	TargetLoss *float64 `json:"targetLoss,omitempty" doc:"By how many points of percent the target's mean contribution may fall in an answer; 2 unless given." minimum:"0" maximum:"100"`
	RangeKept  *float64 `json:"rangeKept,omitempty" doc:"How much of the range an answer has to keep, as a share; 0.9 unless given." minimum:"0" maximum:"1"`
}

// Target names the region to train, the school that judges the profile, and the joint that owns the profile.
type Target struct {
	Region  string    `json:"region" doc:"Key of the muscle region." example:"deltoid.middle"`
	Profile string    `json:"profile" doc:"What the profile should look like." enum:"match,early,even,late,overload,custom"`
	Joint   string    `json:"joint,omitempty" doc:"The joint whose torque is profiled; the one that the region crosses unless given. A region that crosses two has to say." enum:"trunk,girdle,shoulder,elbow,hip,knee,ankle"`
	Custom  []float64 `json:"custom,omitempty" doc:"Five relative torques from the long end to the short end, for the school custom." maxItems:"5"`
}

// Lifter is a body: stature and mass, and whatever the tape said that differs from the usual proportions.
type Lifter struct {
	Height         float64            `json:"height" doc:"Standing height, m." minimum:"1" maximum:"2.4"`
	BodyMass       float64            `json:"bodyMass" doc:"Body mass, kg." minimum:"25" maximum:"300"`
	Lengths        map[string]float64 `json:"lengths,omitempty" doc:"Measured lengths in m that replace the fraction of stature; keys as in the format's description." maxItems:"100"`
	NaturalPathDeg float64            `json:"naturalPathDeg,omitempty" doc:"How far out the arms track by themselves, degrees." minimum:"-30" maximum:"60"`
	CarryingDeg    float64            `json:"carryingDeg,omitempty" doc:"Carrying angle of the elbow: how far the straight forearm deviates outward, degrees; 0 until measured." minimum:"-5" maximum:"30"`
	LowBackLimit   float64            `json:"lowBackLimit,omitempty" doc:"Torque that the lifter wants the low back to hold at most, N·m; by body mass, training and sex unless given." minimum:"0" maximum:"1000"`
	GripLimit      float64            `json:"gripLimit,omitempty" doc:"Force that the lifter wants the hand to hold at most, N; 6 per kg of body mass unless given." minimum:"0" maximum:"2000"`
	Ranges         map[string]Range   `json:"ranges,omitempty" doc:"Range owned at a joint coordinate, keyed like shoulder.elevation."`
	Training       string             `json:"training,omitempty" doc:"How long they have trained for size: novice under half a year, trained one to four years, advanced longer; an estimate of strength is a trained one's unless given." enum:"novice,trained,advanced"`
	Sex            string             `json:"sex,omitempty" doc:"For the estimate of strength alone; a man's unless given." enum:"female,male"`
	Strength       []StrengthTest     `json:"strength,omitempty" doc:"Isometric tests; of each action those of the newest day count." maxItems:"500"`
	Sets           []KnownSet         `json:"sets,omitempty" doc:"Sets that the lifter knows, from which strength is reckoned where it was not tested." maxItems:"40"`
	Cautions       []string           `json:"cautions,omitempty" doc:"What to look out for with this lifter, in the coach's words." maxItems:"12"`
}

// Range is what the lifter owns of one joint coordinate, degrees.
type Range struct {
	FromDeg float64 `json:"fromDeg" doc:"Least angle, degrees." minimum:"-180" maximum:"180"`
	ToDeg   float64 `json:"toDeg" doc:"Largest angle, degrees." minimum:"-180" maximum:"180"`
	Pain    string  `json:"pain,omitempty" doc:"What hurts there, in the coach's words." maxLength:"200"`
	Hurts   []Span  `json:"hurts,omitempty" doc:"Where in it something hurts; nothing goes there." maxItems:"5"`
}

// Span is a stretch of angles, degrees.
type Span struct {
	FromDeg float64 `json:"fromDeg" doc:"Least angle, degrees." minimum:"-180" maximum:"180"`
	ToDeg   float64 `json:"toDeg" doc:"Largest angle, degrees." minimum:"-180" maximum:"180"`
}

// StrengthTest is one isometric measurement of a joint action.
type StrengthTest struct {
	Action   string  `json:"action" doc:"Joint action." enum:"shoulder.abduction,shoulder.flexion,shoulder.extension,shoulder.adduction,shoulder.horizontalAdduction,shoulder.horizontalAbduction,shoulder.internalRotation,shoulder.externalRotation,elbow.flexion,elbow.extension,knee.extension,knee.flexion,hip.extension,hip.flexion,hip.abduction,hip.adduction,ankle.plantarFlexion,ankle.plantarFlexionKneeBent,ankle.dorsiflexion,girdle.elevation,trunk.flexion,trunk.extension,trunk.sideBend,trunk.rotation"`
	AngleDeg float64 `json:"angleDeg" doc:"Joint angle of the test, degrees." minimum:"-90" maximum:"180"`
	Torque   float64 `json:"torque" doc:"Largest torque held, N·m." minimum:"0.5" maximum:"1000"`
	Date     string  `json:"date,omitempty" doc:"Day of the test, like 2026-11-25; tests without one count as older." example:"2026-11-25"`
	Spread   float64 `json:"spread,omitempty" doc:"How far it could be off at 95 %, as a share, by what its trials say; 0.06 unless given." minimum:"0" maximum:"2"`
}

// KnownSet is a set that the lifter has done: so much, so often, with so many repetitions left. It names an exercise of the library, or,
// taken over from what was logged, what it says of an action.
type KnownSet struct {
	Exercise string  `json:"exercise,omitempty" doc:"Key of the exercise, as it comes for this lifter." example:"curl.dumbbell"`
	Setup    string  `json:"setup,omitempty" doc:"Logged: name of the setup." maxLength:"200"`
	Action   string  `json:"action,omitempty" doc:"Logged: the joint action that gave out, as in strength tests."`
	Factor   float64 `json:"factor,omitempty" doc:"Logged: how many times as strong as the estimate the lifter was there." minimum:"0" maximum:"10"`
	Load     float64 `json:"load" doc:"kg, as it is counted there: each dumbbell, the whole bar, the pin of the stack, the plates of a lever." minimum:"0.5" maximum:"500"`
	Reps     int     `json:"reps" doc:"Repetitions done." minimum:"1" maximum:"30"`
	Left     int     `json:"left,omitempty" doc:"Repetitions that were left in reserve." minimum:"0" maximum:"10"`
	Date     string  `json:"date,omitempty" doc:"Day of the set." example:"2026-11-25"`
}

// Posture places the lifter in the room: origin on the floor midway between the columns, X away from the station.
type Posture struct {
	Kind        string   `json:"kind" doc:"Posture. Lying and leaning on a bench take their angle from it." enum:"standing,hinged,kneeling,half-kneeling,seated,supine,prone,side-lying,leaning,handstand"`
	Root        string   `json:"root,omitempty" doc:"What stays in place while the rest moves; the posture's own unless given. foot: one foot, that of stands; shoulders: the back on the edge of a bench or the floor, and the feet; thighs: on the pad of a bench for the back." enum:"feet,foot,shoulders,thighs,seat,bench,knees,hands"`
	Stands      string   `json:"stands,omitempty" doc:"root foot: the leg that is stood on; the other is free." enum:"left,right"`
	HeelsFree   bool     `json:"heelsFree,omitempty" doc:"The balls of the feet stand on the edge of a block, and the heels are free."`
	X           float64  `json:"x" doc:"Mid-hip, distance out from the columns, m; the ankles' when the legs move on standing feet." minimum:"-4" maximum:"4"`
	Z           float64  `json:"z,omitempty" doc:"Mid-hip, to the right of the middle, m." minimum:"-4" maximum:"4"`
	HeadingDeg  float64  `json:"headingDeg,omitempty" doc:"0 faces away from the station, 90 is a turn to the left, degrees." minimum:"-360" maximum:"360"`
	Feet        string   `json:"feet,omitempty" doc:"Stance: side by side, one well ahead of the other, or a little." enum:"parallel,split,staggered"`
	FeetApart   float64  `json:"feetApart,omitempty" doc:"Between the ankles' middles, sideways, m." minimum:"0" maximum:"1.2"`
	Stagger     float64  `json:"stagger,omitempty" doc:"split, staggered: how far one ankle is ahead of the other, m; 0.6 and 0.25 unless given." minimum:"0" maximum:"1.2"`
	Ahead       string   `json:"ahead,omitempty" doc:"split, staggered, half-kneeling: the foot in front." enum:"left,right"`
	RearHeight  float64  `json:"rearHeight,omitempty" doc:"split, with moving legs: height of what the instep of the rear foot lies on, m; on the ball of the foot on the floor unless given." minimum:"0" maximum:"0.7"`
	FrontShare  float64  `json:"frontShare,omitempty" doc:"split, with moving legs: share of the weight that the front foot carries, from which the lean of the shin follows; by the pose unless given." minimum:"0" maximum:"1"`
	FeetOut     float64  `json:"feetOut,omitempty" doc:"root shoulders: from the edge that the back lies on to the ankles, m; so that the shins are upright with the hips straight unless given." minimum:"0" maximum:"1.6"`
	KneesDeg    float64  `json:"kneesDeg,omitempty" doc:"standing, hinged: how far the knees are bent, degrees." minimum:"0" maximum:"120"`
	SeatHeight  float64  `json:"seatHeight,omitempty" doc:"seated without a bench: top of the seat above the floor, m; 0.45 unless given." minimum:"0.1" maximum:"1.2"`
	Down        string   `json:"down,omitempty" doc:"side-lying, leaning: the side that is below." enum:"left,right"`
	Restraints  []string `json:"restraints,omitempty" doc:"What else keeps the lifter in place: a strap over the hips, a pad on the thighs, a sloping pad under the upper arms, an upright plate for the soles, XX on its own thighs, the free hand on its own thigh, pads on the shoulders." enum:"strap,thighPad,armPad,footPlate,trunkOnThighs,handOnThigh,ankles,handsHold,shoulderPads" maxItems:"8"`
	Riser       float64  `json:"riser,omitempty" doc:"Height of a block under the feet, m." minimum:"0" maximum:"0.6"`
	SupportHand *Point   `json:"supportHand,omitempty" doc:"Where the hand that takes no part holds on, m."`
	Trunk       Trunk    `json:"trunk,omitempty" doc:"Lean of pelvis and trunk together about mid-hip, on top of what the posture gives."`
}

// Trunk is the lean, applied in the order heading, pitch, bend, turn.
type Trunk struct {
	PitchDeg float64 `json:"pitchDeg,omitempty" doc:"Forward +, degrees." minimum:"-40" maximum:"95"`
	BendDeg  float64 `json:"bendDeg,omitempty" doc:"To the right +, degrees." minimum:"-45" maximum:"45"`
	TurnDeg  float64 `json:"turnDeg,omitempty" doc:"To the left +, degrees." minimum:"-60" maximum:"60"`
}

// Bench is what the lifter sits, lies or leans on.
type Bench struct {
	AngleDeg     float64 `json:"angleDeg" doc:"Back rest from horizontal, degrees: 0 flat, 90 upright." minimum:"-30" maximum:"90"`
	Height       float64 `json:"height,omitempty" doc:"Top of the pad under the hips above the floor, m; 0.45 unless given." minimum:"0.1" maximum:"1.2"`
	Mass         float64 `json:"mass,omitempty" doc:"Of the bench, with what is laid on its foot, kg; 30 unless given." minimum:"0" maximum:"400"`
	BackLength   float64 `json:"backLength,omitempty" doc:"Length of the back rest, or of the pad that is lain on, m; as long as it takes unless given." minimum:"0.3" maximum:"1.6"`
	Width        float64 `json:"width,omitempty" doc:"Of its pads, m; 0.28 unless given." minimum:"0.15" maximum:"0.8"`
	PadUnderBack float64 `json:"padUnderBack,omitempty" doc:"side-lying: thickness of a pad behind the back, which rolls the chest forward, m." minimum:"0" maximum:"0.25"`

	Kit *BenchKit `json:"kit,omitempty" doc:"The bench of a room that it is."`
}

// BenchKit remembers which bench of a room it is, and where that one can be set.
type BenchKit struct {
	Item       string    `json:"item" doc:"Key of the bench in its room."`
	NotchesDeg []float64 `json:"notchesDeg" doc:"Angles of the back rest that it has notches for, rising, degrees." maxItems:"60"`
	Mass       float64   `json:"mass" doc:"Of the bench alone, kg."`
}

// Movement is the path of one repetition in the lifting direction.
type Movement struct {
	Kind       string             `json:"kind" doc:"sweep moves one coordinate and holds the others (shoulder-raise is a sweep of the elevation); keyframes gives poses along the path; guided leads the hand along a line or arc; hold keeps one pose." enum:"shoulder-raise,sweep,keyframes,guided,hold"`
	Side       string             `json:"side" doc:"Which side moves; both mirrors movement and loads." enum:"right,left,both"`
	Primary    string             `json:"primary,omitempty" doc:"sweep: the coordinate that sweeps, like elbow.flexion."`
	FromDeg    float64            `json:"fromDeg,omitempty" doc:"sweep: where the lift starts, degrees."`
	ToDeg      float64            `json:"toDeg,omitempty" doc:"sweep: where it ends, degrees."`
	StartPlane *float64           `json:"startPlaneDeg,omitempty" doc:"shoulder-raise: the plane in which the arm starts, from where it comes evenly to the held one; that all along unless given." minimum:"-180" maximum:"180"`
	Hold       map[string]float64 `json:"hold,omitempty" doc:"Coordinates held over the range, degrees, keyed like shoulder.planeOfElevationDeg."`
	Other      *OtherSide         `json:"other,omitempty" doc:"The pose of the side that takes no part; what it does not name hangs, or is as the posture has it."`
	Keyframes  []Keyframe         `json:"keyframes,omitempty" doc:"At least two, s rising from 0 to 1." maxItems:"60"`
	Guide      *Guide             `json:"guide,omitempty" doc:"guided: where the middle of the closed hand goes."`
	NoSpin     bool               `json:"noSpin,omitempty" doc:"The upper arm does not turn about itself along the path; its rotation is that of the start."`
	Natural    bool               `json:"natural,omitempty" doc:"The upper arm turns half as much as noSpin has it, as arms that are moved forward and back do by themselves."`
	InLine     string             `json:"inLine,omitempty" doc:"Id of a cable or band: the forearm stays in line with it, by elbow flexion and rotation of the upper arm."`
	BarWidth   float64            `json:"barWidth,omitempty" doc:"Both hands are on one straight bar, this far apart, m: the upper arms give way as little as they can." minimum:"0" maximum:"1.5"`
	Axis       string             `json:"axis,omitempty" doc:"What the profile's axis is: that of the swing (swept, the default), the segment itself (spin), or the given vector." enum:"swept,spin,vector"`
	AxisAlong  *Point             `json:"axisAlong,omitempty" doc:"axis vector: direction in the room, right-handed, positive for lifting."`
}

// Keyframe is the pose of the moving side at one place along the path.
type Keyframe struct {
	S    float64            `json:"s" doc:"Place along the path, 0 at the start, 1 at the end." minimum:"0" maximum:"1"`
	Pose map[string]float64 `json:"pose" doc:"Joint coordinates, degrees, keyed like shoulder.elevationDeg; all keyframes name the same ones."`
}

// OtherSide is how the arm and the leg are that take no part in the movement, such as the free leg of somebody who stands on the other.
type OtherSide struct {
	Start map[string]float64 `json:"start" doc:"Joint coordinates at the start of the lift, degrees, keyed like hip.flexionDeg."`
	End   map[string]float64 `json:"end,omitempty" doc:"At its end, of those that start names too; they go there evenly, the others stay."`
}

// Guide leads the right hand (the left, when only that moves) through the room while shoulder and elbow follow. With the
// hands as the root it says where the hand would go if the trunk stood still; the trunk goes the other way instead.
type Guide struct {
	Kind      string  `json:"kind" doc:"line from start to end, or arc from start about a centre." enum:"line,arc"`
	Start     Point   `json:"start" doc:"Middle of the closed hand at the start of the lift, m."`
	End       *Point  `json:"end,omitempty" doc:"line: at its end, m."`
	Centre    *Point  `json:"centre,omitempty" doc:"arc: a point on its axis, m."`
	About     *Point  `json:"about,omitempty" doc:"arc: direction of its axis."`
	Relative  bool    `json:"relative,omitempty" doc:"Places are counted from the moving shoulder, forward, up and to the right of the lifter, and go along when the lifter moves; else they are places in the room."`
	TurnDeg   float64 `json:"turnDeg,omitempty" doc:"arc: how far it goes, right-handed about the axis, degrees." minimum:"-300" maximum:"300"`
	SwivelDeg float64 `json:"swivelDeg,omitempty" doc:"Where the elbow points: 0 towards the feet for a hand in front, + outward, degrees." minimum:"-120" maximum:"150"`
	SwivelTo  float64 `json:"swivelToDeg,omitempty" doc:"The same at the end of the path; as at the start unless given." minimum:"-120" maximum:"150"`
}

// Load is one thing that pulls or weighs. Which fields apply depends on the kind.
type Load struct {
	ID       string   `json:"id" doc:"Name within the document, unique."`
	Kind     LoadKind `json:"kind" doc:"What it is. rope: two strands of rope on one cable, one in each hand; cam: a machine with a pad; lever: a machine's handle, or a bar with one end in a corner; sled: a plate on rails that the feet push; assist: a platform under the knees that a stack lifts; ownBody: the lifter's own weight counted as the load." enum:"dumbbell,bar,cable,rope,band,cam,lever,sled,assist,bodyweight"`
	Variable bool     `json:"variable,omitempty" doc:"Whether load advice may scale it."`
	Side     string   `json:"side" doc:"The limb it is fixed to; of no account on the trunk." enum:"right,left"`
	Contact  Contact  `json:"contact" doc:"Where on the body."`

	Mass  float64 `json:"mass,omitempty" doc:"dumbbell, bar: mass, kg, of a bar with its plates." minimum:"0.1" maximum:"500"`
	Catch string  `json:"catch,omitempty" doc:"bar: what catches it when it cannot be lifted: safety arms set for it, or somebody who spots." enum:"arms,spotter"`

	Pulley           *Point    `json:"pulley,omitempty" doc:"cable, rope: where the cable leaves the pulley, m."`
	StackMass        float64   `json:"stackMass,omitempty" doc:"cable, rope, cam, assist: mass on the pin, kg." minimum:"0.1" maximum:"500"`
	Ratio            float64   `json:"ratio,omitempty" doc:"cable, rope, cam, assist: force at the handle over weight of the stack; 1 unless given." minimum:"0.05" maximum:"4"`
	Friction         float64   `json:"friction" required:"false" doc:"cable, rope, sled: share lost on the way out and back; 0.07 unless given." minimum:"0" maximum:"0.5"`
	AttachmentLength float64   `json:"attachmentLength,omitempty" doc:"cable, band: handle, strap or rope between its end and the contact, m." minimum:"0" maximum:"3"`
	ParkedGap        float64   `json:"parkedGap" required:"false" doc:"cable, rope: what hangs out of the pulley with the stack at rest, m; 0.05 unless given." minimum:"0" maximum:"3"`
	Travel           float64   `json:"travel,omitempty" doc:"cable, rope: how far the stack can rise, m; 1.6 unless given." minimum:"0.05" maximum:"6"`
	Kit              *Kit      `json:"kit,omitempty" doc:"What it was taken from."`
	Measured         *Measured `json:"measured,omitempty" doc:"When what it was taken from was measured: the pull of a band, ratio and friction of a cable, a machine's cam or lever."`
	Shared           bool      `json:"shared,omitempty" doc:"cable, lever: a bar on it is held by both hands, half each; of a cable, where one side moves, its handle, which the other hand follows."`
	StrandLength     float64   `json:"strandLength,omitempty" doc:"rope: from the cable's end to the middle of each hand, m." minimum:"0.05" maximum:"2"`

	Anchor     *Point      `json:"anchor,omitempty" doc:"band: where it is fixed, m."`
	RestLength float64     `json:"restLength,omitempty" doc:"band: length with no pull on it, m." minimum:"0.05" maximum:"5"`
	Section    float64     `json:"section,omitempty" doc:"band: section of one strand, m²; for the rubber law, when nothing was measured." minimum:"1e-06" maximum:"0.002"`
	Pull       []BandPoint `json:"pull,omitempty" doc:"band: measured pull of one strand, at two lengths or more." maxItems:"60"`
	Strands    int         `json:"strands,omitempty" doc:"band: how many strands side by side; 1 unless given. A band that is doubled has two, of half the length." minimum:"1" maximum:"20"`
	Worn       bool        `json:"worn,omitempty" doc:"band: it shows wear."`
	Loose      bool        `json:"loose,omitempty" doc:"band: its anchor could slip or lift off."`
	Hysteresis float64     `json:"hysteresis" required:"false" doc:"band: share of the pull lost on the way back; 0.10 unless given." minimum:"0" maximum:"0.6"`

	Coordinate string     `json:"coordinate,omitempty" doc:"cam: the joint coordinate that the machine's arm turns with, like knee.flexion."`
	Cam        []CamPoint `json:"cam,omitempty" doc:"cam: the stack's moment arm over the angle of the machine's arm, at two angles or more." maxItems:"60"`
	PadRadius  float64    `json:"padRadius,omitempty" doc:"cam: from the machine's axis to the pad, m." minimum:"0.05" maximum:"1"`
	AxisOffset *Point     `json:"axisOffset,omitempty" doc:"cam: from the joint at the start of the lift to the machine's axis, m: forward, up and to the right of the lifter; aligned unless given."`

	Pivot        *Point  `json:"pivot,omitempty" doc:"lever: a point on its axis, or the corner that the bar's end stands in, m."`
	PivotAlong   *Point  `json:"pivotAlong,omitempty" doc:"lever: direction of its axis; without one the pivot is a corner and the bar turns every way."`
	PlateMass    float64 `json:"plateMass,omitempty" doc:"lever, sled: mass of the plates, kg." minimum:"0" maximum:"500"`
	PlateRadius  float64 `json:"plateRadius,omitempty" doc:"lever: from the axis to the plates, m." minimum:"0" maximum:"4"`
	PlateDeg     float64 `json:"plateDeg,omitempty" doc:"lever: direction of the plates from that of the handle, right-handed about the axis; sled: how far the top of its plate leans away from the lifter, from square to the rails; degrees." minimum:"-180" maximum:"180"`
	LeverMass    float64 `json:"leverMass,omitempty" doc:"lever, sled: mass of the bare lever, bar or sled, kg." minimum:"0" maximum:"200"`
	LeverRadius  float64 `json:"leverRadius,omitempty" doc:"lever: from the axis to its own centre of mass, in the direction of the handle, m." minimum:"0" maximum:"4"`
	HandleRadius float64 `json:"handleRadius,omitempty" doc:"lever: from the axis to the handle, m." minimum:"0.1" maximum:"4"`

	RailDeg float64 `json:"railDeg,omitempty" doc:"sled: how steeply its rails rise ahead of the lifter, degrees." minimum:"10" maximum:"90"`
	Rides   bool    `json:"rides,omitempty" doc:"sled: it is a carriage that bears the back of the lifter, whose feet stay on a fixed plate below."`
	SoleUp  float64 `json:"soleUp,omitempty" doc:"sled: how far up its plate the ankles are, from the line through the hips along the rails, m." minimum:"-0.4" maximum:"0.5"`
}

// Measured is when a thing was measured, and how well.
type Measured struct {
	Day    string  `json:"day" doc:"Like 2026-11-30."`
	Spread float64 `json:"spread,omitempty" doc:"How far it could be off at 95 %, as a share; 0 when that is not known." minimum:"0" maximum:"2"`
}

// BandPoint is one measurement of a band: how hard it pulls at a length.
type BandPoint struct {
	Length float64 `json:"length" doc:"m." minimum:"0.05" maximum:"10"`
	Force  float64 `json:"force" doc:"N." minimum:"0" maximum:"5000"`
}

// CamPoint is one place on a cam: its moment arm when the machine's arm stands at an angle.
type CamPoint struct {
	AngleDeg float64 `json:"angleDeg" doc:"Where a limb in line with the machine's arm has its coordinate, degrees." minimum:"-180" maximum:"180"`
	Arm      float64 `json:"arm" doc:"m." minimum:"0.005" maximum:"1"`
}

// Contact is a point on a segment of the body.
type Contact struct {
	Segment  string   `json:"segment" doc:"Segment of the body." enum:"hand,forearm,upperArm,thigh,shank,foot,trunk"`
	At       string   `json:"at,omitempty" doc:"A named place: grip (middle of the closed hand), wrist (cuff), ankle (pad), sole (its middle), ball (of the foot), waist, pelvis (the crease of the hips), chest (before the breastbone), shoulders (bar on the back), frontRack (bar on the front of the shoulders)." enum:"grip,wrist,ankle,sole,ball,waist,pelvis,chest,shoulders,frontRack"`
	Fraction *float64 `json:"fraction,omitempty" doc:"Place along a limb's segment from its near end, instead of a named one." minimum:"0" maximum:"1"`
}

// Kit remembers where explicit geometry was taken from, and what else could be had there when it was.
type Kit struct {
	Station    string    `json:"station,omitempty" doc:"cable, rope: key of the station in its room."`
	Column     string    `json:"column,omitempty" doc:"cable, rope: which column." enum:"left,right"`
	Hole       int       `json:"hole,omitempty" doc:"cable, rope: number of the hole from the floor up."`
	Spec       *Column   `json:"spec,omitempty" doc:"cable, rope: the column; that of the ready station unless given."`
	Item       string    `json:"item,omitempty" doc:"Other kinds: key of the weights, band or machine in its room."`
	Masses     []float64 `json:"masses,omitempty" doc:"dumbbell, bar, lever, sled, cam: what can be loaded, rising, kg." maxItems:"400"`
	Attachment string    `json:"attachment,omitempty" doc:"cable, rope, band: key of the handle, rope, strap or cuff in its room."`
	Lengths    []float64 `json:"lengths,omitempty" doc:"cable, rope, band: lengths of the handles, ropes, straps or cuffs that it could be held with, rising, m."`
}

// Column is a cable column of a station: its holes, its size and its stack.
type Column struct {
	LowestHole float64 `json:"lowestHole" doc:"Height of the pulley's exit in hole 1, m." minimum:"0" maximum:"3"`
	Spacing    float64 `json:"spacing" doc:"Between holes, m." minimum:"0.01" maximum:"1"`
	Holes      int     `json:"holes" doc:"Numbered from the floor up." minimum:"1" maximum:"100"`
	Height     float64 `json:"height" doc:"Of the column, m." minimum:"0.3" maximum:"4"`
	HalfWidth  float64 `json:"halfWidth" doc:"Half of its square section, m." minimum:"0.01" maximum:"0.5"`
	Lightest   float64 `json:"lightest" doc:"Lightest pin, kg." minimum:"0.1" maximum:"200"`
	Step       float64 `json:"step" doc:"From pin to pin, kg." minimum:"0.1" maximum:"50"`
	Heaviest   float64 `json:"heaviest" doc:"Heaviest pin, kg." minimum:"0.1" maximum:"500"`
	Mass       float64 `json:"mass,omitempty" doc:"Of a column that stands free, without what hangs on the cable, kg; 0 where it is fixed to floor or wall." minimum:"0" maximum:"1000"`
	Foot       float64 `json:"foot,omitempty" doc:"Of a column that stands free: how far its base reaches out from its middle, m." minimum:"0" maximum:"1.5"`
}

// HoleHeight is the height of the pulley's exit in a hole, m; holes count from 1.
func (c *Column) HoleHeight(hole int) float64 { return c.LowestHole + float64(hole-1)*c.Spacing }

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

	DefaultBenchMass = 30 // kg (own)

	DefaultSeat = 0.45 // height of a seat or bench, m (own)
)

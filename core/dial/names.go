package dial

// Name names a dial, without the load's place.
type Name string

// The dials, in the order in which they are listed.
const (
	PulleyHeight   Name = "pulley.height"
	ColumnsApart   Name = "columns.apart"
	PulleyOut      Name = "pulley.out"
	PulleyAside    Name = "pulley.aside"
	LoadStack      Name = "load.stack"
	BandHeight     Name = "band.height"
	BandOut        Name = "band.out"
	BandAside      Name = "band.aside"
	BandApart      Name = "band.apart"
	BandRest       Name = "band.rest"
	BandPull       Name = "band.pull"
	Strap          Name = "strap"
	Strand         Name = "strand"
	Cuff           Name = "cuff"
	LoadMass       Name = "load.mass"
	LeverPlates    Name = "lever.plates"
	SledPlates     Name = "sled.plates"
	SledFeet       Name = "sled.feet"
	SledRails      Name = "sled.rails"
	AssistStack    Name = "assist.stack"
	PadRadius      Name = "pad.radius"
	AxisForward    Name = "axis.forward"
	AxisUp         Name = "axis.up"
	StanceOut      Name = "stance.out"
	StanceAside    Name = "stance.aside"
	Heading        Name = "heading"
	SeatHeight     Name = "seat.height"
	BenchHeight    Name = "bench.height"
	FeetApart      Name = "feet.apart"
	FeetStagger    Name = "feet.stagger"
	FrontShare     Name = "front.share"
	RearHeight     Name = "rear.height"
	FeetOut        Name = "feet.out"
	Riser          Name = "riser"
	HandOut        Name = "hand.out"
	HandHeight     Name = "hand.height"
	HandAside      Name = "hand.aside"
	FreeHipStart   Name = "free.hip.start"
	FreeHipEnd     Name = "free.hip.end"
	FreeKnee       Name = "free.knee"
	BenchAngle     Name = "bench.angle"
	BenchMass      Name = "bench.mass"
	TrunkLean      Name = "trunk.lean"
	TrunkBend      Name = "trunk.bend"
	TrunkTurn      Name = "trunk.turn"
	PathPlane      Name = "path.plane"
	PathStartPlane Name = "path.startPlane"
	PathElbow      Name = "path.elbow"
	PathRotation   Name = "path.rotation"
	HoldElevation  Name = "hold.elevation"
	HoldPlane      Name = "hold.plane"
	HoldRotation   Name = "hold.rotation"
	HoldElbow      Name = "hold.elbow"
	HoldPronation  Name = "hold.pronation"
	HoldWrist      Name = "hold.wrist"
	BladesUp       Name = "blades.up"
	BladesForward  Name = "blades.forward"
	GripWidth      Name = "grip.width"
	GuideSwivel    Name = "guide.swivel"
	GuideTravel    Name = "guide.travel"
	GuideTurn      Name = "guide.turn"
	GuideBegins    Name = "guide.begins"
	GuideStartX    Name = "guide.startX"
	GuideStartY    Name = "guide.startY"
	GuideStartZ    Name = "guide.startZ"
	GuideEndX      Name = "guide.endX"
	GuideEndY      Name = "guide.endY"
	GuideEndZ      Name = "guide.endZ"
	GuideCentreX   Name = "guide.centreX"
	GuideCentreY   Name = "guide.centreY"
	GuideCentreZ   Name = "guide.centreZ"
	PoseFrom       Name = "pose.from"
	PoseTo         Name = "pose.to"
	RangeFrom      Name = "range.from"
	RangeTo        Name = "range.to"
	TempoUp        Name = "tempo.up"
	TempoTop       Name = "tempo.top"
	TempoDown      Name = "tempo.down"
	TempoBottom    Name = "tempo.bottom"
)

// Names are all names of dials; the page's type of them is made from this list.
var Names = []Name{
	PulleyHeight,
	ColumnsApart,
	PulleyOut,
	PulleyAside,
	LoadStack,
	BandHeight,
	BandOut,
	BandAside,
	BandApart,
	BandRest,
	BandPull,
	Strap,
	Strand,
	Cuff,
	LoadMass,
	LeverPlates,
	SledPlates,
	SledFeet,
	SledRails,
	AssistStack,
	PadRadius,
	AxisForward,
	AxisUp,
	StanceOut,
	StanceAside,
	Heading,
	SeatHeight,
	BenchHeight,
	FeetApart,
	FeetStagger,
	FrontShare,
	RearHeight,
	FeetOut,
	Riser,
	HandOut,
	HandHeight,
	HandAside,
	FreeHipStart,
	FreeHipEnd,
	FreeKnee,
	BenchAngle,
	BenchMass,
	TrunkLean,
	TrunkBend,
	TrunkTurn,
	PathPlane,
	PathStartPlane,
	PathElbow,
	PathRotation,
	HoldElevation,
	HoldPlane,
	HoldRotation,
	HoldElbow,
	HoldPronation,
	HoldWrist,
	BladesUp,
	BladesForward,
	GripWidth,
	GuideSwivel,
	GuideTravel,
	GuideTurn,
	GuideBegins,
	GuideStartX,
	GuideStartY,
	GuideStartZ,
	GuideEndX,
	GuideEndY,
	GuideEndZ,
	GuideCentreX,
	GuideCentreY,
	GuideCentreZ,
	PoseFrom,
	PoseTo,
	RangeFrom,
	RangeTo,
	TempoUp,
	TempoTop,
	TempoDown,
	TempoBottom,
}

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
	StanceOut      Name = "stance.out"
	StanceAside    Name = "stance.aside"
	Heading        Name = "heading"
	SeatHeight     Name = "seat.height"
	BenchHeight    Name = "bench.height"
	FeetApart      Name = "feet.apart"
	FeetStagger    Name = "feet.stagger"
	Riser          Name = "riser"
	HandOut        Name = "hand.out"
	HandHeight     Name = "hand.height"
	HandAside      Name = "hand.aside"
	BenchAngle     Name = "bench.angle"
	BenchMass      Name = "bench.mass"
	TrunkLean      Name = "trunk.lean"
	PathPlane      Name = "path.plane"
	PathStartPlane Name = "path.startPlane"
	PathElbow      Name = "path.elbow"
	PathRotation   Name = "path.rotation"
	HoldElevation  Name = "hold.elevation"
	HoldPlane      Name = "hold.plane"
	HoldRotation   Name = "hold.rotation"
	HoldElbow      Name = "hold.elbow"
	GuideSwivel    Name = "guide.swivel"
	GuideTravel    Name = "guide.travel"
	GuideTurn      Name = "guide.turn"
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
	StanceOut,
	StanceAside,
	Heading,
	SeatHeight,
	BenchHeight,
	FeetApart,
	FeetStagger,
	Riser,
	HandOut,
	HandHeight,
	HandAside,
	BenchAngle,
	BenchMass,
	TrunkLean,
	PathPlane,
	PathStartPlane,
	PathElbow,
	PathRotation,
	HoldElevation,
	HoldPlane,
	HoldRotation,
	HoldElbow,
	GuideSwivel,
	GuideTravel,
	GuideTurn,
	PoseFrom,
	PoseTo,
	RangeFrom,
	RangeTo,
	TempoUp,
	TempoTop,
	TempoDown,
	TempoBottom,
}

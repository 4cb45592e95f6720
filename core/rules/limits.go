package rules

import "dialarc/core/setup"

// What the fields of a document may hold, as their definitions say.
var (
	documentRows     = setup.RowsOf[setup.Document]()
	lifterRows       = setup.RowsOf[setup.Lifter]()
	rangeRows        = setup.RowsOf[setup.Range]()
	spanRows         = setup.RowsOf[setup.Span]()
	strengthTestRows = setup.RowsOf[setup.StrengthTest]()
	knownSetRows     = setup.RowsOf[setup.KnownSet]()
	postureRows      = setup.RowsOf[setup.Posture]()
	trunkRows        = setup.RowsOf[setup.Trunk]()
	benchRows        = setup.RowsOf[setup.Bench]()
	movementRows     = setup.RowsOf[setup.Movement]()
	guideRows        = setup.RowsOf[setup.Guide]()
	keyframeRows     = setup.RowsOf[setup.Keyframe]()
	contactRows      = setup.RowsOf[setup.Contact]()
	tempoRows        = setup.RowsOf[setup.Tempo]()
	scoringRows      = setup.RowsOf[setup.Scoring]()
)

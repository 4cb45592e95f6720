package report

import (
	"dialarc/core/metric"
	"dialarc/core/setup"
)

// AttachmentSite is what a load asks for and does to the joints when it is fixed elsewhere on the limb and made as heavy as it has to be
// for the same largest torque about the target.
type AttachmentSite struct {
	Label   string        `json:"label"`
	Contact setup.Contact `json:"contact"`
	Here    bool          `json:"here" doc:"Where it is fixed now."`
	Factor  metric.Metric `json:"factor" doc:"By what the load has to be multiplied."`
	Shear   metric.Metric `json:"shear" doc:"Largest resultant across the limb at the target joint, N."`
	Surface metric.Metric `json:"surface" doc:"Largest estimate between the target joint's surfaces, N."`
	Elbow   metric.Metric `json:"elbow" doc:"Largest torque that the elbow has to hold, N·m."`
	Grip    metric.Metric `json:"grip" doc:"Largest force that the hand holds, N."`
}

// AttachmentSites are those on an arm from the hand up.
type AttachmentSites struct {
	Index int              `json:"index" doc:"The load that is moved."`
	Sites []AttachmentSite `json:"sites"`
}

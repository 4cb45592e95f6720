package report

import "dialarc/core/metric"

// Source is one thing that an effort is uncertain by.
type Source struct {
	What    string        `json:"what" doc:"What could be measured." enum:"strength,body,place,angles,pulley,cable,band"`
	Key     string        `json:"key" doc:"strength: the joint action; cable, band: key of the thing in the gym, empty when the setup is of none."`
	Gym     string        `json:"gym,omitempty" doc:"cable, band: the id of that gym."`
	Percent metric.Metric `json:"percent" doc:"By how much the peak effort varies with it, standard deviation in percent of itself."`
	Share   float64       `json:"share" doc:"Of the variance of the peak effort."`
	Day     string        `json:"day,omitempty" doc:"When it was measured last."`
}

// Sources are what a peak effort is uncertain by.
type Sources struct {
	Percent metric.Metric `json:"percent" doc:"By how much the peak effort varies in all, standard deviation in percent of itself."`
	Sources []Source      `json:"sources" doc:"The largest first."`
}

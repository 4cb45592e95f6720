package simulate

import (
	"dialarc/core/emg"
	"dialarc/internal/device"
)

// Record starts a device and is what it sends in so many seconds.
func Record(d device.Device, seconds float64) *emg.Recording {
	d.Start()
	r := &emg.Recording{}
	for _, c := range d.Hello().Channels {
		r.Channels = append(r.Channels, emg.Channel{Label: c.Key, Unit: c.Unit, Rate: c.Rate})
	}
	blocks, _ := d.Next(seconds)
	for _, b := range blocks {
		for _, row := range b.V {
			for i, x := range row {
				r.Channels[i].Samples = append(r.Channels[i].Samples, x)
			}
		}
	}
	return r
}

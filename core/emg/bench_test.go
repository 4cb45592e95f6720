package emg

import (
	"math"
	"math/rand/v2"
	"testing"
)

// long is so many seconds of eight muscles and an angle at 1000 Hz, with a repetition every five seconds.
func long(seconds int) *Recording {
	r, source := &Recording{}, rand.New(rand.NewPCG(1, 1))
	for i := range 9 {
		c := Channel{Label: string(rune('a' + i)), Unit: "uV", Rate: 1000, Samples: make([]float64, 1000*seconds)}
		for k := range c.Samples {
			up := (1 - math.Cos(2*math.Pi*float64(k)/5000)) / 2
			if c.Samples[k] = 200 * up * source.NormFloat64(); i == 8 {
				c.Samples[k] = 90 * up
			}
		}
		if i == 8 {
			c.Unit = "deg"
		}
		r.Channels = append(r.Channels, c)
	}
	return r
}

// BenchmarkReadEDF reads ten minutes of nine channels.
func BenchmarkReadEDF(b *testing.B) {
	raw, problems := WriteEDF(long(600))
	if len(problems) > 0 {
		b.Fatal(problems)
	}
	b.SetBytes(int64(len(raw)))
	for b.Loop() {
		if _, problems := ReadEDF(raw); len(problems) > 0 {
			b.Fatal(problems)
		}
	}
}

// BenchmarkWork works a minute of them out.
func BenchmarkWork(b *testing.B) {
	r := long(60)
	for b.Loop() {
		if w := Work(r, nil, Settings{}); len(w.Reps) < 10 {
			b.Fatal(len(w.Reps))
		}
	}
}

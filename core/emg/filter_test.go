package emg

import (
	"encoding/json"
	"math"
	"math/rand/v2"
	"os"
	"testing"
)

// Band-pass, envelope and notch of random signals are those of SciPy (Virtanen et al. 2020, Nat Methods 17:261-272);
// testdata/filters.py makes the file.
func TestFiltersAgainstSciPy(t *testing.T) {
	raw, err := os.ReadFile("testdata/scipy.json")
	if err != nil {
		t.Fatal(err)
	}
	var file struct {
		Cases []struct {
			Rate, Low, High          float64
			X, Band, Envelope, Notch []float64
		}
	}
	if err := json.Unmarshal(raw, &file); err != nil {
		t.Fatal(err)
	}
	near := func(what string, got, want []float64) {
		t.Helper()
		if len(got) != len(want) {
			t.Fatalf("%s: %d values, want %d", what, len(got), len(want))
		}
		for i := range want {
			if math.Abs(got[i]-want[i]) > 1e-6 {
				t.Fatalf("%s: value %d is %v, want %v", what, i, got[i], want[i])
			}
		}
	}
	for _, c := range file.Cases {
		band := bothWays(bandPass(4, c.Low, c.High, c.Rate), c.X)
		near("band-pass", band, c.Band)
		whole := make([]float64, len(band))
		for i, x := range band {
			whole[i] = math.Abs(x)
		}
		near("envelope", bothWays(lowPass(4, 6, c.Rate), whole), c.Envelope)
		near("notch", bothWays(notch(50, 30, c.Rate), c.X), c.Notch)
	}
	if len(file.Cases) < 3 {
		t.Error("too few cases")
	}
}

// The moving root mean square of a constant is itself, and of anything what the definition says.
func TestMovingRMS(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	x := make([]float64, 500)
	for i := range x {
		x[i] = r.NormFloat64()
	}
	got := movingRMS(x, 101)
	for i := range x {
		sum, n := 0.0, 0.0
		for k := max(0, i-50); k <= min(len(x)-1, i+50); k++ {
			sum, n = sum+x[k]*x[k], n+1
		}
		if math.Abs(got[i]-math.Sqrt(sum/n)) > 1e-9 {
			t.Fatalf("at %d %v, want %v", i, got[i], math.Sqrt(sum/n))
		}
	}
	for _, x := range movingRMS([]float64{3, -3, 3, -3}, 3) {
		if math.Abs(x-3) > 1e-12 {
			t.Error(x)
		}
	}
	if out := bothWays(lowPass(4, 6, 1000), []float64{5}); len(out) != 1 || out[0] != 5 {
		t.Errorf("of one sample %v", out)
	}
}
